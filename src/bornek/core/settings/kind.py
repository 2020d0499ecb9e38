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
from bornek.core.scenes import Scene
from bornek.core.settings.records import Context, Entry, Predicted, State
from bornek.core.windows import NOT_READ, Value, Verdict, Window
from bornek.core.working import Working


@dataclass(frozen=True)
class Field:
    """Something asked once and kept in the definition. `why` says what it decides."""

    key: str
    label: str
    quantity: Literal[
        "length", "angle", "force", "torque", "temperature", "count", "number", "choice", "text", "lines"
    ]
    required: bool = True
    options: tuple[tuple[str, str], ...] = ()
    lo: float | None = None
    hi: float | None = None
    default: Any = None
    why: str = ""


@dataclass(frozen=True)
class Slot:
    """One reading to be taken: where, how, in what quantity."""

    key: str
    label: str
    group: str
    axes: Mapping[str, str | int]
    quantity: str
    nature: Nature
    accepts: Literal["scalar", "between", "paint", "choice", "confirm"] = "scalar"
    posture: str = ""
    plausible: tuple[float, float] | None = None
    optional: bool = False
    options: tuple[tuple[str, str], ...] = ()
    peers: str = ""
    """Slots with the same `peers` are repeats of one quantity and guard each other against slips."""


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
    readings: tuple[float, ...] = ()


@dataclass(frozen=True)
class Check:
    code: str
    severity: Literal["note", "warn", "stop"]
    sentence: str
    action: Literal["", "ask", "reseat", "prove_alive", "stop"] = ""
    slot: str = ""


@dataclass(frozen=True)
class Outcome:
    """What a kind makes of one round. `observed` is what the advisor may learn from, by row."""

    results: tuple[Result, ...] = ()
    checks: tuple[Check, ...] = ()
    verdict: Verdict = NOT_READ
    next_sentence: str = ""
    sign_blockers: tuple[str, ...] = ()
    scenes: tuple[Scene, ...] = ()
    unverified: tuple[str, ...] = ()
    observed: Mapping[str, Value] = None  # type: ignore[assignment]

    def __post_init__(self) -> None:
        if self.observed is None:
            object.__setattr__(self, "observed", {})

    def target(self) -> Result | None:
        return next((r for r in self.results if r.role == "target"), None)


@dataclass(frozen=True)
class Packs:
    """Shims from the drawer, at most `most` plates in a pack."""

    most: int = 6
    type: Literal["packs"] = "packs"


@dataclass(frozen=True)
class JointPacks:
    """Two packs whose total stays: what leaves one side goes to the other."""

    places: tuple[str, str]
    total_nm: int
    type: Literal["joint_packs"] = "joint_packs"


@dataclass(frozen=True)
class Lattice:
    """Positions offset, offset + step, … that can be locked."""

    offset: float
    step: float
    n: int
    type: Literal["lattice"] = "lattice"


@dataclass(frozen=True)
class Points:
    at: tuple[float, ...]
    type: Literal["points"] = "points"


@dataclass(frozen=True)
class Continuous:
    """Any position in steps of `resolution` between lo and hi (mm or deg)."""

    resolution: float
    lo: float
    hi: float
    type: Literal["continuous"] = "continuous"


Domain = Packs | JointPacks | Lattice | Points | Continuous


@dataclass(frozen=True)
class Knob:
    """What the mechanic turns or swaps. `sense` +1: more of it raises the value; None: unknown."""

    key: str
    label: str
    place: str
    unit: str
    domain: Domain
    sense: Literal[1, -1] | None = 1
    one_way: bool = False
    noun: str = "shims"
    title: str = ""
    read: bool = False
    """Its state comes with the readings: nobody needs to enter it."""
    more: str = ""
    less: str = ""
    """What is done to raise or lower it, before the size: "Ream the bush to"."""


@dataclass(frozen=True)
class Response:
    """How rows (quantities) answer knobs: prior of k with its relative sd, and the scatters.

    k0[row][knob] in quantity per unit of knob; rho[row] relative sd; s_a, s_r [mm] scatter of
    reassembly and of one reading; harm is the side that does damage.
    """

    rows: tuple[str, ...]
    knobs: tuple[str, ...]
    k0: tuple[tuple[float, ...], ...]
    rho: tuple[float, ...]
    s_a: tuple[float, ...]
    s_r: tuple[float, ...]
    harm: Literal["low", "high"] = "low"
    repeats: int = 6
    geometry: bool = False
    """k0 and s_a are plain geometry: nothing is reassembled, so neither is learned."""


@dataclass(frozen=True)
class SlipHint:
    sentence: str


@dataclass(frozen=True)
class Candidate:
    """One reachable state with what to expect of it."""

    state: State
    predicted: Predicted
    p_harm: float
    rounds: float
    handled: int
    note: str = ""


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


class Setting(Calculation):
    """A quantity brought to its window in rounds by an adjuster."""

    fit: ClassVar[bool] = False
    """It measures a fit of one part: Inspect offers it there and rests its verdict on it."""

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

    def reads(self, ctx: Context) -> frozenset[str]:
        """Aspects of its place on which the value rests (for example pack, cover)."""
        return frozenset({"pack"})

    def writes(self, ctx: Context) -> frozenset[str]:
        """Aspects of its place that a move here changes."""
        return frozenset({"pack"})

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


def aim_in(window: Window, wanted: float | None) -> float:
    """The mechanic's own number if it lies in the window, else the middle (or the closed end)."""
    if wanted is not None and window.holds(wanted):
        return wanted
    if window.middle is not None:
        return window.middle
    return window.lo if window.lo is not None else (window.hi or 0.0)


def speech(ctx: Context) -> Speech:
    return Speech(ctx.unit)


def is_open(window: Window) -> bool:
    return math.isinf(window.half)
