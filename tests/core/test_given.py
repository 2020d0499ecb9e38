"""What is given: read as spoken, refused field by field, described as a schema."""

from typing import Any

import pytest

from bornek.core.errors import InputError
from bornek.core.settings.given import given_schema, read_given, read_so_far, read_stored
from bornek.core.settings.kind import Calculation, Field, Outcome
from bornek.core.settings.records import Context

OPTIONS = (("a", "the first"), ("b", "the second"))


class Form(Calculation):
    id, title, cautions = "form", "A form", ()

    def form(self, given: Any) -> list[Field]:
        fields = [
            Field("length", "Length", "length", lo=0, hi=10),
            Field("force", "Force", "force", required=False),
            Field(key="count", label="Count", quantity="count", default=3, lo=1, hi=9),
            Field("pick", "Pick", "choice", options=OPTIONS, default="a"),
            Field("words", "Words", "text", required=False),
            Field("lines", "Lines", "lines", required=False),
        ]
        if given.get("pick") == "b":
            fields.append(Field("more", "More", "torque", lo=0, hi=100))
        return fields

    def evaluate(self, ctx: Context) -> Outcome:
        return Outcome()


FORM = Form()


def test_defaults_are_filled_in_and_optional_ones_left_out() -> None:
    assert read_given(FORM, {"length": 2}) == {"length": 2.0, "count": 3, "pick": "a"}


@pytest.mark.parametrize(
    ("typed", "unit", "mm"),
    [("2", "mm", 2.0), ("10", "thou", 0.254), ("10 thou", "mm", 0.254), (2, "thou", 2.0)],
)
def test_bare_texts_take_the_jobs_unit_and_numbers_are_mm(typed: Any, unit: str, mm: float) -> None:
    assert read_given(FORM, {"length": typed}, unit)["length"] == pytest.approx(mm)


def test_other_quantities_are_not_touched_by_the_jobs_unit() -> None:
    assert read_given(FORM, {"length": 1, "force": "2"}, "thou")["force"] == 2.0


def test_a_form_half_filled_in_is_read_as_far_as_it_goes_and_what_is_still_empty_is_no_mistake() -> None:
    read, wrong = read_so_far(
        FORM, {"length": "", "force": None, "count": "many", "lines": [], "words": "ok"}
    )
    assert read == {"pick": "a", "words": "ok"}
    assert list(wrong) == ["count"] and wrong["count"]
    assert read_so_far(FORM, {"length": "2"}) == ({"length": 2.0, "count": 3, "pick": "a"}, {})


def test_a_choice_opens_its_own_fields() -> None:
    read = read_given(FORM, {"length": 1, "pick": "b", "more": "50 lb-in"})
    assert read["more"] == pytest.approx(5.649, abs=0.001)
    with pytest.raises(InputError, match="More is missing"):
        read_given(FORM, {"length": 1, "pick": "b"})


def test_a_field_of_another_choice_is_refused_not_dropped() -> None:
    with pytest.raises(InputError, match="does not ask for 'more'"):
        read_given(FORM, {"length": 1, "more": 5})


@pytest.mark.parametrize(
    ("typed", "words"),
    [
        ({"length": "wide"}, "No number"),
        ({"length": 11}, "must be 0 to 10"),
        ({"length": True}, "must be a number"),
        ({"length": 1, "pick": "c"}, "not one of a, b"),
        ({"length": 1, "words": 3}, "must be a text"),
        ({"length": 1, "lines": [3]}, "list of texts"),
        ({"length": "3 kgf"}, "not a unit of length"),
        ({"length": 1, "count": 12}, "must be 1 to 9"),
        ({}, "Length is missing"),
    ],
)
def test_each_bad_field_says_what_was_wrong(typed: dict[str, Any], words: str) -> None:
    with pytest.raises(InputError, match=words):
        read_given(FORM, typed)


def test_all_bad_fields_are_named_at_once() -> None:
    with pytest.raises(InputError) as refused:
        read_given(FORM, {"length": "wide", "count": 99, "pick": "z"})
    assert set(refused.value.details["fields"]) == {"length", "count", "pick"}


def test_lines_may_come_as_one_text_or_as_a_list() -> None:
    assert read_given(FORM, {"length": 1, "lines": "one\n\n two "})["lines"] == ["one", "two"]
    assert read_given(FORM, {"length": 1, "lines": ["one", " "]})["lines"] == ["one"]


def test_the_schema_names_required_fields_options_and_limits() -> None:
    schema = given_schema(FORM)
    assert schema["required"] == ["length"]
    assert schema["properties"]["pick"]["enum"] == ["a", "b"]
    assert schema["properties"]["length"]["anyOf"][0] == {"type": "number", "minimum": 0, "maximum": 10}
    assert "more" in schema["properties"]
    assert schema["additionalProperties"] is False


class Renamed(Form):
    """Its second version asks for a length where the first asked for a size, and for a torque that was not asked."""

    version = 2

    def form(self, given: Any) -> list[Field]:
        return [*super().form(given), Field("torque", "Torque", "torque", lo=0, hi=500)]

    def upgrade(self, given: Any, version: int) -> dict[str, Any]:
        return {"length" if k == "size" else k: v for k, v in given.items()}


def test_what_was_typed_under_an_earlier_version_is_read_as_the_present_one_asks() -> None:
    read, missing = read_stored(Renamed(), {"size": "4.5"}, version=1)
    assert (read["length"], read["count"], set(missing)) == (4.5, 3, {"torque"})
    read, missing = read_stored(Renamed(), {"length": "4.5", "torque": "80"}, version=2)
    assert (read["length"], read["torque"], missing) == (4.5, 80, {})
