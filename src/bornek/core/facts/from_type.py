"""The whole unit is to be built, whatever came off: every part of the type gets its step."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.facts.kind import FactKind
from bornek.core.facts.registry import register_fact


@dataclass(frozen=True)
class FromType:
    words: str = ""


@register_fact
class FromTypeKind(FactKind):
    key = "from_type"
    stage = "plan"
    body = FromType
