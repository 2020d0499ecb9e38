"""The core without the page."""

import io
import json
from pathlib import Path

import pytest

from bornek.cli import main
from bornek.store.database import Database

GIVEN = {"least": 0.06, "greatest": 0.12, "sense": "adds", "torque": 80, "source": "card"}
KIND = "shim_pack_end_play"


def test_kinds_lists_each_with_its_schema(capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["kinds"]) == 0
    rows = json.loads(capsys.readouterr().out)
    assert {r["id"] for r in rows} >= {KIND, "two_row_bench"}
    assert all(r["schema"]["type"] == "object" for r in rows)


def test_compute_reads_a_file_and_standard_input_alike(
    tmp_path: Path, capsys: pytest.CaptureFixture[str], monkeypatch: pytest.MonkeyPatch
) -> None:
    data = json.dumps({"given": GIVEN, "entries": [{"slot": "travel.mark_up.1", "text": "0.145"}]})
    path = tmp_path / "case.json"
    path.write_text(data)
    assert main(["compute", KIND, str(path)]) == 0
    from_file = capsys.readouterr().out
    monkeypatch.setattr("sys.stdin", io.StringIO(data))
    assert main(["compute", KIND, "-"]) == 0
    assert capsys.readouterr().out == from_file
    assert json.loads(from_file)["verdict"]["code"] == "out_high"


@pytest.mark.parametrize("text", ["{", '{"given": {}}', '{"given": {"least": "x"}}', "[]"])
def test_bad_input_exits_2_with_the_problem_shape(
    tmp_path: Path, capsys: pytest.CaptureFixture[str], text: str
) -> None:
    path = tmp_path / "bad.json"
    path.write_text(text)
    assert main(["compute", KIND, str(path)]) == 2
    problem = json.loads(capsys.readouterr().err)
    assert set(problem) == {"code", "field", "message", "next_step", "details"}


def test_a_missing_file_and_an_unknown_kind_exit_2(tmp_path: Path) -> None:
    assert main(["compute", KIND, str(tmp_path / "none.json")]) == 2
    good = tmp_path / "good.json"
    good.write_text(json.dumps({"given": GIVEN}))
    assert main(["compute", "nothing", str(good)]) == 2


def test_backup_and_restore_bring_back_what_was_there(
    yard: Database, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    data, copy = yard.path, tmp_path / "copy.sqlite"
    yard.close()
    assert main(["seed", "--data", str(data)]) == 2
    assert "there already" in capsys.readouterr().err
    assert main(["backup", "--data", str(data), "--to", str(copy)]) == 0
    assert main(["backup", "--data", str(data), "--to", str(copy)]) == 2
    data.unlink()
    assert main(["restore", "--data", str(data), "--from", str(copy)]) == 0
    assert data.exists()
    damaged = tmp_path / "damaged.sqlite"
    damaged.write_bytes(b"not a database at all" * 100)
    assert main(["restore", "--data", str(data), "--from", str(damaged)]) == 2


def test_the_schema_of_a_unit_type_is_written(tmp_path: Path) -> None:
    path = tmp_path / "schema.json"
    assert main(["unit-type-schema", str(path)]) == 0
    schema = json.loads(path.read_text())
    assert schema["properties"]["definition"] == {"$ref": "#/$defs/Definition"}
    assert "taper_bearing" in schema["$defs"]["Part"]["properties"]["kind"]["enum"]


def test_a_bush_is_reckoned_from_the_command_line(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    sizes = {"journal": "49.990", "bore": "50.080"}
    entries = [
        {"slot": f"{what}.{place}.{way}", "text": text}
        for what, text in sizes.items()
        for place in ("near", "middle", "far")
        for way in ("up", "across")
    ]
    given = {"diameter": 50, "least": 0.05, "greatest": "4 thou", "source": "card"}
    path = tmp_path / "bush.json"
    path.write_text(json.dumps({"given": given, "entries": entries}))
    assert main(["compute", "plain_bearing", str(path)]) == 0
    result = json.loads(capsys.readouterr().out)["outcome"]["results"][0]
    assert result["value"]["v"] == pytest.approx(0.090)
    assert result["window"]["hi"] == pytest.approx(0.1016)
