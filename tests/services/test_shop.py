"""Drawer, gauges, names and keys."""

from datetime import UTC, datetime
from types import SimpleNamespace
from typing import Any

import pytest
from sqlalchemy import select

from bornek.core.errors import BornekError, InputError, KeyReused, NotFound
from bornek.core.settings.knobs import Knob, Packs
from bornek.core.settings.records import Context
from bornek.services.desk import Desk, digest, once
from bornek.services.job.receive_job import receive_job
from bornek.services.shop.buy_list import _look
from bornek.services.shop.drawer import count_shims, low_shims, view_drawer
from bornek.services.shop.gauges import register_gauge, view_gauges
from bornek.services.shop.unit_types import define_type
from bornek.store import tables as t
from bornek.store.database import Database

NOW = datetime(2026, 11, 24, 9, 0, tzinfo=UTC)


def lot(form: str, thickness: str, count: int, key: str = "c1") -> dict[str, Any]:
    return {"id": key, "form": form, "thickness": thickness, "count": count}


def there(rows: list[dict[str, Any]], form: str, mm: float) -> int | None:
    return next((r["count"] for r in rows if r["form"] == form and abs(r["thickness"] - mm) < 1e-9), None)


def test_a_count_sets_what_lies_there_by_a_movement(yard: Database) -> None:
    with yard.writing() as session:
        desk = Desk(session, "oda", NOW)
        for n, key in ((9, "c1"), (2, "c2")):
            count_shims(desk, lot("C3 ring", "0.08", n, key))
            assert there(view_drawer(session), "C3 ring", 0.08) == n
        moves = session.scalars(select(t.StockMovement).where(t.StockMovement.id.in_(["c1", "c2"]))).all()
        assert sorted(m.delta for m in moves) == [-7, 5]


def test_a_new_thickness_opens_its_lot_exactly(yard: Database) -> None:
    with yard.writing() as session:
        count_shims(Desk(session, "oda", NOW), lot("K2 split", "8 tenths", 3))
        rows = view_drawer(session)
    assert there(rows, "K2 split", 0.02032) == 3


@pytest.mark.parametrize("thickness", ["0", "-0.1", "30", "thick", "3 kgf"])
def test_a_shim_that_cannot_be_is_refused(yard: Database, thickness: str) -> None:
    with yard.reading() as session, pytest.raises(BornekError):
        count_shims(Desk(session, "oda", NOW), lot("C3 ring", thickness, 1))


def test_what_runs_low_is_named(yard: Database) -> None:
    with yard.writing() as session:
        count_shims(Desk(session, "oda", NOW), lot("C3 ring", "0.08", 1))
        assert "C3 ring: 0.08 mm, 1 left" in low_shims(session)


def test_the_drawer_is_sorted_by_form_and_thickness(yard: Database) -> None:
    with yard.reading() as session:
        rows = view_drawer(session)
    assert rows == sorted(rows, key=lambda r: (r["form"], -r["thickness"]))


def test_a_card_brought_up_to_date_keeps_its_mark(yard: Database) -> None:
    with yard.writing() as session:
        card = {
            "id": "dial-11",
            "name": "Dial 11",
            "quantity": "length",
            "unit": "mm",
            "division": 0.01,
            "due": "2029-01-01",
        }
        register_gauge(Desk(session, "oda", NOW), card)
        rows = view_gauges(session, NOW.date())
    assert [r["due"] for r in rows if r["id"] == "dial-11"] == ["2029-01-01"]


def test_overdue_depends_on_the_day_that_is_passed_in(yard: Database) -> None:
    from datetime import date

    def overdue(day: date) -> bool:
        with yard.reading() as session:
            return next(g["overdue"] for g in view_gauges(session, day) if g["id"] == "dial-11")

    assert not overdue(date(2027, 5, 1))
    assert overdue(date(2027, 5, 2))


@pytest.mark.parametrize("actor", ["", "nobody"])
def test_nobody_is_refused_before_anything_is_written(yard: Database, actor: str) -> None:
    with yard.reading() as session, pytest.raises(InputError, match="Nobody is named"):
        Desk(session, actor, NOW).mechanic()


