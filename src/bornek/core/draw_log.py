"""The rounds of a setting drawn downward on the strip's own scale."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace

from bornek.core.advice.history import History, Round, Row
from bornek.core.advice.proposal import Proposal
from bornek.core.draw import LOG_ROWS, landing, needle, plain_needle
from bornek.core.phrases import adjust_all, text_of
from bornek.core.quantities import Speech, shown_in
from bornek.core.scenes import Band, LogRow, Readout, RoundLog
from bornek.core.settings.state import State
from bornek.core.uncertainty import expanded
from bornek.core.windows import Normal


def round_log(history: History, row: Row, shown: Readout, proposal: Proposal | None, say: Speech) -> RoundLog:
    """The rounds downward on the strip's own scale; older ones fold when there are many."""
    rows = [
        _log_row(history.rounds[i - 1] if i else None, r, history, row, say)
        for i, r in enumerate(history.rounds)
    ]
    folded = len(rows) - (LOG_ROWS - 1)
    if folded > 1:
        rows = [LogRow(f"Rounds 1 to {folded}", "folded", None, None), *rows[folded:]]
    if proposal is not None and proposal.best is not None and not proposal.stay:
        states = proposal.best.states
        rows.append(
            LogRow(
                label=f"Round {history.last.number + 1}",
                pack=_state_words(history, states, say),
                found=None,
                predicted=landing(proposal, row.key, say, row.quantity, row.unit),
                move=_move_words(history, history.last.states, states, say),
                remark="expected",
            )
        )
    return RoundLog(shown.lo, shown.hi, tuple(rows), shown.window, shown.aim, row.label)


def _move_words(
    history: History, before: Mapping[str, State] | None, after: Mapping[str, State] | None, say: Speech
) -> str:
    if before is None or after is None:
        return ""
    return text_of(adjust_all(history.knobs, before, after, say, brief=True)).strip().rstrip(".")


def _state_words(history: History, states: Mapping[str, State] | None, say: Speech) -> str:
    if states is None:
        return ""
    nouns = {"pack": "pack", "pair": "packs"}
    return "; ".join(
        f"{nouns.get(k.domain.sort, k.noun)} {states[k.key].label(say)}"
        for k in history.knobs
        if k.key in states
    )


def _log_row(before: Round | None, r: Round, history: History, row: Row, say: Speech) -> LogRow:
    own = shown_in(row.quantity, row.unit)

    def said(v: float) -> str:
        return say.number(v) if row.quantity == "length" else own.number(v)

    found, p = r.values.get(row.key), r.promised.get(row.key)
    predicted, remark = None, ""
    if p is not None:
        predicted = Band(p.v - expanded(p.u), p.v + expanded(p.u), said(p.v), p.v)
        remark = f"expected {said(p.v)}"
        if isinstance(found, Normal):
            gap = found.v - p.v
            remark = f"{said(abs(gap))} {'more' if gap > 0 else 'less'} than expected {said(p.v)}"
    if r.held_out:
        remark += " · held out"
    result = r.outcome.result(row.key)
    value = result.value if result else found
    shown = needle(value, "", say) if row.quantity == "length" else plain_needle(value, own)
    return LogRow(
        label=f"Round {r.number}",
        pack=_state_words(history, r.states, say),
        found=shown,
        predicted=predicted,
        move=_move_words(history, before.states if before else None, r.states, say),
        remark=remark,
        held_out=r.held_out,
    )


def log_on_strip(scene: RoundLog, strips: Sequence[Readout]) -> RoundLog:
    """A kind's own log on the scale of the strip of the same name."""
    strip = next((s for s in strips if s.label == scene.label), None)
    return scene if strip is None else replace(scene, lo=strip.lo, hi=strip.hi, window=strip.window)
