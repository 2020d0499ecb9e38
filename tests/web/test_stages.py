"""The stages are one list: the job gives it, rail, search and addresses follow."""

import re
from pathlib import Path

from flask.testing import FlaskClient

from bornek.core.facts.registry import fact_kinds
from bornek.core.stages import STAGES

PAGE = Path(__file__).parents[2] / "frontend/src"


def test_the_job_gives_them_in_their_order_with_their_pages(client: FlaskClient) -> None:
    given = client.get("/api/jobs/w17").get_json()["stages"]
    assert [s["key"] for s in given] == [s.key for s in STAGES]
    assert [bool(s["to"]) for s in given] == [s.built for s in STAGES]
    assert next(s["to"] for s in given if s["key"] == "set") == "/jobs/w17"


def test_every_stage_that_is_built_has_its_page_and_no_other_has() -> None:
    source = (PAGE / "stages/pages.ts").read_text(encoding="utf-8")
    pages = set(re.findall(r"^  (\w+): \(\) =>", source, re.M))
    assert pages == {s.key for s in STAGES if s.built}


def test_the_page_lists_no_stage_by_its_name() -> None:
    named = [
        p.name
        for p in PAGE.rglob("*.vue")
        if all(f'"{s.label}"' in p.read_text(encoding="utf-8") for s in STAGES[:3])
    ]
    assert named == []


def test_every_fact_belongs_to_a_stage_or_to_the_job() -> None:
    assert {k.stage for k in fact_kinds()} <= {s.key for s in STAGES} | {"job"}
