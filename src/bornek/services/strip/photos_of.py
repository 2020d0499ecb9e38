"""The photos of a job as they are shown."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from sqlalchemy.orm import Session

from bornek.core.facts.kind import Fact
from bornek.core.facts.photo_struck import PhotoStruck
from bornek.services.shop.mechanics import mechanic_names
from bornek.store.queries.facts import photos_of


@dataclass(frozen=True)
class PhotoView:
    """`struck`: why it counts no more, empty if it does."""

    id: str
    subject: str
    caption: str
    url: str
    thumb: str
    width: int
    height: int
    by: str
    at: str
    struck: str


def struck_photos(facts: Sequence[Fact]) -> dict[str, str]:
    """Photos that are kept and count no more: why, and who said so."""
    return {f.body.photo: f"{f.body.words} ({f.by})" for f in facts if isinstance(f.body, PhotoStruck)}


def photos_view(session: Session, job_id: str, facts: Sequence[Fact]) -> list[PhotoView]:
    names, struck = mechanic_names(session), struck_photos(facts)
    return [
        PhotoView(
            id=a.id,
            subject=a.subject,
            caption=a.caption,
            url=f"/api/photos/{a.sha256}",
            thumb=f"/api/photos/{b.thumb}",
            width=b.width,
            height=b.height,
            by=names.get(a.mechanic_id, ""),
            at=a.at.isoformat(),
            struck=struck.get(a.id, ""),
        )
        for a, b in photos_of(session, job_id)
    ]
