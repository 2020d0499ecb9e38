"""What a learner is not shown before asking for it: the advice. Readings, judgement and log stay as they are."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

SAY = [{"text": "Move it, re-seat it, or sign: ", "move": False}, {"text": "what do you do?", "move": True}]
HEAD, ASIDE = "Yours to decide", "When you sign, the cloth is lifted."


def veil_sheet(sheet: Mapping[str, Any], unadvised: Mapping[str, Any]) -> dict[str, Any]:
    """A sheet that was made without advice, saying that it is the learner's turn where the whole one has a move.

    >>> bare = {"move": None, "say": [], "next": None}
    >>> veil_sheet({"move": {}, "next": None}, bare)["aside_head"]
    'Yours to decide'
    """
    shown = {**unadvised, "response": None, "slope": None, "what_if": False}
    if sheet["move"] is not None and sheet["next"] is None:
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
    scenes = [s | {"landing": None} if s["type"] == "readout" else s for s in shown["scenes"]]
    return {**shown, "option": option, "scenes": scenes}
