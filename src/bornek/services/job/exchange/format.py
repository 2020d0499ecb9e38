"""What an exchange file is: a zip of job.json, rows by table, and of the pictures under files/."""

from __future__ import annotations

from typing import Any

FORMAT = "bornek-job"
EDITION = 11
READS = tuple(range(2, EDITION + 1))
SHARED = ("mechanic", "look_for", "gauge", "gauge_card", "unit_type", "unit_type_revision", "unit")
"""What other jobs rest on as well."""
ORDER = (*SHARED, "job", "part", "place", "setting", "given_revision", "act", "act_knob", "round", "entry",
         "proposal", "explanation", "signature", "shim_lot", "stock_movement", "fact", "component",
         "component_stay", "blob", "attachment")  # fmt: skip
OWN = ("job", "part", "place", "setting", "given_revision", "act", "act_knob", "round", "entry", "proposal",
       "explanation", "signature", "stock_movement", "fact", "component_stay", "attachment")  # fmt: skip
"""What belongs to the job alone: every id in it is new where the file comes in."""
SEQUENCED = ("given_revision", "act", "entry", "explanation", "signature", "fact", "component_stay",
             "attachment")  # fmt: skip
"""What carries a number of the job's own order."""
NOT_SENT = {"stock_movement": ("elsewhere",)}
"""Columns that tell of the yard where the rows lie."""
SENT_BEFORE = {2: ("gauge_card",), 3: ("gauge_card",)}
"""Tables that an earlier edition did not have."""
AGAIN = "Export it again from where it came; nothing was taken in."

Row = dict[str, Any]
Rows = dict[str, list[Row]]
