"""Broken lines drawn as separate short strokes, joined into the lines they stand for.

A run of collinear (or concentric) strokes of one style is a broken line when its gaps are even and its inner strokes
are even (hidden) or alternate between long and short (centre). Common practice, no source.
"""

import math
from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from typing import Final

from maqueta.projection.carrier import TURN, Circle, Line
from maqueta.projection.line_set import Piece
from maqueta.reading.content import Mark, Style
from maqueta.reading.kinds import Kind, kind_of, pattern_kind

#: Longest dash and widest gap of a line drawn in strokes, mm on paper.
_LONGEST, _WIDEST, _NARROWEST = 30.0, 4.0, 0.2
_LONGEST_HIDDEN: Final = 9.0
#: The pattern name of lines joined from strokes.
JOINED: Final = "STROKES"
_EVEN: Final = 0.25
#: A lone stroke up to this long may be one dash, with at most this much of a gap after it (mm).
_STUB, _STUB_GAP = 6.0, 2.0
#: So many lines of two strokes with one rhythm show that they are broken lines.
_FEWEST_PAIRS: Final = 4
#: Strokes lie on one line within this (mm).
_IN_LINE: Final = 0.05


@dataclass(frozen=True, slots=True)
class _Run:
    """Strokes in order along one carrier with the gaps between them."""

    members: tuple[int, ...]
    lengths: tuple[float, ...]
    gaps: tuple[float, ...]
    closed: bool


def join_dashes(marks: Sequence[Mark]) -> tuple[Mark, ...]:
    """Replace runs of strokes by one broken line each; everything else stays as it is."""
    marks = _once(marks)
    joined: list[Mark] = []
    taken: set[int] = set()
    rhythms: list[tuple[float, float]] = []
    runs = sorted(_runs(marks), key=lambda run: -len(run.members))
    whole = {mark.style for mark in marks if _undashed(mark)}
    for run in runs:
        if len(run.members) == 2 and (rhythms or marks[run.members[0]].style in whole):
            # Two lines with a gap between them are one broken line only where others show its rhythm, or nothing can.
            continue
        meant = _meaning(run, kind_of(marks[run.members[0]].style))
        if meant is None or taken.intersection(run.members):
            continue
        gap = sum(run.gaps) / len(run.gaps)
        if meant == "hidden":
            rhythms.append((max(run.lengths), gap))
        joined.append(_joined(marks, run, meant, gap))
        taken.update(run.members)
    rhythms = rhythms or _among_pairs(marks, runs, taken, joined)
    for run in runs:
        if len(run.members) == 2 and not taken.intersection(run.members) and _like(run, rhythms):
            joined.append(_joined(marks, run, "hidden", run.gaps[0]))
            taken.update(run.members)
    rest = [mark for index, mark in enumerate(marks) if index not in taken]
    broken = {
        replace(m.style, pattern=(), pattern_name="")
        for m in joined
        if pattern_kind(m.style.pattern, m.style.pattern_name) == "hidden"
    }
    gap = max((gap for _, gap in rhythms), default=0.0)
    dash = max((dash for dash, _ in rhythms), default=0.0)
    return (*(_stub(mark, broken, dash, gap) for mark in rest), *joined)


def _undashed(mark: Mark) -> bool:
    """Whether a line is drawn through though its layer says that it is broken, longer than any of its dashes."""
    said = kind_of(mark.style)
    longest = {"hidden": _LONGEST_HIDDEN, "centre": _LONGEST}.get(said)
    return longest is not None and mark.piece.length > longest


def _once(marks: Sequence[Mark]) -> list[Mark]:
    """Marks without exact copies of one another, such as the common axis of two holes drawn twice."""
    seen: dict[tuple[object, ...], Mark] = {}
    for mark in marks:
        ends = sorted((round(x, 2) + 0.0, round(y, 2) + 0.0) for x, y in mark.piece.ends)
        middle = mark.piece.carrier.point(sum(mark.piece.interval) / 2)
        key = (mark.style, *ends, round(middle[0], 2) + 0.0, round(middle[1], 2) + 0.0)
        seen.setdefault(key, mark)
    return list(seen.values())


