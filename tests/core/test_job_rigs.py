"""Rigs that are jobs: a cause of failure to be found, and a build order with a trap."""

from __future__ import annotations

from statistics import mean

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.errors import InputError
from bornek.core.parts.causes import all_evidence
from bornek.core.practice.rigs.cause import FALSE_LEAD, CauseRig, pointed_to, proved
from bornek.core.practice.rigs.job_game import PLAYERS, play_job
from bornek.core.practice.rigs.job_rig import JobRig
from bornek.core.practice.rigs.order import OrderRig, traps_of
from bornek.core.practice.rigs.rows import BENCH_SORTS, NINE, SORTS, make_bench, make_rig
from bornek.core.practice.rigs.signs import look_parts
from bornek.core.practice.veil import veil_inspection, veil_plan

NUMBERS = range(1, 41)
LABELS = {e.label.lower() for e in all_evidence()}


def test_every_piece_of_evidence_is_met_at_one_part_and_not_by_its_name() -> None:
    met = [key for p in look_parts() for key in p.shows]
    assert sorted(met) == sorted(e.key for e in all_evidence())
    assert not any(words.lower().strip(" .") in LABELS for p in look_parts() for words in p.shows.values())


@given(st.integers(1, 999_999))
def test_a_cause_is_proved_by_its_fewest_looks_and_by_none_fewer(number: int) -> None:
    rig = CauseRig(number)
    assert proved(rig.looked(rig.fewest)) is rig.cause
    assert not any(
        proved(rig.looked([k for k in rig.fewest if k != left])) is rig.cause for left in rig.fewest
    )
    assert rig.first_told(rig.fewest) == rig.fewest[-1]
    assert pointed_to(rig.looked([p.key for p in look_parts()])) is rig.cause


@given(st.integers(1, 999_999))
def test_one_sign_is_no_proof(number: int) -> None:
    rig = CauseRig(number)
    assert all(proved(rig.looked([p.key])) is None for p in look_parts())


def test_a_false_lead_speaks_for_another_cause_alone() -> None:
    rigs = [r for n in NUMBERS if (r := CauseRig(n)).fault == FALSE_LEAD]
    assert rigs
    for rig in rigs:
        assert len(rig.signs - set(rig.cause.speaks)) == 1


def test_an_order_has_its_traps_and_one_move_for_each_takes_them_out() -> None:
    for number in NUMBERS:
        rig = OrderRig(number)
        assert len(traps_of(rig.order())) == len(rig.late) == rig.wanted
        assert traps_of(rig.order(rig.mended())) == []
        assert traps_of(rig.order(rig.mended()[:-1]))
        assert rig.best() == pytest.approx(0.1 * rig.wanted)


@pytest.mark.parametrize("sort", PLAYERS)
def test_who_knows_is_the_cheapest_and_the_advice_is_right(sort: str) -> None:
    rigs = [r for n in NUMBERS if isinstance(r := make_rig(sort, n), JobRig)]
    played = {who: [play_job(r, who) for r in rigs] for who in PLAYERS[sort]}
    cost = {who: mean(g.cost for g in games) for who, games in played.items()}
    assert cost["oracle"] <= cost["advised"] < min(cost["naive"], cost["secant"])
    assert all(g.right for who in ("oracle", "advised") for g in played[who])
    assert not all(g.right for g in played["naive"])


def test_the_row_holds_every_sort_once() -> None:
    assert sorted(s for s, _, _ in NINE) == sorted(SORTS)


def test_a_job_is_no_setting() -> None:
    with pytest.raises(InputError, match="no setting"):
        make_bench(next(s for s in SORTS if s not in BENCH_SORTS), 1)


def test_a_veiled_inspection_names_every_cause_and_speaks_for_none() -> None:
    shown = veil_inspection({"diagnosis": {"words": "It points to b."}}, [("b", "B"), ("a", "A")])
    assert [c["label"] for c in shown["diagnosis"]["ranked"]] == ["A", "B"]
    assert not any(c["fors"] or c["against"] or c["score"] for c in shown["diagnosis"]["ranked"])


def test_a_veiled_plan_tells_of_no_trap() -> None:
    shown = veil_plan(
        {
            "steps": [{"key": "a", "after": 1, "before": 3, "gates": ["x"], "state": "held"}],
            "lids": [{"step": "a", "words": "closes", "out": "shuts out 1", "shut": True}],
            "tray": [{"part": "p", "shut_by": 2, "trapped": True}],
            "part_states": {"p": "hand"},
            "findings": ["f"],
        }
    )
    assert shown["steps"][0] == {"key": "a", "after": 0, "before": 0, "gates": [], "state": "ready"}
    assert (shown["lids"][0]["out"], shown["lids"][0]["shut"]) == ("", False)
    assert shown["tray"][0] == {"part": "p", "shut_by": 0, "trapped": False}
    assert shown["part_states"] == {"p": "out"} and shown["findings"] == []
