"""What a shim pack under a cover is asked for: a play, or a preload with the drag that proves it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.settings.common import whole_form
from bornek.core.settings.kind import Field


def form_of(given: Mapping[str, Any]) -> Sequence[Field]:
    preload = given.get("meant") == "preload"
    noun = "preload" if preload else "end play"
    own = [
        Field(
            key="meant",
            label="The manual's figure means",
            quantity="choice",
            options=(
                ("play", "end play: the shaft can float"),
                ("preload", "preload: bearings pressed together"),
            ),
            default="play",
            why="A manual that says preload and prints a play is asked about, never converted.",
        ),
        Field("least", f"Least {noun}", "length", lo=0, hi=3),
        Field("greatest", f"Greatest {noun}", "length", lo=0, hi=3),
        Field(
            "sense",
            "Adding a shim",
            "choice",
            options=(
                ("adds", "adds play (shims under the cover)"),
                ("takes", "takes play away (shims behind the cup)"),
                ("unknown", "not known yet: the first small move shows it"),
            ),
        ),
        Field("torque", "Cover bolt torque", "torque", lo=0, hi=5000),
        Field(
            "housing",
            "Housing and cover",
            "choice",
            default="stiff",
            options=(("stiff", "stiff, iron or steel"), ("soft", "soft, light alloy or welded sheet")),
        ),
        Field(key="most_plates", label="Most shims in the pack", quantity="count", default=6, lo=1, hi=10),
        Field(key="positions", label="Angular positions to read", quantity="count", default=2, lo=1, hi=4),
    ]
    return whole_form(own + _drag(given) if preload else own)


def _drag(given: Mapping[str, Any]) -> list[Field]:
    return [
        Field(
            key="drag_least",
            label="Least rolling drag, seals included",
            quantity="torque",
            required=False,
            lo=0,
            hi=2000,
            why="The proof of a preload: an indicator cannot see it. Without it none is ever proven.",
        ),
        Field(
            key="drag_greatest",
            label="Greatest rolling drag, seals included",
            quantity="torque",
            required=given.get("drag_least") is not None,
            lo=0,
            hi=2000,
        ),
        Field(
            key="drag_idle",
            label="Drag of the seals alone, before the bearings are loaded",
            quantity="torque",
            default=0.0,
            lo=0,
            hi=2000,
        ),
    ]
