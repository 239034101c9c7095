"""Sizes read from a picture: taken from what they say where that cannot be told from what was measured."""

import math
from dataclasses import replace

import pytest

from maqueta.drawing.pdf import pdf
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.geometry.carrier import Circle
from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.reading.content import Pointer, Size, Style, Words
from maqueta.reading.delivered import read_content
from maqueta.reading.file_content import content_of
from maqueta.reading.sheet import ReadSheet
from maqueta.reading.sizes import tie_sizes
from maqueta.sheet.dimension import LinearDimension
from maqueta.sheet.placed import PlacedView, placed_views
from maqueta.task.exercise import Exercise
from tests.parts import demo_projected
from tests.reading.inked import inked

PLAIN = Style("", (), "", False, None, 0)
PART = demo_projected("reed-clamp")
TASK = Exercise.model_validate({"views": ["front", "top"], "paper": "A3", "scale": "1:1", "pictorial": "unwanted"})
FRONT: PlacedView = placed_views(PART, model_sheet(PART, TASK, Drafter("Ada Muster", "Evening 2", "2026-11-20")))[0]
LEFT, BOTTOM, RIGHT, TOP = FRONT.box
#: True to the part: reed clamp is 96 wide, by its recipe.
WIDE = 96.0


def taken(text: str, off: float, seen: bool = True) -> float:
    """How wide a size over the whole front view is taken to be, in the part, measured so much (mm) too short."""
    size = Size("linear", (LEFT, BOTTOM - 2), (RIGHT - off, BOTTOM - 2), 0.0, ((LEFT + RIGHT) / 2, BOTTOM - 10), text)
    tied = tie_sizes([size], [], [], [FRONT], 0.3, {}, inked() if seen else None)
    (own,) = tied.dimensions
    assert isinstance(own, LinearDimension)
    return abs(own.end[0] - own.start[0])


@pytest.mark.parametrize("off", [0.0, 0.2, 0.6, 0.9])
def test_a_size_measured_a_little_beside_is_what_it_says(off: float) -> None:
    assert taken("96", off) == pytest.approx(WIDE)


def test_a_size_that_says_something_else_is_what_was_measured() -> None:
    assert taken("97", 0.2) == pytest.approx(WIDE)
    assert taken("97", 0.6) == pytest.approx(WIDE - 0.6)


def test_what_is_drawn_by_a_program_is_where_it_is() -> None:
    assert taken("96", 0.6, seen=False) == pytest.approx(WIDE - 0.6)


def noted(reach: float, ink: bool) -> int:
    """How many sizes a leader makes that is cut short so far (mm) before the circle it points at."""
    circle = next(c for c in (p.carrier for p in FRONT.lines.pieces) if isinstance(c, Circle))
    (x, y), radius = FRONT.to_sheet((circle.x, circle.y)), circle.radius * FRONT.factor
    way = (math.cos(0.7), math.sin(0.7))

    def at(distance: float) -> tuple[float, float]:
        return (x + way[0] * distance, y + way[1] * distance)

    note = Words(f"Ø{2 * circle.radius:g}", at(radius + 30), 3.5, 0.0, PLAIN)
    leader = Pointer((at(radius + reach), at(radius + 29)))
    seen = inked([(at(radius), at(radius + 29))] if ink else [])
    return len(tie_sizes([], [leader], [note], [FRONT], 0.3, {}, seen).dimensions)


def test_a_leader_that_is_cut_short_goes_on_where_its_ink_does() -> None:
    assert noted(0.5, ink=False) == 1
    assert noted(9.0, ink=True) == 1
    assert noted(9.0, ink=False) == 0


def read_with(text: str, picture: bool = True) -> ReadSheet:
    """The sheet as a picture shows it, with one size, 96 wide, that reads as something else."""
    sheet = model_sheet(PART, TASK, Drafter("Ada Muster", "Evening 2", "2026-11-20"))
    content = content_of(pdf(sheet_ink(PART, sheet), sheet.paper.layout, "sheet"))
    words = tuple(replace(own, text=text) if own.text == "96" else own for own in content.words)
    assert words != content.words
    seen = inked([stroke.piece.outline() for stroke in content.strokes]) if picture else None
    return read_content(replace(content, words=words, ink=seen, recognised=picture), PART, TASK)


def wrong_values(read: ReadSheet) -> int:
    return sum(own.rule == "dimensions.value" for own in check(PART, TASK, read.document).findings)


def test_a_stroke_that_reads_as_a_one_is_no_size_and_leaves_open_whether_all_are_there() -> None:
    read = read_with("1")
    assert "1" not in {own.text for own in read.document.dimensions}
    assert (wrong_values(read), read.document.unread_sizes) == (0, 1)
    assert [own.rule for own in check(PART, TASK, read.document).findings if own.severity == "error"] == []


@pytest.mark.parametrize(("text", "picture"), [("1", False), ("2", True), ("97", True)])
def test_a_figure_that_is_one_is_taken_at_its_word(text: str, picture: bool) -> None:
    read = read_with(text, picture)
    assert (wrong_values(read), read.document.unread_sizes) == (1, 0)
