"""Sections, details and auxiliary views of the model answer: set down where there is room, beside the usual views."""

import math
from collections.abc import Sequence
from dataclasses import dataclass, field
from itertools import pairwise, product
from typing import Final

from maqueta.geometry.box import Box, box_of, grown, meet
from maqueta.geometry.carrier import Point
from maqueta.geometry.directions import Vector, parallel, square
from maqueta.geometry.frame import cross, dot, unit
from maqueta.projection.look import Look
from maqueta.projection.needed_special import CLEAR_MM, SMALL_MM, special_need
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.arranged import ROOM, free_spot
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.placed import placed_views
from maqueta.sheet.scales import recommended
from maqueta.sheet.set_down import auxiliary_of, detail_of, moved_out, section_of
from maqueta.sheet.special import CircledRegion, CuttingLine, Hatch, SheetClip, SightArrow
from maqueta.sheet.view import View
from maqueta.sheet.view_graph import fold
from maqueta.solid.cut import CutForm
from maqueta.solid.part import Part
from maqueta.solid.slanted import slanted_faces
from maqueta.solid.uncut import pins, with_ribs_whole
from maqueta.solid.unit import MILLIMETRES
from maqueta.task.exercise import Exercise
from maqueta.task.special import AuxiliaryAsked, DetailAsked, SectionAsked, way_of

_LETTERS: Final = "ABCDEFGHJKLMNPRSTUVWXYZ"
#: Distances tried between the origins of a view and its parent, mm: the first, and so many steps further.
_FIRST, _STEP, _STEPS = 10.0, 5.0, 80
#: The arrow that says from where a view is seen ends so far before the view it stands in, mm (common practice,
#: no source).
_BEFORE: Final = 4.0


@dataclass
class _Plan:
    """What is set down beside the usual views, and what room they leave: boxes in sheet mm."""

    part: Part
    exercise: Exercise
    taken: list[Box]
    views: list[View] = field(default_factory=list)
    lines: list[CuttingLine] = field(default_factory=list)
    circled: list[CircledRegion] = field(default_factory=list)
    arrows: list[SightArrow] = field(default_factory=list)

    def letter(self) -> str:
        """The next letter."""
        return _LETTERS[sum(view.letter is not None for view in self.views) % len(_LETTERS)]

    @property
    def area(self) -> Box:
        """The drawing area."""
        return self.exercise.paper_given.layout.drawing_area

    def box(self, view: View) -> Box:
        """The box a view fills at most: that of its region, or of the whole part as it looks at it."""
        look, factor = view.own_look, view.scale * MILLIMETRES[self.part.unit]
        assert look is not None, "a special view looks at the part"
        if view.clip is not None:
            left, bottom, right, top = view.clip.clip.area.bounds
        else:
            left, bottom, right, top = box_of(look.seen(p) for edge in self.part.edges for p in edge.samples)
        x, y = view.at
        return (x + factor * left, y + factor * bottom, x + factor * right, y + factor * top)

    def in_projection(self, view: View, parent: View) -> View | None:
        """A view in line with its parent, where it is clear of the others; None where there is no room."""
        look, own = parent.own_look, view.own_look
        way = fold(look, own) if look is not None and own is not None else None
        # Room for dimensions all round, where there is any.
        for room, step in product((ROOM, ROOM / 2), range(_STEPS if way is not None else 0)):
            here = moved_out(view, way or (1.0, 0.0), _FIRST + _STEP * step, self.exercise.angle)
            box = grown(self.box(here), room)
            area = self.area
            inside = area[0] < box[0] and area[1] < box[1] and box[2] < area[2] and box[3] < area[3]
            if inside and not any(meet(box, other, 0.0) for other in self.taken):
                return here
        return None

    def anywhere(self, view: View) -> View:
        """A view where there is room for it, else in a corner of the drawing area."""
        box = self.box(view)
        spot = free_spot((box[2] - box[0], box[3] - box[1]), self.taken, self.area)
        x, y = spot or (self.area[0] + _FIRST, self.area[1] + _FIRST)
        at = (view.at[0] + x - box[0], view.at[1] + y - box[1])
        return view.model_copy(update={"at": at})

    def apart(self, view: View, parent: View) -> View:
        """An auxiliary view where there is room for it: with its letter, and the arrow in its parent that says so."""
        look, own = parent.own_look, view.own_look
        way = fold(look, own) if look is not None and own is not None else None
        assert way is not None, "an auxiliary view looks along the plane of its parent"
        lettered = self.anywhere(view.model_copy(update={"letter": self.letter()}))
        left, bottom, right, top = self.box(parent)
        reach = (abs(way[0]) * (right - left) + abs(way[1]) * (top - bottom)) / 2 + _BEFORE
        factor = parent.scale * MILLIMETRES[self.part.unit]
        middle = ((left + right) / 2 - parent.at[0], (bottom + top) / 2 - parent.at[1])
        tip = ((middle[0] + reach * way[0]) / factor, (middle[1] + reach * way[1]) / factor)
        number = len(self.arrows) + 1
        arrow = SightArrow(id=f"x{number}", view=parent.id, tip=tip, way=(-way[0], -way[1]), letter=lettered.letter)
        self.arrows.append(arrow)
        return lettered

    def add(self, view: View) -> None:
        """Set a view down as it is."""
        self.views.append(view)
        self.taken.append(self.box(view))


