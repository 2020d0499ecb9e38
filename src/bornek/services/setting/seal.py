"""Whether what was signed is still what is kept."""

from __future__ import annotations

from sqlalchemy.orm import Session

from bornek.services.desk import digest
from bornek.services.job.chain import home_id, job_chain
from bornek.store import tables as t

SHEET = "the sheet is not the one that was signed"
WHO = "who signed, when or with which remark is not what was signed"
ROWS = "what was written before it is not what stood there when it was signed"


def broken_seal(session: Session, job: t.Job, signature: t.Signature) -> list[str]:
    """What of a signature does not match, in words; empty where all of it does.

    Its hash is over the snapshot, the snapshot names who, when and why, and the hash of the job's rows up to
    then. A signature of an edition that does not hold these is compared in what it holds.
    """
    held, found = signature.snapshot, []
    if digest(held) != signature.sha256:
        found.append(SHEET)
    told = (
        ("by_id", home_id(session, signature.mechanic_id)),
        ("at", signature.at.isoformat()),
        ("remark", signature.remark),
    )
    if any(key in held and held[key] != kept for key, kept in told):
        found.append(WHO)
    if "chain" in held and held["chain"] != job_chain(session, job.id, int(held.get("through", 0))):
        found.append(ROWS)
    return found
