"""Page descriptions followed operator by operator, by a general PDF library; what it leaves out is added here.

That is clipping, layers, pens set by name, and limits.

ISO 32000-1: 8.5.4 (clipping), 8.11 (optional content), 8.4.5 (graphics state parameters), from memory.
"""

from collections.abc import Callable
from typing import Any, Final

from pdfminer.pdfdevice import PDFDevice
from pdfminer.pdfinterp import PDFGraphicState, PDFPageInterpreter, PDFResourceManager
from pdfminer.pdftypes import list_value, resolve1
from pdfminer.psparser import PSLiteral, literal_name
from pdfminer.utils import Matrix, decode_text
from shapely.geometry import Polygon

from maqueta.phrases.phrase import phrase
from maqueta.reading.errors import UnreadableSheetError

#: Operators of a page that are followed, forms drawn within one another, and states saved.
MOST_OPERATORS, DEEPEST, MOST_SAVED = 400_000, 12, 200
#: The name a layer without one goes by.
_NAMELESS: Final = ""


class Layers:
    """The layers of a file: their names, and which are switched off."""

    def __init__(self, catalog: dict[str, Any]) -> None:
        self._off: set[int] = set()
        properties = resolve1(catalog.get("OCProperties"))
        if not isinstance(properties, dict):
            return
        usual = resolve1(properties.get("D"))
        off = resolve1(usual.get("OFF")) if isinstance(usual, dict) else None
        self._off = {ref.objid for ref in off if hasattr(ref, "objid")} if isinstance(off, list) else set()

    def told(self, reference: object) -> tuple[str, bool]:
        """The name of an optional-content group, and whether it is shown. A group of groups goes by its first."""
        shown = not (hasattr(reference, "objid") and reference.objid in self._off)
        group = resolve1(reference)
        if not isinstance(group, dict):
            return _NAMELESS, shown
        if "OCGs" in group:
            inner = resolve1(group["OCGs"])
            first = inner[0] if isinstance(inner, list) and inner else group["OCGs"]
            return self.told(first) if first is not reference else (_NAMELESS, shown)
        name = resolve1(group.get("Name"))
        return (decode_text(name) if isinstance(name, bytes) else _NAMELESS), shown


class PageDevice(PDFDevice):
    """What a page is drawn on: knows the layer and the clip in force."""

    layer: str = _NAMELESS
    shown: bool = True
    clip: Polygon | None = None

    def clip_of(self, path: list[Any]) -> Polygon | None:
        """The region a path encloses on the page."""
        raise NotImplementedError


