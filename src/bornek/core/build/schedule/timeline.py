"""Hands and resources over a line of minutes: what is free, and where a task fits."""

from __future__ import annotations

from collections.abc import Mapping
from datetime import datetime

import numpy as np
from numpy.typing import NDArray

from bornek.core.build.schedule.calendar import DAY, ShopCalendar
from bornek.core.build.schedule.tasks import Task

LOOK = 3 * DAY
MOST_DAYS = 400


class Timeline:
    """Minutes from a start on; it grows by itself."""

    def __init__(
        self, start: datetime, calendar: ShopCalendar, resources: Mapping[str, int], days: int = 14
    ) -> None:
        self.start, self.calendar, self.resources = start, calendar, dict(resources)
        self.days = days
        self.shop = calendar.hands(start, days)
        self.free = self.shop.copy()
        self.rooms = {name: np.full(self.shop.size, n, dtype=np.int16) for name, n in self.resources.items()}

    def grow(self) -> bool:
        """Twice as long; False once it is as long as it may be."""
        if self.days >= MOST_DAYS:
            return False
        more = min(MOST_DAYS, self.days * 2)
        shop = self.calendar.hands(self.start, more)
        self.free = np.concatenate([self.free, shop[self.free.size :]])
        for name, room in self.rooms.items():
            fresh = np.full(shop.size - room.size, self.resources[name], dtype=np.int16)
            self.rooms[name] = np.concatenate([room, fresh])
        self.shop, self.days = shop, more
        return True

    def take(self, task: Task, start: int) -> tuple[tuple[int, int], ...]:
        """Takes what a task needs from a minute on; returns when hands are at it, in pieces where it is split."""
        pieces = self._pieces(task, start)
        room = self.rooms.get(task.resource)
        for first, last in pieces:
            self.free[first:last] -= task.hands
            if room is not None:
                room[first:last] -= 1
        worked = pieces[-1][1]
        if room is not None:
            room[worked : worked + task.held - task.minutes] -= 1
        return pieces

    def _pieces(self, task: Task, start: int) -> tuple[tuple[int, int], ...]:
        if not task.split or task.minutes == 0:
            return ((start, start + task.minutes),)
        usable = self._usable(task, start)
        while usable.size < task.minutes and self.grow():
            usable = self._usable(task, start)
        used = usable[: task.minutes]
        breaks = np.flatnonzero(np.diff(used) > 1)
        firsts, lasts = np.concatenate([[0], breaks + 1]), np.concatenate([breaks, [used.size - 1]])
        return tuple((int(used[a]), int(used[b]) + 1) for a, b in zip(firsts, lasts, strict=True))

    def _usable(self, task: Task, start: int) -> NDArray[np.intp]:
        """Minutes from a start on in which a split task can be worked."""
        good = self.free[start:] >= task.hands
        if task.resource in self.rooms:
            good &= self.rooms[task.resource][start:] >= 1
        return np.flatnonzero(good) + start

    def earliest(self, task: Task, after: int) -> int | None:
        """The first minute from which a task fits; None if it never does."""
        at = after
        while True:
            if at + LOOK + task.whole + 1 > self.free.size and self.grow():
                continue
            fits = self._fits(task, at, min(LOOK, self.free.size - at - task.whole))
            hit = int(np.argmax(fits)) if fits.size else 0
            if fits.size and fits[hit]:
                return at + hit
            if at + LOOK + task.whole >= self.free.size:
                return None
            at += LOOK

    def latest(self, task: Task, end: int, lo: int) -> int | None:
        """The last minute from which a task fits and is whole by `end`, not before `lo`."""
        hi = end - task.whole
        while hi >= lo:
            first = max(lo, hi - LOOK + 1)
            fits = self._fits(task, first, hi - first + 1)
            hits = np.flatnonzero(fits)
            if hits.size:
                return first + int(hits[-1])
            hi = first - 1
        return None

    def _fits(self, task: Task, at: int, n: int) -> NDArray[np.bool_]:
        """For each of n minutes from `at`: whether the task could start there."""
        if n <= 0:
            return np.zeros(0, dtype=bool)
        span = slice(at, at + n + task.whole)
        if task.split and task.minutes:
            return self._split_fits(task, at, n)
        fits = _runs(self.free[span] < task.hands, n, task.minutes)
        if task.resource in self.rooms:
            fits &= _runs(self.rooms[task.resource][span] < 1, n, task.held)
        if task.wait and not task.alone:
            fits &= _runs(self.shop[span][task.minutes :] < 1, n, task.wait)
        return fits

    def _split_fits(self, task: Task, at: int, n: int) -> NDArray[np.bool_]:
        """A split task starts at a minute that it can be worked in; its wait must fit where its last piece ends."""
        good = self.free[at : at + n] >= task.hands
        room = self.rooms.get(task.resource)
        if room is not None:
            good &= room[at : at + n] >= 1
        if not task.wait or (task.alone and task.held == task.minutes):
            return good
        fits = np.zeros(n, dtype=bool)
        for k in np.flatnonzero(good):
            worked = self._pieces(task, at + int(k))[-1][1]
            held = room is not None and bool((room[worked : worked + task.held - task.minutes] < 1).any())
            open_all = task.alone or bool((self.shop[worked : worked + task.wait] > 0).all())
            if not held and open_all:
                fits[k] = True
                return fits
        return fits


def _runs(bad: NDArray[np.bool_], n: int, length: int) -> NDArray[np.bool_]:
    """For each of the first n starts: whether `length` minutes from it hold nothing bad.

    >>> _runs(np.array([False, True, False, False, False]), 3, 2)
    array([False, False,  True])
    """
    if length == 0:
        return np.ones(n, dtype=bool)
    total = np.concatenate([[0], np.cumsum(bad[: n + length])])
    if total.size < n + length + 1:
        total = np.concatenate([total, np.full(n + length + 1 - total.size, total[-1] + 1)])
    clear: NDArray[np.bool_] = total[length : length + n] == total[:n]
    return clear
