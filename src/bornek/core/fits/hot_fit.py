"""A fit by heat as it stands: how warm, how long until it is home or lost, and what is to be done now."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Literal, cast

from bornek.core.errors import BornekError
from bornek.core.facts.fit_seen import FitSeen
from bornek.core.facts.heat_read import HeatRead
from bornek.core.facts.reckoned import Reckoned
from bornek.core.fits.cooling import PROBE_U_K, Fall, Pair, Reading, fall_of, hub_tau_s, until_mm
from bornek.core.fits.heat_and_cold import HeatAndCold
from bornek.core.fits.heat_plan import Combination
from bornek.core.fits.materials import Material
from bornek.core.fits.sums import temperature_words
from bornek.core.phrases import Say, Span, plain
from bornek.core.settings.given import read_so_far
from bornek.core.settings.records import Context
from bornek.core.settings.registry import find_calculation

State = Literal["planned", "hot", "late", "holding", "cooling", "seated", "wrong", "over"]
COLD_WITHIN_K = 5.0
"""A part this near to the room is cold enough to be measured."""
SMALL_HUB = (1.3, 0.3)
"""Outside and length of a hub as shares of its seat where neither was given: small, so quick to cool."""


@dataclass(frozen=True)
class HotFit:
    """Temperatures [°C] now, by the falls; `ends`: half the entering clearance left, `grips`: none. `cold`: within
    5 K of the room."""

    state: State
    say: Say
    head: str
    aside: str
    plan: Combination
    room_c: float
    hub_c: float | None = None
    shaft_c: float | None = None
    ends: datetime | None = None
    grips: datetime | None = None
    cold: datetime | None = None
    learned: bool = False
    wants_shaft: bool = False


@dataclass(frozen=True)
class Moment:
    """A fact's body with when it was written, by the yard's clock."""

    at: datetime
    body: HeatRead | FitSeen


@dataclass(frozen=True)
class Falls:
    """Hub and shaft on their way to the room's temperature, seconds from `zero`."""

    zero: datetime
    hub: Fall | None
    shaft: Fall | None

    def s(self, moment: datetime) -> float:
        return (moment - self.zero).total_seconds()

    def when(self, s: float | None) -> datetime | None:
        return None if s is None else self.zero + timedelta(seconds=s)


def hot_fit(body: Reckoned, moments: Sequence[Moment], now: datetime) -> HotFit | None:
    """None where what was given cannot be read any more."""
    kind = cast(HeatAndCold, find_calculation("fit_heat"))
    given, problems = read_so_far(kind, body.given, body.unit)
    if problems or "interference" not in given or "d" not in given:
        return None
    ctx = Context(given=given, unit=body.unit)
    try:
        plan, pair, entering = kind.chosen(ctx), kind.pair(ctx), kind.entering(ctx)
    except BornekError:
        return None
    seen = [m for m in moments if isinstance(m.body, FitSeen)]
    reads = [m for m in moments if isinstance(m.body, HeatRead)]
    begun = max(
        (m.at for m in seen if isinstance(m.body, FitSeen) and m.body.what in ("short", "gap")), default=None
    )
    fresh = [m for m in reads if begun is None or m.at > begun]
    last = seen[-1].body if seen and isinstance(seen[-1].body, FitSeen) else None
    room = pair.room_c
    if last is not None and last.what in ("short", "gap") and not fresh:
        return HotFit(
            "wrong", _wrong(last), "Do not push it cold", "Pull it off, look at both, heat again.", plan, room
        )
    if last is not None and last.what == "seated":
        return HotFit("seated", plain("It is home and seated."), "", "", plan, room)
    limit, _ = kind.limit_c(ctx)
    hottest = max(
        (m.body.t_c for m in fresh if isinstance(m.body, HeatRead) and m.body.member == "hub"), default=limit
    )
    if hottest > limit:
        aside = "Let it cool, and judge the part again in Inspect. Typed wrongly? Strike it."
        return HotFit("over", _over(hottest, limit), "Over its limit", aside, plan, room)
    falls = _falls(ctx, pair, fresh)
    if falls is None:
        return HotFit("planned", kind.speak_of(ctx, plan), *kind.head(ctx, kind.evaluate(ctx)), plan, room)
    start = max(falls.s(m.at) for m in fresh)
    ends = falls.when(until_mm(pair, falls.hub, falls.shaft, entering / 2, start))
    grips = falls.when(until_mm(pair, falls.hub, falls.shaft, 0.0, start))
    cold = falls.when(falls.hub.when(room + COLD_WITHIN_K)) if falls.hub else None
    home = last is not None and last.what == "home"
    wants_shaft = plan.shaft_c < room and falls.shaft is None
    state = _state(home, now, ends, grips)
    say, head, aside = _words(state, plan, now, grips, cold, wants_shaft)
    t = falls.s(now)
    return HotFit(
        state,
        say,
        head,
        aside,
        plan,
        room,
        falls.hub.at(t) if falls.hub else None,
        falls.shaft.at(t) if falls.shaft else None,
        ends,
        grips,
        cold,
        bool(falls.hub and falls.hub.learned),
        wants_shaft,
    )


