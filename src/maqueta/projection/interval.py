"""Interval sets along one carrier: merging neighbours and taking one set from another."""

from collections.abc import Sequence
from dataclasses import dataclass

from maqueta.projection.carrier import TURN, Interval


@dataclass(frozen=True, slots=True)
class Stretch:
    """An interval together with the model edges and faces behind it."""

    start: float
    end: float
    edges: frozenset[int]
    faces: frozenset[int]

    @property
    def interval(self) -> Interval:
        """The bare interval."""
        return (self.start, self.end)


def merged(stretches: Sequence[Stretch], gap: float) -> list[Stretch]:
    """Union of stretches; those that overlap or lie within `gap` of each other become one."""
    result: list[Stretch] = []
    for stretch in sorted(stretches, key=lambda s: s.start):
        last = result[-1] if result else None
        if last is not None and stretch.start <= last.end + gap:
            result[-1] = Stretch(
                last.start, max(last.end, stretch.end), last.edges | stretch.edges, last.faces | stretch.faces
            )
        else:
            result.append(stretch)
    return result


def subtracted(stretches: Sequence[Stretch], taken: Sequence[Stretch], least: float) -> list[Stretch]:
    """What of `stretches` no interval of `taken` covers; remainders shorter than `least` are dropped."""
    result: list[Stretch] = []
    for stretch in stretches:
        start = stretch.start
        for other in taken:
            if other.end <= start or other.start >= stretch.end:
                continue
            if other.start - start > least:
                result.append(Stretch(start, other.start, stretch.edges, stretch.faces))
            start = max(start, other.end)
        if stretch.end - start > least:
            result.append(Stretch(start, stretch.end, stretch.edges, stretch.faces))
    return result


def unrolled(stretches: Sequence[Stretch]) -> list[Stretch]:
    """Angular stretches cut at 2π, so that every piece lies within [0, 2π]."""
    result: list[Stretch] = []
    for s in stretches:
        if s.end > TURN:
            result.append(Stretch(s.start, TURN, s.edges, s.faces))
            result.append(Stretch(0.0, s.end - TURN, s.edges, s.faces))
        else:
            result.append(s)
    return result


def rejoined(stretches: Sequence[Stretch], gap: float) -> list[Stretch]:
    """The reverse of `unrolled`: a piece ending at 2π and one starting at 0 become one, a whole turn (0, 2π)."""
    if len(stretches) < 2:
        only = list(stretches)
        if only and only[0].start <= gap and only[0].end >= TURN - gap:
            return [Stretch(0.0, TURN, only[0].edges, only[0].faces)]
        return only
    first, last = stretches[0], stretches[-1]
    if first.start > gap or last.end < TURN - gap:
        return list(stretches)
    joined = Stretch(last.start, TURN + first.end, last.edges | first.edges, last.faces | first.faces)
    return [*stretches[1:-1], joined]
