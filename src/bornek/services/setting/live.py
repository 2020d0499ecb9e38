"""What the gauges at a setting's stations show now, and what may be taken of it."""

from __future__ import annotations

import hashlib
from collections.abc import Mapping, Sequence
from datetime import date
from typing import Any

import numpy as np
from sqlalchemy.orm import Session

from bornek.core.errors import InputError
from bornek.core.gauge_line import PEDAL, in_core_units
from bornek.core.gauges import Gauge
from bornek.core.plain import dump
from bornek.core.quantities import unit_said
from bornek.core.settings.kind import Slot, speech
from bornek.core.trace.seen import each_line, look
from bornek.core.trace.taken import HOW_WORDS, Taken
from bornek.core.trace.trace import Trace
from bornek.devices.ears import Ears
from bornek.devices.listener import Listener
from bornek.services.setting.gauge_lines import line_of
from bornek.services.setting.live_news import New, Station, news_of, read_stations
from bornek.services.setting.live_view import Fill, LiveGauge, LiveTake, LiveView
from bornek.services.setting.load_setting import LoadedSetting, load_setting
from bornek.services.setting.say_gauge import say_gauge

SHOWN_S = 10.0
"""So much of the trace is drawn."""


def view_live(
    session: Session, ears: Ears, setting_id: str, stations: Sequence[str], today: date
) -> dict[str, Any]:
    """Opens the gauges that are named, where they talk and are not open yet."""
    loaded = load_setting(session, setting_id, today)
    shown = [_live(session, ears, loaded, station) for station in read_stations(stations)]
    view: dict[str, Any] = dump(LiveView([x for x in shown if x is not None]))
    return view


def _live(session: Session, ears: Ears, loaded: LoadedSetting, station: Station) -> LiveGauge | None:
    slots = {s.key: s for s in loaded.reckoning.guide.slots}
    slot, gauge = slots.get(station.slot), loaded.ctx.gauges.get(station.gauge)
    line = line_of(session, station.gauge)
    if slot is None or gauge is None or line is None or not slot.motion:
        return None
    listener = ears.listen(gauge.id, line)
    heard = listener.heard()
    said = unit_said(heard.unit, gauge.quantity)
    says = say_gauge(gauge, heard, said, ears.meant_unit(heard.session, heard.unit))
    trace = in_card_unit(heard.trace, gauge, says.factor)
    seen = each_line(trace) if line.way == PEDAL else look(slot.motion, trace, step_of(gauge), heard.pressed)
    news = news_of(seen, station, heard, says.words if says.asks else "")
    last = float(trace.v[-1]) if len(trace) and not says.mute else None
    pulled = slot.motion == "pry" and seen.seat is not None and last is not None
    shown = abs(last - (seen.seat or 0.0)) if pulled and last is not None else last
    wave = trace.cut(int((trace.t < heard.now - SHOWN_S).sum()), len(trace)).points(100)
    lo, hi = _span(wave, step_of(gauge))
    words = says.words or seen.words
    return LiveGauge(
        gauge=gauge.id,
        name=gauge.name,
        slot=slot.key,
        session=heard.session,
        number=heard.number,
        presses=heard.presses,
        says=says.with_words(words),
        shown="" if shown is None else text_of(shown, gauge),
        at=_on_readout(loaded, slot, gauge, shown) if pulled else None,
        wave=list(wave),
        lo=lo,
        hi=hi,
        motion=slot.motion,
        takes=[_take(listener, trace, slots, slot, gauge, new) for new in news.takes],
        refused=list(news.refused),
    )


def step_of(gauge: Gauge) -> float:
    """What it shows apart, in its own unit."""
    return gauge.division * gauge.interpolation


def text_of(value: float, gauge: Gauge) -> str:
    """A value in the gauge's unit, to what it shows apart.

    >>> text_of(0.14496, Gauge("g", "dial"))
    '0.145'
    """
    places = max(0, int(np.ceil(-np.log10(step_of(gauge)) - 1e-9)))
    text = f"{value:.{places}f}"
    return text.removeprefix("-") if float(text) == 0 else text


def in_card_unit(trace: Trace, gauge: Gauge, factor: float) -> Trace:
    """Where the gauge sends another unit than its card says, and somebody said that it is so."""
    return trace if factor == 1.0 else Trace(trace.t, trace.v * factor, trace.first)


def _on_readout(loaded: LoadedSetting, slot: Slot, gauge: Gauge, shown: float | None) -> float | None:
    if shown is None or slot.quantity != "length":
        return None
    return round(in_core_units(shown, gauge.unit, gauge.quantity) * speech(loaded.ctx).per_mm, 6)


def _span(wave: Sequence[float], step: float) -> tuple[float, float]:
    """What the trace is drawn between: never less than twenty steps, so that noise stays small."""
    if not wave:
        return 0.0, 20 * step
    lo, hi = min(wave), max(wave)
    room = max((20 * step - (hi - lo)) / 2, 0.1 * (hi - lo))
    return round(lo - room, 6), round(hi + room, 6)


def _take(
    listener: Listener, trace: Trace, slots: Mapping[str, Slot], slot: Slot, gauge: Gauge, new: New
) -> LiveTake:
    found = new.taken
    ends = _ends(slots, slot, found)
    made = {"figures": found.figures(trace), "texts": {one.key: text_of(value, gauge) for one, value in ends}}
    what, mark, near = new.told_by
    key, kept = listener.keep_once(f"{listener.session}.{slot.key}.{what}", mark, made, near)
    texts = kept["texts"]
    words = f"{HOW_WORDS[found.how]}: {', '.join(texts.values())} {gauge.unit}"
    if found.angle is not None:
        words += f", high spot {found.angle:.0f}° after the zero"
    fills = [Fill(_id_of(key, one), one, text) for one, text in texts.items()]
    return LiveTake(key, found.last, new.press, words, fills)


def _ends(slots: Mapping[str, Slot], slot: Slot, found: Taken) -> list[tuple[Slot, float]]:
    """The stations that a take fills: a turn fills both ends of it."""
    if found.how != "turn":
        return [(slot, found.value)]
    value = {"greatest": found.high, "smallest": found.low}
    return [(s, value[s.of_turn]) for s in slots.values() if s.of_turn and s.group == slot.group]


def _id_of(key: str, slot: str) -> str:
    return hashlib.sha256(f"{key}~{slot}".encode()).hexdigest()[:32]


def figures_of(ears: Ears, gauge_id: str, take_id: str, slot: str) -> tuple[str, dict[str, Any]]:
    """The text and the figures of something taken at a station; InputError where it is gone."""
    kept = ears.held(gauge_id, take_id)
    if kept is None or slot not in kept["texts"]:
        raise InputError(
            "What the gauge showed is not held any more: it was closed since.",
            field="taken",
            next_step="Pull and read again, or type the reading.",
        )
    return kept["texts"][slot], kept["figures"]
