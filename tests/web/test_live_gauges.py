"""What a gauge that talks shows at a setting, and how it becomes a reading that says where it came from."""

from __future__ import annotations

import io
import zipfile
from typing import Any

import pytest
from flask.testing import FlaskClient

from bornek.core.gauges import Gauge
from bornek.core.trace.presses import STALE
from bornek.devices.sim_motion import Bench
from bornek.devices.sim_needle import Faults
from bornek.services.setting.live import text_of
from gauges import CARD, MARL, MEANT_APART, simulated, until, write_card

SETTING = "p22.thrust-end-play"
UP, DOWN = "travel.mark_up.1", "travel.mark_down.1"


def live(client: FlaskClient, *at: str) -> list[dict[str, Any]]:
    answer = client.get(f"/api/settings/{SETTING}/live", query_string={"at": list(at)})
    assert answer.status_code == 200, answer.get_json()
    return answer.get_json()["gauges"]


def first_take(client: FlaskClient, at: str = f"{UP}~talk") -> dict[str, Any]:
    """The first take after the page looked."""
    session = until(lambda: (g := live(client, at)[0])["number"] and g)["session"]
    return until(lambda: live(client, f"{at}~{session}~0~0")[0]["takes"])[0]


def send(client: FlaskClient, take: dict[str, Any], fill: int = 0, **more: Any) -> Any:
    one = take["fills"][fill]
    body = {"id": one["id"], "slot": one["slot"], "taken": take["id"], "gauge": "talk", **more}
    return client.post(f"/api/settings/{SETTING}/entries", json=body, headers=MARL)


def readings(client: FlaskClient) -> list[str]:
    return client.get("/api/jobs/p22/readings.csv").data.decode().splitlines()[1:]


def test_a_pry_becomes_a_reading_with_its_figures_who_and_which_gauge(client: FlaskClient) -> None:
    with simulated(Bench("pries", 0.145)) as sim:
        write_card(client, sim)
        take = first_take(client)
        view = send(client, take).get_json()
    cell = next(c for c in view["sheet"]["cells"] if c["slot"] == UP)
    assert (cell["shown"], cell["status"]) == ("0.145", "taken")
    assert view["traces"][0]["entry"] == cell["entries"][0]["id"]
    row = readings(client)[0]
    assert "Lever talk" in row and "Marl Tennick" in row
    assert "a pry seen in the trace" in row and "0 to 0.145" in row


def test_two_pages_that_saw_one_pry_make_one_reading(client: FlaskClient) -> None:
    with simulated(Bench("pries", 0.145)) as sim:
        write_card(client, sim)
        take = first_take(client)
        assert send(client, take).status_code == 201
        again = send(client, take)
    assert again.status_code == 422 and again.get_json()["field"] == "id"
    assert len(readings(client)) == 1


def test_a_take_that_is_gone_is_refused_in_words(client: FlaskClient) -> None:
    body = {"id": "x1", "slot": UP, "taken": "old.1.2.pry", "gauge": "lever-2"}
    answer = client.post(f"/api/settings/{SETTING}/entries", json=body, headers=MARL).get_json()
    assert answer["field"] == "taken" and "type the reading" in answer["next_step"]


def test_the_key_takes_what_stands(client: FlaskClient) -> None:
    with simulated(Bench("still", 0.2)) as sim:
        write_card(client, sim)
        session = until(lambda: (g := live(client, f"{UP}~talk")[0])["number"] > 20 and g)["session"]
        assert client.post("/api/gauges/talk/presses").status_code == 204
        at = f"{UP}~talk~{session}~0~0"
        assert until(lambda: live(client, at)[0]["takes"])[0]["fills"][0]["text"] == "0.000"


def test_a_needle_that_does_not_rest_at_zero_is_shown_from_its_seat(client: FlaskClient) -> None:
    with simulated(Bench("still", 0.2)) as sim:
        write_card(client, sim)
        found = until(lambda: (g := live(client, f"{UP}~talk")[0])["at"] is not None and g)
    assert found["shown"] == "0.000"


def press(client: FlaskClient) -> None:
    assert client.post("/api/gauges/talk/presses").status_code == 204


def test_each_press_is_answered_once_though_the_gauge_sent_nothing_between(client: FlaskClient) -> None:
    with simulated(Bench("still", 0.2)) as sim:
        write_card(client, sim)
        session = until(lambda: (g := live(client, f"{UP}~talk")[0])["number"] > 20 and g)["session"]
        sim.silent = True
        press(client)
        one = until(lambda: (g := live(client, f"{UP}~talk~{session}~0~0")[0])["presses"] and g)
        assert [x["press"] for x in one["takes"] + one["refused"]] == [1]
        press(client)
        at = f"{UP}~talk~{session}~{one['number']}~1"
        two = live(client, at)[0]
        assert [x["press"] for x in two["takes"] + two["refused"]] == [2]
        assert live(client, f"{UP}~talk~{session}~{two['number']}~2")[0]["refused"] == []


