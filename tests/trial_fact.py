"""A throwaway fact in one file: nothing else needs to know it."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from dataclasses import dataclass
from typing import Any

from bornek.core.errors import InputError
from bornek.core.facts.about import About
from bornek.core.facts.kind import FactKind
from bornek.core.facts.registry import forget_fact, register_fact
from bornek.core.settings.kind import Field
from bornek.core.units.definition import Definition


@dataclass(frozen=True)
class OilSample:
    """A bottle of the old oil, kept for the laboratory."""

    bottle: str
    colour: str
    part: str = ""
    remark: str = ""


class TrialOilSample(FactKind):
    key = "trial_oil_sample"
    stage = "strip"
    body = OilSample
    must_say = ("bottle", "colour")
    title = "Oil sample"

    def form(self, d: Definition) -> Sequence[Field]:
        return (
            Field("bottle", "Bottle", "text"),
            Field(
                "colour",
                "Colour",
                "choice",
                options=(("clear", "clear"), ("milky", "milky"), ("black", "black")),
            ),
            Field(
                "part", "Drawn at", "choice", required=False, options=tuple((p.key, p.label) for p in d.parts)
            ),
            Field("remark", "Remark", "text", required=False),
        )

    def check(self, body: Any, about: About) -> None:
        if body.colour not in ("clear", "milky", "black"):
            raise InputError("The oil is clear, milky or black.", field="colour")

    def words(self, body: Any) -> str:
        return "; ".join(w for w in (f"bottle {body.bottle}", body.colour, body.remark) if w)


@contextmanager
def trial_fact() -> Iterator[str]:
    """Registers the fact and forgets it after."""
    register_fact(TrialOilSample)
    try:
        yield TrialOilSample.key
    finally:
        forget_fact(TrialOilSample.key)
