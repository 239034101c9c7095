"""Where a sheet from elsewhere lies on its paper."""

from typing import Final

from maqueta.reading.expectation import Expectation
from maqueta.reading.frame import SheetFrame
from maqueta.sheet.document import Frame, Paper, SheetDocument
from maqueta.sheet.paper import sides

#: A border that reaches farther than this beyond its paper, mm, is not where it was (common practice, no source).
_BEYOND: Final = 1.0


def paper_of_frame(frame: SheetFrame, expected: Expectation) -> Paper:
    """The paper a frame is of, or the one that is asked for."""
    if frame.border is None:
        return Paper(size=expected.paper, landscape=expected.landscape)
    return Paper(
        size=frame.size or expected.paper,
        landscape=frame.landscape,
        frame=Frame(border=frame.border, title=frame.title),
    )


def shift_of(frame: SheetFrame) -> tuple[float, float]:
    """What brings the sheet's lower left corner to the origin: nothing unless the sheet is drawn elsewhere."""
    if frame.paper is not None:
        x, y = frame.paper[:2]
        return (-x, -y) if max(abs(x), abs(y)) > 0.5 else (0.0, 0.0)
    if frame.border is not None and not (-1.0 <= frame.border[0] <= 60.0 and -1.0 <= frame.border[1] <= 60.0):
        return (20.0 - frame.border[0], 10.0 - frame.border[1])
    return _onto_paper(frame)


def _onto_paper(frame: SheetFrame) -> tuple[float, float]:
    """What brings a border that reaches beyond its paper to where it stands there: a picture shows some of the table,
    too. Margins are even but for a wider one on the left (ISO 5457, from memory).
    """
    if frame.border is None or frame.size is None:
        return (0.0, 0.0)
    (wide, high), (left, bottom, right, top) = sides(frame.size, frame.landscape), frame.border
    if right <= wide + _BEYOND and top <= high + _BEYOND:
        return (0.0, 0.0)
    margin = (high - (top - bottom)) / 2
    filing = wide - margin - (right - left)
    # A border larger than the paper that is asked for is of no usual size, and stays where it is.
    return (filing - left, margin - bottom) if min(margin, filing) > 0 else (0.0, 0.0)


def moved_sheet(document: SheetDocument, shift: tuple[float, float]) -> SheetDocument:
    """A sheet shifted on its paper as a whole."""
    if shift == (0.0, 0.0):
        return document
    x, y = shift
    views = tuple(view.model_copy(update={"at": (view.at[0] + x, view.at[1] + y)}) for view in document.views)
    paper = document.paper
    if paper.frame is not None:
        boxes = {
            name: (box[0] + x, box[1] + y, box[2] + x, box[3] + y)
            for name, box in (("border", paper.frame.border), ("title", paper.frame.title))
            if box is not None
        }
        paper = paper.model_copy(update={"frame": Frame(**boxes)})
    notes = tuple(note.model_copy(update={"at": (note.at[0] + x, note.at[1] + y)}) for note in document.notes)
    return document.model_copy(update={"views": views, "paper": paper, "notes": notes})
