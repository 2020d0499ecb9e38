"""The closed set of drawings. Data only: a renderer scales and paints, it computes nothing.

Numbers are in the drawing's own unit, labels are finished words. The same scene is drawn by the
page and by the PDF.
"""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Literal


@dataclass(frozen=True)
class Tick:
    at: float
    label: str = ""


@dataclass(frozen=True)
class Band:
    """A stretch of the scale: a window, a landing or a bracket."""

    lo: float
    hi: float
    label: str = ""
    middle: float | None = None
    open_lo: bool = False
    open_hi: bool = False


@dataclass(frozen=True)
class Needle:
    """Where the value stands: `give` is U, `bound` says that only an upper bound is known."""

    at: float
    give: float
    label: str
    give_label: str
    words: str
    bound: bool = False


@dataclass(frozen=True)
class Readout:
    """The readout strip: one horizontal scale for every toleranced quantity. `points` are named on it, `stop` is
    where it must not go."""

    label: str
    unit: str
    lo: float
    hi: float
    ticks: tuple[Tick, ...]
    window: Band | None = None
    window_not_in_force: Band | None = None
    aim: float | None = None
    readings: tuple[float, ...] = ()
    needle: Needle | None = None
    verdict: str = "not_read"
    verdict_words: str = "not read"
    landing: Band | None = None
    verdict_leaning: str = ""
    points: tuple[Tick, ...] = ()
    stop: Band | None = None
    type: Literal["readout"] = "readout"


@dataclass(frozen=True)
class LogRow:
    """One round: what was found, what had been predicted, and the move made before it. `window`: what is wanted in
    this row, where the rows do not share one."""

    label: str
    pack: str
    found: Needle | None
    predicted: Band | None
    move: str = ""
    remark: str = ""
    held_out: bool = False
    window: Band | None = None


@dataclass(frozen=True)
class RoundLog:
    """The value round by round on the strip's own scale."""

    lo: float
    hi: float
    rows: tuple[LogRow, ...]
    window: Band | None = None
    aim: float | None = None
    label: str = ""
    type: Literal["log"] = "log"


@dataclass(frozen=True)
class Plate:
    """One shim; `state` is kept, out or new. Thickness in mm, its label as the job says it."""

    thickness: float
    label: str
    state: Literal["kept", "out", "new"] = "kept"


@dataclass(frozen=True)
class Pack:
    """A shim pack now and after the proposed move, as stacked plates, bottom first."""

    title: str
    now: tuple[Plate, ...]
    now_label: str
    after: tuple[Plate, ...] = ()
    after_label: str = ""
    change_label: str = ""
    under_cover: bool = True
    drawer_label: str = ""
    type: Literal["pack"] = "pack"


@dataclass(frozen=True)
class Ray:
    """A vector or a reading around the circle: `angle` in degrees, `r` in the circle's unit."""

    angle: float
    r: float
    label: str
    role: Literal["found", "wanted", "move", "vector"] = "found"


@dataclass(frozen=True)
class Trace:
    """What was read around, as (angle in degrees, distance from the middle in the circle's unit)."""

    label: str
    points: tuple[tuple[float, float], ...]
    dashed: bool = False


@dataclass(frozen=True)
class Circle:
    """Around a shaft, 0 at the top and clockwise; `rim` is where nothing runs out, `marks` stand on it."""

    label: str
    unit: str
    radius: float
    rays: tuple[Ray, ...]
    zero_label: str = ""
    rim: float | None = None
    traces: tuple[Trace, ...] = ()
    type: Literal["circle"] = "circle"


@dataclass(frozen=True)
class Patch:
    """A region on the flank as points (x toe to heel, y root to tip, both 0 to 1)."""

    role: Literal["wanted", "painted", "predicted", "as_found"]
    points: tuple[tuple[float, float], ...]
    centre: tuple[float, float] | None = None
    outline: tuple[tuple[float, float], ...] = ()
    """Where it ends all round, for one that was reckoned; else its cells are drawn."""


@dataclass(frozen=True)
class Flank:
    """A flank from toe to heel, root to tip. `taper`: by what share it is lower at the toe; `reach`: the line below
    which the other gear never touches; `words`: what is seen on it; `model`: reckoned, not seen."""

    label: str
    side: Literal["drive", "coast"]
    patches: tuple[Patch, ...]
    taper: float = 0.22
    reach: tuple[tuple[float, float], ...] = ()
    words: str = ""
    model: bool = False
    type: Literal["flank"] = "flank"


@dataclass(frozen=True)
class Rung:
    """A position `at`, in full and in short; `value` is what is to be read there."""

    at: float
    label: str
    state: Literal["free", "now", "wanted", "barred", "move"] = "free"
    value: float | None = None
    tag: str = ""


@dataclass(frozen=True)
class Ladder:
    """Discrete positions that can be locked or reached; on the scale lo to hi of the strip above, where it has one."""

    label: str
    rungs: tuple[Rung, ...]
    lo: float | None = None
    hi: float | None = None
    type: Literal["ladder"] = "ladder"


@dataclass(frozen=True)
class Step:
    label: str
    state: Literal["done", "live", "blocked", "stopped"]
    words: str = ""


@dataclass(frozen=True)
class Steps:
    """A guarded sequence."""

    label: str
    steps: tuple[Step, ...]
    type: Literal["steps"] = "steps"


@dataclass(frozen=True)
class SectionShape:
    """One outline of the section. Roles: shaft, part, cut (housing, hatched), race, roller, seal, shim,
    edge (a line on a part), centre (a centre line), half (the housing's second half, hatched the other way), bore (of a hollow shaft)."""

    role: str
    points: tuple[tuple[float, float], ...]
    part: str = ""
    closed: bool = True


