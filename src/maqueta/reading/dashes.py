"""Broken lines drawn as separate short strokes, joined into the lines they stand for.

A run of collinear (or concentric) strokes of one style is a broken line when its gaps are even and its inner strokes
are even (hidden) or alternate between long and short (centre). Common practice, no source.
"""

import math
from bisect import bisect_left
from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass, replace
from itertools import islice, pairwise
from typing import Final

from maqueta.geometry.carrier import TURN, Circle, Line
from maqueta.geometry.line_set import Piece
from maqueta.reading.content import Stroke, Style
from maqueta.reading.kinds import Kind, kind_of, pattern_kind
from maqueta.reading.rings import by_circle, on_their_rings

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
#: Strokes overlap by more than this (mm); so many runs are looked for among strokes that do, unless they are very many.
_OVER, _MOST_INTERLEAVED, _MOST_OVER = 0.05, 8, 400


@dataclass(frozen=True, slots=True)
class _Run:
    """Strokes in order along one carrier with the gaps between them."""

    members: tuple[int, ...]
    lengths: tuple[float, ...]
    gaps: tuple[float, ...]
    closed: bool


def join_dashes(strokes: Sequence[Stroke]) -> tuple[Stroke, ...]:
    """Replace runs of strokes by one broken line each; everything else stays as it is."""
    strokes = on_their_rings(_once(strokes))
    joined: list[Stroke] = []
    taken: set[int] = set()
    rhythms: list[tuple[float, float]] = []
    runs = sorted(_runs(strokes), key=lambda run: -len(run.members))
    whole = {stroke.style for stroke in strokes if _undashed(stroke)}
    for run in runs:
        if len(run.members) == 2 and (rhythms or strokes[run.members[0]].style in whole):
            # Two lines with a gap between them are one broken line only where others show its rhythm, or nothing can.
            continue
        meant = _meaning(run, kind_of(strokes[run.members[0]].style))
        if meant is None or taken.intersection(run.members):
            continue
        gap = sum(run.gaps) / len(run.gaps)
        if meant == "hidden":
            rhythms.append((max(run.lengths), gap))
        joined.append(_joined(strokes, run, meant, gap))
        taken.update(run.members)
    rhythms = rhythms or _among_pairs(strokes, runs, taken, joined)
    for run in runs:
        if len(run.members) == 2 and not taken.intersection(run.members) and _like(run, rhythms):
            joined.append(_joined(strokes, run, "hidden", run.gaps[0]))
            taken.update(run.members)
    rest = [stroke for index, stroke in enumerate(strokes) if index not in taken]
    rest = _without_remainders(rest, [line for line in joined if isinstance(line.piece.carrier, Circle)])
    broken = {
        replace(m.style, pattern=(), pattern_name="")
        for m in joined
        if pattern_kind(m.style.pattern, m.style.pattern_name) == "hidden"
    }
    gap = max((gap for _, gap in rhythms), default=0.0)
    dash = max((dash for dash, _ in rhythms), default=0.0)
    return (*(_stub(stroke, broken, dash, gap) for stroke in rest), *joined)


def _without_remainders(rest: Sequence[Stroke], circles: Sequence[Stroke]) -> list[Stroke]:
    """Strokes without those that are what is left of a dash where a broken circle closes: too short to be told from a
    straight line, and on the circle all the same.
    """
    return [stroke for stroke in rest if not any(_is_remainder(stroke, whole) for whole in circles)]


def _is_remainder(stroke: Stroke, whole: Stroke) -> bool:
    carrier, (start, end) = stroke.piece.carrier, stroke.piece.interval
    circle = whole.piece.carrier
    if not isinstance(carrier, Line) or not isinstance(circle, Circle):
        return False
    plain = replace(whole.style, pattern=(), pattern_name="")
    if stroke.piece.length > max(whole.style.pattern) or replace(stroke.style, pattern=(), pattern_name="") != plain:
        return False
    return all(
        abs(math.hypot(x - circle.x, y - circle.y) - circle.radius) <= _IN_LINE / 2 and _within(whole.piece, x, y)
        for x, y in (carrier.point(t) for t in (start, (start + end) / 2, end))
    )


def _within(arc: Piece, x: float, y: float) -> bool:
    """Whether a point lies beside a stretch of a circle, its ends included."""
    assert isinstance(arc.carrier, Circle)
    start, end = arc.interval
    return (arc.carrier.parameter((x, y)) - start) % TURN <= end - start + _IN_LINE / arc.carrier.radius


