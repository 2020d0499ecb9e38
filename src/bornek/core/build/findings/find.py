"""Every finding of a build order, what bites at the next step first."""

from __future__ import annotations

from collections.abc import Callable

from bornek.core.build.bench import Bench
from bornek.core.build.findings import fits, holds, joints, reach, waits
from bornek.core.build.findings.finding import GRAVITY, Finding
from bornek.core.build.order import BuildOrder

Look = Callable[[BuildOrder, Bench], list[Finding]]
LOOKS: tuple[Look, ...] = (
    reach.cycle,
    reach.shut_out,
    reach.no_step,
    reach.setting_late,
    reach.other_way,
    fits.dry_for_good,
    fits.temporary_left,
    fits.used_again,
    fits.deferred,
    fits.wrong_side,
    fits.wrong_way,
    holds.hold_open,
    holds.hole_shut,
    holds.loose_item,
    holds.tool_missing,
    holds.heavy,
    holds.unsupported,
    joints.locating_sealant,
    joints.open_too_short,
    waits.eats_the_day,
)


def find_all(order: BuildOrder, bench: Bench) -> list[Finding]:
    """Gravest first, then by the step at which it bites.

    >>> from bornek.core.build.order import build_order
    >>> from bornek.core.units.definition import Definition
    >>> find_all(build_order(Definition(), []), Bench())
    []
    """
    found = [f for look in LOOKS for f in look(order, bench)]
    last = len(order.steps) + 1
    return sorted(
        found,
        key=lambda f: (
            GRAVITY.index(f.severity),
            min((order.number.get(k, last) for k in f.steps), default=last),
        ),
    )
