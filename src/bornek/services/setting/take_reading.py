"""A reading is kept the moment it is made; a correction keeps the old one."""

from __future__ import annotations

from typing import Any

from sqlalchemy.orm import Session

from bornek.core.errors import BornekError, InputError, NotFound
from bornek.core.facts.locked_out import check_lock_back
from bornek.core.plain import dump
from bornek.core.raw import check_gauge, read_raw, typed_words
from bornek.core.settings.kind import Slot
from bornek.core.settings.watch import guide_of
from bornek.devices.ears import Ears
from bornek.services.desk import Desk
from bornek.services.setting.find_gauges import find_gauges
from bornek.services.setting.live import figures_of
from bornek.services.setting.load_setting import LoadedSetting, keep_loaded, setting_to_write
from bornek.services.setting.stale import check_version, stale
from bornek.services.setting.station_gauges import gauge_at
from bornek.services.strip.facts_of import facts_of
from bornek.store import tables as t
from bornek.store.queries.gauge_cards import card_id, last_card


def take_reading(desk: Desk, setting_id: str, sent: dict[str, Any], ears: Ears | None = None) -> None:
    """Appends an entry. Needs no version, unless it corrects or strikes an earlier one.

    sent: id, slot, text or value, and optionally round, gauge, confirmed, supersedes, void, seen; or `taken`: what a
    gauge that talks took at this station, with the figures that `ears` hold of it.
    """
    who = desk.mechanic()
    loaded = setting_to_write(desk, setting_id)
    loaded.check_readable()
    if loaded.log.job.stands == "field" and not sent.get("void"):
        check_lock_back("field", facts_of(desk.session, loaded.log.job.id))
    number = sent.get("round") or loaded.log.round
    at_round = next((r for r in loaded.log.rounds if r.number == number), None)
    if at_round is None:
        raise InputError(
            f"There is no round {number} on this setting.",
            field="round",
            next_step=f"Rounds so far: 1 to {loaded.log.round}.",
        )
    old = _superseded(desk.session, loaded, sent)
    slot = _slot(loaded, sent["slot"], number)
    gauge = sent.get("gauge") or _usual(desk, loaded, slot, old)
    if gauge and gauge not in loaded.ctx.gauges:
        raise InputError(
            f"No gauge has the id {gauge!r}.", field="gauge", next_step="Choose one of the shop's gauges."
        )
    if sent.get("gauge"):
        check_gauge(slot, loaded.ctx.gauges[sent["gauge"]])
    figures = None
    if sent.get("taken"):
        text, figures = _taken(ears, gauge, sent, slot)
        sent = {**sent, "text": text}
    if sent.get("void"):
        if old is None:
            raise InputError("Only a reading that is there can be struck.", field="supersedes")
        raw, typed = old.raw, "struck"
    else:
        given = sent["text"] if sent.get("text") is not None else sent.get("value")
        unit = loaded.ctx.gauges[gauge].unit if gauge else loaded.ctx.unit
        taken = read_raw(slot, given, unit)
        raw, typed = dump(taken), typed_words(taken, str(given))
    if desk.session.get(t.Entry, sent["id"]) is not None:
        raise InputError(
            "A reading with this id is already kept.",
            field="id",
            next_step="Make a new id for a new reading.",
        )
    job = loaded.log.job
    job.seq += 1
    entry = t.Entry(
        id=sent["id"],
        job_id=job.id,
        setting_id=setting_id,
        round_id=at_round.id,
        slot=slot.key,
        as_typed=typed[:100],
        raw=raw,
        trace=figures,
        gauge_id=gauge,
        gauge_card_id=card_id(gauge, last_card(desk.session, gauge)) if gauge else None,
        confirmed=bool(sent.get("confirmed")),
        void=bool(sent.get("void")),
        supersedes=old.id if old else None,
        seq=job.seq,
        mechanic_id=who.id,
        at=desk.now,
    )
    desk.session.add(entry)
    desk.session.flush()
    keep_loaded(desk.session, loaded.with_entry(entry), desk.today)


def _taken(
    ears: Ears | None, gauge: str | None, sent: dict[str, Any], slot: Slot
) -> tuple[str, dict[str, Any]]:
    if ears is None or not gauge:
        raise InputError(
            "No gauge is listened to here.", field="taken", next_step="Type the reading, or choose its gauge."
        )
    return figures_of(ears, gauge, sent["taken"], slot.key)


def _usual(desk: Desk, loaded: LoadedSetting, slot: Slot, old: t.Entry | None) -> str | None:
    """The gauge of the reading that is corrected, else the one that this station is read with."""
    if old is not None:
        return old.gauge_id
    shelf = find_gauges(desk.session, desk.today)
    found = gauge_at(slot, shelf.get(loaded.log.setting.gauge_id or ""), shelf.values())
    return found.id if found else None


def _superseded(session: Session, loaded: LoadedSetting, sent: dict[str, Any]) -> t.Entry | None:
    wanted = sent.get("supersedes")
    if not wanted:
        return None
    if sent.get("seen") is None:
        raise InputError(
            "A correction needs the version that you saw.",
            field="seen",
            next_step="Send `seen` as the setting's version.",
        )
    check_version(loaded, sent["seen"], sent)
    old = next((e for e in loaded.log.entries if e.id == wanted), None)
    if old is None:
        raise _gone(session, loaded, wanted, sent)
    if old.slot != sent["slot"]:
        raise InputError("A correction stays at its own station.", field="slot")
    return old


def _gone(session: Session, loaded: LoadedSetting, wanted: str, sent: dict[str, Any]) -> BornekError:
    """A reading that was there is corrected by somebody else; one that never was cannot be corrected."""
    row = session.get(t.Entry, wanted)
    if row is None or row.setting_id != loaded.log.setting.id:
        return NotFound(
            "There is no reading of that id.", field="supersedes", next_step="Look at the cell again."
        )
    return stale(
        loaded,
        row.seq,
        sent,
        "This reading was corrected or struck already.",
        "Look at the cell again, then correct what stands there now.",
    )


def _slot(loaded: LoadedSetting, key: str, number: int) -> Slot:
    slots = guide_of(loaded.kind, loaded.ctx.at(number)).slots
    found = next((s for s in slots if s.key == key), None)
    if found is None:
        known = ", ".join(s.key for s in slots)
        raise InputError(
            f"There is no station {key!r} in this round.", field="slot", next_step=f"Stations now: {known}."
        )
    return found
