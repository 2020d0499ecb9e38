"""Search: every kind of thing by the beginning of its words; the board's kept part_counts."""

import pytest
from flask.testing import FlaskClient
from sqlalchemy import text

from bornek.store.database import Database
from bornek.store.search import find_rows
from helpers import Bench


def find(client: FlaskClient, typed: str) -> list[tuple[str, str]]:
    answer = client.get("/api/search", query_string={"q": typed})
    assert answer.status_code == 200, answer.get_json()
    return [(f["what"], f["tag"]) for f in answer.get_json()["found"]]


@pytest.mark.parametrize(
    ("typed", "wanted"),
    [
        ("W-17", ("job", "W-17")),
        ("wick", ("job", "W-17")),
        ("RW7-0412", ("job", "W-17")),
        ("GB-322", ("part", "K-08")),
        ("countershaft sec", ("part", "K-08")),
        ("K8-3", ("bag", "K-08")),
        ("K-08/2", ("bag", "K-08")),
        ("SET-1439", ("serial", "W-08")),
        ("brisk", ("mechanic", "K-08")),
        ("oda", ("mechanic", "K-08")),
        ("spring washer", ("loose", "K-08")),
        ("snap ring of second", ("wrong", "K-08")),
    ],
)
def test_it_is_found_by_what_people_type(client: FlaskClient, typed: str, wanted: tuple[str, str]) -> None:
    assert wanted in find(client, typed)


def test_units_come_first(client: FlaskClient) -> None:
    assert find(client, "K-08")[0] == ("job", "K-08")


@pytest.mark.parametrize("typed", ["", "x", "--", "\x00\x00", '" OR 1=1'])
def test_too_little_is_refused_and_signs_do_no_harm(client: FlaskClient, typed: str) -> None:
    answer = client.get("/api/search", query_string={"q": typed})
    assert answer.status_code in (200, 422)
    assert answer.status_code == 422 or answer.get_json()["found"] == []


@pytest.mark.parametrize("typed", ['"', "*", "a* OR b", "NEAR(a b)", "words : x", "^seal", "a" * 5000])
def test_the_indexs_own_language_is_only_letters_here(yard: Database, typed: str) -> None:
    with yard.reading() as session:
        assert isinstance(find_rows(session, typed, 5), list)


def test_the_board_is_made_afresh_only_for_jobs_that_were_written_on(
    client: FlaskClient, yard: Database
) -> None:
    def part_counts() -> dict[str, int]:
        with yard.reading() as session:
            return dict(session.execute(text("SELECT job_id, rowid FROM standing")).all())  # type: ignore[arg-type]

    client.get("/api/board")
    first = part_counts()
    Bench(client, "w17.output-end-play").read("travel.mark_down.2", "0.15")
    rows = {r["job_id"]: r for r in client.get("/api/board").get_json()["rows"]}
    said = "".join(
        s["text"] for s in client.get("/api/settings/w17.output-end-play").get_json()["sheet"]["say"]
    )
    assert "".join(s["text"] for s in rows["w17"]["say"]) == said
    assert set(part_counts()) == set(first)


def test_the_board_follows_the_drawer(client: FlaskClient) -> None:
    def said() -> str:
        rows = client.get("/api/board").get_json()["rows"]
        return "".join(s["text"] for s in next(r for r in rows if r["job_id"] == "w17")["say"])

    assert "for a 0.10" in said()
    for n, thickness in enumerate(("0.10", "0.08", "0.05")):
        client.post(
            "/api/drawer/counts",
            headers={"X-Mechanic": "oda"},
            json={"id": f"c{n}", "form": "C3 ring", "thickness": thickness, "count": 0},
        )
    assert "for a 0.10" not in said()
