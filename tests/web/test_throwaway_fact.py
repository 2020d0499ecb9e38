"""A fact declared in one file is written, corrected, struck, found, recorded and exchanged."""

from __future__ import annotations

import io
from collections.abc import Iterator
from typing import Any

import pytest
from flask.testing import FlaskClient
from pypdf import PdfReader

from apps import app_over
from bornek.store.database import Database
from trial_fact import trial_fact

BODY = {"bottle": "S-14", "colour": "milky", "part": "output-shaft", "remark": "smells burnt"}


@pytest.fixture(autouse=True)
def fact() -> Iterator[str]:
    with trial_fact() as key:
        yield key


def write(
    client: FlaskClient, fact: str, number: int, body: dict[str, Any] | None = None, **more: Any
) -> Any:
    sent = {"id": f"oil-{number}", "kind": fact, "body": BODY if body is None else body, **more}
    return client.post("/api/jobs/w17/facts", json=sent, headers={"X-Mechanic": "marl"})


def test_its_form_is_offered_on_the_page_of_its_stage(client: FlaskClient, fact: str) -> None:
    offered = client.get("/api/jobs/w17/strip").get_json()["offered"]
    assert [o["fact_kind"] for o in offered] == [fact]
    assert [f["key"] for f in offered[0]["fields"]] == ["bottle", "colour", "part", "remark"]
    assert client.get("/api/jobs/w17/inspection").get_json()["offered"] == []


def test_it_is_written_corrected_and_struck(client: FlaskClient, fact: str) -> None:
    view = write(client, fact, 1).get_json()
    assert [w["words"] for w in view["written"]] == ["bottle S-14; milky; smells burnt"]
    assert view["written"][0]["label"] == "Output shaft"
    view = write(client, fact, 2, BODY | {"bottle": "S-15"}, supersedes="oil-1").get_json()
    assert [w["words"] for w in view["written"]] == ["bottle S-15; milky; smells burnt"]
    view = write(client, fact, 3, {}, supersedes="oil-2", void=True).get_json()
    assert view["written"] == []


@pytest.mark.parametrize(
    ("changed", "field"),
    [
        ({"bottle": ""}, "bottle"),
        ({"colour": "pink"}, "colour"),
        ({"part": "ghost"}, "part"),
        ({"smell": "x"}, "smell"),
    ],
)
def test_what_does_not_hold_is_refused_by_its_field(
    client: FlaskClient, fact: str, changed: dict[str, str], field: str
) -> None:
    refused = write(client, fact, 1, BODY | changed)
    assert refused.status_code == 422
    assert refused.get_json()["field"] == field


def test_the_search_finds_it_and_leads_to_its_stage(client: FlaskClient, fact: str) -> None:
    write(client, fact, 1)
    found = client.get("/api/search?q=S-14").get_json()["found"]
    assert [(f["title"], f["to"]) for f in found] == [
        ("Oil sample: bottle S-14; milky; smells burnt", "/jobs/w17/strip")
    ]


def test_it_stands_on_the_record_and_its_paper(client: FlaskClient, fact: str) -> None:
    write(client, fact, 1)
    lines = client.get("/api/jobs/w17/record").get_json()["strip"]
    line = next(x for x in lines if x["zone"] == "oil sample")
    assert (line["label"], line["by"]) == ("Output shaft", "Marl Tennick")
    pages = PdfReader(io.BytesIO(client.get("/api/jobs/w17/record.pdf").data)).pages
    assert "smells burnt" in "".join(p.extract_text() for p in pages)


def test_it_travels_to_who_knows_it_and_is_refused_by_name_by_who_does_not(
    client: FlaskClient, fact: str, empty: Database
) -> None:
    from bornek.core.facts.registry import forget_fact

    write(client, fact, 1)
    file = client.get("/api/jobs/w17/exchange.zip").data
    other = app_over(empty).test_client()
    assert other.post("/api/jobs/imports", data=file, headers={"X-Mechanic": "oda"}).status_code == 201
    assert len(other.get("/api/jobs/w17/strip").get_json()["written"]) == 1
    forget_fact(fact)
    refused = other.post("/api/jobs/imports", data=file, headers={"X-Mechanic": "oda"})
    assert refused.status_code == 422
    assert fact in refused.get_json()["message"]


def test_a_fact_that_this_version_does_not_know_is_shown_as_it_was_stored(
    client: FlaskClient, fact: str
) -> None:
    from bornek.core.facts.registry import forget_fact

    write(client, fact, 1)
    forget_fact(fact)
    for page in ("strip", "inspection", "record"):
        assert client.get(f"/api/jobs/w17/{page}").status_code == 200
    assert client.get("/api/jobs/w17").status_code == 200
    lines = client.get("/api/jobs/w17/record").get_json()["strip"]
    assert any("S-14; milky" in x["words"] for x in lines)


def test_no_service_and_no_page_names_a_fact_by_its_key() -> None:
    """The closed set of places that may: the fact's own file, and the made-up yard that writes them."""
    import ast
    from pathlib import Path

    from bornek.core.facts.registry import fact_kinds

    keys = {k.key for k in fact_kinds()} - {
        "cause",
        "ordered",
        "received",
        "closed",
        "evidence",
        "loose",
        "pack",
        "removed",
        "teeth",
        "wrong",
    }
    named = []
    for room in ("services", "web", "report"):
        for path in (Path(__file__).parents[2] / "src/bornek" / room).rglob("*.py"):
            for node in ast.walk(ast.parse(path.read_text(encoding="utf-8"))):
                if isinstance(node, ast.Compare):
                    texts = [n.value for n in ast.walk(node) if isinstance(n, ast.Constant)]
                    if keys & {t for t in texts if isinstance(t, str)}:
                        named.append(f"{path.name}:{node.lineno}")
    assert named == []
