"""How much a material grows when heated and shrinks when chilled, how stiff it is, what heat it holds.

The mean expansion of heating and of chilling differ: cold contraction is not linear.
"""

from __future__ import annotations

import csv
import re
from dataclasses import dataclass
from functools import cache
from importlib import resources

import bornek.core.tables as tables
from bornek.core.errors import RangeError

ROOM_C = 20.0
DRY_ICE_C, NITROGEN_C = -78.0, -196.0
HOTTEST_C = 400.0
HALVINGS = 50
STEEL_HEAT, STEEL_DENSITY = 480.0, 7850.0
"""Specific heat [J/(kg·K)] and density [kg/m³] of steel at room temperature."""
HEAT_AND_DENSITY = {
    "cast_iron": (500.0, 7200.0),
    "bronze": (380.0, 8700.0),
    "brass": (380.0, 8500.0),
    "aluminium": (900.0, 2700.0),
    "copper": (385.0, 8930.0),
    "stainless": (500.0, 7900.0),
}


@dataclass(frozen=True)
class Material:
    """One row of the table: mean expansions [1/K], `e_mpa` [MPa], `nu`; `row` names where it comes from."""

    key: str
    label: str
    alpha: float
    alpha_dry_ice: float
    alpha_nitrogen: float
    e_mpa: float
    nu: float
    confidence: str

    @property
    def row(self) -> str:
        return f"table thermal, {self.label}, confidence {self.confidence}"

    @property
    def heat(self) -> float:
        """Specific heat [J/(kg·K)]."""
        return self._bulk[0]

    @property
    def density(self) -> float:
        """[kg/m³]"""
        return self._bulk[1]

    @property
    def _bulk(self) -> tuple[float, float]:
        found = (v for k, v in HEAT_AND_DENSITY.items() if self.key.startswith(k))
        return next(found, (STEEL_HEAT, STEEL_DENSITY))


@cache
def materials() -> dict[str, Material]:
    """By key, in the table's order.

    >>> materials()["carbon_steel"].alpha
    1.17e-05
    """
    text = resources.files(tables).joinpath("thermal.csv").read_text(encoding="utf-8")
    return {m.key: m for m in map(_material, csv.DictReader(text.splitlines()))}


def _material(row: dict[str, str]) -> Material:
    name = row["material"]
    return Material(
        key=re.sub(r"[^a-z0-9]+", "_", name.lower()).strip("_"),
        label=name,
        alpha=float(row["alpha_20_100C_typ_1e-6_per_K"]) / 1e6,
        alpha_dry_ice=float(row["mean_alpha_20_to_-78C_1e-6_per_K"]) / 1e6,
        alpha_nitrogen=float(row["mean_alpha_20_to_-196C_1e-6_per_K"]) / 1e6,
        e_mpa=float(row["E_GPa_typ"]) * 1000,
        nu=float(row["poisson"]),
        confidence=row["confidence"],
    )


def options() -> tuple[tuple[str, str], ...]:
    return tuple((m.key, m.label) for m in materials().values())


def strain(material: Material, t_c: float) -> float:
    """Relative length against 20 °C.

    Equation: heating α·(t − 20); chilling −(a·x + b·x²) with x = 20 − t, through the table's two means.
    Parameters: t_c [°C], −196 to 400. Source: table thermal. Raises RangeError outside the range.

    >>> steel = materials()["carbon_steel"]
    >>> [round(1000 * strain(steel, t), 2) for t in (120, -78, -196)]
    [1.17, -1.06, -1.99]
    """
    if not NITROGEN_C <= t_c <= HOTTEST_C:
        raise RangeError(
            f"A temperature must be −196 to 400 °C (got {t_c:g}).", next_step="Check the unit: °C or °F."
        )
    if t_c >= ROOM_C:
        return material.alpha * (t_c - ROOM_C)
    x, x1, x2 = ROOM_C - t_c, ROOM_C - DRY_ICE_C, ROOM_C - NITROGEN_C
    b = (material.alpha_nitrogen - material.alpha_dry_ice) / (x2 - x1)
    a = material.alpha_dry_ice - b * x1
    return -(a + b * x) * x


def growth_mm(material: Material, d_mm: float, from_c: float, to_c: float) -> float:
    """Change of a diameter between two temperatures [mm]; negative when it shrinks.

    >>> round(growth_mm(materials()["carbon_steel"], 140, 20, -78), 3)
    -0.148
    """
    return d_mm * (strain(material, to_c) - strain(material, from_c))


def temperature_for(material: Material, d_mm: float, growth: float, from_c: float) -> float:
    """The temperature at which a diameter has grown by so much since `from_c` [°C].

    Equation: t = 20 + (growth / d + strain(from)) / α; for a result below 20 °C the cold curve, halved in.
    Parameters: d_mm above 0, growth 0 or more [mm]. Raises RangeError for a shrinking, and where no temperature up to
    400 °C does it.

    >>> round(temperature_for(materials()["carbon_steel"], 140, 0.168, 20), 1)
    122.6
    """
    if growth < 0:
        raise RangeError(
            f"A growth must be 0 or more (got {growth:g}).", next_step="Chill it instead: see growth_mm."
        )
    wanted = growth / d_mm + strain(material, from_c)
    if wanted < 0:
        return _cold_with(material, wanted, from_c)
    found = ROOM_C + wanted / material.alpha
    if found > HOTTEST_C:
        raise RangeError(
            f"It would take {found:.0f} °C, and 400 °C is where the table ends.",
            next_step="Check the interference and the diameter, or chill the shaft as well.",
        )
    return found


def _cold_with(material: Material, wanted: float, from_c: float) -> float:
    """The temperature between `from_c` and 20 °C at which the strain is as wanted."""
    lo, hi = from_c, ROOM_C
    for _ in range(HALVINGS):
        middle = (lo + hi) / 2
        lo, hi = (middle, hi) if strain(material, middle) < wanted else (lo, middle)
    return hi
