"""Ink as lines and arcs.

All lengths in pixels, x right and y down. How far dots stand from dashes: common practice, no source.
"""

import itertools
from collections import defaultdict
from collections.abc import Callable, Sequence
from dataclasses import replace
from typing import Final

import networkx
import shapely

from maqueta.geometry.carrier import Point
from maqueta.reading.picture.drawn_out import drawn_to_meet
from maqueta.reading.picture.joined import absorbed, put_together
from maqueta.reading.picture.path import JOINED, Path
from maqueta.reading.picture.split import split
from maqueta.reading.picture.traced import Chain, Tracing

#: A dot stands at most so many half widths from the dash beside it.
_TO_DOT: Final = 16.0


def paths_of(tracing: Tracing, width_of: Callable[[Path], float]) -> list[Path]:
    """The lines and arcs of some ink, put together across junctions, drawn out to where they meet; `width_of` measures
    how wide a path is drawn, pixels."""
    corner = itertools.count(len(tracing.nodes))
    nodes, chains = _short_ones_drawn_together(tracing)
    dots = [chain for chain in chains if _is_dot(chain)]
    chains = [chain for chain in chains if not _is_dot(chain)]
    paths = [path for chain in chains for path in split(replace(chain, nodes=_named(nodes, chain.nodes)), corner)]
    paths = [replace(path, width=width_of(path)) for path in paths]
    drawn = [*drawn_to_meet(absorbed(put_together(paths)))]
    drawn += _dots(dots, drawn)
    return [replace(path, width=width_of(path)) for path in drawn]


def _is_dot(chain: Chain) -> bool:
    """Whether ink by itself is hardly longer than it is wide."""
    return chain.nodes == (None, None) and len(chain.places) <= 2 * float(chain.half.max()) + 2


def _dots(chains: Sequence[Chain], paths: Sequence[Path]) -> list[Path]:
    """Dots of dash-dot lines, as short stretches of the lines they stand in; specks beside all lines are none."""
    lines = [path for path in paths if path.centre is None]
    if not chains or not lines:
        return []
    tree = shapely.STRtree(shapely.linestrings([(path.first, path.last) for path in lines]))
    middles = shapely.points([chain.places.mean(axis=0) for chain in chains])
    reach = _TO_DOT * max(float(chain.half.max()) for chain in chains)
    near: defaultdict[int, list[Path]] = defaultdict(list)
    for dot, line in tree.query(middles, predicate="dwithin", distance=reach).T.tolist():
        near[dot].append(lines[line])
    return [path for k in sorted(near) if (path := _dot(chains[k], near[k])) is not None]


def _dot(chain: Chain, paths: Sequence[Path]) -> Path | None:
    """A dot of a dash-dot line: as short a stretch of the line it stands in; None for a speck beside all lines."""
    x, y = chain.places.mean(axis=0).tolist()
    half = float(chain.half.max())
    best: tuple[float, Point] | None = None
    for path in paths:
        if path.length < 4 * half:
            continue
        (ax, ay), (dx, dy) = path.first, path.way
        along, off = (x - ax) * dx + (y - ay) * dy, abs((y - ay) * dx - (x - ax) * dy)
        gap = max(-along, along - path.length)
        if off <= JOINED + 0.3 and 0 < gap <= _TO_DOT * half and (best is None or gap < best[0]):
            best = (gap, path.way)
    if best is None:
        return None
    dx, dy = best[1]
    by = max(half, len(chain.places) / 2)
    return Path(chain.places, chain.half, (None, None), (x - by * dx, y - by * dy), (x + by * dx, y + by * dy))


def _named(nodes: dict[int, int], ends: tuple[int | None, int | None]) -> tuple[int | None, int | None]:
    first, last = (None if end is None else nodes.get(end, end) for end in ends)
    return (first, last)


def _short_ones_drawn_together(tracing: Tracing) -> tuple[dict[int, int], list[Chain]]:
    """Junctions no farther apart than the ink is wide are one: by their new names, and the chains that are left."""
    graph: networkx.Graph[int] = networkx.Graph()
    chains = []
    for chain in tracing.chains:
        first, last = chain.nodes
        short = len(chain.places) <= 2.2 * float(chain.half.max()) + 1
        if short and first is not None and last is not None:
            graph.add_edge(first, last)
        else:
            chains.append(chain)
    return {name: min(group) for group in networkx.connected_components(graph) for name in group}, chains