def test_two_presses_are_two_readings_though_the_gauge_stands_still(client: FlaskClient) -> None:
    with simulated(Bench("still", 0.2)) as sim:
        write_card(client, sim)
        session = until(lambda: (g := live(client, f"{UP}~talk")[0])["number"] > 20 and g)["session"]

        def take(number: int, presses: int) -> tuple[int, dict[str, Any]]:
            press(client)
            at = f"{UP}~talk~{session}~{number}~{presses}"
            found = until(lambda: (g := live(client, at)[0])["takes"] and g)
            return found["number"], found["takes"][0]

        number, one = take(0, 0)
        until(lambda: live(client, f"{UP}~talk")[0]["number"] > number + MEANT_APART)
        _, two = take(one["number"], 1)
    assert (one["press"], two["press"]) == (1, 2)
    assert one["id"] != two["id"] and one["fills"][0]["id"] != two["fills"][0]["id"]


def test_a_press_at_a_silent_gauge_takes_no_old_value(client: FlaskClient) -> None:
    with simulated(Bench("still", 0.2)) as sim:
        write_card(client, sim)
        until(lambda: live(client, f"{UP}~talk")[0]["number"] > 20)
        sim.silent = True
        found = until(lambda: (g := live(client, f"{UP}~talk")[0])["says"]["state"] == "silent" and g)
        press(client)
        now = live(client, f"{UP}~talk~{found['session']}~{found['number']}~0")[0]
    assert (now["takes"], [r["words"] for r in now["refused"]]) == ([], [STALE])


def test_a_press_before_the_unit_is_known_takes_nothing_then_or_later(client: FlaskClient) -> None:
    with simulated(Bench("still", 0.2), Faults(wrong_unit=True)) as sim:
        write_card(client, sim)
        found = until(lambda: (g := live(client, f"{UP}~talk")[0])["number"] > 20 and g)
        press(client)
        at = f"{UP}~talk~{found['session']}~{found['number']}"
        asked = live(client, f"{at}~0")[0]
        assert asked["says"]["asks"] and asked["refused"][0]["words"] == asked["says"]["words"]
        client.post("/api/gauges/talk/unit", json={"unit": "in"})
        after = live(client, f"{at}~{asked['presses']}")[0]
    assert (after["says"]["asks"], after["takes"]) == ([], [])


def test_every_line_of_a_gauge_with_its_own_button_is_a_reading_of_its_own(client: FlaskClient) -> None:
    with simulated(Bench("still", 0.2)) as sim:
        write_card(client, sim, way="pedal")
        session = until(lambda: (g := live(client, f"{UP}~talk")[0])["number"] and g)["session"]
        takes = until(
            lambda: (x := live(client, f"{UP}~talk~{session}~0~0")[0]["takes"]) and len(x) > 3 and x
        )
    assert len({t["id"] for t in takes}) == len(takes)
    assert {t["fills"][0]["text"] for t in takes} == {"0.200"}


@pytest.mark.parametrize(
    ("value", "text"),
    [(-0.0002, "0.000"), (0.0002, "0.000"), (-1.0, "-1.000"), (1.0, "1.000"), (-0.0006, "-0.001")],
)
def test_a_value_is_said_to_what_the_gauge_shows_apart(value: float, text: str) -> None:
    assert text_of(value, Gauge("g", "dial", division=0.001, interpolation=1.0)) == text


def test_the_key_at_a_gauge_that_sends_by_its_own_button_says_so(client: FlaskClient) -> None:
    with simulated(Bench("still", 0.2)) as sim:
        write_card(client, sim, way="pedal")
        until(lambda: live(client, f"{UP}~talk")[0]["number"])
        answer = client.post("/api/gauges/talk/presses")
    assert answer.status_code == 422
    assert "its own button" in answer.get_json()["message"]


def test_a_press_at_a_gauge_that_nobody_hears_is_not_found(client: FlaskClient) -> None:
    assert client.post("/api/gauges/lever-2/presses").status_code == 404


def test_two_gauges_are_read_each_at_its_own_station(client: FlaskClient) -> None:
    with simulated(Bench("pries", 0.145)) as one, simulated(Bench("pries", 0.09)) as two:
        write_card(client, one)
        write_card(client, two, "other")
        at = (f"{UP}~talk", f"{DOWN}~other")
        until(lambda: all(g["number"] for g in live(client, *at)))
        at = tuple(f"{a}~{g['session']}~0~0" for a, g in zip(at, live(client, *at), strict=True))
        both = until(lambda: (x := live(client, *at)) and x[0]["takes"] and x[1]["takes"] and x)
    assert [(g["slot"], g["takes"][0]["fills"][0]["text"]) for g in both] == [(UP, "0.145"), (DOWN, "0.090")]


