"""Something done about the gear train: turns counted, levers tried, marks looked at."""

from __future__ import annotations

from typing import Any

from bornek.services.desk import Desk
from bornek.services.strip.write_fact import write_fact


def write_train(desk: Desk, job_id: str, sent: dict[str, Any]) -> None:
    """sent: as for write_fact, of this stage."""
    write_fact(desk, job_id, sent, stage="mesh")
