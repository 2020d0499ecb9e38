"""How Debian's Chromium is launched for tests, pictures and benchmarks: nothing leaves the machine."""

from __future__ import annotations

import shutil
from typing import Any

FLAGS = (
    "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking",
    "--disable-component-update", "--disable-sync",
)  # fmt: skip


def launch_options() -> dict[str, Any]:
    return {"executable_path": shutil.which("chromium"), "args": list(FLAGS)}
