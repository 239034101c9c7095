"""Special views as they stand on the sheet: letters, parents, hatched areas, and the marks in their parents."""

import itertools
import math
from collections.abc import Mapping, Sequence
from typing import Final

from maqueta.geometry.carrier import Similarity
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.special.cutting_marks import CutMark
from maqueta.reading.special.matching import Known, Matching
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.special import (
    MOST_AREAS,
    MOST_CORNERS,
    MOST_SPECIAL,
    Arrows,
    CircledRegion,
    CuttingLine,
    HatchedArea,
    SheetClip,
    SightArrow,
)
from maqueta.sheet.view import View
from maqueta.sheet.view_graph import FOLDED_FROM, fold, shared
from maqueta.solid.unit import MILLIMETRES

#: Views stand in line within this, mm, to be taken for folded out of each other.
_IN_LINE: Final = 1.0


def with_special(
    document: SheetDocument, matching: Matching, known: Mapping[int, Known], projected: ProjectedPart
) -> SheetDocument:
    """The sheet with what is known of its special views; view `v1` is the first group, and so on."""
    unit = MILLIMETRES[projected.part.unit]
    views = [_named(view, known.get(place), matching, place, unit) for place, view in enumerate(document.views)]
    views = [_hung(view, known.get(place), views) for place, view in enumerate(views)]
    return document.model_copy(
        update={
            "views": tuple(views),
            "cutting_lines": tuple(_cutting_lines(matching, views, unit))[:MOST_SPECIAL],
            "circled": tuple(_circled(matching, views, unit))[:MOST_SPECIAL],
            "sight_arrows": tuple(_sight_arrows(matching, views, unit))[:MOST_SPECIAL],
        }
    )


def _named(view: View, own: Known | None, matching: Matching, place: int, unit: float) -> View:
    """A view with its label and with what is hatched in it."""
    move = _move(view, unit)
    areas = tuple(
        HatchedArea(
            rings=tuple(tuple(map(move.back, ring)) for ring in area.rings[:MOST_AREAS]),
            angle=math.remainder(area.angle, 180.0),
            spacing=min(area.spacing, 200.0),
        )
        for area in matching.areas.get(place, ())
    )
    update: dict[str, object] = {"hatched": areas[:MOST_AREAS] or None}
    if own is not None:
        label = own.label
        update["letter"] = label.letter if label is not None else None
        if view.kind == "detail":
            update["stated"] = label.scale if label is not None else ""
        update["parent"] = f"v{own.parent + 1}" if own.parent is not None else None
    return view.model_copy(update=update)


def _hung(view: View, own: Known | None, views: Sequence[View]) -> View:
    """A view that says where it hangs only by where it stands, hung on the one it is in line with."""
    revolved = view.cut is not None and view.cut.form == "revolved"
    if own is None or view.kind not in ("auxiliary", "section") or own.mark is not None or revolved:
        return _possible(view, views)
    look = view.own_look
    best: tuple[float, str] | None = None
    for other in views:
        parent = other.own_look
        if other.id == view.id or other.kind not in FOLDED_FROM or parent is None or look is None:
            continue
        along = shared(parent, look) if fold(parent, look) is not None else None
        if along is None or other.parent == view.id:
            continue
        off = abs((view.at[0] - other.at[0]) * along[0] + (view.at[1] - other.at[1]) * along[1])
        if best is None or off < best[0] - 1e-6:
            best = (off, other.id)
    if best is not None and (best[0] <= _IN_LINE or view.parent is None):
        return view.model_copy(update={"parent": best[1]})
    return _possible(view, views)


def _possible(view: View, views: Sequence[View]) -> View:
    """A view whose parent can have one folded out of it."""
    parent = next((other for other in views if other.id == view.parent), None)
    if view.parent is None or (parent is not None and parent.kind in FOLDED_FROM):
        return view
    return view.model_copy(update={"parent": None})


def _move(view: View, unit: float) -> Similarity:
    return Similarity(view.scale * unit, 0.0, *view.at)


def _cutting_lines(matching: Matching, views: Sequence[View], unit: float) -> list[CuttingLine]:
    found = []
    for number, mark in enumerate(matching.marks.cuts):
        home = matching.home(mark)
        if home is None or len(mark.path) > MOST_CORNERS:
            continue
        view = views[home]
        path = tuple(map(_move(view, unit).back, mark.path))
        first, last = mark.letters
        found.append(
            CuttingLine(
                id=f"cut{number + 1}",
                view=view.id,
                path=path,
                arrows=_side(mark),
                letter=first,
                other=last if last != first else None,
            )
        )
    return found


def _side(mark: CutMark) -> Arrows:
    """On which side of its way a cutting line has its arrows."""
    (x, y), path = mark.sight, mark.path
    legs = list(itertools.pairwise(path))
    across = [(b[0] - a[0]) * y - (b[1] - a[1]) * x for a, b in legs]
    return "left" if max(across, key=abs) > 0 else "right"


def _circled(matching: Matching, views: Sequence[View], unit: float) -> list[CircledRegion]:
    found = []
    for number, mark in enumerate(matching.marks.circles):
        (x, y), radius = mark.centre, mark.radius
        home = matching.nearest((x - radius, y - radius, x + radius, y + radius))
        if home is None:
            continue
        move = _move(views[home], unit)
        region = SheetClip(centre=move.back(mark.centre), radius=radius / move.scale)
        found.append(CircledRegion(id=f"reg{number + 1}", view=views[home].id, region=region, letter=mark.letter))
    return found


def _sight_arrows(matching: Matching, views: Sequence[View], unit: float) -> list[SightArrow]:
    found = []
    for number, mark in enumerate(matching.marks.sights):
        tip = mark.arrow.tip
        home = matching.nearest((*tip, *tip))
        if home is not None:
            view = views[home]
            found.append(
                SightArrow(
                    id=f"arrow{number + 1}",
                    view=view.id,
                    tip=_move(view, unit).back(tip),
                    way=mark.arrow.way,
                    letter=mark.letter,
                )
            )
    return found
