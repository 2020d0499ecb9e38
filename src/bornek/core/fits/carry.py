"""What one sum knows that another asks for: interference goes on to heat and press, push to the ram's gauge."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from bornek.core.facts.reckoned import Reckoned

FLOWS: tuple[tuple[str, str, str, str], ...] = (
    ("fit_interference", "numbers.interference", "fit_heat", "interference"),
    ("fit_interference", "given.nominal", "fit_heat", "d"),
    ("fit_interference", "numbers.interference", "fit_press", "interference"),
    ("fit_interference", "given.nominal", "fit_press", "d"),
    ("fit_interference", "numbers.interference", "fit_left", "inner"),
    ("fit_press", "given.d", "fit_heat", "d"),
    ("fit_press", "given.interference", "fit_heat", "interference"),
    ("fit_press", "given.outside", "fit_heat", "outside"),
    ("fit_press", "given.length", "fit_heat", "length"),
    ("fit_heat", "given.d", "fit_press", "d"),
    ("fit_heat", "given.interference", "fit_press", "interference"),
    ("fit_heat", "given.outside", "fit_press", "outside"),
    ("fit_heat", "given.length", "fit_press", "length"),
    ("fit_press", "numbers.force", "fit_ram", "force"),
    ("fit_bolts", "numbers.torque", "fit_extension", "torque"),
)
"""From which sum, what of it, to which sum and field; the last that knows it holds."""


def carried(laid: Sequence[Reckoned], to: str) -> dict[str, str]:
    """What is already known for a sum from those laid down at the same part, as it would be typed.

    >>> first = Reckoned("fit_press", "hub", given={"d": "140"}, numbers={"force": 251000.0})
    >>> carried([first], "fit_ram"), carried([first], "fit_heat")
    ({'force': '251 kN'}, {'d': '140'})
    """
    found: dict[str, str] = {}
    for body in laid:
        for source, path, target, key in FLOWS:
            if (source, target) != (body.sum, to):
                continue
            where, name = path.split(".")
            kept: Mapping[str, object] = body.given if where == "given" else body.numbers
            if name in kept:
                found[key] = _typed(key, kept[name])
    return found


def _typed(key: str, value: object) -> str:
    if isinstance(value, str):
        return value
    assert isinstance(value, int | float)
    if key == "force":
        return f"{value / 1000:.4g} kN"
    return f"{value:.4g} N·m" if key == "torque" else f"{value:.4f} mm"
