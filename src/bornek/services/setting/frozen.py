"""A signed setting read from its snapshot: words and numbers as they were signed, none made anew."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from copy import deepcopy
from typing import Any

from bornek.services.setting.load_setting import LoadedSetting

EDITION = 2
SIGNED_WORDS = "Signed: {}. Nothing is left to do here."
HELD = {
    "as_found": "what was found",
    "as_left": "what was left",
    "gauges": "the gauge cards",
    "given_shown": "what was given, in words",
    "entries": "the readings",
    "acts": "the moves",
    "chain": "the chain of the job's rows",
}
"""What a signature of this edition holds, by the key under which it is kept."""


def edition_of(snapshot: Mapping[str, Any]) -> int:
    return int(snapshot.get("edition", 1))


def not_held(snapshot: Mapping[str, Any]) -> list[str]:
    """What a signature of an older edition does not hold, in words."""
    return [words for key, words in HELD.items() if key not in snapshot]


def as_signed(sheet: dict[str, Any]) -> dict[str, Any]:
    """The sheet says that it is signed, and proposes nothing any more."""
    words = SIGNED_WORDS.format(sheet["verdict"]["words"])
    return sheet | {
        "say": [{"text": words, "move": False}],
        "aside_head": "Take the record",
        "aside": "",
        "provisional": False,
        "move": None,
        "surprise": None,
    }


def frozen_sheet(snapshot: Mapping[str, Any]) -> dict[str, Any]:
    """The signed sheet in the present shape."""
    sheet = deepcopy(dict(snapshot["sheet"]))
    for edition in range(edition_of(snapshot), EDITION):
        sheet = _SHAPES[edition](sheet)
    return sheet


def _from_first(sheet: dict[str, Any]) -> dict[str, Any]:
    """Edition 1 called its drawing a strip, knew one layout and kept the sentence from before signing."""
    sheet["layout"] = "bench"
    for cell in sheet["cells"]:
        cell |= {"options": [], "axes": {}}
    sheet["outcome"]["instruct"] = sheet["outcome"].pop("next_sentence", "")
    for scene in (*sheet["scenes"], *sheet["outcome"].get("scenes", ())):
        if scene["type"] == "strip":
            scene["type"] = "readout"
        if scene["type"] == "log":
            scene.setdefault("label", "")
    return as_signed(sheet)


_SHAPES: dict[int, Callable[[dict[str, Any]], dict[str, Any]]] = {1: _from_first}
"""How the sheet of an edition becomes one of the next."""


def shown_sheet(loaded: LoadedSetting) -> dict[str, Any]:
    """What is shown of a setting: signed and untouched since, its snapshot; else as it stands."""
    signature = loaded.log.signature
    if signature is not None and loaded.signed:
        return frozen_sheet(signature.snapshot)
    return loaded.judged.dumped


def first_readout(sheet: Mapping[str, Any]) -> dict[str, Any] | None:
    """The strip of the first quantity of a shown sheet."""
    found: dict[str, Any] | None = next((s for s in sheet["scenes"] if s["type"] == "readout"), None)
    return found


def value_words(sheet: Mapping[str, Any]) -> str:
    """The value that a shown sheet's first strip says, empty if none was read."""
    shown = first_readout(sheet)
    needle = shown["needle"] if shown else None
    return f"{needle['label']} {needle['give_label']}" if needle else ""


def left_words(sheet: Mapping[str, Any]) -> str:
    """What a signed sheet's own drawings say was left, where the signature does not say it in words."""
    packs = [f"pack {s['now_label']}" for s in sheet["scenes"] if s["type"] == "pack"]
    return "; ".join(w for w in (value_words(sheet), *packs) if w) or "not held by this signature"
