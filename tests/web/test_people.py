"""Who may sign in, with what, for how long; what each role may do, route by route."""

from __future__ import annotations

from typing import Any

import pytest
from flask import Flask

from accounts import PHRASE, PIN, Browser, Clock, give_accounts, guarded, read_rest, sign
from bornek.core.people.roles import RIGHTS, ROLES, Right, Role
from bornek.store.database import Database
from bornek.web.people.routes import limiter
from bornek.web.rights import OPEN, RIGHT_OF, right_of

pytestmark = pytest.mark.usefixtures("quick")


def asks(browser: Browser) -> str:
    return str(browser.get("/api/me").get_json()["asks"])


def test_every_route_names_its_right_and_none_is_named_that_is_not_there(guard: Flask) -> None:
    there = {r.endpoint.replace(" ", "_") for r in guard.url_map.iter_rules()}
    assert set(RIGHT_OF) == there
    for rule in guard.url_map.iter_rules():
        assert right_of(rule.endpoint)


def _routes(app: Flask) -> list[tuple[str, str, Right]]:
    found = []
    for rule in app.url_map.iter_rules():
        right = right_of(rule.endpoint)
        if right == OPEN:
            continue
        path = rule.rule
        for name in rule.arguments:
            for form in (f"<{name}>", f"<int:{name}>"):
                path = path.replace(form, "1")
        method = "POST" if "POST" in (rule.methods or ()) else "GET"
        found.append((method, path, right))
    return found


@pytest.fixture
def bare(empty: Database, clock: Clock) -> Flask:
    """A guarded yard of which nothing can be shown: whether one may is told all the same."""
    give_accounts(empty)
    return guarded(empty, clock)


@pytest.mark.parametrize("role", ROLES)
def test_each_role_may_what_its_rights_say_route_by_route(bare: Flask, role: Role) -> None:
    browser = Browser(bare)
    assert browser.enter(role).status_code == 201
    for method, path, right in _routes(bare):
        answer = browser.get(path) if method == "GET" else browser.post(path)
        refused = answer.status_code == 403 and answer.get_json()["code"] == "not_allowed"
        assert refused == (right not in RIGHTS[role]), (method, path, right, answer.status_code)


def test_nobody_signed_in_is_asked_everywhere(guard: Flask) -> None:
    browser = Browser(guard)
    assert asks(browser) == "sign_in"
    for method, path, _ in _routes(guard):
        answer = browser.get(path) if method == "GET" else browser.post(path)
        assert answer.status_code == 401 and answer.get_json()["code"] == "signed_out", path


def test_a_named_header_is_nobody_where_an_account_is_asked(guard: Flask) -> None:
    browser = Browser(guard)
    assert browser.client.get("/api/board", headers={"X-Mechanic": "marl"}).status_code == 401


def test_the_machine_of_the_demo_is_trusted_and_any_other_is_asked(yard: Database, clock: Clock) -> None:
    app = guarded(yard, clock, trusts=True)
    home, away = Browser(app, remote=False), Browser(app)
    me = home.get("/api/me").get_json()
    assert (me["asks"], me["trusts"], me["how"]) == ("", True, "named")
    assert home.get("/api/board").status_code == 200
    assert away.get("/api/board").status_code == 401
    forwarded = home.client.get("/api/board", headers={"X-Forwarded-For": "10.0.0.7"})
    assert forwarded.status_code == 401


def test_a_new_yard_asks_for_its_owner_at_its_own_machine_alone(empty: Database, clock: Clock) -> None:
    app = guarded(empty, clock)
    home, away = Browser(app, remote=False), Browser(app)
    assert (asks(home), asks(away)) == ("owner", "sign_in")
    owner = {"name": "Ow Berg", "passphrase": PHRASE}
    assert away.post("/api/owner", owner).status_code == 403
    weak = home.post("/api/owner", {**owner, "passphrase": "short"})
    assert weak.status_code == 422 and weak.get_json()["field"] == "passphrase"
    assert home.post("/api/owner", owner).get_json()["role"] == "owner"
    assert home.get("/api/people").status_code == 200
    assert Browser(app, remote=False).post("/api/owner", owner).status_code == 403


def test_a_wrong_passphrase_and_a_name_that_is_not_there_are_told_alike(guard: Flask) -> None:
    browser = Browser(guard)
    wrong = browser.enter("mechanic", phrase="not my words at all")
    nobody = browser.post("/api/sign-ins", {"name": "No One", "passphrase": PHRASE})
    assert wrong.status_code == nobody.status_code == 403
    assert wrong.get_json() == nobody.get_json()


