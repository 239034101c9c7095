"""The corner a pictorial view is taken from: what the views beside it show, and nothing hidden that could be seen."""

from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from maqueta.judging.catalogue import wording
from maqueta.judging.finding import Finding
from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.phrases.said import said
from maqueta.projection.arrangement import VIEW_NAMES, ViewName
from maqueta.projection.attitude import ATTITUDES, CORNERS, Attitude, Corner
from maqueta.projection.corners import (
    best_corner,
    corner_of,
    corner_showing_more,
    corners_of_views,
    features_seen,
    seen_alike,
    sides_shown,
)
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.view import FromCorner
from maqueta.task.exercise import Exercise
from tests.parts import block, demo_projected, hole, projected

DRAFTER = Drafter("A. Tester", "Evening 2", "2026-11-20")
#: A blind hole in each side of a block: a corner shows exactly those of the three sides it shows.
SIX_HOLES = projected(
    block((60, 50, 40)),
    hole((0, 25, 20), "+x", 8, 10),
    hole((60, 25, 20), "-x", 9, 10),
    hole((30, 0, 20), "+y", 10, 10),
    hole((30, 50, 20), "-y", 11, 10),
    hole((30, 25, 0), "+z", 12, 10),
    hole((30, 25, 40), "-z", 13, 10),
    natural_up="+z",
)
#: A plate with a blind hole in its left side alone.
LEFT_HOLE = projected(block((60, 40, 30)), hole((0, 20, 15), "+x", 8, 10), natural_up="+z")
FRONT = Exercise.model_validate({"front": {"accept": [{"side": "-y", "up": "+z"}]}, "paper": "A2", "scale": "1:1"})


def _task(*views: str, **rest: Any) -> Exercise:
    return Exercise.model_validate({**FRONT.model_dump(), "views": views, **rest})


def _found(part: ProjectedPart, task: Exercise, sheet: SheetDocument) -> list[Finding]:
    return [f for f in check(part, task, sheet).findings if f.rule.startswith("pictorial.")]


def _from(sheet: SheetDocument, corner: Corner) -> SheetDocument:
    """The sheet with its pictorial view taken from another corner."""
    views = tuple(
        view.model_copy(update={"look": FromCorner(corner=corner)}) if view.kind == "pictorial" else view
        for view in sheet.views
    )
    assert any(view.kind == "pictorial" for view in views)
    return sheet.model_copy(update={"views": views})


@pytest.mark.parametrize("corner", CORNERS)
def test_a_corner_shows_the_holes_of_its_three_sides(corner: Corner) -> None:
    holes = SIX_HOLES.part.features
    low = {hole_.axis: hole_ for hole_ in holes}
    assert len(low) == 3
    assert len(holes) == 6
    seen = features_seen(SIX_HOLES, corner)
    # A blind hole's bottom lies 10 into the block from the side its mouth is in.
    mouths = set()
    for index in seen:
        edges = [SIX_HOLES.part.edges[e] for f in holes[index].faces for e in SIX_HOLES.part.faces[f].edges]
        axis = "xyz".index(holes[index].axis)
        ends = {round(edge.centre[axis], 6) for edge in edges if edge.kind == "circle"}
        mouths.add(("-" if 0.0 in ends else "+") + holes[index].axis)
    assert mouths == sides_shown(corner)


@given(st.sampled_from(ATTITUDES), st.sets(st.sampled_from(VIEW_NAMES)))
def test_corners_of_views_show_what_is_drawn(front: Attitude, names: set[ViewName]) -> None:
    for corner in corners_of_views(front, names):
        shown = sides_shown(corner)
        assert corner_of(shown) == corner
        assert front.side in shown
        assert front.up in shown or "bottom" in names
        if "right" in names and "left" not in names:
            assert front.right in shown
    assert front.up in sides_shown(corners_of_views(front, names | {"top"})[0])


def test_drawn_side_view_is_shown_by_the_pictorial() -> None:
    for beside, x in (("right", "+"), ("left", "-")):
        task = _task("front", "top", beside)
        sheet = model_sheet(SIX_HOLES, task, DRAFTER)
        assert [v.look.corner for v in sheet.views if isinstance(v.look, FromCorner)] == [f"{x}-+"]
        assert _found(SIX_HOLES, task, sheet) == []
        other = "+" if x == "-" else "-"
        (finding,) = _found(SIX_HOLES, task, _from(sheet, f"{other}-+"))  # type: ignore[arg-type]
        assert (finding.rule, finding.severity) == ("pictorial.corner", "warning")
        assert beside in said(wording(finding).expected)


def test_either_side_will_do_where_both_are_drawn_or_none() -> None:
    for names in (("front", "top"), ("front", "top", "left", "right")):
        sheet = model_sheet(SIX_HOLES, _task(*names), DRAFTER)
        for corner in ("+-+", "--+"):
            assert _found(SIX_HOLES, _task(*names), _from(sheet, corner)) == []


