"""Settings thought through, kept from one request to the next."""

from __future__ import annotations

from collections import ChainMap, OrderedDict
from collections.abc import Iterator, MutableMapping
from contextlib import contextmanager
from typing import Any

from sqlalchemy.orm import Session

from bornek.store.once import only_reads

MOST = 1000


class KeptSettings(OrderedDict[str, Any]):
    """The last ones by id, each with a stamp of all that could change it: who takes one out compares that."""

    def __setitem__(self, key: str, value: Any) -> None:
        super().__setitem__(key, value)
        if len(self) > MOST:
            self.popitem(last=False)

    def lend(self, session: Session) -> None:
        """For a session that reads: what it thinks through is kept for the next. It sees one state of the
        file throughout, so what it has read once it need not read again."""
        only_reads(session)
        session.info |= {"settings": self, "seen": {}}

    @contextmanager
    def lent(self, session: Session) -> Iterator[None]:
        """For a session that writes: what it says at its end is kept, once its transaction was committed."""
        session.info["settings"] = ChainMap({}, self)
        yield
        self.update(settings_after(session))


def kept_settings(session: Session) -> MutableMapping[str, Any]:
    """What was thought through before."""
    found: MutableMapping[str, Any] = session.info.setdefault("settings", {})
    return found


def seen_settings(session: Session) -> dict[str, Any]:
    """What a session that only reads has opened already; nothing for one that writes."""
    found: dict[str, Any] = session.info.get("seen", {})
    return found


def settings_after(session: Session) -> dict[str, Any]:
    """What a write leaves, as it says itself."""
    found: dict[str, Any] = session.info.setdefault("settings_after", {})
    return found
