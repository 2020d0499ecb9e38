"""Hostile inputs at the door of `compute`: every one is answered, or refused with field, reason and next step.

python bench/fuzz.py [--each 20000]; prints counts by kind and exits 1 if anything broke.
"""

from __future__ import annotations

import argparse
import copy
import json
import os
import random
import sys
import time
from collections import Counter
from concurrent.futures import ProcessPoolExecutor
from typing import Any

from bornek.core.compute import compute
from bornek.core.door import read_json
from bornek.core.errors import BornekError

SHIMS = {
    "stock": {"0.05": 4, "0.10": 4, "0.20": 2},
    "gauges": [{"id": "d", "name": "dial", "division": 0.01}],
}
TRAVELS = [f"travel.{p}.{n}" for p in ("mark_up", "mark_down") for n in (1, 2, 3)]
SIZES = [f"{p}.{w}" for p in ("near", "middle", "far") for w in ("up", "across")]


def _read(slots: list[str], values: list[Any]) -> list[dict[str, Any]]:
    return [{"slot": s, "value": v, "round": 1} for s, v in zip(slots, values, strict=True)]


SOUND: dict[str, dict[str, Any]] = {
    "shim_pack_end_play": {
        "given": {"least": 0.06, "greatest": "0.12 mm", "sense": "adds", "torque": "80 Nm", "source": "card"},
        "entries": _read(TRAVELS, [0.3, 0.305, 0.31, 0.3, 0.305, 0.3]),
        "acts": [{"round": 1, "states": {"pack": [0.5, 0.2, "10 thou"]}}],
        "history": [{"setting": "a", "serial": "u1", "k": 0.9, "se": 0.03}],
        "explanations": [{"round": 1, "cause": "reread"}],
        **SHIMS,
    },
    "two_row_bench": {
        "given": {"least": -0.1, "greatest": 0.05, "half_angle": "14 deg", "cone_fit": 0.03, "source": "card"},
        "entries": _read(
            [f"{k}.{s}" for k in "ABWS" for s in ("12", "3", "6", "9")],
            [31.86, 31.87, 31.86, 31.85, 32.04, 32.05, 32.04, 32.03, 57.2, 57.2, 57.21, 57.19, 6.75, 6.75, 6.75, 6.75],
        ),
    },
    "plain_bearing": {
        "given": {"diameter": 50, "least_share": 0.6, "greatest": 0.09, "remedy": "ream", "source": "card"},
        "entries": _read(
            [f"bore.{s}" for s in SIZES] + [f"journal.{s}" for s in SIZES], [50.06] * 6 + ["49.99"] * 6
        ),
    },
    "seat_size": {
        "given": {"what": "journal", "nominal": 80, "fit": "k6", "mate": 79.99, "form_limit": 0.01, "source": "c"},
        "entries": _read([f"size.{s}" for s in SIZES], [80.01, 80.011, 80.012, 80.01, 80.01, 80.01]),
    },
    "taper_clearance": {
        "given": {"designation": "22218 EK/C3", "school": "greatest", "source": "chart"},
        "entries": _read(
            [f"feeler.{r}.{p}" for r in ("near", "far") for p in (1, 2, 3)], ["0.09 0.10"] * 3 + [[0.09, 0.1]] * 3
        ),
        "acts": [{"round": 2, "states": {"drive": 0.5}}],
    },
    "spring_thrust_nut": {
        "given": {"least": 0.18, "greatest": 0.28, "pitch": 2, "tabs": 17, "slots": 4, "source": "m"},
        "entries": _read(
            ["jack", "washer", "bracket", "springs", "zero", "nut", "ram", "travel.1", "travel.2"],
            [True] * 7 + [0.35, 0.352],
        ),
    },
    "crank_runout": {
        "given": {"limit": 0.04, "convention": "sum", "gauges": "between", "angles": 8, "source": "c"},
        "entries": _read([f"{e}.{k}" for e in "LR" for k in range(8)], [0.0, 0.01, 0.02, 0.01, 0, -0.01, -0.02, -0.01] * 2),
    },
    "bevel_mesh": {
        "given": {"least": 0.1, "greatest": 0.3, "pinion_sense": "out", "carrier_total": 2, "pinion_angle": 20, "source": "c"},
        "entries": [
            *_read([f"lash.{n}" for n in (1, 2, 3, 4)], [0.2, 0.21, 0.2, 0.22]),
            *_read([f"paint.{f}" for f in ("drive", "coast")], [{"flank": f, "mask": [[0, 1], [1, 0.5]]} for f in ("drive", "coast")]),
        ],
        "acts": [{"states": {"pinion": [0.5], "carrier": {"left": [0.5], "right": [1.5]}}}],
        **SHIMS,
    },
}  # fmt: skip


def deep(levels: int) -> Any:
    found: Any = 1
    for _ in range(levels):
        found = [found]
    return found


