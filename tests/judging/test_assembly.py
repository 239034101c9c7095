"""Assemblies on sheets: their six sides, and whether every part is where it belongs."""

from functools import cache

import pytest

from maqueta.judging.report import Check, check
from maqueta.making.model_sheet import model_sheet
from maqueta.projection.arrangement import VIEW_NAMES
from maqueta.sheet.document import SheetDocument
from maqueta.task.exercise import Exercise
from tests.judging.set_scenes import COMMON, DRAFTER, drawn_as, pedal_without, whole_pedal

TASK = Exercise.model_validate({**COMMON, "shows": "six sides", "dimensioning": {"required": False}})


@cache
def faultless() -> SheetDocument:
    return model_sheet(whole_pedal(), TASK, DRAFTER)


def about_assembly(found: Check) -> list[tuple[str, str, object]]:
    return [(own.rule, own.variant, own.parameters.get("name")) for own in found.findings if "assembly." in own.rule]


def test_six_sides_that_are_right_are_right_drawn_by_the_program_and_by_hand() -> None:
    for sheet in (faultless(), drawn_as(faultless(), whole_pedal())):
        found = check(whole_pedal(), TASK, sheet)
        assert not [own for own in found.findings if own.severity == "error"]
        assert found.points()["assembly"].points == 6


@pytest.mark.parametrize("name", [name for name in VIEW_NAMES if name != "front"])
def test_a_side_that_is_missing_is_told_once(name: str) -> None:
    names = check(whole_pedal(), TASK, faultless()).survey.names
    [gone] = [view for view, own in names.items() if own == name]
    less = faultless().model_copy(
        update={
            "views": tuple(view for view in faultless().views if view.id != gone),
            "marks": tuple(mark for mark in faultless().marks if mark.view != gone),
        }
    )
    found = check(whole_pedal(), TASK, less)
    assert about_assembly(found) == [("assembly.sides", "", name)]
    assert not [own for own in found.findings if own.rule == "views.missing"]


def test_a_side_in_the_place_of_its_opposite_is_misplaced() -> None:
    """The top view below and the bottom view above: as in first angle, among sides as in third."""
    survey = check(whole_pedal(), TASK, faultless()).survey
    at = {survey.names[item.view.id]: item for item in survey.placed}
    top, bottom = at["top"], at["bottom"]
    swapped = {top.view.id: bottom, bottom.view.id: top}

    def moved(view: str) -> tuple[float, float]:
        own, place = survey.by_id[view], swapped[view]
        return (own.view.at[0], own.view.at[1] + place.box[1] - own.box[1])

    views = tuple(
        view.model_copy(update={"at": moved(view.id)}) if view.id in swapped else view for view in faultless().views
    )
    found = check(whole_pedal(), TASK, faultless().model_copy(update={"views": views, "marks": ()}))
    assert about_assembly(found) == [("assembly.sides", "misplaced", "top"), ("assembly.sides", "misplaced", "bottom")]
    assert not [own for own in found.findings if own.rule.startswith("angle.m")]


def test_a_part_that_was_forgotten_is_one_finding_and_its_lines_are_none() -> None:
    found = check(whole_pedal(), TASK, drawn_as(faultless(), pedal_without("lever")))
    assert about_assembly(found) == [("assembly.part", "", "Pedal lever")]
    [own] = [own for own in found.findings if own.rule == "assembly.part"]
    component = next(part for part in whole_pedal().part.components if part.name == "Pedal lever")
    first, count = component.faces
    assert own.faces == tuple(range(first, first + count))
    of_lever = set(own.faces)
    missing = [own for own in found.findings if own.rule.startswith("lines.missing")]
    alone = [{face for edge in own.edges for face in whole_pedal().part.edges[edge].faces} for own in missing]
    assert not any(faces <= of_lever for faces in alone)


def test_a_part_in_another_place_is_told_with_the_way_to_where_it_belongs() -> None:
    found = check(whole_pedal(), TASK, drawn_as(faultless(), pedal_without("lever", (0.0, 0.0, 37.0))))
    assert about_assembly(found) == [("assembly.part", "elsewhere", "Pedal lever")]
    [own] = [own for own in found.findings if own.rule == "assembly.part"]
    assert own.parameters["distance"] == pytest.approx(37 * faultless().views[0].scale, abs=0.5)


def test_an_exercise_on_views_judges_lines_and_tells_the_part_beside_them() -> None:
    task = TASK.model_copy(update={"shows": "views"})
    found = check(whole_pedal(), task, drawn_as(faultless(), pedal_without("lever")))
    assert [own.rule for own in found.findings if own.rule == "lines.missing-visible"]
