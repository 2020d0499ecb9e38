"""A throwaway kind of three quantities and two adjusters, one of them two packs with a fixed total."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from contextlib import contextmanager
from datetime import UTC, datetime
from typing import Any

from bornek.core.settings.common import given_window, source_lines, whole_form
from bornek.core.settings.kind import Field, Outcome, Result, Setting, Slot
from bornek.core.settings.knobs import JointPacks, Knob, Packs, Response
from bornek.core.settings.records import Context
from bornek.core.settings.registry import forget, register
from bornek.core.settings.sifting import sift, sift_checks
from bornek.core.windows import NOT_READ, Normal, Window, verdict, worst
from bornek.core.working import Sum
from bornek.services.desk import Desk
from bornek.services.job.receive_job import receive_job
from bornek.services.shop.unit_types import define_type
from bornek.store.database import Database

KIND = "trial_pair_mesh"
TOTAL_NM = 1_000_000
ROWS = (("lash", "Lash", "length"), ("across", "Across", "number"), ("along", "Along", "number"))
WINDOWS = {"lash": (0.15, 0.25), "across": (0.40, 0.70), "along": (0.35, 0.65)}
J = {"lash": (0.25, 0.70), "across": (0.6, -1.2), "along": (2.0, -0.6)}
"""Answer of each quantity to 1 mm of pinion shims and 1 mm to the left: lash in mm, the others in shares."""


class TrialPairMesh(Setting):
    id = KIND
    title = "Pair set by pinion and side shims together"
    cautions = ("Fingers out of the mesh. The maker's manual comes first.",)
    layout = "side_by_side"

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return whole_form([Field("torque", "Cover bolt torque", "torque", default=50.0, lo=0, hi=900)])

    def slots(self, ctx: Context) -> Sequence[Slot]:
        return [
            Slot(
                key=key,
                label=label,
                group=label,
                axes={},
                quantity=quantity if quantity == "length" else "count",
                nature="travel" if quantity == "length" else "count",
                plausible=(0.0, 3.0),
            )
            for key, label, quantity in ROWS
        ]

    def evaluate(self, ctx: Context) -> Outcome:
        slots = self.slots(ctx)
        sifted = sift(slots, ctx.now())
        results = []
        for key, label, quantity in ROWS:
            entry = sifted.counted.get(key)
            number = entry.number if entry else None
            u = 0.004 if quantity == "length" else 0.02
            value = None if number is None else Normal(number, u)
            lo, hi = WINDOWS[key]
            window = given_window(ctx.given, lo, hi) if quantity == "length" else Window(lo, hi, "trial card")
            total = Sum()
            if number is not None:
                total.mean(label, [number])
            results.append(
                Result(
                    key=key,
                    label=label,
                    quantity=quantity,
                    value=value,
                    window=window,
                    working=total.working(*source_lines(window)),
                    verdict=verdict(value, window) if value else NOT_READ,
                    aim=window.middle,
                )
            )
        observed = {r.key: r.value for r in results if r.value is not None}
        return Outcome(
            results=tuple(results),
            checks=tuple(sift_checks(sifted, slots)),
            verdict=worst([r.verdict for r in results]),
            observed=observed,
        )

    def knobs(self, ctx: Context) -> Sequence[Knob]:
        pair = JointPacks(("left-side", "right-side"), TOTAL_NM)
        return (
            Knob(
                key="pinion",
                label="Pinion shims",
                place="pinion-pack",
                unit="mm",
                domain=Packs(),
                title="Pinion",
            ),
            Knob(key="sides", label="Side shims", place="left-side", unit="mm", domain=pair, title="Sides"),
        )

    def response(self, ctx: Context) -> Response:
        return Response(
            rows=tuple(J),
            knobs=("pinion", "sides"),
            k0=tuple(J.values()),
            rho=((0.2, 0.15), (0.35, 0.35), (0.35, 0.35)),
            s_a=(0.006, 0.02, 0.02),
            s_r=(0.002, 0.02, 0.02),
            harm=("low", "", ""),
            repeats=1,
        )


def truth(pinion_mm: float, left_mm: float) -> dict[str, float]:
    """What the iron would read: the aims lie at 0.45 and 0.55, the answer a tenth stronger than declared."""
    off = (pinion_mm - 0.45, left_mm - 0.55)
    middle = {key: (lo + hi) / 2 for key, (lo, hi) in WINDOWS.items()}
    return {key: middle[key] + 1.1 * (k[0] * off[0] + k[1] * off[1]) for key, k in J.items()}


DEFINITION: dict[str, Any] = {
    "places": [
        {"key": "pinion-pack", "label": "behind the pinion", "shim_form": "ring 60"},
        {"key": "left-side", "label": "left carrier", "shim_form": "ring 90"},
        {"key": "right-side", "label": "right carrier", "shim_form": "ring 90"},
    ],
    "settings": [
        {"key": "pair", "label": "Pair", "kind": KIND, "place": "pinion-pack", "gauge": "dial-11",
         "given": {"source": "trial card"}},
        {"key": "left-play", "label": "Left bearing play", "kind": "shim_pack_end_play", "place": "left-side",
         "gauge": "dial-11",
         "given": {"least": "0.05", "greatest": "0.15", "sense": "adds", "torque": "40 N·m", "source": "card"}},
    ],
}  # fmt: skip


@contextmanager
def trial_mesh(database: Database) -> Iterator[str]:
    """Registers the kind, takes a job with it in, with shims for both forms, and forgets it after."""
    from bornek.services.shop.drawer import count_shims

    register(TrialPairMesh)
    with database.writing() as session:
        desk = Desk(session, "oda", datetime(2026, 11, 24, tzinfo=UTC))
        define_type(desk, "trial-mesh", "Trial mesh", DEFINITION)
        unit = {"id": "u-t2", "tag": "T-02", "name": "Trial pair", "serial": "T2"}
        receive_job(desk, {"id": "t02", "unit": unit, "revision": "trial-mesh.1"})
        for form in ("ring 60", "ring 90"):
            for mm in ("0.05", "0.10", "0.15", "0.20", "0.30"):
                count_shims(
                    desk, {"id": f"{form}-{mm}".replace(" ", "-"), "form": form, "thickness": mm, "count": 5}
                )
    try:
        yield "t02.pair"
    finally:
        forget(KIND)
