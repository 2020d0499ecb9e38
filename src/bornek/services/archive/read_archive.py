"""An archive opened: what it says of itself compared with what is in it."""

from __future__ import annotations

import hashlib
import io
import zipfile
from dataclasses import dataclass
from typing import Any

from bornek.core.door import read_json
from bornek.core.errors import InputError
from bornek.services.archive.format import (
    AGAIN,
    DEEPEST,
    EDITION,
    FORMAT,
    MOST_UNPACKED,
    MOST_VALUES,
    archived,
)
from bornek.services.archive.write_archive import end_of
from bornek.services.desk import digest
from bornek.services.job.exchange.check_rows import check_columns
from bornek.services.job.exchange.unpack import DAMAGE

Rows = dict[str, list[dict[str, Any]]]


@dataclass(frozen=True)
class Archive:
    """`end` is the code that it gives itself; `files` the bytes of its pictures by name."""

    yard: str
    store: str
    end: str
    jobs: dict[str, str]
    rows: Rows
    files: dict[str, bytes]


def is_archive(data: bytes) -> bool:
    """Whether a file is a yard's archive, whatever state it is in."""
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as archive:
            return "archive.json" in archive.namelist()
    except DAMAGE:
        return False


def read_archive(data: bytes) -> Archive:
    """Raises InputError for what is no archive, is damaged, or holds something else than it says."""
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as archive:
            _check_size(archive)
            body = read_json(archive.read("archive.json"), DEEPEST, MOST_VALUES)
            _check_head(body)
            rows = {
                table.name: read_json(archive.read(f"tables/{table.name}.json"), DEEPEST, MOST_VALUES)
                for table in archived()
            }
            names = [n for n in archive.namelist() if n.startswith("files/")]
            files = {n.removeprefix("files/"): archive.read(n) for n in names}
    except KeyError as error:
        raise refused(f"it lacks {str(error)[:60]}") from error
    except DAMAGE as error:
        raise refused("it is damaged, or no archive") from error
    _check_rows(body, rows)
    _check_files(body, rows, files)
    return Archive(body["yard"], body["store"], body["end"], body["jobs"], rows, files)


def refused(why: str) -> InputError:
    return InputError(f"This archive cannot be used: {why}.", field="file", next_step=AGAIN)


def _check_size(archive: zipfile.ZipFile) -> None:
    if sum(m.file_size for m in archive.infolist()) > MOST_UNPACKED:
        raise refused("it is too large")


def _check_head(body: Any) -> None:
    if not isinstance(body, dict) or body.get("format") != FORMAT:
        raise refused("it is no archive of a yard")
    if body.get("edition") != EDITION:
        raise refused(f"its edition is {str(body.get('edition'))[:20]}, this version reads {EDITION}")
    for key, kind in (("tables", dict), ("jobs", dict), ("yard", str), ("store", str), ("end", str)):
        if not isinstance(body.get(key), kind):
            raise refused(f"it does not say its {key}")
    if body["end"] != end_of(body):
        raise refused("what it says of itself was changed")
    if set(body["tables"]) != {t.name for t in archived()}:
        raise refused("it does not hold the tables of this version")


def _check_rows(body: dict[str, Any], rows: Rows) -> None:
    for name, found in rows.items():
        told = body["tables"][name]
        if not isinstance(found, list) or not isinstance(told, dict):
            raise refused(f"{name} is no list of rows")
        if told.get("rows") != len(found) or told.get("sha256") != digest(found):
            raise refused(f"{name} was changed")
        for row in found:
            if not isinstance(row, dict):
                raise refused(f"{name} is no list of rows")
            check_columns(name, row)


def _check_files(body: dict[str, Any], rows: Rows, files: dict[str, bytes]) -> None:
    wanted = {str(b.get("file") or b["sha256"]) for b in rows["blob"]} | {b["thumb"] for b in rows["blob"]}
    if wanted != set(files) or body.get("files") != len(files):
        raise refused("its pictures are not those of its rows")
    for name, data in files.items():
        if hashlib.sha256(data).hexdigest() != name:
            raise refused(f"a picture was changed ({name[:12]})")
