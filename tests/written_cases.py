"""Whole settings of every kind, answered station by station as the guide asks for them."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field, replace
from typing import Any, get_args

from bornek.core.compute import compute
from bornek.core.plain import dump
from bornek.core.settings.given import read_given
from bornek.core.settings.kind import Field, Setting
from bornek.core.settings.records import Context
from bornek.core.settings.registry import find_kind
from bornek.core.windows import Code

FINE = {"id": "l", "name": "lever", "division": 0.002, "calibration_u": 0.001}
SWING = (0.0, 1.0, -1.0, 0.5)
SPOT = [[0, 0.3, 0.6, 0.3], [0.3, 1, 0.6, 0], [0, 0.3, 0.3, 0]]


@dataclass(frozen=True)
class Case:
    """One job at the bench: what was given, what each station answers in each round, what was moved."""

    kind: str
    given: Mapping[str, Any]
    answers: tuple[Mapping[str, Any], ...]
    acts: tuple[Mapping[str, Any], ...] = ()
    stock: Mapping[str, int] = field(default_factory=dict)
    unit: str = "mm"


def answer(cell: Mapping[str, Any], answers: Mapping[str, Any], nth: int) -> Any:
    """What the station reads: its own answer, its group's (with a swing of readings), or plainly yes."""
    best = max((k for k in answers if cell["slot"].startswith(k)), key=len, default=None)
    found = answers[best] if best is not None else None
    if isinstance(found, tuple):
        value, swing = found
        return round(value + SWING[nth % 4] * swing, 6)
    if found is not None:
        return found
    return {"confirm": True, "choice": (cell["options"] or [[""]])[0][0]}.get(cell["accepts"])


def played(case: Case, most: int | None = None) -> dict[str, Any]:
    """The sheet after every round was read to its end, or after so many readings."""
    data: dict[str, Any] = {
        "given": dict(case.given), "gauges": [FINE], "unit": case.unit, "stock": dict(case.stock),
        "entries": [], "acts": [],
    }  # fmt: skip
    sheet: dict[str, Any] = {}
    for number, answers in enumerate(case.answers, 1):
        data["acts"] += [{"round": number, "states": a} for a in case.acts[number - 1 : number] if a]
        taken: set[str] = set()
        while True:
            sheet = compute(case.kind, data)
            fresh = number > sheet["round"]
            ready = [
                (c, a)
                for c in sheet["cells"]
                if c["slot"] not in taken and not c["blocked"] and not c["optional"]
                if (a := answer(c, answers, len(taken) + sheet["cells"].index(c))) is not None
            ]
            if not ready or (sheet["next"] is None and not fresh):
                break
            for cell, value in ready:
                key = "text" if isinstance(value, str) and cell["accepts"] != "choice" else "value"
                data["entries"].append({"slot": cell["slot"], key: value, "round": number, "confirmed": True})
                taken.add(cell["slot"])
                if len(data["entries"]) == most:
                    return compute(case.kind, data)
    return compute(case.kind, data)


def told(name: str) -> dict[str, Any]:
    """What the mechanic is told at the end, and what is drawn from the readings."""
    sheet = played(CASES[name])
    outcome = {k: v for k, v in sheet["outcome"].items() if k not in ("scenes", "ladder")}
    return rounded({
        "cells": [[c["slot"], c["status"], c["shown"]] for c in sheet["cells"]],
        "next": sheet["next"],
        "outcome": outcome,
        "ladder": sheet["outcome"].get("ladder"),
        "drawn": [list(leaves(s)) for s in sheet["scenes"] if s["type"] not in TO_NO_SCALE],
        "say": "".join(s["text"] for s in sheet["say"]),
        "aside": sheet["aside"],
        "move": sheet["move"],
        "surprise": sheet["surprise"],
        "blockers": sheet["sign_blockers"],
        "given": sheet["given_brief"],
    })  # fmt: skip


def leaves(drawn: Any) -> Iterator[Any]:
    """All that a drawing is made of, in its order: its words, its places and what is marked there."""
    if isinstance(drawn, dict):
        drawn = list(drawn.values())
    if not isinstance(drawn, list):
        yield drawn
        return
    for part in drawn:
        yield from leaves(part)


