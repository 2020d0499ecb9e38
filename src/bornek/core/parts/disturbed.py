"""What a fact disturbs: settings that were read on parts which are others now, or were taken apart since."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.facts.judged import Judged
from bornek.core.facts.kind import Fact
from bornek.core.facts.removed import Removed
from bornek.core.facts.went_back import WentBack
from bornek.core.fits.gone_hot import gone_hot
from bornek.core.parts.orders import OrderLine, order_lines, settings_touched
from bornek.core.parts.verdicts import NOT_AS_IT_IS, WORDS
from bornek.core.phrases import lower_first
from bornek.core.settings.records import EXCHANGED, TAKEN_APART
from bornek.core.settings.registry import measures_fit
from bornek.core.units.definition import Definition, Part
from bornek.core.units.part_kinds import POSITION

PLACES_OTHERS = POSITION | {"housing"}
"""Kinds of part that another of the same number does not leave where it was."""


@dataclass(frozen=True)
class Disturbance:
    """`settings`: keys of those that have to be read again; `act_kind` says whether the same parts go back.
    `here`: another part is here already. Before that, a reading that is out keeps its advice: what it says is to
    be done anyway."""

    part: str
    act_kind: str
    why: str
    settings: tuple[str, ...]
    here: bool = False


def disturbances(
    d: Definition, before: Sequence[Fact], after: Sequence[Fact], unit: str
) -> list[Disturbance]:
    """What changed for the settings of a unit between two states of what is written down.

    >>> d = Definition()
    >>> disturbances(d, [], [], "mm")
    []
    """
    found = []
    came_before, came = _came(d, before, unit), _came(d, after, unit)
    new_before, new = _new_ones(before), _new_ones(after)
    off_before, off = _taken_off(before), _taken_off(after)
    hot_before, hot = gone_hot(before), gone_hot(after)
    for part in d.parts:
        touched = tuple(s.key for s in settings_touched(d, part.key))
        if not touched:
            continue
        words, kind, here = "", EXCHANGED, False
        if came_before.get(part.key) != came.get(part.key):
            words, here = _came_words(part, came.get(part.key, ())), True
        elif new_before.get(part.key, "") != new.get(part.key, "") and _places_others(part):
            words = f"{_the(part)} is judged: {WORDS[_verdict(after, part.key)]}"
            touched = tuple(s.key for s in settings_touched(d, part.key) if not measures_fit(s.kind))
        elif _places_others(part) and off.get(part.key, frozenset()) - off_before.get(part.key, frozenset()):
            words, kind = f"{_the(part)} was taken off", TAKEN_APART
        went = next((hot[f] for f in hot if f not in hot_before and hot[f].part == part.key), None)
        if not words and went is not None:
            words, kind = f"{_the(part)} went on hot: read it cold{went.cold}", TAKEN_APART
        if words:
            found.append(Disturbance(part.key, kind, words, touched, here))
    return found


def other_serial(d: Definition, part_key: str, was: str, serial: str) -> Disturbance | None:
    """A part with a serial of its own is another one now."""
    touched = tuple(s.key for s in settings_touched(d, part_key))
    part = d.part(part_key)
    if part is None or not touched or was == serial:
        return None
    words = f"{_the(part)} is serial {serial} now, it was {was}"
    return Disturbance(part_key, EXCHANGED, words, touched, here=True)


def _the(part: Part) -> str:
    return f"the {lower_first(part.label)}"


def _places_others(part: Part) -> bool:
    return part.part_kind in PLACES_OTHERS


def _came(d: Definition, facts: Sequence[Fact], unit: str) -> dict[str, tuple[OrderLine, ...]]:
    """What came for each part that is not just as wide as the old one."""
    found: dict[str, tuple[OrderLine, ...]] = {}
    for line in order_lines(d, facts, unit):
        part = d.part(line.part)
        uncompared = line.state == "received" and line.wider_mm is None
        if part and ((uncompared and _places_others(part)) or line.read_again):
            found[line.part] = (*found.get(line.part, ()), line)
    return found


def _came_words(part: Part, lines: Sequence[OrderLine]) -> str:
    if not lines:
        return f"what was written of the new {lower_first(part.label)} was changed"
    return f"{_the(part)} is new ({lines[-1].words})"


def _new_ones(facts: Sequence[Fact]) -> dict[str, str]:
    """Parts that do not go back as they are; one not judged yet stands as it was."""
    judged = {f.body.part: f.body.verdict for f in facts if isinstance(f.body, Judged)}
    return {part: "new" for part, verdict in judged.items() if verdict in NOT_AS_IT_IS}


def _verdict(facts: Sequence[Fact], part: str) -> str:
    found = [f.body.verdict for f in facts if isinstance(f.body, Judged) and f.body.part == part]
    return found[-1] if found else ""


def _taken_off(facts: Sequence[Fact]) -> dict[str, frozenset[str]]:
    off: dict[str, frozenset[str]] = {}
    for fact in facts:
        if isinstance(fact.body, Removed):
            off[fact.body.part] = off.get(fact.body.part, frozenset()) | {fact.id}
        elif isinstance(fact.body, WentBack) and fact.body.why == "taken_apart":
            for part in fact.body.parts:
                off[part] = off.get(part, frozenset()) | {fact.id}
    return off
