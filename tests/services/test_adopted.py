"""A job from a yard that calls other things by the same ids: nothing here is touched, the job keeps its own."""

import json
import zipfile
from io import BytesIO
from typing import Any

import pytest
from flask.testing import FlaskClient
from sqlalchemy import select

from apps import app_over
from bornek.services.desk import digest
from bornek.store import tables as t
from bornek.store.database import Database

Rows = dict[str, list[dict[str, Any]]]


def rows_of(client: FlaskClient, job: str) -> dict[str, Any]:
    data = client.get(f"/api/jobs/{job}/exchange.zip").data
    with zipfile.ZipFile(BytesIO(data)) as archive:
        return json.loads(archive.read("job.json"))  # type: ignore[no-any-return]


def send(client: FlaskClient, content: dict[str, Any]) -> None:
    out = BytesIO()
    with zipfile.ZipFile(out, "w") as archive:
        archive.writestr("job.json", json.dumps(content | {"sha256": digest(content["rows"])}))
    answer = client.post("/api/jobs/imports", data=out.getvalue())
    assert answer.status_code == 201, answer.get_json()


def ours(rows: Rows) -> None:
    """The same ids for another dial, another mechanic, another type and another machine."""
    for row in (*rows["gauge"], *rows["gauge_card"]):
        row["division"] = 0.002
    next(m for m in rows["mechanic"] if m["id"] == "oda")["name"] = "Oda Lorn"
    (revision,) = rows["unit_type_revision"]
    revision["definition"] = {**revision["definition"], "lubricant": "another oil"}
    revision["sha256"] = digest(revision["definition"])
    rows["unit"][0] |= {"id": "u-w17", "tag": "W-17"}
    rows["job"][0]["unit_id"] = "u-w17"


@pytest.fixture
def met(client: FlaskClient, empty: Database) -> Database:
    """W-17 in a yard where all that it names by its ids is something else."""
    other = app_over(empty).test_client()
    here, sent = rows_of(client, "w11"), rows_of(client, "w17")
    ours(here["rows"])
    sent["rows"]["job"][0]["gauges"] = ["dial-11"]
    send(other, here)
    send(other, sent)
    return empty


def test_what_is_here_under_the_same_id_stays_as_it_is(met: Database) -> None:
    with met.reading() as session:
        assert session.get_one(t.Gauge, "dial-11").division == 0.002
        assert session.get_one(t.Mechanic, "oda").name == "Oda Lorn"
        assert session.get_one(t.UnitTypeRevision, "ramp-winch.1").definition["lubricant"] == "another oil"
        assert session.get_one(t.Unit, "u-w17").serial == "RW7-0388"


def test_the_job_names_its_own_gauge_with_its_card(met: Database) -> None:
    with met.reading() as session:
        (gauge,) = session.scalars(select(t.Gauge).where(t.Gauge.id != "dial-11"))
        cards = session.scalars(select(t.GaugeCard).where(t.GaugeCard.gauge_id == gauge.id)).all()
        read = session.scalars(select(t.Entry).where(t.Entry.gauge_id == gauge.id)).all()
        assert (gauge.division, gauge.name) == (0.01, "Dial 11 (The yard)")
        assert [(c.id, c.known_as) for c in cards] == [(f"{gauge.id}.1", "dial-11.1")]
        assert read and {e.gauge_card_id for e in read} == {f"{gauge.id}.1"}
        assert session.get_one(t.Job, "w17").gauges == [gauge.id]


def test_the_job_names_its_own_type_machine_and_people(met: Database) -> None:
    with met.reading() as session:
        job = session.get_one(t.Job, "w17")
        revision = session.get_one(t.UnitTypeRevision, job.unit_type_revision_id)
        unit = session.get_one(t.Unit, job.unit_id)
        written = set(session.scalars(select(t.Fact.mechanic_id).where(t.Fact.job_id == "w17")))
        assert revision.id == f"{revision.unit_type_id}.1" != "ramp-winch.1"
        assert (unit.serial, unit.unit_type_id) == ("RW7-0412", revision.unit_type_id)
        assert unit.id != "u-w17" and unit.tag.startswith("W-17·")
        assert "oda" not in written
