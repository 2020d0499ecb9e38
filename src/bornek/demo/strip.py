"""The strip stage of the demo yard: an old unit closed, one half apart, one before anything moved."""

from __future__ import annotations

import io
from collections.abc import Iterator
from dataclasses import replace
from datetime import UTC, datetime, timedelta
from itertools import count
from typing import Any

from PIL import Image, ImageDraw
from sqlalchemy.orm import Session

from bornek.core.facts.witness import FLANK_COLUMNS, FLANK_ROWS
from bornek.core.mesh.bevel_set import S2, Side
from bornek.core.mesh.contact import HOME, Shift, contact
from bornek.core.mesh.paint import as_painted
from bornek.core.strip.baselines import baselines, lost_by
from bornek.services.desk import Desk
from bornek.services.job.close_job import close_job
from bornek.services.job.job_definition import definition_of
from bornek.services.prove.release import release
from bornek.services.strip.add_photo import Files, add_photo
from bornek.services.strip.facts_of import facts_of
from bornek.services.strip.images import take_picture
from bornek.services.strip.write_fact import write_fact
from bornek.store.queries.as_found import read_as_found
from bornek.store.queries.jobs import job_with_unit

OLD = datetime(2026, 5, 8, 8, 0, tzinfo=UTC)
TODAY = datetime(2026, 11, 23, 9, 0, tzinfo=UTC)


class Pen:
    """One mechanic writing down facts about one job, a few minutes apart."""

    def __init__(self, session: Session, actor: str, job: str, start: datetime, first: int = 1) -> None:
        self.session, self.actor, self.job, self.start = session, actor, job, start
        self.ticks: Iterator[int] = count(first)

    def desk(self) -> Desk:
        self.now = next(self.ticks)
        return Desk(self.session, self.actor, self.start + timedelta(minutes=4 * self.now))

    def writes(self, kind: str, let_go: tuple[str, ...] = (), because: str = "", **body: Any) -> str:
        desk = self.desk()
        fact = f"{self.job}.f{self.now}"
        write_fact(
            desk,
            self.job,
            {"id": fact, "kind": kind, "body": body, "let_go": let_go, "let_go_words": because},
        )
        return fact

    def lost_with(self, part: str, way: str = "") -> tuple[str, ...]:
        """Baselines that can no longer be had once a part is off; which `way` round it sat is seen."""
        seen = {f"way_round:{part}"} if way else set()
        job, _ = job_with_unit(self.session, self.job)
        found = baselines(
            definition_of(job), facts_of(self.session, self.job), read_as_found(self.session, self.job)
        )
        return tuple(b.key for b in lost_by(found, part) if b.key not in seen)

    def takes_off(self, part: str, way: str = "hand", **body: Any) -> str:
        return self.writes("removed", part=part, way=way, **body)


def patch(x: float, y: float, wide: float, high: float) -> list[list[float]]:
    """A rounded patch of paint: centre and half size as shares of the flank."""
    return [
        [
            1.0
            if (((j + 0.5) / FLANK_COLUMNS - x) / wide) ** 2 + (((i + 0.5) / FLANK_ROWS - y) / high) ** 2 < 1
            else 0.0
            for j in range(FLANK_COLUMNS)
        ]
        for i in range(FLANK_ROWS)
    ]


def seed_strip(session: Session, files: Files | None) -> None:
    _winch(Pen(session, "marl", "w17", TODAY - timedelta(days=3)))
    _final_drive(Pen(session, "marl", "f12", TODAY - timedelta(days=3)))
    _gearbox(Pen(session, "oda", "k08", TODAY), files)


def seed_old_winch(session: Session) -> None:
    """Its housing is scrap; its bevel set goes on, with what it ran with."""
    pen = Pen(session, "jun", "w08", OLD)
    pen.writes(
        "pack",
        place="pinion-depth",
        plates=["0.50", "0.40"],
        side="under the carrier flange",
        slots="slot at 6",
    )
    pen.writes("pack", place="cross-cover", plates=["0.25", "0.20"], side="top", slots="holes round, no slot")
    pen.writes("match_marks", mesh="bevel-set", marks="two punch marks on the pinion, one on the gear")
    pen.writes(
        "checking_distance",
        mesh="bevel-set",
        typed="+0.05",
        unit="mm",
        convention="plus is farther from the gear",
    )
    pen.writes(
        "witness",
        mesh="bevel-set",
        drive=patch(0.42, 0.55, 0.26, 0.3),
        coast=patch(0.5, 0.52, 0.24, 0.28),
        ran="well",
    )
    pen.writes("hour_meter", when="receiving", read_on="2026-05-06", reading="21 340")
    pen.writes("hour_meter", when="closing", read_on="2026-05-06", none=True, words="scrapped where it lay")
    release(
        pen.desk(),
        "w08",
        {
            "id": "w08.out",
            "how": "as_it_is",
            "words": "Scrapped where it lay, tagged; only its bevel set goes on.",
        },
    )
    close_job(pen.desk(), "w08", {"id": "w08.closed", "words": "Housing scrapped; bevel set kept."})


