"""The same sheet written by general drawing libraries is read back alike, right or wrong."""

import pytest

from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.phrases.said import said
from maqueta.reading.delivered import read_delivered
from maqueta.sheet.document import SheetDocument
from tests.reading.libraries_writer import LIBRARIES, Library
from tests.reading.test_pdf_sheets import SLUGS, TASK, answer, found

_DRAWN = "its letters are drawn and not written; they were read by how they look"


def spoilt(sheet: SheetDocument) -> SheetDocument:
    """The view from above pushed aside, and a size left out."""
    top = next(view for view in sheet.views if view.attitude is not None and view.attitude.side == "+z")
    moved = top.model_copy(update={"at": (top.at[0] + 4.0, top.at[1])})
    views = tuple(moved if view is top else view for view in sheet.views)
    return sheet.model_copy(update={"views": views, "dimensions": sheet.dimensions[1:]})


# Letters that are drawn take long to read; mistakes among them are found elsewhere.
_WRONG = [(library, True) for library in LIBRARIES if not library.outlined]


@pytest.mark.parametrize(("library", "wrong"), [*((own, False) for own in LIBRARIES), *_WRONG])
def test_sheets_of_drawing_libraries_are_judged_alike(library: Library, wrong: bool) -> None:
    part, right = answer(SLUGS[(LIBRARIES.index(library) + 1) % len(SLUGS)])
    sheet = spoilt(right) if wrong else right
    read = read_delivered(library.write(sheet_ink(part, sheet), sheet.paper.layout), part, TASK)
    assert found(part, TASK, read.document) == found(part, TASK, sheet)
    assert len(read.document.dimensions) == len(sheet.dimensions)
    told = [said(what) for what in read.not_read]
    # Besides, letters that nothing is read from, such as the strokes of "1 / 1".
    assert told[:1] == ([_DRAWN] if library.outlined else [])
