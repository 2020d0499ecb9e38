"""Two jobs in the middle of their build: a ferry's drive with a trap ahead, a spindle that went tight."""

from __future__ import annotations

from datetime import timedelta
from typing import Any

from sqlalchemy.orm import Session

from bornek.demo.strip import TODAY, Pen
from bornek.services.plan.write_plan import write_plan

REAR_FIRST: tuple[tuple[str, dict[str, Any]], ...] = (
    ("rear-nut", {"tag": "L3-1"}), ("rear-lock", {"bag": "1"}), ("rear-cover-part", {"tag": "L3-2", "mates": ["rear-felt"]}),
    ("rear-bearing", {"way": "puller", "tag": "L3-3"}), ("cone-pulley", {"tag": "L3-4"}), ("long-spacer", {"tag": "L3-5"}),
    ("drive-gear", {"way": "puller", "tag": "L3-6", "mates": ["gear-key"]}), ("front-nut", {"tag": "L3-7"}),
    ("front-lock", {"bag": "2"}), ("thrust", {"tag": "L3-8"}), ("front-spacer", {"tag": "L3-9", "orientation": "stamped face to the nose"}),
    ("front-bearing", {"way": "draw", "tag": "L3-10"}), ("front-seal", {"tag": "L3-11"}), ("front-cover-part", {"tag": "L3-12", "orientation": "drain slot down"}),
)  # fmt: skip
SPINDLE_STEPS: tuple[tuple[str, dict[str, Any]], ...] = (
    ("", {"key": "off-rear-cover-part", "label": "Rear cover, for good", "parts": ["rear-cover-part"], "torque": "18 N·m",
          "stages": ["9"], "bolts": 6, "way_round": "drain slot down", "mark_at": 6.0, "minutes": 20.0,
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


def seed_plan(session: Session) -> None:
    _ferry(Builder(session, "marl", "f12", TODAY - timedelta(hours=2)))
    _spindle(Builder(session, "oda", "l03", TODAY - timedelta(hours=2)))


def _ferry(pen: Builder) -> None:
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
    pen.works("off-front-cover-part", "off-front-seal", "off-front-bearing", "off-front-spacer")
    pen.plans("turned", shaft="spindle", feel="free", after="off-front-spacer", drag="0.2")
    pen.works("off-thrust", "off-front-lock", "off-front-nut")
    pen.plans(
        "turned", shaft="spindle", feel="tight", after="off-front-nut", drag="1.4", words="binds all round"
    )
    pen.works("felt-soaks")
