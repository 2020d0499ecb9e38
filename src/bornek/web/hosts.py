"""Under which names the application answers: a page of another name must not reach it by pointing its own
name at this machine."""

from __future__ import annotations

from collections.abc import Callable
from ipaddress import ip_address

from flask import request
from werkzeug.exceptions import Forbidden

LOOPBACK = ("127.0.0.1", "localhost", "::1")
EVERYWHERE = ("0.0.0.0", "::", "")


def name_of(host: str) -> str:
    """The name of a Host header, without port and brackets.

    >>> name_of("[::1]:8460"), name_of("yard.local:80"), name_of("10.0.0.4")
    ('::1', 'yard.local', '10.0.0.4')
    """
    if host.startswith("["):
        return host[1:].partition("]")[0].lower()
    return host.partition(":")[0].lower().rstrip(".")


def is_ours(host: str, bound: str, allowed: tuple[str, ...]) -> bool:
    """Loopback, what was bound, and what was allowed by name. Bound to every address, a number is any of
    them: only a name can be pointed elsewhere.

    >>> is_ours("127.0.0.1:8460", "127.0.0.1", ()), is_ours("evil.test", "127.0.0.1", ())
    (True, False)
    >>> is_ours("192.168.4.2:8460", "0.0.0.0", ()), is_ours("bench.lan", "0.0.0.0", ("bench.lan",))
    (True, True)
    """
    name = name_of(host)
    return name in (*LOOPBACK, bound.lower(), *(a.lower() for a in allowed)) or (
        bound in EVERYWHERE and _is_number(name)
    )


def _is_number(name: str) -> bool:
    try:
        ip_address(name)
    except ValueError:
        return False
    return True


def host_check(bound: str, allowed: tuple[str, ...]) -> Callable[[], None]:
    """To be run before every request: Forbidden for a Host that is not ours."""

    def check() -> None:
        if not is_ours(request.headers.get("Host", ""), bound, allowed):
            raise Forbidden(
                "Bornek was not started to answer under this name. Use its address, or start it with --allow-host."
            )

    return check
