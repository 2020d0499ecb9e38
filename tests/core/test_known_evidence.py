"""What is written down already and speaks on a cause, by hand: what it tells, and where it does not go together."""

from __future__ import annotations

from typing import Any

import pytest

from bornek.core.facts.cause import CauseNamed
from bornek.core.facts.evidence import EvidenceLooked
from bornek.core.facts.graded import Graded
from bornek.core.facts.kind import Fact
from bornek.core.facts.seal_set import SealSet
from bornek.core.facts.teeth import TeethMarked
from bornek.core.parts.causes import Seen, diagnose
from bornek.core.parts.known import AsFound, Offered, contradicted, known_evidence, looked_at
from bornek.core.parts.teeth import ToothMark
from bornek.core.units.definition import Definition, Part

GEAR = Part("g", "Gear", "gear", teeth=20)
BEARING = Part("b", "Bearing", "taper_bearing")
UNIT = Definition(parts=(GEAR, BEARING))


def fact(body: Any, key: str = "f1") -> Fact:
    return Fact(id=key, fact_kind="", subject=getattr(body, "part", ""), body=body, by="Jun", at="")


def marks(damage: str, *teeth: int) -> Fact:
    return fact(TeethMarked("g", tuple(ToothMark(n, "drive", damage) for n in teeth)))


def told(*facts: Fact) -> list[str]:
    return [o.evidence for o in known_evidence(UNIT, facts)]


@pytest.mark.parametrize(
    ("broken", "tells"),
    [
        ((3, 4), ["teeth_cluster"]),
        ((20, 1), ["teeth_cluster"]),
        ((3,), []),
        ((3, 8, 13, 18), []),
        ((1, 2, 12, 15), []),
    ],
)
def test_broken_teeth_tell_of_a_blow_where_they_stand_side_by_side(
    broken: tuple[int, ...], tells: list[str]
) -> None:
    assert told(marks("broken", *broken)) == tells


@pytest.mark.parametrize("damage", ["chip", "crack", "broken", "spall"])
def test_whatever_breaks_a_tooth_counts(damage: str) -> None:
    assert told(marks(damage, 3, 4)) == ["teeth_cluster"]


@pytest.mark.parametrize(("pitted", "tells"), [(16, ["pits_line"]), (15, []), (20, ["pits_line"])])
def test_pits_on_four_teeth_of_five_are_pits_all_round(pitted: int, tells: list[str]) -> None:
    assert told(marks("pits", *range(1, pitted + 1))) == tells


def test_teeth_of_a_part_that_is_not_there_tell_nothing_of_their_spread() -> None:
    assert known_evidence(Definition(), [marks("broken", 3, 4)]) == []


def test_scuffed_teeth_tell_it_once() -> None:
    (found,) = known_evidence(UNIT, [marks("scuff", 3, 9)])
    assert (found.evidence, found.words.startswith("Gear: teeth ")) == ("scuffed", True)


@pytest.mark.parametrize(
    ("grade", "tells"), [("sound", []), ("worn_within", []), ("worn_beyond", ["spun"]), ("unsafe", ["spun"])]
)
def test_a_bad_grade_tells_what_it_stands_for(grade: str, tells: list[str]) -> None:
    assert told(fact(Graded("b", {"spun": grade}))) == tells


def test_a_grade_that_stands_for_nothing_tells_nothing() -> None:
    assert told(fact(Graded("b", {"unheard of": "unsafe"}))) == []
    assert told(fact(Graded("nowhere", {"spun": "unsafe"}))) == []


@pytest.mark.parametrize(("lip", "tells"), [("inward", []), ("outward", ["seal_torn"])])
def test_a_lip_that_faces_away_from_the_oil_lets_dirt_in(lip: Any, tells: list[str]) -> None:
    assert told(fact(SealSet("s", "5", "8", "2", lip, "inward"))) == tells


def test_one_piece_of_evidence_has_every_reason_and_each_reason_once() -> None:
    facts = [marks("scuff", 3), marks("scuff", 4), fact(Graded("g", {"scuffing": "unsafe"}))]
    (found,) = known_evidence(UNIT, facts)
    assert found.words.split("; ")[0].startswith("Gear: teeth ")
    assert len(found.words.split("; ")) == 2


def test_a_setting_that_tells_nothing_is_left_out() -> None:
    found = [AsFound("End play", "0.31 found", "set_loose"), AsFound("Runout", "0.02 found", "")]
    assert known_evidence(UNIT, [], found) == [Offered("set_loose", "End play: 0.31 found")]


def test_the_last_look_counts_and_one_that_is_taken_back_does_not() -> None:
    facts = [
        fact(EvidenceLooked("grit", "seen")),
        fact(EvidenceLooked("grit", "absent")),
        fact(EvidenceLooked("water", "seen")),
        fact(EvidenceLooked("water", "not looked")),
    ]
    assert looked_at(facts) == {"grit": "absent"}


def said(looked: dict[str, Seen], *facts: Fact, offered: tuple[Offered, ...] = ()) -> list[str]:
    return contradicted(facts, looked, offered, diagnose(looked))


def test_what_is_written_down_and_was_not_there_when_looked_for_does_not_go_together() -> None:
    offered = (Offered("seal_torn", "Seal: its lip faces away from the oil"),)
    (words,) = said({"seal_torn": "absent"}, offered=offered)
    assert words.endswith(" is written down as not there, but seal: its lip faces away from the oil.")
    assert said({"seal_torn": "seen"}, offered=offered) == []


def test_a_cause_that_nothing_speaks_for_is_said() -> None:
    named = fact(CauseNamed("electrical"))
    assert said({"grit": "seen"}, named)[-1].endswith("Nothing seen speaks for it.")
    assert said({}, named) == []
    assert said({"fluting": "seen", "current": "seen"}, named) == []


def test_a_cause_that_something_speaks_against_says_what() -> None:
    looked: dict[str, Seen] = {"current": "seen", "fluting": "absent"}
    (words,) = said(looked, fact(CauseNamed("electrical")), fact(CauseNamed("electrical"), "f2"))
    assert words.startswith("Named: ") and "Against it: " in words and "looked for, not there" in words
