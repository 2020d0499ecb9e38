"""Who asks, and whether they may: looked at before every request."""

from __future__ import annotations

from dataclasses import dataclass
from typing import cast

from flask import Response, current_app, g, has_request_context, request
from werkzeug.exceptions import Forbidden

from bornek.core.errors import InputError, NotSignedIn
from bornek.core.people.proof import NAMED
from bornek.core.people.roles import check_right, may, read_role
from bornek.services.people.sign_in import account_named, confirm
from bornek.services.people.who import Who, trusted, who_is
from bornek.web.hosts import LOOPBACK
from bornek.web.practice.rig_address import RIG
from bornek.web.rights import OPEN, right_of

COOKIE, DEVICE = "bornek", "bornek-device"
DEVICE_KEPT_S = 400 * 24 * 3600
FORWARDED = ("X-Forwarded-For", "Forwarded", "X-Real-IP", "Via")
SAFE = ("GET", "HEAD", "OPTIONS")


@dataclass(frozen=True)
class Door:
    """`trusts`: whoever sits at the yard's own machine is taken at their word."""

    trusts: bool


def door() -> Door:
    return cast(Door, current_app.extensions["bornek.door"])


def at_home() -> bool:
    """Whether it was asked at the yard's own machine, by no proxy for somebody else."""
    return request.remote_addr in LOOPBACK and not any(request.headers.get(h) for h in FORWARDED)


def trusts_here() -> bool:
    return door().trusts and at_home()


def cookie(name: str) -> str:
    """What the browser holds under a name: behind TLS under one that no other host can set."""
    return request.cookies.get(_named(name), "")


def keep(response: Response, name: str, secret: str, seconds: int) -> None:
    response.set_cookie(
        _named(name),
        secret,
        max_age=seconds,
        httponly=True,
        samesite="Strict",
        secure=request.is_secure,
        path="/",
    )


def drop(response: Response, name: str) -> None:
    response.delete_cookie(_named(name), httponly=True, samesite="Strict", secure=request.is_secure, path="/")


def _named(name: str) -> str:
    return f"__Host-{name}" if request.is_secure else name


def who() -> Who | None:
    """Who is signed in; where the machine is trusted, who was named there."""
    found: Who | None = g.get("who") if has_request_context() else None
    return found


def actor() -> str:
    """Whose name stands at what is written. At a rig there is nobody but the learner."""
    if request.environ.get(RIG):
        return request.headers.get("X-Mechanic", "")
    found = who()
    return found.mechanic if found else ""


def identify() -> None:
    """Raises NotSignedIn, NotAllowed, or Forbidden for what another page sent."""
    yard = current_app.extensions["bornek"]
    with yard.sessions.reading() as session:
        g.who = who_is(session, cookie(COOKIE), yard.clock())
        if g.who is None and trusts_here():
            g.who = trusted(session, request.headers.get("X-Mechanic", ""))
    if request.url_rule is None:
        return
    right = right_of(request.url_rule.endpoint)
    if right == OPEN:
        return
    found = who()
    if found is None:
        raise NotSignedIn("Nobody is signed in here.", next_step="Sign in; what you typed is kept.")
    if found.token and request.method not in SAFE and request.headers.get("X-Token") != found.token:
        raise Forbidden("This request came from another page.")
    check_right(found.role, right)


def confirmed(secret: str, mechanic: str = "") -> str:
    """How far it is proved who signs: authenticated where the PIN or passphrase fits, named where the machine is
    trusted. What did not fit is counted, then raised."""
    found = who()
    if found is None or found.how == NAMED or request.environ.get(RIG):
        return NAMED
    yard = current_app.extensions["bornek"]
    with yard.sessions.writing() as session:
        refused = confirm(session, found, secret, yard.clock(), mechanic)
    if refused is not None:
        raise refused
    return found.how


def second_confirmed(name: str, secret: str) -> str:
    """The same of a second person: another account, of a lead, who says their own PIN or passphrase."""
    found = who()
    if not name or found is None or found.how == NAMED or request.environ.get(RIG):
        return NAMED
    with current_app.extensions["bornek"].sessions.reading() as session:
        account = account_named(session, name)
        key = account.mechanic_id if account and may(read_role(account.role), "lead") else ""
    if not key or key == found.mechanic:
        raise InputError(
            f"{name[:80]} has no other account here that may be a second person.",
            field="second",
            next_step="The second person is a lead or the owner, with an account of their own.",
        )
    return confirmed(secret, key)
