"""What every rig is: its number is its hidden truth, so that two learners can do the same one."""

from __future__ import annotations

from abc import ABC
from typing import ClassVar, Literal

from bornek.core.practice.streams import Stream

RIG_SEED = 20261127
Page = Literal["set", "inspect", "plan"]
"""The stage at whose page a rig is worked."""


class Rig(ABC):
    """`slack`: so many teardowns over the best are as good as the best."""

    sort: ClassVar[str]
    title: ClassVar[str]
    page: ClassVar[Page]
    slack: ClassVar[float] = 1.0
    faults: ClassVar[tuple[str, ...]] = ()

    def __init__(self, number: int) -> None:
        self.number = number
        self.stream = Stream(RIG_SEED + sum(map(ord, self.sort)), number)
        one = ("", *self.faults)
        self.fault = one[int(len(one) * self.stream.u(90))]
