"""A cause of failure and a build order practised on the real services: veiled, asked, lifted, and shut after that."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from flask import Flask
from flask.testing import FlaskClient

from bornek.core.practice.rigs.cause import CauseRig
from bornek.core.practice.rigs.order import OrderRig, mend
from bornek.core.practice.rigs.signs import look_parts
from bornek.services.practice.rigs import Rigs
from practising import HEAD, LEARNER, AtRig, own_rigs

CAUSE, ORDER = 6, 2


@pytest.fixture(autouse=True)
def practice(application: Flask, tmp_path: Path) -> Iterator[Rigs]:
    with own_rigs(application, tmp_path) as rigs:
        yield rigs


class AtJob(AtRig):
    """One whose page is a stage of a job."""

    def stage(self, name: str) -> dict[str, Any]:
        return self.client.get(f"{self.base}/api/jobs/{self.rig()['job']}/{name}").get_json()

    def write(self, name: str, kind: str, **body: Any) -> Any:
        self.n += 1
        sent = {"id": f"f{self.n}", "kind": kind, "body": body}
        return self.client.post(f"{self.base}/api/jobs/{self.rig()['job']}/{name}", json=sent, headers=HEAD)

    def look_and_read(self, part: str) -> None:
        """Looks at a part, and writes down rightly what is there."""
        truth = CauseRig(CAUSE)
        assert self.do("looks", key=part).status_code == 201
        for key, seen in truth.looked([part]).items():
            assert self.write("inspection", "evidence", evidence=key, seen=seen).status_code == 201


def result_of(client: FlaskClient, rig: AtRig) -> dict[str, Any]:
    done = client.get("/api/practice", headers={"X-Learner": LEARNER}).get_json()["done"]
    return next(d for d in done if d["id"] == rig.id)


def test_what_is_met_is_told_in_other_words_and_what_it_points_to_is_not(client: FlaskClient) -> None:
    rig, truth = AtJob(client, "cause", CAUSE), CauseRig(CAUSE)
    for part in truth.fewest:
        rig.look_and_read(part)
    shown = {look["key"]: look["words"] for look in rig.rig()["looks"]}
    assert {k for k, words in shown.items() if words} == set(truth.fewest)
    seen = rig.stage("inspection")["diagnosis"]
    assert seen["leading"] == [] and "Yours to decide" in seen["words"]
    assert not any(c["fors"] or c["hold"] for c in seen["ranked"])
    assert rig.do("asks").get_json()["score"]["value"] == pytest.approx(1 + 0.1 * len(truth.fewest))
    assert rig.stage("inspection")["diagnosis"]["leading"] == [truth.cause.key]
    rig.do("looks", key=next(p.key for p in look_parts() if p.key not in truth.fewest))
    assert rig.stage("inspection")["diagnosis"]["leading"] == []


def test_the_right_cause_named_with_proof_is_as_good_as_can_be(client: FlaskClient) -> None:
    rig, truth = AtJob(client, "cause", CAUSE), CauseRig(CAUSE)
    refused = rig.do("lifts")
    assert refused.status_code == 422 and "No cause is named" in refused.get_json()["message"]
    for part in truth.fewest:
        rig.look_and_read(part)
    rig.write("inspection", "cause", cause=truth.cause.key)
    cloth = rig.do("lifts").get_json()["cloth"]
    assert (cloth["result"], cloth["harm"]) == ("in", "")
    assert cloth["rows"][0] == {"label": "Cause", "believed": truth.cause.label, "true": truth.cause.label}
    assert "proved it" in cloth["told_first"]
    assert result_of(client, rig)["score"] == pytest.approx(truth.best())


def test_the_right_cause_named_on_one_sign_was_luck(client: FlaskClient) -> None:
    rig, truth = AtJob(client, "cause", CAUSE), CauseRig(CAUSE)
    rig.look_and_read(truth.fewest[0])
    rig.write("inspection", "cause", cause=truth.cause.key)
    cloth = rig.do("lifts").get_json()["cloth"]
    assert cloth["result"] == "more" and "does not prove it" in cloth["words"]


def test_the_wrong_cause_comes_back_and_what_was_misread_is_told(client: FlaskClient) -> None:
    rig, truth = AtJob(client, "cause", CAUSE), CauseRig(CAUSE)
    part = truth.fewest[0]
    rig.do("looks", key=part)
    there = next(k for k, seen in truth.looked([part]).items() if seen == "seen")
    rig.write("inspection", "evidence", evidence=there, seen="absent")
    wrong = "water" if truth.cause.key != "water" else "dirt"
    rig.write("inspection", "cause", cause=wrong)
    cloth = rig.do("lifts").get_json()["cloth"]
    assert cloth["result"] == "out" and "fails again" in cloth["harm"]
    assert {"believed": "not there", "true": "seen"}.items() <= cloth["rows"][1].items()


def test_a_trap_is_not_told_before_asking_and_two_moves_take_it_out(client: FlaskClient) -> None:
    rig, truth = AtJob(client, "order", ORDER), OrderRig(ORDER)
    plan = rig.stage("plan")
    assert plan["findings"] == [] and not any(lid["shut"] or lid["out"] for lid in plan["lids"])
    assert not any(t["trapped"] for t in plan["tray"]) and not any(s["gates"] for s in plan["steps"])
    rig.do("asks")
    assert [f["code"] for f in rig.stage("plan")["findings"]] == ["shut_out"] * len(truth.late)
    for step, after in mend(truth, []):
        answer = rig.write("plan", "step_moved", step=step, after=after)
        assert answer.status_code == 201 and answer.get_json()["findings"] == []
    cloth = rig.do("lifts").get_json()["cloth"]
    assert (cloth["result"], cloth["harm"]) == ("more", "")
    assert [r["believed"] for r in cloth["rows"]] == ["put right"] * len(truth.late)


def test_closed_with_the_trap_in_it_does_harm(client: FlaskClient) -> None:
    rig = AtJob(client, "order", ORDER)
    cloth = rig.do("lifts").get_json()["cloth"]
    assert cloth["result"] == "out" and "for nothing" in cloth["harm"]
    assert [r["believed"] for r in cloth["rows"]] == ["left so"] * len(OrderRig(ORDER).late)
    assert rig.stage("plan")["findings"], "once it is lifted everything is shown"


@pytest.mark.parametrize(("sort", "number"), [("cause", CAUSE), ("order", ORDER)])
def test_nothing_is_written_under_a_lifted_cloth(client: FlaskClient, sort: str, number: int) -> None:
    rig = AtJob(client, sort, number)
    if sort == "cause":
        rig.write("inspection", "cause", cause="water")
    assert rig.do("lifts").status_code == 201
    fact = ("plan", "step_moved") if sort == "order" else ("inspection", "cause")
    answers = [rig.write(*fact, step="a", cause="dirt"), rig.do("lifts"), rig.do("asks")]
    assert [a.status_code for a in answers] == [422] * 3
    assert all("done" in a.get_json()["message"] for a in answers)


def test_a_job_has_no_stations_and_a_setting_is_signed(client: FlaskClient) -> None:
    rig = AtJob(client, "order", ORDER)
    assert client.get(f"{rig.base}/api/rig/stations/x").status_code == 404
    assert rig.do("looks", key="oil").status_code == 422
    bench = AtRig(client)
    assert "Sign the setting" in bench.do("lifts").get_json()["message"]


@pytest.mark.parametrize(
    "path",
    ["board", "search?q=rig", "jobs/{job}", "jobs/{job}/record", "settings/{job}.setting/what-if", "kinds"],
)
def test_what_would_tell_the_advice_is_not_told_at_a_rig(client: FlaskClient, path: str) -> None:
    rig = AtRig(client)
    answer = client.get(f"{rig.base}/api/{path.format(job=rig.rig()['job'])}")
    assert answer.status_code == 404 and "not told at a rig" in answer.get_json()["message"]
