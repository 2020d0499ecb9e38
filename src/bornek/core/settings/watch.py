"""What is asked about readings in every kind alike: signs, needles that stood still, ends that read on another
scale, repeats that scatter, gauges that are coarse or overdue.

A kind declares its stations; nobody but this file looks whether what was read at them can be believed.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import replace
from statistics import NormalDist

from bornek.core.quantities import Speech
from bornek.core.readings import censor_limit_mm, coarse_gauge, spread
from bornek.core.settings.kind import Check, Guide, Outcome, Setting, Slot, first_open, speech
from bornek.core.settings.records import Confirm, Context, Entry
from bornek.core.settings.sifting import Sifted, sift, sift_checks

NEEDLE = "needle"
SCALE = "scale"
SPREAD_LIMIT_MM = 0.02
SCATTER_MM = 0.0035
"""What one reading scatters by: readings that agree better than that, all of them, come from a dead needle."""
ODD, BEYOND_CHANCE = 0.03, 0.001
"""All readings alike less often than this by chance: remarked on; than that: the needle must be proved alive."""
SCALES = (10.0, 25.4, 1000.0)
SCALE_REACH = 0.2
"""Groups within a fifth of such a ratio are asked about."""
OWN_SLOTS = {
    NEEDLE: Slot(
        key=NEEDLE,
        label="Needle alive?",
        group="Proof",
        axes={},
        quantity="count",
        nature="confirm",
        accepts="confirm",
        posture="The needle stood still. Push or pry the base by a known amount and see it move.",
    ),
    SCALE: Slot(
        key=SCALE,
        label="Both read on one scale?",
        group="Proof",
        axes={},
        quantity="count",
        nature="confirm",
        accepts="confirm",
        posture="One end reads many times the other. Look at both dials: unit, range, which hand. Both the same?",
    ),
}


def guide_of(kind: Setting, ctx: Context) -> Guide:
    """The kind's guide with the proofs that its readings call for, right after the readings."""
    guide = kind.guide(ctx)
    sifted = sift(guide.slots, ctx.now())
    owed = [
        OWN_SLOTS[key]
        for key, why in (
            (NEEDLE, _stood_still(guide.slots, sifted, ctx)),
            (SCALE, _odd_scale(guide.slots, sifted)),
        )
        if why
    ]
    if not owed:
        return guide
    read = [i for i, s in enumerate(guide.slots) if s.nature in ("travel", "size")]
    cut = (read[-1] + 1) if read else len(guide.slots)
    slots = (*guide.slots[:cut], *owed, *guide.slots[cut:])
    following = guide.next
    first = first_open(slots, ctx.now())
    if not guide.stop and (following is None or first in OWN_SLOTS):
        following = first
    return replace(guide, slots=slots, next=following)


def outcome_of(kind: Setting, ctx: Context) -> Outcome:
    """What the kind makes of a round, with what is to be asked about its readings before it counts."""
    outcome = kind.evaluate(ctx)
    return replace(outcome, checks=(*watch(kind, ctx, outcome), *outcome.checks))


def watch(kind: Setting, ctx: Context, outcome: Outcome) -> list[Check]:
    slots = guide_of(kind, ctx).slots
    sifted, say = sift(slots, ctx.now()), speech(ctx)
    return [
        *sift_checks(sifted, slots),
        *_proof_checks(slots, sifted, ctx),
        *_repeat_checks(slots, sifted, ctx, say),
        *_gauge_checks(slots, sifted, ctx, outcome, say),
    ]


def _groups(slots: Sequence[Slot], sifted: Sifted) -> dict[str, list[tuple[Slot, Entry]]]:
    """Counted numbers by what should read alike: repeats of one quantity, or the angles of one end."""
    found: dict[str, list[tuple[Slot, Entry]]] = {}
    for slot in slots:
        entry = sifted.counted.get(slot.key)
        if entry is not None and entry.number is not None and slot.nature in ("travel", "size"):
            found.setdefault(slot.peers or slot.group, []).append((slot, entry))
    return found


def _stood_still(slots: Sequence[Slot], sifted: Sifted, ctx: Context) -> str:
    """Why the needle must be proved alive, in words; empty when it need not be."""
    for rows in _groups(slots, sifted).values():
        numbers = [e.number for _, e in rows if e.number is not None]
        if any(
            s.nature == "travel" and abs(e.number or 0.0) <= censor_limit_mm(ctx.find_gauge(e))
            for s, e in rows
        ):
            return "The needle never moved"
        around = not rows[0][0].peers
        if len(numbers) > 1 and spread(numbers) < 1e-9:
            if around and len(numbers) >= 8:
                return f"All {len(numbers)} readings around are the same"
            if not around and _by_chance(rows, ctx) < BEYOND_CHANCE:
                return f"All {len(numbers)} readings are the same to the last digit"
    return ""


