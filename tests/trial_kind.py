"""A throwaway kind of setting: it proves that nothing else needs to know a kind by name."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from contextlib import contextmanager
from datetime import UTC, datetime
from typing import Any

from bornek.core.scenes import (
    Band,
    BoltDisc,
    Bolts,
    Circle,
    Dial,
    Flank,
    GearDrawn,
    Gears,
    HoleRing,
    Ladder,
    Life,
    LifeFan,
    LifeVisit,
    Patch,
    Ray,
    Rung,
    Scene,
    Step,
    Steps,
    Table,
    Tick,
)
from bornek.core.settings.common import given_window, source_lines, whole_form
from bornek.core.settings.kind import Calculation, Field, Outcome, Result, Setting, Slot
from bornek.core.settings.knobs import Knob, Points, Response
from bornek.core.settings.records import Context
from bornek.core.settings.registry import forget, register
from bornek.core.settings.sifting import sift, sift_checks
from bornek.core.windows import NOT_READ, Normal, verdict
from bornek.core.working import Line, Working
from bornek.services.desk import Desk
from bornek.services.job.receive_job import receive_job
from bornek.services.shop.unit_types import define_type
from bornek.store.database import Database

KIND = "trial_washer_gap"


class TrialWasherGap(Setting):
    """A gap closed by one of three washers."""

    id = KIND
    title = "Gap closed by a chosen washer"
    cautions = ("Mind your fingers. The maker's manual comes first.",)

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        own = [
            Field("least", "Least gap", "length", lo=0, hi=2),
            Field("greatest", "Greatest gap", "length", lo=0, hi=2),
        ]
        return whole_form(own)

    def slots(self, ctx: Context) -> Sequence[Slot]:
        return [
            Slot(
                key=f"gap.{n}",
                label=f"Gap, reading {n}",
                group="Gap",
                axes={"rep": n},
                quantity="length",
                nature="size",
                plausible=(0.0, 3.0),
                peers="gap",
            )
            for n in (1, 2)
        ]

    def evaluate(self, ctx: Context) -> Outcome:
        slots = self.slots(ctx)
        sifted = sift(slots, ctx.now())
        numbers = sifted.numbers(slots).get("Gap", [])
        window = given_window(ctx.given, ctx.given["least"], ctx.given["greatest"])
        value = Normal(sum(numbers) / len(numbers), 0.004) if numbers else None
        judged = verdict(value, window) if value else NOT_READ
        working = Working(
            (Line("Mean gap", "of both readings", f"{value.v:.3f}" if value else ""),), source_lines(window)
        )
        result = Result(
            key="gap",
            label="Gap",
            quantity="length",
            value=value,
            window=window,
            role="target",
            working=working,
            verdict=judged,
            aim=window.middle,
            readings=tuple(numbers),
        )
        table = Table("Washers on the shelf", ("mm",), (("2.00",), ("2.10",), ("2.20",)))
        observed = {"gap": value} if value else {}
        return Outcome(
            (result,), tuple(sift_checks(sifted, slots)), judged, scenes=(table,), observed=observed
        )

    def knobs(self, ctx: Context) -> Sequence[Knob]:
        return (
            Knob(
                key="washer",
                label="Washer",
                place="shelf",
                unit="mm",
                domain=Points((2.0, 2.1, 2.2)),
                sense=-1,
                noun="washer",
                title="The washer",
            ),
        )

    def response(self, ctx: Context) -> Response:
        return Response(
            rows=("gap",),
            knobs=("washer",),
            k0=((-1.0,),),
            rho=((0.05,),),
            s_a=(0.004,),
            s_r=(0.004,),
            harm=("low",),
            repeats=2,
        )


class TrialSum(Calculation):
    """A calculator: no rounds, no readings."""

    id = "trial_sum"
    title = "Ram force"
    cautions = ("Never above the ram's rating. The maker's manual comes first.",)

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return [
            Field("area", "Ring area, cm²", "number", lo=0.1, hi=1000),
            Field("mpa", "Pressure, MPa", "number", lo=0, hi=200),
        ]

    def evaluate(self, ctx: Context) -> Outcome:
        force_kn = ctx.given["area"] * ctx.given["mpa"] / 10
        line = Line(
            "Force", f"{ctx.given['area']:g} cm² × {ctx.given['mpa']:g} MPa ÷ 10", f"{force_kn:.1f} kN", True
        )
        return Outcome(
            (
                Result(
                    key="force",
                    label="Force",
                    quantity="force",
                    value=Normal(force_kn * 1000, 0.0),
                    window=None,
                    role="info",
                    working=Working((line,)),
                ),
            )
        )


@contextmanager
def trial(database: Database) -> Iterator[str]:
    """Registers the trial kinds, takes a job with one of them in, and forgets them after."""
    register(TrialWasherGap)
    register(TrialSum)
    register(TrialStations)
    desk_time = datetime(2026, 11, 24, tzinfo=UTC)
    definition = {
        "places": [{"key": "shelf", "label": "washer shelf", "shim_form": "none"}],
        "settings": [
            {"key": "gap", "label": "Idler gap", "kind": KIND, "place": "shelf", "gauge": "dial-11",
             "given": {"least": "0.10", "greatest": "0.20", "source": "trial card"}},
            {"key": "stations", "label": "Every station", "kind": "trial_stations", "place": "shelf",
             "gauge": "dial-11", "given": {"source": "trial card"}},
        ],
    }  # fmt: skip
    with database.writing() as session:
        desk = Desk(session, "oda", desk_time)
        define_type(desk, "trial", "Trial", definition)
        unit = {"id": "u-t1", "tag": "T-01", "name": "Trial idler", "serial": "T1"}
        receive_job(desk, {"id": "t01", "unit": unit, "revision": "trial.1"})
    try:
        yield "t01.gap"
    finally:
        forget(KIND)
        forget(TrialSum.id)
        forget(TrialStations.id)


class TrialStations(Setting):
    """One station of every sort that can be read."""

    id = "trial_stations"
    title = "Stations of every sort"
    cautions = ("Mind your fingers. The maker's manual comes first.",)

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return whole_form([])

    def slots(self, ctx: Context) -> Sequence[Slot]:
        return [
            Slot("done", "Nut slack", "Ready", {}, "count", "confirm", "confirm", "Back the nut right off."),
            Slot(
                key="feel",
                label="Feel",
                group="Feel",
                axes={},
                quantity="count",
                nature="confirm",
                accepts="choice",
                posture="Turn it by hand.",
                options=(("free", "free"), ("rough", "rough at one place")),
            ),
            Slot(
                "gap",
                "Gap",
                "Gap",
                {},
                "length",
                "size",
                "between",
                "Largest that goes, smallest that does not.",
            ),
            Slot("spin", "Spin-down", "Spin", {}, "time", "time", "time", "The same flick each time."),
            Slot(
                "paint",
                "Contact, drive side",
                "Contact",
                {"flank": "drive"},
                "count",
                "paint",
                "paint",
                "Paint it.",
            ),
        ]

    def evaluate(self, ctx: Context) -> Outcome:
        read = {e.slot: e.raw for e in ctx.now()}
        words = "; ".join(f"{key} {type(raw).__name__.lower()}" for key, raw in read.items())
        return Outcome(instruct=f"Read so far: {words or 'nothing'}.", scenes=every_small_scene())


def every_small_scene() -> tuple[Scene, ...]:
    """One of each drawing that a kind may bring along."""
    return (
        Circle("Runout", "mm", 0.05, (Ray(45.0, 0.03, "0.030"), Ray(200.0, 0.05, "0.050")), "mark"),
        Ladder("Lock positions", (Rung(2.1, "2.1° = 0.012", "free"), Rung(39.2, "39.2° = 0.218", "wanted"),
                                  Rung(50.0, "50.0° barred", "barred"), Rung(44.0, "44.0° now", "now"))),
        Steps("Sequence", (Step("Jack", "done"), Step("Ram", "live", "gently"), Step("Nut", "blocked"), Step("Read", "stopped"))),
        Table("Washers on the shelf", ("mm", "there"), (("2.00", "3"), ("2.10", "1")), (1,)),
        Bolts("Order of the bolts", (BoltDisc(1, 0.0, -1.0, 0.2), BoltDisc(2, 0.87, 0.5, 0.2), BoltDisc(3, -0.87, 0.5, 0.2)),
              1.2, 1.2, ("65 N·m", "218 N·m")),
        Dial("Gauge of this ram", "MPa", 0.0, 80.0, (-135.0, 135.0), (Tick(0.0, "0"), Tick(40.0, "40"), Tick(80.0, "80")), "kN",
             (Tick(20.0, "100"),), Band(45.0, 55.0, "49.9"), Band(63.0, 80.0, "63"), 50.0),
        Flank("Drive side", "drive", (Patch("painted", ((0.4, 0.5), (0.5, 0.5)), (0.45, 0.5)),)),
        Gears("Timing", 200.0, 100.0, (GearDrawn("Input gear", ((60, 10), (90, 50), (60, 90), (20, 50)), 8.0, (55, 50), (55, 50),
                                                 (((60, 10), (66, 18), (54, 18)),)),)),
        HoleRing("Cover holes", (Rung(0.0, "0° = 0.10", "now", tag="0"), Rung(120.0, "120° = 0.02", "wanted", tag="1"),
                                 Rung(240.0, "240° = 0.30", "free", tag="2")), 30.0, "mesh"),
        Life("End play", "mm", 0.0, 0.4, (Tick(0.0, "0.00"), Tick(0.2, "0.20")),
             (LifeVisit(0.0, "Apr 2008", "first here", None, Tick(0.09, "0.090")),
              LifeVisit(0.5, "Sep 2013", "Jun", Tick(0.235, "0.235"), Tick(0.085, "0.085"), "0.027 a year")),
             Band(0.06, 0.12, "0.06–0.12"), Tick(0.25, "0.25"), "", LifeFan(0.8, 0.9, 1.0, "March 2031", "to 2033")),
    )  # fmt: skip
