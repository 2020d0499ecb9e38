"""Rounds learned in order: memory of the type, held out rounds, what they say of the response."""

import math
from dataclasses import replace
from typing import Any

import pytest
from scipy.special import ndtr, ndtri

from bornek.core.advice.history import History
from bornek.core.advice.promise import expect
from bornek.core.advice.propose import propose
from bornek.core.advice.reconcile import surprise
from bornek.core.advice.replay import replay, slope
from bornek.core.settings.given import read_given
from bornek.core.settings.knobs import Response
from bornek.core.settings.records import Act, Context, Entry, Explanation, Scalar
from bornek.core.settings.registry import find_kind
from bornek.core.settings.state import ShimPack, State
from bornek.core.windows import Verdict

KIND = find_kind("shim_pack_end_play")
TYPED = {"least": 0.06, "greatest": 0.12, "sense": "adds", "torque": 80, "source": "drawing"}
STOCK = {n * 10_000: 4 for n in (5, 8, 10, 15, 20, 25, 50)}


def bench(*rounds: tuple[tuple[int, ...], float | None], **more: Any) -> Context:
    """Rounds as (pack in hundredths of a mm, travel in mm)."""
    acts, entries = [], []
    for number, (pack, travel) in enumerate(rounds, 1):
        state = ShimPack(tuple(n * 10_000 for n in pack))
        acts.append(
            Act(f"a{number}", number, "move" if number > 1 else "as_found", {"pack": state}, seq=number * 10)
        )
        for i, position in enumerate(("mark_up", "mark_down")):
            for rep in (1, 2, 3):
                if travel is not None:
                    key = f"travel.{position}.{rep}"
                    entries.append(
                        Entry(f"{number}{i}{rep}", key, Scalar(travel), number, seq=number * 10 + rep)
                    )
    given = read_given(KIND, TYPED | more.pop("given", {}))
    return Context(
        given=given, acts=tuple(acts), entries=tuple(entries), round=len(rounds), stock=STOCK, **more
    )


def pack(*plates: int) -> dict[str, State]:
    return {"pack": ShimPack(plates)}


def replayed(ctx: Context) -> History:
    history = replay(KIND, ctx)
    assert history is not None
    return history


def test_the_first_round_predicts_nothing_and_is_never_flagged() -> None:
    first = replayed(bench(((50, 25), 0.30))).rounds[0]
    assert first.predicted is None
    assert not first.flagged


def test_the_second_is_predicted_from_the_first() -> None:
    second = replayed(bench(((50, 25), 0.30), ((50, 5), 0.10))).rounds[1]
    assert second.predicted is not None
    assert second.predicted.v == pytest.approx(0.10, abs=0.003)


def test_a_frozen_prediction_is_kept_as_it_was() -> None:
    from bornek.core.settings.records import Predicted

    ctx = bench(((50, 25), 0.30), ((50, 5), 0.10))
    acts = (ctx.acts[0], replace(ctx.acts[1], predicted={"end_play": Predicted(0.123, 0.01)}))
    assert replayed(replace(ctx, acts=acts)).rounds[1].predicted == Predicted(0.123, 0.01)


def test_a_response_below_one_is_learned() -> None:
    k, sd = replayed(bench(((50, 50), 0.60), ((50,), 0.18))).row.belief.response()
    assert k == pytest.approx(0.86, abs=0.05)
    assert sd < 0.1


def test_a_wild_round_is_held_out_and_teaches_nothing() -> None:
    calm = bench(((50, 25), 0.30), ((50, 5), 0.10))
    wild = bench(((50, 25), 0.30), ((50, 5), 0.25))
    history = replayed(wild)
    assert history.last.flagged
    assert history.last.held_out
    assert history.row.belief.response()[0] == pytest.approx(replayed(calm.at(1)).row.belief.response()[0])


