"""Putting a reading right: what a person says a group of lines is."""

from collections.abc import Sequence

from maqueta.geometry.carrier import Point, Similarity
from maqueta.geometry.compare import DrawnPiece
from maqueta.phrases.phrase import phrase
from maqueta.phrases.told import ToldError
from maqueta.projection.arrangement import neighbour
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.candidates import STRANGE, Identity
from maqueta.reading.expectation import Expectation
from maqueta.reading.identify import identify_as
from maqueta.reading.said_to_be import Said
from maqueta.reading.special.as_said import SaidGroup
from maqueta.sheet.dimension import Dimension, mapped
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.drafted import drafted_of, pen_of, piece_of
from maqueta.sheet.placed import PlacedView, placed_views
from maqueta.sheet.scales import parse_scale
from maqueta.sheet.view import View
from maqueta.sheet.view_graph import FOLDED_FROM, let_go, with_front
from maqueta.solid.unit import MILLIMETRES


def corrected(
    projected: ProjectedPart,
    sheet: SheetDocument,
    view_id: str,
    said: Said,
    expected: Expectation,
    of: str | None = None,
) -> SheetDocument:
    """The sheet with one drafted view taken for what a person says.

    Its place and scale follow from its lines. A name is seen from the sheet's front view; saying "front" makes the
    view the front, in the accepted attitude it fits best. A special view may be said to be that `of` a cutting line, a
    circled region or a parent view, by its id. Raises KeyError for a view that is not drafted or an id that is none,
    ValueError where its lines cannot be laid on what is said, and LooksWantedError where the part has to be drawn in
    more looks first.
    """
    views = placed_views(projected, sheet)
    item = next((p for p in views if p.view.id == view_id), None)
    if item is None or item.view.lines is None:
        raise KeyError(view_id)
    if said == "none":
        return rebased(sheet, item, None, item.box[:2], 1.0, projected)
    front = next((v.attitude for v in sheet.views if v.id == sheet.front and v.id != view_id), None)
    drawn = [
        DrawnPiece(entry.piece.moved(item.move), entry.short * item.factor, entry.either) for entry in item.by_hand
    ]
    written = [sheet.title.fields.get("scale"), expected.scale]
    scales = [scale for text in written if text and (scale := parse_scale(text)) is not None] or [1.0]
    if said in ("section", "detail", "auxiliary"):
        larger = [parse_scale(item.view.stated or ""), *(scale * times for scale in scales for times in (2, 5))]
        likely = [*filter(None, larger), *scales] if said == "detail" else scales
        special = SaidGroup(projected, sheet, views, item, drawn, likely, expected).as_said(said, of)
        if special is None:
            raise ToldError(phrase("lines-fit-no-view", name=said))
        changed = rebased(sheet, item, special.fit.identity, special.fit.at, special.fit.scale, projected)
        return changed.model_copy(update={"views": _hung(changed.views, view_id, special.parent, special.letter)})
    if said == "pictorial":
        attitudes = None
    elif said == "front":
        attitudes = expected.fronts
    else:
        attitudes = (neighbour(front or expected.fronts[0], said),)
    fit = identify_as(projected, drawn, attitudes, scales, expected.tolerance)
    if fit is None:
        raise ToldError(phrase("lines-fit-no-view", name=said))
    changed = rebased(sheet, item, fit.identity, fit.at, fit.scale, projected)
    named = view_id if said == "front" else sheet.front
    return changed.model_copy(update={"views": with_front(changed.views, named)}) if named else changed


def _hung(views: Sequence[View], name: str, parent: str | None, letter: str | None) -> tuple[View, ...]:
    """The views with one of them hung on another, with the letter it is known by; what is folded out is a forest."""
    known = {view.id: view for view in views}
    above, kept = parent, tuple(views)
    while above is not None and above != name:
        above = known[above].parent
    if above == name:
        kept = let_go(kept, name)
    own = known[name].model_copy(update={"parent": parent, "letter": letter})
    return tuple(own if view.id == name else view for view in kept)


def rebased(
    sheet: SheetDocument,
    item: PlacedView,
    identity: Identity | None,
    at: Point,
    scale: float,
    projected: ProjectedPart,
) -> SheetDocument:
    """A drafted view with another identity, place and scale; all its ink stays where it is on paper."""
    factor = scale * MILLIMETRES[projected.part.unit]
    ratio = item.factor / factor
    change = Similarity(ratio, 0.0, (item.view.at[0] - at[0]) / factor, (item.view.at[1] - at[1]) / factor)
    lines = tuple(drafted_of(piece_of(line).moved(change), pen_of(line)) for line in item.view.lines or ())
    areas = {"hatched": tuple(area.moved(change) for area in item.view.hatched or ()) or None}
    view = (identity or STRANGE).on(item.view.model_copy(update={"at": at, "scale": scale, "lines": lines} | areas))
    shift = (item.view.at[0] - at[0], item.view.at[1] - at[1])
    dimensions = tuple(_moved(d, change, shift) if d.view == view.id else d for d in sheet.dimensions)
    marks = tuple(
        mark.model_copy(
            update={name: change(getattr(mark, name)) for name in ("start", "end", "centre") if hasattr(mark, name)}
            | ({"radius": mark.radius * ratio} if mark.kind == "mark" else {})
        )
        if mark.view == view.id
        else mark
        for mark in sheet.marks
    )
    cuts = tuple(
        line.model_copy(update={"path": tuple(map(change, line.path))}) if line.view == view.id else line
        for line in sheet.cutting_lines
    )
    circled = tuple(
        own.model_copy(update={"region": own.region.moved(change)}) if own.view == view.id else own
        for own in sheet.circled
    )
    views = tuple(view if own.id == view.id else own for own in sheet.views)
    if view.kind not in FOLDED_FROM:
        views = let_go(views, view.id)
    arrows = tuple(
        own.model_copy(update={"tip": change(own.tip)}) if own.view == view.id else own for own in sheet.sight_arrows
    )
    ink = {
        "dimensions": dimensions,
        "marks": marks,
        "cutting_lines": cuts,
        "circled": circled,
        "sight_arrows": arrows,
    }
    return sheet.model_copy(update={"views": views, **ink})


def _moved(dimension: Dimension, change: Similarity, shift: Point) -> Dimension:
    place = (dimension.place[0] + shift[0], dimension.place[1] + shift[1])
    return mapped(dimension, change, change.scale).model_copy(update={"place": place})
