"""A simulated gauge on a free port, and a listener that a test waits for without sleeping."""

from __future__ import annotations

import threading
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from typing import Any

from flask.testing import FlaskClient

from bornek.core.trace.presses import AT_ONCE_S
from bornek.devices.sim_motion import Bench
from bornek.devices.sim_needle import Faults
from bornek.devices.sim_server import RATE_HZ, SimGauge

CARD = {"id": "talk", "name": "Lever 8", "takes": ["travel"], "unit": "mm", "division": 0.001,
        "interpolation": 1.0, "calibration_u": 0.002, "due": "2027-03-01"}  # fmt: skip
MARL = {"X-Mechanic": "marl"}
MEANT_APART = AT_ONCE_S * RATE_HZ + 1
"""So many values lie between two presses that are two."""
_pause = threading.Event()


@contextmanager
def simulated(bench: Bench | None = None, faults: Faults | None = None, **more: Any) -> Iterator[SimGauge]:
    sim = SimGauge(bench or Bench(), faults or Faults(), **more)
    sim.start()
    yield sim
    sim.close()


def until(found: Callable[[], Any], most: int = 600) -> Any:
    """What `found` gives once it gives something; it is asked some thirty times a second."""
    for _ in range(most):
        value = found()
        if value:
            return value
        _pause.wait(0.03)
    raise AssertionError("it never came")


def write_card(client: FlaskClient, sim: SimGauge, key: str = "talk", **line: Any) -> None:
    """The gauge of a card that talks as the simulated one does."""
    card = client.post("/api/gauges", json={**CARD, "id": key, "name": f"Lever {key}"}, headers=MARL)
    assert card.status_code == 201, card.get_json()
    sent = {"port": sim.address, "pedal": "PEDAL", **line}
    answer = client.post(f"/api/gauges/{key}/line", json=sent, headers=MARL)
    assert answer.status_code == 201, answer.get_json()
