"""The build order: steps and needs as a graph, and the sequence in which it is worked."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from functools import cached_property

import networkx as nx

from bornek.core.build.answers import answered
from bornek.core.build.enclosures import Enclosure, enclosures
from bornek.core.build.gather import Planned, gather, put_after
from bornek.core.build.needs import (
    Ask,
    Need,
    asks,
    behind_on_shafts,
    derived_needs,
    final_steps,
    judged,
    judgements,
    typed_needs,
)
from bornek.core.build.worked import Worked, read_worked
from bornek.core.facts.kind import Fact
from bornek.core.facts.step_moved import StepMoved
from bornek.core.units.definition import Definition


@dataclass(frozen=True)
class BuildOrder:
    """`steps` in the order in which they are worked: what is done first, as it was done. `needs` those that stand.
    `against`: needs that the order as typed, put or worked does not keep."""

    d: Definition
    facts: Sequence[Fact]
    steps: tuple[Planned, ...]
    needs: tuple[Need, ...]
    against: tuple[Need, ...]
    loop: tuple[str, ...]
    asks: tuple[Ask, ...]
    worked: Worked
    signed: Mapping[str, str] = field(default_factory=dict)
    """Settings that are signed, by key, with when."""

    @cached_property
    def number(self) -> dict[str, int]:
        return {p.key: n for n, p in enumerate(self.steps, start=1)}

    @cached_property
    def by_key(self) -> dict[str, Planned]:
        return {p.key: p for p in self.steps}

    @cached_property
    def final(self) -> dict[str, str]:
        """The step that puts each part in for good."""
        return final_steps(self.steps)

    @cached_property
    def enclosures(self) -> list[Enclosure]:
        return enclosures(self.d)

    @cached_property
    def behind(self) -> dict[str, tuple[str, ...]]:
        """For each part of a shaft with a known seat: the parts nearer to the seat on its side."""
        return behind_on_shafts(self.d)

    @cached_property
    def said(self) -> dict[tuple[str, str], bool]:
        """Needs that a mechanic confirmed or overruled."""
        return judgements(self.facts)

    @cached_property
    def graph(self) -> nx.DiGraph:
        graph = nx.DiGraph()
        graph.add_nodes_from(p.key for p in self.steps)
        graph.add_edges_from((n.before, n.after) for n in self.needs)
        return graph

    def is_done(self, key: str) -> bool:
        """Worked, or a setting's step whose setting is signed."""
        setting = self.by_key[key].step.setting if key in self.by_key else ""
        return key in self.worked.done or bool(setting and setting in self.signed)

    def label(self, key: str) -> str:
        return self.by_key[key].step.label if key in self.by_key else key

    @property
    def next_key(self) -> str:
        """The first step that is not done; empty when all are."""
        return next((p.key for p in self.steps if not self.is_done(p.key)), "")


def build_order(d: Definition, facts: Sequence[Fact], signed: Mapping[str, str] | None = None) -> BuildOrder:
    """Steps from every source, in an order that keeps what was typed and put, and for the rest what the section proves.

    >>> from bornek.core.facts.removed import Removed
    >>> from bornek.core.units.definition import Part, Shaft
    >>> d = Definition(shafts=(Shaft("in", "input"),), parts=(Part("g", "Gear", "gear", shaft="in"),
    ...     Part("s", "Spacer", "spacer", shaft="in"), Part("b", "Bearing", "ball_bearing", shaft="in")))
    >>> off = [Fact(k, "removed", k, Removed(k, "hand"), seq=n) for n, k in enumerate("sbg")]
    >>> [p.step.label for p in build_order(d, off).steps]
    ['Gear', 'Spacer', 'Bearing']
    """
    d = answered(d, facts)
    listed, worked, signed = gather(d, facts), read_worked(facts), dict(signed or {})
    known = {p.key for p in listed}
    hard = [n for n in judged(typed_needs(listed), facts) if n.before in known and n.after in known]
    soft = judged(derived_needs(d, listed), facts)
    put = {p.key for p in listed if p.fixed}
    sequence, loop = _sequence(listed, hard, _kept(listed, soft, put), worked)
    for moved in (f.body for f in facts if isinstance(f.body, StepMoved)):
        put.add(moved.step)
        listed = put_after(sequence, moved.step, moved.after)
        sequence, loop = _sequence(listed, hard, _kept(listed, soft, put), worked)
    at = {p.key: n for n, p in enumerate(sequence)}
    against = tuple(n for n in (*hard, *soft) if at[n.before] > at[n.after])
    return BuildOrder(
        d=d,
        facts=facts,
        steps=tuple(sequence),
        needs=(*hard, *soft),
        against=against,
        loop=loop,
        asks=tuple(asks(d, listed)),
        worked=worked,
        signed=signed,
    )


