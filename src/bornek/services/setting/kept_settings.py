"""Settings thought through, kept from one request to the next."""

from __future__ import annotations

from collections import ChainMap, OrderedDict
from collections.abc import Iterator, MutableMapping
from contextlib import contextmanager
from typing import Any

from sqlalchemy.orm import Session

MOST = 256


class KeptSettings(OrderedDict[tuple[Any, ...], Any]):
    """The last ones, by what they rest on: a key tells all that could change them, so none is ever stale."""

    def __setitem__(self, key: tuple[Any, ...], value: Any) -> None:
        super().__setitem__(key, value)
        if len(self) > MOST:
            self.popitem(last=False)

    def lend(self, session: Session) -> None:
        """For a session that reads: what it thinks through is kept for the next."""
        session.info["settings"] = self

    @contextmanager
    def lent(self, session: Session) -> Iterator[None]:
        """For a session that writes. In the middle of a write a setting is neither as it was nor as it will
        be: only what the write says at its end is kept, once its transaction was committed."""
        session.info["settings"] = ChainMap({}, self)
        yield
        self.update(settings_after(session))


def kept_settings(session: Session) -> MutableMapping[tuple[Any, ...], Any]:
    """What a session knows without reading it again."""
    found: MutableMapping[tuple[Any, ...], Any] = session.info.setdefault("settings", {})
    return found


def settings_after(session: Session) -> dict[tuple[Any, ...], Any]:
    """What a write leaves, as it says itself."""
    found: dict[tuple[Any, ...], Any] = session.info.setdefault("settings_after", {})
    return found
