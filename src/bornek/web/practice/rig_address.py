"""A rig's yard has an address of its own: /rigs/<id>/ stands before every path of the application."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterable
from typing import Any

from flask import request

from bornek.core.errors import NotFound

RIG = "bornek.rig"
AT_A_RIG = re.compile(
    r"^/api/(rig(/.*)?|settings/[^/]+(/(acts|entries|expectations|explanations|given|live|signatures))?"
    r"|jobs/[^/]+/(inspection|plan)|kinds/[^/]+/form|mechanics|limit-tables|me(/here)?|sign-ins(/pin)?|sign-outs)$"
)
"""What a rig's own page asks for. Board, record, search and sums would tell the advice that has to be asked for."""
_PREFIX = re.compile(r"^/rigs/([0-9a-f]{32})(/.*)?$")


class RigAddress:
    """WSGI: the same application over a rig's own yard. What is asked below a rig's address says so in the environment
    and goes on as if it were asked at the root."""

    def __init__(self, app: Callable[..., Iterable[bytes]]) -> None:
        self._app = app

    def __call__(self, environ: dict[str, Any], start_response: Callable[..., Any]) -> Iterable[bytes]:
        found = _PREFIX.match(environ.get("PATH_INFO", ""))
        if found:
            environ[RIG] = found[1]
            environ["SCRIPT_NAME"] = f"{environ.get('SCRIPT_NAME', '')}/rigs/{found[1]}"
            environ["PATH_INFO"] = found[2] or "/"
        return self._app(environ, start_response)


def only_its_own() -> None:
    """At a rig nothing is told but what its own page shows. Raises NotFound."""
    if request.environ.get(RIG) and request.path.startswith("/api/") and not AT_A_RIG.match(request.path):
        raise NotFound("That is not told at a rig.", field="path", next_step="Go on at the rig's own page.")
