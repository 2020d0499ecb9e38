"""Take-reading-to-advice over HTTP, beside the bare SQLite commit in the same run.

python bench/api.py [--calls 500]; prints p50 and p95 and their ratio, asserts nothing.
"""

from __future__ import annotations

import argparse
import http.client
import json
import sqlite3
import statistics
import tempfile
import time
from pathlib import Path

from served import served


def quantiles(seconds: list[float]) -> tuple[float, float]:
    cut = statistics.quantiles(seconds, n=20)
    return 1000 * statistics.median(seconds), 1000 * cut[18]


def api_calls(port: int, calls: int) -> list[float]:
    """Alternates the last reading of a round and its correction: every call computes a full advice."""
    connection = http.client.HTTPConnection("127.0.0.1", port)
    headers = {"Content-Type": "application/json", "X-Mechanic": "marl"}
    url = "/api/settings/w17.output-end-play"
    times: list[float] = []
    last = seen = None
    for n in range(calls):
        body = {"id": f"bench-{n}", "slot": "travel.mark_down.2", "text": f"0.14{n % 9}"}
        if last:
            body |= {"supersedes": last, "seen": seen}
        begun = time.perf_counter()
        connection.request(
            "POST", f"{url}/entries", json.dumps(body), headers | {"Idempotency-Key": f"bench-{n}"}
        )
        answer = connection.getresponse()
        view = json.loads(answer.read())
        times.append(time.perf_counter() - begun)
        assert answer.status == 201, view
        last, seen = f"bench-{n}", view["version"]
    return times


def commits(path: Path, calls: int) -> list[float]:
    connection = sqlite3.connect(path, isolation_level=None)
    connection.execute("PRAGMA journal_mode=WAL")
    connection.execute("PRAGMA synchronous=FULL")
    connection.execute("CREATE TABLE bare (id TEXT PRIMARY KEY, body TEXT)")
    times = []
    for n in range(calls):
        begun = time.perf_counter()
        connection.execute("BEGIN IMMEDIATE")
        connection.execute("INSERT INTO bare VALUES (?, ?)", (f"k{n}", "x" * 200))
        connection.execute("COMMIT")
        times.append(time.perf_counter() - begun)
    connection.close()
    return times


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--calls", type=int, default=500)
    calls = parser.parse_args().calls
    with tempfile.TemporaryDirectory() as folder:
        with served(Path(folder) / "yard.sqlite") as server:
            ours = quantiles(api_calls(server.port, calls))
        bare = quantiles(commits(Path(folder) / "bare.sqlite", calls))
    print(f"\n{calls} calls          p50 ms   p95 ms")
    print(f"reading to advice   {ours[0]:6.1f}   {ours[1]:6.1f}")
    print(f"bare commit         {bare[0]:6.2f}   {bare[1]:6.2f}")
    print(f"ratio               {ours[0] / bare[0]:6.1f}   {ours[1] / bare[1]:6.1f}")


if __name__ == "__main__":
    main()
