"""Which size, in which view, from which side, with which decimals and lettering (sources beside the rules)."""

import io
from typing import Any

import ezdxf
import pytest

from maqueta.drawing.dxf import dxf
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.drawing.sheet_sizes import sheet_sizes
from maqueta.judging.criteria.placement.lettering import LEAST_HEIGHT
from maqueta.judging.finding import Finding
from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, dimensioned, model_sheet
from maqueta.projection.attitude import usual
from maqueta.reading.delivered import expectation
from maqueta.reading.dxf.file import read_dxf
from maqueta.reading.sheet import read_sheet
from maqueta.sheet.dimension import Dimension, Lettering, LinearDimension
from maqueta.sheet.document import SheetDocument
from maqueta.sizes.proposal import Datum
from maqueta.task.exercise import Exercise
from tests.parts import block, hole, projected

#: A block with a hole down through it, 20 from the left and 15 from the front.
PART = projected(block((80, 40, 20)), hole((20, 15, 20), "-z", 10))


def task(**dimensioning: Any) -> Exercise:
    return Exercise.model_validate(
        {
            "views": ["front", "top"],
            "pictorial": "unwanted",
            "front": {"accept": [{"side": "-y", "up": "+z"}]},
            "dimensioning": dimensioning,
        }
    )


SHEET = model_sheet(PART, task(), Drafter("A. Tester", "Evening 2", "2026-11-25"))


def found(sheet: SheetDocument, asked: Exercise | None = None) -> list[Finding]:
    groups = ("dimensions.", "placement.lettering", "placement.reading")
    return [f for f in check(PART, asked or task(), sheet).findings if f.rule.startswith(groups)]


def told(sheet: SheetDocument, asked: Exercise | None = None) -> list[tuple[str, str]]:
    return [(f.rule, f.variant) for f in found(sheet, asked)]


def changed(**update: Any) -> SheetDocument:
    """The sheet with its hole's location across changed."""
    return SHEET.model_copy(update={"dimensions": tuple(_with(d, update) for d in SHEET.dimensions)})


def _is_across(dimension: Dimension) -> bool:
    return isinstance(dimension, LinearDimension) and dimension.along == "across" and dimension.end[0] == 20


def _with(dimension: Dimension, update: dict[str, Any]) -> Dimension:
    return dimension.model_copy(update=update) if _is_across(dimension) else dimension


def test_the_proposed_sheet_has_none_of_these() -> None:
    assert sum(map(_is_across, SHEET.dimensions)) == 1
    assert told(SHEET) == []


def test_a_hole_located_where_it_is_not_round() -> None:
    """From the front view's centre line, while the top view shows the circle."""
    beside = changed(view="v1", start=(0, 0), end=(20, 10))
    assert told(beside) == [("dimensions.contour", "")]
    assert found(beside)[0].views == ("v1",)


def test_where_no_view_shows_the_hole_round_any_will_do() -> None:
    front = task().model_copy(update={"views": ("front", "right")})
    sheet = model_sheet(PART, front, Drafter("A. Tester", "Evening 2", "2026-11-25"))
    assert "dimensions.contour" not in {f.rule for f in check(PART, front, sheet).findings}


@pytest.mark.parametrize(
    ("side", "from_low", "wrong"),
    [("left side", True, False), ("left side", False, True), ("right side", True, True), ("right side", False, False)],
)
def test_holes_from_the_side_that_matters(side: str, from_low: bool, wrong: bool) -> None:
    sheet = dimensioned(PART, SHEET, usual("-y"), Datum(width="low" if from_low else "high"))
    asked = task(holes_from={"width": side})
    assert told(sheet, asked) == ([("dimensions.datum", "")] if wrong else [])


#: A block with a groove across its top, 30 to 40 from the left.
GROOVED = projected(block((80, 40, 20)), block((10, 40, 8), (30, 0, 12), operation="cut"))


@pytest.mark.parametrize(
    ("asked", "by_wall", "variants"),
    [(True, True, ["centre", "centre"]), (True, False, []), (False, True, [])],
)
def test_grooves_by_their_centre(asked: bool, by_wall: bool, variants: list[str]) -> None:
    """The proposal locates both walls; the other sheet gives the width of the groove and where its middle is."""
    wanted = task(grooves_from_centre=asked)
    sheet = model_sheet(GROOVED, wanted, Drafter("A. Tester", "Evening 2", "2026-11-25"))
    if not by_wall:
        across = [d for d in sheet.dimensions if isinstance(d, LinearDimension) and d.along == "across"]
        walls = sorted((d for d in across if d.end[0] in (30, 40)), key=lambda d: d.end[0])
        assert len(walls) == 2
        middle = walls[0].model_copy(update={"end": (35.0, 14.0)})
        width = walls[1].model_copy(update={"start": (30.0, 20.0), "end": (40.0, 20.0)})
        others = tuple(d for d in sheet.dimensions if d not in walls)
        sheet = sheet.model_copy(update={"dimensions": (*others, middle, width)})
    result = check(GROOVED, wanted, sheet)
    assert result.dimensions.reading.open == ()
    assert [f.variant for f in result.findings if f.rule == "dimensions.datum"] == variants


def test_a_side_of_another_direction_is_refused_in_the_exercise() -> None:
    with pytest.raises(ValueError, match="width"):
        task(holes_from={"width": "base"})


