"""Fields that many bodies share: an id, words, the version that was seen."""

from __future__ import annotations

from typing import Any

from marshmallow import fields, validate

from bornek.core.keys import ID as _ID
from bornek.core.keys import ID_WORDS
from bornek.core.people.secrets import MOST_PHRASE

ID = validate.Regexp(rf"{_ID.pattern}\Z", error=ID_WORDS)


def an_id(**more: Any) -> fields.String:
    return fields.String(required=True, validate=ID, **more)


def some_words(most: int = 500) -> fields.String:
    return fields.String(load_default="", validate=validate.Length(max=most))


def a_secret(required: bool = False) -> fields.String:
    """A PIN or passphrase; where it is not required (the yard's machine is trusted, or it stays as it is) empty."""
    more: dict[str, Any] = {} if required else {"load_default": ""}
    return fields.String(required=required, validate=validate.Length(max=4 * MOST_PHRASE), **more)


def seen_version(required: bool = True) -> fields.Integer:
    return fields.Integer(
        required=required,
        strict=True,
        validate=validate.Range(0, 10**9),
        metadata={"description": "the setting's version that you saw"},
    )
