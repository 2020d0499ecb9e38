"""Rows that keep shafts clear of each other where neither gears nor words say how they lie."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

import networkx as nx

from bornek.core.section.lengths import CLEAR
from bornek.core.section.reach import Reach
from bornek.core.section.rows import Rows
from bornek.core.units.definition import Definition, Part, Shaft

Order = Mapping[str, Sequence[Part]]


def tied(d: Definition) -> list[list[Shaft]]:
    """Shafts that something ties together, in the order in which they are written down."""
    shaft_of = {p.key: p.shaft for p in d.parts}
    graph = nx.Graph()
    graph.add_nodes_from(s.key for s in d.shafts)
    graph.add_edges_from((s.key, other) for s in d.shafts for other in (s.after, s.beside, s.inside) if other)
    graph.add_edges_from((s.key, shaft_of[s.pins]) for s in d.shafts if shaft_of.get(s.pins))
    graph.add_edges_from((shaft_of[m.driver], shaft_of[m.driven]) for m in d.meshes if m.toward != "out")
    groups = list(nx.connected_components(graph))
    rank = {s.key: i for i, s in enumerate(d.shafts)}
    found = [[s for s in d.shafts if s.key in group] for group in groups]
    return sorted(found, key=lambda group: rank[group[0].key])


def stand_apart(rows: Rows, d: Definition, order: Order, reach: Reach, walled: bool) -> None:
    """Each group below those before it, or to their right where its shafts stand upright.

    In one housing a level and an upright shaft may pass each other in different planes.
    """
    groups = tied(d)
    far = {s.key: max((reach.far[p.key] for p in order[s.key]), default=20.0) for s in d.shafts}
    for n, group in enumerate(groups):
        for s in group:
            for other in (o for before in groups[:n] for o in before):
                if s.line == other.line:
                    apart = far[s.key] + far[other.key] + CLEAR
                    rows.at_least({f"line {s.key}": 1, f"line {other.key}": -1}, apart, ("apart", s.key))
                elif not walled:
                    _mixed(rows, s, other, order, reach, far)


def _mixed(rows: Rows, s: Shaft, other: Shaft, order: Order, reach: Reach, far: Mapping[str, float]) -> None:
    """An upright shaft and a level one: the later stands to the right of the earlier."""
    tag = ("apart", s.key)
    if s.line == "upright" and order[other.key]:
        last = order[other.key][-1]
        rows.at_least({f"line {s.key}": 1, last.key: -1}, reach.wide[last.key] / 2 + far[s.key] + CLEAR, tag)
    elif s.line == "level" and order[s.key]:
        first = order[s.key][0]
        rows.at_least(
            {first.key: 1, f"line {other.key}": -1}, reach.wide[first.key] / 2 + far[other.key] + CLEAR, tag
        )
    for level, upright in ((s, other) if s.line == "level" else (other, s),):
        if order[upright.key]:
            rows.wish({order[upright.key][0].key: 1, f"line {level.key}": -1}, 0, 0.01)
