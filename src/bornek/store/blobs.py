"""Files kept beside the database by the hash of their content: written, synced, then renamed."""

from __future__ import annotations

import hashlib
import os
import re
from pathlib import Path

_SHA = re.compile(r"[0-9a-f]{64}")


class Blobs:
    """A folder of files named by sha256. A name that is not one never becomes a path."""

    def __init__(self, root: Path) -> None:
        self.root = root

    def put(self, data: bytes) -> str:
        """Keeps the bytes; the same bytes are kept once. On disk before it returns."""
        sha = hashlib.sha256(data).hexdigest()
        path = self._path(sha)
        if not path.exists():
            path.parent.mkdir(parents=True, exist_ok=True)
            draft = path.with_suffix(f".{os.getpid()}.part")
            with draft.open("wb") as file:
                file.write(data)
                file.flush()
                os.fsync(file.fileno())
            draft.replace(path)
        return sha

    def get(self, sha: str) -> bytes | None:
        if not _SHA.fullmatch(sha):
            return None
        path = self._path(sha)
        return path.read_bytes() if path.exists() else None

    def _path(self, sha: str) -> Path:
        return self.root / sha[:2] / sha
