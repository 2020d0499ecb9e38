"""Which right each route asks for: the one table. A route that is not in it is refused, and fails a test."""

from __future__ import annotations

from typing import Literal

from bornek.core.errors import NotAllowed
from bornek.core.people.roles import Right

OPEN: Literal["open"] = "open"
"""Asked before anybody is signed in: the page itself, who is here, signing in."""
Asked = Right | Literal["open"]
BY_RIGHT: dict[Asked, str] = {
    "open": """
        health shell api-docs.openapi_json people.me people.first people.enter people.enter_by_pin people.leave
    """,
    "read": """
        shop.board shop.drawer shop.wanted shop.gauges shop.heard shop.choices shop.mechanics shop.find shop.yard
        inspect.cross_numbers inspect.look_fors inspect.orders inspect.yard_csv inspect.job_csv inspect.show
        jobs.show jobs.record jobs.pdf jobs.sheet_pdf jobs.csv jobs.svg jobs.kinds_for_the_bench
        strip.show strip.labels strip.picture strip.paint_from_photo strip.photo_under_flank
        fit.show plan.show plan.way_back prove.show train.show units.show
        settings.show settings.live settings.expect settings.what_if settings.tried settings.pictures
        kinds.index kinds.compute_kind kinds.form sums.index sums.reckon
        today.today today.calendar today.job_calendar today.tools today.hours
        limit_tables.tables limit_tables.table report.report report.as_csv
        unit_types.index unit_types.show unit_types.parts unit_types.export unit_types.preview unit_types.parts_list
        unit_types.schools type_making.index type_making.start type_making.edits type_making.guesses
        practice.practice practice.begin practice.wipe practice.rig practice.station practice.ask practice.lift
        practice.look practice.pull people.here people.own
    """,
    "take": """
        settings.read strip.photo strip.fact inspect.write plan.write fit.write prove.write train.write
        shop.press_at shop.unit_meant jobs.hours
    """,
    "work": """
        settings.act settings.explain settings.give settings.sign
        jobs.receive jobs.on_the_bench jobs.imports jobs.exchange jobs.correct jobs.extend jobs.name jobs.serials
        inspect.fit units.done shop.count shop.measure
    """,
    "lead": """
        prove.let_out jobs.close jobs.reopen limit_tables.write
        unit_types.create unit_types.save unit_types.imports inspect.look_for inspect.cross_number
        shop.gauge shop.gauge_line today.tool today.shop_hours
    """,
    "own": """
        shop.person shop.name_yard report.archive
        people.everybody people.add people.change people.end_device people.deeds
    """,
}  # fmt: skip
RIGHT_OF: dict[str, Asked] = {
    endpoint: right for right, endpoints in BY_RIGHT.items() for endpoint in endpoints.split()
}


def right_of(endpoint: str) -> Asked:
    """Raises NotAllowed for a route that names none.

    >>> right_of("settings.sign"), right_of("limit tables.write")
    ('work', 'lead')
    """
    key = endpoint.replace(" ", "_")
    if key not in RIGHT_OF:
        raise NotAllowed(f"Nobody said who may ask {endpoint!r}.", next_step="Nothing was done.")
    return RIGHT_OF[key]
