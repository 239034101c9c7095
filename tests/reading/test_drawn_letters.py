"""Letters that are drawn and not written: outlines of faces, strokes of a pen; read by the recogniser, doubts told."""

import math
from collections import Counter
from itertools import pairwise
from pathlib import Path

import pytest

from maqueta.demo import mistakes
from maqueta.geometry.carrier import line_through
from maqueta.geometry.line_set import Piece
from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.phrases.said import said
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.content import Content, Shape, Stroke, Style, Words
from maqueta.reading.delivered import read_delivered
from maqueta.reading.drawn_letters import with_letters
from maqueta.reading.drawn_paths import Subpath, filled_shapes
from maqueta.reading.file_content import content_of
from maqueta.reading.picture import recogniser
from maqueta.sheet.document import SheetDocument
from maqueta.task.exercise import Exercise
from tests.parts import demo_projected
from tests.reading.letter_shapes import outlines, penned
from tests.reading.pdf_writer import DRAWERS, HANDS, Hand, write_pdf

TASK = Exercise.model_validate({"views": ["front", "top", "right"], "paper": "A2"})
PEN = Style("", (), "", False, 25, 0)
BARE = Content((), (), (), (), (), ())


def answer(slug: str) -> tuple[ProjectedPart, SheetDocument]:
    part = demo_projected(slug)
    return part, model_sheet(part, TASK, Drafter("Ada Muster", "Evening 2", "2026-11-20"))


def found(part: ProjectedPart, sheet: SheetDocument) -> list[tuple[str, str]]:
    return sorted((finding.rule, finding.variant) for finding in check(part, TASK, sheet).findings)


@pytest.mark.parametrize(
    ("hand", "slug"),
    list(zip(DRAWERS, ("reed-clamp", "bobbin-flange", "tension-wheel", "temple-arm"), strict=True)),
    ids=lambda own: getattr(own, "name", own),
)
def test_a_sheet_with_drawn_letters_is_judged_as_it_is(hand: Hand, slug: str) -> None:
    part, sheet = answer(slug)
    read = read_delivered(write_pdf(part, sheet, hand), part, TASK)
    assert found(part, read.document) == found(part, sheet)
    assert said(read.not_read[0]).startswith("its letters are drawn and not written")
    assert read.document.title.fields["drafter"] == "ADA MUSTER"
    assert read.document.title.fields["scale"] == sheet.title.fields["scale"]


def read_of(part: ProjectedPart, sheet: SheetDocument, hand: Hand) -> Content:
    return content_of(write_pdf(part, sheet, hand))


@pytest.mark.parametrize("hand", DRAWERS[:3], ids=lambda hand: hand.name)
def test_outlines_say_what_is_written(hand: Hand) -> None:
    part, sheet = answer("warp-beam-bearing")
    written, drawn = (
        Counter(
            words.text.replace("⌀", "Ø").replace(" ", "") for words in content_of(write_pdf(part, sheet, own)).words
        )
        for own in (HANDS[0], hand)
    )
    # All but the number of the sheet, whose strokes look like dashes.
    assert set(written - drawn) <= {"1/1"}
    assert not {text for text in drawn - written if any(c.isdigit() for c in text)}


def test_mistakes_are_found_among_drawn_letters() -> None:
    part, sheet = answer("reed-clamp")
    for plant, rule in ((mistakes.wrong_value, "dimensions.value"), (mistakes.no_hidden_lines, "lines.missing-hidden")):
        spoilt = plant(part, sheet)
        read = read_delivered(write_pdf(part, spoilt, DRAWERS[1]), part, TASK)
        assert rule in {name for name, _ in found(part, read.document)}
        assert found(part, read.document) == found(part, spoilt)


