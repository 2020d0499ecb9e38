"""One hub of the ferry's drive prepared to go on hot, and the bolts of its cover."""

from __future__ import annotations

from datetime import timedelta
from typing import Any

from sqlalchemy.orm import Session

from bornek.demo.strip import TODAY, Pen
from bornek.services.fit.write_fit import write_fit

SIZES = {
    "nominal": "140", "shaft_fit": "s6", "bore_fit": "H7",
    "shaft_a1": "140.112", "shaft_a2": "140.113", "shaft_b1": "140.112", "shaft_b2": "140.111",
    "shaft_c1": "140.111", "shaft_c2": "140.112", "bore_a1": "140.014", "bore_a2": "140.015",
    "bore_b1": "140.014", "bore_b2": "140.014", "bore_c1": "140.013", "bore_c2": "140.014",
    "shaft_division": "0.001", "bore_division": "0.002",
}  # fmt: skip
HEAT = {
    "d": "140",
    "interference": "0.098",
    "entering": "0.07",
    "outside": "240",
    "length": "100",
    "hub_is": "gear_case",
}
PRESS = {"d": "140", "interference": "0.098", "interference_give": "0.004", "outside": "240", "length": "100"}
RAM = {"area": "50.3", "rated_pressure": "63 MPa", "force": "251 kN", "unit": "MPa"}
BOLTS = {"thread": "M14", "grade": "8.8", "given_torque": "120 N·m", "n": "8"}


class Fitter(Pen):
    """A pen that lays sums down."""

    def lays(self, kind: str, given: dict[str, str], **at: Any) -> None:
        body = {"sum": kind, "given": given, **at}
        desk = self.desk()
        write_fit(desk, self.job, {"id": f"{self.job}.h{self.now}", "kind": "reckoned", "body": body})


def seed_fits(session: Session) -> None:
    pen = Fitter(session, "oda", "f12", TODAY - timedelta(hours=1))
    pen.lays("fit_interference", SIZES, part="left-wheel")
    pen.lays("fit_heat", HEAT, part="left-wheel")
    pen.lays("fit_press", PRESS, part="left-wheel")
    pen.lays("fit_ram", RAM, part="left-wheel")
    pen.lays("fit_bolts", BOLTS, step="left-wheel-cover")
