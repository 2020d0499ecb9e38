"""How much a request may bring: little, unless its route takes files."""

from __future__ import annotations

from flask import request

MOST_JSON = 1_000_000
MOST_UPLOAD = 60_000_000


def takes_up_to(most: int) -> None:
    """Said by a route that takes a file, before it reads the body; werkzeug refuses a longer one with 413."""
    request.max_content_length = most
