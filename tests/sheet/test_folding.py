"""Folding lines: square to what moves from view to view, the same distances off both; checked by vector algebra."""

import math

import numpy as np
import pytest

from maqueta.drawing.ink import Arc, Stroke, Text
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.sheet.folding import FoldingLine, folding_lines, room_of
from maqueta.sheet.placed import PlacedView, placed_views
from tests.judging.special_sheets import projected as cut_plate
from tests.judging.special_sheets import with_section
from tests.making.test_special_view_left import set_out
from tests.reading.special_scenes import Scene, auxiliary_with_arrow, demo


def across(line: FoldingLine) -> tuple[np.ndarray, np.ndarray]:
    """A point of a folding line and the direction square to it."""
    start, end = np.array(line.start), np.array(line.end)
    along = (end - start) / math.dist(line.start, line.end)
    return start, np.array([along[1], -along[0]])


def views_of(scene: Scene) -> dict[str, PlacedView]:
    return {item.view.id: item for item in placed_views(scene.part, scene.sheet)}


@pytest.mark.parametrize("slug", ["slanted-seat", "beam-casting"])
def test_every_point_moves_square_to_the_line_and_keeps_its_distances(slug: str) -> None:
    """A point of the part in a view and in the one folded out from it: the line joining both is square to the folding
    line; distances off the line in the next view are those off the line before (descriptive geometry, from memory)."""
    scene = demo(slug)
    placed = views_of(scene)
    lines = {line.view: line for line in folding_lines(tuple(placed.values()), scene.part.part)}
    auxiliary = [item for item in placed.values() if item.view.kind == "auxiliary"]
    assert auxiliary
    assert {item.view.id for item in auxiliary} <= set(lines)
    corners = [edge.start for edge in scene.part.part.edges]
    for name, line in lines.items():
        child = placed[name]
        parent = placed[child.view.parent or ""]
        start, off = across(line)
        for corner in corners:
            here, there = (np.array(item.to_sheet(item.look.seen(corner))) for item in (parent, child) if item.look)
            assert abs(np.dot(there - here, np.array([-off[1], off[0]]))) < 1e-6
        before = lines.get(parent.view.id)
        if before is None:
            continue
        grand = placed[parent.view.parent or ""]
        first, away = across(before)
        depths = [
            (
                abs(np.dot(np.array(child.to_sheet(child.look.seen(c))) - start, off)),
                abs(np.dot(np.array(grand.to_sheet(grand.look.seen(c))) - first, away)),
            )
            for c in corners
            if child.look and grand.look
        ]
        # Carried over, all distances differ by the same amount: that between the two lines.
        assert np.ptp([a - b for a, b in depths]) == pytest.approx(0.0, abs=1e-6)


@pytest.mark.parametrize("slug", ["slanted-seat", "beam-casting"])
def test_it_lies_between_the_views_and_its_numbers_on_their_sides(slug: str) -> None:
    scene = demo(slug)
    placed = views_of(scene)
    order = [view.id for view in scene.sheet.views]
    for line in folding_lines(tuple(placed.values()), scene.part.part):
        child = placed[line.view]
        start, off = across(line)

        def side(points: object, start: np.ndarray = start, off: np.ndarray = off) -> set[float]:
            return {float(np.sign(np.dot(np.array(p) - start, off))) for p in points}  # type: ignore[attr-defined]

        own, other = (
            side((point.x, point.y) for point in room_of(item, scene.part.part).geoms)
            for item in (child, placed[child.view.parent or ""])
        )
        assert len(own) == len(other) == 1
        assert own != other
        (first, at_first), (second, at_second) = line.numbers
        assert (order[first - 1], order[second - 1]) == (child.view.parent, line.view)
        assert (side([at_first]), side([at_second])) == (other, own)


def test_what_is_not_folded_out_has_none() -> None:
    """A view with an arrow, set down apart; and sheets without an auxiliary view."""
    scene = auxiliary_with_arrow()
    placed = tuple(views_of(scene).values())
    apart = next(item for item in placed if item.view.kind == "auxiliary")
    assert apart.view.id not in {line.view for line in folding_lines(placed, scene.part.part)}
    assert folding_lines(placed_views(cut_plate(), with_section()), cut_plate().part) == ()


@pytest.mark.parametrize(("slug", "what"), [("slanted-seat", Stroke), ("spindle-pin", Arc), ("bobbin-bush", Stroke)])
def test_an_empty_view_shows_where_it_belongs_at_the_bench_and_not_on_the_sheet(slug: str, what: type) -> None:
    part, sheet = set_out(slug)
    empty = next(view for view in sheet.views if view.lines == ())
    own = [group for group in sheet_ink(part, sheet, construction=True) if group.role == "construction"]
    items = next(group for group in own if group.id == empty.id).items
    assert [item for item in items if isinstance(item, what)]
    assert bool([item for item in items if isinstance(item, Text)]) == (empty.kind == "auxiliary")
    assert all(group.role != "construction" for group in sheet_ink(part, sheet))
