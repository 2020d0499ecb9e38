"""A rig that is one setting: of a real kind, given by a book that may be wrong, on iron whose truth is hidden."""

from __future__ import annotations

from abc import abstractmethod
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any, ClassVar

from bornek.core.gauges import Gauge
from bornek.core.practice.rigs.faults import TOLD_FIRST, Look
from bornek.core.practice.rigs.handled import Handled
from bornek.core.practice.rigs.rig import Rig
from bornek.core.settings.given import read_given
from bornek.core.settings.kind import Slot
from bornek.core.settings.knobs import Knob
from bornek.core.settings.records import Context
from bornek.core.settings.registry import find_kind
from bornek.core.settings.state import Position, State, StateView, read_state
from bornek.core.sheet import Sheet
from bornek.core.windows import Window

SAME_PUSH_N = 200.0
BENDS_N = 260.0
MOST_PUSH_N = 320.0
PUSH_STEP_N = 10.0


@dataclass(frozen=True)
class Pull:
    """What the dial shows while the lever is pulled: needle from its zero, in the station's own unit, at each push [N],
    step by step. `division` is the dial's; past `bends` the needle lies."""

    needle: tuple[float, ...]
    division: float
    unit: str = "mm"
    same_push: float = SAME_PUSH_N
    bends: float = BENDS_N


@dataclass(frozen=True)
class Blades:
    """Feeler blades at a station [mm]; `gap` is what lies between, which no blade thicker than it passes."""

    sizes: tuple[float, ...]
    gap: float

    def between(self) -> tuple[float, float]:
        """The largest that goes and the smallest that does not."""
        goes = max((s for s in self.sizes if s <= self.gap), default=self.sizes[0])
        return goes, min((s for s in self.sizes if s > goes), default=goes + 0.01)


@dataclass(frozen=True)
class Print:
    """A flank as the paint shows it: shares wiped off, by rows up the tooth and columns along it."""

    flank: str
    mask: tuple[tuple[float, ...], ...]


@dataclass(frozen=True)
class Told:
    """What a station that takes no number shows, and what is true of it: yes or no, or the option's key."""

    words: str
    answer: Any


@dataclass(frozen=True)
class Truth:
    """What the cloth hid, in words and numbers, once it is lifted."""

    value: float
    window: Window
    response: float
    scatter_um: float
    give_um: float
    fault: str
    inside: bool


