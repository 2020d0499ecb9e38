"""Preload by shims: an indicator sees none of it, the drag tells."""

from __future__ import annotations

import math
from typing import Any, ClassVar

from bornek.core.practice.rigs.bench_rig import Told
from bornek.core.practice.rigs.faults import DEAD_NEEDLE, DIRT, LOOSE_COVER, STUCK_SHIM, WRONG_SPOT
from bornek.core.practice.rigs.handled import Handled
from bornek.core.practice.rigs.pried import spread_over
from bornek.core.practice.rigs.shims import ShimRig
from bornek.core.settings.kind import Slot
from bornek.core.sheet import Sheet
from bornek.core.windows import Window

PER_MM = 20.0
"""Drag that a mm of preload is declared to give [N·m]."""


class PreloadRig(ShimRig):
    """The drag of a mm of preload lies some 25 % about what is declared."""

    sort = "preload"
    title = "Preload with its drag"
    faults: ClassVar[tuple[str, ...]] = (DIRT, LOOSE_COVER, STUCK_SHIM, DEAD_NEEDLE, WRONG_SPOT)

    def __init__(self, number: int) -> None:
        super().__init__(number)
        self.least = round(spread_over(self, 0.03, 0.06, 2), 2)
        self.greatest = round(self.least + spread_over(self, 0.05, 0.07, 3), 2)
        self.y0 = spread_over(self, 0.05, 0.25, 4)
        self.share = math.exp(0.2 * self.stream.n(12))

    def _given(self, least: float, greatest: float, sense: str) -> dict[str, Any]:
        drags = {"drag_least": round(PER_MM * least, 2), "drag_greatest": round(PER_MM * greatest, 2)}
        return super()._given(least, greatest, sense) | {"meant": "preload", **drags}

    def window(self) -> Window:
        return Window(-self.greatest, -self.least, f"Rig card {self.number}", "new parts", "", None)

    def harmed(self, value: float) -> bool:
        """Twice the greatest preload."""
        return value < -2 * self.greatest

    def best_aim(self) -> float:
        """The middle of the preloads that are as wanted and that turn as wanted too."""
        lo, hi = max(self.least, self.least / self.share), min(self.greatest, self.greatest / self.share)
        return -(lo + hi) / 2

    def drag(self, handled: Handled) -> float:
        """What it turns at, steadily [N·m]."""
        noise = 1 + 0.05 * self.stream.n(13, handled.assembly)
        return round(PER_MM * self.share * max(-self.true(handled), 0.0) * noise, 2)

    def told(self, slot: Slot, handled: Handled) -> Told | None:
        if slot.key != "drag":
            return super().told(slot, handled)
        drag = self.drag(handled)
        words = f"The scale shows {drag * 1.5:.2f} N·m as it breaks away, then {drag:.2f} N·m while it turns steadily."
        return Told(words, drag)

    def done(self, sheet: Sheet) -> bool:
        """No play shows, and the drag lies in its window."""
        drag = next((r for r in sheet.outcome.results if r.key == "drag"), None)
        proven = drag is not None and drag.verdict.code in ("in", "at_edge")
        return sheet.verdict.code == "in" or proven
