"""Twenty exchange files altered in one place each; thousands in bench/altered.py."""

from pathlib import Path

import pytest

from altered import JOBS, Yard, packed, run
from helpers import in_gate


@pytest.fixture(scope="module")
def yard(photographed: Path, tmp_path_factory: pytest.TempPathFactory) -> Yard:
    """One for all of them: it is made once."""
    return Yard(tmp_path_factory.mktemp("altered"), photographed)


def test_an_altered_file_is_refused_in_words_or_taken_in_whole(yard: Yard) -> None:
    counted = run(yard, 20)
    assert set(counted) <= {"refused", "taken in"}, counted
    assert counted["refused"] > 10
    assert counted["taken in"] > 0


@pytest.mark.parametrize("job", in_gate(JOBS, 1))
def test_a_file_that_was_not_altered_is_taken_in(yard: Yard, job: str) -> None:
    assert yard.take(job, packed(yard.bundles[job])) == "taken in"
