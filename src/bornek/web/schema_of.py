"""OpenAPI schemas from the dataclasses in which the application is shown."""

from __future__ import annotations

import dataclasses
import types
import typing
from collections.abc import Mapping
from datetime import datetime
from typing import Any, Literal, Union

from bornek.core.plain import TAGS, called

SIMPLE: dict[Any, dict[str, Any]] = {
    str: {"type": "string"}, int: {"type": "integer"}, float: {"type": "number"},
    bool: {"type": "boolean"}, type(None): {"type": "null"}, datetime: {"type": "string"},
}  # fmt: skip


class Schemas:
    """Collects component schemas by class name; `of(type)` gives a schema or a reference."""

    def __init__(self) -> None:
        self.components: dict[str, dict[str, Any]] = {}
        self._kinds: dict[str, type] = {}

    def of(self, kind: Any) -> dict[str, Any]:
        if kind in SIMPLE:
            return dict(SIMPLE[kind])
        if dataclasses.is_dataclass(kind) and isinstance(kind, type):
            return self._component(kind)
        origin, args = typing.get_origin(kind), typing.get_args(kind)
        if origin is Literal:
            return {"enum": list(args), "type": "string" if isinstance(args[0], str) else "integer"}
        if origin in (Union, types.UnionType):
            return {"anyOf": [self.of(a) for a in args]}
        if origin in (tuple, list, frozenset):
            return {"type": "array", "items": self.of(args[0]) if args else {}}
        if origin in (dict, Mapping) or (isinstance(origin, type) and issubclass(origin, Mapping)):
            return {"type": "object", "additionalProperties": self.of(args[1])}
        return {}

    def _component(self, kind: type) -> dict[str, Any]:
        reference = {"$ref": f"#/components/schemas/{kind.__name__}"}
        if self._kinds.setdefault(kind.__name__, kind) is not kind:
            raise TypeError(f"Two shapes are called {kind.__name__}: rename one.")
        if kind.__name__ in self.components:
            return reference
        self.components[kind.__name__] = {}
        hints = typing.get_type_hints(kind)
        properties = {called(f): self.of(hints[f.name]) for f in dataclasses.fields(kind)}
        if kind.__name__ in TAGS:
            properties["type"] = {"const": TAGS[kind.__name__], "type": "string"}
        self.components[kind.__name__] = {
            "type": "object",
            "properties": properties,
            "required": sorted(properties),
            "additionalProperties": False,
        }
        return reference
