"""The way back: the fewest steps to take apart to reach a part, what that spoils and the hands it costs."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from bornek.core.build.findings.joints import takes_sealant
from bornek.core.build.order import BuildOrder
from bornek.core.build.player import hours
from bornek.core.phrases import count_words, lower_first

CLEANING = 10.0
"""Hands to clean one joint of old sealant [min]."""


@dataclass(frozen=True)
class WayBack:
    """`steps` to take apart, in this order. `spoils` in words; `read_again` keys of settings; `minutes` of hands
    to take apart and put back, joints cleaned. `through`: the opening that is taken."""

    steps: tuple[str, ...]
    through: str
    spoils: tuple[str, ...]
    read_again: tuple[str, ...]
    minutes: float


def way_back(order: BuildOrder, parts: Iterable[str]) -> WayBack | None:
    """The cheapest way to reach some parts; None when nothing that is in stands in their way.

    Where several openings lead to one, the one that costs the least hands is taken.

    >>> from bornek.core.build.order import build_order
    >>> from bornek.core.units.definition import Definition
    >>> way_back(build_order(Definition(), []), ["c"]) is None
    True
    """
    off: set[str] = set()
    through: list[str] = []
    for part in parts:
        off |= _reach(order, part, off, through)
    if not off:
        return None
    steps = tuple(reversed([k for k in order.worked.done if k in off]))
    return WayBack(steps, " and ".join(dict.fromkeys(through)), *_price(order, steps))


def way_back_to(order: BuildOrder, step: str) -> WayBack:
    """To undo one step that was worked: whatever stands on it comes off first."""
    off = {step}
    through: list[str] = []
    for part in order.by_key[step].step.parts if step in order.by_key else ():
        off |= _reach(order, part, off, through)
    for need in order.needs:
        if need.before in off and need.rule == "typed" and order.worked.in_place(need.after):
            off.add(need.after)
    steps = tuple(reversed([k for k in order.worked.done if k in off]))
    return WayBack(steps, " and ".join(dict.fromkeys(through)), *_price(order, steps))


def in_words(way: WayBack) -> str:
    """
    >>> in_words(WayBack(("a",), "cover", ("the gasket, new once more",), (), 70.0))
    '1 h 10 min of hands; spoiled: the gasket, new once more'
    """
    spoiled = f"; spoiled: {', '.join(way.spoils)}" if way.spoils else ""
    again = f"; {count_words(len(way.read_again), 'setting')} to be read again" if way.read_again else ""
    return f"{hours(way.minutes)} of hands{spoiled}{again}"


def price_of(order: BuildOrder, step: str) -> WayBack:
    """What it would cost to open one step again once it is closed."""
    return WayBack((step,), order.label(step), *_price(order, (step,)))


def _reach(order: BuildOrder, part: str, off: set[str], through: list[str]) -> set[str]:
    """Steps that must come off so that a part can be reached, those already off left out of the count."""
    need: set[str] = set()
    waiting = [part]
    seen: set[str] = set()
    while waiting:
        key = waiting.pop()
        if key in seen:
            continue
        seen.add(key)
        outer = [q for q, inner in order.behind.items() if key in inner]
        blocking = {order.final[q] for q in outer if _is_in(order, q)}
        opening = _cheapest_opening(order, key, off | need | blocking)
        if opening:
            blocking.add(opening)
            through.append(order.label(opening))
        for step in blocking - need - off:
            need.add(step)
            waiting += [q for q in order.by_key[step].step.parts if q not in seen]
    return need


def _is_in(order: BuildOrder, part: str) -> bool:
    return part in order.final and order.worked.in_place(order.final[part])


def _cheapest_opening(order: BuildOrder, part: str, off: set[str]) -> str:
    """Of an enclosure that is shut over a part, the closer that costs least; empty where none is, or one is open."""
    for e in order.enclosures:
        if part not in e.parts or e.ways_in or not e.closers:
            continue
        if not all(_is_in(order, k) for k in e.closers):
            continue
        steps = [order.final[k] for k in e.closers]
        if any(k in off for k in steps):
            continue
        return min(steps, key=lambda k: _cost(order, k, off))
    return ""


def _cost(order: BuildOrder, step: str, off: set[str]) -> float:
    """Hands to take one step apart and put it back, with what stands on its parts."""
    total, seen, waiting = 0.0, set(off), [step]
    while waiting:
        key = waiting.pop()
        if key in seen:
            continue
        seen.add(key)
        total += 2 * order.by_key[key].step.hands_minutes
        for part in order.by_key[key].step.parts:
            waiting += [
                order.final[q] for q, inner in order.behind.items() if part in inner and _is_in(order, q)
            ]
    return total


def _price(order: BuildOrder, steps: tuple[str, ...]) -> tuple[tuple[str, ...], tuple[str, ...], float]:
    spoils, again, minutes = [], [], 0.0
    places = {p.at: p.key for p in order.d.places if p.at}
    for key in steps:
        step = order.by_key[key].step if key in order.by_key else None
        if step is None:
            continue
        minutes += 2 * step.hands_minutes
        if takes_sealant(step):
            spoils.append(f"the sealant of {lower_first(step.label)}")
            minutes += CLEANING
        for part_key in step.parts:
            part = order.d.part(part_key)
            if part is None:
                continue
            if part.part_kind == "lock_washer":
                spoils.append(f"the folds of {lower_first(part.label)}")
            elif part.single_use:
                spoils.append(f"the {lower_first(part.label)}, new once more")
            place = places.get(part_key)
            again += [s.key for s in order.d.settings if s.place == place or place in s.rests_on]
        if step.setting:
            again.append(step.setting)
    signed = [k for k in dict.fromkeys(again) if k in order.signed]
    return tuple(dict.fromkeys(spoils)), tuple(signed), minutes
