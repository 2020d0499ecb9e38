"""Orders and send-outs as CSV."""

from __future__ import annotations

import csv
import io
from collections.abc import Sequence
from typing import Any

from bornek.report.csv_cells import safe_cell

HEAD = ("unit", "part", "what", "number", "substitutes", "count", "supplier", "promised", "state", "late", "words",
        "read_again", "by")  # fmt: skip


def orders_csv(orders: Sequence[dict[str, Any]]) -> str:
    """One row per order; substitutes and settings to be read again are parted by semicolons.

    >>> orders_csv([]).strip()[:22]
    'unit,part,what,number,'
    """
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(HEAD)
    for o in orders:
        row = (
            o["tag"],
            o["label"],
            o["what"].replace("_", " "),
            o["number"],
            "; ".join(o["substitutes"]),
            o["count"],
            o["supplier"],
            o["promised"],
            o["state"],
            "late" if o["late"] else "",
            o["words"],
            "; ".join(o["read_again"]),
            o["by"],
        )
        writer.writerow([safe_cell(cell) for cell in row])
    return out.getvalue()
