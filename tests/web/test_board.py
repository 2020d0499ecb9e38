from flask.testing import FlaskClient

from helpers import Bench


def test_the_board_holds_a_job_in_a_round_and_one_untouched(client: FlaskClient) -> None:
    rows = {r["tag"]: r for r in client.get("/api/board").get_json()["rows"]}
    assert rows["W-17"]["settings"][0]["begun"]
    assert rows["W-17"]["settings"][0]["round"] == 2
    assert not rows["P-22"]["settings"][0]["begun"]
    assert rows["F-12"]["band"] == "held"
    assert "bearing cup" in rows["F-12"]["waits_for"]
    assert rows["W-11"]["band"] == "done"


def test_the_next_move_on_the_board_is_the_settings_own(client: FlaskClient) -> None:
    row = client.get("/api/board").get_json()["rows"][0]
    setting = client.get(f"/api/settings/{row['setting_id']}").get_json()
    assert row["say"] == setting["sheet"]["say"]


def test_a_count_of_the_drawer_is_a_movement(client: FlaskClient) -> None:
    body = {"id": "n1", "form": "C3 ring", "thickness": "3 thou", "count": 7}
    lots = client.post("/api/drawer/counts", json=body, headers={"X-Mechanic": "oda"}).get_json()
    assert next(x["count"] for x in lots if x["form"] == "C3 ring" and x["thou"] == "3.0") == 7


def test_a_gauge_card_that_cannot_be_is_refused(client: FlaskClient) -> None:
    card = {"id": "g9", "name": "Bad dial", "unit": "N", "division": 0.01}
    answer = client.post("/api/gauges", json=card, headers={"X-Mechanic": "oda"})
    assert answer.status_code == 422
    assert "not a unit of length" in answer.get_json()["message"]


def test_an_overdue_gauge_is_said(client: FlaskClient) -> None:
    gauges = {g["id"]: g for g in client.get("/api/gauges").get_json()}
    assert gauges["depth-7"]["overdue"]
    assert not gauges["dial-11"]["overdue"]


def test_a_finished_job_teaches_the_next_of_its_type(client: FlaskClient) -> None:
    """W-11 is signed and of W-17's type: its slope draws W-17's prior."""
    winch = Bench(client, "w17.output-end-play")
    response = winch.view()["sheet"]["response"]
    assert 0.85 < response[0] < 0.99
