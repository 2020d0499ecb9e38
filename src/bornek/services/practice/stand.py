"""Where a rig stands: what was done at it, what can be looked at, and how its cloth is lifted."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from bornek.core.practice.score import Score
from bornek.services.practice.cloth import Cloth


@dataclass(frozen=True)
class LookPoint:
    """One thing that can be looked at; `opens` where it needs the unit open; `signs`: evidence that may be met
    there."""

    key: str
    label: str
    opens: bool = False
    signs: tuple[str, ...] = ()


@dataclass(frozen=True)
class Stand:
    """`number`: the assembly, or one more than what was done; advice that was asked for holds for it alone.
    `teardowns` and `tenths`: what it cost besides asking and looking. `setting`: empty where the rig is a job.
    `see`: what looking at one thing finds. `lift`: the cloth, once it is `closed`."""

    number: int
    closed: bool
    teardowns: int
    tenths: int
    best: float
    setting: str
    looks: tuple[LookPoint, ...]
    see: Callable[[str], str]
    lift: Callable[[Score], Cloth]
