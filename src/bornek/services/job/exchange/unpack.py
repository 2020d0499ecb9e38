"""An exchange file opened: bounded before anything is unpacked, and read as plain data."""

from __future__ import annotations

import hashlib
import io
import stat
import zipfile
import zlib
from dataclasses import dataclass
from typing import Any

from bornek.core.door import read_json
from bornek.core.errors import InputError
from bornek.services.desk import digest
from bornek.services.job.exchange.editions import as_now
from bornek.services.job.exchange.export_job import kept_under
from bornek.services.job.exchange.format import AGAIN, FORMAT, ORDER, READS, SENT_BEFORE, Rows
from bornek.services.strip.images import Picture, take_picture

MOST_FILES = 500
MOST_UNPACKED = 200_000_000
MOST_ROWS = 100_000
MOST_VALUES = 3_000_000
DEEPEST = 64
CHOOSE = "Choose a file that Bornek exported."
DAMAGE = (zipfile.BadZipFile, zlib.error, EOFError, OSError, RuntimeError, NotImplementedError, ValueError)


@dataclass(frozen=True)
class Bundle:
    """`pictures` by the hash that the rows know each under, drawn anew as uploads are; `yard` is where the
    file is from."""

    yard: str
    rows: Rows
    pictures: dict[str, Picture]


def unpack(data: bytes) -> Bundle:
    """Raises InputError for what is no exchange file, is too large, is damaged, or was changed."""
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as archive:
            _check_members(archive)
            body = read_json(archive.read("job.json"), DEEPEST, MOST_VALUES)
            rows = _rows_of(body)
            pictures = {b["sha256"]: _picture(archive, b) for b in rows["blob"]}
    except KeyError as error:
        raise InputError("A part of the exchange file is missing.", field="file", next_step=AGAIN) from error
    except DAMAGE as error:
        raise InputError(
            "This is not an exchange file, or it is damaged.", field="file", next_step=CHOOSE
        ) from error
    return Bundle(str(body.get("yard") or "another yard")[:80], rows, pictures)


def _check_members(archive: zipfile.ZipFile) -> None:
    members = archive.infolist()
    names = [m.filename for m in members]
    why = ""
    if len(members) > MOST_FILES:
        why = f"It holds {len(members)} files; at most {MOST_FILES} are taken."
    elif sum(m.file_size for m in members) > MOST_UNPACKED:
        why = f"Unpacked it is larger than {MOST_UNPACKED // 10**6} MB."
    elif len(set(names)) < len(names):
        why = "It holds two files of one name."
    elif any(m.flag_bits & 1 for m in members):
        why = "It is encrypted."
    elif any(stat.S_ISLNK(m.external_attr >> 16) for m in members):
        why = "It holds a link instead of a file."
    elif any(m.compress_type not in (zipfile.ZIP_STORED, zipfile.ZIP_DEFLATED) for m in members):
        why = "It is packed in a way that is not read here."
    elif "archive.json" in names:
        why = "It is the archive of a whole yard: bornek take-in puts it into an empty one."
    elif any(n != "job.json" and not n.startswith("files/") for n in names):
        why = "It holds more than a job and its pictures."
    if why:
        raise InputError(f"This file is not taken: {why}", field="file", next_step=CHOOSE)


def _rows_of(body: Any) -> Rows:
    if not isinstance(body, dict) or body.get("format") != FORMAT or body.get("edition") not in READS:
        edition = body.get("edition") if isinstance(body, dict) else None
        raise InputError(
            f"This is not an exchange file of an edition that is read here ({', '.join(map(str, READS))}; "
            f"it says {str(edition)[:20]}).",
            field="file",
            next_step=CHOOSE,
        )
    rows, edition = body.get("rows"), body["edition"]
    expected = set(ORDER) - set(SENT_BEFORE.get(edition, ()))
    if not isinstance(rows, dict) or set(rows) != expected or body.get("sha256") != digest(rows):
        raise InputError("The exchange file was changed on the way.", field="file", next_step=AGAIN)
    for name, found in rows.items():
        if not isinstance(found, list) or not all(isinstance(row, dict) for row in found):
            raise InputError(f"{name} must be a list of rows.", field="file", next_step=AGAIN)
    if sum(len(found) for found in rows.values()) > MOST_ROWS:
        raise InputError(f"It holds more than {MOST_ROWS} rows.", field="file", next_step=CHOOSE)
    return as_now(rows, edition)


def _picture(archive: zipfile.ZipFile, blob: dict[str, Any]) -> Picture:
    """A picture of the file: its own hash, and a picture by what it is."""
    kept = kept_under(blob)
    found = archive.read(f"files/{kept}")
    if hashlib.sha256(found).hexdigest() != kept:
        raise InputError("A photo was changed on the way.", field="file", next_step=AGAIN)
    return take_picture(found)
