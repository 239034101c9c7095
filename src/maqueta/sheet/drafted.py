"""Lines drawn by hand, as pieces on carriers and back, in the plane of their view."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from maqueta.geometry.carrier import TURN, Circle, Ellipse, Free, Line, Point, recognised
from maqueta.geometry.compare import DrawnPiece
from maqueta.geometry.line_set import LineKind, Piece
from maqueta.sheet.drafted_line import MOST_POINTS, Drafted, DraftedArc, DraftedEllipse, DraftedLine, DraftedPen

#: Points of a free curve closer to a line or circle than this part of their spread are one.
_STRAIGHT = 1e-5


@dataclass(frozen=True, slots=True)
class Pen:
    """How a drafted line is drawn, apart from its shape; `short` is in mm on paper."""

    pen: DraftedPen
    short: float = 0.0
    either: bool = False
    solid: bool = False


def pen_of(line: Drafted) -> Pen:
    """How a line of the document is drawn."""
    return Pen(line.pen, line.short, line.either, line.solid)


def pieces_of(lines: Sequence[Drafted], factor: float) -> tuple[DrawnPiece, ...]:
    """The visible and hidden lines of a drafted view; construction lines are left out.

    `factor` is mm on paper per unit of the plane.
    """
    pieces = []
    for line in lines:
        if line.pen == "construction":
            continue
        piece = piece_of(line)
        if piece.length > 1e-9:
            pieces.append(DrawnPiece(piece, line.short / factor, line.either))
    return tuple(pieces)


def construction_of(lines: Sequence[Drafted]) -> tuple[Piece, ...]:
    """The construction lines of a drafted view; as pieces they have a kind like any other, which says nothing."""
    pieces = (piece_of(line) for line in lines if line.pen == "construction")
    return tuple(piece for piece in pieces if piece.length > 1e-9)


def piece_of(line: Drafted) -> Piece:
    """One drawn line as a piece with nothing of the model behind it."""
    shown: LineKind = "hidden" if line.pen == "hidden" else "visible"
    match line:
        case DraftedLine():
            spread = max(max(c) - min(c) for c in zip(*line.points, strict=True))
            carrier, interval = recognised(line.points, max(_STRAIGHT * spread, 1e-9))
            return Piece(shown, carrier, interval, (), ())
        case DraftedArc():
            start = line.start % TURN
            whole = line.sweep >= TURN - 1e-6
            reach = (0.0, TURN) if whole else (start, start + line.sweep)
            return Piece(shown, Circle(*line.centre, line.radius), reach, (), ())
        case DraftedEllipse():
            start = line.start % TURN
            reach = (0.0, TURN) if line.sweep >= TURN - 1e-6 else (start, start + line.sweep)
            ellipse = Ellipse(*line.centre, line.major, line.minor, line.angle % math.pi)
            return Piece(shown, ellipse, reach, (), ())


def drafted_of(piece: Piece, like: Pen) -> Drafted:
    """A piece as a drawn line of the document, in the pen and with the other properties of `like`."""
    start, end = piece.interval
    given = {"pen": like.pen, "short": like.short, "either": like.either, "solid": like.solid}
    around = {"start": start, "sweep": min(end - start, TURN), **given}
    match piece.carrier:
        case Line():
            return DraftedLine.model_validate({"points": piece.ends, **given})
        case Free(points):
            return DraftedLine.model_validate({"points": _thinned(points), **given})
        case Circle(x, y, radius):
            return DraftedArc.model_validate({"centre": (x, y), "radius": radius, **around})
        case Ellipse(x, y, major, minor, angle):
            shape = {"centre": (x, y), "major": major, "minor": minor, "angle": angle}
            return DraftedEllipse.model_validate({**shape, **around})


def _thinned(points: tuple[Point, ...]) -> tuple[Point, ...]:
    """As many points along a curve as the document takes, both ends among them."""
    step = math.ceil((len(points) - 1) / (MOST_POINTS - 1)) if len(points) > MOST_POINTS else 1
    return (*points[:-1:step], points[-1])
