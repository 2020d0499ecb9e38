"""What may be written down, field by field, with bounds."""

from __future__ import annotations

from marshmallow import Schema, fields, validate

from bornek.web.fields import an_id, some_words


class FactIn(Schema):
    """Something written down: its kind and body; a correction names what it supersedes."""

    id = an_id()
    kind = fields.String(required=True, validate=validate.Length(1, 40))
    body = fields.Dict(keys=fields.String(), values=fields.Raw(), load_default=dict)
    supersedes = fields.String(validate=validate.Length(max=60))
    void = fields.Boolean()
    let_go = fields.List(fields.String(validate=validate.Length(max=100)), load_default=list)
    let_go_words = some_words()
