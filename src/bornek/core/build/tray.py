"""The tray: what is still on the bench, where it belongs, and which coming step shuts it out."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.build.enclosures import Enclosure
from bornek.core.build.gather import Planned, out_of_unit, whole_of
from bornek.core.build.order import BuildOrder


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
    return {key: max(need[key], planned[key]) for key in planned | need}


def shut_outs(order: BuildOrder) -> list[ShutOut]:
    """Walks the sequence: after each step that goes in for good, what can no longer be reached."""
    left = dict(_expected(order))
    shut: set[str] = set()
    found = []
    inside: set[str] = set()
    worked: set[str] = set()
    closing = _by_closer(order.enclosures)
    for p in order.steps:
        worked.add(p.key)
        if p.step.fit != "final" or not _goes_in(order, p):
            continue
        for part, n in whole_of(order.d, p):
            left[part.key] = left.get(part.key, 0) - n
            inside.add(part.key)
        named: set[str] = set()
        for e in (e for key in (*p.step.parts, p.key) for e in closing.get(key, ())):
            if e.key in shut or not _closed(e, inside, worked):
                continue
            shut.add(e.key)
            trapped = _standing(order, p, [k for k in e.parts if left.get(k, 0) > 0])
            if trapped and not e.ways_in:
                typed = e.typed or _confirmed(order, p.key, trapped)
                found.append(ShutOut(p.key, trapped, e.label, typed, e.key))
                named.update(trapped)
        inner = [k for q in p.step.parts for k in order.behind.get(q, ()) if left.get(k, 0) > 0]
        fresh = tuple(k for k in dict.fromkeys(_standing(order, p, inner)) if k not in named)
        if fresh:
            found.append(ShutOut(p.key, fresh, order.label(p.key), _confirmed(order, p.key, fresh)))
    return _first_of_each(found)


def _by_closer(enclosures: Sequence[Enclosure]) -> dict[str, list[Enclosure]]:
    found: dict[str, list[Enclosure]] = {}
    for e in enclosures:
        for key in dict.fromkeys((*e.closers, *e.also)):
            found.setdefault(key, []).append(e)
    return found


def _goes_in(order: BuildOrder, p: Planned) -> bool:
    """A skipped step puts nothing in."""
    return p.key not in order.worked.done or order.worked.in_place(p.key)


def _closed(e: Enclosure, inside: set[str], worked: set[str]) -> bool:
    return all(k in inside for k in e.closers) and all(k in worked for k in e.also)


def _said(order: BuildOrder, part: str, step: str) -> bool | None:
    """What a mechanic said of whether a step shuts a part out; None if nobody did."""
    return order.said.get((order.final.get(part, f"part:{part}"), step))


def _standing(order: BuildOrder, p: Planned, parts: list[str]) -> tuple[str, ...]:
    """Without those of which a mechanic said that it does not shut them out."""
    return tuple(k for k in parts if _said(order, k, p.key) is not False)


def _confirmed(order: BuildOrder, step: str, parts: tuple[str, ...]) -> bool:
    return any(_said(order, k, step) for k in parts)


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
