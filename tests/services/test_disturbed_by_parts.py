"""Nothing shows or accepts a stale "in": whatever disturbs a signed setting is seen everywhere at once."""

from collections.abc import Callable
from typing import Any

import pytest
from flask.testing import FlaskClient

from helpers import Bench, said

ACTOR = {"X-Mechanic": "jun"}
SIGNED = "w11.output-end-play"


def fact(client: FlaskClient, kind: str, key: str = "", job: str = "w11", **body: Any) -> Any:
    sent = {"id": key or f"f-{kind}-{len(body)}", "kind": kind, "body": body}
    answer = client.post(f"/api/jobs/{job}/facts", json=sent, headers=ACTOR)
    assert answer.status_code == 201, answer.get_json()
    return answer.get_json()


def order(client: FlaskClient, part: str, **came: str) -> None:
    fact(client, "ordered", "o-1", part=part, what="order", number="TB-9", supplier="Store")
    fact(client, "received", "r-1", order="o-1", **came)


def wider(client: FlaskClient) -> None:
    order(client, "output-top", width_old="20.00", width_new="20.05")


def uncompared(client: FlaskClient) -> None:
    order(client, "output-top")


def judged_new(client: FlaskClient) -> None:
    fact(client, "graded", part="output-top", grades={"spalls": "unsafe"})
    fact(client, "judged", part="output-top", verdict="replace")


def another_housing(client: FlaskClient) -> None:
    order(client, "housing")


def taken_off(client: FlaskClient) -> None:
    gone = [f"{k}:{s}" for k, s in (("reading", "output-end-play"), ("pack", "output-cover"))]
    gone += ["match_marks:helical-pair"]
    sent = {"id": "off", "kind": "removed", "body": {"part": "output-top", "way": "puller"}}
    sent |= {"let_go": gone, "let_go_words": "wanted at once"}
    assert client.post("/api/jobs/w11/facts", json=sent, headers=ACTOR).status_code == 201


def given_edited(client: FlaskClient) -> None:
    bench = Bench(client, SIGNED, "jun")
    view = bench.view()
    given = {f["key"]: f["typed"] for f in view["given"]["fields"] if f["typed"] not in (None, "", [])}
    bench.written("given", {"given": given | {"greatest": "0.05", "least": "0.02"}, "seen": view["version"]})


BY: list[Callable[[FlaskClient], None]] = [
    wider,
    uncompared,
    judged_new,
    another_housing,
    taken_off,
    given_edited,
]


@pytest.mark.parametrize("disturb", BY, ids=[f.__name__ for f in BY])
def test_a_signed_setting_is_not_in_any_more_anywhere(
    client: FlaskClient, disturb: Callable[[FlaskClient], None]
) -> None:
    before = client.get("/api/board").get_json()
    assert next(r for r in before["rows"] if r["job_id"] == "w11")["band"] == "done"
    disturb(client)
    job = client.get("/api/jobs/w11").get_json()
    shown = next(s for s in job["settings"] if s["id"] == SIGNED)
    assert (shown["signed"], shown["disturbed"], shown["verdict"] == "in") == (False, True, False)
    board = client.get("/api/board").get_json()
    row = next(r for r in board["rows"] if r["job_id"] == "w11")
    assert (row["band"], row["setting_id"] is not None) == ("hands", True)
    assert f"setting:{SIGNED}" in {p["key"] for p in job["open_points"]}
    record = client.get("/api/jobs/w11/record").get_json()
    held = next(s for s in record["settings"] if s["id"] == SIGNED)
    assert held["signature"]["disturbed"]
    assert held["sheet"]["verdict"]["code"] != "in"
    view = Bench(client, SIGNED).view()
    assert view["sheet"]["verdict"]["code"] != "in"
    refused = Bench(client, SIGNED, "jun").post("signatures", {"seen": view["version"], "remark": ""})
    assert refused.status_code == 422


