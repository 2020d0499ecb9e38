"""What may be wrong at a rig, how it is looked for, and what looking finds."""

from __future__ import annotations

from dataclasses import dataclass

DIRT, LOOSE_COVER, STUCK_SHIM, DEAD_NEEDLE, WRONG_SPOT = "dirt", "loose_cover", "stuck_shim", "dead_needle", "wrong_spot"  # fmt: skip
BENT, WRONG_SIDE, DECIMAL, UNPROVEN_ZERO = "bent", "wrong_side", "decimal", "unproven_zero"


@dataclass(frozen=True)
class Look:
    """One thing that can be looked at. `fault` is what it finds where it is there; `opens` where it needs the unit
    open, so that it counts from the next teardown on; `mended` where finding it puts it right."""

    key: str
    label: str
    fault: str
    found: str
    fine: str
    opens: bool = False
    mended: bool = True


LOOKS: tuple[Look, ...] = (
    Look("clean", "Wipe the faces, look for dirt", DIRT, "A chip lay under the cover: wiped off.",
         "The faces are clean.", opens=True),
    Look("torque", "Torque the cover again", LOOSE_COVER, "The cover was not torqued: it is now.",
         "The cover holds its torque."),
    Look("count", "Count and mike every shim", STUCK_SHIM,
         "One more shim was in than the book says. It is out: write down what was really in.",
         "The shims are those of the book.", opens=True),
    Look("needle", "Push the base: does the needle move?", DEAD_NEEDLE, "The needle stuck. It is free now: read again.",
         "The needle moves with the base."),
    Look("spot", "Look where the indicator stands", WRONG_SPOT,
         "It stood on a part that gives. It stands on the shaft now: read again.", "It stands square on the shaft."),
    Look("true", "Turn it: does the shaft run true?", BENT,
         "The shaft runs out: the two marks read apart. A straight one goes in at the next teardown.", "It runs true.",
         opens=True),
    Look("side", "Read the marking: which side is this?", WRONG_SIDE,
         "These shims lie on the other side: a shim takes play away. Say so under Given.",
         "It is the side that the book means.", mended=False),
    Look("sheet", "Compare the book with the maker's sheet", DECIMAL,
         "The book has slipped by a decimal: the sheet says {window}. Put it right under Given.",
         "The book and the sheet agree.", mended=False),
    Look("zero", "Prove the zero", UNPROVEN_ZERO,
         "The zero is no play: it is preloaded. How far nobody knows from a zero.", "The zero is true.", mended=False),
)  # fmt: skip
LOOK_BY_KEY = {look.key: look for look in LOOKS}
WORDS = {
    "": "nothing was wrong",
    DIRT: "dirt under the cover",
    LOOSE_COVER: "the cover was not torqued",
    STUCK_SHIM: "a shim more was in than the book says",
    DEAD_NEEDLE: "the needle stuck",
    WRONG_SPOT: "the indicator stood on a part that gives",
    BENT: "the shaft was bent",
    WRONG_SIDE: "it was the other side: a shim takes play away",
    DECIMAL: "the book's window had slipped by a decimal",
    UNPROVEN_ZERO: "a zero that was no play",
}
"""What was wrong, once the cloth is lifted."""
TOLD_FIRST = {
    "": "The first readings told all there was.",
    DIRT: "The round after a move told it: it lay off what was to be expected.",
    LOOSE_COVER: "The spread of the first three readings told it.",
    STUCK_SHIM: "The first round after a move told it: off by one shim.",
    DEAD_NEEDLE: "The first zeros told it: a needle that never moves has read nothing.",
    WRONG_SPOT: "The first round after a move told it: the change was read too small.",
    BENT: "Mark up against mark down told it, before anything was moved.",
    WRONG_SIDE: "The first move told it: the wrong way.",
    DECIMAL: "The window told it, before the first reading: ten times what such parts have.",
    UNPROVEN_ZERO: "The first zeros told it: no play is not none to spare.",
}
"""Which reading tells what is wrong first."""
