"""The contract that every kind of setting keeps.

A kind is a set of pure functions over (given, log). Forms and guides are returned data for the
present state, so conditions stay in Python. Pages draw what they are given and know no kind.
"""

from __future__ import annotations

import math
from abc import ABC, abstractmethod
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any, ClassVar, Literal

from bornek.core.quantities import Speech
from bornek.core.readings import Nature
from bornek.core.scenes import Scene, Section
from bornek.core.settings.knobs import Knob, Response
from bornek.core.settings.records import Context, Entry, Predicted
from bornek.core.settings.state import State
from bornek.core.trace.presses import Motion
from bornek.core.uncertainty import expanded
from bornek.core.windows import NOT_READ, Value, Verdict, Window
from bornek.core.working import Working


@dataclass(frozen=True)
class Field:
    """Something asked once and kept in the definition. `why` says what it decides; `unit` is that of a bare number
    where it is not the quantity's own."""

    key: str
    label: str
    quantity: Literal[
        "length",
        "angle",
        "force",
        "torque",
        "pressure",
        "temperature",
        "time",
        "count",
        "number",
        "choice",
        "text",
        "lines",
        "place",
    ]
    required: bool = True
    options: tuple[tuple[str, str], ...] = ()
    lo: float | None = None
    hi: float | None = None
    default: Any = None
    why: str = ""
    unit: str = ""


OfTurn = Literal["", "greatest", "smallest"]


@dataclass(frozen=True)
class Slot:
    """One reading to be taken: where, how, in what quantity."""

    key: str
    label: str
    group: str
    axes: Mapping[str, str | int]
    quantity: str
    nature: Nature
    accepts: Literal["scalar", "between", "paint", "choice", "confirm", "time"] = "scalar"
    posture: str = ""
    plausible: tuple[float, float] | None = None
    optional: bool = False
    options: tuple[tuple[str, str], ...] = ()
    peers: str = ""
    """Slots with the same `peers` are repeats of one quantity and guard each other against slips."""
    unit: str = ""
    """The unit of a bare number, and in which it is shown back, where it is not the core's: a scale in kgf."""
    needs: str = ""
    """What a gauge must be able to take here, where quantity and nature leave it open: outside, inside, depth."""

    of_turn: OfTurn = ""
    """Which end of a turn is read here, where it is turned once round."""

    @property
    def motion(self) -> Motion:
        """How a gauge that talks is read here; empty where none can be."""
        if self.accepts != "scalar":
            return ""
        if self.of_turn:
            return "turn"
        return "pry" if self.quantity == "length" and self.nature == "travel" else "still"

    @property
    def need(self) -> str:
        """What a gauge must be able to take here; empty where any of the quantity will do."""
        if self.needs or self.accepts not in ("scalar", "between", "time"):
            return self.needs
        if self.quantity != "length":
            return self.quantity
        return "gap" if self.accepts == "between" else "travel" if self.nature == "travel" else ""

    alike: str = ""
    """Groups whose slots have the same `alike` should read much the same: the two ends of one shaft."""


@dataclass(frozen=True)
class Guide:
    slots: tuple[Slot, ...]
    next: str | None = None
    blocked: Mapping[str, str] = None  # type: ignore[assignment]
    stop: str = ""
    restart_at: str | None = None

    def __post_init__(self) -> None:
        if self.blocked is None:
            object.__setattr__(self, "blocked", {})


@dataclass(frozen=True)
class Result:
    key: str
    label: str
    quantity: str
    value: Value | None
    window: Window | None = None
    role: Literal["target", "proof", "estimate", "info"] = "target"
    working: Working = Working()
    verdict: Verdict = NOT_READ
    aim: float | None = None
    steer: Window | None = None
    """What the adjuster is steered to, where that is not the window itself: narrower by what the worst place
    differs from the mean, or the drag that proves a preload."""
    other: Window | None = None
    """The window that another school would go by."""
    beside: str = ""
    """What else was found of it, in a few words beside the number: how it turned."""
    strip: bool = True
    """Whether it has a strip of its own; what only blocks stands in a table."""
    readings: tuple[float, ...] = ()
    unit: str = ""
    """The scale's own unit, where it is shown in that instead of the core's: kgf, lb·in."""


