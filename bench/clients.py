"""Sixteen clients that read without a pause: latency, refusals, and whether every acknowledged reading is kept.

python bench/clients.py [--clients 16] [--calls 100]; prints p50, p99, the slowest and the counts by status.
Each client works on a setting of its own and corrects its last reading, so that the log stays that of a real
round; then all of them append to one and the same setting.
"""

from __future__ import annotations

import argparse
import http.client
import json
import sqlite3
import statistics
import tempfile
import threading
import time
from collections import Counter
from dataclasses import dataclass, field
from pathlib import Path

from served import served

SLOTS = [f"travel.{p}.{n}" for p in ("mark_up", "mark_down") for n in (1, 2, 3)]
SHARED = "p22.thrust-end-play"


@dataclass
class Tally:
    seconds: list[float] = field(default_factory=list)
    statuses: Counter[int] = field(default_factory=Counter)
    acknowledged: list[str] = field(default_factory=list)

    def line(self, words: str) -> str:
        ms = sorted(1000 * s for s in self.seconds)
        p99 = statistics.quantiles(ms, n=100)[98]
        rate = len(ms) / max(sum(self.seconds) / 16, 1e-9)
        return (
            f"{words:28} p50 {statistics.median(ms):7.1f}  p99 {p99:7.1f}  slowest {ms[-1]:7.1f} ms   "
            f"{rate:5.0f}/s   {dict(self.statuses)}"
        )


class Client:
    def __init__(self, port: int, name: str, tally: Tally) -> None:
        self.connection = http.client.HTTPConnection("127.0.0.1", port, timeout=60)
        self.name, self.tally = name, tally

    def post(self, path: str, body: dict[str, object], key: str) -> tuple[int, dict[str, object]]:
        headers = {"Content-Type": "application/json", "X-Mechanic": "marl", "Idempotency-Key": key}
        try:
            self.connection.request("POST", path, json.dumps(body), headers)
            answer = self.connection.getresponse()
            return answer.status, json.loads(answer.read())
        except (OSError, http.client.HTTPException, ValueError):
            self.connection.close()
            return 0, {}

    def own_setting(self) -> str:
        job = {"id": f"c-{self.name}", "revision": "drain-pump.1", "tag": self.name, "name": "Drain pump",
               "serial": self.name}  # fmt: skip
        status, view = self.post("/api/jobs", job, f"job-{self.name}")
        assert status == 201, view
        return f"c-{self.name}.thrust-end-play"

    def reads(self, setting: str, calls: int, correcting: bool) -> None:
        last, seen = None, None
        for n in range(calls):
            key = f"{self.name}-{correcting:d}-{n}"
            body: dict[str, object] = {"id": key, "slot": SLOTS[n % 6 if n < 6 or not correcting else 5],
                                       "text": f"0.14{n % 9}"}  # fmt: skip
            if correcting and last and n >= 6:
                body |= {"supersedes": last, "seen": seen}
            begun = time.perf_counter()
            status, view = self.post(f"/api/settings/{setting}/entries", body, key)
            self.tally.seconds.append(time.perf_counter() - begun)
            self.tally.statuses[status] += 1
            if status == 201:
                self.tally.acknowledged.append(key)
                last, seen = key, view["version"]


def together(port: int, clients: int, calls: int, settings: list[str], correcting: bool, run: str) -> Tally:
    tallies = [Tally() for _ in range(clients)]
    threads = [
        threading.Thread(
            target=Client(port, f"{run}{i}", tallies[i]).reads,
            args=(settings[i % len(settings)], calls, correcting),
        )
        for i in range(clients)
    ]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    whole = Tally()
    for tally in tallies:
        whole.seconds += tally.seconds
        whole.statuses += tally.statuses
        whole.acknowledged += tally.acknowledged
    return whole


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--clients", type=int, default=16)
    parser.add_argument("--calls", type=int, default=100)
    args = parser.parse_args()
    with tempfile.TemporaryDirectory() as folder:
        data = Path(folder) / "yard.sqlite"
        with served(data) as server:
            own = [Client(server.port, f"own{i}", Tally()).own_setting() for i in range(args.clients)]
            apart = together(server.port, args.clients, args.calls, own, True, "own")
            shared = together(server.port, args.clients, max(args.calls // 10, 2), [SHARED], False, "one")
        with sqlite3.connect(data) as connection:
            kept = {row[0] for row in connection.execute("SELECT id FROM entry")}
    print()
    print(apart.line("a setting each, correcting"))
    print(shared.line("all on one setting"))
    told = apart.acknowledged + shared.acknowledged
    print(f"acknowledged {len(told)}, lost {len(set(told) - kept)}")


if __name__ == "__main__":
    main()
