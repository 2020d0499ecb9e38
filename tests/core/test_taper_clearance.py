"""Kind 3 in depth: every bracket combination, the drive-up and the refusals."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.compute import compute
from bornek.core.errors import InputError, RangeError
from bornek.core.settings.drive_up import axial_drive_mm, reduction
from bornek.core.tables.lookup import bore_of, row_for
from bornek.core.windows import Interval

DRIVE = "driveup_spherical_tapered"


def feelers(near: str, far: str, number: int) -> list[dict[str, Any]]:
    return [
        {"slot": f"feeler.{row}.{p}", "text": blades, "round": number}
        for row, blades in (("near", near), ("far", far))
        for p in (1, 2, 3)
    ]


def case(*rounds: tuple[str, str], **more: Any) -> dict[str, Any]:
    data: dict[str, Any] = {"given": {"bore": 60, "source": "shop chart"} | more, "entries": [], "acts": []}
    for number, (near, far) in enumerate(rounds, 1):
        data["entries"] += feelers(near, far, number)
        if number > 1:
            data["acts"].append({"round": number, "states": {"drive": 0.5}})
    return compute("taper_clearance", data)


def said(sheet: dict[str, Any]) -> str:
    return "".join(span["text"] for span in sheet["say"])


@given(st.floats(0.02, 0.2), st.floats(0.001, 0.02), st.floats(0.0, 0.015), st.floats(0.001, 0.01))
def test_the_reduction_holds_every_true_pair(before: float, w0: float, share: float, w1: float) -> None:
    first = Interval(before, before + w0)
    after = Interval(max(before - 0.015, 0.0), max(before - 0.015, 0.0) + w1)
    found = reduction(first, after)
    true = (before + min(share, w0)) - (after.a + min(share, w1))
    assert found.a - 1e-12 <= true <= found.b + 1e-12


def driven(sheet: dict[str, Any]) -> float:
    """How far the ring is to stand from where it first seated."""
    at: float = sheet["move"]["best"]["states"]["drive"]["position"]
    return at


@pytest.mark.parametrize(
    ("pitch", "slots", "words"),
    [
        (2, 8, "The next slot is at most 0.017 more of reduction, 0.005 is left: NOT on to the next slot"),
        (
            2,
            40,
            "The next slot is at most 0.003 more of reduction, 0.005 is left: it may go on to the next slot",
        ),
    ],
)
def test_the_nut_goes_on_to_its_next_slot_only_as_far_as_the_reduction_allows(
    pitch: float, slots: int, words: str
) -> None:
    """2 mm by 8 slots is 0.25 mm of drive, by 15 of it to 1 of reduction 0.0167; 0.040 less 0.0355 is left."""
    sheet = case(
        ("0.0700 0.0705", "0.0700 0.0705"), ("0.0350 0.0355", "0.0350 0.0355"), pitch=pitch, slots=slots
    )
    (lock,) = (c["posture"] for c in sheet["cells"] if c["slot"] == "lock")
    assert lock.startswith(words)


def test_the_least_clearance_may_leave_less_than_the_reduction_would() -> None:
    """0.026 at the tightest roller and 0.025 must be left: 0.001, though the reduction would allow 0.005."""
    rounds = (("0.0610 0.0615", "0.0610 0.0615"), ("0.0260 0.0265", "0.0260 0.0265"))
    (lock,) = (c["posture"] for c in case(*rounds, pitch=2, slots=40)["cells"] if c["slot"] == "lock")
    assert "0.001 is left: NOT on" in lock


def test_the_unmounted_round_aims_by_school_and_says_the_drive_for_it() -> None:
    fine = ("0.0700 0.0705", "0.0700 0.0705")
    # 0.030 and 0.040 of reduction, each drawn in by 0.0005; s = 0.45/0.030 and 0.60/0.040 of it
    for school, aimed, drive in (("least", 0.0305, 0.46), ("greatest", 0.0395, 0.59)):
        sheet = case(fine, school=school)
        reduction_row = sheet["outcome"]["results"][0]
        assert reduction_row["aim"] == pytest.approx(aimed)
        lines = {line["label"]: line["result"] for line in reduction_row["working"]["lines"]}
        assert lines["Axial drive for it"].endswith(f"{drive:.2f}")


def test_what_cannot_be_taken_back_stays_short_of_the_aim_by_what_is_not_known() -> None:
    sheet = case(("0.0700 0.0705", "0.0700 0.0705"), school="greatest")
    assert 0.3 < driven(sheet) < 0.59
    assert sheet["move"]["best"]["p_harm"] <= 0.01


def test_the_residual_wins_over_the_school() -> None:
    # 0.060 before, 0.025 must be left: 0.035 at most, though the school would take 0.040
    sheet = case(("0.0600 0.0605", "0.0600 0.0605"), school="greatest")
    assert sheet["outcome"]["results"][0]["aim"] == pytest.approx(0.035)
    assert driven(sheet) <= 0.52


def test_blades_too_coarse_for_a_school_aim_at_the_middle() -> None:
    coarse = ("0.060 0.066", "0.060 0.066")
    assert said(case(coarse, school="least")) == said(case(coarse, school="greatest"))


def test_a_bearing_without_room_is_told_once_it_is_read_and_not_again_when_it_was_driven() -> None:
    def codes(sheet: dict[str, Any]) -> set[str]:
        return {c["code"] for c in sheet["outcome"]["checks"]}

    read = feelers("0.060 0.062", "0.060 0.062", 1)
    read[0]["text"] = "0.018 0.020"
    data: dict[str, Any] = {"given": {"bore": 60, "source": "shop chart"}, "entries": read[:4]}
    assert "no_room" not in codes(compute("taper_clearance", data))
    assert "no_room" in codes(compute("taper_clearance", data | {"entries": read}))
    again = [*read, *({**e, "round": 2} for e in read)]
    driven = data | {"entries": again, "acts": [{"round": 2, "states": {"drive": 0.5}}]}
    assert "no_room" not in codes(compute("taper_clearance", driven))


def test_the_drive_as_measured_is_held_against_the_tables_row() -> None:
    """Bore 60: reductions 0.030 to 0.040 by 12 and the row's own factors at its ends."""
    data: dict[str, Any] = {
        "given": {"bore": 60, "source": "shop chart"},
        "acts": [{"round": 2, "states": {"drive": 0.5}}],
    }
    data["entries"] = [
        *feelers("0.060 0.062", "0.060 0.062", 1),
        *feelers("0.025 0.027", "0.025 0.027", 2),
        {"slot": "drive", "value": 0.5, "round": 2},
    ]
    found = next(r for r in compute("taper_clearance", data)["outcome"]["results"] if r["key"] == "drive")
    row = row_for(DRIVE, 60)
    assert found["window"]["lo"] == pytest.approx(row.number("driveup_1to12_min_mm"), rel=0.05)
    assert found["window"]["hi"] == pytest.approx(row.number("driveup_1to12_max_mm"), rel=0.05)
    assert found["value"]["v"] == 0.5


