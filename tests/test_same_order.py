"""What is listed stands in one order from every start: Python keeps a set in another order each time."""

from __future__ import annotations

import ast
import json
import os
import subprocess
import sys
from pathlib import Path

import pytest

from bornek.app import create_app
from bornek.store.database import Database
from helpers import NOW

SOURCE = Path(__file__).parents[1] / "src/bornek"
ORDER_BLIND = {"all", "any", "frozenset", "len", "max", "min", "set", "sorted", "sum"}
STAGES = ("", "/strip", "/inspection", "/plan", "/fit", "/prove", "/train", "/record")


def is_set(node: ast.expr) -> bool:
    """Whether the expression itself says that it is a set: braces, `set()`, or keys taken together."""
    if isinstance(node, ast.BinOp) and isinstance(node.op, ast.BitAnd | ast.BitOr | ast.Sub):
        return any(is_set(side) or called(side) == "keys" for side in (node.left, node.right))
    return isinstance(node, ast.Set | ast.SetComp) or called(node) in ("set", "frozenset")


def called(node: ast.expr) -> str:
    if not isinstance(node, ast.Call):
        return ""
    return getattr(node.func, "id", "") or getattr(node.func, "attr", "")


def listed_as_it_comes(source: str) -> list[str]:
    """Loops over a set whose order may be seen in what they make."""
    nodes = list(ast.walk(ast.parse(source)))
    blind = {id(a) for n in nodes if isinstance(n, ast.Call) and called(n) in ORDER_BLIND for a in n.args}
    made = [n for n in nodes if isinstance(n, ast.ListComp | ast.GeneratorExp | ast.DictComp)]
    loops = [n.iter for n in nodes if isinstance(n, ast.For)]
    loops += [g.iter for n in made if id(n) not in blind for g in n.generators]
    return [ast.unparse(n) for n in loops if is_set(n)]


def test_nothing_is_listed_in_the_order_of_a_set() -> None:
    assert listed_as_it_comes("x = {k: 1 for k in a.keys() | b.keys()}") == ["a.keys() | b.keys()"]
    assert listed_as_it_comes("for k in {p for p in a}:\n    print(k)") == ["{p for p in a}"]
    assert listed_as_it_comes("x = sum(k for k in set(a))") == []
    found = {str(p): listed_as_it_comes(p.read_text(encoding="utf-8")) for p in SOURCE.rglob("*.py")}
    assert {p: loops for p, loops in found.items() if loops} == {}


def answers(yard: str) -> dict[str, str]:
    client = create_app(Database(Path(yard)), lambda: NOW, trusts=True).test_client()
    jobs = sorted({row["job_id"] for row in client.get("/api/board").get_json()["rows"]})
    looks = {f"/api/jobs/{job}{stage}": None for job in jobs for stage in STAGES}
    return {look: client.get(look).get_data(as_text=True) for look in looks}


@pytest.mark.wide
def test_two_starts_answer_alike(yard_template: Path, tmp_path: Path) -> None:
    told = []
    for seed in ("1", "2"):
        yard = tmp_path / f"{seed}.sqlite"
        yard.write_bytes(yard_template.read_bytes())
        command = f"import json, test_same_order as t; print(json.dumps(t.answers({str(yard)!r})))"
        said = subprocess.run(
            [sys.executable, "-c", command],
            env=os.environ | {"PYTHONHASHSEED": seed, "PYTHONPATH": str(Path(__file__).parent)},
            capture_output=True,
            text=True,
            check=True,
        )
        told.append(json.loads(said.stdout))
    assert len(told[0]) > 40
    assert {look for look in told[0] if told[0][look] != told[1][look]} == set()
