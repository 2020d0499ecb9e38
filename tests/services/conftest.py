"""What several tests of the services begin with."""

from __future__ import annotations

import shutil
from pathlib import Path

import pytest

from bornek.app import create_app
from bornek.store.database import Database
from helpers import NOW, PICTURE


@pytest.fixture(scope="session")
def photographed(yard_template: Path, tmp_path_factory: pytest.TempPathFactory) -> Path:
    """The demo yard with a photo in it: to be read, or copied with its files."""
    path = Path(shutil.copy(yard_template, tmp_path_factory.mktemp("photographed") / "yard.sqlite"))
    database = Database(path)
    client = create_app(database, lambda: NOW, trusts=True).test_client()
    answer = client.post(
        "/api/jobs/k08/photos?id=p1&subject=second&caption=rounded",
        data=PICTURE,
        headers={"X-Mechanic": "jun"},
    )
    assert answer.status_code == 201, answer.get_json()
    database.close()
    return path
