"""Assemblies pulled apart: ways, balloons and parts lists; right ones are right, and each mistake is told."""

import math
from collections.abc import Callable
from functools import cache

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from maqueta.judging.report import Check, check, finding_json
from maqueta.making.model_sheet import model_sheet
from maqueta.sheet.assembly_items import Balloon, ListRow
from maqueta.sheet.document import SheetDocument
from maqueta.task.exercise import Exercise
from tests.judging.set_scenes import DRAFTER, apart_projected, drawn_as

TASK = Exercise.model_validate({"shows": "pulled apart", "title_fields": ["title"]})
ASSEMBLIES = ("pedal", "shuttle", "puzzle-cube")


@cache
def faultless(slug: str) -> SheetDocument:
    """Where the shuttle has two of a kind one number names both."""
    return model_sheet(apart_projected(slug), TASK, DRAFTER)


def found(slug: str, sheet: SheetDocument) -> Check:
    return check(apart_projected(slug), TASK, sheet)


def told(slug: str, sheet: SheetDocument) -> list[tuple[str, str]]:
    return [(own.rule, own.variant) for own in found(slug, sheet).findings]


def messages(slug: str, sheet: SheetDocument) -> list[str]:
    return [finding_json(own)["message"] for own in found(slug, sheet).findings]


@pytest.mark.parametrize("slug", ASSEMBLIES)
def test_parts_pulled_apart_by_rule_are_right_drawn_by_the_program_and_by_hand(slug: str) -> None:
    for sheet in (faultless(slug), drawn_as(faultless(slug), apart_projected(slug))):
        result = found(slug, sheet)
        assert [own.rule for own in result.findings] == []
        points = {criterion: own for criterion, own in result.points().items() if own.of}
        assert {criterion: (own.outcome, own.points) for criterion, own in points.items()} == {
            "layout": ("met", 3),
            "title": ("met", 3),
            "assembly": ("met", 12),
        }


@pytest.mark.parametrize("slug", ASSEMBLIES)
def test_the_list_alone_is_right(slug: str) -> None:
    task = Exercise.model_validate({"shows": "parts list"})
    sheet = model_sheet(apart_projected(slug), task, DRAFTER)
    assert sheet.views == ()
    assert check(apart_projected(slug), task, sheet).findings == ()


def moved(sheet: SheetDocument, component: str, x: float, y: float) -> SheetDocument:
    """A part elsewhere on the paper, and its balloon with it."""
    views = tuple(
        view.model_copy(update={"at": (view.at[0] + x, view.at[1] + y)}) if view.only == component else view
        for view in sheet.views
    )
    return sheet.model_copy(update={"views": views, "balloons": ()})


def without_balloons(rules: list[tuple[str, str]]) -> list[tuple[str, str]]:
    return [own for own in rules if own[0] != "assembly.balloon"]


@pytest.mark.parametrize(("along", "right"), [(30.0, True), (-60.0, False)])
def test_how_far_a_part_is_pulled_is_free_as_long_as_it_is_clear_and_in_order(along: float, right: bool) -> None:
    """The pin of the pedal comes out to the front, along an axis that is seen at 30° (ISO 5456-3)."""
    pulled = moved(faultless("pedal"), "pin", -along * math.cos(math.pi / 6), -along * math.sin(math.pi / 6))
    assert (without_balloons(told("pedal", pulled)) == []) is right


def test_a_part_off_its_way_is_told_with_its_angle() -> None:
    pulled = moved(faultless("pedal"), "pin", -6.0, 12.0)
    assert ("assembly.apart", "off") in told("pedal", pulled)
    [own] = [own for own in found("pedal", pulled).findings if own.variant == "off"]
    assert own.parameters["name"] == "Pedal pin"
    assert float(str(own.parameters["degrees"])) > 3


def test_two_parts_that_change_places_are_out_of_order() -> None:
    views = {view.only: view for view in faultless("pedal").views}
    swap = {"pin": views["bush"].at, "bush": views["pin"].at}
    sheet = faultless("pedal").model_copy(
        update={
            "views": tuple(
                view.model_copy(update={"at": swap[view.only]}) if view.only in swap else view
                for view in faultless("pedal").views
            ),
            "balloons": (),
        }
    )
    assert "Pedal bush stands farther out than Pedal pin, which comes out before it." in messages("pedal", sheet)


def test_parts_over_each_other_are_told_once() -> None:
    views = {view.only: view for view in faultless("shuttle").views}
    x, y = (a - b for a, b in zip(views["body"].at, views["left-axle"].at, strict=True))
    rules = without_balloons(told("shuttle", moved(faultless("shuttle"), "left-axle", 0.9 * x, 0.9 * y)))
    assert rules == [("assembly.apart", "overlapping")]


@pytest.mark.parametrize("component", ["fork", "lever", "bush", "pin"])
def test_a_part_that_is_nowhere_is_named(component: str) -> None:
    views = tuple(view for view in faultless("pedal").views if view.only != component)
    rules = told("pedal", faultless("pedal").model_copy(update={"views": views, "balloons": ()}))
    assert rules.count(("assembly.part", "")) == 1


def with_balloons(slug: str, change: Callable[[list[Balloon]], list[Balloon]]) -> SheetDocument:
    return faultless(slug).model_copy(update={"balloons": tuple(change(list(faultless(slug).balloons)))})


