"""Signed means frozen, and an old job always opens: kinds grow, formulas change, kinds go."""

from __future__ import annotations

import io
import json
import zipfile
from collections.abc import Iterator, Mapping, Sequence
from contextlib import contextmanager
from typing import Any

import pytest
from flask.testing import FlaskClient
from pypdf import PdfReader
from sqlalchemy import select

from apps import app_over
from bornek.core.settings.kind import Field, Outcome, Result, Setting
from bornek.core.settings.records import Context
from bornek.core.settings.registry import find_kind, forget, register
from bornek.core.windows import Normal
from bornek.services.desk import digest
from bornek.services.job.chain import job_chain
from bornek.services.setting.frozen import EDITION, frozen_sheet, not_held
from bornek.store import tables as t
from bornek.store.database import Database
from helpers import Bench, said
from trial_kind import KIND, TrialWasherGap, trial

SETTING = "t01.gap"


class Grown(TrialWasherGap):
    """Version 2: another formula, and a new field that has a default."""

    version = 2

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return [
            *super().form(given),
            Field("oil", "Oil", "choice", options=(("thin", "thin"), ("thick", "thick")), default="thin"),
        ]

    def evaluate(self, ctx: Context) -> Outcome:
        found = super().evaluate(ctx)
        shifted = [_shifted(r) for r in found.results]
        return Outcome(tuple(shifted), found.checks, found.verdict, observed=found.observed)


def _shifted(r: Result) -> Result:
    value = Normal(r.value.v + 5.0, r.value.u) if isinstance(r.value, Normal) else r.value
    return Result(
        key=r.key, label="Gap by the new formula", quantity=r.quantity, value=value, window=r.window
    )


class Asking(TrialWasherGap):
    """Version 2 asks for something that nobody has given."""

    version = 2

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return [*super().form(given), Field("grade", "Grade of the washer", "text")]


class Renamed(TrialWasherGap):
    """Version 2 calls a field otherwise and says how the old answers read."""

    version = 2

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return [Field("smallest" if f.key == "least" else f.key, f.label, f.quantity, f.required, f.options, f.lo, f.hi, f.default)
                for f in super().form(given)]  # fmt: skip

    def upgrade(self, given: Mapping[str, Any], version: int) -> Mapping[str, Any]:
        return {("smallest" if k == "least" else k): v for k, v in given.items()}

    def evaluate(self, ctx: Context) -> Outcome:
        from dataclasses import replace

        return super().evaluate(replace(ctx, given={**ctx.given, "least": ctx.given["smallest"]}))


class Broken(TrialWasherGap):
    """A formula that cannot cope with what is stored."""

    version = 2

    def evaluate(self, ctx: Context) -> Outcome:
        raise ZeroDivisionError


@pytest.fixture
def gap(yard: Database) -> Iterator[Bench]:
    with trial(yard) as setting:
        bench = Bench(app_over(yard).test_client(), setting)
        bench.written(
            "acts", {"kind": "as_found", "states": {"washer": "2.10"}, "seen": bench.view()["version"]}
        )
        bench.read("gap.1", "0.15")
        bench.read("gap.2", "0.15")
        yield bench


def sign(bench: Bench) -> dict[str, Any]:
    return bench.written("signatures", {"seen": bench.view()["version"], "remark": "left so"})


@contextmanager
def instead(kind: type[Setting]) -> Iterator[None]:
    register(kind)
    try:
        yield
    finally:
        register(TrialWasherGap)


@contextmanager
def gone() -> Iterator[None]:
    forget(KIND)
    try:
        yield
    finally:
        register(TrialWasherGap)


def shown(client: FlaskClient) -> dict[str, Any]:
    """Everything that shows the signed setting."""
    record = next(s for s in client.get("/api/jobs/t01/record").get_json()["settings"] if s["id"] == SETTING)
    view = client.get(f"/api/settings/{SETTING}").get_json()
    summary = next(s for s in client.get("/api/jobs/t01").get_json()["settings"] if s["id"] == SETTING)
    return {"record": record, "sheet": view["sheet"], "gauge": view["gauge"], "summary": summary}


