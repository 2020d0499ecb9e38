"""The application as it is started: its own process, its port, its stop."""

from __future__ import annotations

import io
import json
import os
import shutil
import signal
import socket
import subprocess
import sys
import time
import urllib.error
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager, suppress
from pathlib import Path
from typing import IO

import pytest

from bornek.app import create_app
from bornek.cli import main
from bornek.store.yard_file import open_yard
from helpers import NOW
from served import forked


def until_it_says_where_it_is(said: IO[str]) -> list[str]:
    lines: list[str] = []
    for line in said:
        lines.append(line)
        if line.startswith("Bornek is at"):
            break
    return lines


def address(lines: list[str]) -> str:
    return lines[-1].split()[3]


@contextmanager
def started(data: Path, *more: str, by: signal.Signals = signal.SIGINT) -> Iterator[list[str]]:
    """What it said until it says where it is; stopped by that signal afterwards."""
    heard = data.with_name("heard")
    os.mkfifo(heard)
    process = forked(heard, "bornek.cli", "demo", "--data", str(data), "--port", "0", *more)
    with heard.open() as said:
        try:
            yield until_it_says_where_it_is(said)
        finally:
            assert process.pid
            os.kill(process.pid, by)
            process.join(20)
    assert process.exitcode == 0


def copied(yard: Path, folder: Path) -> Path:
    return Path(shutil.copy(yard, folder / "yard.sqlite"))


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
    """From the very first start, which makes the yard, in a process that has read nothing of the program yet."""
    data = tmp_path / "yard.sqlite"
    with socket.socket() as taken:
        taken.bind(("127.0.0.1", 0))
        taken.listen()
        port = taken.getsockname()[1]
        command = [sys.executable, "-m", "bornek.cli", "demo", "--data", str(data), "--port", str(port)]
        unbuffered = os.environ | {"PYTHONUNBUFFERED": "1"}
        process = subprocess.Popen(command, stdout=subprocess.PIPE, text=True, env=unbuffered)
        assert process.stdout is not None
        lines = until_it_says_where_it_is(process.stdout)
        assert f"Port {port} is in use" in lines[0]
        assert f":{port}/" not in address(lines)
        wait_for(address(lines))
        entry = {"id": "e1", "slot": "travel.mark_up.1", "text": "0.14"}
        call(address(lines) + "api/settings/p22.thrust-end-play/entries", entry)
        process.send_signal(signal.SIGINT)
        assert process.wait(timeout=20) == 0
    kept = create_app(open_yard(data), lambda: NOW, trusts=True).test_client()
    view = kept.get("/api/settings/p22.thrust-end-play").get_json()
    assert view["sheet"]["cells"][0]["shown"] == "0.140"


@pytest.fixture(scope="module")
def running(yard_template: Path, tmp_path_factory: pytest.TempPathFactory) -> Iterator[str]:
    names = ("--host", "::1", "--allow-host", "bench.lan")
    data = copied(yard_template, tmp_path_factory.mktemp("running"))
    with started(data, *names, by=signal.SIGTERM) as lines:
        wait_for(address(lines))
        yield address(lines)


def connected(url: str) -> socket.socket:
    return socket.create_connection(("::1", int(url.rsplit(":", 1)[1].rstrip("/"))), timeout=20)


def test_half_sent_requests_hold_connections_and_never_the_server(running: str) -> None:
    """Sixty-four that break off in the body, in the head, or before either, and one byte now and then."""
    head = b"POST /api/settings/p22.thrust-end-play/entries HTTP/1.1\r\nHost: [::1]\r\nContent-Type: application/json\r\n"
    halves = (
        head + b'Content-Length: 5000\r\n\r\n{"id": "e',
        head[:40],
        b"",
        head + b"Transfer-Encoding: chunked\r\n\r\n5\r\n{",
    )
    held = [connected(running) for _ in range(64)]
    for n, half in enumerate(held):
        half.sendall(halves[n % len(halves)])
    for half in held[::4]:
        half.sendall(b"x")
    view = call(running + "api/settings/p22.thrust-end-play")
    entry = {"id": "whole", "slot": "travel.mark_up.1", "text": "0.14"}
    call(running + "api/settings/p22.thrust-end-play/entries", entry)
    assert view["label"]
    for half in held:
        half.close()


def test_it_answers_on_the_other_loopback_and_under_the_names_it_was_given(running: str) -> None:
    assert "[::1]" in running
    for host, status in (
        ("bench.lan", 200),
        ("[::1]:80", 200),
        ("localhost", 200),
        ("evil.test", 403),
        ("", 403),
    ):
        with connected(running) as line:
            line.sendall(f"GET /api/health HTTP/1.1\r\nHost: {host}\r\nConnection: close\r\n\r\n".encode())
            answer = b"".join(iter(lambda: line.recv(4096), b""))
        assert answer.split()[1] == str(status).encode(), (host, answer)


@pytest.mark.parametrize(
    ("path", "size", "status"),
    [
        ("/api/settings/p22.thrust-end-play/entries", 1_000_001, b"413"),
        ("/api/jobs/p22/photos?id=a", 15_000_001, b"413"),
        ("/api/jobs/imports", 70_000_000, b"413"),
    ],
)
def test_a_body_is_bounded_by_its_route(running: str, path: str, size: int, status: bytes) -> None:
    kind = "application/json" if "entries" in path else "application/octet-stream"
    with connected(running) as line:
        line.sendall(f"POST {path} HTTP/1.1\r\nHost: [::1]\r\nContent-Type: {kind}\r\n"
                     f"Connection: close\r\nContent-Length: {size}\r\n\r\n".encode())  # fmt: skip
        with suppress(OSError):
            line.sendall(b" " * size)
        answer = b"".join(iter(lambda: line.recv(4096), b""))
    assert answer.split()[1] == status, answer[:300]


def test_the_shops_network_without_tls_wants_to_be_said(
    tmp_path: Path, yard_template: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    data = copied(yard_template, tmp_path)
    assert main(["serve", "--data", str(data), "--port", "0", "--host", "0.0.0.0"]) == 2
    assert "--without-tls" in capsys.readouterr().err
    with started(data, "--host", "0.0.0.0", "--without-tls") as lines:
        pass
    assert any("WARNING" in line and "without TLS" in line for line in lines)
    assert any("taken at their word" in line for line in lines)


def test_behind_a_proxy_the_cookie_is_secure_and_nobody_is_at_home(
    tmp_path: Path, yard_template: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    """As the real server has it: some clear what a proxy says before anybody reads it."""
    data = copied(yard_template, tmp_path)
    monkeypatch.setattr("sys.stdin", io.StringIO("three worn bearings\n"))
    assert main(["person", "--data", str(data), "Ow Berg"]) == 0
    over = {"X-Forwarded-For": "10.0.0.7", "X-Forwarded-Proto": "https", "Content-Type": "application/json"}
    body = json.dumps({"name": "Ow Berg", "passphrase": "three worn bearings"}).encode()
    with started(data, "--proxy") as lines:
        home = address(lines).rstrip("/")
        asked = urllib.request.Request(f"{home}/api/sign-ins", body, over)
        cookie = urllib.request.urlopen(asked, timeout=20).headers["Set-Cookie"]
        assert cookie.startswith("__Host-bornek=") and "Secure" in cookie and "HttpOnly" in cookie
        with pytest.raises(urllib.error.HTTPError, match="401"):
            urllib.request.urlopen(urllib.request.Request(f"{home}/api/board", headers=over), timeout=20)
        assert urllib.request.urlopen(f"{home}/api/board", timeout=20).status == 200
