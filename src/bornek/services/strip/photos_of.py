"""The photos of a job as they are shown."""

from __future__ import annotations

from dataclasses import dataclass

from sqlalchemy.orm import Session

from bornek.services.shop.mechanics import mechanic_names
from bornek.store.queries.facts import photos_of


@dataclass(frozen=True)
class PhotoView:
    id: str
    subject: str
    caption: str
    url: str
    thumb: str
    width: int
    height: int
    by: str
    at: str


def photos_view(session: Session, job_id: str) -> list[PhotoView]:
    names = mechanic_names(session)
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
        )
        for a, b in photos_of(session, job_id)
    ]
