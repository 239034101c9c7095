"""One way in for sheets from elsewhere: what a file holds, told by its content and not by its name."""

from typing import Final

from maqueta.phrases.phrase import phrase
from maqueta.reading.content import Content
from maqueta.reading.dxf.file import read_dxf
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.limits import large_enough
from maqueta.reading.pdf.file import is_pdf, read_pdf
from maqueta.reading.pdf.file import pages_of as pdf_pages
from maqueta.reading.svg.file import is_svg, read_svg

#: How files begin that are no sheets we read, and what they are.
_OTHERS: Final = (
    (b"\x89PNG\r\n\x1a\n", "PNG"),
    (b"\xff\xd8\xff", "JPEG"),
    (b"AC10", "DWG"),
    (b"PK\x03\x04", "ZIP"),
    (b"ISO-10303-21", "STEP"),
)


def pages_of(data: bytes) -> int:
    """How many pages a file has: each of them may be a sheet. Raises UnreadableSheetError."""
    return pdf_pages(data) if is_pdf(data) else 1


def content_of(data: bytes, page: int = 1) -> Content:
    """What a DXF, PDF or SVG file holds; of several pages one. Raises UnreadableSheetError with one line for people."""
    large_enough(data)
    if is_pdf(data):
        return read_pdf(data, page)
    if page != 1:
        raise UnreadableSheetError(phrase("sheet-no-such-page", page=page))
    if is_svg(data):
        return read_svg(data)
    if (kind := next((name for start, name in _OTHERS if data.startswith(start)), None)) is not None:
        raise UnreadableSheetError(phrase("sheet-file-other", kind=kind))
    return read_dxf(data)
