"""Fit classes: laws that hold in every row of the tables, and what they refuse."""

import csv
from importlib import resources

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core import tables
from bornek.core.errors import InputError, RangeError
from bornek.core.tables.iso286 import limits_of

GRADES = list(
    csv.DictReader(resources.files(tables).joinpath("iso286_it.csv").read_text(encoding="utf-8").splitlines())
)
SIZES = st.floats(4, 249).map(lambda v: round(v, 3))


def grade_mm(nominal: float, grade: int) -> float:
    row = next(r for r in GRADES if float(r["size_over_mm"]) < nominal <= float(r["size_incl_mm"]))
    return float(row[f"IT{grade}_um"]) / 1000


@given(SIZES, st.sampled_from(["d", "e", "f", "g", "h", "js", "m", "n", "p", "r"]), st.integers(5, 8))
def test_a_shaft_class_is_one_grade_wide(nominal: float, letter: str, grade: int) -> None:
    found = limits_of(nominal, f"{letter}{grade}")
    assert found.greatest - found.least == pytest.approx(grade_mm(nominal, grade), abs=1e-6)


@given(SIZES, st.sampled_from(["D", "E", "F", "G", "H", "JS", "K", "M", "N"]), st.integers(6, 8))
def test_a_hole_class_is_one_grade_wide(nominal: float, letter: str, grade: int) -> None:
    found = limits_of(nominal, f"{letter}{grade}")
    assert found.greatest - found.least == pytest.approx(grade_mm(nominal, grade), abs=1e-6)


@given(SIZES, st.integers(5, 9))
def test_h_hangs_from_the_nominal_size_and_h_stands_on_it(nominal: float, grade: int) -> None:
    assert limits_of(nominal, f"h{grade}").greatest == pytest.approx(nominal)
    assert limits_of(nominal, f"H{grade}").least == pytest.approx(nominal)


@given(SIZES, st.integers(4, 9))
def test_js_lies_evenly_about_the_nominal_size(nominal: float, grade: int) -> None:
    found = limits_of(nominal, f"js{grade}")
    assert (found.least + found.greatest) / 2 == pytest.approx(nominal, abs=1e-6)


@given(SIZES)
def test_from_g_to_p_a_shaft_grows(nominal: float) -> None:
    least = [limits_of(nominal, f"{letter}6").least for letter in ("g", "h", "k", "m", "n", "p")]
    assert least == sorted(least)
    assert least[0] < least[-1]


@given(SIZES)
def test_a_press_fit_never_shakes_and_a_running_fit_never_binds(nominal: float) -> None:
    assert limits_of(nominal, "p6").least > limits_of(nominal, "H6").least
    assert limits_of(nominal, "f7").greatest < limits_of(nominal, "H7").least


def test_the_source_names_size_class_and_deviations() -> None:
    assert limits_of(80, "k6").source == "ISO 286 table, 80 k6: +2 to +21 µm"


@pytest.mark.parametrize("fit", ["k8", "j9", "H25", "K10", "N12"])
def test_classes_beyond_the_tables_are_refused_with_what_to_do(fit: str) -> None:
    with pytest.raises(RangeError) as refused:
        limits_of(80, fit)
    assert refused.value.field == "fit"
    assert "drawing" in (refused.value.next_step or "")


@pytest.mark.parametrize("nominal", [0, 5000])
def test_sizes_beyond_the_tables_are_refused(nominal: float) -> None:
    with pytest.raises(RangeError, match="gives nothing"):
        limits_of(nominal, "h6")


@pytest.mark.parametrize("fit", ["", "6k", "kk6", "H", "h6.5", "i7"])
def test_what_is_no_class_is_told_how_one_looks(fit: str) -> None:
    with pytest.raises(InputError) as refused:
        limits_of(80, fit)
    assert "h7" in (refused.value.next_step or "")
