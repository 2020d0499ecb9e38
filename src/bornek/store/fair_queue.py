"""One writer at a time, in the order in which they came."""

from __future__ import annotations

from collections import deque
from threading import Lock, get_ident

HANDED_OVER = -1
"""No thread's number: between two holders, so that nobody steps in."""


class FairQueue:
    """A lock that is handed over to who has waited longest.

    >>> queue = FairQueue()
    >>> with queue:
    ...     print("alone")
    alone
    """

    def __init__(self) -> None:
        self._guard = Lock()
        self._waiting: deque[Lock] = deque()
        self._holder: int | None = None

    def __enter__(self) -> None:
        me = get_ident()
        with self._guard:
            if self._holder == me:
                raise RuntimeError("A write cannot be begun inside a write.")
            if self._holder is None:
                self._holder = me
                return
            turn = Lock()
            turn.acquire()
            self._waiting.append(turn)
        turn.acquire()
        self._holder = me

    def __exit__(self, *_: object) -> None:
        with self._guard:
            self._holder = HANDED_OVER if self._waiting else None
            if self._waiting:
                self._waiting.popleft().release()
