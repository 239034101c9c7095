"""A view square to a slope: drawn, placed, measured and compared as any other, by its frame alone."""

import io
import math
from functools import cache
from typing import Any

import ezdxf
import pytest

from maqueta.drawing.dxf import dxf
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.drawing.sheet_sizes import sheet_sizes
from maqueta.geometry.box import meet
from maqueta.geometry.line_set import LineSet
from maqueta.judging.dimension_survey import DimensionSurvey
from maqueta.judging.finding import Finding
from maqueta.judging.report import check, report
from maqueta.judging.survey import Survey
from maqueta.phrases.phrase import phrase
from maqueta.projection.attitude import Attitude
from maqueta.projection.look import Look
from maqueta.projection.project import drawn, project
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.dimension import Dimension, LinearDimension
from maqueta.sheet.document import CentreLine, SheetDocument
from maqueta.sheet.drafted import Pen, drafted_of
from maqueta.sheet.view import Aslant, View, square
from maqueta.sheet.view_graph import folded
from maqueta.sizes.centre_marks import proposed_marks
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part
from maqueta.study.readers_eye import readers_eye
from maqueta.task.exercise import Exercise
from tests.parts import hole, made

#: A bracket with a slope from (60, 12) to (20, 40): 40 across, 28 up, 48.83 long; a hole goes up through the block.
PROFILE = [[0, 0], [60, 0], [60, 12], [20, 40], [0, 40]]
LONG = math.hypot(40, 28)
#: Square to the slope, in the plane of the front view.
AHEAD = (28 / LONG, 40 / LONG)
FRONT = View(id="v1", look=square(Attitude("-y", "+z")), at=(60, 60))
LOOK = folded(Attitude("-y", "+z").look, AHEAD)
TASK: dict[str, Any] = {"centre_lines": False, "dimensioning": {"required": False}}


def aslant(off: float = 100.0, aside: float = 0.0, front: View = FRONT, **more: Any) -> View:
    """The auxiliary view, so far out from the front and so far along the folding line."""
    x, y = front.at
    at = (x + off * AHEAD[0] - aside * AHEAD[1], y + off * AHEAD[1] + aside * AHEAD[0])
    return View(id="v2", kind="auxiliary", look=Aslant(frame=LOOK.frame), parent="v1", at=at, **more)


@cache
def solid() -> tuple[Shape, Part]:
    return made({"kind": "extrude", "plane": "xz", "profile": PROFILE, "depth": 30}, hole((10, 15, 40), "-z", 8))


@pytest.fixture(scope="module")
def part() -> ProjectedPart:
    return project(*solid()).with_looks(drawn(*solid(), [LOOK]))


def sheet(*views: View, dimensions: tuple[Dimension, ...] = ()) -> SheetDocument:
    return SheetDocument.model_validate(SheetDocument(views=views, dimensions=dimensions).model_dump())


def found(part: ProjectedPart, document: SheetDocument, **task: Any) -> list[Finding]:
    return [f for f in check(part, Exercise.model_validate({**TASK, **task}), document).findings if "v2" in f.views]


def test_in_line_across_the_folding_line_nothing_is_wrong(part: ProjectedPart) -> None:
    assert found(part, sheet(FRONT, aslant())) == []
    assert found(part, sheet(FRONT, aslant(off=140.0))) == []


@pytest.mark.parametrize(("aside", "way"), [(3.0, ("way-up", "way-left")), (-3.0, ("way-down", "way-right"))])
def test_out_of_line_says_how_far_and_which_way(part: ProjectedPart, aside: float, way: tuple[str, ...]) -> None:
    (finding,) = found(part, sheet(FRONT, aslant(aside=aside)))
    assert (finding.rule, finding.views) == ("auxiliary.fold", ("v2", "v1"))
    assert finding.parameters["offset"] == pytest.approx(3.0)
    assert finding.parameters["way"] == tuple(map(phrase, way))
    for start, end in finding.at:
        run = (end[0] - start[0], end[1] - start[1])
        assert run[0] * AHEAD[1] - run[1] * AHEAD[0] == pytest.approx(0, abs=1e-6), "the lines run across the fold"


def test_beyond_is_third_angle_and_before_is_first(part: ProjectedPart) -> None:
    high = FRONT.model_copy(update={"at": (200, 200)})
    before = sheet(high, aslant(off=-150.0, front=high))
    (finding,) = found(part, before, angle="third")
    assert finding.rule == "angle.arrangement"
    assert found(part, before, angle="first") == []
    (finding,) = found(part, sheet(FRONT, aslant()), angle="first")
    assert finding.rule == "angle.arrangement"


def along_slope(view: str, look: Look, text: str | None = None) -> LinearDimension:
    ends = (look.seen((60.0, 0.0, 12.0)), look.seen((20.0, 0.0, 40.0)))
    return LinearDimension(
        id=f"d-{view}", view=view, start=ends[0], end=ends[1], along="aligned", place=(0, 0), text=text
    )


def test_a_size_says_the_same_in_every_view_that_shows_it(part: ProjectedPart) -> None:
    assert FRONT.attitude is not None
    both = (along_slope("v1", FRONT.attitude.look), along_slope("v2", LOOK))
    document = sheet(FRONT, aslant(), dimensions=both)
    dimensions = DimensionSurvey(Survey(part, Exercise.model_validate(TASK), document))
    rows = [item.equations[0].row for item in dimensions.measured]
    assert rows[0]
    assert rows[0] == pytest.approx(rows[1])
    assert dimensions.text(both[1]) == "48.8"
    rules = {f.rule for f in check(part, Exercise(centre_lines=False), document).findings}
    assert "dimensions.repeated" in rules


