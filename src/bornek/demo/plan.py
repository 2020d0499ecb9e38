"""Two jobs in the middle of their build: a ferry's drive with a trap ahead, a spindle that went tight."""

from __future__ import annotations

from datetime import timedelta
from typing import Any

from sqlalchemy.orm import Session

from bornek.demo.strip import TODAY, Pen
from bornek.services.desk import Desk
from bornek.services.plan.write_plan import write_plan
from bornek.services.shop.hours import write_hours
from bornek.services.shop.tools import write_tool

REAR_FIRST: tuple[tuple[str, dict[str, Any]], ...] = (
    ("rear-nut", {"tag": "L3-1"}), ("rear-lock", {"bag": "1"}), ("rear-cover-part", {"tag": "L3-2", "mates": ["rear-felt"]}),
    ("rear-bearing", {"way": "puller", "tag": "L3-3"}), ("cone-pulley", {"tag": "L3-4"}), ("long-spacer", {"tag": "L3-5"}),
    ("drive-gear", {"way": "puller", "tag": "L3-6", "mates": ["gear-key"]}), ("front-nut", {"tag": "L3-7"}),
    ("front-lock", {"bag": "2"}), ("thrust", {"tag": "L3-8"}), ("front-spacer", {"tag": "L3-9", "orientation": "stamped face to the nose"}),
    ("front-bearing", {"way": "draw", "tag": "L3-10"}), ("front-seal", {"tag": "L3-11"}), ("front-cover-part", {"tag": "L3-12", "orientation": "drain slot down"}),
)  # fmt: skip
SPINDLE_STEPS: tuple[tuple[str, dict[str, Any]], ...] = (
    ("", {"key": "off-rear-cover-part", "label": "Rear cover, for good", "parts": ["rear-cover-part"], "torque": "24 N·m",
          "stages": ["12"], "bolts": 6, "way_round": "drain slot down", "mark_at": 6.0, "minutes": 20.0,
          "wrong_way": "Slot on top: the oil stands over the felt and runs out.", "turn": "spindle"}),
    ("", {"key": "felt-soaks", "label": "Rear felt to soak", "wait": "soak", "wait_minutes": 360.0, "minutes": 5.0,
          "consumables": ["spindle oil"]}),
    ("off-rear-nut", {"key": "felt-in", "label": "Rear felt into its groove", "parts": ["rear-felt"], "minutes": 10.0,
                      "needs": ["felt-soaks"]}),
)  # fmt: skip


class Builder(Pen):
    """A pen that works steps."""

    def plans(self, kind: str, **body: Any) -> None:
        desk = self.desk()
        write_plan(desk, self.job, {"id": f"{self.job}.b{self.now}", "kind": kind, "body": body})

    def works(self, *steps: str) -> None:
        for step in steps:
            self.plans("step_worked", step=step)


TOOLS: tuple[dict[str, Any], ...] = (
    {"tool": "press-1", "sort": "press", "name": "Press 1", "details": {"rated_force": "500 kN"}},
    {"tool": "crane-1", "sort": "crane", "name": "Bay crane", "details": {"rated_load": "3200"}},
    {"tool": "oven-1", "sort": "oven", "name": "Oven", "details": {"hottest": "180 °C", "thermostat": "yes, limit 150"}},
    {"tool": "freezer-1", "sort": "freezer", "name": "Chest freezer", "details": {"coldest": "-40 °C"}},
    {"tool": "ram-1", "sort": "ram", "name": "Hollow ram", "out_of_order": True, "words": "seal weeps, at the maker's",
     "details": {"area": "46", "rated_pressure": "700", "scale": "0 to 1000 bar"}},
    {"tool": "ram-3", "sort": "ram", "name": "Ram 3", "details": {"area": "50.3", "rated_pressure": "630", "scale": "0 to 100 MPa"}},
    {"tool": "wrench-2", "sort": "torque_wrench", "name": "Wrench 2", "details": {"least": "20 N·m", "greatest": "120 N·m", "due": "2027-03-31"}},
    {"tool": "wrench-3", "sort": "torque_wrench", "name": "Wrench 3", "details": {"least": "60 N·m", "greatest": "340 N·m", "due": "2026-10-31"}},
    {"tool": "cup-set", "sort": "other", "name": "Cup driver set"},
    {"tool": "puller-3", "sort": "puller", "name": "Three-arm puller", "count": 2, "details": {"rated_force": "100 kN"}},
)  # fmt: skip
DAYS = ({"day": "2026-12-24", "opens": "08:00", "closes": "12:00", "hands": 1, "words": "half a day"},
        {"day": "2026-12-25", "opens": "", "closes": "", "hands": 0, "words": "closed"})  # fmt: skip


def seed_plan(session: Session) -> None:
    desk = Desk(session, "oda", TODAY - timedelta(days=30))
    for n, tool in enumerate(TOOLS, start=1):
        write_tool(
            desk,
            {
                "id": f"tool.{n}",
                "seen": 0,
                "count": 1,
                "out_of_order": False,
                "words": "",
                "details": {},
                **tool,
            },
        )
    shift = {"opens": "08:00", "closes": "17:00", "hands": 2}
    closed = {"opens": "", "closes": "", "hands": 0}
    write_hours(
        desk,
        {
            "id": "hours.1",
            "week": [shift] * 4 + [{**shift, "closes": "15:00"}, closed, closed],
            "days": list(DAYS),
        },
    )
    _ferry(Builder(session, "marl", "f12", TODAY - timedelta(hours=2)))
    _spindle(Builder(session, "oda", "l03", TODAY - timedelta(hours=2)))


def _ferry(pen: Builder) -> None:
    pen.plans("due_back", day="2026-11-27", words="the ferry runs again on Saturday")
    pen.plans("from_type", words="came to the yard in boxes, stripped at the ferry")
    pen.plans("seen_right", step="housing-washed", what="hold")
    pen.works("housing-washed", "cups-in", "ring-gear-on", "drive-pinions-on")
    pen.plans("turned", shaft="cross", feel="free", after="drive-pinions-on", drag="0.3")
    pen.works("cones-heated")


def _spindle(pen: Builder) -> None:
    for part, more in REAR_FIRST:
        lost = pen.lost_with(part, str(more.get("orientation", "")))
        body = {"way": "hand", **more, "part": part}
        pen.writes("removed", let_go=lost, because="out of hours, the lathe had to be down by noon", **body)
    for after, step in SPINDLE_STEPS:
        pen.plans("step_written", after=after, step=step)
    pen.plans("due_back", day="2026-11-24")
    pen.works("off-front-cover-part", "off-front-seal", "off-front-bearing", "off-front-spacer")
    pen.plans("turned", shaft="spindle", feel="free", after="off-front-spacer", drag="0.2")
    pen.works("off-thrust", "off-front-lock", "off-front-nut")
    pen.plans(
        "turned", shaft="spindle", feel="tight", after="off-front-nut", drag="1.4", words="binds all round"
    )
    pen.works("felt-soaks")
