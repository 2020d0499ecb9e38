"""A stored setting that cannot be judged any more: it says so, and takes nothing else down with it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.settings.kind import Calculation, Field, Outcome, Setting, Slot
from bornek.core.settings.records import Context

STANDARD_CAUTIONS = ("The maker's manual, the shop's rules and local codes come first.",)


class UnreadSetting(Setting):
    """Stands in for a kind that is gone or asks for more than was given. `trouble` is what to say; its form
    stays that of the kind, so that what is asked can be answered."""

    def __init__(self, kind_id: str, version: int, trouble: str, kind: Calculation | None = None) -> None:
        self.id, self.version, self.trouble = kind_id, version, trouble  # type: ignore[misc]
        self.title = kind.title if kind else kind_id.replace("_", " ")  # type: ignore[misc]
        self.cautions = kind.cautions if kind else STANDARD_CAUTIONS  # type: ignore[misc]
        self.stage = getattr(kind, "stage", "set")  # type: ignore[misc]
        self._kind = kind

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return self._kind.form(given) if self._kind else ()

    def slots(self, ctx: Context) -> Sequence[Slot]:
        return ()

    def evaluate(self, ctx: Context) -> Outcome:
        return Outcome(instruct=self.trouble, sign_blockers=(self.trouble,))