@dataclass(frozen=True)
class SectionFlag:
    """A place's flag: at (x, y), w by h, led from its exact spot. `state` is a verdict's code or empty."""

    key: str
    number: int
    label: str
    x: float
    y: float
    w: float
    h: float
    spot: tuple[float, float]
    leader: tuple[float, float]
    state: str = ""
    words: str = ""


@dataclass(frozen=True)
class SectionLabel:
    """The name of a shaft by its end: `text` as it finds room, `full` as it was written; `line`: from end to end of
    the shaft itself; `leader`: from a name that found no room there to that end."""

    text: str
    x: float
    y: float
    w: float
    h: float
    shaft: str = ""
    full: str = ""
    line: tuple[tuple[float, float], ...] = ()
    leader: tuple[tuple[float, float], ...] = ()


@dataclass(frozen=True)
class Section:
    """A unit in schematic section, on a sheet of width by height; lengths in the sheet's own unit. `flow`: the ways
    that power takes, each from where it comes in to where it goes out. `clash`: parts that could not be drawn where
    the definition puts them."""

    label: str
    width: float
    height: float
    shapes: tuple[SectionShape, ...]
    flags: tuple[SectionFlag, ...] = ()
    labels: tuple[SectionLabel, ...] = ()
    moved: tuple[str, ...] = ()
    flow: tuple[tuple[tuple[float, float], ...], ...] = ()
    clash: tuple[str, ...] = ()
    type: Literal["section"] = "section"


@dataclass(frozen=True)
class Table:
    label: str
    head: tuple[str, ...]
    rows: tuple[tuple[str, ...], ...]
    here: tuple[int, ...] = field(default=())
    type: Literal["table"] = "table"


@dataclass(frozen=True)
class BoltDisc:
    """One bolt: its place in the order, and where it sits, in radii of the drawing about its middle."""

    number: int
    x: float
    y: float
    r: float


@dataclass(frozen=True)
class Bolts:
    """The order in which bolts are tightened; the trace goes from number to number. Half a sheet is `half_w` by
    `half_h`."""

    label: str
    discs: tuple[BoltDisc, ...]
    half_w: float
    half_h: float
    stages: tuple[str, ...] = ()
    type: Literal["bolts"] = "bolts"


@dataclass(frozen=True)
class Dial:
    """A gauge's face over `sweep` degrees, 0 up: its own scale outside, a second one inside at the same places."""

    label: str
    unit: str
    lo: float
    hi: float
    sweep: tuple[float, float]
    ticks: tuple[Tick, ...]
    inner_unit: str = ""
    inner: tuple[Tick, ...] = ()
    window: Band | None = None
    stop: Band | None = None
    needle: float | None = None
    type: Literal["dial"] = "dial"


@dataclass(frozen=True)
class GroupRow:
    """One named window; `code` the verdict of what was measured in it, empty where nothing was."""

    name: str
    lo: float
    hi: float
    words: str
    stamped: bool = False
    code: str = ""


@dataclass(frozen=True)
class Groups:
    """Windows of one quantity under each other on one scale, and what was measured laid through them all."""

    label: str
    unit: str
    lo: float
    hi: float
    ticks: tuple[Tick, ...]
    rows: tuple[GroupRow, ...]
    needle: Needle | None = None
    type: Literal["groups"] = "groups"


@dataclass(frozen=True)
class GearDrawn:
    """One gear seen from its end: its outline, the teeth that are to be painted, and where its name stands."""

    label: str
    outline: tuple[tuple[float, float], ...]
    hub: float
    middle: tuple[float, float]
    name_at: tuple[float, float]
    painted: tuple[tuple[tuple[float, float], ...], ...] = ()


@dataclass(frozen=True)
class Gears:
    """Gears in mesh, seen from their ends on a sheet of width by height: which tooth stands in which space."""

    label: str
    width: float
    height: float
    gears: tuple[GearDrawn, ...]
    type: Literal["gears"] = "gears"


@dataclass(frozen=True)
class HoleRing:
    """Positions around a circle, 0 at the top and clockwise, `at` in degrees: bolt holes of a cover. `throw`: where
    what is off centre points now; `zero`: what lies at the top."""

    label: str
    rungs: tuple[Rung, ...]
    throw: float | None = None
    zero: str = ""
    type: Literal["ring"] = "ring"


@dataclass(frozen=True)
class LifeVisit:
    """One visit at its place down the years, 0 to 1: what was found (filled), what was left (open), and how fast it wore
    up to here."""

    at: float
    label: str
    words: str
    found: Tick | None = None
    left: Tick | None = None
    rate: str = ""


@dataclass(frozen=True)
class LifeFan:
    """When the limit will be met: the early end, the likely day and the late end of the band, as places down."""

    early: float
    likely: float
    late: float
    label: str
    words: str


@dataclass(frozen=True)
class Life:
    """A quantity over the years, time running down: the window it is left in, the most in service, every visit."""

    label: str
    unit: str
    lo: float
    hi: float
    ticks: tuple[Tick, ...]
    visits: tuple[LifeVisit, ...]
    window: Band | None = None
    limit: Tick | None = None
    earlier: str = ""
    fan: LifeFan | None = None
    type: Literal["life"] = "life"


Scene = (
    Readout
    | RoundLog
    | Pack
    | Circle
    | Flank
    | Ladder
    | Steps
    | Section
    | Table
    | Bolts
    | Dial
    | Groups
    | Gears
    | HoleRing
    | Life
)
