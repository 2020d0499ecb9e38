"""Where the steps of a build come from: the unit type, the mechanic, the removal log, the settings, the section."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal
from zlib import crc32

from bornek.core.build.first_draft import DraftStep, first_draft
from bornek.core.facts.from_type import FromType
from bornek.core.facts.judged import Judged
from bornek.core.facts.kind import Fact
from bornek.core.facts.ordered import Ordered
from bornek.core.facts.removed import Removed
from bornek.core.facts.step_struck import StepStruck
from bornek.core.facts.step_written import StepWritten
from bornek.core.parts.verdicts import NOT_AS_IT_IS
from bornek.core.units.definition import Definition, Part
from bornek.core.units.part_kinds import BEARINGS, GEARS
from bornek.core.units.step import BuildStep

Origin = Literal["type", "own", "removal", "setting", "section"]
ORIGIN_WORDS: dict[Origin, str] = {
    "type": "the unit type says so",
    "own": "written for this job",
    "removal": "it came off, so it goes on",
    "setting": "it is to be set",
    "section": "it stands in the section",
}
KEY_LETTERS = 40
TURNING = GEARS | BEARINGS | {"thrust_bearing", "shaft", "rotor", "drum", "pulley", "coupling", "dog"}
"""Parts after which the shaft is turned by hand."""


@dataclass(frozen=True)
class Planned:
    """A step with where it comes from. `words`: tag, bag and side as they were logged."""

    step: BuildStep
    origin: Origin
    words: str = ""

    @property
    def key(self) -> str:
        return self.step.key

    @property
    def fixed(self) -> bool:
        """Put where it stands on purpose."""
        return self.origin in ("type", "own")


def out_of_unit(d: Definition, facts: Sequence[Fact]) -> dict[str, int]:
    """How many of each part have to go in: what came off, and what is to be put in new.

    >>> d = Definition(parts=(Part("c", "Cover", "cover"),))
    >>> out_of_unit(d, [Fact("1", "removed", "c", Removed("c", "hand"))])
    {'c': 1}
    """
    if any(isinstance(f.body, FromType) for f in facts):
        return {p.key: p.count for p in d.parts if p.part_kind != "housing"}
    out: Counter[str] = Counter()
    for fact in facts:
        if isinstance(fact.body, Removed):
            out[fact.body.part] += fact.body.count
            for mate in fact.body.mates:
                out[mate] += 0
    whole = {p.key: p.count for p in d.parts}
    verdicts = {f.body.part: f.body.verdict for f in facts if isinstance(f.body, Judged)}
    fresh = [key for key, verdict in verdicts.items() if verdict in NOT_AS_IT_IS]
    fresh += [f.body.part for f in facts if isinstance(f.body, Ordered)]
    for key in [*fresh, *(k for k, n in out.items() if n == 0)]:
        out[key] = max(out[key], whole.get(key, 0))
    return {key: min(n, whole[key]) for key, n in out.items() if n and key in whole}


def gather(d: Definition, facts: Sequence[Fact]) -> list[Planned]:
    """Every step that applies, in the order in which it would be worked if nothing else were known.

    >>> d = Definition(parts=(Part("c", "Cover", "cover"), Part("s", "Seal", "seal")))
    >>> off = [Fact("1", "removed", "c", Removed("c", "hand")), Fact("2", "removed", "s", Removed("s", "draw"))]
    >>> [(p.step.label, p.origin) for p in gather(d, off)]
    [('Seal', 'removal'), ('Cover', 'removal')]
    """
    out = out_of_unit(d, facts)
    whole = any(isinstance(f.body, FromType) for f in facts)
    if not out and not whole and not any(isinstance(f.body, StepWritten) for f in facts):
        return []
    listed = _applying(d, out, whole)
    listed = _own(listed, facts)
    taken = {part for p in listed for part in p.step.parts}
    listed = _insert_removed(d, listed, facts, taken)
    listed = _insert_from_section(d, listed, out, facts)
    listed = _insert_settings(d, listed)
    struck = {f.body.step for f in facts if isinstance(f.body, StepStruck)}
    return [p for p in listed if p.key not in struck]


def _applying(d: Definition, out: dict[str, int], whole: bool) -> list[Planned]:
    """The type's steps whose parts are out; one without parts follows what it needs."""
    on_shaft = {p.key for p in d.parts if p.shaft or p.inside}
    applies: dict[str, bool] = {}
    waiting: list[BuildStep] = []
    for step in d.steps:
        deciding = [p for p in step.parts if p in on_shaft or p in out]
        if whole or deciding:
            applies[step.key] = whole or any(p in out for p in deciding)
        else:
            waiting.append(step)
    for step in waiting:
        applies[step.key] = any(applies.get(n, False) for n in step.needs) or (
            not step.needs and any(applies.values())
        )
    return [Planned(s, "type") for s in d.steps if applies[s.key]]


