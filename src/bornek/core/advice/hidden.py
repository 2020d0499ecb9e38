"""A value that no indicator can show: below zero play the needle stands still, so the preload is reckoned from
the plays that were measured, what the shims took away since, and the rolling drag where it was read."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.advice.belief import UM, Belief, Prior, learn, learn_at_most, learn_drag, start
from bornek.core.windows import AtMost, Normal


@dataclass(frozen=True)
class Seen:
    """One round: the pack's travel since the first [µm], what the indicator said, and the drag that was read
    [nominal µm of preload]."""

    x: float
    value: Normal | AtMost
    drag: float | None = None


def hidden_value(ways: Sequence[Prior], rounds: Sequence[Seen], noise_um2: float) -> tuple[Normal, Belief]:
    """The value in the last round [mm] with its standard uncertainty: the play's, the response's spread and
    the scatter of seating. `ways`: how the response may be; `noise_um2` variance of one round's mean.

    >>> from bornek.core.advice.belief import declared
    >>> rounds = [Seen(0.0, Normal(0.24, 0.003)), Seen(-300.0, AtMost(0.005))]
    >>> value, _ = hidden_value(declared([1.0], 0.05), rounds, 4.0)
    >>> -0.07 < value.v < -0.05, value.u > 0.015
    (True, True)
    """
    b = start([], 0.0, priors=ways, drag=any(r.drag for r in rounds))
    plays = [r.value.v * UM for r in rounds if isinstance(r.value, Normal)]
    from_um = plays[0] if plays else 0.0
    for r in rounds:
        if isinstance(r.value, Normal):
            b = learn(b, [r.x], r.value.v * UM - from_um, max((r.value.u * UM) ** 2, noise_um2))
        elif r.drag:
            b = learn_drag(b, [r.x], r.drag, from_um)
        elif not plays:  # beside a play that was measured, a needle that stood still says next to nothing
            b = learn_at_most(b, [r.x], r.value.c * UM, noise_um2)
    y, u = b.between_95([rounds[-1].x])
    return Normal((y + from_um) / UM, u / UM), b
