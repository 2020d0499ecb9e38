"""Fields that many bodies share: an id, words, the version that was seen."""

from __future__ import annotations

from typing import Any

from marshmallow import fields, validate

ID = validate.Regexp(
    r"^[A-Za-z0-9][A-Za-z0-9._\-]{0,59}$", error="an id is 1 to 60 letters, digits, dots or dashes"
)


def an_id(**more: Any) -> fields.String:
    return fields.String(required=True, validate=ID, **more)


def some_words(most: int = 500) -> fields.String:
    return fields.String(load_default="", validate=validate.Length(max=most))


def seen_version(required: bool = True) -> fields.Integer:
    return fields.Integer(
        required=required,
        strict=True,
        validate=validate.Range(0, 10**9),
        metadata={"description": "the setting's version that you saw"},
    )
