"""Pieces of an outline, in a part's own frame: u along the shaft, v out from its line."""

from __future__ import annotations

from collections.abc import Sequence

Point = tuple[float, float]
Outline = tuple[str, Sequence[Point], bool]
"""A role, its points, whether it is closed."""


def face(role: str, u0: float, u1: float, v0: float, v1: float) -> Outline:
    return role, ((u0, v0), (u1, v0), (u1, v1), (u0, v1)), True


def edge(role: str, *points: Point) -> Outline:
    return role, points, False
