"""What a reading is in doubt about: asked of whoever marks the sheet, never marked. The rest of it is told."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from maqueta.geometry.carrier import Point
from maqueta.phrases.phrase import Phrase

#: Kinds of phrases that are questions. What was taken to be as it should, or left aside because it is no part of a
#: sheet, is told and not asked.
_ASKED: Final = frozenset(
    {"unread-doubtful", "unread-letters-near", "unread-sizes", "unread-loose-dimension", "unread-loose-text"}
)


@dataclass(frozen=True, slots=True)
class Question:
    """Something in doubt: what was read there, where (mm on paper), and how sure that is, from 0 to 1; None where
    nothing was read, where it concerns the whole sheet, or where nobody can say.
    """

    asked: Phrase
    at: Point | None
    read: str | None
    sure: float | None


def is_question(told: Phrase) -> bool:
    """Whether something that is said of a reading is to be looked at by somebody.

    >>> is_question(Phrase("unread-sizes", {"count": 2})), is_question(Phrase("unread-picture-read"))
    (True, False)
    """
    return told.kind in _ASKED


def is_of_picture(told: Phrase) -> bool:
    """Whether something that is said of a reading is said of pictures alone, and of each."""
    return told.kind == "unread-picture-read"


def place_of(told: Phrase) -> Point | None:
    """Where on the paper something was not read, mm, where that is known."""
    x, y = told.values.get("x"), told.values.get("y")
    return (float(x), float(y)) if isinstance(x, int | float) and isinstance(y, int | float) else None


def questions(not_read: Sequence[Phrase]) -> tuple[Question, ...]:
    """The questions among what is said of a reading, in its order."""
    return tuple(_question(told) for told in not_read if is_question(told))


def _question(told: Phrase) -> Question:
    text, sure = told.values.get("text"), told.values.get("sure")
    return Question(
        told,
        place_of(told),
        text if isinstance(text, str) else None,
        float(sure) if isinstance(sure, int | float) else None,
    )
