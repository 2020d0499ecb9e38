"""Do the tests bite? Changes one operator, constant or return at a time and looks whether a test notices.

`make mutants ROOM=advice` takes a fixed random sample of the changes that a room's source allows (comparison,
arithmetic, boolean, constant, return; no texts) and runs that room's tests against each, in a process forked
after the heavy libraries were loaded. Nothing on disk is changed.
"""

from __future__ import annotations

import argparse
import ast
import importlib.machinery
import os
import random
import signal
import sys
import time
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path

ROOT = Path(__file__).parents[1]
CORE = "src/bornek/core"
ROOMS: dict[str, tuple[tuple[str, ...], tuple[str, ...]]] = {
    "advice": ((f"{CORE}/advice",), (
        "tests/test_frozen_records.py", "tests/core/test_choose.py", "tests/core/test_belief.py", "tests/core/test_belief_laws.py", "tests/core/test_packs.py",
        "tests/core/test_domains.py", "tests/core/test_replay.py", "tests/core/test_joint.py", "tests/core/test_one_way.py",
        "tests/core/test_advice_bounds.py", "tests/core/test_written.py", "tests/core/test_next_move.py", "tests/core/test_shim_pack_end_play.py",
        "tests/core/test_players.py", "tests/core/test_memory.py", "tests/core/test_advice_by_hand.py", "tests/core/test_advice_pieces.py",
        "tests/core/test_harm.py", "tests/core/test_slips.py",
        "tests/core/test_simulated_settings.py", f"{CORE}/advice")),
    "settings": ((f"{CORE}/settings",), (
        "tests/core/test_written.py", "tests/test_frozen_records.py", "tests/core/test_state.py",
        "tests/core/test_shim_pack_end_play.py", "tests/core/test_two_row_bench.py",
        "tests/core/test_plain_bearing.py", "tests/core/test_taper_clearance.py", "tests/core/test_kinds_declared.py",
        "tests/core/test_bearing_kinds_by_hand.py", "tests/core/test_mesh_settings.py", "tests/core/test_mesh_model.py", "tests/core/test_bevel_form.py", "tests/core/test_bevel_pair_setting.py",
        "tests/core/test_sequence_and_vectors.py", "tests/core/test_seat_and_bush_laws.py", "tests/core/test_sifting.py",
        "tests/core/test_given.py", "tests/core/test_kind_helpers.py", "tests/core/test_kind_contract.py",
        "tests/core/test_half_read.py", "tests/core/test_uncertainties.py", "tests/core/test_harm.py", "tests/core/test_watch.py",
        "tests/core/test_figures.py", f"{CORE}/settings")),
    "parts": ((f"{CORE}/parts",), (
        "tests/test_frozen_records.py", "tests/core/test_inspection.py", "tests/core/test_teeth.py", "tests/core/test_seal_track.py", "tests/core/test_orders.py", "tests/core/test_inspection_laws.py", "tests/core/test_parts_by_hand.py", "tests/core/test_causes.py", "tests/core/test_facts.py",
        "tests/core/test_disturbed.py", "tests/core/test_known_evidence.py",
        f"{CORE}/parts")),
    "windows": ((f"{CORE}/windows.py", f"{CORE}/readings.py", f"{CORE}/uncertainty.py"), (
        "tests/test_frozen_records.py", "tests/core/test_windows.py", "tests/core/test_readings.py", "tests/core/test_uncertainties.py", "tests/core/test_written.py",
        "tests/core/test_shim_pack_end_play.py", "tests/core/test_simulated_settings.py", "tests/core/test_draw.py", f"{CORE}/windows.py",
        f"{CORE}/readings.py", f"{CORE}/uncertainty.py")),
    "services": (("src/bornek/services",), (
        "tests/test_frozen_records.py", "tests/web/test_written_views.py", "tests/services", "tests/web/test_throwaway_fact.py",
        "tests/web/test_stages.py")),
}  # fmt: skip
BESIDE = {
    "archive": (), "fit": ("fit_api",), "inspect": ("inspect_api", "inspect_writes"),
    "job": ("receive", "receive_wide", "records", "what_comes_in", "closed_takes_nothing", "bench_api"),
    "mesh": ("train_api", "several_quantities"), "people": ("people", "accounts", "keys"), "plan": ("plan_api", "today_api"),
    "practice": ("practice", "job_practice"), "prove": ("prove_api",),
    "setting": ("setting_api", "several_quantities", "previews_and_expectations", "what_if_api", "live_gauges"),
    "shop": ("board", "today_api", "limits_and_shims", "yard_and_photos", "type_making", "people", "accounts"),
    "strip": ("strip_api", "photos"), "unit": ("unit_types", "type_making", "life_api", "prove_api"),
}  # fmt: skip
"""By the folder of a service: the tests at the API that are of it alone, tried first."""
DRAWN = "figures"
"""Drawings to no scale: their places on the sheet are no results. `tests/core/test_figures.py` keeps them on it."""
SAMPLE = 60
HUNG = -1
PATIENCE = 4
"""A change under which the tests run this many times as long as without it hangs: it is noticed, and told apart."""
COMPARE = {ast.Lt: ast.LtE, ast.LtE: ast.Lt, ast.Gt: ast.GtE, ast.GtE: ast.Gt, ast.Eq: ast.NotEq, ast.NotEq: ast.Eq,
           ast.In: ast.NotIn, ast.NotIn: ast.In, ast.Is: ast.IsNot, ast.IsNot: ast.Is}  # fmt: skip
