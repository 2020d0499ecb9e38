"""A setting signed: its whole sheet frozen, hashed, and read from there for ever."""

from __future__ import annotations

from typing import Any

from bornek.core.errors import InputError
from bornek.core.people.proof import NAMED
from bornek.services.desk import Desk, digest
from bornek.services.setting.load_setting import setting_to_write
from bornek.services.setting.snapshot import make_snapshot
from bornek.services.setting.stale import check_version
from bornek.store import tables as t


def sign_setting(desk: Desk, setting_id: str, sent: dict[str, Any]) -> None:
    """sent: id, seen, remark, proof (authenticated or named). A setting that is not in needs a reason; one not read cannot be."""
    who = desk.mechanic()
    loaded = setting_to_write(desk, setting_id)
    check_version(loaded, sent["seen"], {"remark": sent.get("remark", "")})
    sheet = loaded.sheet
    remark = (sent.get("remark") or "").strip()
    if sheet.sign_blockers:
        raise InputError(
            "It cannot be signed yet: " + " ".join(sheet.sign_blockers),
            field="sign",
            next_step="Do what is still open, then sign.",
        )
    if sheet.verdict.code != "in" and not remark:
        raise InputError(
            f"It is {sheet.verdict.words}: signing it so needs a reason in words.",
            field="remark",
            next_step="Write why it is left like this, or make another round.",
        )
    snapshot = make_snapshot(desk, loaded, remark[:500], sent.get("proof", NAMED))
    job = loaded.log.job
    through = loaded.version
    job.seq += 1
    desk.session.add(
        t.Signature(
            id=sent["id"],
            setting_id=setting_id,
            seq=job.seq,
            through_seq=through,
            snapshot=snapshot,
            sha256=digest(snapshot),
            remark=remark[:500],
            mechanic_id=who.id,
            at=desk.now,
        )
    )
    desk.session.flush()