def _stub(mark: Mark, broken: set[Style], dash: float, gap: float) -> Mark:
    """A single stroke no longer than a dash may be the whole of a short hidden line, its last gap not showing."""
    if mark.style.pattern:
        return mark
    if replace(mark.style, pattern=(), pattern_name="") in broken:
        return replace(mark, short=1.05 * gap) if mark.piece.length <= 1.1 * dash else mark
    # No run tells the rhythm: a short stroke may still be all that shows of a hidden line.
    short = mark.piece.length <= _STUB and kind_of(mark.style) in ("hidden", "open")
    return replace(mark, short=min(_STUB_GAP, mark.piece.length / 2)) if short else mark


def _runs(marks: Sequence[Mark]) -> list[_Run]:
    groups: defaultdict[tuple[object, ...], list[int]] = defaultdict(list)
    for index, mark in enumerate(marks):
        carrier = mark.piece.carrier
        broken = mark.style.pattern or pattern_kind((), mark.style.pattern_name) is not None
        if broken or mark.piece.length > _LONGEST:
            continue
        if isinstance(carrier, Line):
            groups[(mark.style, "line", round(carrier.angle, 4) % round(math.pi, 4))].append(index)
        elif isinstance(carrier, Circle):
            groups[(mark.style, "arc", round(carrier.radius, 1))].append(index)
    runs: list[_Run] = []
    for key, members in groups.items():
        for in_line in _in_line(marks, members, key[1] == "arc"):
            runs += _cut(marks, in_line)
    return runs


def _in_line(marks: Sequence[Mark], members: list[int], arcs: bool) -> list[list[int]]:
    result: list[list[int]] = []
    if arcs:
        for index in members:
            c = marks[index].piece.carrier
            assert isinstance(c, Circle)
            for group in result:
                other = marks[group[0]].piece.carrier
                assert isinstance(other, Circle)
                if math.dist((c.x, c.y), (other.x, other.y)) <= _IN_LINE and abs(c.radius - other.radius) <= _IN_LINE:
                    group.append(index)
                    break
            else:
                result.append([index])
        return result

    def offset(index: int) -> float:
        carrier = marks[index].piece.carrier
        assert isinstance(carrier, Line)
        return carrier.offset

    for index in sorted(members, key=offset):
        if result and offset(index) - offset(result[-1][-1]) <= _IN_LINE:
            result[-1].append(index)
        else:
            result.append([index])
    return result