def _kept(listed: Sequence[Planned], soft: Sequence[Need], put: set[str]) -> list[Need]:
    """Without those whose steps both stand where somebody put them, the other way round: that is told, not changed
    in silence."""
    rank = {p.key: n for n, p in enumerate(listed)}
    return [n for n in soft if not (n.before in put and n.after in put and rank[n.before] > rank[n.after])]


def _sequence(
    listed: list[Planned],
    hard: Sequence[Need],
    soft: Sequence[Need],
    worked: Worked,
) -> tuple[list[Planned], tuple[str, ...]]:
    """What is done as it was done, then the rest; and the shortest loop among what is left, if there is one."""
    by_key = {p.key: p for p in listed}
    rank = {p.key: n for n, p in enumerate(listed)}
    done = [k for k in worked.done if k in by_key]
    already = set(done)
    edges = [(n.before, n.after) for n in (*hard, *soft) if not already & {n.before, n.after}]
    graph = nx.DiGraph()
    graph.add_nodes_from(k for k in by_key if k not in already)
    graph.add_edges_from(edges)
    loop: tuple[str, ...] = ()
    try:
        rest = list(nx.lexicographical_topological_sort(graph, key=rank.__getitem__))
    except nx.NetworkXUnfeasible:
        loop = shortest_loop(edges)
        _break_loops(graph, edges)
        rest = list(nx.lexicographical_topological_sort(graph, key=rank.__getitem__))
    return [by_key[k] for k in (*done, *rest)], loop


def _break_loops(graph: nx.DiGraph, edges: Sequence[tuple[str, str]]) -> None:
    """So that there is a sequence to show: what was added last gives way, inside the loops only."""
    for edge in reversed(edges):
        if nx.is_directed_acyclic_graph(graph):
            return
        if graph.has_edge(*edge) and nx.has_path(graph, edge[1], edge[0]):
            graph.remove_edge(*edge)


def shortest_loop(edges: Sequence[tuple[str, str]]) -> tuple[str, ...]:
    """The steps of the shortest loop, each before the next and the last before the first; empty if there is none.

    >>> shortest_loop([("a", "b"), ("b", "c"), ("c", "a"), ("c", "b")])
    ('b', 'c')
    """
    graph = nx.DiGraph(edges)
    best: list[str] = []
    for knot in nx.strongly_connected_components(graph):
        if len(knot) == 1 and not graph.has_edge(*(2 * list(knot))):
            continue
        inner = graph.subgraph(knot)
        for before, after in sorted(inner.edges):
            path = nx.shortest_path(inner, after, before)
            if not best or len(path) < len(best):
                best = path
    if not best:
        return ()
    at = best.index(min(best))
    return (*best[at:], *best[:at])


@dataclass(frozen=True)
class Forbidden:
    """Why a step may not go where it was put: the needs that would not be kept."""

    needs: tuple[Need, ...]
    words: str


def try_move(order: BuildOrder, step: str, after: str) -> Forbidden | None:
    """None if the step may be put after another (empty: first), else what speaks against it, in words."""
    listed = put_after(list(order.steps), step, after)
    at = {p.key: n for n, p in enumerate(listed)}
    already = {(n.before, n.after) for n in order.against}
    broken = tuple(
        n
        for n in order.needs
        if step in (n.before, n.after) and at[n.before] > at[n.after] and (n.before, n.after) not in already
    )
    if not broken:
        return None
    first = broken[0]
    words = f"{order.label(first.before)} must come before {order.label(first.after)}: {first.reason}."
    return Forbidden(broken, words)
