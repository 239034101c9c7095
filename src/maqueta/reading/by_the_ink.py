"""Views read from a picture held against its ink: what was not read although the picture shows it, and what was read a
little beside its place, or short and beside everything, is in doubt: none of it is a mistake of the sheet.

How much may be in doubt: common practice, no source.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Final

from maqueta.geometry.box import box_of, grown, size_of, union
from maqueta.geometry.carrier import Circle, Line, Point
from maqueta.geometry.compare import DrawnPiece, compare, length_of, split
from maqueta.geometry.curve_cover import Chords
from maqueta.geometry.line_set import Piece, extremes
from maqueta.projection.axes_seen import feature_axis
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.groups import grouped
from maqueta.reading.ink_map import InkMap
from maqueta.sheet.document import CentreLine, SheetDocument
from maqueta.sheet.drafted import Pen, drafted_of, pen_of, piece_of
from maqueta.sheet.drafted_line import Drafted
from maqueta.sheet.placed import PlacedView, placed_views

#: Stretches up to so long, mm, were missed easily; those up to so long are left out where nothing is to be.
_MISSED, _SURPLUS = 25.0, 3.2
#: What is so many tolerances beside its place was read badly.
_BESIDE: Final = 2.5
#: A dash is as long as this at most, mm.
_DASH: Final = 3.0
#: Strokes of letters are no longer than this, a figure or two are no larger than that, mm, and made of so many strokes.
_LETTER_STROKE, _FIGURES, _STROKES = 12.0, 12.0, 3
#: Half of what is between letters that follow each other, mm.
_BETWEEN: Final = 0.7
#: An axis lies on no line along so much of its length.
_SURPLUS_AXIS: Final = 0.75
#: What is on the paper has ink along so much of it, a long stretch along more; it is looked for at so many places a mm.
_INKED, _ALL_INKED, _PLACES = 0.92, 0.98, 4.0
#: Of a broken line so much is ink at least (ISO 128-2, from memory: dashes of 12 widths, gaps of 3; wider gaps are
#: common practice, no source).
_BROKEN: Final = 0.5


@dataclass(frozen=True)
class HeldAgainstInk:
    """A sheet with what its picture shows, the axes among what looked like hidden lines, and how many stretches of its
    views were in doubt."""

    document: SheetDocument
    axes: tuple[CentreLine, ...]
    doubts: int


def by_the_ink(document: SheetDocument, projected: ProjectedPart, ink: InkMap, tolerance: float) -> HeldAgainstInk:
    """A sheet read from a picture, each of its views held against the ink; `tolerance` in mm."""
    views, axes, doubts = [], [], 0
    for item in placed_views(projected, document):
        seen = _axes_seen(item, projected)
        drawn, near = item.view.lines or (), tolerance / item.factor
        letters = _letters(item, drawn, near)
        plain = [line for place, line in enumerate(drawn) if place not in letters]
        own = [line for line in plain if _is_axis(item, line, seen, near)]
        axes += [(item, piece_of(line)) for line in own]
        lines, count = _held(item, [line for line in plain if line not in own], ink, tolerance)
        views.append(item.view.model_copy(update={"lines": lines}))
        doubts += count + len(own) + len(letters)
    found = tuple(
        CentreLine(id=f"i{number + 1}", view=item.view.id, start=piece.ends[0], end=piece.ends[1], beyond=0.0)
        for number, (item, piece) in enumerate(axes)
    )
    return HeldAgainstInk(document.model_copy(update={"views": tuple(views)}), found, doubts)


def _axes_seen(item: PlacedView, projected: ProjectedPart) -> list[tuple[Point, Point]]:
    """The axes a view shows from the side."""
    look = item.orthographic
    if look is None:
        return []
    aside = [feature for feature in projected.part.features if not look.shows_point(feature.axis)]
    return [feature_axis(projected.part, feature, look) for feature in aside]


def _is_axis(item: PlacedView, line: Drafted, seen: Sequence[tuple[Point, Point]], near: float) -> bool:
    """Whether a straight line is an axis, or what was read of one: it lies on no line of its view, and is in line with
    the middle of a circle or with an axis seen from the side, or broken and leads out of the view."""
    piece = piece_of(line)
    if line.pen == "construction" or not isinstance(piece.carrier, Line) or not item.lines.pieces:
        return False
    extra = length_of(compare(item.lines, [DrawnPiece(piece, 0.0, True)], near, 0.0).extra)
    if extra < _SURPLUS_AXIS * piece.length:
        return False
    box, out = item.lines.box, 1.0 / item.factor
    leads_out = line.pen == "hidden" and any(
        x < box[0] - out or x > box[2] + out or y < box[1] - out or y > box[3] + out for x, y in piece.ends
    )
    middles = ((own.carrier.x, own.carrier.y) for own in item.lines.pieces if isinstance(own.carrier, Circle))
    carrier = piece.carrier
    if any(all(math.dist(at, carrier.point(carrier.parameter(at))) <= near for at in axis) for axis in seen):
        return True
    return leads_out or any(math.dist(at, carrier.point(carrier.parameter(at))) <= 2 * near for at in middles)


def _held(item: PlacedView, lines: Sequence[Drafted], ink: InkMap, tolerance: float) -> tuple[tuple[Drafted, ...], int]:
    if not item.lines.pieces or item.view.mirrored:
        return tuple(lines), 0
    hidden = item.view.kind != "pictorial" and any(line.pen == "hidden" for line in lines)
    near = tolerance / item.factor
    kept = [
        part
        for line in lines
        for own in _without_doubt(item, line, near, hidden)
        for part in _of_either_kind(item, own, near, hidden)
    ]
    drawn = [DrawnPiece(piece_of(line), line.short / item.factor, line.either) for line in kept]
    result = compare(item.lines, drawn, near, 0.0, hidden)
    shown = [piece for piece in result.missing if _shows(item, piece, ink)]
    added = [drafted_of(piece, Pen("hidden" if piece.kind == "hidden" else "visible", either=True)) for piece in shown]
    return (*kept, *added), len(added) + sum(line not in kept for line in lines)


def _letters(item: PlacedView, lines: Sequence[Drafted], near: float) -> frozenset[int]:
    """Places of the lines that are letters on a view, crossed by its lines: several short ones that lie on nothing, in
    a room no larger than a figure's."""
    if not item.lines.pieces:
        return frozenset()
    short = []
    for place, line in enumerate(lines):
        piece = piece_of(line)
        if line.pen != "construction" and piece.length * item.factor <= _LETTER_STROKE:
            own = compare(item.lines, [DrawnPiece(piece, 0.0, True)], near, 0.0)
            if length_of(own.extra) >= piece.length / 2:
                short.append((place, box_of(item.to_sheet(point) for point in extremes(piece))))
    boxes = [box for _, box in short]
    rooms = [group for group in grouped([grown(box, _BETWEEN) for box in boxes]) if len(group) >= _STROKES]
    figures = [group for group in rooms if max(size_of(union([boxes[k] for k in group]))) <= _FIGURES]
    return frozenset(short[k][0] for group in figures for k in group)


