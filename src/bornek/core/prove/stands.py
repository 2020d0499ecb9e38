"""All of a job that the last look is made from."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property

from bornek.core.build.bench import Bench
from bornek.core.build.gather import out_of_unit
from bornek.core.build.order import BuildOrder
from bornek.core.facts.deferred import Deferred
from bornek.core.facts.kind import Fact
from bornek.core.facts.proved import Proved
from bornek.core.parts.inspection import Inspected
from bornek.core.parts.orders import OrderLine
from bornek.core.prove.owed import Owed
from bornek.core.prove.touched import last_touched
from bornek.core.train.sheet import TrainSheet
from bornek.core.units.definition import Definition, Part


@dataclass(frozen=True)
class OpenPoint:
    """`to`: what follows the job's own address where it is settled. `may_stay`: a job may be closed over it, with
    a reason in words."""

    key: str
    words: str
    to: str
    may_stay: bool


@dataclass(frozen=True)
class SettingStands:
    """A setting as it stands: `signed_at` the seq of a signature that still holds, 0 without one; `measures` what
    it brings in: a fit of one part, or a setting; `temporary`: what was put in only to help it."""

    id: str
    label: str
    verdict: str
    signed_at: int
    disturbed: bool
    measures: str
    temporary: tuple[str, ...] = ()
    by: str = ""


@dataclass(frozen=True)
class JobStands:
    """`order` and `bench`: the build as it was worked; without them nothing was built here. `owed`: by the unit, from
    jobs before this."""

    d: Definition
    facts: Sequence[Fact]
    stands: str
    settings: Sequence[SettingStands] = ()
    inspected: Sequence[Inspected] = ()
    orders: Sequence[OrderLine] = ()
    plan: Sequence[OpenPoint] = ()
    train: TrainSheet | None = None
    order: BuildOrder | None = None
    bench: Bench | None = None
    owed: Sequence[Owed] = ()

    @cached_property
    def out(self) -> Mapping[str, int]:
        """How many of each part came off in this job, or have to go in."""
        return out_of_unit(self.d, self.facts)

    @cached_property
    def parts_out(self) -> list[Part]:
        return [p for p in self.d.parts if p.key in self.out]

    @cached_property
    def touched(self) -> Mapping[str, int]:
        """The seq at which each part was last taken off or put in."""
        return last_touched(self.facts)

    @cached_property
    def proved(self) -> Mapping[str, Fact]:
        """What was last said of each point."""
        return {f.body.point: f for f in self.facts if isinstance(f.body, Proved)}

    @cached_property
    def put_off(self) -> Mapping[str, Fact]:
        """Points that were put off."""
        return {f.body.point: f for f in self.facts if isinstance(f.body, Deferred) and f.body.point}