def test_work_is_done_once_per_key(yard: Database) -> None:
    done: list[int] = []

    def work() -> str:
        done.append(1)
        return f"n{len(done)}"

    with yard.writing() as session:
        desk = Desk(session, "oda", NOW)
        assert once(desk, "k", "same", work) == once(desk, "k", "same", work) == "n1"
        with pytest.raises(KeyReused):
            once(desk, "k", "other", work)
        assert once(desk, None, "same", work) == "n2"


def test_a_key_is_forgotten_with_the_write_that_failed(yard: Database) -> None:
    def fails() -> str:
        raise InputError("no")

    with pytest.raises(InputError), yard.writing() as session:
        once(Desk(session, "oda", NOW), "k", "same", fails)
    with yard.writing() as session:
        assert once(Desk(session, "oda", NOW), "k", "same", lambda: "ok") == "ok"


def test_the_digest_does_not_depend_on_the_order_of_keys() -> None:
    assert digest({"a": 1, "b": [2, "µ"]}) == digest({"b": [2, "µ"], "a": 1})
    assert digest({"a": 1}) != digest({"a": 2})


def definition(**changed: Any) -> dict[str, Any]:
    given = {"least": "0.05", "greatest": "0.1", "sense": "adds", "torque": "80", "source": "card"}
    row = {"key": "k", "label": "K", "kind": "shim_pack_end_play", "place": "p", "given": given} | changed
    return {"places": [{"key": "p", "label": "p", "shim_form": "f"}], "settings": [row]}


@pytest.mark.parametrize(
    ("changed", "error"),
    [
        ({"kind": "nothing"}, "No kind of setting"),
        ({"place": "q"}, "no place of this unit"),
        ({"given": {}}, "still wants"),
    ],
)
def test_a_type_whose_settings_cannot_be_opens_no_job(
    yard: Database, changed: dict[str, Any], error: str
) -> None:
    with pytest.raises(BornekError, match=error), yard.writing() as session:
        desk = Desk(session, "oda", NOW)
        define_type(desk, "bad", "Bad", definition(**changed))
        receive_job(
            desk,
            {"id": "j", "unit": {"id": "u", "tag": "T", "name": "n", "serial": "s"}, "revision": "bad.1"},
        )
    with yard.reading() as session:
        assert session.get(t.Job, "j") is None


def test_a_job_works_from_its_own_copy_of_the_definition(yard: Database) -> None:
    with yard.writing() as session:
        desk = Desk(session, "oda", NOW)
        revision = define_type(desk, "good", "Good", definition())
        assert revision.sha256 == digest(definition())
        job = receive_job(
            desk,
            {"id": "j", "unit": {"id": "u", "tag": "T", "name": "n", "serial": "s"}, "revision": "good.1"},
        )
        assert job.definition == revision.definition
        with pytest.raises(NotFound):
            receive_job(desk, {"id": "j2", "unit": {"id": "u"}, "revision": "none"})


@pytest.mark.parametrize(
    ("at", "form"),
    [("pinion", "ring of the carrier"), ("gear", "ring of the setting"), ("gone", "ring of the setting")],
)
def test_a_missing_shim_is_bought_in_the_form_of_the_place_where_it_is_missing(
    monkeypatch: pytest.MonkeyPatch, at: str, form: str
) -> None:
    move = {"missing_mm": 0.33, "missing_at": at, "missing_p": 0.9, "best": {"p_in": 0.4}}
    monkeypatch.setattr("bornek.services.shop.buy_list.shown_sheet", lambda loaded: {"move": move})
    pinion, gear = (
        Knob(key, key, place, "mm", Packs()) for key, place in (("pinion", "carrier"), ("gear", ""))
    )
    log = SimpleNamespace(
        job=SimpleNamespace(id="f12"), setting=SimpleNamespace(id="f12.ring-set", label="Ring gear and pinion"),
        unit=SimpleNamespace(tag="F-12"), place=SimpleNamespace(shim_form="ring of the setting"),
    )  # fmt: skip
    loaded: Any = SimpleNamespace(
        signed=False, log=log, reckoning=SimpleNamespace(knobs=(pinion, gear)),
        ctx=Context(forms={"carrier": "ring of the carrier"}),
    )  # fmt: skip
    found: dict[tuple[str, int], Any] = {}
    _look(loaded, found)
    ((key, [(gain, who)]),) = found.items()
    assert key == (form, 330_000)
    assert gain == pytest.approx(0.5)
    assert (who.tag, who.words) == ("F-12", "90 in 100 instead of 40 in 100")