def _by_chance(rows: Sequence[tuple[Slot, Entry]], ctx: Context) -> float:
    """How often so many travels would each fall into one step of the gauge that read it."""
    if rows[0][0].nature != "travel":
        return 1.0
    one = NormalDist(0.0, SCATTER_MM)
    return math.prod(2 * one.cdf(ctx.find_gauge(entry).resolution / 2) - 1 for _, entry in rows)


def _odd_scale(slots: Sequence[Slot], sifted: Sifted) -> str:
    """Two groups that should read much the same, one of them about ten or 25.4 times the other."""
    sizes: dict[str, dict[str, list[float]]] = {}
    for slot in slots:
        entry = sifted.counted.get(slot.key)
        if slot.alike and entry is not None and entry.number is not None:
            sizes.setdefault(slot.alike, {}).setdefault(slot.group, []).append(entry.number)
    for groups in sizes.values():
        wide = sorted((spread(v), name) for name, v in groups.items() if len(v) > 1)
        if len(wide) < 2 or wide[0][0] <= 0:
            continue
        (small, _), (great, name) = wide[0], wide[-1]
        near = next((f for f in SCALES if abs(great / small / f - 1) <= SCALE_REACH), None)
        if near is not None:
            return f"{name} reads about {near:g} times the other"
    return ""


def _proof_checks(slots: Sequence[Slot], sifted: Sifted, ctx: Context) -> list[Check]:
    asked = (
        (NEEDLE, _stood_still(slots, sifted, ctx), "zero", "prove_alive",
         "Prove that it is alive: push or pry by a known amount.",
         "The needle is dead: mend or change the gauge and read again."),
        (SCALE, _odd_scale(slots, sifted), "scale", "ask",
         "Was another unit or range read there? Look at both dials.",
         "The ends were not read on one scale: read the odd one again."),
    )  # fmt: skip
    found = []
    for key, why, code, action, what, failed in asked:
        if not why:
            continue
        proof = sifted.counted.get(key)
        if proof is None:
            found.append(Check(code, "warn", f"{why}. {what}", action, key))  # type: ignore[arg-type]
        elif proof.raw != Confirm(True):
            found.append(Check(code, "stop", failed, "stop", key))
    return found


def _repeat_checks(slots: Sequence[Slot], sifted: Sifted, ctx: Context, say: Speech) -> list[Check]:
    """Repeats at one place, and the places of one travel against each other."""
    groups: dict[str, list[float]] = {}
    peers: dict[str, str] = {}
    for slot in slots:
        entry = sifted.counted.get(slot.key)
        if "rep" in slot.axes and slot.nature == "travel" and entry is not None and entry.number is not None:
            groups.setdefault(slot.group, []).append(entry.number)
            peers[slot.group] = slot.peers or slot.group
    limit = SPREAD_LIMIT_MM + 1e-9
    found = [
        Check(
            "spread",
            "warn",
            f"{name}: repeats differ by {say.number(spread(g))} {say.unit}, more than "
            f"{say.size(SPREAD_LIMIT_MM)}. Re-seat and read again.",
            "reseat",
        )
        for name, g in groups.items()
        if spread(g) > limit
    ]
    alike = [rows for rows in _groups(slots, sifted).values() if rows[0][0].peers and len(rows) > 1]
    for rows in alike:
        numbers = [e.number for _, e in rows if e.number is not None]
        if spread(numbers) < 1e-9 and numbers[0] > 0 and BEYOND_CHANCE <= _by_chance(rows, ctx) < ODD:
            words = f"All {len(numbers)} readings are the same. Does the needle move when the base is pushed?"
            found.append(Check("alike", "note", words))
    means: dict[str, list[float]] = {}
    for name, g in groups.items():
        means.setdefault(peers[name], []).append(sum(g) / len(g))
    apart = max((spread(m) for m in means.values()), default=0.0)
    if not any(c.action for c in found) and apart > limit:
        found.append(
            Check(
                "positions",
                "warn",
                f"The positions differ by {say.number(apart)} {say.unit}: bent shaft or dirt. "
                "Clean, re-seat and read again.",
                "reseat",
            )
        )
    return found


def _gauge_checks(
    slots: Sequence[Slot], sifted: Sifted, ctx: Context, outcome: Outcome, say: Speech
) -> list[Check]:
    """The gauges that read a length here: coarse for the window, or past their date."""
    read = [
        ctx.find_gauge(e)
        for s in slots
        if s.quantity == "length" and s.accepts == "scalar" and (e := sifted.counted.get(s.key)) is not None
    ]
    measured = any(s.quantity == "length" and s.accepts == "scalar" for s in slots)
    gauges = list(dict.fromkeys(read)) or ([ctx.find_gauge()] if measured else [])
    found = []
    target = next((r for r in outcome.results if r.role == "target" and r.quantity == "length"), None)
    for gauge in gauges:
        note = coarse_gauge(target.window if target else None, gauge, say)
        if note:
            found.append(Check("coarse", "warn" if note[1] else "note", note[0]))
        if gauge.overdue:
            found.append(Check("overdue", "warn", f"{gauge.name} is past its calibration date."))
    return found
