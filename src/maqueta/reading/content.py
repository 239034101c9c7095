"""What a file of a sheet holds, before anyone knows what it means. Lengths in mm on paper."""

import math
from dataclasses import dataclass, replace
from typing import Final, Literal

from maqueta.geometry.box import Box
from maqueta.geometry.carrier import Point, Similarity
from maqueta.geometry.line_set import Piece
from maqueta.phrases.phrase import Phrase
from maqueta.reading.ink_map import InkMap
from maqueta.sheet.special import Hatching, moved_rings

#: A line is level when it rises by no more than this part of its length.
_LEVEL: Final = 0.01

SizeKind = Literal["linear", "aligned", "diameter", "radius", "angle", "other"]


@dataclass(frozen=True, slots=True)
class Style:
    """How an entity is drawn: layer, dash pattern (strokes positive, gaps negative; empty when continuous) and its
    name, width in 1/100 mm (None for the default), colour.

    `plain` tells that the entity asks for a continuous line although its layer is broken.
    """

    layer: str
    pattern: tuple[float, ...]
    pattern_name: str
    plain: bool
    width: int | None
    colour: int


@dataclass(frozen=True, slots=True)
class Stroke:
    """One drawn line, arc or curve. Its piece is of kind "visible" until the kind is known.

    `short` is how much it may end early when it was joined from loose dashes.
    """

    piece: Piece
    style: Style
    short: float = 0.0

    def with_piece(self, piece: Piece) -> "Stroke":
        """The same stroke along another stretch."""
        return replace(self, piece=piece)


def lettering_width(text: str, height: float) -> float:
    """Rough width of lettering: letters are about two thirds as wide as high (common practice, no source)."""
    return 0.67 * height * len(text)


@dataclass(frozen=True, slots=True)
class Shape:
    """A small filled shape that may be a letter: its rim, the holes in it, and the arrowhead or the line, filled as a
    bar, that it is unless it is a letter. `short` is the line that a head is where lines as wide are filled as bars.
    """

    rings: tuple[tuple[Point, ...], ...]
    head: tuple[Point, ...] | None = None
    bar: Stroke | None = None
    short: Stroke | None = None

    @property
    def unknown(self) -> bool:
        """Whether it is nothing that is known but perhaps a letter."""
        return self.head is None and self.bar is None


@dataclass(frozen=True, slots=True)
class Words:
    """A line of text: lower left corner of its letters, their height, its turn in degrees; `tag` of an attribute."""

    text: str
    at: Point
    height: float
    turn: float
    style: Style
    tag: str = ""

    @property
    def width(self) -> float:
        """Rough width of the letters along the text."""
        return lettering_width(self.text, self.height)

    @property
    def box(self) -> Box:
        """The box of a text that is not turned."""
        x, y = self.at
        return (x, y, x + self.width, y + self.height)

    def stands_in(self, box: Box, slack: float = 0.6) -> bool:
        """Whether the text begins within a box, or `slack` mm beside it."""
        x, y = self.at
        return box[0] - slack <= x <= box[2] + slack and box[1] - slack <= y <= box[3] + slack


