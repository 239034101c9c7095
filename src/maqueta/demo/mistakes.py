"""The mistakes students make, each as a change to a faultless sheet."""

from collections.abc import Callable, Mapping
from typing import Final

from maqueta.demo import special_mistakes
from maqueta.geometry.directions import opposite
from maqueta.projection.arrangement import VIEW_NAMES, neighbour
from maqueta.projection.attitude import Attitude
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.dimension import LinearDimension
from maqueta.sheet.document import SheetDocument, TitleBlock
from maqueta.sheet.placed import placed_views
from maqueta.sheet.view import View, square
from maqueta.sheet.view_graph import let_go

Mistake = Callable[[ProjectedPart, SheetDocument], SheetDocument]


def _view(sheet: SheetDocument, identifier: str, **change: object) -> SheetDocument:
    """The sheet with one view changed."""
    views = tuple(v.model_copy(update=change) if v.id == identifier else v for v in sheet.views)
    return sheet.model_copy(update={"views": views})


def _shift(sheet: SheetDocument, identifier: str, dx: float, dy: float) -> SheetDocument:
    x, y = sheet.view(identifier).at
    return _view(sheet, identifier, at=(x + dx, y + dy))


def _kept(sheet: SheetDocument, keep: Callable[[str], bool]) -> SheetDocument:
    """The sheet with only the dimensions and marks of some views."""
    return sheet.model_copy(
        update={
            "dimensions": tuple(d for d in sheet.dimensions if keep(d.view)),
            "marks": tuple(m for m in sheet.marks if keep(m.view)),
        }
    )


def _boxed(projected: ProjectedPart, view: View, left: float, bottom: float) -> View:
    """A view moved so that its lines start at a place on the sheet."""
    box = placed_views(projected, SheetDocument(views=let_go([view], view.parent or "")))[0].box
    return view.model_copy(update={"at": (view.at[0] + left - box[0], view.at[1] + bottom - box[1])})


