"""Photos: what is taken, what is refused and how, and that nothing travels along with the picture."""

import io
import struct
import zlib
from typing import Any

import pytest
from flask.testing import FlaskClient
from PIL import Image

from bornek.core.errors import InputError
from bornek.services.strip.images import MOST_BYTES, THUMB, take_picture
from bornek.store.database import Database

GPS = 0x8825


def picture(kind: str = "JPEG", size: tuple[int, int] = (640, 480), **more: Any) -> bytes:
    out = io.BytesIO()
    image = Image.linear_gradient("L").resize(size).convert("RGB")
    image.save(out, kind, **more)
    return out.getvalue()


def with_place() -> bytes:
    exif = Image.Exif()
    exif.get_ifd(GPS)[2] = (52.0, 30.0, 0.0)
    exif[0x010E] = "SECRET-COMMENT"
    exif[0x0112] = 6
    return picture(exif=exif)


def bomb(width: int, height: int) -> bytes:
    """A PNG of so many pixels in a few kilobytes."""

    def chunk(kind: bytes, data: bytes) -> bytes:
        return struct.pack(">I", len(data)) + kind + data + struct.pack(">I", zlib.crc32(kind + data))

    head = struct.pack(">IIBBBBB", width, height, 1, 0, 0, 0, 0)
    return (
        b"\x89PNG\r\n\x1a\n"
        + chunk(b"IHDR", head)
        + chunk(b"IDAT", zlib.compress(b"\0" * 100_000))
        + chunk(b"IEND", b"")
    )


SVG = b'<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>'


def send(client: FlaskClient, data: bytes, job: str = "w17", **query: str) -> Any:
    asked = {"id": "photo-1", "subject": "output-seal", "caption": "wet"} | query
    return client.post(
        f"/api/jobs/{job}/photos", data=data, query_string=asked, headers={"X-Mechanic": "marl"}
    )


@pytest.mark.parametrize("kind", ["JPEG", "PNG", "WEBP"])
def test_a_photo_is_kept_shown_and_found_on_its_part(client: FlaskClient, kind: str) -> None:
    answer = send(client, picture(kind))
    assert answer.status_code == 201, answer.get_json()
    shown = answer.get_json()["photos"][0]
    assert (shown["subject"], shown["caption"], shown["by"]) == ("output-seal", "wet", "Marl Tennick")
    whole, thumb = client.get(shown["url"]), client.get(shown["thumb"])
    assert whole.mimetype == f"image/{kind.lower()}"
    assert Image.open(io.BytesIO(whole.data)).format == kind
    assert max(Image.open(io.BytesIO(thumb.data)).size) == THUMB
    assert "sandbox" in whole.headers["Content-Security-Policy"]
    assert whole.headers["X-Content-Type-Options"] == "nosniff"


def test_place_and_comment_are_taken_out_and_the_picture_stands_upright(client: FlaskClient) -> None:
    data = with_place()
    assert b"SECRET-COMMENT" in data
    shown = send(client, data).get_json()["photos"][0]
    kept = client.get(shown["url"]).data
    assert b"SECRET-COMMENT" not in kept
    assert dict(Image.open(io.BytesIO(kept)).getexif()) == {}
    assert (shown["width"], shown["height"]) == (480, 640)


def test_what_hangs_behind_a_picture_is_left_behind() -> None:
    kept = take_picture(picture() + b"<script>alert(1)</script>")
    assert b"<script>" not in kept.data
    assert b"<script>" not in kept.thumb


def test_the_same_picture_is_kept_once(client: FlaskClient, yard: Database) -> None:
    first = send(client, picture()).get_json()["photos"][0]
    again = send(client, picture(), id="photo-2").get_json()["photos"][1]
    assert first["url"] == again["url"]
    assert len([p for p in yard.files.rglob("*") if p.is_file()]) == 2


@pytest.mark.parametrize(
    ("data", "status", "words"),
    [
        (b"just words, named photo.png", 422, "not a PNG, JPEG or WebP"),
        (SVG, 422, "not a PNG, JPEG or WebP"),
        (b"\x89PNG\r\n\x1a\n" + SVG, 422, "not a PNG, JPEG or WebP"),
        (b"GIF89a" + bytes(64), 422, "not a PNG, JPEG or WebP"),
        (picture()[:3000], 422, "breaks off or is damaged"),
        (picture("PNG")[:200], 422, "breaks off or is damaged"),
        (bomb(60_000, 60_000), 422, "not a PNG, JPEG or WebP"),
        (bomb(9000, 6000), 422, "more than 40 million pixels"),
        (b"", 422, "No photo was sent"),
    ],
    ids=["text", "svg", "svg-as-png", "gif", "cut-jpeg", "cut-png", "bomb", "too-many-pixels", "empty"],
)
def test_what_is_no_photo_is_refused_in_words(
    client: FlaskClient, yard: Database, data: bytes, status: int, words: str
) -> None:
    answer = send(client, data)
    assert answer.status_code == status
    assert words in answer.get_json()["message"]
    assert answer.get_json()["next_step"]
    assert not yard.files.exists()
    assert client.get("/api/jobs/w17/strip").get_json()["photos"] == []


def test_a_photo_of_just_the_most_that_is_taken_is_looked_at_and_one_byte_more_is_refused_for_its_size() -> (
    None
):
    whole = picture()
    assert take_picture(whole + bytes(MOST_BYTES - len(whole))).data
    with pytest.raises(InputError, match="at most 15 MB"):
        take_picture(whole + bytes(MOST_BYTES + 1 - len(whole)))


def test_two_hundred_megabytes_are_refused_before_they_are_read(client: FlaskClient) -> None:
    class Endless(io.RawIOBase):
        read_so_far = 0

        def read(self, size: int = -1) -> bytes:
            self.read_so_far += max(size, 1)
            return bytes(max(size, 1))

    body = Endless()
    answer = client.post(
        "/api/jobs/w17/photos?id=x",
        headers={"X-Mechanic": "marl"},
        environ_overrides={"wsgi.input": body, "CONTENT_LENGTH": "200000000"},
    )
    assert answer.status_code == 413
    assert answer.get_json()["next_step"] == "Send a smaller file."
    assert body.read_so_far < 20_000_000


@pytest.mark.parametrize("subject", ["../../etc/passwd", "output-seal/../..", "<b>"])
def test_a_subject_that_is_not_of_the_unit_is_refused(client: FlaskClient, subject: str) -> None:
    answer = send(client, picture(), subject=subject)
    assert answer.status_code == 422
    assert answer.get_json()["field"] == "subject"


@pytest.mark.parametrize(
    "name", ["..%2f..%2fbornek.sqlite", "../yard.sqlite", "a" * 64, "%00", "A" * 64 + "/../../yard.sqlite"]
)
def test_no_name_leads_out_of_the_folder(client: FlaskClient, name: str) -> None:
    answer = client.get(f"/api/photos/{name}")
    assert answer.status_code == 404
    assert b"SQLite" not in answer.data


def test_a_photo_on_a_job_that_is_not_there_is_refused(client: FlaskClient) -> None:
    assert send(client, picture(), job="none").status_code == 404
