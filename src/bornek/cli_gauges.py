"""The command that runs simulated gauges, and those that the demo yard listens to."""

from __future__ import annotations

import argparse
import sys
from dataclasses import replace

from bornek.demo.yard import TALKING
from bornek.devices.sim_motion import MOTIONS, Bench
from bornek.devices.sim_needle import Faults
from bornek.devices.sim_server import SimGauge

DEMO_TRAVEL_MM = 0.235
DEMO_FAULTS = Faults(noise=0.0004)


def add_arguments(parser: argparse.ArgumentParser) -> None:
    bench, faults = Bench(), Faults()
    parser.add_argument("--port", type=int, default=8471)
    parser.add_argument("--motion", choices=MOTIONS, default=bench.motion, help="what the bench does")
    parser.add_argument("--size", type=float, default=bench.size, help="true travel, runout or standing, mm")
    for name, words in (
        ("resolution", "what it shows apart, mm"),
        ("noise", "standard deviation, mm"),
        ("stiction", "how far the part moves before the needle follows, mm"),
        ("drift", "mm a second"),
        ("drops", "share of lines that are lost"),
        ("garbage", "share of lines that are nonsense"),
    ):
        parser.add_argument(f"--{name}", type=float, default=getattr(faults, name), help=words)
    parser.add_argument("--dead", action="store_true", help="the needle never moves")
    parser.add_argument("--wrong-unit", action="store_true", help="it sends inches")
    parser.add_argument("--ask", action="store_true", help="sends a value only when it is asked by ?")
    parser.add_argument("--seed", type=int, default=1)


def run(args: argparse.Namespace) -> None:
    found = vars(args)
    faults = replace(Faults(), **{key: found[key] for key in Faults.__dataclass_fields__})
    sim = SimGauge(Bench(args.motion, args.size), faults, port=args.port, stream=not args.ask, seed=args.seed)
    print(f"The simulated gauge is at {sim.address}   (Ctrl-C stops it)", flush=True)
    try:
        sim.serve_forever()
    except KeyboardInterrupt:
        sim.close()


def start_demo_gauges() -> list[SimGauge]:
    """The gauges of the demo yard that talk; one whose port is taken is left to who took it."""
    started = []
    for seed, (card, line) in enumerate(TALKING, 1):
        port = int(line["port"].rsplit(":", 1)[1])
        try:
            sim = SimGauge(Bench("pries", DEMO_TRAVEL_MM), DEMO_FAULTS, port=port, seed=seed)
        except OSError:
            print(
                f"Port {port} is in use: {card['name']} is not simulated here.", file=sys.stderr, flush=True
            )
            continue
        sim.start()
        started.append(sim)
    return started
