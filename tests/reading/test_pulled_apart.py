"""Pulled-apart sheets from elsewhere: parts, balloons and lists are found however they are drawn; mistakes survive."""

import io
import random
from collections.abc import Callable
from functools import cache
from typing import Any

import ezdxf
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from maqueta.drawing.dxf import dxf
from maqueta.drawing.pdf import pdf
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.drawing.svg import svg
from maqueta.geometry.carrier import Similarity
from maqueta.geometry.compare import DrawnPiece
from maqueta.judging.report import Check, check, finding_json
from maqueta.making.model_sheet import model_sheet
from maqueta.reading.delivered import read_delivered
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.parts.places import find_parts
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.placed import placed_views
from maqueta.sheet.view import MOST_LINES
from maqueta.task.exercise import Exercise
from tests.judging.set_scenes import DRAFTER, apart_projected
from tests.reading.parts_writer import HANDS, Hand, write_parts

TASK = Exercise.model_validate({"shows": "pulled apart"})
ASSEMBLIES = ("pedal", "shuttle", "puzzle-cube")


@cache
def faultless(slug: str) -> SheetDocument:
    return model_sheet(apart_projected(slug), TASK, DRAFTER)


def own_file(slug: str, sheet: SheetDocument, kind: str) -> bytes:
    groups, paper = sheet_ink(apart_projected(slug), sheet), sheet.paper.layout
    if kind == "dxf":
        return dxf(groups, {})
    return pdf(groups, paper, "sheet") if kind == "pdf" else svg(groups, paper, "sheet").encode()


def checked(slug: str, data: bytes) -> Check:
    whole = apart_projected(slug)
    return check(whole, TASK, read_delivered(data, whole, TASK).document)


def about_parts(found: Check) -> list[str]:
    return [finding_json(own)["message"] for own in found.findings if own.rule.startswith("assembly.")]


@pytest.mark.parametrize("kind", ["dxf", "pdf", "svg"])
@pytest.mark.parametrize("slug", ASSEMBLIES)
def test_a_right_sheet_comes_back_right(slug: str, kind: str) -> None:
    found = checked(slug, own_file(slug, faultless(slug), kind))
    assert [own.rule for own in found.findings] == []
    sheet, true = found.survey.sheet, faultless(slug)
    assert {view.only for view in sheet.views} == {view.only for view in true.views}
    assert {own.number for own in sheet.balloons} == {own.number for own in true.balloons}
    assert sheet.parts_list is not None
    assert true.parts_list is not None
    assert [row.cells for row in sheet.parts_list.rows] == [row.cells for row in true.parts_list.rows]


@pytest.mark.parametrize("hand", HANDS, ids=["layers", "one layer, Spanish", "German, upwards"])
@pytest.mark.parametrize("slug", ASSEMBLIES)
def test_sheets_of_other_programs_are_read_as_well(slug: str, hand: Hand) -> None:
    found = checked(slug, write_parts(apart_projected(slug), faultless(slug), hand))
    assert about_parts(found) == []
    sheet = found.survey.sheet
    assert sorted(own.number for own in sheet.balloons) == sorted(own.number for own in faultless(slug).balloons)
    assert sheet.parts_list is not None
    rows = [row.cells for row in sheet.parts_list.rows]
    true = faultless(slug).parts_list
    assert true is not None
    assert sorted(rows) == sorted(row.cells for row in true.rows)


def without_a_view(sheet: SheetDocument) -> SheetDocument:
    kept = tuple(own for own in sheet.balloons if own.number != str(len(sheet.views)))
    return sheet.model_copy(update={"views": sheet.views[:-1], "balloons": kept, "trails": ()})


def aside(sheet: SheetDocument) -> SheetDocument:
    own = sheet.views[-1]
    views = (*sheet.views[:-1], own.model_copy(update={"at": (own.at[0] + 4.0, own.at[1] - 16.0)}))
    return sheet.model_copy(update={"views": views, "balloons": sheet.balloons[:-1]})


def numbers_changed(sheet: SheetDocument) -> SheetDocument:
    first, second, *others = sheet.balloons
    changed = [
        first.model_copy(update={"number": second.number}),
        second.model_copy(update={"number": first.number}),
    ]
    return sheet.model_copy(update={"balloons": (*changed, *others)})


def one_row_less(sheet: SheetDocument) -> SheetDocument:
    assert sheet.parts_list is not None
    rows = sheet.parts_list.rows[:-1]
    return sheet.model_copy(update={"parts_list": sheet.parts_list.model_copy(update={"rows": rows})})


