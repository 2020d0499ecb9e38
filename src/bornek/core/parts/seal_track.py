"""A new seal on an old shaft: clear of the worn track, lip toward the oil, cavity filled in part."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.errors import RangeError
from bornek.core.quantities import Speech

LIP_MM = 0.5
FILL = (0.25, 0.5)


@dataclass(frozen=True)
class TrackVerdict:
    """`clear`: the lip runs beside the groove; `move_mm`: how much farther it must go if not."""

    clear: bool
    moved_mm: float
    move_mm: float


def judge_track(found_mm: float, planned_mm: float, groove_mm: float, lip_mm: float = LIP_MM) -> TrackVerdict:
    """Whether a seal pressed to another depth runs clear of the groove.

    Equation: clear if |planned − found| ≥ (groove + lip)/2, both bands centred on the lip.
    Parameters: depths from the bore's face to the seal [mm] 0 to 500; groove width [mm] 0 to 20; lip: width of the
    lip's contact [mm]. Source: geometry. Raises RangeError outside.

    >>> judge_track(6.0, 7.5, 2.0)
    TrackVerdict(clear=True, moved_mm=1.5, move_mm=0.0)
    >>> judge_track(6.0, 6.5, 2.0).move_mm
    0.75
    """
    for name, value, most in (
        ("found", found_mm, 500),
        ("planned", planned_mm, 500),
        ("groove", groove_mm, 20),
    ):
        if not 0 <= value <= most:
            raise RangeError(f"{name} must be 0 to {most} mm (got {value:g}).", field=name)
    moved = abs(planned_mm - found_mm)
    short = (groove_mm + lip_mm) / 2 - moved
    return TrackVerdict(short <= 1e-9, round(moved, 6), round(max(short, 0.0), 6))


def track_words(found_mm: float, planned_mm: float, groove_mm: float, say: Speech) -> str:
    """
    >>> track_words(6.0, 6.5, 2.0, Speech())
    'Not clear of the groove: 0.750 mm farther, or a sleeve.'
    """
    found = judge_track(found_mm, planned_mm, groove_mm)
    if found.clear:
        return f"Clear of the groove: moved {say.number(found.moved_mm)} {say.unit}."
    return f"Not clear of the groove: {say.number(found.move_mm)} {say.unit} farther, or a sleeve."


def lip_words(lip: str, oil: str) -> str:
    """
    >>> lip_words("inward", "inward"), lip_words("outward", "inward")
    ('Lip faces the oil.', 'The lip faces away from the oil: it lets it out. Turn it round.')
    """
    if not lip or not oil:
        return ""
    return (
        "Lip faces the oil."
        if lip == oil
        else "The lip faces away from the oil: it lets it out. Turn it round."
    )


def fill_words(share: float) -> str:
    """The grease between two lips or in the cavity, as a share of its room (0 to 1).

    >>> fill_words(0.9)
    'Cavity 90 % full: too full, it churns and heats. A quarter to a half.'
    """
    if not 0 <= share <= 1:
        raise RangeError(f"share must be 0 to 1 (got {share:g}). Was it per cent?", field="fill")
    said = f"Cavity {share * 100:.0f} % full"
    if share > FILL[1]:
        return f"{said}: too full, it churns and heats. A quarter to a half."
    if share < FILL[0]:
        return f"{said}: too little, the lip starts dry. A quarter to a half."
    return f"{said}."
