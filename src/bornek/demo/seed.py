"""Seeds the yard through the services, on a fixed clock."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import UTC, datetime, timedelta
from itertools import count
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.mesh.bevel_set import SIDES
from bornek.core.mesh.contact import Shift
from bornek.demo.fits import seed_fits
from bornek.demo.inspection import seed_inspection
from bornek.demo.plan import seed_plan
from bornek.demo.strip import ring_set_paint, seed_old_winch, seed_strip
from bornek.demo.yard import DRAWER, GAUGES, JOBS, LIMIT_TABLES, MECHANICS, OLD_JOB, TYPES
from bornek.services.desk import Desk
from bornek.services.job.receive_job import receive_job
from bornek.services.setting.record_act import record_act
from bornek.services.setting.sign_setting import sign_setting
from bornek.services.setting.take_reading import take_reading
from bornek.services.setting.view import view_setting
from bornek.services.shop.drawer import count_shims, mike_shims
from bornek.services.shop.gauges import register_gauge
from bornek.services.shop.limit_tables import write_limit_table
from bornek.services.shop.mechanics import add_mechanic
from bornek.services.shop.unit_types import define_type
from bornek.services.strip.add_photo import Files

START = datetime(2026, 11, 23, 7, 30, tzinfo=UTC)


class Hand:
    """One pair of hands on one setting: reads, moves and signs, a few minutes apart."""

    def __init__(self, session: Session, actor: str, setting_id: str, ticks: Iterator[int]) -> None:
        self.session, self.actor, self.setting_id, self.ticks = session, actor, setting_id, ticks

    def desk(self) -> Desk:
        return Desk(self.session, self.actor, START + timedelta(minutes=3 * next(self.ticks)))

    def new_id(self) -> str:
        return f"{self.setting_id}.d{next(self.ticks)}"

    def seen(self) -> int:
        version: int = view_setting(self.session, self.setting_id, START.date())["version"]
        return version

    def found(self, *plates: float) -> None:
        self._act("as_found", plates)

    def moves(self, *plates: float) -> None:
        self._act("move", plates)

    def _act(self, kind: str, plates: tuple[float, ...]) -> None:
        self.brings(kind, pack=list(plates))

    def brings(self, kind: str, **states: Any) -> None:
        """Every adjuster to its state, in one teardown."""
        sent = {"id": self.new_id(), "kind": kind, "states": states, "seen": self.seen()}
        record_act(self.desk(), self.setting_id, sent)

    def reads(self, position: str, *texts: str) -> None:
        for rep, text in enumerate(texts, 1):
            self.enters(f"travel.{position}.{rep}", text=text)

    def enters(self, slot: str, **what: Any) -> None:
        take_reading(self.desk(), self.setting_id, {"id": self.new_id(), "slot": slot, **what})

    def signs(self, remark: str = "") -> None:
        sign_setting(
            self.desk(), self.setting_id, {"id": self.new_id(), "seen": self.seen(), "remark": remark}
        )


def seed(session: Session, files: Files | None = None) -> None:
    """The yard on a Monday morning: jobs in the middle of a round, of the strip, untouched, done.

    With `files`, photos are hung on the unit that is being stripped.
    """
    ticks = count()
    desk = Desk(session, MECHANICS[0][0], START)
    for key, name in MECHANICS:
        add_mechanic(session, key, name)
    for card in GAUGES:
        register_gauge(desk, {"quantity": "length", **card})
    for form, lots in DRAWER.items():
        for thickness, n in lots.items():
            count_shims(
                desk,
                {
                    "id": f"seed.{form}.{thickness}".replace(" ", "-"),
                    "form": form,
                    "thickness": str(thickness),
                    "count": n,
                },
            )
    mike_shims(desk, {"id": "seed.miked", "form": "C3 ring", "thickness": "0.50", "measured": "0.498"})
    for table in LIMIT_TABLES:
        write_limit_table(desk, {**table, "seen": 0})
    for type_id, name, definition in TYPES:
        define_type(desk, type_id, name, definition)
    receive_job(Desk(session, "oda", START - timedelta(days=200)), dict(OLD_JOB))
    seed_old_winch(session)
    for n, job in enumerate(JOBS):
        receive_job(Desk(session, "oda", START - timedelta(days=len(JOBS) - n)), dict(job))
    _winch_in_hand(Hand(session, "marl", "w17.output-end-play", ticks))
    _winch_done(session, ticks)
    _capstan(Hand(session, "oda", "c09.head-end-play", ticks))
    seed_strip(session, files)
    _final_drive(Hand(session, "marl", "f12.ring-set", ticks))
    seed_inspection(session)
    seed_plan(session)
    seed_fits(session)


def _winch_in_hand(hand: Hand) -> None:
    hand.found(0.50, 0.25, 0.20)
    hand.reads("mark_up", "0.31", "0.305", "0.31")
    hand.reads("mark_down", "0.315", "0.31", "0.31")
    hand.moves(0.50, 0.15, 0.10)
    hand.reads("mark_up", "0.145", "0.140", "0.145")
    hand.reads("mark_down", "0.150")


def _winch_done(session: Session, ticks: Iterator[int]) -> None:
    out = Hand(session, "jun", "w11.output-end-play", ticks)
    out.found(0.50, 0.20, 0.10)
    out.reads("mark_up", "0.19", "0.185", "0.19")
    out.reads("mark_down", "0.19", "0.19", "0.195")
    out.moves(0.50, 0.20)
    out.reads("mark_up", "0.095", "0.09", "0.095")
    out.reads("mark_down", "0.095", "0.09", "0.09")
    out.signs()
    inner = Hand(session, "jun", "w11.input-preload", ticks)
    inner.found(0.50, 0.20)
    inner.reads("mark_up", "0.14", "0.145", "0.14")
    inner.reads("mark_down", "0.14", "0.14", "0.135")
    inner.moves(0.50)
    for position in ("mark_up", "mark_down"):
        inner.reads(position, "0", "0", "0")
    inner.enters("needle", value=True)
    inner.enters("drag", text="1.7 N·m")
    inner.signs()
    cross = Hand(session, "jun", "w11.cross-end-play", ticks)
    cross.found(0.25, 0.20)
    cross.reads("mark_up", "0.065", "0.06", "0.065")
    cross.reads("mark_down", "0.065", "0.065", "0.06")
    cross.signs()


def _final_drive(hand: Hand) -> None:
    """As found: its teeth run out at the tips, and it has more backlash than it ran with."""
    hand.brings(
        "as_found", pinion=[0.50, 0.25, 0.15], carrier={"left": [0.50, 0.25, 0.05], "right": [0.50, 0.25]}
    )
    for tooth, text in enumerate(("0.31", "0.325", "0.32", "0.32"), 1):
        hand.enters(f"lash.{tooth}", text=text)
    for flank in SIDES:
        mask = ring_set_paint(flank, Shift(pinion=0.13, gear=0.045))
        hand.enters(f"paint.{flank}", value={"flank": flank, "mask": mask})


def _capstan(hand: Hand) -> None:
    hand.found(0.508, 0.254, 0.127)
    hand.reads("mark_up", "9", "9", "8.5")
    hand.reads("mark_down", "9", "8.5", "9")
