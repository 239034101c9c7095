"""Readings that must not go astray: nearly symmetric parts, stray groups, loose notes, hatching, odd scales."""

import io
import math
from dataclasses import replace
from typing import Any

import ezdxf
import pytest

from maqueta.geometry.carrier import Circle, line_through
from maqueta.geometry.line_set import Piece
from maqueta.judging.report import check
from maqueta.making.model_sheet import model_sheet
from maqueta.projection.attitude import ATTITUDES
from maqueta.projection.project import project
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.candidates import pictorial_candidates, remembered
from maqueta.reading.content import Content, Style, Words
from maqueta.reading.delivered import read_delivered
from maqueta.reading.dxf.file import read_dxf
from maqueta.reading.loose_sizes import loose_sizes
from maqueta.reading.words_in_lines import in_lines
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.scales import parse_scale
from maqueta.task.exercise import AttitudeChoice, Exercise, FrontTask
from tests.parts import block, hole, made, projected
from tests.reading.dxf_writer import CONVENTIONS, Drawn, drawn_lines, write_sheet
from tests.reading.planted import DRAFTER, case
from tests.sizes.counted_parts import revolve

PLAIN = Style("0", (), "CONTINUOUS", False, None, 7)


def flange(holes: int) -> ProjectedPart:
    around = {"kind": "repeat", "of": ["hole 1"], "count": holes, "about": "z", "at": [0, 0, 0]}
    body = revolve((0, 0), (40, 0), (40, 10), (14, 10), (14, 26), (0, 26))
    return projected(body, hole((0, 30, 0), "+z", 8), around)


NEARLY_SYMMETRIC = {
    "flange with five holes": flange(5),
    "flange with seven holes": flange(7),
    "one chamfered corner": projected(
        block((60, 60, 40)), {"kind": "chamfer", "size": 6, "edges": [{"near": [60, 60, 20]}]}
    ),
    "one small mark": projected(block((60, 60, 60)), hole((12, 12, 60), "-z", 4, 3)),
}


@pytest.mark.parametrize("name", NEARLY_SYMMETRIC)
def test_every_attitude_is_read_as_it_is_drawn(name: str) -> None:
    """All 24 front views over the parts, first and third angle by turns, the front left to the ranking, too."""
    part = NEARLY_SYMMETRIC[name]
    offset = list(NEARLY_SYMMETRIC).index(name)
    for place, front in enumerate(ATTITUDES[offset :: len(NEARLY_SYMMETRIC)]):
        task = Exercise(
            angle="first" if place % 2 else "third",
            paper="A2",
            views=("front", "top", "right"),
            pictorial="unwanted",
            front=FrontTask(accept=(AttitudeChoice(side=front.side, up=front.up),)),
            scale="1:1",
        )
        sheet = model_sheet(part, task, DRAFTER)
        data = write_sheet(part, sheet, CONVENTIONS[(5 * place) % len(CONVENTIONS)])
        for asked in (task, task.model_copy(update={"front": FrontTask(natural_up="+z")})):
            read = read_delivered(data, part, asked).document
            rules = {f.rule for f in check(part, asked, read).findings if f.severity == "error"}
            # What the exercise thinks of this front is another matter; what is drawn must be read.
            assert rules <= {"front.side", "front.turn", "dimensions.to-hidden"}, (front, rules)


def outline(view: str, *points: tuple[float, float]) -> list[Drawn]:
    ends = zip(points, (*points[1:], points[0]), strict=True)
    return [Drawn(view, "visible", Piece("visible", *line_through(p, q), (), ())) for p, q in ends]


def test_stray_groups_are_no_views() -> None:
    """A closed outline of chance, and half a view at another scale, in the free corner of a right sheet."""
    for seed in (1, 2, 4):
        clean = case(seed)
        _, _, right, top = clean.sheet.paper.layout.drawing_area
        x, y = right - 90, top - 75
        odd = outline("stray", (x, y), (x + 47, y + 6), (x + 61, y + 39), (x + 22, y + 52), (x - 8, y + 21))
        data = write_sheet(clean.part, clean.sheet, CONVENTIONS[0], [*clean.lines, *odd])
        found = check(clean.part, clean.task, read_delivered(data, clean.part, clean.task).document).findings
        assert {f.rule for f in found if f.severity == "error"} <= {"views.unrecognised"}, seed
        assert "views.unrecognised" in {f.rule for f in found}


def said(text: str, x: float, y: float, height: float = 3.5) -> Words:
    return Words(text, (x, y), height, 0.0, PLAIN)


def stroke(*ends: tuple[float, float]) -> Piece:
    return Piece("visible", *line_through(*ends), (), ())


