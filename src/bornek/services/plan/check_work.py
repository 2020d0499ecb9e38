"""Whether a step may be worked, put elsewhere or taken back: refused in words, with what would let it pass."""

from __future__ import annotations

from typing import Any

from bornek.core.build.order import try_move
from bornek.core.errors import InputError
from bornek.core.facts.step_moved import StepMoved
from bornek.core.facts.step_worked import StepWorked
from bornek.core.facts.went_back import WentBack
from bornek.core.phrases import lower_first, text_of
from bornek.services.plan.load_plan import LoadedPlan


def check_plan(plan: LoadedPlan, body: Any) -> None:
    """Raises InputError where the plan speaks against a body; anything else passes."""
    if isinstance(body, StepWorked):
        _worked(plan, body)
    elif isinstance(body, StepMoved):
        _moved(plan, body)
    elif isinstance(body, WentBack):
        _back(plan, body)


def _known(plan: LoadedPlan, key: str, field: str) -> None:
    if key not in plan.order.by_key:
        raise InputError(
            f"The build has no step {key[:40]!r}.", field=field, next_step="Look at the plan again."
        )


def _worked(plan: LoadedPlan, body: StepWorked) -> None:
    """A stop wants a reason first; where a safety part is used again, a second name as well."""
    _known(plan, body.step, "step")
    step = plan.order.by_key[body.step].step
    if body.how == "done" and step.setting and step.setting not in plan.order.signed:
        raise InputError(
            f"{step.label}: the setting is not signed.",
            field="how",
            next_step="Set and sign it under Set, or say how it was done differently.",
        )
    if body.how == "skipped":
        return
    stops = [f for f in plan.findings if body.step in f.bars]
    words = [text_of(f.say) for f in stops]
    words += [g.words for g in plan.standing[body.step].gates if g.stop and g.sort != "hold"]
    if words and not body.despite:
        raise InputError(
            words[0], field="despite", next_step="Mend it first, or say why it goes on all the same."
        )
    if any(f.safety for f in stops) and not body.second:
        raise InputError(
            f"{words[0]} It can hurt someone.",
            field="second",
            next_step="A second person must agree: choose the name.",
        )


def _moved(plan: LoadedPlan, body: StepMoved) -> None:
    _known(plan, body.step, "step")
    if body.after:
        _known(plan, body.after, "after")
    if plan.order.is_done(body.step):
        raise InputError(
            f"{plan.order.label(body.step)} is done already.", field="step", next_step="Go back to it first."
        )
    forbidden = try_move(plan.order, body.step, body.after)
    if forbidden is None:
        return
    weak = [n for n in forbidden.needs if n.rule != "dry"]
    raise InputError(
        forbidden.words,
        field="after",
        next_step="Overrule it with a reason, or leave the step where it is."
        if len(weak) == len(forbidden.needs)
        else "Leave the step where it is.",
        details={
            "needs": [
                {
                    "before": n.before,
                    "after": n.after,
                    "rule": n.rule,
                    "words": f"{plan.order.label(n.before)} before {lower_first(plan.order.label(n.after))}: {n.reason}",
                }
                for n in weak
            ]
        },
    )


def _back(plan: LoadedPlan, body: WentBack) -> None:
    for key in body.steps:
        if key not in plan.order.worked.done:
            raise InputError(
                f"{plan.order.label(key)} is not done, so it cannot be taken back.",
                field="steps",
                next_step="Look at the plan again: somebody may have taken it back already.",
            )
