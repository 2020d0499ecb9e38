"""Written down in the inspection: grades, verdicts, teeth, evidence, orders; fits to be measured."""

from __future__ import annotations

from typing import Any

from bornek.services.desk import Desk
from bornek.services.inspect.fits import add_fit
from bornek.services.inspect.view import view_inspect
from bornek.services.strip.write_fact import store_fact


def write_inspection(desk: Desk, job_id: str, sent: dict[str, Any]) -> dict[str, Any]:
    """A fact as in the strip; answers with the inspection."""
    store_fact(desk, job_id, sent, "inspect")
    return view_inspect(desk.session, job_id, desk.today)


def measure_fit(desk: Desk, job_id: str, sent: dict[str, Any]) -> dict[str, Any]:
    add_fit(desk, job_id, sent)
    return view_inspect(desk.session, job_id, desk.today)
