"""Findings of what must be seen or done first: holds, holes, loose items, tools, lifting, what nothing carries."""

from __future__ import annotations

from collections.abc import Sequence

from bornek.core.build.bench import Bench, YardTool
from bornek.core.build.findings.finding import Finding
from bornek.core.build.order import BuildOrder
from bornek.core.parts.holds import open_holds
from bornek.core.phrases import Span, lower_first
from bornek.core.strip.ledger import open_items
from bornek.core.units.check_steps import torque_n_m
from bornek.core.units.part_kinds import BEARINGS
from bornek.core.units.step import BuildStep

LIFTED_KG = 25.0
"""What one pair of hands does not lift; the yard's own rule may be stricter."""
WRENCH = "torque_wrench"


def hold_open(order: BuildOrder, bench: Bench) -> list[Finding]:
    """A cause's hold that is not cleared while the build goes on; a hold point gone past unseen."""
    found = []
    nxt = order.next_key
    if nxt and order.steps:
        found += [
            Finding(
                code="hold_open",
                severity="stop",
                title="Hold not cleared",
                words=lower_first(h.label),
                say=(Span("Clear the hold first: "), Span(lower_first(h.words).rstrip("."), True), Span(".")),
                do=f"{h.label} was named as the cause by {h.by or 'somebody'}. Clear it under Inspect, in words.",
                steps=(nxt,),
            )
            for h in open_holds(order.facts)
        ]
    for n, p in enumerate(order.steps):
        if not p.step.hold or p.step.setting or order.worked.right(p.key, "hold"):
            continue
        past = [q for q in order.steps[n + 1 :] if order.worked.in_place(q.key)]
        if order.worked.in_place(p.key) or past:
            found.append(
                Finding(
                    code="hold_open",
                    severity="stop",
                    title="Gone past a hold",
                    words=lower_first(p.step.hold),
                    say=(
                        Span(f"Step {n + 1} is a hold: "),
                        Span(lower_first(p.step.hold), True),
                        Span(": nobody saw it."),
                    ),
                    do="Look now, or take apart what hides it.",
                    steps=(p.key,),
                )
            )
    return found


def hole_shut(order: BuildOrder, bench: Bench) -> list[Finding]:
    """A drain or oil hole that does not line up, or that nobody looked at before it was closed."""
    found = []
    for p in order.steps:
        if not p.step.hole:
            continue
        right = order.worked.right(p.key, "hole")
        if right or (right is None and not order.worked.in_place(p.key)):
            continue
        seen = f" Seen: {order.worked.seen[p.key, 'hole'][1]}." if right is False else " Nobody looked."
        found.append(
            Finding(
                code="hole_shut",
                severity="warn",
                title="Hole not lined up",
                words=p.step.hole,
                say=(
                    Span(f"Step {order.number[p.key]}: the "),
                    Span(p.step.hole, True),
                    Span(" does not line up." if right is False else " was not looked at."),
                ),
                do=f"Put a wire through it before anything covers it.{seen}",
                steps=(p.key,),
                parts=p.step.parts,
            )
        )
    return found


def loose_item(order: BuildOrder, bench: Bench) -> list[Finding]:
    return [
        Finding(
            code="loose_item",
            severity="warn",
            title="Loose inside",
            words=f"{i.what}, {i.where}",
            say=(
                Span("Find the "),
                Span(i.what, True),
                Span(f" dropped at {i.where} before anything closes over it."),
            ),
            do="Find it, or show by other means that it is not inside; then account for it under Strip.",
        )
        for i in open_items(order.facts)
        if order.next_key
    ]


def tool_missing(order: BuildOrder, bench: Bench) -> list[Finding]:
    """A tool, wrench, gauge or resource of coming steps that the yard does not have, or cannot use: each told once."""
    wanted: dict[tuple[str, str], list[str]] = {}
    for p in order.steps:
        if order.is_done(p.key):
            continue
        lacking = _tools_lacking(p.step, bench.tools) if bench.tools is not None else []
        if p.step.setting in bench.gauges:
            lacking.append(("gauge", bench.gauges[p.step.setting]))
        for what in lacking:
            wanted.setdefault(what, []).append(p.key)
    return [_lacking(order, tuple(keys), name, why) for (name, why), keys in wanted.items()]


