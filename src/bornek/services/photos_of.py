"""The photos of a job as they are shown."""

from __future__ import annotations

from sqlalchemy.orm import Session

from bornek.services.names import mechanic_names
from bornek.services.strip_views import PhotoView
from bornek.store.queries.facts import photos_of


def photos_view(session: Session, job_id: str) -> list[PhotoView]:
    names = mechanic_names(session)
    return [
        PhotoView(a.id, a.subject, a.caption, f"/api/photos/{a.sha256}", f"/api/photos/{b.thumb}", b.width, b.height,
                  names.get(a.mechanic_id, ""), a.at.isoformat())
        for a, b in photos_of(session, job_id)
    ]  # fmt: skip
