"""Lines of the record that facts make."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True)
class FoundLine:
    """A line of the strip on the record: as found, missing or wrong, taken off, loose."""

    zone: str
    label: str
    words: str
    by: str
