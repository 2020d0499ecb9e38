"""What is closed in by a step and cannot be reached any more, as the page shows it."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.build.enclosures import Enclosure
from bornek.core.build.needs import closing_steps
from bornek.core.build.order import BuildOrder
from bornek.core.build.tray import shut_outs


@dataclass(frozen=True)
class LidView:
    """Drawn before the step that closes: `out` says what is left outside, `shut` that it shuts something out."""

    step: str
    words: str
    out: str
    shut: bool


def lid_views(order: BuildOrder, bare: bool) -> list[LidView]:
    """`bare`: the lids of the unit alone, whatever they shut off."""
    shut = {(s.step, s.enclosure): s for s in shut_outs(order)}
    rank = dict(order.number)
    lids = []
    for e in order.enclosures:
        step = closing_steps(e, order.final, rank)
        if step is None or not (e.parts or e.settings):
            continue
        trapped = shut.get((step, e.key))
        lids.append(_lid(e, step, len(trapped.parts) if trapped else 0))
    named = {lid.step for lid in lids if lid.shut}
    for s in () if bare else shut.values():
        if not s.enclosure and s.step not in named:
            out = f"shuts out {len(s.parts)}"
            lids.append(LidView(s.step, f"{order.label(s.step)} covers it", out, True))
    return [lid for n, lid in enumerate(lids) if not _told(lids, n)]


def _told(lids: list[LidView], n: int) -> bool:
    """Whether another lid of the same step says more: one that shuts something out, or an earlier one."""
    mine = lids[n]
    others = [(k, x) for k, x in enumerate(lids) if k != n and x.step == mine.step]
    return any((x.shut and not mine.shut) or (x.shut == mine.shut and k < n) for k, x in others)


def _lid(e: Enclosure, step: str, trapped: int) -> LidView:
    out = f"shuts out {trapped}" if trapped else "a way in stays" if e.ways_in else "nothing left outside"
    return LidView(step, f"{e.label} closes", out, trapped > 0)
