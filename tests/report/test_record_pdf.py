"""The record as PDF and the other papers: what must stand on them, and that odd words do no harm."""

from __future__ import annotations

import csv
import io
from typing import Any

import pytest
from flask.testing import FlaskClient
from pypdf import PdfReader

from bornek.report.csv_cells import safe_cell
from bornek.report.orders_csv import HEAD, orders_csv

ACTOR = {"X-Mechanic": "marl"}


def words_of(data: bytes) -> str:
    return " ".join("".join(p.extract_text() for p in PdfReader(io.BytesIO(data)).pages).split())


def record(client: FlaskClient, job: str) -> str:
    answer = client.get(f"/api/jobs/{job}/record.pdf")
    assert answer.status_code == 200
    return words_of(answer.data)


@pytest.mark.parametrize("job", ["w17", "f12", "l03", "p22", "k08", "t05", "c09", "g04", "w11"])
def test_every_job_of_the_yard_has_its_paper(client: FlaskClient, job: str) -> None:
    text = record(client, job)
    shown = client.get(f"/api/jobs/{job}").get_json()
    assert shown["tag"] in text
    assert shown["serial"] in text
    assert "not authenticated" in text
    for setting in shown["settings"]:
        assert setting["label"] in text


def test_the_gearbox_tells_its_strip_and_its_inspection(client: FlaskClient) -> None:
    text = record(client, "k08")
    for words in (
        "locked out",
        "M6 spring washer",
        "NOT ACCOUNTED FOR",
        "Inspection",
        "Loose on its seat",
        "BB-6310 from Lower Lock stores",
        "teeth 17, 18, 19 chipped",
        "First draft of the build order",
    ):
        assert words in text, words


def test_markup_in_what_people_type_is_only_letters(client: FlaskClient) -> None:
    body = {"part": "coupling-key", "grades": {"fit": "sound"}, "note": "<b>bold</b> & <script>x</script>"}
    client.post("/api/jobs/p22/inspection", json={"id": "n", "kind": "graded", "body": body}, headers=ACTOR)
    assert "<script>x</script>" in record(client, "p22")


def test_a_bag_has_one_label_with_all_that_is_in_it(client: FlaskClient) -> None:
    text = words_of(client.get("/api/jobs/k08/bag-labels.pdf").data)
    assert text.count("K-08/1") == 1
    assert "Clutch hub" in text
    assert "Input cover" in text


def test_without_a_bag_there_is_no_label_and_it_says_why(client: FlaskClient) -> None:
    answer = client.get("/api/jobs/p22/bag-labels.pdf")
    assert (answer.status_code, answer.get_json()["field"]) == (422, "bag")


def test_the_section_is_given_out_as_a_drawing_with_its_places(client: FlaskClient) -> None:
    answer = client.get("/api/jobs/k08/section.svg")
    assert answer.headers["Content-Type"].startswith("image/svg+xml")
    places = client.get("/api/jobs/k08").get_json()["places"]
    assert answer.text.count("<svg") == 1
    assert "<script" not in answer.text
    assert all(str(p["number"]) in answer.text for p in places)


def line(**changed: Any) -> dict[str, Any]:
    return {
        "tag": "W-1",
        "label": "Seal",
        "what": "send_out",
        "number": "S-1",
        "substitutes": ["A", "B"],
        "count": 2,
        "supplier": "store",
        "promised": "2026-12-01",
        "state": "sent out",
        "late": True,
        "words": "",
        "read_again": ["Play"],
        "by": "Jun",
    } | changed


def test_an_order_is_a_line_with_its_columns() -> None:
    rows = list(csv.DictReader(io.StringIO(orders_csv([line()]))))
    assert list(rows[0]) == list(HEAD)
    assert (rows[0]["what"], rows[0]["substitutes"], rows[0]["late"]) == ("send out", "A; B", "late")


@pytest.mark.parametrize("bad", ["=1+1", "+cmd", "-x", "@sum", "\tx"])
def test_no_cell_can_be_run_by_a_spreadsheet(bad: str) -> None:
    rows = list(csv.reader(io.StringIO(orders_csv([line(supplier=bad)]))))
    assert rows[1][6] == "'" + bad
    assert safe_cell(bad) == "'" + bad


@pytest.mark.parametrize("fine", ["-0.05", "+3", "plain", "", 4, None])
def test_numbers_and_plain_words_stay_as_they_are(fine: Any) -> None:
    assert safe_cell(fine) == fine
