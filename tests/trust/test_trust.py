"""A sample of the trust table: no right sheet is reported wrong, no planted mistake is missed."""

import random

import pytest

from tests.reading.dxf_writer import CONVENTIONS, Convention, write_sheet
from tests.reading.planted import FOLLOWS, PLANTED
from tests.trust.parts import KINDS
from tests.trust.sheets import right_sheet, with_pictorial
from tests.trust.table import errors, judged_right, judged_spoilt
from tests.trust.writings import WRITINGS, Format

pytestmark = pytest.mark.trust
#: Numbers of the sample; scripts/trust goes on from there.
SAMPLE = range(1)
RULES = tuple(PLANTED)
#: Sheets whose sizes are loose lines like all others, on one layer.
UNTOLD = [how for how in CONVENTIONS if how.name.startswith("one layer") and how.name.endswith("loose lines")]

#: Sheets whose broken lines are strokes, each a line of its own, or on which nothing tells lines apart.
STROKES = [how for how in CONVENTIONS if "strokes" in how.name or how in UNTOLD or how.name.startswith("widths")]


#: Where nothing tells lines apart, and one in two of the others; scripts/trust has them all.
ONE_IN_TWO = [how for place, how in enumerate(CONVENTIONS) if how in UNTOLD or place % 2]


def _by_turns(number: int) -> list[Convention]:
    """Those where nothing tells lines apart, and of the other strokes one in three."""
    return [how for place, how in enumerate(STROKES) if how in UNTOLD or (place + number) % 3 == 0]


@pytest.mark.parametrize("kind", KINDS)
def test_right_sheets_raise_no_error(kind: str) -> None:
    tallies = [judged_right(kind, seed, 2) for seed in SAMPLE]
    assert [words for tally in tallies for words in tally.words] == []
    assert sum(sum(tally.sheets.values()) for tally in tallies) or kind == "turned"


@pytest.mark.parametrize(("kind", "number"), [("patterned", 28), ("slanted", 36)])
def test_lines_of_two_strokes_each_are_read_as_what_they_are(kind: str, number: int) -> None:
    """Hidden lines too short to show the rhythm of their dashes alone; centre lines of two long strokes."""
    case = right_sheet(kind, number)
    assert case is not None
    for how in _by_turns(number):
        assert errors(case, write_sheet(case.part, case.sheet, how)) == [], how.name


def test_axis_in_line_with_the_end_of_a_round_is_a_centre_line() -> None:
    """Smooth transitions run there too; a stroke that overshoots them is none."""
    case = right_sheet("round", 16)
    assert case is not None
    for how in UNTOLD:
        assert errors(case, write_sheet(case.part, case.sheet, how)) == [], how.name


@pytest.mark.parametrize(("kind", "number"), [("patterned", 18), ("slanted", 38)])
def test_centre_marks_over_axes_and_beside_arrowheads(kind: str, number: int) -> None:
    """The strokes of an axis go on under the arms of a mark; a leader ends at its circle, not at the mark's middle."""
    case = right_sheet(kind, number)
    assert case is not None
    for how in _by_turns(number):
        assert errors(case, write_sheet(case.part, case.sheet, how)) == [], how.name


@pytest.mark.parametrize(("kind", "number"), [("round", 39), ("turned", 13)])
def test_a_pictorial_that_looks_the_same_from_two_corners_or_has_the_most_ink(kind: str, number: int) -> None:
    case = right_sheet(kind, number)
    assert case is not None
    own = with_pictorial(case)
    for how in CONVENTIONS[number % 12 :: 12]:
        assert errors(own, write_sheet(own.part, own.sheet, how), "pictorial.") == [], how.name


@pytest.mark.parametrize("number", [0, 3])
def test_a_pictorial_is_read_from_its_own_corner_where_another_has_the_same_straight_lines(number: int) -> None:
    """From the wrong one two curved outlines are surplus, and the sheet shows other sides than its views."""
    case = right_sheet("round", number)
    assert case is not None
    own = with_pictorial(case)
    assert any(view.kind == "pictorial" for view in own.sheet.views)
    for how in CONVENTIONS[:3]:
        assert errors(own, write_sheet(own.part, own.sheet, how), "pictorial.") == [], how.name


