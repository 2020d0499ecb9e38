"""What could not be drawn where the definition puts it, in words, and the parts that it is about."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from bornek.core.section.rows import Tag
from bornek.core.units.definition import Definition


@dataclass(frozen=True)
class Clash:
    """`field` of the row of this `leaf` and `key` could not have its way."""

    leaf: str
    key: str
    field: str
    words: str
    parts: tuple[str, ...] = ()


def clashes(d: Definition, gave_way: dict[Tag, float]) -> list[Clash]:
    """One for every row that gave way, in the words of its labels."""
    return [_WORDS[sort](d, key) for sort, key in gave_way]


def _shaft(d: Definition, key: str) -> str:
    shaft = d.shaft(key)
    return f"“{shaft.label}”" if shaft else "a shaft"


def _mesh(d: Definition, key: str) -> Clash:
    mesh = d.mesh(key)
    assert mesh is not None
    a, b = d.part(mesh.driver), d.part(mesh.driven)
    assert a is not None and b is not None
    return Clash(
        "meshes",
        key,
        "toward",
        f"“{a.label}” and “{b.label}” cannot touch where everything else puts them. Move one of them along "
        f"{_shaft(d, a.shaft)} or {_shaft(d, b.shaft)}, or say on which other side the mesh “{mesh.label}” lies.",
        (a.key, b.key),
    )


def _on_shaft(field: str, words: str) -> Callable[[Definition, str], Clash]:
    def told(d: Definition, key: str) -> Clash:
        shaft = d.shaft(key)
        other = _shaft(d, getattr(shaft, field, "")) if field in ("after", "beside", "inside") else ""
        return Clash(
            "shafts",
            key,
            field,
            words.format(shaft=_shaft(d, key), other=other),
            tuple(p.key for p in d.on(key)),
        )

    return told


def _plate(d: Definition, key: str) -> Clash:
    part = d.part(key)
    label = part.label if part else key
    return Clash(
        "parts",
        key,
        "shaft",
        f"“{label}” cannot sit in the intermediate plate where the other bearings of the plate do. "
        "Move it along its shaft, or take it out of the plate.",
        (key,),
    )


def _ring(d: Definition, key: str) -> Clash:
    part = d.part(key)
    assert part is not None
    return Clash(
        "parts",
        key,
        "shaft",
        f"“{part.label}” cannot stand round its planets beside what comes before it on {_shaft(d, part.shaft)}. Move "
        "it along its shaft, or draw it the other way.",
        (key,),
    )


_WORDS: dict[str, Callable[[Definition, str], Clash]] = {
    "mesh": _mesh,
    "plate": _plate,
    "ring": _ring,
    "wall": _on_shaft(
        "label",
        "The bearings of {shaft} do not reach the housing's walls with its parts between them in this order. Look at "
        "what lies between the bearings and what lies outside of them.",
    ),
    "after": _on_shaft(
        "after",
        "{shaft} cannot lie in line behind {other} where its gears and bearings put it. Move its parts along, or say "
        "that it follows another shaft.",
    ),
    "beside": _on_shaft(
        "beside", "{shaft} cannot lie beside {other} where its gears put it. Say beside which shaft it lies."
    ),
    "inside": _on_shaft(
        "inside",
        "{shaft} does not fit into the bore of {other} with its parts in this order. Say after which part it enters, "
        "or move its parts along.",
    ),
    "tube": _on_shaft(
        "label",
        "{shaft} is a tube round another shaft, and its own parts do not fit along it in this order. Move them along.",
    ),
    "pins": _on_shaft(
        "pins",
        "The planets on {shaft} cannot stand beside their carrier where their gears put them. Move the carrier along "
        "its shaft, or draw it the other way.",
    ),
    "apart": _on_shaft(
        "label", "{shaft} cannot be drawn clear of the other shafts: say beside which one it lies."
    ),
}