def renamed(balloon: Balloon, **update: object) -> Balloon:
    return balloon.model_copy(update=update)


@pytest.mark.parametrize(
    ("change", "expected"),
    [
        (lambda own: own[1:], "Pedal fork has no balloon."),
        (lambda own: [*own, renamed(own[0], id="more", number="9")], "Pedal fork has the numbers 1 and 9."),
        (
            lambda own: [renamed(own[0], number="2"), renamed(own[1], number="1"), *own[2:]],
            "Balloon 2 points at Pedal fork; the list has Pedal lever under this number.",
        ),
        (lambda own: [renamed(own[0], number="7"), *own[1:]], "Pedal fork has number 1 in the parts list"),
        (lambda own: [renamed(own[0], number="3"), *own[1:]], "Number 3 points at Pedal fork and Pedal bush."),
        (lambda own: [*own, renamed(own[0], id="more", tip=(60.0, 60.0))], "Balloon 1 points at no part."),
        (lambda own: [*own, renamed(own[0], id="more", tip=None)], "Balloon 1 points at no part."),
    ],
)
def test_balloons_that_name_nothing_or_something_else(
    change: Callable[[list[Balloon]], list[Balloon]], expected: str
) -> None:
    said = messages("pedal", with_balloons("pedal", change))
    assert [own for own in said if own.startswith(expected)]


def test_a_balloon_for_each_of_two_that_are_alike_is_right() -> None:
    def one_more(own: list[Balloon]) -> list[Balloon]:
        wheel = next(view for view in faultless("shuttle").views if view.only == "far-right")
        covers = found("shuttle", faultless("shuttle")).survey.by_id[wheel.id].box
        return [*own, renamed(own[2], id="more", tip=((covers[0] + covers[2]) / 2, covers[1] + 1.0))]

    assert told("shuttle", with_balloons("shuttle", one_more)) == []


def with_rows(change: Callable[[list[ListRow]], list[ListRow]]) -> SheetDocument:
    listed = faultless("shuttle").parts_list
    assert listed is not None
    rows = tuple(change(list(listed.rows)))
    return faultless("shuttle").model_copy(update={"parts_list": listed.model_copy(update={"rows": rows})})


@pytest.mark.parametrize(
    ("change", "expected"),
    [
        (lambda rows: rows[:2], ["Shuttle wheel is not in the parts list."]),
        (
            lambda rows: [*rows, ListRow(number="4", quantity="1", name="Cord")],
            ["“Cord” in the parts list is no part of the assembly."],
        ),
        (
            lambda rows: [*rows[:2], rows[2].model_copy(update={"quantity": "2"})],
            ["The parts list says 2 of Shuttle wheel; the assembly has 4."],
        ),
        (
            lambda rows: [*rows[:2], rows[2].model_copy(update={"name": "Roller"})],
            ["Number 3 is “Roller” in the parts list; it is Shuttle wheel."],
        ),
        (
            lambda rows: [*rows[:2], rows[2].model_copy(update={"material": "oak"})],
            ["The parts list says “oak” for Shuttle wheel; it is of brass."],
        ),
        (lambda rows: [*rows[:2], rows[2].model_copy(update={"name": "SHUTTLE  WHEEL"})], []),
        (lambda rows: [*rows[:2], rows[2].model_copy(update={"name": "Shutle wheel", "quantity": "4 pcs"})], []),
        (lambda rows: [row.model_copy(update={"material": ""}) for row in rows], []),
        (lambda rows: rows[::-1], []),
    ],
)
def test_parts_lists_are_held_against_the_assembly(
    change: Callable[[list[ListRow]], list[ListRow]], expected: list[str]
) -> None:
    assert messages("shuttle", with_rows(change)) == expected


def test_a_list_that_is_asked_for_and_one_that_stands_elsewhere() -> None:
    bare = faultless("pedal").model_copy(update={"parts_list": None})
    assert told("pedal", bare) == [("assembly.list", "missing")]
    elsewhere = TASK.model_copy(update={"parts_list": False})
    assert check(apart_projected("pedal"), elsewhere, bare).findings == ()


@settings(max_examples=25, deadline=None)
@given(st.permutations(["5", "6", "7", "8"]), st.permutations(range(4)))
def test_which_numbers_are_chosen_and_in_which_order_all_comes_says_nothing(
    numbers: list[str], order: list[int]
) -> None:
    """Any numbers will do as long as balloons and list agree."""
    sheet = faultless("pedal")
    assert sheet.parts_list is not None
    new = {str(old): number for old, number in enumerate(numbers, 1)}
    balloons = [own.model_copy(update={"number": new[own.number]}) for own in sheet.balloons]
    rows = [row.model_copy(update={"number": new[row.number]}) for row in sheet.parts_list.rows]
    shuffled = sheet.model_copy(
        update={
            "balloons": tuple(balloons[place] for place in order),
            "views": tuple(sheet.views[place] for place in order),
            "parts_list": sheet.parts_list.model_copy(update={"rows": tuple(rows[place] for place in order)}),
        }
    )
    assert told("pedal", shuffled) == []


def test_what_reaches_beyond_the_border_is_called_by_its_name() -> None:
    outside = moved(faultless("pedal"), "pin", -95.0, -54.85)
    said = [finding_json(own)["message"] for own in found("pedal", outside).findings if own.rule == "layout.outside"]
    assert len(said) == 1
    assert said[0].startswith("Pedal pin reaches")
