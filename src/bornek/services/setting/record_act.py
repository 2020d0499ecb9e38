"""What was really done to the adjusters, in one teardown: it opens rounds, moves shims, disturbs settings."""

from __future__ import annotations

import uuid
from collections.abc import Mapping
from dataclasses import asdict
from typing import Any

from bornek.core.advice.packs import change
from bornek.core.advice.promise import expect
from bornek.core.errors import InputError
from bornek.core.facts.locked_out import check_locked_out
from bornek.core.plain import dump
from bornek.core.settings.knobs import Knob
from bornek.core.settings.records import BY_HAND
from bornek.core.settings.state import State
from bornek.services.desk import Desk
from bornek.services.setting.load_setting import LoadedSetting, load_setting, setting_to_write
from bornek.services.setting.read_states import read_states
from bornek.services.setting.stale import check_version
from bornek.services.strip.facts_of import facts_of
from bornek.store import tables as t
from bornek.store.queries.drawer import counts, find_lot
from bornek.store.queries.jobs import settings_of

States = Mapping[str, State]


def record_act(desk: Desk, setting_id: str, sent: dict[str, Any]) -> None:
    """Writes an act seen from one setting. sent: id, kind, states, seen and optionally remark."""
    loaded = setting_to_write(desk, setting_id)
    check_version(loaded, sent["seen"], {"kind": sent["kind"], "states": sent.get("states", {})})
    write_act(desk, loaded, sent["id"], sent["kind"], sent.get("states") or {}, sent.get("remark", ""))


def write_act(
    desk: Desk, loaded: LoadedSetting, act_id: str, kind: str, states: Mapping[str, Any], remark: str
) -> t.Act:
    who = desk.mechanic()
    loaded.check_readable()
    if kind in ("move", "reseat"):
        check_locked_out(loaded.log.job.stands, facts_of(desk.session, loaded.log.job.id))
    before = _now(loaded)
    after = _after(loaded, kind, before, states)
    job = loaded.log.job
    job.seq += 1
    act = t.Act(
        id=act_id,
        job_id=job.id,
        act_kind=kind,
        seq=job.seq,
        remark=remark[:500],
        mechanic_id=who.id,
        at=desk.now,
    )
    desk.session.add(act)
    desk.session.flush()
    for knob in loaded.reckoning.knobs:
        if knob.key in after:
            _write_knob(desk, loaded, act, knob, before.get(knob.key), after[knob.key])
    if kind in ("move", "reseat"):
        _freeze_proposal(desk, loaded, act, after)
        _open_rounds(desk, loaded, act, after)
    desk.session.flush()
    return act


def _now(loaded: LoadedSetting) -> dict[str, State]:
    found = {k.key: loaded.kind.state(loaded.ctx, k.key) for k in loaded.reckoning.knobs}
    return {key: state for key, state in found.items() if state is not None}


def _after(loaded: LoadedSetting, kind: str, now: States, sent: Mapping[str, Any]) -> dict[str, State]:
    """What every adjuster is left at; of several, those that are not named stay as they are."""
    if kind not in BY_HAND:
        raise InputError(f"kind must be one of {', '.join(BY_HAND)} (got {kind!r}).", field="kind")
    knobs = loaded.reckoning.knobs
    read = read_states(loaded, sent)
    if kind == "as_found" and (set(read) & set(now) or set(now) == {k.key for k in knobs}):
        raise InputError(
            "What was in as found is written down already.",
            field="kind",
            next_step="Write a move, or a recount if it was another pack.",
        )
    unknown = [k for k in knobs if k.key not in now and not k.read]
    if kind != "as_found" and unknown:
        raise InputError(
            "What is in now has not been entered yet.",
            field="kind",
            next_step=f"{unknown[0].label}: enter it as found first.",
        )
    if kind == "reseat":
        return dict(now)
    if knobs and not read:
        raise InputError(f"{knobs[0].label}: say what is in after it.", field="states")
    return read


