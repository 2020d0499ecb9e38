"""Findings of how parts go in: dry for good, temporary left in, single-use again, wrong side, wrong way round."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.build.bench import Bench
from bornek.core.build.findings.finding import Finding
from bornek.core.build.gather import Planned
from bornek.core.build.order import BuildOrder
from bornek.core.build.standing import names
from bornek.core.facts.removed import Removed
from bornek.core.parts.verdicts import GOES_BACK, NOT_AS_IT_IS
from bornek.core.phrases import Span, lower_first


def dry_for_good(order: BuildOrder, bench: Bench) -> list[Finding]:
    """A dry fit that no later step does again for good."""
    found = []
    for n, p in enumerate(order.steps):
        if p.step.fit == "dry":
            later = {key for q in order.steps[n + 1 :] if q.step.fit == "final" for key in q.step.parts}
            told = Told(
                "dry_for_good",
                "Dry, never for good",
                (f"Step {n + 1} fits the ", " dry, and no step fits it for good."),
            )
            found += _undone(
                order, p, later, told, "Write the step that fits it for good, or make this one final."
            )
    return found


def temporary_left(order: BuildOrder, bench: Bench) -> list[Finding]:
    """A part put in only to help and never taken out."""
    found = []
    for n, p in enumerate(order.steps):
        if p.step.fit == "temporary":
            out = {key for q in order.steps[n + 1 :] for key in q.step.takes_out}
            told = Told(
                "temporary_left",
                "Temporary, never out",
                ("The ", f" of step {n + 1} only helps, and no step takes it out."),
            )
            found += _undone(
                order, p, out, told, "Write the step that takes it out, before its place is closed."
            )
    return found


@dataclass(frozen=True)
class Told:
    """How a finding is told: its code, its title, and the words before and after what it is about."""

    code: str
    title: str
    around: tuple[str, str]


def _undone(order: BuildOrder, p: Planned, undone: set[str], told: Told, do: str) -> list[Finding]:
    """Told of the parts of a step that no later one undoes; of the step itself where it takes none."""
    left = tuple(k for k in p.step.parts if k not in undone)
    if p.step.parts and not left:
        return []
    what = names(order, left) if left else lower_first(p.step.label)
    before, after = told.around
    return [
        Finding(
            code=told.code,
            severity="warn",
            title=told.title,
            words=f"{what}, step {order.number[p.key]}",
            say=(Span(before), Span(what, True), Span(after)),
            do=do,
            steps=(p.key,),
            parts=left,
        )
    ]


def used_again(order: BuildOrder, bench: Bench) -> list[Finding]:
    """A single-use part whose verdict sends it back in."""
    found = []
    for p in order.steps:
        for key in p.step.parts:
            part = order.d.part(key)
            if part is None or not part.single_use or bench.verdicts.get(key) not in GOES_BACK:
                continue
            found.append(
                Finding(
                    code="used_again",
                    severity="stop" if part.safety else "warn",
                    title="Single use, used again",
                    words=lower_first(part.label),
                    say=(
                        Span(f"Step {order.number[p.key]} takes the old "),
                        Span(lower_first(part.label), True),
                        Span(" again, and it holds only once."),
                    ),
                    do="Judge it replace and order a new one."
                    + (" It can hurt someone." if part.safety else ""),
                    steps=(p.key,),
                    parts=(key,),
                    safety=part.safety,
                )
            )
    return found


def deferred(order: BuildOrder, bench: Bench) -> list[Finding]:
    """A part to be had new that nobody ordered; a step skipped with its parts still on the tray."""
    ordered = {o.part for o in bench.orders}
    found = []
    for p in order.steps:
        here = order.is_done(p.key)
        skipped = here and p.key in order.worked.done and order.worked.done[p.key].how == "skipped"
        if skipped and p.step.parts:
            what = names(order, p.step.parts)
            found.append(
                Finding(
                    code="deferred",
                    severity="warn",
                    title="Skipped, still open",
                    words=what,
                    say=(
                        Span(f"Step {order.number[p.key]} was skipped: the "),
                        Span(what, True),
                        Span(" is not in."),
                    ),
                    do=f"Do it before the unit is closed. It was skipped because: {order.worked.done[p.key].words}",
                    steps=(p.key,),
                    parts=p.step.parts,
                )
            )
        if here:
            continue
        for key in p.step.parts:
            if bench.verdicts.get(key) in NOT_AS_IT_IS and key not in ordered:
                what = lower_first(order.d.label_of(key))
                found.append(
                    Finding(
                        code="deferred",
                        severity="warn",
                        title="Not in hand",
                        words=what,
                        say=(
                            Span("The "),
                            Span(what, True),
                            Span(f" of step {order.number[p.key]} is to be had new, and nothing is ordered."),
                        ),
                        do="Order it, or judge the part again.",
                        steps=(p.key,),
                        parts=(key,),
                    )
                )
    return found


def wrong_side(order: BuildOrder, bench: Bench) -> list[Finding]:
    """A step that puts a part on another side than it came off."""
    found = []
    logged = {f.body.part: f.body for f in order.facts if isinstance(f.body, Removed)}
    for p in order.steps:
        if not p.step.side or p.origin == "removal":
            continue
        for key in p.step.parts:
            was = logged[key].side if key in logged else ""
            if was and _clashes(was, p.step.side):
                found.append(
                    _placed_wrong(
                        order,
                        p.key,
                        key,
                        "Wrong side",
                        f"came off the {was}",
                        f"goes on {p.step.side}",
                        p.step.wrong_way,
                    )
                )
    return found


def wrong_way(order: BuildOrder, bench: Bench) -> list[Finding]:
    """A part seen to sit the wrong way round, or planned another way round than it came off."""
    found = []
    logged = {f.body.part: f.body for f in order.facts if isinstance(f.body, Removed)}
    for p in order.steps:
        if order.worked.right(p.key, "way_round") is False:
            words = order.worked.seen[p.key, "way_round"][1]
            what = names(order, p.step.parts) or lower_first(p.step.label)
            found.append(
                Finding(
                    code="wrong_way",
                    severity="warn",
                    title="Wrong way round",
                    words=what,
                    say=(
                        Span("Turn the "),
                        Span(what, True),
                        Span(f": seen {words}, it belongs {p.step.way_round}."),
                    ),
                    do=p.step.wrong_way or "Turn it before the first bolt, then look again.",
                    steps=(p.key,),
                    parts=p.step.parts,
                )
            )
            continue
        if p.origin == "removal" or not p.step.way_round:
            continue
        for key in p.step.parts:
            was = logged[key].orientation if key in logged else ""
            if was and _clashes(was, p.step.way_round):
                found.append(
                    _placed_wrong(
                        order,
                        p.key,
                        key,
                        "Wrong way round",
                        f"sat {was}",
                        f"goes on {p.step.way_round}",
                        p.step.wrong_way,
                    )
                )
    return found


OPPOSITES = (
    ("left", "right"), ("top", "bottom"), ("up", "down"), ("front", "rear"), ("front", "back"), ("inward", "outward"),
    ("in", "out"), ("inner", "outer"), ("drive", "coast"), ("inside", "outside"), ("upper", "lower"),
)  # fmt: skip


def _clashes(was: str, will: str) -> bool:
    """Whether two sides said in words are opposite.

    >>> _clashes("left", "Right side"), _clashes("lip inward", "lip to the oil"), _clashes("slot up", "slot down")
    (True, False, True)
    """
    a, b = set(was.lower().replace(",", " ").split()), set(will.lower().replace(",", " ").split())
    for one, other in OPPOSITES:
        if one in a and other in b and one not in b and other not in a:
            return True
        if other in a and one in b and other not in b and one not in a:
            return True
    return False


def _placed_wrong(
    order: BuildOrder, step: str, part: str, title: str, was: str, will: str, consequence: str
) -> Finding:
    what = lower_first(order.d.label_of(part))
    return Finding(
        code="wrong_side" if title == "Wrong side" else "wrong_way",
        severity="warn",
        title=title,
        words=what,
        say=(Span("The "), Span(what, True), Span(f" {was} and {will} at step {order.number[step]}.")),
        do=consequence or "Look at the part and at the photo, then write the step as it is.",
        steps=(step,),
        parts=(part,),
    )
