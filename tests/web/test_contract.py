from flask.testing import FlaskClient

from bornek.store.database import Database
from helpers import Bench, said
from trial_kind import KIND, trial


def test_a_throwaway_kind_is_driven_through_the_api(yard: Database, client: FlaskClient) -> None:
    with trial(yard) as setting:
        bench = Bench(client, setting)
        state = {"kind": "as_found", "states": {"washer": 2.1}, "seen": bench.view()["version"]}
        bench.written("acts", state)
        bench.read("gap.1", "0.05")
        view = bench.read("gap.2", "0.05")
        assert view["sheet"]["verdict"]["code"] == "out_low"
        assert view["sheet"]["move"]["best"]["label"] == "2.00"
        view = bench.written("acts", {"kind": "move", "states": {"washer": 2.0}, "seen": view["version"]})
        bench.read("gap.1", "0.15")
        view = bench.read("gap.2", "0.15")
        assert said(view).startswith("Leave it: in")
        signed = bench.written("signatures", {"seen": view["version"], "remark": ""})
        assert signed["signature"]["verdict"] == "in"
        assert b"%PDF" in client.get("/api/jobs/t01/record.pdf").data[:8]


def test_a_throwaway_kind_is_listed_and_computed_and_then_gone(yard: Database, client: FlaskClient) -> None:
    def ids() -> set[str]:
        return {k["id"] for k in client.get("/api/kinds").get_json()}

    with trial(yard):
        assert {KIND, "trial_sum"} <= ids()
        answer = client.post("/api/kinds/trial_sum/compute", json={"given": {"area": 24.10, "mpa": 40}})
        assert answer.get_json()["outcome"]["results"][0]["value"]["v"] == 96_400
    assert not {KIND, "trial_sum"} & ids()


def test_the_api_computes_what_the_command_line_computes(client: FlaskClient) -> None:
    given = {"least": 0.06, "greatest": 0.12, "sense": "adds", "torque": 80, "source": "card"}
    data = {"given": given, "entries": [{"slot": "travel.mark_up.1", "text": "0.145"}]}
    kind = client.get("/api/settings/w17.output-end-play").get_json()["sheet"]["kind"]
    answer = client.post(f"/api/kinds/{kind}/compute", json=data)
    assert answer.status_code == 200
    bad = client.post(f"/api/kinds/{kind}/compute", json={"given": {}})
    assert bad.status_code == 422
    assert bad.get_json()["code"] == "input"
