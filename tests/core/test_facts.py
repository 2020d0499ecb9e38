"""Every kind of fact: read from plain data, and refused by the field that does not hold."""

from __future__ import annotations

from typing import Any

import pytest

from bornek.core.errors import InputError
from bornek.core.facts.about import About
from bornek.core.facts.registry import fact_kinds, find_fact_kind, read_fact
from bornek.core.facts.witness import FLANK_COLUMNS, FLANK_ROWS
from bornek.core.plain import dump
from bornek.core.structure import build
from bornek.core.units.definition import read_definition
from bornek.demo.yard import TYPES

WINCH = read_definition(next(d for key, _, d in TYPES if key == "ramp-winch"))
CRANE = read_definition(next(d for key, _, d in TYPES if key == "crane-box"))
ELSEWHERE = {"turns_counted": CRANE, "levers_tried": CRANE, "timing_seen": CRANE}
"""Facts about what the winch has not."""
CLEAN = [[0.0] * FLANK_COLUMNS for _ in range(FLANK_ROWS)]
GOOD: dict[str, dict[str, Any]] = {
    "locked_out": {"points": "breaker 3", "key_holder": "Jun"},
    "pack": {"place": "output-cover", "plates": ["0.5", "10 thou"], "side": "top", "slots": "at 6"},
    "witness": {"mesh": "bevel-set", "drive": CLEAN, "coast": CLEAN, "ran": "well"},
    "match_marks": {"mesh": "bevel-set", "marks": "two punch marks"},
    "checking_distance": {"mesh": "bevel-set", "typed": "+0.05", "unit": "mm", "convention": "not known"},
    "way_round": {"part": "output-seal", "words": "lip inward"},
    "wrong": {"what": "missing", "words": "one screw", "part": ""},
    "let_go": {"items": ["witness:bevel-set"], "words": "teeth gone"},
    "removed": {"part": "output-seal", "way": "draw"},
    "loose": {"what": "washer", "where": "sump"},
    "accounted": {"loose": "a", "words": "found"},
    "closed": {},
    "named": {"was": "B-1 hoist, serial not named yet", "now": "H-40 Slip hoist, serial RW7-0777"},
    "opened_again": {"words": "another leak"},
    "photo_struck": {"photo": "p1", "words": "another unit"},
    "corrected": {"what": "complaint", "was": "howls", "now": "howls when hot"},
    "hour_meter": {"when": "receiving", "read_on": "2026-11-20", "reading": "4 815"},
    "graded": {"part": "output-seal", "grades": {"lip": "sound"}},
    "judged": {"part": "output-seal", "verdict": "replace"},
    "teeth": {"part": "bevel-pinion", "marks": [{"tooth": 1, "flank": "drive", "damage": "pits"}]},
    "seal_set": {
        "part": "output-seal",
        "found": "6",
        "planned": "8",
        "groove": "2",
        "lip": "inward",
        "oil": "inward",
    },
    "evidence": {"evidence": "grit", "seen": "seen"},
    "cause": {"cause": "dirt"},
    "hold_cleared": {"cause": "dirt", "words": "flushed"},
    "ordered": {"part": "output-seal", "what": "order", "number": "S-1", "supplier": "store"},
    "promised": {"order": "o1", "promised": "2026-12-01"},
    "received": {"order": "o1"},
    "from_type": {},
    "due_back": {"day": "2026-11-30"},
    "section_answered": {"row": "input", "field": "built", "value": "outside"},
    "step_written": {"step": {"key": "own", "label": "Washed", "parts": ["output-seal"]}, "after": ""},
    "reckoned": {
        "sum": "fit_bolts",
        "part": "output-seal",
        "given": {"n": "8"},
        "said": "8 bolts",
        "numbers": {"torque": 218.0},
    },
    "heat_read": {"fit": "r1", "t": "131 °C", "how": "crayon"},
    "push_read": {"fit": "r1", "travel": "20", "push": "50 kN"},
    "fit_seen": {"fit": "r1", "what": "short", "words": "3 mm short"},
    "step_struck": {"step": "own", "words": "not here"},
    "step_moved": {"step": "own", "after": "other"},
    "step_worked": {"step": "own", "how": "differently", "words": "by hand"},
    "need_judged": {"before": "a", "after": "b", "holds": False, "words": "there is a window"},
    "clock_begun": {"step": "own", "what": "sealant"},
    "bolts_tight": {"step": "own", "turns": 4},
    "turned": {"shaft": "output", "feel": "tight", "drag": "1.4 N·m"},
    "seen_right": {"step": "own", "what": "hole", "right": False, "words": "two holes off"},
    "went_back": {"steps": ["own"], "why": "taken_apart"},
    "turns_counted": {
        "shaft": "main",
        "way": "clockwise",
        "at": {"high": "second", "low": "neutral"},
        "turned": 10.0,
        "out": 6.7,
    },
    "levers_tried": {"at": {"high": "second", "low": "first"}, "went": False},
    "timing_seen": {"mark": "upper", "off": -1},
    "proved": {"point": "lock:lock-plates", "way": "tab bent up", "count": 12},
    "lock_off": {"lock": "a"},
    "deferred": {"what": "spider", "why": "not in store", "who": "Jun", "until": "2027-01-31"},
    "run_begun": {"label": "No load", "minutes": 30.0, "limit": "80 °C", "source": "card", "ambient": "20"},
    "run_read": {"run": "r1", "part": "output-top", "minutes": 10.0, "text": "34.5"},
    "run_heard": {"run": "r1", "noise": "whine", "words": "bevel set"},
    "run_ended": {"run": "r1", "how": "stopped", "words": "smoke"},
    "released": {"how": "as_it_is", "words": "scrapped"},
}
EMPTIED = [
    ("locked_out", "points"), ("locked_out", "key_holder"), ("pack", "side"), ("pack", "slots"), ("match_marks", "marks"),
    ("checking_distance", "typed"), ("way_round", "words"), ("wrong", "words"), ("let_go", "words"), ("loose", "what"),
    ("loose", "where"), ("accounted", "words"), ("graded", "part"), ("judged", "part"), ("teeth", "part"),
    ("seal_set", "groove"), ("hold_cleared", "words"), ("ordered", "number"), ("ordered", "supplier"),
    ("step_struck", "words"), ("step_moved", "step"), ("need_judged", "words"), ("step_worked", "words"),
    ("seen_right", "words"), ("turned", "shaft"), ("reckoned", "sum"), ("heat_read", "fit"), ("heat_read", "t"),
    ("push_read", "travel"), ("push_read", "push"), ("fit_seen", "fit"),
    ("turns_counted", "shaft"), ("timing_seen", "mark"), ("proved", "point"), ("lock_off", "lock"), ("deferred", "until"), ("deferred", "who"), ("run_begun", "source"), ("run_begun", "limit"),
    ("run_read", "text"), ("run_read", "run"), ("run_heard", "run"), ("run_ended", "run"), ("promised", "promised"), ("opened_again", "words"), ("hour_meter", "read_on"), ("hour_meter", "reading"),
]  # fmt: skip


