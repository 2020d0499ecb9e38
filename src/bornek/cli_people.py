"""People at the yard's own machine: the first owner, a passphrase set anew, an account ended."""

from __future__ import annotations

import argparse
import getpass
import sys
from datetime import UTC, datetime

from sqlalchemy.orm import Session

from bornek.core.errors import InputError
from bornek.core.people.roles import ROLES
from bornek.services.people.accounts import change_account, make_account
from bornek.services.people.deeds import write_deed
from bornek.services.people.sign_in import account_named
from bornek.services.people.who import has_owner
from bornek.store.yard_file import open_yard


def add_arguments(parser: argparse.ArgumentParser) -> None:
    parser.add_argument("name", help="the name as it is on the records")
    parser.add_argument(
        "--role", choices=ROLES, help="what the account may do (the first of a yard is its owner)"
    )
    parser.add_argument("--end", action="store_true", help="nobody signs in under this name any more")


def run(args: argparse.Namespace) -> None:
    """The passphrase is asked for, or read from standard input; it is never an argument, which others could see."""
    database, now = open_yard(args.data), datetime.now(UTC)
    passphrase = "" if args.end else _ask()
    with database.writing() as session:
        said = _change(session, args, passphrase, now)
        write_deed(session, None, "person at the machine", f"{args.name}: {said}", now)
    database.close()
    print(f"{args.name}: {said}")


def _change(session: Session, args: argparse.Namespace, passphrase: str, now: datetime) -> str:
    account = account_named(session, args.name)
    if account is None and args.end:
        raise InputError(f"{args.name} has no account.", field="name", next_step="Nothing was changed.")
    if account is None:
        role = args.role or ("mechanic" if has_owner(session) else "owner")
        make_account(session, {"name": args.name, "role": role, "passphrase": passphrase}, now)
        return f"has an account as {role}"
    if args.end:
        change_account(session, account.mechanic_id, {"ended": True}, now)
        return "has no account any more"
    sent = {"passphrase": passphrase, **({"role": args.role} if args.role else {})}
    change_account(session, account.mechanic_id, sent, now)
    return f"has a new passphrase, as {account.role}; everywhere else it is signed out"


def _ask() -> str:
    if not sys.stdin.isatty():
        return sys.stdin.readline().rstrip("\n")
    first = getpass.getpass("Passphrase: ")
    if first != getpass.getpass("Once more: "):
        raise InputError("The two are not the same.", field="passphrase", next_step="Nothing was changed.")
    return first
