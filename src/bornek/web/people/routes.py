"""Signing in and out, one's own secrets, and for the owner: people, devices, what was done."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from flask import Response, current_app, jsonify
from flask_limiter import Limiter
from flask_limiter.util import get_remote_address
from flask_smorest import Blueprint

from bornek.core.errors import NotAllowed
from bornek.services.people.accounts import change_account, make_account, make_owner, set_own
from bornek.services.people.accounts import end_device as end_it
from bornek.services.people.deeds import DeedView, tried_as, view_deeds, write_deed
from bornek.services.people.sign_in import Signed, by_passphrase, by_pin, confirm, sign_out, still_here
from bornek.services.people.view import MeView, PeopleView, view_me, view_people
from bornek.services.people.who import LONGEST, Who, who_is
from bornek.web.documents import shows, writes
from bornek.web.identity import COOKIE, DEVICE, DEVICE_KEPT_S, at_home, cookie, drop, keep, trusts_here, who
from bornek.web.people.inputs import (
    AccountChangeIn,
    AccountIn,
    EnterByPinIn,
    EnterIn,
    LeaveIn,
    NothingIn,
    OwnerIn,
    OwnIn,
)
from bornek.web.wire import Wire, made

blp = Blueprint("people", __name__, url_prefix="/api", description="Who may sign in")
TRIES = "20 per minute; 120 per hour"
limiter = Limiter(get_remote_address, storage_uri="memory://", strategy="fixed-window")
"""Tries from one address, whatever the name; each account counts its own besides."""


def yard() -> Wire:
    """People are the yard's, also where it is asked at a rig."""
    found: Wire = current_app.extensions["bornek"]
    return found


def _me(found: Who | None, device_secret: str) -> Response:
    with yard().sessions.reading() as session:
        return jsonify(view_me(session, found, device_secret, trusts_here(), at_home()))


def _here() -> Who:
    found = who()
    assert found is not None
    return found


@blp.get("/me")
@shows(blp, MeView)
def me() -> Response:
    return _me(who(), cookie(DEVICE))


@blp.post("/me/here")
@writes(blp, NothingIn, MeView)
def here(sent: dict[str, Any]) -> Response:
    """Somebody is there: the sign-in goes on."""
    found = _here()
    with yard().sessions.writing() as session:
        still_here(session, found, yard().clock())
    return made(_me(found, cookie(DEVICE)))


@blp.post("/owner")
@writes(blp, OwnerIn, MeView)
@limiter.limit(TRIES)
def first(sent: dict[str, Any]) -> Response:
    """The first account of a new yard: at its own machine alone."""
    if not at_home():
        raise NotAllowed(
            "The yard's owner is made at its own machine.",
            next_step="Open it there, or run: bornek person --help.",
        )
    now = yard().clock()
    with yard().sessions.writing() as session:
        make_owner(session, sent, now)
        signed = by_passphrase(session, {**sent, "device": ""}, now)
        write_deed(session, None, "people.first", f"{sent['name'].strip()} owns this yard", now)
    return _signed_in(signed)


@blp.post("/sign-ins")
@writes(blp, EnterIn, MeView)
@limiter.limit(TRIES)
def enter(sent: dict[str, Any]) -> Response:
    now = yard().clock()
    with yard().sessions.writing() as session:
        signed = by_passphrase(session, sent, now)
        _enter_deed(session, "people.enter", sent["name"], signed, now)
    return _signed_in(signed)


@blp.post("/sign-ins/pin")
@writes(blp, EnterByPinIn, MeView)
@limiter.limit(TRIES)
def enter_by_pin(sent: dict[str, Any]) -> Response:
    now = yard().clock()
    with yard().sessions.writing() as session:
        signed = by_pin(session, sent, cookie(DEVICE), now)
        _enter_deed(session, "people.enter_by_pin", sent["mechanic"], signed, now)
    return _signed_in(signed)


@blp.post("/sign-outs")
@writes(blp, LeaveIn, MeView)
def leave(sent: dict[str, Any]) -> Response:
    found, now = who(), yard().clock()
    if found is not None and found.secret:
        with yard().sessions.writing() as session:
            sign_out(session, found, sent["everywhere"], now)
            write_deed(session, found, "people.leave", "everywhere" if sent["everywhere"] else "", now)
    response = made(_me(None, cookie(DEVICE)))
    drop(response, COOKIE)
    return response


@blp.post("/me/secrets")
@writes(blp, OwnIn, MeView)
@limiter.limit(TRIES)
def own(sent: dict[str, Any]) -> Response:
    """A passphrase or a PIN of one's own."""
    found, now = _here(), yard().clock()
    with yard().sessions.writing() as session:
        refused = confirm(session, found, sent["now"], now)
        if refused is None:
            set_own(session, found, sent, now)
            write_deed(session, found, "people.own", sent["what"], now)
    if refused is not None:
        raise refused
    return made(_me(found, cookie(DEVICE)))


@blp.get("/people")
@shows(blp, PeopleView)
def everybody() -> Response:
    with yard().sessions.reading() as session:
        return jsonify(view_people(session, yard().clock()))


@blp.post("/people")
@writes(blp, AccountIn, PeopleView)
def add(sent: dict[str, Any]) -> Response:
    yard().write(lambda desk: make_account(desk.session, sent, desk.now))
    return made(everybody())


@blp.post("/people/<mechanic>")
@writes(blp, AccountChangeIn, PeopleView)
def change(sent: dict[str, Any], mechanic: str) -> Response:
    yard().write(lambda desk: change_account(desk.session, mechanic, sent, desk.now))
    return made(everybody())


@blp.post("/devices/<device>/end")
@writes(blp, NothingIn, PeopleView)
def end_device(sent: dict[str, Any], device: str) -> Response:
    yard().write(lambda desk: end_it(desk.session, device, desk.now))
    return made(everybody())


@blp.get("/deeds")
@shows(blp, list[DeedView])
def deeds() -> Response:
    with yard().sessions.reading() as session:
        return jsonify(view_deeds(session))


def _enter_deed(session: Any, what: str, name: str, signed: Signed, now: datetime) -> None:
    """Who came in, or under which name somebody tried."""
    if signed.refused:
        write_deed(session, None, what, f"{tried_as(session, name)}: refused", now)
    else:
        write_deed(session, who_is(session, signed.secret, now), what, "", now)


def _signed_in(signed: Signed) -> Response:
    if signed.refused is not None:
        raise signed.refused
    with yard().sessions.reading() as session:
        found = who_is(session, signed.secret, yard().clock())
    response = made(_me(found, signed.device_secret or cookie(DEVICE)))
    keep(response, COOKIE, signed.secret, int(LONGEST.total_seconds()))
    if signed.device_secret:
        keep(response, DEVICE, signed.device_secret, DEVICE_KEPT_S)
    return response
