"""The demo yard's winch, and facts as somebody wrote them down of its parts."""

from __future__ import annotations

from typing import Any

from bornek.core.facts.kind import Fact
from bornek.core.units.definition import read_definition
from bornek.demo.yard import TYPES

WINCH = read_definition(next(d for key, _, d in TYPES if key == "ramp-winch"))


def fact(kind: str, body: Any, seq: int = 0) -> Fact:
    return Fact(
        id=f"f{seq}-{kind}",
        fact_kind=kind,
        subject=getattr(body, "part", ""),
        body=body,
        by="Jun",
        at="",
        seq=seq,
    )
