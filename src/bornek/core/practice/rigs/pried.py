"""Iron that is pried: one quantity that answers one adjuster, with scatter, give, and one thing wrong."""

from __future__ import annotations

import math
from typing import Any

from bornek.core.practice.rigs.bench_rig import (
    BENDS_N,
    MOST_PUSH_N,
    PUSH_STEP_N,
    SAME_PUSH_N,
    BenchRig,
    Pull,
    Told,
    Truth,
)
from bornek.core.practice.rigs.faults import (
    BENT,
    DEAD_NEEDLE,
    DIRT,
    LOOSE_COVER,
    STUCK_SHIM,
    WRONG_SIDE,
    WRONG_SPOT,
)
from bornek.core.practice.rigs.handled import Handled
from bornek.core.settings.kind import Slot

SEATS_N = 120.0
"""Push at which all play is taken up."""
DIRT_MM, LOOSE_MM, BENT_MM = 0.045, 0.05, 0.03
SPOT_SHARE = 0.6
LIES_PER_N = 0.2
"""What the needle lies by, for each newton over what the lever bears [divisions]."""


class PriedRig(BenchRig):
    """`k` mm of the quantity for each mm (or degree) of the adjuster; `y0` the quantity as found; `s_a` and `s_r` the
    scatter of reassembly and of reading [mm]; `give` more travel for each N over the same push [mm]."""

    k: float
    y0: float
    s_a: float
    s_r: float
    give: float
    division: float = 0.01
    dirt: float = DIRT_MM
    """What dirt adds to the quantity, in its own unit."""

    def uncounted(self) -> float:
        """What was in as found and not in the book, in the adjuster's own unit."""
        return 0.0

    def really_in(self) -> float:
        """Where the adjuster truly stood as found."""
        return self.at_mm(self.found_state()) + (self.uncounted() if self.fault == STUCK_SHIM else 0.0)

    def response(self) -> float:
        """With its sign: on the other side it answers the other way."""
        return -self.k if self.fault == WRONG_SIDE else self.k

    def true(self, handled: Handled, assembly: int | None = None) -> float:
        number = handled.assembly if assembly is None else assembly
        states = [next(iter(s.values())) for s in handled.states[:number] if s]
        moved = self.at_mm(states[-1]) - self.really_in() if states and number > 1 else 0.0
        value = self._mean(moved) + self.s_a * self.stream.n(7, number)
        if self.fault == DIRT and not handled.put_right(DIRT, number):
            value += self.dirt * (0.5 + self.stream.u(9, number))
        return value

    def _mean(self, moved: float) -> float:
        return self.y0 + self.response() * moved

    def mean_true(self, handled: Handled) -> float:
        states = [next(iter(s.values())) for s in handled.states if s]
        return self._mean(
            self.at_mm(states[-1]) - self.really_in() if states and handled.assembly > 1 else 0.0
        )

    def play(self, handled: Handled) -> float:
        """What can be pried: no less than nothing."""
        return max(self.true(handled), 0.0)

    def pull(self, slot: Slot, handled: Handled, repeat: int) -> Pull | None:
        if slot.motion != "pry":
            return None
        at_push = self._at_same_push(slot, handled, repeat)
        steps = int(MOST_PUSH_N / PUSH_STEP_N) + 1
        give = self.give if at_push > 0 else 0.0
        needle = tuple(
            round(needle_at(at_push, give, PUSH_STEP_N * i, self.division), 5) for i in range(steps)
        )
        return Pull(needle, self.division)

    def _at_same_push(self, slot: Slot, handled: Handled, repeat: int) -> float:
        if self.fault == DEAD_NEEDLE and not handled.put_right(DEAD_NEEDLE):
            return 0.0
        play = self.play(handled)
        noise = self.s_r * self.stream.n(8, _number(slot, handled, repeat))
        if self.fault == LOOSE_COVER and not handled.put_right(LOOSE_COVER):
            play += LOOSE_MM
            noise *= 3
        if self.fault == WRONG_SPOT and not handled.put_right(WRONG_SPOT):
            play *= SPOT_SHARE
        if self.fault == BENT and not handled.put_right(BENT):
            play += BENT_MM if _first_mark(slot) else -BENT_MM
        return self.shown_at(slot, max(play + (noise if play > 0 else 0.0), 0.0), handled, repeat)

    def shown_at(self, slot: Slot, play: float, handled: Handled, repeat: int) -> float:
        """What a station shows of the quantity with the same push."""
        return play

    def told(self, slot: Slot, handled: Handled) -> Told | None:
        if slot.accepts == "confirm" and slot.key == "needle":
            dead = self.fault == DEAD_NEEDLE and not handled.put_right(DEAD_NEEDLE)
            return Told("The needle does not move." if dead else "The needle moves with the base.", not dead)
        if slot.accepts == "confirm":
            return Told("It is done.", True)
        return None

    def truth(self, handled: Handled) -> Truth:
        value, window = self.true(handled), self.window()
        return Truth(
            value=value,
            window=window,
            response=self.response(),
            scatter_um=1000 * self.s_a,
            give_um=1000 * self.give * 100,
            fault=self.fault,
            inside=window.holds(value),
        )

    def harmed(self, value: float) -> bool:
        """A play that became a preload beyond what the bearing bears."""
        return value < -HARM_MM


HARM_MM = 0.03


def needle_at(at_push: float, give: float, push: float, division: float) -> float:
    """Where the needle stands at a push, which shows `at_push` at the same push each time: it comes up until all play
    is taken up, then gives a little more for each N; past what the lever bears it lies.

    >>> needle_at(0.2, 0.0, 0.0, 0.01), needle_at(0.2, 0.0, 200.0, 0.01)
    (0.0, 0.2)
    """
    play = max(at_push - give * (SAME_PUSH_N - SEATS_N), 0.0)
    up = play * math.sin(math.pi / 2 * min(push / SEATS_N, 1.0))
    return up + give * max(push - SEATS_N, 0.0) + LIES_PER_N * division * max(push - BENDS_N, 0.0)


def _number(slot: Slot, handled: Handled, repeat: int) -> int:
    """No two readings scatter alike."""
    return 4096 * handled.assembly + 64 * (sum(map(ord, slot.key)) % 61) + repeat


def _first_mark(slot: Slot) -> bool:
    position = str(next(iter(slot.axes.values()), ""))
    return position in ("mark_up", "up", "1", "0")


def spread_over(rig: BenchRig, least: float, most: float, channel: int) -> float:
    return least + (most - least) * rig.stream.u(channel)


def given_of(source: str, **more: Any) -> dict[str, Any]:
    return {"source": source, "basis": "new parts", **more}
