"""The drawings of a fit by heat: the temperature's rule, and the log below it on the same scale."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import datetime

from bornek.core.facts.heat_read import HOW_WORDS, HeatRead
from bornek.core.fits.heat_scenes import rule
from bornek.core.fits.hot_fit import HotFit, Moment
from bornek.core.fits.sums import temperature_words
from bornek.core.scenes import Band, LogRow, Needle, Readout, RoundLog

WORDS = {
    "hot": ("in", "drops on"),
    "late": ("out_low", "too cold"),
    "holding": ("in", "home"),
    "cooling": ("in", "home"),
}


def rule_of(fit: HotFit) -> Readout:
    """The rule with the hub's temperature on it."""
    return rule(
        fit.plan,
        fit.room_c,
        _needle(fit.hub_c),
        WORDS.get(fit.state, ("not_read", "not read")),
        fit.hub_c or 0.0,
    )


def _needle(t_c: float | None) -> Needle | None:
    if t_c is None:
        return None
    return Needle(t_c, 0.0, temperature_words(t_c), "in air, taken low", "")


def log_of(fit: HotFit, moments: Sequence[Moment], now: datetime, rule: Readout) -> RoundLog:
    """What was read, what it is now, when it drags and when it grips, downward in time."""
    rows = []
    reads = [m for m in moments if isinstance(m.body, HeatRead) and m.body.member == "hub"]
    for n, m in enumerate(reads):
        body = m.body
        assert isinstance(body, HeatRead)
        name = "out" if n == 0 else "read again"
        rows.append(LogRow(f"{m.at:%H:%M:%S}", name, _needle(body.t_c), None, remark=HOW_WORDS[body.how]))
    if fit.hub_c is not None and fit.state in ("hot", "late"):
        rows.append(LogRow(f"{now:%H:%M:%S}", "now", _needle(fit.hub_c), None))
    for moment, name, at in (
        (fit.ends, "drags on", fit.plan.home_c),
        (fit.grips, "grips, in air", fit.plan.grips_c),
    ):
        if moment is not None and fit.state == "hot" and moment > now:
            band = Band(at - 4, at + 4, temperature_words(at), at)
            rows.append(LogRow(f"{moment:%H:%M:%S}", name, None, band))
    return RoundLog(rule.lo, rule.hi, tuple(rows), rule.window, None, "Temperature at the bore")
