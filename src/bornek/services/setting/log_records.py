"""Stored rows of a setting as the core's records: readings, moves and what was promised."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from bornek.core.gauges import Gauge
from bornek.core.settings.knobs import Knob
from bornek.core.settings.records import (
    EXCHANGED,
    TAKEN_APART,
    Act,
    Between,
    Choice,
    Confirm,
    Entry,
    Paint,
    Predicted,
    Raw,
    Scalar,
)
from bornek.core.settings.state import PackPair, ShimPack, State, stored_state
from bornek.store import tables as t
from bornek.store.queries.setting_log import SettingLog


def unpack_raw(stored: Mapping[str, Any]) -> Raw:
    match stored["type"]:
        case "scalar":
            return Scalar(stored["value"])
        case "between":
            return Between(stored["lo"], stored["hi"])
        case "paint":
            return Paint(stored["flank"], tuple(tuple(row) for row in stored["mask"]))
        case "choice":
            return Choice(stored["option"])
        case _:
            return Confirm(stored["done"])


def entries_of(log: SettingLog, names: Mapping[str, str], gauges: Mapping[str, Gauge]) -> tuple[Entry, ...]:
    numbers = {r.id: r.number for r in log.rounds}
    return tuple(
        Entry(
            id=e.id,
            slot=e.slot,
            raw=unpack_raw(e.raw),
            round=numbers[e.round_id],
            gauge=(e.gauge_card_id if e.gauge_card_id in gauges else e.gauge_id) or "",
            as_typed=e.as_typed,
            confirmed=e.confirmed,
            by=names.get(e.mechanic_id, ""),
            seq=e.seq,
        )
        for e in log.entries
    )


def acts_of(log: SettingLog, names: Mapping[str, str], knobs: tuple[Knob, ...]) -> tuple[Act, ...]:
    """Packs belong to places: a pack changed from another setting at the same place is this one's too."""
    acts = []
    lying: dict[str, tuple[int, ...]] = {}
    for act in log.acts:
        rows = log.knobs.get(act.id, ())
        states: dict[str, State] = {}
        for knob in knobs:
            state = _state_of(knob, rows, log, lying)
            if state is not None:
                states[knob.key] = state
        acts.append(
            Act(
                id=act.id,
                round=log.act_rounds[act.id],
                act_kind=act.act_kind,
                states=states,
                predicted=_predicted(log.proposals.get(act.id)),
                by=names.get(act.mechanic_id, ""),
                seq=act.seq,
                why=act.remark if act.act_kind in (EXCHANGED, TAKEN_APART) else "",
            )
        )
    return tuple(acts)


def _state_of(knob: Knob, rows: Any, log: SettingLog, lying: dict[str, tuple[int, ...]]) -> State | None:
    """An adjuster's state after an act, from what the act wrote at the adjuster's places."""
    places = [log.place_id(key) for key in knob.places]
    here = [r for r in rows if r.place_id in places]
    if knob.domain.sort == "position":
        own = next((r for r in here if r.knob == knob.key), None)
        return stored_state(own.after) if own else None
    for row in here:
        packs = (stored_state(row.after) or ShimPack(())).packs
        if packs:
            lying[row.place_id] = packs[0]
    if not here or not all(p in lying for p in places):
        return None
    found = [lying[p] for p in places]
    return PackPair(*found) if knob.domain.sort == "pair" else ShimPack(found[0])


def _predicted(proposal: t.Proposal | None) -> dict[str, Predicted]:
    """By row; acts of the first edition kept that of the only row."""
    stored = proposal.predicted if proposal else None
    if not stored:
        return {}
    rows = {"": stored} if "v" in stored else stored
    return {key: Predicted(p["v"], p["u"], p["p_in"]) for key, p in rows.items()}
