"""The sheet a student starts from: blank, or with views given, lines left out or falsified, as the exercise says."""

import math
import random
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from typing import Final

from maqueta.geometry.box import middle_of
from maqueta.geometry.carrier import Ellipse, Free, Line, Point, Similarity
from maqueta.geometry.crossing import crossings, distance
from maqueta.geometry.line_set import LineSet, Piece
from maqueta.making.model_views import model_views
from maqueta.making.pulled_apart import apart_looks, with_parts_together
from maqueta.making.special_views import special_looks, with_special_views
from maqueta.phrases.phrase import phrase
from maqueta.phrases.told import ToldError
from maqueta.projection.arrangement import ViewName, neighbour
from maqueta.projection.look import Look
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument, TitleBlock
from maqueta.sheet.drafted import Pen, drafted_of
from maqueta.sheet.placed import placed_views
from maqueta.sheet.scales import write_scale
from maqueta.sheet.view import View
from maqueta.sizes.centre_marks import proposed_marks
from maqueta.solid.unit import MILLIMETRES
from maqueta.task.criteria import ALONE, SPECIAL
from maqueta.task.drafting import Alteration, LineChange
from maqueta.task.exercise import Exercise
from maqueta.task.fronts import model_front

#: A shifted line stands this far off its place on paper (mm): plain to see, near enough to be told as displaced.
_SHIFT: Final = 4.0
#: Lines shorter than this on paper (mm) are not offered for a change.
_LEAST: Final = 5.0
#: A line is named by the point at this part of its length. Lines often cross in their middles, hardly ever here.
_NAMED_AT: Final = 0.382
#: A point names a line when it lies this near to the line's own, as part of the size of the part.
_SAME_POINT: Final = 1e-3


@dataclass(frozen=True, slots=True)
class Choice:
    """A line that can be changed: a line of the view, or with `added` one that is not there and could be put in."""

    view: ViewName
    piece: Piece
    added: bool

    @property
    def at(self) -> Point:
        """The point of the view's plane that names the line."""
        return _naming_point(self.piece)


def _naming_point(piece: Piece) -> Point:
    start, end = piece.interval
    return piece.carrier.point(start + _NAMED_AT * (end - start))


def blank_sheet(exercise: Exercise) -> SheetDocument:
    """Paper, units and lettering as the exercise proposes them, and nothing on it."""
    return SheetDocument(
        paper=exercise.paper_given,
        units=exercise.units,
        style=exercise.style,
        decimals=exercise.decimals,
    )


def starting_looks(projected: ProjectedPart, exercise: Exercise) -> tuple[Look, ...]:
    """The looks in which a part has to be drawn for the sheet a student starts from, beside the usual ones."""
    if exercise.shows == "pulled apart":
        return apart_looks(projected)
    if exercise.drafting.kind != "special view":
        return ()
    return special_looks(projected, exercise, model_views(projected, exercise)[0])


def starting_sheet(projected: ProjectedPart, exercise: Exercise) -> SheetDocument:
    """The sheet a student starts from. Raises ValueError when a change names a line that is not there or no
    view is left to draw, and UnseenLookError where the part has not been drawn in `starting_looks`.
    """
    blank = blank_sheet(exercise)
    if exercise.shows in ALONE:
        return with_parts_together(projected, exercise, blank)
    if not exercise.drafting.given:
        return blank
    views, scale = model_views(projected, exercise)
    names = dict(zip((view.id for view in views), exercise.view_names, strict=False))
    title = TitleBlock(fields={"scale": write_scale(scale)}, angle=exercise.angle)
    drawn = blank.model_copy(update={"views": views, "title": title})
    if exercise.drafting.kind == "special view":
        drawn = with_special_views(projected, exercise, drawn)
        if len(drawn.views) == len(views):
            raise ToldError(phrase("no-special-view-left"))
        views = drawn.views
    given_views = [item for item in placed_views(projected, drawn) if item.view.kind not in SPECIAL]
    marked = [item for item in given_views if names.get(item.view.id) not in exercise.left_to_draft]
    marks = proposed_marks(projected, marked) if exercise.centre_lines else ()
    given = tuple(_given(projected, exercise, view, names.get(view.id)) for view in views)
    return drawn.model_copy(update={"views": given, "marks": tuple(marks)})


def _given(projected: ProjectedPart, exercise: Exercise, view: View, name: ViewName | None) -> View:
    """One view as the student finds it: as it is, empty, or drafted with its changes."""
    if view.kind in SPECIAL:
        return view.model_copy(update={"lines": (), "hatch": None})
    if name is None or exercise.drafting.kind == "special view":
        return view
    if exercise.drafting.kind == "third view":
        return view.model_copy(update={"lines": ()} if name in exercise.left_to_draft else {})
    shift = _SHIFT / (view.scale * MILLIMETRES[projected.part.unit])
    pieces = _altered(projected, exercise, name, shift)
    pens = (Pen("hidden" if piece.kind == "hidden" else "visible") for piece in pieces)
    lines = tuple(drafted_of(piece, pen) for piece, pen in zip(pieces, pens, strict=True))
    return view.model_copy(update={"lines": lines})


