"""Words on sheets, in any writing, a letter perhaps misread."""

import pytest

from maqueta.sheet.document import TitleBlock
from maqueta.sheet.sheet_name import asked_name, same_words
from maqueta.sheet.words import all_within, may_be_one_person, nearly_same, words_in


def test_accents_capitals_and_what_stands_between_say_nothing() -> None:
    assert words_in("Sección_A-A, núm. 2") == ["seccion", "a", "a", "num", "2"]
    assert same_words("Group_2-LEVÉR.rev a", "group 2 lever REV A")


@pytest.mark.parametrize(
    ("word", "other", "same"),
    [
        ("lever", "lever", True),
        ("lever", "levfr", True),
        ("spindle", "sp1ndle", True),
        ("pin", "bin", False),
        ("upper", "lower", False),
        ("left", "right", False),
        ("part12", "part13", False),
    ],
)
def test_long_words_may_be_a_letter_apart_and_numbers_never(word: str, other: str, same: bool) -> None:
    assert nearly_same(word, other) is same
    assert nearly_same(other, word) is same


@pytest.mark.parametrize(
    ("written", "within"),
    [("PEDAL PIN, STEEL", True), ("PIN, PEDAI", True), ("PEDAL", False), ("PEDAL PIN 2", True), ("", False)],
)
def test_a_text_says_what_another_says(written: str, within: bool) -> None:
    assert all_within("Pedal pin", written) is within


@pytest.mark.parametrize(
    ("name", "other", "same"),
    [
        ("A. Tester", "TESTER, ANNA", True),
        ("Anna Tester", "Anna Tesler", True),
        ("Tester", "A. Tester", True),
        ("A. Tester", "B. Tester", False),
        ("Anna Tester", "Anna Other", False),
        ("", "Anna", False),
    ],
)
def test_who_may_be_one_person(name: str, other: str, same: bool) -> None:
    assert may_be_one_person(name, other) is same
    assert may_be_one_person(other, name) is same


def test_a_field_that_cannot_be_read_asks_for_no_name() -> None:
    title = TitleBlock(fields={"title": "?", "class": " Evening 2 "})
    assert (title.legible("title"), title.legible("class"), title.legible("drafter")) == (None, "Evening 2", "")
    assert asked_name("{class} {title}", title) is None
    assert asked_name("{class}", title) == " Evening 2 "