@pytest.mark.parametrize(("drive", "verdict"), [(None, "not_proven"), (0.5, "in"), (2.0, "not_proven")])
def test_what_coarse_blades_leave_open_the_measured_drive_may_prove(
    drive: float | None, verdict: str
) -> None:
    data: dict[str, Any] = {
        "given": {"bore": 60, "source": "shop chart"},
        "acts": [{"round": 2, "states": {"drive": 0.5}}],
    }
    data["entries"] = [*feelers("0.06 0.07", "0.06 0.07", 1), *feelers("0.026 0.036", "0.026 0.036", 2)]
    if drive is not None:
        data["entries"].append({"slot": "drive", "value": drive, "round": 2})
    assert compute("taper_clearance", data)["verdict"]["code"] == verdict


def test_a_flat_taper_is_driven_further() -> None:
    steep = axial_drive_mm(0.06, 12, row_for(DRIVE, 90))
    flat = axial_drive_mm(0.06, 30, row_for(DRIVE, 90))
    assert flat[0] / steep[1] > 2


def test_without_a_row_for_the_taper_the_general_factor_holds() -> None:
    assert axial_drive_mm(0.03, 30, row_for(DRIVE, 50)) == pytest.approx((0.03 * 30 * 1.15, 0.03 * 30 * 1.45))