def _without_doubt(item: PlacedView, line: Drafted, near: float, hidden: bool) -> list[Drafted]:
    """What of a line is no doubt: without short ends beside everything, and what was read a little beside its place."""
    if line.pen == "construction":
        return [line]
    own = DrawnPiece(piece_of(line), line.short / item.factor, line.either)
    extra = compare(item.lines, [own], near, 0.0, hidden).extra
    expected = item.lines.of("visible", "hidden") if hidden else item.lines.of("visible")
    around = Chords(expected, _BESIDE * near)
    far = [piece for own in extra for piece in around.far_from(own, 2 * near)]
    if not extra or any(piece.length * item.factor > _SURPLUS for piece in far):
        return [line]
    if isinstance(own.piece.carrier, Line | Circle):
        on, _ = split([own.piece], expected, near)
        return [drafted_of(piece, pen_of(line)) for piece in on]
    return [line] if own.piece.length * item.factor > _MISSED else []


def _of_either_kind(item: PlacedView, line: Drafted, near: float, hidden: bool) -> list[Drafted]:
    """A line, its short stretches of the wrong kind apart: of a stretch no longer than a dash nobody tells the kind."""
    own = DrawnPiece(piece_of(line), line.short / item.factor, line.either)
    if line.pen == "construction" or not isinstance(own.piece.carrier, Line | Circle):
        return [line]
    wrong = compare(item.lines, [own], near, 0.0, hidden).wrong
    if not wrong or any(piece.length * item.factor > _DASH for piece in wrong):
        return [line]
    on, off = split([own.piece], wrong, near)
    like = pen_of(line)
    return [drafted_of(piece, like) for piece in off] + [drafted_of(p, replace(like, either=True)) for p in on]


def _shows(item: PlacedView, piece: Piece, ink: InkMap) -> bool:
    long = piece.length * item.factor
    share = ink.share([item.to_sheet(point) for point in _along(piece, max(5, round(_PLACES * long)))])
    if piece.kind == "hidden":
        return share >= _BROKEN
    return share >= (_INKED if long <= _MISSED else _ALL_INKED)


def _along(piece: Piece, count: int) -> Sequence[tuple[float, float]]:
    low, high = piece.interval
    return [piece.carrier.point(low + (high - low) * k / (count - 1)) for k in range(count)]
