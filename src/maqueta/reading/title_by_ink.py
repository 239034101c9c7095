"""What stands in the title block of a picture and could not be read: it is no mistake of the sheet, and is told."""

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from maqueta.geometry.box import Box, grown
from maqueta.geometry.carrier import Point
from maqueta.projection.arrangement import Angle
from maqueta.reading.content import lettering_width
from maqueta.reading.ink_map import InkMap
from maqueta.sheet.document import TitleBlock
from maqueta.sheet.fields import UNREADABLE, FormField, TitleField
from maqueta.sheet.scales import parse_scale, write_scale
from maqueta.sheet.sheet_form import SheetForm
from maqueta.sheet.view import View

#: The rim of a field that lines of the form may reach into, the white around captions, and the grid on which ink is
#: looked for, mm; fewer inked places than this are specks (common practice, no source).
_RIM, _WHITE, _STEP, _SPECKS = 0.7, 0.4, 0.4, 4
#: What is told of a title block by signs alone, which are lost first, whatever block it is.
SIGNS: Final[tuple[FormField, ...]] = ("scale", "angle")


@dataclass(frozen=True)
class TitleInDoubt:
    """A title block with what is in doubt taken to be as it should, and the fields that are in doubt."""

    title: TitleBlock
    fields: tuple[FormField, ...]


def title_by_ink(
    title: TitleBlock,
    form: tuple[SheetForm, Point] | None,
    ink: InkMap,
    angle: Angle,
    views: Sequence[View],
    signs: Sequence[FormField] = SIGNS,
) -> TitleInDoubt:
    """A title block whose letters were recognised. `form` is the form it stands on and by how much that is moved (mm),
    where the form is known: a field is in doubt where ink is seen in it. Of other blocks `signs` are, if they were not
    read. `angle` is the one asked for.
    """
    unread = tuple(field for field in _fields(form, ink, signs) if _is_empty(title, field))
    fields: dict[TitleField, str] = dict(title.fields)
    scales = Counter(view.scale for view in views if view.kind == "principal").most_common(1)
    for field in unread:
        if field == "scale" and scales:
            fields[field] = write_scale(scales[0][0])
        elif field != "angle":
            fields[field] = UNREADABLE
    taken = title.angle or (angle if "angle" in unread else None)
    return TitleInDoubt(title.model_copy(update={"fields": fields, "angle": taken}), unread)


def _is_empty(title: TitleBlock, field: FormField) -> bool:
    if field == "angle":
        return title.angle is None
    text = title.fields.get(field, "").strip()
    # What was read as a scale and is none was misread: a colon is soon taken for a letter.
    return not text or (field == "scale" and parse_scale(text) is None)


def _fields(form: tuple[SheetForm, Point] | None, ink: InkMap, signs: Sequence[FormField]) -> Sequence[FormField]:
    if form is None:
        return signs
    own, (x, y) = form
    captions = [
        grown((t.at[0] - x0, t.at[1], t.at[0] - x0 + wide, t.at[1] + t.height), _WHITE)
        for t in own.texts
        for wide in (lettering_width(t.text, t.height),)
        for x0 in (wide / 2 if t.anchor == "middle" else 0.0,)
    ]
    return [place.field for place in own.fields if _inked(place.box, captions, (x, y), ink) >= _SPECKS]


def _inked(box: Box, captions: Sequence[Box], shift: Point, ink: InkMap) -> int:
    """At how many places of a field there is ink that is none of its captions."""
    left, bottom, right, top = grown(box, -_RIM)
    across, up = int((right - left) / _STEP), int((top - bottom) / _STEP)
    places = [(left + _STEP * i, bottom + _STEP * k) for i in range(across + 1) for k in range(up + 1)]
    free = [p for p in places if not any(c[0] <= p[0] <= c[2] and c[1] <= p[1] <= c[3] for c in captions)]
    return int(ink.inked([(px + shift[0], py + shift[1]) for px, py in free]).sum())
