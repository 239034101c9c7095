"""Dashes one by one along curves that are neither straight nor round: one hidden line where the part has one."""

import math

import pytest
from shapely import LineString
from shapely.ops import substring

from maqueta.geometry.carrier import Free, Similarity, line_through
from maqueta.geometry.line_set import Piece
from maqueta.projection.attitude import Attitude
from maqueta.reading.candidates import Identity
from maqueta.reading.content import Stroke, Style
from maqueta.reading.identify import Fit
from maqueta.reading.loose_curves import with_loose_curves
from maqueta.sheet.view import square
from tests.reading.pdf_writer import HANDS, write_pdf
from tests.reading.planted import Case
from tests.trust.sheets import right_sheet, with_pictorial
from tests.trust.table import errors

LOOSE = next(hand for hand in HANDS if hand.name == "loose dashes")
PEN = Style("", (), "", False, 25, 0)
RIGHT = Attitude("+x", "+z")
#: Where the view stands, mm.
AT = (100.0, 80.0)


def slanted() -> Case:
    case = right_sheet("slanted", 10)
    assert case is not None
    return case


@pytest.mark.parametrize(("kind", "seed"), [("slanted", 10), ("turned", 8)])
def test_a_right_sheet_of_loose_dashes_is_right(kind: str, seed: int) -> None:
    case = right_sheet(kind, seed)
    assert case is not None
    assert errors(case, write_pdf(case.part, case.sheet, LOOSE), "pictorial.") == []


def test_a_hidden_curve_as_short_as_a_dash_is_right_in_whatever_pieces_it_comes() -> None:
    """Where two bores meet: by how its points are rounded, such a curve comes whole or in many."""
    case = right_sheet("square", 11)
    assert case is not None
    for own in (case, with_pictorial(case)):
        assert errors(own, write_pdf(own.part, own.sheet, LOOSE)) == []


def curve() -> LineString:
    """The longest hidden curve in the right view of a part with slanted faces that a bore goes through."""
    lines = slanted().part.line_set(RIGHT.look).moved(Similarity(1.0, 0.0, *AT))
    free = [own.carrier for own in lines.of("hidden") if isinstance(own.carrier, Free)]
    return max((LineString(own.points) for own in free), key=lambda line: float(line.length))


def dashes(line: LineString, start: float, end: float, dash: float, gap: float) -> list[Stroke]:
    found = []
    while start < end:
        own = substring(line, start, min(start + dash, end))
        (x0, y0), (x1, y1) = own.coords[0], own.coords[-1]
        carrier, interval = line_through((x0, y0), (x1, y1))
        found.append(Stroke(Piece("visible", carrier, interval, (), ()), PEN))
        start += dash + gap
    return found


def put_together(strokes: list[Stroke]) -> list[Piece]:
    fit = Fit(Identity(square(RIGHT)), 1.0, AT, 0.0)
    dropped = frozenset(range(len(strokes)))
    found = with_loose_curves(strokes, dropped, [fit, None], slanted().part, 0.3)
    assert len(found) == len(strokes)
    return [own.piece for own in found if isinstance(own.piece.carrier, Free)]


def test_dashes_are_the_curve_from_the_first_to_the_last() -> None:
    line = curve()
    (whole,) = put_together(dashes(line, 0.0, line.length, 1.0, 0.6))
    assert whole.length >= line.length - 1.6
    assert all(line.distance(LineString([end, end])) < 0.01 for end in whole.ends)


def test_where_no_dashes_are_there_is_no_line() -> None:
    """Half of it drawn is half of it there; wide apart, without gaps, or on the sheet elsewhere, dashes are none."""
    line = curve()
    (half,) = put_together(dashes(line, 0.0, line.length / 2, 1.0, 0.6))
    assert half.length == pytest.approx(line.length / 2, abs=1.0)
    assert put_together(dashes(line, 0.0, line.length, 0.3, 3.5)) == []
    assert put_together(dashes(line, 0.0, line.length, 1.0, 0.0)) == [], "drawn through it is of another kind"
    assert put_together(dashes(line, 0.0, 1.0, 1.0, 0.6)) == [], "one dash alone may be anything"
    aside = [(x + 2.0, y + 2.0) for x, y in line.coords]
    assert put_together(dashes(LineString(aside), 0.0, line.length, 1.0, 0.6)) == []


def test_a_line_across_the_curve_is_no_dash_of_it() -> None:
    line = curve()
    x, y = line.interpolate(line.length / 2).coords[0]
    ahead = line.interpolate(line.length / 2 + 0.1).coords[0]
    lean = math.atan2(ahead[1] - y, ahead[0] - x) + math.pi / 2
    ends = [(x + r * math.cos(lean), y + r * math.sin(lean)) for r in (-2.0, 2.0)]
    across = Stroke(Piece("visible", *line_through(*ends), (), ()), PEN)
    drawn = dashes(line, 0.0, line.length, 1.0, 0.6)
    fit = Fit(Identity(square(RIGHT)), 1.0, AT, 0.0)
    found = with_loose_curves([across, *drawn], frozenset(range(1 + len(drawn))), [fit], slanted().part, 0.3)
    assert found[0] == across


def test_pieces_without_a_gap_are_a_dash_as_long_as_one_and_none_beyond() -> None:
    line = curve()
    (dash,) = put_together(dashes(line, 0.0, 2.4, 0.8, 0.0))
    assert dash.length == pytest.approx(2.4, abs=0.05)
    assert put_together(dashes(line, 0.0, 4.8, 0.8, 0.0)) == []
