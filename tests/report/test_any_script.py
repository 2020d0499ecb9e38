"""Records in any script: no sign is dropped in silence, no name breaks a page, a drawing or a file's name."""

from __future__ import annotations

import io
import unicodedata
from typing import Any

import pytest
from flask.testing import FlaskClient
from hypothesis import given
from hypothesis import strategies as st
from pypdf import PdfReader

from bornek.report.fonts_in import FILES, face
from bornek.report.lettering import cut, lines, pieces, printable, seen, to_left, width_of

ACTOR = {"X-Mechanic": "oda"}
SAID = {
    "latin": "Łódź Åre čüß ñ ő ğ",
    "greek": "Κιβώτιο ταχυτήτων Ϊ",
    "cyrillic": "Редуктор лебёдки Їжак",
    "hebrew": "תיבת הילוכים",
    "arabic": "علبة التروس للونش",
    "devanagari": "गियरबॉक्स की आवाज़",
    "thai": "เกียร์ทดรอบน้ำมันรั่ว",
    "chinese": "减速箱漏油轴承响",
    "japanese": "減速機のベアリング交換ヘリカル",
    "korean": "감속기 베어링 소음",
}
TAG = "Д-17/₪"
LONG = "W" * 200


@pytest.mark.parametrize("script", SAID)
def test_every_letter_of_a_script_has_its_form(script: str) -> None:
    assert printable(SAID[script]) == SAID[script]
    assert "".join(p.text for p in pieces(SAID[script], 9)) == SAID[script]
    assert all(p.width > 0 for p in pieces(SAID[script], 9) if not p.space)


def test_a_sign_that_no_face_has_is_set_as_its_code() -> None:
    assert printable("snow ☃ and 🔧") == "snow [U+2603] and [U+1F527]"
    assert printable("bell\x07") == "bell[U+0007]"
    assert printable("zero\u200dwidth") == "zero\u200dwidth"


def test_what_runs_to_the_left_is_seen_from_the_right() -> None:
    assert to_left(SAID["hebrew"])
    assert not to_left(f"W-17 {SAID['hebrew']}")
    shown = [p.text for p in seen(pieces("אב 12 גד", 9)) if not p.space]
    assert shown == ["גד", "12", "אב"]
    shown = [p.text for p in seen(pieces("pump אב גד end", 9)) if not p.space]
    assert shown == ["pump", "גד", "אב", "end"]


def test_arabic_letters_join_and_numbers_do_not_turn() -> None:
    joined = next(p for p in pieces("للونش", 9) if not p.space)
    alone = sum(p.width for sign in "للونش" for p in pieces(sign, 9))
    assert joined.width < alone
    number = next(p for p in pieces("رقم ١٢", 9) if "١" in p.text)
    assert number.shown == "١٢"


def test_brackets_stay_with_what_they_hold() -> None:
    shown = [p for p in seen(pieces("left (אב)", 9)) if not p.space]
    assert "".join(p.text for p in shown) == "left(אב)"
    shown = [p for p in seen(pieces("תיבה (אב) end", 9)) if not p.space]
    assert [p.shown[-1] if p.text in "()" else "x" for p in shown if p.text in "()"] in ([], ["(", ")"])


@given(st.text(max_size=60), st.floats(30, 300))
def test_any_text_breaks_into_lines_that_fit_and_lose_nothing(text: str, room: float) -> None:
    found = lines(text, 9, room)
    for line in found:
        assert (
            sum(p.width for p in line) <= room + 1e-6
            or sum(len(p.text) for p in line) == 1
            or any(unicodedata.category(s).startswith("M") for p in line for s in p.text)
        )
    letters = sorted("".join(printable(text).split()))
    assert sorted("".join(p.text for line in found for p in line if not p.space)) == letters


@given(st.text(max_size=40))
def test_what_is_cut_fits(text: str) -> None:
    assert width_of(cut(text, 9, 60), 9) <= 60


def test_every_face_ships_and_none_is_too_large() -> None:
    sizes = {name: len(face(name).face._ttf_data) for name in FILES}
    assert sum(sizes.values()) < 3_500_000, sizes


@pytest.fixture
def spoken(client: FlaskClient) -> FlaskClient:
    """A job that speaks ten scripts, with a long name."""
    body = {
        "id": "z1",
        "revision": "ramp-winch.1",
        "tag": TAG,
        "name": " ".join(SAID.values())[:80],
        "serial": "RW7-0700",
        "complaint": " / ".join(SAID.values()),
        "known": LONG,
    }
    assert client.post("/api/jobs", json=body, headers=ACTOR).status_code == 201
    for n, words in enumerate((*SAID.values(), LONG)):
        fact = {"id": f"f{n}", "kind": "wrong", "body": {"what": "wrong", "words": words, "part": ""}}
        assert client.post("/api/jobs/z1/facts", json=fact, headers=ACTOR).status_code == 201
    return client


@pytest.mark.parametrize("file", ["record.pdf", "readings.csv", "section.svg", "exchange.zip", "orders.csv"])
def test_every_document_comes_under_a_name_of_any_script(spoken: FlaskClient, file: str) -> None:
    answer = spoken.get(f"/api/jobs/z1/{file}")
    assert answer.status_code == 200
    named: Any = answer.headers["Content-Disposition"]
    named.encode("latin-1")


def test_the_record_holds_every_letter(spoken: FlaskClient) -> None:
    pages = PdfReader(io.BytesIO(spoken.get("/api/jobs/z1/record.pdf").data)).pages
    text = "".join("".join(p.extract_text().split()) for p in pages)
    for script in ("latin", "greek", "cyrillic", "chinese", "japanese", "korean"):
        for word in SAID[script].split():
            assert word in text or word[::-1] in text, (script, word)
    assert text.count("W") >= 2 * len(LONG)
    assert "[U+" not in text


def test_bag_labels_take_any_script(spoken: FlaskClient) -> None:
    removal = {"part": "cover-bolts", "way": "hand", "count": 4, "tag": SAID["thai"], "bag": "袋1"}
    fact = {"id": "r1", "kind": "removed", "body": removal}
    answer = spoken.post("/api/jobs/z1/facts", json=fact, headers=ACTOR)
    assert answer.status_code == 201, answer.get_json()
    labels = spoken.get("/api/jobs/z1/bag-labels.pdf")
    assert labels.status_code == 200
    assert "袋" in PdfReader(io.BytesIO(labels.data)).pages[0].extract_text()
