"""How long the contact model takes: a flank set up, a pattern, with its centre, under load; as ratios to a pattern.

python bench/contact.py [--turns 200]; prints, asserts nothing.
"""

from __future__ import annotations

import argparse
import time
from collections.abc import Callable
from dataclasses import replace
from statistics import median

from bornek.core.mesh.bevel_set import S1, S2, S3, BevelSet
from bornek.core.mesh.contact import Shift, at_phase, contact, gap_mm, swept
from bornek.core.mesh.flank import flank_of
from bornek.core.mesh.load import contact_under_load
from bornek.core.mesh.outline import outline
from bornek.core.mesh.slopes import slopes

SETS = {"S1": (S1, 800.0), "S2": (S2, 1500.0), "S3": (S3, 300.0)}


def took(work: Callable[[int], object], turns: int) -> float:
    times = []
    for n in range(turns):
        begun = time.perf_counter()
        work(n)
        times.append(1e3 * (time.perf_counter() - begun))
    return median(times)


def level(s: BevelSet, n: int) -> object:
    f = flank_of(s, "drive")
    angular = gap_mm(f, Shift(pinion=0.0005 * n)) / f.arm
    return (angular - at_phase(f, swept(f, angular))) * f.arm


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--turns", type=int, default=200)
    turns = parser.parse_args().turns
    for name, (s, torque) in SETS.items():
        flank_of(s, "drive"), flank_of(s, "coast")
        pattern = took(lambda n, s=s: level(s, n), turns)
        rows = {
            "flank set up": took(lambda n, s=s: flank_of(replace(s, crown_up=s.crown_up * (1 + 1e-6 * (n + 1))), "drive"), 20),
            "with its centre": took(lambda n, s=s: contact(s, "drive", Shift(pinion=0.0005 * n)), turns),
            "with its outline": took(lambda n, s=s: outline(contact(s, "drive", Shift(pinion=0.0005 * n))), turns),
            "under load": took(lambda n, s=s, t=torque: contact_under_load(s, "drive", t, at=Shift(pinion=0.0005 * n)), turns // 4),
            "slopes": took(lambda n, s=s: slopes(replace(s, crown_along=s.crown_along * (1 + 1e-6 * (n + 1)))), 10),
        }  # fmt: skip
        print(f"{name}: a pattern on 60 × 40 {pattern:.2f} ms")
        for what, ms in rows.items():
            print(f"  {what:18} {ms:7.2f} ms   {ms / pattern:6.1f} × a pattern")


if __name__ == "__main__":
    main()
