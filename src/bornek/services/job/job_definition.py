"""A job's own copy of its definition, read once for each that there is."""

from __future__ import annotations

import json
from functools import lru_cache
from typing import Any
from weakref import WeakKeyDictionary

from bornek.core.units.definition import Definition, read_definition
from bornek.store import tables as t

_TEXTS: WeakKeyDictionary[t.Job, tuple[dict[str, Any], str]] = WeakKeyDictionary()
"""The text of a job's definition, with what it was made of: another copy makes another text."""


def definition_of(job: t.Job) -> Definition:
    return read_text(definition_text(job))


def definition_text(job: t.Job) -> str:
    made_of, text = _TEXTS.get(job, (None, ""))
    if made_of is not job.definition:
        text = json.dumps(job.definition, sort_keys=True)
        _TEXTS[job] = job.definition, text
    return text


@lru_cache(maxsize=256)
def read_text(text: str) -> Definition:
    data: dict[str, Any] = json.loads(text)
    return read_definition(data)
