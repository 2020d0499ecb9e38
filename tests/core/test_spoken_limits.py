"""Limits of a unit type mean the same in a job of any unit: laws over every setting of the yard."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.quantities import parse
from bornek.core.settings.given import read_given
from bornek.core.settings.registry import find_kind, kinds
from bornek.core.units.definition import Definition, SettingPoint, read_definition
from bornek.core.units.known import given_of
from bornek.core.units.limits import spell_lengths
from bornek.demo.yard import TYPES

POINTS = [
    (f"{key}.{s.key}", d, s)
    for key, _, definition in TYPES
    for d in [read_definition(definition)]
    for s in d.settings
]
each = pytest.mark.parametrize(("d", "point"), [p[1:] for p in POINTS], ids=[name for name, _, _ in POINTS])


def numbers(read: dict[str, Any]) -> dict[str, float]:
    return {k: v for k, v in read.items() if isinstance(v, float)}


@each
def test_a_type_means_the_same_whatever_unit_the_job_speaks(d: Definition, point: SettingPoint) -> None:
    kind = find_kind(point.kind)
    for limit in point.limits or (None,):
        typed = given_of(d, point, kind, limit)
        in_mm = read_given(kind, typed, "mm")
        in_thou = read_given(kind, spell_lengths(kind, typed, "mm"), "thou")
        assert numbers(in_thou) == pytest.approx(numbers(in_mm))


@each
def test_spelling_twice_changes_nothing_more(d: Definition, point: SettingPoint) -> None:
    kind = find_kind(point.kind)
    once = spell_lengths(kind, point.given, "mm")
    assert spell_lengths(kind, once, "thou") == once


@given(st.floats(0.01, 2).map(lambda v: f"{v:.3f}"), st.sampled_from(["mm", "thou"]))
def test_a_bare_length_takes_the_unit_it_was_typed_in(typed: str, unit: str) -> None:
    kind = next(k for k in kinds() if getattr(k, "offers", ()))
    spelled = spell_lengths(kind, {"least": typed}, unit)["least"]
    assert parse(spelled, "length", "thou").value == pytest.approx(parse(typed, "length", unit).value)


@pytest.mark.parametrize("typed", ["8 thou", "0,20 mm", ".008 in", "5 tenths", "soft", "", None, 0.2])
def test_what_says_its_own_unit_or_is_no_length_stays(typed: Any) -> None:
    kind = next(k for k in kinds() if getattr(k, "offers", ()))
    assert spell_lengths(kind, {"least": typed}, "thou")["least"] == typed


def test_choices_texts_and_torques_are_never_touched() -> None:
    kind = next(k for k in kinds() if getattr(k, "offers", ()))
    form = {"source": "80", "method": "gauges", "torque": "40"}
    assert spell_lengths(kind, form, "thou") == form
