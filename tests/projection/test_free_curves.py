"""Curves where round faces meet, and what a view folds of them: near halves over far halves, circles seen as such."""

import math
from typing import Any

import numpy as np
import pytest

from maqueta.geometry.carrier import Circle, Free
from maqueta.geometry.directions import SIDES, Side
from maqueta.geometry.line_set import Piece
from maqueta.projection.attitude import usual
from maqueta.projection.hidden_lines import HiddenLines
from maqueta.solid.part import Part
from tests.parts import block, hole, made
from tests.projection.ray_caster import disagreement, mesh_of
from tests.sizes.counted_parts import revolve

BAR = revolve((0, 0), (16, 0), (16, 40), (0, 40))
TROUGH = {
    "kind": "extrude",
    "plane": "xz",
    "profile": [[18, 30], {"through": [30, 18], "to": [42, 30]}, [42, 35], [18, 35]],
    "depth": 40,
    "operation": "cut",
}
FOLDED: dict[str, list[dict[str, Any]]] = {
    "bar drilled to its axis": [BAR, hole((0, -16, 26), "+y", 6, 16)],
    "bar drilled across": [BAR, hole((0, -16, 26), "+y", 6)],
    "bar drilled beside its axis": [BAR, hole((5, -16, 26), "+y", 6)],
    "bar drilled along x": [BAR, hole((-16, 0, 12), "+x", 10, 20)],
    "trough drilled through its bottom": [block((60, 40, 30)), TROUGH, hole((30, 20, 30), "-z", 8)],
    "bar with a boss": [BAR, {"kind": "boss", "at": [0, 0, 20], "out": "-y", "diameter": 12, "height": 24}],
    "bar cut by a groove": [BAR, block((40, 8, 10), (-20, -20, 15), operation="cut")],
    "bar drilled as wide as itself": [BAR, hole((0, -16, 20), "+y", 31)],
}


def seen(name: str, side: Side) -> tuple[Part, list[Piece]]:
    shape, part = made(*FOLDED[name])
    return part, list(HiddenLines(shape, part).line_set(usual(side).look).of("visible", "hidden"))


def shape_of(part: Part, pieces: list[Piece]) -> list[Piece]:
    free = {i for i, edge in enumerate(part.edges) if edge.kind == "other"}
    return [piece for piece in pieces if free & set(piece.edges)]


def test_hole_to_the_axis_shows_as_a_notch_from_the_side() -> None:
    """A hyperbola 6 mm high: y² = 16² − 3² + (z − 26)² by eliminating x from both cylinders."""
    part, pieces = seen("bar drilled to its axis", "+x")
    (notch,) = shape_of(part, pieces)
    assert not [p for p in pieces if isinstance(p.carrier, Circle)]
    assert isinstance(notch.carrier, Free)
    assert sorted(end[1] for end in notch.ends) == pytest.approx([23, 29], abs=1e-3)
    for y, z in notch.carrier.points:
        assert y * y == pytest.approx(16**2 - 3**2 + (z - 26) ** 2, abs=1e-3)
    assert len(notch.edges) == sum(edge.kind == "other" for edge in part.edges)


def test_trough_stays_half_a_circle_where_a_hole_goes_through_it() -> None:
    _, pieces = seen("trough drilled through its bottom", "-y")
    (arc,) = [p for p in pieces if isinstance(p.carrier, Circle)]
    assert isinstance(arc.carrier, Circle)
    assert (arc.carrier.radius, arc.kind) == (12, "visible")
    assert arc.interval == pytest.approx((math.pi, 2 * math.pi))


@pytest.mark.parametrize("name", FOLDED)
def test_no_stretch_is_drawn_twice_and_no_circle_beyond_the_part(name: str) -> None:
    shape, part = made(*FOLDED[name])
    view = HiddenLines(shape, part)
    low, high = np.array(part.low), np.array(part.high)
    for side in SIDES:
        look = usual(side).look
        pieces = view.line_set(look).of("visible", "hidden")
        corners = np.array([low, high]) @ np.array(look.frame)[:2].T
        for piece in pieces:
            points = np.array(piece.outline())
            assert (points >= corners.min(axis=0) - 1e-3).all(), (side, piece)
            assert (points <= corners.max(axis=0) + 1e-3).all(), (side, piece)
        for first, second in ((a, b) for k, a in enumerate(pieces) for b in pieces[:k]):
            middle = first.carrier.point(sum(first.interval) / 2)
            nearest = min(math.dist(middle, p) for p in second.outline())
            if isinstance(first.carrier, Free) and isinstance(second.carrier, Free):
                assert nearest > 0.05, (side, first.edges, second.edges)


@pytest.mark.parametrize("name", FOLDED)
def test_folded_curves_are_seen_as_a_ray_caster_sees_them(name: str) -> None:
    shape, part = made(*FOLDED[name])
    view, solid = HiddenLines(shape, part), mesh_of(shape, part)
    wrong = judged = 0.0
    for side in SIDES:
        look = usual(side).look
        bad, total = disagreement(part, view.line_set(look), look, solid)
        wrong, judged = wrong + bad, judged + total
    assert judged > 3 * part.size
    assert wrong / judged < 2e-3, f"{wrong:.2f} of {judged:.0f}"