def test_a_wrong_size_is_told_on_a_view_aslant(part: ProjectedPart) -> None:
    wrong = sheet(FRONT, aslant(), dimensions=(along_slope("v2", LOOK, "50"),))
    assert "dimensions.value" in {f.rule for f in found(part, wrong, dimensioning={"required": True})}
    right = sheet(FRONT, aslant(), dimensions=(along_slope("v2", LOOK, "48.8"),))
    assert "dimensions.value" not in {f.rule for f in found(part, right, dimensioning={"required": True})}


def by_hand(lines: LineSet, *kinds: Any) -> tuple[Any, ...]:
    pens = {"visible": Pen("visible"), "hidden": Pen("hidden")}
    return tuple(drafted_of(piece, pens[piece.kind]) for piece in lines.of(*kinds))


def test_lines_drawn_by_hand_are_judged_one_by_one(part: ProjectedPart) -> None:
    lines = part.line_set(LOOK)
    whole = aslant(lines=by_hand(lines, "visible", "hidden"))
    assert found(part, sheet(FRONT, whole)) == []
    assert found(part, sheet(FRONT, aslant(lines=by_hand(lines, "visible")))) == [], "hidden lines may be left out"
    lacking = aslant(lines=by_hand(lines, "visible")[1:])
    (finding,) = found(part, sheet(FRONT, lacking))
    assert finding.rule == "lines.missing-visible"
    assert finding.edges
    some = aslant(lines=(*by_hand(lines, "visible"), by_hand(lines, "hidden")[0]))
    assert {f.rule for f in found(part, sheet(FRONT, some))} == {"lines.missing-hidden"}, "some drawn, all wanted"


def test_axes_run_where_the_part_has_them(part: ProjectedPart) -> None:
    document = sheet(FRONT, aslant())
    survey = Survey(part, Exercise(dimensioning=Exercise.model_validate(TASK).dimensioning), document)
    (mark,) = [mark for mark in proposed_marks(part, survey.placed) if mark.view == "v2"]
    assert isinstance(mark, CentreLine)
    assert mark.start == pytest.approx(LOOK.seen((10.0, 15.0, 0.0)))
    assert mark.end == pytest.approx(LOOK.seen((10.0, 15.0, 40.0)))
    rules = {f.rule: f for f in check(part, survey.exercise, document).findings if f.views == ("v2",)}
    assert rules["lines.missing-centre"].parameters["count"] == 1
    marked = document.model_copy(update={"marks": (mark,)})
    assert not [f for f in check(part, survey.exercise, marked).findings if f.views == ("v2",)]


def test_what_is_open_moves_in_a_view_aslant_as_well(part: ProjectedPart) -> None:
    document = sheet(FRONT, aslant())
    dimensions = DimensionSurvey(Survey(part, Exercise(), document))
    moving = [size for size in readers_eye(dimensions).open if "v2" in size.lines]
    assert moving


def test_it_is_drawn_and_reported_as_what_it_is(part: ProjectedPart) -> None:
    document = sheet(FRONT, aslant(), dimensions=(along_slope("v2", LOOK),))
    groups = {group.id: group for group in sheet_ink(part, document)}
    assert len(groups["v2"].items) >= len(part.line_set(LOOK).of("visible"))
    data = dxf(sheet_ink(part, document), sheet_sizes(part, document))
    assert not ezdxf.read(io.StringIO(data.decode())).audit().errors
    told = report(check(part, Exercise.model_validate(TASK), document))["views"]
    assert [view["kind"] for view in told] == ["principal", "auxiliary"]
    assert (told[1]["name"], told[1]["parent"], told[1]["side"]) == ("auxiliary", "v1", None)
    assert told[1]["frame"][2] == pytest.approx([AHEAD[0], 0, AHEAD[1]], abs=1e-6)
    assert (told[0]["parent"], told[0]["frame"][2]) == (None, [0, -1, 0])


@pytest.mark.parametrize("digits", [6, 5])
def test_a_frame_written_with_few_digits_is_the_one_that_is_meant(part: ProjectedPart, digits: int) -> None:
    """As our own report writes it: it is put right, found again, and stands in line as before."""
    rows = tuple(tuple(round(x, digits) for x in row) for row in LOOK.frame)
    view = aslant(aside=3.0).model_copy(update={"look": Aslant.model_validate({"frame": rows})})
    known = part if digits == 6 else part.with_looks(drawn(*solid(), sheet(FRONT, view).looks_aslant))
    assert {f.rule for f in found(known, sheet(FRONT, view))} == {"auxiliary.fold"}


def test_slanted_views_overlap_where_their_lines_do_not_where_their_boxes_do(part: ProjectedPart) -> None:
    """Boxes of a view on a slope reach far beyond it: near its parent, a right sheet would be told wrong."""
    near = sheet(FRONT, aslant(off=62.0))
    first, second = (item.box for item in Survey(part, Exercise(), near).placed)
    assert meet(first, second), "the boxes do meet"
    assert "layout.overlap" not in {f.rule for f in found(part, near)}
    assert "layout.overlap" in {f.rule for f in found(part, sheet(FRONT, aslant(off=20.0)))}
