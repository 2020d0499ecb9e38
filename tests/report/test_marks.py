"""The PDF's drawings come from the same scenes; a renderer only scales."""

import io
from typing import Any

import pytest
from flask.testing import FlaskClient
from hypothesis import given
from hypothesis import strategies as st
from pypdf import PdfReader
from reportlab.graphics.shapes import Drawing, Group, Rect, String

from bornek.report.csv_readings import readings_csv
from bornek.report.drawers import DRAWERS
from bornek.report.paint import BLUE, PAD, YELLOW, Scale
from bornek.report.pdf_record import record_pdf
from helpers import NOW


def scenes(client: FlaskClient, setting: str) -> dict[str, Any]:
    found = client.get(f"/api/settings/{setting}").get_json()["sheet"]["scenes"]
    return {s["type"]: s for s in reversed(found)}


def shapes(drawing: Drawing | Group, kind: type) -> list[Any]:
    found = [s for s in drawing.contents if isinstance(s, kind)]
    for group in (s for s in drawing.contents if isinstance(s, Group)):
        found += shapes(group, kind)
    return found


@given(st.floats(-1, 1), st.floats(0.01, 2), st.floats(0, 1))
def test_the_scale_is_straight_and_stays_on_the_paper(lo: float, span: float, share: float) -> None:
    x = Scale(lo, lo + span, 400)
    assert x(lo + share * span) == pytest.approx(PAD + share * (400 - 2 * PAD), abs=1e-6)
    assert x(lo - 9) == PAD
    assert x(lo + span + 9) == 400 - PAD


def test_the_strips_window_is_where_its_scene_says(client: FlaskClient) -> None:
    scene = scenes(client, "w17.output-end-play")["readout"]
    drawing = DRAWERS["readout"](scene, 500)
    x = Scale(scene["lo"], scene["hi"], 500)
    window = next(r for r in shapes(drawing, Rect) if r.fillColor == BLUE)
    assert window.x == pytest.approx(x(scene["window"]["lo"]))
    assert window.x + window.width == pytest.approx(x(scene["window"]["hi"]))


def test_a_landing_is_yellow_with_its_edge(client: FlaskClient) -> None:
    drawing = DRAWERS["readout"](scenes(client, "w17.output-end-play")["readout"], 500)
    landing = [r for r in shapes(drawing, Rect) if r.fillColor == YELLOW]
    assert len(landing) == 1
    assert landing[0].strokeColor is not None


def test_a_pack_has_a_plate_for_each_shim_and_its_total(client: FlaskClient) -> None:
    scene = scenes(client, "w11.output-end-play")["pack"]
    drawing = DRAWERS["pack"](scene, 190)
    words = [s.text for s in shapes(drawing, String)]
    assert [p["label"] for p in scene["now"]] == words[:-1]
    assert words[-1] == "pack 0.70"


def test_the_log_has_a_disc_for_each_round_found(client: FlaskClient) -> None:
    scene = scenes(client, "w11.output-end-play")["log"]
    drawing = DRAWERS["log"](scene, 500)
    discs = [r for r in shapes(drawing, Rect) if r.rx == 3]
    assert len(discs) == 2


def test_a_needle_that_never_moved_is_drawn_too(client: FlaskClient) -> None:
    scene = scenes(client, "w17.output-end-play")["readout"]
    scene["needle"] = {
        "at": 0.005,
        "give": 0.0,
        "label": "at most 0.005",
        "give_label": "mm",
        "words": "",
        "bound": True,
    }
    assert any("at most" in s.text for s in shapes(DRAWERS["readout"](scene, 500), String))


def test_an_unsigned_job_has_its_pdf_and_says_so(client: FlaskClient) -> None:
    record = client.get("/api/jobs/p22/record").get_json()
    text = "".join(p.extract_text() for p in PdfReader(io.BytesIO(record_pdf(record, NOW))).pages)
    assert "not signed" in text
    assert "NOT READ" in text
    assert "Old lip seal" in text


def test_names_with_markup_do_not_break_the_pdf(client: FlaskClient) -> None:
    record = client.get("/api/jobs/p22/record").get_json()
    record["job"]["complaint"] = '<b>loud</b> & "hot" √2 ≤ 3'
    text = PdfReader(io.BytesIO(record_pdf(record, NOW))).pages[0].extract_text()
    assert "<b>loud</b> &" in text


@pytest.mark.parametrize("cell", ["=1+1", "+cmd", "@x", "-x"])
def test_cells_that_a_spreadsheet_would_run_are_quoted(cell: str) -> None:
    entry = {
        "seq": 1,
        "round": 1,
        "label": cell,
        "as_typed": "0.1",
        "shown": "0.1",
        "gauge": "",
        "by": "",
        "at": "",
        "fate": "",
        "taken": "",
    }
    assert f"'{cell}" in readings_csv({"settings": [{"label": "s", "entries": [entry]}]})


def test_a_negative_reading_stays_a_number() -> None:
    entry = {
        "seq": 1,
        "round": 1,
        "label": "s",
        "as_typed": "-0.05",
        "shown": "",
        "gauge": "",
        "by": "",
        "at": "",
        "fate": "",
        "taken": "",
    }
    assert ",-0.05," in readings_csv({"settings": [{"label": "s", "entries": [entry]}]})
