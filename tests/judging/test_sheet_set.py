"""Sets of sheets: all there, each once, in order, named, numbered, uniform; sizes read over all sheets of a part."""

from itertools import permutations

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from maqueta.judging.answered import answered
from maqueta.judging.report import finding_json
from maqueta.judging.set_survey import SheetIn
from maqueta.judging.sheet_set import set_report
from maqueta.sheet.document import SheetDocument
from tests.judging.set_scenes import (
    asked,
    came,
    checked,
    pedal_part,
    right_pedal,
    right_sheets,
    rules,
    usual_set,
    written,
)

TASK = usual_set()


def test_a_right_set_has_no_finding_and_all_its_parts_are_determined() -> None:
    found = checked(TASK, came(right_pedal()))
    assert [own for own in rules(found) if own[1] != "views.repeated"] == []
    told = set_report(found)
    assert [(own["name"], own["sheets"], own["determined"]) for own in told["parts"]] == [
        ("Pedal fork", [2], True),
        ("Pedal lever", [3], True),
        ("Pedal pin", [4], True),
    ]
    assert told["criteria"]["set"] == {"outcome": "met", "points": 6.0, "of": 6.0}


@pytest.mark.parametrize("gone", range(4))
def test_each_sheet_that_is_missing_is_named(gone: int) -> None:
    """With one sheet missing its neighbours may count those asked for or those that came."""
    kept = [place for place in range(4) if place != gone]
    found = checked(TASK, came([right_pedal()[place] for place in kept], kept))
    assert [own for own in rules(found) if own[1].startswith("set.")] == [(None, "set.missing", "")]
    [(_, finding)] = found.findings
    assert finding.parameters["number"] == gone + 1
    renumbered = [written(right_pedal()[place], sheet=f"{at} of 3") for at, place in enumerate(kept, 1)]
    assert {own[1] for own in rules(checked(TASK, came(renumbered, kept))) if own[1].startswith("set.")} == {
        "set.missing"
    }


@pytest.mark.parametrize("order", [order for order in permutations(range(4)) if order != (0, 1, 2, 3)][::5])
def test_sheets_in_another_order_are_one_finding(order: tuple[int, ...]) -> None:
    found = checked(TASK, came([right_pedal()[place] for place in order], order))
    assert [own for own in rules(found) if own[1].startswith("set.")] == [(None, "set.order", "")]
    assert found.findings[0][1].parameters["came"] == tuple(str(place + 1) for place in order)


def test_a_sheet_that_comes_twice_and_one_that_nobody_asked_for() -> None:
    strange = written(SheetDocument(), title="LOOM BENCH", sheet="5 / 5")
    found = checked(TASK, came([*right_pedal(), right_pedal()[2], strange], [0, 1, 2, 3, 2, None]))
    assert [own for own in rules(found) if own[1] == "set.order"] == [
        (5, "set.order", "twice"),
        (6, "set.order", "strange"),
    ]
    said = [finding_json(own)["message"] for _, own in found.findings if own.rule == "set.order"]
    assert said == [
        "This is “Pedal lever” again, which sheet 3 is already.",
        "“LOOM BENCH” is none of the sheets that are asked for.",
    ]
    assert set_report(found)["sheets"][5]["entry"] is None


@pytest.mark.parametrize(
    ("text", "variant"),
    [
        ("3 / 4", None),
        ("3/4", None),
        ("Sheet 3 of 4", None),
        ("lámina 3 de 4", None),
        ("3", "alone"),
        ("", "missing"),
        ("2 / 4", "contradicts"),
        ("3 / 7", "contradicts"),
        ("9", "contradicts"),
    ],
)
def test_the_number_of_a_sheet(text: str, variant: str | None) -> None:
    sheets = [*right_pedal()[:2], written(right_pedal()[2], sheet=text), right_pedal()[3]]
    found = [own for own in rules(checked(TASK, came(sheets))) if own[1].startswith("set.")]
    assert found == ([] if variant is None else [(3, "set.number", variant)])


def test_a_title_may_say_more_but_not_something_else() -> None:
    more = [*right_pedal()[:3], written(right_pedal()[3], title="PEDAL PIN, STEEL")]
    named = [written(right_pedal()[0], title="PEDAL ASSEMBLY"), *right_pedal()[1:]]
    assert not [own for own in rules(checked(TASK, came(named))) if own[1] == "set.name"], "the whole by its name"
    other = [*right_pedal()[:3], written(right_pedal()[3], title="BOLT")]
    assert not [own for own in rules(checked(TASK, came(more))) if own[1] == "set.name"]
    assert [own for own in rules(checked(TASK, came(other))) if own[1] == "set.name"] == [(4, "set.name", "title")]