@dataclass(frozen=True, slots=True)
class Size:
    """A dimension with the points it was taken from.

    Linear: `first` and `second` are the measured points, measured along `turn` (radians). Round: `first` is the
    centre, `second` a point of the circle. Angle: `first` and `second` lie on its lines, which meet at `vertex`.
    `place` is a point of the dimension line or text.
    """

    kind: SizeKind
    first: Point
    second: Point
    turn: float
    place: Point
    text: str
    vertex: Point | None = None
    #: Height of capitals and turn (degrees) of the text, where the file shows it.
    lettering: tuple[float, float] | None = None
    #: Where the extension lines of a linear size begin, where the file shows them.
    feet: tuple[Point | None, Point | None] | None = None

    @property
    def line(self) -> tuple[Point, Point]:
        """The ends of the dimension line of a size that is measured along its turn: above both measured points."""
        along = (math.cos(self.turn), math.sin(self.turn))

        def above(point: Point) -> Point:
            reach = (point[0] - self.place[0]) * along[0] + (point[1] - self.place[1]) * along[1]
            return (self.place[0] + reach * along[0], self.place[1] + reach * along[1])

        return above(self.first), above(self.second)

    def moved(self, move: Similarity) -> "Size":
        """The same size of what was moved."""
        letters = self.lettering
        return replace(
            self,
            first=move(self.first),
            second=move(self.second),
            place=move(self.place),
            vertex=None if self.vertex is None else move(self.vertex),
            feet=self.feet and (self.feet[0] and move(self.feet[0]), self.feet[1] and move(self.feet[1])),
            lettering=letters and (letters[0] * move.scale, letters[1] + math.degrees(move.turn)),
        )


@dataclass(frozen=True, slots=True)
class Pointer:
    """A leader from what it points at to where its note stands; `note` when the file ties one to it."""

    points: tuple[Point, ...]
    note: str = ""

    @property
    def knee(self) -> Point:
        """Where it bends and runs on level under its note; else where it ends."""
        if len(self.points) < 3:
            return self.points[-1]
        (x0, y0), (x1, y1) = self.points[-2:]
        return self.points[-2] if abs(y1 - y0) <= _LEVEL * abs(x1 - x0) else self.points[-1]


@dataclass(frozen=True, slots=True)
class Content:
    """Everything of a file: `not_read` lists what could not be understood.

    `page` is how wide and high a page is, mm, of a format that has pages.
    """

    strokes: tuple[Stroke, ...]
    words: tuple[Words, ...]
    sizes: tuple[Size, ...]
    pointers: tuple[Pointer, ...]
    filled: tuple[tuple[Point, ...], ...]
    not_read: tuple[Phrase, ...]
    hatched: tuple[Hatching, ...] = ()
    page: tuple[float, float] | None = None
    #: Filled shapes that may be letters, until those are read.
    shapes: tuple[Shape, ...] = ()
    #: How wide the bars are that stand for lines, in hundredths of a mm, until short ones are told by it.
    bar_widths: frozenset[int] = frozenset()
    #: Whether letters were recognised by how they look; texts among them that may say something else.
    recognised: bool = False
    #: Where there is ink among letters that were drawn.
    lettered: InkMap | None = None
    doubtful: frozenset[str] = frozenset()
    #: Whether a picture shows a sheet drawn by hand.
    by_hand: bool = False
    #: Of a picture, where it shows ink.
    ink: InkMap | None = None
    #: A picture itself, laid flat, as JPEG: it covers the page.
    photograph: bytes | None = None

    def moved(self, move: Similarity) -> "Content":
        """The same, moved, turned and made larger or smaller; ink can only be made larger."""
        scale = move.scale
        return Content(
            strokes=tuple(stroke.with_piece(stroke.piece.moved(move)) for stroke in self.strokes),
            words=tuple(replace(w, at=move(w.at), height=w.height * scale) for w in self.words),
            sizes=tuple(size.moved(move) for size in self.sizes),
            pointers=tuple(replace(p, points=tuple(move(q) for q in p.points)) for p in self.pointers),
            filled=tuple(tuple(move(q) for q in shape) for shape in self.filled),
            not_read=self.not_read,
            hatched=tuple(
                Hatching(moved_rings(area.rings, move), area.angle + math.degrees(move.turn), area.spacing * scale)
                for area in self.hatched
            ),
            page=self.page and (self.page[0] * scale, self.page[1] * scale),
            recognised=self.recognised,
            # Only made larger, as a page printed smaller is: what is turned is moved no more than once.
            lettered=self.lettered and self.lettered.larger(scale),
            doubtful=self.doubtful,
            by_hand=self.by_hand,
            ink=self.ink and self.ink.larger(scale),
            photograph=self.photograph,
        )
