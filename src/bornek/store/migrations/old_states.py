"""States as they were kept before they said their sort: in a yard's database and in exchange files of edition 2."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

DEGREES = ("nut",)
"""The only adjuster of that time that was kept in degrees."""


def typed_state(stored: Mapping[str, Any], knob: str) -> Mapping[str, Any]:
    """The same state with its sort, unit and step; one that says its sort stays as it is.

    >>> typed_state({"plates": [500000]}, "pack")
    {'type': 'pack', 'plates': [500000]}
    >>> typed_state({"at": 63.0}, "nut")
    {'type': 'position', 'at': 63.0, 'unit': 'deg', 'step': 0.0}
    """
    if "type" in stored:
        return stored
    if "plates" in stored:
        return {"type": "pack", "plates": stored["plates"]}
    if "at" in stored:
        return {
            "type": "position",
            "at": stored["at"],
            "unit": "deg" if knob in DEGREES else "mm",
            "step": 0.0,
        }
    return stored
