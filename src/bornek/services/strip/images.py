"""Takes a picture in: known by its content, decoded whole, stripped of everything but the picture."""

from __future__ import annotations

import hashlib
import io
import warnings
from dataclasses import dataclass

from PIL import Image, ImageOps, UnidentifiedImageError

from bornek.core.errors import InputError

MOST_BYTES = 15_000_000
MOST_PIXELS = 40_000_000
LONG_SIDE = 3200
THUMB = 320
FORMATS = {"PNG": "image/png", "JPEG": "image/jpeg", "WEBP": "image/webp"}
NEXT = "Take the photo as PNG, JPEG or WebP and send it again."


@dataclass(frozen=True)
class Picture:
    data: bytes
    media_type: str
    width: int
    height: int
    thumb: bytes

    @property
    def sha256(self) -> str:
        return hashlib.sha256(self.data).hexdigest()

    @property
    def thumb_sha256(self) -> str:
        return hashlib.sha256(self.thumb).hexdigest()


def take_picture(data: bytes) -> Picture:
    """The picture redrawn from its pixels: no place, no time, no comment, nothing behind it is kept.

    Raises InputError when it is too large, no PNG, JPEG or WebP by content, unreadable, or would need
    more than 40 million pixels.
    """
    if not data:
        raise InputError("No photo was sent.", field="photo", next_step=NEXT)
    if len(data) > MOST_BYTES:
        raise InputError(
            f"The photo has {len(data) / 1e6:.0f} MB; at most {MOST_BYTES / 1e6:.0f} MB are taken.",
            field="photo",
            next_step="Take it at a lower resolution.",
        )
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("ignore", Image.DecompressionBombWarning)
            image = Image.open(io.BytesIO(data), formats=tuple(FORMATS))
    except (UnidentifiedImageError, Image.DecompressionBombError, ValueError, OSError, SyntaxError) as error:
        raise InputError(
            "This is not a PNG, JPEG or WebP picture, whatever its name says.", field="photo", next_step=NEXT
        ) from error
    if image.width * image.height > MOST_PIXELS:
        raise InputError(
            f"The picture is {image.width} × {image.height}: more than {MOST_PIXELS // 10**6} million "
            "pixels.",
            field="photo",
            next_step="Take it at a lower resolution.",
        )
    kind = str(image.format)
    try:
        image.load()
        upright = ImageOps.exif_transpose(image)
    except (OSError, ValueError, SyntaxError, Image.DecompressionBombError) as error:
        raise InputError(
            "The picture breaks off or is damaged.",
            field="photo",
            next_step="Send it again; if it stays, take a new one.",
        ) from error
    upright.thumbnail((LONG_SIDE, LONG_SIDE))
    whole, small = _plain(upright, kind), _plain(upright, "JPEG")
    small.thumbnail((THUMB, THUMB))
    return Picture(_write(whole, kind), FORMATS[kind], whole.width, whole.height, _write(small, "JPEG"))


def _plain(image: Image.Image, kind: str) -> Image.Image:
    """A copy of the pixels alone: whatever the file carried besides stays behind."""
    mode = "RGBA" if kind != "JPEG" and "A" in image.getbands() else "RGB"
    pixels = image.convert(mode)
    bare = Image.new(mode, pixels.size)
    bare.paste(pixels)
    return bare


def _write(image: Image.Image, kind: str) -> bytes:
    out = io.BytesIO()
    image.save(out, kind, **({} if kind == "PNG" else {"quality": 88}))
    return out.getvalue()
