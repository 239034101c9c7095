"""Layers of a PDF page, which a reader can switch: optional content (ISO 32000-1, 8.11, from memory).

The PDF library knows no layers of its own: their groups are put into its catalog and into the page's resources.
"""

from collections.abc import Iterator
from contextlib import contextmanager
from typing import Any, Final

from reportlab.pdfbase.pdfdoc import PDFArray, PDFDictionary, PDFName, PDFResourceDictionary, PDFString

#: The first version of the format that has layers.
VERSION: Final = (1, 5)


class PageLayers:
    """The layers of the pages that are drawn on a canvas; pages have those of one name in common."""

    def __init__(self, canvas: Any) -> None:
        self._canvas = canvas
        self._groups: dict[str, Any] = {}

    @contextmanager
    def on(self, name: str) -> Iterator[None]:
        """What is drawn within lies on a layer."""
        if name not in self._groups:
            told = {"Type": PDFName("OCG"), "Name": PDFString(name)}
            self._groups[name] = self._canvas._doc.Reference(PDFDictionary(told), f"layer{len(self._groups)}")
        self._canvas._code.append(f"/OC /L{list(self._groups).index(name)} BDC")
        yield
        self._canvas._code.append("EMC")

    def end_page(self) -> None:
        """End the page that is being drawn."""
        self._canvas.showPage()
        properties = {f"L{place}": group for place, group in enumerate(self._groups.values())}
        resources = PDFResourceDictionary(Properties=properties)
        resources.basicFonts()
        self._canvas._doc.Pages.pages[-1].Resources = resources

    def finish(self) -> None:
        """Tell the layers to the file, once all its pages are drawn."""
        document, groups = self._canvas._doc, list(self._groups.values())
        shown = PDFDictionary({"Order": PDFArray(groups), "ON": PDFArray(groups)})
        catalog = document.Catalog
        catalog.OCProperties = PDFDictionary({"OCGs": PDFArray(groups), "D": shown})
        catalog.__NoDefault__ = [*catalog.__NoDefault__, "OCProperties"]
