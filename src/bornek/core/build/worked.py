"""What was worked already: the steps that are in, when, by whom, and what was taken back."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field

from bornek.core.facts.bolts_tight import BoltsTight
from bornek.core.facts.clock_begun import ClockBegun
from bornek.core.facts.kind import Fact
from bornek.core.facts.removed import Removed
from bornek.core.facts.seen_right import SeenRight
from bornek.core.facts.step_worked import StepWorked
from bornek.core.facts.went_back import WentBack


@dataclass(frozen=True)
class Done:
    """One step as it was worked. `seq` orders it among everything else of the job."""

    step: str
    how: str
    words: str
    by: str
    at: str
    seq: int
    fact: str


@dataclass(frozen=True)
class Worked:
    """`done` in the order in which it was worked; `clocks` when a wait or a sealant was begun, by (step, what);
    `bolts` how many were brought to their stage; `seen` what was looked at, by (step, what); `corrected` the seq at
    which a step was said to be written wrongly."""

    done: Mapping[str, Done] = field(default_factory=dict)
    clocks: Mapping[tuple[str, str], str] = field(default_factory=dict)
    bolts: Mapping[str, int] = field(default_factory=dict)
    seen: Mapping[tuple[str, str], tuple[bool, str, int]] = field(default_factory=dict)
    corrected: Mapping[str, int] = field(default_factory=dict)
    dry_again: tuple[str, ...] = ()
    """Steps once worked and taken apart again."""

    def in_place(self, step: str) -> bool:
        """Whether what the step puts in is in: a skipped one is not."""
        return step in self.done and self.done[step].how != "skipped"

    def right(self, step: str, what: str) -> bool | None:
        """What was seen; None while nobody looked."""
        found = self.seen.get((step, what))
        return found[0] if found else None


def read_worked(facts: Sequence[Fact]) -> Worked:
    """The facts of the bench, one after the other.

    >>> on = Fact("1", "step_worked", "", StepWorked("a"), by="Jun", seq=3)
    >>> off = Fact("2", "went_back", "", WentBack(("a",), "taken_apart"), seq=4)
    >>> list(read_worked([on]).done), list(read_worked([on, off]).done)
    (['a'], [])
    """
    done: dict[str, Done] = {}
    clocks: dict[tuple[str, str], str] = {}
    bolts: dict[str, int] = {}
    seen: dict[tuple[str, str], tuple[bool, str, int]] = {}
    corrected: dict[str, int] = {}
    apart: list[str] = []
    parts: dict[str, tuple[str, ...]] = {}
    for fact in facts:
        body = fact.body
        if isinstance(body, StepWorked):
            done.pop(body.step, None)
            parts[body.step] = body.parts
            done[body.step] = Done(body.step, body.how, body.words, fact.by, fact.at, fact.seq, fact.id)
        elif isinstance(body, Removed):
            _off_again(done, parts, body.part)
        elif isinstance(body, ClockBegun):
            clocks[body.step, body.what] = fact.at
        elif isinstance(body, BoltsTight):
            bolts[body.step] = body.turns
        elif isinstance(body, SeenRight):
            seen[body.step, body.what] = (body.right, body.words, fact.seq)
        elif isinstance(body, WentBack):
            for step in body.steps:
                was = done.pop(step, None)
                bolts.pop(step, None)
                for what in ("wait", "sealant"):
                    clocks.pop((step, what), None)
                for what in ("way_round", "hole", "hold"):
                    seen.pop((step, what), None)
                if body.why == "written_wrongly":
                    corrected[step] = fact.seq
                elif was is not None:
                    apart.append(step)
    return Worked(done, clocks, bolts, seen, corrected, tuple(apart))


def _off_again(done: dict[str, Done], parts: Mapping[str, tuple[str, ...]], part: str) -> None:
    """A part logged as taken off after it went in is out again: so are the steps that put it in."""
    for step in [k for k in done if part in parts.get(k, ())]:
        del done[step]
