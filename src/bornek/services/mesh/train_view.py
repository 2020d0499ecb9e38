"""A job's gear train: its section with the way of power in each position, what was counted, levers, marks."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import groupby
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.plain import dump
from bornek.core.scenes import Gears, Section
from bornek.core.section.draw_flow import draw_flow
from bornek.core.section.draw_section import section_of
from bornek.core.section.laid import lay_out
from bornek.core.section.sheet_size import HEIGHT, WIDTH
from bornek.core.train.flow import power_paths
from bornek.core.train.gears_drawn import close_up, draw_gears
from bornek.core.train.positions import Train
from bornek.core.train.sheet import TrainSheet
from bornek.core.train.timing import timed
from bornek.core.units.definition import Definition
from bornek.services.job.job_definition import definition_of, definition_text, read_text
from bornek.services.mesh.train_of import train_of
from bornek.store.queries.jobs import job_with_unit

Line = tuple[tuple[float, float], ...]
CAUTIONS = (
    "Turn by hand only, under lock-out: one person turns, and says so first; fingers off the gears.",
    "Input seized or a lever that will not move: stop and look, never with a longer bar.",
    "The maker's manual, the shop's rules and local codes come first.",
)


@dataclass(frozen=True)
class PositionFlow:
    """The ways of power in one position, on the section's sheet."""

    position: str
    flow: tuple[Line, ...]


@dataclass(frozen=True)
class TrainHead:
    id: str
    tag: str
    unit_name: str
    complaint: str
    version: int


@dataclass(frozen=True)
class TrainView:
    """`state`: nothing, open, wrong or done. `marks`: gears that are
    timed, whole; `close`: each mark by itself."""

    job: TrainHead
    cautions: list[str]
    state: str
    sheet: TrainSheet
    section: Section
    flows: list[PositionFlow]
    marks: list[Gears]
    close: list[Gears]


def view_train(session: Session, job_id: str) -> dict[str, Any]:
    job, unit = job_with_unit(session, job_id)
    sheet = train_of(session, job)
    section, flows, marks = _drawn(definition_text(job))
    shown: dict[str, Any] = dump(
        TrainView(
            job=TrainHead(job.id, unit.tag, unit.name, job.complaint, job.seq),
            cautions=[*definition_of(job).cautions, *CAUTIONS],
            state=sheet.state,
            sheet=sheet,
            section=section,
            flows=list(flows),
            marks=list(marks),
            close=[close_up(x) for x in timed(definition_of(job))],
        )
    )
    return shown


@lru_cache(maxsize=64)
def _drawn(text: str) -> tuple[Section, tuple[PositionFlow, ...], tuple[Gears, ...]]:
    d = read_text(text)
    train, marks = Train(d), draw_marks(d)
    laid = lay_out(d)
    if laid is None:
        return Section("Power flow", WIDTH, HEIGHT, ()), (), marks
    flows = tuple(PositionFlow(p.key, draw_flow(laid, power_paths(train, p))) for p in train.reached)
    return section_of(laid, "Power flow"), flows, marks


def draw_marks(d: Definition) -> tuple[Gears, ...]:
    """Every gear that is timed, with its mates."""
    found = sorted(timed(d), key=lambda x: x.other.key)
    groups: Sequence[list[Any]] = [list(g) for _, g in groupby(found, key=lambda x: x.other.key)]
    return tuple(draw_gears(", ".join(x.mark.label for x in g), g) for g in groups)
