"""A rig that is a job: a unit of the yard's own patterns, worked at the page of one of its stages."""

from __future__ import annotations

from abc import abstractmethod
from typing import Any

from bornek.core.practice.rigs.rig import Rig


class JobRig(Rig):
    """What it costs is counted in teardowns too: an hour each, a tenth for each look and each step that is moved."""

    @abstractmethod
    def definition(self) -> dict[str, Any]:
        """The unit, as the page's own form takes it."""

    @abstractmethod
    def complaint(self) -> str:
        """What its owner says of it."""

    @abstractmethod
    def best(self) -> float:
        """Teardowns that the one needs who knows the truth."""

    @abstractmethod
    def advice(self) -> list[str]:
        """What the advice would have done, one thing after another."""
