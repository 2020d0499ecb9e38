"""The yard's report as CSV: one figure a row."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterator
from typing import Any

from bornek.report.csv_cells import safe_cell

HEAD = ("table", "unit", "job", "what", "value", "in")


def report_csv(report: dict[str, Any]) -> str:
    """
    >>> report_csv({"stages": [], "jobs": [], "rounds": [], "shims": []}).strip()
    'table,unit,job,what,value,in'
    """
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(HEAD)
    for row in _rows(report):
        writer.writerow([safe_cell(cell) for cell in row])
    return out.getvalue()


def _rows(report: dict[str, Any]) -> Iterator[tuple[Any, ...]]:
    labels = dict(report["stages"])
    for j in report["jobs"]:
        about = ("job", j["tag"], j["job_id"])
        yield (*about, "state", j["state"], "")
        yield (*about, "received", j["opened"], "day")
        yield (*about, "closed", j["closed"], "day")
        yield (*about, "in the yard", j["days"], "days")
        yield (*about, "waited by itself", j["waited"], "h")
        yield (*about, "longest order out", j["orders_days"], "days")
        for stage, hours in j["hours"].items():
            yield ("hours", j["tag"], j["job_id"], labels.get(stage, stage), hours, "h")
    for r in report["rounds"]:
        yield ("rounds", "", "", f"{r['title']}: signed", r["signed"], "settings")
        yield ("rounds", "", "", f"{r['title']}: moves", r["moves"], "moves")
        yield ("rounds", "", "", f"{r['title']}: best possible", r["best"], "moves")
    for s in report["shims"]:
        yield ("shims", "", "", f"{s['form']} {s['thickness']} mm", s["used"], "used")
