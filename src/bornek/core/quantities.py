"""The one way in and out for lengths, angles, forces, torques, pressures, temperatures, times and counts.

Inside the core every quantity has one unit: mm, deg, N, N·m, MPa, °C, s, and plain counts.
"""

from __future__ import annotations

import math
import re
from dataclasses import dataclass
from fractions import Fraction

from bornek.core.errors import InputError, UnitError

INCH_MM = 25.4
THOU_MM = 0.0254
KGF_N = 9.80665
LBF_N = 4.4482216152605
PSI_MPA = 0.006894757293168
SHORT_TON_N = 2000 * LBF_N
LONG_TON_N = 2240 * LBF_N

UNITS: dict[str, dict[str, float]] = {
    "length": {"mm": 1.0, "µm": 1e-3, "cm": 10.0, "m": 1000.0, "in": INCH_MM, "thou": THOU_MM,
               "tenth": THOU_MM / 10, "hundredth": 0.01},
    "angle": {"deg": 1.0, "rad": 180 / math.pi, "arcmin": 1 / 60},
    "force": {"N": 1.0, "kN": 1000.0, "kgf": KGF_N, "lbf": LBF_N,
              "metric ton": 1000 * KGF_N, "short ton": SHORT_TON_N, "long ton": LONG_TON_N},
    "torque": {"N·m": 1.0, "lb·ft": LBF_N * 0.3048, "lb·in": LBF_N * INCH_MM / 1000,
               "kgf·m": KGF_N, "N·cm": 0.01},
    "pressure": {"MPa": 1.0, "bar": 0.1, "psi": PSI_MPA},
    "temperature": {"°C": 1.0, "°F": 5 / 9},
    "time": {"s": 1.0, "min": 60.0},
    "count": {"": 1.0},
    "share": {"": 1.0, "%": 0.01},
}  # fmt: skip

_SPOKEN: dict[str, dict[str, str]] = {
    "length": {
        "mm": "mm", "millimetre": "mm", "millimetres": "mm", "millimeter": "mm", "um": "µm",
        "µm": "µm", "micron": "µm", "microns": "µm", "cm": "cm", "m": "m", '"': "in", "″": "in",
        "in": "in", "inch": "in", "inches": "in", "thou": "thou", "thous": "thou", "th": "thou",
        "tenth": "tenth", "tenths": "tenth", "tenths of a thou": "tenth", "tenth of a thou": "tenth",
        "hundredth": "hundredth", "hundredths": "hundredth", "hundredths mm": "hundredth",
        "hundredth mm": "hundredth", "hundredths of a mm": "hundredth", "hundredths of mm": "hundredth",
        "hundredths of a millimetre": "hundredth", "hundredth of a millimetre": "hundredth",
        "thousandth": "thou", "thousandths": "thou", "thousandths of an inch": "thou", "mil": "thou",
        "thousandths mm": "µm", "thousandths of a mm": "µm", "thousandths of a millimetre": "µm",
    },
    "angle": {"°": "deg", "deg": "deg", "degree": "deg", "degrees": "deg", "rad": "rad",
              "'": "arcmin", "′": "arcmin", "arcmin": "arcmin"},
    "force": {"n": "N", "newton": "N", "newtons": "N", "kn": "kN", "kgf": "kgf", "kg": "kgf",
              "kp": "kgf", "lbf": "lbf", "lb": "lbf", "lbs": "lbf", "metric ton": "metric ton", "metric tons": "metric ton",
              "tonne": "metric ton", "tonnes": "metric ton", "short ton": "short ton",
              "short tons": "short ton", "long ton": "long ton", "long tons": "long ton"},
    "torque": {"nm": "N·m", "n·m": "N·m", "n m": "N·m", "n.m": "N·m", "n-m": "N·m",
               "newton metres": "N·m", "lb-ft": "lb·ft", "lb·ft": "lb·ft", "ft-lb": "lb·ft",
               "lbft": "lb·ft", "lb ft": "lb·ft", "ftlb": "lb·ft", "lb-in": "lb·in",
               "in-lb": "lb·in", "lb·in": "lb·in", "lbin": "lb·in", "lb in": "lb·in",
               "kgf·m": "kgf·m", "kgf-m": "kgf·m", "kgm": "kgf·m", "n·cm": "N·cm", "ncm": "N·cm"},
    "pressure": {"mpa": "MPa", "bar": "bar", "psi": "psi", "n/mm²": "MPa", "n/mm2": "MPa"},
    "temperature": {"°c": "°C", "c": "°C", "deg c": "°C", "°f": "°F", "f": "°F"},
    "time": {"s": "s", "sec": "s", "seconds": "s", "min": "min"},
    "count": {},
    "share": {"%": "%", "percent": "%"},
}  # fmt: skip
_BASE = {
    "length": "mm", "angle": "deg", "force": "N", "torque": "N·m", "pressure": "MPa", "temperature": "°C",
    "time": "s", "count": "", "share": "",
}  # fmt: skip

