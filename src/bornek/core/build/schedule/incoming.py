"""What a step's parts are waited for: when they come, and which of them have no day at all."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta

from bornek.core.build.bench import Bench
from bornek.core.parts.days import is_late
from bornek.core.parts.verdicts import NOT_AS_IT_IS
from bornek.core.phrases import lower_first
from bornek.core.units.definition import Definition


@dataclass(frozen=True)
class Incoming:
    """`comes`: when the last of the parts is here at the earliest, None where nothing is on its way. `late`: promises
    that have passed, in words. `dayless`: what nobody gave a day for, in words; such a step cannot be scheduled."""

    comes: datetime | None = None
    late: tuple[str, ...] = ()
    dayless: tuple[str, ...] = ()


def incoming(d: Definition, bench: Bench, parts: Sequence[str], now: datetime) -> Incoming:
    """A part promised for a later day comes that day, one promised for today by the end of it, one that is late
    tomorrow at the earliest. Without a day are a part on order without a promise, one to be had new that nobody
    ordered, and one whose verdict holds the build.

    >>> from bornek.core.parts.orders import OrderLine
    >>> line = OrderLine("o", "cup", "Cup", "order", "C-1", 1, "store", "2026-11-20", "ordered", "")
    >>> found = incoming(Definition(), Bench(orders=(line,)), ["cup"], datetime(2026, 11, 23, 9, 0))
    >>> found.comes.day, found.late
    (24, ('Cup from store, late since 2026-11-20',))
    """
    today = now.date().isoformat()
    tomorrow = datetime.fromisoformat(today) + timedelta(days=1)
    days, late, dayless = [], [], []
    for key in parts:
        out, verdict = bench.last_order(key), bench.verdicts.get(key)
        if verdict == "hold":
            dayless.append(f"{d.label_of(key)}: the verdict holds the build")
        if out is None and verdict in NOT_AS_IT_IS:
            dayless.append(f"{d.label_of(key)}: to be had new, nothing is ordered")
        if out is None or out.state == "received":
            continue
        whence = f"{out.label} from {out.supplier}"
        if not out.promised:
            dayless.append(f"{whence}: no promise")
            continue
        if is_late(out.promised, today):
            late.append(f"{whence}, late since {out.promised}")
        days.append(max(datetime.fromisoformat(out.promised), tomorrow))
    return Incoming(max(days, default=None), tuple(late), tuple(dayless))


def in_a_sentence(words: Sequence[str]) -> str:
    """
    >>> in_a_sentence(["Cup from store: no promise", "Seal: nothing is ordered"])
    'cup from store: no promise, seal: nothing is ordered'
    """
    return ", ".join(lower_first(w) for w in words)
