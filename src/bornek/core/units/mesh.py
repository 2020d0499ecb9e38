"""What meshes in a unit: pairs of gears, the marks by which they are timed, the covers that set them."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Literal

from bornek.core.plain import CALLED

Side = Literal["left", "right", "above", "below"]
Way = Literal["", "clockwise", "counter-clockwise"]
CROSSED = ("bevel", "hypoid")
"""Meshes of one level and one upright shaft."""
PARALLEL = ("spur", "sector", "internal")


@dataclass(frozen=True)
class Mesh:
    """`toward`: where the driven shaft lies, seen from the driver; `out`: out of the plane of the drawing. `body`: the
    side of the pinion's line on which a bevel gear's body lies. A worm is drawn turned into the plane, upright beside
    its wheel, its top end towards whoever looks; `hand`: of its thread. `offset`: how far a hypoid pair's axes pass
    each other [mm]. `internal`: one of the two is a ring gear with its teeth inside."""

    key: str
    label: str
    driver: str
    driven: str
    mesh_kind: Literal["spur", "bevel", "worm", "sector", "hypoid", "internal"] = field(
        default="spur", metadata={CALLED: "kind"}
    )
    toward: Literal["left", "right", "above", "below", "out"] = "right"
    body: Side = "below"
    hand: Literal["", "left", "right"] = ""
    offset: float = 0

    @property
    def crossed(self) -> bool:
        return self.mesh_kind in CROSSED


@dataclass(frozen=True)
class TimingMark:
    """One tooth that must stand in one space, as two gears are put together. `tooth_on`: which of the mesh's gears
    shows the tooth; `tooth`: its number from that gear's own mark, `space`: the first of the two neighbouring teeth
    of the other gear, clockwise from its mark. `where`: how the marks are found."""

    key: str
    label: str
    mesh: str
    tooth_on: Literal["driver", "driven"] = "driven"
    tooth: int = 1
    space: int = 1
    where: str = ""


@dataclass(frozen=True)
class EccentricCover:
    """A bearing cover whose bore is off centre by `throw` [mm], bolted by `holes`. `angle`: where its throw points
    now, in degrees from square to the line of centres. `half`: how a step of half a hole can be had besides."""

    key: str
    label: str
    part: str
    mesh: str
    holes: int = 6
    throw: float = 1.0
    angle: float = 0.0
    half: Literal["", "turned over", "other side"] = ""
