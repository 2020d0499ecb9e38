"""Engines over other files speak the same dialect."""

from pathlib import Path

from sqlalchemy import column, select, text

from bornek.store.engine import engine_of


def test_what_was_compiled_for_one_file_is_not_compiled_for_another(tmp_path: Path) -> None:
    compiled = []
    for name in ("one", "other"):
        engine = engine_of(tmp_path / f"{name}.sqlite")
        with engine.connect() as connection:
            connection.execute(text("CREATE TABLE shared (of_both TEXT)"))
            connection.execute(text("INSERT INTO shared VALUES (:name)"), {"name": name})
            found = connection.execute(select(column("of_both")).select_from(text("shared")))
            compiled.append(found.context.cache_hit.name)  # type: ignore[attr-defined]
            assert found.scalar_one() == name
        engine.dispose()
    assert compiled == ["CACHE_MISS", "CACHE_HIT"]
