"""Lines of any script: which face each sign is set in, which way it runs, how signs join, where a line breaks.

Levels by the Unicode rules for text of both directions (python-bidi); forms and places of joined signs by
HarfBuzz, through the PDF library. A sign that no face has is set as its code, never left out.
"""

from __future__ import annotations

import re
import unicodedata
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import cached_property
from itertools import groupby
from typing import Any, cast

from bidi import algorithm
from reportlab.lib.abag import ABag
from reportlab.lib.colors import Color
from reportlab.pdfbase.pdfmetrics import stringWidth
from reportlab.pdfbase.ttfonts import ShapedStr, shapeFragWord

from bornek.report.fonts_in import MORE, SHAPED, face_for, has
from bornek.report.paint import BOLD, INK, PLAIN

BRACKETS = {"(": ")", "[": "]", "{": "}"}
SWAPPED = str.maketrans("()[]{}<>«»", ")(][}{><»«")
NARROWEST = 0.2
"""Of the size: no sign is narrower in a line that is cut."""


@dataclass(frozen=True)
class Piece:
    """Signs of one face that run one way (odd level: to the left), within one word."""

    text: str
    font: str
    level: int
    size: float

    @cached_property
    def shown(self) -> str:
        """As it is set: shaped where its script joins signs, turned round where it runs to the left."""
        text = self.text.translate(SWAPPED) if self.level % 2 else self.text
        if self.font in SHAPED and any(sign.isalpha() for sign in text):
            return _shaped(text, self.font, self.size)
        return text[::-1] if self.level % 2 else text

    @cached_property
    def width(self) -> float:
        shown: Any = self.shown
        if isinstance(shown, ShapedStr):
            return float(sum(s.x_advance for s in shown.__shapeData__)) * self.size / 1000
        return float(stringWidth(shown, self.font, self.size))

    @property
    def space(self) -> bool:
        return self.text.isspace()


def _shaped(text: str, font: str, size: float) -> str:
    """Signs as they join and stand beside each other; in the order in which they are seen."""
    word = [0, (ABag(fontName=font, fontSize=size), text)]
    return cast(str, shapeFragWord(word, features={"kern": True, "liga": True})[1][1])


def plain(text: str, bold: bool = False) -> bool:
    """Whether the main face has every sign of it."""
    return all(has(BOLD if bold else PLAIN, sign) for sign in text)


def printable(text: str, bold: bool = False) -> str:
    """The text with every sign that no face has as its code.

    >>> printable("bolt \\u2603 M8"), printable("a\\tb\\x07")
    ('bolt [U+2603] M8', 'a b[U+0007]')
    """
    main = BOLD if bold else PLAIN
    said, before = [], ""
    for sign in text:
        if sign.isspace():
            said.append(" ")
            continue
        name = face_for(sign, main, before)
        if not name and unicodedata.category(sign) == "Cf":
            continue  # a mark that steers other signs has no form of its own
        said.append(sign if name else f"[U+{ord(sign):04X}]")
        before = name
    return "".join(said)


def to_left(text: str) -> bool:
    """Whether a text as a whole runs to the left."""
    return bool(algorithm.get_base_level(text))


def pieces(text: str, size: float, bold: bool = False) -> list[Piece]:
    """The text in logical order, cut where word, face or direction change."""
    text = printable(text, bold)
    levels = _levels(text)
    found: list[tuple[str, str, int]] = []
    for sign, level, font in zip(text, levels, _faces(text, BOLD if bold else PLAIN), strict=True):
        if found and found[-1][1:] == (font, level) and not sign.isspace() and not found[-1][0].isspace():
            found[-1] = (found[-1][0] + sign, font, level)
        else:
            found.append((sign, font, level))
    return [Piece(words, font, level, size) for words, font, level in found]


def _faces(text: str, main: str) -> list[str]:
    """The face of each sign; a word of which the main face lacks a letter is set in one face."""
    found: list[str] = []
    for word in re.findall(r"\s+|\S+", text):
        faces: list[str] = []
        for sign in word:
            faces.append(face_for(sign, main, faces[-1] if faces else "") or main)
        if MORE in faces:
            faces = [
                MORE if name == main and has(MORE, s) else name for name, s in zip(faces, word, strict=True)
            ]
        found += faces
    return found


def _levels(text: str) -> list[int]:
    """How deep each sign is nested; odd ones run to the left."""
    if not any(unicodedata.bidirectional(sign) in ("R", "AL", "AN") for sign in text):
        return [0] * len(text)
    storage = algorithm.get_empty_storage()
    base = algorithm.get_base_level(text)
    storage["base_level"], storage["base_dir"] = base, ("L", "R")[base]
    algorithm.get_embedding_levels(text, storage)
    algorithm.explicit_embed_and_overrides(storage)
    algorithm.resolve_weak_types(storage)
    _join_brackets(storage["chars"], ("L", "R")[base])
    algorithm.resolve_neutral_types(storage, False)
    algorithm.resolve_implicit_levels(storage, False)
    found = [int(c["level"]) for c in storage["chars"]]
    return found if len(found) == len(text) else [base] * len(text)


