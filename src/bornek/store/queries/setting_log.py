"""Everything written about one setting, in the order of seq."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

from sqlalchemy import BindParameter, bindparam, func, select
from sqlalchemy.orm import Session, aliased

from bornek.core.errors import NotFound
from bornek.store import tables as t


@dataclass(frozen=True)
class SettingHead:
    """A setting with the job, unit and place it belongs to, and what it is given now."""

    setting: t.Setting
    job: t.Job
    unit: t.Unit
    place: t.Place
    given: t.GivenRevision


@dataclass(frozen=True)
class SettingLog:
    """`entries` are the live ones: nothing supersedes them and they strike nothing. `last_reading` is
    the last seq of any. `places`: where its adjusters lie, besides its own. `act_rounds` gives the round of
    this setting that each act belongs to."""

    setting: t.Setting
    job: t.Job
    unit: t.Unit
    place: t.Place
    places: Sequence[t.Place]
    given: t.GivenRevision
    rounds: Sequence[t.Round]
    entries: Sequence[t.Entry]
    last_reading: int
    acts: Sequence[t.Act]
    knobs: Mapping[str, Sequence[t.ActKnob]]
    act_rounds: Mapping[str, int]
    proposals: Mapping[str, t.Proposal]
    explanations: Sequence[t.Explanation]
    signature: t.Signature | None

    def place_id(self, key: str) -> str:
        """The row of an adjuster's place; the setting's own for an empty key, empty if there is none."""
        known = {"": self.place.id, self.place.key: self.place.id} | {p.key: p.id for p in self.places}
        return known.get(key, "")

    @property
    def version(self) -> int:
        """The last seq of anything that touches this setting."""
        seqs = [self.given.seq, self.last_reading, *(a.seq for a in self.acts)]
        seqs += [x.seq for x in self.explanations]
        return max([*seqs, self.signature.seq if self.signature else 0])

    @property
    def round(self) -> int:
        return self.rounds[-1].number

    @property
    def disturbed(self) -> bool:
        """Signed, and since then anything was written on it."""
        return self.signature is not None and self.version > self.signature.seq

    def with_entry(self, row: t.Entry) -> SettingLog:
        """The log after one more entry."""
        left = [e for e in self.entries if e.id != row.supersedes]
        return replace(self, entries=left if row.void else [*left, row], last_reading=row.seq)


_ID: BindParameter[str] = bindparam("setting_id")
_PLACE_IDS: BindParameter[list[str]] = bindparam("place_ids", expanding=True)
_later_given = aliased(t.GivenRevision)
_HEAD = (
    select(t.Setting, t.Job, t.Unit, t.Place, t.GivenRevision)
    .join(t.Job, t.Job.id == t.Setting.job_id)
    .join(t.Unit, t.Unit.id == t.Job.unit_id)
    .join(t.Place, t.Place.id == t.Setting.place_id)
    .join(t.GivenRevision, t.GivenRevision.setting_id == t.Setting.id)
    .where(
        t.Setting.id == _ID,
        t.GivenRevision.seq
        == select(func.max(_later_given.seq)).where(_later_given.setting_id == _ID).scalar_subquery(),
    )
)
_PLACES = select(t.Place).where(
    t.Place.job_id == bindparam("job_id"), t.Place.key.in_(bindparam("keys", expanding=True))
)
_ROUNDS = select(t.Round).where(t.Round.setting_id == _ID).order_by(t.Round.number)
_ENTRIES = select(t.Entry).where(t.Entry.setting_id == _ID).order_by(t.Entry.seq)
_ACTS = (
    select(t.Act)
    .where(
        t.Act.id.in_(select(t.ActKnob.act_id).where(t.ActKnob.place_id.in_(_PLACE_IDS)))
        | t.Act.id.in_(select(t.Round.act_id).where(t.Round.setting_id == _ID))
    )
    .order_by(t.Act.seq)
)
_KNOBS = select(t.ActKnob).where(t.ActKnob.place_id.in_(_PLACE_IDS))
_EXPLANATIONS = select(t.Explanation).where(t.Explanation.setting_id == _ID).order_by(t.Explanation.seq)
_SIGNATURE = (
    select(t.Signature).where(t.Signature.setting_id == _ID).order_by(t.Signature.seq.desc()).limit(1)
)
_PROPOSALS = select(t.Proposal).where(t.Proposal.setting_id == _ID)


def setting_head(session: Session, setting_id: str) -> SettingHead:
    """NotFound if there is no setting of that id."""
    row = session.execute(_HEAD, {"setting_id": setting_id}).first()
    if row is None:
        raise NotFound(
            f"No setting has the id {setting_id!r}.",
            field="setting_id",
            next_step="Go back to the board and open the job again.",
        )
    return SettingHead(*row)


def setting_log(session: Session, head: SettingHead, place_keys: Sequence[str] = ()) -> SettingLog:
    """Reads the whole log; `place_keys` are the places of its adjusters, where they are not its own.

    The statements are built once: building them costs more than running them.
    """
    this = {"setting_id": head.setting.id}
    others = sorted({key for key in place_keys if key and key != head.place.key})
    places = list(session.scalars(_PLACES, {"job_id": head.job.id, "keys": others})) if others else []
    here = {"place_ids": [head.place.id, *(p.id for p in places)]}
    rounds = session.scalars(_ROUNDS, this).all()
    entries = all_entries(session, head.setting.id)
    gone = {e.supersedes for e in entries}
    acts = session.scalars(_ACTS, this | here).all()
    knobs: dict[str, list[t.ActKnob]] = {}
    for knob in session.scalars(_KNOBS, here) if acts else ():
        knobs.setdefault(knob.act_id, []).append(knob)
    return SettingLog(
        setting=head.setting,
        job=head.job,
        unit=head.unit,
        place=head.place,
        places=places,
        given=head.given,
        rounds=rounds,
        entries=[e for e in entries if not e.void and e.id not in gone],
        last_reading=entries[-1].seq if entries else 0,
        acts=acts,
        knobs=knobs,
        act_rounds=_act_rounds(rounds, acts),
        proposals={p.act_id: p for p in session.scalars(_PROPOSALS, this)} if acts else {},
        explanations=session.scalars(_EXPLANATIONS, this).all(),
        signature=session.scalars(_SIGNATURE, this).one_or_none(),
    )


def signatures_of(session: Session, setting_id: str) -> Sequence[t.Signature]:
    """Every signature of a setting, in its order."""
    return session.scalars(
        select(t.Signature).where(t.Signature.setting_id == setting_id).order_by(t.Signature.seq)
    ).all()


def _act_rounds(rounds: Sequence[t.Round], acts: Sequence[t.Act]) -> dict[str, int]:
    """An act that opened no round belongs to the one that was open when it was written."""
    opened = {r.act_id: r.number for r in rounds if r.act_id}
    found, now = {}, 1
    for act in acts:
        now = opened.get(act.id, now)
        found[act.id] = now
    return found


def all_entries(session: Session, setting_id: str) -> Sequence[t.Entry]:
    """Every entry of a setting, corrected and struck ones too, for its record."""
    return session.scalars(_ENTRIES, {"setting_id": setting_id}).all()
