"""Ink thinned to lines one pixel wide, and those followed from junction to junction."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Final

import cv2
import numpy as np
from numpy.typing import NDArray

from maqueta.reading.picture.thinned import ROUND, Floats, Mask, thinned

#: Spurs shorter than this share of the width of the ink they leave are its own ragged edge.
_SPUR: Final = 1.3


@dataclass(frozen=True)
class Chain:
    """Pixels in a row: places x and y (right and down), and half the width of the ink at each; `nodes` are the
    junctions at its two ends, None where it ends by itself."""

    places: Floats
    half: Floats
    nodes: tuple[int | None, int | None]

    @property
    def closed(self) -> bool:
        """Whether it comes back to where it began without a junction."""
        return (
            len(self.places) > 8
            and self.nodes == (None, None)
            and bool(np.hypot(*(self.places[0] - self.places[-1])) < 2.5)
        )


@dataclass(frozen=True)
class Tracing:
    """All chains of some ink, and where its junctions are."""

    chains: tuple[Chain, ...]
    nodes: Floats


def traced(ink: Mask) -> Tracing:
    """Follow ink (255 where there is some)."""
    half = cv2.distanceTransform(ink, cv2.DIST_L2, cv2.DIST_MASK_PRECISE)
    bones = thinned(ink)
    for _ in range(2):
        tracing, spurs = _followed(bones, half)
        if not spurs:
            break
        for chain in spurs:
            at = chain.places.astype(int)
            bones[at[:, 1], at[:, 0]] = False
    return tracing


def _followed(bones: NDArray[np.bool_], half: NDArray[np.float32]) -> tuple[Tracing, list[Chain]]:
    junctions = _junctions(bones)
    _, labels, _, centres = cv2.connectedComponentsWithStats(junctions.astype(np.uint8), connectivity=8)
    wide = np.zeros(len(centres))
    own = np.nonzero(junctions)
    np.maximum.at(wide, labels[own], half[own])
    runs = (bones & ~junctions).astype(np.uint8)
    chains: list[Chain] = []
    spurs: list[Chain] = []
    for places in _runs(runs):
        ends = tuple(_node_at(labels, places[k]) for k in (0, -1))
        if len(places) == 1:
            ends = _nodes_of_one(labels, places[0])
        across = half[places[:, 1].astype(int), places[:, 0].astype(int)].astype(float)
        chain = Chain(places, across, (ends[0], ends[1]))
        nodes = [node for node in chain.nodes if node is not None]
        spur = len(nodes) == 1 and len(places) <= _SPUR * wide[nodes[0]]
        (spurs if spur else chains).append(chain)
    return Tracing(tuple(chains), np.asarray(centres, dtype=float)), spurs


def _junctions(bones: NDArray[np.bool_]) -> NDArray[np.bool_]:
    """Where three or more lines meet: the ring round a pixel changes between ink and none so many times."""
    padded = np.pad(bones, 1)
    flat = padded.ravel()
    places = np.flatnonzero(flat)
    ring = [flat[places + dy * padded.shape[1] + dx] for dy, dx in ROUND]
    changes = np.sum([a != b for a, b in zip(ring, [*ring[1:], ring[0]], strict=True)], axis=0)
    met = np.zeros_like(flat)
    at = places[changes >= 6]
    # With those round it: else what meets there would still touch across it.
    for step in (0, *(dy * padded.shape[1] + dx for dy, dx in ROUND)):
        met[at + step] = True
    return np.asarray(met.reshape(padded.shape)[1:-1, 1:-1])


def _runs(runs: Mask) -> Iterator[Floats]:
    """Pixels of every run in the order they follow each other."""
    count, labels = cv2.connectedComponents(runs, connectivity=8)
    ys, xs = np.nonzero(labels)
    names = labels[ys, xs]
    order = np.argsort(names, kind="stable")
    ys, xs, names = ys[order], xs[order], names[order]
    bounds = np.searchsorted(names, np.arange(1, count + 1))
    for k in range(count - 1):
        part = slice(bounds[k], bounds[k + 1] if k + 1 < len(bounds) else len(names))
        yield np.array(_walked(list(zip(xs[part].tolist(), ys[part].tolist(), strict=True))), dtype=float)


def _walked(pixels: list[tuple[int, int]]) -> list[tuple[int, int]]:
    """Pixels of a run in a row; the longest there is, where it is none."""
    longest: list[tuple[int, int]] = []
    left = pixels
    while len(left) > len(longest):
        row = _row(left)
        longest = max(longest, row, key=len)
        # It may have been begun in the middle of it: then the other way is longer.
        left = sorted(set(left).difference(row))
    return longest


def _row(pixels: list[tuple[int, int]]) -> list[tuple[int, int]]:
    left = set(pixels)

    def beside(at: tuple[int, int]) -> list[tuple[int, int]]:
        x, y = at
        straight = [(x + dx, y + dy) for dy, dx in ROUND if (x + dx, y + dy) in left]
        return sorted(straight, key=lambda other: abs(other[0] - x) + abs(other[1] - y))

    start = next((at for at in pixels if len(beside(at)) <= 1), pixels[0])
    row, at = [start], start
    left.discard(start)
    while nearby := beside(at):
        at = nearby[0]
        left.discard(at)
        row.append(at)
    return row


def _node_at(labels: NDArray[np.int32], place: Floats) -> int | None:
    x, y = int(place[0]), int(place[1])
    around = labels[max(0, y - 1) : y + 2, max(0, x - 1) : x + 2]
    found = around[around > 0]
    return int(found[0]) if len(found) else None


def _nodes_of_one(labels: NDArray[np.int32], place: Floats) -> tuple[int | None, int | None]:
    x, y = int(place[0]), int(place[1])
    around = labels[max(0, y - 1) : y + 2, max(0, x - 1) : x + 2]
    found = sorted({int(name) for name in around[around > 0]})
    return (found[0] if found else None, found[1] if len(found) > 1 else None)
