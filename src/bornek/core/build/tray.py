"""The tray: what is still on the bench, where it belongs, and which coming step shuts it out."""

from __future__ import annotations

from collections import Counter
from collections.abc import Mapping
from dataclasses import dataclass

from bornek.core.build.enclosures import Enclosure
from bornek.core.build.gather import Planned, out_of_unit, whole_of
from bornek.core.build.needs import SEALS, seat_of
from bornek.core.build.order import BuildOrder
from bornek.core.facts.need_judged import NeedJudged


@dataclass(frozen=True)
class ShutOut:
    """`step` shuts `parts` out: they are still on the tray after it. `typed`: the definition or a mechanic says so,
    else it rests on the section alone. `by`: what closes, in words."""

    step: str
    parts: tuple[str, ...]
    by: str
    typed: bool
    enclosure: str = ""


@dataclass(frozen=True)
class TrayItem:
    """`step` puts it in (empty: none does); `shut_by` would shut it out; `trapped`: it comes before it goes in."""

    part: str
    label: str
    count: int
    where: str
    step: str
    shut_by: str
    trapped: bool


def still_out(order: BuildOrder) -> dict[str, int]:
    """How many of each part are not in for good yet."""
    left = Counter(_expected(order))
    for p in order.steps:
        if p.step.fit == "final" and order.worked.in_place(p.key):
            for part, n in whole_of(order.d, p):
                left[part.key] -= n
    return {key: n for key, n in left.items() if n > 0}


def _expected(order: BuildOrder) -> dict[str, int]:
    """What has to go in: what is out of the unit, and what a step takes besides."""
    need = Counter(out_of_unit(order.d, order.facts))
    planned: Counter[str] = Counter()
    for p in order.steps:
        if p.step.fit == "final":
            for part, n in whole_of(order.d, p):
                planned[part.key] += n
    return {key: max(need[key], planned[key]) for key in need.keys() | planned.keys()}


def shut_outs(order: BuildOrder) -> list[ShutOut]:
    """Walks the sequence: after each step that goes in for good, what can no longer be reached."""
    left = dict(_expected(order))
    shut: set[str] = set()
    behind = behind_of(order)
    found = []
    inside: set[str] = set()
    worked: set[str] = set()
    for p in order.steps:
        worked.add(p.key)
        if p.step.fit != "final" or not _goes_in(order, p):
            continue
        for part, n in whole_of(order.d, p):
            left[part.key] = left.get(part.key, 0) - n
            inside.add(part.key)
        for e in order.enclosures:
            if e.key in shut or not _closed(e, inside, worked):
                continue
            shut.add(e.key)
            trapped = _standing(order, p, [k for k in e.parts if left.get(k, 0) > 0])
            if trapped and not e.ways_in:
                typed = e.typed or _confirmed(order, p.key, trapped)
                found.append(ShutOut(p.key, trapped, e.label, typed, e.key))
        trapped = _standing(
            order, p, [k for q in p.step.parts for k in behind.get(q, ()) if left.get(k, 0) > 0]
        )
        named = {k for s in found if s.step == p.key for k in s.parts}
        fresh = tuple(k for k in dict.fromkeys(trapped) if k not in named)
        if fresh:
            found.append(ShutOut(p.key, fresh, order.label(p.key), _confirmed(order, p.key, fresh)))
    return _first_of_each(found)


def _goes_in(order: BuildOrder, p: Planned) -> bool:
    """A skipped step puts nothing in."""
    return p.key not in order.worked.done or order.worked.in_place(p.key)


def _closed(e: Enclosure, inside: set[str], worked: set[str]) -> bool:
    return all(k in inside for k in e.closers) and all(k in worked for k in e.also)


def _standing(order: BuildOrder, p: Planned, parts: list[str]) -> tuple[str, ...]:
    """Without those of which a mechanic said that it does not shut them out."""
    overruled = {
        f.body.before
        for f in order.facts
        if isinstance(f.body, NeedJudged) and f.body.after == p.key and not f.body.holds
    }
    return tuple(k for k in parts if order.final.get(k, f"part:{k}") not in overruled)


def _confirmed(order: BuildOrder, step: str, parts: tuple[str, ...]) -> bool:
    said = {
        f.body.before
        for f in order.facts
        if isinstance(f.body, NeedJudged) and f.body.after == step and f.body.holds
    }
    return any(order.final.get(k, f"part:{k}") in said for k in parts)


def _first_of_each(found: list[ShutOut]) -> list[ShutOut]:
    """Each part under the first step that shuts it out."""
    seen: set[str] = set()
    kept = []
    for s in found:
        parts = tuple(k for k in s.parts if k not in seen)
        seen.update(parts)
        if parts:
            kept.append(ShutOut(s.step, parts, s.by, s.typed, s.enclosure))
    return kept


def behind_of(order: BuildOrder) -> Mapping[str, tuple[str, ...]]:
    """For each part of a shaft with a known seat: the parts nearer to the seat on its side."""
    found: dict[str, tuple[str, ...]] = {}
    for shaft in order.d.shafts:
        seat = seat_of(order.d, shaft)
        if seat is None or shaft.built == "threaded":
            continue
        row = order.d.on(shaft.key)
        for side in (row[seat:], row[seat::-1]):
            solid = [p.key for p in side if p.part_kind not in SEALS]
            for n, key in enumerate(solid):
                found[key] = (*found.get(key, ()), *solid[:n])
    return found


def tray(order: BuildOrder) -> list[TrayItem]:
    """What lies on the bench in the order in which it goes in, what no step takes last."""
    shutting = {part: s.step for s in shut_outs(order) for part in s.parts}
    closing = _closing(order)
    left = still_out(order)
    steps: dict[str, str] = {}
    for p in order.steps:
        if p.step.fit == "final" and not order.is_done(p.key):
            for key in p.step.parts:
                steps.setdefault(key, p.key)
    items = []
    for key, n in left.items():
        part = order.d.part(key)
        if part is None:
            continue
        place = order.d.place(part.inside)
        shaft = next((s.label for s in order.d.shafts if s.key == part.shaft), "")
        items.append(
            TrayItem(
                part=key,
                label=part.label,
                count=n,
                where=place.label if place else shaft,
                step=steps.get(key, ""),
                shut_by=shutting.get(key, closing.get(key, "")),
                trapped=key in shutting,
            )
        )
    last = len(order.steps) + 1
    return sorted(items, key=lambda i: order.number.get(i.step, last))


def _closing(order: BuildOrder) -> dict[str, str]:
    """The coming step that closes over each part, whether or not it would trap it."""
    found: dict[str, str] = {}
    for need in order.needs:
        if need.rule in ("sandwich", "cover", "threaded"):
            planned = order.by_key[need.before]
            for part in planned.step.parts:
                now = found.get(part)
                if now is None or order.number[need.after] < order.number[now]:
                    found[part] = need.after
    return found