TO_NO_SCALE = ("section",)
"""Drawings of the thing itself."""
OF_ITSELF = (
    "plain",
    "stage",
    "layout",
    "wears",
    "from_drawer",
    "fine",
    "what_if",
    "sees_witness",
    "from_unit",
    "offers",
)
"""What holds for a kind whatever is given."""


def declared(name: str) -> dict[str, Any]:
    """What the kind says of itself: its form with its bounds, stations, adjusters and response."""
    case = CASES[name]
    kind = find_kind(case.kind)
    ctx = Context(given=read_given(kind, dict(case.given), case.unit), unit=case.unit)
    hints = [
        [dump(h) for h in kind.slips(ctx, *pair)] for pair in ((0.1, 0.01), (0.05, -0.05), (0.011, 0.01))
    ]
    return rounded({
        "version": kind.version,
        "of_itself": {name: dump(getattr(kind, name)) for name in OF_ITSELF},
        "form": [as_asked(f) for f in kind.form(case.given)],
        "asks_besides": asked_besides(kind, case.given),
        "window": dump(kind.window(ctx)) if hasattr(kind, "window") else None,
        "slots": [dump(s) for s in kind.slots(ctx)],
        "slots_later": later_slots(kind, ctx),
        "knobs": [dump(k) for k in kind.knobs(ctx)],
        "response": dump(kind.response(ctx)),
        "tools": list(kind.tools(ctx)),
        "reads": sorted(kind.reads(ctx)),
        "writes": sorted(kind.writes(ctx)),
        "slips": hints,
        "tells": {code: cause for code in get_args(Code) if (cause := kind.tells(ctx, code))},
    })  # fmt: skip


def as_asked(asked: Field) -> dict[str, Any]:
    return {k: v for k, v in dump(asked).items() if v not in (None, "", [], False)}


def asked_besides(kind: Setting, given: Mapping[str, Any]) -> dict[str, Any]:
    """What any one other answer to a choice asks for, that is not asked for as it is."""
    form = kind.form(given)
    found = {
        f"{asked.key}: {answer}": [
            as_asked(f)
            for f in kind.form({**given, asked.key: answer})
            if f.key not in {already.key for already in form}
        ]
        for asked in form
        for answer, _ in asked.options
    }
    return {answer: fields for answer, fields in found.items() if fields}


def later_slots(kind: Setting, ctx: Context) -> list[Any]:
    """The stations that only a later round has."""
    first = {s.key for s in kind.slots(ctx)}
    return [dump(s) for s in kind.slots(replace(ctx, round=2)) if s.key not in first]


def rounded(value: Any) -> Any:
    if isinstance(value, float):
        return float(f"{value:.6g}")
    if isinstance(value, dict):
        return {k: rounded(v) for k, v in value.items()}
    if isinstance(value, list | tuple):
        return [rounded(v) for v in value]
    return value


SHIM = {"least": 0.06, "greatest": 0.12, "sense": "adds", "torque": 80, "source": "drawing"}
DRAWER = {"0.05": 4, "0.10": 4, "0.20": 2, "0.50": 3}
PLAIN = {"diameter": 50, "least": 0.03, "greatest": 0.09, "source": "card"}
BEVEL = {
    "least": 0.1,
    "greatest": 0.3,
    "pinion_sense": "out",
    "carrier_total": 2,
    "pinion_angle": 20,
    "source": "c",
}
WORM = {"least": "1", "greatest": "3", "teeth": 90, "lead": 7.854, "throw": 1.5, "pitch_radius": 112.5, "radius": 200,
        "small_part": "Button", "source": "card"}  # fmt: skip
WORM_READ = {"float": (0.023, 0.001), "feel": "smooth"}
SECTORS = {"greatest": 0.08, "holes": 8, "throw": 1.2, "angle": 88, "sense": "apart", "source": "card"}
SPUR = {"least": 0.1, "greatest": 0.25, "z1": 17, "z2": 71, "module": 4, "centre": 176.05, "source": "card"}
NUT = {"least": 0.18, "greatest": 0.28, "pitch": 2, "tabs": 17, "slots": 4, "source": "m"}
BENCH = {"least": -0.1, "greatest": -0.05, "half_angle": 14, "source": "card"}
CRANK = {"limit": 0.03, "gauges": "outboard", "source": "card"}

