"""What a type usually shows at one of its settings, before anything is read: found, rounds, shims, slips, with counts."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from statistics import mean, median

from bornek.core.life.visit import as_normal
from bornek.core.phrases import count_words
from bornek.core.quantities import Shown, Speech, from_nm
from bornek.core.windows import Value, Window, verdict

MOST_SHIMS = 4
FOUND_WORDS = {"out_high": "above its window", "out_low": "below its window", "in": "in"}


@dataclass(frozen=True)
class Remembered:
    """One signed setting of another job of the type: what was found against which window, how many moves it took, the
    plates put in [nm], what odd rounds turned out to be."""

    job: str
    tag: str
    found: Value | None
    window: Window | None
    moves: int
    put_in: tuple[int, ...] = ()
    slips: tuple[str, ...] = ()


@dataclass(frozen=True)
class MemoryLine:
    """A fact about the type and the jobs that it comes from."""

    words: str
    jobs: tuple[str, ...]


def memory_lines(jobs: Sequence[Remembered], say: Speech | Shown) -> list[MemoryLine]:
    """
    >>> from bornek.core.windows import Normal
    >>> play = Window(0.06, 0.12, "card")
    >>> seen = [Remembered("a", "W-1", Normal(0.2, 0.003), play, 1), Remembered("b", "W-2", Normal(0.3, 0.003), play, 2)]
    >>> [line.words for line in memory_lines(seen, Speech())]
    ['As found 0.200 to 0.300, the middle 0.250: 2 of 2 above its window.', '1.5 moves a job, 2 at most.']
    """
    return [x for x in (_found(jobs, say), _moves(jobs), _shims(jobs, say), _slips(jobs)) if x is not None]


def _found(jobs: Sequence[Remembered], say: Speech | Shown) -> MemoryLine | None:
    seen = [(j, value) for j in jobs if (value := as_normal(j.found)) is not None]
    if not seen:
        return None
    values = [value.v for _, value in seen]
    if len(values) > 1:
        words = f"As found {say.number(min(values))} to {say.number(max(values))}, the middle {say.number(median(values))}"
    else:
        words = f"As found {say.number(values[0])}"
    codes = Counter(verdict(value, j.window).code for j, value in seen if j.window is not None)
    told = [(code, n) for code, n in codes.most_common() if code in FOUND_WORDS]
    if told:
        words += f": {told[0][1]} of {len(seen)} {FOUND_WORDS[told[0][0]]}"
    return MemoryLine(f"{words}.", tuple(j.job for j, _ in seen))


def _moves(jobs: Sequence[Remembered]) -> MemoryLine | None:
    moved = [j for j in jobs if j.moves]
    if not moved:
        return None
    words = f"{mean(j.moves for j in moved):.1f} moves a job, {max(j.moves for j in moved)} at most."
    return MemoryLine(words, tuple(j.job for j in moved))


def _shims(jobs: Sequence[Remembered], say: Speech | Shown) -> MemoryLine | None:
    used = Counter(nm for j in jobs for nm in j.put_in)
    if not used or not isinstance(say, Speech):
        return None
    most = sorted(used.items(), key=lambda item: (-item[1], -item[0]))[:MOST_SHIMS]
    words = ", ".join(f"{say.size(from_nm(nm))} ({n})" for nm, n in most)
    return MemoryLine(f"Shims put in: {words}.", tuple(j.job for j in jobs if j.put_in))


def _slips(jobs: Sequence[Remembered]) -> MemoryLine | None:
    slips = Counter(s for j in jobs for s in j.slips)
    if not slips:
        return None
    words = "; ".join(f"{what} ({n})" for what, n in slips.most_common())
    return MemoryLine(
        f"What odd rounds were, in {count_words(len(jobs), 'job')}: {words}.",
        tuple(j.job for j in jobs if j.slips),
    )
