"""What a setting need not be told, because its unit's definition says it: teeth, cover, marks, which way it turns."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from bornek.core.errors import BornekError
from bornek.core.phrases import lower_first
from bornek.core.settings.kind import Calculation, Setting
from bornek.core.settings.registry import find_kind
from bornek.core.train.counted import OTHER
from bornek.core.train.drawn import forward_way
from bornek.core.train.members import AFTER, member_of
from bornek.core.train.positions import Train
from bornek.core.units.definition import Definition, Limit, Part, SettingPoint
from bornek.core.units.limits import give_limits
from bornek.core.units.mesh import EccentricCover, Mesh


def give_known(d: Definition, point: SettingPoint, kind: Calculation) -> dict[str, Any]:
    """What is given, with what the definition knows put in where nothing was typed.

    A kind names the fields that may be filled so (`from_unit`); what it does not ask for as things stand is left out.
    """
    wanted: Mapping[str, str] = kind.from_unit if isinstance(kind, Setting) else {}
    if not wanted:
        return dict(point.given)
    facts = unit_facts(d, point)
    given = dict(point.given)
    for field, fact in wanted.items():
        value = facts.get(fact)
        if given.get(field) in (None, "") and value not in (None, "", 0):
            given[field] = value
    asked = {f.key for f in kind.form(given)}
    return {k: v for k, v in given.items() if k in asked or k in point.given}


def known_words(d: Definition, point: SettingPoint) -> str:
    """What a setting need not be told, by the labels of its form; empty where the unit knows nothing of it, or
    where there is no such kind."""
    try:
        kind = find_kind(point.kind)
    except BornekError:
        return ""
    known = give_known(d, point, kind)
    labels = {f.key: f.label for f in kind.form(known)}
    return ", ".join(
        f"{lower_first(labels[k])} {v}" for k, v in known.items() if k not in point.given and k in labels
    )


def given_of(d: Definition, point: SettingPoint, kind: Calculation, limit: Limit | None) -> dict[str, Any]:
    """All that a setting starts from: what was typed, what the unit knows, the limits that hold for it."""
    return give_limits(kind, give_known(d, point, kind), limit)


def unit_facts(d: Definition, point: SettingPoint) -> dict[str, Any]:
    """All that the definition knows of the mesh or cover at a setting's place, by name."""
    place = d.place(point.place)
    at = place.at if place else ""
    cover = next((c for c in d.covers if at and at in (c.part, c.mesh)), None)
    mesh = d.mesh(cover.mesh if cover else at)
    facts: dict[str, Any] = {}
    if mesh is not None:
        facts |= _mesh_facts(d, mesh)
    if cover is not None:
        facts |= _cover_facts(cover)
    return facts


def _mesh_facts(d: Definition, mesh: Mesh) -> dict[str, Any]:
    driver, driven = d.part(mesh.driver), d.part(mesh.driven)
    if driver is None or driven is None:
        return {}
    pinion, gear = (driven, driver) if pinion_of(d, mesh) is driven else (driver, driven)
    facts: dict[str, Any] = {
        "driver_teeth": driver.teeth,
        "driven_teeth": driven.teeth,
        "driver_cut": driver.cut,
        "driven_cut": driven.cut,
        "pinion_teeth": pinion.teeth,
        "gear_teeth": gear.teeth,
        "offset": mesh.offset,
        "driving": "pinion" if pinion is driver else "gear",
        "pinion_turns": pinion_way(d, mesh),
    }
    mark = next((m for m in d.timing if m.mesh == mesh.key), None)
    if mark is not None:
        facts |= {"tooth_on": mark.tooth_on, "tooth": mark.tooth, "space": mark.space}
    return facts


def pinion_of(d: Definition, mesh: Mesh) -> Part | None:
    """The smaller gear of a bevel pair, by what it is called; else the driver."""
    driver, driven = d.part(mesh.driver), d.part(mesh.driven)
    return driven if driven is not None and driven.part_kind == "bevel_pinion" else driver


def pinion_way(d: Definition, mesh: Mesh) -> str:
    """Which way a bevel pinion turns going forward, seen from its own shaft's end: the one away from the gear."""
    pinion = pinion_of(d, mesh)
    if not mesh.crossed or pinion is None:
        return ""
    way = forward_way(Train(d), member_of(pinion))
    lies_low = mesh.toward in AFTER if mesh.driver == pinion.key else mesh.body not in AFTER
    return way if lies_low or not way else OTHER[way]


def _cover_facts(cover: EccentricCover) -> dict[str, Any]:
    return {
        "holes": cover.holes,
        "throw": cover.throw,
        "throw_angle": cover.angle,
        "half": cover.half,
    }