THRUST = {
    "least": 0.18,
    "greatest": 0.28,
    "pitch": 2,
    "tabs": 17,
    "slots": 4,
    "first_lock": 2.1,
    "source": "m",
}
NOSE = {
    "least": 0.001,
    "greatest": 0.006,
    "span": 210,
    "overhang": 90,
    "pitch": 1.5,
    "rim": 88,
    "source": "card",
}
DRAG = {
    "scale": "kgf", "bearings": "run_in", "new_least": 34, "new_greatest": 40, "run_in_least": 18, "run_in_greatest": 22,
    "source": "card",
}  # fmt: skip
LIFT = {"limit": 0.012, "limit_force": 300, "force_1": 150, "force_2": 300, "pitch": 1.5, "source": "card"}
SCREW = {
    "axis": "long feed",
    "taught": ["2.1 s", "2.0 s", "2.2 s"],
    "pitch": 4,
    "source": "taught by the cross axis",
}
SIDE = {"pair": "second and third", "least": 0.2, "greatest": 0.35, "source": "d"}
FLOAT = {
    "axial": 0.35, "radial": 0.18, "hours": 6000, "earlier": ["0 0.21 0.050", "2000 0.22 0.071", "4000 0.23 0.088"],
    "source": "sheet",
}  # fmt: skip

PAINTED = {f"paint.{f}": {"flank": f, "mask": SPOT} for f in ("drive", "coast")}

