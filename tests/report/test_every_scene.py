"""Every drawing of the closed set has a drawer on paper and a mark on the page, and none is dropped."""

import io
import re
import typing
from pathlib import Path

import pytest
from pypdf import PdfReader
from reportlab.graphics import renderPDF

from apps import app_over
from bornek.core.looks import PALETTE, VERDICTS, palette_css
from bornek.core.plain import dump
from bornek.core.scenes import Scene
from bornek.core.windows import WORDS
from bornek.report.drawers import DRAWERS, draw
from bornek.report.fonts_in import use_fonts
from bornek.store.database import Database
from trial_kind import every_small_scene, trial

TYPES = {s.__dataclass_fields__["type"].default for s in typing.get_args(Scene)}
PAGE = Path(__file__).parents[2] / "frontend/src"


def test_every_type_of_scene_has_its_drawer_on_paper() -> None:
    assert set(DRAWERS) == TYPES


def test_and_its_mark_on_the_page() -> None:
    source = (PAGE / "marks/registry.ts").read_text(encoding="utf-8")
    table = source[source.index("= {") : source.index("};")]
    assert set(re.findall(r"(\w+): \w+Mark", table)) == TYPES


@pytest.mark.parametrize("scene", every_small_scene(), ids=lambda s: s.type)
def test_what_a_kind_brings_along_is_drawn_with_its_words(scene: Scene) -> None:
    use_fonts()
    plain = dump(scene)
    paper = renderPDF.drawToString(draw(plain, 480))
    text = " ".join(PdfReader(io.BytesIO(paper)).pages[0].extract_text().split())
    assert plain["label"].split(",")[0] in text
    for key in ("rays", "rungs", "steps"):
        for part in plain.get(key, ()):
            assert part["label"] in text
    for part in (*plain.get("ticks", ()), *plain.get("inner", ())):
        assert part["label"] in text
    for disc in plain.get("discs", ()):
        assert str(disc["number"]) in text
    for row in plain.get("rows", ()):
        assert all(cell in text for cell in row)


def test_the_build_sheet_of_a_job_holds_them_all(yard: Database) -> None:
    with trial(yard):
        client = app_over(yard).test_client()
        pages = PdfReader(io.BytesIO(client.get("/api/jobs/t01/record.pdf").data)).pages
        text = " ".join(" ".join(p.extract_text() for p in pages).split())
    for words in ("Runout", "Lock positions", "Sequence", "Washers on the shelf", "Drive side"):
        assert words in text


def test_page_and_paper_share_one_palette_and_one_verdict_map() -> None:
    assert (PAGE / "styles/palette.css").read_text(encoding="utf-8") == palette_css()
    assert set(VERDICTS) == set(WORDS)
    raw = re.compile(r"#[0-9a-fA-F]{6}\b")
    report = Path(__file__).parents[2] / "src/bornek/report"
    assert [p.name for p in report.glob("*.py") if raw.search(p.read_text(encoding="utf-8"))] == []
    styled = [p for p in PAGE.rglob("*") if p.suffix in (".vue", ".ts", ".css") and p.name != "palette.css"]
    assert [p.name for p in styled if raw.search(p.read_text(encoding="utf-8"))] == []
    assert len(PALETTE) == 19


def test_the_factor_of_the_uncertainty_stands_in_one_place() -> None:
    source = Path(__file__).parents[2] / "src/bornek"
    doubled = re.compile(r"\b2(\.0)? \* (\w+\.)*u\b")
    found = [p.name for p in source.rglob("*.py") if doubled.search(p.read_text(encoding="utf-8"))]
    assert found == []
