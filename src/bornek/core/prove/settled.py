"""Settings signed and not moved since, holds cleared, what was put off before."""

from __future__ import annotations

from bornek.core.parts.holds import open_holds
from bornek.core.phrases import lower_first
from bornek.core.prove.point import ProvePoint, State, looked_at
from bornek.core.prove.stands import JobStands, SettingStands


def settled_points(job: JobStands) -> list[ProvePoint]:
    """
    >>> from bornek.core.prove.stands import SettingStands
    >>> from bornek.core.units.definition import Definition
    >>> play = SettingStands("s", "End play", "in", signed_at=0, disturbed=True, measures="setting")
    >>> settled_points(JobStands(Definition(), [], "bench", settings=[play]))[0].state
    'again'
    """
    return [*_settings(job), *_holds(job), *_owed(job)]


def _owed(job: JobStands) -> list[ProvePoint]:
    """Work put off in earlier jobs of this unit."""
    return [
        looked_at(
            job,
            ProvePoint(
                o.key, "settled", o.what, f"put off on {o.at}, until {o.until}, by {o.who}: {o.why}. Done?"
            ),
        )
        for o in job.owed
    ]


def _settings(job: JobStands) -> list[ProvePoint]:
    found = []
    for s in job.settings:
        state, words = _stands(s)
        found.append(
            ProvePoint(
                f"setting:{s.id}",
                "settled",
                s.label,
                f"{s.verdict}, {words}",
                state,
                to=f"/set/{s.id}",
                by=s.by,
            )
        )
    return found


def _stands(s: SettingStands) -> tuple[State, str]:
    if s.signed_at:
        return "done", "signed"
    return ("again", "disturbed since it was signed") if s.disturbed else ("open", "not signed")


def _holds(job: JobStands) -> list[ProvePoint]:
    found = [
        ProvePoint(
            f"hold:{h.cause}",
            "settled",
            h.label,
            f"hold not cleared: {lower_first(h.words)}",
            to="/inspect?zone=cause",
            must=True,
        )
        for h in open_holds(job.facts)
    ]
    found += [
        ProvePoint(
            f"held:{x.part.key}",
            "settled",
            x.part.label,
            "judged: hold the build",
            to="/inspect?zone=parts",
            must=True,
        )
        for x in job.inspected
        if x.chosen == "hold"
    ]
    return found
