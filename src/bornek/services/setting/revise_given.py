"""What a setting is given, changed: a new revision, the old one kept."""

from __future__ import annotations

from typing import Any

from bornek.core.settings.given import read_given
from bornek.core.settings.records import Context
from bornek.core.settings.registry import find_kind
from bornek.services.desk import Desk
from bornek.services.setting.load_setting import setting_to_write
from bornek.services.setting.stale import check_version
from bornek.store import tables as t


def revise_given(desk: Desk, setting_id: str, sent: dict[str, Any]) -> None:
    """sent: id, given (as typed), seen."""
    who = desk.mechanic()
    loaded = setting_to_write(desk, setting_id)
    check_version(loaded, sent["seen"], {"given": sent["given"]})
    kind = find_kind(loaded.log.setting.kind)
    values = read_given(kind, sent["given"], loaded.ctx.unit)
    kind.evaluate(Context(given=values, unit=loaded.ctx.unit, place=loaded.ctx.place))
    job = loaded.log.job
    job.seq += 1
    desk.session.add(
        t.GivenRevision(
            id=sent["id"],
            setting_id=setting_id,
            seq=job.seq,
            given=sent["given"],
            kind_version=kind.version,
            mechanic_id=who.id,
            at=desk.now,
        )
    )
    desk.session.flush()