@pytest.mark.parametrize("hand", [None, *HANDS[:2]], ids=["own", "layers", "one layer"])
@pytest.mark.parametrize(
    ("mistake", "told"),
    [
        (without_a_view, ["Pedal pin is shown nowhere."]),
        (aside, ["Pedal pin is pulled", "Pedal pin has no balloon."]),
        (numbers_changed, ["Balloon 2 points at Pedal fork", "Balloon 1 points at Pedal lever"]),
        (one_row_less, ["Pedal pin is not in the parts list."]),
    ],
)
def test_a_mistake_is_still_one_when_it_has_been_read(
    mistake: Callable[[SheetDocument], SheetDocument], told: list[str], hand: Hand | None
) -> None:
    wrong = mistake(faultless("pedal"))
    data = own_file("pedal", wrong, "dxf") if hand is None else write_parts(apart_projected("pedal"), wrong, hand)
    said = about_parts(checked("pedal", data))
    assert len(said) == len(told)
    for own, start in zip(sorted(said), sorted(told), strict=True):
        assert own.startswith(start)


@settings(max_examples=12, deadline=None)
@given(st.sampled_from(ASSEMBLIES), st.randoms(use_true_random=False), st.sampled_from([0.5, 1.0, 2.0]))
def test_parts_are_found_in_any_order_of_lines_and_at_any_likely_scale(
    slug: str, order: random.Random, larger: float
) -> None:
    whole, sheet = apart_projected(slug), faultless(slug)
    views = tuple(
        view.model_copy(update={"at": (larger * view.at[0], larger * view.at[1]), "scale": larger * view.scale})
        for view in sheet.views
    )
    placed = placed_views(whole, sheet.model_copy(update={"views": views}))
    group = [DrawnPiece(piece.moved(item.move)) for item in placed for piece in item.lines.of("visible")]
    order.shuffle(group)
    found = find_parts(whole, group, [larger * sheet.views[0].scale, 1.0], 0.3)
    assert found is not None
    assert found.lines >= 0.95 * len(group)
    true = {view.only: view.at for view in views}
    for own in found.places:
        assert own.at == pytest.approx(true[own.component.id], abs=0.3)


def test_a_sheet_without_parts_is_read_and_says_so() -> None:
    bare = faultless("pedal").model_copy(update={"views": (), "trails": (), "balloons": ()})
    said = about_parts(checked("pedal", own_file("pedal", bare, "dxf")))
    assert sorted(said) == [f"Pedal {name} is shown nowhere." for name in ("bush", "fork", "lever", "pin")]


def test_something_strange_among_the_parts_is_told_and_spoils_none_of_them() -> None:
    """The body of a shuttle below the parts of a pedal."""
    body = placed_views(apart_projected("shuttle"), faultless("shuttle"))[0]
    lines = [piece.moved(body.move).moved(Similarity(1.0, 0.0, 20.0, -95.0)) for piece in body.lines.of("visible")]
    data = write_parts(apart_projected("pedal"), faultless("pedal"), HANDS[0], lines)
    [said] = about_parts(checked("pedal", data))
    assert said.endswith("are no part of the assembly.")


def scribble(count: int, step: float, away: float = 0.0) -> bytes:
    """A drawing of short lines any way in rows, `step` mm from one to the next, and a name on it."""
    document: Any = ezdxf.new("R2010")
    document.header["$INSUNITS"] = 4
    space = document.modelspace()
    space.add_text("PEDAL", height=5).set_placement((0.0, -20.0))
    for number in range(count):
        x, y = step * (number % 90) + away * (number == 0), step * (number // 90)
        space.add_line((x, y), (x + 1.0, y + 0.2 * (7 * number % 11) - 1.0))
    stream = io.StringIO()
    document.write(stream)
    return stream.getvalue().encode()


@pytest.mark.parametrize("task", [TASK, Exercise.model_validate({"shows": "parts list"})], ids=["apart", "list"])
@pytest.mark.parametrize(("lines", "away"), [(0, 0.0), (40, 1e7)], ids=["words alone", "kilometres long"])
def test_what_is_no_sheet_is_refused_in_words(lines: int, away: float, task: Exercise) -> None:
    with pytest.raises(UnreadableSheetError):
        read_delivered(scribble(lines, 3.0, away), apart_projected("pedal"), task)


def test_lines_that_are_no_part_of_anything_are_told() -> None:
    read = read_delivered(scribble(200, 3.0), apart_projected("pedal"), TASK)
    assert [(what.kind, what.values["count"]) for what in read.not_read] == [("unread-aside", 200)]


def test_more_lines_than_a_sheet_may_have_are_told_and_the_rest_is_read() -> None:
    read = read_delivered(scribble(MOST_LINES + 300, 1.0), apart_projected("pedal"), TASK)
    assert sum(len(view.lines or ()) for view in read.document.views) == MOST_LINES
    assert "unread-too-many-lines" in [what.kind for what in read.not_read]
