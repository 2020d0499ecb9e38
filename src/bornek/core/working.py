"""The one way to show a sum: lines that a mechanic can check with a pencil."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field

from bornek.core.quantities import signed


@dataclass(frozen=True)
class Line:
    """One line of an opened sum: what it is, how it is reckoned, what came out."""

    label: str
    sum: str
    result: str
    main: bool = False


@dataclass(frozen=True)
class Working:
    """Lines of a sum, and beside them where the limits and tables come from."""

    lines: tuple[Line, ...] = ()
    sources: tuple[str, ...] = ()

    def plus(self, *lines: Line) -> Working:
        return Working(self.lines + lines, self.sources)

    def sourced(self, *sources: str) -> Working:
        return Working(self.lines, self.sources + sources)


@dataclass
class Sum:
    """Collects lines; numbers are shown with `places` decimals.

    >>> s = Sum()
    >>> s.mean("Mean of 2", [0.24, 0.25])
    0.245
    >>> s.lines[0].sum
    '(0.240 + 0.250) ÷ 2'
    """

    places: int = 3
    lines: list[Line] = field(default_factory=list)

    def line(self, label: str, formula: str, value: float, unit: str = "", main: bool = False) -> float:
        text = signed(value, self.places) + (f" {unit}" if unit else "")
        self.lines.append(Line(label, formula, text, main))
        return value

    def note(self, label: str, words: str) -> None:
        self.lines.append(Line(label, words, ""))

    def mean(self, label: str, values: Sequence[float]) -> float:
        shown = [signed(v, self.places) for v in values]
        terms = " + ".join(shown) if len(shown) <= 8 else f"{shown[0]} + … + {shown[-1]}"
        mean = sum(values) / len(values)
        return self.line(label, f"({terms}) ÷ {len(values)}", mean, main=True)

    def working(self, *sources: str) -> Working:
        return Working(tuple(self.lines), sources)
