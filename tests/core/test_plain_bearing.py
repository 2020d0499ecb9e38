"""Kind 21 and seats: clearance by hand, shares, remedies, oil hole as a hold, fit classes."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.compute import compute
from bornek.core.errors import InputError, RangeError
from bornek.core.settings.bush_form import share_of_mm
from bornek.core.settings.given import read_given
from bornek.core.settings.places_around import form_of
from bornek.core.settings.records import Context
from bornek.core.settings.registry import find_kind
from bornek.core.tables.iso286 import limits_of

PLACES = ("near", "middle", "far")
GAUGE = {"id": "m", "name": "micrometer", "division": 0.002, "calibration_u": 0.001}


def sizes(what: str, *pairs: tuple[float, float], number: int = 1) -> list[dict[str, Any]]:
    return [
        {"slot": f"{what}.{place}.{way}", "text": f"{size:.3f}", "round": number}
        for place, pair in zip(PLACES, pairs, strict=True)
        for way, size in zip(("up", "across"), pair, strict=True)
    ]


def bush(bore: float = 50.080, journal: float = 49.990, **more: Any) -> dict[str, Any]:
    form = {"diameter": 50, "least": 0.05, "greatest": 0.10, "source": "bush card"} | more
    entries = sizes("journal", *[(journal, journal)] * 3) + sizes("bore", *[(bore, bore)] * 3)
    return {"given": form, "gauges": [GAUGE], "entries": entries}


def target(sheet: dict[str, Any]) -> dict[str, Any]:
    return sheet["outcome"]["results"][0]


def said(sheet: dict[str, Any]) -> str:
    return "".join(span["text"] for span in sheet["say"])


def test_clearance_is_bore_less_journal() -> None:
    sheet = compute("plain_bearing", bush())
    assert target(sheet)["value"]["v"] == pytest.approx(0.090)
    lines = {line["label"]: line["result"] for line in target(sheet)["working"]["lines"]}
    assert (lines["Mean bore"], lines["Mean journal"], lines["Clearance"]) == ("50.080", "49.990", "0.090")


def test_the_limits_may_be_a_share_of_the_diameter() -> None:
    sheet = compute("plain_bearing", bush(least=None, greatest=None, least_share=1.0, greatest_share=2.0))
    assert target(sheet)["window"]["lo"] == pytest.approx(0.050)
    assert target(sheet)["window"]["hi"] == pytest.approx(0.100)
    with pytest.raises(RangeError, match="per cent"):
        share_of_mm(50, 12)


def test_without_any_limit_it_says_so() -> None:
    with pytest.raises(RangeError, match="No least or greatest"):
        compute("plain_bearing", bush(least=None, greatest=None))


def test_the_oil_hole_is_a_hold() -> None:
    data = bush()
    assert any("oil hole" in b for b in compute("plain_bearing", data)["sign_blockers"])
    data["entries"].append({"slot": "oil.hole", "value": True})
    assert compute("plain_bearing", data)["sign_blockers"] == []


def test_a_tight_bush_is_reamed_to_the_size_for_the_middle() -> None:
    sheet = compute("plain_bearing", bush(bore=50.020, remedy="ream"))
    assert target(sheet)["verdict"]["code"] == "out_low"
    assert said(sheet).startswith("Ream or hone the bush to 50.065.")


def test_a_bush_that_is_too_large_takes_a_new_one() -> None:
    sheet = compute("plain_bearing", bush(bore=50.150, remedy="ream"))
    assert said(sheet).startswith("Fit a new bush and ream it to 50.065.")


def test_shims_come_out_from_under_a_cap_on_both_sides() -> None:
    data = bush(bore=50.130, remedy="cap_shims")
    data |= {"acts": [{"round": 1, "states": {"pack": [0.10, 0.05, 0.02]}}], "stock": {"0.05": 4, "0.02": 4}}
    sheet = compute("plain_bearing", data)
    assert target(sheet)["verdict"]["code"] == "out_high"
    assert "Take out" in said(sheet) or "Swap" in said(sheet)
    assert sheet["move"]["best"]["expected"][0]["v"] == pytest.approx(0.075, abs=0.012)


def test_out_without_an_adjuster_names_the_choices() -> None:
    sheet = compute("plain_bearing", bush(bore=50.130))
    note = next(c["sentence"] for c in sheet["outcome"]["checks"] if c["code"] == "choices")
    assert "loose by 0.065 mm" in note
    assert "reamed or honed to 50.065" in note
    assert "cap" not in note
    capped = compute("plain_bearing", bush(bore=50.130, torque="40 N·m"))
    assert not any("under each side" in c["sentence"] for c in capped["outcome"]["checks"])
    squeezed = bush(method="strip", torque="40 N·m")
    squeezed["entries"] = [{"slot": f"strip.{p}", "text": "0.13"} for p in PLACES]
    strip = compute("plain_bearing", squeezed)
    assert any("out from under each side" in c["sentence"] for c in strip["outcome"]["checks"])


def test_a_size_is_shown_about_its_window_not_from_zero() -> None:
    strip = next(s for s in compute("seat_size", seat(80.011))["scenes"] if s["type"] == "readout")
    assert 79.9 < strip["lo"] < 80.002
    assert 80.021 < strip["hi"] < 80.1


def test_the_sizes_stand_by_place_with_ovality_and_taper_below() -> None:
    table = next(s for s in compute("plain_bearing", bush())["scenes"] if s["type"] == "table")
    assert table["head"] == ["", "bore up", "bore across", "journal up", "journal across"]
    assert [row[0] for row in table["rows"]] == ["near", "middle", "far", "oval", "taper", "clearance"]
    assert all(len(row) == len(table["head"]) for row in table["rows"])


def test_an_oval_bore_is_called_oval() -> None:
    data = bush(form_limit=0.02)
    data["entries"] = sizes("journal", *[(49.99, 49.99)] * 3) + sizes(
        "bore", (50.05, 50.10), (50.05, 50.10), (50.05, 50.10)
    )
    checks = {c["code"]: c["sentence"] for c in compute("plain_bearing", data)["outcome"]["checks"]}
    assert "Ovality of the bore: 0.050 mm" in checks["form_oval_bore"]


def test_a_squeezed_strip_is_the_clearance_itself() -> None:
    data = bush(method="strip", torque="40 N·m")
    data["entries"] = [
        {"slot": f"strip.{p}", "text": t} for p, t in zip(PLACES, ("0.08", "0.075", "0.085"), strict=True)
    ]
    sheet = compute("plain_bearing", data)
    assert target(sheet)["value"]["v"] == pytest.approx(0.080)
    assert sheet["given_brief"][-1] == "cap at 40 N·m"


def test_a_slip_in_one_size_is_asked_about() -> None:
    data = bush()
    data["entries"][0]["text"] = "499.9"
    assert any(c["code"] == "slip" for c in compute("plain_bearing", data)["outcome"]["checks"])


@given(st.floats(20, 200), st.floats(-0.05, 0.05), st.floats(-0.05, 0.05))
def test_form_does_not_depend_on_the_size(size: float, across: float, along: float) -> None:
    form = form_of(
        {
            ("near", "up"): size,
            ("near", "across"): size + across,
            ("far", "up"): size + along,
            ("far", "across"): size + along + across,
        }
    )
    assert form.ovality_mm == pytest.approx(abs(across), abs=1e-6)
    assert form.taper_mm == pytest.approx(abs(along), abs=1e-6)


@pytest.mark.parametrize(
    ("nominal", "fit", "least", "greatest"),
    [
        (80, "k6", 80.002, 80.021),
        (100, "H7", 100.0, 100.035),
        (50, "h6", 49.984, 50.0),
        (40, "js6", 39.992, 40.008),
        (62, "N7", 61.961, 61.991),
        (25, "m5", 25.008, 25.017),
        (80, "g6", 79.971, 79.990),
    ],
)
def test_fit_classes_by_the_table(nominal: float, fit: str, least: float, greatest: float) -> None:
    found = limits_of(nominal, fit)
    assert (found.least, found.greatest) == pytest.approx((least, greatest))


def test_what_the_tables_do_not_give_is_refused() -> None:
    with pytest.raises(RangeError, match="gives nothing for k9"):
        limits_of(80, "k9")
    with pytest.raises(InputError, match="not a fit class"):
        limits_of(80, "snug")


def seat(size: float, **more: Any) -> dict[str, Any]:
    form = {"what": "journal", "nominal": 80, "fit": "k6", "source": "drawing"} | more
    return {"given": form, "gauges": [GAUGE], "entries": sizes("size", *[(size, size)] * 3)}


def test_a_worn_journal_goes_back_to_inspect() -> None:
    sheet = compute("seat_size", seat(79.985))
    assert target(sheet)["verdict"]["code"] == "out_low"
    assert "Back to Inspect" in said(sheet)
    assert "ISO 286" in target(sheet)["window"]["source"]


def test_a_housing_bore_is_worn_when_it_is_large() -> None:
    sheet = compute("seat_size", seat(120.060, what="housing", nominal=120, fit="H7"))
    assert "Back to Inspect" in said(sheet)


@pytest.mark.parametrize(
    ("what", "size", "fit", "told"),
    [
        ("journal", 79.985, "k5", "seat_loose"),
        ("journal", 80.040, "k5", ""),
        ("housing", 120.060, "H7", "seat_loose"),
        ("housing", 119.960, "H7", ""),
    ],
)
def test_what_a_worn_seat_tells_of_a_failure_goes_by_the_member(
    what: str, size: float, fit: str, told: str
) -> None:
    data = seat(size, what=what, nominal=round(size, -1), fit=fit)
    kind = find_kind("seat_size")
    ctx = Context(given=read_given(kind, data["given"]))
    assert kind.tells(ctx, target(compute("seat_size", data))["verdict"]["code"]) == told


def test_the_fit_with_its_mate_is_reckoned() -> None:
    sheet = compute("seat_size", seat(80.012, mate=79.995))
    fit = next(r for r in sheet["outcome"]["results"] if r["key"] == "fit_tightest")
    assert fit["label"] == "Fit with its mate, where it holds most: interference"
    assert fit["value"]["v"] == pytest.approx(-0.017)


def test_a_class_for_the_other_member_is_refused() -> None:
    with pytest.raises(RangeError, match="class for holes"):
        compute("seat_size", seat(80.0, fit="H7"))
