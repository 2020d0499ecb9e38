"""One pair of hands at the demo yard's benches, on its fixed clock."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import UTC, datetime, timedelta
from typing import Any

from sqlalchemy.orm import Session

from bornek.services.desk import Desk
from bornek.services.setting.kept_settings import kept_settings, settings_after
from bornek.services.setting.load_setting import load_setting
from bornek.services.setting.record_act import record_act
from bornek.services.setting.sign_setting import sign_setting
from bornek.services.setting.take_reading import take_reading

START = datetime(2026, 11, 23, 7, 30, tzinfo=UTC)


class Hand:
    """One pair of hands on one setting: reads, moves and signs, a few minutes apart."""

    def __init__(
        self, session: Session, actor: str, setting_id: str, ticks: Iterator[int], start: datetime = START
    ) -> None:
        self.session, self.actor, self.setting_id, self.ticks = session, actor, setting_id, ticks
        self.start = start

    def desk(self) -> Desk:
        return Desk(self.session, self.actor, self.start + timedelta(minutes=3 * next(self.ticks)))

    def new_id(self) -> str:
        return f"{self.setting_id}.d{next(self.ticks)}"

    def seen(self) -> int:
        return load_setting(self.session, self.setting_id, START.date()).version

    def found(self, *plates: float) -> None:
        self._act("as_found", plates)

    def moves(self, *plates: float) -> None:
        self._act("move", plates)

    def _act(self, kind: str, plates: tuple[float, ...]) -> None:
        self.brings(kind, pack=list(plates))

    def brings(self, kind: str, **states: Any) -> None:
        """Every adjuster to its state, in one teardown."""
        sent = {"id": self.new_id(), "kind": kind, "states": states, "seen": self.seen()}
        record_act(self.desk(), self.setting_id, sent)

    def reads(self, position: str, *texts: str) -> None:
        for rep, text in enumerate(texts, 1):
            self.enters(f"travel.{position}.{rep}", text=text)

    def enters(self, slot: str, **what: Any) -> None:
        take_reading(self.desk(), self.setting_id, {"id": self.new_id(), "slot": slot, **what})
        kept_settings(self.session).update(settings_after(self.session))

    def signs(self, remark: str = "") -> None:
        sign_setting(
            self.desk(), self.setting_id, {"id": self.new_id(), "seen": self.seen(), "remark": remark}
        )
