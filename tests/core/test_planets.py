"""Planets: ratio and assembly by hand and against Willis, what cannot be put together, how it is drawn."""

from typing import Any

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from bornek.core.patterns.pattern import begin
from bornek.core.section.place_parts import place_parts
from bornek.core.train.positions import Train, turning
from bornek.core.units.check_planets import planet_problems, planet_sets, planet_words
from bornek.core.units.definition import Definition, read_definition


def hub(sun: int = 24, planet: int = 24, ring: int = 72, count: int = 3, **planets: Any) -> Definition:
    d = begin("planetary-hub", {"brake": "none"})
    teeth = {"sun": sun, "planets": planet, "ring": ring}
    for p in d["parts"]:
        if p["key"] in teeth:
            p["teeth"] = teeth[p["key"]]
        if p["key"] == "planets":
            p |= {"count": count, **planets}
    return read_definition(d)


@given(sun=st.integers(12, 60), planet=st.integers(12, 60))
def test_the_carrier_turns_once_for_one_plus_ring_over_sun(sun: int, planet: int) -> None:
    ring = sun + 2 * planet
    d = hub(sun, planet, ring, 1)
    out = Train(d).driving[0].turns("hub")
    assert out is not None
    assert 1 / out == pytest.approx(1 + ring / sun, rel=1e-9)
    assert next(planet_sets(d)).ratio == pytest.approx(1 + ring / sun)


def test_with_the_carrier_held_the_ring_turns_backward() -> None:
    """Held at the carrier it is a plain train with an idler: −z_sun / z_ring."""
    d = begin("planetary-hub", {"brake": "none"})
    for s in d["shafts"]:
        s["stands"] = s["key"] == "hub"
    turn = turning(read_definition(d), "drive", {})
    assert turn.speeds["spindle"] == pytest.approx(-24 / 72)


@given(sun=st.integers(12, 60), planet=st.integers(12, 60), count=st.integers(2, 8))
def test_planets_go_in_where_sun_and_ring_divide_by_them(sun: int, planet: int, count: int) -> None:
    ring = sun + 2 * planet
    wrong = planet_problems(hub(sun, planet, ring, count))
    said = " ".join(wrong.values())
    assume(planet_problems(hub(sun, planet, ring, count, uneven=True)) == {})
    assert ("even angles" in said) == ((sun + ring) % count != 0)


@pytest.mark.parametrize(
    ("made", "words"),
    [
        (hub(ring=80), "do not go round: sun 24 + 2 × planet 24 = 72, and the ring has 80"),
        (hub(count=5), "(24 + 72) / 5 is not whole"),
        (hub(12, 48, 108, 4), "4 planets of 48 teeth would touch each other"),
    ],
)
def test_what_cannot_be_put_together_is_said(made: Definition, words: str) -> None:
    assert any(words in why for why in planet_problems(made).values()), planet_problems(made)


def test_a_ring_cut_with_corrected_teeth_passes() -> None:
    assert planet_problems(hub(ring=73, uneven=True)) == {}


def test_teeth_not_told_are_not_checked() -> None:
    assert planet_problems(hub(sun=0, count=5)) == {}
    assert planet_words(hub(sun=0)) == []


def changed(leaf: str, key: str, **anew: Any) -> dict[str, str]:
    d = begin("planetary-hub", {"brake": "none"})
    row = next(r for r in d[leaf] if r["key"] == key)
    row |= anew
    return planet_problems(read_definition(d))


@pytest.mark.parametrize(
    ("leaf", "key", "anew", "words"),
    [
        ("shafts", "spindle", {"inside": "moon"}, "names no other shaft"),
        ("shafts", "spindle", {"line": "upright"}, "must lie the same way"),
        ("shafts", "hub", {"inside": "drive"}, "round in a circle"),
        ("shafts", "drive", {"enters": "hub-nut"}, "names no part of this shaft"),
        ("shafts", "pins", {"pins": "sun"}, "names no planet carrier"),
        ("meshes", "ring-mesh", {"kind": "spur"}, "must be internal: “Ring gear” has its teeth inside"),
        ("meshes", "sun-mesh", {"kind": "internal"}, "one of the two must be an internal ring gear"),
        ("parts", "planets", {"teeth": 72}, "must be fewer than the 72"),
    ],
)
def test_what_lies_in_something_else_must_fit(leaf: str, key: str, anew: dict[str, Any], words: str) -> None:
    assert any(words in why for why in changed(leaf, key, **anew).values())


def test_a_hub_is_drawn_one_inside_the_other() -> None:
    placed = place_parts(hub())
    assert len({round(placed.lines[s], 3) for s in ("hub", "spindle", "drive")}) == 1
    reach = placed.reach
    assert reach.outer["drive"] < reach.bore["spindle"] < reach.outer["spindle"] < reach.bore["hub"]
    at = {s.part.key: s for row in placed.spots.values() for s in row}
    assert at["sun"].at == pytest.approx(at["planets"].at) == pytest.approx(at["ring"].at)
    apart = placed.lines["hub"] - placed.lines["pins"]
    assert apart == pytest.approx(at["sun"].pitch + at["planets"].pitch)
    assert apart == pytest.approx(at["ring"].pitch - at["planets"].pitch)
    assert placed.gave_way == {}


def test_pins_with_nothing_on_them_yet_stand_beside_their_carrier() -> None:
    d = begin("planetary-hub", {"brake": "none"})
    d["parts"] = [p for p in d["parts"] if p.get("shaft") != "pins"]
    d["meshes"] = []
    placed = place_parts(read_definition(d | {"places": [], "settings": []}))
    assert placed.lines["hub"] - placed.lines["pins"] > 30
    carrier = placed.spot("carrier")
    assert carrier is not None and placed.bare["pins"] == pytest.approx(carrier[1].at)