HOSTILE: list[Any] = [
    None, True, False, 0, -1, 1, 2.9, -0.0, 1e308, -1e308, 1e-320, float("nan"), float("inf"), -float("inf"),
    10**400, -(10**400), "", " ", "x", "NaN", "inf", "1e999", "9" * 400, " " * 8000, "0,5", "1/0", "3/64", "8 thou",
    "12 kgf", "−0.2", "٣", "0.1 0.2", "\x00", "💥", "a" * 30_000, [], {}, [[]], [1, [2]], [None], {"a": 1},
    {"v": float("nan"), "u": 1}, [[1, 2], [3]], [["a"]], [0.1] * 300, deep(40), {"left": [0.1], "right": "x"},
    {"flank": "coast", "mask": [[1]]}, {"flank": ["drive"], "mask": [[1]]}, {"mask": [[float("nan")]]},
]  # fmt: skip


def hurt(kind: str, seed: int) -> dict[str, Any]:
    """The sound input of a kind with one to three parts replaced, taken away, doubled or put in a wrong place."""
    rng = random.Random(f"{kind}/{seed}")
    data = copy.deepcopy(SOUND[kind])
    for _ in range(rng.choice((1, 1, 2, 3))):
        parent, key = _somewhere(data, rng)
        what, old = rng.random(), parent[key]
        if what < 0.4 and isinstance(old, int | float) and not isinstance(old, bool) and abs(old) < 1e9:
            parent[key] = old * rng.choice((0, -1, 0.1, 10, 25.4, 1 / 25.4, 1000, 1.3)) + rng.choice(
                (0, 0, 0.01, -0.01)
            )
        elif what < 0.75:
            parent[key] = copy.deepcopy(rng.choice(HOSTILE))
        elif what < 0.85:
            del parent[key]
        elif what < 0.93 and isinstance(parent, dict):
            parent[rng.choice(("extra", "gauge", "stock", "unit", "round", "kind", ""))] = copy.deepcopy(
                rng.choice(HOSTILE)
            )
        elif isinstance(parent, list):
            parent.append(copy.deepcopy(parent[key]))
    return data


def _somewhere(data: dict[str, Any], rng: random.Random) -> tuple[Any, Any]:
    """A place in the tree; deeper ones as likely as shallow ones."""
    places = []
    left: list[Any] = [data]
    while left:
        node = left.pop()
        for key, part in node.items() if isinstance(node, dict) else enumerate(node):
            places.append((node, key))
            if isinstance(part, dict | list) and len(places) < 400:
                left.append(part)
    return rng.choice(places) if places else (data, data.setdefault("given", "given"))


def answer_of(kind: str, data: Any) -> str:
    """ "answered", "refused", or what broke."""
    try:
        sheet = compute(kind, data)
        json.dumps(sheet, allow_nan=False)
    except BornekError as error:
        problem = error.problem()
        whole = problem["message"] and problem["next_step"] and len(problem["message"]) < 4000
        return "refused" if whole else f"a refusal that does not say enough: {problem}"
    except Exception as error:
        return f"{type(error).__name__}: {str(error)[:100]}"
    return "answered"


def run(job: tuple[str, int, int]) -> tuple[Counter[str], float]:
    kind, first, last = job
    found: Counter[str] = Counter()
    slowest = 0.0
    for seed in range(first, last):
        begun = time.perf_counter()
        answer = answer_of(kind, hurt(kind, seed))
        slowest = max(slowest, time.perf_counter() - begun)
        found[answer if answer in ("answered", "refused") else f"{answer} (seed {seed})"] += 1
    return found, slowest


def drawers() -> None:
    """How long a drawer of many thicknesses takes, twenty of each, beside one of eight."""
    begun: dict[int, float] = {}
    for n in (8, 40, 100, 400):
        data = SOUND["shim_pack_end_play"] | {"stock": {f"{(i + 2) / 100:.2f}": 20 for i in range(n)}}
        compute("shim_pack_end_play", data)
        start = time.perf_counter()
        compute("shim_pack_end_play", data)
        begun[n] = time.perf_counter() - start
        print(
            f"a drawer of {n} thicknesses: {1000 * begun[n]:.0f} ms, {begun[n] / begun[8]:.1f} times that of 8"
        )


def main() -> int:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--each", type=int, default=20_000)
    args = parser.parse_args()
    broken = 0
    drawers()
    with ProcessPoolExecutor(os.cpu_count()) as pool:
        for kind in SOUND:
            parts = list(
                pool.map(run, [(kind, a, min(a + 250, args.each)) for a in range(0, args.each, 250)])
            )
            total = sum((c for c, _ in parts), Counter[str]())
            odd = {k: n for k, n in total.items() if k not in ("answered", "refused")}
            broken += sum(odd.values())
            print(
                f"{kind:20s} {total['answered']:6d} answered {total['refused']:6d} refused {sum(odd.values()):4d} broke, "
                f"slowest {max(s for _, s in parts):.2f} s",
                flush=True,
            )
            for words in list(odd)[:12]:
                print("   ", words)
    for text in ("[" * 100_000, "NaN", "1" * 5000, '{"a": Infinity}', "{", b"\xff"):
        try:
            read_json(text)
            print(f"    {text[:20]!r} was taken")
            broken += 1
        except BornekError:
            pass
    return 1 if broken else 0


if __name__ == "__main__":
    sys.exit(main())
