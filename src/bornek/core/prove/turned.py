"""Free turns: every gear position with its ratio and direction counted, levers tried, timing marks, and no tight place."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from bornek.core.build.order import BuildOrder
from bornek.core.facts.turned import FEEL_WORDS, Turned
from bornek.core.phrases import count_words, text_of
from bornek.core.prove.point import ProvePoint, State, looked_at
from bornek.core.prove.stands import JobStands

LEAVES = (
    ("turns", "positions", "Gear positions", "position"),
    ("levers", "levers", "Levers together", "lever position"),
    ("marks", "timing", "Timing marks", "timing mark"),
)


def turned_points(job: JobStands) -> list[ProvePoint]:
    """
    >>> from bornek.core.units.definition import Definition, Shaft
    >>> d = Definition(shafts=(Shaft("in", "input"),))
    >>> [(p.key, p.state, p.locked) for p in turned_points(JobStands(d, [], "field"))]
    [('turn', 'open', True)]
    """
    found = _train(job)
    if job.d.shafts:
        found.append(_free(job))
    return found


def _train(job: JobStands) -> list[ProvePoint]:
    sheet = job.train
    if sheet is None or sheet.state == "nothing":
        return []
    found = []
    for leaf, name, label, noun in LEAVES:
        rows: Sequence[Any] = getattr(sheet, name)
        if not rows:
            continue
        wrong = [r for r in rows if r.code not in ("in", "not_read")]
        left = [r for r in rows if r.code == "not_read"]
        state: State = "wrong" if wrong else "open" if left else "done"
        if wrong:
            words = (
                text_of(sheet.say)
                if sheet.leaf == leaf
                else f"{count_words(len(wrong), noun)} not as it must"
            )
        else:
            words = f"{len(rows) - len(left)} of {count_words(len(rows), noun)} looked at"
        found.append(
            ProvePoint(
                f"train:{leaf}",
                "turned",
                label,
                words,
                state,
                to=f"/mesh/train?zone={leaf}",
                must=bool(wrong),
                locked=True,
            )
        )
    return found


def _free(job: JobStands) -> ProvePoint:
    """The last turn by hand, after all that went in; on the bench of a step where there is a build, else here."""
    point = ProvePoint("turn", "turned", "Turns freely by hand", "the whole unit, several turns", locked=True)
    if job.order is None or not job.order.worked.done:
        return looked_at(job, point)
    last = next((f for f in reversed(job.facts) if isinstance(f.body, Turned)), None)
    fitted = _last_fitted(job.order)
    state: State = "open"
    if last is None:
        words = "nobody turned it yet"
    elif last.seq < fitted:
        state, words = "again", "more went in since the last turn"
    else:
        words = f"{FEEL_WORDS[last.body.feel]}, {last.body.turns} turns"
        state = "done" if last.body.feel == "free" else "wrong"
    key = job.order.next_key or list(job.order.worked.done)[-1]
    to = f"/plan/{key}" if key in job.order.by_key else "/plan"
    return ProvePoint(
        "turn",
        "turned",
        point.label,
        words,
        state,
        to=to,
        locked=True,
        must=state == "wrong",
        by=last.by if last and state == "done" else "",
    )


def _last_fitted(order: BuildOrder) -> int:
    """The seq of the last step that put a part in."""
    return max(
        (
            done.seq
            for done in order.worked.done.values()
            if done.how != "skipped" and done.step in order.by_key and order.by_key[done.step].step.parts
        ),
        default=0,
    )