def _falls(ctx: Context, pair: Pair, reads: Sequence[Moment]) -> Falls | None:
    """None before anything was read."""
    if not reads:
        return None
    zero = reads[0].at
    falls: dict[str, Fall] = {}
    for member, material, hot in (("hub", pair.hub, True), ("shaft", pair.shaft, False)):
        mine = [
            Reading((m.at - zero).total_seconds(), m.body.t_c)
            for m in reads
            if isinstance(m.body, HeatRead) and m.body.member == member
        ]
        if not mine:
            continue
        try:
            falls[member] = fall_of(
                mine, pair.room_c, _tau(ctx, pair.d_mm, material, member == "hub"), PROBE_U_K, hot
            )
        except BornekError:
            continue
    return Falls(zero, falls.get("hub"), falls.get("shaft"))


def _tau(ctx: Context, d: float, material: Material, is_hub: bool) -> float:
    outside = float(ctx.given.get("outside") or d * SMALL_HUB[0])
    length = float(ctx.given.get("length") or d * SMALL_HUB[1])
    return hub_tau_s(material, outside, d, length) if is_hub else hub_tau_s(material, d, 0.0, length)


def _state(home: bool, now: datetime, ends: datetime | None, grips: datetime | None) -> State:
    if home:
        return "holding" if grips is not None and now < grips else "cooling"
    return "late" if ends is not None and now >= ends else "hot"


def _words(
    state: State,
    plan: Combination,
    now: datetime,
    grips: datetime | None,
    cold: datetime | None,
    wants_shaft: bool,
) -> tuple[Say, str, str]:
    home, grip = temperature_words(plan.home_c), temperature_words(plan.grips_c)
    air = "The times are for air. On the shaft it grips as soon as it rests."
    if state == "hot":
        if wants_shaft:
            words = (
                Span("Read the "),
                Span("shaft", True),
                Span(" as it comes out: then it is known how long there is."),
            )
            return words, "Once it touches: seconds.", air
        return (
            (
                Span("Drop the "),
                Span("hub", True),
                Span(f" on now: below {home} it drags, at {grip} it grips."),
            ),
            "Once it touches: seconds.",
            air,
        )
    if state == "late":
        if wants_shaft:
            return (
                (Span("Read the "), Span("shaft", True), Span(" as it comes out; by the hub alone there is no time.")), "", air)  # fmt: skip
        return (
            (
                Span("Too cold to drop on: "),
                Span("heat it again", True),
                Span(f", {temperature_words(math.ceil(plan.drops_on_c))} at the bore."),
            ),
            "Do not begin it now",
            "Half on, it grips short of home and has to be pulled.",
        )
    if state == "holding":
        return (
            (
                Span("Hold it "),
                Span("hard against the shoulder", True),
                Span(f" until it grips, below {grip}."),
            ),
            "It draws away as it shrinks",
            f"In air it grips by {grips:%H:%M}; on the shaft sooner." if grips else "",
        )
    ready = cold is not None and now >= cold
    tail = "now" if ready or cold is None else f"from {cold:%H:%M}"
    return (
        (Span("When it is cold, a "), Span("feeler", True), Span(" at the shoulder all round: none may go.")),
        f"Cold {tail}",
        "What it changed is read cold too: see Set.",
    )


def _over(hottest: float, limit: float) -> Say:
    return (
        Span(f"It was {temperature_words(hottest)}, and {temperature_words(limit)} is the most: "),
        Span("do not fit it", True),
        Span("."),
    )


def _wrong(last: FitSeen) -> Say:
    what = "It gripped short" if last.what == "short" else "A feeler goes at the shoulder"
    return (
        Span(f"{what}: {last.words}. "),
        Span("Pull it off", True),
        Span(" and heat it again; never push it on cold."),
    )
