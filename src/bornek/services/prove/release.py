"""The unit is released for service, or goes out as it is and is tagged so."""

from __future__ import annotations

from typing import Any

from bornek.core.errors import InputError
from bornek.core.facts.registry import body_of, read_fact
from bornek.core.facts.released import Released, ReleasedKind
from bornek.core.plain import dump
from bornek.core.prove.point import left_words, told
from bornek.core.prove.sheet import ProveSheet
from bornek.core.units.definition import Definition
from bornek.services.desk import Desk
from bornek.services.people.second import check_second
from bornek.services.prove.load_prove import load_prove
from bornek.services.strip.append_fact import append_fact
from bornek.store.queries.jobs import open_job
from bornek.store.queries.yard import local


def release(desk: Desk, job_id: str, sent: dict[str, Any]) -> None:
    """sent: id, how (service or as_it_is), second, words, proof and second_proof (authenticated or named). Raises
    InputError naming what must be settled first, what wants a reason, or that the second person is the first."""
    job, _ = open_job(desk.session, job_id)
    sheet = load_prove(desk.session, job, local(desk.session, desk.now))
    if sheet.release is not None:
        raise InputError(
            f"It was released already, by {sheet.release.by}.", field="how", next_step="Close the job."
        )
    asked = ("how", "second", "words", "proof", "second_proof")
    given: dict[str, Any] = {key: sent[key] for key in asked if key in sent}
    _, body = read_fact(ReleasedKind.key, given, Definition())
    if sheet.log.running is not None:
        raise InputError("It runs: end the stage first.", field="how", next_step="Go to Run-in.")
    left = _left_of_service(desk, sheet, body) if body.how == "service" else _left_as_it_is(sheet, body)
    append_fact(
        desk,
        job,
        sent["id"],
        ReleasedKind.key,
        "",
        body_of(Released(body.how, body.second, body.words, tuple(left), body.proof, body.second_proof)),
    )


def _left_of_service(desk: Desk, sheet: ProveSheet, body: Released) -> list[str]:
    if sheet.first:
        raise InputError(
            "It cannot be released: " + told(sheet.first) + ".",
            field="open_points",
            next_step="Settle each where it is written, then release.",
            details={"open_points": dump(sheet.first)},
        )
    open_points = [p for p in sheet.may_stay if p.group != "after"]
    if open_points and not body.words:
        raise InputError(
            "Still open: " + told(open_points) + ".",
            field="words",
            next_step="Settle it, put it off, or say why it is released with it.",
            details={"open_points": dump(open_points)},
        )
    check_second(desk, body.second)
    if sheet.second_person and not body.second:
        raise InputError(
            "This unit wants a second person who looked.", field="second", next_step="Choose a name."
        )
    return [left_words(p) for p in open_points]


def _left_as_it_is(sheet: ProveSheet, body: Released) -> list[str]:
    if not body.words:
        raise InputError(
            "Say why it goes out as it is.",
            field="words",
            next_step="Scrapped, withdrawn by its owner, waits elsewhere; and that it is tagged.",
        )
    return [left_words(p) for p in sheet.open if p.group != "after"]
