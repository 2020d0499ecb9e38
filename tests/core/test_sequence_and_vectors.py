"""Kinds 7, 12 and 15 in depth."""

import math
from types import SimpleNamespace
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.around import first_harmonic
from bornek.core.compute import compute
from bornek.core.settings.bevel_mesh import centroid
from bornek.core.settings.common import confirm
from bornek.core.settings.guarded import steps_scene
from bornek.core.settings.nut_lock import lock_step_deg
from bornek.core.settings.records import Confirm, Entry
from bornek.core.settings.sector_stations import stops
from bornek.core.settings.spring_thrust_nut import STEPS

ORDER = [key for key, *_ in STEPS]


def nut(*done: tuple[str, Any], **more: Any) -> dict[str, Any]:
    given = {
        "least": 0.18,
        "greatest": 0.28,
        "pitch": 2,
        "tabs": 17,
        "slots": 4,
        "first_lock": 2.1,
        "source": "m",
    } | more
    return compute(
        "spring_thrust_nut", {"given": given, "entries": [{"slot": s, "value": v} for s, v in done]}
    )


def said(sheet: dict[str, Any]) -> str:
    return "".join(span["text"] for span in sheet["say"])


@pytest.mark.parametrize("n", range(len(ORDER)))
def test_each_step_makes_the_next_one_live_and_blocks_the_rest(n: int) -> None:
    cells = {c["slot"]: c["status"] for c in nut(*[(k, True) for k in ORDER[:n]])["cells"]}
    assert cells[ORDER[n]] == "live"
    assert all(cells[k] == "taken" for k in ORDER[:n])
    assert all(cells[k] == "blocked" for k in ORDER[n + 1 :])


@pytest.mark.parametrize("left_out", ORDER[:-1])
def test_leaving_any_step_out_stops_and_restarts_at_the_jack(left_out: str) -> None:
    done = [(k, True) for k in ORDER if k != left_out]
    sheet = nut(*done, ("travel.1", "0.22"))
    assert sheet["restart_at"] == "jack"
    assert sheet["outcome"]["results"][0]["value"] is None
    assert "Out of order" in said(sheet)


@pytest.mark.parametrize("failed", ORDER[1:])
def test_a_step_answered_no_breaks_the_sequence(failed: str) -> None:
    done = [(k, k != failed) for k in ORDER[: ORDER.index(failed) + 1]]
    assert nut(*done)["stop"]


def full(travel: str, **more: Any) -> dict[str, Any]:
    return nut(*[(k, True) for k in ORDER], ("travel.1", travel), ("travel.2", travel), **more)


def test_too_little_turns_looser_by_the_pitch_after_the_springs_are_pressed_again() -> None:
    sheet = full("0.12")
    assert said(sheet).startswith("Compress the springs again first. Back off 17.6°, to 39.16°. Expect 0.218")


def test_too_much_turns_tighter() -> None:
    assert "Tighten 11.3°, to 44.45°. Expect 0.247" in said(full("0.31"))


@given(st.sampled_from(["0.10", "0.14", "0.30", "0.36"]), st.floats(0, 5))
def test_sentence_log_and_ladder_agree_to_the_digit(travel: str, first_lock: float) -> None:
    sheet = full(travel, first_lock=first_lock)
    at = sheet["move"]["best"]["states"]["nut"]["position"]
    ladder = next(s for s in sheet["scenes"] if s["type"] == "ladder")
    log = next(s for s in sheet["scenes"] if s["type"] == "log")
    assert any(r["at"] == pytest.approx(at) for r in ladder["rungs"])
    turn = at - float(travel) / 2 * 360
    words = f"{'Back off' if turn > 0 else 'Tighten'} {abs(turn):.1f}°"
    assert words in said(sheet)
    assert words in log["rows"][-1]["move"]


def test_inside_by_margin_needs_no_turn() -> None:
    assert full("0.23")["verdict"]["code"] == "in"


@given(st.integers(1, 40), st.integers(1, 40))
def test_lock_positions_share_out_the_turn_evenly(tabs: int, slots: int) -> None:
    step = lock_step_deg(tabs, slots)
    assert (360 / step) % tabs == pytest.approx(0, abs=1e-6) or (360 / step) % tabs == pytest.approx(tabs)
    assert step <= 360 / max(tabs, slots) + 1e-9


