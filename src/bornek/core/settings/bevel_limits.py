"""Which limits are in force for a bevel pair: the book's, or what it ran with; and what the other would say."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Any

from bornek.core.schools import school_words
from bornek.core.settings.common import given_window
from bornek.core.settings.records import Context, Paint
from bornek.core.windows import Window

HALF_X, HALF_Y = 0.15, 0.10
"""A pattern may lie this far from where it is wanted, lengthwise and up the tooth: shares of the flank."""
MIDDLE_UP = 0.55
CENTRED, TOE_HEAVY = 0.5, 1 / 3


@dataclass(frozen=True)
class Force:
    """The backlash window in force and the other one, where there are two; where the pattern is wanted; why."""

    lash: Window
    other: Window | None
    centre: tuple[float, float]
    why: str
    as_ran: bool


def in_force(ctx: Context, centre: tuple[float, float] | None) -> Force:
    """`centre` is that of the witness on the loaded flank, if there is one."""
    given = ctx.given
    book = given_window(given, given["least"], given["greatest"], 0.0)
    ran = _as_it_ran(given, book)
    how = ran_how(ctx)
    wanted, other = school_words("backlash", ctx.school)
    lengthwise = TOE_HEAVY if ctx.school.get("pattern") == "B" else CENTRED
    by_school, _ = school_words("pattern", ctx.school)
    if ran is None:
        return Force(book, None, (lengthwise, MIDDLE_UP), f"{book.source}; pattern {by_school}", False)
    if ctx.school.get("backlash") == "B" and how != "badly":
        at = centre or (lengthwise, MIDDLE_UP)
        return Force(ran, book, at, f"School B: {wanted}, not {other}", True)
    badly = "its witness says that it ran badly: " if ctx.school.get("backlash") == "B" else "School A: "
    return Force(
        book,
        ran,
        (lengthwise, MIDDLE_UP),
        f"{badly}{school_words('backlash', {})[0]}; pattern {by_school}",
        False,
    )


def _as_it_ran(given: Mapping[str, Any], book: Window) -> Window | None:
    ran = given.get("ran_with")
    if ran is None:
        return None
    give = float(given["ran_give"])
    return replace(
        book,
        lo=max(round(ran - give, 6), 0.0),
        hi=round(ran + give, 6),
        source="as found, before strip",
        basis="worn matched parts",
        edition="",
    )


def ran_how(ctx: Context) -> str:
    """Well, badly or cannot tell: as given, else as the witness was written down at Strip."""
    given = str(ctx.given.get("ran", "cannot tell"))
    return ctx.witness.ran if given == "cannot tell" and ctx.witness is not None else given


def witness_of(ctx: Context, flank: str) -> Paint | None:
    """The witness as found on a flank: painted here, else at Strip."""
    for entry in reversed(ctx.entries):
        if entry.slot == f"witness.{flank}" and isinstance(entry.raw, Paint):
            return entry.raw
    mask = getattr(ctx.witness, flank, ()) if ctx.witness is not None else ()
    return Paint(flank, mask) if any(map(any, mask)) else None


def pattern_windows(force: Force) -> tuple[Window, Window]:
    """Where the loaded flank's contact may lie, toe to heel and root to tip."""
    (x, y), source = force.centre, "as it ran" if force.as_ran else "where the school wants it"
    return tuple(  # type: ignore[return-value]
        Window(max(round(at - half, 6), 0.0), min(round(at + half, 6), 1.0), source)
        for at, half in ((x, HALF_X), (y, HALF_Y))
    )