def test_fine_blades_prove_the_reduction() -> None:
    sheet = case(("0.0600 0.0605", "0.0600 0.0605"), ("0.0250 0.0255", "0.0250 0.0255"))
    codes = {r["key"]: r["verdict"]["code"] for r in sheet["outcome"]["results"]}
    assert codes["reduction"] == "in"
    assert codes["residual"] == "in"
    assert sheet["verdict"]["code"] == "in"
    assert "never back" in said(sheet)


def test_too_little_is_driven_further() -> None:
    sheet = case(("0.060 0.061", "0.060 0.061"), ("0.050 0.051", "0.050 0.051"))
    assert sheet["verdict"]["code"] == "out_low"
    assert said(sheet).startswith("Drive it up")
    assert driven(sheet) > 0.5


def test_rows_that_differ_mean_a_tilted_ring() -> None:
    sheet = case(("0.02 0.03", "0.08 0.09"))
    assert any("outer ring is tilted" in c["sentence"] for c in sheet["outcome"]["checks"])
    assert sheet["sign_blockers"]


def test_the_first_round_can_never_be_signed() -> None:
    assert "It has not been driven up yet." in case(("0.06 0.065", "0.06 0.065"))["sign_blockers"]


def test_working_names_table_row_confidence_and_the_maker() -> None:
    sheet = case(("0.0600 0.0605", "0.0600 0.0605"), ("0.0250 0.0255", "0.0250 0.0255"))
    sources = " ".join(sheet["outcome"]["results"][0]["working"]["sources"])
    assert "bore over 50 to 65 mm" in sources
    assert "confidence high" in sources
    assert "maker" in sources


@pytest.mark.parametrize("bore", [20, 24])
def test_a_bore_with_a_clearance_row_but_no_drive_up_row_is_refused(bore: float) -> None:
    with pytest.raises(RangeError, match="driveup"):
        case(("0.03 0.04", "0.03 0.04"), bore=bore)


@pytest.mark.parametrize("text", ["inch cone", "22297", "K"])
def test_a_designation_without_a_bore_asks_to_measure(text: str) -> None:
    with pytest.raises(InputError) as refused:
        bore_of(text)
    assert "easure the bore" in refused.value.next_step


@pytest.mark.parametrize("group", ["CN", "C3", "C4"])
def test_the_least_residual_grows_with_the_group(group: str) -> None:
    row = row_for(DRIVE, 60)
    assert row.number(f"min_residual_{group}_mm") >= row.number("min_residual_CN_mm")
    with pytest.raises(RangeError, match="gives no"):
        row_for(DRIVE, 50).number("driveup_1to30_min_mm")


@pytest.mark.parametrize(
    ("given", "words"),
    [
        ({"bore": 120}, ""),
        ({"bore": 121}, ""),
        ({"bore": 119}, ""),
        ({"bore": 122}, "The mark's bore is 120 mm, 122 mm was measured"),
        ({"bore": 118}, "The mark's bore is 120 mm, 118 mm was measured"),
        ({}, ""),
        ({"group": "C3", "taper": "30"}, ""),
        ({"group": "C4"}, "The mark says C3, given is C4"),
        (
            {"taper": "12", "bore": 140},
            "The mark says 1:30, given is 1:12; the mark's bore is 120 mm, 140 mm was",
        ),
    ],
)
def test_what_is_given_against_the_mark_is_asked_about(given: dict[str, Any], words: str) -> None:
    given = {"source": "shop chart", "designation": "24124 CCK30/C3"} | given
    checks = compute("taper_clearance", {"given": given})["outcome"]["checks"]
    found = [c["sentence"] for c in checks if c["code"] == "mark"]
    assert found == [] if not words else found[0].startswith(words) and len(found) == 1


def test_without_a_mark_nothing_speaks_against_what_is_given() -> None:
    given = {"source": "shop chart", "bore": 60, "group": "C4", "taper": "30"}
    checks = compute("taper_clearance", {"given": given})["outcome"]["checks"]
    assert not [c for c in checks if c["code"] == "mark"]
