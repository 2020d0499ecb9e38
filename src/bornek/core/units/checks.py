"""What a definition must keep, and what it must be asked about before it counts."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable
from dataclasses import dataclass

from bornek.core.errors import BornekError, InputError
from bornek.core.keys import is_key
from bornek.core.phrases import lower_first
from bornek.core.plain import dump
from bornek.core.quantities import parse
from bornek.core.settings.given import read_given
from bornek.core.settings.records import Context
from bornek.core.settings.registry import find_kind
from bornek.core.units.check_planets import planet_problems
from bornek.core.units.check_prove import prove_problems
from bornek.core.units.check_steps import step_problems
from bornek.core.units.check_train import train_problems
from bornek.core.units.definition import Definition, Limit, SettingPoint
from bornek.core.units.known import given_of
from bornek.core.units.part_kinds import GEARS, PART_KINDS
from bornek.core.units.told import words_of

MISSING = " is missing"
LEAVES = (
    "shafts",
    "parts",
    "meshes",
    "places",
    "settings",
    "steps",
    "levers",
    "interlocks",
    "timing",
    "covers",
    "lubricant",
    "prove",
    "run_in",
)
"""The lists of a definition, whose rows have keys of their own."""


@dataclass(frozen=True)
class LimitQuestion:
    """Something that reads two ways. `options` are (answer, words)."""

    path: str
    words: str
    options: tuple[tuple[str, str], ...]


def check_definition(d: Definition) -> None:
    """Raises InputError whose words name every row that does not hold by its label, and its details the fields by
    path."""
    wrong = definition_problems(d)
    if wrong:
        raise InputError(
            "The unit type does not hold together. " + words_of(dump(d), wrong),
            field=next(iter(wrong)),
            next_step="Mend what is named; nothing was stored.",
            details={"fields": wrong},
        )


def definition_problems(d: Definition) -> dict[str, str]:
    """What does not hold, by path."""
    wrong: dict[str, str] = {}
    for name in LEAVES:
        rows = getattr(d, name)
        count = Counter(row.key for row in rows)
        for i, row in enumerate(rows):
            if not is_key(row.key):
                wrong[f"{name}[{i}].key"] = (
                    f"must be small letters, digits and dashes, at most 40 (got {row.key!r})"
                )
            elif count[row.key] > 1:
                wrong[f"{name}[{i}].key"] = f"is used twice: {row.key}"
            if not row.label:
                wrong[f"{name}[{i}].label"] = "is missing"
    _shafts(d, wrong)
    _parts(d, wrong)
    _meshes(d, wrong)
    _points(d, wrong)
    _steps(d, wrong)
    for path, why in (train_problems(d) | prove_problems(d) | planet_problems(d)).items():
        wrong.setdefault(path, why)
    return wrong


def _known(
    wrong: dict[str, str], path: str, key: str, known: Iterable[str], what: str, may_lack: bool = True
) -> None:
    if (key or not may_lack) and key not in known:
        wrong[path] = f"names no {what} of this unit (got {key!r})"


def _shafts(d: Definition, wrong: dict[str, str]) -> None:
    keys = {s.key for s in d.shafts}
    for i, s in enumerate(d.shafts):
        _known(wrong, f"shafts[{i}].after", s.after, keys - {s.key}, "other shaft")
        _known(wrong, f"shafts[{i}].beside", s.beside, keys - {s.key}, "other shaft")


def _parts(d: Definition, wrong: dict[str, str]) -> None:
    shafts, places = {s.key for s in d.shafts}, {p.key for p in d.places}
    for i, p in enumerate(d.parts):
        _known(wrong, f"parts[{i}].shaft", p.shaft, shafts, "shaft")
        _known(wrong, f"parts[{i}].inside", p.inside, places, "place")
        if p.part_kind not in PART_KINDS:
            wrong[f"parts[{i}].kind"] = f"must be one of {', '.join(PART_KINDS)} (got {p.part_kind!r})"
        for key, value, lo, hi in (
            ("count", p.count, 1, 500),
            ("teeth", p.teeth, 0, 500),
            ("size", p.size, 0.3, 3),
            ("mass_kg", p.mass_kg, 0, 100_000),
        ):
            if not lo <= value <= hi:
                wrong[f"parts[{i}].{key}"] = f"must be {lo:g} to {hi:g} (got {value:g})"


def _meshes(d: Definition, wrong: dict[str, str]) -> None:
    line = {s.key: s.line for s in d.shafts}
    gears = {p.key: p for p in d.parts if p.part_kind in GEARS and p.shaft in line}
    for i, m in enumerate(d.meshes):
        for end in ("driver", "driven"):
            _known(wrong, f"meshes[{i}].{end}", getattr(m, end), gears, "gear on a shaft", may_lack=False)
        if m.driver == m.driven and m.driver in gears:
            wrong[f"meshes[{i}].driven"] = "is the driver itself: a gear meshes with another"
        if m.driver not in gears or m.driven not in gears:
            continue
        crossed = line[gears[m.driver].shaft] != line[gears[m.driven].shaft]
        if crossed != m.crossed:
            wrong[f"meshes[{i}].kind"] = (
                f"{m.mesh_kind} needs one level and one upright shaft"
                if not crossed
                else "needs two level or two upright shafts (a worm is drawn turned into the plane)"
            )


def _points(d: Definition, wrong: dict[str, str]) -> None:
    spots = {p.key for p in d.parts} | {m.key for m in d.meshes}
    places, parts = {p.key for p in d.places}, {p.key for p in d.parts}
    for i, p in enumerate(d.places):
        _known(wrong, f"places[{i}].at", p.at, spots, "part or mesh")
        for n, key in enumerate(p.closed_by):
            _known(wrong, f"places[{i}].closed_by[{n}]", key, parts, "part", may_lack=False)
    serials = {p.key for p in d.parts if p.identity}
    for i, s in enumerate(d.settings):
        _known(wrong, f"settings[{i}].place", s.place, places, "place", may_lack=False)
        _known(wrong, f"settings[{i}].rides_on", s.rides_on, serials, "part with a serial")
        for n, other in enumerate(s.rests_on):
            _known(wrong, f"settings[{i}].rests_on[{n}]", other, places, "place", may_lack=False)
        try:
            kind = find_kind(s.kind)
            for limit in s.limits or (None,):
                given = read_given(kind, given_of(d, s, kind, limit))
                target = kind.evaluate(Context(given=given)).target()
            if s.in_service:
                parse(s.in_service, target.quantity if target else "length")
                if not s.service_source:
                    wrong[f"settings[{i}].service_source"] = "is missing: a limit has a source"
        except BornekError as error:
            wrong[f"settings[{i}]"] = f"{s.label}: {_still_wants(error)}"


def _still_wants(error: BornekError) -> str:
    """What a setting lacks as one list, then what else does not hold in it."""
    fields: dict[str, str] = error.details.get("fields", {})
    lacks = [why.split(MISSING)[0] for why in fields.values() if MISSING in why]
    rest = [why for why in fields.values() if MISSING not in why]
    wants = [f"it still wants {', '.join(lower_first(x) for x in lacks)}"] if lacks else []
    return ". ".join([*wants, *rest]) or error.message


def _steps(d: Definition, wrong: dict[str, str]) -> None:
    keys = {s.key for s in d.steps}
    for i, s in enumerate(d.steps):
        for name, why in step_problems(d, s).items():
            wrong.setdefault(f"steps[{i}].{name}", why)
        for n, other in enumerate(s.needs):
            _known(wrong, f"steps[{i}].needs[{n}]", other, keys - {s.key}, "other step", may_lack=False)
        _known(wrong, f"steps[{i}].open_until", s.open_until, keys, "step")


def questions(d: Definition) -> list[LimitQuestion]:
    """Limits whose words say preload while the numbers are a play, not answered yet."""
    asked = []
    for i, s in enumerate(d.settings):
        for n, limit in enumerate(s.limits):
            if not limit.meant and _says_preload(s, limit) and _is_play(s, limit):
                asked.append(
                    LimitQuestion(
                        f"settings[{i}].limits[{n}].meant",
                        f"{s.label}: the table says preload, but {limit.least} to {limit.greatest} as it stands is a "
                        "play. Which is it?",
                        (
                            ("preload", f"preload: {limit.least} to {limit.greatest} tight"),
                            ("play", f"play: {limit.least} to {limit.greatest} loose, the word is wrong"),
                        ),
                    )
                )
    return asked


def _says_preload(s: SettingPoint, limit: Limit) -> bool:
    return "preload" in f"{limit.text} {limit.source} {s.label}".lower()


def _is_play(s: SettingPoint, limit: Limit) -> bool:
    if s.given.get("meant") == "preload":
        return False
    try:
        return parse(limit.greatest or limit.least or "0").value > 0
    except BornekError:
        return False
