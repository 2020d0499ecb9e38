"""What a learner is not shown before asking for it: the advice. Readings, judgement and log stay as they are."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
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


def veil_inspection(shown: Mapping[str, Any], causes: Sequence[tuple[str, str]]) -> dict[str, Any]:
    """An inspection whose causes stand in no order, with nothing for or against them: `causes` their keys and names.

    >>> veil_inspection({"diagnosis": {}}, [("water", "Water in it")])["diagnosis"]["ranked"][0]["fors"]
    []
    """
    bare = {"score": 0, "fors": [], "against": [], "follows": [], "hold": ""}
    by_name = sorted(causes, key=lambda c: c[1])
    diagnosis = {
        "ranked": [{"key": key, "label": label, **bare} for key, label in by_name],
        "leading": [],
        "words": "Yours to decide: what did it?",
        "tell_apart": [],
        "besides": [],
        "contradictions": [],
    }
    return {**shown, "diagnosis": diagnosis, "contradictions": []}


OWN_ORDER = [{"text": "What comes too late?", "move": True}, {"text": " Move it, then close.", "move": False}]


def veil_plan(shown: Mapping[str, Any]) -> dict[str, Any]:
    """A build order without what was found against it: steps, lids and tray as they lie."""
    steps = [
        s | {"after": 0, "before": 0, "gates": [], "state": _plain_state(s["state"])} for s in shown["steps"]
    ]
    return {
        **shown,
        "say": OWN_ORDER,
        "say_head": HEAD,
        "say_aside": "",
        "steps": steps,
        "lids": [x | {"out": "", "shut": False} for x in shown["lids"]],
        "tray": [x | {"shut_by": 0, "trapped": False} for x in shown["tray"]],
        "part_states": {k: "out" if v == "hand" else v for k, v in shown["part_states"].items()},
        **{key: [] for key in ("findings", "needs", "asks", "waits_for", "loop")},
        "due": "",
        "finish": "",
    }


def _plain_state(state: str) -> str:
    """What a step waits for says where the trap is."""
    return "ready" if state == "held" else state
