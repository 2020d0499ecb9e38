"""The core keeps no clock, no randomness and opens no files."""

import ast
from functools import cache
from pathlib import Path

CORE = Path(__file__).parents[1] / "src/bornek/core"
BARRED = {"random", "secrets", "time", "os", "pathlib", "io", "sqlite3", "socket"}
READS_A_CLOCK = {"now", "today", "utcnow", "fromtimestamp"}


@cache
def nodes(path: Path) -> list[ast.AST]:
    return list(ast.walk(ast.parse(path.read_text(encoding="utf-8"))))


def imported(path: Path) -> set[str]:
    found = set()
    for node in nodes(path):
        if isinstance(node, ast.Import):
            found |= {alias.name.split(".")[0] for alias in node.names}
        if isinstance(node, ast.ImportFrom):
            found.add((node.module or "").split(".")[0])
    return found


def test_the_core_imports_no_clock_no_randomness_and_no_files() -> None:
    modules = list(CORE.rglob("*.py"))
    assert len(modules) > 20
    assert {str(p): bad for p in modules if (bad := imported(p) & BARRED)} == {}


def test_the_core_reckons_with_moments_but_never_asks_what_time_it_is() -> None:
    def asks(path: Path) -> bool:
        calls = [n.func for n in nodes(path) if isinstance(n, ast.Call)]
        return any(
            isinstance(f, ast.Attribute)
            and f.attr in READS_A_CLOCK
            and isinstance(f.value, ast.Name)
            and f.value.id in ("datetime", "date")
            for f in calls
        )

    assert [str(p) for p in CORE.rglob("*.py") if asks(p)] == []


def test_nothing_outside_a_kinds_own_file_names_it() -> None:
    """The made-up yard and the rigs are each of one kind: they say of which."""
    source = CORE.parent
    kinds = {p.stem for p in (CORE / "settings").glob("*.py") if "\n@register\n" in p.read_text()}
    assert len(kinds) >= 1
    elsewhere = [
        p for p in source.rglob("*.py") if p.stem not in kinds and not {"demo", "rigs"} & set(p.parts)
    ]
    assert {f"{p.name}: {k}" for p in elsewhere for k in kinds if k in p.read_text()} == set()


def unformatted(source: str) -> list[str]:
    """What is kept from the formatter though it is no table of data."""
    statements = [n for n in ast.walk(ast.parse(source)) if isinstance(n, ast.stmt)]
    ends = [n for n, line in enumerate(source.splitlines(), 1) if line.endswith("# fmt: skip")]
    innermost = [
        max((s for s in statements if s.end_lineno == n), key=lambda s: s.lineno, default=None) for n in ends
    ]
    return [f"line {n}" for n, s in zip(ends, innermost, strict=True) if s is None or not is_table(s)]


def is_table(statement: ast.stmt) -> bool:
    value = getattr(statement, "value", None)
    if isinstance(value, ast.Call) and getattr(value.func, "id", "") in ("frozenset", "tuple") and value.args:
        value = value.args[0]
    return isinstance(value, ast.Tuple | ast.List | ast.Dict | ast.Set)


def test_only_tables_of_data_are_kept_from_the_formatter() -> None:
    assert unformatted("A = (1,\n     2)  # fmt: skip\nb(1,\n  2)  # fmt: skip") == ["line 4"]
    found = {str(p): unformatted(p.read_text(encoding="utf-8")) for p in CORE.parent.rglob("*.py")}
    assert {p: lines for p, lines in found.items() if lines} == {}
