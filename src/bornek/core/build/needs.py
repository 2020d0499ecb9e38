"""Which step comes before which, with the reason: typed needs, and those that the section proves."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from typing import Literal

from bornek.core.build.enclosures import Enclosure, enclosures
from bornek.core.build.gather import ORIGIN_WORDS, Planned
from bornek.core.facts.kind import Fact
from bornek.core.facts.need_judged import NeedJudged
from bornek.core.phrases import lower_first
from bornek.core.units.definition import Definition, Part, Shaft
from bornek.core.units.part_kinds import BEARINGS, GEARS

Rule = Literal["typed", "sandwich", "threaded", "cover", "seal", "setting", "dry"]
SEATS = GEARS | {"rotor", "drum"}
SEALS = frozenset({"seal", "felt"})
BUILT = (("outside", "outside, as one piece"), ("threaded", "threaded through in the case"))
GOES_IN = (("inside", "from inside"), ("outside", "from outside, last"))
ONTO = frozenset({"nut", "lock_washer", "snap_ring", "coupling", "pulley"})


@dataclass(frozen=True)
class Need:
    """`before` must be done before `after`. `reason` in words; `typed` holds until it is struck, any other until
    it is overruled. `confirmed`: a mechanic looked and it is so."""

    before: str
    after: str
    rule: Rule
    reason: str
    confirmed: bool = False

    @property
    def derived(self) -> bool:
        return self.rule not in ("typed", "dry")


@dataclass(frozen=True)
class Ask:
    """Something that the section alone cannot tell. `field` of the `row` of the definition answers it."""

    row: str
    field: str
    words: str
    options: tuple[tuple[str, str], ...] = ()


def final_steps(steps: Sequence[Planned]) -> dict[str, str]:
    """The one step that puts each part in for good; a part that several take in turn is left out.

    >>> from bornek.core.units.step import BuildStep
    >>> final_steps([Planned(BuildStep("a", "On", parts=("c",)), "own")])
    {'c': 'a'}
    """
    found: dict[str, str] = {}
    twice: set[str] = set()
    for p in steps:
        if p.step.fit != "final":
            continue
        for part in p.step.parts:
            if part in found:
                twice.add(part)
            found[part] = p.key
    return {part: key for part, key in found.items() if part not in twice}


def typed_needs(steps: Sequence[Planned]) -> list[Need]:
    """What a step says that it needs; and a dry fit comes before the same parts for good."""
    there = {p.key for p in steps}
    final = final_steps(steps)
    found = [
        Need(n, p.key, "typed", ORIGIN_WORDS[p.origin]) for p in steps for n in p.step.needs if n in there
    ]
    for p in steps:
        if p.step.fit == "dry":
            for key in dict.fromkeys(final[part] for part in p.step.parts if part in final):
                found.append(Need(p.key, key, "dry", "dry first, then for good"))
    return found


def derived_needs(d: Definition, steps: Sequence[Planned]) -> list[Need]:
    """What the section proves, each once, none that is typed already."""
    final = final_steps(steps)
    rank = {p.key: n for n, p in enumerate(steps)}
    settings = {p.step.setting: p.key for p in steps if p.step.setting}
    shut = enclosures(d)
    found: list[Need] = []
    for shaft in d.shafts:
        found += _along(d, shaft, final)
    for e in shut:
        found += _covered(d, e, final, rank, settings)
    found += _seals(d, final, settings)
    found += _measured(d, steps, settings)
    typed = {(n.before, n.after) for n in typed_needs(steps)}
    once: dict[tuple[str, str], Need] = {}
    for need in found:
        edge = (need.before, need.after)
        if need.before != need.after and edge not in typed:
            once.setdefault(edge, need)
    return list(once.values())


def judged(needs: Iterable[Need], facts: Sequence[Fact]) -> list[Need]:
    """The needs that stand: what was overruled is gone, what was confirmed says so."""
    verdict = judgements(facts)
    kept = []
    for need in needs:
        holds = verdict.get((need.before, need.after))
        if holds is False and need.rule != "dry":
            continue
        kept.append(replace(need, confirmed=True) if holds else need)
    return kept


def judgements(facts: Iterable[Fact]) -> dict[tuple[str, str], bool]:
    """What a mechanic said of needs, by before and after: it holds, or it does not."""
    return {(f.body.before, f.body.after): f.body.holds for f in facts if isinstance(f.body, NeedJudged)}


def behind_on_shafts(d: Definition) -> dict[str, tuple[str, ...]]:
    """For each part of a shaft with a known seat: the parts nearer to the seat on its side.

    >>> d = Definition(shafts=(Shaft("in", "input"),), parts=(Part("g", "Gear", "gear", shaft="in"),
    ...                Part("s", "Spacer", "spacer", shaft="in"), Part("b", "Bearing", "ball_bearing", shaft="in")))
    >>> behind_on_shafts(d)["b"]
    ('g', 's')
    """
    found: dict[str, tuple[str, ...]] = {}
    for shaft in d.shafts:
        seat = seat_of(d, shaft)
        if seat is None or shaft.built == "threaded":
            continue
        row = d.on(shaft.key)
        for side in (row[seat:], row[seat::-1]):
            solid = [p.key for p in side if p.part_kind not in SEALS]
            for n, key in enumerate(solid):
                found[key] = (*found.get(key, ()), *solid[:n])
    return found


def seat_of(d: Definition, shaft: Shaft) -> int | None:
    """Where on its shaft the others go on outward from: the part marked as seat, or the only gear.

    >>> d = Definition(shafts=(Shaft("in", "input"),), parts=(Part("b", "Bearing", "ball_bearing", shaft="in"),
    ...                Part("g", "Gear", "gear", shaft="in")))
    >>> seat_of(d, d.shafts[0])
    1
    """
    row = d.on(shaft.key)
    marked = [i for i, p in enumerate(row) if p.seat]
    if marked:
        return marked[0]
    gears = [i for i, p in enumerate(row) if p.part_kind in SEATS]
    return gears[0] if len(gears) == 1 else None


def asks(d: Definition, steps: Sequence[Planned]) -> list[Ask]:
    """What must be said before the section can prove more; nothing is asked of a shaft that is not built."""
    final = final_steps(steps)
    found = []
    for shaft in d.shafts:
        row = [p for p in d.on(shaft.key) if p.key in final]
        if len(row) < 2:
            continue
        if seat_of(d, shaft) is None and shaft.built != "threaded":
            words = f"Which part of {shaft.label} do the others go on outward from?"
            options = tuple((p.key, p.label) for p in d.on(shaft.key) if p.part_kind not in SEALS)
            found.append(Ask(shaft.key, "seat", words, options))
        own = any(p.part_kind == "shaft" and p.key in final for p in d.parts if p.shaft == shaft.key)
        gears = sum(p.part_kind in GEARS for p in d.on(shaft.key))
        if own and gears > 1 and not shaft.built:
            words = f"Is {shaft.label} built outside, or threaded through its parts in the case?"
            found.append(Ask(shaft.key, "built", words, BUILT))
    for part in d.parts:
        if part.part_kind in SEALS and part.key in final and not part.goes_in:
            words = f"{part.label}: does it go in from inside, or from outside as the last?"
            found.append(Ask(part.key, "goes_in", words, GOES_IN))
    return found


def _along(d: Definition, shaft: Shaft, final: Mapping[str, str]) -> list[Need]:
    """Sandwich: outward from the seat, the nearer goes on first; or threaded through what lies in the case."""
    row = [p for p in d.on(shaft.key) if p.part_kind not in SEALS]
    own = next((p for p in d.parts if p.shaft == shaft.key and p.part_kind == "shaft"), None)
    if shaft.built == "threaded":
        return _threaded(row, own, final)
    seat_at = seat_of(d, shaft)
    if seat_at is None:
        return []
    seat = d.on(shaft.key)[seat_at]
    at = row.index(seat)
    found = []
    for side in (row[at:], row[at::-1]):
        there = [p for p in side if p.key in final]
        for near, far in pairwise(there):
            why = f"{lower_first(near.label)} lies behind {lower_first(far.label)} on {shaft.label}"
            found.append(Need(final[near.key], final[far.key], "sandwich", why))
    if own is not None and own.key in final and shaft.built == "outside" and seat.key in final:
        why = f"{shaft.label} is built outside: its parts go onto the shaft"
        found.append(Need(final[own.key], final[seat.key], "sandwich", why))
    return found


def _threaded(row: Sequence[Part], own: Part | None, final: Mapping[str, str]) -> list[Need]:
    borne = [i for i, p in enumerate(row) if p.part_kind in BEARINGS]
    if own is None or own.key not in final or len(borne) < 2:
        return []
    inner, first, last = row[borne[0] + 1 : borne[-1]], row[: borne[0] + 1], row[borne[-1] :]
    found = [
        Need(
            final[p.key],
            final[own.key],
            "threaded",
            f"the shaft passes through {lower_first(p.label)} in the case",
        )
        for p in inner
        if p.key in final
    ]
    for side in (first[::-1], last):
        there = [own, *(p for p in side if p.key in final)]
        for near, far in pairwise(there):
            why = f"{lower_first(near.label)} lies behind {lower_first(far.label)}"
            found.append(Need(final[near.key], final[far.key], "sandwich", why))
    return found


def _covered(
    d: Definition,
    e: Enclosure,
    final: Mapping[str, str],
    rank: Mapping[str, int],
    settings: Mapping[str, str],
) -> list[Need]:
    """What lies inside goes in, and what is set there is signed, before the last that closes it."""
    closing = closing_steps(e, final, rank)
    if closing is None or e.ways_in:
        return []
    found = []
    for key in e.parts:
        if key in final and final[key] != closing:
            where = f"inside {e.label}" if e.typed else f"between the covers of {e.label}"
            why = f"{lower_first(d.label_of(key))} lies {where}"
            found.append(Need(final[key], closing, "cover", why))
    for key in e.settings:
        if key in settings and settings[key] != closing:
            label = next((s.label for s in d.settings if s.key == key), key)
            found.append(
                Need(settings[key], closing, "setting", f"{lower_first(label)} cannot be read after that")
            )
    return found


def closing_steps(e: Enclosure, final: Mapping[str, str], rank: Mapping[str, int]) -> str | None:
    """The step that shuts it: the last of those that put its closers in; None while one of them has no step."""
    steps = [final.get(key) for key in e.closers] + [key for key in e.also if key in rank]
    if not steps or any(key is None or key not in rank for key in steps):
        return None
    return max((key for key in steps if key), key=lambda key: rank[key])


def _seals(d: Definition, final: Mapping[str, str], settings: Mapping[str, str]) -> list[Need]:
    found = []
    for seal in d.parts:
        if seal.part_kind not in SEALS or seal.key not in final:
            continue
        mine = final[seal.key]
        if seal.goes_in == "inside":
            for p in _entering(d, seal):
                if p.key in final:
                    why = f"{lower_first(seal.label)} goes in from inside, before {lower_first(p.label)}"
                    found.append(Need(mine, final[p.key], "seal", why))
        elif seal.goes_in == "outside":
            for point in d.settings:
                place = d.place(point.place)
                shafts = {p.shaft for p in d.parts_at(place)} if place else set()
                if seal.shaft in shafts and point.key in settings:
                    why = f"{lower_first(seal.label)} goes in from outside, after {lower_first(point.label)} is signed"
                    found.append(Need(settings[point.key], mine, "seal", why))
    return found


def _entering(d: Definition, seal: Part) -> list[Part]:
    """What goes through a seal: what sits farther out on its shaft, and the shaft itself where no cover brings it."""
    row = d.on(seal.shaft)
    shaft = next((s for s in d.shafts if s.key == seal.shaft), None)
    seat = seat_of(d, shaft) if shaft else None
    found = [] if seal.inside else [p for p in d.parts if p.shaft == seal.shaft and p.part_kind == "shaft"]
    if seat is None:
        return found
    at = row.index(seal)
    outer = row[at + 1 :] if at > seat else row[:at]
    return [*found, *(p for p in outer if p.part_kind in ONTO)]


def _measured(d: Definition, steps: Sequence[Planned], settings: Mapping[str, str]) -> list[Need]:
    """A setting needs what it is read on: the part at its place and the bearings of its shaft, dry or for good."""
    first: dict[str, str] = {}
    for p in steps:
        if p.step.fit != "temporary":
            for key in p.step.parts:
                first.setdefault(key, p.key)
    found = []
    for point in d.settings:
        place = d.place(point.place)
        if place is None or point.key not in settings:
            continue
        at = d.parts_at(place)
        shafts = {p.shaft for p in at if p.shaft}
        read_on = {p.key for p in at} | {
            p.key for p in d.parts if p.shaft in shafts and p.part_kind in BEARINGS
        }
        why = f"{lower_first(point.label)} is read on it"
        mine = settings[point.key]
        found += [
            Need(first[key], mine, "setting", why)
            for key in sorted(read_on)
            if key in first and first[key] != mine
        ]
    return found
