"""A setting as it stands: its log read into the core's context, and the whole view of it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import date
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.core.compute import read_raw
from bornek.core.errors import StaleVersion
from bornek.core.gauges import Gauge
from bornek.core.plain import dump
from bornek.core.settings.given import read_given
from bornek.core.settings.kind import Setting
from bornek.core.settings.records import (
    Act,
    Between,
    Choice,
    Confirm,
    Context,
    Entry,
    Explanation,
    Learned,
    Paint,
    Predicted,
    Raw,
    Scalar,
    State,
)
from bornek.core.settings.registry import find_kind
from bornek.core.sheet import Sheet, make_sheet
from bornek.services.shop.mechanics import mechanic_names
from bornek.store import tables as t
from bornek.store.queries.drawer import counts
from bornek.store.queries.jobs import signed_like
from bornek.store.queries.setting_log import SettingLog, setting_log

__all__ = ["Bench", "check_version", "open_bench", "pack_state", "read_raw", "unpack_state"]


def pack_state(state: State) -> dict[str, Any]:
    """An adjuster's state as it is stored."""
    return {"plates": list(state)} if isinstance(state, tuple) else {"at": state}


def unpack_state(stored: Mapping[str, Any]) -> State | None:
    if "plates" in stored:
        return tuple(stored["plates"])
    return float(stored["at"]) if "at" in stored else None


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


@dataclass(frozen=True)
class Bench:
    """One setting opened: what is written, the kind that judges it, and the core's context."""

    log: SettingLog
    kind: Setting
    ctx: Context
    names: Mapping[str, str]

    @property
    def version(self) -> int:
        return self.log.version

    def sheet(self) -> Sheet:
        return make_sheet(self.kind, self.ctx)

    def with_entry(self, row: t.Entry) -> Bench:
        """The same bench after one more entry, without reading it all again."""
        log = self.log.with_entry(row)
        ctx = replace(self.ctx, entries=_entries(log, self.names), signed=False)
        return replace(self, log=log, ctx=ctx)


def find_gauges(session: Session, today: date) -> dict[str, Gauge]:
    return {
        g.id: Gauge(
            id=g.id,
            name=g.name,
            unit=g.unit,
            division=g.division,
            interpolation=g.interpolation,
            calibration_u=g.calibration_u,
            quantity=g.quantity,
            due=g.due,
            overdue=bool(g.due) and g.due < today.isoformat(),
        )
        for g in session.scalars(select(t.Gauge).order_by(t.Gauge.name))
    }


def open_bench(session: Session, setting_id: str, today: date) -> Bench:
    """Reads one setting; NotFound if there is none of that id."""
    log = setting_log(session, setting_id)
    kind = find_kind(log.setting.kind)
    names = mechanic_names(session)
    ctx = Context(
        given=read_given(kind, log.given.given, log.job.length_unit),
        entries=_entries(log, names),
        acts=_acts(log, names),
        explanations=tuple(Explanation(x.round, x.cause, x.words) for x in log.explanations),
        gauges=find_gauges(session, today),
        gauge=log.setting.gauge_id or "",
        stock={lot.thickness_nm: n for lot, n in counts(session, log.place.shim_form)},
        history=_history(session, log),
        school=log.job.schools,
        unit=log.job.length_unit,
        round=log.round,
        signed=log.signature is not None and log.signature.seq == log.version,
    )
    return Bench(log, kind, ctx, names)


def _entries(log: SettingLog, names: Mapping[str, str]) -> tuple[Entry, ...]:
    numbers = {r.id: r.number for r in log.rounds}
    return tuple(
        Entry(
            id=e.id,
            slot=e.slot,
            raw=unpack_raw(e.raw),
            round=numbers[e.round_id],
            gauge=e.gauge_id or "",
            as_typed=e.as_typed,
            confirmed=e.confirmed,
            by=names.get(e.mechanic_id, ""),
            seq=e.seq,
        )
        for e in log.entries
    )


def _acts(log: SettingLog, names: Mapping[str, str]) -> tuple[Act, ...]:
    acts = []
    for act in log.acts:
        states: dict[str, State] = {}
        for knob in log.knobs.get(act.id, ()):
            state = unpack_state(knob.after)
            if state is not None:
                states[knob.knob] = state
        proposal = log.proposals.get(act.id)
        predicted = None
        if proposal and proposal.predicted:
            p = proposal.predicted
            predicted = Predicted(p["v"], p["u"], p["p_in"])
        acts.append(
            Act(
                id=act.id,
                round=log.act_rounds[act.id],
                kind=act.kind,
                states=states,
                predicted=predicted,
                by=names.get(act.mechanic_id, ""),
                seq=act.seq,
            )
        )
    return tuple(acts)


def _history(session: Session, log: SettingLog) -> tuple[Learned, ...]:
    """What finished jobs of the type found; keyed by setting, so an import counts once."""
    found = []
    for signature in signed_like(session, log.setting, log.unit.unit_type_id):
        slope = signature.snapshot["sheet"].get("slope")
        if slope:
            found.append(Learned(signature.setting_id, slope["k"], slope["se"]))
    return tuple(found)


def check_version(bench: Bench, seen: int, yours: Any) -> None:
    """Raises StaleVersion with both versions when something was written in between."""
    if seen != bench.version:
        theirs = [
            {"what": "reading", "slot": e.slot, "text": e.as_typed, "seq": e.seq, "by": e.by}
            for e in bench.ctx.entries
            if e.seq > seen
        ]
        theirs += [
            {
                "what": "act",
                "kind": a.kind,
                "seq": a.seq,
                "by": a.by,
                "states": {k: dump(s) for k, s in a.states.items()},
            }
            for a in bench.ctx.acts
            if a.seq > seen
        ]
        if bench.log.given.seq > seen:
            theirs.append({"what": "given", "seq": bench.log.given.seq, "given": bench.log.given.given})
        if bench.log.signature and bench.log.signature.seq > seen:
            theirs.append({"what": "signature", "seq": bench.log.signature.seq})
        raise StaleVersion(
            "Somebody else wrote on this setting while you had it open.",
            field="seen",
            next_step="Look at what was written, then send yours again or let it go.",
            details={"seen": seen, "version": bench.version, "yours": yours, "theirs": theirs},
        )