_NUMBER = re.compile(
    r"^\s*(?P<sign>[+\-−–]?)\s*(?:(?P<whole>\d+)\s+)?(?:(?P<num>\d+)/(?P<den>\d+)|(?P<dec>\d+(?:[.,]\d*)?|[.,]\d+))\s*(?P<unit>.*?)\s*$"
)


LONGEST = 100
WHICH_TON = frozenset({"t", "ton", "tons"})


@dataclass(frozen=True)
class Spoken:
    """A quantity as typed: `value` in the core's unit, `unit` as understood, `text` untouched."""

    value: float
    unit: str
    text: str


def parse(text: str, quantity: str = "length", default_unit: str | None = None) -> Spoken:
    """Read a quantity as people type it in a shop.

    A bare number takes `default_unit` (the gauge's unit); a bare fraction is of an inch. A comma is a decimal comma.
    Raises InputError on no number or an unclear one, UnitError on a unit of another quantity.

    >>> parse("8 thou").value
    0.2032
    >>> round(parse('.008"').value, 4), parse("0,20").value, round(parse("8 tenths").value, 5)
    (0.2032, 0.2, 0.02032)
    >>> parse("12,5 hundredths mm").value, round(parse("3/64").value, 4)
    (0.125, 1.1906)
    >>> round(parse("12 kgf", "force").value, 3), round(parse("85 lb-ft", "torque").value, 2)
    (117.68, 115.24)
    """
    if quantity not in UNITS:
        raise UnitError(f"{quantity!r} is not a quantity that Bornek measures.")
    if not isinstance(text, str) or len(text) > LONGEST:
        raise InputError(
            f"A reading is a text of at most {LONGEST} characters.",
            next_step="Type the number and its unit alone.",
        )
    text = text.strip()
    match = _NUMBER.match(" ".join(text.replace("μ", "µ").split()))
    if match is None:
        raise InputError(
            f"No number could be read in {text!r}.",
            next_step="Type digits, with a unit if it is not the gauge's: 0.20, 8 thou, .008 in.",
        )
    if match["whole"] and match["dec"]:
        raise InputError(
            f"{text!r} holds two numbers.", next_step="Type one number, without spaces inside it."
        )
    default = default_unit or _BASE[quantity]
    if match["num"] and quantity == "length" and not match["unit"]:
        default = "in"  # nobody divides a millimetre into 64 parts
    unit = _unit(match["unit"], quantity, default, text)
    number = _number(match)
    if not math.isfinite(number) or abs(number) > 1e9:
        raise InputError(f"{text!r} is too large to be a reading.")
    if unit == "°F":
        value = (number - 32) * 5 / 9
    else:
        value = round(number * UNITS[quantity][unit], 12)
    return Spoken(value, unit, text)


def _number(match: re.Match[str]) -> float:
    if match["num"]:
        if int(match["den"]) == 0:
            raise InputError("A fraction cannot have 0 below the line.")
        size = float(Fraction(int(match["num"]), int(match["den"])) + int(match["whole"] or 0))
    else:
        size = float(match["dec"].replace(",", "."))
    return -size if match["sign"] in ("-", "−", "–") else size


def _unit(spoken: str, quantity: str, default: str, text: str) -> str:
    if not spoken:
        return default
    known = _SPOKEN[quantity].get(spoken.lower())
    if known is None and quantity == "force" and spoken.lower() in WHICH_TON:
        raise UnitError(
            f"{text!r}: there are three tons.",
            next_step="Say which: metric ton (9.807 kN), short ton (8.896 kN) or long ton (9.964 kN).",
        )
    if known is None:
        allowed = ", ".join(u for u in UNITS[quantity] if u) or "none: type the number alone"
        raise UnitError(
            f"{spoken!r} in {text!r} is not a unit of {quantity}.",
            next_step=f"Use one of: {allowed}.",
        )
    return known


def unit_said(said: str, quantity: str) -> str:
    """The unit that is meant by how a gauge writes it; as it was written where none is known.

    >>> unit_said("MM", "length"), unit_said("furlong", "length")
    ('mm', 'furlong')
    """
    return _SPOKEN[quantity].get(said.strip().lower(), said.strip())


def decimals(value: float, least: int, most: int) -> int:
    """Number of decimals that `value` needs, between `least` and `most`.

    >>> decimals(0.145, 2, 4), decimals(0.5, 2, 4)
    (3, 2)
    """
    for places in range(least, most):
        if abs(value - round(value, places)) < 0.5 * 10.0 ** -(most + 1):
            return places
    return most


def signed(number: float, places: int, plus: bool = False) -> str:
    """Fixed decimals with a real minus sign, never a minus zero.

    >>> signed(-0.0501, 3), signed(-0.0001, 2), signed(0.07, 2, plus=True)
    ('−0.050', '0.00', '+0.07')
    """
    text = f"{abs(number):.{places}f}"
    if float(text) == 0:
        return text
    return ("−" if number < 0 else "+" if plus else "") + text


