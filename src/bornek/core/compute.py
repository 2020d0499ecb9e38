"""A setting computed from plain JSON, without a database: for the command line and the API."""

from __future__ import annotations

from typing import Any

from bornek.core.compute_input import CAUSES, MOST_IN_DRAWER, MOST_ROUNDS, check_top, read_bench
from bornek.core.door import a_mapping
from bornek.core.plain import dump
from bornek.core.settings.given import given_schema, read_given
from bornek.core.settings.kind import Setting
from bornek.core.settings.records import Context
from bornek.core.settings.registry import find_calculation
from bornek.core.sheet import make_sheet


def compute(kind_id: str, data: Any) -> dict[str, Any]:
    """Results, verdicts, working and next move of one setting.

    `data` follows `input_schema(kind)`. Raises InputError naming the field that does not hold.
    """
    kind = find_calculation(kind_id)
    data = check_top(data)
    unit = data.get("unit", "mm")
    given = read_given(kind, a_mapping(data.get("given"), "given"), unit)
    if not isinstance(kind, Setting):
        answer = kind.evaluate(Context(given=given, unit=unit))
        return {"kind": kind.id, "kind_version": kind.version, "outcome": dump(answer)}
    sheet: dict[str, Any] = dump(make_sheet(kind, read_bench(kind, given, data)))
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
                        "round": {"type": "integer", "minimum": 1, "maximum": MOST_ROUNDS},
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
                        "round": {"type": "integer", "minimum": 1, "maximum": MOST_ROUNDS},
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
                "additionalProperties": {"type": "integer", "minimum": 0, "maximum": MOST_IN_DRAWER},
            },
            "gauges": {"type": "array", "items": row},
            "gauge": {"type": "string"},
            "history": {"type": "array", "items": row | {"required": ["k", "se"]}},
            "explanations": {
                "type": "array",
                "items": row | {"properties": {"cause": {"enum": list(CAUSES)}}, "required": ["cause"]},
            },
            "school": {"type": "object"},
        },
        "required": ["given"],
        "additionalProperties": False,
    }
