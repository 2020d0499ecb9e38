"""What if: places, chances and pictures of a bevel pair's packs; the photo that is laid under its flank."""

from __future__ import annotations

import io
import json
from typing import Any

import pytest
from flask.testing import FlaskClient
from PIL import Image, ImageDraw

ACTOR = {"X-Mechanic": "marl"}
PAIR = "/api/settings/f12.ring-set"
CORNERS = "0.2,0.8,0.9,0.9,0.9,0.1,0.2,0.2"


def shown(client: FlaskClient) -> dict[str, Any]:
    found: dict[str, Any] = client.get(f"{PAIR}/what-if").get_json()
    return found


def states_at(view: dict[str, Any], first: int, second: int) -> dict[str, Any]:
    pinion, gear = (s["places"][i]["state"] for s, i in zip(view["sliders"], (first, second), strict=True))
    left, right = ([p["thickness"] for p in pack] for pack in gear["packs"])
    return {"pinion": [p["thickness"] for p in pinion["packs"][0]], "carrier": {"left": left, "right": right}}


def test_every_place_has_its_chance_and_what_is_advised_is_among_them(client: FlaskClient) -> None:
    view = shown(client)
    first, second = view["sliders"]
    assert len(view["odds"]) == len(view["lands"]) == len(first["places"])
    assert {len(row) for row in view["lands"]} == {len(second["places"])}
    move = client.get(PAIR).get_json()["sheet"]["move"]["best"]
    assert first["places"][first["best"]]["at"] == pytest.approx(move["states"]["pinion"]["position"])
    assert second["places"][second["best"]]["at"] == pytest.approx(move["states"]["carrier"]["position"])
    assert view["odds"][first["best"]][second["best"]] == pytest.approx(100 * move["p_in"], abs=1)
    assert first["places"][first["now"]]["handled"] == 0
    assert all(len(s["pictures"]) <= 15 for s in view["sliders"])


def test_the_rule_reaches_past_its_outermost_places(client: FlaskClient) -> None:
    """By a twenty-fifth of what lies between them, 0.02 mm at least."""
    for slider in shown(client)["sliders"]:
        first, last = slider["places"][0]["at"], slider["places"][-1]["at"]
        pad = max(0.02, (last - first) / 25)
        assert (slider["lo"], slider["hi"]) == pytest.approx((first - pad, last + pad), abs=1e-6)


def test_places_lie_to_either_side_and_handle_few_shims_or_are_where_it_is_and_should_be(
    client: FlaskClient,
) -> None:
    for slider in shown(client)["sliders"]:
        at = [p["at"] for p in slider["places"]]
        now, best = at[slider["now"]], at[slider["best"]]
        assert min(at) < min(now, best) and max(at) > max(now, best)
        assert min(now, best) - 0.3 <= min(at) and max(at) <= max(now, best) + 0.3
        asked = (slider["now"], slider["best"])
        assert all(p["handled"] <= 4 for i, p in enumerate(slider["places"]) if i not in asked)


def test_the_exact_picture_says_what_the_move_would_say(client: FlaskClient) -> None:
    view = shown(client)
    best = [s["best"] for s in view["sliders"]]
    tried = client.post(f"{PAIR}/what-if", json={"states": states_at(view, *best)}).get_json()
    move = client.get(PAIR).get_json()["sheet"]["move"]["best"]
    assert [s["text"] for s in tried["say"]] == [s["text"] for s in move["say"]]
    assert tried["expect"] == move["expect"]
    assert [f["side"] for f in tried["loaded"]] == ["drive", "coast"]
    assert all(f["model"] for f in tried["loaded"])
    assert not any(p["role"] == "painted" for f in tried["loaded"] for p in f["patches"])
    assert len(tried["alone"]) == 2


def test_pictures_made_ahead_are_those_of_the_exact_one_and_small(client: FlaskClient) -> None:
    view = shown(client)
    first, second = view["sliders"]
    total = 0
    for row in range(len(first["pictures"])):
        answer = client.get(f"{PAIR}/what-if/pictures/{row}")
        total += len(answer.data)
    assert total <= 300_000
    row = client.get(f"{PAIR}/what-if/pictures/0").get_json()["rings"]
    assert len(row) == len(second["pictures"])
    at_left = states_at(view, 0, 0)
    tried = client.post(f"{PAIR}/what-if", json={"states": at_left}).get_json()
    for side, flat in enumerate(row[0]):
        ring = next((p["outline"] for p in tried["flanks"][side]["patches"] if p["role"] == "predicted"), [])
        assert [v / 1000 for v in flat] == pytest.approx([v for point in ring for v in point], abs=2e-3)


