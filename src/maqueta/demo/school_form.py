"""The sheet form of the demo's evening school: its own title block, with zone marks around the border."""

from typing import Final

from maqueta.sheet.fields import FormField
from maqueta.sheet.form_cells import OFF, OFF_LEVEL
from maqueta.sheet.sheet_form import FieldPlace, FormLine, FormText, SheetForm
from maqueta.sheet.usual_form import CAPTION, CAPTION_ASIDE, CAPTION_BELOW

NAME: Final = "Loom house, A3"
_LEFT: Final = 230.0
_RIGHT: Final = 410.0
#: Rows of the title block: from, to, and what begins where in them; None is the school itself.
_ROWS: Final[tuple[tuple[float, float, tuple[tuple[float, FormField | None, str], ...]], ...]] = (
    (34.0, 46.0, ((230.0, None, ""), (288.0, "title", "PART"), (372.0, "number", "NUMBER"))),
    (22.0, 34.0, ((230.0, "drafter", "DRAWN BY"), (288.0, "class", "CLASS"), (330.0, "date", "DATE"),
                  (358.0, "checked", "CHECKED"))),
    (10.0, 22.0, ((230.0, "angle", "ANGLE"), (266.0, "scale", "SCALE"), (288.0, "unit", "UNIT"),
                  (304.0, "material", "MATERIAL"), (342.0, "tolerances", "TOLERANCES"), (376.0, "sheet", "SHEET"),
                  (393.0, "revision", "REV"))),
)  # fmt: skip


def school_form() -> SheetForm:
    """The form, for A3 in landscape."""
    lines, places = [], []
    texts = [
        FormText(text="LOOM HOUSE", at=(_LEFT + 3.0, 40.2), height=3.5),
        FormText(text="EVENING SCHOOL", at=(_LEFT + 3.0, 36.0), height=2.5),
    ]
    for bottom, top, cells in _ROWS:
        if bottom > 10.0:
            lines.append(FormLine(start=(_LEFT, bottom), end=(_RIGHT, bottom)))
        ends = [x for x, _, _ in cells[1:]] + [_RIGHT]
        for (x, field, caption), end in zip(cells, ends, strict=True):
            if x > _LEFT:
                lines.append(FormLine(start=(x, bottom), end=(x, top)))
            if field is not None:
                base = top - CAPTION_BELOW - CAPTION
                texts.append(FormText(text=caption, at=(x + CAPTION_ASIDE, base)))
                room = (x + CAPTION_ASIDE, bottom + OFF_LEVEL, end - OFF, base - OFF)
                places.append(FieldPlace(field=field, box=room))
    return SheetForm(
        size="A3",
        landscape=True,
        border=(20.0, 10.0, _RIGHT, 287.0),
        title=(_LEFT, 10.0, _RIGHT, 46.0),
        lines=tuple(lines),
        texts=tuple(texts),
        fields=tuple(places),
        zones="iso",
    )
