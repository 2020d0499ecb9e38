"""What a simulated bench does to its needle: pries, turns, or nothing."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Literal

Motion = Literal["pries", "turns", "still"]
MOTIONS: tuple[Motion, ...] = ("pries", "turns", "still")
PULL_S, HOLD_S, REST_S = 0.5, 1.2, 1.6
TURN_S, TURN_REST_S = 6.0, 2.0


@dataclass(frozen=True)
class Bench:
    """`size` is the true travel of a pry, the full runout of a turn, or where the needle stands [mm]; each turn's high
    spot stands `high_deg` after its start."""

    motion: Motion = "pries"
    size: float = 0.145
    high_deg: float = 120.0

    def at(self, t: float) -> float:
        """Where the part truly stands at a moment [mm].

        >>> Bench().at(0.0), Bench().at(2.5)
        (0.0, 0.145)
        """
        if self.motion == "pries":
            return self.size * self._pulled(t % (2 * PULL_S + HOLD_S + REST_S))
        if self.motion == "turns":
            into = t % (TURN_S + TURN_REST_S) - TURN_REST_S
            round_by = 2 * math.pi * max(into, 0.0) / TURN_S
            return self.size / 2 * (1 + math.cos(round_by - math.radians(self.high_deg)))
        return self.size

    @staticmethod
    def _pulled(into: float) -> float:
        """Share of the pull, as a hand pulls: slowly off, slowly home."""
        begun = into - REST_S
        if begun <= 0:
            return 0.0
        if begun < PULL_S:
            return 0.5 - 0.5 * math.cos(math.pi * begun / PULL_S)
        if begun < PULL_S + HOLD_S:
            return 1.0
        return 0.5 + 0.5 * math.cos(math.pi * min((begun - PULL_S - HOLD_S) / PULL_S, 1.0))

    @property
    def period(self) -> float:
        """From one pry, or turn, to the next [s]."""
        return TURN_S + TURN_REST_S if self.motion == "turns" else 2 * PULL_S + HOLD_S + REST_S
