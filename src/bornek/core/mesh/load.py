"""The pattern under load: teeth flatten, play goes out, bearings and housing give. A model on guessed stiffness."""

from __future__ import annotations

from dataclasses import dataclass, replace

import numpy as np

from bornek.core.errors import RangeError
from bornek.core.mesh.bevel_set import BevelSet, Side
from bornek.core.mesh.contact import FILM_MM, HOME, Contact, Shift, at_phase, contact, gap_mm, measured
from bornek.core.mesh.flank import PHASES, FlankGrid, Floats, flank_of

TOOTH_N_PER_MM_UM = 14.0
"""c': stiffness of a pair of teeth for each mm of line [N/(mm·µm)]."""
HALVINGS = 26


@dataclass(frozen=True)
class Support:
    """What holds the members: the pinion's play to its thrust stop [mm], 0 if it is preloaded; stiffness of either
    member's bearings and housing, along and across [N/µm]."""

    play_mm: float = 0.0
    stiffness_n_um: float = 300.0


@dataclass(frozen=True)
class Loaded:
    contact: Contact
    shift: Shift
    normal_n: float
    """Force of the teeth, square to them."""


def pushed(
    s: BevelSet, side: Side, torque_n_m: float, support: Support, at: Shift = HOME
) -> tuple[Shift, float]:
    """Where the members stand under load and the force between the teeth: F = T/ℓ at the centre of the no-load
    pattern, F·n/k each way, and the pinion's play towards its stop. Torque on the gear, above 0 [N·m].

    >>> from bornek.core.mesh.bevel_set import S2
    >>> at, force = pushed(S2, "drive", 1500.0, Support())
    >>> at.pinion > 0, at.gear > 0, 15_000 < force < 17_000
    (True, True, True)
    """
    if not 0 < torque_n_m <= 1e6 or support.stiffness_n_um <= 0 or support.play_mm < 0:
        raise RangeError(
            f"Torque on the gear must be above 0 and at most 1,000,000 N·m (got {torque_n_m:g}).",
            field="torque",
            next_step="Give the torque that it works at.",
        )
    f, found = flank_of(s, side), contact(s, side, at)
    if found.share == 0:
        return at, 0.0
    rows, columns = f.phase.shape
    node = (min(int(found.y * rows), rows - 1), min(int(found.x * columns), columns - 1))
    force = 1000.0 * torque_n_m / float(f.arm[node])
    along, off, up = (float(a[node]) for a in (f.pinion_out, f.gear_out, f.pinion_up))
    give = force / support.stiffness_n_um / 1000.0
    stop = support.play_mm if along > 0 else -support.play_mm
    moved = replace(
        at, pinion=at.pinion + along * give + stop, gear=at.gear + off * give, up=at.up + 2 * up * give
    )
    return moved, force


def contact_under_load(
    s: BevelSet,
    side: Side,
    torque_n_m: float,
    support: Support = Support(),
    at: Shift = HOME,
    film: float = FILM_MM,
) -> Loaded:
    """Per phase Σ c'·max(0, θℓ − g)·ℓ·dl = T; what is pressed, or nearer than the film, is touched.

    >>> from bornek.core.mesh.bevel_set import S2
    >>> contact_under_load(S2, "drive", 1500.0).contact.share > contact(S2, "drive").share
    True
    """
    f = flank_of(s, side)
    stand, force = pushed(s, side, torque_n_m, support, at)
    gap = gap_mm(f, stand)
    pressed = _pressed(f, gap, 1000.0 * torque_n_m)
    level = gap - at_phase(f, pressed) * f.arm - film
    return Loaded(measured(f, level), stand, force)


def _pressed(f: FlankGrid, gap: Floats, torque_n_mm: float) -> Floats:
    """θ of each phase at which its lines carry the torque."""
    order, starts, phases = f.by_phase
    arm = f.finer(f.arm).ravel()[order]
    angular = f.finer(gap).ravel()[order] / arm
    # a node carries its own part of the line: |∇φ| dA over the width of a phase, on a grid finer by FINER each way
    share = f.finer(f.line_mm).ravel()[order] * f.line_share * PHASES / f.pitch
    stiff = 1000.0 * TOOTH_N_PER_MM_UM * arm**2 * share
    of = np.repeat(np.arange(len(starts)), np.diff([*starts, len(order)]))
    low = np.minimum.reduceat(angular, starts)
    high = low + 4 * np.sqrt(torque_n_mm / np.maximum(np.add.reduceat(stiff, starts), 1e-9)) + 1e-3
    for _ in range(HALVINGS):
        middle = (low + high) / 2
        carried = np.add.reduceat(stiff * np.maximum(middle[of] - angular, 0.0), starts)
        low, high = (
            np.where(carried < torque_n_mm, middle, low),
            np.where(carried < torque_n_mm, high, middle),
        )
    least = np.full(PHASES, np.nan)
    least[phases] = (low + high) / 2
    known = np.flatnonzero(np.isfinite(least))
    return np.asarray(np.interp(np.arange(PHASES), known, least[known], period=PHASES))
