"""What the views of the demo yard answer does not move unseen."""

from __future__ import annotations

import pytest
from flask.testing import FlaskClient

from written import kept
from written_views import VIEWS, shown, shown_by


@pytest.mark.parametrize("name", VIEWS)
def test_a_view_answers_as_it_was_written_down(client: FlaskClient, name: str) -> None:
    assert shown_by(client, name) == kept(shown, name)
