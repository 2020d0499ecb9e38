"""Timing marks: which teeth to paint, what must stand opposite what, and what one tooth out comes to."""

from __future__ import annotations

import math
from dataclasses import dataclass

from bornek.core.phrases import lower_first
from bornek.core.units.definition import Definition, Part
from bornek.core.units.mesh import Mesh, TimingMark

TOWARD = {"above": 0.0, "right": 90.0, "below": 180.0, "left": 270.0}
"""Where a mate lies, in degrees from the top, clockwise."""
AGREE_TEETH = 0.1


@dataclass(frozen=True)
class Timed:
    """A mark with its gears: `one` shows the tooth, `other` the space."""

    mark: TimingMark
    mesh: Mesh
    one: Part
    other: Part

    @property
    def other_teeth(self) -> tuple[int, int]:
        """The two neighbouring teeth of the space."""
        return self.mark.space, self.mark.space % self.other.teeth + 1

    @property
    def toward_one(self) -> float:
        """Where the gear with the tooth lies, seen from the other [deg]."""
        at = TOWARD.get(self.mesh.toward, 90.0)
        return at if self.one.key == self.mesh.driven else (at + 180) % 360


def timed(d: Definition) -> list[Timed]:
    """The marks of a unit whose gears and teeth are known."""
    return [t for mark in d.timing if (t := _timed(d, mark)) is not None]


def _timed(d: Definition, mark: TimingMark) -> Timed | None:
    mesh = d.mesh(mark.mesh)
    if mesh is None:
        return None
    ends = (d.part(mesh.driven), d.part(mesh.driver))
    one, other = ends if mark.tooth_on == "driven" else ends[::-1]
    if one is None or other is None or not (one.teeth and other.teeth):
        return None
    return Timed(mark, mesh, one, other)


def paint_words(t: Timed) -> str:
    """What to paint, and what must stand opposite what.

    >>> m = Mesh("m", "M", "in", "lay")
    >>> paint_words(Timed(TimingMark("t", "T", "m", tooth=1, space=13, where="over the keyway"), m,
    ...     Part("lay", "Countershaft gear", "gear", teeth=36), Part("in", "Input gear", "gear", teeth=24)))
    'Countershaft gear: paint tooth 1, over the keyway. Input gear: paint teeth 13 and 14. The one must stand between the two.'
    """
    where = f", {t.mark.where}" if t.mark.where else ""
    a, b = t.other_teeth
    return (
        f"{t.one.label}: paint tooth {t.mark.tooth}{where}. {t.other.label}: paint teeth {a} and {b}. The one must "
        "stand between the two."
    )


def stands_words(t: Timed) -> str:
    """What must stand where, in short."""
    a, b = t.other_teeth
    return f"tooth {t.mark.tooth} between teeth {a} and {b} of the {lower_first(t.other.label)}"


def meets_again(t: Timed) -> int:
    """Turns of the gear with the space until the same tooth stands in the same space: lcm(z1, z2) / z.

    >>> m = Mesh("m", "M", "in", "lay")
    >>> meets_again(Timed(TimingMark("t", "T", "m"), m, Part("lay", "L", "gear", teeth=36), Part("in", "I", "gear", teeth=24)))
    3
    """
    return math.lcm(t.one.teeth, t.other.teeth) // t.other.teeth


def marks_agree(found: list[Timed]) -> list[str]:
    """Marks on one gear that cannot stand right together: its spaces must lie where its mates do.

    Two mates a half turn apart want spaces z/2 teeth apart: with an odd number one of them is half a tooth off.
    """
    said = []
    for i, t in enumerate(found):
        for u in found[i + 1 :]:
            if t.other.key != u.other.key:
                continue
            apart = (u.toward_one - t.toward_one) * t.other.teeth / 360
            off = (u.mark.space - t.mark.space) - apart
            off -= t.other.teeth * round(off / t.other.teeth)
            if abs(off) > AGREE_TEETH:
                words = (
                    f"{t.mark.label} and {u.mark.label} cannot both stand right: their spaces on {t.other.label} are "
                    f"{abs(off):.2g} of a tooth from where the gears lie."
                )
                said.append(words)
    return said


def one_out(d: Definition, t: Timed, teeth: int = 1) -> list[tuple[str, float]]:
    """How far the other gears of a shaft stand off in their own meshes when it goes in so many teeth out.

    Equation: n·z_k / z_1, its fraction to the nearest whole tooth; shares of a tooth, by gear.

    >>> from bornek.core.units.definition import Shaft
    >>> lay = (Part("a", "A", "gear", "lay", teeth=36), Part("b", "B", "gear", "lay", teeth=24))
    >>> d = Definition(shafts=(Shaft("lay", "Lay"),), parts=lay, meshes=(Mesh("n", "N", "b", "out"),))
    >>> t = Timed(TimingMark("t", "T", "m"), Mesh("m", "M", "in", "a"), lay[0], Part("in", "In", "gear", teeth=20))
    >>> [(name, round(off, 3)) for name, off in one_out(d, t)]
    [('B', -0.333)]
    """
    meshing = {k for m in d.meshes for k in (m.driver, m.driven)}
    found = []
    for p in d.on(t.one.shaft):
        if p.key != t.one.key and p.teeth and p.key in meshing:
            off = teeth * p.teeth / t.one.teeth
            found.append((p.label, off - round(off)))
    return found


def out_words(d: Definition, t: Timed, teeth: int) -> str:
    """What it means that a shaft went in so many teeth out.

    Said as a share of a tooth, so that it can be told from what backlash there is.
    """
    worst = max(one_out(d, t, teeth), key=lambda x: abs(x[1]), default=("", 0.0))
    count = "One tooth" if abs(teeth) == 1 else f"{abs(teeth)} teeth"
    if not worst[0]:
        turned = abs(teeth) * 360 / t.other.teeth
        early = ", and its travel ends early on one side" if t.one.cut or t.other.cut else ""
        return f"{count} out at {t.one.label}: {t.other.label} stands {turned:.1f}° off{early}. Put it on its marks."
    if abs(worst[1]) < 1e-6:
        return f"{count} out at {t.one.label}: its other gears stand right all the same. Still put it on its marks."
    return (
        f"{count} out at {t.one.label}: {worst[0]} stands {abs(worst[1]):.2f} of a tooth off, so that one shaft carries "
        "all the load or the teeth bind. Lift it out and put it on its marks."
    )
