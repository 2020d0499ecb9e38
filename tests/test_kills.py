"""Five kills in the gate; two hundred in bench/kills.py."""

import os
import signal
from pathlib import Path

from bornek.store.yard_file import make_yard
from kills import trial
from served import forked


def test_acknowledged_readings_survive_kill_nine(tmp_path: Path, yard_template: Path) -> None:
    count = trial(tmp_path, 5, "bornek.cli", 1, yard_template)
    assert count.acknowledged >= 5
    assert (count.lost, count.doubled) == (0, 0)


def test_a_server_that_answers_before_it_commits_is_caught(tmp_path: Path, yard_template: Path) -> None:
    assert trial(tmp_path, 3, "broken", 2, yard_template).lost > 0


def test_a_first_start_that_is_killed_while_it_seeds_begins_afresh(tmp_path: Path) -> None:
    path = tmp_path / "yard.sqlite"
    process = forked(os.devnull, "bornek.cli", "seed", "--data", str(path))
    while not list(tmp_path.glob("yard.begun-*")) and process.is_alive():
        process.join(0.01)
    process.kill()
    process.join()
    assert process.exitcode == -signal.SIGKILL
    assert not path.exists()
    make_yard(path, lambda session, files: files.put(b"a picture"))
    assert path.exists()
    assert not list(tmp_path.glob("*begun*"))
