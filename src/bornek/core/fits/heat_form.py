"""What is asked of a fit that is put together hot, cold or both."""

from __future__ import annotations

from bornek.core.fits.media import COOLERS, HEATERS, HOT_LIMITS, choices
from bornek.core.fits.sums import material_field
from bornek.core.settings.kind import Field


def form_of() -> list[Field]:
    """The form of the whole sum: the pair, what heats and what chills it, and how hot or cold each may get."""
    return [
        Field("d", "Seat diameter", "length", lo=3, hi=2000),
        Field("interference", "Interference, cold", "length", lo=0, hi=3),
        Field(
            "entering",
            "Entering clearance",
            "length",
            required=False,
            lo=0.005,
            hi=3,
            why="Empty: a two-thousandth of the diameter.",
        ),
        Field("room_c", "Room and shaft", "temperature", default=20.0, lo=-20, hi=45),
        material_field("hub", "Hub is of"),
        Field("hub_is", "It is", "choice", options=choices(HOT_LIMITS), default="plain"),
        Field(
            "own_limit",
            "Its limit, where the maker gives one",
            "temperature",
            required=False,
            lo=30,
            hi=400,
            why="Then it alone holds.",
        ),
        material_field("shaft", "Shaft is of"),
        Field(
            "shaft_is",
            "What would be chilled",
            "choice",
            options=(("plain", "a shaft, pin or bush"), ("ring", "a bearing ring")),
            default="plain",
        ),
        Field("heater", "Heated in", "choice", options=choices(HEATERS), default="oven"),
        Field("cooler", "Shaft chilled in", "choice", options=choices(COOLERS), default="none"),
        Field(
            "heater_c",
            "It goes to, at most",
            "temperature",
            required=False,
            lo=30,
            hi=400,
            why="Off its card.",
        ),
        Field(
            "cooler_c",
            "It is as cold as",
            "temperature",
            required=False,
            lo=-196,
            hi=10,
            why="Read in it.",
        ),
        Field(
            "outside",
            "Hub outside",
            "length",
            required=False,
            lo=3,
            hi=3000,
            why="For soak and countdown.",
        ),
        Field(
            "length",
            "Seat length",
            "length",
            required=False,
            lo=1,
            hi=2000,
            why="For countdown and coolant.",
        ),
    ]
