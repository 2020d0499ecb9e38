"""The contract that every fact keeps: its body, what must be said, its checks, words, search text and stage.

Facts are only ever added. One may take another's place (`supersedes`) or strike it. A fact is one file of
this package; services, page, search, record and exchange follow from what it declares.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import TYPE_CHECKING, Any, ClassVar

from bornek.core.errors import InputError
from bornek.core.people.roles import Right
from bornek.core.settings.kind import Field
from bornek.core.units.definition import Definition

if TYPE_CHECKING:
    from bornek.core.facts.about import About


@dataclass(frozen=True)
class Fact:
    """One fact as stored: `subject` is the place, mesh or part that it is about."""

    id: str
    fact_kind: str
    subject: str
    body: Any
    by: str = ""
    at: str = ""
    seq: int = 0


@dataclass(frozen=True)
class RecordLine:
    """A line of the record: its zone, what it is about, in words, and by whom."""

    zone: str
    label: str
    words: str
    by: str


@dataclass(frozen=True)
class Findable:
    """What the search may find of a fact: under which name, its title and the words looked through."""

    what: str
    title: str
    words: str


def said_or_none(said: object, none: bool, field: str, next_step: str) -> None:
    """Raises InputError unless something was said or it was said that there is none: one of the two.

    >>> said_or_none("two dots", False, "marks", "")
    """
    if bool(said) == none:
        what = "Both something and none was said." if none else f"{field.replace('_', ' ')} is empty."
        raise InputError(what, field=field, next_step=next_step)


class FactKind:
    """Declares one kind of fact. A `title` puts it, with its form, on its stage's page; without one the page
    has a form of its own for it."""

    key: ClassVar[str]
    stage: ClassVar[str]
    body: ClassVar[type[Any]]
    must_say: ClassVar[tuple[str, ...]] = ()
    title: ClassVar[str] = ""
    found_as: ClassVar[str] = ""
    """Under which name the search finds it."""
    rides: ClassVar[bool] = False
    """It goes along with a part that has its own serial."""
    first: ClassVar[bool] = False
    """It stands first on the record."""
    disturbs: ClassVar[bool] = False
    """Settings may have to be read again for it."""
    inside: ClassVar[bool] = False
    """Hands are inside the guards for it: in the field only under lock-out."""
    right: ClassVar[Right] = "work"
    """What whoever writes it must have the right to: a reading is taken by an apprentice too."""
    own_act: ClassVar[str] = ""
    """Why it is not simply written down, where it has an act of its own."""

    def form(self, d: Definition) -> Sequence[Field]:
        """What the page asks for; the fields are those of the body."""
        return ()

    def check(self, body: Any, about: About) -> None:
        """Raises InputError naming the field that does not hold."""

    def words(self, body: Any) -> str:
        """The fact in a few words."""
        said = (getattr(body, f) for f in getattr(type(body), "__dataclass_fields__", {}))
        return "; ".join(str(value) for value in said if isinstance(value, str) and value)

    def line(self, fact: Fact, d: Definition) -> RecordLine | None:
        """Its line on the record; None where the record tells it by other means."""
        if not self.title:
            return None
        return RecordLine(self.title.lower(), d.label_of(fact.subject), self.words(fact.body), fact.by)

    def findable(self, body: Any, tag: str, label: str) -> Findable | None:
        """What the search may find: `tag` is the unit's, `label` that of what the fact is about."""
        if not self.title:
            return None
        words = self.words(body)
        return Findable(self.found_as or self.key, f"{self.title}: {words}", f"{label} {words}")

    def takes_off(self, body: Any) -> str:
        """The part that this takes off the unit, which ends the baselines that need it on; empty if none."""
        return ""

    def way_seen(self, body: Any) -> str:
        """Which way round the part that it takes off was seen to sit; empty if nobody looked."""
        return ""

    def pack_found(self, body: Any, unit: str) -> tuple[str, tuple[int, ...]] | None:
        """Place and plates [nm] of a pack as found, which the setting there starts from."""
        return None

    def look_fors(self, body: Any) -> Mapping[str, str]:
        """The look-fors that it grades; the shop's own travel with it."""
        return {}
