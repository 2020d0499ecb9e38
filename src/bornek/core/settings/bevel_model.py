"""What the model is told of a bevel pair by its log: how its first paint crowns it, where its members stand now."""

from __future__ import annotations

from bornek.core.mesh.bevel_set import BevelSet
from bornek.core.mesh.contact import Shift
from bornek.core.mesh.seen import crowned_as_painted, standing
from bornek.core.settings.bevel_form import model_side, set_of
from bornek.core.settings.bevel_picture import centroid
from bornek.core.settings.records import Context, Paint
from bornek.core.settings.sifting import Sifted
from bornek.core.settings.state import State


def painted_on(sifted: Sifted, flank: str) -> Paint | None:
    entry = sifted.counted.get(f"paint.{flank}")
    return entry.raw if entry is not None and isinstance(entry.raw, Paint) else None


def first_paint(ctx: Context, flank: str) -> Paint | None:
    """The flank as it was painted first on the parts that are in now."""
    rows = [e for e in ctx.entries if e.slot == f"paint.{flank}" and e.round >= ctx.first_round]
    raw = min(rows, key=lambda e: (e.round, e.seq)).raw if rows else None
    return raw if isinstance(raw, Paint) and any(map(any, raw.mask)) else None


def model_of(ctx: Context) -> BevelSet | None:
    """The pair as the model has it, crowned as its first paint showed; None where nothing is known of it."""
    s = set_of(ctx.given)
    paint = first_paint(ctx, "drive")
    if s is None or paint is None:
        return s
    return crowned_as_painted(s, model_side(s, ctx.given, "drive"), paint.mask)


def stands_at(ctx: Context, s: BevelSet) -> Shift:
    """Where the members stand from the model's home, by what is painted now."""
    painted = {
        model_side(s, ctx.given, "drive" if e.slot == "paint.drive" else "coast"): centroid(e.raw.mask)[:2]
        for e in ctx.now()
        if e.slot in ("paint.drive", "paint.coast") and isinstance(e.raw, Paint) and any(map(any, e.raw.mask))
    }
    return standing(s, painted) if painted else Shift()


def total_nm(state: State) -> int:
    return sum(map(sum, state.packs))
