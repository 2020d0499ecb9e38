"""A setting computed from plain JSON, without a database: for the command line and the API."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from bornek.core.errors import BornekError, InputError
from bornek.core.gauges import Gauge
from bornek.core.plain import dump
from bornek.core.quantities import parse, to_nm
from bornek.core.settings.given import given_schema, read_given
from bornek.core.settings.kind import Setting, Slot
from bornek.core.settings.knobs import Knob
from bornek.core.settings.records import (
    Act,
    Between,
    Choice,
    Confirm,
    Context,
    Entry,
    Explanation,
    Learned,
    Paint,
    Predicted,
    Raw,
    Scalar,
)
from bornek.core.settings.registry import find_calculation
from bornek.core.settings.state import State, read_state
from bornek.core.sheet import make_sheet

TOP = {"given", "entries", "acts", "stock", "gauges", "gauge", "history", "explanations", "unit",
       "school"}  # fmt: skip


def compute(kind_id: str, data: Any) -> dict[str, Any]:
    """Results, verdicts, working and next move of one setting.

    `data` follows `input_schema(kind)`. Raises InputError naming the field that does not hold.
    """
    kind = find_calculation(kind_id)
    if not isinstance(data, Mapping):
        raise InputError("The input must be a JSON object.", next_step="See `bornek kinds`.")
    unknown = set(data) - TOP
    if unknown:
        raise InputError(
            f"Unknown part {sorted(unknown)[0]!r}.",
            field=sorted(unknown)[0],
            next_step="Use: " + ", ".join(sorted(TOP)) + ".",
        )
    unit = data.get("unit", "mm")
    if unit not in ("mm", "thou"):
        raise InputError(f"unit must be mm or thou (got {unit!r}).", field="unit")
    given = read_given(kind, _object(data, "given"), unit)
    if not isinstance(kind, Setting):
        answer = kind.evaluate(Context(given=given, unit=unit))
        return {"kind": kind.id, "kind_version": kind.version, "outcome": dump(answer)}
    gauges = {g.id: g for g in (_gauge(row, i) for i, row in enumerate(_list(data, "gauges")))}
    chosen = str(data.get("gauge") or next(iter(gauges), ""))
    knobs = {k.key: k for k in kind.knobs(Context(given=given, unit=unit))}
    acts = tuple(_act(row, i, knobs, unit) for i, row in enumerate(_list(data, "acts")))
    rounds = [_whole(row, "round", 1) for row in _list(data, "entries")] + [a.round for a in acts]
    ctx = Context(
        given=given,
        acts=acts,
        gauges=gauges,
        gauge=chosen,
        unit=unit,
        round=max(rounds, default=1),
        stock=_stock(_object(data, "stock")),
        history=tuple(_learned(r) for r in _list(data, "history")),
        explanations=tuple(
            Explanation(_whole(r, "round", 1), str(r.get("cause", ""))) for r in _list(data, "explanations")
        ),
        school={str(k): str(v) for k, v in _object(data, "school").items()},
    )
    default = gauges[chosen].unit if chosen in gauges and gauges[chosen].quantity == "length" else unit
    for i, row in enumerate(_list(data, "entries")):
        entry = _entry(row, i, kind.guide(ctx.at(_whole(row, "round", 1))).slots, default)
        ctx = Context(**{**ctx.__dict__, "entries": (*ctx.entries, entry)})
    sheet: dict[str, Any] = dump(make_sheet(kind, ctx))
    return sheet


def input_schema(kind_id: str) -> dict[str, Any]:
    """The JSON schema of `compute`'s input for a kind."""
    kind = find_calculation(kind_id)
    row = {"type": "object"}
    return {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        "title": kind.title,
        "type": "object",
        "properties": {
            "unit": {"enum": ["mm", "thou"]},
            "given": given_schema(kind),
            "entries": {
                "type": "array",
                "items": row
                | {
                    "properties": {
                        "slot": {"type": "string"},
                        "round": {"type": "integer", "minimum": 1},
                        "text": {"type": "string"},
                        "value": {},
                        "confirmed": {"type": "boolean"},
                    },
                    "required": ["slot"],
                },
            },
            "acts": {
                "type": "array",
                "items": row
                | {
                    "properties": {
                        "round": {"type": "integer", "minimum": 1},
                        "states": {
                            "type": "object",
                            "description": "by adjuster: a list of shims in mm, {left, right} of them, or a position",
                        },
                    },
                    "required": ["states"],
                },
            },
            "stock": {
                "type": "object",
                "description": "shim thickness in mm: count",
                "additionalProperties": {"type": "integer"},
            },
            "gauges": {"type": "array", "items": row},
            "gauge": {"type": "string"},
            "history": {"type": "array", "items": row},
            "explanations": {"type": "array", "items": row},
            "school": {"type": "object"},
        },
        "required": ["given"],
        "additionalProperties": False,
    }


