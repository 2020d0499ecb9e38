"""What a contact pattern looks like, what that means, and which way to go; in the shop's words."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

Place = Literal["toe", "heel", "root", "tip", ""]


@dataclass(frozen=True)
class Seen:
    """Where contact lies against where it is wanted: by at most one word each way."""

    along: Place
    up: Place

    @property
    def there(self) -> bool:
        return not self.along and not self.up


def seen(x: float, y: float, want: tuple[float, float], half: tuple[float, float]) -> Seen:
    """Words for a centre (x toe to heel, y root to tip) that lies outside `want` ± `half`, shares of the flank.

    >>> seen(0.30, 0.85, (0.5, 0.5), (0.15, 0.10))
    Seen(along='toe', up='tip')
    """
    along: Place = "toe" if x < want[0] - half[0] else "heel" if x > want[0] + half[0] else ""
    up: Place = "root" if y < want[1] - half[1] else "tip" if y > want[1] + half[1] else ""
    return Seen(along, up)


def looks(found: Seen) -> str:
    """
    >>> looks(Seen("toe", "tip")), looks(Seen("", ""))
    ('at the tip, toward the toe', 'where it is wanted')
    """
    words = [f"at the {found.up}" if found.up else "", f"toward the {found.along}" if found.along else ""]
    return ", ".join(w for w in words if w) or "where it is wanted"


MEANS = {
    "root": "the pinion stands too deep",
    "tip": "the pinion stands too far out",
    "toe": "the gear stands too near, or a spiral pair answers the other way",
    "heel": "the gear stands too far off, or a spiral pair answers the other way",
}
MEANS_STRAIGHT = MEANS | {"toe": "the gear stands too near", "heel": "the gear stands too far off"}


def means(found: Seen, spiral: bool) -> str:
    """What the place means. Up the tooth is sure; lengthwise on a spiral pair it is not.

    >>> means(Seen("", "tip"), True)
    'the pinion stands too far out'
    """
    table = MEANS if spiral else MEANS_STRAIGHT
    return "; ".join(table[p] for p in (found.up, found.along) if p)


def one_third(x: float) -> str:
    """A centre lengthwise, as it is said at the bench.

    >>> one_third(0.34), one_third(0.5), one_third(0.42), one_third(0.75)
    ('one third from the toe', 'in the middle', '42 % from the toe', 'one quarter from the heel')
    """
    for at, words in ((1 / 3, "one third"), (1 / 4, "one quarter")):
        if abs(x - at) <= 0.025:
            return f"{words} from the toe"
        if abs(1 - x - at) <= 0.025:
            return f"{words} from the heel"
    if abs(x - 0.5) <= 0.025:
        return "in the middle"
    return f"{round(100 * x)} % from the toe" if x < 0.5 else f"{round(100 * (1 - x))} % from the heel"


def disagree(drive: Seen, coast: Seen) -> str:
    """What the coast flank says beside the drive flank: both up or down together is depth, apart is not mended by
    shims.

    >>> disagree(Seen("", "tip"), Seen("", "root"))[:38]
    'Drive at the tip and coast at the root'
    """
    if {drive.up, coast.up} == {"root", "tip"}:
        return (
            f"Drive at the {drive.up} and coast at the {coast.up}: no shim mends both. Look for a bent shaft, "
            "a bore out of line, or a pair that does not belong together."
        )
    return ""
