"""A stage of run-in drawn: the rule of temperatures with its stop, and the hottest bearing down the minutes."""

from __future__ import annotations

import math

from bornek.core.draw import nice_step
from bornek.core.prove.run_in import READING_SD_C
from bornek.core.prove.running import BearingRow, Run
from bornek.core.scenes import Band, LogRow, Needle, Readout, RoundLog, Tick
from bornek.core.uncertainty import expanded

BEYOND = 1.12
"""The rule goes so far beyond the limit."""
LAST_ROWS = 6
GIVE = expanded(READING_SD_C)


def run_scene(run: Run) -> tuple[Readout, RoundLog]:
    """The bearing that decides; the landing is where it levels, once that is told."""
    row = run.worst
    hottest = max((t.celsius for t in row.read), default=run.ambient_c) if row else run.ambient_c
    lo, hi = min(run.ambient_c, hottest), max(run.limit_c * BEYOND, hottest + 5)
    window = Band(lo, run.limit_c, f"up to {run.limit_c:g}", open_lo=True)
    rise = row.found.rise if row else None
    landing = None
    if rise is not None and row is not None and row.found.code in ("levels", "over"):
        give = 2 * rise.end_u
        landing = Band(max(lo, rise.end - give), min(hi, rise.end + give), f"{rise.end:.0f}", rise.end)
    now = _needle(row, run.limit_c) if row and row.read else None
    strip = Readout(
        label=row.label if row else "Bearings",
        unit="°C",
        lo=lo,
        hi=hi,
        ticks=_ticks(lo, hi),
        window=window,
        needle=now,
        verdict=row.code if row else "not_read",
        verdict_words=_verdict(row),
        landing=landing,
        stop=Band(run.limit_c, hi, f"stop {run.limit_c:g}"),
    )
    return strip, RoundLog(lo, hi, _rows(row), window, None, "Down the minutes")


def _needle(row: BearingRow, limit_c: float) -> Needle:
    last = row.read[-1]
    return Needle(
        last.celsius,
        GIVE,
        f"{last.celsius:.0f}",
        f"± {GIVE:.0f}",
        f"{limit_c - last.celsius:.0f} to the limit",
    )


def _rows(row: BearingRow | None) -> tuple[LogRow, ...]:
    if row is None:
        return ()
    return tuple(
        LogRow(f"{t.minutes:g} min", "", Needle(t.celsius, GIVE, f"{t.celsius:g}", "", ""), None)
        for t in row.read[-LAST_ROWS:]
    )


def _verdict(row: BearingRow | None) -> str:
    if row is None or not row.read:
        return "not read"
    words = {
        "levels": "levels",
        "over": "near the limit",
        "early": "too early",
        "not_levelling": "not levelling",
    }
    return words.get(row.found.code, "stop")


def _ticks(lo: float, hi: float) -> tuple[Tick, ...]:
    step = nice_step(hi - lo, 8)
    return tuple(
        Tick(n * step / 2, f"{n * step / 2:g}" if n % 2 == 0 else "")
        for n in range(math.ceil(2 * lo / step), math.floor(2 * hi / step) + 1)
    )
