"""Every row of an exchange file read through the core: what could not have been written here is refused."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from datetime import UTC, datetime
from typing import Any, NoReturn

from sqlalchemy import JSON, Boolean, Column, DateTime, Float, Integer

from bornek.core.advice.reconcile import ANSWERS
from bornek.core.errors import BornekError, InputError
from bornek.core.facts.registry import find_fact_kind, subject_of
from bornek.core.gauges import Gauge
from bornek.core.raw import check_raw
from bornek.core.schools import read_schools
from bornek.core.settings.records import ACT_KINDS
from bornek.core.settings.registry import find_calculation
from bornek.core.settings.state import stored_state
from bornek.core.structure import build
from bornek.core.trace.taken import check_figures
from bornek.core.units.checks import check_definition
from bornek.core.units.definition import read_definition
from bornek.services.desk import digest
from bornek.services.job.exchange.format import AGAIN, NOT_SENT, ORDER, SEQUENCED, Row, Rows
from bornek.services.setting.frozen import EDITION as SIGNATURE_EDITION
from bornek.store.base import Base
from bornek.store.tables.gauge import CARD

MOST_WHOLE = 2**53
ONE_OF = {"job": "job", "unit": "unit", "unit_type_revision": "revision of a unit type"}
UNITS_OF_LENGTH = ("mm", "thou")
EARLIEST, LATEST = datetime(1970, 1, 1, tzinfo=UTC), datetime(2200, 1, 1, tzinfo=UTC)


def check_rows(rows: Rows) -> None:
    """Raises InputError that names the table, the row and what does not hold."""
    for name in ORDER:
        for row in rows[name]:
            check_columns(name, row, NOT_SENT.get(name, ()))
    for name, words in ONE_OF.items():
        if len(rows[name]) != 1:
            _refuse(name, {}, f"an exchange file holds one {words}")
    for name, check in CHECKS.items():
        for row in rows[name]:
            try:
                check(row)
            except BornekError as error:
                _refuse(name, row, error.message)
            except Exception as error:
                _refuse(name, row, f"it cannot be read ({type(error).__name__})")
    _check_facts(rows)
    _check_versions(rows)
    _check_order(rows)


def _refuse(name: str, row: Mapping[str, Any], why: str) -> NoReturn:
    which = f"{name} {str(row.get('id') or row.get('sha256') or '')[:60]}".strip()
    raise InputError(f"{which}: {why.rstrip('.')}.", field="file", next_step=AGAIN)


def check_columns(name: str, row: Row, not_sent: Sequence[str] = ()) -> None:
    """Raises InputError for a row that the table could not hold; what may be left out gets its default."""
    columns = {c.key: c for c in Base.metadata.tables[name].columns if c.key not in not_sent}
    for key in sorted(row.keys() - columns.keys()):
        _refuse(name, row, f"there is no column {key[:40]!r}")
    for key, column in columns.items():
        if row.get(key) is None:
            if not (column.nullable or (key not in row and column.default is not None)):
                _refuse(name, row, f"{key} is missing")
            row[key] = _default(column)
        elif not _fits(column, row[key]):
            _refuse(name, row, f"{key} does not fit (got {str(row[key])[:40]!r})")


def _default(column: Column[Any]) -> Any:
    """What a column holds that an earlier edition did not send."""
    return getattr(column.default, "arg", None) if getattr(column.default, "is_scalar", False) else None


def _fits(column: Column[Any], value: Any) -> bool:
    kind = getattr(column.type, "impl", column.type)
    if isinstance(kind, JSON):
        return isinstance(value, dict | list)
    if isinstance(kind, DateTime):
        return isinstance(value, str) and _is_moment(value)
    if isinstance(kind, Boolean):
        return isinstance(value, bool)
    if isinstance(kind, Integer):
        return isinstance(value, int) and not isinstance(value, bool) and abs(value) < MOST_WHOLE
    if isinstance(kind, Float):
        return isinstance(value, int | float) and not isinstance(value, bool)
    return isinstance(value, str) and (not column.primary_key or 0 < len(value) <= 200)


def _is_moment(text: str) -> bool:
    try:
        moment = datetime.fromisoformat(text)
    except ValueError:
        return False
    return moment.tzinfo is not None and EARLIEST < moment < LATEST


def _one_of(value: Any, allowed: Any, field: str) -> None:
    if value not in allowed:
        raise InputError(f"{field} {str(value)[:40]!r} is not known here; known: {', '.join(allowed)}")


def _job(row: Row) -> None:
    check_definition(read_definition(row["definition"]))
    _one_of(row["length_unit"], UNITS_OF_LENGTH, "length_unit")
    _one_of(row["stands"], ("bench", "field"), "stands")
    read_schools(row["schools"])


def _entry(row: Row) -> None:
    check_raw(row["raw"])
    check_figures(row["trace"])


def _setting(row: Row) -> None:
    _known_version(row["kind"], row["kind_version"])


def _known_version(kind_id: str, version: int) -> None:
    if not 1 <= version <= find_calculation(kind_id).version:
        raise InputError(f"version {version} of {kind_id} is not known here")


def _card(row: Row) -> None:
    Gauge(**{key: row[key] for key in ("id", *CARD)})


def _knob(row: Row) -> None:
    for side in ("before", "after"):
        if stored_state(row[side]) is None and row[side]:
            raise InputError(f"the state {side} cannot be read")


def _revision(row: Row) -> None:
    if row["sha256"] != digest(row["definition"]):
        raise InputError("the definition was changed")


def _signature(row: Row) -> None:
    edition = row["snapshot"].get("edition", 1)
    if edition not in range(1, SIGNATURE_EDITION + 1):
        raise InputError(f"edition {edition} of a signature is not known here")


def _lot(row: Row) -> None:
    if row["id"] != f"{row['form']}/{row['thickness_nm']}" or not 0 < row["thickness_nm"] <= 20_000_000:
        raise InputError("a shim of that form and thickness is called otherwise")


CHECKS: dict[str, Callable[[Row], None]] = {
    "job": _job,
    "setting": _setting,
    "gauge": _card,
    "gauge_card": _card,
    "entry": _entry,
    "act": lambda row: _one_of(row["kind"], ACT_KINDS, "kind"),
    "act_knob": _knob,
    "explanation": lambda row: _one_of(row["cause"], [key for key, _ in ANSWERS], "cause"),
    "unit_type_revision": _revision,
    "signature": _signature,
    "shim_lot": _lot,
}


def _check_facts(rows: Rows) -> None:
    """Each with the body that its kind declares, as the job's own definition knows its parts."""
    d = read_definition(rows["job"][0]["definition"])
    for row in rows["fact"]:
        try:
            body = build(find_fact_kind(row["kind"]).body, row["body"])
            if subject_of(body, d) != row["subject"]:
                _refuse("fact", row, f"it is not about {row['subject'][:40]!r}")
        except BornekError as error:
            _refuse("fact", row, error.message)
        except Exception as error:
            _refuse("fact", row, f"it cannot be read ({type(error).__name__})")


