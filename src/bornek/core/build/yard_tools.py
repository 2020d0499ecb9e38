"""The yard's tools: what is asked of each sort, and whether one can be used."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field

from bornek.core.errors import BornekError, InputError
from bornek.core.parts.days import check_day, is_late
from bornek.core.quantities import parse
from bornek.core.settings.kind import Field

RESOURCES = ("press", "crane", "oven", "freezer", "ram")
"""Sorts that a step takes for itself."""
SORTS: dict[str, str] = {
    "press": "press",
    "crane": "crane",
    "oven": "oven or bath",
    "freezer": "freezer",
    "ram": "ram with its pump",
    "torque_wrench": "torque wrench",
    "puller": "puller",
    "other": "other tool",
}
MOST = 99


@dataclass(frozen=True)
class ToolCard:
    """One row: how many of it, whether out of order and why, and what is asked of its sort, as typed."""

    sort: str
    name: str
    count: int = 1
    out_of_order: bool = False
    words: str = ""
    details: Mapping[str, str] = field(default_factory=dict)

    def usable(self, today: str) -> bool:
        """In order, and not past its due day.

        >>> ToolCard("torque_wrench", "Wrench 2", details={"due": "2026-06-30"}).usable("2026-11-26")
        False
        """
        return not self.out_of_order and self.count > 0 and not is_late(self.details.get("due", ""), today)

    def reach(self) -> tuple[float, float]:
        """From what torque to what a wrench goes [N·m]; 0 to 0 where it was not said.

        >>> ToolCard("torque_wrench", "Wrench 2", details={"least": "20", "greatest": "120 N·m"}).reach()
        (20.0, 120.0)
        """
        if not self.details.get("greatest"):
            return 0.0, 0.0
        least, greatest = (
            parse(self.details.get(key) or "0", "torque", "N·m").value for key in ("least", "greatest")
        )
        return float(least), float(greatest)

    def why_not(self, today: str) -> str:
        """Why it cannot be used; empty if it can."""
        if self.out_of_order:
            return self.words or "out of order"
        return f"due since {self.details['due']}" if not self.usable(today) and self.count else ""


def tool_fields(sort: str) -> tuple[Field, ...]:
    """What is asked of a sort of tool.

    >>> [f.key for f in tool_fields("ram")]
    ['area', 'rated_pressure', 'scale']
    """
    own = {
        "press": (Field("rated_force", "Rated force", "force", required=False),),
        "crane": (Field("rated_load", "Rated load, kg", "text", required=False),),
        "oven": (Field("hottest", "Hottest", "temperature", required=False), Field("thermostat", "Thermostat and limit", "text", required=False)),
        "freezer": (Field("coldest", "Coldest", "temperature", required=False),),
        "ram": (
            Field("area", "Piston area, cm²", "text", required=False),
            Field("rated_pressure", "Rated pressure, bar", "text", required=False),
            Field("scale", "Gauge scale", "text", required=False),
        ),
        "torque_wrench": (
            Field("least", "Least", "torque", required=False),
            Field("greatest", "Greatest", "torque", required=False),
            Field("due", "Due day", "text", why="as 2027-03-31", required=False),
        ),
        "puller": (Field("rated_force", "Rated force", "force", required=False),),
    }  # fmt: skip
    return own.get(sort, ())


def check_tool(card: ToolCard) -> None:
    """Raises InputError naming the field that does not hold.

    >>> check_tool(ToolCard("press", "Press 1", details={"rated_force": "500 kN"}))
    """
    if card.sort not in SORTS:
        raise InputError(f"sort must be one of {', '.join(SORTS)} (got {card.sort!r}).", field="sort")
    if not card.name.strip():
        raise InputError(
            "The tool has no name.", field="name", next_step="Say what it is called in the yard."
        )
    if not 0 <= card.count <= MOST:
        raise InputError(f"count must be 0 to {MOST} (got {card.count}).", field="count")
    if card.out_of_order and not card.words.strip():
        raise InputError("Say what is wrong with it.", field="words")
    known = {f.key: f for f in tool_fields(card.sort)}
    for key, typed in card.details.items():
        if key not in known:
            raise InputError(f"A {SORTS[card.sort]} has no {key!r}.", field=key)
        if not typed:
            continue
        if key == "due":
            check_day(typed, "due")
        elif known[key].quantity != "text":
            try:
                parse(typed, known[key].quantity)
            except BornekError as error:
                raise InputError(f"{known[key].label}: {error.message}", field=key) from error
        elif key in ("area", "rated_pressure", "rated_load"):
            _positive(typed, known[key])


def _positive(typed: str, asked: Field) -> None:
    try:
        value = float(typed.replace(",", "."))
    except ValueError:
        value = 0.0
    if not 0 < value < 1e6:
        raise InputError(f"{asked.label} must be a number above 0 (got {typed!r}).", field=asked.key)
