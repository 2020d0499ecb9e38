"""A job's own copy of its definition, read once for each that there is."""

from __future__ import annotations

import json
from functools import lru_cache
from typing import Any

from bornek.core.units.definition import Definition, read_definition
from bornek.store import tables as t


def definition_of(job: t.Job) -> Definition:
    return read_text(definition_text(job))


def definition_text(job: t.Job) -> str:
    return json.dumps(job.definition, sort_keys=True)


@lru_cache(maxsize=256)
def read_text(text: str) -> Definition:
    data: dict[str, Any] = json.loads(text)
    return read_definition(data)
