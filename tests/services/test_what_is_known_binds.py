"""Tooth maps, seal tracks, fits and a part's past bind its verdict; what is known is offered for the cause."""

from typing import Any

import pytest
from flask.testing import FlaskClient

from helpers import Bench

ACTOR = {"X-Mechanic": "oda"}


def written(client: FlaskClient, kind: str, job: str = "p22", ok: bool = True, **body: Any) -> Any:
    written.n += 1  # type: ignore[attr-defined]
    sent = {"id": f"n-{written.n}", "kind": kind, "body": body}  # type: ignore[attr-defined]
    answer = client.post(f"/api/jobs/{job}/inspection", json=sent, headers=ACTOR)
    assert (answer.status_code == 201) == ok, answer.get_json()
    return answer.get_json()


written.n = 0  # type: ignore[attr-defined]


def part(shown: dict[str, Any], key: str) -> dict[str, Any]:
    return next(p for p in shown["parts"] if p["key"] == key)


def sound(client: FlaskClient, key: str, job: str) -> None:
    looks = part(client.get(f"/api/jobs/{job}/inspection").get_json(), key)["looks"]
    written(client, "graded", job, part=key, grades={x["key"]: "sound" for x in looks})


@pytest.mark.parametrize(
    ("damage", "may"), [("broken", False), ("crack", False), ("chip", None), ("pits", True)]
)
def test_a_tooth_map_binds_the_verdict_of_a_gear_that_is_sound_by_every_look(
    client: FlaskClient, damage: str, may: bool | None
) -> None:
    sound(client, "bevel-pinion", "w17")
    written(client, "judged", "w17", part="bevel-pinion", verdict="reuse")
    marks = [{"tooth": n, "flank": "drive", "damage": damage} for n in (3, 4)]
    shown = part(written(client, "teeth", "w17", part="bevel-pinion", marks=marks), "bevel-pinion")
    assert shown["stale"]  # judged before the map was known
    if may:
        assert shown["in_force"]["verdict"] == "replace"  # strict school: marked, so replaced
        return
    assert shown["in_force"]["verdict"] == "replace"
    assert shown["in_force"]["words"].startswith("Teeth 3, 4 ")
    again = written(
        client, "judged", "w17", ok=may is None, part="bevel-pinion", verdict="reuse", words="rope only"
    )
    if may is False:
        assert "may not go back: teeth 3, 4" in again["message"]


def test_a_seal_that_would_run_in_the_old_groove_holds_the_build(client: FlaskClient) -> None:
    sound(client, "guide-seal", "p22")
    track = {
        "part": "guide-seal",
        "found": "6",
        "planned": "6.5",
        "groove": "2",
        "lip": "inward",
        "oil": "inward",
    }
    shown = part(written(client, "seal_set", **track), "guide-seal")
    assert shown["in_force"]["verdict"] == "hold"
    assert "Not clear of the groove" in shown["in_force"]["words"]
    refused = written(client, "judged", ok=False, part="guide-seal", verdict="replace")
    assert "the verdict by the school is hold" in refused["message"]
    shown = part(written(client, "seal_set", **track | {"planned": "9"}), "guide-seal")
    assert shown["in_force"]["verdict"] == "replace"  # strict: seals are always new
    turned = part(written(client, "seal_set", **track | {"planned": "9", "lip": "outward"}), "guide-seal")
    assert "lets it out" in turned["in_force"]["words"]


def test_a_fit_read_after_the_verdict_asks_for_it_again(client: FlaskClient) -> None:
    sound(client, "motor-shaft", "p22")
    given = {"what": "journal", "nominal": "60", "fit": "k6", "source": "sheet"}
    sent = {"id": "fit", "part": "motor-shaft", "kind": "seat_size", "given": given, "label": "Seat"}
    shown = client.post("/api/jobs/p22/fits", json=sent, headers=ACTOR).get_json()
    fit = part(shown, "motor-shaft")["fits"][0]["setting_id"]
    written(client, "judged", part="motor-shaft", verdict="hold", words="to be measured")
    bench = Bench(client, fit)
    for cell in bench.view()["sheet"]["cells"]:
        bench.written("entries", {"slot": cell["slot"], "text": "59.95", "confirmed": True})
    shown = part(client.get("/api/jobs/p22/inspection").get_json(), "motor-shaft")
    assert shown["stale"]
    assert shown["in_force"]["verdict"] == "send_out"
    points = {p["key"]: p for p in client.get("/api/jobs/p22").get_json()["open_points"]}
    assert points["stale:motor-shaft"]["may_stay"] is False


def receive(client: FlaskClient, **serials: str) -> dict[str, Any]:
    body = {"id": "n1", "revision": "drain-pump.1", "tag": "P-50", "name": "Spare", "serial": "DP2-150"}
    revision = next(t["id"] for t in client.get("/api/unit-types").get_json() if "pump" in t["id"])
    answer = client.post("/api/jobs", json=body | {"revision": revision, "serials": serials}, headers=ACTOR)
    assert answer.status_code == 201, answer.get_json()
    return answer.get_json()