def _check_versions(rows: Rows) -> None:
    """What was given was given under a version that is known."""
    kinds = {s["id"]: s["kind"] for s in rows["setting"]}
    for row in rows["given_revision"]:
        kind = kinds.get(row["setting_id"])
        if kind is None:
            _refuse("given_revision", row, "it belongs to no setting of the file")
        try:
            _known_version(kind, row["kind_version"])
        except BornekError as error:
            _refuse("given_revision", row, error.message)


def _check_order(rows: Rows) -> None:
    """Numbers of the job's own order are each given once, up to its last; what corrects comes after."""
    last = rows["job"][0]["seq"]
    for name in SEQUENCED:
        seqs = [row["seq"] for row in rows[name]]
        for row in rows[name]:
            if not 0 < row["seq"] <= last:
                _refuse(name, row, f"seq {row['seq']} is beyond the job's last, {last}")
        if name != "given_revision" and len(set(seqs)) < len(seqs):
            _refuse(name, rows[name][0], "two rows have one seq")
    for name, same in (("entry", ("setting_id", "slot")), ("fact", ("kind",))):
        by_id = {row["id"]: row for row in rows[name]}
        for row in rows[name]:
            old = by_id.get(row["supersedes"]) if row.get("supersedes") else None
            if row.get("supersedes") and (
                old is None or old["seq"] >= row["seq"] or any(old[k] != row[k] for k in same)
            ):
                _refuse(name, row, "it corrects something that it cannot correct")
            if row["void"] and old is None:
                _refuse(name, row, "it strikes nothing")
    for setting in rows["setting"]:
        numbers = sorted(r["number"] for r in rows["round"] if r["setting_id"] == setting["id"])
        if numbers != list(range(1, len(numbers) + 1)) or not numbers:
            _refuse("setting", setting, "its rounds are not 1, 2, 3")
        if not any(g["setting_id"] == setting["id"] for g in rows["given_revision"]):
            _refuse("setting", setting, "nothing was given for it")
