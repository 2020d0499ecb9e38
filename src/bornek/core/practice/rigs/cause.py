"""A cause of failure to be found: parts to look at, and under the cloth what did it."""

from __future__ import annotations

from collections.abc import Collection, Iterable, Mapping
from functools import cached_property
from itertools import combinations
from typing import Any

from bornek.core.parts.causes import TELLS, Cause, Seen, all_causes, book, diagnose
from bornek.core.patterns.pattern import begin
from bornek.core.phrases import lower_first
from bornek.core.practice.rigs.job_rig import JobRig
from bornek.core.practice.rigs.signs import LookPart, look_parts
from bornek.core.practice.score import LOOK_COSTS

FALSE_LEAD = "false_lead"
TELLING, FITTING = 0.9, 0.4
"""How often a sign is there that tells of the cause, and one that only fits it."""
DRAWS = 60
MOST_LOOKS = 5
COMPLAINTS = (
    "It got loud within a week, then it stopped.",
    "It ran hot, and the oil came out at the shaft.",
    "It does not turn any more.",
    "It shook since the last rebuild.",
)


class CauseRig(JobRig):
    """One cause, its signs where they are met; at some a sign of another cause lies among them."""

    sort = "cause"
    title = "Cause of failure"
    page = "inspect"
    slack = 0.45
    faults = (FALSE_LEAD,)

    def __init__(self, number: int) -> None:
        super().__init__(number)
        draws = (self._draw(i) for i in range(DRAWS))
        self.cause, self.signs = next(d for d in draws if proved(self._whole(d[1])) is d[0])

    def definition(self) -> dict[str, Any]:
        return {**begin("parallel-drive", {}), "settings": []}

    def complaint(self) -> str:
        return COMPLAINTS[int(len(COMPLAINTS) * self.stream.u(4))]

    def shown(self, part: LookPart) -> str:
        """What one meets there who looks, in words that do not say what it is evidence of."""
        met = [words for key, words in part.shows.items() if key in self.signs]
        return " ".join(met) or part.plain

    def looked(self, parts: Collection[str]) -> dict[str, Seen]:
        """What the one writes down who looked at these parts and read them rightly."""
        here = [p for p in look_parts() if p.key in parts]
        return {key: "seen" if key in self.signs else "absent" for p in here for key in p.shows}

    def best(self) -> float:
        return round(LOOK_COSTS * len(self.fewest), 1)

    @cached_property
    def fewest(self) -> tuple[str, ...]:
        """The fewest parts by which the cause is proved."""
        keys = [p.key for p in look_parts()]
        met = sorted(keys, key=lambda k: -self._tells(k))
        for n in range(1, MOST_LOOKS + 1):
            for some in combinations(met, n):
                if proved(self.looked(some)) is self.cause:
                    return some
        return tuple(keys)

    def first_told(self, order: Iterable[str]) -> str:
        """The part at which the cause was first proved, as they were looked at; empty: never."""
        done: list[str] = []
        for key in order:
            done.append(key)
            if proved(self.looked(done)) is self.cause:
                return key
        return ""

    def advice(self) -> list[str]:
        went = advised_looks(self)
        label = {p.key: p.label for p in look_parts()}
        named = proved(self.looked(went))
        return [
            *(f"Look at {lower_first(label[k])}" for k in went),
            f"Name it: {lower_first(named.label)}" if named else "Name nothing: it cannot be told",
        ]

    def _tells(self, key: str) -> int:
        part = next(p for p in look_parts() if p.key == key)
        return sum(self.cause.speaks.get(s, 0) for s in part.shows if s in self.signs)

    def _whole(self, signs: Collection[str]) -> dict[str, Seen]:
        return {key: "seen" if key in signs else "absent" for p in look_parts() for key in p.shows}

    def _draw(self, i: int) -> tuple[Cause, frozenset[str]]:
        causes = all_causes()
        cause = causes[int(len(causes) * self.stream.u(1, i))]
        signs: set[str] = set()
        for n, (key, weight) in enumerate(cause.speaks.items()):
            often = 1.0 if key in cause.needs else TELLING if weight >= TELLS else FITTING
            if self.stream.u(2, 64 * i + n) < often and _goes_with(key, signs):
                signs.add(key)
        if self.fault == FALSE_LEAD:
            others = [
                k
                for c in causes
                for k, w in c.speaks.items()
                if w >= TELLS and k not in cause.speaks and k not in cause.against and _goes_with(k, signs)
            ]
            signs.add(others[int(len(others) * self.stream.u(3, i))])
        return cause, frozenset(signs)


def pointed_to(looked: Mapping[str, Seen]) -> Cause | None:
    """The one cause that the evidence points to; None where it points to none, or to several."""
    leading = diagnose(looked).leading
    return next((c for c in all_causes() if len(leading) == 1 and c.key == leading[0]), None)


def proved(looked: Mapping[str, Seen]) -> Cause | None:
    """The cause that the evidence points to, where signs at two parts say so: one sign is no proof.

    >>> proved({"spun": "seen", "fretting": "seen"}) is None
    True
    >>> proved({"spun": "seen", "seat_loose": "seen"}).key
    'loose_seat'
    """
    cause = pointed_to(looked)
    if cause is None:
        return None
    seen = {k for k, v in looked.items() if v == "seen" and k in cause.speaks}
    places = [p for p in look_parts() if seen & set(p.shows)]
    return cause if len(places) > 1 else None


def advised_looks(rig: CauseRig) -> list[str]:
    """Looks where most could be told between the causes that are still in question, until one is proved."""
    went: list[str] = []
    keys = [p.key for p in look_parts()]
    while len(went) < len(keys):
        looked = rig.looked(went)
        if proved(looked):
            return went
        ranked = diagnose(looked).ranked
        among = {r.key for r in ranked[:3]} or {c.key for c in all_causes()}
        went.append(max((k for k in keys if k not in went), key=lambda k: _parts_them(k, among)))
    return went


def _parts_them(key: str, among: Collection[str]) -> float:
    """How much the signs at a part could lift one of these causes above the others."""
    part = next(p for p in look_parts() if p.key == key)
    causes = [c for c in all_causes() if c.key in among]
    pulls = [[c.speaks.get(s, 0) - 2 * (s in c.against) for c in causes] for s in part.shows]
    return sum(max(p) - min(p) if len(p) > 1 else max(p) for p in pulls)


def _goes_with(key: str, signs: Collection[str]) -> bool:
    """No two signs that one part cannot show at once."""
    return not any({key, s} == set(pair) for pair in book().apart for s in signs)
