"""A reckoned pattern as marking compound would show it: cells of a flank, root to tip and toe to heel."""

from __future__ import annotations

import numpy as np

from bornek.core.mesh.contact import Contact

ROWS, COLUMNS = 12, 24
HALF = 0.5

Mask = tuple[tuple[float, ...], ...]


def as_painted(c: Contact, rows: int = ROWS, columns: int = COLUMNS) -> Mask:
    """1 in every cell of which compound is wiped off more than half.

    >>> from bornek.core.mesh.bevel_set import S1
    >>> from bornek.core.mesh.contact import contact
    >>> mask = as_painted(contact(S1, "drive"))
    >>> len(mask), len(mask[0]), 0.25 < sum(map(sum, mask)) / (12 * 24) < 0.5
    (12, 24, True)
    """
    touched = np.where((c.level < 0) & c.active, 1.0, 0.0)
    of_row = np.arange(touched.shape[0]) * rows // touched.shape[0]
    of_column = np.arange(touched.shape[1]) * columns // touched.shape[1]
    total = np.zeros((rows, columns))
    np.add.at(total, (of_row[:, None], of_column[None, :]), touched)
    count = np.bincount(of_row, minlength=rows)[:, None] * np.bincount(of_column, minlength=columns)[None, :]
    return tuple(tuple(float(v) for v in row) for row in np.where(total / count > HALF, 1.0, 0.0))