def test_files_are_named_by_the_pattern_one_by_one_or_for_all_their_pages() -> None:
    task = asked({"shows": "six sides", "title": "Six sides"}, {"of": "Pedal pin"}, sheet_name="{class} {title}")
    sheets = [
        own.model_copy(update={"name": None})
        for own in (right_pedal()[0], written(right_pedal()[3], title="PEDAL PIN"))
    ]
    one_by_one = [
        SheetIn("evening-2_six-sides.dxf", 1, 1, sheets[0].model_copy(update={"name": "evening-2_six-sides"}), 0),
        SheetIn("pin.dxf", 1, 1, sheets[1].model_copy(update={"name": "pin"}), 1),
    ]
    assert [own for own in rules(checked(task, one_by_one)) if "name" in own[1]] == [(2, "set.name", "")]
    pages = [
        SheetIn("a.pdf", page, 2, own.model_copy(update={"name": "Evening 2 - Pedal"}), page - 1)
        for page, own in enumerate(sheets, 1)
    ]
    assert not [own for own in rules(checked(task, pages)) if "name" in own[1]]


@pytest.mark.parametrize(
    "fields",
    [
        {"title": "?", "sheet": "?", "drafter": "?"},
        {"title": "PEDAI PIN", "sheet": "4 | 4", "drafter": "A TESTFR"},
        {"drafter": "Anna Tester"},
    ],
)
def test_what_a_scan_does_not_show_plainly_is_no_mistake(fields: dict[str, str]) -> None:
    """Fields that could not be read, and letters taken for others: the sheet may well be right."""
    sheets = [*right_pedal()[:3], written(right_pedal()[3], **fields)]
    assert [own for own in rules(checked(TASK, came(sheets))) if own[1].startswith("set.")] == []


def test_points_of_the_set_are_those_of_all_sheets_together_and_of_no_single_one() -> None:
    task = asked({"of": "Pedal lever"}, {"of": "Pedal pin"}, points={"set": 9.0})
    found = checked(task, came([right_pedal()[2], right_pedal()[3]]))
    told = set_report(found)
    assert told["criteria"]["set"]["of"] == 9.0
    assert [own["criteria"].get("set", {"of": 0.0})["of"] for own in told["sheets"]] == [0.0, 0.0]


@pytest.mark.parametrize(
    ("fields", "variant"),
    [({"unit": "INCHES"}, "units"), ({"drafter": "B. Other"}, "drafter")],
)
def test_one_sheet_unlike_the_others_is_told(fields: dict[str, str], variant: str) -> None:
    sheets = [*right_pedal()[:3], written(right_pedal()[3], **fields)]
    assert [own for own in rules(checked(TASK, came(sheets))) if own[1] == "set.uniform"] == [
        (4, "set.uniform", variant)
    ]


def test_one_sheet_in_the_other_angle_is_told_although_its_symbol_says_nothing() -> None:
    first = asked(*({"of": own.of, "title": own.title} for own in TASK.sheets[1:]), angle="first")
    sheets = [*right_pedal()[1:3], right_sheets(first)[2]]
    task = asked(*({"of": own.of, "title": own.title} for own in TASK.sheets[1:]))
    assert (3, "set.uniform", "angle") in rules(checked(task, came(sheets)))


LEVER = pedal_part("pedal-lever").part.name
TWO = asked({"of": LEVER, "title": "Lever"}, {"of": LEVER, "title": "Lever again"})


def halves(shared: int = 0) -> list[SheetDocument]:
    """A part on two sheets with its sizes dealt out between them, some of them on both."""
    whole = right_sheets(TWO)[0]
    sizes = whole.dimensions
    middle = len(sizes) // 2
    first = whole.model_copy(update={"dimensions": sizes[: middle + shared]})
    return [first, whole.model_copy(update={"dimensions": sizes[middle:]})]


def about_sizes(sheets: list[SheetDocument]) -> list[tuple[int | None, str, str]]:
    found = rules(checked(TWO, came(sheets)))
    told = ("dimensions.undetermined", "dimensions.overall", "dimensions.redundant", "dimensions.repeated")
    return [own for own in found if own[1] in told]


def test_sizes_of_one_part_are_read_over_all_its_sheets() -> None:
    assert about_sizes(halves()) == []
    [part] = set_report(checked(TWO, came(halves())))["parts"]
    assert (part["sheets"], part["determined"]) == ([1, 2], True)


