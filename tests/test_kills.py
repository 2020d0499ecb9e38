"""Five kills in the gate; two hundred in bench/kills.py."""

from pathlib import Path

from kills import trial


def test_acknowledged_readings_survive_kill_nine(tmp_path: Path, yard_template: Path) -> None:
    count = trial(tmp_path, 5, "bornek.cli", 1, yard_template)
    assert count.acknowledged > 5
    assert (count.lost, count.doubled) == (0, 0)


def test_a_server_that_answers_before_it_commits_is_caught(tmp_path: Path, yard_template: Path) -> None:
    assert trial(tmp_path, 3, "broken", 2, yard_template).lost > 0
