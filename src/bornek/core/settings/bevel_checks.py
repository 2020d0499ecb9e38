"""What is said of a bevel pair beside its numbers: how it begins, what is seen on its flanks, what stands in the way."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.errors import RangeError
from bornek.core.mesh.first_depth import (
    FirstPack,
    by_gauge_block,
    by_mark,
    farthest_out,
    housings_apart,
    no_jam,
)
from bornek.core.mesh.pattern_words import disagree, looks, means, seen
from bornek.core.quantities import Speech
from bornek.core.settings.bevel_form import why_no_set
from bornek.core.settings.bevel_lash import tightest_at
from bornek.core.settings.bevel_limits import HALF_X, HALF_Y, Force
from bornek.core.settings.bevel_model import painted_on, total_nm
from bornek.core.settings.bevel_picture import centroid
from bornek.core.settings.kind import Check, Result, speech
from bornek.core.settings.records import Context
from bornek.core.settings.sifting import Sifted
from bornek.core.windows import Normal
from bornek.core.working import Working

SAME_NM = 1000


def pair_checks(ctx: Context, sifted: Sifted, results: Sequence[Result], force: Force) -> list[Check]:
    found = {r.key: r for r in results}
    say = speech(ctx)
    checks = [
        *_first(ctx, say),
        *_total(ctx, say),
        *_variation(found),
        *_flanks_say(ctx, sifted, force),
        *_floats(ctx, say),
    ]
    trouble = why_no_set(ctx.given)
    if trouble:
        checks.append(Check("no_model", "warn", trouble))
    return checks


def _first(ctx: Context, say: Speech) -> list[Check]:
    """How a first assembly begins, in its first round: which pack, and that nothing can jam."""
    if ctx.round > ctx.first_round:
        return []
    checks = []
    known = ctx.given["pinion_sense"] in ("out", "in")
    packs = [p for key in ("pack_with_set", "pack_of_housing") if (p := ctx.given.get(key)) is not None]
    if ctx.given["housing"] == "other":
        words = housings_apart(packs[0], packs[1], float(ctx.given["housing_tolerance"]), say)
        checks.append(Check("housing", "note", words))
    if ctx.given["depth_way"] == "flush":
        words = "Heel ends flush, seen through the opening: then read the backlash."
        spiral = float(ctx.given["spiral_angle"]) > 0
        if spiral:
            words = "Heel ends flush says nothing on a spiral pair: go by gauge, mark or the pack as found."
        checks.append(Check("flush", "warn" if spiral else "note", words))
    try:
        pack = first_pack(ctx.given)
    except RangeError as error:
        pack = None
        checks.append(Check("first_pack", "warn", f"{error.message} {error.next_step}"))
    if pack is not None:
        checks.append(
            Check(
                "first_pack",
                "note",
                f"First pinion pack, {pack.line.label.lower()}: {say.size(pack.mm)}.",
            )
        )
        packs.append(pack.mm)
    if ctx.given["depth_way"] != "found" or ctx.given["housing"] == "other":
        sense = ctx.given["pinion_sense"] if known else None
        farthest = farthest_out(packs, sense)
        checks.append(
            Check("no_jam", "warn", no_jam(say.size(farthest) if farthest is not None else "", sense))
        )
    return checks


def _total(ctx: Context, say: Speech) -> list[Check]:
    """What the carrier bearings get where the packs at their sides do not come to what they did."""
    begun, state = ctx.state("carrier", ctx.first_round), ctx.state("carrier")
    if begun is None or state is None or abs(total_nm(state) - total_nm(begun)) < SAME_NM:
        return []
    total, was = total_nm(state) / 1e6, total_nm(begun) / 1e6
    more = "more" if total > was else "less"
    sentence = (
        f"The carrier packs come to {say.size(total)}, {say.size(abs(total - was))} {more} than {say.size(was)}: "
        f"the carrier bearings stand {say.size(abs(total - was))} {'looser' if total > was else 'tighter'} by it, "
        "if shims lie under their covers. Set their preload again."
    )
    return [Check("carrier_total", "warn", sentence)]


def _flanks_say(ctx: Context, sifted: Sifted, force: Force) -> list[Check]:
    """What is seen on the loaded flank, what that means, which way mends it on this machine."""
    drive, coast = painted_on(sifted, "drive"), painted_on(sifted, "coast")
    if drive is None:
        return []
    half = (HALF_X, HALF_Y)
    on_drive = seen(*centroid(drive.mask)[:2], force.centre, half)
    checks = []
    if not on_drive.there:
        spiral = float(ctx.given["spiral_angle"]) > 0
        mends = _mends(ctx, on_drive.up)
        checks.append(
            Check("pattern", "note", f"Drive side {looks(on_drive)}: {means(on_drive, spiral)}.{mends}")
        )
    if coast is not None:
        apart = disagree(on_drive, seen(*centroid(coast.mask)[:2], force.centre, half))
        if apart:
            checks.append(Check("flanks_apart", "warn", apart))
    return checks


def _mends(ctx: Context, up: str) -> str:
    """Which way the pinion's pack goes here; nothing where its sense is not known."""
    sense = ctx.given["pinion_sense"]
    if up not in ("root", "tip") or sense not in ("out", "in"):
        return ""
    more = (up == "root") == (sense == "out")
    way = "out" if up == "root" else "in"
    return f" Bring the pinion {way}: {'more' if more else 'fewer'} shims behind it, here."


def first_pack(given: Mapping[str, Any]) -> FirstPack | None:
    """The pack that the pinion goes in with first, where it is reckoned and its sense is known."""
    sense = given["pinion_sense"]
    if sense not in ("out", "in"):
        return None
    if given["depth_way"] == "gauge":
        return by_gauge_block(given["depth_gap"], given["depth_block"], given["distance"], sense)
    if given["depth_way"] == "mark":
        return by_mark(given["reference_pack"], given["mark"], given["mark_convention"], sense)
    return None


def first_pack_result(ctx: Context) -> list[Result]:
    """The first pack's sum, to be checked with a pencil, in the round in which it is told."""
    try:
        pack = first_pack(ctx.given) if ctx.round == ctx.first_round else None
    except RangeError:
        return []
    if pack is None:
        return []
    working = Working((pack.line,), ("The maker's manual comes first.",))
    return [
        Result("first_pack", "First pinion pack", "length", None, role="info", working=working, strip=False)
    ]


def _variation(found: Mapping[str, Result]) -> list[Check]:
    if "variation" not in found or found["variation"].verdict.code != "out_high":
        return []
    between, around = found["variation"].value, found["backlash"].readings
    one_u = between.u / math.sqrt(2) if isinstance(between, Normal) else 0.0
    at = tightest_at(around, one_u) if len(around) >= 4 else None
    where = "" if at is None else f", tightest near {at:.0f}° from tooth 1"
    sentence = (
        f"The backlash varies around the gear by more than is allowed{where}: look for its runout, "
        "find the high spot, and do not set it before that is mended."
    )
    return [Check("variation", "stop", sentence, "stop")]


def _floats(ctx: Context, say: Speech) -> list[Check]:
    """A pinion with play deflects: at no load its contact belongs nearer the toe, which is the other school."""
    play = float(ctx.given["pinion_play"])
    if play <= 0 or ctx.school.get("pattern") == "B":
        return []
    sentence = f"The pinion floats by {say.size(play)}: under load the contact walks to the heel. School B would have it toe-heavy at no load."
    return [Check("floats", "note", sentence)]
