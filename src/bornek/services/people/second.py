"""The second person at a release or at a step that can hurt someone."""

from __future__ import annotations

from bornek.core.errors import InputError
from bornek.services.desk import Desk
from bornek.services.shop.mechanics import mechanic_names


def check_second(desk: Desk, name: str) -> None:
    """Raises InputError where the name is none of the yard's, or is that of who writes; empty passes."""
    if not name:
        return
    if name not in mechanic_names(desk.session).values():
        raise InputError(
            f"{name[:80]} is not one of the yard's names.", field="second", next_step="Choose a name."
        )
    if name == desk.mechanic().name:
        raise InputError(
            f"{name} writes it down: the second person is somebody else.",
            field="second",
            next_step="Choose another name.",
        )
