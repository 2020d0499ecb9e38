"""Every error that the core raises on purpose.

BornekError
├── InputError          something entered cannot be used as it stands
│   ├── UnitError       a unit that is unknown or does not belong to the quantity
│   └── RangeError      a number outside the range in which a rule holds
├── UnknownKind         no kind of setting goes by that name
├── NotFound            nothing is stored under that id
├── StaleVersion        somebody else wrote in between
├── JobClosed           the job is closed and takes nothing
├── KeyReused           one idempotency key, two different bodies
├── NotSignedIn         nobody is signed in, or the sign-in has ended
├── WrongSecret         a name, passphrase or PIN that does not fit
├── TooManyTries        too many wrong ones: wait
├── NotAllowed          somebody else in the yard may do this
├── StorageFull         there is no room left to write
├── StorageBusy         another program holds the file
└── NotSolved           the question is legal but no rule answers it yet
"""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any


class BornekError(Exception):
    """Carries what went wrong in a form that the API, the page and the command line share."""

    code = "error"

    def __init__(
        self,
        message: str,
        *,
        field: str | None = None,
        next_step: str = "Check the entry and send it again.",
        details: Mapping[str, Any] | None = None,
    ) -> None:
        super().__init__(message)
        self.message = message
        self.field = field
        self.next_step = next_step
        self.details = dict(details or {})

    def problem(self) -> dict[str, Any]:
        """The one shape in which an error leaves Bornek.

        >>> InputError("Nothing was typed.", field="text").problem()["code"]
        'input'
        """
        return {
            "code": self.code,
            "field": self.field,
            "message": self.message,
            "next_step": self.next_step,
            "details": self.details,
        }


class InputError(BornekError):
    code = "input"


class UnitError(InputError):
    code = "unit"


class RangeError(InputError):
    code = "range"


class UnknownKind(BornekError):
    code = "unknown_kind"


class NotFound(BornekError):
    code = "not_found"


class StaleVersion(BornekError):
    code = "stale"


class JobClosed(BornekError):
    code = "closed"


class KeyReused(BornekError):
    code = "key_reused"


class NotSignedIn(BornekError):
    code = "signed_out"


class WrongSecret(BornekError):
    code = "wrong_secret"


class TooManyTries(BornekError):
    code = "too_many_tries"


class NotAllowed(BornekError):
    code = "not_allowed"


class StorageFull(BornekError):
    code = "full"


class StorageBusy(BornekError):
    code = "busy"


class NotSolved(BornekError):
    code = "not_solved"
