"""The serial of a gear set or bearing is read off, at Receive or while it comes apart."""

from __future__ import annotations

from collections.abc import Mapping

from bornek.services.desk import Desk
from bornek.services.job.components import identify
from bornek.store.queries.jobs import open_job


def name_components(desk: Desk, job_id: str, serials: Mapping[str, str]) -> None:
    job, _ = open_job(desk.session, job_id)
    identify(desk, job, serials)
    desk.session.flush()
