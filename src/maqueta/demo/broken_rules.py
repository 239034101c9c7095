"""For each rule a sheet that breaks it, beside the right one: drawn where the rule gives its reasons."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from typing import Any, Final

from maqueta.demo.mistakes import MISTAKES
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.dimension import Dimension, Lettering, LinearDimension, RoundDimension
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.drafted import Pen, drafted_of
from maqueta.sheet.drafted_line import Drafted, DraftedLine
from maqueta.sheet.placed import placed_views
from maqueta.sheet.view import FromCorner, View
from maqueta.task.dimensioning import DimensioningTask, FunctionalSize

Broken = Callable[[ProjectedPart, SheetDocument], SheetDocument]


@dataclass(frozen=True, slots=True)
class Example:
    """How a sheet of a demo part breaks a rule; `asked` is what the exercise asks besides, for it to be a breach, and
    `right` what the right sheet needs for that.
    """

    broken: Broken
    asked: Mapping[str, Any] = field(default_factory=dict)
    right: Broken | None = None


def _view(sheet: SheetDocument, identifier: str, **change: object) -> SheetDocument:
    views = tuple(v.model_copy(update=change) if v.id == identifier else v for v in sheet.views)
    return sheet.model_copy(update={"views": views})


def _named(projected: ProjectedPart, sheet: SheetDocument, kind: str) -> View:
    """The view whose box lies furthest above ("top") or right of ("right") the front view, or the pictorial one."""
    if kind == "pictorial":
        return next(view for view in sheet.views if view.kind == "pictorial")
    front = sheet.view(sheet.front or "v1")
    others = [view for view in sheet.views if view.kind == "principal" and view.id != front.id]
    return max(others, key=lambda v: v.at[1] if kind == "top" else v.at[0])


def _by_hand(projected: ProjectedPart, sheet: SheetDocument, identifier: str) -> list[Drafted]:
    """The lines of a view as if they were drawn by hand."""
    placed = next(item for item in placed_views(projected, sheet) if item.view.id == identifier)
    return [drafted_of(piece, Pen("hidden" if piece.kind == "hidden" else "visible")) for piece in placed.drawn]


def _redrawn(change: Callable[[list[Drafted]], list[Drafted]]) -> Broken:
    """The front view drawn by hand, with a change to its lines."""

    def broken(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
        front = sheet.front or "v1"
        return _view(sheet, front, lines=tuple(change(_by_hand(projected, sheet, front))))

    return broken


def _length(line: Drafted) -> float:
    if not isinstance(line, DraftedLine):
        return 0.0
    (x, y), (u, v) = line.points[0], line.points[-1]
    return abs(u - x) + abs(v - y)


def _longest_inside(lines: list[Drafted], pen: str) -> int:
    """The number of a straight line that is long, but none of the longest, which are the outline."""
    order = sorted((n for n, line in enumerate(lines) if line.pen == pen), key=lambda n: -_length(lines[n]))
    return order[min(4, len(order) - 1)]


def _without_one(lines: list[Drafted]) -> list[Drafted]:
    gone = _longest_inside(lines, "visible")
    return [line for number, line in enumerate(lines) if number != gone]


def _with_one_more(lines: list[Drafted]) -> list[Drafted]:
    points = [point for line in lines if isinstance(line, DraftedLine) for point in line.points]
    left, right = min(x for x, _ in points), max(x for x, _ in points)
    bottom, top = min(y for _, y in points), max(y for _, y in points)
    third = (right - left) / 3
    low, high = bottom + 0.08 * (top - bottom), bottom + 0.2 * (top - bottom)
    return [*lines, DraftedLine(points=((left + third, low), (right - third, high)))]


def _moved_one(lines: list[Drafted]) -> list[Drafted]:
    number = _longest_inside(lines, "visible")
    line = lines[number]
    assert isinstance(line, DraftedLine), "a straight line was chosen"
    upright = abs(line.points[0][0] - line.points[-1][0]) < 1e-6
    dx, dy = (2.0, 0.0) if upright else (0.0, 2.0)
    lines[number] = line.model_copy(update={"points": tuple((x + dx, y + dy) for x, y in line.points)})
    return lines


def _other_kind(lines: list[Drafted]) -> list[Drafted]:
    number = _longest_inside(lines, "visible")
    lines[number] = lines[number].model_copy(update={"pen": "hidden"})
    return lines


def _mirrored(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    return _view(sheet, _named(projected, sheet, "right").id, mirrored=True)


def _sizes(change: Callable[[list[Dimension]], list[Dimension]]) -> Broken:
    return lambda _, sheet: sheet.model_copy(update={"dimensions": tuple(change(list(sheet.dimensions)))})


def _first(dimensions: list[Dimension], kind: type[Dimension], change: Mapping[str, Any]) -> list[Dimension]:
    """The dimensions with the first of a kind changed."""
    number = next(n for n, own in enumerate(dimensions) if isinstance(own, kind))
    dimensions[number] = dimensions[number].model_copy(update=dict(change))
    return dimensions


def _linear(dimensions: list[Dimension]) -> list[LinearDimension]:
    return [own for own in dimensions if isinstance(own, LinearDimension)]


def _across(dimensions: list[Dimension]) -> list[LinearDimension]:
    """The level sizes of the view that has most of them, the shortest first."""
    level = [own for own in _linear(dimensions) if own.along == "across"]
    busiest = max({own.view for own in level}, key=lambda view: sum(own.view == view for own in level))
    return sorted((own for own in level if own.view == busiest), key=lambda own: abs(own.end[0] - own.start[0]))


def _swapped(dimensions: list[Dimension]) -> list[Dimension]:
    """The shortest level size outside of the longest."""
    rows = _across(dimensions)
    inner, outer = rows[0], rows[-1]
    swapped = {inner.id: outer.place, outer.id: inner.place}
    return [own.model_copy(update={"place": swapped.get(own.id, own.place)}) for own in dimensions]


def _nearer(dimensions: list[Dimension]) -> list[Dimension]:
    """Every row of level sizes pressed towards the view."""
    rows = {own.id for own in _across(dimensions)}
    return [
        own.model_copy(update={"place": (own.place[0], own.place[1] * 0.45)}) if own.id in rows else own
        for own in dimensions
    ]


def _on_part(dimensions: list[Dimension]) -> list[Dimension]:
    own = _across(dimensions)[-1]
    moved = own.model_copy(update={"place": (own.place[0], 12.0)})
    return [moved if other.id == own.id else other for other in dimensions]


def _over_each_other(dimensions: list[Dimension]) -> list[Dimension]:
    first, second, *_ = _across(dimensions)
    between = (first.start[0] + first.end[0] - second.start[0] - second.end[0]) / 2
    moved = second.model_copy(update={"place": first.place, "shift": between})
    return [moved if own.id == second.id else own for own in dimensions]


def _touching(dimensions: list[Dimension]) -> list[Dimension]:
    return [own.model_copy(update={"gaps": (0.0, 0.0)}) if own in _across(dimensions) else own for own in dimensions]


def _low(dimensions: list[Dimension]) -> list[Dimension]:
    low = Lettering(height=1.6)
    return [own.model_copy(update={"lettering": low}) for own in dimensions]


def _turned(dimensions: list[Dimension]) -> list[Dimension]:
    level = {own.id for own in _across(dimensions)[:2]}
    turned = Lettering(height=3.5, turn=180.0)
    return [own.model_copy(update={"lettering": turned}) if own.id in level else own for own in dimensions]


def _aslant(dimensions: list[Dimension]) -> list[Dimension]:
    own = _across(dimensions)[-1]
    (x, y), (u, v) = own.start, own.end
    slanted = own.model_copy(update={"along": "aligned", "end": (u, v + 14.0), "start": (x, y)})
    return [slanted if other.id == own.id else other for other in dimensions]


def _on_pictorial(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    view = _named(projected, sheet, "pictorial")
    placed = next(item for item in placed_views(projected, sheet) if item.view.id == view.id)
    points = [point for piece in placed.drawn for point in piece.outline()]
    low, high = min(points, key=lambda p: p[0]), max(points, key=lambda p: p[0])
    size = LinearDimension(
        id="dp", view=view.id, start=low, end=high, along="across", place=(0.0, (min(p[1] for p in points)) - 12)
    )
    return sheet.model_copy(update={"dimensions": (*sheet.dimensions, size)})


def _no_marks(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    return sheet.model_copy(update={"marks": ()})


def _shifted(dx: float, dy: float, *names: str) -> Broken:
    """All views, or those named, moved on the paper with what belongs to them."""

    def broken(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
        moved = {_named(projected, sheet, name).id for name in names} or {view.id for view in sheet.views}
        views = tuple(
            v.model_copy(update={"at": (v.at[0] + dx, v.at[1] + dy)}) if v.id in moved else v for v in sheet.views
        )
        return sheet.model_copy(update={"views": views})

    return broken


def _uneven(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The right view further out, and all of them moved back to the middle."""
    return _shifted(-13, 0)(projected, _shifted(26, 0, "right")(projected, sheet))


