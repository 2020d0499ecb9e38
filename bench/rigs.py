"""Simulated settings of every kind of knob, read through the application's own guide and judged by its own sheet."""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from typing import Any

import numpy as np

from bornek.core.gauges import Gauge
from bornek.core.mesh.cover import holes_of
from bornek.core.mesh.worm import eccentric_shift_mm
from bornek.core.settings.given import read_given
from bornek.core.settings.kind import Setting
from bornek.core.settings.records import Act, Between, Choice, Confirm, Context, Entry, Raw, Scalar
from bornek.core.settings.registry import find_kind
from bornek.core.settings.state import Position, ShimPack, State
from bornek.core.settings.watch import guide_of

Draw = np.random.Generator
FINE = Gauge("g", "gauge", division=0.002, calibration_u=0.0005)


@dataclass(frozen=True)
class Truth:
    """One unit: its value where it stands, its response, what every assembly and every reading scatters by."""

    y0: float
    k: float
    s_a: float
    s_r: float
    base: float = 0.095
    """The clearance before it is driven up."""


@dataclass(frozen=True)
class Rig:
    """A kind with what is given, how units of it are drawn, how a true value is read, and where harm begins.

    `start` is where the adjuster stands at first; `first` the value then that nobody needs to read (a snug nut).
    """

    name: str
    kind_id: str
    given: Mapping[str, Any]
    draw: Callable[[Draw], Truth]
    answer: Callable[[str, float, Truth, Draw], Raw | None]
    knob: str
    row: str
    window: tuple[float, float]
    edge: float
    start: float = 0.0
    one_way: bool = False
    gauge: Gauge = FINE
    shelf: Mapping[int, int] = field(default_factory=dict)
    share: float = 0.0
    """What a move scatters by, as a share of its effect."""
    curve: Mapping[float, float] = field(default_factory=dict)
    """Where an adjuster's answer is not proportional: what each position moves by."""

    def travel(self, at: float) -> float:
        """What the value answers: the position itself, or what the curve says of it."""
        return self.curve[at] if self.curve else at

    @property
    def kind(self) -> Setting:
        return find_kind(self.kind_id)

    def state(self, at: float) -> State:
        return (
            ShimPack((round(at * 1e6),))
            if self.shelf
            else Position(at, "deg" if self.knob == "nut" or self.curve else "mm")
        )


def scalar(value: float, step: float = 0.0005) -> Scalar:
    return Scalar(round(round(value / step) * step, 6))


def blades(value: float, step: float = 0.01) -> Between:
    """The largest blade that goes and the next one."""
    lo = max(math.floor(value / step + 1e-9), 0)
    return Between(round(lo * step, 6), round((lo + 1) * step, 6))


def bench_of(
    rig: Rig, entries: list[Entry], acts: list[Act], number: int, given: Mapping[str, Any]
) -> Context:
    return Context(
        given=given,
        entries=tuple(entries),
        acts=tuple(acts),
        gauges={rig.gauge.id: rig.gauge},
        gauge=rig.gauge.id,
        stock=rig.shelf,
        fine=rig.kind.fine,
        round=number,
    )


def read_round(
    rig: Rig,
    truth: Truth,
    y: float,
    entries: list[Entry],
    acts: list[Act],
    number: int,
    given: Mapping[str, Any],
    rng: Draw,
) -> None:
    """Every station of the round as the guide asks for it, until it asks for nothing more."""
    seen: set[str] = set()
    while True:
        ctx = bench_of(rig, entries, acts, number, given)
        owed = [s for s in guide_of(rig.kind, ctx).slots if s.key not in seen and not s.optional]
        fresh = False
        for slot in owed:
            raw = rig.answer(slot.key, y, truth, rng)
            if raw is None:
                raw = Choice(slot.options[0][0]) if slot.options else Confirm(True)
            seq = len(entries) + len(acts) + 1
            entries.append(Entry(f"e{seq}", slot.key, raw, number, rig.gauge.id, confirmed=True, seq=seq))
            seen.add(slot.key)
            fresh = True
        if not fresh:
            return


def _noisy(share: float = 1.0) -> Callable[[str, float, Truth, Draw], Raw | None]:
    def answer(slot: str, y: float, truth: Truth, rng: Draw) -> Raw | None:
        return (
            scalar(max(share * y + truth.s_r * rng.normal(), 0.0))
            if "travel" in slot or "again" in slot
            else None
        )

    return answer


