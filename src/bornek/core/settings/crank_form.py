"""What is asked of a runout, and where it is read: at angles around or at the extremes, at one place or both ends."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.settings.common import whole_form
from bornek.core.settings.kind import Field, OfTurn, Slot
from bornek.core.settings.records import Context

ENDS = (("L", "Left end"), ("R", "Right end"))
ONE = ("L", "Here")
AROUND, EXTREMES = "around", "extremes"
LEAST_ANGLES, MOST_ANGLES = 8, 36


def form_of(given: Mapping[str, Any]) -> Sequence[Field]:
    """The whole form: what the limit may mean goes by how many ends are read, and how."""
    two = given.get("ends", "two") == "two"
    around = given.get("read", AROUND) == AROUND
    conventions = [
        ("tir", "full indicator reading" + (" at each end" if two else "")),
        *([("sum", "both ends' readings added")] if two else []),
        *([("eccentricity", "eccentricity" + (" at each end" if two else ""))] if around else []),
    ]
    own = [
        Field("ends", "Read at", "choice", default="two",
              options=(("two", "both ends of a built-up crank or shaft"), ("one", "one place"))),
        Field("read", "Read", "choice", default=AROUND,
              options=((AROUND, "at equal angles around"), (EXTREMES, "greatest and smallest only"))),
        Field("limit", "Runout limit", "length", lo=0.001, hi=2),
        Field("convention", "The limit means", "choice", options=tuple(conventions), why="Asked, never guessed."),
        *([Field(key="angles", label="Angles read around", quantity="count", default=LEAST_ANGLES,
                 lo=LEAST_ANGLES, hi=MOST_ANGLES)] if around else []),
        *([Field("gauges", "The gauges stand", "choice",
                 options=(("outboard", "outboard of the two supports"), ("between", "between the supports")))]
          if two else []),
        Field("held", "It turns", "choice", default="own",
              options=(("own", "in its own bearings or on blocks"), ("centres", "between centres"))),
        Field("untrusted", "Surfaces that cannot be trusted", "lines", required=False,
              why="A burred centre, a chewed end: recorded, and not run on."),
        Field("unchecked", "What was not checked", "lines", required=False,
              why="Rod side shake, big end play: it goes on the record."),
    ]  # fmt: skip
    return whole_form(own, aim=False)


def ends_of(ctx: Context) -> tuple[tuple[str, str], ...]:
    return ENDS if ctx.given["ends"] == "two" else (ONE,)


def stations_of(ctx: Context) -> tuple[Slot, ...]:
    """At every angle around, or the two extremes of one turn, of each end."""
    if ctx.given["read"] == EXTREMES:
        stations: list[tuple[str, str, int | None, OfTurn]] = [
            ("max", "greatest", None, "greatest"),
            ("min", "smallest", None, "smallest"),
        ]
    else:
        n = int(ctx.given["angles"])
        stations = [(str(k), f"{360 * k / n:.3g}°", round(360 * k / n), "") for k in range(n)]
    zero = "Angle 0 is the crankpin." if ctx.given["ends"] == "two" else "Angle 0 is the mark."
    return tuple(
        Slot(
            key=f"{end}.{key}",
            label=f"{label}, {words}",
            group=label,
            axes={"end": end} | ({} if angle is None else {"angle": angle}),
            quantity="length",
            nature="size",
            needs="travel",
            posture=f"{zero} Turn to the mark, let it rest, read."
            if angle is not None
            else f"Turn it once round by hand; the {words} that the needle shows.",
            plausible=(-2.0, 2.0),
            alike="end",
            of_turn=of_turn,
        )
        for end, label in ends_of(ctx)
        for key, words, angle, of_turn in stations
    )