@dataclass(frozen=True)
class Check:
    code: str
    severity: Literal["note", "warn", "stop"]
    sentence: str
    action: Literal["", "ask", "reseat", "prove_alive", "stop"] = ""
    slot: str = ""


@dataclass(frozen=True)
class Outcome:
    """What a kind makes of one round. `observed` is what the advisor may learn from, by row.

    A kind gives reasons and checks; the move is the advisor's. `instruct` is for kinds that no advisor
    helps (no `response`): what to do next, in their own words.
    """

    results: tuple[Result, ...] = ()
    checks: tuple[Check, ...] = ()
    verdict: Verdict = NOT_READ
    instruct: str = ""
    sign_blockers: tuple[str, ...] = ()
    scenes: tuple[Scene, ...] = ()
    unverified: tuple[str, ...] = ()
    observed: Mapping[str, Value] = None  # type: ignore[assignment]

    def __post_init__(self) -> None:
        if self.observed is None:
            object.__setattr__(self, "observed", {})

    def target(self) -> Result | None:
        return next((r for r in self.results if r.role == "target"), None)

    def result(self, key: str) -> Result | None:
        return next((r for r in self.results if r.key == key), None)


@dataclass(frozen=True)
class SlipHint:
    sentence: str


@dataclass(frozen=True)
class Offer:
    """A fit that a kind measures on a part: what it is called, what of the form is settled by choosing it,
    which fields are asked for, and the groups of parts that it suits first."""

    key: str
    label: str
    given: Mapping[str, Any]
    asks: tuple[str, ...]
    suits: tuple[str, ...] = ()


class Calculation(ABC):
    """A question with an answer and no rounds."""

    id: ClassVar[str]
    version: ClassVar[int] = 1
    title: ClassVar[str]
    cautions: ClassVar[tuple[str, ...]]

    @abstractmethod
    def form(self, given: Mapping[str, Any]) -> Sequence[Field]: ...

    @abstractmethod
    def evaluate(self, ctx: Context) -> Outcome: ...

    def upgrade(self, given: Mapping[str, Any], version: int) -> Mapping[str, Any]:
        """What was typed under an earlier version of the kind, as this one asks for it."""
        return given


