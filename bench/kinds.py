"""Every kind of knob, whole settings through the application's own guide, sheet and advice.

python bench/kinds.py [--cases 300]; for naive, cautious, secant, advisor and oracle on the same units: mean and 90th
percentile of moves until it reads in, unsolved, harm; the advisor's chances by tenths; one sheet's time. Prints,
asserts nothing.
"""

from __future__ import annotations

import argparse
import math
import time
from collections.abc import Sequence
from dataclasses import dataclass, field

import numpy as np

from bornek.core.settings.records import Act
from bornek.core.sheet import make_sheet
from many import cores, many
from rigs import RIGS, Draw, Rig, Truth, begin, bench_of, read_round

CAP = 10
PLAYERS = ("naive", "cautious", "secant", "advisor", "oracle")


@dataclass
class Game:
    moves: int
    solved: bool
    harm: bool
    said: list[tuple[float, bool]] = field(default_factory=list)
    times: list[float] = field(default_factory=list)


def positions(rig: Rig, x: float) -> np.ndarray:
    """What the adjuster can be brought to from x."""
    if rig.curve:
        return np.array(sorted(rig.curve))
    if rig.shelf:
        return np.array(sorted(rig.shelf)) / 1e6
    if rig.kind_id in ("thrust_nut", "spring_thrust_nut"):
        return 2.1 + 360 / 68 * np.arange(0, 24)
    step = {"taper_spindle": 0.5, "taper_clearance": 0.01, "rolling_drag": 1.0, "lift_deflection": 2.0}[
        rig.kind_id
    ]
    span = {"taper_spindle": 90, "taper_clearance": 2.0, "rolling_drag": 60, "lift_deflection": 40}[
        rig.kind_id
    ]
    grid = x + step * np.arange(0 if rig.one_way else -round(span / step), round(span / step) + 1)
    return np.round(grid, 6)


def nearest(rig: Rig, x: float, wanted: float) -> float:
    """The position whose travel is nearest to what is wanted."""
    grid = positions(rig, x)
    return float(grid[np.argmin(np.abs(np.array([rig.travel(float(at)) for at in grid]) - wanted))])


def by_hand(
    rig: Rig, player: str, log: Sequence[tuple[float, float]], truth: Truth, k0: float, y: float
) -> float:
    """Where a mechanic brings it who goes by what is read: one for one, half of it first, or by the last slope."""
    aim = sum(rig.window) / 2
    x, z = log[-1]
    here = rig.travel(x)
    if player == "oracle":
        return nearest(rig, x, here + (aim - y) / truth.k)
    k = k0
    if player == "secant" and len(log) > 1 and log[-1][0] != log[-2][0]:
        found = (log[-1][1] - log[-2][1]) / ((here - rig.travel(log[-2][0])) or math.inf)
        k = found if 0.2 < found / k0 < 3 else k0
    share = 0.5 if player == "cautious" and len(log) == 1 else 1.0
    return nearest(rig, x, here + share * (aim - z) / k)


def play(rig: Rig, player: str, seed: int) -> Game:
    rng: Draw = np.random.default_rng(seed)
    truth = rig.draw(rng)
    entries, acts, given = begin(rig)
    x, y = rig.start, truth.y0
    if rig.kind_id == "spring_thrust_nut":
        x = y / truth.k
    elif rig.kind_id == "rolling_drag":
        pass
    game, log, pending = Game(0, False, False), [], None
    lo, hi = rig.window
    for number in range(1, CAP + 2):
        read_round(rig, truth, y, entries, acts, number, given, rng)
        ctx = bench_of(rig, entries, acts, number, given)
        begun = time.perf_counter()
        sheet = make_sheet(rig.kind, ctx)
        game.times.append(time.perf_counter() - begun)
        result = sheet.outcome.result(rig.row)
        value = result.value if result else None
        z = getattr(value, "v", None)
        if z is None and value is not None:
            z = (value.a + value.b) / 2 if hasattr(value, "a") else value.c
        code = result.verdict.code if result else "not_read"
        if pending is not None:
            game.said.append((pending, code == "in"))
        if code in ("in", "at_edge") or (
            z is not None and number > 1 and lo <= z <= hi and code == "not_proven"
        ):
            game.solved = True
            return game
        if game.harm and rig.one_way:
            return game
        log.append((x, float(z or 0.0)))
        move = sheet.move
        if player == "advisor":
            if move is None or move.best is None or move.stay:
                return game
            then = round(move.best.states[rig.knob].position, 6)
            pending = move.best.p_in
        else:
            then = by_hand(rig, player, log, truth, _k0(rig, ctx), y)
        if abs(then - x) < 1e-9 and player != "advisor":
            return game
        effect = truth.k * (rig.travel(then) - rig.travel(x))
        from_first = truth.k * (rig.travel(then) - rig.travel(log[0][0]))
        y = truth.y0 + from_first if not rig.one_way else y + effect
        y += np.hypot(truth.s_a, rig.share * effect) * rng.normal()
        x = then
        game.moves += 1
        past = y < rig.edge if rig.edge <= sum(rig.window) / 2 else y > rig.edge
        game.harm = game.harm or bool(past)
        acts.append(Act(f"a{number}", number + 1, "move", {rig.knob: rig.state(x)}, seq=10_000 * number))
    return game


def _k0(rig: Rig, ctx: object) -> float:
    response = rig.kind.response(ctx)  # type: ignore[arg-type]
    assert response is not None
    return response.k0[response.rows.index(rig.row)][0]


def run(first: int, last: int, rig: int, player: str) -> list[Game]:
    return [play(RIGS[rig], player, 7001 + 1000 * n) for n in range(first, last)]


def tenths(said: Sequence[tuple[float, bool]]) -> str:
    cells = []
    for t in range(10):
        mine = [(p, ok) for p, ok in said if t / 10 <= p < (t + 1) / 10 or (t == 9 and p >= 1)]
        if len(mine) >= 40:
            p, landed = np.mean([m[0] for m in mine]), np.mean([m[1] for m in mine])
            cells.append(f"{100 * p:.0f}→{100 * landed:.0f} ({len(mine)})")
    return "  ".join(cells)


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--cases", type=int, default=300)
    parser.add_argument(
        "--advised", type=int, default=0, help="units for the advisor, where its chances are counted"
    )
    parser.add_argument("--rigs", type=int, nargs="+", default=list(range(len(RIGS))))
    args = parser.parse_args()
    with cores() as pool:
        for n in args.rigs:
            print(f"\n{RIGS[n].name}: moves mean / 90th, unsolved %, harm %; {args.cases} units")
            for player in PLAYERS:
                cases = max(args.cases, args.advised) if player == "advisor" else args.cases
                games = many(pool, run, cases, n, player)
                moves = [g.moves for g in games if g.solved] or [CAP + 1]
                unsolved = 100 * np.mean([not g.solved for g in games])
                harm = 100 * np.mean([g.harm for g in games])
                print(
                    f"  {player:9s} {np.mean(moves):4.2f} / {np.percentile(moves, 90):.0f}   {unsolved:5.1f}   {harm:5.1f}",
                    flush=True,
                )
                if player == "advisor":
                    said = [s for g in games for s in g.said]
                    times = [t for g in games for t in g.times]
                    print(f"            said→landed of {len(said)} moves: {tenths(said)}")
                    print(
                        f"            one sheet: median {1e3 * np.median(times):.1f} ms, p99 {1e3 * np.percentile(times, 99):.1f} ms"
                    )


if __name__ == "__main__":
    main()