def test_wrong_ones_slow_down_and_the_right_one_waits_too(guard: Flask, clock: Clock) -> None:
    browser = Browser(guard)
    for _ in range(5):
        assert browser.enter("mechanic", phrase="not my words at all").status_code == 403
    waits = browser.enter("mechanic")
    assert waits.status_code == 429 and "wait" in waits.get_json()["message"]
    assert 30 <= waits.get_json()["details"]["seconds"] <= 31
    clock.on(seconds=31)
    assert browser.enter("mechanic").status_code == 201
    assert browser.enter("mechanic", phrase="not my words at all").status_code == 403


def test_one_address_tries_only_so_often_whatever_the_name(guard: Flask) -> None:
    limiter.enabled = True
    limiter.reset()
    browser = Browser(guard)
    tries = [
        browser.post("/api/sign-ins", {"name": f"nobody {n}", "passphrase": PHRASE}).status_code
        for n in range(21)
    ]
    limiter.reset()
    assert tries == [403] * 20 + [429]


def test_a_pin_does_at_a_device_that_was_enrolled_and_nowhere_else(guard: Flask) -> None:
    bench = Browser(guard)
    me = bench.enter("mechanic", device="Bench 2 tablet").get_json()
    own = {"what": "pin", "now": PHRASE, "new": PIN}
    assert bench.post("/api/me/secrets", own).get_json()["pin"]
    bench.post("/api/sign-outs")
    known = bench.get("/api/me").get_json()
    assert [p["name"] for p in known["bench"]] == ["Mo Ritter"] and known["device"] == "Bench 2 tablet"
    pin = {"mechanic": me["mechanic"], "pin": PIN}
    assert bench.post("/api/sign-ins/pin", {**pin, "pin": "480294"}).status_code == 403
    assert bench.post("/api/sign-ins/pin", pin).get_json()["name"] == "Mo Ritter"
    assert bench.get("/api/board").status_code == 200
    other = Browser(guard)
    assert other.get("/api/me").get_json()["bench"] == []
    assert other.post("/api/sign-ins/pin", pin).status_code == 403


@pytest.mark.parametrize("pin", ["12345", "123456", "987654", "111222", "48029a", "٤٨٠٢٩٣"])
def test_a_weak_pin_is_refused(guard: Flask, pin: str) -> None:
    browser = Browser(guard)
    browser.enter("mechanic")
    answer = browser.post("/api/me/secrets", {"what": "pin", "now": PHRASE, "new": pin})
    assert answer.status_code == 422 and answer.get_json()["field"] == "pin"


def test_a_sign_in_ends_when_nobody_does_anything_and_after_a_shift(guard: Flask, clock: Clock) -> None:
    browser = Browser(guard)
    browser.enter("mechanic")
    clock.on(minutes=29)
    assert browser.post("/api/me/here").status_code == 201
    clock.on(minutes=29)
    assert browser.get("/api/board").status_code == 200
    clock.on(minutes=2)
    assert browser.get("/api/board").status_code == 401
    browser.enter("mechanic")
    for _ in range(27):
        clock.on(minutes=28)
        browser.post("/api/me/here")
    assert browser.get("/api/board").status_code == 401


def test_signed_out_everywhere_is_everywhere(guard: Flask) -> None:
    one, other = Browser(guard), Browser(guard)
    one.enter("lead")
    other.enter("lead")
    one.post("/api/sign-outs", {"everywhere": True})
    assert (one.get("/api/board").status_code, other.get("/api/board").status_code) == (401, 401)


def test_the_cookie_is_for_the_server_alone(guard: Flask) -> None:
    plain = Browser(guard).enter("lead", device="x").headers.getlist("Set-Cookie")
    assert len(plain) == 2 and all("HttpOnly" in c and "SameSite=Strict" in c for c in plain)
    tls = guard.test_client().post(
        "/api/sign-ins",
        json={"name": "Li Sand", "passphrase": PHRASE},
        base_url="https://localhost",
        environ_overrides={"REMOTE_ADDR": "10.0.0.7"},
    )
    (only,) = tls.headers.getlist("Set-Cookie")
    assert only.startswith("__Host-bornek=") and "Secure" in only and "Path=/" in only


def test_what_another_page_writes_is_refused(guard: Flask) -> None:
    browser = Browser(guard)
    browser.enter("owner")
    browser.token = "guessed"
    answer = browser.post("/api/people", {"name": "Eve", "role": "owner", "passphrase": PHRASE})
    assert answer.status_code == 403 and "another page" in answer.get_json()["message"]


def test_signing_asks_for_the_pin_again_and_says_that_it_was_given(guard: Flask) -> None:
    browser = Browser(guard)
    browser.enter("mechanic")
    read_rest(browser)
    refused = sign(browser)
    assert refused.status_code == 403 and "nothing was signed" in refused.get_json()["message"]
    assert sign(browser, pin=PHRASE).get_json()["signature"]["proof"] == "authenticated"
    record = browser.get("/api/jobs/w17/record").get_json()
    assert "authenticated" in {s["signature"]["proof"] for s in record["settings"] if s["signature"]}


