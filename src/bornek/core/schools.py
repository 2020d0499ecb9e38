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
    SchoolQuestion(key="backlash", label="Backlash of a worn-in, matched gear set", a="the book's window for new gears",
             b="what it ran with before strip",
             a_means="Safe for a new pair; closing a worn pair to it makes it howl and wear.",
             b_means="Only when the witness shows that it ran well; needs the as-found backlash."),
    SchoolQuestion(key="pattern", label="Contact pattern at no load", a="centred, full face", b="toe-heavy, about the first third",
             a_means="For a preloaded pinion in a stiff housing.",
             b_means="For a floating pinion: it deflects and the pattern walks to the heel under load."),
    SchoolQuestion(key="reuse", label="Re-use of worn parts", a="bearings, seals and locking parts always new", b="re-use with a written reason",
             a_means="Anything marked is replaced.", b_means="When the part cannot be had and still carries load."),
    SchoolQuestion(key="taper", label="Tapered-bore clearance", a="least permitted reduction", b="greatest permitted reduction",
             a_means="More clearance left.", b_means="Tighter."),
    SchoolQuestion(key="spindle", label="Spindle clearance", a="the factory's figure", b="a little loose",
             a_means="As printed.", b_means="Driving back off a taper does damage: creep up from the loose side."),
    SchoolQuestion(key="preload", label="Preload from the book for a newer bearing", a="as printed", b="reduced by a stated factor",
             a_means="No argument with the book.", b_means="Needs the factor and its reason in writing."),
    SchoolQuestion(key="aim", label="Aim inside the window", a="the middle", b="the mechanic's own number", a_means="The same for everybody.",
             b_means="Given with each setting."),
    SchoolQuestion(key="joint", label="Joint", a="gasket", b="form-in-place sealant",
             a_means="Its thickness counts where it locates parts.", b_means="Only where the joint does not locate."),
    SchoolQuestion(key="measure", label="Preload measure", a="removed shim thickness, then drag as its proof", b="rolling drag alone",
             a_means="Two figures that must agree.", b_means="Or spin-down, or deflection under a lift."),
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
