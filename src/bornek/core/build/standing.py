"""How each step stands: done, ready, or held up and by what."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Literal

import networkx as nx

from bornek.core.build.bench import Bench, yard_moment
from bornek.core.build.gather import Planned
from bornek.core.build.order import BuildOrder
from bornek.core.parts.days import is_late
from bornek.core.parts.holds import open_holds
from bornek.core.phrases import lower_first

GateSort = Literal["order", "hold", "verdict", "setting", "wait", "need"]
State = Literal["done", "differently", "skipped", "check", "ready", "held"]


@dataclass(frozen=True)
class Gate:
    """What holds a step up. `stop`: it wants a reason before it is gone past."""

    sort: GateSort
    words: str
    stop: bool = False


@dataclass(frozen=True)
class Waiting:
    """Something that runs by itself: since when, until when; `over` once it is ready."""

    step: str
    sort: str
    begun: datetime
    ready: datetime
    over: bool


@dataclass(frozen=True)
class Standing:
    key: str
    state: State
    gates: tuple[Gate, ...] = ()


def waits(order: BuildOrder, bench: Bench) -> dict[str, Waiting]:
    """The waits that were begun, by step: from the tap on its clock, else from when the step was done."""
    found = {}
    for p in order.steps:
        if not p.step.wait:
            continue
        text = order.worked.clocks.get((p.key, "wait"), "")
        if not text and order.worked.in_place(p.key):
            text = order.worked.done[p.key].at
        if not text:
            continue
        begun = yard_moment(text)
        ready = begun + timedelta(minutes=p.step.wait_minutes)
        over = bench.now is not None and bench.now >= ready
        found[p.key] = Waiting(p.key, p.step.wait, begun, ready, over)
    return found


def standings(order: BuildOrder, bench: Bench) -> dict[str, Standing]:
    """Every step's state. A need that is not done holds a step up as well; its words name it."""
    running = waits(order, bench)
    held = open_holds(order.facts)
    doubtful = doubted(order)
    found: dict[str, Standing] = {}
    needs: dict[str, list[str]] = {}
    against = {(n.before, n.after) for n in order.against}
    for n in order.needs:
        if (n.before, n.after) not in against:
            needs.setdefault(n.after, []).append(n.before)
    for p in order.steps:
        if order.is_done(p.key):
            how = order.worked.done[p.key].how if p.key in order.worked.done else "done"
            state: State = "check" if p.key in doubtful else how  # type: ignore[assignment]
            found[p.key] = Standing(p.key, state)
            continue
        gates = [*_part_gates(order, bench, p), *_setting_gates(order, bench, p)]
        if held and p.key == order.next_key:
            gates += [Gate("hold", f"{h.label}: {h.words}", stop=True) for h in held]
        for key in needs.get(p.key, ()):
            if not order.is_done(key):
                gates.append(Gate("need", f"{order.number[key]} {order.label(key)} comes first"))
            elif key in running and not running[key].over:
                gates.append(Gate("wait", f"{order.label(key)}: ready at {running[key].ready:%H:%M, %d %b}"))
        found[p.key] = Standing(p.key, "held" if gates else "ready", tuple(gates))
    return found


def doubted(order: BuildOrder) -> set[str]:
    """Steps done after one that was said to be written wrongly, and that rest on it, until they were looked at."""
    found: set[str] = set()
    graph = order.graph
    for step, at in order.worked.corrected.items():
        if step not in graph:
            continue
        for key in nx.descendants(graph, step):
            done = order.worked.done.get(key)
            seen = order.worked.seen.get((key, "check"))
            if done is not None and done.seq < at and not (seen and seen[0] and seen[2] > at):
                found.add(key)
    return found


def _part_gates(order: BuildOrder, bench: Bench, p: Planned) -> list[Gate]:
    gates = []
    for key in p.step.parts:
        name = order.d.label_of(key)
        out = bench.last_order(key)
        if out is not None and out.state != "received":
            when = f", promised {out.promised}" if out.promised else ", no promise"
            late = bench.now is not None and is_late(out.promised, bench.now.date().isoformat())
            gates.append(Gate("order", f"{name} is not here{', late' if late else ''}: {out.supplier}{when}"))
        if bench.verdicts.get(key) == "hold":
            gates.append(Gate("verdict", f"{name}: the verdict holds the build", stop=True))
    return gates


def _setting_gates(order: BuildOrder, bench: Bench, p: Planned) -> list[Gate]:
    key = p.step.setting
    if key and key in bench.disturbed:
        return [Gate("setting", "signed, then disturbed: read it again")]
    return []


def window(order: BuildOrder, key: str) -> tuple[str, str]:
    """Between which two steps one may stand: the last that it needs, the first that needs it; empty for no bound."""
    at = order.number
    before = [n.before for n in order.needs if n.after == key and n.before in at]
    after = [n.after for n in order.needs if n.before == key and n.after in at]
    lo = max(before, key=lambda k: at[k], default="")
    hi = min(after, key=lambda k: at[k], default="")
    return lo, hi


def names(order: BuildOrder, parts: Sequence[str]) -> str:
    """Parts in words: two by name, more by count.

    >>> from bornek.core.units.definition import Definition, Part
    >>> from bornek.core.build.order import build_order
    >>> d = Definition(parts=(Part("a", "Left retainer", "other"), Part("b", "Right retainer", "other")))
    >>> names(build_order(d, []), ["a", "b"])
    'left retainer and right retainer'
    """
    labels = [lower_first(order.d.label_of(p)) for p in parts]
    heads = {label.rsplit(", ", 1)[0] for label in labels}
    if len(heads) == 1 and len(labels) > 1 and all(", " in label for label in labels):
        return f"{heads.pop()}, {' and '.join(sorted(label.rsplit(', ', 1)[1] for label in labels))}"
    if len(labels) > 3:
        return f"{', '.join(labels[:2])} and {len(labels) - 2} more"
    return " and ".join(labels) if len(labels) < 3 else f"{labels[0]}, {labels[1]} and {labels[2]}"
