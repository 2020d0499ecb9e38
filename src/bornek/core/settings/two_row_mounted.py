"""What is left of a bench setting once cone and cup are fitted tight, as an estimate."""

from __future__ import annotations

import math

from bornek.core.errors import RangeError
from bornek.core.settings.kind import Result, speech
from bornek.core.settings.records import Context
from bornek.core.windows import Normal, Verdict
from bornek.core.working import Line, Working

LOSS_U_SHARE = 0.15
"""How far the loss by the fits may be off, as a share of it (1 sd): rings and seats are no thin elastic cones."""


def mounted_loss_mm(
    cone_interference_mm: float,
    cup_interference_mm: float,
    half_angle_deg: float,
    cone_ratio: float = 0.8,
    cup_ratio: float = 0.8,
) -> float:
    """How much bench setting two rows lose when cone and cup are fitted tight.

    Equation: cot α · (λ_cone · δ_cone + λ_cup · δ_cup); a loose fit counts 0.
    Parameters: δ effective diametral interference [mm], 0 to 0.5; α half the included cup angle
    [deg], 5 to 40; λ cone: bore / mean cone race diameter, λ cup: mean cup race / outside diameter.
    Source: elastic ring expansion on a taper. Raises RangeError outside the range.

    >>> round(mounted_loss_mm(0.030, 0.0, 15.0), 3)
    0.09
    """
    if not 5 <= half_angle_deg <= 40:
        raise RangeError(
            f"half_angle_deg must be 5 to 40 (got {half_angle_deg:g}). Was it the whole angle?",
            field="half_angle",
            next_step="Give half of the included angle of the cup.",
        )
    for name, ratio in (("cone_ratio", cone_ratio), ("cup_ratio", cup_ratio)):
        if not 0.4 <= ratio <= 1:
            raise RangeError(
                f"{name} must be 0.4 to 1 (got {ratio:g}).",
                field=name,
                next_step="Leave it at 0.8 if nobody knows it.",
            )
    cone, cup = max(cone_interference_mm, 0.0), max(cup_interference_mm, 0.0)
    if max(cone, cup) > 0.5:
        raise RangeError(
            "An interference above 0.5 mm is not a bearing fit.",
            field="cone_fit",
            next_step="Check the unit.",
        )
    return (cone_ratio * cone + cup_ratio * cup) / math.tan(math.radians(half_angle_deg))


def mounted_results(ctx: Context, bench: Normal) -> list[Result]:
    """The setting [mm] once the fits have taken their share, an estimate; none where angle or fits are not given."""
    angle = ctx.given.get("half_angle")
    fits = [ctx.given.get("cone_fit"), ctx.given.get("cup_fit")]
    if angle is None or all(f is None for f in fits):
        return []
    say = speech(ctx)
    cone, cup = (float(f or 0) for f in fits)
    loss = mounted_loss_mm(cone, cup, angle, ctx.given["cone_ratio"], ctx.given["cup_ratio"])
    mounted = Normal(bench.v - loss, math.hypot(bench.u, LOSS_U_SHARE * loss))
    working = Working(
        (
            Line(
                "Loss by the fits",
                f"cot {angle:g}° × ({ctx.given['cone_ratio']:g} × {say.size(max(cone, 0))} + "
                f"{ctx.given['cup_ratio']:g} × {say.size(max(cup, 0))})",
                say.number(loss),
            ),
            Line(
                "Mounted, an estimate",
                f"{say.number(bench.v)} − {say.number(loss)}; negative is preload",
                say.number(mounted.v),
                True,
            ),
        )
    )
    return [
        Result(
            key="mounted",
            label="Mounted setting, estimated",
            quantity="length",
            value=mounted,
            window=None,
            role="estimate",
            working=working,
            verdict=Verdict("not_proven"),
        )
    ]