@dataclass(frozen=True)
class Speech:
    """How lengths are said on this job: `unit` is "mm" or "thou"; `fine` says a tenth of a µm, where a setting is
    made to less than a µm."""

    unit: str = "mm"
    fine: bool = False

    def __post_init__(self) -> None:
        if self.unit not in ("mm", "thou"):
            raise UnitError(f"A job's unit is mm or thou (got {self.unit!r}).", field="unit")

    @property
    def per_mm(self) -> float:
        return 1.0 if self.unit == "mm" else 1 / THOU_MM

    def number(self, value_mm: float, plus: bool = False) -> str:
        """A found value: thousandths of a mm, or tenths of a thou.

        >>> Speech().number(0.145), Speech("thou").number(0.145), Speech(fine=True).number(0.00735)
        ('0.145', '5.7', '0.0073')
        """
        return signed(value_mm * self.per_mm, self._places, plus)

    @property
    def _places(self) -> int:
        return (3 if self.unit == "mm" else 1) + self.fine

    def size(self, value_mm: float) -> str:
        """A size that was made or chosen: a shim, a window's end; no needless zeros.

        >>> Speech().size(0.5), Speech().size(0.125), Speech("thou").size(0.254)
        ('0.50', '0.125', '10')
        """
        shown = value_mm * self.per_mm
        least, most = (2, 4) if self.unit == "mm" else (0, 2)
        return signed(shown, decimals(shown, least, most))

    def spread(self, value_mm: float) -> str:
        """A give-or-take, rounded up so that it never promises too much.

        >>> Speech().spread(0.0064), Speech("thou").spread(0.0064)
        ('0.007', '0.3')
        """
        step = 10.0**-self._places
        return signed(math.ceil(value_mm * self.per_mm / step - 1e-6) * step, self._places)

    def other(self, value_mm: float, spread_mm: float | None = None) -> str:
        """The same value in the unit that the job does not use, with its name.

        >>> Speech().other(0.145, 0.0064)
        '5.7 ± 0.3 thou'
        """
        other = Speech("thou" if self.unit == "mm" else "mm", self.fine)
        give = "" if spread_mm is None else f" ± {other.spread(spread_mm)}"
        return f"{other.number(value_mm)}{give} {other.unit}"


def say_quantity(value: float, quantity: str, speech: Speech, unit: str | None = None) -> str:
    """Any quantity in words for a form, a working or a record.

    >>> say_quantity(80, "torque", Speech()), say_quantity(0.1, "length", Speech()), say_quantity(0.1, "angle", Speech(), "arcmin")
    ('80 N·m', '0.10 mm', '6′')
    """
    if quantity == "length":
        return f"{speech.size(value)} {speech.unit}"
    shown_unit = unit or _BASE.get(quantity, "")
    if shown_unit == "°F":
        value = value * 9 / 5 + 32
    elif quantity in UNITS and shown_unit in UNITS[quantity]:
        value = value / UNITS[quantity][shown_unit]
    number = signed(value, decimals(round(value, 4), 0, 3))
    if shown_unit in ANGLE_SIGNS:
        return f"{number}{ANGLE_SIGNS[shown_unit]}"
    return f"{number} {shown_unit}".strip()


ANGLE_SIGNS = {"deg": "°", "arcmin": "′"}
ROUGHER = {"arcmin": 1}
"""Units shown with fewer decimals than others."""
UNIT_WORDS = {"torque": "N·m", "force": "N", "angle": "°", "time": "s"}


@dataclass(frozen=True)
class Shown:
    """The unit in which a quantity that is not a length is shown, and how many of it one of the core's are."""

    unit: str = ""
    per: float = 1.0
    places: int = 2

    def number(self, value: float) -> str:
        return signed(value * self.per, self.places)

    def inward(self, lo: float, hi: float) -> tuple[str, str]:
        """A window's ends, rounded so that both lie inside it.

        >>> shown_in("force", "kgf").inward(35.65, 39.65)
        ('3.64', '4.04')
        """
        step = 10.0**-self.places
        ends = (math.ceil(lo * self.per / step - 1e-6) * step, math.floor(hi * self.per / step + 1e-6) * step)
        return signed(ends[0], self.places), signed(ends[1], self.places)


def shown_in(quantity: str, unit: str = "") -> Shown:
    """How a quantity is shown: in the scale's own unit where it has one.

    >>> shown_in("torque"), round(shown_in("force", "kgf").per, 4)
    (Shown(unit='N·m', per=1.0, places=2), 0.102)
    >>> shown_in("share").number(0.333)
    '33'
    """
    if quantity == "share":
        return Shown("%", 100.0, 0)
    if unit and unit in UNITS.get(quantity, {}):
        return Shown("°" if unit == "deg" else unit, 1 / UNITS[quantity][unit], ROUGHER.get(unit, 2))
    return Shown(UNIT_WORDS.get(quantity, ""))


NM_PER_MM = 1_000_000


def to_nm(value_mm: float) -> int:
    """Shims are counted in whole nanometres: 0.0001 inch is exactly 2540 nm.

    >>> to_nm(0.00254)
    2540
    """
    return round(value_mm * NM_PER_MM)


def from_nm(value_nm: int) -> float:
    """
    >>> from_nm(500_000)
    0.5
    """
    return value_nm / NM_PER_MM
