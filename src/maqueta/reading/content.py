"""What a file of a sheet holds, before anyone knows what it means. Lengths in mm on paper."""

from dataclasses import dataclass, replace
from typing import Literal

from maqueta.projection.carrier import Point
from maqueta.projection.line_set import Piece

SizeKind = Literal["linear", "aligned", "diameter", "radius", "other"]


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
class Mark:
    """One drawn line, arc or curve. Its piece is of kind "visible" until the kind is known.

    `short` is how much it may end early when it was joined from loose dashes.
    """

    piece: Piece
    style: Style
    short: float = 0.0

    def with_piece(self, piece: Piece) -> "Mark":
        """The same mark along another stretch."""
        return replace(self, piece=piece)


@dataclass(frozen=True, slots=True)
class Words:
    """A line of text: lower left corner of its letters, their height, its turn in degrees; `tag` of an attribute."""

    text: str
    at: Point
    height: float
    turn: float
    style: Style
    tag: str = ""


@dataclass(frozen=True, slots=True)
class Size:
    """A dimension with the points it was taken from.

    Linear: `first` and `second` are the measured points, measured along `turn` (radians). Round: `first` is the
    centre, `second` a point of the circle. `place` is a point of the dimension line or text.
    """

    kind: SizeKind
    first: Point
    second: Point
    turn: float
    place: Point
    text: str


@dataclass(frozen=True, slots=True)
class Pointer:
    """A leader from what it points at to where its note stands; `note` when the file ties one to it."""

    points: tuple[Point, ...]
    note: str = ""


@dataclass(frozen=True, slots=True)
class Content:
    """Everything of a file: `not_read` lists what could not be understood."""

    marks: tuple[Mark, ...]
    words: tuple[Words, ...]
    sizes: tuple[Size, ...]
    pointers: tuple[Pointer, ...]
    filled: tuple[tuple[Point, ...], ...]
    not_read: tuple[str, ...]
