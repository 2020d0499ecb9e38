"""What is asked of a preload by rolling drag: how it is read, how its limit is given, what the preload adds."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.errors import RangeError
from bornek.core.settings.common import whole_form
from bornek.core.settings.kind import Field
from bornek.core.settings.records import Context

SCALES = {
    "force": (("kgf", "kgf"), ("N", "N"), ("lbf", "lbf")),
    "torque": (("N·m", "N·m"), ("lb·in", "lb·in"), ("N·cm", "N·cm"), ("lb·ft", "lb·ft")),
}
READ_AS = (("force", "by a scale on a cord"), ("torque", "as a torque"))
CRUSH = "crush"


def cord_force_n(torque_n_m: float, radius_mm: float) -> float:
    """Force at a radius for a torque: F = T/r [N], from 0 N·m and 1 mm on. Source: the definition of torque.

    >>> cord_force_n(2.0, 50.0)
    40.0
    """
    return torque_n_m / radius_mm * 1000.0


def cord_torque_n_m(force_n: float, radius_mm: float) -> float:
    """Torque of a force at a radius: T = F·r [N·m], from 0 N and 1 mm on. Source: the definition of torque.

    >>> cord_torque_n_m(40.0, 50.0)
    2.0
    """
    return force_n * radius_mm / 1000.0


def form_of(given: Mapping[str, Any]) -> Sequence[Field]:
    """The whole form; a radius is asked for where a cord pulls, and needed where a force stands for a torque."""
    read_as, limit_as = str(given.get("read_as", "force")), str(given.get("limit_as", "force"))
    own = [
        Field("read_as", "Drag is read", "choice", options=READ_AS, default="force"),
        Field("scale", "The scale shows", "choice", options=SCALES[read_as], default=SCALES[read_as][0][0]),
        Field("limit_as", "The limit is given as", "choice", default="force",
              options=(("force", "a force on the cord"), ("torque", "a torque"))),
        *_radius(read_as, limit_as),
        Field("bearings", "Bearings are", "choice", default="new",
              options=(("new", "new"), ("run_in", "run in"))),
        *_added(given, limit_as),
        Field("adjuster", "Set by", "choice", default="nut",
              options=(("nut", "a nut with a solid spacer, or none"), (CRUSH, "a nut on a crush spacer"),
                       ("staked", "a nut that is staked")),
              why="What can be taken back, and what is used up."),
    ]  # fmt: skip
    return whole_form(own, aim=False)


def _radius(read_as: str, limit_as: str) -> list[Field]:
    if read_as == limit_as == "torque":
        return []
    why = "Without it a force counts only against a limit given on the same radius."
    needed = read_as != limit_as
    return [Field("radius", "Radius that the cord pulls at", "length", needed, lo=1, hi=2000, why=why)]


def _added(given: Mapping[str, Any], limit_as: str) -> list[Field]:
    bearings = given.get("bearings", "new")
    unit = str(given.get("scale", "")) if given.get("read_as", "force") == limit_as else ""
    quantity: Any = "torque" if limit_as == "torque" else "force"
    return [
        Field(
            f"{which}_{end}",
            f"Preload adds at {words}, {name}",
            quantity,
            which == bearings,
            lo=0,
            hi=1e5,
            unit=unit,
        )
        for which, name in (("new", "new bearings"), ("run_in", "run-in bearings"))
        for end, words in (("least", "least"), ("greatest", "most"))
    ]


def added_window(ctx: Context) -> tuple[float, float]:
    """What the preload is to add, in the quantity that is read."""
    which = ctx.given["bearings"]
    lo, hi = (float(ctx.given[f"{which}_{end}"]) for end in ("least", "greatest"))
    if lo >= hi:
        raise RangeError(
            f"The least drag that the preload adds ({lo:g}) must lie below the most ({hi:g}).",
            field=f"{which}_least",
            next_step="Check whether the two were swapped.",
        )
    read_as, limit_as = ctx.given["read_as"], ctx.given["limit_as"]
    if read_as == limit_as:
        return lo, hi
    radius = float(ctx.given["radius"])
    as_read = cord_force_n if read_as == "force" else cord_torque_n_m
    return as_read(lo, radius), as_read(hi, radius)
