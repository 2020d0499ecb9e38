"""A photo that shows something else than it says, or should not be there: kept, and marked."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from bornek.core.errors import InputError
from bornek.core.facts.kind import FactKind
from bornek.core.facts.registry import register_fact

if TYPE_CHECKING:
    from bornek.core.facts.about import About


@dataclass(frozen=True)
class PhotoStruck:
    photo: str
    words: str


@register_fact
class PhotoStruckKind(FactKind):
    key = "photo_struck"
    stage = "strip"
    body = PhotoStruck
    must_say = ("photo", "words")

    def check(self, body: PhotoStruck, about: About) -> None:
        if body.photo not in about.photos:
            raise InputError(
                "This job has no such photo.", field="photo", next_step="Look at the page again."
            )
        if any(p.photo == body.photo for p in about.bodies(PhotoStruck).values()) and not about.correcting:
            raise InputError(
                "This photo is struck already.", field="photo", next_step="Look at the page again."
            )
