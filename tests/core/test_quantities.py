import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.errors import InputError, UnitError
from bornek.core.quantities import Speech, from_nm, parse, to_nm


@pytest.mark.parametrize(
    ("text", "mm"),
    [
        ("8 thou", 0.2032),
        ('.008"', 0.2032),
        ("0,20", 0.20),
        ("8 tenths", 0.02032),
        ("0.2 mm", 0.2),
        ("1/4 in", 6.35),
        ("1 1/2 in", 38.1),
        ("−0.05", -0.05),
        ("200 µm", 0.2),
        ("200 μm", 0.2),
        ("5", 5.0),
    ],
)
def test_lengths_are_read_as_they_are_spoken(text: str, mm: float) -> None:
    assert parse(text).value == pytest.approx(mm, abs=1e-9)


@pytest.mark.parametrize(
    ("text", "quantity", "value"),
    [
        ("12 kgf", "force", 117.6798),
        ("85 lb-ft", "torque", 115.2445),
        ("10 lb-in", "torque", 1.12985),
        ("2 kN", "force", 2000.0),
        ("68 °F", "temperature", 20.0),
        ("30'", "angle", 0.5),
    ],
)
def test_other_quantities_come_to_the_cores_unit(text: str, quantity: str, value: float) -> None:
    assert parse(text, quantity).value == pytest.approx(value, rel=1e-5)


def test_a_bare_number_takes_the_gauges_unit() -> None:
    assert parse("9", default_unit="thou").value == pytest.approx(0.2286)


@pytest.mark.parametrize("text", ["", "abc", "1,000.5", "--3", "1 2.5", "1/0", "1e99999", "0.1 0.2"])
def test_what_holds_no_clear_number_is_refused_with_a_next_step(text: str) -> None:
    with pytest.raises(InputError) as refused:
        parse(text)
    assert refused.value.next_step


def test_a_unit_of_another_quantity_is_refused_with_those_allowed() -> None:
    with pytest.raises(UnitError, match="not a unit of length") as refused:
        parse("3 kgf")
    assert "thou" in refused.value.next_step


def test_a_ten_thousandth_inch_is_exact_in_nanometres() -> None:
    assert to_nm(parse("1 tenth").value) == 2540


@given(st.integers(1, 20_000_000))
def test_nanometres_survive_the_way_through_millimetres(nm: int) -> None:
    assert to_nm(from_nm(nm)) == nm


@given(st.floats(-5, 5, allow_nan=False))
def test_what_is_said_reads_back_within_its_last_digit(mm: float) -> None:
    for unit, digit in (("mm", 0.0005), ("thou", 0.05 * 0.0254)):
        said = Speech(unit).number(mm)
        assert parse(said, default_unit=unit).value == pytest.approx(mm, abs=digit + 1e-9)
