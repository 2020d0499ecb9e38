"""Short ways to write down shafts, parts, meshes and places."""

from __future__ import annotations

from typing import Any

Row = dict[str, Any]


def shaft(key: str, label: str, **more: Any) -> Row:
    return {"key": key, "label": label, **more}


def on(shaft_key: str, *parts: Row) -> list[Row]:
    """Parts in their order on a shaft, with the shaft itself."""
    return [{**p, "shaft": shaft_key} for p in parts]


def part(kind: str, key: str, label: str, **more: Any) -> Row:
    return {"key": key, "label": label, "kind": kind, **more}


def mesh(key: str, label: str, driver: str, driven: str, **more: Any) -> Row:
    return {"key": key, "label": label, "driver": driver, "driven": driven, **more}


def place(key: str, label: str, at: str, shim_form: str = "none", **more: Any) -> Row:
    return {"key": key, "label": label, "shim_form": shim_form, "at": at, **more}


def play(sense: str = "adds", torque: str = "", **more: Any) -> Row:
    return {"meant": "play", "sense": sense, "torque": torque} | more


def lever(key: str, label: str, dog: str, back: str = "", **positions: tuple[str, ...]) -> Row:
    """Positions by key: what it is called, then what it joins; `back`: the one that turns backward."""
    rows = [
        {"key": k, "label": name, "joins": list(joins), "back": k == back}
        for k, (name, *joins) in positions.items()
    ]
    return {"key": key, "label": label, "dog": dog, "positions": rows}


def limit(least: str, greatest: str, source: str, **more: Any) -> Row:
    return {"least": least, "greatest": greatest, "source": source} | more


def end_play(key: str, label: str, at: str, gauge: str, given: Row, *limits: Row, **more: Any) -> Row:
    return {"key": key, "label": label, "kind": "shim_pack_end_play", "place": at, "gauge": gauge,
            "given": given, "limits": list(limits), **more}  # fmt: skip
