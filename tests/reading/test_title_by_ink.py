"""Title blocks of pictures: what stands there and was not read is in doubt, what is not there is missing."""

import pytest

from maqueta.geometry.box import grown
from maqueta.reading.content import lettering_width
from maqueta.reading.title_by_ink import title_by_ink
from maqueta.sheet.document import TitleBlock
from maqueta.sheet.fields import UNREADABLE, TitleField
from maqueta.sheet.usual_form import usual_form
from maqueta.sheet.view import Square, View
from tests.reading.inked import inked

FORM = usual_form("A3", True, "en")
PLACES = {place.field: place.box for place in FORM.fields}
FRONT = View(id="v1", look=Square(side="-y", up="+z"), at=(100.0, 100.0), scale=0.5)
VIEWS = (FRONT, FRONT.model_copy(update={"id": "v2"}))


def test_a_scale_and_a_symbol_that_were_not_read_are_as_they_should_be() -> None:
    ink = inked(boxes=[grown(PLACES[field], -2.0) for field in ("scale", "angle")])
    read = title_by_ink(TitleBlock(fields={"title": "LEVER"}), (FORM, (0.0, 0.0)), ink, "first", VIEWS)
    assert set(read.fields) == {"scale", "angle"}
    assert read.title == TitleBlock(fields={"title": "LEVER", "scale": "1:2"}, angle="first")


@pytest.mark.parametrize("shift", [(0.0, 0.0), (12.0, -7.0)])
def test_of_other_fields_is_told_that_something_stands_there(shift: tuple[float, float]) -> None:
    left, bottom, right, top = grown(PLACES["drafter"], -1.0)
    ink = inked(boxes=[(left + shift[0], bottom + shift[1], right + shift[0], top + shift[1])])
    read = title_by_ink(TitleBlock(), (FORM, shift), ink, "third", VIEWS)
    assert read.fields == ("drafter",)
    assert read.title == TitleBlock(fields={"drafter": UNREADABLE})


@pytest.mark.parametrize("field", ["scale", "drafter", "angle"])
def test_what_was_read_stays_and_what_is_not_there_is_missing(field: TitleField) -> None:
    """The lines of the block and its captions are no writing."""
    lines = [(line.start, line.end) for line in FORM.lines]
    captions = [
        (t.at[0] - x, t.at[1], t.at[0] - x + wide, t.at[1] + t.height)
        for t in FORM.texts
        for wide in (lettering_width(t.text, t.height),)
        for x in (wide / 2 if t.anchor == "middle" else 0.0,)
    ]
    written = TitleBlock(fields={"scale": "1:5"}, angle="third")
    read = title_by_ink(written, (FORM, (0.0, 0.0)), inked(lines, captions), "first", VIEWS)
    assert read.fields == ()
    assert read.title == written


def test_of_a_block_nobody_knows_signs_alone_are_in_doubt() -> None:
    read = title_by_ink(TitleBlock(fields={"scale": "1:2"}), None, inked(), "first", VIEWS)
    assert read.fields == ("angle",)
    assert read.title == TitleBlock(fields={"scale": "1:2"}, angle="first")
