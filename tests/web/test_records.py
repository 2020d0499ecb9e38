import csv
import io
import json
import zipfile
from collections.abc import Callable
from typing import Any

import pytest
from flask.testing import FlaskClient
from pypdf import PdfReader

from apps import app_over
from bornek.store.database import Database


def test_the_pdf_tells_as_found_rounds_as_left_and_who(client: FlaskClient) -> None:
    pdf = PdfReader(io.BytesIO(client.get("/api/jobs/w11/record.pdf").data))
    text = " ".join(page.extract_text() for page in pdf.pages)
    for words in (
        "W-11",
        "As found",
        "0.190",
        "As left",
        "0.092",
        "Jun Havers",
        "named, not authenticated",
        "Yard drawing RW-7",
        "Mean of 6",
        "Not verified",
    ):
        assert words in text, words


def test_the_pdf_draws_strip_and_pack_as_vectors(client: FlaskClient) -> None:
    pdf = PdfReader(io.BytesIO(client.get("/api/jobs/w11/record.pdf").data))
    assert all(not page.images for page in pdf.pages)
    painted = pdf.pages[0].get_contents().get_data()  # type: ignore[union-attr]
    assert b".156863 .2 .560784 rg" in painted  # the window's blue


def test_the_csv_holds_every_reading_as_typed(client: FlaskClient) -> None:
    rows = list(csv.DictReader(io.StringIO(client.get("/api/jobs/w17/readings.csv").text)))
    assert len(rows) == 10
    assert rows[0]["as_typed"] == "0.31"
    assert {r["by"] for r in rows} == {"Marl Tennick"}


@pytest.mark.parametrize("job", ["w17", "w11", "c09", "p22"])
def test_the_exchange_file_imports_into_an_empty_database_without_loss(
    client: FlaskClient, empty: Database, job: str
) -> None:
    data = client.get(f"/api/jobs/{job}/exchange.zip").data
    other = app_over(empty).test_client()
    assert other.post("/api/jobs/imports", data=data).get_json() == {"job_id": job}
    assert other.get(f"/api/jobs/{job}/exchange.zip").data == data
    for path in (f"/api/jobs/{job}/record", f"/api/jobs/{job}/readings.csv"):
        assert json.dumps(_bare(other.get(path))) == json.dumps(_bare(client.get(path)))


def _bare(answer: Any) -> Any:
    """Without the moves on offer: they come from the drawer, which does not travel."""
    if not answer.is_json:
        return answer.text
    record = answer.get_json()
    for s in record["settings"]:
        s["sheet"] = {k: s["sheet"][k] for k in ("cells", "outcome", "verdict", "round", "unverified")}
        s["sheet"]["outcome"].pop("checks")
    record["job"].pop("settings")
    return record


def _changed(data: bytes, change: Callable[[dict[str, Any]], Any]) -> bytes:
    with zipfile.ZipFile(io.BytesIO(data)) as old:
        body = json.loads(old.read("job.json"))
    change(body)
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as new:
        new.writestr("job.json", json.dumps(body))
    return out.getvalue()


def test_a_job_already_here_and_a_tampered_file_are_refused(client: FlaskClient, empty: Database) -> None:
    data = client.get("/api/jobs/w17/exchange.zip").data
    twice = client.post("/api/jobs/imports", data=data)
    assert twice.status_code == 422
    assert "already" in twice.get_json()["message"]
    other = app_over(empty).test_client()
    tampered = _changed(data, lambda b: b["rows"]["entry"][0].update(as_typed="9"))
    assert "changed on the way" in other.post("/api/jobs/imports", data=tampered).get_json()["message"]


@pytest.mark.parametrize("data", [b"", b"no zip", b"PK\x03\x04broken"])
def test_what_is_no_exchange_file_is_refused_clearly(client: FlaskClient, data: bytes) -> None:
    answer = client.post("/api/jobs/imports", data=data)
    assert answer.status_code == 422
    assert answer.get_json()["field"] == "file"
