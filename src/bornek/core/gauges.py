"""What a gauge can tell: division, interpolation, calibration and its due date."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.errors import RangeError
from bornek.core.quantities import UNITS

TAKES: dict[str, tuple[str, ...]] = {
    "length": ("travel", "outside", "inside", "depth", "gap"),
    "angle": ("angle",),
    "force": ("force",),
    "torque": ("torque",),
    "time": ("time",),
}
"""What a gauge can take, by the quantity that it measures."""
TAKE_WORDS = {
    "travel": "a travel",
    "outside": "an outside size",
    "inside": "an inside size",
    "depth": "a depth",
    "gap": "a gap",
    "angle": "an angle",
    "force": "a force",
    "torque": "a torque",
    "time": "a time",
}


@dataclass(frozen=True)
class Gauge:
    """A measuring instrument of the shop.

    `division` in the gauge's `unit`; `interpolation` the share of a division that the reader can
    tell (half unless told otherwise, 1 for a digital gauge); `calibration_u` standard uncertainty
    in mm (or the quantity's own unit); `overdue` says that its calibration date has passed.
    """

    id: str
    name: str
    unit: str = "mm"
    division: float = 0.01
    interpolation: float = 0.5
    calibration_u: float = 0.002
    quantity: str = "length"
    due: str = ""
    overdue: bool = False
    takes: tuple[str, ...] = ()
    """What it can take; empty where its card does not say."""

    def __post_init__(self) -> None:
        object.__setattr__(self, "takes", tuple(self.takes))
        if self.division <= 0 or not 0 < self.interpolation <= 1 or self.calibration_u < 0:
            raise RangeError(
                f"Gauge {self.name!r}: division must be above 0, interpolation above 0 and at most "
                "1, calibration not negative.",
                next_step="Read the division off the dial's face and correct the gauge's card.",
            )
        if self.unit not in UNITS.get(self.quantity, {}):
            raise RangeError(f"Gauge {self.name!r}: {self.unit!r} is not a unit of {self.quantity}.")

        strange = [x for x in self.takes if x not in TAKES.get(self.quantity, ())]
        if strange:
            raise RangeError(
                f"Gauge {self.name!r}: what measures {self.quantity} does not take {strange[0]!r}.",
                field="takes",
                next_step=f"Choose from: {', '.join(TAKES.get(self.quantity, ()))}.",
            )

    def can_take(self, quantity: str, need: str = "") -> bool:
        """Whether it is for such a station; a card that does not say what it takes is not held against it.

        >>> Gauge("d", "depth micrometer", takes=("depth",)).can_take("length", "inside")
        False
        >>> Gauge("d", "dial").can_take("length", "travel")
        True
        """
        return self.quantity == quantity and (not need or not self.takes or need in self.takes)

    @property
    def resolution(self) -> float:
        """What the reader can tell apart, in the core's unit.

        >>> Gauge("g", "dial").resolution
        0.005
        """
        return self.division * self.interpolation * UNITS[self.quantity][self.unit]


UNKNOWN = Gauge("", "no gauge named")
