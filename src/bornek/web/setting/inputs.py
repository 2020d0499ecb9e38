"""What may be sent about one setting, field by field, with bounds."""

from __future__ import annotations

from marshmallow import Schema, fields, validate

from bornek.web.fields import a_secret, an_id, seen_version, some_words


class EntryIn(Schema):
    """A reading: `text` as typed, `value` for a confirmation or a mask, or `taken` for what a gauge took."""

    id = an_id()
    slot = fields.String(required=True, validate=validate.Length(1, 80))
    text = fields.String(allow_none=True, validate=validate.Length(max=60))
    value = fields.Raw(allow_none=True)
    round = fields.Integer(strict=True, validate=validate.Range(1, 500))
    gauge = fields.String(validate=validate.Length(max=60))
    taken = fields.String(validate=validate.Length(1, 160))
    confirmed = fields.Boolean()
    void = fields.Boolean()
    supersedes = fields.String(validate=validate.Length(max=60))
    seen = seen_version(required=False)


class ActIn(Schema):
    """What was really done: `states` per adjuster, a list of shims (mm or as spoken) or a number."""

    id = an_id()
    kind = fields.String(required=True, validate=validate.OneOf(["as_found", "move", "reseat", "recount"]))
    states = fields.Dict(keys=fields.String(), values=fields.Raw(), load_default=dict)
    remark = some_words()
    seen = seen_version()


class ExplanationIn(Schema):
    id = an_id()
    cause = fields.String(
        required=True, validate=validate.OneOf(["recounted", "reread", "soft", "unexplained"])
    )
    words = some_words()
    states = fields.Dict(keys=fields.String(), values=fields.Raw(), load_default=dict)
    seen = seen_version()


class GivenIn(Schema):
    id = an_id()
    given = fields.Dict(keys=fields.String(), values=fields.Raw(), required=True)
    seen = seen_version()


class SignatureIn(Schema):
    """`pin`: one's PIN, or passphrase, again; where the machine is trusted it is not asked."""

    id = an_id()
    pin = a_secret()
    remark = some_words()
    seen = seen_version()


class ExpectIn(Schema):
    """`states` by adjuster; what is left out stays as it is."""

    states = fields.Dict(keys=fields.String(), values=fields.Raw(), required=True)
