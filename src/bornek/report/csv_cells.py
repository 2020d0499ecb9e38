"""Cells of CSV files that a spreadsheet cannot run."""

from __future__ import annotations

from typing import Any

RISKY = ("=", "+", "-", "@", "\t", "\r")


def safe_cell(cell: Any) -> Any:
    """
    >>> safe_cell("=1+1"), safe_cell("-0.05")
    ("'=1+1", '-0.05')
    """
    if isinstance(cell, str) and cell.startswith(RISKY) and not _is_number(cell):
        return "'" + cell
    return cell


def _is_number(text: str) -> bool:
    try:
        float(text)
    except ValueError:
        return False
    return True