def test_a_size_that_is_on_no_sheet_is_missing_once() -> None:
    first, second = halves()
    less = second.model_copy(update={"dimensions": second.dimensions[:-1]})
    found = about_sizes([first, less])
    assert {(number, rule) for number, rule, _ in found} <= {
        (1, "dimensions.undetermined"),
        (1, "dimensions.overall"),
    }
    assert sum(rule == "dimensions.undetermined" for _, rule, _ in found) == 1
    assert set_report(checked(TWO, came([first, less])))["parts"][0]["determined"] is False


def test_a_size_that_is_on_two_sheets_is_surplus_on_the_later() -> None:
    assert about_sizes(halves(shared=1)) == [(2, "dimensions.repeated", "")]


@settings(max_examples=60, deadline=None)
@given(st.integers(2, 6).flatmap(lambda n: st.tuples(st.just(n), st.permutations(range(n)))))
def test_sheets_are_told_by_their_lines_whatever_their_order(drawn: tuple[int, list[int]]) -> None:
    """Every sheet is 0.9 like one part and at most 0.7 like any other: each is that one, whatever their order."""
    number, order = drawn
    task = asked(*({"of": f"part {place}"} for place in range(number)))
    noise = np.random.default_rng(number).uniform(0, 0.7, (number, number))
    alike = np.where(np.eye(number, dtype=bool), 0.9, noise)
    found = answered(task, [()] * number, lambda place, entry: float(alike[order[place], entry]))
    assert list(found) == order


def test_a_sheet_is_taken_at_its_word_where_its_lines_agree_and_no_other_is_tried() -> None:
    task = asked({"of": "Lever"}, {"of": "Fork"}, {"of": "Pin"})
    tried: list[tuple[int, int]] = []

    def like(place: int, entry: int) -> float:
        tried.append((place, entry))
        return 0.95

    assert answered(task, [["PIN"], ["Drawn by", "lever, oak"], ["FORK"]], like) == (2, 0, 1)
    assert {(0, 2), (2, 1)} <= set(tried)
    assert (0, 0) not in tried


def test_a_wrong_title_does_not_make_a_sheet_another_part() -> None:
    task = asked({"of": "Lever"}, {"of": "Fork"})
    alike = [[0.1, 0.95], [0.9, 0.1]]
    assert answered(task, [["LEVER"], ["LEVER"]], lambda place, entry: alike[place][entry]) == (1, 0)


def test_the_same_sheet_twice_is_the_same_sheet_twice() -> None:
    task = asked({"of": "Lever"}, {"of": "Fork"})
    alike = [0.95, 0.45]
    assert answered(task, [(), ()], lambda _, entry: alike[entry]) == (0, 0)


def test_what_is_like_nothing_and_called_nothing_is_no_sheet_of_the_set() -> None:
    task = asked({"of": "Lever"}, {"of": "Fork"})
    assert answered(task, [["LEVER"], ["Something"]], lambda place, _: 0.9 if place == 0 else 0.2) == (0, None)


def test_documents_without_telling_lines_are_told_by_their_names_and_their_order() -> None:
    task = asked({"of": "Lever"}, {"of": "Fork"}, {"of": "Pin"})
    assert answered(task, [["fork"], [], ["lever"]], lambda *_: None) == (1, 2, 0)


APART = asked({"shows": "pulled apart", "title": "Apart"}, {"shows": "parts list", "title": "List"})


@pytest.mark.parametrize(
    ("numbers", "told"),
    [
        (("1", "2", "3", "4"), []),
        (
            ("1", "2", "4", "3"),
            ["Balloon 3 points at Pedal bush; the list has Pedal pin", "Balloon 4 points at Pedal pin"],
        ),
        (("1", "2", "3", "7"), ["Pedal pin has number 7 in the parts list, and a balloon with 4."]),
    ],
)
def test_a_list_on_a_sheet_of_its_own_has_the_numbers_of_the_balloons(
    numbers: tuple[str, ...], told: list[str]
) -> None:
    apart, listing = right_sheets(APART)
    assert listing.parts_list is not None
    rows = [row.model_copy(update={"number": own}) for row, own in zip(listing.parts_list.rows, numbers, strict=True)]
    changed = listing.model_copy(update={"parts_list": listing.parts_list.model_copy(update={"rows": tuple(rows)})})
    found = checked(APART, came([apart, changed]))
    said = [(place, finding_json(own)["message"]) for place, own in found.findings]
    assert [place for place, _ in said] == [1] * len(told)
    for (_, own), start in zip(said, told, strict=True):
        assert own.startswith(start)
