"""What can be said of a fit as it stands: the next thing to be written down, and what may have gone wrong."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

PRESSED_BY = ("fit_press", "fit_taper", "fit_ram", "fit_nut")


@dataclass(frozen=True)
class Act:
    """`what` is written down, `words` stand on its button."""

    what: str
    words: str


@dataclass(frozen=True)
class Offered:
    """`sum`: the one that the acts belong to. `main` is the next act, `other` what went otherwise, in words."""

    sum: str = ""
    main: Act | None = None
    other: Act | None = None


SHORT, GAP = Act("short", "Gripped short"), Act("gap", "A feeler goes")
BY_HEAT: Mapping[str, tuple[Act | None, Act]] = {
    "hot": (Act("home", "It is home"), SHORT),
    "late": (None, SHORT),
    "holding": (Act("seated", "Cold: no feeler goes"), GAP),
    "cooling": (Act("seated", "Cold: no feeler goes"), GAP),
}


def offered(codes: Mapping[str, str], heat: str, still_open: bool) -> Offered:
    """`codes`: verdicts by the sums that were laid down; `heat`: how a hot fit stands, empty without one.

    >>> offered({"fit_heat": "in"}, "hot", True).main.words
    'It is home'
    >>> offered({"fit_interference": "out_low", "fit_heat": "in"}, "hot", True)
    Offered(sum='', main=None, other=None)
    """
    if out_of_fit(codes) or not still_open:
        return Offered()
    if heat:
        main, other = BY_HEAT.get(heat, (None, None))
        return Offered("fit_heat", main, other)
    pressed = next((s for s in PRESSED_BY if s in codes), "")
    if pressed:
        return Offered(pressed, Act("pressed", "Pressed home"), GAP)
    return Offered("fit_bolts", Act("tightened", "All tightened")) if "fit_bolts" in codes else Offered()


def out_of_fit(codes: Mapping[str, str]) -> bool:
    """Whether the sizes are out of their fit: the part goes back before anything else.

    >>> out_of_fit({"fit_interference": "out_low"})
    True
    """
    return codes.get("fit_interference", "").startswith("out")
