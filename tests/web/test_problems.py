import pytest
from flask.testing import FlaskClient

from bornek.core import errors
from bornek.web.problems import STATUS, status_of
from helpers import Bench


def every_error() -> list[type[errors.BornekError]]:
    found, queue = [], [errors.BornekError]
    while queue:
        cls = queue.pop()
        found.append(cls)
        queue += cls.__subclasses__()
    return found


@pytest.mark.parametrize("cls", every_error(), ids=lambda c: c.__name__)
def test_every_error_class_has_its_http_answer(cls: type[errors.BornekError]) -> None:
    assert status_of(cls("words")) in (400, 401, 403, 404, 409, 422, 429, 503, 507)
    assert set(cls("words").problem()) == {"code", "field", "message", "next_step", "details"}


def test_no_error_is_answered_only_by_the_root() -> None:
    leaves = [c for c in every_error() if c is not errors.BornekError]
    assert all(any(k in STATUS for k in c.__mro__ if k is not errors.BornekError) for c in leaves)


@pytest.mark.parametrize(
    ("method", "path", "status"),
    [
        ("get", "/api/nothing", 404),
        ("get", "/api/settings/none", 404),
        ("delete", "/api/board", 405),
        ("get", "/api/jobs/none/record.pdf", 404),
        ("post", "/api/kinds/none/compute", 415),
    ],
)
def test_http_errors_take_the_same_shape(client: FlaskClient, method: str, path: str, status: int) -> None:
    answer = client.open(path, method=method.upper())
    assert answer.status_code == status
    assert answer.content_type == "application/problem+json"
    assert answer.get_json()["next_step"]


def test_405_says_what_is_allowed(client: FlaskClient) -> None:
    assert "GET" in client.delete("/api/board").headers["Allow"]


def test_a_missing_field_is_named(pump: Bench) -> None:
    answer = pump.client.post(f"{pump.url}/entries", json={"id": "x"}, headers={"X-Mechanic": "marl"})
    assert answer.status_code == 422
    assert answer.get_json()["field"] == "slot"


def test_broken_json_is_a_clear_400(pump: Bench) -> None:
    answer = pump.client.post(f"{pump.url}/entries", data="{", content_type="application/json")
    assert answer.status_code == 400
    assert answer.get_json()["code"] == "http_400"


def test_another_page_in_the_browser_cannot_write(pump: Bench) -> None:
    body = {"id": "x", "slot": "travel.mark_up.1", "text": "0.3"}
    headers = {"X-Mechanic": "marl", "Origin": "http://elsewhere.example"}
    assert pump.client.post(f"{pump.url}/entries", json=body, headers=headers).status_code == 403
    headers["Origin"] = "http://localhost"
    assert pump.client.post(f"{pump.url}/entries", json=body, headers=headers).status_code == 201
