"""What a kind of setting is given to think about: entries, acts and their surroundings."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field, replace
from typing import Any, TypeVar

from bornek.core.gauges import UNKNOWN, Gauge
from bornek.core.settings.state import State

Made = TypeVar("Made")
Bracket = tuple[float, float]


@dataclass(frozen=True)
class Scalar:
    value: float


@dataclass(frozen=True)
class Between:
    """Largest that goes and smallest that does not."""

    lo: float
    hi: float


@dataclass(frozen=True)
class Paint:
    """Contact painted on one flank: rows root to tip, columns toe to heel, share 0 to 1."""

    flank: str
    mask: tuple[tuple[float, ...], ...]


@dataclass(frozen=True)
class Choice:
    option: str


@dataclass(frozen=True)
class Confirm:
    done: bool


Raw = Scalar | Between | Paint | Choice | Confirm
EXCHANGED = "exchanged"
"""An act: a part that the setting rests on is another one now. What was read before is of the old one."""
TAKEN_APART = "taken_apart"
"""An act: what was read was taken apart; the same parts go back."""
BY_HAND = ("as_found", "move", "reseat", "recount")
"""Acts that a mechanic writes; the others follow from what was written elsewhere."""
ACT_KINDS = (*BY_HAND, EXCHANGED, TAKEN_APART)


@dataclass(frozen=True)
class Entry:
    """One thing read. `confirmed` says that an odd value was asked about and stands."""

    id: str
    slot: str
    raw: Raw
    round: int = 1
    gauge: str = ""
    as_typed: str = ""
    confirmed: bool = False
    by: str = ""
    seq: int = 0

    @property
    def number(self) -> float | None:
        return self.raw.value if isinstance(self.raw, Scalar) else None


@dataclass(frozen=True)
class Predicted:
    """What was promised of one quantity before a round: value, standard uncertainty, chance to land in."""

    v: float
    u: float
    p_in: float = 0.0


@dataclass(frozen=True)
class Act:
    """Something done to adjusters, in one teardown. It opens `round`; a recount corrects that round's
    states. `states` by adjuster, `predicted` by row (under "" for the first row, as older acts kept it); `why`
    in words where nobody moved an adjuster."""

    id: str
    round: int
    act_kind: str
    states: Mapping[str, State]
    predicted: Mapping[str, Predicted] = field(default_factory=dict)
    by: str = ""
    seq: int = 0
    why: str = ""


@dataclass(frozen=True)
class Explanation:
    """What the mechanic says of a round that landed far from its prediction."""

    round: int
    cause: str
    words: str = ""


@dataclass(frozen=True)
class Witnessed:
    """The contact witness of the setting's mesh as it was found: masks like Paint's, and how it ran by them."""

    drive: tuple[tuple[float, ...], ...] = ()
    coast: tuple[tuple[float, ...], ...] = ()
    ran: str = "cannot tell"


@dataclass(frozen=True)
class Learned:
    """The response that a finished job of the same type showed by its own moves, and its standard error;
    `serial` of its unit, `job` as people call it."""

    setting: str
    k: float
    se: float
    serial: str = ""
    job: str = ""


@dataclass(frozen=True)
class Context:
    """All that a kind may look at; plain data, never a clock, a file or a database.

    `place` is where the setting stands. `stock` is what the drawer of that place holds, thickness [nm] to
    count; `drawers` the same for other places that its adjusters have, and `forms` which places draw
    from one drawer.
    """

    given: Mapping[str, Any] = field(default_factory=dict)
    entries: tuple[Entry, ...] = ()
    acts: tuple[Act, ...] = ()
    explanations: tuple[Explanation, ...] = ()
    gauges: Mapping[str, Gauge] = field(default_factory=dict)
    gauge: str = ""
    stock: Mapping[int, int] = field(default_factory=dict)
    drawers: Mapping[str, Mapping[int, int]] = field(default_factory=dict)
    forms: Mapping[str, str] = field(default_factory=dict)
    place: str = ""
    miked: Mapping[int, int] = field(default_factory=dict)
    """What shims of its drawer were measured at [nm], by nominal."""
    history: tuple[Learned, ...] = ()
    witness: Witnessed | None = None
    school: Mapping[str, str] = field(default_factory=dict)
    unit: str = "mm"
    fine: bool = False
    round: int = 1
    signed: bool = False
    memo: dict[Any, Any] = field(default_factory=dict, init=False, repr=False, compare=False)
    """What was made of single rounds, shared by all looks at the same bench."""

    def at(self, number: int) -> Context:
        """The same bench as it stood in another round."""
        then = replace(
            self,
            round=number,
            entries=tuple(e for e in self.entries if e.round <= number),
            acts=tuple(a for a in self.acts if a.round <= number),
        )
        object.__setattr__(then, "memo", self.memo)
        return then

    def once(self, key: Any, make: Callable[[], Made]) -> Made:
        """What `make` gives for a round, made once however often it is looked back at. `key` names kind, what
        is made and the round."""
        if key not in self.memo:
            self.memo[key] = make()
        found: Made = self.memo[key]
        return found

    @property
    def first_round(self) -> int:
        """The round from which on the parts are those that are in now: every exchange begins afresh.

        >>> Context(acts=(Act("a", 3, EXCHANGED, {}),), round=4).first_round, Context(round=4).first_round
        (3, 1)
        """
        return max(
            (a.round for a in self.acts if a.act_kind == EXCHANGED and a.round <= self.round), default=1
        )

    @property
    def disturbed_by(self) -> str:
        """Why this round has to be read again though no adjuster was moved, in words; empty if it was not so."""
        words = [a.why for a in self.acts if a.round == self.round and a.act_kind in (EXCHANGED, TAKEN_APART)]
        return words[-1] if words else ""

    def now(self) -> tuple[Entry, ...]:
        return tuple(e for e in self.entries if e.round == self.round)

    def find_gauge(self, entry: Entry | None = None) -> Gauge:
        wanted = (entry.gauge if entry else "") or self.gauge
        return self.gauges.get(wanted, UNKNOWN)

    def drawer(self, place: str) -> Mapping[int, int]:
        """What can be taken for a place; the setting's own drawer where nothing else is said."""
        return self.drawers.get(place, self.stock)

    def form(self, place: str) -> str:
        return self.forms.get(place, "")

    def state(self, knob: str, number: int | None = None) -> State | None:
        """The adjuster's state in a round: the last act up to it that says so."""
        limit = self.round if number is None else number
        found = [a.states[knob] for a in self.acts if a.round <= limit and knob in a.states]
        return found[-1] if found else None
