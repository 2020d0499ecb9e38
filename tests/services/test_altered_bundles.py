"""Forty exchange files altered in one place each; thousands in bench/altered.py."""

from pathlib import Path

import pytest

from altered import JOBS, Yard, packed, run


def test_an_altered_file_is_refused_in_words_or_taken_in_whole(tmp_path: Path) -> None:
    counted = run(tmp_path, 40)
    assert set(counted) <= {"refused", "taken in"}, counted
    assert counted["refused"] > 20
    assert counted["taken in"] > 2


@pytest.fixture(scope="module")
def yard(tmp_path_factory: pytest.TempPathFactory) -> Yard:
    return Yard(tmp_path_factory.mktemp("altered"))


@pytest.mark.parametrize("job", JOBS)
def test_a_file_that_was_not_altered_is_taken_in(yard: Yard, job: str) -> None:
    assert yard.take(job, packed(yard.bundles[job])) == "taken in"