ARITHMETIC = {ast.Add: ast.Sub, ast.Sub: ast.Add, ast.Mult: ast.Div, ast.Div: ast.Mult, ast.Pow: ast.Mult}
BOOLEAN = {ast.And: ast.Or, ast.Or: ast.And}


@dataclass(frozen=True)
class Mutant:
    """One change: the file, where, what it was and what it became, and the whole source with it."""

    path: Path
    line: int
    was: str
    became: str
    source: str

    @property
    def place(self) -> str:
        """Where, as a survivor is printed."""
        return f"{self.path.relative_to(ROOT)}:{self.line}"


def mutants_of(path: Path) -> Iterator[Mutant]:
    """Every change that a file allows, in the order of its lines."""
    source = path.read_text(encoding="utf-8")
    tree = ast.parse(source)
    quiet = {id(n) for node in ast.walk(tree) for n in _not_code(node)}
    for node in ast.walk(tree):
        if id(node) in quiet or not hasattr(node, "lineno"):
            continue
        for changed in _changes(node):
            was, became = ast.get_source_segment(source, node) or "", ast.unparse(changed)
            whole = _replace(source, node, became)
            if whole is not None and was != became:
                yield Mutant(path, node.lineno, " ".join(was.split()), became, whole)


def _not_code(node: ast.AST) -> Iterator[ast.AST]:
    """Annotations, defaults of dataclasses' types and f-strings' formats: no behaviour, or only words."""
    for name in ("annotation", "returns", "format_spec"):
        part = getattr(node, name, None)
        if part is not None:
            yield from ast.walk(part)
    if isinstance(node, ast.JoinedStr):
        yield from ast.walk(node)


def _changes(node: ast.AST) -> Iterator[ast.expr | ast.stmt]:
    if isinstance(node, ast.Compare) and type(node.ops[0]) in COMPARE:
        yield ast.Compare(node.left, [COMPARE[type(node.ops[0])](), *node.ops[1:]], node.comparators)
    elif isinstance(node, ast.BinOp) and type(node.op) in ARITHMETIC and not _is_text(node):
        yield ast.BinOp(node.left, ARITHMETIC[type(node.op)](), node.right)
    elif isinstance(node, ast.BoolOp):
        yield ast.BoolOp(BOOLEAN[type(node.op)](), node.values)
    elif isinstance(node, ast.UnaryOp) and isinstance(node.op, ast.Not):
        yield node.operand
    elif isinstance(node, ast.Constant) and isinstance(node.value, bool):
        yield ast.Constant(not node.value)
    elif isinstance(node, ast.Constant) and isinstance(node.value, int | float):
        yield ast.Constant(node.value * 2 if node.value else 1)
    elif isinstance(node, ast.Return) and node.value is not None and not isinstance(node.value, ast.Constant):
        yield ast.Return(ast.Constant(None))


def _is_text(node: ast.BinOp) -> bool:
    return any(
        isinstance(n, ast.JoinedStr) or (isinstance(n, ast.Constant) and isinstance(n.value, str))
        for n in ast.walk(node)
    )


