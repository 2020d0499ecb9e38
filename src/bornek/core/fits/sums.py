"""What the sums of a fit share: a sentence with its moves, a line of working, fields that several ask."""

from __future__ import annotations

from dataclasses import replace
from typing import ClassVar

from bornek.core.fits.materials import Material, materials, options
from bornek.core.phrases import Say, plain, text_of
from bornek.core.quantities import Speech, signed
from bornek.core.settings.kind import Calculation, Field, Outcome
from bornek.core.settings.records import Context
from bornek.core.working import Line

MAKERS = "The maker's manual, the shop's rules and local codes come first."
HAND_N = 450.0
"""What one person pulls on a lever without a jerk [N]; above it a multiplier or the hydraulic way."""


class FitSum(Calculation):
    """A sum of a fit. `group` is its heading on the page of sums; `at` whether it belongs to a part or a step."""

    group: ClassVar[str]
    at: ClassVar[str] = "part"

    def speak(self, ctx: Context, outcome: Outcome) -> Say:
        """The answer in one sentence, what is to be handled marked."""
        return plain(outcome.instruct)

    def spoken(self, ctx: Context, outcome: Outcome) -> Outcome:
        """The outcome with its sentence in plain words."""
        return replace(outcome, instruct=text_of(self.speak(ctx, outcome)))

    def head(self, ctx: Context, outcome: Outcome) -> tuple[str, str]:
        """What stands beside the sentence: a heading and a few words."""
        return "", ""


def line(label: str, formula: str, value: float, unit: str, places: int, main: bool = False) -> Line:
    """
    >>> line("Area", "π/4 × (63² − 30²)", 24.1035, "cm²", 2).result
    '24.10 cm²'
    """
    return Line(label, formula, f"{signed(value, places)} {unit}".strip(), main)


def size_line(label: str, formula: str, mm: float, say: Speech, main: bool = False) -> Line:
    return Line(label, formula, f"{say.number(mm)} {say.unit}", main)


def kn(force_n: float) -> str:
    """
    >>> kn(96413), kn(750)
    ('96.4 kN', '750 N')
    """
    if force_n < 1000:
        return f"{signed(force_n, 0)} N"
    return f"{signed(force_n / 1000, 0 if force_n >= 100e3 else 1)} kN"


def nm(torque_n_m: float) -> str:
    """
    >>> nm(17571), nm(84)
    ('17.6 kN·m', '84 N·m')
    """
    if torque_n_m >= 10_000:
        return f"{signed(torque_n_m / 1000, 1)} kN·m"
    return f"{signed(torque_n_m, 0 if torque_n_m >= 20 else 1)} N·m"


def material_field(key: str, label: str, default: str = "carbon_steel") -> Field:
    return Field(key, label, "choice", options=options(), default=default)


def material_of(ctx: Context, key: str) -> Material:
    return materials()[str(ctx.given[key])]


def number_of(ctx: Context, key: str) -> float | None:
    value = ctx.given.get(key)
    return None if value is None else float(value)


def or_else(ctx: Context, key: str, otherwise: float) -> float:
    value = number_of(ctx, key)
    return otherwise if value is None else value


def yes_no(key: str, label: str, why: str = "") -> Field:
    return Field(key, label, "choice", options=(("no", "no"), ("yes", "yes")), default="no", why=why)


def temperature_words(t_c: float) -> str:
    """
    >>> temperature_words(122.6), temperature_words(-78)
    ('123 °C', '−78 °C')
    """
    return f"{signed(t_c, 0)} °C"
