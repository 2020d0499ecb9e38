"""kill -9 during writes: acknowledged readings lost, and readings doubled by a resend.

python bench/kills.py [--kills 200] [--broken 20]; prints counts. A client writes readings without a pause and
notes each acknowledgement; the server is killed at a random moment after its first answer; the unacknowledged one is sent
again with its key after the restart. This proves commit before acknowledgement and idempotency, not the disk's promise.
"""

from __future__ import annotations

import argparse
import http.client
import json
import shutil
import sqlite3
import tempfile
import threading
from dataclasses import dataclass
from pathlib import Path

from bornek.core.practice.streams import Stream
from served import Server

SLOTS = [f"travel.{p}.{n}" for p in ("mark_up", "mark_down") for n in (1, 2, 3)]
URL = "/api/settings/p22.thrust-end-play/entries"


def send(port: int, key: str, n: int) -> int:
    """The status that the server answered, 0 when it was gone before it could."""
    body = {"id": key, "slot": SLOTS[n % len(SLOTS)], "text": "0.14"}
    headers = {"Content-Type": "application/json", "X-Mechanic": "marl", "Idempotency-Key": key}
    connection = http.client.HTTPConnection("127.0.0.1", port, timeout=5)
    try:
        connection.request("POST", URL, json.dumps(body), headers)
        answer = connection.getresponse()
        answer.read()
        return answer.status
    except (OSError, http.client.HTTPException):
        return 0
    finally:
        connection.close()


@dataclass
class Count:
    """`lost`: acknowledged, not kept. `doubled`: kept more often than once, or kept without the row that
    lets a resend be answered (the resend is then refused instead of acknowledged)."""

    acknowledged: int = 0
    lost: int = 0
    doubled: int = 0
    resent: int = 0


def trial(folder: Path, kills: int, module: str, seed: int, begun: Path | None = None) -> Count:
    """`begun`: a yard that is seeded already, to start from."""
    server = Server(folder / f"{module}.sqlite", module)
    if begun is not None:
        shutil.copy(begun, server.data)
    acknowledged: set[str] = set()
    pending: str | None = None
    n, count = 0, Count()
    for kill in range(kills):
        server.start()
        if pending:
            count.resent += 1
            status = send(server.port, pending, n)
            count.doubled += status == 422
            if status == 201:
                acknowledged.add(pending)
            pending = None
        end = threading.Timer(0.02 + 0.25 * Stream(seed, kill).u(0), server.kill)
        while pending is None:
            n += 1
            key = f"k{n}"
            if send(server.port, key, n) == 201:
                acknowledged.add(key)
            else:
                pending = key
            if end.ident is None:
                end.start()
        end.join()
    with sqlite3.connect(server.data) as connection:
        kept = [row[0] for row in connection.execute("SELECT id FROM entry WHERE id LIKE 'k%'")]
    count.acknowledged = len(acknowledged)
    count.lost = len(acknowledged - set(kept))
    count.doubled += len(kept) - len(set(kept))
    return count


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--kills", type=int, default=200)
    parser.add_argument("--broken", type=int, default=20)
    args = parser.parse_args()
    with tempfile.TemporaryDirectory() as folder:
        good = trial(Path(folder), args.kills, "bornek.cli", 1)
        print(
            f"\nas shipped: {args.kills} kills, {good.acknowledged} acknowledged, {good.lost} lost, "
            f"{good.resent} resent, {good.doubled} doubled",
            flush=True,
        )
        bad = trial(Path(folder), args.broken, "broken", 2)
        caught = "caught" if bad.lost else "NOT caught"
        print(
            f"answers before it commits: {args.broken} kills, {bad.acknowledged} acknowledged, "
            f"{bad.lost} lost: {caught}"
        )


if __name__ == "__main__":
    main()
