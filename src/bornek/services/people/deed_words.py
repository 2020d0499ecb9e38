"""What was done, in words: by the route that wrote it, and about which job and setting."""

from __future__ import annotations

import re

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.store import tables as t

DEED_WORDS: dict[str, str] = {
    "fit.write": "wrote down a fit",
    "inspect.cross_number": "wrote down a part's other number",
    "inspect.fit": "measured a fit",
    "inspect.look_for": "wrote down what to look for",
    "inspect.write": "wrote down what was seen of a part",
    "jobs.close": "closed a job",
    "jobs.correct": "corrected a job's head",
    "jobs.extend": "added to a job's parts",
    "jobs.hours": "wrote down hours",
    "jobs.imports": "took a job in from a file",
    "jobs.name": "named a unit",
    "jobs.on_the_bench": "began a setting on the bench",
    "jobs.receive": "received a unit",
    "jobs.reopen": "opened a job again",
    "jobs.serials": "wrote down serial numbers",
    "limit_tables.write": "changed a limit table",
    "people.add": "made an account",
    "people.change": "changed an account",
    "people.end_device": "ended a device",
    "people.enter": "signed in with the passphrase",
    "people.enter_by_pin": "signed in with the PIN",
    "people.first": "became the owner",
    "people.leave": "signed out",
    "people.own": "changed a secret of their own",
    "person at the machine": "changed an account at the yard's machine",
    "plan.write": "worked on the build order",
    "prove.let_out": "released a unit",
    "prove.write": "wrote down the last look",
    "settings.act": "moved an adjuster",
    "settings.explain": "answered a surprise",
    "settings.give": "gave what a setting starts from",
    "settings.read": "took a reading",
    "settings.sign": "signed a setting",
    "shop.count": "counted shims",
    "shop.gauge": "changed a gauge's card",
    "shop.gauge_line": "changed a gauge's line",
    "shop.measure": "measured a shim",
    "shop.name_yard": "named the yard",
    "shop.person": "wrote down a name",
    "shop.press_at": "set where a gauge presses",
    "shop.unit_meant": "said which unit a gauge shows",
    "strip.fact": "wrote down what was found",
    "strip.photo": "took a photo",
    "today.shop_hours": "changed the shop's hours",
    "today.tool": "changed a tool",
    "train.write": "wrote down how it turns",
    "unit_types.create": "made a unit type",
    "unit_types.imports": "took a unit type in from a file",
    "unit_types.save": "changed a unit type",
    "units.done": "said that something due was done",
}
_ABOUT = re.compile(r"/api/(?P<room>[^/]+)/(?P<key>[^/]+)")


def deed_words(what: str) -> str:
    """
    >>> deed_words("settings.sign"), deed_words("unit types.save")
    ('signed a setting', 'changed a unit type')
    """
    return DEED_WORDS.get(what.replace(" ", "_"), DEED_WORDS.get(what, what))


def about_words(session: Session, about: str) -> tuple[str, str]:
    """The words for what it was about, and the page where that is seen: empty where an address says nothing more than
    the deed does. What was written in words stays as it is."""
    if not about.startswith("/api/"):
        return about, ""
    found = _ABOUT.match(about)
    room, key = (found["room"], found["key"]) if found else ("", "")
    if room == "settings":
        return _setting(session, key)
    if room == "jobs":
        tag = _tag(session, key)
        return tag, f"/jobs/{key}/receive" if tag else ""
    return {"gauges": key, "unit-types": key, "people": _person(session, key)}.get(room, ""), ""


def _setting(session: Session, key: str) -> tuple[str, str]:
    setting = session.get(t.Setting, key)
    if setting is None:
        return key, ""
    words = f"{_tag(session, setting.job_id)}, {setting.label}"
    return words, f"/jobs/{setting.job_id}/set/{key}"


def _tag(session: Session, job_id: str) -> str:
    tag = session.scalar(select(t.Unit.tag).join(t.Job, t.Job.unit_id == t.Unit.id).where(t.Job.id == job_id))
    return tag or ""


def _person(session: Session, key: str) -> str:
    found = session.get(t.Mechanic, key)
    return found.name if found else key
