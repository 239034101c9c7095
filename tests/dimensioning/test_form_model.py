"""Needed sizes of parts of any simple surfaces, each counted by hand in a comment."""

from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from maqueta.dimensioning.form_model import form_model
from tests.dimensioning.counted_parts import COUNTED, extrude
from tests.parts import made


@pytest.mark.parametrize(("features", "needed"), [entry[1:] for entry in COUNTED], ids=[entry[0] for entry in COUNTED])
def test_needed_sizes_by_hand(features: list[dict[str, Any]], needed: int) -> None:
    assert form_model(made(*features)[1]).needed == needed


@settings(max_examples=20, deadline=None)
@given(st.sampled_from([0.1, 3.0, 10_000.0]), st.sampled_from(["xz", "xy", "yz"]))
def test_the_number_does_not_depend_on_size_or_attitude(scale: float, plane: str) -> None:
    profile = [(0, 0), (0.8, 0), (0.8, 0.2), (0.3, 0.5), (0, 0.5)]
    scaled = [(x * scale, y * scale) for x, y in profile]
    assert form_model(made(extrude(*scaled, depth=0.3 * scale, plane=plane))[1]).needed == 5
