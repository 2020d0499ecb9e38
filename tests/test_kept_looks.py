"""What a write is answered with is kept as last seen wherever the same can be looked at: told by the API's own document."""

from __future__ import annotations

import json
import re
from pathlib import Path
from typing import Any

import pytest

ROOT = Path(__file__).parents[1]
PATHS: dict[str, dict[str, Any]] = json.loads((ROOT / "docs/openapi.json").read_text(encoding="utf-8"))[
    "paths"
]
ROWS = re.findall(
    r"\[/(.+)/, \"(.+)\"\],", (ROOT / "frontend/src/api/kept/lookOf.ts").read_text(encoding="utf-8")
)
FORMS = [(re.compile(form.replace("\\/", "/")), look.replace("$1", "\\1")) for form, look in ROWS]
NOT_KEPT = {
    "/api/devices/{device}/end", "/api/people", "/api/people/{mechanic}",  # who may do what is asked for anew
    "/api/me/here", "/api/me/secrets", "/api/owner", "/api/sign-ins", "/api/sign-ins/pin", "/api/sign-outs",  # who one is, too
    "/api/jobs", "/api/jobs/bench", "/api/unit-types", "/api/unit-types/imports",  # only the answer says where it is
    "/api/unit-types/previews",  # nothing is written
}  # fmt: skip


def shape_of(path: str, verb: str, *codes: str) -> str:
    """The schema of an answer; empty where there is none."""
    answers = PATHS[path].get(verb, {}).get("responses", {})
    found = next((answers[c] for c in codes if c in answers), {})
    return json.dumps(found.get("content", {}).get("application/json", {}).get("schema", ""), sort_keys=True)


def look_of(path: str) -> str | None:
    """As the page finds it."""
    found = next(((form, look) for form, look in FORMS if form.search(path)), None)
    return found and found[0].sub(found[1], path)


WRITES = [path for path in PATHS if "post" in PATHS[path]]


def test_the_page_s_list_was_read() -> None:
    assert len(FORMS) > 10
    assert look_of("/api/settings/{setting_id}/acts") == "/api/settings/{setting_id}"


@pytest.mark.parametrize("path", WRITES)
def test_what_a_write_is_answered_with_is_kept_where_it_is_looked_at(path: str) -> None:
    shape = shape_of(path, "post", "201", "200")
    looks = [p for p in PATHS if shape != '""' and shape_of(p, "get", "200") == shape]
    expected = None if path in NOT_KEPT or not looks else looks[0]
    assert look_of(path) == expected
    assert len(looks) <= 1


def test_nothing_is_left_out_that_is_no_address_any_more() -> None:
    assert set(WRITES) >= NOT_KEPT