def checked(kind: str, data: dict[str, Any]) -> None:
    """Read and checked, as it is before it is stored."""
    d = ELSEWHERE.get(kind, WINCH)
    _, body = read_fact(kind, data, d)
    find_fact_kind(kind).check(body, About(d))


def test_there_is_an_example_of_every_kind() -> None:
    assert set(GOOD) == {k.key for k in fact_kinds()}


@pytest.mark.parametrize("kind", sorted(GOOD))
def test_it_is_read_and_comes_back_the_same(kind: str) -> None:
    _, body = read_fact(kind, GOOD[kind], WINCH)
    assert build(find_fact_kind(kind).body, dump(body)) == body


@pytest.mark.parametrize(
    ("kind", "subject"),
    [
        ("pack", "output-cover"),
        ("witness", "bevel-set"),
        ("way_round", "output-seal"),
        ("accounted", "a"),
        ("graded", "output-seal"),
        ("ordered", "output-seal"),
        ("loose", ""),
        ("evidence", ""),
    ],
)
def test_it_is_about_its_place_mesh_or_part(kind: str, subject: str) -> None:
    assert read_fact(kind, GOOD[kind], WINCH)[0] == subject


@pytest.mark.parametrize(("kind", "field"), EMPTIED)
def test_what_must_be_said_is_asked_for_by_name(kind: str, field: str) -> None:
    with pytest.raises(InputError) as refused:
        checked(kind, GOOD[kind] | {field: ""})
    assert refused.value.field == field