def test_a_feature_hidden_for_nothing_is_told_with_the_corner_that_shows_it() -> None:
    task = _task("front", "top")
    sheet = model_sheet(LEFT_HOLE, task, DRAFTER)
    assert _found(LEFT_HOLE, task, sheet) == [], "it is drawn from the corner that shows the hole"
    (finding,) = _found(LEFT_HOLE, task, _from(sheet, "+-+"))
    assert finding.rule == "pictorial.hides"
    assert said(wording(finding).message) == (
        "The hole cannot be seen in the pictorial view. From the corner that shows the front, the top and the left side"
        " it would be seen, and everything else as well."
    )
    assert set(finding.faces) == set(LEFT_HOLE.part.features[0].faces)


def test_a_corner_that_shows_more_than_the_usual_one_is_well_chosen() -> None:
    """The right view is drawn, but the part's one hole is on its left: whichever corner shows it is no mistake."""
    task = _task("front", "top", "right")
    sheet = model_sheet(LEFT_HOLE, task, DRAFTER)
    assert _found(LEFT_HOLE, task, _from(sheet, "--+")) == []
    assert [f.rule for f in _found(LEFT_HOLE, task, _from(sheet, "+-+"))] == ["pictorial.hides"]
    assert [f.rule for f in _found(LEFT_HOLE, task, _from(sheet, "++-"))] == ["pictorial.hides"]


def test_nothing_is_said_where_no_pictorial_is_wanted_or_drawn() -> None:
    task = _task("front", "top", "right")
    sheet = _from(model_sheet(LEFT_HOLE, task, DRAFTER), "++-")
    assert _found(LEFT_HOLE, task.model_copy(update={"pictorial": "unwanted"}), sheet) == []
    flat = sheet.model_copy(update={"views": tuple(v for v in sheet.views if v.kind != "pictorial")})
    assert _found(LEFT_HOLE, task, flat) == []
    asked = task.model_copy(update={"pictorial": "required"})
    assert "pictorial" in check(LEFT_HOLE, asked, flat).scope.lacking
    assert "pictorial" not in check(LEFT_HOLE, asked, sheet).scope.lacking


@settings(max_examples=40, deadline=None)
@given(
    st.sampled_from(["reed-clamp", "pedal-hinge", "heddle-guide", "batten-foot"]),
    st.sampled_from(ATTITUDES),
    st.sets(st.sampled_from(VIEW_NAMES)),
)
def test_the_best_corner_is_never_found_fault_with(slug: str, front: Attitude, names: set[ViewName]) -> None:
    part = demo_projected(slug)
    best, usual = best_corner(part, front, names), corners_of_views(front, names)
    assert corner_showing_more(part, best, usual, front.up) is None
    assert best in usual or any(features_seen(part, best) > features_seen(part, corner) for corner in usual)


def test_how_the_pictorial_is_turned_or_drafted_does_not_matter() -> None:
    task = _task("front", "top", "right")
    sheet = model_sheet(SIX_HOLES, task, DRAFTER)
    verdicts = set()
    for turn in (0, 60, 120, 180, 240, 300):
        views = tuple(
            v.model_copy(update={"look": FromCorner(corner="---", turn=turn)}) if v.kind == "pictorial" else v
            for v in reversed(sheet.views)
        )
        (finding,) = _found(SIX_HOLES, task, sheet.model_copy(update={"views": views}))
        verdicts.add((finding.rule, said(wording(finding).message)))
    assert len(verdicts) == 1


#: Two blind holes that change places when the part is turned half round about the upright.
HALF_TURN = projected(
    block((60, 40, 30)), hole((15, 0, 15), "+y", 8, 10), hole((45, 40, 15), "-y", 8, 10), natural_up="+z"
)
CUBE = projected(block((40, 40, 40)), natural_up="+z")


def test_a_corner_nobody_can_tell_from_the_usual_one_is_as_good() -> None:
    task = _task("front", "top", "right")
    sheet = model_sheet(HALF_TURN, task, DRAFTER)
    assert _found(HALF_TURN, task, _from(sheet, "-++")) == []
    assert [f.rule for f in _found(HALF_TURN, task, _from(sheet, "--+"))] == ["pictorial.corner"]
    cube = model_sheet(CUBE, task, DRAFTER)
    for corner in CORNERS:
        assert _found(CUBE, task, _from(cube, corner)) == []
    assert seen_alike(CUBE, "+++", 60, ("+-+",)) == "+-+"
    assert seen_alike(HALF_TURN, "+-+", 0, ("--+", "-++")) == "-++"
    assert seen_alike(LEFT_HOLE, "--+", 0, ("+-+",)) is None
