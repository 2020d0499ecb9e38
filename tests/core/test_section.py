"""The section: nothing overlaps, everything can be tapped, gears touch where they mesh."""

from itertools import combinations, pairwise
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.scenes import Section
from bornek.core.section.draw_section import draw_section, section_of
from bornek.core.section.flags import Wanted, leader_end, place_boxes
from bornek.core.section.laid import lay_out
from bornek.core.section.lengths import TOOTH
from bornek.core.section.place_parts import place_parts
from bornek.core.section.reach import pitch_radii
from bornek.core.units.definition import read_definition
from bornek.demo.yard import TYPES

SIX = ("ramp-winch", "chain-ferry", "lathe-spindle", "drain-pump", "dredger-gearbox", "rotary-table")
UNITS = {key: read_definition(d) for key, _, d in TYPES}
DRAWN = {key: draw_section(UNITS[key]) for key in UNITS}
SMALLEST_SCALE = 768 / 880
Box = tuple[float, float, float, float]


def boxes(section: Section) -> list[Box]:
    held = [(f.x, f.y, f.x + f.w, f.y + f.h) for f in section.flags]
    return held + [(x.x, x.y, x.x + x.w, x.y + x.h) for x in section.labels]


def overlap(a: Box, b: Box) -> bool:
    return a[0] < b[2] and b[0] < a[2] and a[1] < b[3] and b[1] < a[3]


@pytest.mark.parametrize("unit", DRAWN)
def test_no_label_and_no_flag_lies_over_another(unit: str) -> None:
    assert [(a, b) for a, b in combinations(boxes(DRAWN[unit]), 2) if overlap(a, b)] == []


@pytest.mark.parametrize("unit", DRAWN)
def test_everything_lies_on_the_sheet(unit: str) -> None:
    section = DRAWN[unit]
    points = [p for s in section.shapes for p in s.points]
    points += [(x, y) for a, b, c, d in boxes(section) for x, y in ((a, b), (c, d))]
    assert all(0 <= x <= section.width and 0 <= y <= section.height for x, y in points)


@pytest.mark.parametrize("unit", DRAWN)
def test_every_place_has_a_flag_of_44_px_on_a_tablet_too(unit: str) -> None:
    flags = {f.key: f for f in DRAWN[unit].flags}
    assert set(flags) == {p.key for p in UNITS[unit].places}
    assert all(min(f.w, f.h) * SMALLEST_SCALE >= 44 for f in flags.values())


@pytest.mark.parametrize("unit", DRAWN)
def test_no_flag_hides_the_spot_of_another_place(unit: str) -> None:
    flags = DRAWN[unit].flags
    assert [
        (f.key, o.key)
        for f in flags
        for o in flags
        if f.x < o.spot[0] < f.x + f.w and f.y < o.spot[1] < f.y + f.h
    ] == []


@pytest.mark.parametrize("unit", SIX)
def test_every_part_that_sits_on_a_shaft_is_drawn(unit: str) -> None:
    d = UNITS[unit]
    drawn = {s.part for s in DRAWN[unit].shapes}
    wanted = {p.key for p in d.parts if p.shaft and p.about.shape not in ("none", "cage")}
    assert wanted - drawn == set()


@pytest.mark.parametrize("unit", SIX)
def test_meshing_gears_touch(unit: str) -> None:
    d = UNITS[unit]
    placed = place_parts(d)
    for m in d.meshes:
        (a_shaft, a), (b_shaft, b) = placed.spot(m.driver), placed.spot(m.driven)  # type: ignore[misc]
        if m.mesh_kind == "bevel":
            continue
        assert a.at == pytest.approx(b.at, abs=0.01)
        apart = abs(placed.lines[a_shaft] - placed.lines[b_shaft])
        assert apart == pytest.approx(a.radius + b.radius - TOOTH, abs=0.01)


@pytest.mark.parametrize("unit", SIX)
def test_parts_keep_their_order_and_do_not_run_into_each_other(unit: str) -> None:
    for row in place_parts(UNITS[unit]).spots.values():
        solid = [s for s in row if s.part.part_kind != "cage"]
        assert all(a.hi <= b.lo + 0.01 for a, b in pairwise(solid))


def test_radii_follow_the_tooth_counts() -> None:
    radii = pitch_radii(UNITS["ramp-winch"])
    small, large = radii["helical-pinion"], radii["helical-gear"]
    assert large / small == pytest.approx(0.8 / 0.2)
    assert UNITS["ramp-winch"].part("helical-gear").teeth / 17 > 4  # type: ignore[union-attr]


def unit(parts: list[dict[str, Any]], **more: Any) -> Any:
    return read_definition(
        {"shafts": [{"key": "s", "label": "shaft"}, {"key": "t", "label": "second"}], "parts": parts, **more}
    )


def test_an_order_that_contradicts_the_meshes_is_drawn_as_near_as_it_can_be_and_marked() -> None:
    parts = [
        {"key": k, "label": k, "kind": "gear", "shaft": s, "teeth": 20}
        for k, s in (("a", "s"), ("b", "s"), ("c", "t"), ("d", "t"))
    ]
    crossed = [
        {"key": "m", "label": "m", "driver": "a", "driven": "d", "toward": "below"},
        {"key": "n", "label": "n", "driver": "b", "driven": "c", "toward": "below"},
    ]
    laid = lay_out(unit(parts, meshes=crossed))
    assert laid is not None and len(laid.clashes) == 1
    clash = laid.clashes[0]
    assert "cannot touch where everything else puts them" in clash.words
    assert set(section_of(laid, "x").clash) == set(clash.parts) and len(clash.parts) == 2


def test_a_unit_without_shafts_is_an_empty_sheet() -> None:
    assert draw_section(read_definition({})).shapes == ()


KINDS = st.sampled_from(
    ["gear", "spacer", "taper_bearing", "ball_bearing", "nut", "cover", "bush", "dog", "pulley"]
)


@given(kinds=st.lists(KINDS, min_size=1, max_size=14), places=st.integers(0, 9))
def test_whatever_sits_on_a_shaft_nothing_overlaps(kinds: list[str], places: int) -> None:
    parts = [{"key": f"p{i}", "label": f"part {i}", "kind": k, "shaft": "s"} for i, k in enumerate(kinds)]
    at = [
        {"key": f"at{i}", "label": "place", "at": f"p{i % len(kinds)}", "shim_form": "C" if i % 2 else "none"}
        for i in range(places)
    ]
    section = draw_section(unit(parts, places=at))
    assert len(section.flags) == places
    assert not any(overlap(a, b) for a, b in combinations(boxes(section), 2))


def test_a_leader_ends_on_the_box() -> None:
    assert leader_end((0, 0), (10, -5, 20, 5)) == (10, 0)


def test_boxes_go_around_what_is_drawn() -> None:
    first, second = place_boxes([Wanted((100, 100), 40, 20), Wanted((100, 104), 40, 20)], [], 300, 200)
    assert not overlap(first, second)
