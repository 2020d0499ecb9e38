import itertools
from collections import Counter

from hypothesis import given
from hypothesis import strategies as st

from bornek.core.advice.packs import _by_sums, change, reachable, stacked

DRAWERS = st.dictionaries(st.sampled_from([50, 80, 100, 150, 200]), st.integers(-1, 2), max_size=4)


def by_hand(drawer: dict[int, int], now: list[int], most: int) -> dict[int, int]:
    """Every pack by brute force: sum to the fewest plates handled."""
    have = Counter(now)
    stock = have + Counter({t: n for t, n in drawer.items() if n > 0})
    pieces = sorted(stock.elements())
    best: dict[int, int] = {}
    for n in range(min(max(most, len(now)), len(pieces)) + 1):
        for pack in set(itertools.combinations(pieces, n)):
            got = Counter(pack)
            handled = sum(((have - got) + (got - have)).values())
            best[sum(pack)] = min(handled, best.get(sum(pack), 99))
    return best


@given(DRAWERS, st.lists(st.sampled_from([50, 100, 500]), max_size=3), st.integers(1, 4))
def test_reachable_packs_agree_with_brute_force(drawer: dict[int, int], now: list[int], most: int) -> None:
    found = reachable(drawer, now, most)
    assert dict(zip(found.sums.tolist(), found.handled.tolist(), strict=True)) == by_hand(drawer, now, most)


@given(DRAWERS, st.lists(st.sampled_from([50, 100, 500]), min_size=1, max_size=3))
def test_both_ways_of_counting_packs_agree(drawer: dict[int, int], now: list[int]) -> None:
    found = reachable(drawer, now, 4)
    kinds = found.thicknesses
    have = [Counter(now)[t] for t in kinds]
    room = [h + max(drawer.get(t, 0), 0) for h, t in zip(have, kinds, strict=True)]
    import numpy as np

    counts = _by_sums(kinds, np.array(have), np.array(room), 4)
    assert set((counts @ np.array(kinds)).tolist()) == set(found.sums.tolist())


@given(
    st.lists(st.sampled_from([50, 100, 500]), max_size=5),
    st.lists(st.sampled_from([50, 80, 500]), max_size=5),
)
def test_what_goes_out_and_in_turns_one_pack_into_the_other(now: list[int], after: list[int]) -> None:
    out, new = change(now, after)
    assert Counter(now) - Counter(out) + Counter(new) == Counter(after)
    assert not set(out) & set(new)


def test_thick_plates_lie_outside() -> None:
    assert stacked([50, 500, 100, 300]) == [500, 100, 50, 300]


def test_an_empty_drawer_and_no_pack_leave_only_the_empty_pack() -> None:
    assert reachable({}, [], 6).sums.tolist() == [0]
