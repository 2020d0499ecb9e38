"""The preload benchmark, and whole preload jobs through `compute`: does the uncertainty hold, does any job end
without a move?

python bench/preload.py [--cases 2000 --jobs 900]; prints, asserts nothing.
"""

from __future__ import annotations

import argparse
from dataclasses import dataclass
from typing import Any

import numpy as np

from bornek.core.compute import compute
from bornek.core.practice import preload
from bornek.core.practice.streams import Stream
from many import cores, many

PLAYERS = {"naive": preload.naive, "advisor": preload.advisor, "oracle": preload.oracle}
GIVEN = {
    "meant": "preload", "least": 0.05, "greatest": 0.10, "sense": "adds", "torque": 80, "source": "card",
    "drag_least": 2.0, "drag_greatest": 4.0,
}  # fmt: skip
PER_MM = 3.0 / 0.075
"""N·m of drag for each mm of preload, as the two windows say."""
SLOTS = [f"travel.{p}.{n}" for p in ("mark_up", "mark_down") for n in (1, 2, 3)]
FINE = {"id": "l", "name": "lever", "division": 0.002, "calibration_u": 0.001}
DRAWER = {f"{n / 100:.2f}": 10 for n in (5, 8, 10, 11, 12, 13, 15, 20, 30, 50)}
CAP = 10


def run(first: int, last: int, seed: int, half: float, name: str) -> list[int]:
    return [
        preload.play_rolling(preload.make_rolling(seed, n), PLAYERS[name], half) for n in range(first, last)
    ]


@dataclass(frozen=True)
class Job:
    """Rounds until it was signed as in, 0 if it never was; whether it ended with nothing to do; how far, in
    standard uncertainties, each preload by shims lay from the truth."""

    rounds: int
    stuck: bool
    z: tuple[float, ...]


def job(number: int, drag: bool = True) -> Job:
    """One preload set through the application's own path, whatever it says."""
    s = Stream(4100, number)
    k, rho_q, s_a = 1 + 0.08 * s.n(1), float(np.exp(0.2 * s.n(2))), 0.003 + 0.005 * s.u(3)
    play, pack, first = 0.1 + 0.35 * s.u(4), [0.5, 0.3, 0.1], 0.9
    given = GIVEN if drag else {k: v for k, v in GIVEN.items() if not k.startswith("drag")}
    data: dict[str, Any] = {
        "given": given,
        "gauges": [FINE],
        "stock": DRAWER,
        "acts": [],
        "entries": [],
        "explanations": [],
    }
    z: list[float] = []
    for n in range(1, CAP + 1):
        y = play + k * (sum(pack) - first) + s_a * s.n(5, n)
        data["acts"].append({"round": n, "states": {"pack": list(pack)}})
        read = [round(max(y + 0.003 * s.n(6, 16 * n + i), 0.0), 3) for i in range(6)]
        data["entries"] += [
            {"slot": t, "value": v, "round": n, "confirmed": True} for t, v in zip(SLOTS, read, strict=True)
        ]
        sheet = compute("shim_pack_end_play", data)
        for slot, value in (
            ("needle", True),
            ("drag", round(max(rho_q * PER_MM * max(-y, 0) * (1 + 0.03 * s.n(7, n)), 0.011), 3)),
        ):
            if sheet["next"] == slot:
                data["entries"].append({"slot": slot, "value": value, "round": n, "confirmed": True})
                sheet = compute("shim_pack_end_play", data)
        if sheet["surprise"]:
            data["explanations"].append({"round": n, "cause": "unexplained"})
            sheet = compute("shim_pack_end_play", data)
        result = sheet["outcome"]["results"][0]["value"]
        if result["type"] == "normal" and all(v <= 0.002 for v in read):
            z.append((result["v"] - y) / result["u"])
        if sheet["verdict"]["code"] == "in":
            return Job(n, False, tuple(z))
        best = sheet["move"] and sheet["move"]["best"]
        if not best or sheet["move"]["stay"] not in ("", "loosen"):
            return Job(0, True, tuple(z))
        pack = [p["thickness"] for p in best["states"]["pack"]["packs"][0]]
    return Job(0, False, tuple(z))


def jobs(first: int, last: int, drag: bool) -> list[Job]:
    return [job(n, drag) for n in range(first, last)]


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--cases", type=int, default=2000)
    parser.add_argument("--jobs", type=int, default=900)
    args = parser.parse_args()
    with cores() as pool:
        for seed in (2028, 7001):
            for name in PLAYERS:
                cells = [
                    f"{np.mean(many(pool, run, args.cases, seed, half, name)):5.2f}"
                    for half in (25.0, 12.0, 6.0)
                ]
                print(f"seed {seed}  {name:8s} {'  '.join(cells)}", flush=True)
        for drag in (True, False):
            done = many(pool, jobs, args.jobs, drag)
            z = np.array([j.z[0] for j in done if j.z])
            ended = [j for j in done if j.rounds]
            print(
                f"{len(done)} jobs, drag {'given' if drag else 'not given'}: {len(ended)} proven in "
                f"{np.mean([j.rounds - 1 for j in ended]) if ended else 0:.2f} moves, {sum(j.stuck for j in done)} ended "
                f"without a move; {len(z)} preloads by shims, |z| < 2 for {100 * np.mean(np.abs(z) < 2):.1f} %"
            )


if __name__ == "__main__":
    main()