def _own(listed: list[Planned], facts: Sequence[Fact]) -> list[Planned]:
    """The mechanic's steps: one of the same key takes the other's place."""
    for fact in facts:
        if not isinstance(fact.body, StepWritten):
            continue
        own, after = Planned(fact.body.step, "own"), fact.body.after
        keys = [p.key for p in listed]
        if own.key in keys and not after:
            listed = [own if p.key == own.key else p for p in listed]
            continue
        listed = [p for p in listed if p.key != own.key]
        keys = [p.key for p in listed]
        at = keys.index(after) + 1 if after in keys else len(listed)
        listed = [*listed[:at], own, *listed[at:]]
    return listed


def _insert_removed(
    d: Definition, listed: list[Planned], facts: Sequence[Fact], taken: set[str]
) -> list[Planned]:
    """Each part that came off and that no step takes goes on after what goes on before it."""
    removed = [f.body for f in facts if isinstance(f.body, Removed)]
    draft = first_draft(d, facts)
    seen: Counter[str] = Counter()
    last = ""
    step_of = {part: p.key for p in listed for part in p.step.parts if p.step.fit == "final"}
    mated = {m for r in removed for m in r.mates} - {r.part for r in removed}
    for line, body in zip(draft, reversed(removed), strict=True):
        if body.part in taken:
            last = step_of.get(body.part, last)
            continue
        seen[body.part] += 1
        planned = _from_log(d, line, body, seen[body.part], mated - taken)
        keys = [p.key for p in listed]
        at = keys.index(last) + 1 if last in keys else (0 if not listed or not last else len(listed))
        listed = [*listed[:at], planned, *listed[at:]]
        last = planned.key
    return listed


def _from_log(d: Definition, line: DraftStep, body: Removed, number: int, mated: set[str]) -> Planned:
    part = d.part(body.part)
    mates = tuple(m for m in body.mates if m in mated)
    named = ", ".join([line.label, *(d.label_of(m) for m in mates)])
    step = BuildStep(
        key=step_key("off", body.part, number),
        label=named,
        parts=(body.part, *mates),
        counts={body.part: body.count} if part and body.count < part.count else {},
        side=body.side,
        way_round=body.orientation or (part.faces if part else ""),
        tools=part.tools if part else (),
        turn=turning_shaft(d, (body.part,)),
    )
    words = " · ".join(
        w for w in (f"tag {body.tag}" if body.tag else "", f"bag {body.bag}" if body.bag else "") if w
    )
    return Planned(step, "removal", words)


def step_key(what: str, key: str, number: int = 1) -> str:
    """The key of a step that nobody wrote, at most 40 letters; long keys that begin alike stay apart.

    >>> step_key("off", "cover"), step_key("off", "cover", 2)
    ('off-cover', 'off-cover-2')
    >>> long = "bearing-cap-of-the-upper-countershaft-a"
    >>> len(step_key("off", long)) <= 40 and step_key("off", long) != step_key("off", long[:-1] + "b")
    True
    """
    whole = f"{what}-{key}" + (f"-{number}" if number > 1 else "")
    return whole if len(whole) <= KEY_LETTERS else f"{whole[: KEY_LETTERS - 9]}-{crc32(whole.encode()):08x}"


