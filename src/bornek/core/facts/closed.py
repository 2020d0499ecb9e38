"""The job is closed."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.facts.kind import FactKind
from bornek.core.facts.registry import register_fact


@dataclass(frozen=True)
class Closed:
    words: str = ""


@register_fact
class ClosedKind(FactKind):
    key = "closed"
    stage = "job"
    body = Closed
    own_act = "A job is closed by its own act: use Close the job."
