"""Which entries count: slips that nobody has confirmed and contested slots are held back."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field

from bornek.core.readings import Slip, find_slips
from bornek.core.settings.kind import Check, Slot
from bornek.core.settings.records import Entry


@dataclass(frozen=True)
class Sifted:
    """Entries by slot: those that count, those asked about, those filled twice."""

    counted: Mapping[str, Entry] = field(default_factory=dict)
    asked: Mapping[str, tuple[Entry, tuple[Slip, ...]]] = field(default_factory=dict)
    contested: Mapping[str, tuple[Entry, ...]] = field(default_factory=dict)

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
        slips = () if entry.confirmed else _slips(entry, slot, counted, known)
        if slips:
            asked[entry.slot] = (entry, slips)
        else:
            counted[entry.slot] = entry
    return Sifted(counted, asked, contested)


def _slips(
    entry: Entry, slot: Slot, counted: Mapping[str, Entry], known: Mapping[str, Slot]
) -> tuple[Slip, ...]:
    if entry.number is None:
        return ()
    peers = [
        other.number
        for key, other in counted.items()
        if slot.peers and known[key].peers == slot.peers and other.number is not None
    ]
    return tuple(find_slips(entry.number, peers, slot.plausible))


def sift_checks(sifted: Sifted, slots: Sequence[Slot]) -> list[Check]:
    """The questions that the sifting leaves open."""
    label = {s.key: s.label for s in slots}
    found = [
        Check(
            "slip",
            "warn",
            f"{label[k]}: {e.as_typed or e.number} is {slips[0].words}. Was it meant?",
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