def test_unexplained_admits_it_but_not_into_the_types_memory() -> None:
    wild = bench(((50, 25), 0.30), ((50, 5), 0.25), explanations=(Explanation(2, "unexplained"),))
    history = replayed(wild)
    assert not history.last.held_out
    assert history.row.belief.p_any_off() > 0.5
    assert slope(history, wild) is None


def test_reread_holds_the_round_out_for_good() -> None:
    ctx = bench(((50, 25), 0.30), ((50, 5), 0.25), ((50, 5), 0.10), explanations=(Explanation(2, "reread"),))
    history = replayed(ctx)
    assert [r.held_out for r in history.rounds] == [False, True, False]
    assert history.row.belief.response()[0] == pytest.approx(1.0, abs=0.05)


def test_a_recount_changes_the_state_of_its_round() -> None:
    ctx = bench(((50, 25), 0.30), ((50, 5), 0.25))
    recount = Act("r", 2, "recount", {"pack": ShimPack((500_000, 200_000))}, seq=99)
    history = replayed(replace(ctx, acts=(*ctx.acts, recount)))
    assert not history.last.flagged
    assert history.last.states == {"pack": ShimPack((500_000, 200_000))}


def test_the_slope_is_least_squares_over_trusted_rounds() -> None:
    three = bench(((50, 50), 0.60), ((50, 25), 0.38), ((50,), 0.15))
    found = slope(replayed(three), three)
    assert found is not None
    assert found["k"] == pytest.approx(0.9, abs=0.01)
    assert found["se"] > 0


def test_one_position_has_no_slope() -> None:
    one = bench(((50,), 0.15), ((50,), 0.152))
    assert slope(replayed(one), one) is None


R = Response(rows=("y",), knobs=("k",), k0=((1.0,),), rho=((0.15,),), s_a=(0.006,), s_r=(0.0035,))


def test_in_with_margin_proposes_to_stay() -> None:
    history = replayed(bench(((50, 5), 0.09)))
    stays = propose(history, Context(stock=STOCK), Verdict("in"))
    assert (stays.stay, stays.now_in, stays.best) == ("in", 1.0, None)


def test_a_move_likelier_to_worsen_than_to_mend_is_not_proposed() -> None:
    history = replayed(bench(((50, 5), 0.116)))
    assert propose(history, Context(), Verdict("at_edge")).stay == "no better"


def test_an_empty_drawer_leaves_taking_out_or_reseating() -> None:
    history = replayed(bench(((50, 25, 5), 0.30)))
    best = propose(history, Context(), Verdict("out_high")).best
    assert best is not None
    assert set(best.states["pack"].packs[0]) <= {500_000, 250_000, 50_000}


def test_any_state_can_be_asked_about() -> None:
    history = replayed(bench(((50, 25), 0.30)))
    candidate = expect(history, pack(500_000))
    assert candidate.predicted["end_play"].v == pytest.approx(0.05, abs=0.01)
    assert candidate.p_harm > expect(history, pack(500_000, 50_000)).p_harm


def test_the_own_aim_shifts_what_is_proposed() -> None:
    fine = {n * 10_000: 6 for n in range(1, 30)}
    low = propose(
        replayed(bench(((50, 25), 0.30), given={"aim": 0.075})), Context(stock=fine), Verdict("out_high")
    ).best
    high = propose(
        replayed(bench(((50, 25), 0.30), given={"aim": 0.105})), Context(stock=fine), Verdict("out_high")
    ).best
    assert low is not None
    assert high is not None
    assert low.predicted["end_play"].v < high.predicted["end_play"].v


def test_a_surprise_names_the_gap_and_what_it_would_mean() -> None:
    ctx = bench(((50, 25), 0.30), ((50, 5), 0.25))
    odd = surprise(KIND, ctx, replayed(ctx))
    assert odd is not None
    assert odd.sentence.startswith("Expected 0.100, found 0.250: 0.150 more. This round or round 1")
    assert "−0.050 mm" in odd.implied
    assert "−0.200 was written down" in odd.implied


