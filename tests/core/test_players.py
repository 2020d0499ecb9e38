"""Some sixty cases of the benchmark: the advisor keeps its promises against naive and the oracle."""

import numpy as np
import pytest

from bornek.core.practice.one_knob import make_case
from bornek.core.practice.players import Game, Player, advisor, naive, oracle, play
from bornek.core.practice.streams import Stream, mix

CASES = range(60)


def games(family: str, player: Player, half: float) -> list[Game]:
    return [play(make_case(family, 2026, n), player, half) for n in CASES]  # type: ignore[arg-type]


def test_the_streams_check_values_hold() -> None:
    assert mix(0) == 0xE220A8397B1DCDAF
    assert Stream(1, 0).u(0) == 0.8847898165349133


def test_the_published_case_is_reproduced() -> None:
    case = make_case("E", 2026, 0)
    assert 7.0 < case.s_a < 10.0
    assert case.s_a * case.stream.n(7, 0) == pytest.approx(-10.8199, abs=1e-4)
    noise = case.reading(0, 0) - case.value(0, 0)
    assert noise == pytest.approx(2.5486, abs=1e-4)


def test_with_an_unknown_response_the_advisor_beats_one_for_one() -> None:
    ours, theirs = games("W", advisor(), 25.0), games("W", naive, 25.0)
    assert np.mean([g.rounds for g in ours]) < np.mean([g.rounds for g in theirs]) - 0.2
    assert sum(g.harm for g in ours) <= sum(g.harm for g in theirs) / 3


def test_the_oracle_is_the_limit() -> None:
    ours, best = games("B", advisor(), 12.0), games("B", oracle, 12.0)
    assert np.mean([g.rounds for g in best]) < np.mean([g.rounds for g in ours])


def test_no_case_gets_stuck_where_the_oracle_does_not() -> None:
    for ours, best in zip(games("E", advisor(), 25.0), games("E", oracle, 25.0), strict=True):
        assert best.rounds > 12 or ours.rounds <= 12
