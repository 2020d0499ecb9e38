"""A capstan in the field from lock-out to close: its record holds what was entered, and nothing else."""

from typing import Any

from flask.testing import FlaskClient

from helpers import Bench, look_at_all

ACTOR = {"X-Mechanic": "oda"}
ENTERED = {
    "points": "breaker Q4 pinned",
    "key_holder": "key with Oda",
    "side": "seaward side",
    "slots": "slot at seven",
    "way": "spring to the oil",
    "note": "polished all round",
    "left": "rope drum goes to the painter",
}


def post(client: FlaskClient, path: str, key: str, **body: Any) -> dict[str, Any]:
    answer = client.post(f"/api/jobs/n1/{path}", json={"id": key, **body}, headers=ACTOR)
    assert answer.status_code == 201, answer.get_json()
    return answer.get_json()


def fact(client: FlaskClient, key: str, kind: str, **body: Any) -> dict[str, Any]:
    sent = {k: body.pop(k) for k in ("let_go", "let_go_words") if k in body}
    return post(client, "facts", key, kind=kind, body=body, **sent)


def inspected(client: FlaskClient, key: str, kind: str, **body: Any) -> dict[str, Any]:
    return post(client, "inspection", key, kind=kind, body=body)


def receive(client: FlaskClient) -> None:
    revision = next(t["id"] for t in client.get("/api/unit-types").get_json() if "capstan" in t["id"])
    body = {"id": "n1", "revision": revision, "tag": "C-60", "name": "Far capstan", "serial": "QC-60"}
    body |= {"stands": "field", "complaint": "creeps under load", "hours": {"reading": "812"}}
    answer = client.post("/api/jobs", json=body, headers=ACTOR)
    assert answer.status_code == 201, answer.get_json()


def strip(client: FlaskClient) -> list[str]:
    """Everything off, in the list's order; what each removal would end is let go where it was not written down."""
    fact(client, "lo", "locked_out", points=ENTERED["points"], key_holder=ENTERED["key_holder"])
    parts = client.get("/api/jobs/n1/strip").get_json()["parts"]
    for n, p in enumerate(p for p in parts if p["kind"] != "housing"):
        sent: dict[str, Any] = {"part": p["key"], "way": "hand", "count": p["count"]}
        if p["faces"]:
            sent["orientation"] = ENTERED["way"]
        answer = client.post(
            "/api/jobs/n1/facts", json={"id": f"r{n}", "kind": "removed", "body": sent}, headers=ACTOR
        )
        if answer.status_code == 422:
            lost = [x["key"] for x in answer.get_json()["details"]["lost"]]
            fact(client, f"s{n}", "removed", **sent, let_go=lost, let_go_words="no time before the tide")
    return [p["key"] for p in parts]


def inspect(client: FlaskClient, keys: list[str]) -> None:
    for n, key in enumerate(keys):
        shown = client.get("/api/jobs/n1/inspection").get_json()
        part = next(p for p in shown["parts"] if p["key"] == key)
        grades = {x["key"]: "sound" for x in part["looks"]}
        inspected(client, f"g{n}", "graded", part=key, grades=grades, note=ENTERED["note"] if n == 0 else "")
        shown = client.get("/api/jobs/n1/inspection").get_json()
        verdict = next(p for p in shown["parts"] if p["key"] == key)["in_force"]["verdict"]
        inspected(client, f"v{n}", "judged", part=key, verdict=verdict)
        if verdict == "replace":
            inspected(client, f"o{n}", "ordered", part=key, what="order", number=f"N-{n}", supplier="Store")
            inspected(client, f"c{n}", "received", order=f"o{n}", width_old="20", width_new="20")


def test_from_the_lock_out_to_the_close(client: FlaskClient) -> None:
    receive(client)
    bench = Bench(client, "n1.head-end-play", "oda")
    bench.act("as_found", 0.5)
    for cell in bench.view()["sheet"]["cells"]:
        bench.written("entries", {"slot": cell["slot"], "text": "0.14 mm", "confirmed": True})
    before = bench.view()["sheet"]["verdict"]["code"]
    pack = next(b for b in client.get("/api/jobs/n1/strip").get_json()["baselines"] if b["kind"] == "pack")
    fact(
        client,
        "p1",
        "pack",
        place=pack["subject"],
        plates=["0.50"],
        side=ENTERED["side"],
        slots=ENTERED["slots"],
    )
    keys = strip(client)
    inspect(client, keys)
    stale = bench.view()["sheet"]["verdict"]["code"]
    assert before != "in" or stale == "read_again"  # apart, nothing is in any more
    bench.act("reseat")
    for cell in bench.view()["sheet"]["cells"]:
        bench.written("entries", {"slot": cell["slot"], "text": "0.12 mm", "confirmed": True})
    bench.written("signatures", {"seen": bench.view()["version"], "remark": "wanted before the tide"})
    points = {p["key"]: p for p in client.get("/api/jobs/n1").get_json()["open_points"]}
    assert {p["to"].partition("?")[0] for p in points.values()} <= {"/prove", "/receive"}, points
    look_at_all(client, "n1", actor="oda")
    released = post(client, "release", "out", how="service", second="", words=ENTERED["left"])
    assert released["release"]["how"] == "service"
    late = {"when": "closing", "read_on": "2026-11-23", "reading": "812"}
    post(client, "hours", "h2", body=late)
    assert client.get("/api/jobs/n1").get_json()["open_points"] == []
    closed = post(client, "close", "done", words=ENTERED["left"])
    assert closed["closed_at"]
    _nothing_that_was_not_entered(client)


def _nothing_that_was_not_entered(client: FlaskClient) -> None:
    record = client.get("/api/jobs/n1/record").get_json()
    said = [x["words"] for key in ("about", "strip", "inspection") for x in record[key]]
    for words in ENTERED.values():
        assert any(words in line for line in (*said, *(x["label"] for x in record["strip"]))), words
    definition = record["job"]["definition"]
    defaults = {p["faces"] for p in definition["parts"] if p.get("faces")}
    assert defaults, "the type says of a part which way round it sits"
    for line in said:
        assert not any(default in line for default in defaults), line  # what the type says was not seen
    missing = [x for x in record["strip"] if x["words"] == "NOT WRITTEN DOWN"]
    assert all(x["zone"] == "as found" for x in missing)
    off = [x for x in record["strip"] if x["zone"] == "taken off"]
    assert all("bag" not in x["words"] and "tag" not in x["words"] for x in off)
    assert [x["words"] for x in record["about"] if x["zone"] == "hour meter"] == [
        "812 h on 2026-11-24",
        "812 h on 2026-11-23",
    ]