def test_a_bearing_condemned_in_one_housing_is_condemned_in_the_next(client: FlaskClient) -> None:
    client.post("/api/jobs/p22/serials", json={"serials": {"thrust-bearing": "SB-1"}}, headers=ACTOR)
    written(client, "graded", part="thrust-bearing", grades={"spalls": "unsafe"})
    written(client, "judged", part="thrust-bearing", verdict="replace")
    job = receive(client, **{"thrust-bearing": "SB-1"})
    stay = next(c for c in job["components"] if c["part"] == "thrust-bearing")["stays"][0]
    assert stay["condemned"].startswith("P-22, ")
    assert stay["verdict"].startswith("replace")
    for view in ("", "/strip", "/inspection"):
        first = client.get(f"/api/jobs/n1{view}").get_json()["cautions"][0]
        assert "may not go in again: P-22" in first, view
    sound(client, "thrust-bearing", "n1")
    shown = part(client.get("/api/jobs/n1/inspection").get_json(), "thrust-bearing")
    assert shown["in_force"]["verdict"] == "replace"
    assert "condemned before" in shown["in_force"]["words"]
    refused = written(client, "judged", "n1", ok=False, part="thrust-bearing", verdict="reuse", words="cheap")
    assert "condemned" in refused["message"]
    other = client.post("/api/jobs/n1/serials", json={"serials": {"thrust-bearing": "SB-2"}}, headers=ACTOR)
    assert other.status_code == 201
    shown = part(client.get("/api/jobs/n1/inspection").get_json(), "thrust-bearing")
    assert shown["in_force"]["words"].startswith("Strict")


def test_a_bearing_that_only_the_school_replaced_is_not_condemned(client: FlaskClient) -> None:
    client.post("/api/jobs/p22/serials", json={"serials": {"thrust-bearing": "SB-1"}}, headers=ACTOR)
    sound(client, "thrust-bearing", "p22")
    written(client, "judged", part="thrust-bearing", verdict="replace")
    stay = next(c for c in receive(client, **{"thrust-bearing": "SB-1"})["components"] if c["stays"])[
        "stays"
    ][0]
    assert (stay["condemned"], stay["verdict"]) == ("", "replace")


def evidence(shown: dict[str, Any], key: str) -> dict[str, Any]:
    return next(e for e in shown["evidence"] if e["key"] == key)


def test_what_is_known_is_offered_as_evidence_and_counts_only_when_taken(client: FlaskClient) -> None:
    shown = client.get("/api/jobs/w17/inspection").get_json()
    assert "as found" in evidence(shown, "set_loose")["offered"]
    assert shown["diagnosis"]["leading"] == []
    marks = [{"tooth": n, "flank": "both", "damage": "broken"} for n in (3, 4, 5)]
    shown = written(client, "teeth", "w17", part="bevel-gear", marks=marks)
    assert "side by side" in evidence(shown, "teeth_cluster")["offered"]
    shown = written(client, "evidence", "w17", evidence="teeth_cluster", seen="seen")
    assert evidence(shown, "teeth_cluster")["offered"] == ""
    assert shown["diagnosis"]["leading"] == ["overload"]


def test_contradictions_are_named(client: FlaskClient) -> None:
    shown = written(client, "evidence", "w17", evidence="set_loose", seen="absent")
    assert any("written down as not there, but output shaft end play" in w for w in shown["contradictions"])
    written(client, "evidence", "w17", evidence="path_all_round", seen="seen")
    shown = written(client, "evidence", "w17", evidence="path_narrow", seen="seen")
    assert any("not both on one part" in w for w in shown["contradictions"])
    shown = written(client, "cause", "w17", cause="water")
    assert any(
        w.startswith("Named: water in it. Nothing seen speaks for it") for w in shown["contradictions"]
    )
    lines = client.get("/api/jobs/w17/record").get_json()["inspection"]
    assert sum(x["zone"] == "does not go together" for x in lines) == len(shown["contradictions"])


def test_a_hold_cleared_without_what_it_names_is_listed(client: FlaskClient) -> None:
    written(client, "cause", cause="loose_set")
    keys = {p["key"] for p in client.get("/api/jobs/p22").get_json()["open_points"]}
    assert "hold:loose_set" in keys
    written(client, "hold_cleared", cause="loose_set", words="set it")
    points = {p["key"]: p for p in client.get("/api/jobs/p22").get_json()["open_points"]}
    assert points["proof:loose_set"]["may_stay"]
    assert "no setting was signed since" in points["proof:loose_set"]["words"]
    bench = Bench(client, "p22.thrust-end-play")
    bench.act("as_found", 0.5)
    bench.read_all(("0.14",) * 3, ("0.14",) * 3)
    bench.written("signatures", {"seen": bench.view()["version"], "remark": "by feel"})
    keys = {p["key"] for p in client.get("/api/jobs/p22").get_json()["open_points"]}
    assert "proof:loose_set" not in keys


def test_a_count_that_is_short_must_be_settled(client: FlaskClient) -> None:
    def fact(key: str, kind: str, **body: Any) -> None:
        answer = client.post(
            "/api/jobs/p22/facts", json={"id": key, "kind": kind, "body": body}, headers=ACTOR
        )
        assert answer.status_code == 201, answer.get_json()

    fact("r1", "removed", part="thrust-screws", way="hand", count=6)
    points = {p["key"]: p for p in client.get("/api/jobs/p22").get_json()["open_points"]}
    assert points["count:thrust-screws"]["may_stay"] is False
    assert points["count:thrust-screws"]["to"] == "/strip?zone=off"
    fact("w1", "wrong", what="missing", words="two were never there", part="thrust-screws")
    assert "count:thrust-screws" not in {
        p["key"] for p in client.get("/api/jobs/p22").get_json()["open_points"]
    }