@pytest.mark.parametrize(("unit", "text"), [("in", "0.145"), ("mm", "0.006")])
def test_a_unit_that_the_card_does_not_say_is_asked_before_anything_is_taken(
    client: FlaskClient, unit: str, text: str
) -> None:
    with simulated(Bench("pries", 0.145), Faults(resolution=0.0005, wrong_unit=True)) as sim:
        write_card(client, sim)
        found = until(lambda: (g := live(client, f"{UP}~talk")[0])["says"]["asks"] and g)
        assert [u for u, _ in found["says"]["asks"]] == ["in", "mm"]
        at = f"{UP}~talk~{found['session']}~0~0"
        until(lambda: live(client, at)[0]["number"] > 130)
        assert not live(client, at)[0]["takes"]
        assert client.post("/api/gauges/talk/unit", json={"unit": unit}).status_code == 204
        take = until(lambda: live(client, at)[0]["takes"])[0]
    assert take["fills"][0]["text"] == text


def test_a_silent_gauge_says_so_and_typing_goes_on(client: FlaskClient, pump: Any) -> None:
    with simulated() as sim:
        write_card(client, sim)
        until(lambda: live(client, f"{UP}~talk")[0]["number"])
        sim.silent = True
        found = until(lambda: (g := live(client, f"{UP}~talk")[0])["says"]["state"] == "silent" and g)
        assert "type the readings" in found["says"]["words"]
        assert (found["shown"], found["at"]) == ("", None)
        assert pump.read(UP, "0.14")["sheet"]["cells"][0]["shown"] == "0.140"


def test_a_turn_fills_greatest_and_smallest_of_its_end(client: FlaskClient) -> None:
    given = {"ends": "two", "read": "extremes", "limit": 0.05, "convention": "tir", "gauges": "outboard",
             "source": "Yard sheet", "basis": "new parts"}  # fmt: skip
    body = {"id": "turned", "name": "A shaft", "kind": "crank_runout", "given": given}
    answer = client.post("/api/jobs/bench", json=body, headers=MARL)
    assert answer.status_code == 201, answer.get_json()
    setting = answer.get_json()["settings"][0]["id"]
    with simulated(Bench("turns", 0.06)) as sim:
        write_card(client, sim)
        url = f"/api/settings/{setting}/live"
        asked = lambda at: client.get(url, query_string={"at": [at]}).get_json()["gauges"][0]  # noqa: E731
        session = until(lambda: (g := asked("L.max~talk"))["number"] and g)["session"]
        take = until(lambda: asked(f"L.max~talk~{session}~0~0")["takes"])[0]
    texts = {f["slot"]: float(f["text"]) for f in take["fills"]}
    assert texts == {"L.max": pytest.approx(0.06, abs=0.002), "L.min": pytest.approx(0, abs=0.002)}


def test_a_gauge_that_talks_no_more_is_not_heard(client: FlaskClient) -> None:
    with simulated() as sim:
        write_card(client, sim)
        client.post("/api/gauges/talk/line", json={"talks": False}, headers=MARL)
        assert live(client, f"{UP}~talk") == []
        assert client.get("/api/gauges/talk/heard").status_code == 404


def test_its_line_can_be_tried_where_it_is_written(client: FlaskClient) -> None:
    with simulated(Bench("still", 0.2)) as sim:
        write_card(client, sim)
        heard = until(lambda: (h := client.get("/api/gauges/talk/heard").get_json())["shown"] and h)
    assert (heard["shown"], heard["raw"]) == ("0.2 MM", "+0.2000 MM")


@pytest.mark.parametrize("at", ["", "a", "a~b~c", "a~b~c~1", "a~b~c~x~1", "a~b~c~1~²"])
def test_a_station_that_cannot_be_read_is_refused(client: FlaskClient, at: str) -> None:
    answer = client.get(f"/api/settings/{SETTING}/live", query_string={"at": [at]})
    assert answer.status_code == 422 and answer.get_json()["field"] == "at"


def test_the_address_of_a_gauge_leaves_with_no_job(client: FlaskClient) -> None:
    with simulated(Bench("pries", 0.145)) as sim:
        write_card(client, sim)
        send(client, first_take(client))
        address = sim.address.encode()
    packed = zipfile.ZipFile(io.BytesIO(client.get("/api/jobs/p22/exchange.zip").data))
    inside = b"".join(packed.read(n) for n in packed.namelist())
    assert b"a pry" not in inside and b'"how": "pry"' in inside.replace(b'"how":"pry"', b'"how": "pry"')
    assert address not in inside
    assert CARD["name"].encode() not in inside
