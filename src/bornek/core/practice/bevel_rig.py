"""A bevel pair whose truth is known to nobody at the bench: what it reads and shows wherever its packs put it."""

from __future__ import annotations

from dataclasses import dataclass, replace

import numpy as np

from bornek.core.mesh.bevel_set import S1, S2, S3, BevelSet, Side
from bornek.core.mesh.contact import Shift, contact
from bornek.core.mesh.lash import lash_change_mm
from bornek.core.mesh.paint import Mask, as_painted
from bornek.core.practice.streams import Stream

MODEL_ERROR = 0.15
"""Crowning, bias and how backlash answers are off from what is assumed by so much, as a standard deviation."""
SEATING_MM, LASH_MM = 0.006, 0.002
TEETH = 4
RUNOUT_MM = 0.004
BY_NUMBER = (S1, S2, S3, replace(S2, bias=0.6), replace(S3, bias=0.6))


@dataclass(frozen=True)
class BevelRig:
    """The true set; where its members stand from home before anything is moved; its backlash at home [mm]; by how much
    backlash answers more than the model has it; and what scatters."""

    truth: BevelSet
    stands: Shift
    home_lash: float
    answers: float
    stream: Stream

    def at(self, moved_out: tuple[float, float], assembly: int) -> Shift:
        """Where the members stand after they were moved out by so much; no seat is found twice."""
        seat = [SEATING_MM * self.stream.n(33, 2 * assembly + i) for i in range(2)]
        return Shift(self.stands.pinion + moved_out[0] + seat[0], self.stands.gear + moved_out[1] + seat[1])

    def lash(self, moved_out: tuple[float, float], assembly: int) -> tuple[float, ...]:
        """Backlash at four teeth, in hundredths of a mm and halves of them."""
        at = self.at(moved_out, assembly)
        mean = self.home_lash + self.answers * lash_change_mm(self.truth, at)
        high = 360 * self.stream.u(35, 0)
        read = [
            mean
            + RUNOUT_MM * np.cos(np.radians(360 * k / TEETH - high))
            + LASH_MM * self.stream.n(34, TEETH * assembly + k)
            for k in range(TEETH)
        ]
        return tuple(max(round(float(v) / 0.005) * 0.005, 0.0) for v in read)

    def paint(self, side: Side, moved_out: tuple[float, float], assembly: int) -> Mask:
        """What is wiped off a flank; nothing at all where it does not touch."""
        return as_painted(contact(self.truth, side, self.at(moved_out, assembly)))


def make_rig(seed: int, number: int, s: BevelSet | None = None) -> BevelRig:
    """Pair `number`: one of five sets in turn, its crowning, bias and answer off by 15 %, its members out of place by
    up to 0.12 mm."""
    stream = Stream(seed, number)
    base = s or BY_NUMBER[number % len(BY_NUMBER)]
    along, up, bias, answers = (1 + MODEL_ERROR * stream.n(30, i) for i in range(4))
    truth = replace(
        base,
        crown_along=base.crown_along * max(along, 0.6),
        crown_up=base.crown_up * max(up, 0.6),
        bias=min(base.bias * bias, 0.9),
        centre=(0.45, 0.58),
    )
    stands = Shift(*(-0.12 + 0.24 * stream.u(31, i) for i in range(2)))
    return BevelRig(truth, stands, 0.20 + 0.04 * stream.u(32, 0), max(answers, 0.6), stream)
