"""Keys made from names: nobody is asked for one. A row made on the page has a passing key until it is stored."""

from __future__ import annotations

import re
import unicodedata
from collections.abc import Collection

from bornek.core.units.checks import LEAVES
from bornek.core.units.references import Plain, rename, rows_of
from bornek.core.units.told import ROW_WORDS

MOST = 40
PASSING = re.compile(r"new-\d+")
"""Keys as the page makes them."""


def key_from(name: str, taken: Collection[str], otherwise: str = "row") -> str:
    """Small letters, digits and dashes of a name; numbered where it is taken. A name without Latin letters has none,
    and `otherwise` stands for it.

    >>> key_from("Input bearing, left", ()), key_from("Größe", ["grosse"]), key_from("軸", (), "shaft")
    ('input-bearing-left', 'grosse-2', 'shaft')
    """
    plain = unicodedata.normalize("NFKD", name.replace("ß", "ss"))
    letters = "".join(c for c in plain if not unicodedata.combining(c)).lower()
    base = re.sub(r"[^a-z0-9]+", "-", letters).strip("-")[:MOST].strip("-") or otherwise
    key = base
    n = 2
    while key in taken:
        tail = f"-{n}"
        key, n = base[: MOST - len(tail)].rstrip("-") + tail, n + 1
    return key


def settle_keys(d: Plain) -> Plain:
    """Rows with a passing key get one from their name; whatever names them follows.

    >>> d = {"parts": [{"key": "new-7", "label": "Thrust nut"}], "places": [{"key": "x", "label": "Nut", "at": "new-7"}]}
    >>> settle_keys(d)["places"]
    [{'key': 'x', 'label': 'Nut', 'at': 'thrust-nut'}]
    """
    names: dict[str, dict[str, str]] = {}
    for leaf in LEAVES:
        keys = [str(row.get("key")) for row in rows_of(d, leaf)]
        taken = {key for key in keys if not PASSING.fullmatch(key)}
        for row, old in zip(rows_of(d, leaf), keys, strict=True):
            label = row.get("label")
            if not PASSING.fullmatch(old) or not isinstance(label, str):
                continue
            new = key_from(label, taken, ROW_WORDS[leaf].split()[-1])
            taken.add(new)
            names.setdefault(leaf, {})[old] = new
    made = rename(d, names)
    for lever in rows_of(made, "levers"):
        _settle_positions(rows_of(lever, "positions"))
    return made


def _settle_positions(positions: list[Plain]) -> None:
    """Keys of a lever's positions; nothing else in a definition names them."""
    taken = {str(p.get("key")) for p in positions}
    for p in positions:
        if PASSING.fullmatch(str(p.get("key"))) and isinstance(p.get("label"), str):
            p["key"] = key_from(p["label"], taken, "position")
            taken.add(p["key"])
