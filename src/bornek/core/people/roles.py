"""Roles and what each may do: the one table."""

from __future__ import annotations

from typing import Literal, get_args

from bornek.core.errors import InputError, NotAllowed

Role = Literal["apprentice", "mechanic", "lead", "owner"]
Right = Literal["read", "take", "work", "lead", "own"]
"""read: look at everything. take: readings and photos. work: moves, verdicts, signatures, what is written down of a job.
lead: releases, is a second person, closes, opens again, edits unit types, tables and gauges. own: people, devices, the yard, its archive."""
ROLES: tuple[Role, ...] = get_args(Role)
RIGHTS: dict[Role, frozenset[Right]] = {
    "apprentice": frozenset({"read", "take"}),
    "mechanic": frozenset({"read", "take", "work"}),
    "lead": frozenset({"read", "take", "work", "lead"}),
    "owner": frozenset({"read", "take", "work", "lead", "own"}),
}
RIGHT_WORDS: dict[Right, str] = {
    "read": "look at the yard",
    "take": "take readings",
    "work": "move, judge and sign",
    "lead": "release, be a second person, close, and change types and tables",
    "own": "look after people, devices and the yard itself",
}
WHO_MAY: dict[Right, str] = {
    "read": "Whoever has an account",
    "take": "An apprentice, a mechanic, a lead or the owner",
    "work": "A mechanic, a lead or the owner",
    "lead": "A lead or the owner",
    "own": "The owner",
}


def may(role: Role, right: Right) -> bool:
    """
    >>> may("apprentice", "take"), may("apprentice", "work"), may("lead", "own")
    (True, False, False)
    """
    return right in RIGHTS[role]


def check_right(role: Role, right: Right) -> None:
    """Raises NotAllowed, naming who may, where a role has no such right."""
    if not may(role, right):
        raise NotAllowed(
            f"{WHO_MAY[right]} may {RIGHT_WORDS[right]}; you are signed in as {role}.",
            next_step="Ask one of them, or have the owner change your role.",
        )


def read_role(text: str) -> Role:
    """Raises InputError for what is no role."""
    for role in ROLES:
        if role == text:
            return role
    raise InputError(f"{text[:40]!r} is no role.", field="role", next_step=f"One of: {', '.join(ROLES)}.")
