"""Exchange files of earlier editions: what they held otherwise than the present one."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from bornek.core.errors import InputError
from bornek.services.job.exchange.format import AGAIN, EDITION, Rows
from bornek.store.migrations.old_states import typed_state


def as_now(rows: Rows, edition: int) -> Rows:
    """The rows of an edition that is read here, as the present one holds them."""
    for step in range(edition, EDITION):
        rows = _STEPS[step](rows)
    return rows


def _from_three(rows: Rows) -> Rows:
    """Edition 3 knew a gauge's card only as it was when the file was written: that is its first."""
    try:
        opened = rows["job"][0]["opened_at"]
        cards = [
            {key: value for key, value in row.items() if key != "known_as"}
            | {"id": f"{row['id']}.1", "gauge_id": row["id"], "number": 1, "mechanic_id": None, "at": opened}
            for row in rows["gauge"]
        ]
    except (KeyError, IndexError) as error:
        raise InputError(
            "The exchange file does not hold together.", field="file", next_step=AGAIN
        ) from error
    return {**rows, "gauge_card": cards}


def _from_two(rows: Rows) -> Rows:
    """The same rows as edition 3 kept them: states say their sort, what was given the kind's version.

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
            next_step=AGAIN,
        ) from error
    return {**rows, "act_knob": knobs, "given_revision": given}


def _as_they_are(rows: Rows) -> Rows:
    """Edition 4 knew no build order, 5 no fits, 7 no gear train, 8 no last look, 9 no planets, 10 no gauge that talks: definitions and facts are read as they
    are, what they lack has its default."""
    return rows


def _from_six(rows: Rows) -> Rows:
    """Edition 6 did not say on a card what the gauge can take, and knew no setting that was named later."""
    added: dict[str, dict[str, Any]] = {
        "gauge": {"takes": []},
        "gauge_card": {"takes": []},
        "setting": {"remembered_as": ""},
    }
    return {**rows, **{name: [more | row for row in rows[name]] for name, more in added.items()}}


_STEPS: dict[int, Callable[[Rows], Rows]] = {
    2: _from_two,
    3: _from_three,
    4: _as_they_are,
    5: _as_they_are,
    6: _from_six,
    7: _as_they_are,
    8: _as_they_are,
    9: _as_they_are,
    10: _as_they_are,
}
"""How the rows of an edition become those of the next."""
