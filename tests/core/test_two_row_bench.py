"""Kind 2 against the worked case: gap 6.700; spacer 6.75 gives +0.050; for +0.080 it is 6.780."""

from typing import Any

import pytest

from bornek.core.compute import compute
from bornek.core.errors import RangeError
from bornek.core.settings.two_row_mounted import mounted_loss_mm

KIND = "two_row_bench"
SIZES = {"A": [31.86, 31.87, 31.86, 31.85], "B": [32.04, 32.05, 32.04, 32.03], "W": [57.20, 57.20, 57.21, 57.19],
         "S": [6.75] * 4}  # fmt: skip


def rows(sizes: dict[str, list[float]], number: int = 1) -> list[dict[str, Any]]:
    return [
        {"slot": f"{key}.{station}", "text": f"{size:.3f}", "round": number}
        for key, values in sizes.items()
        for station, size in zip(("12", "3", "6", "9"), values, strict=True)
    ]


def case(**more: Any) -> dict[str, Any]:
    given = {"least": 0.05, "greatest": 0.11, "source": "bearing card"} | more
    gauge = {"id": "m", "name": "depth micrometer", "division": 0.002, "calibration_u": 0.001}
    return {"given": given, "gauges": [gauge], "entries": rows(SIZES)}


def target(sheet: dict[str, Any]) -> dict[str, Any]:
    return sheet["outcome"]["results"][0]


def said(sheet: dict[str, Any]) -> str:
    return "".join(span["text"] for span in sheet["say"])


def test_the_worked_case_by_hand() -> None:
    sheet = compute(KIND, case())
    assert target(sheet)["value"]["v"] == pytest.approx(0.050)
    lines = {line["label"]: line["result"] for line in target(sheet)["working"]["lines"]}
    assert lines["Gap"] == "6.700"


def test_the_spacer_for_the_aim_is_made_since_the_old_one_is_too_narrow() -> None:
    sheet = compute(KIND, case())
    assert said(sheet).startswith("Make a spacer of 6.78.")
    assert sheet["move"]["best"]["expected"][0]["v"] == pytest.approx(0.080, abs=0.001)


def test_too_wide_a_spacer_is_ground() -> None:
    data = case()
    data["entries"] = rows(SIZES | {"S": [6.82] * 4})
    assert said(compute(KIND, data)).startswith("Grind 0.040 off the spacer, to 6.78.")


def test_after_the_move_only_the_spacer_is_read_again() -> None:
    data = case()
    data["acts"] = [{"round": 2, "states": {"spacer": "6.78"}}]
    data["entries"] += rows({"S": [6.779, 6.78, 6.781, 6.78]}, 2)
    sheet = compute(KIND, data)
    assert {c["slot"][0] for c in sheet["cells"]} == {"S"}
    assert target(sheet)["value"]["v"] == pytest.approx(0.080)
    assert sheet["verdict"]["code"] == "in"


def test_before_its_spacer_is_read_a_new_round_has_no_value() -> None:
    data = case()
    data["acts"] = [{"round": 2, "states": {"spacer": "6.78"}}]
    assert compute(KIND, data)["verdict"]["code"] == "read_again"


def test_a_tilted_cup_asks_for_reseating() -> None:
    data = case()
    data["entries"] = rows(SIZES | {"A": [31.86, 31.90, 31.86, 31.85]})
    assert "tilted across opposite stations" in said(compute(KIND, data))


def test_a_spacer_out_of_parallel_is_to_be_ground_true() -> None:
    data = case()
    data["entries"] = rows(SIZES | {"S": [6.75, 6.75, 6.765, 6.75]})
    assert "not parallel" in said(compute(KIND, data))


def test_another_arrangement_is_refused() -> None:
    with pytest.raises(RangeError, match="double cup"):
        compute(KIND, case(arrangement="other"))


def test_a_warm_spacer_counts_shorter() -> None:
    cold, warm = (target(compute(KIND, case(**t)))["value"]["v"] for t in ({}, {"spacer_c": 40}))
    assert warm - cold == pytest.approx(-11.7e-6 * 6.75 * 20, abs=1e-6)


def test_the_mounted_setting_is_an_estimate_and_shows_preload() -> None:
    sheet = compute(KIND, case(half_angle=15, cone_fit=0.030, cup_fit=0))
    mounted = next(r for r in sheet["outcome"]["results"] if r["role"] == "estimate")
    assert mounted["value"]["v"] == pytest.approx(0.050 - 0.0896, abs=0.0005)
    assert "estimated" in mounted["label"]


def test_the_mounted_loss_by_hand_and_its_range() -> None:
    assert mounted_loss_mm(0.030, 0, 15) == pytest.approx(0.0896, abs=1e-4)
    assert mounted_loss_mm(-0.02, -0.01, 15) == 0
    with pytest.raises(RangeError, match="whole angle"):
        mounted_loss_mm(0.03, 0, 60)


def test_a_size_far_from_its_set_is_asked_about() -> None:
    data = case()
    data["entries"] = rows({"A": [31.86, 3.187, 31.86, 31.85]})
    assert "ten times too small" in said(compute(KIND, data))


@pytest.mark.parametrize(
    ("angle", "holds"), [(4.99, False), (5.0, True), (9.0, True), (40.0, True), (40.01, False)]
)
def test_the_half_angle_has_its_range(angle: float, holds: bool) -> None:
    if holds:
        assert mounted_loss_mm(0.03, 0.0, angle) > 0
        return
    with pytest.raises(RangeError, match="half_angle_deg must be 5 to 40"):
        mounted_loss_mm(0.03, 0.0, angle)
