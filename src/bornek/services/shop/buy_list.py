"""What one missing shim would give, over all open jobs: what to buy."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.core.phrases import chance
from bornek.core.plain import dump
from bornek.core.quantities import Speech, to_nm
from bornek.services.setting.frozen import shown_sheet
from bornek.services.setting.load_setting import LoadedSetting, load_setting
from bornek.store import tables as t
from bornek.store.queries.jobs import settings_of


@dataclass(frozen=True)
class Gain:
    """One setting that the shim would bring in, and how likely then."""

    job: str
    setting: str
    tag: str
    label: str
    words: str


@dataclass(frozen=True)
class Wanted:
    """A shim that is not in the drawer; `gain` adds up what it would raise the chances by."""

    form: str
    thickness: float
    mm: str
    thou: str
    gain: float
    settings: list[Gain]


def buy_list(session: Session, today: date) -> list[dict[str, Any]]:
    """Shims that the drawer lacks, those that would do most first."""
    found: dict[tuple[str, int], list[tuple[float, Gain]]] = {}
    for job in session.scalars(select(t.Job).where(t.Job.closed_at.is_(None)).order_by(t.Job.opened_at)):
        for setting in settings_of(session, job.id):
            _look(load_setting(session, setting.id, today), found)
    rows = [_wanted(form, nm, gains) for (form, nm), gains in found.items()]
    shown: list[dict[str, Any]] = dump(sorted(rows, key=lambda w: (-w.gain, w.form, w.thickness)))
    return shown


def _look(loaded: LoadedSetting, found: dict[tuple[str, int], list[tuple[float, Gain]]]) -> None:
    if loaded.signed:
        return
    sheet: Any = shown_sheet(loaded)
    move = sheet["move"]
    if not move or move.get("missing_mm") is None:
        return
    before = move["best"]["p_in"] if move["best"] else 0.0
    log = loaded.log
    words = f"{chance(move['missing_p'])} instead of {chance(before)}"
    gain = Gain(log.job.id, log.setting.id, log.unit.tag, log.setting.label, words)
    knob = next((k for k in loaded.reckoning.knobs if k.key == move.get("missing_at")), None)
    form = loaded.ctx.form(knob.place) if knob is not None and knob.place else log.place.shim_form
    key = (form, to_nm(move["missing_mm"]))
    found.setdefault(key, []).append((move["missing_p"] - before, gain))


def _wanted(form: str, nm: int, gains: list[tuple[float, Gain]]) -> Wanted:
    mm = nm / 1e6
    return Wanted(
        form=form,
        thickness=mm,
        mm=Speech().size(mm),
        thou=Speech("thou").number(mm),
        gain=sum(g for g, _ in gains),
        settings=[g for _, g in gains],
    )
