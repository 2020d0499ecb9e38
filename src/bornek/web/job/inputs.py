"""What may be sent about a job, field by field, with bounds."""

from __future__ import annotations

from marshmallow import Schema, fields, validate

from bornek.web.fields import ID, an_id, seen_version, some_words
from bornek.web.shop.inputs import DefinitionIn


class JobIn(Schema):
    """A unit comes in: its type (empty: from nothing), its identity, what is wrong with it."""

    id = fields.String(required=True, validate=[ID, validate.Length(max=40)])
    revision = fields.String(load_default="", validate=validate.Length(max=60))
    tag = fields.String(required=True, validate=validate.Length(1, 12))
    name = fields.String(required=True, validate=validate.Length(1, 80))
    serial = fields.String(required=True, validate=validate.Length(1, 60))
    complaint = some_words()
    known = some_words(1000)
    stands = fields.String(load_default="bench", validate=validate.OneOf(["bench", "field"]))
    basis = fields.String(
        load_default="new parts", validate=validate.OneOf(["new parts", "worn matched parts"])
    )
    schools = fields.Dict(keys=fields.String(), values=fields.String(), load_default=dict)
    gauges = fields.List(fields.String(validate=validate.Length(max=60)), load_default=list)
    serials = fields.Dict(
        keys=fields.String(), values=fields.String(validate=validate.Length(max=60)), load_default=dict
    )
    length_unit = fields.String(load_default="mm", validate=validate.OneOf(["mm", "thou"]))
    bench = some_words(60)
    waits_for = some_words(120)


class SerialsIn(Schema):
    """Which component is which part: part key to serial."""

    serials = fields.Dict(
        keys=fields.String(), values=fields.String(validate=validate.Length(max=60)), required=True
    )


class CloseIn(Schema):
    id = an_id()
    words = some_words()


class ExtendIn(DefinitionIn):
    seen = seen_version()
