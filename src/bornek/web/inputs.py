"""What may be sent, field by field, with bounds."""

from __future__ import annotations

from typing import Any

from marshmallow import Schema, fields, validate

ID = validate.Regexp(
    r"^[A-Za-z0-9][A-Za-z0-9._\-]{0,59}$", error="an id is 1 to 60 letters, digits, dots or dashes"
)


def _id(**more: Any) -> fields.String:
    return fields.String(required=True, validate=ID, **more)


def _words(most: int = 500) -> fields.String:
    return fields.String(load_default="", validate=validate.Length(max=most))


def _seen(required: bool = True) -> fields.Integer:
    return fields.Integer(
        required=required,
        strict=True,
        validate=validate.Range(0, 10**9),
        metadata={"description": "the setting's version that you saw"},
    )


class EntryIn(Schema):
    """A reading: `text` as typed, or `value` for a confirmation or a mask."""

    id = _id()
    slot = fields.String(required=True, validate=validate.Length(1, 80))
    text = fields.String(allow_none=True, validate=validate.Length(max=60))
    value = fields.Raw(allow_none=True)
    round = fields.Integer(strict=True, validate=validate.Range(1, 500))
    gauge = fields.String(validate=validate.Length(max=60))
    confirmed = fields.Boolean()
    void = fields.Boolean()
    supersedes = fields.String(validate=validate.Length(max=60))
    seen = _seen(required=False)


class ActIn(Schema):
    """What was really done: `states` per adjuster, a list of shims (mm or as spoken) or a number."""

    id = _id()
    kind = fields.String(required=True, validate=validate.OneOf(["as_found", "move", "reseat", "recount"]))
    states = fields.Dict(keys=fields.String(), values=fields.Raw(), load_default=dict)
    remark = _words()
    seen = _seen()


class ExplanationIn(Schema):
    id = _id()
    cause = fields.String(required=True, validate=validate.OneOf(["recounted", "reread", "unexplained"]))
    words = _words()
    states = fields.Dict(keys=fields.String(), values=fields.Raw(), load_default=dict)
    seen = _seen()


class GivenIn(Schema):
    id = _id()
    given = fields.Dict(keys=fields.String(), values=fields.Raw(), required=True)
    seen = _seen()


class FormIn(Schema):
    """The answers so far, as typed; `job` offers its places where a field asks for one."""

    given = fields.Dict(keys=fields.String(), values=fields.Raw(), load_default=dict)
    unit = fields.String(load_default="mm", validate=validate.OneOf(["mm", "thou"]))
    job = fields.String(load_default="", validate=validate.Length(max=60))


class SignatureIn(Schema):
    id = _id()
    remark = _words()
    seen = _seen()


class ExpectIn(Schema):
    """`states` by adjuster; what is left out stays as it is."""

    states = fields.Dict(keys=fields.String(), values=fields.Raw(), required=True)


class JobIn(Schema):
    """A unit comes in: its type (empty: from nothing), its identity, what is wrong with it."""

    id = fields.String(required=True, validate=[ID, validate.Length(max=40)])
    revision = fields.String(load_default="", validate=validate.Length(max=60))
    tag = fields.String(required=True, validate=validate.Length(1, 12))
    name = fields.String(required=True, validate=validate.Length(1, 80))
    serial = fields.String(required=True, validate=validate.Length(1, 60))
    complaint = _words()
    known = _words(1000)
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
    bench = _words(60)
    waits_for = _words(120)


class FactIn(Schema):
    """Something written down: its kind and body; a correction names what it supersedes."""

    id = _id()
    kind = fields.String(required=True, validate=validate.Length(1, 40))
    body = fields.Dict(keys=fields.String(), values=fields.Raw(), load_default=dict)
    supersedes = fields.String(validate=validate.Length(max=60))
    void = fields.Boolean()
    let_go = fields.List(fields.String(validate=validate.Length(max=100)), load_default=list)
    let_go_words = _words()


class InspectionIn(Schema):
    """Something written down in the inspection: grades, a verdict, teeth, evidence, an order."""

    id = _id()
    kind = fields.String(required=True, validate=validate.Length(1, 40))
    body = fields.Dict(keys=fields.String(), values=fields.Raw(), load_default=dict)
    supersedes = fields.String(validate=validate.Length(max=60))
    void = fields.Boolean()


class FitIn(Schema):
    """A fit to be measured on a part of this job: its kind of setting and what that kind is given."""

    id = _id()
    part = fields.String(required=True, validate=validate.Length(1, 60))
    kind = fields.String(required=True, validate=validate.Length(1, 60))
    label = _words(80)
    given = fields.Dict(keys=fields.String(), values=fields.Raw(), required=True)


class LookForIn(Schema):
    """One of the shop's own; or `retire`, the id of one that goes."""

    id = _id()
    group = fields.String(load_default="", validate=validate.Length(max=40))
    label = _words(120)
    means = _words(300)
    kinds = fields.List(fields.String(validate=validate.Length(max=40)), load_default=list)
    retire = fields.String(load_default="", validate=validate.Length(max=60))


class CrossNumberIn(Schema):
    """Two numbers that stand for each other; or `strike`, the id of a line that was wrong."""

    id = _id()
    number = _words(60)
    other = _words(60)
    words = _words(200)
    strike = fields.String(load_default="", validate=validate.Length(max=60))


class SerialsIn(Schema):
    """Which component is which part: part key to serial."""

    serials = fields.Dict(
        keys=fields.String(), values=fields.String(validate=validate.Length(max=60)), required=True
    )


class CloseIn(Schema):
    id = _id()
    words = _words()


class DefinitionIn(Schema):
    definition = fields.Dict(keys=fields.String(), values=fields.Raw(), required=True)


class ExtendIn(DefinitionIn):
    seen = _seen()


class TypeIn(DefinitionIn):
    """A unit type's next revision; `seen` is the revision that was edited, 0 for a new type."""

    name = fields.String(required=True, validate=validate.Length(1, 80))
    seen = _seen()


class PartsIn(Schema):
    csv = fields.String(required=True, validate=validate.Length(1, 200_000))


class CountIn(Schema):
    id = _id()
    form = fields.String(required=True, validate=validate.Length(1, 60))
    thickness = fields.String(required=True, validate=validate.Length(1, 30))
    count = fields.Integer(required=True, strict=True, validate=validate.Range(0, 10_000))


class GaugeIn(Schema):
    id = _id()
    name = fields.String(required=True, validate=validate.Length(1, 80))
    quantity = fields.String(load_default="length", validate=validate.OneOf(["length", "torque", "force"]))
    unit = fields.String(required=True, validate=validate.Length(1, 10))
    division = fields.Float(required=True, validate=validate.Range(0, 1000))
    interpolation = fields.Float(load_default=0.5)
    calibration_u = fields.Float(load_default=0.002)
    due = fields.String(load_default="", validate=validate.Regexp(r"^(\d{4}-\d{2}-\d{2})?$"))
