"""What a learner is not shown before asking for it: the advice. Readings, judgement and log stay as they are."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

SAY = [{"text": "Move it, re-seat it, or sign: ", "move": False}, {"text": "what do you do?", "move": True}]
HEAD, ASIDE = "Yours to decide", "When you sign, the cloth is lifted."


def veil_sheet(sheet: Mapping[str, Any]) -> dict[str, Any]:
    """A sheet without its move, its landing, and whatever tells how the adjuster answers.

    >>> veil_sheet({"move": None, "response": [1, 0.1], "scenes": [], "say": [], "next": "a"})["say"]
    []
    """
    shown = dict(sheet) | {"move": None, "response": None, "slope": None, "what_if": False}
    shown["scenes"] = [_veiled(s) for s in sheet["scenes"]]
    if sheet["move"] is not None:
        shown |= {"say": SAY, "aside_head": HEAD, "aside": ASIDE}
    return shown


def veil_expectation(shown: Mapping[str, Any]) -> dict[str, Any]:
    """What is expected of states of one's own, without the expectation: only what goes out and in."""
    option = {
        **shown["option"],
        "expect": "",
        "expected": [],
        "p_in": 0.0,
        "p_harm": 0.0,
        "why": "Your own move",
    }
    return {**shown, "option": option, "scenes": [_veiled(s) for s in shown["scenes"]]}


def _veiled(scene: Mapping[str, Any]) -> dict[str, Any]:
    found = dict(scene)
    if scene["type"] == "readout":
        found["landing"] = None
    if scene["type"] == "log":
        found["rows"] = [row for row in scene["rows"] if row["found"] is not None or row["held_out"]]
    return found
