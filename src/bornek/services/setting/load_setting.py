"""A setting as it stands: its log read into the core's context and thought through once."""

from __future__ import annotations

import logging
from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from datetime import date
from functools import cached_property
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.errors import BornekError, InputError, UnknownKind
from bornek.core.plain import dump
from bornek.core.reckoning import Reckoning
from bornek.core.settings.given import read_stored
from bornek.core.settings.kind import Outcome, Setting
from bornek.core.settings.knobs import Knob
from bornek.core.settings.records import (
    Context,
    Explanation,
    Learned,
)
from bornek.core.settings.registry import find_kind, known_kind
from bornek.core.settings.unread import UnreadSetting
from bornek.core.sheet import Sheet, sheet_of
from bornek.services.desk import Desk
from bornek.services.setting.find_gauges import earlier_cards, find_gauges
from bornek.services.setting.kept_settings import kept_settings, seen_settings, settings_after
from bornek.services.setting.log_records import acts_of, entries_of
from bornek.services.setting.witness import witness_as_found
from bornek.services.shop.mechanics import mechanic_names
from bornek.store import tables as t
from bornek.store.once import read_once
from bornek.store.queries.drawer import counts, miked
from bornek.store.queries.jobs import check_open, signed_like
from bornek.store.queries.setting_log import SettingHead, SettingLog, setting_head, setting_log
from bornek.store.queries.shop_mark import setting_mark, shop_mark

log_of = logging.getLogger("bornek")


@dataclass(frozen=True)
class Judged:
    """What a kind makes of a log, thought through once and kept until anything of it changes.

    `stored_kind` is the kind as registered; `kind` stands in for it where the setting cannot be read.
    """

    setting_id: str
    kind_id: str
    kind_version: int
    stored_kind: Setting
    ctx: Context
    known: Mapping[int, Outcome] = field(default_factory=dict)

    @cached_property
    def reckoning(self) -> Reckoning:
        """Each round evaluated once. What a changed kind can no longer make of the stored log is said,
        not raised: one such setting must not take a list down."""
        try:
            found = Reckoning(self.stored_kind, self.ctx, self.known)
            found.outcome(1), found.now, found.guide, found.knobs, found.history
        except Exception as error:
            log_of.warning("setting %s cannot be read", self.setting_id, exc_info=error)
            why = error.message if isinstance(error, BornekError) else type(error).__name__
            trouble = f"This setting cannot be judged any more: {why} What was written is kept and shown."
            unread = UnreadSetting(
                kind_id=self.kind_id, version=self.kind_version, trouble=trouble, kind=self.stored_kind
            )
            return Reckoning(unread, self.ctx)
        return found

    @cached_property
    def sheet(self) -> Sheet:
        return sheet_of(self.reckoning)

    @cached_property
    def unadvised(self) -> dict[str, Any]:
        """The same without the advice, as plain data."""
        found: dict[str, Any] = dump(sheet_of(self.reckoning, advised=False))
        return found

    @cached_property
    def dumped(self) -> dict[str, Any]:
        """The sheet as plain data; to be read, not changed."""
        found: dict[str, Any] = dump(self.sheet)
        return found


@dataclass(frozen=True)
class LoadedSetting:
    """One setting opened: what is written, and what the core makes of it."""

    log: SettingLog
    judged: Judged
    names: Mapping[str, str]

    @property
    def version(self) -> int:
        return self.log.version

    @property
    def ctx(self) -> Context:
        return self.judged.ctx

    @property
    def signed(self) -> bool:
        """Signed, and nothing was written since: it is shown from its snapshot alone."""
        return self.ctx.signed

    @property
    def reckoning(self) -> Reckoning:
        return self.judged.reckoning

    @property
    def kind(self) -> Setting:
        return self.reckoning.kind

    @property
    def sheet(self) -> Sheet:
        return self.judged.sheet

    def check_readable(self) -> None:
        """Raises InputError with what to do where the setting cannot be judged."""
        if isinstance(self.kind, UnreadSetting):
            raise InputError(self.kind.trouble, field="given", next_step="Enter what is asked under Given.")

    def with_entry(self, row: t.Entry) -> LoadedSetting:
        """The same setting after one more entry, without reading it all again."""
        log = self.log.with_entry(row)
        ctx = replace(self.ctx, entries=entries_of(log, self.names, self.ctx.gauges), signed=False)
        number = next(r.number for r in log.rounds if r.id == row.round_id)
        judged = replace(self.judged, ctx=ctx, known=self.reckoning.before(number))
        return replace(self, log=log, judged=judged)

    def under(self, head: SettingHead) -> LoadedSetting:
        """The same under rows of another session: what is written on later must belong to it."""
        log = replace(
            self.log, setting=head.setting, job=head.job, unit=head.unit, place=head.place, given=head.given
        )
        return replace(self, log=log)


def load_setting(session: Session, setting_id: str, today: date) -> LoadedSetting:
    """Reads one setting; NotFound if there is none of that id.

    Who asks for it again gets the same one, thought through already, for as long as nothing was written on it
    and nothing in the shop changed that it rests on.
    """
    seen: dict[str, LoadedSetting] = seen_settings(session)
    if setting_id in seen:
        return seen[setting_id]
    head = setting_head(session, setting_id)
    kept = kept_settings(session)
    held: tuple[Any, ...]
    found: LoadedSetting | None
    held, found = kept.get(setting_id, ((), None))
    if found is not None and held == _stamp(session, head, found, today):
        found = found.under(head)
    else:
        found = _load(session, head, today)
        kept[setting_id] = _stamp(session, head, found, today), found
    seen[setting_id] = found
    return found


