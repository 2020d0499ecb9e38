"""Written down in the inspection: grades, verdicts, teeth, evidence, orders; fits to be measured."""

from __future__ import annotations

from typing import Any

from bornek.services.desk import Desk
from bornek.services.inspect.fits import add_fit
from bornek.services.strip.write_fact import write_fact


def write_inspection(desk: Desk, job_id: str, sent: dict[str, Any]) -> None:
    """A fact as in the strip; answers with the inspection."""
    write_fact(desk, job_id, sent, "inspect")


def measure_fit(desk: Desk, job_id: str, sent: dict[str, Any]) -> None:
    add_fit(desk, job_id, sent)
