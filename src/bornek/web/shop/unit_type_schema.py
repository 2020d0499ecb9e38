"""The JSON schema of a unit type's exchange file, from the core's own dataclasses."""

from __future__ import annotations

import json
from dataclasses import MISSING, Field, fields
from typing import Any

from bornek.core.plain import called
from bornek.core.units.definition import EDITION, Definition, Limit, Part, Place, SettingPoint, Shaft
from bornek.core.units.levers import Interlock, Lever, LeverPosition
from bornek.core.units.mesh import EccentricCover, Mesh, TimingMark
from bornek.core.units.part_kinds import PART_KINDS
from bornek.core.units.prove import Lubricant, OwnPoint, RunStage
from bornek.core.units.step import BuildStep
from bornek.services.shop.type_file import FORMAT
from bornek.web.schema_of import Schemas

ROWS: tuple[Any, ...] = (
    Definition, Shaft, Part, Mesh, Place, Limit, SettingPoint, BuildStep, Lever, LeverPosition, Interlock, TimingMark,
    EccentricCover, Lubricant, OwnPoint, RunStage,
)  # fmt: skip


def unit_type_schema() -> dict[str, Any]:
    """JSON schema (draft 2020-12); what has a default may be left out.

    >>> sorted(unit_type_schema()["$defs"]["Place"]["required"])
    ['key', 'label']
    """
    schemas = Schemas()
    schemas.of(Definition)
    for kind in ROWS:
        schemas.components[kind.__name__]["required"] = [called(f) for f in fields(kind) if _must_be_given(f)]
    schemas.components["Part"]["properties"]["kind"] = {"enum": list(PART_KINDS), "type": "string"}
    whole = {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        "title": "Bornek unit type",
        "type": "object",
        "properties": {
            "format": {"const": FORMAT},
            "edition": {"const": EDITION},
            "key": {"type": "string"},
            "name": {"type": "string"},
            "revision": {"type": "integer"},
            "definition": {"$ref": "#/$defs/Definition"},
        },
        "required": ["format", "edition", "key", "name", "definition"],
        "$defs": schemas.components,
    }
    moved: dict[str, Any] = json.loads(json.dumps(whole).replace("#/components/schemas/", "#/$defs/"))
    return moved


def _must_be_given(field: Field[Any]) -> bool:
    return field.default is MISSING and field.default_factory is MISSING
