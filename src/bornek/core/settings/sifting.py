"""Which entries count: slips that nobody has confirmed and contested slots are held back."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field

from bornek.core.gauges import Gauge
from bornek.core.readings import Slip, find_slips
from bornek.core.settings.kind import Check, Slot
from bornek.core.settings.records import Between, Context, Entry


@dataclass(frozen=True)
class Sifted:
    """Entries by slot: those that count, those asked about, those filled twice."""

    counted: Mapping[str, Entry] = field(default_factory=dict)
    asked: Mapping[str, tuple[Entry, tuple[Slip, ...]]] = field(default_factory=dict)
    contested: Mapping[str, tuple[Entry, ...]] = field(default_factory=dict)

    def gauges(self, slots: Sequence[Slot], ctx: Context) -> list[Gauge]:
        """The gauge of each number that `numbers` gives, in its order."""
        found: dict[str, list[Gauge]] = {}
        for slot in slots:
            entry = self.counted.get(slot.key)
            if entry is not None and entry.number is not None:
                found.setdefault(slot.group, []).append(ctx.find_gauge(entry))
        return [g for group in found.values() for g in group]

    def numbers(self, slots: Sequence[Slot]) -> dict[str, list[float]]:
        """Counted numbers of these slots by their group, in slot order."""
        found: dict[str, list[float]] = {}
        for slot in slots:
            entry = self.counted.get(slot.key)
            if entry is not None and entry.number is not None:
                found.setdefault(slot.group, []).append(entry.number)
        return found


def sift(slots: Sequence[Slot], entries: Sequence[Entry]) -> Sifted:
    """Sorts the live entries of one round; earlier readings guard later ones against slips."""
    by_slot: dict[str, list[Entry]] = {}
    for entry in sorted(entries, key=lambda e: e.seq):
        by_slot.setdefault(entry.slot, []).append(entry)
    known = {s.key: s for s in slots}
    contested = {k: tuple(v) for k, v in by_slot.items() if len(v) > 1 and k in known}
    counted: dict[str, Entry] = {}
    asked: dict[str, tuple[Entry, tuple[Slip, ...]]] = {}
    singles = [v[0] for k, v in by_slot.items() if len(v) == 1 and k in known]
    for entry in sorted(singles, key=lambda e: e.seq):
        slot = known[entry.slot]
        slips = _impossible(entry, slot)
        if not slips and not entry.confirmed:
            slips = _slips(entry, slot, counted, known)
        if slips:
            asked[entry.slot] = (entry, slips)
        else:
            counted[entry.slot] = entry
    return Sifted(counted, asked, contested)


def _impossible(entry: Entry, slot: Slot) -> tuple[Slip, ...]:
    """A travel, size or force below zero, a size of nothing: no confirmation makes it count."""
    number = entry.number
    signed = slot.plausible is not None and slot.plausible[0] < 0
    if number is None or signed or slot.nature not in ("travel", "size", "force", "time"):
        return ()
    if number < 0:
        return (Slip(-1.0, -number, f"below zero, and a {slot.nature} has no sign", False),)
    if number == 0 and slot.nature == "size" and slot.plausible is not None and slot.plausible[0] > 0:
        return (Slip(1.0, 0.0, "no size at all", False),)
    return ()


def _slips(
    entry: Entry, slot: Slot, counted: Mapping[str, Entry], known: Mapping[str, Slot]
) -> tuple[Slip, ...]:
    size = _size(entry)
    if size is None:
        return ()
    if isinstance(entry.raw, Between) and entry.raw.hi > WIDE_BRACKET * entry.raw.lo + WIDEST_MM:
        return (Slip(1.0, size, "a wide bracket: blades in between were not tried"),)
    peers = [
        mine
        for key, other in counted.items()
        if slot.peers and known[key].peers == slot.peers and (mine := _size(other)) is not None
    ]
    return tuple(find_slips(size, peers, slot.plausible))


WIDE_BRACKET, WIDEST_MM = 1.5, 0.02
"""A blade that does not go may be half as thick again as the one that goes, and 0.02 mm more."""


def _size(entry: Entry) -> float | None:
    """The number, or the middle of a bracket."""
    return (entry.raw.lo + entry.raw.hi) / 2 if isinstance(entry.raw, Between) else entry.number


def sift_checks(sifted: Sifted, slots: Sequence[Slot]) -> list[Check]:
    """The questions that the sifting leaves open."""
    label = {s.key: s.label for s in slots}
    found = [
        Check(
            "slip",
            "warn",
            f"{label[k]}: {e.as_typed or e.number} is {slips[0].words}. "
            + ("Was it meant?" if slips[0].stands else "Zero where it is seated and read it again."),
            "ask",
            k,
        )
        for k, (e, slips) in sifted.asked.items()
    ]
    for key, entries in sifted.contested.items():
        both = " and ".join(f"{e.as_typed or e.number} ({e.by or 'nobody named'})" for e in entries)
        found.append(
            Check(
                "contested",
                "warn",
                f"{label[key]} was filled twice: {both}. Strike one; neither counts until then.",
                "ask",
                key,
            )
        )
    return found
