import hashlib
from pathlib import Path

import pytest

from bornek.store.blobs import Blobs


def test_what_is_put_in_comes_out_by_its_hash(tmp_path: Path) -> None:
    blobs = Blobs(tmp_path / "files")
    sha = blobs.put(b"a picture")
    assert sha == hashlib.sha256(b"a picture").hexdigest()
    assert blobs.get(sha) == b"a picture"
    assert blobs.put(b"a picture") == sha
    assert [p.name for p in tmp_path.rglob("*") if p.is_file()] == [sha]


@pytest.mark.parametrize("name", ["../secret", "", "A" * 64, "a" * 63, "a" * 65, "a" * 64 + "\n"])
def test_a_name_that_is_no_hash_never_becomes_a_path(tmp_path: Path, name: str) -> None:
    (tmp_path / "secret").write_text("x")
    assert Blobs(tmp_path / "files").get(name) is None