def wrong_front(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The left side taken as front; the other views follow from it, undimensioned."""
    first = sheet.view("v1").attitude
    assert first is not None
    front = neighbour(first, "left")
    views = []
    for view in sheet.views:
        if view.attitude is None:
            views.append(view)
            continue
        name = next(n for n in VIEW_NAMES if neighbour(first, n) == view.attitude)
        attitude = neighbour(front, name)
        box = placed_views(projected, SheetDocument(views=let_go([view], view.parent or "")))[0].box
        views.append(_boxed(projected, view.model_copy(update={"look": square(attitude)}), *box[:2]))
    ids = {view.id: view for view in views}
    aligned = []
    for view in views:
        if view.id == "v2":
            view = view.model_copy(update={"at": (ids["v1"].at[0], view.at[1])})
        elif view.id == "v3":
            view = view.model_copy(update={"at": (view.at[0], ids["v1"].at[1])})
        aligned.append(view)
    return _kept(sheet.model_copy(update={"views": tuple(aligned)}), lambda _: False)


def other_angle(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """Top and front change places, the right view goes to the left."""
    boxes = {item.view.id: item.box for item in placed_views(projected, sheet)}
    front, top, right = (boxes[name] for name in ("v1", "v2", "v3"))
    sheet = _shift(sheet, "v1", right[2] - front[2], top[3] - front[3])
    sheet = _shift(sheet, "v2", right[2] - top[2], front[1] - top[1])
    sheet = _shift(sheet, "v3", front[0] - right[0], top[3] - front[3])
    without = tuple(view for view in sheet.views if view.kind != "pictorial")
    return sheet.model_copy(update={"views": without})


def top_out_of_line(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The top view stands 7 mm too far right."""
    return _shift(sheet, "v2", 7.0, 0.0)


def right_view_turned(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The right view is turned by a quarter; its dimensions are left out."""
    view = sheet.view("v3")
    assert view.attitude is not None
    turned = view.attitude.turned(1)
    box = placed_views(projected, sheet)[2].box
    changed = _boxed(projected, view.model_copy(update={"look": square(turned)}), box[0], box[1])
    views = tuple(changed if v.id == "v3" else v for v in sheet.views)
    return _kept(sheet.model_copy(update={"views": views}), lambda v: v != "v3")


def no_hidden_lines(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The hidden lines of the top view are switched off."""
    return _view(sheet, "v2", hidden=False)


def hidden_on_pictorial(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The pictorial view shows hidden lines."""
    return _view(sheet, "p1", hidden=True)


def no_right_view(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The right view is left out, with its dimensions."""
    kept = _kept(sheet, lambda v: v != "v3")
    return kept.model_copy(update={"views": tuple(v for v in sheet.views if v.id != "v3")})


def missing_sizes(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """Two locations are not given."""
    linear = [d.id for d in sheet.dimensions if isinstance(d, LinearDimension)]
    gone = {linear[3], linear[-1]}
    return sheet.model_copy(update={"dimensions": tuple(d for d in sheet.dimensions if d.id not in gone)})


def closed_chain(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The last stretch across the front view is given as well."""
    row = [d for d in sheet.dimensions if isinstance(d, LinearDimension) and d.view == "v1" and d.along == "across"]
    row.sort(key=lambda d: abs(d.end[0] - d.start[0]))
    longest, second = row[-1], row[-2]
    closing = longest.model_copy(update={"id": "chain", "start": second.end, "place": second.place})
    return sheet.model_copy(update={"dimensions": (*sheet.dimensions, closing)})


def said_twice(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The overall width stands in the front view and again in the top view."""
    row = [d for d in sheet.dimensions if isinstance(d, LinearDimension) and d.view == "v1" and d.along == "across"]
    longest = max(row, key=lambda d: abs(d.end[0] - d.start[0]))
    lowest = min(d.place[1] for d in sheet.dimensions if d.view == "v2" and d.kind == "linear" and d.along == "across")
    again = longest.model_copy(update={"id": "twice", "view": "v2", "place": (0.0, lowest - 8.0)})
    again = again.model_copy(update={"start": (longest.start[0], 0.0), "end": (longest.end[0], 0.0)})
    return sheet.model_copy(update={"dimensions": (*sheet.dimensions, again)})


def wrong_value(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """A value typed over by hand, and wrong; the scale in the title block as well."""
    first = next(d for d in sheet.dimensions if isinstance(d, LinearDimension))
    typed = first.model_copy(update={"text": "92" if sheet.units == "mm" else "3.900"})
    dimensions = tuple(typed if d.id == first.id else d for d in sheet.dimensions)
    return _titled(sheet.model_copy(update={"dimensions": dimensions}), scale="1:2")


def _titled(sheet: SheetDocument, **fields: str) -> SheetDocument:
    title = TitleBlock(fields={**sheet.title.fields, **fields}, angle=sheet.title.angle)  # type: ignore[dict-item]
    return sheet.model_copy(update={"title": title})


def bare_title(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """Date and drafter are empty, the angle symbol is missing, no centre marks."""
    titled = _titled(sheet, date="", drafter="")
    title = titled.title.model_copy(update={"angle": None})
    return titled.model_copy(update={"title": title, "marks": ()})


def one_view_smaller(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The right view at half scale, everything pushed into the lower left corner."""
    sheet = _view(sheet, "v3", scale=sheet.view("v3").scale / 2)
    for view in sheet.views:
        if view.kind != "pictorial":
            sheet = _shift(sheet, view.id, -16.0, -14.0)
    return sheet


def upside_down(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The front view is turned by half a turn."""
    view = sheet.view("v1")
    assert view.attitude is not None
    box = placed_views(projected, sheet)[0].box
    turned = Attitude(view.attitude.side, opposite(view.attitude.up))
    changed = _boxed(projected, view.model_copy(update={"look": square(turned)}), box[0], box[1])
    views = tuple(changed if v.id == "v1" else v for v in sheet.views)
    return _kept(sheet.model_copy(update={"views": views}), lambda v: v != "v1")


MISTAKES: Final[Mapping[str, Mistake]] = {
    "wrong front": wrong_front,
    "upside down": upside_down,
    "other angle": other_angle,
    "top out of line": top_out_of_line,
    "right view turned": right_view_turned,
    "no hidden lines": no_hidden_lines,
    "hidden on pictorial": hidden_on_pictorial,
    "no right view": no_right_view,
    "missing sizes": missing_sizes,
    "closed chain": closed_chain,
    "said twice": said_twice,
    "wrong value": wrong_value,
    "bare title": bare_title,
    "one view smaller": one_view_smaller,
}
#: What is done wrong with special views.
SPECIAL_MISTAKES: Final[Mapping[str, Mistake]] = {
    "no section": special_mistakes.no_section,
    "no cutting line": special_mistakes.no_cutting_line,
    "arrows the other way": special_mistakes.arrows_the_other_way,
    "section without letters": special_mistakes.section_without_letters,
    "not hatched": special_mistakes.not_hatched,
    "hidden left in the section": special_mistakes.hidden_left,
    "rib cut": special_mistakes.rib_cut,
    "no circle": special_mistakes.no_circle,
    "other scale stated": special_mistakes.other_scale_stated,
    "looked at askew": special_mistakes.looked_at_askew,
    "auxiliary out of line": special_mistakes.out_of_line,
}
