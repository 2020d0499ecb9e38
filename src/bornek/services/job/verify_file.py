"""Whether an exchange file is what was signed, and what its end is."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date

from sqlalchemy.orm import Session

from bornek.core.people.proof import NAMED, proof_words
from bornek.services.job.chain import END_LETTERS, job_links
from bornek.services.job.exchange.check_rows import check_rows
from bornek.services.job.exchange.rehearse import alone
from bornek.services.job.exchange.unpack import unpack
from bornek.services.setting.load_setting import load_setting
from bornek.services.setting.seal import broken_seal
from bornek.store.queries.jobs import job_with_unit, settings_of
from bornek.store.queries.setting_log import signatures_of


@dataclass(frozen=True)
class Seal:
    """One signature of the file; `broken` says what does not match."""

    setting: str
    by: str
    proof: str
    at: str
    edition: int
    broken: list[str]


@dataclass(frozen=True)
class Verified:
    """`end` is the code that the build sheet prints. Without accounts a signature is a statement; that nothing
    was changed after the file was made follows only from an end that was kept elsewhere."""

    tag: str
    end: str
    seals: list[Seal]
    job: str = ""
    before: tuple[str, ...] = ()
    """Ends that it had before its last row: a sheet that was printed earlier bears one of these."""

    def rows_since(self, code: str) -> int | None:
        """How many rows came after a code; 0 where it is the end, None where it is no end of this job."""
        ends = (*self.before, self.end)
        return len(ends) - 1 - ends.index(code) if code in ends else None


def verify_file(data: bytes, today: date) -> Verified:
    """Raises InputError for what is no exchange file or does not hold together."""
    bundle = unpack(data)
    check_rows(bundle.rows)
    job_id = str(bundle.rows["job"][0]["id"])
    with alone(bundle, bundle.rows) as session:
        return verified(session, job_id, today)


def verified(session: Session, job_id: str, today: date) -> Verified:
    """A job of a yard: its seals, its end, and the ends that it had."""
    unit = job_with_unit(session, job_id)[1]
    ends = [link[:END_LETTERS] for _, link in job_links(session, job_id)] or [""]
    return Verified(unit.tag, ends[-1], seals_of(session, job_id, today), job_id, tuple(ends[:-1]))


def seals_of(session: Session, job_id: str, today: date) -> list[Seal]:
    """Every signature of a job, with what of it does not match."""
    job, _ = job_with_unit(session, job_id)
    return [
        Seal(
            setting=setting.label,
            by=load_setting(session, setting.id, today).names.get(signature.mechanic_id, ""),
            proof=proof_words(signature.snapshot.get("proof", NAMED)),
            at=signature.at.isoformat(),
            edition=signature.snapshot.get("edition", 1),
            broken=broken_seal(session, job, signature),
        )
        for setting in settings_of(session, job_id)
        for signature in signatures_of(session, setting.id)
    ]
