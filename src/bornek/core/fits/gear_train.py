"""A gear train by hand: pairs in their order from input to output, a planet set among them."""

from __future__ import annotations

import re
from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.errors import InputError
from bornek.core.fits.sums import MAKERS, FitSum, line
from bornek.core.phrases import Say, Span
from bornek.core.settings.kind import Field, Outcome, Result
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.train.counted import ratio_words, turns_words
from bornek.core.train.solve import Row, held, pair, planets, solve
from bornek.core.windows import Normal
from bornek.core.working import Line, Working

PAIR = re.compile(r"^(\d+)\s*[/: ]\s*(\d+)\s*(same|inside)?$")
PLANETS = re.compile(r"^sun\s+(\d+)\s+ring\s+(\d+)\s+(ring|sun|carrier)\s+held\s+from\s+(sun|ring|carrier)$")
MEMBERS = ("sun", "ring", "carrier")
MOST_STEPS = 20
HOW = "a line is 23/41, or 23/41 same, or: sun 24 ring 72 ring held from sun"


def train_rows(lines: Sequence[str]) -> list[Row]:
    """One row or two for each line, from shaft 0 on: `23/41` a pair, `23/41 same` one that turns the same way (from
    inside), `sun 24 ring 72 ring held from sun` a planet set driven at its sun, out at what is left.

    Raises InputError that names the line.

    >>> solve(train_rows(["23/41", "21/43"]), "0").speeds["2"] == solve(train_rows(["483/1763 same"]), "0").speeds["1"]
    True
    >>> solve(train_rows(["sun 24 ring 72 ring held from sun"]), "0").speeds["1"]
    0.25
    """
    if not 0 < len(lines) <= MOST_STEPS:
        raise InputError(
            f"A train has 1 to {MOST_STEPS} lines (got {len(lines)}).", field="pairs", next_step=HOW
        )
    rows: list[Row] = []
    for n, text in enumerate(lines):
        words = " ".join(text.lower().split())
        if found := PAIR.match(words):
            sign = -1 if found[3] else 1
            rows.append(pair(str(n), int(found[1]), str(n + 1), int(found[2]), sign))
        elif (found := PLANETS.match(words)) and found[3] != found[4]:
            rows += _planet_rows(n, int(found[1]), int(found[2]), found[3], found[4])
        else:
            raise InputError(
                f"Line {n + 1} of the train: {text[:60]!r} is no pair.", field="pairs", next_step=HOW
            )
    return rows


def _planet_rows(n: int, sun: int, ring: int, stands: str, driven: str) -> list[Row]:
    out = next(m for m in MEMBERS if m not in (stands, driven))
    names = {driven: str(n), out: str(n + 1), stands: f"{n} {stands}"}
    return [planets(names["sun"], sun, names["ring"], ring, names["carrier"]), held(names[stands])]


@register
class GearTrainSum(FitSum):
    id = "fit_train"
    title = "Gear train, ratio and direction"
    group = "Gears"
    cautions = ("Turn by hand only, fingers off the gears.", MAKERS)

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return [
            Field("pairs", "Pairs from input to output, a line each", "lines", why=f"Driver first; {HOW}."),
            Field(key="turns", label="Turns put in", quantity="number", default=10.0, lo=1, hi=1000),
        ]

    def evaluate(self, ctx: Context) -> Outcome:
        lines = list(ctx.given["pairs"])
        found = solve(train_rows(lines), "0")
        steps = []
        for n, text in enumerate(lines):
            speed = found.speeds[str(n + 1)] or 0.0
            steps.append(line(f"Shaft {n + 2}", text, speed * float(ctx.given["turns"]), "turns", 3))
        out = found.speeds[str(len(lines))] or 0.0
        results = (
            Result(
                key="turns",
                label="Turns out",
                quantity="number",
                value=Normal(out * float(ctx.given["turns"]), 0.0),
                role="info",
                strip=False,
                working=Working((*steps, Line("Ratio", "in : out", ratio_words(out), True))),
            ),
        )
        return self.spoken(ctx, Outcome(results))

    def speak(self, ctx: Context, outcome: Outcome) -> Say:
        found = outcome.result("turns")
        turns = found.value.v if found is not None and isinstance(found.value, Normal) else 0.0
        put = float(ctx.given["turns"])
        way = "the same way" if turns > 0 else "the other way"
        return (
            Span(f"{turns_words(put)} turns in give "),
            Span(turns_words(turns), True),
            Span(f" out, {way}."),
        )

    def head(self, ctx: Context, outcome: Outcome) -> tuple[str, str]:
        found = outcome.result("turns")
        turns = found.value.v if found is not None and isinstance(found.value, Normal) else 0.0
        return ratio_words(turns / float(ctx.given["turns"])), "Each shaft seen from the same end."
