"""The whole answer for one setting: value, verdict, guide, move, sentence and drawings."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from bornek.core import draw
from bornek.core.advice.history import History
from bornek.core.advice.proposal import Proposal
from bornek.core.advice.propose import propose
from bornek.core.advice.reconcile import Surprise, surprise
from bornek.core.advice.replay import slope
from bornek.core.draw_ladder import ladder, on_strip
from bornek.core.draw_log import log_on_strip, round_log
from bornek.core.draw_packs import packs
from bornek.core.next_move import Move, describe_move, next_say, stops_everything
from bornek.core.phrases import Say
from bornek.core.quantities import Speech, say_quantity
from bornek.core.raw import typed_words
from bornek.core.readings import Slip
from bornek.core.reckoning import Reckoning
from bornek.core.scenes import Ladder, Readout, RoundLog, Scene
from bornek.core.settings.common import leftovers
from bornek.core.settings.kind import Guide, Outcome, Result, Setting, Slot, speech
from bornek.core.settings.records import Context, Entry
from bornek.core.settings.sifting import Sifted, sift
from bornek.core.windows import Verdict, worst


@dataclass(frozen=True)
class Cell:
    """A station of the guide with what was read there."""

    slot: str
    label: str
    group: str
    posture: str
    quantity: str
    accepts: str
    nature: str
    optional: bool
    options: tuple[tuple[str, str], ...]
    axes: Mapping[str, str | int]
    status: str
    entries: tuple[Entry, ...]
    shown: str
    slips: tuple[Slip, ...]
    blocked: str


@dataclass(frozen=True)
class Sheet:
    kind: str
    kind_version: int
    title: str
    stage: str
    layout: str
    what_if: bool
    unit: str
    round: int
    cautions: tuple[str, ...]
    cells: tuple[Cell, ...]
    next: str | None
    stop: str
    restart_at: str | None
    outcome: Outcome
    verdict: Verdict
    say: Say
    aside_head: str
    aside: str
    provisional: bool
    move: Move | None
    surprise: Surprise | None
    scenes: tuple[Scene, ...]
    sign_blockers: tuple[str, ...]
    temporary: tuple[str, ...]
    unverified: tuple[str, ...]
    response: tuple[float, float] | None
    slope: Mapping[str, float] | None
    state_known: bool
    given_brief: tuple[str, ...]


def make_sheet(kind: Setting, ctx: Context) -> Sheet:
    """Everything that page, record and command line say of a setting, from its log alone."""
    return sheet_of(Reckoning(kind, ctx))


def sheet_of(r: Reckoning, advised: bool = True) -> Sheet:
    """The sheet of a setting of which every round was evaluated once; not `advised`: without the move, and without
    what it would bring."""
    kind, ctx, say = r.kind, r.ctx, speech(r.ctx)
    outcome, guide, history = r.now, r.guide, r.history
    sifted = sift(guide.slots, ctx.now())
    odd = surprise(kind, ctx, history) if history else None
    half_read = guide.next is not None and any(k.one_way for k in r.knobs)
    held = not advised or odd is not None or half_read or stops_everything(outcome, guide)
    proposal = propose(history, ctx, _judged(history, outcome)) if history and not held else None
    if guide.next is not None:
        odd = None  # a round half read is not yet a surprise; nor is a move advised on it
    say_now = next_say(kind, ctx, outcome, guide, history, proposal, odd)
    judged = outcome.verdict
    if judged.code == "not_read" and ctx.round > 1:
        judged = Verdict("read_again")
    known = all(k.read or kind.state(ctx, k.key) is not None for k in r.knobs)
    several = history is not None and (len(history.rows) > 1 or len(history.knobs) > 1)
    return Sheet(
        kind=kind.id,
        kind_version=kind.version,
        title=kind.title,
        stage=kind.stage,
        what_if=kind.what_if,
        layout=kind.layout,
        unit=ctx.unit,
        round=ctx.round,
        cautions=kind.cautions,
        cells=_cells(guide, sifted, ctx),
        next=guide.next,
        stop=guide.stop,
        restart_at=guide.restart_at,
        outcome=outcome,
        verdict=judged,
        say=say_now.say,
        aside_head=say_now.aside_head,
        aside=" ".join(filter(None, (say_now.aside, kind.because(ctx, outcome) if proposal else ""))),
        provisional=say_now.provisional,
        move=describe_move(history, proposal, say) if history and proposal else None,
        surprise=odd,
        scenes=_scenes(kind, outcome, history, proposal, ctx),
        sign_blockers=_blockers(outcome, guide, sifted, odd, known),
        temporary=tuple(ctx.given.get("temporary") or ()),
        unverified=(*leftovers(ctx.given), *outcome.unverified),
        response=None if history is None or several else history.row.belief.response(),
        slope=slope(history, ctx) if history else None,
        state_known=known,
        given_brief=_brief(kind, ctx, outcome.target()),
    )


def _judged(history: History, outcome: Outcome) -> Verdict:
    """The verdict over what the adjusters bring in; a proof of another sort is not moved by them, but a drag
    that follows the shims is."""
    if history.response.drag is not None and outcome.observed.get(history.response.drag.key):
        return outcome.verdict
    results = [outcome.result(row.key) for row in history.rows]
    return worst([r.verdict for r in results if r is not None])


def _blockers(
    outcome: Outcome, guide: Guide, sifted: Sifted, odd: Surprise | None, known: bool
) -> tuple[str, ...]:
    """What must be done before the setting can be signed, the kind's own first."""
    owed = [s.label for s in guide.slots if s.key not in sifted.counted and not s.optional]
    found = [*outcome.sign_blockers, *(c.sentence for c in outcome.checks if c.action)]
    if guide.stop:
        found.append(guide.stop)
    if owed:
        found.append(f"Still to read: {', '.join(owed)}.")
    if odd:
        found.append("The last round is far from what was expected and nobody has said why.")
    if not known:
        found.append("What is in now has not been entered.")
    return tuple(found)