def keep_loaded(session: Session, loaded: LoadedSetting, today: date) -> None:
    """Said at the end of a write: as it stands now is how it is shown after it."""
    head = loaded.log
    settings_after(session)[head.setting.id] = _stamp(session, head, loaded, today), loaded


def _stamp(
    session: Session, head: SettingHead | SettingLog, loaded: LoadedSetting, today: date
) -> tuple[Any, ...]:
    """All that could change what is thought of a setting: the same stamp, the same thoughts."""
    job, setting = head.job, head.setting
    places = [loaded.log.place.id, *(p.id for p in loaded.log.places)]
    shop = shop_mark(session)
    about = str(job.schools), job.length_unit, setting.gauge_id, id(known_kind(setting.kind)), today
    # what is written down as found is a fact of the job: its number tells whether there are more of them
    facts = job.seq if loaded.judged.stored_kind.sees_witness else 0
    return *about, facts, head.given.id, *setting_mark(session, setting.id, places), *shop


def _load(session: Session, head: SettingHead, today: date) -> LoadedSetting:
    kind, given = _kind_and_given(head)
    names = mechanic_names(session)
    knobs = _knobs(kind, given, head)
    log = setting_log(session, head, [p for k in knobs for p in k.places])
    places = {p.key: p for p in log.places}
    here = log.place.key
    gauges = dict(find_gauges(session, today))
    gauges |= earlier_cards(session, log.entries, gauges)
    ctx = Context(
        given=given,
        entries=entries_of(log, names, gauges),
        acts=acts_of(log, names, knobs),
        explanations=tuple(Explanation(x.round, x.cause, x.words) for x in log.explanations),
        gauges=gauges,
        gauge=log.setting.gauge_id or "",
        stock=_stock(session, log.place.shim_form),
        drawers={
            key: _stock(session, places[key].shim_form)
            for key in dict.fromkeys(p for k in knobs for p in k.places if p in places and p != here)
        },
        forms={"": log.place.shim_form, here: log.place.shim_form}
        | {key: p.shim_form for key, p in places.items()},
        place=here,
        miked=read_once(session, f"miked {log.place.shim_form}", lambda: miked(session, log.place.shim_form)),
        history=_history(session, log),
        witness=witness_as_found(session, head.job, head.place.key) if kind.sees_witness else None,
        school=log.job.schools,
        unit=log.job.length_unit,
        fine=kind.fine,
        round=log.round,
        signed=log.signature is not None and not log.disturbed,
    )
    stored = log.setting
    return LoadedSetting(log, Judged(stored.id, stored.kind, stored.kind_version, kind, ctx), names)


def _stock(session: Session, form: str) -> dict[int, int]:
    return read_once(
        session, f"stock {form}", lambda: {lot.thickness_nm: n for lot, n in counts(session, form)}
    )


def _kind_and_given(head: SettingHead) -> tuple[Setting, dict[str, Any]]:
    """The kind with what it was given; a stand-in that says what is wrong where either cannot be read."""
    stored = head.setting
    try:
        kind = find_kind(stored.kind)
    except UnknownKind as error:
        trouble = f"{error.message} What was written is kept and shown; it cannot be judged here."
        return UnreadSetting(stored.kind, stored.kind_version, trouble), {}
    try:
        given, problems = read_stored(kind, head.given.given, head.given.kind_version, head.job.length_unit)
    except Exception as error:
        log_of.warning("given of %s cannot be read", stored.id, exc_info=error)
        given, problems = {}, {"given": f"what was given cannot be read ({type(error).__name__})."}
    if problems:
        asked = " ".join(problems.values())
        trouble = f"{kind.title} asks for more than was given. {asked}"
        return UnreadSetting(stored.kind, kind.version, trouble, kind), given
    return kind, given


def _knobs(kind: Setting, given: Mapping[str, Any], head: SettingHead) -> tuple[Knob, ...]:
    """The adjusters by what is given alone: their places say which acts are theirs."""
    try:
        return tuple(kind.knobs(Context(given=given, unit=head.job.length_unit, place=head.place.key)))
    except Exception as error:
        log_of.warning("adjusters of %s cannot be read", head.setting.id, exc_info=error)
        return ()


def _history(session: Session, log: SettingLog) -> tuple[Learned, ...]:
    """What finished jobs of the type found; keyed by setting, so an import counts once."""
    found = []
    for signature, unit in signed_like(session, log.setting, log.unit.unit_type_id):
        slope = signature.snapshot["sheet"].get("slope")
        if slope:
            found.append(
                Learned(
                    setting=signature.setting_id,
                    k=slope["k"],
                    se=slope["se"],
                    serial=unit.serial,
                    job=unit.tag,
                )
            )
    return tuple(found)


def setting_to_write(desk: Desk, setting_id: str) -> LoadedSetting:
    """A setting that somebody named will write on; JobClosed where its job takes nothing any more."""
    desk.mechanic()
    loaded = load_setting(desk.session, setting_id, desk.today)
    check_open(desk.session, loaded.log.job)
    return loaded
