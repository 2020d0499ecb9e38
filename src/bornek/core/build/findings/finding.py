"""One finding: a sentence, how grave, which steps and parts, what to do, and the move that mends it."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from bornek.core.phrases import Say

Severity = Literal["stop", "warn", "note"]
GRAVITY: tuple[Severity, ...] = ("stop", "warn", "note")


@dataclass(frozen=True)
class Mend:
    """Put `step` after another (empty: first)."""

    step: str
    after: str


@dataclass(frozen=True)
class Finding:
    """`title` and `words` are its two short lines; `say` is the sentence, what to handle marked; `do` what to do.
    `safety`: going past it wants a second name."""

    code: str
    severity: Severity
    title: str
    words: str
    say: Say
    do: str
    steps: tuple[str, ...] = ()
    parts: tuple[str, ...] = ()
    mend: Mend | None = None
    safety: bool = False

    @property
    def key(self) -> str:
        """What tells it from the others."""
        return ":".join((self.code, *self.steps, *self.parts))

    @property
    def bars(self) -> tuple[str, ...]:
        """The steps that may not be worked past it without a reason: what shuts out, not what is shut out."""
        if self.severity != "stop":
            return ()
        return self.steps[:1] if self.code == "shut_out" else self.steps
