"""Sheets of an assembly's single parts: what a student begins with, and the model answer."""

import itertools

import pytest

from maqueta.making.model_sheet import model_looks, model_sheet
from maqueta.making.starting_sheet import starting_looks, starting_sheet
from maqueta.phrases.told import ToldError
from maqueta.sheet.placed import placed_views
from maqueta.sheet.silhouette import silhouette
from maqueta.task.exercise import Exercise
from tests.judging.set_scenes import DRAFTER, apart_projected
from tests.parts import seven_block

ASSEMBLIES = ("pedal", "shuttle", "puzzle-cube")


def task(**more: object) -> Exercise:
    return Exercise.model_validate({"shows": "pulled apart", **more})


@pytest.mark.parametrize("slug", ASSEMBLIES)
def test_a_student_begins_with_all_parts_together_and_a_list_without_rows(slug: str) -> None:
    whole = apart_projected(slug)
    sheet = starting_sheet(whole, task())
    assert [view.only for view in sheet.views] == [own.id for own in whole.part.components]
    assert len({view.at for view in sheet.views}) == 1
    assert sheet.parts_list is not None
    assert sheet.parts_list.rows == ()
    assert {look.only for look in starting_looks(whole, task())} == {view.only for view in sheet.views}
    assert model_looks(whole, task()) == starting_looks(whole, task())


def test_the_list_is_filled_in_or_left_away_as_the_exercise_says() -> None:
    whole = apart_projected("shuttle")
    filled = starting_sheet(whole, task(aids=["parts list"])).parts_list
    assert filled is not None
    assert [row.cells for row in filled.rows] == [
        ("1", "1", "Shuttle body", "boxwood"),
        ("2", "2", "Shuttle axle", "steel"),
        ("3", "4", "Shuttle wheel", "brass"),
    ]
    assert starting_sheet(whole, task(parts_list=False)).parts_list is None
    alone = starting_sheet(whole, task(shows="parts list", parts_list=False))
    assert (alone.views, alone.parts_list is not None) == ((), True)


def test_a_part_that_is_no_assembly_has_no_parts_to_begin_with() -> None:
    with pytest.raises(ToldError, match="no assembly"):
        starting_sheet(seven_block(), task())


@pytest.mark.parametrize("slug", ASSEMBLIES)
@pytest.mark.parametrize(("paper", "scale"), [("A3", None), ("A2", "1:1"), ("A4", None)])
def test_parts_of_a_model_answer_are_clear_of_each_other(slug: str, paper: str, scale: str | None) -> None:
    """By the areas they cover, as a geometry library has them; whatever paper and scale are asked for."""
    whole = apart_projected(slug)
    sheet = model_sheet(whole, task(paper=paper, scale=scale), DRAFTER)
    covers = {}
    for item in placed_views(whole, sheet):
        assert item.lines.box is not None
        covers[item.view.only] = (silhouette(item.lines.moved(item.move)), item)
    for (first, _), (second, _) in itertools.combinations(covers.values(), 2):
        assert first.intersection(second).area < 1e-6
    assert len(sheet.balloons) == len({(own.part, own.material) for own in whole.part.components})
    for balloon, other in itertools.combinations(sheet.balloons, 2):
        apart = ((balloon.at[0] - other.at[0]) ** 2 + (balloon.at[1] - other.at[1]) ** 2) ** 0.5
        assert apart >= balloon.radius + other.radius