class Setting(Calculation):
    """A quantity brought to its window in rounds by an adjuster."""

    plain: ClassVar[str] = ""
    """What is set, as one would say it who does not know the kind's name."""
    from_drawer: ClassVar[bool] = False
    """Whether its adjusters are made up of shims or washers from a drawer."""
    offers: ClassVar[tuple[Offer, ...]] = ()
    """Fits of one part that it measures: Inspect offers them there and rests its verdict on them."""
    stage: ClassVar[str] = "set"
    """The stage of the job in which it is done: set, or mesh."""
    what_if: ClassVar[bool] = False
    """Whether it shows ahead what every pair of packs would bring."""
    sees_witness: ClassVar[bool] = False
    """Whether it looks at the contact witness of its mesh, as found."""
    fine: ClassVar[bool] = False
    """Set to less than a µm: values are said to a tenth of one."""
    from_unit: ClassVar[Mapping[str, str]] = {}
    """Fields that the unit's definition may fill, by what it calls them."""
    wears: ClassVar[int] = 1
    """Which way its value goes as the unit wears: +1 up, −1 down, 0 where it is no measure of wear."""
    layout: ClassVar[str] = "bench"
    """How its page is laid out, by name: bench for one quantity, side_by_side for several."""

    def tells(self, ctx: Context, verdict: str) -> str:
        """The evidence of a cause of failure that a verdict on what was found is; empty if it is none."""
        return ""

    def thing(self) -> Section | None:
        """The thing itself, drawn before anything is known of it."""
        return None

    @abstractmethod
    def slots(self, ctx: Context) -> Sequence[Slot]:
        """The stations of the present round; they may depend on what has been read."""

    def guide(self, ctx: Context) -> Guide:
        """The stations with the next one owed; a guarded sequence folds its log here instead."""
        slots = tuple(self.slots(ctx))
        return Guide(slots, first_open(slots, ctx.now()))

    def knobs(self, ctx: Context) -> Sequence[Knob]:
        return ()

    def state(self, ctx: Context, knob: str, number: int | None = None) -> State | None:
        """The adjuster's state in a round; a kind may take it from its own readings instead."""
        return ctx.state(knob, number)

    def response(self, ctx: Context) -> Response | None:
        return None

    def floor(self, ctx: Context) -> float | None:
        """The physical bound of what is set: a clearance or float is above 0; None where it may be negative,
        or where nothing lies below it."""
        return None

    def reads(self, ctx: Context) -> frozenset[str]:
        """Aspects of its places on which the value rests (for example pack, cover)."""
        return frozenset({"pack"})

    def writes(self, ctx: Context) -> frozenset[str]:
        """Aspects that a move here changes, at each place of the adjusters moved."""
        return frozenset({"pack"})

    def disturbs(self, ctx: Context, after: Mapping[str, State]) -> frozenset[str]:
        """What the move to these states changes at its places; what any move changes, unless a kind can tell."""
        return self.writes(ctx)

    def after_move(
        self, ctx: Context, scene: Scene, predicted: Mapping[str, Predicted], by: Mapping[str, float]
    ) -> Scene:
        """The kind's own drawing with what the move is expected to bring; `by`: how far each adjuster goes."""
        return scene

    def under_load(self, ctx: Context, scene: Scene, by: Mapping[str, float]) -> Scene | None:
        """The same as it would be at work, reckoned; None where nothing is known of the load."""
        return None

    def expects(self, predicted: Mapping[str, Predicted], say: Speech) -> str:
        """What a move is expected to bring, where a plain list of its quantities is not how it is said."""
        return ""

    def because(self, ctx: Context, outcome: Outcome) -> str:
        """Why these limits are in force, and what others would say: beside the next move."""
        return ""

    def brief(self, ctx: Context) -> Sequence[str]:
        """What is given, in a few words each, for beside the drawing: sense, torque."""
        return ()

    def tools(self, ctx: Context) -> Sequence[str]:
        """What must lie on the bench besides the gauge, for the job's tool list."""
        return ()

    def slips(self, ctx: Context, found: float, predicted: float) -> Sequence[SlipHint]:
        return ()


def first_open(slots: Sequence[Slot], entries: Sequence[Entry]) -> str | None:
    """The next reading owed: the first slot, not optional, that no entry fills."""
    filled = {e.slot for e in entries}
    return next((s.key for s in slots if s.key not in filled and not s.optional), None)


def aim_in(window: Window, wanted: float | None, u: float) -> float:
    """The mechanic's own number if it lies in the window, else the middle; never the edge itself.

    `u` is the standard uncertainty to be expected of a reading: a number at an edge, and the closed end of a
    window open on the other side, is taken U = 2u inside; where the window is not wider than 2U, the middle.
    An open end leaves room for the scatter of seating too: twice U.

    >>> round(aim_in(Window(0.06, 0.12, "card"), 0.06, 0.005), 3)
    0.07
    >>> round(aim_in(Window(0.06, None, "card"), None, 0.005), 3)
    0.08
    """
    inside = expanded(u)
    if wanted is not None and window.holds(wanted):
        if 2 * inside >= 2 * window.half:
            return float(window.middle or 0.0)
        return min(max(wanted, window.low + inside), window.high - inside)
    if window.middle is not None:
        return window.middle
    return window.low + 2 * inside if not math.isinf(window.low) else window.high - 2 * inside


def speech(ctx: Context) -> Speech:
    return Speech(ctx.unit, ctx.fine)
