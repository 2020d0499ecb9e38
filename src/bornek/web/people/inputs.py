"""What may be sent about people, field by field, with bounds."""

from __future__ import annotations

from marshmallow import Schema, fields, validate

from bornek.core.people.roles import ROLES
from bornek.web.fields import a_secret


def a_name(required: bool = True) -> fields.String:
    return fields.String(required=required, validate=validate.Length(1, 80))


class OwnerIn(Schema):
    name = a_name()
    passphrase = a_secret(required=True)


class EnterIn(Schema):
    """`device`: what the device is called, to be enrolled for PINs; empty: it is not."""

    name = a_name()
    passphrase = a_secret(required=True)
    device = fields.String(load_default="", validate=validate.Length(max=80))


class EnterByPinIn(Schema):
    mechanic = fields.String(required=True, validate=validate.Length(1, 64))
    pin = a_secret(required=True)


class LeaveIn(Schema):
    everywhere = fields.Boolean(load_default=False)


class AccountIn(Schema):
    """`mechanic`: the id of somebody who works here already."""

    name = a_name()
    role = fields.String(required=True, validate=validate.OneOf(list(ROLES)))
    passphrase = a_secret(required=True)
    mechanic = fields.String(load_default="", validate=validate.Length(max=64))


class AccountChangeIn(Schema):
    """What is left out stays as it is."""

    role = fields.String(validate=validate.OneOf(list(ROLES)))
    passphrase = a_secret()
    ended = fields.Boolean()


class OwnIn(Schema):
    """A passphrase or PIN of one's own; `now` is the passphrase as it is."""

    what = fields.String(required=True, validate=validate.OneOf(["passphrase", "pin"]))
    now = a_secret(required=True)
    new = a_secret(required=True)


class NothingIn(Schema):
    """Nothing is said with it."""
