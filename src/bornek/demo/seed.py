"""Seeds the yard through the services, on a fixed clock."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import timedelta
from itertools import count

from sqlalchemy.orm import Session

from bornek.core.mesh.bevel_set import SIDES
from bornek.core.mesh.contact import Shift
from bornek.demo.fits import seed_fits
from bornek.demo.hand import START, Hand
from bornek.demo.inspection import seed_inspection
from bornek.demo.life import seed_life
from bornek.demo.meshes import seed_meshes
from bornek.demo.plan import seed_plan
from bornek.demo.prove import seed_opened, seed_prove
from bornek.demo.strip import ring_set_paint, seed_old_winch, seed_strip
from bornek.demo.yard import DRAWER, GAUGES, JOBS, LIMIT_TABLES, MECHANICS, OLD_JOB, TALKING, TYPES
from bornek.services.desk import Desk
from bornek.services.job.receive_job import receive_job
from bornek.services.shop.drawer import count_shims, mike_shims
from bornek.services.shop.gauges import register_gauge, write_line
from bornek.services.shop.limit_tables import write_limit_table
from bornek.services.shop.mechanics import add_mechanic
from bornek.services.shop.unit_types import define_type
from bornek.services.strip.add_photo import Files


def seed(session: Session, files: Files | None = None) -> None:
    """The yard on a Monday morning: jobs in the middle of a round, of the strip, untouched, done.

    With `files`, photos are hung on the unit that is being stripped.
    """
    ticks = count()
    desk = Desk(session, MECHANICS[0][0], START)
    for key, name in MECHANICS:
        add_mechanic(session, key, name)
    for card in (*GAUGES, *(talking for talking, _ in TALKING)):
        register_gauge(desk, {"quantity": "length", **card})
    for card, line in TALKING:
        write_line(desk, card["id"], line)
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
    seed_life(session)
    for n, job in enumerate(JOBS):
        receive_job(Desk(session, "oda", START - timedelta(days=len(JOBS) - n)), dict(job))
    _winch_in_hand(Hand(session, "marl", "w17.output-end-play", ticks))
    seed_opened(session)
    _winch_done(session, ticks)
    _capstan(Hand(session, "oda", "c09.head-end-play", ticks))
    seed_strip(session, files)
    _final_drive(Hand(session, "marl", "f12.ring-set", ticks))
    seed_meshes(session, ticks)
    seed_inspection(session)
    seed_plan(session)
    seed_fits(session)
    seed_prove(session, ticks)


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
