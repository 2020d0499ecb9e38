"""One palette and one set of verdict marks, for the page and for paper.

`bornek looks` writes them for the page (frontend/src/styles); the PDF reads them here.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import asdict, dataclass
from typing import Any, Literal

from bornek.core.windows import Code

PALETTE: Mapping[str, tuple[str, str]] = {
    "plate": ("#f8f9f8", "#191e21"),
    "ground": ("#dce1e2", "#0f1214"),
    "steel": ("#c3cbce", "#3a454c"),
    "steel-2": ("#d3dadc", "#2a3237"),
    "ink": ("#12171a", "#f0f3f3"),
    "ink-2": ("#434c52", "#b9c3c8"),
    "line": ("#667178", "#7b878e"),
    "hair": ("#aeb7bb", "#3c464c"),
    "blue": ("#28338f", "#4f5fe0"),
    "post": ("#28338f", "#a9b5ff"),
    "blue-tint": ("#cdd3f0", "#2b3370"),
    "scribe": ("#ffffff", "#ffffff"),
    "paint": ("#ffc420", "#ffc933"),
    "edge": ("#12171a", "#12171a"),
    "lead": ("#b3260e", "#ff7757"),
    "on-lead": ("#ffffff", "#12171a"),
    "block": ("#12171a", "#d6dee1"),
    "on-block": ("#f8f9f8", "#12171a"),
    "caret": ("#ffc420", "#28338f"),
}  # fmt: skip
"""Colours by name: by light, in the dark."""

Role = Literal["wanted", "danger", "found"]


@dataclass(frozen=True)
class VerdictLook:
    """A verdict's mark in a box of 46 by 24: two posts on a sill, a disc or a bar, told by shape and place.

    `posts`: their x; `disc`: its x, and where it leans low; `open`: a hollow disc; `bar`: across a post;
    `dashed`: all of it; `role`: what its tag is painted in.
    """

    posts: tuple[int, int] = (12, 34)
    disc: int | None = None
    disc_low: int | None = None
    open: bool = False
    bar: bool = False
    dashed: bool = False
    role: Role = "found"


VERDICTS: Mapping[Code, VerdictLook] = {
    "in": VerdictLook(disc=23, role="wanted"),
    "at_edge": VerdictLook(disc=29, disc_low=17),
    "not_proven": VerdictLook(bar=True),
    "out_low": VerdictLook(posts=(20, 42), disc=8, role="danger"),
    "out_high": VerdictLook(posts=(4, 26), disc=38, role="danger"),
    "read_again": VerdictLook(disc=23, open=True, dashed=True),
    "not_read": VerdictLook(),
}  # fmt: skip


def colour(name: str) -> str:
    """A colour of the palette by light.

    >>> colour("blue")
    '#28338f'
    """
    return PALETTE[name][0]


def palette_css() -> str:
    """The palette as the page's tier 1 of tokens."""
    blocks = []
    for side, (selector, scheme) in enumerate(((":root", "light"), (':root[data-theme="dark"]', "dark"))):
        lines = [f"  --{name}: {pair[side]};" for name, pair in PALETTE.items()]
        blocks.append("\n".join([f"{selector} {{", f"  color-scheme: {scheme};", *lines, "}"]))
    head = "/* Tier 1, palette: named after the bench, written by `make api`. Never used by a component. */"
    return f"{head}\n" + "\n\n".join(blocks) + "\n"


def verdict_looks() -> dict[str, Any]:
    """The marks as plain data for the page."""
    return {code: asdict(look) for code, look in VERDICTS.items()}
