"""One way in for sheets from elsewhere: what a file holds, told by its content and not by its name."""

from typing import Final

from maqueta.phrases.phrase import phrase
from maqueta.reading.content import Content
from maqueta.reading.drawn_letters import with_letters
from maqueta.reading.dxf.file import read_dxf
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.layer_names import with_names_believed
from maqueta.reading.limits import large_enough
from maqueta.reading.pdf.file import PictureAloneError, is_pdf, page_seen, read_pdf
from maqueta.reading.pdf.file import pages_of as pdf_pages
from maqueta.reading.picture.image import Picture, is_picture, picture_of
from maqueta.reading.svg.file import is_svg, read_svg

#: Wide and high, mm: an A3 sheet, where nobody says how large a sheet in a picture should be.
_USUAL_PAPER: Final = (420.0, 297.0)
#: How files begin that are no sheets we read, and what they are.
_OTHERS: Final = (
    (b"AC10", "DWG"),
    (b"PK\x03\x04", "ZIP"),
    (b"ISO-10303-21", "STEP"),
)


def pages_of(data: bytes) -> int:
    """How many pages a file has: each of them may be a sheet. Raises UnreadableSheetError."""
    return pdf_pages(data) if is_pdf(data) else 1


def content_of(data: bytes, page: int = 1, paper: tuple[float, float] = _USUAL_PAPER) -> Content:
    """What a DXF, PDF or SVG file or a picture holds; of several pages one.

    `paper` is how wide and high the sheet should be, mm: of a picture that may be all that tells its size. Raises
    UnreadableSheetError with one line for people.
    """
    large_enough(data)
    if is_pdf(data):
        try:
            return with_names_believed(with_letters(read_pdf(data, page)))
        except PictureAloneError:
            return _seen(page_seen(data, page), paper)
    if page != 1:
        raise UnreadableSheetError(phrase("sheet-no-such-page", page=page))
    if is_svg(data):
        return with_names_believed(with_letters(read_svg(data)))
    if is_picture(data):
        return _seen(picture_of(data), paper)
    if (kind := next((name for start, name in _OTHERS if data.startswith(start)), None)) is not None:
        raise UnreadableSheetError(phrase("sheet-file-other", kind=kind))
    return with_names_believed(with_letters(read_dxf(data)))


def _seen(picture: Picture, paper: tuple[float, float]) -> Content:
    # What sees pictures takes a while to load; most sheets are none.
    from maqueta.reading.picture.file import read_picture

    return read_picture(picture, paper)
