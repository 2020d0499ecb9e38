"""Why a move is advised as it is: what this unit and its type have taught, in words."""

from __future__ import annotations

import math

from bornek.core.advice.belief import UM
from bornek.core.advice.history import History
from bornek.core.advice.memory import Pool
from bornek.core.advice.proposal import Candidate, Proposal
from bornek.core.phrases import chance, lower_first
from bornek.core.quantities import Speech, shown_in
from bornek.core.uncertainty import expanded
from bornek.core.windows import Normal

ASKED_SENSE = "Finished jobs of this type answered the other way than is given: look which it is."


def reasons_of(history: History, p: Proposal, say: Speech) -> str:
    assert p.best is not None
    parts = []
    measured = sum(isinstance(r.found, Normal) and not r.held_out for r in history.standing)
    if measured > 1 and len(history.knobs) == 1:
        k, _ = history.row.belief.response()
        unit = history.knob.answers or (
            "mm of shim"
            if history.knob.domain.sort == "pack"
            else "degree"
            if history.knob.unit == "deg"
            else "mm"
        )
        own = shown_in(history.row.quantity, history.row.unit)
        gives = _gives(abs(k) * UM / history.row.per * own.per)
        of = "mm" if history.row.quantity == "length" else own.unit
        parts.append(f"This unit gives {gives} {of} for each {unit}, learned from {measured} rounds.")
    elif history.pool is not None:
        parts.append(_remembered(history, history.pool, say))
    if p.tells:
        return " ".join(["It shows which way it works.", *([ASKED_SENSE] if history.sense_asked else [])])
    if history.sense_asked:
        parts.append(ASKED_SENSE)
    parts.append(f"{chance(p.best.p_in)} that {'all land' if len(history.rows) > 1 else 'it lands'} in.")
    if not p.provable:
        parts.append("It cannot be proven with this gauge.")
    if p.seating:
        packed = history.knob.domain.sort != "position"
        what = "the seating more than the shims" if packed else "how it is done more than how far"
        parts.append(f"Reassembly scatters as much as the window: mind {what}.")
    if p.left_out:
        parts.append(f"Of the drawer {p.left_out} thicknesses were left out: too many to join them all.")
    if p.missing is not None:
        parts.append(
            f"A {say.size(p.missing)}{where_missing(history, p)} would make it {chance(p.missing_p)}."
        )
    return " ".join(parts)


def _remembered(history: History, found: Pool, say: Speech) -> str:
    """What finished jobs of the type say, re-seating included, and which of them was left out."""
    row, knob = history.row, history.knob
    k0 = abs(row.k0[0])
    by, what = (0.1, f"a {knob.noun.rstrip('s')} of {say.size(0.1)}")
    if knob.answers:
        what = f"{say.size(0.1)} {knob.answers}"
    elif knob.unit != "mm":
        by, what = 10.0, "a turn of 10°"
    gives = abs(found.k) * k0 * by
    give = expanded(math.hypot(found.sd * k0 * by, row.s_a))
    words = f"From {len(found.used)} jobs of this type: {what} gives {say.number(gives)}, give or take {say.spread(give)}."
    if found.left_out:
        named = ", ".join(f"{j.job or j.serial or j.setting} ({abs(j.k / k0):.2f})" for j in found.left_out)
        words += f" Left out, far from the others: {named}."
    return words


def _gives(k: float) -> str:
    """Two figures that tell something: 0.91 mm a mm, but 0.0056 mm a degree."""
    return f"{k:.2f}" if k >= 0.1 else f"{k:.2g}"


def either_of(history: History, c: Candidate, say: Speech) -> str:
    """What a move shows whose sense is not known: so much more, or so much less."""
    row, found = history.row, history.last.found
    assert history.last.states is not None
    by = abs(history.travels(c.states)[0] - history.travels(history.last.states)[0]) / UM
    size = by * float(row.belief.w @ abs(row.belief.m[:, 1])) * UM / row.per
    if not isinstance(found, Normal):
        return "See which way it goes."
    return f"Expect {say.number(found.v + size)} or {say.number(found.v - size)}."


def where_missing(history: History, p: Proposal) -> str:
    """Where a missing shim would lie, where there are several places."""
    knob = next((k for k in history.knobs if k.key == p.missing_at), None)
    return (
        f" at the {lower_first(knob.title or knob.label)}"
        if knob is not None and len(history.knobs) > 1
        else ""
    )