CHANGES = {"a new formula": Grown, "a new field that asks": Asking, "a formula that breaks": Broken}


@pytest.mark.parametrize("change", CHANGES)
def test_a_signed_setting_is_shown_as_it_was_signed_whatever_became_of_its_kind(
    gap: Bench, change: str
) -> None:
    sign(gap)
    before = shown(gap.client)
    with instead(CHANGES[change]):
        assert shown(gap.client) == before


def test_and_even_when_its_kind_is_gone(gap: Bench) -> None:
    sign(gap)
    before = shown(gap.client)
    with gone():
        assert shown(gap.client) == before
        assert gap.client.get("/api/jobs/t01/record.pdf").status_code == 200


def test_a_form_that_grew_fills_the_new_field_from_its_default(gap: Bench) -> None:
    with instead(Grown):
        view = gap.view()
        assert next(f for f in view["given"]["fields"] if f["key"] == "oil")["shown"] == "thin"
        assert view["sheet"]["outcome"]["results"][0]["value"]["v"] == pytest.approx(5.15)


def test_a_new_field_without_a_default_is_asked_for_in_that_setting_only(gap: Bench) -> None:
    with instead(Asking):
        view = gap.view()
        assert "Grade of the washer is missing" in said(view)
        assert any("Grade of the washer" in b for b in view["sheet"]["sign_blockers"])
        refused = gap.post("entries", {"slot": "gap.1", "text": "0.16"})
        assert refused.status_code == 422
        assert "Given" in refused.get_json()["next_step"]
        assert gap.client.get("/api/jobs/t01").status_code == 200
        assert gap.client.get("/api/settings/w17.output-end-play").status_code == 200
        typed = {f["key"]: f["typed"] for f in view["given"]["fields"] if f["typed"] is not None}
        view = gap.written("given", {"given": typed | {"grade": "A"}, "seen": view["version"]})
        assert view["sheet"]["outcome"]["results"][0]["value"]["v"] == pytest.approx(0.15)


def test_old_answers_are_read_as_the_new_form_asks_for_them(gap: Bench) -> None:
    with instead(Renamed):
        view = gap.view()
        assert view["sheet"]["outcome"]["results"][0]["window"]["lo"] == pytest.approx(0.10)


@pytest.mark.parametrize("became", ["gone", "broken", "asking"])
def test_one_bad_setting_never_takes_a_list_down(gap: Bench, became: str) -> None:
    change = gone() if became == "gone" else instead(Broken if became == "broken" else Asking)
    gap.client.get("/api/board")
    with change:
        for url in ("/api/board", "/api/jobs/t01", "/api/jobs/t01/record", "/api/jobs/t01/inspection",
                    "/api/jobs/t01/strip", "/api/jobs/t01/readings.csv", "/api/jobs/t01/record.pdf"):  # fmt: skip
            assert gap.client.get(url).status_code == 200, url
        entries = shown(gap.client)["record"]["entries"]
        assert [e["as_typed"] for e in entries] == ["0.15", "0.15"]
        assert shown(gap.client)["sheet"]["say"]


def test_the_signature_holds_all_that_is_shown_of_it(gap: Bench, yard: Database) -> None:
    sign(gap)
    with yard.reading() as session:
        row = session.scalars(select(t.Signature).where(t.Signature.setting_id == SETTING)).one()
        held = row.snapshot
        assert held["edition"] == EDITION
        assert not_held(held) == []
        assert held["gauges"]["dial-11"]["division"] == 0.01
        assert (held["by_id"], held["remark"]) == ("marl", "left so")
        assert row.sha256 == digest(held)
        assert held["chain"] == job_chain(session, "t01", held["through"])
        assert held["chain"] != job_chain(session, "t01")


def test_the_chain_moves_with_every_row_and_with_nothing_else(gap: Bench, yard: Database) -> None:
    def chain() -> str:
        with yard.reading() as session:
            return job_chain(session, "t01")

    one = chain()
    assert chain() == one
    gap.read("gap.1", "0.17")
    assert chain() != one


