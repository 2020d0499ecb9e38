"""What was written down disturbs settings: each has a round opened in which it is to be read again."""

from __future__ import annotations

from collections.abc import Sequence

from bornek.core.parts.disturbed import Disturbance
from bornek.services.desk import Desk
from bornek.services.setting.load_setting import LoadedSetting, load_setting
from bornek.store import tables as t
from bornek.store.queries.jobs import settings_of

MOST = 500


def disturb(desk: Desk, job: t.Job, cause: str, found: Sequence[Disturbance]) -> None:
    """One act a disturbance, with a round on every setting that was read before it. `cause`: the id of what was
    written, in whose transaction this is."""
    if not found:
        return
    settings = {s.key: s for s in settings_of(desk.session, job.id)}
    for n, one in enumerate(found):
        here = [settings[key] for key in one.settings if key in settings]
        loaded = [load_setting(desk.session, s.id, desk.today) for s in here]
        touched = [x for x in loaded if _counts(x, one.here)]
        if touched:
            _write(desk, job, f"{cause}.disturbs.{n}", one, touched)


def _counts(loaded: LoadedSetting, here: bool) -> bool:
    """Whether something was read that does not hold any more. While no other part is here, a reading that is out
    keeps its advice: the next move takes it apart anyway."""
    read_now = any(e.round == loaded.log.round for e in loaded.ctx.entries)
    if not read_now or here:
        return read_now
    return loaded.signed or not loaded.sheet.verdict.code.startswith("out")


def _write(desk: Desk, job: t.Job, act_id: str, one: Disturbance, touched: Sequence[LoadedSetting]) -> None:
    job.seq += 1
    act = t.Act(
        id=act_id,
        job_id=job.id,
        act_kind=one.act_kind,
        seq=job.seq,
        remark=one.why[:MOST],
        mechanic_id=desk.mechanic().id,
        at=desk.now,
    )
    desk.session.add(act)
    desk.session.flush()
    for loaded in touched:
        setting, number = loaded.log.setting, loaded.log.round + 1
        row = t.Round(id=f"{setting.id}.{number}", setting_id=setting.id, number=number, act_id=act.id)
        desk.session.add(row)
    desk.session.flush()
