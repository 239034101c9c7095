"""Interval sets along one carrier: merging neighbours and taking one set from another."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from maqueta.geometry.carrier import TURN, Interval


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


def joined(intervals: Iterable[Interval]) -> list[Interval]:
    """Union of bare intervals, lowest first."""
    result: list[Interval] = []
    for start, end in sorted(intervals):
        if result and start <= result[-1][1]:
            result[-1] = (result[-1][0], max(result[-1][1], end))
        else:
            result.append((start, end))
    return result


def remaining(intervals: Iterable[Interval], taken: Sequence[Interval], least: float) -> list[Interval]:
    """What of `intervals` no interval of the union `taken` covers; remainders up to `least` are dropped."""
    result: list[Interval] = []
    for start, end in intervals:
        for low, high in taken:
            if high <= start or low >= end:
                continue
            if low - start > least:
                result.append((start, low))
            start = max(start, high)
        if end - start > least:
            result.append((start, end))
    return result


def common(intervals: Iterable[Interval], others: Sequence[Interval], least: float) -> list[Interval]:
    """What two unions share; stretches up to `least` are dropped."""
    shared = [(max(a, c), min(b, d)) for a, b in intervals for c, d in others if min(b, d) - max(a, c) > least]
    return joined(shared)