def read_raw(slot: Slot, raw: Any, default_unit: str) -> Raw:
    """What was typed or sent for a slot → its raw value. Texts are parsed as spoken."""
    if slot.accepts == "confirm":
        if not isinstance(raw, bool):
            raise InputError(f"{slot.label} is answered yes or no (true or false).", field=slot.key)
        return Confirm(raw)
    if slot.accepts == "choice":
        if raw not in dict(slot.options):
            raise InputError(f"{slot.label}: choose one of {', '.join(dict(slot.options))}.", field=slot.key)
        return Choice(str(raw))
    if slot.accepts == "paint":
        if not isinstance(raw, Mapping) or not isinstance(raw.get("mask"), list):
            raise InputError(f"{slot.label} needs a flank and a mask of shares.", field=slot.key)
        mask = tuple(tuple(float(x) for x in row) for row in raw["mask"])
        return Paint(str(raw.get("flank", "drive")), mask)
    if slot.accepts == "between":
        return _between(slot, raw, default_unit)
    return Scalar(_number(slot, raw, default_unit))


def _number(slot: Slot, raw: Any, default_unit: str) -> float:
    if isinstance(raw, str):
        unit = default_unit if slot.quantity == "length" else None
        return parse(raw, slot.quantity, unit).value
    if isinstance(raw, int | float) and not isinstance(raw, bool):
        return float(raw)
    raise InputError(
        f"{slot.label} needs a number (got {raw!r}).", field=slot.key, next_step="Type the reading."
    )


def _between(slot: Slot, raw: Any, default_unit: str) -> Between:
    parts: Any = raw
    if isinstance(raw, str):
        parts = raw.split(" / ") if " / " in raw else raw.replace("/", " ").split()
    if not isinstance(parts, list | tuple) or len(parts) != 2:
        raise InputError(
            f"{slot.label} needs two blades: the largest that goes and the smallest that does not.",
            field=slot.key,
            next_step="Type them with a space: 0.09 0.10.",
        )
    lo, hi = (_number(slot, p, default_unit) for p in parts)
    if lo >= hi:
        raise InputError(
            f"{slot.label}: the blade that goes must be thinner than the one that does not.", field=slot.key
        )
    return Between(lo, hi)


def _entry(row: Mapping[str, Any], i: int, slots: tuple[Slot, ...], unit: str) -> Entry:
    slot = next((s for s in slots if s.key == row.get("slot")), None)
    if slot is None:
        known = ", ".join(s.key for s in slots)
        raise InputError(
            f"entries[{i}]: no station {row.get('slot')!r}.",
            field=f"entries[{i}].slot",
            next_step=f"Stations now: {known}.",
        )
    raw = row.get("text", row.get("value"))
    try:
        value = read_raw(slot, raw, unit)
    except BornekError as error:
        error.field = f"entries[{i}]"
        raise
    return Entry(
        id=str(row.get("id", i)),
        slot=slot.key,
        raw=value,
        round=_whole(row, "round", 1),
        gauge=str(row.get("gauge", "")),
        as_typed=str(raw),
        confirmed=row.get("confirmed") is True,
        seq=i,
    )


