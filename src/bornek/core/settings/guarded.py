"""A sequence that refuses to be taken out of order.

Whatever was done is written down all the same. A broken sequence gives no value, cannot be signed and says where to
start again.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence

from bornek.core.scenes import Step, Steps
from bornek.core.settings.kind import Guide, Slot, first_open
from bornek.core.settings.records import Confirm, Context, Entry

Told = Callable[[Entry], str]
"""What an entry by itself says against going on, in words; empty if nothing."""


def guarded_guide(ctx: Context, slots: Sequence[Slot], stops: Told, restart: str) -> Guide:
    """Folds what was confirmed, in the order written, into what may come next."""
    order = [s.key for s in slots]
    names = {s.key: s.label for s in slots}
    done: list[str] = []
    stop, again = "", None
    for entry in sorted(ctx.now(), key=lambda e: e.seq):
        if entry.slot not in order or stop:
            continue
        problem = _breaks(entry, done, order, names, stops, names[restart])
        if problem:
            stop, again = problem, restart
        elif entry.slot not in done:
            done.append(entry.slot)
    left = [k for k in order if k not in done]
    ahead: Mapping[str, str] = {} if stop else {k: f"First: {names[left[0]].lower()}." for k in left[1:]}
    return Guide(tuple(slots), None if stop or not left else left[0], ahead, stop, again)


def open_guide(ctx: Context, slots: Sequence[Slot], stops: Told, first: Sequence[str] = ()) -> Guide:
    """Stations in any order; what stops by itself stops, and those that are `first` bar the others until they are said."""
    for entry in reversed(ctx.now()):
        if words := stops(entry):
            return Guide(tuple(slots), None, {}, words, entry.slot)
    owed = first_open(slots, ctx.now())
    name = next((s.label for s in slots if s.key == owed), "")
    barred = {s.key: f"First: {name.lower()}." for s in slots if owed in first and s.key not in first}
    return Guide(tuple(slots), owed, barred)


def _breaks(
    entry: Entry,
    done: Sequence[str],
    order: Sequence[str],
    names: Mapping[str, str],
    stops: Told,
    restart: str,
) -> str:
    told = stops(entry)
    if told:
        return told
    again = f"Start again from: {restart.lower()}."
    if isinstance(entry.raw, Confirm) and not entry.raw.done:
        return f"Not done: {names[entry.slot].lower()}. {again}"
    missing = [k for k in order[: order.index(entry.slot)] if k not in done]
    if missing:
        return f"Out of order: {names[missing[0]].lower()} was left out. {again}"
    return ""


def steps_scene(ctx: Context, guide: Guide, label: str) -> Steps:
    """The sequence as it stands: done, in hand, still barred, or where it starts again."""
    filled = {e.slot for e in ctx.now()}
    rows = []
    for slot in guide.slots:
        if slot.accepts != "confirm" and slot.axes.get("rep", 1) != 1:
            continue
        if guide.stop:
            state = "stopped" if slot.key == guide.restart_at else "blocked"
        else:
            state = "live" if slot.key == guide.next else "done" if slot.key in filled else "blocked"
        rows.append(Step(slot.label, state))  # type: ignore[arg-type]
    return Steps(label, tuple(rows))
