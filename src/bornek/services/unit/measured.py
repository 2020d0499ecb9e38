"""What one setting measured in one job: found and left as numbers, from what was signed where it was."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from bornek.core.settings.kind import Result
from bornek.core.settings.records import EXCHANGED
from bornek.core.windows import AtMost, Interval, Normal, Value, Window
from bornek.services.setting.load_setting import LoadedSetting

MOVES = ("move", EXCHANGED)


@dataclass(frozen=True)
class Measured:
    """One quantity of a setting. `moved`: it was set anew; `signed`: it stays as it is."""

    key: str
    label: str
    quantity: str
    found: Value | None
    left: Value | None
    window: Window | None
    moved: bool
    signed: bool


def measured(loaded: LoadedSetting) -> list[Measured]:
    """Every target of a setting: a signed one as its signature holds it; else as it stands."""
    signature = loaded.log.signature
    first = {r.key: r.value for r in loaded.reckoning.outcome(1).results if r.role == "target"}
    if signature is not None and loaded.signed and "outcome" in signature.snapshot.get("sheet", {}):
        return _signed(signature.snapshot, first)
    moved = any(a.act_kind in MOVES for a in loaded.ctx.acts)
    return [_stands(r, first.get(r.key), moved) for r in loaded.reckoning.now.results if r.role == "target"]


def _stands(result: Result, found: Value | None, moved: bool) -> Measured:
    """In the middle of its rounds nothing is left yet."""
    left = result.value if result.verdict.code in ("in", "at_edge") or not moved else None
    return Measured(
        result.key,
        result.label,
        result.quantity,
        found,
        left,
        result.window,
        moved and left is not None,
        signed=False,
    )


def _signed(held: Mapping[str, Any], first: Mapping[str, Value | None]) -> list[Measured]:
    """A signature from before it held what was found has that from the log."""
    acts: Sequence[Mapping[str, Any]] = held.get("acts", ())
    kept = held.get("found", {})
    return [
        Measured(
            r["key"],
            r["label"],
            r["quantity"],
            read_value(kept[r["key"]]) if r["key"] in kept else first.get(r["key"]),
            read_value(r["value"]),
            read_window(r["window"]),
            any(a["kind"] in MOVES for a in acts),
            signed=True,
        )
        for r in held["sheet"]["outcome"]["results"]
        if r["role"] == "target"
    ]


def read_value(data: Mapping[str, Any] | None) -> Value | None:
    """A value as it is stored.

    >>> read_value({"type": "interval", "a": 0.04, "b": 0.05})
    Interval(a=0.04, b=0.05)
    """
    if data is None:
        return None
    if data["type"] == "interval":
        return Interval(data["a"], data["b"])
    return AtMost(data["c"]) if data["type"] == "at_most" else Normal(data["v"], data["u"])


def read_window(data: Mapping[str, Any] | None) -> Window | None:
    if data is None:
        return None
    return Window(data["lo"], data["hi"], data["source"], floor=data.get("floor"))