def _altered(projected: ProjectedPart, exercise: Exercise, name: ViewName, shift: float) -> list[Piece]:
    """The lines of a view after its changes; each change names a line as it was before any of them."""
    own, surplus = _own_lines(projected, exercise, name), _surplus_lines(projected, exercise, name)
    middle = middle_of(_lines(projected, exercise, name).box)
    reach = _SAME_POINT * projected.part.size
    result: dict[int, Piece] = dict(enumerate(own))
    added: list[Piece] = []
    for change in exercise.drafting.changes:
        if change.view != name:
            continue
        among = surplus if change.change == "added" else own
        off = [math.dist(_naming_point(piece), change.at) for piece in among]
        if min(off, default=math.inf) > reach:
            raise ToldError(phrase("no-line-to-change", name=name, x=change.at[0], y=change.at[1]))
        nearest = off.index(min(off))
        if change.change == "added":
            added.append(surplus[nearest])
        elif change.change == "removed":
            result.pop(nearest, None)
        else:
            result[nearest] = _falsified(own[nearest], change.change, shift, middle)
    return [*result.values(), *added]


def _falsified(piece: Piece, change: Alteration, shift: float, middle: Point) -> Piece:
    if change == "other kind":
        return replace(piece, kind="hidden" if piece.kind == "visible" else "visible")
    return piece.moved(Similarity(1.0, 0.0, *_sideways(piece, shift, middle)))


def _sideways(piece: Piece, shift: float, middle: Point) -> Point:
    """A move square to a line, towards the middle of its view; curves move across."""
    if not isinstance(piece.carrier, Line):
        return (shift, 0.0)
    dx, dy = piece.carrier.direction
    x, y = piece.carrier.point(sum(piece.interval) / 2)
    inwards = (middle[0] - x) * -dy + (middle[1] - y) * dx
    sign = 1.0 if inwards >= 0 else -1.0
    return (-dy * sign * shift, dx * sign * shift)


def _lines(projected: ProjectedPart, exercise: Exercise, name: ViewName) -> LineSet:
    return projected.line_set(neighbour(model_front(projected, exercise), name).look)


def _own_lines(projected: ProjectedPart, exercise: Exercise, name: ViewName) -> tuple[Piece, ...]:
    lines = _lines(projected, exercise, name)
    return lines.of("visible", "hidden") if exercise.hidden_lines else lines.of("visible")


def _surplus_lines(projected: ProjectedPart, exercise: Exercise, name: ViewName) -> tuple[Piece, ...]:
    """Lines a student could believe in: smooth transitions, and inner lines carried on to the next line."""
    lines = _lines(projected, exercise, name)
    drawn = lines.of("visible", "hidden")
    slack = 1e-6 * projected.part.size
    carried = (longer for piece in lines.of("visible") for longer in _carried_on(piece, drawn, slack))
    found: list[Piece] = []
    for piece in (*(replace(p, kind="visible") for p in lines.of("smooth")), *carried):
        middle = piece.carrier.point(sum(piece.interval) / 2)
        if all(distance(other, middle) > 10 * slack for other in (*drawn, *found)):
            found.append(piece)
    return tuple(found)


def _carried_on(piece: Piece, drawn: Sequence[Piece], slack: float) -> Iterable[Piece]:
    """The stretches by which a straight line would reach the next line beyond each of its ends."""
    if not isinstance(piece.carrier, Line):
        return
    start, end = piece.interval
    met = [piece.carrier.parameter(p) for other in drawn for p in crossings(piece.carrier, other, slack)]
    beyond = min((t for t in met if t > end + 10 * slack), default=None)
    before = max((t for t in met if t < start - 10 * slack), default=None)
    if beyond is not None:
        yield Piece("visible", piece.carrier, (end, beyond), (), ())
    if before is not None:
        yield Piece("visible", piece.carrier, (before, start), (), ())


def choices(projected: ProjectedPart, exercise: Exercise) -> tuple[Choice, ...]:
    """All lines of the given views that can be changed; too short ones are left alone."""
    _, scale = model_views(projected, exercise)
    least = _LEAST / (scale * MILLIMETRES[projected.part.unit])
    found = []
    for name in exercise.view_names:
        found += [Choice(name, piece, False) for piece in _own_lines(projected, exercise, name)]
        if exercise.drafting.kind == "wrong lines":
            found += [Choice(name, piece, True) for piece in _surplus_lines(projected, exercise, name)]
    return tuple(choice for choice in found if choice.piece.length >= least)


def proposed_changes(projected: ProjectedPart, exercise: Exercise, number: int, seed: int) -> tuple[LineChange, ...]:
    """Some changes to lines, spread over the views and their kinds; the same seed gives the same ones."""
    chance = random.Random(seed)
    wrong = exercise.drafting.kind == "wrong lines"
    kinds: tuple[Alteration, ...] = ("removed", "shifted", "other kind", "added") if wrong else ("removed",)
    every = list(choices(projected, exercise))
    chance.shuffle(every)
    own, surplus = [c for c in every if not c.added], [c for c in every if c.added]
    result: list[LineChange] = []
    for turn in range(number):
        kind = kinds[turn % len(kinds)]
        pool = surplus if kind == "added" else own
        if not pool:
            pool, kind = own, "removed"
        if not pool:
            break
        name = exercise.view_names[turn % len(exercise.view_names)]
        choice = next((c for c in pool if c.view == name), pool[0])
        pool.remove(choice)
        if kind == "shifted" and isinstance(choice.piece.carrier, Ellipse | Free):
            kind = "removed"
        result.append(LineChange(view=choice.view, at=choice.at, change=kind))
    return tuple(result)
