"""Ways of taking a part off, and which of them doom it."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.errors import InputError
from bornek.core.units.definition import Part


@dataclass(frozen=True)
class Way:
    """`dooms`: groups of part that it ends the life of (`*`: any). `caution` is shown before it. `asks`: what must be
    ticked before it can be written down, by key."""

    key: str
    label: str
    dooms: tuple[str, ...] = ()
    why: str = ""
    caution: str = ""
    asks: tuple[tuple[str, str], ...] = ()


WAYS = (
    Way("hand", "by hand"),
    Way("puller", "puller on the tight ring"),
    Way("cage_pull", "pulled on the cage or through the rollers", ("rolling_bearing",),
        "the pull went through cage and rollers: the races are marked even if it cannot be seen"),
    Way("press", "pressed out", caution="Never in line with the ram, never above the rated pressure."),
    Way("heat", "warmed off, no flame", caution="Hot parts: gloves. Never above the part's own limit."),
    Way("flame", "flame", ("rolling_bearing", "gear", "seal"), "flame takes the hardness out of it",
        "Fire watch; no flame near oil or solvent."),
    Way("weld_shrink", "weld bead shrink", ("*",), "a weld bead destroys the race",
        "Scrap races only. Earth clamp on the part itself: never current through a bearing that stays.",
        (("scrap", "the race is scrap"), ("earth", "earth clamp on the race itself, no current through a bearing that stays"))),
    Way("hydraulic", "hydraulic release, oil under the seat", (), "",
        "It jumps: the nut stays on by more than the travel, nobody in line with the shaft.",
        (("nut", "nut left on by more than the travel"), ("clear", "nobody in line with the shaft"),
         ("red_line", "red line of pump, ring and hub known"))),
    Way("grease_press", "pressed out with grease", ("bush",), "the bush was driven out on a column of grease"),
    Way("cut", "cut or chiselled off", ("*",), "it was cut", "Eye protection; cut clear of the shaft."),
    Way("draw", "drift or slide hammer", ("seal",), "a drifted seal has lost its shape",
        "Brass or soft-faced where a hardened part could spall."),
)  # fmt: skip
_BY_KEY = {w.key: w for w in WAYS}


def find_way(key: str) -> Way:
    if key not in _BY_KEY:
        raise InputError(f"way must be one of {', '.join(_BY_KEY)} (got {key!r}).", field="way")
    return _BY_KEY[key]


def doomed(part: Part, way: Way) -> str:
    """Why a part cannot be used again after this way of removal; empty if it can.

    >>> from bornek.core.units.definition import Part
    >>> doomed(Part("b", "Bearing", "taper_bearing"), find_way("cage_pull"))[:8]
    'the pull'
    >>> doomed(Part("b", "Bearing", "taper_bearing"), find_way("puller"))
    ''
    """
    return way.why if "*" in way.dooms or part.about.group in way.dooms else ""