def special_looks(projected: ProjectedPart, exercise: Exercise, views: Sequence[View]) -> tuple[Look, ...]:
    """The looks in which a part has to be drawn for the special views of an exercise's model answer."""
    looks = (look.whole for view in _planned(projected, exercise, views).views if (look := view.own_look) is not None)
    return tuple(dict.fromkeys(looks))


def with_special_views(projected: ProjectedPart, exercise: Exercise, sheet: SheetDocument) -> SheetDocument:
    """A sheet with the special views an exercise asks for, each where there is room for it."""
    if not exercise.asked_specially:
        return sheet
    plan = _planned(projected, exercise, sheet.views)
    changed = {
        "views": (*sheet.views, *plan.views),
        "cutting_lines": tuple(plan.lines),
        "circled": tuple(plan.circled),
        "sight_arrows": tuple(plan.arrows),
    }
    return sheet.model_copy(update=changed)


def _planned(projected: ProjectedPart, exercise: Exercise, views: Sequence[View]) -> _Plan:
    usual = SheetDocument(views=tuple(view for view in views if view.attitude is not None or view.kind == "pictorial"))
    plan = _Plan(projected.part, exercise, [item.box for item in placed_views(projected, usual)])
    for asked in exercise.special:
        if isinstance(asked, SectionAsked):
            _section(projected, views, asked, plan)
        elif isinstance(asked, AuxiliaryAsked):
            _auxiliary(views, asked, plan)
    for edge in exercise.true_length:
        _in_true_length(views, way_of(edge), plan)
    # Details last: they may enlarge a piece of a section.
    for asked in exercise.special:
        if isinstance(asked, DetailAsked):
            _detail(projected, views, asked, plan)
    return plan


def _principal(views: Sequence[View]) -> list[tuple[View, Look]]:
    return [(view, view.attitude.look) for view in views if view.attitude is not None]


def _section(projected: ProjectedPart, views: Sequence[View], asked: SectionAsked, plan: _Plan) -> None:
    part, known = projected.part, _principal(views)
    form: CutForm = "full" if asked.form == "any" else asked.form
    through = list(asked.through)
    ways = [look.towards for _, look in known]
    if not through:
        attitudes = {f"v{k}": view.attitude for k, (view, _) in enumerate(known) if view.attitude is not None}
        need = special_need(projected, attitudes).sections  # type: ignore[arg-type]
        # What needs none is cut along the axis it is mainly round about, so that the section shows its inside.
        axis = _axis(projected)
        through = list(need[0].through) if need else [axis[0] if axis is not None else _middle(part.low, part.high)]
        lengthwise = [way for way in ways if axis is not None and square(way, axis[1])]
        ways = [*([need[0].towards] if need else lengthwise), *ways]
        form = need[0].form if need and asked.form == "any" else form
    for towards in ways:
        for view, look in known:
            path = _path(part.low, part.high, form, through, towards, look, _axis(projected))
            if path is None:
                continue
            number = len(plan.views) + 1
            line = CuttingLine(id=f"c{number}", view=view.id, path=path, letter=plan.letter())
            line = _arrows(line, look, towards)
            section = section_of(line, view, look, f"s{number}", Hatch(), form)
            assert section.cut is not None, "a section has a cut"
            assert section.own_look is not None, "a section looks at the part"
            cut = with_ribs_whole(part, section.cut.cut(section.own_look.towards))
            own = section.cut.model_copy(update={"whole": cut.whole, "solids": pins(part)})
            section = section.model_copy(update={"cut": own})
            plan.add(plan.in_projection(section, view) or plan.anywhere(section))
            plan.lines.append(line)
            return


