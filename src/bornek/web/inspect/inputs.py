"""What may be sent in the inspection, field by field, with bounds."""

from __future__ import annotations

from marshmallow import Schema, fields, validate

from bornek.web.fields import an_id, some_words


class FitIn(Schema):
    """A fit to be measured on a part of this job: its kind of setting and what that kind is given."""

    id = an_id()
    part = fields.String(required=True, validate=validate.Length(1, 60))
    kind = fields.String(required=True, validate=validate.Length(1, 60))
    label = some_words(80)
    given = fields.Dict(keys=fields.String(), values=fields.Raw(), required=True)