@pytest.mark.parametrize(
    ("kind", "changed", "field"),
    [
        ("turns_counted", {"shaft": "input"}, "shaft"),
        ("turns_counted", {"at": {"high": "second"}}, "at"),
        ("turns_counted", {"at": {"high": "second", "low": "first", "third": "first"}}, "at"),
        ("turns_counted", {"turned": 0.5}, "turned"),
        ("turns_counted", {"out": 0.0}, "out"),
        ("turns_counted", {"way": "still"}, "out"),
        ("levers_tried", {"at": {"high": "fourth", "low": "first"}}, "at"),
        ("timing_seen", {"mark": "middle"}, "mark"),
        ("timing_seen", {"off": 21}, "off"),
        ("pack", {"place": "nowhere"}, "place"),
        ("pack", {"plates": ["thick"]}, None),
        ("witness", {"mesh": "nowhere"}, "mesh"),
        ("witness", {"drive": [[1.0]]}, "drive"),
        ("witness", {"coast": [[2.0] * FLANK_COLUMNS] * FLANK_ROWS}, "drive"),
        ("checking_distance", {"typed": "far"}, None),
        ("removed", {"part": "ghost"}, "part"),
        ("removed", {"count": "two"}, "count"),
        ("wrong", {"what": "odd"}, "what"),
        ("seal_set", {"lip": "up"}, "lip"),
        ("evidence", {"seen": "maybe"}, "seen"),
        ("ordered", {"what": "gift"}, "what"),
        ("teeth", {"marks": [{"tooth": 1, "flank": "left", "damage": "pits"}]}, "marks[0].flank"),
        ("loose", {"colour": "red"}, "colour"),
        ("step_written", {"step": {"key": "own", "label": "x", "parts": ["ghost"]}}, "parts"),
        ("step_written", {"step": {"key": "Own Step", "label": "x"}}, "key"),
        ("step_written", {"step": {"key": "own", "label": "x", "torque": "hard"}}, "torque"),
        ("step_written", {"step": {"key": "own", "label": "x", "wait": "cure"}}, "wait_minutes"),
        ("turned", {"shaft": "ghost"}, "shaft"),
        ("turned", {"turns": 0}, "turns"),
        ("reckoned", {"part": ""}, "part"),
        ("reckoned", {"step": "own"}, "part"),
        ("heat_read", {"how": "hand"}, "how"),
        ("heat_read", {"fit": "nowhere"}, "fit"),
        ("push_read", {"fit": "nowhere"}, "fit"),
        ("fit_seen", {"what": "odd"}, "what"),
        ("bolts_tight", {"turns": -1}, "turns"),
        ("went_back", {"steps": []}, "steps"),
        ("due_back", {"day": "Monday"}, "day"),
        ("section_answered", {"row": "ghost"}, "row"),
        ("section_answered", {"value": "sideways"}, "value"),
    ],
)
def test_what_cannot_be_is_refused_by_its_field(
    kind: str, changed: dict[str, Any], field: str | None
) -> None:
    with pytest.raises(InputError) as refused:
        checked(kind, GOOD[kind] | changed)
    if field:
        assert refused.value.field == field


def test_an_unknown_kind_lists_those_there_are() -> None:
    with pytest.raises(InputError, match="kind must be one of accounted, bolts_tight, cause"):
        read_fact("guessed", {}, WINCH)