def _undashed(stroke: Stroke) -> bool:
    """Whether a line is drawn through though its layer says that it is broken, longer than any of its dashes."""
    said = kind_of(stroke.style)
    longest = {"hidden": _LONGEST_HIDDEN, "centre": _LONGEST}.get(said)
    return longest is not None and stroke.piece.length > longest


def _once(strokes: Sequence[Stroke]) -> list[Stroke]:
    """Marks without exact copies of one another, such as the common axis of two holes drawn twice."""
    seen: dict[tuple[object, ...], Stroke] = {}
    for stroke in strokes:
        ends = sorted((round(x, 2) + 0.0, round(y, 2) + 0.0) for x, y in stroke.piece.ends)
        middle = stroke.piece.carrier.point(sum(stroke.piece.interval) / 2)
        key = (stroke.style, *ends, round(middle[0], 2) + 0.0, round(middle[1], 2) + 0.0)
        seen.setdefault(key, stroke)
    return list(seen.values())


def _stub(stroke: Stroke, broken: set[Style], dash: float, gap: float) -> Stroke:
    """A single stroke no longer than a dash may be the whole of a short hidden line, its last gap not showing."""
    if stroke.style.pattern:
        return stroke
    if replace(stroke.style, pattern=(), pattern_name="") in broken:
        return replace(stroke, short=1.05 * gap) if stroke.piece.length <= 1.1 * dash else stroke
    # No run tells the rhythm: a short stroke may still be all that shows of a hidden line.
    short = stroke.piece.length <= _STUB and kind_of(stroke.style) in ("hidden", "open")
    return replace(stroke, short=min(_STUB_GAP, stroke.piece.length / 2)) if short else stroke


def _runs(strokes: Sequence[Stroke]) -> list[_Run]:
    groups: defaultdict[tuple[object, ...], list[int]] = defaultdict(list)
    for index, stroke in enumerate(strokes):
        carrier = stroke.piece.carrier
        broken = stroke.style.pattern or pattern_kind((), stroke.style.pattern_name) is not None
        if broken or stroke.piece.length > _LONGEST:
            continue
        if isinstance(carrier, Line):
            groups[(stroke.style, "line", round(carrier.angle, 4) % round(math.pi, 4))].append(index)
        elif isinstance(carrier, Circle):
            groups[(stroke.style, "arc", round(carrier.radius, 1))].append(index)
    runs: list[_Run] = []
    for key, members in groups.items():
        for in_line in _in_line(strokes, members, key[1] == "arc"):
            runs += _cut(strokes, in_line)
    return runs


def _in_line(strokes: Sequence[Stroke], members: list[int], arcs: bool) -> list[list[int]]:
    if arcs:
        return by_circle(strokes, members, _IN_LINE)
    result: list[list[int]] = []

    def offset(index: int) -> float:
        carrier = strokes[index].piece.carrier
        assert isinstance(carrier, Line)
        return carrier.offset

    for index in sorted(members, key=offset):
        if result and offset(index) - offset(result[-1][-1]) <= _IN_LINE:
            result[-1].append(index)
        else:
            result.append([index])
    return result


