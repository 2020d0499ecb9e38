"""What lubricants, points and stages of run-in must keep to stand in a definition."""

from __future__ import annotations

from bornek.core.errors import BornekError
from bornek.core.quantities import parse
from bornek.core.units.definition import Definition

LEAST_LIMIT_C, MOST_LIMIT_C = 30.0, 250.0
BOUNDS: tuple[tuple[str, str, float, float], ...] = (
    ("lubricant", "change_hours", 0, 100_000),
    ("prove", "due_days", 0, 3650),
    ("run_in", "minutes", 5, 1440),
)


def prove_problems(d: Definition) -> dict[str, str]:
    """What does not hold, by path.

    >>> from bornek.core.units.prove import RunStage
    >>> prove_problems(Definition(run_in=(RunStage("idle", "Idle", "300 rpm", 30, "85 °C", ""),)))
    {'run_in[0].source': 'is missing: a limit has a source'}
    """
    wrong: dict[str, str] = {}
    for leaf, name, lo, hi in BOUNDS:
        for i, row in enumerate(getattr(d, leaf)):
            value = getattr(row, name)
            if not lo <= value <= hi:
                wrong[f"{leaf}[{i}].{name}"] = f"must be {lo:g} to {hi:g} (got {value:g})"
    for i, oil in enumerate(d.lubricant):
        if not oil.what:
            wrong[f"lubricant[{i}].what"] = "is missing: which oil or grease"
    for i, stage in enumerate(d.run_in):
        if not stage.source:
            wrong[f"run_in[{i}].source"] = "is missing: a limit has a source"
        problem = limit_problem(stage.limit)
        if problem:
            wrong[f"run_in[{i}].limit"] = problem
    return wrong


def limit_problem(typed: str) -> str:
    """Why a temperature cannot be a limit; empty for one that can.

    >>> limit_problem("85 °C"), limit_problem("8500")
    ('', 'must be 30 to 250 °C (got 8500)')
    """
    try:
        limit = parse(typed, "temperature", "°C").value
    except BornekError as error:
        return error.message
    fits = LEAST_LIMIT_C <= limit <= MOST_LIMIT_C
    return "" if fits else f"must be {LEAST_LIMIT_C:g} to {MOST_LIMIT_C:g} °C (got {typed})"
