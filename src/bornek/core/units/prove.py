"""What a unit type asks for before it is closed up, in its first hours of running, and after them."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

Lock = Literal["", "fold", "stake", "wire", "tab", "pin", "ring", "compound"]
LOCK_WORDS: dict[str, str] = {
    "fold": "washer folded over",
    "stake": "nut staked",
    "wire": "wired, pulling tight",
    "tab": "tab bent up",
    "pin": "split pin through and bent",
    "ring": "snap ring seated all round",
    "compound": "thread locking compound",
}
"""How a thread or a ring is kept from working loose."""
Again = Literal["", "closing", "cold", "hot"]
AGAIN_WORDS: dict[str, str] = {
    "closing": "check the torque again before it is closed",
    "cold": "check the torque again after run-in, cold",
    "hot": "check the torque again after run-in, while it is hot",
}
"""When a torque is to be checked once more. Cold unless the maker says hot."""


@dataclass(frozen=True)
class Lubricant:
    """`what`: its type. `amount` and `level` as they are spoken. `change_hours`: after so much running it is changed, 0
    where nobody asks for it."""

    key: str
    label: str
    what: str
    amount: str = ""
    level: str = ""
    change_hours: float = 0


@dataclass(frozen=True)
class OwnPoint:
    """A point that this type wants looked at. `when`: before it is closed, while it runs, or after run-in. `must`: it is
    not released without; what comes after run-in is done or put off before the job is closed anyhow. `photo`: it is shown in one. `due_days`: what comes after run-in is due so long after release."""

    key: str
    label: str
    words: str = ""
    when: Literal["closed", "running", "after"] = "closed"
    must: bool = False
    photo: bool = False
    due_days: float = 0


@dataclass(frozen=True)
class RunStage:
    """`words`: speed or load. `limit`: the greatest temperature of a bearing, as spoken, with its `source`."""

    key: str
    label: str
    words: str
    minutes: float
    limit: str
    source: str
