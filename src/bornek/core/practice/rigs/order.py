"""A build order with a trap: as it is written, a part or a setting is shut off by a step that comes too early."""

from __future__ import annotations

from collections.abc import Sequence
from functools import cache
from typing import Any

from bornek.core.build.bench import Bench
from bornek.core.build.findings.find import find_all
from bornek.core.build.findings.finding import Finding
from bornek.core.build.order import BuildOrder, build_order
from bornek.core.facts.from_type import FromType
from bornek.core.facts.kind import Fact
from bornek.core.facts.step_moved import StepMoved
from bornek.core.patterns.pattern import begin
from bornek.core.phrases import lower_first
from bornek.core.practice.rigs.job_rig import JobRig
from bornek.core.practice.score import LOOK_COSTS
from bornek.core.units.definition import read_definition

UNITS = ("plain-shaft", "pump", "worm-box", "right-angle-drive", "parallel-drive")
TRAPS = frozenset({"shut_out", "setting_late"})
PROVED = frozenset({"sandwich", "cover", "threaded", "setting"})
TWO_OF = 0.4
"""So often there are two traps."""
MOST_MOVES = 6
FURTHER = 4
"""A late step lies up to so many places behind what shuts it off."""
END_PLAY = "shim_pack_end_play"
GIVEN = {
    "least": 0.05,
    "greatest": 0.13,
    "sense": "adds",
    "torque": 60,
    "source": "Rig card",
    "basis": "new parts",
}
WHOLE = Fact("whole", "from_type", "", FromType(), seq=1)


class OrderRig(JobRig):
    """The order lies as the unit's type has it; one or two of its steps come too late."""

    sort = "order"
    title = "Build order with a trap"
    page = "plan"
    slack = 0.25

    def __init__(self, number: int) -> None:
        super().__init__(number)
        self.unit = UNITS[int(len(UNITS) * self.stream.u(1))]
        self.wanted = 2 if self.stream.u(2) < TWO_OF else 1
        self.steps, self.late = self._trapped()

    def definition(self) -> dict[str, Any]:
        return _with_steps(self.unit, self.steps)

    def complaint(self) -> str:
        return "In pieces on the bench, clean and measured. It is to go together."

    def order(self, moves: Sequence[tuple[str, str]] = ()) -> BuildOrder:
        """As it stands after these moves: each a step, and after which it was put."""
        facts = [
            WHOLE,
            *(Fact(f"m{n}", "step_moved", s, StepMoved(s, a), seq=n + 2) for n, (s, a) in enumerate(moves)),
        ]
        return build_order(read_definition(self.definition()), facts)

    def best(self) -> float:
        return round(LOOK_COSTS * len(self.mended()), 1)

    def mended(self) -> list[tuple[str, str]]:
        """The fewest moves that leave no trap: each late step put back once."""
        return mend(self, [])[: self.wanted]

    def advice(self) -> list[str]:
        return [
            f"Put {lower_first(self.order().label(step))} {f'after {lower_first(self.order().label(after))}' if after else 'first'}"
            for step, after in mend(self, [])
        ]

    def _trapped(self) -> tuple[tuple[dict[str, Any], ...], tuple[str, ...]]:
        """The steps with so many of them too late, each of which the plan finds and one move mends."""
        steps, needs = _sound(self.unit)
        drawn = sorted(range(len(needs)), key=lambda i: self.stream.u(5, i))
        late: list[str] = []
        for i in drawn:
            before, after = needs[i]
            if before in late or after in late:
                continue
            tried = _moved(steps, before, after, int(FURTHER * self.stream.u(6, i)))
            made = traps_of(_order_of(_with_steps(self.unit, tried)))
            if len(made) == len(late) + 1 and all(f.mend for f in made):
                steps, late = tried, [*late, before]
            if len(late) == self.wanted:
                break
        return steps, tuple(late)


def traps_of(order: BuildOrder) -> list[Finding]:
    """What the plan finds shut off."""
    return [f for f in find_all(order, Bench()) if f.code in TRAPS]


def mend(rig: OrderRig, moves: list[tuple[str, str]]) -> list[tuple[str, str]]:
    """The moves that the plan proposes, one after another, until nothing is shut off."""
    went = list(moves)
    for _ in range(MOST_MOVES):
        found = next((f.mend for f in traps_of(rig.order(went)) if f.mend), None)
        if found is None:
            return went
        went.append((found.step, found.after))
    return went


@cache
def _sound(unit: str) -> tuple[tuple[dict[str, Any], ...], tuple[tuple[str, str], ...]]:
    """The steps of a pattern in an order without a trap, and what the section proves of them."""
    order = build_order(read_definition(_unit(unit)), [WHOLE])
    steps = tuple(
        {"key": p.key, "label": p.step.label, "parts": list(p.step.parts), "setting": p.step.setting}
        for p in order.steps
    )
    return steps, tuple((n.before, n.after) for n in order.needs if n.rule in PROVED)


def _unit(unit: str) -> dict[str, Any]:
    """A pattern whose end plays are given; what else is set at it is left out."""
    made = begin(unit, {})
    points = [{**p, "given": GIVEN} for p in made["settings"] if p["kind"] == END_PLAY]
    return {**made, "settings": points}


def _with_steps(unit: str, steps: Sequence[dict[str, Any]]) -> dict[str, Any]:
    return {**_unit(unit), "steps": [dict(s) for s in steps]}


def _order_of(definition: dict[str, Any]) -> BuildOrder:
    return build_order(read_definition(definition), [WHOLE])


def _moved(
    steps: tuple[dict[str, Any], ...], before: str, after: str, further: int
) -> tuple[dict[str, Any], ...]:
    """The first of two put so many steps behind the second."""
    left = [s for s in steps if s["key"] != before]
    at = next(i for i, s in enumerate(left) if s["key"] == after) + 1 + further
    step = next(s for s in steps if s["key"] == before)
    return (*left[:at], step, *left[at:])
