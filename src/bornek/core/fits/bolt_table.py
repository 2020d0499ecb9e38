"""Threads and classes of bolts, and the torque that gives a preload."""

from __future__ import annotations

import csv
from dataclasses import dataclass
from functools import cache
from importlib import resources

import bornek.core.tables as tables

USUAL_SHARE = 0.75
"""Preload as a share of the proof load."""


@dataclass(frozen=True)
class Bolt:
    """A row: thread's diameter [mm], proof stress [MPa], stress area [mm²]."""

    thread: str
    grade: str
    d_mm: float
    pitch_mm: float
    proof_mpa: float
    area_mm2: float

    @property
    def row(self) -> str:
        return f"table bolt_torque, {self.thread} {self.grade}"

    def preload_n(self, share: float = USUAL_SHARE) -> float:
        """F = share × proof stress × stress area [N].

        >>> round(bolt("M16", "8.8").preload_n() / 1000, 1)
        68.2
        """
        return share * self.proof_mpa * self.area_mm2


@cache
def bolts() -> tuple[Bolt, ...]:
    text = resources.files(tables).joinpath("bolt_torque.csv").read_text(encoding="utf-8")
    return tuple(
        Bolt(
            r["thread"],
            r["class"],
            float(r["d_mm"]),
            float(r["pitch_mm"]),
            float(r["proof_stress_MPa"]),
            float(r["stress_area_computed_mm2"]),
        )
        for r in csv.DictReader(text.splitlines())
    )


def threads() -> tuple[tuple[str, str], ...]:
    return tuple((t, t) for t in dict.fromkeys(b.thread for b in bolts()))


def grades(thread: str) -> tuple[tuple[str, str], ...]:
    return tuple((b.grade, b.grade) for b in bolts() if b.thread == thread)


def bolt(thread: str, grade: str) -> Bolt:
    return next(b for b in bolts() if (b.thread, b.grade) == (thread, grade))


def torque_n_m(preload_n: float, d_mm: float, k: float) -> float:
    """Torque of a preload [N·m]: T = K d F; K 0.20 dry, 0.16 oiled. Good to ± 25 %: friction decides.

    >>> b = bolt("M16", "8.8")
    >>> round(torque_n_m(b.preload_n(), b.d_mm, 0.20))
    218
    """
    return k * d_mm / 1000 * preload_n
