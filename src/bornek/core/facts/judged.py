"""The verdict gone by for a part."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from bornek.core.facts.kind import FactKind
from bornek.core.facts.registry import register_fact

if TYPE_CHECKING:
    from bornek.core.facts.about import About


@dataclass(frozen=True)
class Judged:
    """The verdict gone by; `words`: the reason where the school wants one."""

    part: str
    verdict: str
    words: str = ""


@register_fact
class JudgedKind(FactKind):
    key = "judged"
    stage = "inspect"
    body = Judged
    disturbs = True
    must_say = ("part",)

    def check(self, body: Judged, about: About) -> None:
        about.judge(body)
