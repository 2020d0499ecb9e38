"""The last look: each thing that was left open is caught, what does not apply is not asked, what is handled is looked at
again."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from datetime import datetime
from typing import Any

import pytest

from bornek.core.build.bench import Bench
from bornek.core.build.order import build_order
from bornek.core.closing import open_points
from bornek.core.facts.bolts_tight import BoltsTight
from bornek.core.facts.cause import CauseNamed
from bornek.core.facts.clock_begun import ClockBegun
from bornek.core.facts.deferred import Deferred
from bornek.core.facts.judged import Judged
from bornek.core.facts.kind import Fact
from bornek.core.facts.lock_off import LockOff
from bornek.core.facts.locked_out import LockedOut
from bornek.core.facts.loose import Loose
from bornek.core.facts.match_marks import MatchMarks
from bornek.core.facts.opened_again import OpenedAgain
from bornek.core.facts.proved import Proved
from bornek.core.facts.registry import fact_kinds
from bornek.core.facts.released import Released, release_of
from bornek.core.facts.removed import Removed
from bornek.core.facts.seen_right import SeenRight
from bornek.core.facts.step_worked import StepWorked
from bornek.core.facts.turned import Turned
from bornek.core.parts.inspection import inspect
from bornek.core.prove.point import ProvePoint
from bornek.core.prove.sheet import ProveSheet, prove_sheet
from bornek.core.prove.stands import JobStands, OpenPoint, SettingStands
from bornek.core.train.positions import Train
from bornek.core.train.sheet import train_sheet
from bornek.core.units.definition import Definition, Part, Place, Shaft
from bornek.core.units.mesh import Mesh
from bornek.core.units.prove import Lubricant, OwnPoint, RunStage
from bornek.core.units.step import BuildStep

NOON = datetime(2026, 11, 24, 12, 0)
D = Definition(
    shafts=(Shaft("in", "input", power="in", turns="clockwise"), Shaft("out", "output", power="out")),
    parts=(
        Part("pinion", "Pinion", "gear", shaft="in", teeth=20),
        Part("wheel", "Wheel", "gear", shaft="out", teeth=40),
        Part("nut", "Shaft nut", "nut", shaft="in", left_hand=True),
        Part("tabs", "Tab plates", "lock_washer", count=12, single_use=True, lock="tab"),
        Part("seal", "Input seal", "seal", shaft="in", faces="lip to the oil"),
        Part("sleeve", "Guide sleeve", "other"),
        Part("vent", "Breather", "breather"),
        Part("cover", "Cover", "cover", shaft="in"),
    ),
    meshes=(Mesh("pair", "Pair 20/40", "pinion", "wheel"),),
    places=(Place("case", "case", at="cover", closed_by=("cover",)),),
    steps=(
        BuildStep("guide", "Guide sleeve in", parts=("sleeve",), fit="temporary"),
        BuildStep("dry", "Cover on, dry", parts=("cover",), fit="dry"),
        BuildStep("shut", "Cover on", parts=("cover",), hole="drain hole", torque="80 N·m", bolts=8, again="closing",
                  wait="cure", wait_minutes=600.0, takes_out=("sleeve",)),
    ),
    lubricant=(Lubricant("oil", "Gear oil", "VG 220", "3 L", "to the plug", change_hours=50),),
    prove=(OwnPoint("cloth", "Cloth over the bore", must=True), OwnPoint("feet", "Foot bolts", when="after")),
    run_in=(RunStage("idle", "Idle", "300 rpm", 30, "80 °C", "Card 4"),),
)  # fmt: skip
KEYS = {k.body: k.key for k in fact_kinds()}


def facts(*bodies: Any) -> list[Fact]:
    """Written one after the other, a minute apart."""
    return [
        Fact(
            f"f{n}",
            KEYS[type(b)],
            getattr(b, "part", "") or getattr(b, "mesh", ""),
            b,
            by="Jun",
            at=f"2026-11-24T08:{n:02}:00+00:00",
            seq=n,
        )
        for n, b in enumerate(bodies, 1)
    ]


def stands(
    *bodies: Any, d: Definition = D, at: str = "bench", now: datetime = NOON, **more: Any
) -> JobStands:
    written = facts(*bodies)
    inspected = [inspect(d, p, written, ()) for p in d.parts]
    return JobStands(
        d,
        written,
        at,
        inspected=inspected,
        train=train_sheet(Train(d), written),
        order=build_order(d, written),
        bench=Bench(now=now),
        **more,
    )


def closing(*bodies: Any) -> list[OpenPoint]:
    job = stands(*bodies)
    return open_points(job, prove_sheet(job))


def sheet(*bodies: Any, **more: Any) -> ProveSheet:
    return prove_sheet(stands(*bodies, **more))


OFF = tuple(Removed(p.key, "hand", count=p.count) for p in D.parts if p.part_kind != "breather")
PLAY = SettingStands("s", "End play", "in", signed_at=0, disturbed=True, measures="setting")
SHUT = StepWorked("shut", parts=("cover",))
LEFT_OPEN: list[tuple[str, Sequence[Any], dict[str, Any], str, str, bool]] = [
    ("a setting moved since it was signed", (), {"settings": [PLAY]}, "setting:s", "again", False),
    ("a hold that nobody cleared", (CauseNamed("starved"),), {}, "hold:starved", "open", True),
    ("a part that only helped", (*OFF, StepWorked("guide", parts=("sleeve",))), {}, "temporary:guide.sleeve", "wrong", True),
    ("a dry fit never done for good", (*OFF, StepWorked("dry", parts=("cover",))), {}, "dry:dry", "wrong", True),
    ("a single-use part judged back in", (*OFF, Judged("tabs", "reuse", "none to be had")), {}, "fresh:tabs", "wrong", False),
    ("tabs not bent", (*OFF, Proved("lock:tabs", way="tab bent up", count=10)), {}, "lock:tabs", "open", True),
    ("a left-hand nut", OFF, {}, "left:nut", "open", False),
    ("a torque to check again", (*OFF, SHUT), {}, "torque:shut", "open", False),
    ("a drain hole not lined up", (*OFF, SHUT, SeenRight("shut", "hole", False, "two holes off")), {}, "hole:shut", "wrong", False),
    ("a seal nobody looked at", OFF, {}, "seal:seal", "open", False),
    ("a breather", (), {}, "breather:vent", "open", False),
    ("a washer in the sump", (Loose("washer", "sump"),), {}, "loose:f1", "open", True),
    ("match marks apart", (MatchMarks("pair", "one dot to two"), *OFF), {}, "marks:pair", "open", False),
    ("a gear position not counted", (), {}, "train:turns", "open", False),
    ("more fitted since the last turn", (*OFF, Turned("in", "free"), SHUT), {}, "turn", "again", False),
    ("a tight turn", (*OFF, SHUT, Turned("in", "tight")), {}, "turn", "wrong", True),
    ("no oil", (), {}, "oil:oil", "open", False),
    ("sealant that cures", (*OFF, SHUT, ClockBegun("shut", "wait")), {}, "wait:shut", "waits", False),
    ("pieces on the tray", OFF, {}, "back", "open", True),
    ("a point of the type's own", (), {}, "own:cloth", "open", True),
    ("guards off", (), {}, "ready:guards", "open", True),
    ("a lock that hangs", (LockedOut("breaker 3", "Oda"),), {"at": "field"}, "ready:lock", "open", True),
    ("run-in", (), {}, "run:idle", "open", False),
]  # fmt: skip


@pytest.mark.parametrize(
    ("written", "more", "key", "state", "must"),
    [row[1:] for row in LEFT_OPEN],
    ids=[row[0] for row in LEFT_OPEN],
)
def test_what_was_left_open_is_caught(
    written: Sequence[Any], more: dict[str, Any], key: str, state: str, must: bool
) -> None:
    found = sheet(*written, **more).by_key[key]
    assert (found.state, found.must) == (state, must)
    assert found.to or found.here, "each open point leads to where it is settled"


def test_what_does_not_apply_is_not_asked() -> None:
    """Nothing came off, it stands on the bench, and its type names nothing: only the shaft is turned."""
    bare = Definition(shafts=D.shafts, parts=tuple(p for p in D.parts if p.part_kind != "breather"))
    assert [p.key for p in sheet(d=bare).points] == ["turn"]


def test_a_unit_with_no_run_in_on_the_bench_asks_for_no_guards() -> None:
    bare = replace(D, run_in=(), prove=())
    assert not [p for p in sheet(d=bare).points if p.group in ("ready", "run")]


@pytest.mark.parametrize("again", [Removed("seal", "hand"), StepWorked("seals", parts=("seal",))])
def test_what_was_seen_is_looked_at_again_once_it_was_handled(again: Any) -> None:
    seen = Proved("seal:seal", way="lip to the oil")
    assert sheet(*OFF, seen).by_key["seal:seal"].state == "done"
    assert sheet(*OFF, seen, again).by_key["seal:seal"].state == "again"


def test_tools_and_guards_are_seen_again_after_the_next_lock_out() -> None:
    ready = (LockedOut("breaker", "Jun"), Proved("ready:clear"), Proved("ready:guards"), LockOff("f1"))
    shown = sheet(*ready, at="field")
    assert {p.state for p in shown.points if p.group == "ready"} == {"done"}
    shown = sheet(*ready, LockedOut("breaker", "Jun"), at="field")
    assert [(p.key, p.state) for p in shown.points if p.group == "ready"] == [
        ("ready:clear", "again"),
        ("ready:guards", "again"),
        ("ready:lock", "open"),
    ]


def test_every_part_of_an_unlocked_set_is_counted() -> None:
    twelve = sheet(*OFF, Proved("lock:tabs", way="tab bent up", count=12)).by_key["lock:tabs"]
    assert (twelve.state, twelve.by) == ("done", "Jun")


def test_could_not_be_checked_stays_and_is_open_no_more() -> None:
    said = Proved("breather:vent", how="could_not", words="behind the tank")
    shown = sheet(said)
    assert shown.by_key["breather:vent"].state == "could_not"
    assert "breather:vent" not in {p.key for p in shown.open}


def test_what_nobody_releases_over_cannot_be_put_off() -> None:
    off = Deferred("cloth", "later", "Jun", "2027-01-01", point="own:cloth")
    assert sheet(off).by_key["own:cloth"].state == "open"


def test_what_is_put_off_is_open_no_more_until_it_is_handled() -> None:
    off = Deferred("seal", "comes Monday", "Jun", "2027-01-01", point="seal:seal")
    assert sheet(*OFF, off).by_key["seal:seal"].state == "put_off"
    assert sheet(*OFF, off, Removed("seal", "hand")).by_key["seal:seal"].state == "open"


def test_run_in_comes_before_release_and_may_be_put_off() -> None:
    assert "run:idle" in {p.key for p in sheet().first}
    off = Deferred("Idle", "no power here", "Jun", "2027-01-01", point="run:idle")
    assert "run:idle" not in {p.key for p in sheet(off).first}


@pytest.mark.parametrize(
    ("later", "holds"),
    [((), True), ((OpenedAgain("leaks"),), False), ((Removed("seal", "hand"),), False), ((SHUT,), False),
     ((BoltsTight("shut", 4),), True)],
)  # fmt: skip
def test_a_release_ends_with_what_is_done_after_it(later: Sequence[Any], holds: bool) -> None:
    assert (release_of(facts(Released(), *later)) is not None) == holds


def test_the_sentence_names_what_is_not_right_before_what_is_only_open() -> None:
    shown = sheet(*OFF, StepWorked("guide", parts=("sleeve",)))
    assert "".join(s.text for s in shown.say).startswith("Not right: guide sleeve.")


def test_closing_waits_for_the_release_and_for_what_comes_after_run_in() -> None:
    points = {p.key: p for p in closing(Released("as_it_is", words="scrap"))}
    assert "release" not in points
    assert points["own:cloth"].may_stay, "a unit that goes out as it is may go unproved"
    points = {p.key: p for p in closing(Released())}
    assert not points["own:feet"].may_stay
    put_off = Deferred("feet", "after two weeks", "Jun", "2027-01-01", point="own:feet")
    assert "own:feet" not in {p.key for p in closing(put_off, Released())}


def test_a_point_says_once_how_it_stands() -> None:
    point = ProvePoint("a", "inside", "A", "b", "could_not")
    assert (point.code, point.state_words, point.is_open) == ("not_proven", "not checked", False)
