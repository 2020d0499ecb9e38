"""Mistakes planted one at a time are each told; sound orders are left in peace."""

from __future__ import annotations

import pytest

from bornek.core.phrases import text_of
from plan_cases import MISTAKES, SOUND, Job


@pytest.mark.parametrize("name", MISTAKES)
def test_a_planted_mistake_is_told_and_nothing_worse(name: str) -> None:
    code, job = MISTAKES[name]
    assert code in job.codes(), [text_of(f.say) for f in job.found()]
    told = next(f for f in job.found() if f.code == code)
    assert text_of(told.say).endswith((".", "!")) and told.do


@pytest.mark.parametrize("name", SOUND)
def test_a_sound_order_has_no_finding(name: str) -> None:
    assert [text_of(f.say) for f in SOUND[name].found()] == []


def test_each_mistake_is_told_once() -> None:
    for name, (code, job) in MISTAKES.items():
        assert job.codes().count(code) == 1, name


def test_the_plain_order_has_none_of_the_codes() -> None:
    assert Job().codes() == []
