"""Findings of reach: parts shut out, parts that no step takes, settings that can no longer be read, loops."""

from __future__ import annotations

from collections import Counter

from bornek.core.build.bench import Bench
from bornek.core.build.findings.finding import Finding, Mend
from bornek.core.build.gather import out_of_unit, whole_of
from bornek.core.build.order import BuildOrder
from bornek.core.build.standing import names, window
from bornek.core.build.tray import shut_outs
from bornek.core.build.undo import in_words, price_of, way_back
from bornek.core.facts.removed import Removed
from bornek.core.phrases import Span, count_words, lower_first
from bornek.core.units.definition import Part


def shut_out(order: BuildOrder, bench: Bench) -> list[Finding]:
    found = []
    for s in shut_outs(order):
        n, done = order.number[s.step], order.worked.in_place(s.step)
        what = names(order, s.parts)
        mend = None if done else _mend(order, s.step, s.parts)
        if done:
            do = _back(order, s.parts)
        elif mend is not None:
            where = f"after {lower_first(order.label(mend.after))}" if mend.after else "first"
            do = f"Put {'it' if len(s.parts) == 1 else 'them'} in {where}."
        else:
            do = f"Put {'it' if len(s.parts) == 1 else 'them'} in before step {n}, {lower_first(order.label(s.step))}."
        if not done:
            do += f" Found after it is closed: {in_words(price_of(order, s.step))}."
        verb = "shut off" if done else "shuts off"
        found.append(
            Finding(
                code="shut_out",
                severity="stop" if s.typed or done else "warn",
                title=f"Shut out at {n}",
                words=what,
                say=(
                    Span(f"{order.label(s.step)} {verb} the "),
                    Span(what, True),
                    Span(" still on the tray."),
                ),
                do=do if s.typed or done else f"{do} It rests on the section alone: confirm or overrule it.",
                steps=(s.step, *dict.fromkeys(order.final[p] for p in s.parts if p in order.final)),
                parts=s.parts,
                mend=mend,
            )
        )
    return found


def _back(order: BuildOrder, parts: tuple[str, ...]) -> str:
    """The fewest steps to take apart, in words."""
    way = way_back(order, parts)
    if way is None:
        return "Put it in now."
    steps = ", then ".join(lower_first(order.label(k)) for k in way.steps)
    return f"Take apart {steps}: {in_words(way)}."


def _mend(order: BuildOrder, closing: str, parts: tuple[str, ...]) -> Mend | None:
    """The one step that puts them in, put where what it needs is in and the lid is still off."""
    late = {order.final[p] for p in parts if p in order.final}
    if len(late) != 1:
        return None
    step = late.pop()
    if order.is_done(step):
        return None
    sound = [
        n.before for n in order.needs if n.after == step and order.number[n.before] < order.number[closing]
    ]
    done = [p.key for p in order.steps if order.is_done(p.key)]
    after = max([*sound, *done], key=lambda k: order.number[k], default="")
    if after and order.number[after] >= order.number[closing]:
        return None
    blocked = [
        n.before for n in order.needs if n.after == step and order.number[n.before] > order.number[closing]
    ]
    return None if blocked else Mend(step, after)


def no_step(order: BuildOrder, bench: Bench) -> list[Finding]:
    """Parts that have to go in and that no step takes, whole or in part."""
    taken: Counter[str] = Counter()
    for p in order.steps:
        if p.step.fit == "final":
            for part, n in whole_of(order.d, p):
                taken[part.key] += n
    need = out_of_unit(order.d, order.facts)
    for part in _never_logged(order):
        need.setdefault(part.key, part.count)
    found = []
    for key, n in need.items():
        short = n - taken[key]
        labelled = order.d.part(key)
        if short <= 0 or labelled is None or not order.steps:
            continue
        name = lower_first(labelled.label)
        some = name if n == 1 else f"{short} of {n} {name}"
        found.append(
            Finding(
                code="no_step",
                severity="warn",
                title="No step takes it",
                words=some,
                say=(Span("No step takes " if n > 1 else "No step takes the "), Span(some, True), Span(".")),
                do="Write a step for it, or say why it stays out.",
                parts=(key,),
            )
        )
    return found