THRUST = {
    "least": 0.18,
    "greatest": 0.28,
    "pitch": 2.0,
    "tabs": 17,
    "slots": 4,
    "first_lock": 2.1,
    "source": "bench",
}
PER_DEG = 2.0 / 360


def _thrust(slot: str, y: float, truth: Truth, rng: Draw) -> Raw | None:
    if slot == "lift":
        return scalar(0.6)
    return scalar(max(y + truth.s_r * rng.normal(), 0.0)) if slot.startswith("travel") else None


def _nose(slot: str, y: float, truth: Truth, rng: Draw) -> Raw | None:
    if not slot.startswith("play"):
        return None
    at_gauge = y * 300 / 210 + 3e-5 * (100 if slot.startswith("play.1") else 200)
    return scalar(max(at_gauge + truth.s_r * rng.normal(), 0.0), 0.0005)


def _feelers(slot: str, y: float, truth: Truth, rng: Draw) -> Raw | None:
    """y is the reduction."""
    return (
        blades(max(truth.base - y + truth.s_r * rng.normal(), 0.0), 0.005)
        if slot.startswith("feeler")
        else None
    )


SEAL_N = 17.65


def _drag(slot: str, y: float, truth: Truth, rng: Draw) -> Raw | None:
    if slot.startswith("seal"):
        return scalar(SEAL_N * (1 + 0.02 * rng.normal()), 0.25)
    if slot.startswith("drag"):
        return scalar((SEAL_N + max(y - SEAL_N, 0.0)) * (1 + 0.02 * rng.normal()), 0.25)
    return None


def _lift(slot: str, y: float, truth: Truth, rng: Draw) -> Raw | None:
    """y is the deflection at 300 N; what gives is 0.02 µm a N, the rest is play."""
    if not slot.startswith("lift"):
        return None
    force = 150 if slot.startswith("lift.1") else 300
    return scalar(max(y - 2e-5 * (300 - force) + truth.s_r * rng.normal(), 0.0))


def _gap(slot: str, y: float, truth: Truth, rng: Draw) -> Raw | None:
    return blades(max(y + truth.s_r * rng.normal(), 0.0), 0.01) if slot.startswith("gap") else None


SWING_DEG = {"lash.1": 0.5, "lash.2": 0.0, "lash.3": 0.7, "lash.4": 1.1}
CLAMP_DEG = -0.6


def _worm(slot: str, y: float, truth: Truth, rng: Draw) -> Raw | None:
    """y is the lost motion at the handle at the tightest place, clamped [deg]."""
    if slot.startswith("float"):
        return scalar(0.02)
    if slot == "snug":
        return scalar(max(y - CLAMP_DEG + truth.s_r * rng.normal(), 0.0), 0.25)
    return (
        scalar(max(y + SWING_DEG[slot] + truth.s_r * rng.normal(), 0.0), 0.25) if slot in SWING_DEG else None
    )


def _sectors(slot: str, y: float, truth: Truth, rng: Draw) -> Raw | None:
    if slot.startswith("through"):
        return Choice("binds" if y < 0 else "free")
    if slot.startswith(("lost", "again")):
        return scalar(max(y + truth.s_r * rng.normal(), 0.0), 0.005)
    return None


WORM = {"limit_as": "handle", "least": "1.5", "greatest": "4.5", "teeth": 90, "lead": 7.854, "throw": 1.5,
        "pitch_radius": 112.5, "source": "bench"}  # fmt: skip
SECTORS = {"greatest": 0.15, "holes": 16, "throw": 0.8, "angle": 30, "sense": "apart", "half": "turned over",
           "source": "bench"}  # fmt: skip
