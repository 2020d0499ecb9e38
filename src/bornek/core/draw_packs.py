"""Shim packs drawn to scale: as they lie now, and after the proposed move."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Literal

from bornek.core.advice.history import History
from bornek.core.advice.packs import change, stacked
from bornek.core.advice.proposal import Proposal
from bornek.core.quantities import Speech, from_nm
from bornek.core.scenes import Pack, Plate
from bornek.core.settings.knobs import Knob
from bornek.core.settings.state import SIDES


def packs(
    history: History, proposal: Proposal | None, drawers: Mapping[str, Mapping[int, int]], say: Speech
) -> list[Pack]:
    """Every pack now, and after the proposed move, to scale; `drawers` by adjuster."""
    if history.last.states is None:
        return []
    moving = proposal.best.states if proposal and proposal.best and proposal.moves else {}
    drawn = []
    for knob in history.knobs:
        now, after = history.last.states[knob.key], moving.get(knob.key)
        then = after.packs if after else now.packs
        titles = [knob.title] if len(now.packs) == 1 else [f"{knob.title}, {side}" for side in SIDES]
        for title, was, will in zip(titles, now.packs, then, strict=False):
            drawn.append(_pack(knob, title, was, will, drawers.get(knob.key, {}), say))
    return drawn


def _pack(
    knob: Knob,
    title: str,
    now: tuple[int, ...],
    after: tuple[int, ...],
    drawer: Mapping[int, int],
    say: Speech,
) -> Pack:
    label = say.size(from_nm(sum(now)))
    under = knob.sense != -1
    if sorted(after) == sorted(now):
        kept = tuple(Plate(from_nm(t), say.size(from_nm(t))) for t in stacked(now))
        return Pack(title, kept, label, under_cover=under)
    out, new = change(now, after)
    by = from_nm(sum(after) - sum(now))
    return Pack(
        title=title,
        now=_plates(now, out, "out", say),
        now_label=label,
        after=_plates(after, new, "new", say),
        after_label=say.size(from_nm(sum(after))),
        change_label=f"{'+' if by > 0 else ''}{say.size(by)}",
        under_cover=under,
        drawer_label=_drawer_words(new, drawer, say),
    )


def _plates(
    state: tuple[int, ...], moved: list[int], role: Literal["out", "new"], say: Speech
) -> tuple[Plate, ...]:
    left = list(moved)
    plates = []
    for t in stacked(state):
        is_moved = t in left
        if is_moved:
            left.remove(t)
        plates.append(Plate(from_nm(t), say.size(from_nm(t)), role if is_moved else "kept"))
    return tuple(plates)


def _drawer_words(new: list[int], stock: Mapping[int, int], say: Speech) -> str:
    if not new:
        return ""
    counts = [f"{stock.get(t, 0)} of {say.size(from_nm(t))}" for t in sorted(set(new), reverse=True)]
    return f"drawer: {', '.join(counts)}"
