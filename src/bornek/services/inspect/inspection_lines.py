"""The inspection in lines for the record: verdicts, what could not be checked, causes, holds, orders."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date

from sqlalchemy.orm import Session

from bornek.core.facts.kind import Fact, RecordLine
from bornek.core.facts.teeth import TeethMarked
from bornek.core.parts.causes import diagnose
from bornek.core.parts.holds import holds
from bornek.core.parts.inspection import not_checked, seal_of, verdict_words
from bornek.core.parts.known import contradicted, known_evidence, looked_at
from bornek.core.parts.orders import order_lines
from bornek.core.parts.teeth import DAMAGE_WORDS, pattern_words
from bornek.core.units.definition import Definition
from bornek.services.inspect.part_view import seal_view
from bornek.services.inspect.view import as_found, inspect_all
from bornek.services.strip.facts_of import fact_lines
from bornek.store import tables as t


def inspection_lines(
    session: Session, job: t.Job, d: Definition, facts: Sequence[Fact], today: date
) -> list[RecordLine]:
    """Empty while nothing was inspected."""
    found, _ = inspect_all(session, job, d, facts, today)
    lines = [
        RecordLine("verdict", x.part.label, "; ".join(w for w in (verdict_words(x), *x.notes) if w), x.by)
        for x in found
        if x.chosen or x.worst
    ]
    lines += [RecordLine("could not be checked", words, "", "") for words in not_checked(found)]
    lines += _teeth_and_seals(job, d, facts)
    seen = looked_at(facts)
    if seen:
        points_to = diagnose(seen)
        lines.append(RecordLine("cause", "By the evidence", points_to.words, ""))
        known = known_evidence(d, facts, as_found(session, job, today))
        lines += [
            RecordLine("does not go together", "", w, "") for w in contradicted(facts, seen, known, points_to)
        ]
    first, stated = fact_lines(d, facts, "inspect")
    lines += [*first, *stated]
    lines += [RecordLine("hold", h.label, f"{h.words} {h.cleared or 'OPEN'}", h.by) for h in holds(facts)]
    for o in order_lines(d, facts, job.length_unit):
        again = f"; read again: {', '.join(o.read_again)}" if o.read_again else ""
        promised = f", promised {o.promised}" if o.promised and o.state != "received" else ""
        lines.append(
            RecordLine(
                "order",
                o.label,
                f"{o.count} × {o.number} from {o.supplier}: {o.state}{promised}"
                f"{'; ' + o.words if o.words else ''}{again}",
                o.by,
            )
        )
    return lines


def _teeth_and_seals(job: t.Job, d: Definition, facts: Sequence[Fact]) -> list[RecordLine]:
    lines = []
    for part in d.parts:
        marks = next(
            (f for f in reversed(facts) if isinstance(f.body, TeethMarked) and f.subject == part.key), None
        )
        if marks is not None and marks.body.marks:
            teeth = sorted({m.tooth for m in marks.body.marks})
            kinds = sorted({DAMAGE_WORDS[m.damage] for m in marks.body.marks})
            words = (
                f"teeth {', '.join(map(str, teeth))} {', '.join(kinds)}. {pattern_words(part.teeth, teeth)}"
            )
            lines.append(RecordLine("teeth", part.label, words, marks.by))
        seal = seal_view(seal_of(facts, part.key), job.length_unit)
        if seal is not None:
            lines.append(RecordLine("seal", part.label, " ".join(seal.words), ""))
    return lines