def _join_brackets(signs: list[dict[str, Any]], base: str) -> None:
    """A pair of brackets runs as what stands in it and before it, if both run against the text as a whole."""
    opened: list[int] = []
    for i, sign in enumerate(signs):
        if sign["ch"] in BRACKETS:
            opened.append(i)
        elif opened and sign["ch"] == BRACKETS[signs[opened[-1]]["ch"]]:
            start = opened.pop()
            inside = {c["type"] for c in signs[start:i]} & {"L", "R"}
            before = next((c["type"] for c in signs[:start][::-1] if c["type"] in ("L", "R")), base)
            if len(inside) == 1 and inside != {base} and before in inside:
                signs[start]["type"] = sign["type"] = before


def lines(text: str, size: float, room: float, bold: bool = False) -> list[list[Piece]]:
    """The text broken into lines that fit, each in the order in which it is seen."""
    found: list[list[Piece]] = [[]]
    used = 0.0
    for word in _words(pieces(text, size, bold)):
        for part in _fitting(word, room):
            wide = sum(p.width for p in part)
            if found[-1] and used + wide > room and not part[0].space:
                found.append([])
                used = 0.0
            if part[0].space and not found[-1]:
                continue
            found[-1] += part
            used += wide
    return [seen(line) for line in found]


def _words(found: Sequence[Piece]) -> Iterator[list[Piece]]:
    """Pieces that stand together without a space."""
    word: list[Piece] = []
    for piece in found:
        if piece.space:
            if word:
                yield word
            yield [piece]
            word = []
        else:
            word.append(piece)
    if word:
        yield word


def _fitting(word: list[Piece], room: float) -> Iterator[list[Piece]]:
    """A word whole, or cut between signs where it is wider than the line."""
    if sum(p.width for p in word) <= room:
        yield word
        return
    for piece in word:
        text = piece.text
        while text:
            n = len(text)
            while n > 1 and Piece(text[:n], piece.font, piece.level, piece.size).width > room:
                n = max(1, min(n - 1, int(room / (NARROWEST * piece.size))))
            while n < len(text) and unicodedata.category(text[n]).startswith("M") and n > 1:
                n -= 1
            yield [Piece(text[:n], piece.font, piece.level, piece.size)]
            text = text[n:]


def seen(line: Sequence[Piece]) -> list[Piece]:
    """The pieces of a line from left to right: every run of a level or deeper is turned round."""
    shown = list(line)
    while shown and shown[-1].space:
        shown.pop()
    for level in range(max((p.level for p in shown), default=0), 0, -1):
        at = 0
        while at < len(shown):
            end = at
            while end < len(shown) and shown[end].level >= level:
                end += 1
            if end > at:
                shown[at:end] = shown[at:end][::-1]
            at = end + 1
    return shown


def _together(line: Sequence[Piece]) -> Iterator[Piece]:
    """Words of one face that run to the right are set at one stroke, so that they can be searched for."""
    for (font, level, shaped), group in groupby(line, lambda p: (p.font, p.level, p.font in SHAPED)):
        if shaped or level % 2:
            yield from group
        else:
            yield Piece("".join(p.text for p in group), font, level, line[0].size)


def width_of(text: str, size: float, bold: bool = False) -> float:
    """How wide a text is on one line."""
    return sum(p.width for p in pieces(text, size, bold))


def cut(text: str, size: float, room: float, bold: bool = False) -> str:
    """As much of the text as the room takes, with dots for the rest."""
    if width_of(text, size, bold) <= room:
        return text
    short = text[: max(int(room / (NARROWEST * size)), 1)]
    while short and width_of(f"{short}…", size, bold) > room:
        short = short[:-1]
    return f"{short}…"


def draw_line(
    canvas: Any,
    x: float,
    y: float,
    line: Sequence[Piece] | str,
    size: float,
    bold: bool = False,
    anchor: str = "start",
    colour: Color = INK,
) -> None:
    """One line on a PDF canvas; `x` is where it starts, its middle or its end."""
    shown = seen(pieces(line, size, bold)) if isinstance(line, str) else line
    wide = sum(p.width for p in shown)
    x -= {"start": 0.0, "middle": wide / 2, "end": wide}[anchor]
    canvas.setFillColor(colour)
    for piece in _together(shown):
        canvas.setFont(piece.font, size)
        canvas.drawString(x, y, piece.shown)
        x += piece.width
