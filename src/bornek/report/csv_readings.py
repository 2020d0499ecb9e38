"""All readings of a job as CSV, corrections and all."""

from __future__ import annotations

import csv
import io
from typing import Any

from bornek.report.csv_cells import safe_cell

HEAD = ("seq", "setting", "round", "station", "as_typed", "value", "gauge", "by", "at", "fate", "how_read")


def readings_csv(record: dict[str, Any]) -> str:
    """One row per entry, in the order written; cells that a spreadsheet could run are quoted.

    >>> readings_csv({"settings": []}).strip()
    'seq,setting,round,station,as_typed,value,gauge,by,at,fate,how_read'
    """
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(HEAD)
    for setting in record["settings"]:
        for e in setting["entries"]:
            row = (
                e["seq"],
                setting["label"],
                e["round"],
                e["label"],
                e["as_typed"],
                e["shown"],
                e["gauge"],
                e["by"],
                e["at"],
                e["fate"],
                e["taken"] or "typed",
            )
            writer.writerow([safe_cell(cell) for cell in row])
    return out.getvalue()
