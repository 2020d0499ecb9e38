"""Orders and send-outs: what is out, what is late, what came, and what its size disturbs."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.facts.kind import Fact
from bornek.core.facts.ordered import Ordered
from bornek.core.facts.promised import Promised
from bornek.core.facts.received import Received
from bornek.core.quantities import Speech, parse
from bornek.core.settings.registry import measures_fit
from bornek.core.units.definition import Definition, SettingPoint

SAME_MM = 0.0015


@dataclass(frozen=True)
class OrderLine:
    """`read_again`: labels of settings that the new part's size disturbs; `wider_mm` than the old one, None where
    it was not compared."""

    id: str
    part: str
    label: str
    what: str
    number: str
    count: int
    supplier: str
    promised: str
    state: str
    words: str
    read_again: tuple[str, ...] = ()
    by: str = ""
    wider_mm: float | None = None


def order_lines(d: Definition, facts: Sequence[Fact], unit: str) -> list[OrderLine]:
    """Every order of a job with its newest promise and what came of it.

    >>> f = Fact("o1", "ordered", "b", Ordered("b", "order", "TB-3007", "Yard store", promised="2026-11-30"))
    >>> order_lines(Definition(), [f], "mm")[0].state
    'ordered'
    """
    lines = []
    for fact in facts:
        if not isinstance(fact.body, Ordered):
            continue
        order = fact.body
        later = [f.body.promised for f in facts if isinstance(f.body, Promised) and f.body.order == fact.id]
        came = next((f.body for f in facts if isinstance(f.body, Received) and f.body.order == fact.id), None)
        words, again = _received(d, order, came, unit) if came else (order.words, ())
        compared = came is not None and came.width_old and came.width_new
        lines.append(
            OrderLine(
                id=fact.id,
                part=order.part,
                label=d.label_of(order.part) or order.part,
                what=order.what,
                number=order.number,
                count=order.count,
                supplier=order.supplier,
                promised=later[-1] if later else order.promised,
                state="received" if came else "sent out" if order.what == "send_out" else "ordered",
                words=words,
                read_again=again,
                by=fact.by,
                wider_mm=width_difference_mm(came, unit) if came and compared else None,
            )
        )
    return lines


def _received(d: Definition, order: Ordered, came: Received, unit: str) -> tuple[str, tuple[str, ...]]:
    """What came, in words, and the settings to be read again."""
    words = []
    if came.number and came.number != order.number:
        words.append(f"came as {came.number}, not {order.number}")
    again: tuple[str, ...] = ()
    if came.width_old and came.width_new:
        difference = width_difference_mm(came, unit)
        say = Speech(unit)
        if abs(difference) > SAME_MM:
            again = tuple(s.label for s in settings_touched(d, order.part))
            wider = "wider" if difference > 0 else "narrower"
            words.append(
                f"{say.number(abs(difference))} {say.unit} {wider} than the old one: the pack changes with it"
            )
        else:
            words.append("same width as the old one")
    else:
        words.append("width not compared with the old one")
    if came.words:
        words.append(came.words)
    return "; ".join(words), again


def width_difference_mm(came: Received, unit: str) -> float:
    new, old = (parse(text, "length", unit).value for text in (came.width_new, came.width_old))
    return round(new - old, 6)


def settings_touched(d: Definition, part_key: str) -> list[SettingPoint]:
    """Settings that rest on the shaft of a part, or on a mesh of that shaft: its width moves them. All rest on
    the housing. A measured fit rests on its own part alone.

    >>> settings_touched(Definition(), "b")
    []
    """
    part = d.part(part_key)
    if part is None:
        return []

    def rests(s: SettingPoint) -> bool:
        if part.part_kind == "housing" and not measures_fit(s.kind):
            return True
        places = [p for key in (s.place, *s.rests_on) if (p := d.place(key)) is not None]
        parts = [x for p in places for x in d.parts_at(p)]
        own = measures_fit(s.kind)
        return any(x.key == part_key or (not own and x.shaft and x.shaft == part.shaft) for x in parts)

    return [s for s in d.settings if rests(s)]


def known_substitutes(number: str, pairs: Sequence[tuple[str, str]]) -> list[str]:
    """Every number that stands for this one, through others too.

    >>> known_substitutes("A", [("A", "B"), ("C", "B")])
    ['B', 'C']
    """
    found, reach = {number}, [number]
    while reach:
        now = reach.pop()
        for a, b in pairs:
            for here, there in ((a, b), (b, a)):
                if here == now and there not in found:
                    found.add(there)
                    reach.append(there)
    return sorted(found - {number})
