"""What every kind asks, besides its own: the window with its source, aim, warmth, leftovers."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.settings.kind import Field, Result, Slot
from bornek.core.settings.records import Context
from bornek.core.settings.state import Position, State
from bornek.core.windows import NOT_READ, Window

PLAY_TELLS = {"out_low": "set_tight", "out_high": "set_loose"}
"""What a play or a clearance that was found out of its window is evidence of."""
BASIS = (("new parts", "new parts"), ("worn matched parts", "worn matched parts"))


def source_fields() -> list[Field]:
    return [
        Field("source", "Where the window comes from", "text", why="Every verdict names it."),
        Field("edition", "Edition or revision", "text", required=False),
        Field("basis", "Window is for", "choice", options=BASIS, default="new parts"),
    ]


def temperature_fields(part: str) -> list[Field]:
    """Asked where sizes are compared with a master: gauge and part differ when one comes from the sun."""
    return [
        Field(
            key=key,
            label=label,
            quantity="temperature",
            default=20.0,
            lo=-20,
            hi=most,
        )
        for key, label, most in (("gauge_c", "Gauge temperature", 80), ("part_c", f"{part} temperature", 120))
    ]


def own_aim() -> Field:
    return Field(
        key="aim",
        label="Own aim inside the window",
        quantity="length",
        required=False,
        lo=-5,
        hi=5,
        why="Empty: the middle.",
    )


def closing_fields() -> list[Field]:
    """Asked of every setting, after its own fields."""
    return [
        Field(
            "warmth",
            "Parts are",
            "choice",
            options=(("cold", "cold, at shop temperature"), ("warm", "warm from running")),
            default="cold",
        ),
        Field("temporary", "Fitted only to help: out before Prove", "lines", required=False),
        Field("not_verified", "Could not be verified", "lines", required=False),
    ]


def given_window(
    given: Mapping[str, Any], lo: float | None, hi: float | None, floor: float | None = None
) -> Window:
    return Window(
        lo,
        hi,
        str(given.get("source", "")),
        str(given.get("basis", "new parts")),
        str(given.get("edition", "")),
        floor,
    )


def source_lines(window: Window) -> tuple[str, ...]:
    edition = f", {window.edition}" if window.edition else ""
    return (f"{window.source}{edition}, {window.basis}.", "The maker's manual comes first.")


def leftovers(given: Mapping[str, Any]) -> tuple[str, ...]:
    return tuple(str(line) for line in given.get("not_verified", ()) or ())


def whole_form(own: Sequence[Field], aim: bool = True) -> list[Field]:
    """A kind's own fields and those of every setting; `aim`: a length is aimed at, so an own aim may be named."""
    return [*own, *source_fields(), *([own_aim()] if aim else []), *closing_fields()]


def unread(key: str, label: str, window: Window, quantity: str = "length", **more: Any) -> Result:
    """The target of a round in which nothing was read yet."""
    return Result(
        key=key, label=label, quantity=quantity, value=None, window=window, verdict=NOT_READ, **more
    )


def confirm(key: str, label: str, group: str, posture: str) -> Slot:
    """A station that is answered yes or no."""
    return Slot(
        key=key,
        label=label,
        group=group,
        axes={"step": key},
        quantity="count",
        nature="confirm",
        accepts="confirm",
        posture=posture,
    )


def from_start(ctx: Context, knob: str, unit: str, step: float, number: int | None = None) -> State:
    """A position that is counted from where the adjuster stood in the first round: there it is 0."""
    return ctx.state(knob, number) or Position(0.0, unit, step)
