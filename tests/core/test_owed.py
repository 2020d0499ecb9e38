"""What a unit owes: put off in one job, carried into the next, gone once it is done."""

from __future__ import annotations

from typing import Any

import pytest

from bornek.core.facts.closed import Closed
from bornek.core.facts.deferred import Deferred
from bornek.core.facts.kind import Fact
from bornek.core.facts.proved import Proved
from bornek.core.prove.owed import owed_of

OFF = Deferred("Guard bolt", "not in store", "Jun", "2026-12-01")
SEAL = Deferred("Seal", "comes Monday", "Oda", "2026-11-30", point="seal:s")


def job(name: str, *bodies: Any) -> tuple[str, list[Fact]]:
    return name, [
        Fact(f"{name}{n}", "", "", b, by="Jun", at="2026-11-24T08:00", seq=n) for n, b in enumerate(bodies, 1)
    ]


def whats(*jobs: tuple[str, list[Fact]], done: tuple[str, ...] = ()) -> list[str]:
    return [o.what for o in owed_of(jobs, done)]


def test_what_is_due_first_stands_in_front() -> None:
    assert whats(job("a", OFF, SEAL)) == ["Seal", "Guard bolt"]


@pytest.mark.parametrize(
    ("later", "done"),
    [
        ((job("b", Proved("owed:a1")),), ()),
        ((), ("a1",)),
        ((job("b", Closed(done=("a1",))),), ()),
    ],
    ids=["seen in the next job", "done without a job", "done by its own stage"],
)
def test_done_it_is_owed_no_more(later: tuple[Any, ...], done: tuple[str, ...]) -> None:
    assert whats(job("a", OFF), *later, done=done) == []


def test_seen_after_all_in_the_same_job_it_is_owed_no_more() -> None:
    assert whats(job("a", SEAL, Proved("seal:s"))) == []
    assert whats(job("a", Proved("seal:s"), SEAL)) == ["Seal"]


def test_not_right_is_not_done() -> None:
    assert whats(job("a", OFF), job("b", Proved("owed:a1", how="wrong", words="sheared"))) == ["Guard bolt"]


def test_put_off_again_in_the_next_job_only_the_new_day_counts() -> None:
    again = Deferred("Guard bolt", "still none", "Oda", "2027-03-01", point="owed:a1")
    owed = owed_of([job("a", OFF), job("b", again)], ())
    assert [(o.job, o.until) for o in owed] == [("b", "2027-03-01")]


@pytest.mark.parametrize(("today", "late"), [("2026-12-01", False), ("2026-12-02", True)])
def test_it_is_late_from_the_day_after(today: str, late: bool) -> None:
    assert owed_of([job("a", OFF)], ())[0].late(today) == late
