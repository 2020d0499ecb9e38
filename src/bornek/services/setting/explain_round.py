"""What happened in a round that landed far from its prediction."""

from __future__ import annotations

from typing import Any

from bornek.core.advice.reconcile import ANSWERS
from bornek.core.errors import InputError
from bornek.services.desk import Desk
from bornek.services.setting.load_setting import load_setting, setting_to_write
from bornek.services.setting.record_act import write_act
from bornek.services.setting.stale import check_version
from bornek.store import tables as t


def explain_round(desk: Desk, setting_id: str, sent: dict[str, Any]) -> None:
    """sent: id, cause, seen, and optionally words and (for a recount) states.

    recounted corrects the pack of this round; reread holds the round out and opens a new one with
    the same pack; soft takes it as it is, this unit answers otherwise than most; unexplained admits it,
    weighed by how odd it is.
    """
    who = desk.mechanic()
    loaded = setting_to_write(desk, setting_id)
    check_version(loaded, sent["seen"], {"cause": sent["cause"], "words": sent.get("words", "")})
    causes = [key for key, _ in ANSWERS]
    if sent["cause"] not in causes:
        raise InputError(f"cause must be one of {', '.join(causes)}.", field="cause")
    number = loaded.log.round
    if any(x.round == number for x in loaded.log.explanations):
        raise InputError(
            "This round has been explained already.",
            field="round",
            next_step="Open a new round by re-seating and reading again.",
        )
    job = loaded.log.job
    job.seq += 1
    desk.session.add(
        t.Explanation(
            id=sent["id"],
            setting_id=setting_id,
            round=number,
            cause=sent["cause"],
            words=sent.get("words", "")[:500],
            seq=job.seq,
            mechanic_id=who.id,
            at=desk.now,
        )
    )
    desk.session.flush()
    follow = {"recounted": "recount", "reread": "reseat"}.get(sent["cause"])
    if follow:
        loaded = load_setting(desk.session, setting_id, desk.today)
        write_act(desk, loaded, f"{sent['id']}/act", follow, sent.get("states") or {}, sent.get("words", ""))
