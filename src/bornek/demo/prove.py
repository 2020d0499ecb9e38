"""A ramp winch at its last look: opened for a seal, its first stage of run-in behind it, the breather not looked at."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import timedelta
from typing import Any

from sqlalchemy.orm import Session

from bornek.demo.hand import Hand
from bornek.demo.strip import TODAY, Pen
from bornek.services.mesh.write_train import write_train
from bornek.services.prove.write_prove import write_prove

OPENED: tuple[tuple[str, dict[str, Any]], ...] = (
    ("lock-plates", {"count": 12}),
    ("cover-bolts", {"count": 24, "bag": "1"}),
    ("output-cover-part", {"tag": "W26-1"}),
    ("output-seal", {"way": "draw", "orientation": "lip inward, to the oil"}),
)
NEW = (("output-seal", "RW7-306", 1), ("lock-plates", "RW7-909", 12))
WARMED: tuple[tuple[float, str, str, str], ...] = (
    (5, "25.5", "25.0", "24.0"), (10, "30.5", "29.0", "26.5"), (15, "34.5", "32.5", "28.5"), (20, "37.5", "35.0", "30.5"),
    (25, "40.5", "37.5", "32.0"), (30, "42.5", "39.0", "33.5"), (35, "44.5", "40.5", "34.5"), (40, "46.0", "41.5", "35.5"),
)  # fmt: skip
READ_AT = ("pinion-outer", "output-top", "output-bottom")


class Prover(Pen):
    """A pen at the last look."""

    def proves(self, kind: str, **body: Any) -> str:
        desk = self.desk()
        fact = f"{self.job}.p{self.now}"
        write_prove(desk, self.job, {"id": fact, "kind": kind, "body": body})
        return fact

    def sees(self, *points: str, **body: Any) -> None:
        for point in points:
            self.proves("proved", point=point, **body)


def seed_opened(session: Session) -> None:
    """The output side open, new parts ordered and here, before anything was set."""
    pen = Pen(session, "jun", "w26", TODAY - timedelta(days=4))
    pen.writes("hour_meter", when="receiving", read_on="2026-11-19", reading="9 120")
    for part, more in OPENED:
        body = {"part": part, "way": "hand", **more}
        pen.writes(
            "removed",
            let_go=pen.lost_with(part, str(more.get("orientation", ""))),
            because="one seal to change: its end play was read before",
            **body,
        )
    for part, number, count in NEW:
        order = pen.writes(
            "ordered", part=part, what="order", number=number, supplier="Yard store", count=count
        )
        pen.writes("received", order=order)


def seed_prove(session: Session, ticks: Iterator[int]) -> None:
    out = Hand(session, "jun", "w26.output-end-play", ticks)
    out.found(0.50, 0.20)
    out.reads("mark_up", "0.095", "0.09", "0.095")
    out.reads("mark_down", "0.095", "0.09", "0.09")
    out.signs()
    pen = Prover(session, "jun", "w26", TODAY + timedelta(hours=1), first=201)
    for side in ("input-preload", "cross-end-play"):
        pen.sees(f"setting:w26.{side}", how="could_not", words="that side was not opened")
    pen.sees("back", "own:drum-block")
    pen.sees("seal:output-seal", way="lip to the oil", words="greased, entered over a sleeve")
    pen.sees("lock:lock-plates", way="tab bent up", count=12, words="the camera was on the slip")
    desk = pen.desk()
    turned = {"shaft": "output", "way": "counter-clockwise", "turned": 20.0, "out": 1.72}
    write_train(desk, "w26", {"id": f"w26.t{pen.now}", "kind": "turns_counted", "body": turned})
    pen.sees("turn", words="even all round")
    pen.sees("oil:case", amount="3.2 L, to the lower plug")
    pen.sees("oil:outer-grease", amount="a third full")
    pen.sees("ready:clear", "ready:guards")
    run = pen.proves("run_begun", stage="no-load", label="", minutes=0, limit="", source="", ambient="20")
    for minutes, *read in WARMED:
        for part, text in zip(READ_AT, read, strict=True):
            pen.proves("run_read", run=run, part=part, minutes=minutes, text=text)
    pen.proves("run_heard", run=run, noise="whine", words="bevel set, with the drum going out")
    pen.proves("run_ended", run=run, how="done")
    pen.proves(
        "deferred",
        what="Spider of the motor coupling",
        why="worn within; new one comes in January",
        who="Marl Tennick",
        until="2027-01-31",
    )