def _brief(kind: Setting, ctx: Context, target: Result | None) -> tuple[str, ...]:
    """Where the window comes from, and what else is given, in short."""
    lines = list(kind.brief(ctx))
    if target is not None and target.window is not None:
        w = target.window
        source = ", ".join(x for x in (w.source, w.edition, w.basis) if x)
        lines.insert(0, source)
    if ctx.given.get("warmth") == "warm":
        lines.append("read warm: it will read otherwise when cold")
    return tuple(lines)


def _cells(guide: Guide, sifted: Sifted, ctx: Context) -> tuple[Cell, ...]:
    cells = []
    for slot in guide.slots:
        entries = tuple(e for e in ctx.now() if e.slot == slot.key)
        if slot.key in sifted.asked:
            status, slips = "asked", sifted.asked[slot.key][1]
        else:
            slips = ()
            status = (
                "contested"
                if slot.key in sifted.contested
                else "taken"
                if slot.key in sifted.counted
                else "blocked"
                if slot.key in guide.blocked
                else "live"
                if slot.key == guide.next
                else "waiting"
            )
        cells.append(
            Cell(
                slot=slot.key,
                label=slot.label,
                group=slot.group,
                posture=slot.posture,
                quantity=slot.quantity,
                accepts=slot.accepts,
                nature=slot.nature,
                optional=slot.optional,
                options=slot.options,
                axes=slot.axes,
                status=status,
                entries=entries,
                shown=_shown(entries, slot, ctx),
                slips=slips,
                blocked=guide.blocked.get(slot.key, ""),
            )
        )
    return tuple(cells)


def _shown(entries: tuple[Entry, ...], slot: Slot, ctx: Context) -> str:
    if not entries:
        return ""
    number = entries[-1].number
    if number is None:
        return typed_words(entries[-1].raw, entries[-1].as_typed) or "done"
    if slot.quantity == "length":
        return speech(ctx).number(number)
    return say_quantity(number, slot.quantity, speech(ctx), slot.unit or None)


def _scenes(
    kind: Setting, outcome: Outcome, history: History | None, proposal: Proposal | None, ctx: Context
) -> tuple[Scene, ...]:
    """A strip for every quantity with a window, the log of those that are learned, every pack, the kind's own."""
    say = speech(ctx)
    rows = {row.key: row for row in history.rows} if history else {}
    scenes: list[Scene] = []
    for result in outcome.results:
        learned = history if result.key in rows else None
        if not result.strip:
            continue
        if result.quantity == "length" and (result.role in ("target", "proof") or result.key in rows):
            shown = draw.readout(result, learned, proposal, say)
        elif result.window is not None and result.quantity != "length":
            shown = draw.plain_readout(result, learned, proposal)
        else:
            continue
        scenes.append(shown)
        row = rows.get(result.key)
        if history and row:
            scenes.append(round_log(history, row, shown, proposal, say))
    if history:
        drawers = {k.key: ctx.drawer(k.places[0]) for k in history.knobs}
        scenes += packs(history, proposal, drawers, say)
    strips = [x for x in scenes if isinstance(x, Readout)]
    own = (_by_unit(x, history, proposal, strips, say) for x in outcome.scenes)
    return (*scenes, *(_after(kind, x, history, proposal, ctx) for x in own))


def _after(
    kind: Setting, scene: Scene, history: History | None, proposal: Proposal | None, ctx: Context
) -> Scene:
    """The kind's own drawing with what the proposed move is expected to bring."""
    if history is None or proposal is None or proposal.best is None or not proposal.moves:
        return scene
    return kind.after_move(ctx, scene, proposal.best.predicted, history.steps(proposal.best.states))


def _by_unit(
    scene: Scene, history: History | None, proposal: Proposal | None, strips: Sequence[Readout], say: Speech
) -> Scene:
    """The kind's ladder goes by the thread; once a round was read, by what this unit answers."""
    if isinstance(scene, RoundLog):
        return log_on_strip(scene, strips)
    if not isinstance(scene, Ladder):
        return scene
    known = ladder(history, proposal, say, scene.label) if history is not None else None
    return on_strip(known or scene, strips[0] if strips else None)
