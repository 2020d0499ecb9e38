"""What may be sent about practice, field by field, with bounds."""

from __future__ import annotations

from marshmallow import Schema, fields, validate


def a_learner() -> fields.String:
    """A code that only the learner's own browser knows."""
    return fields.String(required=True, validate=validate.Regexp(r"^[0-9a-f]{16,64}\Z"))


class BeginIn(Schema):
    sort = fields.String(required=True, validate=validate.Length(1, 40))
    number = fields.Integer(required=True, strict=True, validate=validate.Range(1, 999_999))
    learner = a_learner()
    name = fields.String(required=True, validate=validate.Length(1, 80))


class WipeIn(Schema):
    learner = a_learner()


class LookIn(Schema):
    key = fields.String(required=True, validate=validate.Length(1, 40))


class PullIn(Schema):
    """A pull of the bar that the gauge is to take."""

    slot = fields.String(required=True, validate=validate.Length(1, 80))
    pull = fields.Integer(load_default=1, strict=True, validate=validate.Range(1, 999))
    push = fields.Float(required=True, validate=validate.Range(0, 320))


class AskIn(Schema):
    """Nothing is said with it."""
