"""Sizes of which an arrowhead alone was read: they are on the sheet, and what they say is not known."""

import math

import pytest

from maqueta.geometry.carrier import Point
from maqueta.reading.content import Pointer, Size, Style, Words
from maqueta.reading.lost_sizes import is_cut_short, left_open, lost_sizes, texts_alone
from maqueta.reading.questions import is_question

#: A size over 40 mm, 10 mm above what it measures, with its two arrowheads.
LINEAR = Size("linear", (0.0, 0.0), (40.0, 5.0), 0.0, (20.0, 15.0), "40")
ROUND = Size("diameter", (100.0, 50.0), (110.0, 50.0), 0.0, (125.0, 60.0), "Ø20")


def head(tip: Point, turn: float) -> tuple[Point, ...]:
    """An arrowhead 3 mm long that points along a turn."""
    c, s = math.cos(turn), math.sin(turn)
    back = (tip[0] - 3 * c, tip[1] - 3 * s)
    return (tip, (back[0] - 0.5 * s, back[1] + 0.5 * c), (back[0] + 0.5 * s, back[1] - 0.5 * c))


OWN = [head((0.0, 15.0), math.pi), head((40.0, 15.0), 0.0), head((107.1, 57.1), 5 * math.pi / 4)]


def test_arrowheads_of_what_was_read_tell_of_nothing_more() -> None:
    assert lost_sizes(OWN, [LINEAR, ROUND], []) == 0


@pytest.mark.parametrize(("sizes", "lost"), [([LINEAR], 1), ([ROUND], 1), ([], 2)])
def test_arrowheads_of_nothing_that_was_read_tell_of_a_size(sizes: list[Size], lost: int) -> None:
    assert lost_sizes(OWN, sizes, []) == lost


def test_a_leader_that_is_cut_short_has_its_arrowhead_ahead() -> None:
    leader = Pointer(((80.0, 30.0), (60.0, 10.0), (50.0, 10.0)), "R5")
    assert lost_sizes([head((92.0, 42.0), math.pi / 4)], [], [leader]) == 0
    assert lost_sizes([head((92.0, 62.0), math.pi / 4)], [], [leader]) == 1
    assert lost_sizes([head((40.0, -10.0), math.pi / 4)], [], [leader]) == 1


def test_a_filled_shape_that_is_no_arrowhead_tells_of_nothing() -> None:
    assert lost_sizes([((0.0, 0.0), (4.0, 0.0), (4.0, 4.0), (0.0, 4.0))], [], []) == 0


@pytest.mark.parametrize(
    ("text", "short"), [("Ø20 ⌴", True), ("↧28", True), ("4×", True), ("Ø20 ⌴Ø30 ↧28", False), ("4× R10", False)]
)
def test_a_callout_with_a_sign_for_nothing_is_cut_short(text: str, short: bool) -> None:
    assert is_cut_short(text) == short


def said(text: str, x: float, y: float) -> Words:
    return Words(text, (x, y), 3.5, 0.0, Style("", (), "", False, None, 0))


@pytest.mark.parametrize(
    ("texts", "alone"),
    [
        (["40", "Ø20", "BRASS"], []),
        (["40", "40", "Ø20"], ["40"]),
        (["40", "Ø20", "2.8"], ["2.8"]),
        (["40", "Ø20", "1", "7"], []),
        (["40", "Ø 20", "4× R5"], []),
        (["40", "Ø20", "4× R5", "R5"], ["R5"]),
    ],
)
def test_a_text_that_says_a_size_and_belongs_to_none_tells_of_one(texts: list[str], alone: list[str]) -> None:
    words = [said(text, 40.0 * k, 20.0) for k, text in enumerate(texts)]
    assert texts_alone(words, [LINEAR, ROUND], ["4× R5"]) == alone


@pytest.mark.parametrize(("asked", "others", "questions"), [(0, 0, 0), (2, 0, 0), (0, 3, 1), (1, 1, 1)])
def test_what_is_asked_about_by_itself_is_not_asked_again(asked: int, others: int, questions: int) -> None:
    told = left_open(asked, others)
    assert sum(map(is_question, told)) == questions
    assert bool(told) == bool(asked or others), "that it is left open is said in any case"