@pytest.mark.parametrize(
    ("before", "less", "found", "said"),
    [
        (0.30, 5, 1.0, "Round 2 reads ten times"),
        (0.29, 0, 1.016, "Round 2 reads 25.4 times"),
        (0.30, 5, 0.01, "Round 2 reads a tenth of"),
        (0.03, 5, 0.10, "Round 1 reads a tenth of"),
        (0.0118, 5, 0.10, "Round 1 reads 1/25.4 of"),
    ],
)
def test_a_reading_in_another_unit_or_with_a_shifted_point_is_guessed(
    before: float, less: int, found: float, said: str
) -> None:
    ctx = bench(((50, 25), before), ((50, less) if less else (50,), found))
    odd = surprise(KIND, ctx, replayed(ctx))
    assert odd is not None
    assert odd.slips[0] == f"{said} what would fit: unit or decimal point."


def test_what_a_surprise_would_mean_goes_by_what_this_unit_gives() -> None:
    """0.50 mm of shim gave 0.40 mm before: 0.16 more than in round 2 would be 0.20 of shim."""
    ctx = bench(((100, 25), 0.90), ((50, 25), 0.50), ((50, 5), 0.66))
    history = replayed(ctx)
    gives = history.row.belief.response()[0]
    odd = surprise(KIND, ctx, history)
    assert odd is not None
    assert gives < 0.9
    assert f"changed by +{0.16 / gives:.3f} mm" in odd.implied


@pytest.mark.parametrize(
    ("travel", "flagged", "either"),
    [(0.16, False, False), (0.17, True, True), (0.18, True, True), (0.19, True, False)],
)
def test_what_may_as_well_be_the_unit_is_asked_and_what_may_not_is_held_out(
    travel: float, flagged: bool, either: bool
) -> None:
    """Expected at 0.100. Asked while one chance in four is left that every round is right."""
    last = replayed(bench(((50, 25), 0.30), ((50, 5), travel))).last
    assert (last.flagged, last.either, last.held_out) == (flagged, either, flagged and not either)


def test_an_explained_surprise_is_one_no_more() -> None:
    ctx = bench(((50, 25), 0.30), ((50, 5), 0.25), explanations=(Explanation(2, "unexplained"),))
    assert surprise(KIND, ctx, replayed(ctx)) is None


def test_an_unknown_sense_is_found_by_the_first_move() -> None:
    ctx = bench(((50, 25), 0.30), ((50, 20), 0.35), given={"sense": "unknown"})
    assert replayed(ctx).row.belief.response()[0] == pytest.approx(-1.0, abs=0.15)


def test_a_needle_that_stands_still_again_after_it_was_made_looser_asks_for_more_by_hand() -> None:
    """At most 5 µm at the pack as found, and again with 80 µm more in: y ≤ 5 − k·80, of N(0, 150 µm) cut off there the
    lowest tenth, and 5 µm + 2.5 sd of what is to be seen. What one zero alone asks for would not do."""
    ctx = bench(((50, 25), 0.0), ((50, 25, 8), 0.0))
    history = replayed(ctx)
    k, sd = history.row.belief.response()
    careful = max(k - 2 * sd, k / 2)
    seen = 5 + 2.5 * math.hypot(history.row.s_a, history.row.s_r) * 1000

    def wanted(bound: float) -> float:
        return float((seen - 150 * ndtri(0.1 * ndtr(bound / 150))) / careful)

    best = propose(history, ctx, Verdict("not_proven")).best
    assert best is not None
    travel_um = (sum(best.states["pack"].packs[0]) - 750_000) / 1000
    assert wanted(5) < wanted(5 - careful * 80) <= travel_um
    assert (best.p_in, best.p_harm, best.rounds, best.predicted) == (0.0, 0.0, 0.0, {})  # nothing is promised
