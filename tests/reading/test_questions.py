"""What is asked of who marks, apart from what is told; and where, what was read, and how sure."""

import cv2
import numpy as np
from numpy.typing import NDArray

from maqueta.phrases.phrase import phrase
from maqueta.reading.picture.lettering import lettering_of
from maqueta.reading.picture.words_read import words_read
from maqueta.reading.questions import Question, questions
from tests.reading.letter_shapes import penned

#: How wide a pixel of the lettering here is, mm.
PIXEL = 0.1


def by_pen(text: str) -> NDArray[np.uint8]:
    """A text 3.5 mm high in ink, drawn with a pen of 0.4 mm."""
    ink = np.zeros((120, 400), np.uint8)
    for stroke in penned(text, 3.5)[0]:
        points = np.array([(40 + x / PIXEL, 80 - y / PIXEL) for x, y in stroke])
        cv2.polylines(ink, [points.round().astype(np.int32)], False, 255, 4)
    return ink


def asked_of(ink: NDArray[np.uint8]) -> tuple[Question, ...]:
    read = words_read(lettering_of(ink, PIXEL), lambda at: (at[0] * PIXEL, at[1] * PIXEL), PIXEL)
    return questions(read.doubts)


def test_what_was_taken_care_of_is_told_and_not_asked() -> None:
    told = (
        phrase("unread-picture-read"),
        phrase("unread-stretches", count=3),
        phrase("unread-title", fields=(phrase("field-name", field="scale"),)),
        phrase("unread-lines", count=2),
        phrase("read-by-hand", tolerance=1.0, degrees=2.0),
    )
    assert questions(told) == ()


def test_a_question_knows_its_place_and_what_was_read_there() -> None:
    near = phrase("unread-letters-near", x=30.0, y=40.0)
    text = phrase("unread-doubtful", text="2:1", x=12.5, y=7.0, sure=0.47)
    sizes = phrase("unread-sizes", count=2)
    assert questions((phrase("unread-aside", count=1), near, text, sizes)) == (
        Question(near, (30.0, 40.0), None, None),
        Question(text, (12.5, 7.0), "2:1", 0.47),
        Question(sizes, None, None, None),
    )


def test_how_sure_a_doubtful_text_is_comes_from_the_recogniser() -> None:
    """Clear figures are no question; the same ones with a stroke across are, with less than all of it sure."""
    assert asked_of(by_pen("1234")) == ()
    crossed = by_pen("1234")
    cv2.line(crossed, (45, 90), (130, 30), 255, 3)
    (asked,) = asked_of(crossed)
    assert asked.read is not None
    assert asked.sure is not None
    assert 0.0 < asked.sure < 1.0