def _winch(pen: Pen) -> None:
    pen.writes("hour_meter", when="receiving", read_on="2026-11-19", reading="4 812")
    pen.writes("match_marks", mesh="bevel-set", marks="two punch marks on the pinion, one on the gear")
    pen.writes(
        "match_marks",
        mesh="helical-pair",
        marks="none found; yellow paint across tooth 1 and its gap",
        own=True,
    )
    pen.writes(
        "witness",
        mesh="bevel-set",
        drive=patch(0.55, 0.62, 0.3, 0.28),
        coast=patch(0.46, 0.58, 0.24, 0.24),
        ran="well",
        remark="polished, no edge load",
    )
    pen.writes("way_round", part="output-seal", words="lip inward, to the oil")


def ring_set_paint(flank: Side, out: Shift = HOME) -> list[list[float]]:
    """What the ring gear of F-12 shows on a flank, its members that far out from where they ran."""
    truth = replace(S2, bias=0.6, centre=(0.46, 0.62))
    return [list(row) for row in as_painted(contact(truth, flank, out))]


def _final_drive(pen: Pen) -> None:
    """Its ring gear still shows how it ran before its bearings wore."""
    pen.writes(
        "witness",
        mesh="ring-set",
        drive=ring_set_paint("drive"),
        coast=ring_set_paint("coast"),
        ran="well",
        remark="polished in the middle; the last hours' marks lie higher",
    )


def _gearbox(pen: Pen, files: Files | None) -> None:
    pen.writes("hour_meter", when="receiving", read_on="2026-11-23", none=True, words="never had one")
    pen.writes("locked_out", points="main breaker Q2, shaft brake pinned", key_holder="Oda Brisk")
    pen.writes("pack", place="input-cover", plates=["0.25", "0.10"], side="front", slots="slot at 12")
    pen.writes("pack", place="output-cover", plates=["0.50"], side="rear", slots="slot at 3")
    pen.writes("pack", place="counter-cover", plates=["0.25", "0.20", "0.05"], side="rear", slots="slot at 6")
    for mesh in ("constant", "third-pair", "second-pair", "first-pair"):
        pen.writes("match_marks", mesh=mesh, marks="none needed: constant mesh, painted one tooth", own=True)
    pen.writes("way_round", part="input-seal", words="lip to the oil, spring inside")
    pen.writes("way_round", part="output-seal", words="lip to the oil, spring inside")
    pen.writes("way_round", part="dog-high", words="groove to the rear")
    pen.writes("wrong", what="wrong", words="snap ring of second gear out of its groove", part="main-rings")
    pen.writes(
        "removed",
        let_go=("reading:input-end-play",),
        because="input bearing loose in the case: no seat to read from",
        part="clutch-hub",
        way="puller",
        tag="K8-1",
        side="front",
        bag="1",
    )
    pen.writes(
        "removed",
        let_go=("reading:input-end-play",),
        because="input bearing loose in the case: no seat to read from",
        part="input-cover-part",
        way="hand",
        tag="K8-2",
        side="front",
        bag="1",
        mates=["input-seal"],
    )
    pen.takes_off("main-rings", tag="K8-3", count=3, bag="2", remark="one bent")
    pen.takes_off("thrust-washers", tag="K8-4", count=3, bag="2")
    pen.writes("loose", what="M6 spring washer", where="the sump, below second gear")
    if files is not None:
        for subject, caption, shade in (
            ("second", "Dog teeth of second, rounded", 0),
            ("main-rings", "Ring out of its groove", 1),
        ):
            desk = pen.desk()
            add_photo(
                desk,
                "k08",
                files,
                take_picture(_drawn(shade)),
                {"id": f"k08.p{pen.now}", "subject": subject, "caption": caption},
            )


def _drawn(shade: int) -> bytes:
    """A drawn stand-in for a photo from the bench."""
    image = Image.new("RGB", (960, 720), (96 + 30 * shade, 92, 84))
    pen = ImageDraw.Draw(image)
    for ring in range(9):
        grey = 120 + 12 * ring
        pen.ellipse(
            (180 + 30 * ring, 60 + 30 * ring, 780 - 30 * ring, 660 - 30 * ring),
            outline=(grey, grey, grey - 8),
            width=16,
        )
    for tooth in range(14):
        pen.rectangle((60 + 62 * tooth, 640, 92 + 62 * tooth, 700 - 9 * (tooth % 3)), fill=(150, 146, 138))
    out = io.BytesIO()
    image.save(out, "PNG")
    return out.getvalue()
