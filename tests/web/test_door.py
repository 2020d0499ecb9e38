"""The API's door: bodies that are no finite, bounded JSON are refused with field, reason and next step."""

import pytest
from flask.testing import FlaskClient

from helpers import Bench

COMPUTE = "/api/kinds/shim_pack_end_play/compute"


@pytest.mark.parametrize(
    "body",
    [
        b'{"given": NaN}',
        b'{"given": {"least": Infinity}}',
        b'{"given": {"least": 1' + b"0" * 400 + b"}}",
        b"[" * 50_000,
        b'{"given": ' + b"[" * 40 + b"]" * 40 + b"}",
        b"\xff\xfe",
        b"{",
        b"[1, 2]",
    ],
)
@pytest.mark.parametrize("path", [COMPUTE, "/api/settings/w17.output-end-play/entries"])
def test_a_body_that_cannot_be_used_is_refused(client: FlaskClient, path: str, body: bytes) -> None:
    answer = client.post(path, data=body, content_type="application/json", headers={"X-Mechanic": "marl"})
    assert answer.status_code in (400, 422)
    problem = answer.get_json()
    assert problem["message"]
    assert problem["next_step"]


def test_a_gauge_for_torque_reads_no_travel(client: FlaskClient) -> None:
    bench = Bench(client, "w17.output-end-play")
    card = {"id": "drag", "name": "Drag gauge", "unit": "N·m", "quantity": "torque", "division": 0.1, "interpolation": 0.5,
            "calibration_u": 0.02, "due": ""}  # fmt: skip
    made = client.post("/api/gauges", json=card, headers={"X-Mechanic": "marl"})
    assert made.status_code == 201, made.get_json()
    answer = bench.post("entries", {"slot": "travel.mark_down.2", "text": "0.14", "gauge": "drag"})
    assert answer.status_code == 422
    assert "measures torque" in answer.get_json()["message"]


def test_a_travel_below_zero_is_kept_and_does_not_count(client: FlaskClient) -> None:
    bench = Bench(client, "w17.output-end-play")
    before = bench.view()["sheet"]["outcome"]["results"][0]["value"]
    bench.written("entries", {"slot": "travel.mark_down.2", "text": "-0.14", "confirmed": True})
    sheet = bench.view()["sheet"]
    cell = next(c for c in sheet["cells"] if c["slot"] == "travel.mark_down.2")
    assert cell["status"] == "asked"
    assert not cell["slips"][0]["stands"]
    assert sheet["outcome"]["results"][0]["value"] == before