def test_what_was_signed_without_an_account_stays_named(yard: Database, clock: Clock) -> None:
    home = Browser(guarded(yard, clock, trusts=True), remote=False)
    read_rest(home, **{"X-Mechanic": "marl"})
    signed = sign(home, {"X-Mechanic": "marl"})
    assert signed.get_json()["signature"]["proof"] == "named, not authenticated"


SAFE_ANYWAY = {"step": "off-rear-cover-part", "despite": "to try the gasket"}


@pytest.mark.parametrize(
    ("second", "pin", "status", "field"),
    [
        ("Li Sand", "", 403, "pin"),
        ("Li Sand", "not my words at all", 403, "pin"),
        ("Mo Ritter", PHRASE, 422, "second"),
        ("Ada Pell", PHRASE, 422, "second"),
        ("Oda Brisk", PHRASE, 422, "second"),
        ("Li Sand", PHRASE, 201, None),
    ],
)
@pytest.mark.parametrize(("act", "by"), [("plan", "mechanic"), ("release", "owner")])
def test_a_second_person_is_another_account_of_a_lead_with_their_own_pin(
    guard: Flask, act: str, by: str, second: str, pin: str, status: int, field: str | None
) -> None:
    browser = Browser(guard)
    browser.enter(by)
    if act == "plan":
        body = {**SAFE_ANYWAY, "second": second, "second_proof": "authenticated"}
        sent: dict[str, Any] = {"id": "p1", "kind": "step_worked", "body": body, "second_pin": pin}
        answer = browser.post("/api/jobs/l03/plan", sent)
    else:
        sent = {"id": "r1", "how": "as_it_is", "words": "scrapped", "second": second}
        answer = browser.post("/api/jobs/l03/release", {**sent, "pin": PHRASE, "second_pin": pin})
    assert (answer.status_code, answer.get_json().get("field")) == (status, field), answer.get_json()
    record = browser.get("/api/jobs/l03/record").get_data(as_text=True)
    assert ("Li Sand (authenticated)" in record) == (status == 201)
    assert PHRASE not in record


def test_what_a_page_says_of_the_second_persons_proof_is_not_believed(yard: Database, clock: Clock) -> None:
    home = Browser(guarded(yard, clock, trusts=True), remote=False)
    body = {**SAFE_ANYWAY, "second": "Oda Brisk", "second_proof": "authenticated"}
    sent = {"id": "p1", "kind": "step_worked", "body": body}
    assert home.post("/api/jobs/l03/plan", sent, **{"X-Mechanic": "marl"}).status_code == 201
    record = home.get("/api/jobs/l03/record").get_data(as_text=True)
    assert "Oda Brisk (named, not authenticated)" in record


@pytest.mark.parametrize("themselves", [True, False])
def test_a_second_person_is_another_of_the_yard_also_where_nobody_signs_in(
    yard: Database, clock: Clock, themselves: bool
) -> None:
    home = Browser(guarded(yard, clock, trusts=True), remote=False)
    (first,) = [m["name"] for m in home.get("/api/mechanics").get_json() if m["id"] == "marl"]
    body = {**SAFE_ANYWAY, "second": first if themselves else "A stranger"}
    sent = {"id": "p1", "kind": "step_worked", "body": body}
    answer = home.post("/api/jobs/l03/plan", sent, **{"X-Mechanic": "marl"})
    assert (answer.status_code, answer.get_json()["field"]) == (422, "second")


def test_an_apprentice_reads_and_does_not_move_or_judge(guard: Flask) -> None:
    browser = Browser(guard)
    browser.enter("apprentice")
    read_rest(browser)
    url = "/api/jobs/k08/inspection"
    judged = browser.post(
        url, {"id": "j1", "kind": "judged", "body": {"part": "input-seal", "verdict": "replace"}}
    )
    assert judged.status_code == 403 and "judge" in judged.get_json()["message"]
    assert sign(browser, pin=PHRASE).status_code == 403


def test_who_writes_is_who_is_signed_in_whatever_is_named(guard: Flask) -> None:
    browser = Browser(guard)
    browser.enter("mechanic")
    url = "/api/settings/w17.output-end-play"
    body = {"id": "e1", "slot": browser.get(url).get_json()["sheet"]["next"], "text": "0.145"}
    browser.post(f"{url}/entries", body, **{"X-Mechanic": "marl"})
    record = browser.get("/api/jobs/w17/record").get_data(as_text=True)
    assert '"by":"MoRitter"' in record.replace(" ", "")