OLD = {
    "sheet": {
        "kind": "shim_pack_end_play", "kind_version": 1, "title": "End play", "unit": "mm", "round": 2,
        "cautions": [], "cells": [], "next": None, "stop": "", "restart_at": None,
        "outcome": {"results": [], "checks": [], "verdict": {"code": "in", "leaning": "", "margin": 0.02, "words": "in"},
                    "next_sentence": "", "sign_blockers": [], "scenes": [], "unverified": [], "observed": {}},
        "verdict": {"code": "in", "leaning": "", "margin": 0.02, "words": "in"},
        "say": [{"text": "Leave it: in, with 0.02 to spare. Sign it.", "move": False}],
        "aside_head": "", "aside": "", "provisional": False, "move": {"best": {"state": [500000]}}, "surprise": None,
        "scenes": [{"type": "strip", "label": "End play", "unit": "mm", "lo": 0.0, "hi": 0.2, "ticks": [], "window": None,
                    "window_not_in_force": None, "aim": None, "readings": [], "verdict": "in", "verdict_words": "in",
                    "landing": None, "verdict_leaning": "",
                    "needle": {"at": 0.09, "give": 0.01, "label": "0.090", "give_label": "± 0.010 mm", "words": "", "bound": False}},
                   {"type": "pack", "title": "Shims", "now": [], "now_label": "0.75", "after": [], "after_label": "",
                    "change_label": "", "under_cover": True, "drawer_label": ""}],
        "sign_blockers": [], "temporary": [], "unverified": [], "response": None, "slope": None, "state_known": True,
        "given_brief": [],
    },
    "given": {"least": "0.06", "greatest": "0.12"},
}  # fmt: skip
"""A signature of the first edition, as it lies in files that exist."""


def test_a_signature_of_the_first_edition_keeps_its_own_and_says_what_it_does_not_hold(
    yard: Database,
) -> None:
    with yard.engine.begin() as connection:
        connection.exec_driver_sql("DROP TRIGGER keep_signature_update")
        connection.exec_driver_sql("UPDATE signature SET snapshot = ?, sha256 = ? WHERE setting_id = 'w11.output-end-play'",
                                   (json.dumps(OLD), digest(OLD)))  # fmt: skip
    client = app_over(yard).test_client()
    view = client.get("/api/settings/w11.output-end-play").get_json()
    assert view["signature"]["edition"] == 1
    assert "the gauge cards" in view["signature"]["not_held"]
    assert said(view) == "Signed: in. Nothing is left to do here."
    record = next(
        s
        for s in client.get("/api/jobs/w11/record").get_json()["settings"]
        if s["id"].endswith("output-end-play")
    )
    assert record["as_left"] == "0.090 ± 0.010 mm; pack 0.75"
    assert record["as_found"] == "not held by this signature"
    assert record["entries"]
    text = "".join(
        p.extract_text() for p in PdfReader(io.BytesIO(client.get("/api/jobs/w11/record.pdf").data)).pages
    )
    assert "does not hold" in text


def test_reading_an_old_snapshot_changes_nothing_of_it() -> None:
    before = json.dumps(OLD, sort_keys=True)
    frozen_sheet(OLD)
    assert json.dumps(OLD, sort_keys=True) == before


def test_an_exchange_file_carries_the_signature_as_it_was_signed(gap: Bench, empty: Database) -> None:
    sign(gap)
    before = shown(gap.client)["record"]
    file = gap.client.get("/api/jobs/t01/exchange.zip").data
    assert zipfile.is_zipfile(io.BytesIO(file))
    other = app_over(empty).test_client()
    assert other.post("/api/jobs/imports", data=file, headers={"X-Mechanic": "oda"}).status_code == 201
    assert shown(other)["record"] == before


def test_the_kind_under_trial_is_the_first_version_again() -> None:
    register(TrialWasherGap)
    assert find_kind(KIND).version == 1
    forget(KIND)
