"""The application as it is started: its own process, its port, its stop."""

from __future__ import annotations

import json
import os
import signal
import socket
import subprocess
import sys
import time
import urllib.request
from pathlib import Path


def start(data: Path, port: int, *more: str) -> tuple[subprocess.Popen[str], list[str]]:
    """Starts the demo and reads its lines until it says where it is."""
    command = [sys.executable, "-m", "bornek.cli", "demo", "--data", str(data), "--port", str(port), *more]
    process = subprocess.Popen(
        command, stdout=subprocess.PIPE, text=True, env=os.environ | {"PYTHONUNBUFFERED": "1"}
    )
    lines: list[str] = []
    assert process.stdout is not None
    for line in process.stdout:
        lines.append(line)
        if line.startswith("Bornek is at"):
            break
    return process, lines


def address(lines: list[str]) -> str:
    return lines[-1].split()[3]


def call(url: str, body: dict[str, object] | None = None) -> dict[str, object]:
    data = None if body is None else json.dumps(body).encode()
    request = urllib.request.Request(url, data, {"Content-Type": "application/json", "X-Mechanic": "oda"})
    with urllib.request.urlopen(request, timeout=20) as answer:
        return json.load(answer)  # type: ignore[no-any-return]


def wait_for(url: str) -> None:
    deadline = time.monotonic() + 30
    while time.monotonic() < deadline:
        try:
            call(url + "api/health")
        except OSError:
            continue
        return
    raise AssertionError("never came up")


def test_a_taken_port_is_passed_over_and_ctrl_c_keeps_what_was_entered(tmp_path: Path) -> None:
    data = tmp_path / "yard.sqlite"
    with socket.socket() as taken:
        taken.bind(("127.0.0.1", 0))
        taken.listen()
        port = taken.getsockname()[1]
        process, lines = start(data, port)
        assert f"Port {port} is in use" in lines[0]
        assert f":{port}/" not in address(lines)
        wait_for(address(lines))
        entry = {"id": "e1", "slot": "travel.mark_up.1", "text": "0.14"}
        call(address(lines) + "api/settings/p22.thrust-end-play/entries", entry)
        process.send_signal(signal.SIGINT)
        assert process.wait(timeout=20) == 0
    process, lines = start(data, 0)
    wait_for(address(lines))
    view = call(address(lines) + "api/settings/p22.thrust-end-play")
    process.send_signal(signal.SIGINT)
    process.wait(timeout=20)
    assert view["sheet"]["cells"][0]["shown"] == "0.140"  # type: ignore[index]


def test_opening_to_the_shops_network_is_warned_of_plainly(tmp_path: Path) -> None:
    process, lines = start(tmp_path / "yard.sqlite", 0, "--host", "0.0.0.0")
    process.send_signal(signal.SIGINT)
    process.wait(timeout=20)
    assert any("WARNING" in line and "no accounts" in line for line in lines)
