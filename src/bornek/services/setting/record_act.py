"""What was really done to an adjuster: it opens a round, moves shims and disturbs settings."""

from __future__ import annotations

import uuid
from collections.abc import Mapping
from dataclasses import asdict
from typing import Any

from bornek.core.advice.packs import change
from bornek.core.advice.propose import expect
from bornek.core.advice.replay import replay
from bornek.core.compute import read_state
from bornek.core.errors import InputError
from bornek.core.plain import dump
from bornek.core.settings.kind import Packs
from bornek.core.settings.records import State
from bornek.core.settings.registry import find_kind
from bornek.services.desk import Desk
from bornek.services.setting.load_setting import Bench, check_version, open_bench, pack_state
from bornek.services.setting.view import view_setting
from bornek.store import tables as t
from bornek.store.queries.drawer import counts, find_lot
from bornek.store.queries.jobs import settings_of

KINDS = ("as_found", "move", "reseat", "recount")


def record_act(desk: Desk, setting_id: str, sent: dict[str, Any]) -> dict[str, Any]:
    """Writes an act seen from one setting. sent: id, kind, states, seen and optionally remark."""
    bench = open_bench(desk.session, setting_id, desk.now.date())
    check_version(bench, sent["seen"], {"kind": sent["kind"], "states": sent.get("states", {})})
    write_act(desk, bench, sent["id"], sent["kind"], sent.get("states") or {}, sent.get("remark", ""))
    return view_setting(desk.session, setting_id, desk.now.date())


def write_act(
    desk: Desk, bench: Bench, act_id: str, kind: str, states: Mapping[str, Any], remark: str
) -> t.Act:
    who = desk.mechanic()
    after = _states(bench, kind, states)
    job = bench.log.job
    job.seq += 1
    act = t.Act(
        id=act_id, job_id=job.id, kind=kind, seq=job.seq, remark=remark[:500], mechanic_id=who.id, at=desk.now
    )
    desk.session.add(act)
    desk.session.flush()
    for knob, state in after.items():
        before = bench.kind.state(bench.ctx, knob)
        desk.session.add(
            t.ActKnob(
                id=str(uuid.uuid5(uuid.NAMESPACE_OID, f"{act_id}/{knob}")),
                act_id=act_id,
                place_id=bench.log.place.id,
                knob=knob,
                before={} if before is None else pack_state(before),
                after=pack_state(state),
            )
        )
        if kind != "as_found" and isinstance(before, tuple) and isinstance(state, tuple):
            _move_stock(desk, bench, act, before, state)
    if kind in ("move", "reseat"):
        _freeze_proposal(desk, bench, act, after)
        _open_rounds(desk, bench, act)
    desk.session.flush()
    return act


def _states(bench: Bench, kind: str, sent: Mapping[str, Any]) -> dict[str, State]:
    if kind not in KINDS:
        raise InputError(f"kind must be one of {', '.join(KINDS)} (got {kind!r}).", field="kind")
    knobs = {k.key: k for k in bench.kind.knobs(bench.ctx)}
    unknown = set(sent) - set(knobs)
    if unknown:
        raise InputError(
            f"There is no adjuster {sorted(unknown)[0]!r} here.",
            field="states",
            next_step="Adjusters: " + ", ".join(knobs) + ".",
        )
    states: dict[str, State] = {}
    for key, knob in knobs.items():
        now = bench.kind.state(bench.ctx, key)
        if kind == "as_found" and now is not None:
            raise InputError(
                "What was in as found is written down already.",
                field="kind",
                next_step="Write a move, or a recount if it was another pack.",
            )
        if kind != "as_found" and now is None and not knob.read:
            raise InputError(
                "What is in now has not been entered yet.",
                field="kind",
                next_step="Enter the pack as found first.",
            )
        if kind == "reseat" and now is not None:
            states[key] = now
        elif key in sent:
            states[key] = read_state(sent[key], unit=bench.ctx.unit)
            if isinstance(knob.domain, Packs) != isinstance(states[key], tuple):
                raise InputError(
                    f"{knob.label}: give a list of shims."
                    if isinstance(knob.domain, Packs)
                    else f"{knob.label}: give one number.",
                    field="states",
                )
        else:
            raise InputError(f"{knob.label}: say what is in after it.", field="states")
    return states


def _move_stock(
    desk: Desk, bench: Bench, act: t.Act, before: tuple[int, ...], after: tuple[int, ...]
) -> None:
    """Shims that come out go back to the drawer; the count may go below zero, with a remark."""
    form = bench.log.place.shim_form
    held = {lot.thickness_nm: n for lot, n in counts(desk.session, form)}
    out, new = change(before, after)
    for n, (thickness, delta) in enumerate([(x, 1) for x in out] + [(x, -1) for x in new]):
        lot = find_lot(desk.session, form, thickness)
        if lot is None:
            lot = t.ShimLot(id=f"{form}/{thickness}", form=form, thickness_nm=thickness)
            desk.session.add(lot)
            desk.session.flush()
        held[thickness] = held.get(thickness, 0) + delta
        remark = "the drawer's count went below zero: count it" if held[thickness] < 0 else ""
        desk.session.add(
            t.StockMovement(
                id=f"{act.id}/{n}",
                lot_id=lot.id,
                delta=delta,
                act_id=act.id,
                remark=remark,
                mechanic_id=act.mechanic_id,
                at=desk.now,
            )
        )


def _freeze_proposal(desk: Desk, bench: Bench, act: t.Act, after: Mapping[str, State]) -> None:
    history = replay(bench.kind, bench.ctx)
    state = next(iter(after.values()), None)
    if history is None or state is None or not any(r.found for r in history.rounds):
        return
    c = expect(history, state)
    desk.session.add(
        t.Proposal(
            id=f"{act.id}/proposal",
            act_id=act.id,
            setting_id=bench.log.setting.id,
            shown=dump(bench.sheet().move) or {},
            predicted=asdict(c.predicted),
        )
    )


def _open_rounds(desk: Desk, bench: Bench, act: t.Act) -> None:
    """A round on every setting that rests on what this act wrote."""
    written = bench.kind.writes(bench.ctx)
    place = bench.log.place
    for other in settings_of(desk.session, bench.log.job.id):
        if other.id == bench.log.setting.id:
            touched = bench
        elif other.place_id == place.id or place.key in other.rests_on:
            touched = open_bench(desk.session, other.id, desk.now.date())
        else:
            continue
        if not find_kind(other.kind).reads(touched.ctx) & written:
            continue
        number = touched.log.round + 1
        desk.session.add(
            t.Round(id=f"{other.id}.{number}", setting_id=other.id, number=number, act_id=act.id)
        )
