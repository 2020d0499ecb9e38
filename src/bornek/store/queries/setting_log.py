"""Everything written about one setting, in the order of seq."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.core.errors import NotFound
from bornek.store import tables as t


@dataclass(frozen=True)
class SettingLog:
    """`act_rounds` gives the round of this setting that each act belongs to."""

    setting: t.Setting
    job: t.Job
    unit: t.Unit
    place: t.Place
    given: t.GivenRevision
    rounds: Sequence[t.Round]
    entries: Sequence[t.Entry]
    acts: Sequence[t.Act]
    knobs: Mapping[str, Sequence[t.ActKnob]]
    act_rounds: Mapping[str, int]
    proposals: Mapping[str, t.Proposal]
    explanations: Sequence[t.Explanation]
    signature: t.Signature | None

    @property
    def version(self) -> int:
        """The last seq of anything that touches this setting."""
        seqs = [self.given.seq, *(e.seq for e in self.entries), *(a.seq for a in self.acts)]
        seqs += [x.seq for x in self.explanations]
        return max([*seqs, self.signature.seq if self.signature else 0])

    @property
    def round(self) -> int:
        return self.rounds[-1].number

    @property
    def disturbed(self) -> bool:
        """Signed, and a round was opened since."""
        last = self.rounds[-1]
        opened = next((a.seq for a in self.acts if a.id == last.act_id), 0)
        return self.signature is not None and opened > self.signature.seq

    def live_entries(self) -> list[t.Entry]:
        """Entries that nothing supersedes and that do not strike."""
        gone = {e.supersedes for e in self.entries if e.supersedes}
        return [e for e in self.entries if e.id not in gone and not e.void]


def setting_log(session: Session, setting_id: str) -> SettingLog:
    row = session.execute(
        select(t.Setting, t.Job, t.Unit, t.Place)
        .join(t.Job, t.Job.id == t.Setting.job_id)
        .join(t.Unit, t.Unit.id == t.Job.unit_id)
        .join(t.Place, t.Place.id == t.Setting.place_id)
        .where(t.Setting.id == setting_id)
    ).one_or_none()
    if row is None:
        raise NotFound(f"No setting has the id {setting_id!r}.", field="setting_id",
                       next_step="Go back to the board and open the job again.")  # fmt: skip
    setting, job, unit, place = row
    rounds = session.scalars(
        select(t.Round).where(t.Round.setting_id == setting_id).order_by(t.Round.number)
    ).all()
    entries = session.scalars(
        select(t.Entry).where(t.Entry.setting_id == setting_id).order_by(t.Entry.seq)
    ).all()
    at_place = select(t.ActKnob.act_id).where(t.ActKnob.place_id == place.id)
    opening = [r.act_id for r in rounds if r.act_id]
    acts = session.scalars(
        select(t.Act).where(t.Act.id.in_(at_place) | t.Act.id.in_(opening)).order_by(t.Act.seq)
    ).all()
    knobs: dict[str, list[t.ActKnob]] = {}
    for knob in session.scalars(select(t.ActKnob).where(t.ActKnob.place_id == place.id)):
        knobs.setdefault(knob.act_id, []).append(knob)
    given = session.scalars(
        select(t.GivenRevision)
        .where(t.GivenRevision.setting_id == setting_id)
        .order_by(t.GivenRevision.seq.desc())
        .limit(1)
    ).one()
    explanations = session.scalars(
        select(t.Explanation).where(t.Explanation.setting_id == setting_id).order_by(t.Explanation.seq)
    ).all()
    signature = session.scalars(
        select(t.Signature)
        .where(t.Signature.setting_id == setting_id)
        .order_by(t.Signature.seq.desc())
        .limit(1)
    ).one_or_none()
    proposals = session.scalars(select(t.Proposal).where(t.Proposal.setting_id == setting_id))
    return SettingLog(
        setting, job, unit, place, given, rounds, entries, acts, knobs, _act_rounds(rounds, acts),
        {p.act_id: p for p in proposals}, explanations, signature,
    )  # fmt: skip


def _act_rounds(rounds: Sequence[t.Round], acts: Sequence[t.Act]) -> dict[str, int]:
    """An act that opened no round belongs to the one that was open when it was written."""
    opened = {r.act_id: r.number for r in rounds if r.act_id}
    found, now = {}, 1
    for act in acts:
        now = opened.get(act.id, now)
        found[act.id] = now
    return found
