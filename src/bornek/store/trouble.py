"""What the disk refuses, in words."""

from __future__ import annotations

import errno
from collections.abc import Iterator
from contextlib import contextmanager

from sqlalchemy.exc import OperationalError

from bornek.core.errors import StorageBusy, StorageFull

FULL = (errno.ENOSPC, errno.EDQUOT, errno.EFBIG)


@contextmanager
def said_plainly() -> Iterator[None]:
    """Raises StorageFull or StorageBusy for what SQLite or the file system says of it; all else goes on."""
    try:
        yield
    except OperationalError as error:
        words = str(error.orig)
        if "full" in words:
            raise _full() from error
        if "locked" in words or "busy" in words:
            raise StorageBusy(
                "Another program holds the yard's file; nothing of this was written.",
                next_step="Wait until the backup or the other program is done, then send it again.",
            ) from error
        raise
    except OSError as error:
        if error.errno in FULL:
            raise _full() from error
        raise


def _full() -> StorageFull:
    return StorageFull(
        "The disk is full: this was not written. Everything written before is kept.",
        next_step="Free room on the disk where the yard's file lies (old backups first), then send it again.",
    )