@pytest.mark.parametrize(("kind", "number"), [("square", 6), ("turned", 14)])
def test_view_at_another_scale_is_found_where_nothing_tells_lines_apart(kind: str, number: int) -> None:
    case = right_sheet(kind, number)
    assert case is not None
    planted = PLANTED["scale.mixed"](case, random.Random(0))
    assert planted is not None
    for how in UNTOLD:
        found = {finding.rule for finding in errors(case, write_sheet(case.part, planted[0], how, planted[1]))}
        assert "scale.mixed" in found, how.name
        assert found <= {"scale.mixed", *FOLLOWS["scale.mixed"]}, how.name


@pytest.mark.parametrize("form", ["pdf", "svg"])
@pytest.mark.parametrize("kind", KINDS)
def test_right_pages_raise_no_error(kind: str, form: Format) -> None:
    """PDF and SVG take turns among the ways they are written in."""
    assert judged_right(kind, 1 + (form == "svg"), 2, form).words == []


@pytest.mark.parametrize(
    ("kind", "number", "form", "rule"),
    [
        ("square", 1, "pdf", "dimensions.value"),
        ("square", 1, "svg", "dimensions.value"),
        ("turned", 1, "pdf", "scale.mixed"),
        ("turned", 1, "svg", "scale.mixed"),
        ("slanted", 2, "pdf", "lines.missing-hidden"),
        ("round", 2, "svg", "lines.displaced"),
    ],
)
def test_mistakes_on_pages_are_found_and_nothing_else(kind: str, number: int, form: Format, rule: str) -> None:
    """A wrong value over what leads to its dimension line from outside; sizes at views of two scales; and others."""
    tally = judged_spoilt(kind, number, (rule,), form)
    assert sum(tally.found.values()) == 1
    assert tally.words == []


def test_two_centre_lines_in_one_place_are_no_hidden_line() -> None:
    """What shows of a centre mark on the axis of another feature has dashes of any rhythm."""
    case = right_sheet("patterned", 4)
    assert case is not None
    loose = next(how for how in WRITINGS["pdf"] if how.name == "loose dashes")
    assert errors(case, loose.write(case.part, case.sheet, None)) == []


@pytest.mark.parametrize("kind", KINDS)
def test_planted_mistakes_are_found_and_nothing_else(kind: str) -> None:
    for seed in SAMPLE:
        assert judged_spoilt(kind, seed, RULES[(list(KINDS).index(kind) + 2 * seed) % 4 :: 4]).words == []


@pytest.mark.parametrize("how", ONE_IN_TWO, ids=lambda how: how.name)
def test_one_line_less_never_makes_a_sheet_fall_apart(how: Convention) -> None:
    """A sheet spoilt by a single line, in this convention: one kind of finding, no strange group.

    Where nothing tells lines apart, a sheet of each kind; else the kinds take turns.
    """
    kinds = ("square", "slanted", "patterned")
    for kind in kinds if how in UNTOLD else kinds[CONVENTIONS.index(how) % 3 :][:1]:
        case = right_sheet(kind, 3)
        assert case is not None
        ink = {v.id: sum(line.piece.length for line in case.lines if line.view == v.id) for v in case.sheet.views}
        # What lacks half of its ink is no view of anything; the longest line up to a third of it is left out.
        visible = [line for line in case.lines if line.kind == "visible" and line.piece.length <= ink[line.view] / 3]
        gone = max(visible, key=lambda line: (line.piece.length, line.view))
        left = [line for line in case.lines if line != gone]
        found = {f.rule for f in errors(case, write_sheet(case.part, case.sheet, how, left))}
        assert found == {"lines.missing-visible"}, kind