def _replace(source: str, node: ast.AST, text: str) -> str | None:
    lines = source.encode().splitlines(keepends=True)
    starts = [0]
    for line in lines:
        starts.append(starts[-1] + len(line))
    begin = starts[node.lineno - 1] + node.col_offset  # type: ignore[attr-defined]
    end = starts[node.end_lineno - 1] + node.end_col_offset  # type: ignore[attr-defined]
    wrapped = text if isinstance(node, ast.Return) else f"({text})"
    whole = source.encode()[:begin] + wrapped.encode() + source.encode()[end:]
    try:
        ast.parse(whole)
    except SyntaxError:
        return None
    return whole.decode()


def sample(room: str, size: int, seed: int) -> list[Mutant]:
    """A fixed choice among all changes of a room."""
    files = [f for place in ROOMS[room][0] for f in _python(ROOT / place) if f.parent.name != DRAWN]
    found = [m for f in sorted(files) for m in mutants_of(f)]
    return sorted(
        random.Random(seed).sample(found, min(size, len(found))), key=lambda m: (str(m.path), m.line)
    )


def _python(place: Path) -> list[Path]:
    return [place] if place.is_file() else [p for p in place.rglob("*.py") if p.name != "__init__.py"]


def tests_beside(mutant: Mutant) -> tuple[str, ...]:
    folder = mutant.path.relative_to(ROOT).parts[3] if "services" in mutant.path.parts else ""
    return tuple(f"tests/web/test_{name}.py" for name in BESIDE.get(folder, ()))


def run(mutant: Mutant | None, tests: tuple[str, ...], seconds: float = 3600) -> int:
    """Exit status of the tests against a mutant, in a child of this process; HUNG where they do not end in time."""
    child = os.fork()
    if child:
        deadline = time.monotonic() + seconds
        while time.monotonic() < deadline:
            done, status = os.waitpid(child, os.WNOHANG)
            if done:
                return os.waitstatus_to_exitcode(status)
            time.sleep(0.05)
        os.killpg(child, signal.SIGKILL)
        os.waitpid(child, 0)
        return HUNG
    os.setsid()
    null = os.open(os.devnull, os.O_WRONLY)
    os.dup2(null, 1)
    os.dup2(null, 2)
    if mutant is not None:
        _put_in(mutant)
    import pytest

    there = [t for t in tests if (ROOT / t).exists()]
    os._exit(int(pytest.main(["-x", "-q", "-m", "", "-p", "no:cacheprovider", "-p", "no:randomly", *there])))


def _put_in(mutant: Mutant) -> None:
    """From now on the module is compiled from the mutant's source."""
    plain = importlib.machinery.SourceFileLoader.get_code

    def get_code(self: importlib.machinery.SourceFileLoader, name: str) -> object:
        if Path(self.path) == mutant.path:
            return compile(mutant.source, self.path, "exec", dont_inherit=True)
        return plain(self, name)

    importlib.machinery.SourceFileLoader.get_code = get_code  # type: ignore[method-assign, assignment]


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("room", choices=sorted(ROOMS))
    parser.add_argument("--sample", type=int, default=SAMPLE)
    parser.add_argument("--seed", type=int, default=1)
    parser.add_argument("--part", default="1/1", help="n/m: only every m-th, beginning with the n-th")
    parser.add_argument(
        "--only",
        nargs="*",
        default=[],
        help="path:line of the sample, as a survivor is printed: only these again",
    )
    args = parser.parse_args()
    os.chdir(ROOT)
    sys.path[:0] = [str(ROOT / "src")]
    import hypothesis  # noqa: F401
    import numpy  # noqa: F401
    import scipy.optimize
    import scipy.special  # noqa: F401

    tests = ROOMS[args.room][1]
    began = time.monotonic()
    if run(None, tests) != 0:
        sys.exit("The tests do not pass as they stand.")
    seconds = PATIENCE * (time.monotonic() - began) + 60
    n, m = (int(x) for x in args.part.split("/"))
    chosen = sample(args.room, args.sample, args.seed)[n - 1 :: m]
    if args.only:
        chosen = [mutant for mutant in chosen if mutant.place in args.only]
    caught = 0
    for mutant in chosen:
        status = run(mutant, (*tests_beside(mutant), *tests), seconds)
        caught += status != 0
        if status in (0, HUNG):
            word = "SURVIVED" if status == 0 else "HANGS"
            print(f"{word} {mutant.place}: {mutant.was}  ->  {mutant.became}", flush=True)
    print(f"{args.room}: {caught} of {len(chosen)} caught ({100 * caught / max(len(chosen), 1):.0f} %)")


if __name__ == "__main__":
    main()
