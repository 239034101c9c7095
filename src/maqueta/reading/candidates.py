"""Everything a group of lines could be a view of: the distinct looks of a part, mirror images included."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property, lru_cache
from typing import Final

import numpy as np
from numpy.typing import NDArray

from maqueta.geometry.box import Box, box_of
from maqueta.geometry.carrier import TURN, Circle, Ellipse, Free, Line, Point
from maqueta.geometry.compare import Expected
from maqueta.geometry.likeness import alike, likeness_of
from maqueta.geometry.line_set import LineSet, Piece
from maqueta.geometry.mirror import mirror_image
from maqueta.projection.attitude import ATTITUDES, AXIS_TURNS, CORNERS, Attitude
from maqueta.projection.look import Look
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.special import SheetClip, SheetCut
from maqueta.sheet.view import Aslant, FromCorner, Square, View, ViewKind, ViewLook, kind_of, square, view_look
from maqueta.sheet.view_graph import FOLDED_FROM

Rows = NDArray[np.float64]
#: A curve is closed when its ends are this near, by its length.
_CLOSED: Final = 1e-4


@dataclass(frozen=True, slots=True)
class Identity:
    """One way a group can be taken: how it looks at the part (None: it fits no view), and whether as a mirror image."""

    look: ViewLook | None
    mirrored: bool = False
    cut: SheetCut | None = None
    clip: SheetClip | None = None

    @property
    def attitude(self) -> Attitude | None:
        """The attitude of a principal view."""
        return Attitude(self.look.side, self.look.up) if isinstance(self.look, Square) else None

    @property
    def orthographic(self) -> Look | None:
        """The look of a view that is not pictorial."""
        if not isinstance(self.look, Square | Aslant):
            return None
        frame = view_look(self.look).frame
        cut = self.cut.cut(frame[2]) if self.cut is not None else None
        return Look(frame, cut, self.clip.clip if self.clip is not None else None)

    @property
    def kind(self) -> ViewKind:
        """The kind of view it is."""
        return "detail" if self.clip is not None else "section" if self.cut is not None else kind_of(self.look)

    def on(self, view: View) -> View:
        """A view looking at the part in this way: at the whole of it, whatever it was taken for before."""
        kind = self.kind
        parent = view.parent if kind in FOLDED_FROM else None
        shown = {"cut": self.cut, "clip": self.clip, "letter": None, "hatch": None, "stated": None}
        named = {"kind": kind, "look": self.look, "mirrored": self.mirrored, "parent": parent}
        return view.model_copy(update=named | shown)


#: What fits no view of the part.
STRANGE: Final = Identity(None)


def as_principal(attitude: Attitude, mirrored: bool = False) -> Identity:
    """A principal view."""
    return Identity(square(attitude), mirrored)


@dataclass(frozen=True)
class Stations:
    """Where the lines of a view stand.

    Upright lines (x, length), level lines (y, length), circles (x, y, radius), rings, which are ellipses and other
    closed curves (middle x and y, how far they reach), slanted lines (middle x and y, angle, length).
    """

    upright: Rows
    level: Rows
    circles: Rows
    rings: Rows
    slanted: Rows


@dataclass(frozen=True)
class Candidate:
    """A look of the part with all identities that share it, each with the lower left corner of its own box."""

    identities: tuple[tuple[Identity, tuple[float, float]], ...]
    lines: LineSet
    box: Box
    stations: Stations

    @cached_property
    def expected(self) -> Expected:
        """Its lines, to compare groups with."""
        return Expected(self.lines)


def stations_of(pieces: tuple[Piece, ...]) -> Stations:
    """The stations of pieces; lines at one station (within a millionth of the whole) are added up."""
    upright: dict[float, float] = {}
    level: dict[float, float] = {}
    circles, rings, slanted = [], [], []
    for piece in pieces:
        match piece.carrier:
            case Line(angle, offset) if angle == 0.0:
                level[round(offset, 6)] = level.get(round(offset, 6), 0.0) + piece.length
            case Line(angle, offset) if angle == math.pi / 2:
                upright[round(-offset, 6)] = upright.get(round(-offset, 6), 0.0) + piece.length
            case Circle(x, y, radius) if piece.interval[1] - piece.interval[0] > TURN / 5:
                circles.append((x, y, radius))
            case Ellipse(x, y, major) if piece.interval[1] - piece.interval[0] > TURN / 5:
                rings.append((x, y, major))
            case Free(points) if math.dist(points[0], points[-1]) <= _CLOSED * piece.length:
                rings.append(_ring(points))
            case Line(angle, _):
                (x0, y0), (x1, y1) = piece.ends
                slanted.append(((x0 + x1) / 2, (y0 + y1) / 2, angle, piece.length))
    return Stations(
        np.array(sorted(upright.items())).reshape(-1, 2),
        np.array(sorted(level.items())).reshape(-1, 2),
        np.array(circles).reshape(-1, 3),
        np.array(rings).reshape(-1, 3),
        np.array(slanted).reshape(-1, 4),
    )


def _ring(points: Sequence[Point]) -> tuple[float, float, float]:
    """Middle of a closed curve, and how far it reaches from there: of an ellipse, its centre and its major half."""
    left, bottom, right, top = box_of(points)
    x, y = (left + right) / 2, (bottom + top) / 2
    return x, y, max(math.dist((x, y), point) for point in points)


@lru_cache(maxsize=8)
def principal_candidates(projected: "ByHash") -> tuple[Candidate, ...]:
    """The distinct looks of the 24 attitudes and of their mirror images, true ones first."""
    part = projected.projected
    tolerance = 1e-5 * part.part.size
    identities = [as_principal(attitude) for attitude in ATTITUDES]
    sets = [part.line_set(attitude.look) for attitude in ATTITUDES]
    identities += [as_principal(attitude, mirrored=True) for attitude in ATTITUDES]
    sets += [mirror_image(lines) for lines in sets]
    groups: list[tuple[object, list[int]]] = []
    for index, lines in enumerate(sets):
        shown = likeness_of(lines)
        home = next((members for other, members in groups if alike(shown, other, tolerance)), None)  # type: ignore[arg-type]
        if home is None:
            groups.append((shown, [index]))
        else:
            home.append(index)
    return tuple(_candidate([(identities[i], sets[i]) for i in members]) for _, members in groups)


@lru_cache(maxsize=8)
def pictorial_candidates(projected: "ByHash") -> tuple[Candidate, ...]:
    """The visible lines of the eight equal-axis views in six turns."""
    result = []
    for corner in CORNERS:
        for turn in AXIS_TURNS:
            lines = projected.projected.line_set(projected.projected.corner(corner, turn))
            identity = Identity(FromCorner(corner=corner, turn=turn))
            result.append(_candidate([(identity, LineSet(lines.of("visible", "smooth")))]))
    return tuple(result)


@dataclass(frozen=True)
class ByHash:
    """A projected part, remembered by its hash and by its natural position, which turns the equal-axis views."""

    projected: ProjectedPart

    def __hash__(self) -> int:
        return hash(self._key)

    def __eq__(self, other: object) -> bool:
        return isinstance(other, ByHash) and other._key == self._key

    @property
    def _key(self) -> tuple[str, str | None]:
        return self.projected.part.hash, self.projected.part.natural_up


def remembered(projected: ProjectedPart) -> ByHash:
    """A part as a key for what is worked out from it once."""
    return ByHash(projected)


def candidate_of(identity: Identity, lines: LineSet) -> Candidate:
    """One way to take a group, with the lines it would show."""
    return _candidate([(identity, lines)])


def _candidate(members: list[tuple[Identity, LineSet]]) -> Candidate:
    lines = members[0][1]
    corners = tuple((identity, own.box[:2]) for identity, own in members)
    return Candidate(corners, lines, lines.box, stations_of(lines.of("visible", "hidden")))
