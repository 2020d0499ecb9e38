"""What a step must keep to stand in a definition or in a job's own order."""

from __future__ import annotations

from bornek.core.errors import BornekError, InputError
from bornek.core.keys import is_key
from bornek.core.quantities import parse
from bornek.core.units.definition import Definition
from bornek.core.units.step import BuildStep

MOST_MINUTES = 60 * 24 * 120
BOUNDS: tuple[tuple[str, float, float], ...] = (
    ("mark_at", 0, 12),
    ("bolts", 0, 200),
    ("wait_minutes", 0, MOST_MINUTES),
    ("open_minutes", 0, 1440),
    ("minutes", 0, 1440),
    ("hands", 1, 9),
)


def step_problems(d: Definition, step: BuildStep) -> dict[str, str]:
    """What does not hold, by field.

    >>> step_problems(Definition(), BuildStep("cover", "Cover on", parts=("lid",)))
    {'parts': "names no part of this unit (got 'lid')"}
    """
    wrong: dict[str, str] = {}
    if not is_key(step.key):
        wrong["key"] = f"must be small letters, digits and dashes, at most 40 (got {step.key!r})"
    if not step.label:
        wrong["label"] = "is missing"
    parts, places = {p.key: p for p in d.parts}, {p.key for p in d.places}
    for name, keys, known, what in (
        ("parts", step.parts, set(parts), "part"),
        ("takes_out", step.takes_out, set(parts), "part"),
        ("counts", tuple(step.counts), set(step.parts), "part of this step"),
        ("closes", step.closes, places, "place"),
        ("setting", (step.setting,), {s.key for s in d.settings} | {""}, "setting"),
        ("turn", (step.turn,), {s.key for s in d.shafts} | {""}, "shaft"),
    ):
        for key in keys:
            if key not in known:
                wrong[name] = f"names no {what} of this unit (got {key!r})"
    for key, n in step.counts.items():
        most = parts[key].count if key in parts else 500
        if isinstance(n, bool) or not isinstance(n, int) or not 1 <= n <= most:
            called = f"“{parts[key].label}”" if key in parts else key
            wrong["counts"] = f"must be 1 to {most} of {called} (got {n!r})"
    for name, lo, hi in BOUNDS:
        value = getattr(step, name)
        if not lo <= value <= hi:
            wrong[name] = f"must be {lo:g} to {hi:g} (got {value:g})"
    if bool(step.wait) != bool(step.wait_minutes):
        wrong["wait_minutes"] = "and what it waits for belong together: say both or neither"
    for name, typed in (("torque", step.torque), *(("stages", x) for x in step.stages)):
        problem = _torque_problem(typed)
        if problem:
            wrong[name] = problem
    if step.stages and not step.torque:
        wrong["torque"] = "is missing: the stages lead up to it"
    return wrong


def check_step(d: Definition, step: BuildStep) -> None:
    """Raises InputError that names every field of a step that does not hold."""
    wrong = step_problems(d, step)
    if wrong:
        raise InputError(
            "The step does not hold: " + "; ".join(f"{k} {v}" for k, v in wrong.items()) + ".",
            field=next(iter(wrong)),
            next_step="Mend the fields named; what you typed is kept.",
            details={"fields": wrong},
        )


def torque_n_m(typed: str) -> float:
    """A torque as spoken [N·m]; a bare number is N·m.

    >>> torque_n_m("95"), round(torque_n_m("70 lb-ft"), 1)
    (95.0, 94.9)
    """
    found = parse(typed, "torque", "N·m")
    return float(found.value)


def _torque_problem(typed: str) -> str:
    if not typed:
        return ""
    try:
        value = torque_n_m(typed)
    except BornekError as error:
        return error.message
    return "" if 0 < value <= 20000 else f"must be above 0 and at most 20 000 N·m (got {typed})"
