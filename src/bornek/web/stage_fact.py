"""What every stage takes that writes facts down: one kind and its body, or a correction, or a strike."""

from __future__ import annotations

from marshmallow import Schema, fields, validate

from bornek.web.fields import an_id


class StageFactIn(Schema):
    """Something written down in a stage: its kind and body; a correction names what it supersedes."""

    id = an_id()
    kind = fields.String(required=True, validate=validate.Length(1, 40))
    body = fields.Dict(keys=fields.String(), values=fields.Raw(), load_default=dict)
    supersedes = fields.String(validate=validate.Length(max=60))
    void = fields.Boolean()
