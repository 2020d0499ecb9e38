"""What a two-row bearing on the bench is asked for."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.settings.common import whole_form
from bornek.core.settings.kind import Field


def form_of(given: Mapping[str, Any]) -> Sequence[Field]:
    return whole_form(
        [
            Field(
                key="arrangement",
                label="Arrangement",
                quantity="choice",
                default="spacer_between",
                options=(
                    ("spacer_between", "double cup, spacer between the cone front faces"),
                    ("other", "another arrangement"),
                ),
                why="Only this arrangement follows these sums.",
            ),
            Field("least", "Least bench setting (preload negative)", "length", lo=-1, hi=3),
            Field("greatest", "Greatest bench setting (preload negative)", "length", lo=-1, hi=3),
            Field(
                key="half_angle",
                label="Half the included cup angle",
                quantity="angle",
                required=False,
                lo=5,
                hi=40,
                why="With the fits it gives the mounted setting, as an estimate.",
            ),
            *(
                Field(key, label, "length", required=False, lo=-0.5, hi=0.5)
                for key, label in (
                    ("cone_fit", "Cone on shaft, diametral interference"),
                    ("cup_fit", "Cup in housing, diametral interference"),
                )
            ),
            *(
                Field(key, label, "number", default=0.8, lo=0.4, hi=1)
                for key, label in (
                    ("cone_ratio", "Bore over mean cone race"),
                    ("cup_ratio", "Mean cup race over outside"),
                )
            ),
            *(
                Field(key, f"{part} temperature", "temperature", default=20.0, lo=-20, hi=most)
                for key, part, most in (
                    ("gauge_c", "Gauge", 80),
                    ("bearing_c", "Bearing", 120),
                    ("spacer_c", "Spacer", 120),
                )
            ),
        ]
    )