def _write_knob(
    desk: Desk, loaded: LoadedSetting, act: t.Act, knob: Knob, before: State | None, after: State
) -> None:
    """One row a place: packs belong to places, whichever setting they were changed from."""
    was = before.by_place(knob.places) if before is not None else {}
    for place, state in after.by_place(knob.places).items():
        place_id = loaded.log.place_id(place)
        if not place_id:
            raise InputError(
                f"{knob.label}: this unit has no place {place!r}.",
                field="states",
                next_step="Say under Given at which place they lie.",
            )
        old = was.get(place)
        desk.session.add(
            t.ActKnob(
                id=str(uuid.uuid5(uuid.NAMESPACE_OID, f"{act.id}/{knob.key}/{place}")),
                act_id=act.id,
                place_id=place_id,
                knob=knob.key,
                before=old.dump() if old is not None else {},
                after=state.dump(),
            )
        )
        if act.act_kind != "as_found" and old is not None:
            _move_stock(desk, act, loaded.ctx.form(place), old, state, f"{act.id}/{knob.key}/{place}")


def _move_stock(desk: Desk, act: t.Act, form: str, before: State, after: State, key: str) -> None:
    """Shims that come out go back to the drawer; the count may go below zero, with a remark."""
    moves = [
        (nm, by) for was, will in zip(before.packs, after.packs, strict=True) for nm, by in _deltas(was, will)
    ]
    if not moves:
        return
    held = {lot.thickness_nm: n for lot, n in counts(desk.session, form)}
    for n, (thickness, delta) in enumerate(moves):
        lot = find_lot(desk.session, form, thickness)
        if lot is None:
            lot = t.ShimLot(id=f"{form}/{thickness}", form=form, thickness_nm=thickness)
            desk.session.add(lot)
            desk.session.flush()
        held[thickness] = held.get(thickness, 0) + delta
        remark = "the drawer's count went below zero: count it" if held[thickness] < 0 else ""
        desk.session.add(
            t.StockMovement(
                id=str(uuid.uuid5(uuid.NAMESPACE_OID, f"{key}/{n}")),
                lot_id=lot.id,
                delta=delta,
                act_id=act.id,
                remark=remark,
                mechanic_id=act.mechanic_id,
                at=desk.now,
            )
        )


def _deltas(was: tuple[int, ...], will: tuple[int, ...]) -> list[tuple[int, int]]:
    out, new = change(was, will)
    return [(nm, 1) for nm in out] + [(nm, -1) for nm in new]


def _freeze_proposal(desk: Desk, loaded: LoadedSetting, act: t.Act, after: States) -> None:
    """What was shown and what it promised, by row."""
    history = loaded.reckoning.history
    if history is None or history.last.states is None or not any(r.values for r in history.rounds):
        return
    promised = expect(history, {**history.last.states, **after}).predicted
    desk.session.add(
        t.Proposal(
            id=f"{act.id}/proposal",
            act_id=act.id,
            setting_id=loaded.log.setting.id,
            shown=dump(loaded.sheet.move) or {},
            predicted={row: asdict(p) for row, p in promised.items()},
        )
    )


def _open_rounds(desk: Desk, loaded: LoadedSetting, act: t.Act, after: States) -> None:
    """A round on every setting that rests on what this act wrote, at the places where it wrote."""
    written = loaded.kind.disturbs(loaded.ctx, after)
    own = loaded.log.place.key
    moved = {place or own for k in loaded.reckoning.knobs if k.key in after for place in k.places} or {own}
    for other in settings_of(desk.session, loaded.log.job.id):
        touched = (
            loaded if other.id == loaded.log.setting.id else load_setting(desk.session, other.id, desk.today)
        )
        rests = {touched.log.place.key, *other.rests_on}
        rests |= {place for k in touched.reckoning.knobs for place in k.places if place}
        if not rests & moved or not touched.kind.reads(touched.ctx) & written:
            continue
        number = touched.log.round + 1
        desk.session.add(
            t.Round(id=f"{other.id}.{number}", setting_id=other.id, number=number, act_id=act.id)
        )
