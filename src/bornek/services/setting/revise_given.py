"""What a setting is given, changed: a new revision, the old one kept."""

from __future__ import annotations

from typing import Any

from bornek.core.settings.given import read_given
from bornek.services.desk import Desk
from bornek.services.setting.load_setting import check_version, open_bench
from bornek.services.setting.view import view_setting
from bornek.store import tables as t


def revise_given(desk: Desk, setting_id: str, sent: dict[str, Any]) -> dict[str, Any]:
    """sent: id, given (as typed), seen."""
    who = desk.mechanic()
    bench = open_bench(desk.session, setting_id, desk.now.date())
    check_version(bench, sent["seen"], {"given": sent["given"]})
    values = read_given(bench.kind, sent["given"], bench.ctx.unit)
    bench.kind.evaluate(bench.ctx.__class__(given=values, unit=bench.ctx.unit))
    job = bench.log.job
    job.seq += 1
    desk.session.add(
        t.GivenRevision(
            id=sent["id"],
            setting_id=setting_id,
            seq=job.seq,
            given=sent["given"],
            mechanic_id=who.id,
            at=desk.now,
        )
    )
    desk.session.flush()
    return view_setting(desk.session, setting_id, desk.now.date())
