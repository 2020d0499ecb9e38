"""Patterns: however their questions are answered, what is begun holds together, is drawn without a clash and can be saved
once its settings are answered."""

from itertools import combinations, product
from typing import Any

import pytest

from bornek.core.errors import InputError, NotFound
from bornek.core.patterns.pattern import begin, patterns
from bornek.core.section.draw_section import section_of
from bornek.core.section.laid import lay_out
from bornek.core.train.positions import Train
from bornek.core.units.checks import LEAVES, definition_problems
from bornek.core.units.definition import read_definition
from bornek.core.units.references import rows_of

ASKED = (
    "right-angle-drive", "parallel-drive", "planetary-hub", "spindle", "vertical-motor", "worm-box",
    "constant-mesh-gearbox", "two-sided-final-drive", "pump", "plain-shaft",
)  # fmt: skip
WAYS = [
    (p.key, dict(zip((q.key for q in p.questions), chosen, strict=True)))
    for p in patterns()
    for chosen in product(*([o.key for o in q.options] for q in p.questions))
]


def test_every_machine_that_is_asked_for_has_a_pattern() -> None:
    assert set(ASKED) <= {p.key for p in patterns()}
    assert all(2 <= len(p.questions) <= 4 for p in patterns())
    assert len({p.order for p in patterns()}) == len(patterns())


@pytest.mark.parametrize(("key", "answers"), WAYS)
def test_however_it_is_answered_it_holds_together_and_is_drawn(key: str, answers: dict[str, str]) -> None:
    d = read_definition(begin(key, answers))
    wrong = definition_problems(d)
    assert {k: v for k, v in wrong.items() if not k.startswith("settings")} == {}
    assert all("it still wants" in why for why in wrong.values()), wrong
    laid = lay_out(d)
    assert laid is not None
    assert laid.clashes == ()
    section = section_of(laid, key)
    drawn = {s.part for s in section.shapes}
    assert {
        p.key for p in d.parts if p.shaft and p.about.shape not in ("none", "cage", "shaft")
    } - drawn == set()
    boxes = [(f.x, f.y, f.x + f.w, f.y + f.h) for f in section.flags]
    boxes += [(x.x, x.y, x.x + x.w, x.y + x.h) for x in section.labels]
    assert not any(
        a[0] < b[2] and b[0] < a[2] and a[1] < b[3] and b[1] < a[3] for a, b in combinations(boxes, 2)
    )
    assert d.cautions


def test_an_option_names_rows_that_there_are_and_questions_have_names_of_their_own() -> None:
    for p in patterns():
        keys = {row["key"] for leaf in LEAVES for row in rows_of(p.definition, leaf)}
        for q in p.questions:
            for o in q.options:
                assert set(o.without) <= keys, (p.key, q.key, o.key)
                assert set(o.change) - {""} <= keys, (p.key, q.key, o.key)
        assert len({q.key for q in p.questions}) == len(p.questions)


def test_an_answer_or_a_pattern_that_there_is_not_is_refused_in_words() -> None:
    with pytest.raises(InputError, match="Which bearings") as refused:
        begin("plain-shaft", {"bearings": "wood"})
    assert "tapered rollers" in refused.value.next_step
    with pytest.raises(NotFound):
        begin("time-machine", {})


def ratio(key: str, out: str, **answers: str) -> float:
    train = Train(read_definition(begin(key, answers)))
    return 1 / (train.driving[0].turns(out) or 0.0)


@pytest.mark.parametrize(
    ("key", "out", "answers", "by_hand"),
    [
        ("planetary-hub", "hub", {}, 1 + 72 / 24),
        ("planetary-hub", "hub", {"stages": "two"}, (1 + 72 / 18) * (1 + 72 / 24)),
        ("planetary-drive", "output", {}, (1 + 72 / 18) * (1 + 72 / 24)),
        ("parallel-drive", "output", {"stages": "one"}, -66 / 19),
        ("parallel-drive", "output", {"stages": "two"}, (57 / 19) * (66 / 18)),
        ("parallel-drive", "output", {"stages": "three"}, -(57 / 19) * (63 / 18) * (66 / 17)),
    ],
)
def test_ratios_by_hand(key: str, out: str, answers: dict[str, Any], by_hand: float) -> None:
    assert ratio(key, out, **answers) == pytest.approx(by_hand, rel=1e-9)
