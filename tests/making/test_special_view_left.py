"""Exercises that give all but the special view: what is set out, what is told, and a right answer drawn by hand."""

import math
from typing import Any

import pytest
from shapely.geometry import Point, Polygon

from maqueta.geometry.carrier import Similarity
from maqueta.judging.report import check
from maqueta.making.starting_sheet import starting_looks, starting_sheet
from maqueta.phrases.told import ToldError
from maqueta.projection.project import drawn
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.laid import laid
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.drafted import Pen, drafted_of
from maqueta.sheet.pen_hatching import hatched_at
from maqueta.sheet.placed import PlacedView, placed_views
from maqueta.sheet.special import Hatch
from maqueta.sheet.view import View
from maqueta.task.exercise import Exercise
from maqueta.task.told import drawn_for_student
from tests.parts import demo_projected, demo_solid
from tests.reading.special_scenes import ASKED


def task(slug: str, **more: Any) -> Exercise:
    return Exercise.model_validate(
        {
            "views": ["front", "top"],
            "pictorial": "unwanted",
            "paper": "A2",
            "scale": "1:1",
            "dimensioning": {"required": False},
            "front": {"accept": [{"side": "-y", "up": "+z"}]},
            "drafting": {"kind": "special view"},
            "special": [ASKED[slug]],
            **more,
        }
    )


def set_out(slug: str) -> tuple[ProjectedPart, SheetDocument]:
    part = demo_projected(slug)
    part = part.with_looks(drawn(*demo_solid(slug), starting_looks(part, task(slug))))
    return part, starting_sheet(part, task(slug))


def by_hand(sheet: SheetDocument, item: PlacedView, aside: tuple[float, float]) -> View:
    """A special view drafted and hatched as it should be, somewhere else within its view."""
    move = Similarity(1.0, 0.0, *aside)
    lines = tuple(drafted_of(piece.moved(move), Pen("visible")) for piece in item.lines.of("visible"))
    view = item.view.model_copy(update={"lines": lines})
    marks = sheet.marks
    for region in item.lines.regions:
        inside = Polygon(region.rings[0], region.rings[1:]).buffer(0).representative_point()
        at = move((inside.x, inside.y))
        # The steps of an offset section draw no line: what is cut on both sides of one is hatched in one go.
        if not any(area.hatching.region.contains(Point(at)) for area in view.hatched or ()):
            view = hatched_at(view, marks, at, Hatch(), item.factor)
    return view


@pytest.mark.parametrize("slug", sorted(ASKED))
def test_a_right_answer_drawn_by_hand_is_right_wherever_it_was_set_down(slug: str) -> None:
    part, begun = set_out(slug)
    kinds = [view.kind for view in begun.views]
    assert kinds[:2] == ["principal", "principal"]
    special = [view for view in begun.views if view.kind != "principal"]
    assert special
    assert all(view.lines == () and view.hatch is None for view in special)
    assert all(view.lines is None for view in begun.views[:2])
    placed = {item.view.id: item for item in placed_views(part, begun)}
    views = [by_hand(begun, placed[v.id], (7.0, 0.0)) if v in special else v for v in begun.views]
    sheet = SheetDocument.model_validate(begun.model_copy(update={"views": tuple(views)}).model_dump())
    settled = laid(part, sheet, 0.3)
    findings = check(part, task(slug), settled).findings
    assert [
        (f.rule, f.parameters)
        for f in findings
        if f.severity == "error" and f.rule.startswith(("section", "detail", "lines", "views"))
    ] == []
    for view in special:
        again = settled.view(view.id)
        assert (again.letter, again.parent, again.kind) == (view.letter, view.parent, view.kind)
        assert again.at == pytest.approx((view.at[0] + 7.0 * placed[view.id].factor, view.at[1]), abs=1e-3)


def test_what_is_left_to_the_hand_is_not_drawn_by_the_program() -> None:
    part, begun = set_out("ribbed-bearing")
    assert drawn_for_student(part, task("ribbed-bearing"), begun) == ()
    own = begun.view("s1").model_copy(update={"lines": None, "hatched": None})
    views = tuple(own if view.id == "s1" else view for view in begun.views)
    asked = begun.model_copy(update={"views": views})
    assert drawn_for_student(part, task("ribbed-bearing"), asked) == ("section",)
    free = task("ribbed-bearing", drafting={"kind": "projected"})
    assert drawn_for_student(part, free, asked) == ()


def test_what_the_given_views_show_already_leaves_nothing_to_draw() -> None:
    """A block has no slanted face; an edge of it is in true length in two of its views."""
    part = demo_projected("reed-clamp")
    for more in ({"special": [{"kind": "auxiliary"}]}, {"special": [], "true_length": [[[0, 0, 0], [96, 0, 0]]]}):
        with pytest.raises(ToldError):
            starting_sheet(part, task("spindle-pin", **more))


def test_any_auxiliary_view_is_that_of_the_largest_slanted_face() -> None:
    part, any_will_do = demo_projected("slanted-seat"), task("slanted-seat", special=[{"kind": "auxiliary"}])
    part = part.with_looks(drawn(*demo_solid("slanted-seat"), starting_looks(part, any_will_do)))
    left = [view for view in starting_sheet(part, any_will_do).views if view.kind == "auxiliary"]
    assert len(left) == 1
    look = left[0].own_look
    assert look is not None
    flat = [face for face in part.part.faces if face.kind == "plane"]
    assert any(math.dist(face.direction, look.towards) < 1e-9 for face in flat)


def test_a_view_left_to_draw_has_to_be_named() -> None:
    with pytest.raises((ToldError, ValueError)):
        task("ribbed-bearing", special=[])
