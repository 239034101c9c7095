"""A PDF file as strokes and words in mm on paper, one page of it, by a general PDF library.

The file is hostile: what is followed and kept is bounded, nothing is fetched; a picture is looked at where a page
holds nothing else.
"""

import io
import logging
import math
from collections.abc import Iterator
from contextlib import contextmanager
from itertools import islice
from typing import Any

import numpy as np
import pypdfium2
from pdfminer.pdfdocument import PDFDocument, PDFPasswordIncorrect
from pdfminer.pdfinterp import PDFResourceManager
from pdfminer.pdfpage import PDFPage
from pdfminer.pdfparser import PDFParser

from maqueta.phrases.phrase import Phrase, phrase
from maqueta.phrases.said import said
from maqueta.reading.content import Content
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.glyphs import words_of
from maqueta.reading.limits import MOST_PAGES, large_enough
from maqueta.reading.pdf.interpreter import Layers, SheetInterpreter
from maqueta.reading.pdf.page import DrawnPage
from maqueta.reading.picture.image import MOST_PIXELS, Picture

#: Dots and points an inch.
_DOTS, _POINTS = 200.0, 72.0

# The library tells of every oddity of a file; what matters is told by us.
logging.getLogger("pdfminer").setLevel(logging.ERROR)


class PictureAloneError(UnreadableSheetError):
    """A page on which nothing is drawn but a picture: a scan."""

    def __init__(self) -> None:
        super().__init__(phrase("sheet-pdf-picture"))


def read_pdf(data: bytes, page: int = 1) -> Content:
    """Read one page, from 1. Raises UnreadableSheetError with one line for people."""
    large_enough(data)
    with _broken_told():
        document = _opened(data)
        own = _page(document, page)
        manager = PDFResourceManager()
        left, bottom, right, top = own.mediabox
        wide, high = (right - left, top - bottom) if own.rotate % 180 == 0 else (top - bottom, right - left)
        drawn = DrawnPage(manager, _unit(own), wide, high)
        SheetInterpreter(manager, drawn, Layers(document.catalog)).process_page(own)
    return _content(drawn)


def pages_of(data: bytes) -> int:
    """How many pages a file has. Raises UnreadableSheetError."""
    large_enough(data)
    with _broken_told():
        return sum(1 for _ in islice(PDFPage.create_pages(_opened(data)), MOST_PAGES + 1))


def page_seen(data: bytes, page: int) -> Picture:
    """A page as it is seen, at 200 dots an inch or as many as a large one allows. Raises UnreadableSheetError."""
    try:
        with pypdfium2.PdfDocument(data) as document:
            own = document[page - 1]
            wide, high = own.get_size()
            dots = min(_DOTS, math.sqrt(MOST_PIXELS / max(1.0, wide * high / _POINTS**2)))
            grey = own.render(scale=dots / _POINTS, grayscale=True).to_numpy()
    except (pypdfium2.PdfiumError, IndexError, ValueError) as error:
        raise UnreadableSheetError(phrase("sheet-pdf-broken")) from error
    return Picture(np.ascontiguousarray(grey.reshape(grey.shape[:2])), 25.4 / dots)


@contextmanager
def _broken_told() -> Iterator[None]:
    """Whatever a broken file drives the library to is one line for people."""
    try:
        yield
    except (UnreadableSheetError, MemoryError):
        raise
    except PDFPasswordIncorrect as error:
        raise UnreadableSheetError(phrase("sheet-pdf-locked")) from error
    except RecursionError as error:
        raise UnreadableSheetError(phrase("sheet-page-endless")) from error
    except Exception as error:  # the library raises exceptions of many kinds
        raise UnreadableSheetError(phrase("sheet-pdf-broken")) from error


def _opened(data: bytes) -> PDFDocument:
    return PDFDocument(PDFParser(io.BytesIO(data)))


def _page(document: PDFDocument, page: int) -> Any:
    own = next(islice(PDFPage.create_pages(document), page - 1, page), None) if page >= 1 else None
    if own is None:
        raise UnreadableSheetError(phrase("sheet-no-such-page", page=page))
    return own


def _unit(page: Any) -> float:
    """How many points a unit of a page is (ISO 32000-1, 14.11.2, UserUnit)."""
    unit = page.attrs.get("UserUnit", 1.0)
    return float(unit) if isinstance(unit, int | float) and 0.01 <= unit <= 1000 else 1.0


def _content(drawn: DrawnPage) -> Content:
    words = words_of(drawn.glyphs)
    if not drawn.strokes:
        raise PictureAloneError if drawn.pictures else UnreadableSheetError(phrase("sheet-file-without-lines"))
    counted = sorted(drawn.left.items(), key=lambda entry: said(entry[0]))
    left: tuple[Phrase, ...] = tuple(phrase("unread-counted", what=what, count=count) for what, count in counted)
    if drawn.pictures:
        left = (*left, phrase("unread-counted", what=phrase("unread-picture"), count=drawn.pictures))
    return Content(
        tuple(drawn.strokes),
        words,
        (),
        (),
        tuple(drawn.filled),
        left,
        tuple(drawn.areas),
        drawn.page,
        tuple(drawn.shapes),
        frozenset(drawn.bar_widths),
    )
