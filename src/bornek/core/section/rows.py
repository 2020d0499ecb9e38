"""Rows of a linear programme by name. Some may give way: then the answer says which did, and by how much."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field

import numpy as np
from scipy.optimize import linprog
from scipy.sparse import csr_array

Tag = tuple[str, str]
"""What a row is for: its sort and a key."""
FAR = 1e6
GIVES = 1e4
"""What a unit of giving way costs: more than any length saved by it."""
LATER = 1e-5
GAVE = 0.5
Terms = Mapping[str, float]


@dataclass(frozen=True)
class Solved:
    at: Mapping[str, float]
    gave_way: Mapping[Tag, float]


@dataclass
class Rows:
    """Σ terms ≥ bound and Σ terms = value; what has a tag may give way."""

    names: dict[str, int] = field(default_factory=dict)
    cost: list[float] = field(default_factory=list)
    low: list[float | None] = field(default_factory=list)
    least: list[tuple[Terms, float]] = field(default_factory=list)
    equal: list[tuple[Terms, float]] = field(default_factory=list)
    slack: dict[str, Tag] = field(default_factory=dict)

    def at_least(self, terms: Terms, bound: float, tag: Tag | None = None) -> None:
        """Σ terms ≥ bound."""
        self._know(terms)
        self.least.append(({**terms, self._slack(tag, self._gives()): 1.0} if tag else terms, bound))

    def same(self, terms: Terms, value: float, tag: Tag | None = None) -> None:
        self._know(terms)
        self.equal.append(({**terms, **self._both(tag, self._gives())} if tag else terms, value))

    def wish(self, terms: Terms, value: float, weight: float) -> None:
        """As near to it as nothing else hinders."""
        self._know(terms)
        self.equal.append(({**terms, **self._both(None, weight)}, value))

    def minimise(self, terms: Terms) -> None:
        self._know(terms)
        for name, weight in terms.items():
            self.cost[self.names[name]] += weight

    def _gives(self) -> float:
        """Of two that contradict each other the later gives way."""
        return GIVES * (1 - LATER * min(len(self.slack), 9000))

    def _know(self, terms: Terms) -> None:
        for name in terms:
            self._name(name, -FAR, 0.0)

    def _name(self, name: str, low: float, cost: float) -> None:
        if name not in self.names:
            self.names[name] = len(self.names)
            self.low.append(low)
            self.cost.append(cost)

    def _slack(self, tag: Tag | None, weight: float) -> str:
        name = f"slack {len(self.names)}"
        self._name(name, 0.0, weight)
        if tag:
            self.slack[name] = tag
        return name

    def _both(self, tag: Tag | None, weight: float) -> dict[str, float]:
        return {self._slack(tag, weight): 1.0, self._slack(tag, weight): -1.0}

    def solve(self) -> Solved:
        """The least total length. The order of parts alone can always be kept, so there is an answer.

        >>> rows = Rows()
        >>> rows.same({"a": 1}, 0); rows.at_least({"b": 1, "a": -1}, 10); rows.minimise({"b": 1, "a": -1})
        >>> rows.same({"b": 1}, 4, ("mesh", "m"))
        >>> found = rows.solve()
        >>> found.at["b"], found.gave_way
        (10.0, {('mesh', 'm'): 6.0})
        """
        upper, bounds = self._matrix(self.least)
        equal, values = self._matrix(self.equal)
        answer = linprog(
            np.array(self.cost),
            A_ub=-upper if len(bounds) else None,
            b_ub=-bounds if len(bounds) else None,
            A_eq=equal if len(values) else None,
            b_eq=values if len(values) else None,
            bounds=[(low, FAR) for low in self.low],
            method="highs",
        )
        if not answer.success:
            raise AssertionError(f"the section's rows have no answer: {answer.message}")
        gave: dict[Tag, float] = {}
        for name, tag in self.slack.items():
            gave[tag] = gave.get(tag, 0.0) + float(answer.x[self.names[name]])
        at = {name: float(answer.x[i]) for name, i in self.names.items() if not name.startswith("slack ")}
        return Solved(at, {tag: by for tag, by in gave.items() if by > GAVE})

    def _matrix(self, rows: list[tuple[Terms, float]]) -> tuple[csr_array, np.ndarray]:
        cells = [(i, self.names[n], w) for i, (terms, _) in enumerate(rows) for n, w in terms.items()]
        where, what, weight = zip(*cells, strict=True) if cells else ((), (), ())
        matrix = csr_array((weight, (where, what)), shape=(len(rows), len(self.names)))
        return matrix, np.array([bound for _, bound in rows])
