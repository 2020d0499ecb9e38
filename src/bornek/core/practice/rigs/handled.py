"""What was done at a rig so far: every assembly with what the book says is in, and every look."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from bornek.core.practice.rigs.faults import LOOK_BY_KEY
from bornek.core.settings.state import State


@dataclass(frozen=True)
class Handled:
    """`states`: for each assembly, the first is as found, what was written down of each adjuster; `looks`: what was
    looked at, each with the assembly at which it was."""

    states: tuple[Mapping[str, State], ...] = ()
    looks: tuple[tuple[str, int], ...] = ()

    @property
    def assembly(self) -> int:
        """The present one, from 1."""
        return max(len(self.states), 1)

    @property
    def teardowns(self) -> int:
        return self.assembly - 1

    def put_right(self, fault: str, assembly: int | None = None) -> bool:
        """Whether what was wrong was found and put right by an assembly; what needs the unit open counts from the
        next one on.

        >>> Handled(({}, {}), (("clean", 1),)).put_right("dirt"), Handled(({},), (("clean", 1),)).put_right("dirt")
        (True, False)
        """
        now = self.assembly if assembly is None else assembly
        for key, at in self.looks:
            look = LOOK_BY_KEY[key]
            if look.fault == fault and look.mended and (at < now if look.opens else at <= now):
                return True
        return False
