"""How long the section's layout takes for a unit of 60 parts and one of 300, beside the six units of the yard.

`python bench/section.py`: milliseconds, median and worst of 15, after one warm-up; and the ratio to one
solving of the same size by the linear programme alone.
"""

from __future__ import annotations

import statistics
import time
from collections.abc import Callable

from bornek.core.section.draw_section import draw_section
from bornek.core.section.place_parts import place_parts
from bornek.core.units.definition import Definition, read_definition
from bornek.core.units.part_kinds import PART_KINDS
from bornek.demo.yard import TYPES

ROUNDS = 15


def sixty() -> Definition:
    """Two meshing shafts of 26 parts, one of 8, twelve places."""
    parts, meshes = [], []
    for shaft in ("upper", "lower"):
        row = ["coupling", "cover", "taper_bearing"]
        row += ["gear", "spacer", "gear", "dog"] * 5
        row += ["taper_bearing", "cover", "nut"]
        parts += [
            {"key": f"{shaft}-{i}", "label": f"{shaft} {i}", "kind": kind, "shaft": shaft, "teeth": 30}
            for i, kind in enumerate(row)
        ]
    third = ["cover", "ball_bearing", "spacer", "pulley", "spacer", "ball_bearing", "cover", "nut"]
    parts += [
        {"key": f"third-{i}", "label": f"third {i}", "kind": k, "shaft": "third"} for i, k in enumerate(third)
    ]
    gears = [i for i, p in enumerate(parts[:26]) if p["kind"] == "gear"]
    meshes = [
        {
            "key": f"m{i}",
            "label": f"pair {i}",
            "driver": f"upper-{i}",
            "driven": f"lower-{i}",
            "toward": "below",
        }
        for i in gears[:6]
    ]
    at = [
        "upper-1",
        "upper-2",
        "upper-23",
        "upper-24",
        "lower-1",
        "lower-24",
        "third-0",
        "third-6",
        "third-3",
        *(m["key"] for m in meshes[:3]),
    ]
    return read_definition(
        {
            "shafts": [
                {"key": "upper", "label": "upper shaft"},
                {"key": "lower", "label": "lower shaft"},
                {"key": "third", "label": "third shaft", "beside": "lower"},
            ],
            "parts": parts,
            "meshes": meshes,
            "places": [
                {"key": f"p{i}", "label": f"place {i}", "at": key, "shim_form": "C"}
                for i, key in enumerate(at)
            ],
        }
    )


def three_hundred() -> Definition:
    """One shaft of 300 parts of every kind, a place at each seventh: a sheet as long as it needs."""
    kinds = list(PART_KINDS)
    parts = [
        {"key": f"p{i}", "label": f"part {i}", "kind": kinds[i % len(kinds)], "shaft": "s"}
        for i in range(300)
    ]
    places = [{"key": f"at{i}", "label": f"place {i}", "at": f"p{i}"} for i in range(0, 300, 7)]
    return read_definition(
        {"shafts": [{"key": "s", "label": "long shaft"}], "parts": parts, "places": places}
    )


def timed(work: Callable[[Definition], object], d: Definition) -> tuple[float, float]:
    work(d)
    found = []
    for _ in range(ROUNDS):
        start = time.perf_counter()
        work(d)
        found.append((time.perf_counter() - start) * 1000)
    return statistics.median(found), max(found)


def main() -> None:
    units = {"sixty parts": sixty(), "300 parts": three_hundred()} | {
        key: read_definition(d) for key, _, d in TYPES
    }
    for name, d in units.items():
        whole, worst = timed(draw_section, d)
        alone, _ = timed(place_parts, d)
        print(
            f"{name:18} {len(d.parts):3} parts {len(d.places):2} places  median {whole:6.1f}  worst {worst:6.1f} ms"
            f"  ratio to placing alone {whole / alone:4.1f}"
        )


if __name__ == "__main__":
    main()
