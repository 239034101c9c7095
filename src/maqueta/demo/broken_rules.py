"""For each rule a sheet that breaks it, beside the right one: drawn where the rule gives its reasons."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from typing import Any, Final

from maqueta.demo import assembly_mistakes, changed_lines, misplaced_sizes, special_mistakes
from maqueta.demo.mistakes import MISTAKES
from maqueta.making.model_sheet import dimensioned
from maqueta.projection.arrangement import VIEW_NAMES, neighbour
from maqueta.projection.datum_sides import end_at
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.dimension import Dimension, LinearDimension, RoundDimension
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.drafted import Pen, drafted_of
from maqueta.sheet.drafted_line import Drafted, DraftedLine
from maqueta.sheet.placed import placed_views
from maqueta.sheet.view import FromCorner, View, square
from maqueta.sizes.proposal import Datum
from maqueta.task.dimensioning import DimensioningTask, FunctionalSize, HolesFrom
from maqueta.task.special import AuxiliaryAsked, DetailAsked, SectionAsked, Shown

Broken = Callable[[ProjectedPart, SheetDocument], SheetDocument]


@dataclass(frozen=True, slots=True)
class Example:
    """How a sheet of a demo part breaks a rule; `asked` is what the exercise asks besides, for it to be a breach, and
    `right` what the right sheet needs for that. `part` is the demo part it is drawn on.
    """

    broken: Broken
    asked: Mapping[str, Any] = field(default_factory=dict)
    right: Broken | None = None
    part: str = "reed-clamp"


def _view(sheet: SheetDocument, identifier: str, **change: object) -> SheetDocument:
    views = tuple(v.model_copy(update=change) if v.id == identifier else v for v in sheet.views)
    return sheet.model_copy(update={"views": views})


def _named(projected: ProjectedPart, sheet: SheetDocument, kind: str) -> View:
    """The front view, the one furthest above it ("top") or right of it ("right"), or the pictorial one."""
    if kind == "pictorial":
        return next(view for view in sheet.views if view.kind == "pictorial")
    front = sheet.view(sheet.front or "v1")
    if kind == "front":
        return front
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


def _mirrored(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    return _view(sheet, _named(projected, sheet, "right").id, mirrored=True)


def _sizes(change: Callable[[list[Dimension]], list[Dimension]]) -> Broken:
    return lambda _, sheet: sheet.model_copy(update={"dimensions": tuple(change(list(sheet.dimensions)))})


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


def _hiding_corner(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """From the left, where beside front and top views alone the right would be as good."""
    view = _named(projected, sheet, "pictorial")
    return _view(sheet, view.id, look=FromCorner(corner="--+"))


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


def _across_the_front(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The top view below the front view, where the other angle would have it; the right view where it was."""
    top, placed = _named(projected, sheet, "top"), {i.view.id: i for i in placed_views(projected, sheet)}
    front = placed[sheet.front or "v1"].box
    height = placed[top.id].box[3] - placed[top.id].box[1]
    down = placed[top.id].box[1] - (front[1] - 14 - height)
    kept = _without_sizes_of(sheet, top.id)
    lower = _view(kept, top.id, at=(top.at[0], top.at[1] - down))
    # Room below: all views move up together.
    return _shifted(0, 40)(projected, lower)


def _without_sizes_of(sheet: SheetDocument, view: str) -> SheetDocument:
    dimensions = tuple(d for d in sheet.dimensions if d.view != view)
    return sheet.model_copy(update={"dimensions": dimensions})


