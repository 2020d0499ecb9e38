"""A sum's whole answer: the sentence, every value in words, strips, drawings and working."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from bornek.core import draw
from bornek.core.errors import BornekError
from bornek.core.fits.sums import FitSum, kn, nm, temperature_words
from bornek.core.phrases import Say
from bornek.core.quantities import Speech, decimals, signed
from bornek.core.scenes import Scene
from bornek.core.settings.given import missing_of, read_so_far
from bornek.core.settings.kind import Check, Outcome, Result
from bornek.core.settings.records import Context
from bornek.core.uncertainty import expanded
from bornek.core.windows import Normal


@dataclass(frozen=True)
class Found:
    """One value in words, with its window and verdict where it has them."""

    key: str
    label: str
    words: str
    window: str
    code: str
    verdict: str


@dataclass(frozen=True)
class Answer:
    kind: str
    kind_version: int
    say: Say
    head: str
    aside: str
    found: tuple[Found, ...]
    checks: tuple[Check, ...]
    scenes: tuple[Scene, ...]
    outcome: Outcome


@dataclass(frozen=True)
class Asked:
    """A sum with what was typed so far: `given` as read, `problems` by field, `missing` labels of what is still to be
    said; an answer once nothing is missing and nothing is wrong."""

    given: Mapping[str, Any]
    problems: Mapping[str, str]
    missing: tuple[str, ...]
    answer: Answer | None


def ask(kind: FitSum, typed: Mapping[str, Any], unit: str) -> Asked:
    """The answer to what was typed so far.

    >>> from bornek.core.settings.registry import find_calculation
    >>> kind = find_calculation("fit_extension")
    >>> ask(kind, {"torque": "400"}, "mm").missing
    ('Wrench, drive to hand', 'Extension, drive to nut')
    >>> ask(kind, {"torque": "400", "wrench": "600", "extension": "20 cm"}, "mm").answer.found[0].words
    '300 N·m'
    """
    given, problems = read_so_far(kind, typed, unit)
    missing = missing_of(kind, given)
    lacking = tuple(f.label for f in missing if f.key not in problems)
    if problems or missing:
        return Asked(given, problems, lacking, None)
    try:
        return Asked(given, {}, (), answer(kind, Context(given=given, unit=unit)))
    except BornekError as error:
        field = error.field if error.field in {f.key for f in kind.form(given)} else ""
        return Asked(given, {field or "": f"{error.message} {error.next_step}"}, (), None)


def answer(kind: FitSum, ctx: Context) -> Answer:
    outcome, say = kind.evaluate(ctx), Speech(ctx.unit)
    head, aside = kind.head(ctx, outcome)
    return Answer(
        kind=kind.id,
        kind_version=kind.version,
        say=kind.speak(ctx, outcome),
        head=head,
        aside=aside,
        found=tuple(_found(r, say) for r in outcome.results if r.value is not None),
        checks=outcome.checks,
        scenes=(*_strips(outcome.results, say), *outcome.scenes),
        outcome=outcome,
    )


def _found(r: Result, say: Speech) -> Found:
    window = "" if r.window is None else _window_words(r, say)
    judged = r.verdict if r.window is not None else None
    return Found(
        r.key,
        r.label,
        value_words(r, say),
        window,
        judged.code if judged else "",
        judged.words if judged else "",
    )


def value_words(r: Result, say: Speech) -> str:
    """A value in its quantity's own words, with its give or take where it has one.

    >>> value_words(Result("p", "Pressure", "pressure", Normal(47.58, 0.0)), Speech())
    '47.6 MPa'
    """
    if not isinstance(r.value, Normal):
        return ""
    give = expanded(r.value.u)
    if r.quantity == "length":
        tail = f" ± {say.spread(give)}" if give else ""
        return f"{say.number(r.value.v)}{tail} {say.unit}"
    return f"{_in_words(r.value.v, r.quantity)}{f' ± {_in_words(give, r.quantity)}' if give else ''}"


def _in_words(v: float, quantity: str) -> str:
    if quantity == "force":
        return kn(v)
    if quantity == "torque":
        return nm(v)
    if quantity == "temperature":
        return temperature_words(v)
    if quantity == "pressure":
        return f"{signed(v, 0 if abs(v) >= 100 else 1)} MPa"
    return signed(v, decimals(round(v, 3), 0, 2))


def _window_words(r: Result, say: Speech) -> str:
    w = r.window
    if w is None or r.quantity == "length":
        return f"{w.words(say)} {say.unit}" if w else ""
    if w.lo is None:
        return f"at most {_in_words(w.hi or 0.0, r.quantity)}"
    if w.hi is None:
        return f"at least {_in_words(w.lo, r.quantity)}"
    return f"{_in_words(w.lo, r.quantity)} to {_in_words(w.hi, r.quantity)}"


def _strips(results: Sequence[Result], say: Speech) -> list[Scene]:
    """One strip for each length that is judged."""
    judged = [r for r in results if r.window is not None and r.role == "target" and r.quantity == "length"]
    return [draw.readout(r, None, None, say) for r in judged]
