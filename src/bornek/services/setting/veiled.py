"""At a rig the advice is not shown before it is asked for: what a session says of that."""

from __future__ import annotations

from typing import Any

from sqlalchemy.orm import Session

from bornek.core.practice.veil import veil_expectation, veil_sheet
from bornek.services.setting.frozen import shown_sheet
from bornek.services.setting.load_setting import LoadedSetting

VEIL = "bornek.veil"
"""Under this name a session at a rig holds the rounds in which the advice was asked for."""


def sheet_shown(session: Session, loaded: LoadedSetting) -> dict[str, Any]:
    """A sheet as it is shown here: whole in the yard, and at a rig where it was asked for or signed."""
    sheet = shown_sheet(loaded)
    if loaded.signed or _open(session, sheet["round"]):
        return sheet
    return veil_sheet(sheet, loaded.judged.unadvised)


def expectation_shown(session: Session, shown: dict[str, Any], number: int) -> dict[str, Any]:
    return shown if _open(session, number) else veil_expectation(shown)


def is_veiled(session: Session) -> bool:
    """Whether what is found of a whole job is not shown: at a rig where it was not asked for."""
    return session.info.get(VEIL) is not None


def _open(session: Session, number: int) -> bool:
    asked = session.info.get(VEIL)
    return asked is None or number in asked
