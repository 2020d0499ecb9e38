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
    hours = fields.Dict(keys=fields.String(), values=fields.Raw(), load_default=dict)


class BenchIn(Schema):
    """Something on the bench: what it is called, which kind of setting, what is given."""

    id = fields.String(required=True, validate=[ID, validate.Length(max=40)])
    name = fields.String(required=True, validate=validate.Length(1, 80))
    kind = fields.String(required=True, validate=validate.Length(max=40))
    given = fields.Dict(keys=fields.String(), values=fields.Raw(), required=True)
    length_unit = fields.String(load_default="mm", validate=validate.OneOf(["mm", "thou"]))
    gauge = fields.String(load_default="", validate=validate.Length(max=60))
    shim_form = fields.String(load_default="", validate=validate.Length(max=40))


class NameIn(Schema):
    """What was only on the bench gets its name."""

    id = an_id()
    tag = fields.String(required=True, validate=validate.Length(1, 12))
    name = fields.String(required=True, validate=validate.Length(1, 80))
    serial = fields.String(required=True, validate=validate.Length(1, 60))
    revision = fields.String(load_default="", validate=validate.Length(max=60))
    setting = fields.String(load_default="", validate=validate.Length(max=60))
    words = some_words()


class SerialsIn(Schema):
    """Which component is which part: part key to serial."""

    serials = fields.Dict(
        keys=fields.String(), values=fields.String(validate=validate.Length(max=60)), required=True
    )


class CloseIn(Schema):
    id = an_id()
    words = some_words()


class CorrectionIn(Schema):
    """What was received, corrected: only what is sent is looked at."""

    id = an_id()
    complaint = fields.String(validate=validate.Length(max=400))
    known = fields.String(validate=validate.Length(max=1000))
    bench = fields.String(validate=validate.Length(max=60))
    waits_for = fields.String(validate=validate.Length(max=120))
    schools = fields.Dict(keys=fields.String(), values=fields.String())
    gauges = fields.List(fields.String(validate=validate.Length(max=60)))
    words = some_words()


class HoursIn(Schema):
    """What the hour meter said: a fact's body, or one that strikes or corrects another."""

    id = an_id()
    body = fields.Dict(keys=fields.String(), values=fields.Raw(), load_default=dict)
    supersedes = fields.String(validate=validate.Length(max=60))
    void = fields.Boolean()


class ExtendIn(DefinitionIn):
    seen = seen_version()