class SheetInterpreter(PDFPageInterpreter):
    """Follows one page. Raises UnreadableSheetError where it goes on and on."""

    device: PageDevice

    def __init__(self, rsrcmgr: PDFResourceManager, device: PageDevice, layers: Layers) -> None:
        super().__init__(rsrcmgr, device)
        self._layers = layers
        self._clipping = False
        self._marked: list[tuple[str, bool]] = []
        self._depth = 0
        self._count: list[int] = [0]
        self._pen: PDFGraphicState | None = None
        #: The clips of the states that are saved.
        self._clips: list[Polygon | None] = []

    def dup(self) -> "SheetInterpreter":
        """One for a form drawn within the page: it counts on."""
        inner = type(self)(self.rsrcmgr, self.device, self._layers)
        inner._depth, inner._count = self._depth + 1, self._count
        inner._pen = self.graphicstate
        if inner._depth > DEEPEST:
            raise UnreadableSheetError(phrase("sheet-page-endless"))
        return inner

    def init_state(self, ctm: Matrix) -> None:
        """Begin a page; a form is drawn with the pen of the page it is drawn on."""
        super().init_state(ctm)
        if self._pen is not None:
            self.graphicstate = self._pen.copy()

    def push(self, obj: Any) -> None:
        """Counts what is worked through."""
        self._count[0] += 1
        if self._count[0] > 6 * MOST_OPERATORS:
            raise UnreadableSheetError(phrase("sheet-page-endless"))
        super().push(obj)

    def do_q(self) -> None:
        """Save the graphics state, the clip with it."""
        if len(self.gstack) > MOST_SAVED:
            raise UnreadableSheetError(phrase("sheet-page-endless"))
        super().do_q()
        self._clips.append(self.device.clip)

    def do_Q(self) -> None:  # noqa: N802
        """Restore the graphics state, the clip with it."""
        super().do_Q()
        if self._clips:
            self.device.clip = self._clips.pop()

    def do_W(self) -> None:  # noqa: N802
        """What is drawn next is seen within the path that is being built only."""
        self._clipping = True

    do_W_a = do_W  # noqa: N815

    def _with_clip(self, paint: Callable[[], None]) -> None:
        path = list(self.curpath)
        paint()
        if self._clipping:
            self._clipping = False
            region = self.device.clip_of(path)
            if region is not None:
                known = self.device.clip
                both = region if known is None else known.intersection(region)
                self.device.clip = both if isinstance(both, Polygon) else Polygon()

    def do_n(self) -> None:
        """End a path without drawing it."""
        self._with_clip(super().do_n)

    def do_S(self) -> None:  # noqa: N802
        """Draw along a path."""
        self._with_clip(super().do_S)

    def do_f(self) -> None:
        """Fill a path."""
        self._with_clip(super().do_f)

    def do_F(self) -> None:  # noqa: N802
        """Fill a path, by the old name."""
        self.do_f()

    def do_f_a(self) -> None:
        """Fill a path by the even-odd rule."""
        self._with_clip(super().do_f_a)

    def do_B(self) -> None:  # noqa: N802
        """Fill a path and draw along it."""
        self._with_clip(super().do_B)

    def do_B_a(self) -> None:  # noqa: N802
        """Fill a path by the even-odd rule and draw along it."""
        self._with_clip(super().do_B_a)

    def do_gs(self, name: Any) -> None:
        """Take a pen by its name: its width and dashes."""
        states = resolve1(self.resources.get("ExtGState")) if self.resources else None
        state = resolve1(states.get(literal_name(name))) if isinstance(states, dict) else None
        if not isinstance(state, dict):
            return
        if "LW" in state:
            self.do_w(resolve1(state["LW"]))
        if "D" in state and len(dash := list_value(state["D"])) == 2:
            self.do_d(resolve1(dash[0]), resolve1(dash[1]))

    def do_BDC(self, tag: Any, props: Any) -> None:  # noqa: N802
        """Begin what belongs together; a layer, where it is optional content."""
        self._marked.append((self.device.layer, self.device.shown))
        if isinstance(tag, PSLiteral) and literal_name(tag) == "OC" and isinstance(props, PSLiteral):
            known = resolve1(self.resources.get("Properties")) if self.resources else None
            if isinstance(known, dict):
                self._enter(known.get(literal_name(props)))

    def do_BMC(self, tag: Any) -> None:  # noqa: N802
        """Begin what belongs together."""
        self._marked.append((self.device.layer, self.device.shown))

    def do_EMC(self) -> None:  # noqa: N802
        """End what belongs together."""
        if self._marked:
            self.device.layer, self.device.shown = self._marked.pop()

    def do_Do(self, xobjid: Any) -> None:  # noqa: N802
        """Draw a form or a picture, on the layer it belongs to."""
        before = self.device.layer, self.device.shown, self.device.clip
        stream = resolve1(self.xobjmap.get(literal_name(xobjid)))
        group = getattr(stream, "attrs", {}).get("OC")
        if group is not None:
            self._enter(group)
        super().do_Do(xobjid)
        self.device.layer, self.device.shown, self.device.clip = before

    def _enter(self, reference: object) -> None:
        if reference is None:
            return
        name, shown = self._layers.told(reference)
        self.device.layer = name or self.device.layer
        self.device.shown = self.device.shown and shown
