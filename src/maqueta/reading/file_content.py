"""One way in for sheets from elsewhere: what a file holds, told by its content and not by its name.

What reads a kind of file is loaded with the first of that kind.
"""

from typing import Final

from maqueta.phrases.phrase import phrase
from maqueta.reading.content import Content
from maqueta.reading.drawn_letters import with_letters
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.formats import is_pdf, is_picture, is_svg
from maqueta.reading.layer_names import with_names_believed
from maqueta.reading.limits import large_enough
from maqueta.reading.short_bars import with_short_bars

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
    if not is_pdf(data):
        return 1
    from maqueta.reading.pdf import file as pdf

    return pdf.pages_of(data)


def content_of(data: bytes, page: int = 1, paper: tuple[float, float] = _USUAL_PAPER) -> Content:
    """What a DXF, PDF or SVG file or a picture holds; of several pages one.

    `paper` is how wide and high the sheet should be, mm: of a picture that may be all that tells its size. Raises
    UnreadableSheetError with one line for people.
    """
    large_enough(data)
    if is_pdf(data):
        return _of_pdf(data, page, paper)
    if page != 1:
        raise UnreadableSheetError(phrase("sheet-no-such-page", page=page))
    if is_svg(data):
        from maqueta.reading.svg.file import read_svg

        return _told(read_svg(data))
    if is_picture(data):
        from maqueta.reading.picture.file import read_picture
        from maqueta.reading.picture.image import picture_of

        return read_picture(picture_of(data), paper)
    if (kind := next((name for start, name in _OTHERS if data.startswith(start)), None)) is not None:
        raise UnreadableSheetError(phrase("sheet-file-other", kind=kind))
    from maqueta.reading.dxf.file import read_dxf

    return _told(read_dxf(data))


def _told(content: Content) -> Content:
    """What a file of lines holds, with what its lines, letters and names mean told from each other."""
    return with_names_believed(with_letters(with_short_bars(content)))


def _of_pdf(data: bytes, page: int, paper: tuple[float, float]) -> Content:
    """What a page of a PDF file holds, be it drawn or a picture of a sheet."""
    from maqueta.reading.pdf import file as pdf

    try:
        return _told(pdf.read_pdf(data, page))
    except pdf.PictureAloneError:
        from maqueta.reading.picture.file import read_picture

        return read_picture(pdf.page_seen(data, page), paper)
