"""The verdict on a part under each school, with the reason in words, and what may be chosen instead."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from bornek.core.errors import InputError
from bornek.core.parts.grades import LABELS, worst_grade
from bornek.core.phrases import lower_first
from bornek.core.units.definition import Part

Judgement = Literal["reuse", "dress", "replace", "send_out", "hold", ""]
NOT_AS_IT_IS = ("replace", "send_out")
"""Verdicts under which something must be had from outside, and nothing measured on the old part holds."""
School = Literal["A", "B"]
WORDS: dict[str, str] = {
    "reuse": "re-use", "dress": "dress and re-use", "replace": "replace", "send_out": "send out", "hold": "hold", "": "not inspected",
}  # fmt: skip
ALWAYS_NEW = frozenset({"rolling_bearing", "seal", "lock_washer"})
REPAIRABLE = frozenset({"shaft", "housing", "spline"})
MOST_FOLDS = 2
"""A tab is folded once; the second fold cracks it."""
GOES_BACK = ("reuse", "dress")


@dataclass(frozen=True)
class Basis:
    """What a verdict rests on: grades by look-for, the codes of measured fits, why its removal doomed it,
    folds on the most bent tab of a lock washer and its tabs that were never folded; `teeth` the grade that its
    tooth map comes to, with what stands on it; `seal` why the lip would not hold where it is to go; `condemned`
    why this very part, known by its serial, may not go in again."""

    grades: dict[str, str]
    asked: Sequence[str]
    fits: Sequence[str] = ()
    doomed: str = ""
    folds: int | None = None
    fresh: int | None = None
    teeth: str = ""
    teeth_words: str = ""
    seal: str = ""
    condemned: str = ""

    @property
    def spent(self) -> str:
        """Why a lock washer cannot be folded again.

        >>> Basis({}, [], folds=2).spent, Basis({}, [], folds=1, fresh=3).spent
        ('a tab was folded 2 times', '')
        """
        if self.folds is not None and self.folds >= MOST_FOLDS:
            return f"a tab was folded {self.folds} times"
        if self.fresh == 0:
            return "no tab is left that was never folded"
        return ""


@dataclass(frozen=True)
class PartVerdict:
    """`reason`: a written reason is needed to go by it."""

    verdict: Judgement
    words: str
    reason: bool = False

    @property
    def label(self) -> str:
        return WORDS[self.verdict]


def judge(part: Part, basis: Basis, school: School) -> PartVerdict:
    """The verdict that a school gives.

    A, strict: bearings, seals and locking parts new, anything worn replaced. B, restoration: what still carries load
    goes back with a written reason. Both: single-use and doomed parts are replaced; a safety-critical part below
    "worn within" never goes back; unmeasured or unseen where it matters is a hold.

    >>> b = Basis({"spalls": "sound"}, ["spalls"])
    >>> bearing = Part("b", "Bearing", "taper_bearing")
    >>> judge(bearing, b, "A").label, judge(bearing, b, "B").label
    ('replace', 're-use')
    """
    fixed = _whatever_the_school(part, basis)
    if fixed is not None:
        return fixed
    worst = _worst(basis)
    if worst in ("worn_beyond", "unsafe"):
        return _bad(part, worst, basis, school)
    if school == "A" and part.about.group in ALWAYS_NEW:
        return PartVerdict("replace", "Strict: bearings, seals and locking parts always new.")
    if worst == "worn_within":
        if school == "A":
            return PartVerdict("replace", "Strict: it is marked, so it is replaced.")
        return PartVerdict("reuse", "Worn within its limits and still carries load.", reason=True)
    if school == "B" and part.about.group in ALWAYS_NEW:
        return PartVerdict(
            "reuse" if worst == "sound" else "dress",
            "Sound by every look; say why no new one goes in.",
            reason=True,
        )
    if worst == "dress":
        return PartVerdict("dress", "Marks that can be dressed; no wear.")
    return PartVerdict("reuse", "Sound by every look.")


def _worst(basis: Basis) -> str:
    """The worst of the grades and of the tooth map; a fit that is out counts as worn beyond."""
    grades = [*(basis.grades.get(key, "") for key in basis.asked), basis.teeth]
    return worst_grade([*grades, "worn_beyond"] if _out(basis) else grades)


def _whatever_the_school(part: Part, basis: Basis) -> PartVerdict | None:
    if basis.seal:
        return PartVerdict("hold", f"Where the new lip is to run it would leak: {basis.seal}.")
    if part.single_use:
        return PartVerdict("replace", "Single use: always new.")
    if basis.condemned:
        return PartVerdict("replace", f"It was condemned before: {basis.condemned}.")
    if basis.doomed:
        return PartVerdict("replace", f"Its removal ended it: {basis.doomed}.")
    if basis.spent:
        return PartVerdict("replace", f"Its tabs are used up: {basis.spent}.")
    open_looks = [k for k in basis.asked if not basis.grades.get(k)]
    if open_looks and _worst(basis) not in ("worn_beyond", "unsafe"):
        return PartVerdict("", f"{len(open_looks)} of {len(basis.asked)} still to look at.")
    unseen = [k for k in basis.asked if basis.grades.get(k) == "not_checked"]
    if unseen and part.safety:
        return PartVerdict("hold", "It can hurt someone, and not everything could be checked.")
    if unseen and len(unseen) == len(basis.asked):
        return PartVerdict("hold", "Nothing of it could be checked.")
    if any(code in ("not_proven", "not_read", "read_again") for code in basis.fits) and not _out(basis):
        return PartVerdict("hold", "Its fit is to be measured and is not proven yet.")
    return None


def _out(basis: Basis) -> bool:
    return any(code.startswith("out") for code in basis.fits)


def _bad(part: Part, worst: str, basis: Basis, school: School) -> PartVerdict:
    said = _why_bad(worst, basis)
    if worst == "unsafe":
        return PartVerdict("replace", f"{said}: never back in.")
    if _out(basis) and part.about.group in REPAIRABLE:
        return PartVerdict(
            "send_out", "Its fit is out: build up, sleeve or bore by those who can; else replace."
        )
    if part.safety:
        return PartVerdict("replace", f"{said}, and it can hurt someone: never back in.")
    if part.about.group in REPAIRABLE:
        return PartVerdict("send_out", f"{said}: it can be repaired by those who do that work.")
    if school == "B" and part.scarce:
        return PartVerdict("reuse", f"{said}, but it cannot be had and still carries load.", reason=True)
    return PartVerdict("replace", f"{said}.")


def _why_bad(worst: str, basis: Basis) -> str:
    """What of the basis says so."""
    if worst_grade(basis.grades.get(key, "") for key in basis.asked) == worst:
        return f"Graded {LABELS[worst]}"
    return basis.teeth_words if basis.teeth == worst else "Its measured fit is out"


def check_choice(part: Part, basis: Basis, school: School, chosen: str, words: str) -> None:
    """Raises InputError where the choice may not be made, or needs a written reason that is not there.

    >>> washer = Part("w", "Lock washer", "lock_washer", single_use=True)
    >>> try:
    ...     check_choice(washer, Basis({}, []), "B", "reuse", "fine")
    ... except InputError as error:
    ...     print(error.message)
    Lock washer may not go back: single use: always new.
    """
    if chosen not in WORDS or not chosen:
        raise InputError(
            f"verdict must be one of {', '.join(k for k in WORDS if k)} (got {chosen!r}).", field="verdict"
        )
    found = judge(part, basis, school)
    refused = _refusal(part, basis, found) if chosen in GOES_BACK else ""
    if refused:
        raise InputError(
            f"{part.label} may not go back: {refused}.",
            field="verdict",
            next_step="Replace it, send it out, or hold the build.",
        )
    if not found.verdict and chosen != "hold":
        raise InputError(
            f"{part.label}: {found.words}",
            field="verdict",
            next_step="Grade the rest, or say what could not be checked.",
        )
    why = _wants_reason(part, basis, found, chosen)
    if why and not words.strip():
        raise InputError(f"{part.label}: {why}.", field="words", next_step="Say why in a few words.")


def _refusal(part: Part, basis: Basis, found: PartVerdict) -> str:
    """Why a part may not go back whatever the reason; empty if it may."""
    worst = _worst(basis)
    if part.single_use:
        return "single use: always new"
    if basis.condemned:
        return f"it was condemned before: {basis.condemned}"
    if basis.doomed or basis.spent:
        return basis.doomed or basis.spent
    if basis.seal:
        return f"the lip would leak where it is to run: {basis.seal}"
    if part.safety and worst in ("worn_beyond", "unsafe"):
        return f"it can hurt someone and is {LABELS[worst]}"
    if worst == "unsafe":
        return lower_first(_why_bad(worst, basis)) if basis.teeth == "unsafe" else "it is unsafe"
    if part.safety and found.verdict == "hold":
        return "it can hurt someone and not everything could be checked"
    return ""


def may_not_go_back(part: Part, basis: Basis, school: School) -> str:
    """Why a part may not go back whatever the reason; empty if it may."""
    return _refusal(part, basis, judge(part, basis, school))


def _wants_reason(part: Part, basis: Basis, found: PartVerdict, chosen: str) -> str:
    """Why a choice needs a written reason; empty if it needs none."""
    if part.scarce and chosen in GOES_BACK and _worst(basis) not in ("sound", ""):
        return "a scarce part goes back with a written reason"
    if chosen == found.verdict:
        return "re-use needs a written reason" if found.reason else ""
    if not found.verdict:
        return "a hold on a part not looked at whole needs its reason"
    return f"the verdict by the school is {found.label}"
