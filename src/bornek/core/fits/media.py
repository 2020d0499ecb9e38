"""What heats and chills, and how hot or cold a part may get."""

from __future__ import annotations

import csv
from dataclasses import dataclass
from functools import cache
from importlib import resources

import bornek.core.tables as tables

HOT_LIMITS = {
    "bearing": ("bearing heating maximum, usual", "a bearing"),
    "sealed_bearing": ("bearing greased and sealed/shielded", "a sealed or greased bearing"),
    "gear_tempered": ("gear through-hardened (quenched and tempered)", "a through-hardened gear"),
    "gear_case": ("gear case-hardened, tempered 150-200 C", "a case-hardened gear"),
    "gear_induction": ("gear induction/flame hardened", "an induction or flame hardened gear"),
    "gear_nitrided": ("gear nitrided", "a nitrided gear"),
    "plain": ("coupling hub, medium carbon steel not hardened", "plain steel, not hardened"),
    "bronze": ("bronze worm wheel rim", "a bronze rim or bush"),
    "seal_nbr": ("elastomer seals NBR", "with a seal of NBR in it"),
    "seal_fkm": ("elastomer seals FKM", "with a seal of FKM in it"),
}
COLDEST_RING = "bearing ring cooling minimum, usual"
HEATERS = {
    "none": ("", "nothing"),
    "water": ("boiling water", "boiling water"),
    "oil": ("oil bath", "an oil bath"),
    "oven": ("oven", "an oven"),
    "induction": ("induction heater, bearing", "an induction heater"),
}
COOLERS = {
    "none": ("", "nothing"),
    "freezer": ("domestic/industrial freezer", "a freezer"),
    "dry_ice": ("dry ice (solid CO2; sublimes at 1 atm)", "dry ice"),
    "nitrogen": ("liquid nitrogen (boils at 1 atm)", "liquid nitrogen"),
}
LATENT_J_PER_KG = {"dry_ice": 571e3, "nitrogen": 199e3}
"""Heat that a kilogram takes up as it turns to gas."""


@dataclass(frozen=True)
class Medium:
    """A row: usual temperature and its range [°C]."""

    name: str
    usual_c: float
    low_c: float
    high_c: float
    confidence: str

    @property
    def row(self) -> str:
        return f"table thermal_media, {self.name}, confidence {self.confidence}"


@cache
def media() -> dict[str, Medium]:
    """
    >>> media()["oil bath"].high_c
    120.0
    """
    text = resources.files(tables).joinpath("thermal_media.csv").read_text(encoding="utf-8")
    rows = (
        Medium(
            r["medium_or_limit"],
            float(r["temperature_C"]),
            float(r["low_C"]),
            float(r["high_C"]),
            r["confidence"],
        )
        for r in csv.DictReader(text.splitlines())
    )
    return {m.name: m for m in rows}


def hot_limit(part: str) -> Medium:
    """What a part of that sort may be heated to: `usual_c` is the limit gone by.

    >>> hot_limit("bearing").usual_c, hot_limit("gear_case").usual_c
    (110.0, 150.0)
    """
    return media()[HOT_LIMITS[part][0]]


def cooler(key: str) -> Medium | None:
    return media().get(COOLERS[key][0])


def heater(key: str) -> Medium | None:
    return media().get(HEATERS[key][0])


def choices(of: dict[str, tuple[str, str]]) -> tuple[tuple[str, str], ...]:
    return tuple((key, words) for key, (_, words) in of.items())
