"""Needed sizes of parts of any simple surfaces, each counted by hand in a comment."""

from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from maqueta.projection.attitude import USUAL_FRONT
from maqueta.sizes.count import count
from maqueta.sizes.form.model import form_model
from tests.parts import made
from tests.sizes.counted_parts import COUNTED, R, extrude, revolve


@pytest.mark.parametrize(("features", "needed"), [entry[1:] for entry in COUNTED], ids=[entry[0] for entry in COUNTED])
def test_needed_sizes_by_hand(features: list[dict[str, Any]], needed: int) -> None:
    assert form_model(made(*features)[1]).needed == needed


@settings(max_examples=20, deadline=None)
@given(st.sampled_from([0.1, 3.0, 10_000.0]), st.sampled_from(["xz", "xy", "yz"]))
def test_the_number_does_not_depend_on_size_or_attitude(scale: float, plane: str) -> None:
    profile = [(0, 0), (0.8, 0), (0.8, 0.2), (0.3, 0.5), (0, 0.5)]
    scaled = [(x * scale, y * scale) for x, y in profile]
    assert form_model(made(extrude(*scaled, depth=0.3 * scale, plane=plane))[1]).needed == 5


def rounded_shaft(wide: float, thin: float, shoulder: float, length: float, radius: float) -> dict[str, Any]:
    """A shaft along x whose shoulder's edge is rounded."""
    x, y = wide - radius, shoulder - radius
    edge = {"through": [x + radius * R, y + radius * R], "to": [x, shoulder]}
    return revolve((0, 0), (wide, 0), (wide, y), edge, (thin, shoulder), (thin, length), (0, length), axis="x")


#: Shafts of one kind, other sizes: overall length, lengths of shoulders and chamfers; beside them diameters, slopes and
#: roundings (by hand: a shoulder takes a length and a diameter, a chamfer a length and its angle, a fillet its radius).
SHAFTS = {
    "chamfered": (
        [
            revolve((0, 0), (20, 0), (20, 48), (18, 50), (0, 50), axis="x"),
            revolve((0, 0), (11, 0), (12, 1), (12, 68), (0, 68), axis="x"),
            revolve((0, 0), (8, 0), (8, 30), (7, 31), (0, 31), axis="z"),
        ],
        2,
        2,
    ),
    "chamfered at both ends": (
        [
            revolve((0, 0), (9, 0), (10, 1), (10, 30), (16, 30), (16, 49), (15, 50), (0, 50), axis="x"),
            revolve((0, 0), (19, 0), (20, 1), (20, 40), (14, 40), (14, 79), (13, 80), (0, 80), axis="x"),
        ],
        4,
        4,
    ),
    "rounded shoulder": (
        [
            rounded_shaft(20, 8, 20, 50, 3),
            rounded_shaft(14, 9, 38, 61, 2),
        ],
        2,
        3,
    ),
}


@pytest.mark.parametrize("kind", SHAFTS)
def test_shafts_of_one_kind_split_their_sizes_alike(kind: str) -> None:
    shafts, lengths, others = SHAFTS[kind]
    for features in shafts:
        form = form_model(made(features)[1])
        rows = {row.row: row.needed for row in count(form, USUAL_FRONT)}
        assert (rows.pop("round"), rows.pop("angle")) == (others, 0)
        assert sorted(rows.values()) == [0, 0, lengths]
