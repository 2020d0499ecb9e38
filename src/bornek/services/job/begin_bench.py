"""Something on the bench: one setting without a unit, begun in a minute and named later."""

from __future__ import annotations

import re
from dataclasses import dataclass
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.core.errors import InputError
from bornek.core.facts.named import UNNAMED
from bornek.core.plain import dump
from bornek.core.scenes import Section
from bornek.core.settings.given import read_given
from bornek.core.settings.kind import Setting
from bornek.core.settings.records import Context
from bornek.core.settings.registry import find_kind, kinds
from bornek.core.units.limits import spell_lengths
from bornek.services.desk import Desk
from bornek.services.job.receive_unit import receive_unit
from bornek.services.setting.find_gauges import find_gauges
from bornek.services.setting.station_gauges import first_gauge
from bornek.services.shop.unit_types import define_type
from bornek.store import tables as t

MADE = re.compile(r"^B-(\d+)$")
PLACE = "bench"
KEY = "setting"


@dataclass(frozen=True)
class BenchKind:
    """A kind of setting as one chooses it: in plain words, with the thing drawn."""

    id: str
    title: str
    plain: str
    thing: Section | None
    from_drawer: bool


def bench_kinds() -> list[dict[str, Any]]:
    """Every kind that can be begun without a unit, in the order of their plain words."""
    shown = [
        BenchKind(k.id, k.title, k.plain or k.title, k.thing(), k.from_drawer)
        for k in kinds()
        if isinstance(k, Setting)
    ]
    found: list[dict[str, Any]] = dump(sorted(shown, key=lambda k: k.plain))
    return found


def begin_bench(desk: Desk, sent: dict[str, Any]) -> None:
    """sent: id, name, kind, given, length_unit, gauge and shim_form (both may be empty).

    A job of a unit with a made tag and a definition of one place, and of those at which its adjusters lie apart. Raises InputError for what does not hold.
    """
    desk.mechanic()
    kind = find_kind(sent["kind"])
    name = sent["name"].strip()
    if not name:
        raise InputError("Say what it is called.", field="name", next_step="A word will do: hoist, left end.")
    ctx = Context(given=read_given(kind, sent["given"], sent["length_unit"]), unit=sent["length_unit"])
    kind.evaluate(ctx)
    shelf = find_gauges(desk.session, desk.today).values()
    gauge = sent["gauge"] or first_gauge(kind, sent["given"], sent["length_unit"], shelf)
    given = spell_lengths(kind, sent["given"], sent["length_unit"])
    point = {"key": KEY, "label": name, "kind": kind.id, "place": PLACE, "gauge": gauge, "given": given}
    others = sorted({key for knob in kind.knobs(ctx) for key in knob.places if key})
    places = [
        {"key": key, "label": label, "shim_form": sent["shim_form"] or "none", "at": ""}
        for key, label in ((PLACE, "on the bench"), *((key, key) for key in others))
    ]
    type_id = f"own-{sent['id']}"[:60]
    revision = define_type(desk, type_id, name, {"places": places, "settings": [point]})
    receive_unit(
        desk,
        {
            "id": sent["id"],
            "revision": revision.id,
            "tag": made_tag(desk.session),
            "name": name,
            "serial": UNNAMED,
            "length_unit": sent["length_unit"],
            "bench": "bench",
        },
    )


def made_tag(session: Session) -> str:
    """The next free tag of those that are made here: B-1, B-2."""
    taken = [int(m[1]) for tag in session.scalars(select(t.Unit.tag)) if (m := MADE.match(tag))]
    return f"B-{max(taken, default=0) + 1}"