def _with_rear(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The left view as well, which nobody asked for."""
    front = sheet.view(sheet.front or "v1")
    assert front.attitude is not None, "a front view looks squarely"
    left = View(id="v9", look=square(neighbour(front.attitude, "left")), parent=front.id, at=(38.0, front.at[1]))
    return sheet.model_copy(update={"views": (*sheet.views, left)})


def _smooth(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    views = tuple(v.model_copy(update={"smooth": True}) if v.kind == "principal" else v for v in sheet.views)
    return sheet.model_copy(update={"views": views})


def _from_hidden(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The width of a bore taken between its hidden lines in the right view."""
    view = _named(projected, sheet, "right")
    placed = next(item for item in placed_views(projected, sheet) if item.view.id == view.id)
    level = sorted(
        (
            piece.outline()
            for piece in placed.lines.of("hidden")
            if abs(piece.outline()[0][1] - piece.outline()[-1][1]) < 1e-6
        ),
        key=lambda line: line[0][1],
    )
    low, high = level[0], level[-1]
    inside = (low[0][0] + low[-1][0]) / 2
    size = LinearDimension(
        id="dh", view=view.id, start=(inside, low[0][1]), end=(inside, high[0][1]), along="up", place=(40.0, 0.0)
    )
    return sheet.model_copy(update={"dimensions": (*sheet.dimensions, size)})


def _from_the_right(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """All sizes taken from the right side of the front view."""
    attitude = sheet.view(sheet.front or "v1").attitude
    assert attitude is not None, "a front view looks squarely"
    ends = (
        end_at(attitude, "width", "right side"),
        end_at(attitude, "height", "base"),
        end_at(attitude, "depth", "front"),
    )
    return dimensioned(projected, sheet, attitude, Datum(*ends))


def _without(name: str) -> Broken:
    """The sheet without one of its views and what belongs to it."""

    def broken(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
        gone = _named(projected, sheet, name).id
        kept = _without_sizes_of(sheet, gone)
        views = tuple(view for view in kept.views if view.id != gone)
        return kept.model_copy(update={"views": views, "marks": tuple(m for m in kept.marks if m.view != gone)})

    return broken


def _front_and_top(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The right view taken off a wheel's sheet, and the others in the middle."""
    return _shifted(63, 0, "front", "top")(projected, _without("right")(projected, sheet))


def _place_beside(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """How deep an upright bore stands, taken in the right view, where it is only hidden lines."""
    right, top = _named(projected, sheet, "right"), _named(projected, sheet, "top")
    bores = {round(f.at[1], 3) for f in projected.part.features if f.kind == "hole" and f.axis == "z"}
    upright = [d for d in sheet.dimensions if isinstance(d, LinearDimension) and d.view == top.id and d.along == "up"]
    own = next(d for d in upright if round(d.end[1], 3) in bores)
    moved = own.model_copy(
        update={
            "view": right.id,
            "start": (own.start[1], 0.0),
            "end": (own.end[1], 0.0),
            "along": "across",
            "place": (0.0, -12.0),
        }
    )
    return sheet.model_copy(update={"dimensions": tuple(moved if d.id == own.id else d for d in sheet.dimensions)})


def _unshaded(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    return _view(sheet, _named(projected, sheet, "pictorial").id, shading=None)


def _as_it_is(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    return sheet


def _called(name: str) -> Broken:
    return lambda _, sheet: sheet.model_copy(update={"name": name})


def _special(broken: Broken, part: str, *asked: object) -> Example:
    """An example of a sheet with a special view."""
    task = {"views": ("front", "top"), "paper": "A2", "pictorial": "unwanted", "special": asked}
    return Example(broken, task, None, part)


_ANY_SECTION, _HALF = SectionAsked(kind="section"), SectionAsked(kind="section", form="half")
_SLOPE = AuxiliaryAsked(kind="auxiliary", shows=Shown(normal=(36.0, 0.0, 40.0)))
_CORNER = AuxiliaryAsked(kind="auxiliary", shows=Shown(normal=(0.460178993, -0.707106781, 0.536875492)))
_RIB = SectionAsked(kind="section", through=((70.0, 25.0, 30.0),))
_SPECIAL: Final[Mapping[str, Example]] = {
    "section.missing": _special(special_mistakes.no_section, "bobbin-bush", _ANY_SECTION),
    "section.cutting-line": _special(special_mistakes.line_aside, "bobbin-bush", _ANY_SECTION),
    "section.label": _special(special_mistakes.section_without_letters, "bobbin-bush", _ANY_SECTION),
    "section.hatching": _special(special_mistakes.not_hatched, "bobbin-bush", _ANY_SECTION),
    "section.hatch-style": _special(special_mistakes.hatched_along, "bobbin-bush", _ANY_SECTION),
    "section.hidden": _special(special_mistakes.hidden_left, "ribbed-bearing", _RIB),
    "section.uncut": _special(special_mistakes.rib_cut, "ribbed-bearing", _RIB),
    "section.boundary": _special(special_mistakes.no_centre_line, "brake-drum", _HALF),
    "detail.region": _special(special_mistakes.no_circle, "spindle-pin", DetailAsked(kind="detail")),
    "detail.label": _special(special_mistakes.detail_without_letter, "spindle-pin", DetailAsked(kind="detail")),
    "detail.scale": _special(special_mistakes.other_scale_stated, "spindle-pin", DetailAsked(kind="detail")),
    "auxiliary.missing": _special(special_mistakes.no_auxiliary, "slanted-seat", _SLOPE),
    "auxiliary.direction": _special(special_mistakes.looked_at_askew, "slanted-seat", _SLOPE),
    "auxiliary.fold": _special(special_mistakes.out_of_line, "slanted-seat", _SLOPE),
    "auxiliary.chain": _special(special_mistakes.chain_begun_wrongly, "beam-casting", _CORNER),
    "auxiliary.label": _special(special_mistakes.hangs_on_nothing, "slanted-seat", _SLOPE),
}
_SIX: Final[Mapping[str, Any]] = {
    "paper": "A2",
    "shows": "six sides",
    "views": VIEW_NAMES,
    "pictorial": "unwanted",
    "dimensioning": DimensioningTask(required=False),
}
_APART: Final[Mapping[str, Any]] = {"shows": "pulled apart"}
_ASSEMBLY: Final[Mapping[str, Example]] = {
    "assembly.sides": Example(assembly_mistakes.without_a_side, _SIX, None, "pedal"),
    "assembly.part": Example(assembly_mistakes.without_a_part, _SIX, None, "pedal"),
    "assembly.apart": Example(assembly_mistakes.pulled_aside, _APART, None, "pedal"),
    "assembly.balloon": Example(assembly_mistakes.numbers_changed, _APART, None, "pedal"),
    "assembly.list": Example(assembly_mistakes.a_row_less, _APART, None, "shuttle"),
}
#: Examples by rule. Those of a whole set cannot be shown on one sheet.
EXAMPLES: Final[Mapping[str, Example]] = {
    "front.side": Example(MISTAKES["wrong front"]),
    "front.turn": Example(MISTAKES["upside down"]),
    "angle.arrangement": Example(MISTAKES["other angle"]),
    "angle.symbol": Example(_no_symbol, {"title_fields": ("title", "angle")}),
    "angle.mixed": Example(_across_the_front),
    "views.surplus": Example(_with_rear),
    "lines.style": Example(_redrawn(changed_lines.hidden_drawn_solid)),
    "lines.tangent-edge": Example(_smooth, {}, None, "temple-arm"),
    "dimensions.to-hidden": Example(_from_hidden),
    "dimensions.datum": Example(
        _as_it_is, {"dimensioning": DimensioningTask(holes_from=HolesFrom(width="right side"))}, _from_the_right
    ),
    "views.missing": Example(MISTAKES["no right view"]),
    "views.unrecognised": Example(_strangers),
    "views.mirrored": Example(_mirrored),
    "alignment.offset": Example(MISTAKES["top out of line"]),
    "alignment.turned": Example(MISTAKES["right view turned"]),
    "lines.missing-visible": Example(_redrawn(changed_lines.without_one_line)),
    "lines.missing-hidden": Example(MISTAKES["no hidden lines"]),
    "lines.hidden-on-pictorial": Example(MISTAKES["hidden on pictorial"]),
    "lines.missing-centre": Example(_no_marks),
    "lines.extra": Example(_redrawn(changed_lines.with_one_line_more)),
    "lines.displaced": Example(_redrawn(changed_lines.with_one_line_moved)),
    "lines.wrong-kind": Example(_redrawn(changed_lines.with_one_line_of_another_kind)),
    "scale.stated": Example(_title(scale="2:1")),
    "scale.mixed": Example(MISTAKES["one view smaller"]),
    "scale.nonstandard": Example(_scaled(0.83), {"scale": None}),
    "scale.asked": Example(_scaled(0.5), {"scale": "1:1"}),
    "scale.fill": Example(_scaled(0.5), {"scale": None}),
    "dimensions.undetermined": Example(MISTAKES["missing sizes"]),
    "dimensions.redundant": Example(MISTAKES["closed chain"]),
    "dimensions.repeated": Example(MISTAKES["said twice"]),
    "dimensions.overall": Example(
        _sizes(lambda own: [d for d in own if d.id != misplaced_sizes.level_sizes(own)[-1].id])
    ),
    "dimensions.value": Example(MISTAKES["wrong value"]),
    "dimensions.unread": Example(
        _sizes(lambda own: misplaced_sizes.first_changed(own, LinearDimension, {"text": "about this"}))
    ),
    "dimensions.aslant": Example(_sizes(misplaced_sizes.taken_aslant)),
    "dimensions.form": Example(
        _sizes(lambda own: misplaced_sizes.first_changed(own, RoundDimension, {"kind": "radius"}))
    ),
    "dimensions.decimals": Example(
        _sizes(lambda own: misplaced_sizes.first_changed(own, LinearDimension, {"decimals": 3}))
    ),
    "dimensions.tolerance": Example(
        _sizes(lambda own: misplaced_sizes.first_changed(own, LinearDimension, {"text": "<> +0.1/+0.3"})),
    ),
    "dimensions.precision": Example(
        _as_it_is,
        {"dimensioning": DimensioningTask(functional=(FunctionalSize(kind="diameter", size=12),))},
        _sizes(lambda own: misplaced_sizes.with_a_fit(own, 6.0)),
    ),
    "dimensions.on-pictorial": Example(_on_pictorial),
    "placement.order": Example(_sizes(misplaced_sizes.rows_swapped)),
    "placement.spacing": Example(_sizes(misplaced_sizes.rows_nearer)),
    "placement.on-part": Example(_sizes(misplaced_sizes.laid_over_the_view)),
    "placement.crossing": Example(_sizes(misplaced_sizes.rows_swapped)),
    "placement.gap": Example(_sizes(misplaced_sizes.extension_lines_touching)),
    "placement.reading": Example(_sizes(misplaced_sizes.texts_turned)),
    "placement.lettering": Example(_sizes(misplaced_sizes.lettered_low)),
    "placement.overlap": Example(_sizes(misplaced_sizes.texts_over_each_other)),
    "layout.outside": Example(_shifted(0, 60)),
    "layout.overlap": Example(_shifted(0, -60, "top")),
    "layout.centring": Example(_shifted(-45, 0)),
    "layout.gaps": Example(_uneven),
    "title.missing": Example(MISTAKES["bare title"]),
    "title.lettering": Example(_title(title="Reed clamp"), {"title_capitals": True}),
    "title.name": Example(_called("final2"), {"sheet_name": "{title}"}, _called("REED CLAMP")),
    "pictorial.corner": Example(_other_corner),
    "pictorial.hides": Example(_hiding_corner, {"views": ("front", "top")}, None, "heddle-guide"),
    "pictorial.shading": Example(_unshaded, {"shaded": True}),
    "views.repeated": Example(_as_it_is, {"views": None}, _front_and_top, "tension-wheel"),
    "views.insufficient": Example(_without("right"), {"views": None}),
    "dimensions.contour": Example(_place_beside),
    **_SPECIAL,
    **_ASSEMBLY,
}