@given(st.floats(0.001, 0.2), st.floats(0, 359), st.floats(-1, 1), st.integers(8, 24))
def test_a_harmonic_ignores_where_the_dial_was_zeroed(e: float, angle: float, zero: float, n: int) -> None:
    readings = [zero + e * math.cos(2 * math.pi * k / n - math.radians(angle)) for k in range(n)]
    v = first_harmonic(readings)
    assert abs(v) == pytest.approx(e, rel=1e-6)
    assert math.cos(math.atan2(v.imag, v.real) - math.radians(angle)) == pytest.approx(1, abs=1e-6)


@given(st.floats(0.001, 0.1))
def test_a_pure_oval_has_no_eccentricity(size: float) -> None:
    assert abs(first_harmonic([size * math.cos(4 * math.pi * k / 16) for k in range(16)])) < 1e-9


MASKS = st.lists(st.lists(st.floats(0, 1), min_size=4, max_size=4), min_size=3, max_size=3).filter(
    lambda rows: sum(map(sum, rows)) > 0.01
)


@given(MASKS)
def test_a_centroid_lies_on_its_flank_and_mirrors_with_the_paint(mask: list[list[float]]) -> None:
    x, y, share = centroid(mask)
    assert 0 < x < 1
    assert 0 < y < 1
    assert 0 < share <= 1
    turned = centroid([list(reversed(row)) for row in mask])
    assert turned[0] == pytest.approx(1 - x)
    assert turned[1] == pytest.approx(y)


def test_backlash_that_varies_asks_for_the_gears_runout() -> None:
    given = {
        "least": 0.15,
        "greatest": 0.25,
        "pinion_sense": "in",
        "carrier_total": 2.4,
        "pinion_angle": 20,
        "source": "g",
    }
    entries = [{"slot": f"lash.{n}", "text": t} for n, t in enumerate(("0.16", "0.20", "0.24", "0.20"), 1)]
    sheet = compute("bevel_mesh", {"given": given, "entries": entries})
    assert any("find the high spot" in c["sentence"] for c in sheet["outcome"]["checks"])
    assert any(b.startswith("Still to read: Contact") for b in sheet["sign_blockers"])


def test_ladder_and_sentence_agree_to_the_digit_once_the_unit_was_learned() -> None:
    sheet = full("0.13")
    ladder = next(s for s in sheet["scenes"] if s["type"] == "ladder")
    best = sheet["move"]["best"]
    rung = next(r["label"] for r in ladder["rungs"] if r["label"].startswith(best["label"]))
    assert rung == f"{best['label']} = {best['expected'][0]['v']:.3f}"
    assert f"to {best['label']}. Expect {best['expected'][0]['v']:.3f}" in said(sheet)


def test_the_steps_of_a_sequence_stand_done_live_or_barred() -> None:
    slots = [confirm(key, key.title(), "Steps", "Confirm.") for key in ("lock", "lift", "turn")]
    ctx: Any = SimpleNamespace(now=lambda: [SimpleNamespace(slot="lock")])
    on: Any = SimpleNamespace(slots=slots, stop="", restart_at="", next="lift")
    assert [s.state for s in steps_scene(ctx, on, "Steps").steps] == ["done", "live", "blocked"]
    stopped: Any = SimpleNamespace(slots=slots, stop="Out of order.", restart_at="lift", next=None)
    assert [s.state for s in steps_scene(ctx, stopped, "Steps").steps] == ["blocked", "stopped", "blocked"]


@pytest.mark.parametrize(
    ("slot", "words"), [("timed", "A tooth out"), ("torqued", "Not tight"), ("lost", "")]
)
def test_of_sectors_a_no_stops_and_a_yes_goes_on(slot: str, words: str) -> None:
    said = stops(Entry("e", slot, Confirm(False), 1))
    assert said.startswith(words) and bool(said) == bool(words)
    assert stops(Entry("e", slot, Confirm(True), 1)) == ""