@pytest.mark.parametrize(
    ("disturb", "why"),
    [
        (wider, "the output bearing, top is new (0.050 mm wider than the old one"),
        (judged_new, "the output bearing, top is judged: replace"),
        (taken_off, "the output bearing, top was taken off"),
    ],
)
def test_it_says_what_disturbed_it(
    client: FlaskClient, disturb: Callable[[FlaskClient], None], why: str
) -> None:
    disturb(client)
    view = Bench(client, SIGNED).view()
    assert why in said(view)
    assert view["sheet"]["verdict"]["code"] == "read_again"
    record = client.get("/api/jobs/w11/record").get_json()
    acts = next(s for s in record["settings"] if s["id"] == SIGNED)["acts"]
    assert why in acts[-1]["words"]
    assert acts[-1]["remark"] == ""


def test_a_part_just_as_wide_or_of_another_shaft_disturbs_nothing(client: FlaskClient) -> None:
    order(client, "output-top", width_old="20.00", width_new="20.001")
    fact(client, "ordered", "o-2", part="input-seal", what="order", number="S-1", supplier="Store")
    fact(client, "received", "r-2", order="o-2")
    settings = client.get("/api/jobs/w11").get_json()["settings"]
    assert all(s["signed"] for s in settings)


def test_only_what_rests_on_that_shaft_is_read_again(client: FlaskClient) -> None:
    wider(client)
    settings = {s["key"]: s["signed"] for s in client.get("/api/jobs/w11").get_json()["settings"]}
    assert settings == {"output-end-play": False, "input-preload": True, "cross-end-play": True}


def test_another_serial_is_another_part(client: FlaskClient) -> None:
    def write(serial: str) -> None:
        body = {"serials": {"bevel-gear": serial}}
        assert client.post("/api/jobs/w11/serials", json=body, headers=ACTOR).status_code == 201

    write("SET-1")
    assert all(s["signed"] for s in client.get("/api/jobs/w11").get_json()["settings"])
    write("SET-2")
    signed = {s["key"]: s["signed"] for s in client.get("/api/jobs/w11").get_json()["settings"]}
    assert signed["cross-end-play"] is False
    assert "serial SET-2 now, it was SET-1" in said(Bench(client, "w11.cross-end-play").view())


def test_what_was_struck_disturbs_too(client: FlaskClient) -> None:
    wider(client)
    bench = Bench(client, SIGNED, "jun")
    bench.read_all(("0.15",) * 3, ("0.15",) * 3)
    before = bench.view()["sheet"]["round"]
    struck = {"id": "void", "kind": "received", "supersedes": "r-1", "void": True}
    assert client.post("/api/jobs/w11/facts", json=struck, headers=ACTOR).status_code == 201
    assert bench.view()["sheet"]["round"] == before + 1
    assert "was changed" in said(bench.view())


def test_read_again_on_the_new_part_it_can_be_signed_and_nothing_old_is_learned(client: FlaskClient) -> None:
    wider(client)
    bench = Bench(client, SIGNED, "jun")
    view = bench.read_all(("0.60",) * 3, ("0.60",) * 3)
    assert view["sheet"]["verdict"]["code"] == "out_high"
    assert view["sheet"]["surprise"] is None  # another part owes the old rounds nothing
    log = next(s for s in view["sheet"]["scenes"] if s["type"] == "log")
    last = next(r for r in reversed(log["rows"]) if r["found"])
    assert last["predicted"] is None


def test_the_same_parts_that_go_back_keep_the_advice_of_what_is_out(client: FlaskClient) -> None:
    """A reading that is out is taken apart by its own move: no round is opened for that."""
    before = Bench(client, "w17.output-end-play").view()
    sent = {"id": "off", "kind": "removed", "body": {"part": "output-top", "way": "hand"}}
    sent |= {"let_go": ["pack:output-cover", "match_marks:helical-pair"], "let_go_words": "known"}
    assert client.post("/api/jobs/w17/facts", json=sent, headers=ACTOR).status_code == 201
    after = Bench(client, "w17.output-end-play").view()
    assert after["sheet"]["round"] == before["sheet"]["round"]
    assert after["sheet"]["move"] == before["sheet"]["move"]