@pytest.mark.parametrize(
    ("text", "expected"),
    [
        ("20", []),
        ("20,0", []),
        ("20.00", [("dimensions.decimals", "")]),
        ("(2) 20.00", [("dimensions.decimals", "")]),
        ("20 ±0.01", []),
        ("20 [0.787]", []),
        ("20 mm", [("dimensions.decimals", "unit")]),
        ("20 MM", [("dimensions.decimals", "unit")]),
    ],
)
def test_decimals_and_units_of_typed_sizes(text: str, expected: list[tuple[str, str]]) -> None:
    assert told(changed(text=text)) == expected


def lettered(*heights_and_turns: tuple[float, float]) -> SheetDocument:
    """The sheet with its dimensions lettered in turn as given."""
    given = list(heights_and_turns) * len(SHEET.dimensions)
    dimensions = tuple(
        d.model_copy(update={"lettering": Lettering(height=height, turn=turn)})
        for d, (height, turn) in zip(SHEET.dimensions, given, strict=False)
    )
    return SHEET.model_copy(update={"dimensions": dimensions})


def turned(upright: float, *, first: float | None = None) -> SheetDocument:
    """The sheet with the texts of sizes that run up turned, the first of them perhaps otherwise."""
    dimensions = []
    for d in SHEET.dimensions:
        up = isinstance(d, LinearDimension) and d.along == "up"
        turn = upright if up else 0.0
        if up and first is not None:
            turn, first = first, None
        dimensions.append(d.model_copy(update={"lettering": Lettering(height=3.5, turn=turn)}))
    return SHEET.model_copy(update={"dimensions": tuple(dimensions)})


def test_lettering_that_is_too_low_or_uneven() -> None:
    assert {"iso": 2.5, "asme": pytest.approx(0.12 * 25.4)} == LEAST_HEIGHT
    assert told(lettered((2.5, 0))) == []
    assert told(lettered((2.3, 0))) == [("placement.lettering", "low")]
    assert told(lettered((2.8, 0)), task(style="asme")) == [("placement.lettering", "low")]
    assert told(lettered((3.5, 0), (5, 0))) == [("placement.lettering", "uneven")]
    assert told(lettered((3.5, 0), (3.6, 0))) == []


def test_reading_directions() -> None:
    assert told(turned(90)) == []
    assert told(turned(0)) == []
    assert told(turned(-90)) == told(turned(270)) == [("placement.reading", "away")]
    assert told(turned(90, first=0)) == [("placement.reading", "mixed")]
    assert told(turned(90), task(style="asme")) == [("placement.reading", "turned")]


def test_lettering_is_read_from_a_file() -> None:
    data = dxf(sheet_ink(PART, SHEET), sheet_sizes(PART, SHEET))
    file = ezdxf.read(io.StringIO(data.decode()))
    for entity in file.modelspace().query("DIMENSION"):
        for text in entity.get_geometry_block().query("TEXT"):
            text.dxf.height = 2.0
    stream = io.StringIO()
    file.write(stream)
    sheet = read_sheet(read_dxf(stream.getvalue().encode()), PART, expectation(PART, task())).document
    assert {d.lettering.height for d in sheet.dimensions if d.lettering} == {2.0}
    assert [f.rule for f in found(sheet)] == ["placement.lettering"]


def with_gaps(*gaps: float | None) -> SheetDocument:
    """The sheet with the extension lines of its sizes beginning so far off."""
    pair = (gaps[0], gaps[-1])
    dimensions = tuple(
        d.model_copy(update={"gaps": pair}) if isinstance(d, LinearDimension) else d for d in SHEET.dimensions
    )
    return SHEET.model_copy(update={"dimensions": dimensions})


def gap_findings(sheet: SheetDocument) -> list[Finding]:
    return [f for f in check(PART, task(), sheet).findings if f.rule == "placement.gap"]


def test_extension_lines_that_touch_the_outline() -> None:
    assert gap_findings(SHEET) == gap_findings(with_gaps(1.5)) == gap_findings(with_gaps(None)) == []
    (finding,) = gap_findings(with_gaps(0.0))
    assert finding.parameters["count"] == sum(isinstance(d, LinearDimension) for d in SHEET.dimensions)
    centred = changed(gaps=(1.5, 0.0))
    assert gap_findings(centred) == []


@pytest.mark.parametrize(("reach", "told_of"), [(0.0, True), (1.5, False)])
def test_gaps_are_read_from_a_file(reach: float, told_of: bool) -> None:
    """By a dimension of a DXF library, whose style says how far its extension lines stand off."""
    bare = SHEET.model_copy(update={"dimensions": ()})
    file = ezdxf.read(io.StringIO(dxf(sheet_ink(PART, bare), {}).decode()))
    x, y = SHEET.view("v1").at
    file.modelspace().add_linear_dim(
        base=(x, y - 12), p1=(x, y), p2=(x + 80, y), override={"dimexo": reach, "dimscale": 1, "dimtxt": 3.5}
    ).render()
    stream = io.StringIO()
    file.write(stream)
    sheet = read_sheet(read_dxf(stream.getvalue().encode()), PART, expectation(PART, task())).document
    assert bool(gap_findings(sheet)) == told_of
