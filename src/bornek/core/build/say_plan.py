"""The one sentence of the plan."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from bornek.core.build.findings.finding import Finding
from bornek.core.build.order import BuildOrder
from bornek.core.build.standing import Standing
from bornek.core.build.turns import TurnLog
from bornek.core.phrases import Say, Span, lower_first, plain


@dataclass(frozen=True)
class Said:
    """The sentence, and beside it in a few words what mends it."""

    say: Say
    head: str
    aside: str


def say_plan(
    order: BuildOrder, findings: Sequence[Finding], standing: Mapping[str, Standing], turns: TurnLog
) -> Said:
    """A tight turn first, then the first finding that bites, then the next step.

    >>> from bornek.core.build.order import build_order
    >>> from bornek.core.build.turns import turn_log
    >>> from bornek.core.units.definition import Definition
    >>> o = build_order(Definition(), [])
    >>> say_plan(o, [], {}, turn_log(o)).say[0].text
    "Nothing came off yet: strip first, or start from the unit's type."
    """
    if not order.steps:
        return Said(plain("Nothing came off yet: strip first, or start from the unit's type."), "", "")
    if turns.suspects:
        return Said(turns.say, "It went in since the last good turn.", turns.suspects[0].test)
    bites = next((f for f in findings if f.severity != "note"), None)
    if bites is not None:
        return Said(bites.say, bites.title, bites.do)
    nxt = order.next_key
    if not nxt:
        return Said(plain("Every step is worked. Prove it, then close."), "", "")
    step = order.by_key[nxt].step
    gates = standing[nxt].gates
    said: Say = (Span(f"Step {order.number[nxt]}: "), Span(step.label, True))
    if gates:
        return Said((*said, Span(f" waits. {gates[0].words}.")), "", "")
    tail = f", {lower_first(step.way_round)}" if step.way_round else ""
    return Said((*said, Span(f"{tail}.")), "Nothing speaks against it.", step.wrong_way)
