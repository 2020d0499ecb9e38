"""A job's section, laid out once for each definition, with the state of each place."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from functools import lru_cache

from bornek.core.scenes import Section
from bornek.core.section.draw_section import draw_section
from bornek.services.job.job_definition import definition_of, definition_text, read_text
from bornek.services.setting.summary import SettingSummary
from bornek.store import tables as t


@lru_cache(maxsize=256)
def _drawn(text: str) -> Section:
    return draw_section(read_text(text))


def section_of(
    job: t.Job, settings: list[SettingSummary], label: str, words: Mapping[str, str] | None = None
) -> Section:
    """The section with each place's state: the verdict of its first setting that is not in, else of the
    first; a place without a setting shows its `words`."""
    drawn, d = _drawn(definition_text(job)), definition_of(job)
    by_place: dict[str, SettingSummary] = {}
    for point in d.settings:
        found = next((s for s in settings if s.key == point.key), None)
        if found is not None and (point.place not in by_place or by_place[point.place].verdict == "in"):
            by_place[point.place] = found
    flags = tuple(
        replace(f, state=by_place[f.key].verdict, words=by_place[f.key].verdict_words)
        if f.key in by_place
        else replace(f, words=(words or {}).get(f.key, ""))
        for f in drawn.flags
    )
    moved = tuple(
        place.at
        for place in d.places
        if place.key in by_place and by_place[place.key].verdict.startswith("out") and place.at
    )
    return replace(drawn, label=label, flags=flags, moved=moved)
