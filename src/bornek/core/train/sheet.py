"""What page and record say of a train: every position, what was counted there, levers tried, marks looked at, and what
is to be done next."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from bornek.core.facts.kind import Fact
from bornek.core.facts.levers_tried import LeversTried
from bornek.core.facts.match_marks import MatchMarks
from bornek.core.facts.timing_seen import TimingSeen
from bornek.core.facts.turns_counted import TurnsCounted
from bornek.core.parts.teeth import hunting_words
from bornek.core.phrases import Say, Span, lower_first, plain
from bornek.core.train.counted import compare, found_words, ratio_words, turns_words, way_of
from bornek.core.train.drawn import warnings
from bornek.core.train.faults import Fault, faults
from bornek.core.train.positions import Position, Train, position_key
from bornek.core.train.timing import (
    Timed,
    marks_agree,
    meets_again,
    out_words,
    paint_words,
    stands_words,
    timed,
)
from bornek.core.units.known import pinion_way

CODES = {"agrees": "in", "open": "not_read"}
WRONG = "out_high"
UNCOUNTED = "not counted"
LEAST_TURNS, MOST_TURNS = 10, 500
"""Turns of the input that are asked for: enough for one of the output, and to tell one pair of gears from the next."""


@dataclass(frozen=True)
class OutRow:
    """What one output must do in a position; `way`: which way, empty if nobody knows."""

    shaft: str
    label: str
    ratio: str
    turns: str
    way: str


@dataclass(frozen=True)
class PositionRow:
    """`turned`: turns of the input that are asked for. `state`: open, agrees, or how it does not; `words` what was counted; `code` the verdict it is shown as."""

    key: str
    label: str
    at: Mapping[str, str]
    turned: int
    outs: tuple[OutRow, ...]
    state: str
    words: str
    code: str = "not_read"


@dataclass(frozen=True)
class LeverRow:
    """Levers together: `must` they go; `went`, or None while nobody tried."""

    key: str
    label: str
    at: Mapping[str, str]
    must: bool
    why: str
    went: bool | None
    right: bool | None
    code: str = "not_read"


@dataclass(frozen=True)
class TimingRow:
    """`paint`: what to paint; `stands`: what must stand where; `off`: teeth out, None while nobody looked."""

    key: str
    label: str
    paint: str
    stands: str
    again: str
    off: int | None
    words: str
    code: str = "not_read"


@dataclass(frozen=True)
class PairRow:
    """A pair of gears: whether its teeth hunt, and what marks were found on it."""

    mesh: str
    label: str
    words: str
    marks: str


@dataclass(frozen=True)
class TrainSheet:
    say: Say
    leaf: str
    aside: str
    positions: tuple[PositionRow, ...]
    levers: tuple[LeverRow, ...]
    timing: tuple[TimingRow, ...]
    pairs: tuple[PairRow, ...]
    faults: tuple[Fault, ...]
    warnings: tuple[str, ...]

    @property
    def state(self) -> str:
        """In one word: open, wrong, done, or nothing."""
        states = [p.state for p in self.positions] + [_of(x.right) for x in self.levers]
        states += ["open" if t.off is None else "wrong" if t.off else "agrees" for t in self.timing]
        if not states:
            return "nothing"
        if any(s not in ("open", "agrees") for s in states):
            return "wrong"
        return "open" if "open" in states else "done"


def _of(right: bool | None) -> str:
    return "open" if right is None else "agrees" if right else "wrong"


def train_sheet(train: Train, facts: Sequence[Fact]) -> TrainSheet:
    """Everything that is said of a unit's train, from its definition and what was written down.

    >>> from bornek.core.units.definition import Definition
    >>> train_sheet(Train(Definition()), []).state
    'nothing'
    """
    counts = {(position_key(b.at), b.shaft): b for f in facts if isinstance(b := f.body, TurnsCounted)}
    tried = {position_key(b.at): b.went for f in facts if isinstance(b := f.body, LeversTried)}
    seen = {b.mark: b.off for f in facts if isinstance(b := f.body, TimingSeen)}
    rows = tuple(_position_row(train, p, counts) for p in train.reached)
    marks = timed(train.d)
    known = {p.key for p in train.positions}
    wrong = tuple(faults(train, [b.count for (key, _), b in counts.items() if key in known]))
    levers = tuple(_lever_rows(train, tried, {r.key for r in rows if r.state != "open"}))
    timing = tuple(_timing_row(train, t, seen.get(t.mark.key)) for t in marks)
    counted = sum(r.state != "open" for r in rows)
    leaf, say = _say(train, rows, levers, timing, wrong)
    return TrainSheet(
        say=say,
        leaf=leaf,
        aside=f"{counted} of {len(rows)} positions counted" if rows else "",
        positions=rows,
        levers=levers,
        timing=timing,
        pairs=tuple(_pairs(train, facts)),
        faults=wrong,
        warnings=(*warnings(train), *marks_agree(marks)),
    )


def _position_row(train: Train, p: Position, counts: Mapping[tuple[str, str], TurnsCounted]) -> PositionRow:
    turned = turns_asked(train, p)
    outs = tuple(_out_row(train, p, o, turned) for o in train.outputs)
    mine = [b for o in train.outputs if (b := counts.get((p.key, o))) is not None]
    found = [(compare(p, b.count), found_words(train, p, b.count)) for b in mine]
    wrong = next((f for f in found if f[0] != "agrees"), None)
    if wrong is not None:
        return PositionRow(p.key, p.label, p.at, turned, outs, *wrong, code=WRONG)
    if len(mine) < len(outs):
        return PositionRow(p.key, p.label, p.at, turned, outs, "open", p.trouble or UNCOUNTED)
    return PositionRow(p.key, p.label, p.at, turned, outs, "agrees", "as it must", CODES["agrees"])


def turns_asked(train: Train, p: Position) -> int:
    """Turns of the input after which the slowest output has made one, ten at least.

    >>> from bornek.core.units.definition import Definition
    >>> turns_asked(Train(Definition()), Position("", "", {}, {}))
    10
    """
    speeds = [abs(s) for o in train.outputs if (s := p.turns(o))]
    return min(max([LEAST_TURNS, *(math.ceil(1 / s - 1e-6) for s in speeds)]), MOST_TURNS)


def _out_row(train: Train, p: Position, out: str, turned: int) -> OutRow:
    shaft, speed = train.d.shaft(out), p.turns(out)
    label = shaft.label if shaft else out
    if p.locked:
        return OutRow(out, label, "locks", "", "")
    if not speed:
        return OutRow(out, label, "not driven", "", "")
    way = "" if out in p.unsure else way_of(speed)
    return OutRow(out, label, ratio_words(speed), turns_words(speed * turned), way)


def _lever_rows(train: Train, tried: Mapping[str, bool], counted: set[str]) -> list[LeverRow]:
    """Only where there is something to keep apart. What was counted in a position went into it."""
    if len(train.d.levers) < 2:
        return []
    rows = []
    for p in train.positions:
        went = tried.get(p.key, True if p.key in counted else None)
        must = not p.barred
        right = None if went is None else went == must
        rows.append(
            LeverRow(
                p.key,
                _levers_words(train, p),
                p.at,
                must,
                p.barred,
                went,
                right,
                CODES.get(_of(right), WRONG),
            )
        )
    return rows


def _levers_words(train: Train, p: Position) -> str:
    said = [
        f"{x.label} in {at.label}" for x in train.d.levers if (at := x.position(p.at[x.key])) and at.joins
    ]
    return ", ".join(said) or "All levers in neutral"


def _timing_row(train: Train, t: Timed, off: int | None) -> TimingRow:
    turns = meets_again(t)
    again = f"The marks meet again after {turns} turns of {t.other.label}." if turns > 1 else ""
    words = "not looked at" if off is None else out_words(train.d, t, off) if off else "tooth in its space"
    code = CODES["open"] if off is None else WRONG if off else CODES["agrees"]
    return TimingRow(t.mark.key, t.mark.label, paint_words(t), stands_words(t), again, off, words, code)


def _pairs(train: Train, facts: Sequence[Fact]) -> list[PairRow]:
    found = {f.body.mesh: f.body for f in facts if isinstance(f.body, MatchMarks)}
    rows = []
    for m in train.d.meshes:
        a, b = train.d.part(m.driver), train.d.part(m.driven)
        if a is None or b is None or not (a.teeth and b.teeth):
            continue
        marks = found.get(m.key)
        said = "none there" if marks is not None and marks.none else marks.marks if marks is not None else ""
        words = hunting_words(a.teeth, b.teeth, m.crossed)
        if way := pinion_way(train.d, m):
            words += f" Going forward its pinion turns {way}, seen from its own shaft's end: so its loaded flank is known."
        rows.append(PairRow(m.key, m.label, words, said))
    return rows


def _say(
    train: Train,
    rows: Sequence[PositionRow],
    levers: Sequence[LeverRow],
    timing: Sequence[TimingRow],
    wrong: Sequence[Fault],
) -> tuple[str, Say]:
    """Which leaf is next, and the sentence: what stops everything first; then the marks, before they are closed in; then
    turns, then levers."""
    if not rows and not timing:
        return "turns", plain(
            "Say at which shaft power comes in and where it goes out, under what it is made of."
        )
    for row in timing:
        if row.off:
            return "marks", (Span(row.words),)
    bad = next((r for r in rows if r.state not in ("open", "agrees")), None)
    if bad is not None:
        cause = (
            f" {wrong[0].words}"
            if wrong
            else " Count it once more, then count the teeth of what it goes through."
        )
        return "turns", (Span(bad.words), Span(cause))
    slipped = next((x for x in levers if x.right is False), None)
    if slipped is not None:
        return "levers", (Span(_slipped(slipped)),)
    mark = next((t for t in timing if t.off is None), None)
    if mark is not None:
        return "marks", (Span(f"{mark.label}, before it is closed: {mark.stands}."),)
    open_row = next((r for r in rows if r.state == "open"), None)
    if open_row is not None and open_row.words != UNCOUNTED:
        return "turns", plain(open_row.words)
    if open_row is not None:
        return "turns", _turn_say(train, open_row)
    lever = next((x for x in levers if x.right is None), None)
    if lever is not None:
        tail = "They must go." if lever.must else f"It must not go: {lever.why} keeps them apart."
        return "levers", (Span("Try "), Span(lower_first(lever.label), True), Span(f". {tail}"))
    if not rows:
        return "marks", plain("The marks stand right. Nothing is left to look at.")
    return "turns", plain("It turns as it must in every position. Nothing is left to count.")


def _slipped(row: LeverRow) -> str:
    if row.must:
        return f"{row.label}: they must go, and did not. Look at fork, rail and detent."
    return (
        f"{row.label}: both went in, and {row.why} must keep them apart. The interlock is missing or worn: find it "
        "before it is closed."
    )


def _turn_say(train: Train, row: PositionRow) -> Say:
    """The input goes clockwise; both are seen from their left or top end."""
    head = f"Put it in {row.label}, turn the input " if train.d.levers else "Turn the input "
    return Span(head), Span(f"{row.turned} turns", True), Span(f": {_must(row.outs)}.")


def _must(outs: Sequence[OutRow]) -> str:
    """
    >>> _must([OutRow("o", "output", "2 : 1", "5", "clockwise")])
    '5 must come out, clockwise'
    """
    if all(o.ratio == "locks" for o in outs):
        return "it must lock"
    if not any(o.turns for o in outs):
        return "nothing must come out"
    said = [f"{o.turns}{f', {o.way}' if o.way else ''}" if o.turns else "none" for o in outs]
    if len(set(said)) == 1:
        return f"{outs[0].turns} must come out{' at each end' if len(outs) > 1 else ''}{f', {outs[0].way}' if outs[0].way else ''}"
    return f"{'; '.join(f'{o.label} {words}' for o, words in zip(outs, said, strict=True))} must come out"
