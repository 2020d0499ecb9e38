"""Three haul winches over the years: what was found and left each time, who lived where, and one on the bench now."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from itertools import count

from sqlalchemy.orm import Session

from bornek.demo.hand import Hand
from bornek.demo.prove import Prover
from bornek.services.desk import Desk
from bornek.services.job.close_job import close_job
from bornek.services.job.receive_job import receive_job
from bornek.services.prove.release import release

UNITS = {
    "h31": {"id": "u-h31", "tag": "H-31", "name": "Slipway haul winch, north", "serial": "HW2-0131"},
    "h32": {"id": "u-h32", "tag": "H-32", "name": "Slipway haul winch, south", "serial": "HW2-0132"},
    "h33": {"id": "u-h33", "tag": "H-33", "name": "Boathouse haul winch", "serial": "HW2-0147"},
}


@dataclass(frozen=True)
class Strip:
    """One time on the bench: pack and play as found, then the pack put in and what it read; nothing moved where there is
    none. `new`: parts that were had new."""

    day: datetime
    actor: str
    hours: str
    complaint: str
    pack: tuple[float, ...]
    found: float
    then: tuple[float, ...] = ()
    left: float = 0.0
    bevel: str = "SET-0931-02"
    new: tuple[tuple[str, str], ...] = ()
    put_off: str = ""


def _day(year: int, month: int, day: int) -> datetime:
    return datetime(year, month, day, 8, 0, tzinfo=UTC)


STRIPS: dict[str, tuple[Strip, ...]] = {
    "h31": (
        Strip(_day(2008, 4, 14), "oda", "210", "First here; new", (0.50, 0.25), 0.090),
        Strip(_day(2013, 9, 2), "jun", "5 630", "Drum knocks when the cradle lands", (0.50, 0.25), 0.235, (0.50, 0.10), 0.085,
              new=(("drum-bottom", "TB-3311"),)),
        Strip(_day(2018, 6, 11), "oda", "9 870", "Seal wet", (0.50, 0.10), 0.205, (0.25, 0.15, 0.08), 0.095,
              new=(("drum-top", "TB-3311"), ("drum-seal", "HW2-206")), put_off="Paint the drum cheeks"),
        Strip(_day(2022, 3, 21), "oda", "13 120", "Yearly look", (0.25, 0.15, 0.08), 0.190, (0.25, 0.08, 0.05), 0.100,
              new=(("drum-bottom", "TB-3311"), ("drum-seal", "HW2-206"))),
        Strip(_day(2026, 11, 16), "marl", "17 450", "Knocks at every landing", (0.25, 0.08, 0.05), 0.310, (0.15,), 0.095,
              bevel="SET-1108-05", new=(("drum-seal", "HW2-206"),)),
    ),
    "h32": (
        Strip(_day(2010, 5, 10), "jun", "400", "New", (0.50, 0.15), 0.080),
        Strip(_day(2016, 8, 15), "oda", "6 900", "Seal wet", (0.50, 0.15), 0.240, (0.50,), 0.100),
        Strip(_day(2021, 10, 4), "jun", "12 050", "Knocks", (0.50,), 0.225, (0.25, 0.10), 0.090,
              put_off="Rope guard: bend it straight"),
    ),
    "h33": (
        Strip(_day(2012, 3, 5), "oda", "150", "New", (0.50, 0.20), 0.100),
        Strip(_day(2019, 11, 18), "oda", "5 200", "Drum rocks", (0.50, 0.20), 0.230, (0.50, 0.05), 0.092),
    ),
}  # fmt: skip
NOW = "h31"
"""The one whose last strip is still going on."""


def seed_life(session: Session) -> None:
    ticks = count(1)
    strips = sorted(
        ((strip.day, key, n) for key, rows in STRIPS.items() for n, strip in enumerate(rows)),
    )
    for _, key, n in strips:
        _seed_strip(session, key, n, ticks)


def _seed_strip(session: Session, key: str, n: int, ticks: Iterator[int]) -> None:
    strip = STRIPS[key][n]
    still_open = key == NOW and n == len(STRIPS[key]) - 1
    job = key if still_open else f"{key}-{strip.day.year}"
    set_ = {"bevel-pinion": strip.bevel, "bevel-gear": strip.bevel} if key == NOW else {}
    receive_job(
        Desk(session, strip.actor, strip.day),
        {
            "id": job,
            "unit": UNITS[key],
            "revision": "haul-winch.1",
            "complaint": strip.complaint,
            "bench": "bench 4" if still_open else "",
            "waits_for": "",
            "serials": set_,
        },
    )
    pen = Prover(session, strip.actor, job, strip.day)
    pen.writes("hour_meter", when="receiving", read_on=strip.day.date().isoformat(), reading=strip.hours)
    for part, number in strip.new:
        order = pen.writes("ordered", part=part, what="order", number=number, supplier="Yard store")
        pen.writes("received", order=order)
    hand = Hand(session, strip.actor, f"{job}.drum-end-play", ticks, strip.day + timedelta(hours=2))
    hand.found(*strip.pack)
    _reads(hand, strip.found)
    if strip.then:
        hand.moves(*strip.then)
        _reads(hand, strip.left)
    if still_open:
        return
    hand.signs()
    pen.sees("turn", words="free all round")
    pen.sees("oil:case", amount="6 L")
    if strip.put_off:
        until = strip.day.date() + timedelta(days=365)
        pen.proves(
            "deferred",
            what=strip.put_off,
            why="no time before the tide",
            who="Jun Havers",
            until=until.isoformat(),
        )
    _close(session, pen, job, strip)


def _reads(hand: Hand, play: float) -> None:
    """Six pries around a play, as a dial of a hundredth shows them."""
    texts: Sequence[str] = [f"{play + d:.3f}" for d in (0.0, -0.005, 0.005)]
    hand.reads("mark_up", *texts)
    hand.reads("mark_down", *texts)


def _close(session: Session, pen: Prover, job: str, strip: Strip) -> None:
    said = "written from the paper card of that time"
    release(pen.desk(), job, {"id": f"{job}.out", "how": "service", "words": said})
    close_job(pen.desk(), job, {"id": f"{job}.closed", "words": said})