def _axis(projected: ProjectedPart) -> tuple[Vector, Vector] | None:
    """A point and the direction of the axis the part is mainly round about: that of its largest round feature."""
    features = sorted(projected.part.features, key=lambda f: -f.diameter)
    if not features:
        return None
    face = projected.part.faces[features[0].faces[0]]
    return face.point, face.direction


def _arrows(line: CuttingLine, look: Look, towards: Vector) -> CuttingLine:
    """The line with its arrows on the side from which the section is not seen: they point the way one looks."""
    sight = (-dot(towards, look.right), -dot(towards, look.up))
    (ax, ay), (bx, by) = line.path[:2]
    left = (bx - ax) * sight[1] - (by - ay) * sight[0] > 0
    return line.model_copy(update={"arrows": "left" if left else "right"})


def _path(
    low: Vector,
    high: Vector,
    form: CutForm,
    through: Sequence[Vector],
    towards: Vector,
    look: Look,
    axis: tuple[Vector, Vector] | None,
) -> tuple[Point, ...] | None:
    """A cutting line in a view for a section looked at from a direction; None where it cannot be drawn there."""
    if not square(look.towards, towards):
        return None
    along = unit(cross(look.towards, towards))
    levels = [dot(point, towards) for point in through]
    straight = max(levels) - min(levels) < 1e-6 * math.dist(low, high)
    ends = [dot(corner, along) for corner in _corners(low, high)]
    first, last = min(ends), max(ends)

    def at(place: float, level: float) -> Point:
        point = tuple(place * a + level * t for a, t in zip(along, towards, strict=True))
        return look.seen((point[0], point[1], point[2]))

    if form in ("full", "removed", "revolved"):
        return (at(first, levels[0]), at(last, levels[0])) if straight else None
    if form == "half":
        middle = dot(axis[0], along) if axis is not None and square(axis[1], along) else (first + last) / 2
        top = max(dot(corner, towards) for corner in _corners(low, high))
        return (at(last, levels[0]), at(middle, levels[0]), at(middle, top)) if straight else None
    if form == "offset":
        stops = sorted((dot(point, along), level) for point, level in zip(through, levels, strict=True))
        if len(stops) < 2:
            return None
        corners = [at(first, stops[0][1])]
        for (here, level), (there, other) in pairwise(stops):
            if abs(level - other) > 1e-9:
                corners += [at((here + there) / 2, level), at((here + there) / 2, other)]
        return (*corners, at(last, stops[-1][1])) if len(corners) > 1 else None
    if form == "aligned" and axis is not None and parallel(axis[1], look.towards):
        middle, level = dot(axis[0], along), dot(axis[0], towards)
        on_level = next((p for p in through if abs(dot(p, towards) - level) < 1e-6), None)
        beside = next((p for p in through if p is not on_level), None)
        start = first if on_level is None or dot(on_level, along) < middle else last
        if beside is None:
            return None
        reach = 1.0 + (last - first) / max(math.dist(look.seen(beside), at(middle, level)), 1e-9)
        x0, y0 = at(middle, level)
        x1, y1 = look.seen(beside)
        return (at(start, level), (x0, y0), (x0 + reach * (x1 - x0) / 2, y0 + reach * (y1 - y0) / 2))
    return None


def _middle(low: Vector, high: Vector) -> Vector:
    x, y, z = ((a + b) / 2 for a, b in zip(low, high, strict=True))
    return (x, y, z)


def _corners(low: Vector, high: Vector) -> list[Vector]:
    """The eight corners of a box."""
    return [(x, y, z) for x in (low[0], high[0]) for y in (low[1], high[1]) for z in (low[2], high[2])]


def _auxiliary(views: Sequence[View], asked: AuxiliaryAsked, plan: _Plan) -> None:
    """The view square to a face, from one that shows it as an edge; for an oblique face by way of a primary view.

    Any will do where nothing is said: that of the first slanted face there is.
    """
    way = asked.shows.way if asked.shows is not None else next(iter(slanted_faces(plan.part)), None)
    if way is None:
        return
    wanted, known = unit(way), _principal(views)
    chains = [[_folded(view, look, wanted, plan, 1)] for view, look in known if square(wanted, look.towards)] or [
        chain for view, look in known for chain in _by_way_of(view, look, wanted, plan)
    ]
    _set_down(chains, views, plan)


