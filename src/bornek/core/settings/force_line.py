"""A straight line through deflections at two or more forces: the play at no force, and the elastic part."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

from bornek.core.errors import RangeError
from bornek.core.gauges import Gauge
from bornek.core.readings import budget
from bornek.core.settings.kind import Check, Slot
from bornek.core.settings.records import Context
from bornek.core.settings.sifting import sift
from bornek.core.windows import Normal

ALIKE, BEYOND = 6.0, 2.0
"""What gives is taken for another thing, or another unit, at this many times as much and this many give or takes."""


@dataclass(frozen=True)
class ForceLine:
    """y = play + slope·F. `slope` in mm a N; both with their standard uncertainty."""

    play: Normal
    slope: Normal
    cov: float

    def at(self, force_n: float) -> Normal:
        """The deflection on the line at a force.

        >>> line = fit_line([100.0, 200.0], [0.0135, 0.0165], 0.0005)
        >>> round(line.at(150.0).v, 4)
        0.015
        """
        var = self.play.u**2 + 2 * force_n * self.cov + (force_n * self.slope.u) ** 2
        return Normal(self.play.v + self.slope.v * force_n, math.sqrt(max(var, 0.0)))

    @property
    def stiffness(self) -> float:
        """Force for a µm [N/µm]; infinite where nothing gives."""
        return 1e-3 / self.slope.v if self.slope.v > 0 else math.inf


def fit_line(forces_n: Sequence[float], travels_mm: Sequence[float], u_mm: float) -> ForceLine:
    """Least squares of travel on force, each travel known to the same `u_mm`.

    slope = Σ(F − F̄)(y − ȳ)/Σ(F − F̄)², play = ȳ − slope·F̄; needs two different forces. Units: N, mm.

    >>> line = fit_line([100.0, 200.0], [0.0135, 0.0165], 0.0005)
    >>> round(line.play.v, 4), round(line.stiffness, 1)
    (0.0105, 33.3)
    """
    n = len(forces_n)
    mean_f = sum(forces_n) / n if n else 0.0
    squares = sum((f - mean_f) ** 2 for f in forces_n)
    if n != len(travels_mm) or squares <= 0:
        raise RangeError(
            "A line needs travels at two different forces or more.",
            field="forces",
            next_step="Name a second force, clearly apart from the first.",
        )
    mean_y = sum(travels_mm) / n
    slope = sum((f - mean_f) * (y - mean_y) for f, y in zip(forces_n, travels_mm, strict=True)) / squares
    u_slope = u_mm / math.sqrt(squares)
    u_play = u_mm * math.sqrt(1 / n + mean_f**2 / squares)
    return ForceLine(Normal(mean_y - slope * mean_f, u_play), Normal(slope, u_slope), -mean_f * u_slope**2)


def read_line(by_force: Mapping[float, Sequence[float]], gauge: Gauge, floor_mm: float) -> ForceLine | None:
    """The line through the mean travels at each force, read by one gauge; None until two forces were read.

    What the gauge is off by turns no line: it counts for the play by the share that the play has of the largest
    travel. `floor_mm`: what one reading scatters by at least.

    >>> fine = Gauge("g", "lever", division=0.001, calibration_u=0.0)
    >>> line = read_line({100.0: [0.0134, 0.0136], 200.0: [0.0165, 0.0165]}, fine, 0.0005)
    >>> round(line.play.v, 4)
    0.0105
    """
    if len(by_force) < 2:
        return None
    means = [sum(v) / len(v) for v in by_force.values()]
    one = budget({"one": next(iter(by_force.values()))}, gauge, "travel", floor_mm)
    found = fit_line(list(by_force), means, math.hypot(one.resolution, one.scatter))
    share = min(max(found.play.v / max(means), 0.0), 1.0) if max(means) > 0 else 1.0
    return replace(found, play=Normal(found.play.v, math.hypot(found.play.u, one.calibration * share)))


def forces_of(ctx: Context) -> list[float]:
    """The forces that are given, first to third, N."""
    return [float(f) for n in (1, 2, 3) if (f := ctx.given.get(f"force_{n}")) is not None]


def force_slots(ctx: Context, key: str, repeats: int, posture: str, most_mm: float) -> list[Slot]:
    """A travel at every force, so many times; `posture` may name the force as {force}."""
    return [
        Slot(
            key=f"{key}.{n}.{rep}",
            label=f"At {force:g} N, reading {rep}",
            group=f"At {force:g} N",
            axes={"force": n, "rep": rep},
            quantity="length",
            nature="travel",
            posture=posture.format(force=f"{force:g} N"),
            plausible=(0.0, most_mm),
            peers=f"{key}.{n}",
        )
        for n, force in enumerate(forces_of(ctx), 1)
        for rep in range(1, repeats + 1)
    ]


def line_of(ctx: Context, slots: Sequence[Slot], floor_mm: float) -> ForceLine | None:
    """The line through what was read at these stations."""
    sifted = sift(slots, ctx.now())
    forces = {f"At {f:g} N": f for f in forces_of(ctx)}
    read = {forces[name]: values for name, values in sifted.numbers(slots).items()}
    gauges = sifted.gauges(slots, ctx)
    return read_line(read, gauges[0], floor_mm) if gauges else None


def line_checks(ctx: Context, slots: Sequence[Slot], line: ForceLine, floor_mm: float) -> list[Check]:
    """More force that moves it less, and a line that gives several times what it gave a round before.

    The same bar on the same shaft gives about the same: what is read a tenth or 25.4 times is seen in the slope,
    whatever the play did meanwhile. Rounds before parts were exchanged are not compared.
    """
    if line.slope.v < 0:
        words = "More force moved it less: the bar slipped or the gauge did. Read all forces again."
        return [Check("line", "warn", words, "reseat")]
    for number in range(ctx.round - 1, ctx.first_round - 1, -1):
        before = line_of(ctx.at(number), slots, floor_mm)
        if before is not None:
            return [] if alike(before.slope, line.slope) else [_other_slope(number, before.slope, line.slope)]
    return []


def alike(a: Normal, b: Normal) -> bool:
    """Whether two slopes may be those of one thing.

    >>> alike(Normal(3e-5, 5e-6), Normal(4e-5, 5e-6)), alike(Normal(3e-5, 5e-6), Normal(3e-6, 5e-6))
    (True, False)
    """
    small, large = sorted((a.v, b.v))
    return small * ALIKE > large or large - small < BEYOND * math.hypot(a.u, b.u)


def _other_slope(number: int, before: Normal, now: Normal) -> Check:
    """µm for 10 N in both rounds, and what to do about it."""
    words = (
        f"10 N give {_shown(now)} µm, in round {number} it was {_shown(before)}: unit, decimal point, or the bar "
        "stands elsewhere. Read all forces again."
    )
    return Check("slope", "warn", words, "reseat")


def _shown(slope: Normal) -> str:
    return f"{slope.v * 1e4:.2g}"