def _cut(strokes: Sequence[Stroke], members: list[int]) -> list[_Run]:
    """Strokes along one carrier, parted wherever the next gap is too wide for a broken line."""
    carrier = strokes[members[0]].piece.carrier
    rate = carrier.radius if isinstance(carrier, Circle) else 1.0
    in_order = sorted(members, key=lambda index: strokes[index].piece.interval[0])
    order = _uncovered(strokes, in_order)
    spans = [strokes[index].piece.interval for index in order]
    over = any(b[0] < a[1] - _OVER / rate for a, b in pairwise(spans))
    if over and len(in_order) <= _MOST_OVER:
        return _interleaved(strokes, in_order, rate)
    gaps = [rate * (b[0] - a[1]) for a, b in pairwise(spans)]
    closed = False
    if isinstance(carrier, Circle) and len(order) > 2:
        last = rate * (spans[0][0] + TURN - spans[-1][1])
        closed = _NARROWEST <= last <= _WIDEST and all(_NARROWEST <= gap <= _WIDEST for gap in gaps)
    usual = sorted(gap for gap in gaps if _NARROWEST <= gap <= _WIDEST)
    middle = usual[len(usual) // 2] if usual else 0.0
    runs: list[_Run] = []
    start = 0
    for number in range(1, len(order) + 1):
        fits = number < len(order) and abs(gaps[number - 1] - middle) <= max(0.15, _EVEN * middle) and middle > 0
        if fits:
            continue
        if number - start >= 2:
            lengths = tuple(rate * (b - a) for a, b in spans[start:number])
            runs.append(_Run(tuple(order[start:number]), lengths, tuple(gaps[start : number - 1]), closed))
        start = number
    return runs


def _interleaved(strokes: Sequence[Stroke], order: Sequence[int], rate: float) -> list[_Run]:
    """Runs among strokes that lie over one another, such as an axis and the arms of a centre mark: the longest first.

    A run goes on with whatever stroke begins an even gap after its last one, whatever else lies there.
    """
    spans = [strokes[index].piece.interval for index in order]
    usual = sorted(gap for a, b in pairwise(spans) if _NARROWEST <= (gap := rate * (b[0] - a[1])) <= _WIDEST)
    if not usual:
        return []
    middle = usual[len(usual) // 2]
    off = max(0.15, _EVEN * middle)
    left, runs = list(range(len(order))), []
    for _ in range(_MOST_INTERLEAVED):
        chain = _longest_chain([spans[k] for k in left], middle / rate, off / rate)
        if len(chain) < 2:
            break
        run = [left[k] for k in chain]
        lengths = tuple(rate * (spans[k][1] - spans[k][0]) for k in run)
        gaps = tuple(rate * (spans[b][0] - spans[a][1]) for a, b in pairwise(run))
        runs.append(_Run(tuple(order[k] for k in run), lengths, gaps, closed=False))
        left = [k for k in left if k not in set(run)]
    return runs


def _longest_chain(spans: Sequence[tuple[float, float]], gap: float, off: float) -> list[int]:
    """The longest chain of spans (sorted by where they begin) that follow each other with one gap, within `off`."""
    ends = sorted((end, k) for k, (_, end) in enumerate(spans))
    best: list[tuple[int, int | None]] = [(1, None)] * len(spans)
    for k, (start, _) in enumerate(spans):
        first = bisect_left(ends, (start - gap - off, -1))
        for end, before in islice(ends, first, None):
            if end > start - gap + off:
                break
            if before < k and best[before][0] + 1 > best[k][0]:
                best[k] = (best[before][0] + 1, before)
    at: int | None = max(range(len(spans)), key=lambda k: best[k][0], default=None)
    chain: list[int] = []
    while at is not None:
        chain.append(at)
        at = best[at][1]
    return chain[::-1]


def _uncovered(strokes: Sequence[Stroke], order: Sequence[int]) -> list[int]:
    """Strokes in order along a carrier without those that lie within another: lines drawn over lines."""
    result: list[int] = []
    for index in order:
        start, end = strokes[index].piece.interval
        if result and end <= strokes[result[-1]].piece.interval[1] + 1e-6:
            continue
        if result and start <= strokes[result[-1]].piece.interval[0] + 1e-6:
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
        inner = [
            length for number, length in enumerate(lengths) if number % 2 == first and 0 < number < len(lengths) - 1
        ]
        compared = inner or long
        if short and max(short) <= 0.5 * min(compared) and max(short) - min(short) <= max(0.2, _EVEN * max(short)):
            return True
    return False


def _among_pairs(
    strokes: Sequence[Stroke], runs: Sequence[_Run], taken: set[int], joined: Sequence[Stroke]
) -> list[tuple[float, float]]:
    """Rhythms that short hidden lines of two strokes show among themselves, beside centre lines of the same style.

    All pairs left in the style are of equal strokes and keep one rhythm, with the gap of its centre lines: sides of a
    groove that happen to be as far apart do not make it up, nor do the strokes of short centre lines.
    """
    found: list[tuple[float, float]] = []
    for style in dict.fromkeys(replace(stroke.style, pattern=(), pattern_name="") for stroke in joined):
        pairs = [
            (*run.lengths, run.gaps[0])
            for run in runs
            if len(run.members) == 2
            and not taken.intersection(run.members)
            and replace(strokes[run.members[0]].style, pattern=(), pattern_name="") == style
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


def _joined(strokes: Sequence[Stroke], run: _Run, meant: Kind, gap: float) -> Stroke:
    first, last = strokes[run.members[0]], strokes[run.members[-1]]
    carrier = first.piece.carrier
    reach = (first.piece.interval[0], last.piece.interval[1])
    if run.closed:
        reach = (0.0, TURN)
    dash = max(run.lengths)
    pattern = (dash, -gap) if meant == "hidden" else (dash, -gap, min(min(run.lengths), dash / 4), -gap)
    style = replace(first.style, pattern=pattern, pattern_name=JOINED)
    return Stroke(Piece("visible", carrier, reach, (), ()), style, 0.0 if run.closed else 1.05 * gap)
