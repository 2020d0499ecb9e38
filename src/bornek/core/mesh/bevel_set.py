"""A bevel gear set: what is on its drawing, and what follows from that about its cones."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Literal

from bornek.core.errors import RangeError

Side = Literal["drive", "coast"]
SIDES: tuple[Side, Side] = ("drive", "coast")
CUTTER_PER_RM = 1.2
"""Cutter radius over mean cone distance of a spiral set whose cutting nobody knows."""
UNKNOWN_BIAS = 0.8
"""Bias of a spiral set whose cutting nobody knows."""


@dataclass(frozen=True)
class BevelSet:
    """Teeth, outer module [mm], face width [mm], mean spiral angle [deg], cutter radius [mm] (None: straight), pressure
    angle [deg], working depth and gear addendum at the outer end [mm], the hand (+1, −1), and how the flanks were eased
    off: crowning along and up the tooth [mm at the edges], bias, and where the unloaded contact was meant to lie
    (0 to 1).

    Valid: shafts at 90°, no offset, 5 ≤ z1 ≤ z2, face at most 0.45 of the cone distance, spiral 0 to 45°.

    >>> round(BevelSet(14, 39, 6.0, 45.0, depth=12.0, gear_addendum=3.5957).outer_cone_mm, 3)
    124.31
    """

    z1: int
    z2: int
    module: float
    face: float
    spiral_deg: float = 0.0
    cutter: float | None = None
    pressure_deg: float = 20.0
    depth: float = 0.0
    gear_addendum: float = 0.0
    hand: Literal[1, -1] = 1
    crown_along: float = 0.030
    crown_up: float = 0.012
    bias: float = 0.0
    centre: tuple[float, float] = (0.45, 0.60)

    def __post_init__(self) -> None:
        wrong = _out_of_range(self)
        if wrong:
            raise RangeError(wrong[1], field=wrong[0], next_step="Measure it again, or go by paint alone.")

    @property
    def gear_angle(self) -> float:
        """Pitch angle of the gear, Γ = atan(z2/z1) [rad]."""
        return math.atan2(self.z2, self.z1)

    @property
    def pinion_angle(self) -> float:
        return math.pi / 2 - self.gear_angle

    @property
    def outer_cone_mm(self) -> float:
        """Re = m·z2/(2 sin Γ)."""
        return self.module * self.z2 / (2 * math.sin(self.gear_angle))

    @property
    def mean_cone_mm(self) -> float:
        return self.outer_cone_mm - self.face / 2

    @property
    def gear_radius_mm(self) -> float:
        """Outer pitch radius of the gear."""
        return self.module * self.z2 / 2

    @property
    def crown_pitch(self) -> float:
        """p_c = 2π sin Γ/z2 [rad]: what the crown gear turns by from tooth to tooth."""
        return 2 * math.pi * math.sin(self.gear_angle) / self.z2

    @property
    def spiral(self) -> bool:
        return self.spiral_deg > 0

    def spiral_at(self, cone_mm: float) -> float:
        """Spiral angle at a cone distance: sin ψ(R) = (R² + 2 Rm rc sin ψm − Rm²)/(2 R rc) [rad].

        >>> round(math.degrees(S2.spiral_at(S2.mean_cone_mm)), 6)
        35.0
        """
        if self.cutter is None or not self.spiral:
            return math.radians(self.spiral_deg)
        rm, rc, r = self.mean_cone_mm, self.cutter, cone_mm
        sine = (r * r + 2 * rm * rc * math.sin(math.radians(self.spiral_deg)) - rm * rm) / (2 * r * rc)
        if not -1 < sine < 1:
            raise RangeError(
                f"A cutter of {rc:.1f} mm does not reach a cone distance of {r:.1f} mm.",
                field="cutter",
                next_step="Leave the cutter radius empty if nobody knows it.",
            )
        return math.asin(sine)


def _out_of_range(s: BevelSet) -> tuple[str, str] | None:
    cone = s.module * s.z2 / (2 * math.sin(math.atan2(s.z2, max(s.z1, 1))))
    checks = (
        (5 <= s.z1 <= s.z2 <= 200, "z2", f"Teeth must be 5 to 200, the gear's not fewer (got {s.z1}/{s.z2})."),
        (0.5 <= s.module <= 40, "module", f"Outer module must be 0.5 to 40 mm (got {s.module:g})."),
        (0 < s.face <= 0.45 * cone, "face", f"Face width must be above 0 and at most {0.45 * cone:.1f} mm, 0.45 of the cone distance (got {s.face:g})."),
        (0 <= s.spiral_deg <= 45, "spiral", f"Spiral angle must be 0 to 45° (got {s.spiral_deg:g})."),
        (14 <= s.pressure_deg <= 28, "pressure", f"Pressure angle must be 14 to 28° (got {s.pressure_deg:g})."),
        (s.cutter is None or s.cutter >= 0.5 * (cone - s.face / 2), "cutter", f"Cutter radius must be at least half of the mean cone distance, {0.5 * (cone - s.face / 2):.1f} mm (got {s.cutter})."),
        (s.depth > 0 and 0 < s.gear_addendum < s.depth, "depth", f"Working depth must be above 0 and the gear's addendum within it (got {s.depth:g} and {s.gear_addendum:g})."),
        (s.crown_along > 0 and s.crown_up > 0 and abs(s.bias) < 1, "crown", "Crowning must be above 0 and bias between −1 and 1."),
    )  # fmt: skip
    return next(((field, words) for fits, field, words in checks if not fits), None)


S1 = BevelSet(14, 39, 6.0, 45.0, 0.0, None, 20.0, 12.0, 3.5957, 1, 0.024, 0.010)
S2 = BevelSet(11, 43, 7.0, 55.0, 35.0, 114.3, 20.0, 11.9, 3.3987, 1, 0.045, 0.015)
S3 = BevelSet(19, 31, 5.0, 27.0, 30.0, 76.2, 20.0, 8.5, 3.0325, 1, 0.035, 0.012)
"""Three sets by which the model is checked: straight, spiral with a great ratio, spiral with a small one."""
