"""The stages of a job in the order in which it is done: the one list that all others follow."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True)
class Stage:
    """`path`: what follows the job's own address; `built`: it has a page."""

    key: str
    label: str
    path: str
    built: bool = True


STAGES = (
    Stage("receive", "Receive", "/receive"),
    Stage("strip", "Strip", "/strip"),
    Stage("inspect", "Inspect", "/inspect"),
    Stage("plan", "Plan", "/plan"),
    Stage("fit", "Fit", "/fit"),
    Stage("set", "Set", ""),
    Stage("mesh", "Mesh", "/mesh"),
    Stage("prove", "Prove", "/prove"),
    Stage("record", "Record", "/record"),
)


def stage_path(key: str) -> str:
    """What follows a job's address for a stage; the job itself for one that is not in the list.

    >>> stage_path("strip"), stage_path("job")
    ('/strip', '')
    """
    return next((s.path for s in STAGES if s.key == key), "")