def test_lines_of_a_hole_note_belong_together() -> None:
    words = [said("4× ⌀6.6 THRU", 10, 50), said("⌴⌀11 ↧6", 10, 44), said("⌀20", 10, 38), said("NOTE", 80, 80)]
    assert [word.text for word in in_lines(words)] == ["4× ⌀6.6 THRU ⌴⌀11 ↧6", "⌀20", "NOTE"]


def test_a_loose_angle_is_an_angle_and_never_a_length() -> None:
    """Two legs from (0, 0), level and at 60°, an arc of radius 30 between them; a line of 60 mm passes near by."""
    arc = Piece("visible", Circle(0, 0, 30), (0.0, math.radians(60)), (), ())
    legs = [stroke((2, 0), (36, 0)), stroke((1, 1.732), (18, 31.18))]
    tempting = [stroke((0, 22), (60, 22)), stroke((0, 10), (0, 24)), stroke((60, 10), (60, 24))]
    found = loose_sizes([said("60°", 28, 17)], [*legs, arc, *tempting], (), [((0, 0, 40, 40), 1.0)])
    (angle,) = found.sizes
    assert (angle.kind, angle.vertex) == ("angle", (0, 0))
    alone = loose_sizes([said("60°", 28, 17)], tempting, (), [((0, 0, 40, 40), 1.0)])
    assert (alone.sizes, alone.unclear) == ((), ("60°",))


def test_loose_leader_at_a_circle_through_holes() -> None:
    part = flange(6)
    task = Exercise(paper="A2", views=("front", "right"), scale="1:1", centre_lines=False, pictorial="unwanted",
                    front=FrontTask(accept=(AttitudeChoice(side="+z", up="+y"),)))  # fmt: skip
    sheet = model_sheet(part, task, DRAFTER)
    loose = next(how for how in CONVENTIONS if how.name == "sizes as loose lines")
    read = read_delivered(write_sheet(part, sheet, loose), part, task).document
    drawn = {d.id for d in sheet.dimensions if getattr(d, "pitch", False)}
    assert drawn
    assert sum(bool(getattr(d, "pitch", False)) for d in read.dimensions) == len(drawn)
    assert [f.rule for f in check(part, task, read).findings if f.rule.startswith("dimensions.")] == []


def test_hatching_is_read_as_areas_and_small_triangles_are_arrowheads() -> None:
    document: Any = ezdxf.new()
    space = document.modelspace()
    space.add_line((0, 0), (200, 100))
    space.add_hatch().paths.add_polyline_path([(0, 0), (50, 0), (50, 50), (0, 50)])
    arrow = space.add_hatch()
    arrow.set_solid_fill()
    arrow.paths.add_polyline_path([(0, 0), (3, 0.5), (3, -0.5)])
    target = io.StringIO()
    document.write(target)
    content: Content = read_dxf(target.getvalue().encode())
    assert content.not_read == ()
    assert [area.region.area for area in content.hatched] == [pytest.approx(2500.0)]
    assert len(content.filled) == 1


def test_scale_of_one_to_ten_thousand_in_a_title_block() -> None:
    clean = case(1)
    fields = {**clean.sheet.title.fields, "scale": "1:10 000"}
    sheet = clean.sheet.model_copy(update={"title": clean.sheet.title.model_copy(update={"fields": fields})})
    read = read_delivered(write_sheet(clean.part, sheet, CONVENTIONS[0]), clean.part, clean.task).document
    assert parse_scale(read.title.fields["scale"]) == pytest.approx(1e-4)


def test_corners_follow_a_change_of_the_natural_position() -> None:
    shape, part = made(block((60, 40, 20)), block((20, 40, 20), (0, 0, 20)), natural_up="+z")
    before = pictorial_candidates(remembered(project(shape, part)))
    turned = replace(part, natural_up="+x")
    after = pictorial_candidates(remembered(project(shape, turned)))
    assert [c.box for c in before] != [c.box for c in after]


def test_views_without_any_line_left_are_no_crash() -> None:
    """Lines that lie on nothing of the part are left out; a sheet with none left has no views, which is told."""
    part = projected(block((60, 40, 30)))
    document: Any = ezdxf.new()
    for k in range(5):
        document.modelspace().add_line((10 * k, 0), (10 * k + 3, 97))
    target = io.StringIO()
    document.write(target)
    read = read_delivered(target.getvalue().encode(), part, Exercise())
    rules = {f.rule for f in check(part, Exercise(), read.document).findings}
    assert "views.missing" in rules
    assert isinstance(read.document, SheetDocument)
    assert drawn_lines(part, SheetDocument()) == []
