"""Which kind of part a line of a parts list means, guessed from its words; the mechanic confirms it."""

from __future__ import annotations

import json
from collections.abc import Hashable, Sequence
from dataclasses import dataclass
from functools import cache
from importlib.resources import files

from rapidfuzz import fuzz, process, utils

from bornek.core.units.part_kinds import PART_KINDS

LEAST = 62.0
"""Below this the words are too far from any that are known [of 100]."""
SURE = 84.0


@dataclass(frozen=True)
class Guess:
    """`sure`: of 100; 0 where nothing was near and it is left as another part."""

    kind: str
    sure: float

    @property
    def clear(self) -> bool:
        return self.sure >= SURE


def guess_kind(words: str) -> Guess:
    """The kind whose usual words come nearest, order and spelling aside.

    >>> guess_kind("Cone, taper roller brg 32210").kind, guess_kind("ring gear, internal z72").kind
    ('taper_bearing', 'ring_gear')
    >>> guess_kind("qqq")
    Guess(kind='other', sure=0.0)
    """
    found = process.extractOne(
        words, list(_words()), scorer=_near, processor=utils.default_process, score_cutoff=LEAST
    )
    return Guess(_words()[found[0]], min(round(found[1], 1), 100.0)) if found else Guess("other", 0.0)


def _near(
    typed_words: Sequence[Hashable], known_words: Sequence[Hashable], /, *, score_cutoff: float | None = None
) -> float:
    """How much of the known words stands in what was typed; more words of them outweigh fewer."""
    typed, known = str(typed_words), str(known_words)
    spelt = max(fuzz.partial_ratio(typed, known) * 0.9, fuzz.token_sort_ratio(typed, known) * 0.97)
    part = fuzz.token_set_ratio(typed, known) if _shares(typed, known) else spelt
    last = 1.0 if typed.split()[-1:] == known.split()[-1:] else 0.0
    return max(0.0, part + last - 1.5 / len(known.split()) - 0.02 * abs(len(typed) - len(known)))


def _shares(typed: str, known: str) -> bool:
    return set(known.split()) <= set(typed.split())


@cache
def _words() -> dict[str, str]:
    """The usual words of each kind, its own label among them."""
    listed = json.loads(files("bornek.core.units").joinpath("kind_words.json").read_text("utf-8"))
    found = {kind.label: key for key, kind in PART_KINDS.items()}
    return found | {word: key for key, words in listed.items() for word in words}