PER_MM = 33.38
CARRIER = {round(0.5 * n, 6): eccentric_shift_mm(1.5, 0.5 * n, 0.0) for n in range(361)}
COVER = {h.turned: h.moves for h in holes_of(16, 0.8, 30.0, 1, True)}
WASHERS = {round(t * 1e4) * 100: 2 for t in np.arange(2.30, 2.90, 0.05)}
RIGS = (
    Rig("lattice: thrust nut", "thrust_nut", THRUST,
        lambda r: Truth(0.0, PER_DEG * (1 + 0.05 * r.normal()), 0.006, 0.0035), _thrust, "nut", "end_play",
        (0.18, 0.28), -1.0),
    Rig("lattice: nut over springs", "spring_thrust_nut", THRUST,
        lambda r: Truth(r.uniform(0.05, 0.5), PER_DEG * (1 + 0.1 * r.normal()), 0.006, 0.0035), _noisy(), "nut",
        "end_play", (0.18, 0.28), 0.13),
    Rig("one way: nut on a taper", "taper_spindle",
        {"least": 0.001, "greatest": 0.007, "span": 210, "overhang": 90, "pitch": 1.5, "rim": 88, "source": "bench"},
        lambda r: Truth(r.uniform(0.010, 0.022), -1 / 3388 * (1 + 0.12 * r.normal()), 0.0005, 0.0004), _nose, "nut",
        "play", (0.001, 0.007), 0.001, one_way=True, gauge=Gauge("g", "lever", division=0.001, calibration_u=0.0002),
        share=0.03),
    Rig("one way: drive-up, feelers", "taper_clearance", {"designation": "22218 EK", "source": "bench"},
        lambda r: Truth(0.0, 0.0653 * (1 + 0.08 * r.normal()), 0.0015, 0.001, r.uniform(0.092, 0.1)), _feelers, "drive", "reduction",
        (0.045, 0.060), 0.060, one_way=True, gauge=Gauge("g", "blades", division=0.005, interpolation=1.0), share=0.03),
    Rig("one way: crush spacer, drag", "rolling_drag",
        {"scale": "N", "bearings": "new", "new_least": 30, "new_greatest": 44, "run_in_least": 18, "run_in_greatest": 22,
         "adjuster": "crush", "source": "bench"},
        lambda r: Truth(SEAL_N + r.uniform(4, 12), r.uniform(0.9, 2.8), 0.8, 0.0), _drag, "nut", "drag",
        (SEAL_N + 30, SEAL_N + 44), SEAL_N + 44, one_way=True, gauge=Gauge("g", "scale", "N", 0.5, 0.5, 0.1, "force"),
        share=0.03),
    Rig("continuous: nut, deflection", "lift_deflection",
        {"limit": 0.012, "limit_force": 300, "force_1": 150, "force_2": 300, "pitch": 1.5, "source": "bench"},
        lambda r: Truth(r.uniform(0.018, 0.030), -1.5 / 360 * 0.5 * r.uniform(0.5, 1.6), 0.0008, 0.0004), _lift, "nut",
        "deflection", (0.0, 0.012), 0.0, gauge=Gauge("g", "lever", division=0.001, calibration_u=0.0002)),
    Rig("washers from a shelf, feelers", "side_clearance",
        {"pair": "two", "least": 0.2, "greatest": 0.32, "source": "bench"},
        lambda r: Truth(r.uniform(0.05, 0.6), -(1 + 0.03 * r.normal()), 0.006, 0.004), _gap, "pack", "gap",
        (0.2, 0.32), 0.14, start=2.55, shelf=WASHERS),
    Rig("curve: eccentric carrier of a worm", "worm_lash", WORM,
        lambda r: Truth(r.uniform(6, 14), PER_MM * (1 + 0.12 * r.normal()), 0.3, 0.15), _worm, "carrier", "lash",
        (1.5, 4.5), 0.0, start=100.0, gauge=Gauge("g", "protractor", "deg", 0.5, 0.5, 0.02, "angle"), curve=CARRIER),
    Rig("curve: eccentric covers of sectors", "sector_cover", SECTORS,
        lambda r: Truth(r.uniform(0.25, 0.55), 0.728 * (1 + 0.12 * r.normal()), 0.012, 0.004), _sectors, "cover", "lost",
        (0.0, 0.15), 0.0, curve=COVER),
)  # fmt: skip


def begin(rig: Rig) -> tuple[list[Entry], list[Act], dict[str, Any]]:
    given = read_given(rig.kind, dict(rig.given))
    entered = rig.shelf or rig.curve
    acts = [Act("a0", 1, "as_found", {rig.knob: rig.state(rig.start)}, seq=0)] if entered else []
    return [], acts, given
