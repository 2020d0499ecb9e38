"""A bevel pair by packs at both members: backlash and painted contact, answered together."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace
from typing import Any, ClassVar

import numpy as np
from numpy.typing import NDArray
from scipy.optimize import minimize

from bornek.core.advice.packs import USUAL_MOST, reachable
from bornek.core.mesh.bevel_set import Side
from bornek.core.mesh.contact import Shift, contact
from bornek.core.mesh.lash import lash_change_mm
from bornek.core.practice.bevel_rig import BY_NUMBER, BevelRig, make_rig
from bornek.core.practice.rigs.bench_rig import MOST_PUSH_N, PUSH_STEP_N, BenchRig, Print, Pull, Told, Truth
from bornek.core.practice.rigs.faults import DEAD_NEEDLE, WRONG_SPOT
from bornek.core.practice.rigs.handled import Handled
from bornek.core.practice.rigs.pried import SPOT_SHARE, given_of, needle_at
from bornek.core.practice.rigs.rig import RIG_SEED
from bornek.core.quantities import from_nm, to_nm
from bornek.core.settings.kind import Slot
from bornek.core.settings.records import Context
from bornek.core.settings.registry import find_kind
from bornek.core.settings.state import StateView
from bornek.core.sheet import Sheet
from bornek.core.windows import Window

Floats = NDArray[np.float64]
LEAST_MM, GREATEST_MM = 0.18, 0.28
TOTAL_MM = 1.55
THICKNESSES = (0.05, 0.08, 0.10, 0.15, 0.20, 0.25, 0.30, 0.50)
PINION = [0.5, 0.25, 0.15]
LEFT, RIGHT = [0.5, 0.25, 0.05], [0.5, 0.25]
FURTHER = 1.6
"""A learner's pair stands so much further from home than a benchmark's."""
NEAR = 0.2
"""The print lies well that lies no further than this share of the flank from where it should."""
BINDS_MM = 0.03
LEAST_MOVE_MM = 0.01
SIMPLEX_MM = ((0.0, 0.0), (0.1, 0.0), (0.0, 0.1))
HARDLY = 0.1
"""A way of moving both that answers less than this share of the best one is left alone."""


class BevelPairRig(BenchRig):
    """The set, where its members stand and how its backlash answers are hidden."""

    sort = "bevel"
    kind = "bevel_mesh"
    title = "Bevel pair, backlash and print"
    knob = "pinion"
    shim_form = "R ring"
    drawer: ClassVar[Mapping[float, int]] = dict.fromkeys(THICKNESSES, 10)
    gauge: ClassVar[Mapping[str, Any]] = {"unit": "mm", "division": 0.01, "interpolation": 0.5}
    faults = (DEAD_NEEDLE, WRONG_SPOT)

    def __init__(self, number: int) -> None:
        super().__init__(number)
        pair = make_rig(RIG_SEED, number, BY_NUMBER[number % 3])
        stands = Shift(FURTHER * pair.stands.pinion, FURTHER * pair.stands.gear)
        self.pair: BevelRig = replace(pair, stands=stands)

    def book(self) -> dict[str, Any]:
        s = self.pair.truth
        curved = {"hand": "left", "cutter": s.cutter} if s.spiral else {}
        return given_of(
            f"Rig card {self.number}",
            least=LEAST_MM,
            greatest=GREATEST_MM,
            pinion_sense="out",
            left_sense="out",
            carrier_total=TOTAL_MM,
            geometry="known",
            z1=s.z1,
            z2=s.z2,
            module=s.module,
            face=s.face,
            spiral_angle=s.spiral_deg,
            **curved,
        )

    def right_given(self) -> dict[str, Any]:
        return self.book()

    def found(self) -> dict[str, Any]:
        return {"pinion": PINION, "carrier": {"left": LEFT, "right": RIGHT}}

    def states_sent(self, sent: Any) -> dict[str, Any]:
        return dict(sent)

    def out(self, handled: Handled, assembly: int | None = None) -> tuple[float, float]:
        """By how much pinion and gear were moved out since as found [mm]."""
        number = handled.assembly if assembly is None else assembly
        if number < 2:
            return 0.0, 0.0
        states = handled.states[number - 1]
        pinion = from_nm(sum(states["pinion"].packs[0])) - sum(PINION)
        return pinion, from_nm(sum(states["carrier"].packs[0])) - sum(LEFT)

    def true(self, handled: Handled, assembly: int | None = None) -> float:
        number = handled.assembly if assembly is None else assembly
        at = self.pair.at(self.out(handled, number), number)
        return self.pair.home_lash + self.pair.answers * lash_change_mm(self.pair.truth, at)

    def mean_true(self, handled: Handled) -> float:
        return self.true(handled)

    def window(self) -> Window:
        return Window(LEAST_MM, GREATEST_MM, f"Rig card {self.number}", "new parts", "", 0.0)

    def harmed(self, value: float) -> bool:
        """The teeth bind."""
        return value < BINDS_MM

    def declared(self) -> float:
        return 1.0

    def response(self) -> float:
        return self.pair.answers

    def pull(self, slot: Slot, handled: Handled, repeat: int) -> Pull | None:
        if slot.motion != "pry":
            return None
        tooth = int(slot.key.split(".")[1]) - 1
        lash = self.pair.lash(self.out(handled), handled.assembly)[tooth]
        if self.fault == DEAD_NEEDLE and not handled.put_right(DEAD_NEEDLE):
            lash = 0.0
        if self.fault == WRONG_SPOT and not handled.put_right(WRONG_SPOT):
            lash *= SPOT_SHARE
        steps = int(MOST_PUSH_N / PUSH_STEP_N) + 1
        return Pull(tuple(round(needle_at(lash, 0.0, PUSH_STEP_N * i, 0.01), 5) for i in range(steps)), 0.01)

    def painted(self, slot: Slot, handled: Handled) -> Print | None:
        if slot.accepts != "paint":
            return None
        side: Side = "coast" if slot.axes.get("flank") == "coast" else "drive"
        return Print(side, self.pair.paint(side, self.out(handled), handled.assembly))

    def told(self, slot: Slot, handled: Handled) -> Told | None:
        if slot.accepts == "confirm":
            dead = slot.key == "needle" and self.fault == DEAD_NEEDLE and not handled.put_right(DEAD_NEEDLE)
            return Told("The needle does not move." if dead else "It is so.", not dead)
        if slot.accepts == "choice":
            return Told(f"It is {slot.options[0][1]}.", slot.options[0][0])
        return None

    def truth(self, handled: Handled) -> Truth:
        value, window = self.true(handled), self.window()
        return Truth(
            value,
            window,
            self.pair.answers,
            6.0,
            0.0,
            self.fault,
            window.holds(value) and self._well(handled),
        )

    def _well(self, handled: Handled) -> bool:
        """Whether the drive print lies where it was meant to lie."""
        s = self.pair.truth
        found = contact(s, "drive", self.pair.at(self.out(handled), handled.assembly))
        meant = contact(s, "drive", Shift(0.0, 0.0))
        return abs(found.x - meant.x) <= NEAR and abs(found.y - meant.y) <= NEAR

    def proposed(self, states: Mapping[str, StateView]) -> Any:
        packs = {key: [[p.thickness for p in pack] for pack in state.packs] for key, state in states.items()}
        return {
            "pinion": packs["pinion"][0],
            "carrier": {"left": packs["carrier"][0], "right": packs["carrier"][1]},
        }

    def log_words(self, state: Any, value: float | None) -> str:
        put = f"pinion {sum(state['pinion']):.2f}, gear left {sum(state['carrier']['left']):.2f} mm in"
        return f"{put}, nothing read" if value is None else f"{put}, backlash {value:.3f}"

    def pick(
        self, who: str, states: Sequence[Any], sheets: Sequence[Sheet], ctx: Context, handled: Handled
    ) -> Any:
        """Naive by the declared answers, secant by them as the last round mends them, the oracle by the true ones and
        by where the members truly stand."""
        now = states[-1]
        answers = find_kind(self.kind).response(ctx)
        rows = answers.rows if answers else ()
        z, half = _off(sheets[-1], rows)
        if z is None or answers is None:
            return now
        j = np.array(answers.k0)
        if who == "oracle":
            return self._packs(now, self._best_step(self.out(handled), z, half, sheets[-1], rows))
        if who == "secant" and len(states) > 1:
            j = self._mended(j, states, [_off(s, rows)[0] for s in sheets[-2:]])
        step, *_ = np.linalg.lstsq(j / half[:, None], -z / half, rcond=HARDLY)
        return self._packs(now, np.asarray(step, dtype=np.float64))

    def _rows_at(self, at: Shift) -> Floats:
        """Backlash [mm] and where the drive print lies, as they truly are where the members stand."""
        found = contact(self.pair.truth, "drive", at)
        lash = self.pair.home_lash + self.pair.answers * lash_change_mm(self.pair.truth, at)
        return np.array([lash, found.x, found.y])

    def _best_step(
        self, out: tuple[float, float], z: Floats, half: Floats, sheet: Sheet, rows: Sequence[str]
    ) -> Floats:
        """The step of both members that truly brings all nearest to the middles of their windows."""
        middle = self._read(sheet, rows) - z
        stands = self.pair.stands

        def off(step: Floats) -> float:
            at = Shift(stands.pinion + out[0] + step[0], stands.gear + out[1] + step[1])
            return float(np.sum(((self._rows_at(at) - middle) / half) ** 2))

        found = minimize(
            off, np.zeros(2), method="Nelder-Mead", options={"maxfev": 120, "initial_simplex": SIMPLEX_MM}
        )
        return np.asarray(found.x, dtype=np.float64)

    @staticmethod
    def _read(sheet: Sheet, rows: Sequence[str]) -> Floats:
        found = [sheet.outcome.result(key) for key in rows]
        return np.array([float(getattr(r.value, "v", 0.0)) if r else 0.0 for r in found])

    @staticmethod
    def _mended(j: Floats, states: Sequence[Any], read: Sequence[Floats | None]) -> Floats:
        """The answers after the last round: mended along the last move alone."""
        before, after = read
        dx = np.array([a - b for a, b in zip(_at(states[-1]), _at(states[-2]), strict=True)])
        if before is None or after is None or float(dx @ dx) < LEAST_MOVE_MM**2:
            return j
        return np.asarray(j + np.outer(after - before - j @ dx, dx) / (dx @ dx))

    def _packs(self, now: Any, step: Floats) -> Any:
        """The packs nearest to a step of both; the carrier's two sides keep their total."""
        have = {to_nm(t): n for t, n in self.drawer.items()}
        pinion = reachable(have, [to_nm(t) for t in now["pinion"]], USUAL_MOST)
        row = int(np.argmin(np.abs(pinion.sums - to_nm(sum(now["pinion"]) + float(step[0])))))
        sides = [
            reachable(have, [to_nm(t) for t in now["carrier"][s]], USUAL_MOST) for s in ("left", "right")
        ]
        wanted = to_nm(sum(now["carrier"]["left"]) + float(step[1]))
        for left in np.argsort(np.abs(sides[0].sums - wanted)):
            rest = to_nm(TOTAL_MM) - sides[0].sums[left]
            right = np.flatnonzero(sides[1].sums == rest)
            if len(right) and sides[0].sums[left] > 0:
                packs = [
                    [from_nm(nm) for nm in s.pack(int(i))]
                    for s, i in zip(sides, (left, right[0]), strict=True)
                ]
                return {
                    "pinion": [from_nm(nm) for nm in pinion.pack(row)],
                    "carrier": {"left": packs[0], "right": packs[1]},
                }
        return now


def _at(state: Any) -> tuple[float, float]:
    return sum(state["pinion"]), sum(state["carrier"]["left"])


def _off(sheet: Sheet, rows: Sequence[str]) -> tuple[Floats | None, Floats]:
    """How far each quantity lies from the middle of its window, and half its window; None where one was not read."""
    found = [sheet.outcome.result(key) for key in rows]
    windows = [r.window if r else None for r in found]
    half = np.array([w.half if w else 1.0 for w in windows])
    values = [getattr(r.value, "v", None) if r else None for r in found]
    if any(v is None for v in values):
        return None, half
    middles = [w.middle or 0.0 if w else 0.0 for w in windows]
    return np.array([float(v or 0.0) - m for v, m in zip(values, middles, strict=True)]), half
