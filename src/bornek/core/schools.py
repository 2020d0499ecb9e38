"""Where good mechanics differ: the questions, what each school does, and what that means."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from bornek.core.errors import InputError


@dataclass(frozen=True)
class SchoolQuestion:
    key: str
    label: str
    a: str
    b: str
    a_means: str
    b_means: str


QUESTIONS = (
    SchoolQuestion("backlash", "Backlash of a worn-in, matched gear set", "the book's window for new gears",
             "what it ran with before strip",
             "Safe for a new pair; closing a worn pair to it makes it howl and wear.",
             "Only when the witness shows that it ran well; needs the as-found backlash."),
    SchoolQuestion("pattern", "Contact pattern at no load", "centred, full face", "toe-heavy, about the first third",
             "For a preloaded pinion in a stiff housing.",
             "For a floating pinion: it deflects and the pattern walks to the heel under load."),
    SchoolQuestion("reuse", "Re-use of worn parts", "bearings, seals and locking parts always new", "re-use with a written reason",
             "Anything marked is replaced.", "When the part cannot be had and still carries load."),
    SchoolQuestion("taper", "Tapered-bore clearance", "least permitted reduction", "greatest permitted reduction",
             "More clearance left.", "Tighter."),
    SchoolQuestion("spindle", "Spindle clearance", "the factory's figure", "a little loose",
             "As printed.", "Driving back off a taper does damage: creep up from the loose side."),
    SchoolQuestion("preload", "Preload from the book for a newer bearing", "as printed", "reduced by a stated factor",
             "No argument with the book.", "Needs the factor and its reason in writing."),
    SchoolQuestion("aim", "Aim inside the window", "the middle", "the mechanic's own number", "The same for everybody.",
             "Given with each setting."),
    SchoolQuestion("joint", "Joint", "gasket", "form-in-place sealant",
             "Its thickness counts where it locates parts.", "Only where the joint does not locate."),
    SchoolQuestion("measure", "Preload measure", "removed shim thickness, then drag as its proof", "rolling drag alone",
             "Two figures that must agree.", "Or spin-down, or deflection under a lift."),
)  # fmt: skip
_KEYS = {q.key for q in QUESTIONS}


def read_schools(chosen: Mapping[str, str]) -> dict[str, str]:
    """The schools in force, A where nothing was chosen.

    >>> read_schools({"backlash": "B"})["backlash"], read_schools({})["reuse"]
    ('B', 'A')
    """
    for key, school in chosen.items():
        if key not in _KEYS or school not in ("A", "B"):
            raise InputError(f"No school {key!r}: {school!r}.", field="schools", next_step="Choose A or B.")
    return {q.key: chosen.get(q.key, "A") for q in QUESTIONS}


def school_words(key: str, schools: Mapping[str, str]) -> tuple[str, str]:
    """What the school in force does, and what the other would."""
    q = next(q for q in QUESTIONS if q.key == key)
    return (q.b, q.a) if schools.get(key) == "B" else (q.a, q.b)
