"""What could make the counts come out as they did: each likely mistake is put into the train and reckoned again."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import combinations

from bornek.core.train.counted import Count, compare
from bornek.core.train.members import hand_unknown
from bornek.core.train.positions import Train
from bornek.core.units.definition import Definition, Part
from bornek.core.units.mesh import Mesh, Side

OPPOSITE: dict[str, Side] = {"left": "right", "right": "left", "above": "below", "below": "above"}
OFF_BY = (-1, 1, -2, 2, -3, 3)
"""Another gear of the same pattern differs by a few teeth."""
MOST = 4


@dataclass(frozen=True)
class Fault:
    """A mistake that explains every count: where it is, and what it means. `part`: what to look at first."""

    sort: str
    words: str
    part: str = ""


def faults(train: Train, counts: Sequence[Count]) -> list[Fault]:
    """Mistakes under which the train would do just what was counted, the likeliest first; none where all agree.

    Each is one mistake alone. Two at once are not looked for.
    """
    if all(_agrees(train, c) for c in counts):
        return []
    found = []
    for fault, other in mistakes(train.d):
        wrong = Train(other)
        if all(_agrees(wrong, c) for c in counts):
            found.append(fault)
    return found[:MOST]


def _agrees(train: Train, count: Count) -> bool:
    position = train.at(count.at)
    return position is not None and not position.trouble and compare(position, count) == "agrees"


def mistakes(d: Definition) -> Iterator[tuple[Fault, Definition]]:
    """Every single mistake that is thought of, with the unit as it would be then; the likeliest first."""
    yield from _turned_bevels(d)
    yield from _crossed_levers(d)
    yield from _idlers(d)
    yield from _pairs(d)
    yield from _other_gears(d)


def _turned_bevels(d: Definition) -> Iterator[tuple[Fault, Definition]]:
    for m in d.meshes:
        if m.crossed:
            words = (
                f"{m.label}: the gear sits on the wrong side of its pinion. Every forward speed becomes a reverse and "
                "the reverse a forward speed. Put it round before it is closed."
            )
            yield Fault("bevel_side", words, m.driven), _with_mesh(d, replace(m, body=OPPOSITE[m.body]))
        elif m.mesh_kind == "worm" and not hand_unknown(m):
            other = replace(m, hand="left" if m.hand == "right" else "right")
            yield (
                Fault(
                    "worm_hand",
                    f"{m.label}: a worm of the other hand, or its wheel on the other side.",
                    m.driver,
                ),
                _with_mesh(d, other),
            )


def _crossed_levers(d: Definition) -> Iterator[tuple[Fault, Definition]]:
    for i, lever in enumerate(d.levers):
        for a, b in combinations(range(len(lever.positions)), 2):
            one, other = lever.positions[a], lever.positions[b]
            if one.joins and other.joins:
                rows = list(lever.positions)
                rows[a], rows[b] = replace(one, joins=other.joins), replace(other, joins=one.joins)
                levers = list(d.levers)
                levers[i] = replace(lever, positions=tuple(rows))
                words = (
                    f"{lever.label}: {one.label} and {other.label} have changed places. The fork or the linkage is "
                    "the wrong way round."
                )
                yield Fault("lever_crossed", words, lever.dog), replace(d, levers=tuple(levers))


def idlers(d: Definition) -> list[Part]:
    """Gears that only pass the motion on: alone in their meshes on a shaft that nothing else drives or leaves.

    >>> idlers(Definition())
    []
    """
    found = []
    for p in d.parts:
        at = [m for m in d.meshes if p.key in (m.driver, m.driven)]
        alone = [q for q in d.on(p.shaft) if q.teeth] == [p]
        shaft = d.shaft(p.shaft)
        dogs = any((dog := d.part(x.dog)) is not None and dog.shaft == p.shaft for x in d.levers)
        if len(at) == 2 and alone and shaft is not None and not shaft.power and not dogs:
            found.append(p)
    return found


def _idlers(d: Definition) -> Iterator[tuple[Fault, Definition]]:
    for p in idlers(d):
        before, behind = (m for m in d.meshes if p.key in (m.driver, m.driven))
        rest = tuple(m for m in d.meshes if m not in (before, behind))
        ends = [m.driver if m.driven == p.key else m.driven for m in (before, behind)]
        words = f"{p.label} is left out: what it drives stands still there."
        yield Fault("idler_out", words, p.key), replace(d, meshes=rest)
        straight = replace(behind, driver=ends[0], driven=ends[1])
        words = f"{p.label} is left out and the gears beside it mesh with each other: it turns the wrong way there."
        yield Fault("idler_passed", words, p.key), replace(d, meshes=(*rest, straight))


def _pairs(d: Definition) -> Iterator[tuple[Fault, Definition]]:
    """Gears of one pair exchanged, and pairs of the same two shafts that changed places."""
    of = {p.key: p for p in d.parts}
    spur = [m for m in d.meshes if m.mesh_kind == "spur"]
    for m in spur:
        a, b = of[m.driver], of[m.driven]
        if a.teeth != b.teeth:
            words = f"{m.label}: its two gears have changed places."
            yield Fault("gears_changed", words, m.driver), _with_teeth(d, {a.key: b.teeth, b.key: a.teeth})
    for m, n in combinations(spur, 2):
        ends = [{of[x.driver].shaft, of[x.driven].shaft} for x in (m, n)]
        if ends[0] == ends[1]:
            pairs = _same_way(of, m, n)
            teeth = {x.key: y.teeth for x, y in pairs} | {y.key: x.teeth for x, y in pairs}
            if any(of[k].teeth != z for k, z in teeth.items()):
                words = f"{m.label} and {n.label} have changed places: each stands where the other belongs."
                yield Fault("pairs_changed", words, m.driver), _with_teeth(d, teeth)


def _same_way(of: dict[str, Part], m: Mesh, n: Mesh) -> list[tuple[Part, Part]]:
    """The gears of two pairs by the shaft on which they sit."""
    a, b, c, e = of[m.driver], of[m.driven], of[n.driver], of[n.driven]
    return [(a, c), (b, e)] if a.shaft == c.shaft else [(a, e), (b, c)]


def _other_gears(d: Definition) -> Iterator[tuple[Fault, Definition]]:
    meshing = {k for m in d.meshes for k in (m.driver, m.driven)}
    for by in OFF_BY:
        for p in d.parts:
            if p.key in meshing and p.teeth + by > 5:
                words = f"{p.label} may have {p.teeth + by} teeth instead of {p.teeth}: count them."
                yield Fault("other_gear", words, p.key), _with_teeth(d, {p.key: p.teeth + by})


def _with_mesh(d: Definition, mesh: Mesh) -> Definition:
    return replace(d, meshes=tuple(mesh if m.key == mesh.key else m for m in d.meshes))


def _with_teeth(d: Definition, teeth: dict[str, int]) -> Definition:
    return replace(d, parts=tuple(replace(p, teeth=teeth[p.key]) if p.key in teeth else p for p in d.parts))
