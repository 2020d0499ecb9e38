"""What is scheduled: steps that are not done, with their hands, waits, resource and what they need."""

from __future__ import annotations

from dataclasses import dataclass

HELD_IN_WAIT = frozenset({"press", "oven", "freezer", "ram"})
"""Resources that stay taken while a step waits; the crane is free again."""


@dataclass(frozen=True)
class Task:
    """Times in minutes. `release`: not before, from the start of the schedule. `due`: a day as 2026-11-30, or empty.
    `open_until` and `open_minutes`: from the start of this one to the end of that."""

    key: str
    job: str
    label: str
    minutes: int
    hands: int = 1
    wait: int = 0
    alone: bool = True
    resource: str = ""
    needs: tuple[str, ...] = ()
    release: int = 0
    split: bool = False
    due: str = ""
    open_until: str = ""
    open_minutes: int = 0

    @property
    def held(self) -> int:
        """How long its resource is taken."""
        return self.minutes + (self.wait if self.resource in HELD_IN_WAIT else 0)

    @property
    def whole(self) -> int:
        return self.minutes + self.wait


@dataclass(frozen=True)
class Slot:
    """One task placed: hands from `start` to `worked`, what runs by itself until `end`. `pieces`: when hands are at
    it, more than one where it is split. `why`: the key of what its start waited for, busy, or empty."""

    task: Task
    start: int
    worked: int
    end: int
    pieces: tuple[tuple[int, int], ...] = ()
    why: str = ""