def _in_true_length(views: Sequence[View], edge: Vector, plan: _Plan) -> None:
    """A view square to an edge, folded out along it, where none of those that are there is square to it."""
    known = _principal(views)
    there = [look for _, look in known] + [look for view in plan.views if (look := view.own_look) is not None]
    if not any(edge) or any(square(unit(edge), look.towards) for look in there):
        return
    ways = [(view, look, cross(unit(edge), look.towards)) for view, look in known]
    chains = [
        [_folded(view, look, unit(_times(sign, way)), plan, 1)]
        for view, look, way in ways
        if dot(way, way) > 1e-12
        for sign in (1.0, -1.0)
    ]
    _set_down(chains, views, plan)


def _times(factor: float, way: Vector) -> Vector:
    x, y, z = way
    return (factor * x, factor * y, factor * z)


def _set_down(chains: Sequence[Sequence[View]], views: Sequence[View], plan: _Plan) -> None:
    """The first chain of views, each folded out of the one before, that has room in line; else the first one apart."""
    known = _principal(views)
    for chain in chains:
        before, known_views = len(plan.taken), {view.id: view for view, _ in known}
        placed: list[View] = []
        for view in chain:
            at = known_views[view.parent or ""].at
            here = plan.in_projection(view.model_copy(update={"at": at}), known_views[view.parent or ""])
            if here is None:
                break
            placed.append(here)
            known_views[here.id] = here
            plan.taken.append(plan.box(here))
        if len(placed) == len(chain):
            plan.views += placed
            return
        del plan.taken[before:]
    parents = {view.id: view for view, _ in known}
    for view in chains[0] if chains else ():
        here = plan.apart(view, parents[view.parent or ""])
        plan.add(here)
        parents[here.id] = here


def _by_way_of(view: View, look: Look, wanted: Vector, plan: _Plan) -> list[list[View]]:
    """Both ways to a secondary view: along a line of the face that is in true length in a view, the face is an edge;
    square to an edge, the edge is in true length."""
    first = cross(wanted, look.towards)
    if dot(first, first) < 1e-12:
        return []
    chains = []
    for sign in (1.0, -1.0):
        primary = _folded(view, look, unit(_times(sign, first)), plan, 1)
        own = primary.own_look
        assert own is not None, "an auxiliary view looks at the part"
        chains.append([primary, _folded(primary, own, wanted, plan, 2)])
    return chains


def _folded(parent: View, look: Look, towards: Vector, plan: _Plan, number: int) -> View:
    way = (dot(towards, look.right), dot(towards, look.up))
    return auxiliary_of(way, parent, look, f"a{len(plan.views) + number}")


def _detail(projected: ProjectedPart, views: Sequence[View], asked: DetailAsked, plan: _Plan) -> None:
    """The place enlarged from the section that lies nearest to it, else from the first view."""
    known = _principal(views)
    if not known:
        return
    factor = known[0][0].scale * MILLIMETRES[projected.part.unit]
    needed = special_need(projected, {}, factor).details
    size = needed[0].size if needed else SMALL_MM / factor / 2
    of = asked.of or (needed[0].of if needed else projected.part.centroid)
    parent, look = next(
        ((view, own) for view in plan.views if (own := view.own_look) is not None and _cut_through(view, own, of)),
        known[0],
    )
    number = len(plan.views) + 1
    region = CircledRegion(
        id=f"r{number}", view=parent.id, region=SheetClip(centre=look.seen(of), radius=3 * size), letter=plan.letter()
    )
    scales = [float(each) for each in recommended(plan.exercise.units)]
    clear = CLEAR_MM / (size * MILLIMETRES[projected.part.unit])
    scale = next((each for each in scales if each > parent.scale and each >= clear), None)
    plan.add(plan.anywhere(detail_of(region, parent, look, f"d{number}", scale or scales[-1])))
    plan.circled.append(region)


def _cut_through(view: View, look: Look, point: Vector) -> bool:
    """Whether a view is a section whose plane passes a point."""
    return view.cut is not None and abs(dot(point, look.towards) - dot(view.cut.path[0], look.towards)) < 1e-6
