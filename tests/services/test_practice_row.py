"""What a learner sees of the rigs already tried."""

from datetime import UTC, datetime, timedelta
from types import SimpleNamespace
from typing import Any

from bornek.core.practice.rigs.rows import SORTS
from bornek.services.practice.row import view_practice
from bornek.store.practice.book import Attempt

BEGAN = datetime(2026, 11, 1, 8, 0, tzinfo=UTC)


def test_the_last_forty_rigs_are_shown_the_newest_first() -> None:
    sort = next(iter(SORTS))
    tried = [
        Attempt(id=f"a{n}", learner="me", sort=sort, number=n, at=BEGAN + timedelta(hours=n), result="in", score=1.0, best=1.0)
        for n in range(45)
    ]  # fmt: skip
    rigs: Any = SimpleNamespace(book=SimpleNamespace(attempts=lambda learner: tried))
    done = view_practice(rigs, "me")["done"]
    assert [d["number"] for d in done] == list(range(44, 4, -1))
    assert view_practice(rigs, "")["done"] == []
