"""One setting thought through: each round evaluated once, whoever asks."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from functools import cached_property

from bornek.core.advice.history import History
from bornek.core.advice.replay import replay
from bornek.core.settings.kind import Guide, Outcome, Setting
from bornek.core.settings.knobs import Knob, with_miked
from bornek.core.settings.records import Context
from bornek.core.settings.watch import guide_of, outcome_of


class Reckoning:
    """A kind over one log. Nothing is evaluated before it is asked for, and nothing twice.

    `known` are outcomes of rounds that are as they were.
    """

    def __init__(self, kind: Setting, ctx: Context, known: Mapping[int, Outcome] | None = None) -> None:
        self.kind, self.ctx = kind, ctx
        self._outcomes: dict[int, Outcome] = dict(known or {})

    def before(self, number: int) -> dict[int, Outcome]:
        """Outcomes of the rounds before one: a round is evaluated from what was written up to it, so nothing
        that comes in a later one changes them."""
        return {n: outcome for n, outcome in self._outcomes.items() if n < number}

    def outcome(self, number: int) -> Outcome:
        """What the kind makes of a round."""
        if number not in self._outcomes:
            self._outcomes[number] = outcome_of(self.kind, self.ctx.at(number))
        return self._outcomes[number]

    @property
    def now(self) -> Outcome:
        return self.outcome(self.ctx.round)

    @cached_property
    def guide(self) -> Guide:
        return guide_of(self.kind, self.ctx)

    @cached_property
    def knobs(self) -> Sequence[Knob]:
        return with_miked(self.kind.knobs(self.ctx), self.ctx.miked)

    @cached_property
    def history(self) -> History | None:
        return replay(self.kind, self.ctx, self.outcome)
