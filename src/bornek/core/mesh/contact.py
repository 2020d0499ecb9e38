"""Where marking compound is wiped off: the gap between the flanks, swept through one tooth, as a level."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from bornek.core.mesh.bevel_set import BevelSet, Side
from bornek.core.mesh.flank import PHASES, Bools, FlankGrid, Floats, flank_of

FILM_MM = 0.006
"""Thickness of marking compound that is wiped off."""


@dataclass(frozen=True)
class Shift:
    """How far the members stand from home [mm], out positive; rise [mm] and shaft angle [rad]."""

    pinion: float = 0.0
    gear: float = 0.0
    up: float = 0.0
    angle: float = 0.0


HOME = Shift()


@dataclass(frozen=True)
class Contact:
    """Pattern on one flank: centre (x toe to heel, y root to tip) and its share of what can be touched."""

    x: float
    y: float
    share: float
    level: Floats
    """Below 0 where compound is wiped off, on the refined grid."""
    active: Bools


def gap_mm(f: FlankGrid, at: Shift) -> Floats:
    """g = E0 + dP (n·k_p) − dG (n·k_g) + dE (n·Y) + dS ((Y × r)·n) [mm]."""
    return np.asarray(
        f.eased + at.pinion * f.pinion_out + at.gear * f.gear_out + at.up * f.pinion_up + at.angle * f.opens
    )


def swept(f: FlankGrid, angular: Floats) -> Floats:
    """θ(φ): the least angular gap over all contact lines of each of the 48 phases of one tooth pitch.

    On the finer grid: a straight tooth's lines lie along its rows, and a phase must see those of both teeth in mesh.
    """
    order, starts, phases = f.by_phase
    least = np.full(PHASES, np.nan)
    least[phases] = np.minimum.reduceat(f.finer(angular).ravel()[order], starts)
    known = np.flatnonzero(np.isfinite(least))
    return np.asarray(np.interp(np.arange(PHASES), known, least[known], period=PHASES))


def at_phase(f: FlankGrid, least: Floats) -> Floats:
    """θ at each node's phase, between the 48."""
    return np.asarray(np.interp(f.turn * PHASES - 0.5, np.arange(PHASES), least, period=PHASES))


def contact(s: BevelSet, side: Side, at: Shift = HOME, film: float = FILM_MM) -> Contact:
    """The pattern at no load: {(e − θ(φ))ℓ < t}, e = g/ℓ.

    x, y from toe and root, 0 to 1; share of the active flank. Within 0.005 of the face width of a rolling simulation of the same surfaces;
    not compared with measured gears.

    >>> from bornek.core.mesh.bevel_set import S1
    >>> c = contact(S1, "drive")
    >>> round(c.x, 2), round(c.y, 2), round(c.share, 2)
    (0.46, 0.61, 0.44)
    """
    f = flank_of(s, side)
    angular = gap_mm(f, at) / f.arm
    level = (angular - at_phase(f, swept(f, angular))) * f.arm - film
    return measured(f, level)


def measured(f: FlankGrid, level: Floats) -> Contact:
    """Centre and share of what lies below 0, on the grid made finer: else the centre carries the grid's noise."""
    fine, active = f.finer(level), f.finer(f.reach) >= 0
    touched = np.where((fine < 0) & active, f.finer(f.weight), 0.0)
    total = float(touched.sum())
    rows, columns = touched.shape
    if total <= 0:
        return Contact(float("nan"), float("nan"), 0.0, fine, active)
    x = float(touched.sum(axis=0) @ (np.arange(columns) + 0.5)) / columns / total
    y = float(touched.sum(axis=1) @ (np.arange(rows) + 0.5)) / rows / total
    share = total / float(f.finer(f.weight)[active].sum())
    return Contact(x, y, share, fine, active)
