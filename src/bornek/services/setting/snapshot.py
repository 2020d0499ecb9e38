"""What a signature approves, frozen: everything that is shown of a signed setting comes from here."""

from __future__ import annotations

from dataclasses import asdict
from typing import Any

from bornek.core.people.proof import NAMED
from bornek.core.plain import dump
from bornek.services.desk import Desk
from bornek.services.job.chain import job_chain
from bornek.services.setting.frozen import EDITION, as_signed
from bornek.services.setting.load_setting import LoadedSetting
from bornek.services.setting.record import record_now
from bornek.services.setting.view import show_given

FROM_RECORD = ("as_found", "as_left", "entries", "acts", "explanations")


def make_snapshot(desk: Desk, loaded: LoadedSetting, remark: str, proof: str = NAMED) -> dict[str, Any]:
    """The setting as it is signed now: sheet, given, as found, as left, gauge cards, who and how that was
    proved, when, and the chain
    of the job's rows up to the last one that was seen."""
    who, log, ctx = desk.mechanic(), loaded.log, loaded.ctx
    record = dump(record_now(desk.session, loaded))
    used = {e.gauge for e in ctx.entries} | {ctx.gauge}
    given = [f for f in show_given(desk.session, loaded) if f.shown]
    frozen: dict[str, Any] = {
        "edition": EDITION,
        "kind": log.setting.kind,
        "label": log.setting.label,
        "place": log.place.label,
        "sheet": as_signed(loaded.judged.dumped),
        "given": log.given.given,
        "given_version": log.given.kind_version,
        "given_shown": [{"label": f.label, "shown": f.shown} for f in given],
        "gauge": ctx.gauge,
        "gauges": {key: asdict(g) for key, g in ctx.gauges.items() if key in used},
        "by": who.name,
        "by_id": who.id,
        "proof": proof,
        "at": desk.now.isoformat(),
        "remark": remark,
        "through": log.job.seq,
        "chain": job_chain(desk.session, log.job.id),
        "found": {
            r.key: dump(r.value)
            for r in loaded.reckoning.outcome(1).results
            if r.role == "target" and r.value
        },
    }
    return frozen | {key: record[key] for key in FROM_RECORD}
