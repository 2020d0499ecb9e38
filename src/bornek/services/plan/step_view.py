"""A step of the build as the page shows it: its parts, torque, wait and fits."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.build.gather import ORIGIN_WORDS, Planned, turning_shaft, whole_of
from bornek.core.build.order import BuildOrder
from bornek.core.build.player import BenchAct, hours, next_act, with_unit
from bornek.core.build.standing import Gate, Waiting, window
from bornek.core.build.torque_order import star_order
from bornek.core.facts.reckoned import Reckoned
from bornek.core.units.check_steps import torque_n_m
from bornek.core.units.step import WAIT_WORDS, BuildStep
from bornek.services.plan.load_plan import LoadedPlan


@dataclass(frozen=True)
class StepPart:
    """A part that a step takes. `fresh`: not the one that came off."""

    key: str
    label: str
    count: int
    fresh: bool
    mass_kg: float


@dataclass(frozen=True)
class WaitView:
    """What runs by itself after a step: begun and ready as the yard's clock says; empty while not begun."""

    words: str
    lasts: str
    minutes: float
    begun: str
    ready: str
    over: bool
    may_be_left: bool


@dataclass(frozen=True)
class TorqueView:
    """`stages` in N·m, the last one last; `order` positions round the circle; `done` bolts brought to a stage."""

    bolts: int
    stages: list[float]
    words: list[str]
    order: list[int]
    done: int


@dataclass(frozen=True)
class StepFit:
    """A sum laid down at the step or at a part that it takes; `at` as the page of fits has it."""

    at: str
    said: str


@dataclass(frozen=True)
class StepView:
    """`after` and `before`: numbers between which it may stand, 0 for none. `shuts`: its lid in words."""

    key: str
    number: int
    label: str
    line: str
    origin: str
    state: str
    how: str
    by: str
    at: str
    gates: list[Gate]
    parts: list[StepPart]
    step: BuildStep
    act: BenchAct
    wait: WaitView | None
    torque: TorqueView | None
    way_seen: str
    hole_seen: str
    hold_seen: str
    sealant_begun: str
    turn: str
    turn_label: str
    fits: list[StepFit]
    after: int
    before: int
    setting_id: str


def step_view(plan: LoadedPlan, p: Planned, running: Waiting | None) -> StepView:
    order, step, stands = plan.order, p.step, plan.standing[p.key]
    done = order.worked.done.get(p.key)
    lo, hi = window(order, p.key)
    shaft = step.turn or turning_shaft(order.d, step.parts)
    seen = {what: order.worked.seen.get((p.key, what)) for what in ("way_round", "hole", "hold")}
    return StepView(
        key=p.key,
        number=order.number[p.key],
        label=step.label,
        line=_line(order, p),
        origin=ORIGIN_WORDS[p.origin],
        state=stands.state,
        how=done.words if done else "",
        by=done.by if done else "",
        at=done.at if done else order.signed.get(step.setting, ""),
        gates=list(stands.gates),
        parts=[
            StepPart(part.key, part.label, n, _fresh(plan, part.key), part.mass_kg)
            for part, n in whole_of(order.d, p)
        ],
        step=step,
        act=next_act(order, plan.bench, p, stands),
        wait=_wait(step, running),
        torque=_torque(step, order.worked.bolts.get(p.key, 0)),
        way_seen=_seen(seen["way_round"]),
        hole_seen=_seen(seen["hole"]),
        hold_seen=_seen(seen["hold"]),
        sealant_begun=order.worked.clocks.get((p.key, "sealant"), ""),
        turn=shaft,
        turn_label=next((s.label for s in order.d.shafts if s.key == shaft), ""),
        fits=_fits(plan, p),
        after=order.number.get(lo, 0),
        before=order.number.get(hi, 0),
        setting_id=plan.setting_ids.get(step.setting, ""),
    )


def _fits(plan: LoadedPlan, p: Planned) -> list[StepFit]:
    """The last of each sum at the step itself or at one of its parts."""
    last: dict[tuple[str, str], Reckoned] = {}
    for f in plan.facts:
        if isinstance(f.body, Reckoned) and (f.body.step == p.key or f.body.part in p.step.parts):
            last[(f.body.at[1], f.body.sum)] = f.body
    return [StepFit(":".join(b.at), b.said) for b in last.values()]


def _seen(found: tuple[bool, str, int] | None) -> str:
    """right, wrong, or empty while nobody looked."""
    return "" if found is None else "right" if found[0] else "wrong"


def _fresh(plan: LoadedPlan, key: str) -> bool:
    part = plan.order.d.part(key)
    verdict = plan.bench.verdicts.get(key, "")
    return verdict == "replace" or bool(part and part.single_use and verdict == "")


def _line(order: BuildOrder, p: Planned) -> str:
    """The second line of a step: side, way round, torque, what it needs, what sealant."""
    step = p.step
    bolts = f"{step.bolts} bolts at {step.torque}" if step.bolts and step.torque else step.torque
    needs = [str(order.number[n]) for n in step.needs if n in order.number]
    said = (
        f"{step.side} side" if step.side else "",
        step.way_round,
        bolts,
        *step.consumables,
        f"needs {' and '.join(needs)}" if needs else "",
        f"other way round: {step.wrong_way}" if step.wrong_way else "",
        f"hold: {step.hold}" if step.hold and not step.setting else "",
        p.words,
    )
    return " · ".join(x for x in said if x)


def _wait(step: BuildStep, running: Waiting | None) -> WaitView | None:
    if not step.wait:
        return None
    return WaitView(
        words=WAIT_WORDS[step.wait],
        lasts=hours(step.wait_minutes),
        minutes=step.wait_minutes,
        begun=running.begun.isoformat(timespec="seconds") if running else "",
        ready=running.ready.isoformat(timespec="seconds") if running else "",
        over=running.over if running else False,
        may_be_left=step.may_be_left,
    )


def _torque(step: BuildStep, done: int) -> TorqueView | None:
    if not step.torque:
        return None
    words = [*step.stages, step.torque]
    return TorqueView(
        bolts=step.bolts,
        stages=[round(torque_n_m(x), 2) for x in words],
        words=[with_unit(x) for x in words],
        order=star_order(step.bolts),
        done=done,
    )
