"""Wrong passphrases and PINs are counted for each account: after a few one waits, longer each time."""

from __future__ import annotations

from datetime import datetime, timedelta

from bornek.core.errors import TooManyTries, WrongSecret
from bornek.services.people.hashes import fits
from bornek.store import tables as t

FREE_TRIES = 4
FIRST_WAIT, LONGEST_WAIT = timedelta(seconds=30), timedelta(hours=1)
WRONG = "The name, or what goes with it, is wrong."


def wait_after(wrong: int) -> timedelta:
    """How long nobody signs in after so many wrong tries in a row: doubled with each.

    >>> wait_after(4), wait_after(5), wait_after(6), wait_after(40)
    (datetime.timedelta(0), datetime.timedelta(seconds=30), datetime.timedelta(seconds=60), datetime.timedelta(seconds=3600))
    """
    over = min(wrong - FREE_TRIES, 20)
    return timedelta(0) if over < 1 else min(FIRST_WAIT * 2 ** (over - 1), LONGEST_WAIT)


def check_wait(account: t.Account | None, now: datetime) -> None:
    """Raises TooManyTries while the account waits."""
    if account is None or account.locked_until is None or account.locked_until <= now:
        return
    seconds = int((account.locked_until - now).total_seconds()) + 1
    shown = f"{seconds} seconds" if seconds < 100 else f"{round(seconds / 60)} minutes"
    raise TooManyTries(
        f"Too many wrong tries: wait {shown}.",
        next_step="Somebody at the yard's own machine can set it anew: bornek person --help.",
        details={"seconds": seconds},
    )


def try_secret(account: t.Account | None, kept: str | None, chosen: str, now: datetime) -> bool:
    """Whether it fits; counted. The caller stores what was counted either way, then says it."""
    check_wait(account, now)
    right = fits(kept if account is not None and account.ended_at is None else None, chosen)
    if account is not None:
        account.wrong = 0 if right else account.wrong + 1
        account.locked_until = None if right else now + wait_after(account.wrong)
    return right


def wrong(what: str = WRONG, field: str = "passphrase") -> WrongSecret:
    return WrongSecret(what, field=field, next_step="Type it again; after a few wrong ones you have to wait.")
