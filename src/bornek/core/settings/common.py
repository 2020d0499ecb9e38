"""What every kind asks, besides its own: the window with its source, aim, warmth, leftovers."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.settings.kind import Field
from bornek.core.windows import Window

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


def closing_fields() -> list[Field]:
    """Asked of every setting, after its own fields."""
    return [
        Field(
            key="aim",
            label="Own aim inside the window",
            quantity="length",
            required=False,
            lo=-5,
            hi=5,
            why="Empty: the middle.",
        ),
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


def whole_form(own: Sequence[Field]) -> list[Field]:
    return [*own, *source_fields(), *closing_fields()]
