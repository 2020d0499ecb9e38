"""What else meshes in the demo yard: a worm table as found, a steering gear with a dead place, a crane's gearbox."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import timedelta
from typing import Any

from sqlalchemy.orm import Session

from bornek.demo.hand import START, Hand
from bornek.services.desk import Desk
from bornek.services.mesh.write_train import write_train


def seed_meshes(session: Session, ticks: Iterator[int]) -> None:
    _worm(Hand(session, "oda", "t05.worm-lost-motion", ticks))
    _sectors(Hand(session, "jun", "v18.sector-lash", ticks))
    _gearbox(session, ticks)


def _worm(hand: Hand) -> None:
    """As found: three times what is allowed, tightest at the second place."""
    hand.brings("as_found", carrier=86.0)
    for n, text in enumerate(("0.022", "0.024"), 1):
        hand.enters(f"float.{n}", text=text)
    for n, text in enumerate(("10.5", "9.5", "11", "11.5"), 1):
        hand.enters(f"lash.{n}", text=text)
    hand.enters("feel", value="smooth")


def _sectors(hand: Hand) -> None:
    hand.enters("timed", value=True)
    for n, text in enumerate(("0.31", "0.32"), 1):
        hand.enters(f"lost.{n}", text=text)
    for way in ("one", "back"):
        hand.enters(f"through.{way}", value="free")


def _gearbox(session: Session, ticks: Iterator[int]) -> None:
    """Two positions of the dredger's gearbox are counted, and two levers that must not go were tried."""
    for n, (at, out) in enumerate(
        (({"high": "neutral", "low": "neutral"}, 0.0), ({"high": "neutral", "low": "first"}, 2.75))
    ):
        body = {"at": at, "shaft": "main", "turned": 10.0, "out": out, "way": "clockwise" if out else "still"}
        _writes(session, ticks, "k08", n, "turns_counted", body)
    _writes(
        session, ticks, "k08", 2, "levers_tried", {"at": {"high": "third", "low": "first"}, "went": False}
    )


def _writes(
    session: Session, ticks: Iterator[int], job: str, n: int, kind: str, body: dict[str, Any]
) -> None:
    desk = Desk(session, "marl", START + timedelta(minutes=3 * next(ticks)))
    write_train(desk, job, {"id": f"{job}.train.{n}", "kind": kind, "body": body})
