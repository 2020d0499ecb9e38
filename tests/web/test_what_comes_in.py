"""Requests as they come in: sent twice, too large, from elsewhere, of signs that cannot be written."""

import io
import json
from datetime import timedelta

import pytest
from flask import Flask
from flask.testing import FlaskClient
from PIL import Image
from sqlalchemy import select, text

from altered import opened, packed
from apps import app_over
from bornek.app import wire_of
from bornek.core.quantities import parse
from bornek.store import tables as t
from bornek.store.database import Database
from helpers import NOW, Bench

ACTOR = {"X-Mechanic": "oda"}


def picture(size: tuple[int, int]) -> bytes:
    out = io.BytesIO()
    Image.new("RGB", size, (90, 90, 90)).save(out, "PNG")
    return out.getvalue()


def test_a_key_covers_the_bytes_of_a_file(client: FlaskClient) -> None:
    """The same key with another photo, and with another exchange file, is another request."""
    url, headers = "/api/jobs/w17/photos?id=ph1", ACTOR | {"Idempotency-Key": "k1"}
    first, other = picture((40, 30)), picture((50, 30))
    assert client.post(url, data=first, headers=headers, content_type="image/png").status_code == 201
    again = client.post(url, data=first, headers=headers, content_type="image/png")
    assert len(again.get_json()["photos"]) == 1
    late = client.post(url, data=other, headers=headers, content_type="image/png")
    assert (late.status_code, late.get_json()["code"]) == (422, "key_reused")


def test_an_import_sent_again_gets_its_job_and_another_file_is_told_apart(
    client: FlaskClient, empty: Database
) -> None:
    other = app_over(empty).test_client()
    headers = ACTOR | {"Idempotency-Key": "k2"}
    data = client.get("/api/jobs/c09/exchange.zip").data
    for _ in range(2):
        taken = other.post("/api/jobs/imports", data=data, headers=headers)
        assert (taken.status_code, taken.get_json()) == (201, {"job_id": "c09"})
    late = other.post(
        "/api/jobs/imports", data=client.get("/api/jobs/w11/exchange.zip").data, headers=headers
    )
    assert late.get_json()["code"] == "key_reused"


def test_a_row_of_a_request_is_small_and_goes_after_a_month(application: Flask, yard: Database) -> None:
    pump = Bench(application.test_client(), "p22.thrust-end-play")
    pump.post("entries", {"slot": "travel.mark_up.1", "text": "0.14"}, key="old")
    with yard.reading() as session:
        row = session.execute(text("SELECT * FROM idempotency WHERE key = 'old'")).one()
    assert len(json.dumps([str(x) for x in row])) < 200
    application.extensions["bornek"] = wire_of(yard, lambda: NOW + timedelta(days=31))
    pump.post("entries", {"slot": "travel.mark_up.2", "text": "0.14"}, key="new")
    with yard.reading() as session:
        assert list(
            session.scalars(select(t.Idempotency.key).where(t.Idempotency.key.in_(["old", "new"])))
        ) == ["new"]


@pytest.mark.parametrize("words", ["a\u0000b", "\ud800", "bell\u0007", "\u007f"])
def test_signs_that_cannot_be_written_are_refused_in_words(client: FlaskClient, words: str) -> None:
    body = json.dumps({"id": "f1", "kind": "loose", "body": {"what": words, "where": "sump"}})
    answer = client.post("/api/jobs/w17/facts", data=body, headers=ACTOR, content_type="application/json")
    assert answer.status_code == 422, answer.get_json()
    assert "control characters" in answer.get_json()["message"]


@pytest.mark.parametrize(
    "words", ["0.1" + " " * 20000 + "x", " " * 20000, "1" * 20000, "1/" * 9999, "- " * 9999, "1e" + "9" * 400]
)
def test_a_long_text_is_read_in_its_length(words: str) -> None:
    """Twice as long takes about twice as long: a reader that goes back over spaces would take minutes."""
    with pytest.raises(Exception, match=r".+"):
        parse(words)


@pytest.mark.parametrize("path", ["/api/jobs/w17/record.pdf", "/api/jobs/w17/section.svg", "/api/board", "/"])
def test_no_other_page_may_embed_what_is_served(client: FlaskClient, path: str) -> None:
    assert client.get(path).headers["Cross-Origin-Resource-Policy"] == "same-origin"


@pytest.mark.parametrize(
    "path", ["/../../etc/passwd", "/..%2f..%2f..%2fetc%2fpasswd", "//etc/passwd", "/assets/../../app.py"]
)
def test_a_path_tells_nothing_of_what_lies_outside_the_page(client: FlaskClient, path: str) -> None:
    there, not_there = client.get(path), client.get(path + "-not-there")
    assert (there.status_code, there.data) == (not_there.status_code, not_there.data)


@pytest.mark.parametrize(
    ("host", "status"),
    [("localhost:8460", 200), ("127.0.0.1", 200), ("yard.evil.test", 403), ("127.0.0.1.evil.test", 403)],
)
def test_it_answers_under_its_own_names_only(client: FlaskClient, host: str, status: int) -> None:
    assert client.get("/api/health", headers={"Host": host}).status_code == status


def test_a_body_of_more_than_a_million_signs_is_refused(client: FlaskClient) -> None:
    body = json.dumps({"id": "f1", "kind": "loose", "body": {"what": "x", "where": " " * 1_000_001}})
    assert (
        client.post(
            "/api/jobs/w17/facts", data=body, headers=ACTOR, content_type="application/json"
        ).status_code
        == 413
    )


def test_an_exchange_file_may_not_write_on_another_job(client: FlaskClient, empty: Database) -> None:
    """A row of the file that names a job, a setting or a round that is here and not its own."""
    other = app_over(empty).test_client()
    assert (
        other.post(
            "/api/jobs/imports", data=client.get("/api/jobs/w17/exchange.zip").data, headers=ACTOR
        ).status_code
        == 201
    )
    before = other.get("/api/jobs/w17/exchange.zip").data
    content, files = opened(client.get("/api/jobs/w11/exchange.zip").data)
    victim = "w17.output-end-play"
    for table, change in (
        ("entry", {"setting_id": victim, "round_id": f"{victim}.2", "job_id": "w17", "id": "evil"}),
        ("fact", {"job_id": "w17", "id": "evil"}),
        ("signature", {"setting_id": victim, "id": "evil"}),
        ("entry", {"id": "w17.output-end-play.d3"}),
        ("round", {"setting_id": victim, "number": 9, "id": "evil"}),
        ("stock_movement", {"act_id": None, "delta": 99}),
    ):
        rows = json.loads(json.dumps(content["rows"]))
        source = rows[table][-1] if rows[table] else None
        if source is None:
            continue
        rows[table].append(source | change)
        other.post("/api/jobs/imports", data=packed((content | {"rows": rows}, files)), headers=ACTOR)
        assert other.get("/api/jobs/w17/exchange.zip").data == before, table
