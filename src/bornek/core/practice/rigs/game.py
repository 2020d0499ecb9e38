"""A rig played to its end by a learner that never tires: on the real kind, through the real sheet."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, field
from typing import Any

from bornek.core.compute_input import read_bench
from bornek.core.practice.rigs.bench_rig import BenchRig
from bornek.core.practice.rigs.faults import LOOKS, STUCK_SHIM
from bornek.core.practice.rigs.handled import Handled
from bornek.core.settings.given import read_given
from bornek.core.settings.records import Context
from bornek.core.settings.registry import find_kind
from bornek.core.settings.state import State
from bornek.core.settings.watch import guide_of
from bornek.core.sheet import Sheet, make_sheet

CAP = 8
"""Teardowns after which nobody goes on."""
ALL_LOOKED = tuple((look.key, 1) for look in LOOKS)


@dataclass(frozen=True)
class Table:
    """What lies before the learner; its lists grow with every assembly."""

    rig: BenchRig
    states: list[Any]
    entries: list[dict[str, Any]] = field(default_factory=list)
    explanations: list[dict[str, Any]] = field(default_factory=list)
    values: list[float | None] = field(default_factory=list)
    sheets: list[Sheet] = field(default_factory=list)

    def context(self) -> Context:
        kind = find_kind(self.rig.kind)
        given = read_given(kind, self.rig.right_given(), "mm")
        acts = [{"round": n, "states": self.rig.states_sent(s)} for n, s in enumerate(self.states, 1)]
        cards = [dict(self.rig.gauge), *map(dict, self.rig.more_gauges)]
        named = {"name": "Rig gauge", "calibration_u": 0.001}
        return read_bench(
            kind,
            given,
            {
                "gauges": [{"id": f"rig{n}", **named, **c} for n, c in enumerate(cards)],
                "acts": acts,
                "entries": self.entries,
                "explanations": self.explanations,
                "stock": {f"{t:.3f}": n for t, n in self.rig.drawer.items()},
            },
        )

    def handled(self) -> Handled:
        ctx = self.context()
        return Handled(tuple(a.states for a in ctx.acts), ALL_LOOKED)

    def positions(self) -> list[State]:
        """Where the adjuster stood in each round."""
        return [a.states.get(self.rig.knob) or self.rig.found_state() for a in self.context().acts]

    def sheet(self) -> Sheet:
        return make_sheet(find_kind(self.rig.kind), self.context())


Learner = Callable[[Table, Sheet], Any]
"""Picks what to set next, as a state is sent; None where it signs as it is."""


@dataclass(frozen=True)
class Played:
    """Teardowns until it read in (CAP + 1: never), whether the truth was in by then, and harm done on the way."""

    teardowns: int
    truly_in: bool
    harm: bool
    states: tuple[Any, ...] = ()
    values: tuple[float | None, ...] = ()


def play(rig: BenchRig, learner: Learner) -> Played:
    """The rig played by a learner who has looked at everything, so that only the moves tell them apart."""
    found = rig.found()
    table = Table(rig, [_really(rig, found)])
    harm = False

    def ended(teardowns: int) -> Played:
        inside = rig.truth(table.handled()).inside
        return Played(teardowns, inside, harm, tuple(table.states), tuple(table.values))

    for number in range(1, CAP + 2):
        sheet = _read(table, number)
        harm = harm or (number > 1 and rig.harmed(rig.true(table.handled())))
        table.values.append(rig.read_value(sheet))
        if rig.done(sheet):
            return ended(number - 1)
        if number > CAP:
            return ended(CAP + 1)
        table.sheets.append(sheet)
        picked = learner(table, sheet)
        if picked is None:
            return ended(number - 1)
        table.states.append(picked)
    raise AssertionError


def _really(rig: BenchRig, found: Any) -> Any:
    """Who counts finds what was really in."""
    return rig.recounted() if rig.fault == STUCK_SHIM else found


def _read(table: Table, number: int) -> Sheet:
    """Every station of the round read with the same push, and every question answered."""
    for _ in range(12):
        sheet = table.sheet()
        if sheet.surprise and not any(x["round"] == number for x in table.explanations):
            table.explanations.append({"round": number, "cause": "unexplained"})
            continue
        slots = {s.key: s for s in guide_of(find_kind(table.rig.kind), table.context()).slots}
        open_cells = [c for c in sheet.cells if not c.entries and not c.blocked and not c.optional]
        handled = table.handled()
        fresh = [
            {"slot": c.slot, "value": value, "round": number, "confirmed": True}
            for c in open_cells
            if (value := table.rig.answer(slots[c.slot], handled, 1)) is not None
        ]
        if not fresh:
            return sheet
        table.entries.extend(fresh)
    return table.sheet()