def test_without_a_recogniser_letters_are_told_of_and_no_size_is_missed(
    monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    monkeypatch.setattr(recogniser, "COMMAND", str(tmp_path / "nothing"))
    part, sheet = answer("reed-clamp")
    read = read_delivered(write_pdf(part, sheet, DRAWERS[0]), part, TASK)
    assert any("the recogniser of letters" in said(what) for what in read.not_read)
    rules = {finding.rule for finding in check(part, TASK, read.document).findings if finding.severity == "error"}
    assert not {rule for rule in rules if rule.startswith("dimensions.")}


def pen(*strokes: list[tuple[float, float]], at: tuple[float, float] = (0.0, 0.0)) -> list[Stroke]:
    placed = [[(x + at[0], y + at[1]) for x, y in stroke] for stroke in strokes]
    return [
        Stroke(Piece("visible", *line_through(a, b), (), ()), PEN) for stroke in placed for a, b in pairwise(stroke)
    ]


def text_by_pen(text: str, at: tuple[float, float]) -> list[Stroke]:
    return pen(*penned(text, 3.5)[0], at=at)


def test_letters_of_a_pen_leave_the_lines_of_the_drawing() -> None:
    edge = pen([(0, 0), (60, 0), (60, 40)])
    texts = {"HINGE": (10, 10), "42": (10, 30), "OAK": (30, 30)}
    drawn = [stroke for text, at in texts.items() for stroke in text_by_pen(text, at)]
    content = with_letters(Content((*edge, *drawn), *BARE_REST))
    assert content.strokes == tuple(edge)
    found = {words.text: words for words in content.words}
    assert set(found) == set(texts)
    for text, at in texts.items():
        assert found[text].height == pytest.approx(3.5, abs=0.2)
        assert found[text].at == pytest.approx(at, abs=0.2)
    assert content.recognised


def test_where_sizes_are_written_nothing_drawn_is_taken_for_one() -> None:
    """Small square holes look like letters."""
    holes = [
        stroke
        for k in range(5)
        for stroke in pen([(10, 10), (13, 10), (13, 13), (10, 13), (10, 10)], at=(4.0 * k, 0.0))
    ]
    size = Words("60", (20, 30), 3.5, 0.0, PEN)
    content = Content(tuple(holes), (size,), (), (), (), ())
    assert with_letters(content) is content


@pytest.mark.parametrize("marked", [False, True])
def test_holes_in_a_row_are_no_letters_where_nothing_is_written(marked: bool) -> None:
    """Six-sided ones close together, and the same with marks through their middles."""
    corners = [(2 + 2 * math.cos(k * math.pi / 3), 2 + 2 * math.sin(k * math.pi / 3)) for k in range(7)]
    cross = [[(-0.5, 2.0), (4.5, 2.0)], [(2.0, -0.5), (2.0, 4.5)]] if marked else []
    holes = [stroke for k in range(6) for stroke in pen(corners, *cross, at=(6.0 * k, 10.0))]
    content = Content((*holes, *pen([(-5, 0), (60, 0), (60, 40)])), *BARE_REST)
    assert with_letters(content).strokes == content.strokes


def test_a_letter_that_touches_a_line_leaves_its_number_in_doubt() -> None:
    crossed = [*text_by_pen("862", (10, 10)), *pen([(17.2, 0), (17.2, 60)])]
    more = [stroke for k in range(3) for stroke in text_by_pen("SHEET", (30, 10 * k))]
    content = with_letters(Content((*crossed, *more), *BARE_REST))
    number = next(words.text for words in content.words if words.text.startswith("8"))
    assert number != "862"
    assert number in content.doubtful


BARE_REST = (BARE.words, BARE.sizes, BARE.pointers, BARE.filled, BARE.not_read)


def as_paths(text: str) -> list[list[Subpath]]:
    return [
        [Subpath(start, tuple(stretches), True) for start, stretches in letter]
        for letter in outlines(text, 3.5, "screen")[0]
    ]


def test_a_letter_is_told_with_its_holes_whether_drawn_alone_or_with_others() -> None:
    alone = [shape for letter in as_paths("8I4") for shape in filled_shapes(letter, PEN).letters]
    together = filled_shapes([path for letter in as_paths("8I4") for path in letter], PEN).letters
    assert [len(shape.rings) for shape in alone] == [len(shape.rings) for shape in together] == [3, 1, 2]
    assert [shape.unknown for shape in together] == [True, False, True]


def test_an_arrowhead_is_no_letter() -> None:
    head = Subpath((0.0, 0.0), (((3.0, 0.5),), ((3.0, -0.5),)), True)
    barbed = Subpath((0.0, 0.0), (((3.0, 0.5),), ((2.5, 0.0),), ((3.0, -0.5),)), True)
    for shape in (head, barbed):
        told = filled_shapes([shape], PEN)
        assert (len(told.heads), told.letters) == (1, ())


def test_shapes_nobody_can_read_are_counted() -> None:
    ring: tuple[tuple[float, float], ...] = tuple((5.0 + k % 3, 5.0 + k // 3) for k in range(9))
    content = with_letters(Content((), (), (), (), (), (), shapes=(Shape((ring,)),)))
    assert [said(what) for what in content.not_read] == [
        "filled shapes that are no arrowheads, perhaps letters drawn as outlines (1)"
    ]
