"""A nut on a thread: its pitch, where it can be locked, and the ladder of plays that these positions give."""

from __future__ import annotations

import math
from collections.abc import Mapping
from math import lcm
from typing import Any, Literal

from bornek.core.quantities import INCH_MM, Speech
from bornek.core.scenes import Ladder, Rung
from bornek.core.settings.kind import Field
from bornek.core.settings.state import degrees
from bornek.core.windows import Window

MOST_POSITIONS = 400
BEYOND = 1.3
"""Positions are listed up to this share of the greatest play."""


def lock_step_deg(tabs: int, slots: int) -> float:
    """Angle between lockable positions of a nut: 360/lcm(tabs, slots) [deg].

    >>> round(lock_step_deg(17, 4), 2)
    5.29
    """
    return 360.0 / lcm(tabs, slots)


def rim_angle_deg(rim_mm: float, diameter_mm: float) -> float:
    """Angle that a distance on the rim means: 360·s/(π·D) [deg].

    >>> round(rim_angle_deg(13.9, 88), 1)
    18.1
    """
    return 360.0 * rim_mm / (math.pi * diameter_mm)


def pitch_mm(given: Mapping[str, Any]) -> float:
    """
    >>> pitch_mm({"thread": "tpi", "tpi": 12})
    2.1166666666666667
    """
    return INCH_MM / float(given["tpi"]) if given.get("thread") == "tpi" else float(given["pitch"])


def thread_fields(given: Mapping[str, Any]) -> list[Field]:
    """The thread, metric or in threads per inch."""
    by_inch = given.get("thread") == "tpi"
    thread = Field(
        "thread",
        "The nut's thread is given",
        "choice",
        default="pitch",
        options=(("pitch", "by its pitch"), ("tpi", "in threads per inch")),
    )
    if by_inch:
        return [thread, Field("tpi", "Threads per inch", "number", lo=2, hi=80)]
    why = "Was it threads per inch? Say so above."
    return [thread, Field("pitch", "Thread pitch of the nut", "length", lo=0.2, hi=12, why=why)]


def lock_fields(given: Mapping[str, Any]) -> list[Field]:
    """The lock: tabs and slots, and how far it is from snug back to where the first tab meets a slot."""
    fields = [
        Field("tabs", "Tabs on the lock washer", "count", lo=1, hi=60),
        Field("slots", "Slots in the nut", "count", lo=1, hi=60),
        Field(
            "lock_by",
            "From snug to the first lock position is given",
            "choice",
            default="angle",
            options=(("angle", "as an angle"), ("rim", "as a distance on the rim")),
        ),
    ]
    if given.get("lock_by") == "rim":
        return [
            *fields,
            Field("first_rim", "From snug to the first lock position, on the rim", "length", lo=0, hi=500),
            Field("rim", "Rim diameter of the nut", "length", lo=10, hi=1000),
        ]
    label = "From snug back to the first lock position"
    return [*fields, Field("first_lock", label, "angle", default=0.0, lo=0, hi=360)]


def first_lock_deg(given: Mapping[str, Any]) -> float:
    if given.get("lock_by") == "rim":
        return rim_angle_deg(float(given["first_rim"]), float(given["rim"]))
    return float(given["first_lock"])


def positions_deg(given: Mapping[str, Any], window: Window) -> list[float]:
    """φ0 + j·360/lcm(tabs, slots), up to a little beyond the greatest play."""
    step, first = lock_step_deg(given["tabs"], given["slots"]), first_lock_deg(given)
    top = window.high / pitch_mm(given) * 360 * BEYOND
    n = max(1, int((top - first) / step) + 1)
    return [first + j * step for j in range(min(n, MOST_POSITIONS))]


def ladder_of(given: Mapping[str, Any], window: Window, say: Speech) -> Ladder:
    """Every lockable position with the play that the thread gives there."""
    rungs = []
    for at in positions_deg(given, window):
        play = pitch_mm(given) * at / 360
        state: Literal["wanted", "free"] = "wanted" if window.holds(play) else "free"
        rungs.append(Rung(at, f"{degrees(at)} = {say.number(play)}", state, play, degrees(at)))
    return Ladder("Lockable positions from snug", tuple(rungs))
