"""What may be sent about the yard, field by field, with bounds."""

from __future__ import annotations

from marshmallow import Schema, fields, validate

from bornek.core.gauge_line import STREAM, WAYS
from bornek.core.gauges import TAKES
from bornek.services.shop.type_making import EDITS
from bornek.web.fields import an_id, seen_version, some_words


class LookForIn(Schema):
    """One of the shop's own; or `retire`, the id of one that goes."""

    id = an_id()
    group = fields.String(load_default="", validate=validate.Length(max=40))
    label = some_words(120)
    means = some_words(300)
    kinds = fields.List(fields.String(validate=validate.Length(max=40)), load_default=list)
    retire = fields.String(load_default="", validate=validate.Length(max=60))


class CrossNumberIn(Schema):
    """Two numbers that stand for each other; or `strike`, the id of a line that was wrong."""

    id = an_id()
    number = some_words(60)
    other = some_words(60)
    words = some_words(200)
    strike = fields.String(load_default="", validate=validate.Length(max=60))


class PersonIn(Schema):
    """Somebody who works here."""

    id = an_id()
    name = fields.String(required=True, validate=validate.Length(1, 60))


class YardIn(Schema):
    name = fields.String(required=True, validate=validate.Length(1, 60))
    zone = fields.String(required=True, validate=validate.Length(1, 60))


class DefinitionIn(Schema):
    definition = fields.Dict(keys=fields.String(), values=fields.Raw(), required=True)


class TypeIn(DefinitionIn):
    """A unit type's next revision; `seen` is the revision that was edited, 0 for a new type."""

    name = fields.String(required=True, validate=validate.Length(1, 80))
    seen = seen_version()


class NewTypeIn(DefinitionIn):
    """A new unit type: its key is made from its name."""

    name = fields.String(required=True, validate=validate.Length(1, 80))


class AnswersIn(Schema):
    """The questions of a pattern, by their keys; one not answered is answered as usual."""

    answers = fields.Dict(
        keys=fields.String(validate=validate.Length(max=40)),
        values=fields.String(validate=validate.Length(max=40)),
        load_default=dict,
    )


class EditIn(DefinitionIn):
    """A row of a definition in hand to be taken out with all that names it, or a shaft to be copied mirrored."""

    do = fields.String(required=True, validate=validate.OneOf(EDITS))
    leaf = fields.String(required=True, validate=validate.Length(1, 40))
    key = fields.String(required=True, validate=validate.Length(1, 60))


class PastedIn(Schema):
    text = fields.String(required=True, validate=validate.Length(1, 200_000))


class PartsIn(Schema):
    csv = fields.String(required=True, validate=validate.Length(1, 200_000))


class CountIn(Schema):
    id = an_id()
    form = fields.String(required=True, validate=validate.Length(1, 60))
    thickness = fields.String(required=True, validate=validate.Length(1, 30))
    count = fields.Integer(required=True, strict=True, validate=validate.Range(0, 10_000))


class MikeIn(Schema):
    """What a lot of shims measures."""

    id = an_id()
    form = fields.String(required=True, validate=validate.Length(1, 60))
    thickness = fields.String(required=True, validate=validate.Length(1, 30))
    measured = fields.String(required=True, validate=validate.Length(1, 30))


class ToolIn(Schema):
    """A tool's next card; `seen` is the number of the card that was written on, 0 for a new tool."""

    id = an_id()
    tool = an_id()
    seen = seen_version()
    sort = fields.String(required=True, validate=validate.Length(1, 40))
    name = fields.String(required=True, validate=validate.Length(1, 80))
    count = fields.Integer(load_default=1, strict=True)
    out_of_order = fields.Boolean(load_default=False)
    words = some_words(200)
    details = fields.Dict(
        keys=fields.String(validate=validate.Length(max=40)),
        values=fields.String(validate=validate.Length(max=60)),
        load_default=dict,
    )


class ShiftIn(Schema):
    """One day's hours: `day` as 2026-12-24 where it is not a weekday; no hands is closed."""

    day = fields.String(load_default="", validate=validate.Length(max=10))
    opens = fields.String(load_default="", validate=validate.Length(max=5))
    closes = fields.String(load_default="", validate=validate.Length(max=5))
    hands = fields.Integer(load_default=0, strict=True)
    words = some_words(120)


class ShopHoursIn(Schema):
    """The shop's hours from Monday, and the days that are otherwise."""

    id = an_id()
    week = fields.List(fields.Nested(ShiftIn), required=True, validate=validate.Length(max=14))
    days = fields.List(fields.Nested(ShiftIn), load_default=list, validate=validate.Length(max=400))


class GaugeIn(Schema):
    id = an_id()
    name = fields.String(required=True, validate=validate.Length(1, 80))
    quantity = fields.String(load_default="length", validate=validate.OneOf(list(TAKES)))
    takes = fields.List(fields.String(validate=validate.Length(max=20)), load_default=list)
    unit = fields.String(required=True, validate=validate.Length(1, 10))
    division = fields.Float(required=True, validate=validate.Range(0, 1000))
    interpolation = fields.Float(load_default=0.5)
    calibration_u = fields.Float(load_default=0.002)
    due = fields.String(load_default="", validate=validate.Regexp(r"^([0-9]{4}-[0-9]{2}-[0-9]{2})?\Z"))


class LineIn(Schema):
    """How a gauge talks; the core says what can be."""

    talks = fields.Boolean(load_default=True)
    port = fields.String(load_default="", validate=validate.Length(max=160))
    pattern = fields.String(load_default="{value} {unit}", validate=validate.Length(max=100))
    way = fields.String(load_default=STREAM, validate=validate.OneOf(list(WAYS)))
    ask = fields.String(load_default="", validate=validate.Length(max=100))
    pedal = fields.String(load_default="", validate=validate.Length(max=100))
    baud = fields.Integer(load_default=9600, strict=True)
    frame = fields.String(load_default="8N1", validate=validate.Length(max=3))


class UnitIn(Schema):
    """The unit that a gauge sends where its line and its card say two."""

    unit = fields.String(required=True, validate=validate.Length(1, 10))


class SumIn(Schema):
    """The answers so far, as typed."""

    given = fields.Dict(keys=fields.String(), values=fields.Raw(), load_default=dict)
    unit = fields.String(load_default="mm", validate=validate.OneOf(["mm", "thou"]))


class FormIn(SumIn):
    """The answers so far, as typed; `job` offers its places where a field asks for one."""

    job = fields.String(load_default="", validate=validate.Length(max=60))
