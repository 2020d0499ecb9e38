"""Evidence of a cause, looked for."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, Literal

from bornek.core.errors import InputError
from bornek.core.facts.kind import FactKind
from bornek.core.facts.registry import register_fact
from bornek.core.parts.causes import all_evidence

if TYPE_CHECKING:
    from bornek.core.facts.about import About


@dataclass(frozen=True)
class EvidenceLooked:
    evidence: str
    seen: Literal["seen", "absent", "not looked"]
    part: str = ""
    words: str = ""


@register_fact
class EvidenceLookedKind(FactKind):
    key = "evidence"
    stage = "inspect"
    body = EvidenceLooked

    def check(self, body: EvidenceLooked, about: About) -> None:
        if body.evidence not in {e.key for e in all_evidence()}:
            raise InputError(f"No evidence {body.evidence!r} is known.", field="evidence")