def _never_logged(order: BuildOrder) -> list[Part]:
    """Single-use parts that nobody logged, once everything on the shafts is out."""
    out = {f.body.part for f in order.facts if isinstance(f.body, Removed)}
    on_shafts = [p for p in order.d.parts if p.shaft]
    if not order.d.steps or not on_shafts or not all(p.key in out for p in on_shafts):
        return []
    return [p for p in order.d.parts if p.single_use and not p.shaft and p.key not in out]


def setting_late(order: BuildOrder, bench: Bench) -> list[Finding]:
    """Settings planned after the step that shuts their stations off."""
    found = []
    steps = {p.step.setting: p.key for p in order.steps if p.step.setting}
    for need in order.against:
        if need.rule != "setting" or not order.by_key[need.before].step.setting:
            continue
        label = order.label(need.before)
        point = next((s.label for s in order.d.settings if steps.get(s.key) == need.before), label)
        found.append(
            Finding(
                code="setting_late",
                severity="warn",
                title="Set too late",
                words=lower_first(point),
                say=(
                    Span(f"{order.label(need.after)} shuts off where "),
                    Span(lower_first(point), True),
                    Span(" is read."),
                ),
                do=f"Set it before step {order.number[need.after]}.",
                steps=(need.before, need.after),
                mend=_before(order, need.before, need.after),
            )
        )
    return found


def _before(order: BuildOrder, step: str, closing: str) -> Mend | None:
    lo, _ = window(order, step)
    at = order.number
    keys = [p.key for p in order.steps]
    if (lo and at[lo] >= at[closing]) or order.is_done(step) or order.is_done(closing):
        return None
    n = at[closing] - 2
    return Mend(step, keys[n] if n >= 0 else "")


def cycle(order: BuildOrder, bench: Bench) -> list[Finding]:
    """Steps that need each other, told as the shortest loop."""
    if not order.loop:
        return []
    said = " before ".join(lower_first(order.label(k)) for k in (*order.loop, order.loop[0]))
    reasons = [
        n
        for n in order.needs
        if (n.before, n.after) in set(zip(order.loop, (*order.loop[1:], order.loop[0]), strict=True))
    ]
    weak = next((n for n in reasons if n.derived), None)
    do = "One of these must go first: strike one of the needs with a reason."
    if weak is not None:
        do = f"Overrule the one that the section alone proves ({weak.reason}), or strike a typed one."
    return [
        Finding(
            code="cycle",
            severity="stop",
            title="They need each other",
            words=f"{count_words(len(order.loop), 'step')}: {names_of(order)}",
            say=(Span(f"{said[:1].upper()}{said[1:]}: "), Span("one must go first", True), Span(".")),
            do=do,
            steps=order.loop,
        )
    ]


def names_of(order: BuildOrder) -> str:
    return ", ".join(str(order.number[k]) for k in order.loop)


def other_way(order: BuildOrder, bench: Bench) -> list[Finding]:
    """A need that the section proves and that this unit's own removal log contradicts."""
    came = {f.body.part: n for n, f in enumerate(x for x in order.facts if isinstance(x.body, Removed))}
    found = []
    for need in order.needs:
        if need.rule not in ("sandwich", "cover", "threaded") or need.confirmed:
            continue
        before, after = order.by_key[need.before], order.by_key[need.after]
        first = [came[p] for p in before.step.parts if p in came]
        second = [came[p] for p in after.step.parts if p in came]
        if not first or not second or min(first) >= max(second):
            continue
        found.append(
            Finding(
                code="other_way",
                severity="note",
                title="It came off the other way",
                words=f"{lower_first(before.step.label)} before {lower_first(after.step.label)}",
                say=(
                    Span(f"{before.step.label} goes on before "),
                    Span(lower_first(after.step.label), True),
                    Span(", and came off before it too."),
                ),
                do=f"Overrule it if it is so ({need.reason}), or leave it.",
                steps=(need.before, need.after),
            )
        )
    return found
