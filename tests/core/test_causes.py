"""Causes of failure: cases as they come to the bench, with what can and what cannot be told apart."""

import pytest

from bornek.core.errors import InputError
from bornek.core.parts.causes import Cause, Diagnosis, Seen, _rank, all_causes, all_evidence, diagnose


def case(*seen: str, absent: tuple[str, ...] = ()) -> Diagnosis:
    looked: dict[str, Seen] = dict.fromkeys(seen, "seen")
    return diagnose(looked | dict.fromkeys(absent, "absent"))


CASES: list[tuple[str, Diagnosis, tuple[str, ...]]] = [
    ("blue rollers, burnt oil, a blocked screen", case("heat_blue", "varnish", "oil_blocked"), ("starved",)),
    ("deep path all round both races, no play when found", case("path_all_round", "set_tight", "heat_straw"), ("tight",)),
    ("blue rollers and burnt oil: two signs more than of any other", case("heat_blue", "varnish"), ("starved",)),
    ("heat and a welded race, nothing else looked at", case("heat_blue", "welded"), ("starved", "tight")),
    ("dents everywhere, grit in the oil, a torn seal", case("dents", "grit", "seal_torn"), ("dirt",)),
    ("skewed path and teeth worn at one end", case("path_skewed", "teeth_one_end"), ("misaligned",)),
    ("neighbouring teeth gone after a jam", case("teeth_cluster", "shock_known"), ("overload",)),
    ("spalls in the load zone after long hours", case("spall_load", "long_hours"), ("fatigue",)),
    ("a spun ring on a seat measured loose", case("spun", "fretting", "seat_loose"), ("loose_seat",)),
    ("washboard after welding on the machine", case("fluting", "current"), ("electrical",)),
    ("rusty hollows, the machine came by rail", case("false_brinell", "stood_still", "fretting"), ("standstill",)),
    ("milky oil, etched rest lines", case("water", "rust"), ("water",)),
    ("chisel marks and a bent cage", case("hammer", "cage_bent"), ("fitting",)),
    ("narrow path, play found far too large", case("path_narrow", "set_loose", "cage_worn"), ("loose_set",)),
]  # fmt: skip


@pytest.mark.parametrize(("what", "found", "leading"), CASES, ids=[c[0] for c in CASES])
def test_the_case(what: str, found: Diagnosis, leading: tuple[str, ...]) -> None:
    assert set(found.leading) == set(leading), found.ranked


def test_two_causes_that_fit_as_well_are_not_told_apart_and_it_says_what_would() -> None:
    found = case("heat_blue", "welded")
    assert found.words == "Cannot tell apart: starved of oil and set too tight."
    speaks = {w.split(":")[0]: w.split("would speak for ")[1] for w in found.tell_apart}
    assert speaks == {
        "Dry, varnished or burnt oil": "starved of oil",
        "Oil hole, pipe or screen blocked": "starved of oil",
        "Oil level found low": "starved of oil",
        "Load path short and narrow": "starved of oil",
        "Load path deep and all round both races": "set too tight",
        "Setting found too tight": "set too tight",
    }


def test_looking_for_the_missing_evidence_tells_them_apart() -> None:
    assert case("heat_blue", "welded", absent=("path_all_round",)).leading == ("starved",)
    assert set(case("heat_blue", "welded", "path_all_round").leading) == {"tight", "starved"}
    assert case("heat_blue", "welded", "path_all_round", "set_tight").leading == ("tight",)


def test_one_weak_sign_is_too_little_to_name_a_cause() -> None:
    found = case("smeared")
    assert found.leading == ()
    assert found.words.startswith("Cannot tell yet: what was seen fits")


def test_nothing_seen_names_nothing() -> None:
    assert case().words == "No cause can be named: nothing seen speaks for one."
    assert case(absent=("grit", "water")).leading == ()


def test_evidence_against_is_shown_beside_evidence_for() -> None:
    ranked = {r.key: r for r in case("spall_load", "long_hours", "heat_blue").ranked}
    assert ranked["fatigue"].against == ("Blue heat colour",)
    assert ranked["starved"].against == ("Long hours, load as rated",)


@pytest.mark.parametrize("cause", all_causes(), ids=lambda c: c.key)
def test_what_is_missed_counts_half_of_what_rules_it_out(cause: Cause) -> None:
    labels = {e.key: e.label for e in all_evidence()}

    def score(key: str, seen: Seen) -> int:
        return _rank(cause, {key: seen}, labels).score

    telling = {key for key, weight in cause.speaks.items() if weight >= 2}
    assert {score(key, "absent") for key in telling - cause.needs} <= {-1}
    assert {score(key, "absent") for key in cause.needs} <= {-2}
    assert {score(key, "seen") for key in cause.against} <= {-2}
    assert {score(key, "absent") for key in cause.speaks.keys() - telling - cause.needs} <= {0}
    assert all(score(key, "seen") == weight for key, weight in cause.speaks.items())


def test_a_spun_ring_may_be_the_consequence_of_another_cause() -> None:
    found = case("spun", "fretting", "heat_blue", "varnish")
    assert {r.key: r for r in found.ranked}["loose_seat"].follows == ("Starved of oil", "Set too tight")


def test_the_book_holds_together() -> None:
    keys = {e.key for e in all_evidence()}
    for cause in all_causes():
        assert set(cause.speaks) | cause.against | cause.needs <= keys, cause.key
        assert max(cause.speaks.values()) == 2
    spoken_for = {k for c in all_causes() for k in c.speaks}
    assert keys == spoken_for, keys - spoken_for


def test_no_percentage_is_ever_said() -> None:
    for _, found, _ in CASES:
        said = " ".join(
            (found.words, *found.tell_apart, *(w for r in found.ranked for w in (*r.fors, *r.against)))
        )
        assert "%" not in said


def test_unknown_evidence_is_refused() -> None:
    with pytest.raises(InputError, match="No evidence"):
        case("ghosts")