class BenchRig(Rig):
    """One setting; what is read, moved and signed is the learner's, what it truly is the rig's."""

    page = "set"
    kind: ClassVar[str]
    knob: ClassVar[str]
    shim_form: ClassVar[str] = ""
    drawer: ClassVar[Mapping[float, int]] = {}
    gauge: ClassVar[Mapping[str, Any]]
    more_gauges: ClassVar[tuple[Mapping[str, Any], ...]] = ()

    @abstractmethod
    def book(self) -> dict[str, Any]:
        """What the book gives, as the page's form takes it; with the slip, where the book has one."""

    @abstractmethod
    def right_given(self) -> dict[str, Any]:
        """What is truly given."""

    @abstractmethod
    def found(self) -> Any:
        """What the book says is in as found, as an adjuster's state is sent; None where it counts from where it stood."""

    def states_sent(self, sent: Any) -> dict[str, Any]:
        """What was picked, by adjuster, as it is sent; nothing where it counts from where it stood."""
        return {} if sent is None else {self.knob: sent}

    def found_state(self) -> State:
        """The same, read."""
        knob = next(k for k in self.knobs() if k.key == self.knob)
        if self.found() is None:
            return Position(0.0, knob.unit, knob.domain.step)
        return read_state(knob.domain.sort, self.found(), "mm", knob.unit, knob.domain.step)

    def knobs(self) -> Sequence[Knob]:
        kind = find_kind(self.kind)
        given = read_given(kind, self.right_given(), "mm")
        return kind.knobs(Context(given=given, gauges={"rig": self.gauge_card()}, gauge="rig"))

    def gauge_card(self) -> Gauge:
        return Gauge(id="rig", name="Rig gauge", calibration_u=0.001, due="", **self.gauge)

    @abstractmethod
    def true(self, handled: Handled, assembly: int | None = None) -> float:
        """The quantity as it truly is after an assembly (the present one), in the kind's own unit."""

    @abstractmethod
    def window(self) -> Window:
        """The window that truly holds."""

    def aim(self) -> float:
        middle = self.window().middle
        assert middle is not None
        return middle

    def best_aim(self) -> float:
        """What the one aims at who knows the truth."""
        return self.aim()

    @abstractmethod
    def declared(self) -> float:
        """The response that the kind declares, of the quantity to its adjuster, with its sign."""

    @abstractmethod
    def response(self) -> float:
        """The true one."""

    @abstractmethod
    def mean_true(self, handled: Handled) -> float:
        """The quantity after this assembly without its scatter."""

    def recounted(self) -> Any:
        """What who counts writes down as really in as found."""
        return self.found()

    def at_mm(self, state: State) -> float:
        """Where the adjuster stands, in what the response is reckoned by."""
        return state.position

    def set_to(self, wanted: float) -> Any:
        """The position nearest to a wanted one (of `at_mm`), as it is sent."""
        return wanted

    def done(self, sheet: Sheet) -> bool:
        """Whether the readings say that it is set."""
        return sheet.verdict.code == "in"

    def proposed(self, states: Mapping[str, StateView]) -> Any:
        """The states that were proposed, as they are sent."""
        state = states[self.knob]
        return [p.thickness for p in state.packs[0]] if state.packs else state.position

    def told_first(self) -> str:
        """Which reading tells first what is wrong."""
        return TOLD_FIRST[self.fault]

    def log_words(self, state: Any, value: float | None) -> str:
        """One assembly in a few words."""
        if state is None:
            put = "as it was"
        else:
            put = f"{sum(state):.2f} mm in" if isinstance(state, list | tuple) else f"at {state:.4g}"
        return f"{put}, nothing read" if value is None else f"{put}, read {value:.3f}"

    def read_value(self, sheet: Sheet) -> float | None:
        """The value that the sheet makes of a round; 0 where nothing showed."""
        target = next((r for r in sheet.outcome.results if r.role == "target"), None)
        value = target.value if target else None
        return None if value is None else float(getattr(value, "v", 0.0))

    @abstractmethod
    def harmed(self, value: float) -> bool:
        """Whether so much was past what the parts bear."""

    @abstractmethod
    def pull(self, slot: Slot, handled: Handled, repeat: int) -> Pull | None:
        """What the dial shows at a station that is pried; None where it is not."""

    def painted(self, slot: Slot, handled: Handled) -> Print | None:
        """What the paint shows at a station of paint; None elsewhere."""
        return None

    def pick(
        self, who: str, states: Sequence[Any], sheets: Sequence[Sheet], ctx: Context, handled: Handled
    ) -> Any:
        """What a learner sets next where one adjuster's arithmetic is not enough; None: it is."""
        return None

    def blades(self, slot: Slot, handled: Handled, repeat: int) -> Blades | None:
        """The blades at a station that takes two of them; None elsewhere."""
        return None

    @abstractmethod
    def told(self, slot: Slot, handled: Handled) -> Told | None:
        """What a station shows that takes yes, no or a choice; None where it takes a number."""

    def look(self, look: Look, handled: Handled) -> str:
        """What looking there finds, in words."""
        there = self.fault == look.fault and not handled.put_right(look.fault)
        window = self.window()
        words = look.found if there else look.fine
        return words.format(window=f"{window.lo:g} to {window.hi:g} mm")

    @abstractmethod
    def truth(self, handled: Handled) -> Truth: ...

    def answer(self, slot: Slot, handled: Handled, repeat: int) -> Any:
        """What one reads at a station who pries with the same push each time; None where nothing is read."""
        pulled = self.pull(slot, handled, repeat)
        if pulled is not None:
            at = pulled.needle[round(pulled.same_push / PUSH_STEP_N)]
            return round(max(round(at / (pulled.division / 2)) * pulled.division / 2, 0.0), 6)
        blades = self.blades(slot, handled, repeat)
        if blades is not None:
            return "{:.3f} {:.3f}".format(*blades.between())
        shown = self.painted(slot, handled)
        if shown is not None:
            return {"flank": shown.flank, "mask": [list(row) for row in shown.mask]}
        told = self.told(slot, handled)
        return told.answer if told else None
