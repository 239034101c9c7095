"""Everything a group of lines could be a view of: the distinct looks of a part, mirror images included."""

import math
from dataclasses import dataclass
from functools import lru_cache
from typing import Final, get_args

import numpy as np
from numpy.typing import NDArray

from maqueta.projection.attitude import ATTITUDES, CORNERS, Attitude, Corner
from maqueta.projection.carrier import TURN, Circle, Line, Similarity
from maqueta.projection.likeness import alike, look_of
from maqueta.projection.line_set import Box, LineSet, Piece
from maqueta.projection.mirror import mirror_image
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import AxisTurn, View

Rows = NDArray[np.float64]
_TURNS: Final[tuple[AxisTurn, ...]] = get_args(AxisTurn)


@dataclass(frozen=True, slots=True)
class Identity:
    """One way to look at the part: an attitude, or the corner and turn of an equal-axis view."""

    attitude: Attitude | None
    corner: Corner | None = None
    turn: AxisTurn = 0
    mirrored: bool = False

    def on(self, view: View) -> View:
        """A view looking at the part in this way."""
        attitude = self.attitude
        return view.model_copy(
            update={
                "side": attitude.side if attitude is not None else None,
                "up": attitude.up if attitude is not None else None,
                "corner": self.corner,
                "turn": self.turn,
                "mirrored": self.mirrored,
            }
        )


#: What fits no view of the part.
STRANGE: Final = Identity(None)


@dataclass(frozen=True)
class Stations:
    """Where the lines of a view stand.

    Upright lines (x, length), level lines (y, length), circles (x, y, radius), slanted lines (middle x and y, angle,
    length).
    """

    upright: Rows
    level: Rows
    circles: Rows
    slanted: Rows


@dataclass(frozen=True)
class Candidate:
    """A look of the part with all identities that share it, each with the lower left corner of its own box."""

    identities: tuple[tuple[Identity, tuple[float, float]], ...]
    lines: LineSet
    box: Box
    stations: Stations


def stations_of(pieces: tuple[Piece, ...]) -> Stations:
    """The stations of pieces; lines at one station (within a millionth of the whole) are added up."""
    upright: dict[float, float] = {}
    level: dict[float, float] = {}
    circles, slanted = [], []
    for piece in pieces:
        match piece.carrier:
            case Line(angle, offset) if angle == 0.0:
                level[round(offset, 6)] = level.get(round(offset, 6), 0.0) + piece.length
            case Line(angle, offset) if angle == math.pi / 2:
                upright[round(-offset, 6)] = upright.get(round(-offset, 6), 0.0) + piece.length
            case Circle(x, y, radius) if piece.interval[1] - piece.interval[0] > TURN / 5:
                circles.append((x, y, radius))
            case Line(angle, _):
                (x0, y0), (x1, y1) = piece.ends
                slanted.append(((x0 + x1) / 2, (y0 + y1) / 2, angle, piece.length))
    return Stations(
        np.array(sorted(upright.items())).reshape(-1, 2),
        np.array(sorted(level.items())).reshape(-1, 2),
        np.array(circles).reshape(-1, 3),
        np.array(slanted).reshape(-1, 4),
    )


@lru_cache(maxsize=8)
def principal_candidates(projected: "_ByHash") -> tuple[Candidate, ...]:
    """The distinct looks of the 24 attitudes and of their mirror images, true ones first."""
    part = projected.projected
    tolerance = 1e-5 * part.part.size
    identities = [Identity(attitude) for attitude in ATTITUDES]
    sets = [part.line_set(attitude) for attitude in ATTITUDES]
    identities += [Identity(attitude, mirrored=True) for attitude in ATTITUDES]
    sets += [mirror_image(lines) for lines in sets]
    groups: list[tuple[object, list[int]]] = []
    for index, lines in enumerate(sets):
        look = look_of(lines)
        home = next((members for other, members in groups if alike(look, other, tolerance)), None)  # type: ignore[arg-type]
        if home is None:
            groups.append((look, [index]))
        else:
            home.append(index)
    return tuple(_candidate([(identities[i], sets[i]) for i in members]) for _, members in groups)


@lru_cache(maxsize=8)
def pictorial_candidates(projected: "_ByHash") -> tuple[Candidate, ...]:
    """The visible lines of the eight equal-axis views in six turns."""
    result = []
    for corner in CORNERS:
        visible = LineSet(projected.projected.corners[corner].of("visible", "smooth"))
        for turn in _TURNS:
            move = Similarity(math.cos(math.radians(turn)), math.sin(math.radians(turn)), 0.0, 0.0)
            result.append(_candidate([(Identity(None, corner, turn), visible.moved(move) if turn else visible)]))
    return tuple(result)


@dataclass(frozen=True)
class _ByHash:
    """A projected part, remembered by its hash and by its natural position, which turns the equal-axis views."""

    projected: ProjectedPart

    def __hash__(self) -> int:
        return hash(self._key)

    def __eq__(self, other: object) -> bool:
        return isinstance(other, _ByHash) and other._key == self._key

    @property
    def _key(self) -> tuple[str, str | None]:
        return self.projected.part.hash, self.projected.part.natural_up


def remembered(projected: ProjectedPart) -> _ByHash:
    """A part as a key for what is worked out from it once."""
    return _ByHash(projected)


def _candidate(members: list[tuple[Identity, LineSet]]) -> Candidate:
    lines = members[0][1]
    corners = tuple((identity, own.box[:2]) for identity, own in members)
    return Candidate(corners, lines, lines.box, stations_of(lines.of("visible", "hidden")))