def turning_shaft(d: Definition, parts: Sequence[str]) -> str:
    """The shaft to be turned after these parts went in; empty where none of them turns.

    >>> d = Definition(parts=(Part("g", "Gear", "gear", shaft="in"), Part("c", "Cover", "cover", shaft="in")))
    >>> turning_shaft(d, ("g",)), turning_shaft(d, ("c",))
    ('in', '')
    """
    for key in parts:
        part = d.part(key)
        if part is not None and part.shaft and part.part_kind in TURNING:
            return d.turned_for(part.shaft)
    return ""


def _insert_from_section(
    d: Definition, listed: list[Planned], out: dict[str, int], facts: Sequence[Fact]
) -> list[Planned]:
    """With the whole unit to be built, or new parts that never came off: a step for each that has none."""
    whole = any(isinstance(f.body, FromType) for f in facts)
    taken = {part for p in listed for part in p.step.parts}
    if d.steps and whole:
        return listed
    fresh = []
    for part in d.parts:
        if part.key not in out or part.key in taken or part.part_kind == "housing":
            continue
        if not whole and not part.shaft:
            continue
        step = BuildStep(
            key=step_key("put", part.key),
            label=f"{part.count} × {part.label}" if part.count > 1 else part.label,
            parts=(part.key,),
            way_round=part.faces,
            tools=part.tools,
            turn=turning_shaft(d, (part.key,)),
        )
        fresh.append(Planned(step, "section"))
    shafts = [p for p in fresh if _kind(d, p) == "shaft"]
    return [*listed, *shafts, *(p for p in fresh if _kind(d, p) != "shaft")]


def _kind(d: Definition, planned: Planned) -> str:
    part = d.part(planned.step.parts[0])
    return part.part_kind if part else ""


def _insert_settings(d: Definition, listed: list[Planned]) -> list[Planned]:
    """Each setting that no step names comes after the last step at its place."""
    named = {p.step.setting for p in listed}
    for point in d.settings:
        place = d.place(point.place)
        if point.key in named or place is None:
            continue
        parts = {p.key for p in d.parts_at(place)}
        shafts = {p.shaft for p in d.parts_at(place) if p.shaft}
        here = [n for n, p in enumerate(listed) if parts & set(p.step.parts)]
        if not here:
            continue
        same = {p.key for p in d.parts if p.shaft in shafts and p.part_kind in BEARINGS}
        at = max([*here, *(n for n, p in enumerate(listed) if same & set(p.step.parts))]) + 1
        step = BuildStep(
            key=step_key("set", point.key), label=f"Set: {point.label}", setting=point.key, hold=point.label
        )
        listed = [*listed[:at], Planned(step, "setting"), *listed[at:]]
    return listed


def put_after(listed: list[Planned], key: str, after: str) -> list[Planned]:
    """The list with one step taken out and put after another; unchanged if either is not there.

    >>> steps = [Planned(BuildStep(k, k), "own") for k in "abc"]
    >>> [p.key for p in put_after(steps, "c", "a")], [p.key for p in put_after(steps, "c", "")]
    (['a', 'c', 'b'], ['c', 'a', 'b'])
    """
    moving = next((p for p in listed if p.key == key), None)
    rest = [p for p in listed if p.key != key]
    keys = [p.key for p in rest]
    if moving is None or (after and after not in keys):
        return listed
    at = keys.index(after) + 1 if after else 0
    return [*rest[:at], moving, *rest[at:]]


def whole_of(d: Definition, planned: Planned) -> list[tuple[Part, int]]:
    """The parts that a step takes, with how many of each."""
    return [
        (part, planned.step.count_of(key, part.count))
        for key in planned.step.parts
        if (part := d.part(key)) is not None
    ]