def _act(row: Mapping[str, Any], i: int, knobs: Mapping[str, Knob], unit: str) -> Act:
    states = {}
    for key, raw in _object(row, "states").items():
        if key not in knobs:
            raise InputError(
                f"There is no adjuster {key!r} here.",
                field=f"acts[{i}].states",
                next_step="Adjusters: " + (", ".join(knobs) or "none") + ".",
            )
        states[key] = read_knob(knobs[key], raw, unit, f"acts[{i}].states")
    return Act(
        id=str(row.get("id", i)),
        round=_whole(row, "round", 1),
        act_kind=str(row.get("kind", "move")),
        states=states,
        predicted=_predicted(row.get("predicted"), i),
        seq=i,
    )


def read_knob(knob: Knob, raw: Any, unit: str, field: str = "states") -> State:
    """What was typed or sent for one adjuster, in the job's unit where it names none."""
    return read_state(knob.domain.sort, raw, unit, knob.unit, knob.domain.step, field)


def _predicted(sent: Any, i: int) -> dict[str, Predicted]:
    """{"v", "u"} of the only row, or the same by row."""
    if sent is None:
        return {}
    rows = {"": sent} if isinstance(sent, Mapping) and "v" in sent else sent
    try:
        return {str(key): Predicted(float(p["v"]), float(p["u"])) for key, p in rows.items()}
    except (AttributeError, KeyError, TypeError, ValueError) as error:
        raise InputError(
            "predicted needs v and u as numbers, by row where there are several.",
            field=f"acts[{i}].predicted",
        ) from error


def _gauge(row: Mapping[str, Any], i: int) -> Gauge:
    allowed = {
        "id",
        "name",
        "unit",
        "division",
        "interpolation",
        "calibration_u",
        "quantity",
        "due",
        "overdue",
    }
    if set(row) - allowed:
        raise InputError(
            f"gauges[{i}] has unknown parts.",
            field=f"gauges[{i}]",
            next_step="Use: " + ", ".join(sorted(allowed)) + ".",
        )
    try:
        return Gauge(**{"id": str(i), "name": f"gauge {i}", **row})
    except TypeError as error:
        raise InputError(f"gauges[{i}]: {error}.", field=f"gauges[{i}]") from error


def _learned(row: Mapping[str, Any]) -> Learned:
    try:
        return Learned(str(row.get("setting", "")), float(row["k"]), float(row["se"]))
    except (KeyError, TypeError, ValueError) as error:
        raise InputError("history needs k and se as numbers.", field="history") from error


def _stock(raw: Mapping[str, Any]) -> dict[int, int]:
    stock = {}
    for thickness, count in raw.items():
        if not isinstance(count, int) or isinstance(count, bool):
            raise InputError(f"stock[{thickness}] must be a whole count.", field="stock")
        stock[to_nm(parse(str(thickness)).value)] = count
    return stock


def _object(data: Mapping[str, Any], key: str) -> Mapping[str, Any]:
    value = data.get(key) or {}
    if not isinstance(value, Mapping):
        raise InputError(f"{key} must be an object.", field=key)
    return value


def _list(data: Mapping[str, Any], key: str) -> list[Mapping[str, Any]]:
    value = data.get(key) or []
    if not isinstance(value, list) or not all(isinstance(row, Mapping) for row in value):
        raise InputError(f"{key} must be a list of objects.", field=key)
    return value


def _whole(row: Mapping[str, Any], key: str, default: int) -> int:
    value = row.get(key, default)
    if not isinstance(value, int) or isinstance(value, bool) or not 1 <= value <= 500:
        raise InputError(f"{key} must be a whole number from 1 to 500 (got {value!r}).", field=key)
    return value