def _title(**fields: str) -> Broken:
    def broken(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
        title = sheet.title.model_copy(update={"fields": {**sheet.title.fields, **fields}})
        return sheet.model_copy(update={"title": title})

    return broken


def _no_symbol(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    return sheet.model_copy(update={"title": sheet.title.model_copy(update={"angle": None})})


def _scaled(factor: float) -> Broken:
    """All views at another scale, about their places, with the scale in the title block as it was."""

    def broken(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
        views = tuple(v.model_copy(update={"scale": v.scale * factor}) for v in sheet.views)
        return sheet.model_copy(update={"views": views, "dimensions": (), "marks": ()})

    return broken


def _other_corner(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    view = _named(projected, sheet, "pictorial")
    assert isinstance(view.look, FromCorner), "a pictorial view looks from a corner"
    x, y, z = view.look.corner
    flip = {"+": "-", "-": "+"}
    return _view(sheet, view.id, look=view.look.model_copy(update={"corner": f"{flip[x]}{flip[y]}{z}"}))


def _strangers(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The right view drawn by hand from memory: something else."""
    view = _named(projected, sheet, "right")
    box = [(0.0, 0.0), (31.0, 0.0), (31.0, 17.0), (22.0, 39.0), (0.0, 39.0)]
    sides = zip(box, [*box[1:], box[0]], strict=True)
    lines = (*(DraftedLine(points=side) for side in sides), DraftedLine(points=((9.0, 0.0), (13.0, 39.0))))
    kept = tuple(d for d in sheet.dimensions if d.view != view.id)
    marks = tuple(m for m in sheet.marks if m.view != view.id)
    alone = sheet.model_copy(update={"dimensions": kept, "marks": marks})
    return _view(alone, view.id, kind="unrecognised", look=None, parent=None, lines=lines)


def _as_it_is(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    return sheet


def _fitted(dimensions: list[Dimension], radius: float) -> list[Dimension]:
    """The diameters of a radius with a fit."""
    return [
        own.model_copy(update={"text": "<> H7"}) if isinstance(own, RoundDimension) and own.radius == radius else own
        for own in dimensions
    ]


def _called(name: str) -> Broken:
    return lambda _, sheet: sheet.model_copy(update={"name": name})


#: Examples by rule; of the others the page shows words only.
EXAMPLES: Final[Mapping[str, Example]] = {
    "front.side": Example(MISTAKES["wrong front"]),
    "front.turn": Example(MISTAKES["upside down"]),
    "angle.arrangement": Example(MISTAKES["other angle"]),
    "angle.symbol": Example(_no_symbol, {"title_fields": ("title", "angle")}),
    "views.missing": Example(MISTAKES["no right view"]),
    "views.unrecognised": Example(_strangers),
    "views.mirrored": Example(_mirrored),
    "alignment.offset": Example(MISTAKES["top out of line"]),
    "alignment.turned": Example(MISTAKES["right view turned"]),
    "lines.missing-visible": Example(_redrawn(_without_one)),
    "lines.missing-hidden": Example(MISTAKES["no hidden lines"]),
    "lines.hidden-on-pictorial": Example(MISTAKES["hidden on pictorial"]),
    "lines.missing-centre": Example(_no_marks),
    "lines.extra": Example(_redrawn(_with_one_more)),
    "lines.displaced": Example(_redrawn(_moved_one)),
    "lines.wrong-kind": Example(_redrawn(_other_kind)),
    "scale.stated": Example(_title(scale="2:1")),
    "scale.mixed": Example(MISTAKES["one view smaller"]),
    "scale.nonstandard": Example(_scaled(0.83), {"scale": None}),
    "scale.asked": Example(_scaled(0.5), {"scale": "1:1"}),
    "scale.fill": Example(_scaled(0.5), {"scale": None}),
    "dimensions.undetermined": Example(MISTAKES["missing sizes"]),
    "dimensions.redundant": Example(MISTAKES["closed chain"]),
    "dimensions.repeated": Example(MISTAKES["said twice"]),
    "dimensions.overall": Example(_sizes(lambda own: [d for d in own if d.id != _across(own)[-1].id])),
    "dimensions.value": Example(MISTAKES["wrong value"]),
    "dimensions.unread": Example(_sizes(lambda own: _first(own, LinearDimension, {"text": "about this"}))),
    "dimensions.aslant": Example(_sizes(_aslant)),
    "dimensions.form": Example(_sizes(lambda own: _first(own, RoundDimension, {"kind": "radius"}))),
    "dimensions.decimals": Example(_sizes(lambda own: _first(own, LinearDimension, {"decimals": 3}))),
    "dimensions.tolerance": Example(
        _sizes(lambda own: _first(own, LinearDimension, {"text": "<> +0.1/+0.3"})),
    ),
    "dimensions.precision": Example(
        _as_it_is,
        {"dimensioning": DimensioningTask(functional=(FunctionalSize(kind="diameter", size=12),))},
        _sizes(lambda own: _fitted(own, 6.0)),
    ),
    "dimensions.on-pictorial": Example(_on_pictorial),
    "placement.order": Example(_sizes(_swapped)),
    "placement.spacing": Example(_sizes(_nearer)),
    "placement.on-part": Example(_sizes(_on_part)),
    "placement.crossing": Example(_sizes(_swapped)),
    "placement.gap": Example(_sizes(_touching)),
    "placement.reading": Example(_sizes(_turned)),
    "placement.lettering": Example(_sizes(_low)),
    "placement.overlap": Example(_sizes(_over_each_other)),
    "layout.outside": Example(_shifted(0, 60)),
    "layout.overlap": Example(_shifted(0, -60, "top")),
    "layout.centring": Example(_shifted(-45, 0)),
    "layout.gaps": Example(_uneven),
    "title.missing": Example(MISTAKES["bare title"]),
    "title.lettering": Example(_title(title="Reed clamp"), {"title_capitals": True}),
    "title.name": Example(_called("final2"), {"sheet_name": "{title}"}, _called("REED CLAMP")),
    "pictorial.corner": Example(_other_corner),
}
