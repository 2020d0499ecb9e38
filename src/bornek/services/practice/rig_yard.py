"""The yard of one rig: one learner, and one setting with its gauge, its drawer and what was in as found; or one job."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.facts.from_type import FromTypeKind
from bornek.core.facts.named import UNNAMED
from bornek.core.practice.rigs.bench_rig import BenchRig
from bornek.core.practice.rigs.job_rig import JobRig
from bornek.core.practice.rigs.rig import Rig
from bornek.services.desk import Desk
from bornek.services.job.begin_bench import KEY, begin_bench
from bornek.services.job.receive_unit import receive_unit
from bornek.services.setting.load_setting import load_setting
from bornek.services.setting.record_act import record_act
from bornek.services.shop.drawer import count_shims
from bornek.services.shop.gauges import register_gauge
from bornek.services.shop.mechanics import add_mechanic
from bornek.services.shop.unit_types import define_type
from bornek.services.strip.write_fact import write_fact

LEARNER, TYPE = "learner", "rig"
CARD = {"quantity": "length", "calibration_u": 0.001, "due": ""}


def job_id(attempt: str) -> str:
    return f"rig-{attempt[:12]}"


def setting_id(attempt: str) -> str:
    return f"{job_id(attempt)}.{KEY}"


def path_of(attempt: str, rig: Rig | type[Rig]) -> str:
    """Where a rig's page is."""
    job = f"/rigs/{attempt}/jobs/{job_id(attempt)}"
    return f"{job}/set/{setting_id(attempt)}" if rig.page == "set" else f"{job}/{rig.page}"


def fill_rig_yard(session: Session, rig: Rig, attempt: str, learner: str, now: datetime) -> None:
    """Everything that the real services need to know of a rig; nothing of its truth."""
    desk = Desk(session, LEARNER, now)
    add_mechanic(session, LEARNER, learner)
    if isinstance(rig, BenchRig):
        _fill_bench(desk, rig, attempt)
    elif isinstance(rig, JobRig):
        _fill_job(desk, rig, attempt)


def _fill_job(desk: Desk, rig: JobRig, attempt: str) -> None:
    revision = define_type(desk, TYPE, rig.title, rig.definition())
    received = {
        "id": job_id(attempt), "revision": revision.id, "tag": f"RIG {rig.number}", "name": rig.title,
        "serial": UNNAMED, "complaint": rig.complaint(), "length_unit": "mm", "bench": "bench",
    }  # fmt: skip
    receive_unit(desk, received)
    if rig.page == "plan":
        write_fact(desk, job_id(attempt), {"id": "whole", "kind": FromTypeKind.key, "body": {}}, "plan")


def _fill_bench(desk: Desk, rig: BenchRig, attempt: str) -> None:
    for n, card in enumerate((rig.gauge, *rig.more_gauges)):
        register_gauge(desk, {**CARD, "id": f"rig{n or ''}", "name": f"Rig gauge {n + 1}", **card})
    for thickness, count in rig.drawer.items():
        lot = {"id": f"lot-{thickness}", "form": rig.shim_form, "thickness": float(thickness), "count": count}
        count_shims(desk, lot)
    begun: dict[str, Any] = {
        "id": job_id(attempt), "name": f"Rig {rig.number}: {rig.title.lower()}", "kind": rig.kind,
        "given": rig.book(), "length_unit": "mm", "gauge": "rig", "shim_form": rig.shim_form,
    }  # fmt: skip
    begin_bench(desk, begun)
    states = rig.states_sent(rig.found())
    if not states:
        return
    seen = load_setting(desk.session, setting_id(attempt), desk.today).version
    found = {
        "id": "as-found",
        "kind": "as_found",
        "states": states,
        "remark": "",
        "seen": seen,
    }
    record_act(desk, setting_id(attempt), found)
