"""Which tests run one after the other in one worker: those that share a browser's page, and those that mostly wait."""

from __future__ import annotations

from pathlib import PurePosixPath

from xdist.scheduler import LoadScopeScheduling

GROUPS = {
    "test_live.py": "waits",
    "test_kills.py": "waits",
    "test_serve.py": "waits",
    "test_live_gauges.py": "waits",
    "test_lines.py": "waits",
    "test_page.py": "pages",
    "test_rig_pages.py": "builds",
    "test_journeys.py": "walks",
    "test_strip.py": "walks",
    "test_odd_states.py": "walks",
    "test_plan.py": "builds",
    "test_fit.py": "builds",
    "browser": "browser",
}
"""By a file or a folder: groups of like length, so that none is waited for, in the order in which they begin. What waits
for servers and gauges does so beside what keeps the other workers busy."""
ORDER = list(dict.fromkeys(GROUPS.values()))


def group_of(nodeid: str) -> str:
    """The group of a test; empty where it has none, and goes with its file to whoever is free.

    >>> group_of("tests/browser/test_page.py::test_a_phone[chromium]"), group_of("tests/core/test_draw.py::test_a_step")
    ('pages', '')
    >>> group_of("tests/browser/test_strip.py::test_all"), group_of("tests/core/test_strip.py::test_all")
    ('walks', '')
    """
    path = PurePosixPath(nodeid.split("::")[0])
    if path.name == "test_strip.py" and "browser" not in path.parts:
        return ""
    return next((group for name, group in GROUPS.items() if name in path.parts), "")


def turn_of(nodeid: str) -> int:
    """When a test's group begins: the long ones first, so that the files fill what is left at the end.

    >>> turn_of("tests/test_kills.py::test_x") < turn_of("tests/browser/test_page.py::test_x") < turn_of("tests/x.py::y")
    True
    """
    group = group_of(nodeid)
    return ORDER.index(group) if group else len(ORDER)


class ByGroup(LoadScopeScheduling):
    """Hands out a group at a time, and of what is in none a file: test by test, a third of what a small test costs beside
    itself was its errand. In the order of `turn_of`, so `--no-loadscope-reorder`: else the files of many tests go first."""

    def _split_scope(self, nodeid: str) -> str:
        return group_of(nodeid) or nodeid.split("::")[0]