def test_what_is_not_there_is_refused_with_what_to_do(client: FlaskClient) -> None:
    for answer in (
        client.get(f"{PAIR}/what-if/pictures/99"),
        client.get("/api/settings/w17.output-end-play/what-if"),
        client.post(f"{PAIR}/what-if", json={"states": {"nut": 3}}),
    ):
        assert answer.status_code == 422
        assert answer.get_json()["next_step"]
    client.post(
        f"{PAIR}/acts",
        json={"id": "r1", "kind": "reseat", "seen": client.get(PAIR).get_json()["version"]},
        headers=ACTOR,
    )
    unread = client.get(f"{PAIR}/what-if")
    assert (unread.status_code, "paint the drive side first" in unread.get_json()["next_step"]) == (422, True)


def test_a_move_with_another_total_has_the_carrier_preload_read_again(client: FlaskClient) -> None:
    preload = "/api/settings/f12.carrier-preload"
    before = client.get(preload).get_json()["sheet"]["round"]
    view = client.get(PAIR).get_json()
    same = {"pinion": [0.5, 0.25], "carrier": {"left": [0.5, 0.25], "right": [0.5, 0.25, 0.05]}}
    client.post(
        f"{PAIR}/acts",
        json={"id": "m1", "kind": "move", "states": same, "seen": view["version"]},
        headers=ACTOR,
    )
    assert client.get(preload).get_json()["sheet"]["round"] == before
    more = {"carrier": {"left": [0.5, 0.25], "right": [0.5, 0.25, 0.10]}}
    seen = client.get(PAIR).get_json()["version"]
    client.post(
        f"{PAIR}/acts", json={"id": "m2", "kind": "move", "states": more, "seen": seen}, headers=ACTOR
    )
    assert client.get(preload).get_json()["sheet"]["round"] == before + 1


# the photo


def tooth(light: bool) -> bytes:
    """A flank in grey on dark ground, with a patch on its middle that is lighter or darker than it."""
    image = Image.new("RGB", (800, 600), (30, 30, 30))
    pen = ImageDraw.Draw(image)
    pen.polygon([(160, 480), (720, 540), (720, 60), (160, 120)], fill=(120, 120, 120))
    shade = 240 if light else 10
    pen.ellipse((360, 200, 560, 400), fill=(shade, shade, shade))
    out = io.BytesIO()
    image.save(out, "PNG")
    return out.getvalue()


def hung(client: FlaskClient, data: bytes) -> str:
    client.post("/api/jobs/f12/photos?id=tooth", data=data, headers=ACTOR)
    url: str = client.get("/api/jobs/f12/strip").get_json()["photos"][-1]["url"]
    return url


@pytest.mark.parametrize("light", [True, False])
def test_a_first_paint_is_taken_from_the_patch_that_stands_out(client: FlaskClient, light: bool) -> None:
    url = hung(client, tooth(light))
    found = client.get(f"{url}/first-paint?corners={CORNERS}").get_json()
    mask = found["lighter" if light else "darker"]
    cells = [(j, i) for i, row in enumerate(mask) for j, v in enumerate(row) if v]
    assert 20 < len(cells) < 120
    assert sum(j for j, _ in cells) / len(cells) == pytest.approx(12, abs=2.5)
    assert sum(i for _, i in cells) / len(cells) == pytest.approx(5.5, abs=1)
    assert (len(mask), len(mask[0])) == (12, 24)
    other = found["darker" if light else "lighter"]
    assert not any(map(any, other)), "the flank itself is no patch"


def test_the_photo_is_bent_onto_the_drawn_flank(client: FlaskClient) -> None:
    answer = client.get(f"{hung(client, tooth(True))}/under-flank?corners={CORNERS}&taper=0.35")
    picture = Image.open(io.BytesIO(answer.data))
    assert (picture.format, picture.size) == ("JPEG", (840, 300))
    assert picture.getpixel((420, 150))[0] > 180  # type: ignore[index]
    assert picture.getpixel((40, 150))[0] == pytest.approx(120, abs=20)  # type: ignore[index]


@pytest.mark.parametrize(
    "corners",
    ["", "1,2,3", "a,b,c,d,e,f,g,h", "0,0,1,1,1,0,0,1", "0.5,0.5,0.5,0.5,0.5,0.5,0.5,0.5", "0,0,2,0,2,1,0,1"],
)
def test_corners_that_are_no_flank_are_refused(client: FlaskClient, corners: str) -> None:
    answer = client.get(f"{hung(client, tooth(True))}/first-paint?corners={corners}")
    assert answer.status_code == 422
    assert "toe root" in answer.get_json()["next_step"]


def test_the_record_says_a_painted_flank_in_words(client: FlaskClient) -> None:
    record = client.get("/api/jobs/f12/record").get_json()
    pair = next(s for s in record["settings"] if s["label"].startswith("Ring gear"))
    painted = [e for e in pair["entries"] if e["slot"].startswith("paint.")]
    assert {e["shown"] for e in painted} <= {f"{n} % painted" for n in range(1, 60)}
    assert "mask" not in json.dumps(painted)
