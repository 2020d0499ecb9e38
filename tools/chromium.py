"""How Debian's Chromium is launched for tests, pictures and benchmarks: nothing leaves the machine.

The package without windows where it is there: a page in it costs a little more than half. Its letters are hinted as those
of the one with windows are, or lines would break elsewhere: its pictures are then the same, pixel by pixel.
"""

from __future__ import annotations

import shutil
from typing import Any

FLAGS = (
    "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking",
    "--disable-component-update", "--disable-sync", "--font-render-hinting=slight",
)  # fmt: skip


def launch_options() -> dict[str, Any]:
    found = shutil.which("chromium-headless-shell") or shutil.which("chromium")
    return {"executable_path": found, "args": list(FLAGS)}
