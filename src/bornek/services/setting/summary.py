"""One setting in a line: for the board, the job and the section."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date

from sqlalchemy.orm import Session

from bornek.core.phrases import Span
from bornek.core.scenes import Strip
from bornek.services.setting.load_setting import Bench, open_bench
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
    strip: Strip | None
    signed: bool
    disturbed: bool
    begun: bool


def summary(bench: Bench) -> SettingSummary:
    sheet, log = bench.sheet(), bench.log
    strip = next((s for s in sheet.scenes if isinstance(s, Strip)), None)
    return SettingSummary(
        id=log.setting.id,
        key=log.setting.key,
        label=log.setting.label,
        place=log.place.label,
        title=sheet.title,
        round=sheet.round,
        say=list(sheet.say),
        verdict=sheet.verdict.code,
        verdict_words=sheet.verdict.words,
        strip=strip,
        signed=log.signature is not None and not log.disturbed,
        disturbed=log.disturbed,
        begun=bool(bench.ctx.entries),
    )


def summaries(session: Session, job: t.Job, today: date) -> list[SettingSummary]:
    return [summary(open_bench(session, s.id, today)) for s in settings_of(session, job.id)]
