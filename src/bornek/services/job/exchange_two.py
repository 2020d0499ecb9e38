"""Exchange files of edition 2: what they held otherwise than the present edition."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from bornek.core.errors import InputError
from bornek.store.migrations.old_states import typed_state

Rows = Mapping[str, list[dict[str, Any]]]


def from_edition_two(rows: Rows) -> dict[str, list[dict[str, Any]]]:
    """The same rows as this edition keeps them: states say their sort, what was given the kind's version.

    Raises InputError where what was given belongs to no setting of the file.
    """
    try:
        versions = {s["id"]: s["kind_version"] for s in rows["setting"]}
        knobs = [
            row | {side: typed_state(row[side], row["knob"]) for side in ("before", "after")}
            for row in rows["act_knob"]
        ]
        given = [row | {"kind_version": versions[row["setting_id"]]} for row in rows["given_revision"]]
    except (KeyError, TypeError) as error:
        raise InputError(
            "The exchange file does not hold together.",
            field="file",
            next_step="Export it again from where it came; nothing was taken in.",
        ) from error
    return {**rows, "act_knob": knobs, "given_revision": given}
