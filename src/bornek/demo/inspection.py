"""The inspection of the demo yard: a gearbox half judged, its cause found, a bearing late."""

from __future__ import annotations

from sqlalchemy.orm import Session

from bornek.core.parts.look_fors import look_fors_of
from bornek.demo.strip import TODAY, Pen
from bornek.services.inspect.fits import add_fit
from bornek.services.job.job_definition import definition_of
from bornek.services.setting.take_reading import take_reading
from bornek.services.shop.shop_lists import own_look_fors, write_cross_number, write_look_for
from bornek.store.queries.jobs import job_with_unit

BORE = (("up", "60.045"), ("across", "60.041"))
JOURNAL = (("up", "59.962"), ("across", "59.960"))


class Judge(Pen):
    """A pen that grades whole parts."""

    def grades(self, key: str, note: str = "", rest: str = "sound", **odd: str) -> None:
        job, _ = job_with_unit(self.session, self.job)
        part = definition_of(job).part(key)
        assert part is not None
        looks = look_fors_of(part, own_look_fors(self.session))
        grades = {x.key: rest for x in looks} | {k.replace("own_", "own-"): g for k, g in odd.items()}
        self.writes("graded", part=key, grades=grades, note=note)

    def judges(self, key: str, verdict: str, words: str = "") -> None:
        self.writes("judged", part=key, verdict=verdict, words=words)


def seed_inspection(session: Session) -> None:
    pen = Judge(session, "oda", "k08", TODAY, first=101)
    write_look_for(
        pen.desk(),
        {
            "id": "shop-look-1",
            "group": "fork",
            "label": "Yellow stripe of the last rebuild",
            "means": "It was in then: look twice at what it slides on.",
            "kinds": ["fork"],
        },
    )
    for n, (number, other, words) in enumerate(
        (
            ("BB-6310", "K 63 110", "same size, brass cage"),
            ("K 63 110", "LS-310", "sealed on one side: take the seal out"),
            ("TB-3007", "K 30 207", "wider by 0.03: read the end play again"),
        ),
        1,
    ):
        write_cross_number(pen.desk(), {"id": f"cross-{n}", "number": number, "other": other, "words": words})
    _bush(pen)
    _parts(pen)
    _cause(pen)


def _parts(pen: Judge) -> None:
    pen.grades("clutch-hub")
    pen.judges("clutch-hub", "reuse")
    pen.grades("input-cover-part", drains="dress", note="return hole half shut with sealant")
    pen.judges("input-cover-part", "dress")
    pen.judges("input-seal", "replace")
    pen.grades("input-bearing", spun="worn_beyond", path="worn_within", note="outer ring turned in the case")
    pen.judges("input-bearing", "replace")
    pen.grades(
        "second", thrust_faces="worn_within", chips="worn_beyond", note="dog teeth rounded on the drive side"
    )
    pen.writes(
        "teeth", part="second", marks=[{"tooth": n, "flank": "drive", "damage": "chip"} for n in (17, 18, 19)]
    )
    pen.judges("second", "replace")
    pen.writes(
        "ordered",
        part="input-bearing",
        what="order",
        number="BB-6310",
        supplier="Lower Lock stores",
        promised="2026-11-23",
    )
    pen.writes(
        "ordered",
        part="second",
        what="order",
        number="GB-231",
        supplier="Wickerel gear shop",
        promised="2026-12-04",
        words="cut to the old one as a sample",
    )


def _cause(pen: Judge) -> None:
    for key in ("spun", "fretting", "seat_loose", "grit"):
        pen.writes("evidence", evidence=key, seen="seen")
    for key in ("heat_blue", "water"):
        pen.writes("evidence", evidence=key, seen="absent")
    pen.writes("cause", cause="loose_seat", words="seat in the case 0.06 over")


def _bush(pen: Judge) -> None:
    """The bush of second gear gets a number, and is out."""
    add_fit(
        pen.desk(),
        "k08",
        {
            "part": "second",
            "kind": "plain_bearing",
            "label": "Second gear on its bush",
            "given": {
                "diameter": "60",
                "least": "0.03",
                "greatest": "0.07",
                "torque": None,
                "source": "Yard drawing GB-5, sheet 4",
            },
        },
    )
    for what, sizes in (("journal", JOURNAL), ("bore", BORE)):
        for place in ("near", "middle", "far"):
            for way, text in sizes:
                desk = pen.desk()
                take_reading(
                    desk,
                    "k08.second-gear-on-its-bush",
                    {"id": f"k08.r{pen.now}", "slot": f"{what}.{place}.{way}", "text": text},
                )