CASES: dict[str, Case] = {
    "shims-two-rounds": Case(
        "shim_pack_end_play", SHIM, ({"travel": (0.2, 0.004)}, {"travel": (0.09, 0.003)}),
        ({"pack": [0.5, 0.2]}, {"pack": [0.5, 0.1]}), DRAWER),
    "shims-wrong-way": Case(
        "shim_pack_end_play", SHIM, ({"travel": (0.2, 0.004)}, {"travel": (0.31, 0.003)}),
        ({"pack": [0.5, 0.2]}, {"pack": [0.5, 0.1]}), DRAWER),
    "shims-preload": Case(
        "shim_pack_end_play",
        SHIM | {"meant": "preload", "least": 0.05, "greatest": 0.1, "drag_least": 1, "drag_greatest": 2},
        ({"travel": (0.2, 0.004), "drag": (1.5, 0.1)},), ({"pack": [0.5, 0.2]},), DRAWER),
    "taper-driven": Case(
        "taper_clearance", {"bore": 60, "source": "shop chart"},
        ({"feeler.near": "0.06/0.07", "feeler.far": "0.06/0.07"}, {"feeler.near": "0.03/0.04", "feeler.far": "0.04/0.05"}),
        ({}, {"drive": 0.5})),
    "taper-tilted": Case(
        "taper_clearance", {"bore": 60, "source": "shop chart"},
        ({"feeler.near": "0.03/0.04", "feeler.far": "0.08/0.09"},)),
    "bench-preload": Case(
        "two_row_bench", BENCH, ({"A": (31.86, 0.002), "B": (31.85, 0.002), "W": (56.93, 0.002), "S": (6.75, 0.002)},)),
    "bore-reamed": Case(
        "plain_bearing", PLAIN | {"remedy": "ream"}, ({"bore": (50.02, 0.002), "journal": (50.0, 0.001)},)),
    "bore-scraped": Case(
        "plain_bearing", PLAIN | {"remedy": "scrape", "form_limit": 0.001},
        ({"bore": (50.06, 0.002), "journal": (50.0, 0.001)},)),
    "strip-crushed": Case(
        "plain_bearing", PLAIN | {"method": "strip", "remedy": "cap_shims", "torque": 40},
        ({"strip": (0.1, 0.005)},), ({"pack": [0.2, 0.1]},), DRAWER),
    "seat-fit": Case(
        "seat_size", {"what": "journal", "nominal": 80, "least": 79.98, "greatest": 80.02, "mate": 80.03, "source": "d"},
        ({"size": (80.001, 0.003)},)),
    "seat-thou": Case(
        "seat_size", {"what": "bore", "nominal": 3.15, "fit": "H7", "source": "d"}, ({"size": (3.151, 0.0002)},), unit="thou"),
    "crank-tir": Case("crank_runout", CRANK | {"convention": "tir"}, ({"L": (0.0, 0.01), "R": (0.002, 0.004)},)),
    "crank-sum": Case("crank_runout", CRANK | {"convention": "sum"}, ({"L": (0.0, 0.01), "R": (0.002, 0.004)},)),
    "seat-oval": Case(
        "seat_size", {"what": "bore", "nominal": 80, "fit": "H7", "form_limit": 0.03, "part_c": 35, "source": "d"},
        ({"size": (80.02, 0.02)},), unit="thou"),
    "nut-open": Case("spring_thrust_nut", NUT, ({"travel": (0.34, 0.001)},)),
    "nut-in": Case("spring_thrust_nut", NUT, ({"travel": (0.22, 0.001)},)),
    "bevel-open": Case("bevel_mesh", BEVEL, (PAINTED | {"lash": (0.36, 0.03)},)),
    "bevel-normal": Case(
        "bevel_mesh", BEVEL | {"meant": "normal", "indicator_radius": 88, "outer_radius": 96, "indicator_angle": 15},
        (PAINTED | {"lash": (0.36, 0.03)},)),
    "bevel-moved": Case(
        "bevel_mesh", BEVEL | {"least": 0.15, "greatest": 0.25},
        (PAINTED | {"lash": (0.4, 0.003)}, PAINTED | {"lash": (0.31, 0.003)}),
        ({"pinion": [0.5, 0.2], "carrier": {"left": [1.2], "right": [1.2]}},
         {"pinion": [0.5, 0.1], "carrier": {"left": [1.1], "right": [1.3]}}), DRAWER | {"1.20": 4, "1.10": 2, "1.30": 2}),
    "nut-driven": Case(
        "spring_thrust_nut", NUT, ({"travel": (0.5, 0.001)}, {"travel": (0.34, 0.001)}), ({}, {"nut": 60.0})),
    "shims-unsure": Case(
        "shim_pack_end_play", SHIM | {"sense": "unknown"}, ({"travel": (0.2, 0.004)}, {"travel": (0.15, 0.003)}),
        ({"pack": [0.5, 0.2]}, {"pack": [0.5, 0.1, 0.05]}), DRAWER),
    "shims-three-rounds": Case(
        "shim_pack_end_play", SHIM,
        ({"travel": (0.4, 0.004)}, {"travel": (0.27, 0.003)}, {"travel": (0.16, 0.003)}),
        ({"pack": [0.5, 0.5]}, {"pack": [0.5, 0.2, 0.2]}, {"pack": [0.5, 0.2, 0.1]}), DRAWER),
    "thrust-snug": Case("thrust_nut", THRUST, ({"lift": 0.45},)),
    "thrust-backed-off": Case(
        "thrust_nut", THRUST, ({"lift": 0.45}, {"travel": (0.219, 0.001), "again": (0.22, 0.001)}), ({}, {"nut": 39.16})),
    "nose-loose": Case("taper_spindle", NOSE, ({"play.1": (0.0135, 0.0001), "play.2": (0.0165, 0.0001)},)),
    "nose-drawn-up": Case(
        "taper_spindle", NOSE,
        ({"play.1": (0.0135, 0.0001), "play.2": (0.0165, 0.0001)}, {"play.1": (0.0088, 0.0001), "play.2": (0.0118, 0.0001)}),
        ({}, {"nut": 11.0})),
    "drag-not-loaded": Case("rolling_drag", DRAG, ({"seal": (17.65, 0.1), "drag": (17.9, 0.1), "even": "even"},)),
    "drag-crushed-past": Case(
        "rolling_drag", DRAG | {"adjuster": "crush"},
        ({"seal": (17.65, 0.1), "drag": (25.0, 0.1), "even": "even"}, {"drag": (44.0, 0.3), "even": "even"}),
        ({}, {"nut": 12.0})),
    "lift-soft": Case("lift_deflection", LIFT, ({"lift.1": (0.010, 0.0002), "lift.2": (0.0165, 0.0002)},)),
    "screw-tight": Case(
        "feel_nut", SCREW, ({"spin": (1.15, 0.05), "play": (0.004, 0.001), "lump": "even"},)),
    "screw-band": Case(
        "feel_nut", {**{k: v for k, v in SCREW.items() if k != "taught"}, "band": "given", "least": 1.8, "greatest": 2.4},
        ({"spin": (2.6, 0.1), "play": (0.004, 0.001), "lump": "even"},)),
    "screw-lump": Case("feel_nut", SCREW, ({"spin": (2.1, 0.05), "play": (0.004, 0.001), "lump": "lump"},)),
    "side-wide": Case("side_clearance", SIDE, ({"gap": "0.40/0.45"},), ({"pack": [2.5]},), {"2.40": 1, "2.60": 2, "2.70": 1}),
    "side-worn": Case("side_clearance", SIDE, ({"gap": "0.90/0.95"},), ({"pack": [2.5]},), {"2.40": 1, "2.60": 2}),
    "float-trend": Case("float_check", FLOAT, ({"axial": (0.25, 0.002), "radial": (0.111, 0.001)},)),
    "float-beyond": Case("float_check", FLOAT, ({"axial": (0.25, 0.002), "radial": (0.21, 0.001)},)),
    "shaft-one-place": Case(
        "crank_runout", {"ends": "one", "limit": 0.01, "convention": "tir", "source": "card"}, ({"L": (0.0, 0.003)},)),
    "shaft-extremes": Case(
        "crank_runout", {"ends": "one", "read": "extremes", "limit": 0.01, "convention": "tir", "source": "card"},
        ({"L.max": 0.012, "L.min": -0.003},)),
    "taper-further": Case(
        "taper_clearance", {"designation": "22218 EK", "pitch": 2, "slots": 8, "source": "shop chart"},
        ({"feeler": "0.090/0.092"}, {"feeler": "0.060/0.062", "drive": 0.46}), ({}, {"drive": 0.46})),
    "shims-no-play": Case(
        "shim_pack_end_play", SHIM, ({"travel": (0.0, 0.0)},), ({"pack": [0.5, 0.2]},), DRAWER),
    "worm-loose": Case("worm_lash", WORM, (WORM_READ | {"lash": (9.5, 0.6)},), ({"carrier": 86.0},)),
    "worm-clamped-twice": Case(
        "worm_lash", WORM,
        (WORM_READ | {"lash": (9.5, 0.6)}, {"snug": "5.0", "lash": (4.4, 0.3), "feel": "smooth"},
         {"snug": "3.9", "lash": (3.2, 0.3), "feel": "smooth"}),
        ({"carrier": 86.0}, {"carrier": 80.0}, {"carrier": 78.0})),
    "worm-crunchy": Case("worm_lash", WORM | {"limit_as": "length", "least": 0.05, "greatest": 0.2, "radius": 200},
                         (WORM_READ | {"lash": (4.0, 0.2), "feel": "crunchy"},), ({"carrier": 86.0},)),
    "sectors-loose": Case("sector_cover", SECTORS, ({"lost": (0.31, 0.005)},)),
    "sectors-bind": Case("sector_cover", SECTORS, ({"lost": (0.0, 0.0), "through": "binds", "needle": True},)),
    "sectors-turned": Case(
        "sector_cover", SECTORS | {"half": "turned over"}, ({"lost": (0.31, 0.005)}, {"lost": (0.03, 0.004), "again": (0.04, 0.004)}),
        ({}, {"cover": 315.0})),
    "sectors-no-hole": Case("sector_cover", SECTORS | {"angle": 12, "holes": 7}, ({"lost": (0.31, 0.005)},)),
    "spur-read": Case("spur_lash", SPUR, ({"lash": (0.2, 0.01)},)),
    "spur-wire": Case("spur_lash", SPUR | {"method": "wire", "meant": "normal", "adjust": "shims", "sense": "apart"},
                      ({"wire": (0.05, 0.003)},), ({"blocks": [0.5, 0.2]},), DRAWER),
}  # fmt: skip

DECLARED = tuple(n for n, c in CASES.items() if not any(
    (o.kind, o.given) == (c.kind, c.given) for o in list(CASES.values())[: list(CASES).index(n)]
))  # fmt: skip
