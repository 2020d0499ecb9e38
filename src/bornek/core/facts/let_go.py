"""Baselines given up knowingly."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.facts.kind import FactKind
from bornek.core.facts.registry import register_fact


@dataclass(frozen=True)
class LetGo:
    """Baselines given up knowingly, with the reason."""

    items: tuple[str, ...]
    words: str


@register_fact
class LetGoKind(FactKind):
    key = "let_go"
    stage = "strip"
    body = LetGo
    must_say = ("words",)
