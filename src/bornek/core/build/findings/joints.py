"""Findings of joints: sealant where the thickness locates, an open time that is too short."""

from __future__ import annotations

from bornek.core.build.bench import Bench
from bornek.core.build.findings.finding import Finding
from bornek.core.build.order import BuildOrder
from bornek.core.phrases import Span, lower_first
from bornek.core.units.step import BuildStep

SEALANT = "sealant"


def takes_sealant(step: BuildStep) -> bool:
    """
    >>> takes_sealant(BuildStep("a", "Cover", consumables=("sealant",))), takes_sealant(BuildStep("b", "Cover"))
    (True, False)
    """
    return step.open_minutes > 0 or any(SEALANT in c.lower() for c in step.consumables)


def locating_sealant(order: BuildOrder, bench: Bench) -> list[Finding]:
    """A joint whose thickness holds parts in their place, planned with sealant."""
    packs = {p.at: p for p in order.d.places if p.shim_form not in ("", "none")}
    found = []
    for p in order.steps:
        if not takes_sealant(p.step) or order.is_done(p.key):
            continue
        at = next((packs[k] for k in p.step.parts if k in packs), None)
        if not p.step.locates:
            continue
        where = at.label if at else lower_first(p.step.label)
        found.append(
            Finding(
                code="locating_sealant",
                severity="warn",
                title="Sealant where thickness counts",
                words=where,
                say=(
                    Span(f"The joint at step {order.number[p.key]} holds parts in their place: "),
                    Span("no sealant", True),
                    Span(f" at the {where}."),
                ),
                do="Take the gasket or the shims that were measured; sealant adds a thickness that nobody set.",
                steps=(p.key,),
                parts=p.step.parts,
            )
        )
    return found


def open_too_short(order: BuildOrder, bench: Bench) -> list[Finding]:
    """From the first bead to the last bolt takes longer than the sealant stays open."""
    found = []
    for n, p in enumerate(order.steps):
        if not p.step.open_minutes or order.is_done(p.key):
            continue
        until = p.step.open_until or p.key
        end = order.number.get(until, n + 1)
        between = order.steps[n:end]
        need = sum(q.step.hands_minutes for q in between)
        if need <= p.step.open_minutes:
            continue
        found.append(
            Finding(
                code="open_too_short",
                severity="warn",
                title="It skins too soon",
                words=f"{need:g} min of work in {p.step.open_minutes:g}",
                say=(
                    Span(f"The sealant of step {n + 1} is open "),
                    Span(f"{p.step.open_minutes:g} min", True),
                    Span(f", and to the last bolt of step {end} it takes {need:g}."),
                ),
                do="Two pairs of hands, or a slower sealant.",
                steps=tuple(q.key for q in between),
            )
        )
    return found
