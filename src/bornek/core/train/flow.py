"""The way that power takes through a train in one position."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

import networkx as nx

from bornek.core.train.members import Link, links
from bornek.core.train.positions import Position, Train


@dataclass(frozen=True)
class PowerPath:
    """From `members[0]` to the last, each tied to the next by a link: a mesh, or a dog."""

    members: tuple[str, ...]
    links: tuple[Link, ...]


def power_paths(train: Train, position: Position) -> list[PowerPath]:
    """Every shortest way from where power comes in to an output that turns: two where two shafts share the load.

    >>> from bornek.core.units.definition import Definition
    >>> power_paths(Train(Definition()), Position("", "", {}, {}))
    []
    """
    if position.locked or position.trouble or not train.turned:
        return []
    graph = nx.Graph()
    for link in links(train.d, position.at):
        if not link.b:
            continue
        graph.add_edge(link.a, link.b, link=link)
    found = []
    for out in train.outputs:
        if position.turns(out) and graph.has_node(train.turned) and graph.has_node(out):
            for way in nx.all_shortest_paths(graph, train.turned, out):
                found.append(PowerPath(tuple(way), _links(graph, way)))
    return found


def _links(graph: nx.Graph, way: Sequence[str]) -> tuple[Link, ...]:
    return tuple(graph.edges[a, b]["link"] for a, b in pairwise(way))
