"""One setting in a line: for the board, the job and the section."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.phrases import Span
from bornek.core.scenes import Readout
from bornek.services.setting.frozen import first_readout, shown_sheet
from bornek.services.setting.load_setting import LoadedSetting, load_setting
from bornek.store import tables as t
from bornek.store.queries.jobs import settings_of


@dataclass(frozen=True)
class SettingSummary:
    id: str
    key: str
    label: str
    place: str
    title: str
    round: int
    say: list[Span]
    verdict: str
    verdict_words: str
    strip: Readout | None
    signed: bool
    disturbed: bool
    begun: bool
    stage: str


def summary(loaded: LoadedSetting) -> SettingSummary:
    """From the sheet that is shown: a signed setting's snapshot, else as it stands."""
    sheet: Any = shown_sheet(loaded)
    log = loaded.log
    return SettingSummary(
        id=log.setting.id,
        key=log.setting.key,
        label=log.setting.label,
        place=log.place.label,
        title=sheet["title"],
        round=sheet["round"],
        say=[Span(**span) for span in sheet["say"]],
        verdict=sheet["verdict"]["code"],
        verdict_words=sheet["verdict"]["words"],
        strip=first_readout(sheet),  # type: ignore[arg-type]
        signed=log.signature is not None and not log.disturbed,
        disturbed=log.disturbed,
        begun=bool(loaded.ctx.entries),
        stage=loaded.judged.stored_kind.stage,
    )


def summaries(session: Session, job: t.Job, today: date) -> list[SettingSummary]:
    return [summary(load_setting(session, s.id, today)) for s in settings_of(session, job.id)]