def _tools_lacking(step: BuildStep, tools: Sequence[YardTool]) -> list[tuple[str, str]]:
    """Each by its name, with why it is not there."""
    lacking = []
    for name in dict.fromkeys([*step.tools, *([step.resource] if step.resource else [])]):
        have = [t for t in tools if name.lower() in (t.sort.lower(), t.name.lower())]
        if not any(t.usable for t in have):
            why = f"{have[0].name}: {have[0].words or 'out of order'}" if have else "the yard has none"
            lacking.append((lower_first(name), why))
    wrenches = [t for t in tools if t.sort == WRENCH and t.greatest]
    if step.torque and wrenches:
        torque = torque_n_m(step.torque)
        reach = [t for t in wrenches if t.least <= torque <= t.greatest]
        if not any(t.usable for t in reach):
            why = f"{reach[0].name}: {reach[0].words}" if reach else "none on the shelf reaches it"
            lacking.append((f"wrench for {torque:g} N·m", why))
    return lacking


def _lacking(order: BuildOrder, keys: tuple[str, ...], name: str, why: str) -> Finding:
    numbers = [str(order.number[k]) for k in keys]
    who = (
        f"Step {numbers[0]} wants"
        if len(keys) == 1
        else f"Steps {', '.join(numbers[:-1])} and {numbers[-1]} want"
    )
    return Finding(
        code="tool_missing",
        severity="warn",
        title="Tool not there",
        words=name,
        say=(Span(f"{who} the "), Span(name, True), Span(f": {why}.")),
        do="Get it, mend it, or write the step with another; tools and gauges stand on the Shelf.",
        steps=keys,
    )


def heavy(order: BuildOrder, bench: Bench) -> list[Finding]:
    """More than one pair of hands lifts, and no rated point is named."""
    found = []
    for p in order.steps:
        if order.is_done(p.key) or p.step.lift:
            continue
        for key in p.step.parts:
            part = order.d.part(key)
            if part is None or part.mass_kg <= LIFTED_KG:
                continue
            found.append(
                Finding(
                    code="heavy",
                    severity="warn",
                    title="No rated point",
                    words=f"{lower_first(part.label)}, {part.mass_kg:g} kg",
                    say=(
                        Span("The "),
                        Span(lower_first(part.label), True),
                        Span(
                            f" of step {order.number[p.key]} has {part.mass_kg:g} kg and no rated point to hang it on."
                        ),
                    ),
                    do="Say on which rated point it hangs. Lifting is for those who hold the licence.",
                    steps=(p.key,),
                    parts=(key,),
                )
            )
    return found


def unsupported(order: BuildOrder, bench: Bench) -> list[Finding]:
    """A heavy shaft left on one bearing while its other end is open."""
    found = []
    for shaft in order.d.shafts:
        row = order.d.on(shaft.key)
        borne = [p.key for p in row if p.part_kind in BEARINGS]
        mass = sum(p.mass_kg for p in order.d.parts if p.shaft == shaft.key)
        if len(borne) < 2 or mass <= LIFTED_KG or not all(b in order.final for b in (borne[0], borne[-1])):
            continue
        ends = sorted((order.final[borne[0]], order.final[borne[-1]]), key=lambda k: order.number[k])
        own = [
            order.final[p.key]
            for p in order.d.parts
            if p.shaft == shaft.key and p.part_kind == "shaft" and p.key in order.final
        ]
        first = order.by_key[ends[0]]
        gap = order.number[ends[1]] - order.number[ends[0]]
        in_case = own and order.number[own[0]] <= order.number[ends[0]]
        if (
            gap <= 1
            or shaft.built == "outside"
            or not in_case
            or first.step.support
            or order.is_done(ends[1])
        ):
            continue
        found.append(
            Finding(
                code="unsupported",
                severity="warn",
                title="On one bearing",
                words=lower_first(shaft.label),
                say=(
                    Span(f"After step {order.number[ends[0]]} "),
                    Span(lower_first(shaft.label), True),
                    Span(f" hangs on one bearing until step {order.number[ends[1]]}."),
                ),
                do="Say what carries its other end meanwhile, or close both ends one after the other.",
                steps=(ends[0], ends[1]),
            )
        )
    return found
