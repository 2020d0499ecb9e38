"""A shaft copied mirrored, for drives with two sides: its parts in the other order, its places, settings and meshes."""

from __future__ import annotations

import re
from collections.abc import Callable
from copy import deepcopy

from bornek.core.errors import NotFound
from bornek.core.units.references import REFERENCES, Plain, rows_of
from bornek.core.units.settle_keys import key_from

SIDES = {"left": "right", "right": "left", "upper": "lower", "lower": "upper"}
OTHER_SIDE = ", other side"
_SIDE = re.compile(r"\b(" + "|".join(SIDES) + r")\b", re.IGNORECASE)


def other_name(name: str) -> str:
    """
    >>> other_name("Left axle"), other_name("Hub nut")
    ('Right axle', 'Hub nut, other side')
    """
    turned = _SIDE.sub(_turn, name)
    if turned != name:
        return turned
    return name.removesuffix(OTHER_SIDE) if name.endswith(OTHER_SIDE) else name + OTHER_SIDE


def _turn(found: re.Match[str]) -> str:
    word = SIDES[found[0].lower()]
    return word.capitalize() if found[0][0].isupper() else word


def mirror_shaft(d: Plain, key: str) -> Plain:
    """With a copy of this shaft in line behind the last that follows it, everything on it in the other order.

    A mesh comes with it where the other gear has a copy of the other name, or lies on a shaft that serves both sides.
    Raises NotFound for a shaft that there is not.
    """
    shaft = next((s for s in rows_of(d, "shafts") if s.get("key") == key), None)
    if shaft is None:
        raise NotFound(
            "This shaft is not there any more.", field="shaft", next_step="Choose one on the drawing."
        )
    made = deepcopy(d)
    new = {leaf: _copier(made, leaf) for leaf in ("shafts", "parts", "meshes", "places", "settings")}
    twin = new["shafts"](shaft, power="", after=_last_in_line(d, key))
    old_parts = [p for p in rows_of(d, "parts") if p.get("shaft") == key]
    parts = {p["key"]: new["parts"](p, shaft=twin["key"]) for p in reversed(old_parts)}
    _follow(made, twin, parts)
    for mesh in rows_of(d, "meshes"):
        ends = {end: _other_end(d, str(mesh.get(end)), parts) for end in ("driver", "driven")}
        if {mesh.get("driver"), mesh.get("driven")} & parts.keys() and all(ends.values()):
            new["meshes"](mesh, **ends)
    places = {}
    for place in rows_of(d, "places"):
        if place.get("at") in parts:
            closed = [parts[k]["key"] if k in parts else k for k in place.get("closed_by") or []]
            more = {"closed_by": closed} if closed else {}
            places[place["key"]] = new["places"](place, at=parts[place["at"]]["key"], **more)
    for setting in rows_of(d, "settings"):
        if setting.get("place") in places:
            new["settings"](setting, place=places[setting["place"]]["key"], rests_on=[], rides_on="")
    return made


def _copier(made: Plain, leaf: str) -> Callable[..., Plain]:
    """Puts a copy of a row at the end of a leaf: other name, key from it, fields said anew."""

    def copy(row: Plain, **anew: object) -> Plain:
        label = other_name(str(row.get("label", "")))
        taken = [str(r.get("key")) for r in rows_of(made, leaf)]
        fields = {k: v for k, v in anew.items() if v or k in row}
        twin = {
            **deepcopy(row),
            **fields,
            "label": label,
            "key": key_from(label, taken, leaf.removesuffix("s")),
        }
        made.setdefault(leaf, []).append(twin)
        return twin

    return copy


def _follow(made: Plain, twin: Plain, parts: dict[str, Plain]) -> None:
    """The shaft's own references to its parts lead to their copies; what it runs in or is pinned to stays."""
    for r in REFERENCES:
        if r.leaf == "shafts" and r.to == ("parts",) and twin.get(r.field) in parts:
            twin[r.field] = parts[str(twin[r.field])]["key"]


def _last_in_line(d: Plain, key: str) -> str:
    last, seen = key, {key}
    while True:
        follower = next((s for s in rows_of(d, "shafts") if s.get("after") == last), None)
        if follower is None or follower.get("key") in seen:
            return last
        last = str(follower["key"])
        seen.add(last)


def _other_end(d: Plain, gear: str, parts: dict[str, Plain]) -> str:
    """The gear that a copied mesh has at this end: a copy, the one of the other name, or the same again."""
    if gear in parts:
        return str(parts[gear]["key"])
    row = next((p for p in rows_of(d, "parts") if p.get("key") == gear), None)
    if row is None:
        return ""
    label = str(row.get("label", ""))
    named = next((p for p in rows_of(d, "parts") if p.get("label") == other_name(label)), None)
    if named is not None:
        return str(named["key"])
    return "" if _SIDE.search(label) else gear
