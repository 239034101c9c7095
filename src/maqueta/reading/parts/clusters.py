"""Lines that hang together: those that meet, with all that lies within them."""

from collections.abc import Sequence
from typing import Final

import numpy as np
import shapely
from scipy.sparse import coo_matrix
from scipy.sparse.csgraph import connected_components
from shapely.geometry import LineString

from maqueta.geometry.line_set import Piece

#: Lines that come so near to each other meet, mm.
_MEET: Final = 0.15


def clusters_of(pieces: Sequence[Piece]) -> list[list[int]]:
    """Places of the pieces gathered into clusters, in the order of their first piece."""
    lines = np.array([LineString(piece.outline()) for piece in pieces])
    first, second = shapely.STRtree(lines).query(lines, predicate="dwithin", distance=_MEET)
    labels = _joined(len(lines), first, second)
    # The mouth of a hole lies within the outline of its part without touching it.
    hulls = np.array([shapely.union_all(lines[labels == label]).convex_hull for label in range(labels.max() + 1)])
    inner, outer = shapely.STRtree(hulls).query(hulls, predicate="within")
    within = _joined(len(hulls), inner, outer)
    grouped: dict[int, list[int]] = {}
    for place, label in enumerate(labels.tolist()):
        grouped.setdefault(int(within[label]), []).append(place)
    return list(grouped.values())


def _joined(count: int, first: np.ndarray, second: np.ndarray) -> np.ndarray:
    """Which of so many things hang together where some pairs do: a label for each."""
    links = coo_matrix((np.ones(len(first), dtype=bool), (first, second)), shape=(count, count))
    return np.asarray(connected_components(links, directed=False)[1])
