"""What may be written down while a unit comes apart: a fact, and baselines let go for it."""

from __future__ import annotations

from marshmallow import fields, validate

from bornek.web.fields import some_words
from bornek.web.stage_fact import StageFactIn


class FactIn(StageFactIn):
    """Something written down: its kind and body; a correction names what it supersedes."""

    let_go = fields.List(fields.String(validate=validate.Length(max=100)), load_default=list)
    let_go_words = some_words()
