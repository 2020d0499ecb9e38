"""Something that was only on the bench gets its name: tag, serial, and if there is one its unit type."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.units.definition import Definition

UNNAMED = "not named yet"
"""The serial of a unit that was begun on the bench."""


@dataclass(frozen=True)
class Named:
    """`was` and `now` as tag, name and serial; `unit_type` the type's name and `setting` what the setting is called
    there, empty where it has none."""

    was: str
    now: str
    unit_type: str = ""
    setting: str = ""
    words: str = ""


@register_fact
class NamedKind(FactKind):
    key = "named"
    stage = "job"
    body = Named
    own_act = "A unit is named by its own act: use Name it on Receive."

    def words(self, body: Named) -> str:
        kind = f", {body.unit_type}" if body.unit_type else ""
        setting = f"; the setting is its {body.setting}" if body.setting else ""
        why = f" ({body.words})" if body.words else ""
        return f"{body.now}{kind}{setting}; it was {body.was}{why}"

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        return RecordLine("named", "Named", self.words(fact.body), fact.by)
