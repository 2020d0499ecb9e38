"""Grades that a look-for can be given, best first, and their keys on the page."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass


@dataclass(frozen=True)
class Grade:
    key: str
    label: str
    typed: str


GRADES = (
    Grade("sound", "sound", "1"),
    Grade("dress", "dress", "2"),
    Grade("worn_within", "worn within", "3"),
    Grade("worn_beyond", "worn beyond", "4"),
    Grade("unsafe", "unsafe", "5"),
    Grade("not_checked", "could not be checked", "6"),
)
_ORDER = [g.key for g in GRADES]
LABELS = {g.key: g.label for g in GRADES}


def worst_grade(grades: Iterable[str]) -> str:
    """The worst of those that were judged; empty if none was. What could not be checked is not a grade.

    >>> worst_grade(["sound", "worn_within", "not_checked"]), worst_grade([])
    ('worn_within', '')
    """
    judged = [g for g in grades if g and g != "not_checked"]
    return max(judged, key=_ORDER.index, default="")


def is_grade(key: str) -> bool:
    return key in _ORDER
