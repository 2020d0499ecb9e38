"""What if: the places of both adjusters, what each pair would bring, and the picture of any of them."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from typing import Any

import numpy as np
from sqlalchemy.orm import Session

from bornek.core import draw
from bornek.core.advice.history import History, Row
from bornek.core.advice.promise import expect
from bornek.core.advice.proposal import Candidate, Proposal
from bornek.core.advice.propose import propose
from bornek.core.advice.what_if import Reach, expected_at, pairs_of, reach_of
from bornek.core.draw_packs import packs
from bornek.core.errors import InputError
from bornek.core.options import describe_option
from bornek.core.phrases import Span, in_100, lower_first
from bornek.core.plain import dump
from bornek.core.quantities import Speech, shown_in
from bornek.core.scenes import Flank, Pack, Readout, Tick
from bornek.core.settings.kind import speech
from bornek.core.settings.knobs import Knob
from bornek.core.settings.state import StateView, show_state
from bornek.services.setting.load_setting import LoadedSetting, load_setting
from bornek.services.setting.read_states import read_states

PICTURES = 15
"""Pictures made ahead along each adjuster: between them the page blends."""
FINE = 1000


@dataclass(frozen=True)
class StandView:
    """One place that an adjuster can be brought to: how many shims that handles."""

    at: float
    label: str
    handled: int
    state: StateView


@dataclass(frozen=True)
class SliderView:
    key: str
    title: str
    lo: float
    hi: float
    ticks: list[Tick]
    places: list[StandView]
    now: int
    best: int
    pictures: list[float]
    """Where along it pictures are made ahead."""


@dataclass(frozen=True)
class WhatIfView:
    """`lands`, `odds` [%] and `lash` [as the job says it] of every pair, by the places of the first and the second."""

    version: int
    unit: str
    sliders: list[SliderView]
    lands: list[str]
    odds: list[list[int]]
    lash: list[list[str]]
    lash_mm: list[list[float]]
    readout: Readout | None
    flanks: list[Flank]
    spiral_words: str
    because: str


@dataclass(frozen=True)
class PictureView:
    """Rings made ahead, as x, y in thousandths one after the other; by place of the second adjuster, by flank."""

    rings: list[list[list[int]]]


@dataclass(frozen=True)
class TriedView:
    """A pair of packs: what to do, what it brings, drawn in full."""

    say: list[Span]
    expect: str
    odds: str
    flanks: list[Flank]
    loaded: list[Flank]
    readout: Readout | None
    packs: list[Pack]
    alone: list[str]
    states: dict[str, StateView]


def view_what_if(session: Session, setting_id: str, today: date) -> dict[str, Any]:
    loaded, history = _open(session, setting_id, today)
    proposal = propose(history, loaded.ctx, loaded.reckoning.now.verdict)
    aimed = proposal.best.states if proposal.best else {}
    reaches = reach_of(history, loaded.ctx, aimed)
    pairs, say = pairs_of(history, reaches), speech(loaded.ctx)
    lash = pairs.values[history.rows[0].key]
    view = WhatIfView(
        version=loaded.version,
        unit=say.unit,
        sliders=[_slider(r, aimed, say) for r in reaches],
        lands=["".join("1" if v else "0" for v in row) for row in pairs.lands],
        odds=[[in_100(float(p)) for p in row] for row in pairs.odds],
        lash=[[say.number(float(v)) for v in row] for row in lash],
        lash_mm=[[round(float(v), 4) for v in row] for row in lash],
        readout=_readout(history, None, say),
        flanks=_flanks(loaded),
        spiral_words=_lengthwise(history),
        because=loaded.kind.because(loaded.ctx, loaded.reckoning.now),
    )
    found: dict[str, Any] = dump(view)
    return found


def view_pictures(session: Session, setting_id: str, row: int, today: date) -> dict[str, Any]:
    """The pictures of one place of the first adjuster: short enough to keep nobody waiting."""
    loaded, history = _open(session, setting_id, today)
    proposal = propose(history, loaded.ctx, loaded.reckoning.now.verdict)
    first, second = reach_of(history, loaded.ctx, proposal.best.states if proposal.best else {})
    ahead = _ahead(first)
    if not 0 <= row < len(ahead):
        raise InputError(
            f"Pictures are made ahead for rows 0 to {len(ahead) - 1}.",
            field="row",
            next_step="Ask for one of them.",
        )
    rings = []
    for at in _ahead(second):
        moved = _scenes_at(loaded, history, (ahead[row], at))
        rings.append([_thousandths(f) for f in moved])
    found: dict[str, Any] = dump(PictureView(rings))
    return found


def try_packs(session: Session, setting_id: str, sent: dict[str, Any], today: date) -> dict[str, Any]:
    """sent: states by adjuster. The exact picture of them, at no load and at work."""
    loaded, history = _open(session, setting_id, today)
    assert history.last.states is not None
    states = {**history.last.states, **read_states(loaded, sent["states"])}
    say = speech(loaded.ctx)
    candidate = expect(history, states)
    option = describe_option(history, candidate, say, None)
    trial = Proposal(candidate)
    by = history.steps(states)
    bare = [f for f in loaded.reckoning.now.scenes if isinstance(f, Flank)]
    seen = [loaded.kind.after_move(loaded.ctx, f, candidate.predicted, by) for f in bare]
    loads = [loaded.kind.under_load(loaded.ctx, f, by) for f in bare]
    drawers = {k.key: loaded.ctx.drawer(k.places[0]) for k in history.knobs}
    view = TriedView(
        say=list(option.say),
        expect=option.expect,
        odds=f"{option.why}.",
        flanks=[f for f in seen if isinstance(f, Flank)],
        loaded=[f for f in loads if isinstance(f, Flank)],
        readout=_readout(history, trial, say),
        packs=packs(history, trial, drawers, say),
        alone=[*_alone(history, candidate, say), *_lacking(loaded)],
        states={key: show_state(state, say) for key, state in states.items()},
    )
    found: dict[str, Any] = dump(view)
    return found


def _open(session: Session, setting_id: str, today: date) -> tuple[LoadedSetting, History]:
    loaded = load_setting(session, setting_id, today)
    history = loaded.reckoning.history
    if not loaded.kind.what_if or history is None or len(history.knobs) != 2:
        raise InputError(
            "Nothing is shown ahead for this setting.", field="setting", next_step="Go by its next move."
        )
    if history.last.states is None or any(r.key not in history.last.values for r in history.rows):
        raise InputError(
            "Nothing can be shown ahead before the packs are entered and this round is read.",
            field="states",
            next_step="Enter what is in, read the backlash and paint the drive side first.",
        )
    return loaded, history


def _ahead(r: Reach) -> list[float]:
    n = min(PICTURES, len(r.at)) if len(r.at) > 1 else 1
    return [round(float(v), 6) for v in np.linspace(r.at[0], r.at[-1], n)]


def _slider(r: Reach, aimed: Any, say: Speech) -> SliderView:
    then = aimed[r.knob.key].position if r.knob.key in aimed else float(r.at[r.now])
    pad = max(0.02, 0.04 * float(r.at[-1] - r.at[0]))
    lo, hi = float(r.at[0]) - pad, float(r.at[-1]) + pad
    return SliderView(
        key=r.knob.key,
        title=_title(r.knob),
        lo=round(lo, 6),
        hi=round(hi, 6),
        ticks=[t for t in draw.rule_ticks(lo, hi, say.per_mm) if t.label],
        places=[
            StandView(round(float(at), 6), say.size(float(at)), int(n), show_state(r.state(i), say))
            for i, (at, n) in enumerate(zip(r.at, r.handled, strict=True))
        ],
        now=r.now,
        best=int(np.argmin(np.abs(r.at - then))),
        pictures=_ahead(r),
    )


def _title(knob: Knob) -> str:
    """A pair of packs is told by its left one."""
    name = knob.title or knob.label
    return f"{name}, left pack" if knob.domain.sort == "pair" else f"{name} pack"


def _readout(history: History, trial: Proposal | None, say: Speech) -> Readout | None:
    result = history.last.outcome.result(history.rows[0].key)
    return None if result is None else draw.readout(result, history, trial, say)


def _flanks(loaded: LoadedSetting) -> list[Flank]:
    return [f for f in loaded.reckoning.now.scenes if isinstance(f, Flank)]


def _scenes_at(loaded: LoadedSetting, history: History, at: tuple[float, float]) -> list[Flank]:
    now = [s.position for s in (history.last.states or {}).values()]
    by = {k.key: a - n for k, a, n in zip(history.knobs, at, now, strict=True)}
    predicted = expected_at(history, at)
    moved = [loaded.kind.after_move(loaded.ctx, f, predicted, by) for f in _flanks(loaded)]
    return [f for f in moved if isinstance(f, Flank)]


def _thousandths(f: Flank) -> list[int]:
    ring = next((p.outline for p in f.patches if p.role == "predicted"), ())
    return [round(FINE * v) for point in ring for v in point]


def _alone(history: History, candidate: Candidate, say: Speech) -> list[str]:
    """What either adjuster would bring by itself: what would still be out."""
    now = history.last.states
    assert now is not None
    words = []
    for knob in history.knobs:
        if candidate.states[knob.key] == now[knob.key]:
            continue
        alone = expect(history, {**now, knob.key: candidate.states[knob.key]})
        out = [
            f"{_said(row, p.v, say)}, out {'low' if p.v < row.window.low else 'high'}"
            for row in history.rows
            if (p := alone.predicted[row.key]) and not row.window.holds(p.v)
        ]
        name = (knob.title or knob.label).lower()
        words.append(f"If only the {name} moves: {'; '.join(out) or 'all in'}.")
    return words


def _lacking(loaded: LoadedSetting) -> list[str]:
    """The shim that the drawer lacks and that would do most, as the advice has it."""
    move = loaded.sheet.move
    return [move.missing] if move is not None and move.missing else []


def _said(row: Row, v: float, say: Speech) -> str:
    label = lower_first(row.label)
    if row.quantity == "length":
        return f"{label} {say.number(v)}"
    own = shown_in(row.quantity, row.unit)
    return f"{label} {own.number(v)} {own.unit}".strip()


def _lengthwise(history: History) -> str:
    """How sure the lengthwise answer is, where its sign is open."""
    row = next((r for r in history.rows if r.key.startswith("x_")), None)
    if row is None or max(row.rho) < 1:
        return ""
    sd = max(row.belief.response(k)[1] for k in range(len(history.knobs))) * FINE / row.per
    return f"lengthwise ± {round(100 * 2 * sd * 0.1)} % for 0.1 mm, spiral"
