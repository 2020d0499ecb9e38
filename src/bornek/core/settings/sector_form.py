"""What a pair of sectors in eccentric covers is asked for, and the gears and mark that come of it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.mesh.cover import Hole, holes_of
from bornek.core.settings.common import whole_form
from bornek.core.settings.kind import Field
from bornek.core.train.timing import Timed
from bornek.core.units.definition import Part
from bornek.core.units.mesh import Mesh, TimingMark

TOGETHER, APART, OPEN = "together", "apart", "unknown"


def form_of(given: Mapping[str, Any]) -> Sequence[Field]:
    return whole_form([*_cover(), *_teeth()])


def _cover() -> list[Field]:
    return [
        Field("greatest", "Greatest lost motion", "length", lo=0.005, hi=5, why="None is what is wanted: both start together."),
        Field("holes", "Bolt holes of the cover", "count", lo=2, hi=48),
        Field("throw", "Throw of the cover", "length", lo=0.01, hi=50, why="How far its bore is off the middle."),
        Field("angle", "The throw points now, from square to the line of centres", "angle", lo=-360, hi=360),
        Field("sense", "Turning it clockwise brings the gears first", "choice", default=OPEN,
              options=((APART, "apart"), (TOGETHER, "closer"), (OPEN, "nobody knows yet"))),
        Field("half", "A step of half a hole can be had", "choice", default="no",
              options=(("no", "no"), ("turned over", "by turning the cover over"),
                       ("other side", "with the cover of the other side"))),
        Field("covers", "Covers turned", "choice", default="both",
              options=(("both", "both of the shaft, by the same number of holes"), ("one", "one alone"))),
        Field("torque", "Cover bolts", "torque", required=False, lo=1, hi=5000),
    ]  # fmt: skip


def _teeth() -> list[Field]:
    return [
        Field("driver_teeth", "Input sector, as if it went all round, teeth", "count", required=False, lo=6, hi=400),
        Field("driver_cut", "Of those it has", "count", required=False, lo=2, hi=400),
        Field("driven_teeth", "Output sector, as if it went all round, teeth", "count", required=False, lo=6, hi=400),
        Field("driven_cut", "Of those it has", "count", required=False, lo=2, hi=400),
        Field("tooth_on", "The tooth is on the", "choice", default="driver",
              options=(("driver", "input sector"), ("driven", "output sector"))),
        Field("tooth", "This tooth", "count", required=False, lo=1, hi=400),
        Field("space", "Goes into the space behind tooth", "count", required=False, lo=1, hi=400),
        Field("goes_first", "Which sector goes in first", "text", required=False),
        Field(key="pressure_angle", label="Pressure angle", quantity="angle", default=20.0, lo=10, hi=35),
    ]  # fmt: skip


def holes_given(given: Mapping[str, Any]) -> tuple[Hole, ...]:
    """What the cover's holes can do, as it was given."""
    sense = -1 if given["sense"] == TOGETHER else 1
    return holes_of(
        int(given["holes"]), float(given["throw"]), float(given["angle"]), sense, given["half"] != "no"
    )


def timed_given(given: Mapping[str, Any]) -> Timed | None:
    """The tooth and its space, for the drawing; None where the teeth were not given.

    >>> timed_given({"tooth_on": "driver"}) is None
    True
    """
    wanted = ("driver_teeth", "driven_teeth", "tooth", "space")
    if any(given.get(k) is None for k in wanted):
        return None
    driver, driven = (
        Part(
            end,
            f"{word} sector",
            "gear",
            end,
            teeth=int(given[f"{end}_teeth"]),
            cut=int(given.get(f"{end}_cut") or 0),
        )
        for end, word in (("driver", "Input"), ("driven", "Output"))
    )
    mesh = Mesh("sectors", "Sectors", "driver", "driven", "sector", "right")
    mark = TimingMark(
        "tooth", "Tooth and space", "sectors", given["tooth_on"], int(given["tooth"]), int(given["space"])
    )
    one, other = (driver, driven) if mark.tooth_on == "driver" else (driven, driver)
    return Timed(mark, mesh, one, other)
