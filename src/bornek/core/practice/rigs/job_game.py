"""A rig that is a job, played to its end by simulated learners: what it cost, and whether it was right."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass

from bornek.core.parts.causes import TELLS, all_causes
from bornek.core.practice.rigs.cause import CauseRig, advised_looks, pointed_to, proved
from bornek.core.practice.rigs.job_rig import JobRig
from bornek.core.practice.rigs.order import OrderRig, mend, traps_of
from bornek.core.practice.rigs.signs import look_parts
from bornek.core.practice.score import LOOK_COSTS


@dataclass(frozen=True)
class JobPlayed:
    """`cost` in teardowns: what was looked at or moved, and what has to come apart again where it was wrong."""

    cost: float
    right: bool


def first_sign(rig: CauseRig) -> JobPlayed:
    """Goes from part to part as they lie, and names what the first telling sign speaks for."""
    for n, part in enumerate(look_parts(), 1):
        told = [c for s in part.shows if s in rig.signs for c in all_causes() if c.speaks.get(s, 0) >= TELLS]
        if told:
            return _named(n, told[0] is rig.cause)
    return _named(len(look_parts()), False)


def every_part(rig: CauseRig) -> JobPlayed:
    """Looks at everything, then goes by the evidence."""
    parts = [p.key for p in look_parts()]
    return _named(len(parts), pointed_to(rig.looked(parts)) is rig.cause)


def advised_cause(rig: CauseRig) -> JobPlayed:
    went = advised_looks(rig)
    return _named(len(went), proved(rig.looked(went)) is rig.cause)


def knows_cause(rig: CauseRig) -> JobPlayed:
    return _named(len(rig.fewest), proved(rig.looked(rig.fewest)) is rig.cause)


def as_it_lies(rig: OrderRig) -> JobPlayed:
    """Builds it as it is written, and finds out at the lid."""
    return _built(rig, [])


def one_back(rig: OrderRig) -> JobPlayed:
    """Puts what is shut off one place before what shuts it off, and looks again: the first trap alone."""
    found = traps_of(rig.order())
    return _built(rig, [(m.step, m.after) for f in found[:1] if (m := f.mend)])


def advised_order(rig: OrderRig) -> JobPlayed:
    return _built(rig, mend(rig, []))


def knows_order(rig: OrderRig) -> JobPlayed:
    return _built(rig, rig.mended())


PLAYERS: Mapping[str, Mapping[str, Callable[..., JobPlayed]]] = {
    CauseRig.sort: {
        "naive": first_sign,
        "secant": every_part,
        "advised": advised_cause,
        "oracle": knows_cause,
    },
    OrderRig.sort: {"naive": as_it_lies, "secant": one_back, "advised": advised_order, "oracle": knows_order},
}
"""By sort, in the places of those who play a setting: one who takes things at their word, one who takes pains without
a plan, one who does what the application says, and the one who knows the truth."""


def play_job(rig: JobRig, who: str) -> JobPlayed:
    """
    >>> play_job(CauseRig(1), "oracle").right
    True
    """
    return PLAYERS[rig.sort][who](rig)


def _named(looks: int, right: bool) -> JobPlayed:
    """Who names the wrong cause has it back: one teardown for nothing."""
    return JobPlayed(round(LOOK_COSTS * looks + (0 if right else 1), 1), right)


def _built(rig: OrderRig, moves: list[tuple[str, str]]) -> JobPlayed:
    left = traps_of(rig.order(moves))
    return JobPlayed(round(LOOK_COSTS * len(moves) + len(left), 1), not left)