def _cut(marks: Sequence[Mark], members: list[int]) -> list[_Run]:
    """Strokes along one carrier, parted wherever the next gap is too wide for a broken line."""
    carrier = marks[members[0]].piece.carrier
    rate = carrier.radius if isinstance(carrier, Circle) else 1.0
    order = _uncovered(marks, sorted(members, key=lambda index: marks[index].piece.interval[0]))
    spans = [marks[index].piece.interval for index in order]
    gaps = [rate * (b[0] - a[1]) for a, b in pairwise(spans)]
    closed = False
    if isinstance(carrier, Circle) and len(order) > 2:
        last = rate * (spans[0][0] + TURN - spans[-1][1])
        closed = _NARROWEST <= last <= _WIDEST and all(_NARROWEST <= gap <= _WIDEST for gap in gaps)
    usual = sorted(gap for gap in gaps if _NARROWEST <= gap <= _WIDEST)
    middle = usual[len(usual) // 2] if usual else 0.0
    runs: list[_Run] = []
    start = 0
    for place in range(1, len(order) + 1):
        fits = place < len(order) and abs(gaps[place - 1] - middle) <= max(0.15, _EVEN * middle) and middle > 0
        if fits:
            continue
        if place - start >= 2:
            lengths = tuple(rate * (b - a) for a, b in spans[start:place])
            runs.append(_Run(tuple(order[start:place]), lengths, tuple(gaps[start : place - 1]), closed))
        start = place
    return runs


def _uncovered(marks: Sequence[Mark], order: Sequence[int]) -> list[int]:
    """Strokes in order along a carrier without those that lie within another: lines drawn over lines."""
    result: list[int] = []
    for index in order:
        start, end = marks[index].piece.interval
        if result and end <= marks[result[-1]].piece.interval[1] + 1e-6:
            continue
        if result and start <= marks[result[-1]].piece.interval[0] + 1e-6:
            result.pop()
        result.append(index)
    return result


def _meaning(run: _Run, said: Kind) -> Kind | None:
    """What a run of strokes is; two strokes are only joined where the layer says that they are broken."""
    inner = run.lengths if run.closed else run.lengths[1:-1]
    if said in ("hidden", "centre"):
        return said if max(run.lengths) <= (_LONGEST_HIDDEN if said == "hidden" else _LONGEST) else None
    if said != "open" or len(run.members) < 3:
        return None
    longest = max(inner)
    gap = max(run.gaps)
    even = min(inner) >= (1 - _EVEN) * longest
    if even and max(run.lengths) <= 1.1 * longest <= _LONGEST_HIDDEN and gap <= longest:
        return "hidden"
    if len(run.lengths) >= 3 and _alternates(run.lengths) and gap <= max(run.lengths) / 2:
        return "centre"
    return None


def _alternates(lengths: Sequence[float]) -> bool:
    """Long and short strokes in turn, the short ones even and less than half as long as any long inner one."""
    for first in (0, 1):
        long, short = lengths[first::2], lengths[1 - first :: 2]
        inner = [length for place, length in enumerate(lengths) if place % 2 == first and 0 < place < len(lengths) - 1]
        compared = inner or long
        if short and max(short) <= 0.5 * min(compared) and max(short) - min(short) <= max(0.2, _EVEN * max(short)):
            return True
    return False


def _among_pairs(
    marks: Sequence[Mark], runs: Sequence[_Run], taken: set[int], joined: Sequence[Mark]
) -> list[tuple[float, float]]:
    """Rhythms that short hidden lines of two strokes show among themselves, beside centre lines of the same style.

    All pairs left in the style are of equal strokes and keep one rhythm, with the gap of its centre lines: sides of a
    groove that happen to be as far apart do not make it up, nor do the strokes of short centre lines.
    """
    found: list[tuple[float, float]] = []
    for style in dict.fromkeys(replace(mark.style, pattern=(), pattern_name="") for mark in joined):
        pairs = [
            (*run.lengths, run.gaps[0])
            for run in runs
            if len(run.members) == 2
            and not taken.intersection(run.members)
            and replace(marks[run.members[0]].style, pattern=(), pattern_name="") == style
        ]
        if kind_of(style) != "open" or len(pairs) < _FEWEST_PAIRS:
            continue
        dash, _, gap = pairs[0]
        alike = all(
            max(abs(a - dash), abs(b - dash)) <= 0.05 * dash and abs(g - gap) <= 0.05 * gap for a, b, g in pairs
        )
        of_axes = [m.style.pattern for m in joined if replace(m.style, pattern=(), pattern_name="") == style]
        gap_of_axes = any(abs(gap + other[1]) <= -0.1 * other[1] for other in of_axes)
        dash_of_axes = any(abs(dash - other[0]) <= _EVEN * other[0] for other in of_axes)
        if alike and gap <= dash <= _LONGEST_HIDDEN and gap_of_axes and not dash_of_axes:
            found.append((dash, gap))
    return found


def _like(run: _Run, rhythms: Sequence[tuple[float, float]]) -> bool:
    """Whether two strokes, one of them a whole dash, keep the rhythm of another broken line of the sheet."""
    return any(
        abs(run.gaps[0] - gap) <= max(0.1, 0.15 * gap) and 0.9 * dash <= max(run.lengths) <= 1.1 * dash
        for dash, gap in rhythms
    )


def _joined(marks: Sequence[Mark], run: _Run, meant: Kind, gap: float) -> Mark:
    first, last = marks[run.members[0]], marks[run.members[-1]]
    carrier = first.piece.carrier
    reach = (first.piece.interval[0], last.piece.interval[1])
    if run.closed:
        reach = (0.0, TURN)
    dash = max(run.lengths)
    pattern = (dash, -gap) if meant == "hidden" else (dash, -gap, min(min(run.lengths), dash / 4), -gap)
    style = replace(first.style, pattern=pattern, pattern_name=JOINED)
    return Mark(Piece("visible", carrier, reach, (), ()), style, 0.0 if run.closed else 1.05 * gap)
