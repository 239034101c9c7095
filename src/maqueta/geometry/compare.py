"""Two drawings of one view against each other: what is missing, surplus, of the wrong kind, or a little off.

Both are interval sets on carriers, so that the differences are exact; curves that are neither lines nor circles are
compared by distance. All lengths are in the unit of the plane the pieces lie in.
"""

import math
from collections import defaultdict
from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property, partial
from typing import Final

from maqueta.geometry.carrier import Circle, Interval, Line
from maqueta.geometry.coincidence import Straight, along, coinciding, straight_of
from maqueta.geometry.curve_cover import Chords
from maqueta.geometry.displacement import Displaced, displaced_lines
from maqueta.geometry.interval import common, joined, remaining
from maqueta.geometry.line_set import LineKind, LineSet, Piece

#: A circle or ellipse drawn as chords takes more straight pieces than this.
_MANY: Final = 6
#: Stretches shorter than this many tolerances are not told apart from lines that meet.
_LEAST: Final = 2.0
#: Sums of lengths are the same but for this share of them.
_ROUNDING: Final = 1e-9


@dataclass(frozen=True)
class Expected:
    """A line set that drawings are compared with, and what is the same whatever it is compared with."""

    lines: LineSet

    @cached_property
    def wanted(self) -> tuple[Piece, ...]:
        """What should be drawn: all but smooth edges."""
        return tuple(piece for piece in self.lines.pieces if piece.kind != "smooth")

    @cached_property
    def smooth(self) -> tuple[Piece, ...]:
        """The smooth edges, which should not."""
        return self.lines.of("smooth")

    @cached_property
    def straight(self) -> Straight:
        """The straight ones of what should be drawn."""
        return straight_of(self.wanted)

    @cached_property
    def _chains(self) -> dict[tuple[float, bool, bool], Chords]:
        return {}

    def chords(self, tolerance: float, hidden: bool, circles: bool) -> Chords:
        """What should be drawn as chains of chords, with or without hidden lines and circles."""
        key = (tolerance, hidden, circles)
        if key not in self._chains:
            own = [
                piece
                for piece in self.wanted
                if (hidden or piece.kind == "visible") and (circles or not isinstance(piece.carrier, Circle))
            ]
            self._chains[key] = Chords(own, tolerance)
        return self._chains[key]

    @cached_property
    def length(self) -> float:
        """How long all is that should be drawn."""
        return length_of(self.wanted)

    @cached_property
    def visible_length(self) -> float:
        """How long the visible lines are."""
        return length_of(piece for piece in self.wanted if piece.kind == "visible")


@dataclass(frozen=True, slots=True)
class DrawnPiece:
    """A drawn stretch. `short` is how much a broken line may end early because its last gap does not show.

    `either` marks a stretch whose kind cannot be told: it counts as whatever is expected in its place.
    """

    piece: Piece
    short: float = 0.0
    either: bool = False


@dataclass(frozen=True)
class Comparison:
    """The differences between a drawn view and the expected one.

    `missing` and `wrong` pieces carry the expected kind and the model behind them, `extra` and `smooth` ones the drawn
    kind; `smooth` are drawn where two faces run smoothly into each other. `expected` and `drawn` are whole lengths.
    """

    missing: tuple[Piece, ...]
    extra: tuple[Piece, ...]
    wrong: tuple[Piece, ...]
    smooth: tuple[Piece, ...]
    displaced: tuple[Displaced, ...]
    expected: float
    drawn: float

    @cached_property
    def disagreement(self) -> float:
        """Share of all ink, expected and drawn, on which the two disagree: 0 for equal drawings, 1 for strangers.

        A stretch of the wrong kind is at least in its place, so it counts half (it stands in both lengths).
        """
        off = sum(pair.missing.length + pair.extra.length for pair in self.displaced)
        ill = length_of(self.missing) + length_of(self.extra) + length_of(self.wrong) + off
        return float(ill / max(self.expected + self.drawn, 1e-9))


def length_of(pieces: Iterable[Piece]) -> float:
    """Length of pieces together."""
    return sum(piece.length for piece in pieces)


def compare(
    expected: LineSet | Expected,
    drawn: Sequence[DrawnPiece],
    tolerance: float,
    reach: float,
    hidden: bool = True,
    curves: bool = True,
    beyond: float = math.inf,
) -> Comparison:
    """Compare drawn pieces with the expected line set; one that is compared with many drawings comes as Expected.

    Carriers match within `tolerance`; a missing and a surplus line up to `reach` apart are one displaced line.
    Without `hidden` no hidden line is expected: one that is drawn as such in its right place is no difference, one that
    is drawn as a visible line is surplus.
    Without `curves` only lines and circles are compared, which is quicker; so are those whose curves show on the way
    that the disagreement is more than `beyond`.
    """
    known = expected if isinstance(expected, Expected) else Expected(expected)
    wanted = known.wanted
    pieces = [item.piece for item in drawn]
    pairs = coinciding(wanted, pieces, tolerance, known.straight)
    missing, wrong = _against(wanted, drawn, pairs, tolerance, hidden)
    solid = set() if hidden else {j for j, item in enumerate(drawn) if item.piece.kind == "visible" and not item.either}
    own = [(j, i) for i, j in pairs if j not in solid or wanted[i].kind == "visible"]
    _, extra = split(pieces, wanted, tolerance, own)
    length = known.length if hidden else known.visible_length
    drawn_length = length_of(pieces)
    if curves:
        room = math.inf
        if beyond < math.inf:
            # What lies on smooth edges is no difference, whatever the curves leave of it.
            on_smooth = length_of(extra) - length_of(split(extra, known.smooth, tolerance)[1])
            room = (beyond + _ROUNDING) * (length + drawn_length) + on_smooth - length_of(wrong)
        settled = _curves(missing, extra, known, pieces, tolerance, hidden, room)
        missing, extra = settled if settled is not None else (missing, extra)
    smooth, extra = split(extra, known.smooth, tolerance)
    displaced, missing, extra = displaced_lines(missing, extra, tolerance, reach)
    return Comparison(
        tuple(missing),
        tuple(extra),
        tuple(wrong),
        tuple(smooth),
        tuple(displaced),
        length,
        drawn_length,
    )


def pace(piece: Piece) -> float:
    """Length per unit of a carrier's parameter: 1 along lines and free curves, the radius around a circle."""
    return piece.carrier.radius if isinstance(piece.carrier, Circle) else 1.0


def stretches(piece: Piece, intervals: Iterable[Interval]) -> list[Piece]:
    """Parts of a piece by intervals of its parameter."""
    return [Piece(piece.kind, piece.carrier, interval, piece.edges, piece.faces) for interval in intervals]


def _against(
    wanted: Sequence[Piece],
    drawn: Sequence[DrawnPiece],
    pairs: Sequence[tuple[int, int]],
    tolerance: float,
    hidden: bool,
) -> tuple[list[Piece], list[Piece]]:
    """Wanted stretches that nothing covers, and those that only the other kind covers."""
    least = _LEAST * tolerance
    drawn_on: defaultdict[int, list[int]] = defaultdict(list)
    for i, j in pairs:
        drawn_on[i].append(j)
    missing: list[Piece] = []
    wrong: list[Piece] = []
    for index, piece in enumerate(wanted):
        if index not in drawn_on:
            if hidden or piece.kind == "visible":
                missing += _longer(piece, least)
            continue
        covers: Mapping[LineKind, list[Interval]] = {"visible": [], "hidden": [], "smooth": []}
        rate = pace(piece)
        for j in drawn_on[index]:
            item = drawn[j]
            short = item.short / rate
            covers[piece.kind if item.either else item.piece.kind].extend(
                (a - short, b + short) for a, b in along(piece, item.piece)
            )
        visible, broken = joined(covers["visible"]), joined(covers["hidden"])
        own, other = (visible, broken) if piece.kind == "visible" else (broken, visible)
        bare = remaining([piece.interval], own, least / rate)
        # A visible line hides a hidden one under it (ISO 128-2, ASME Y14.2, from memory).
        ill = (
            common([piece.interval], visible, least / rate)
            if piece.kind == "hidden"
            else common(bare, broken, least / rate)
        )
        lost = remaining(bare, other, least / rate)
        if piece.kind == "hidden" and (ill or lost):
            # Beside a visible line that should be there, closer than could be told from it, a hidden one does not show.
            beside = _beside(piece, wanted, tolerance)
            ill, lost = (remaining(own, beside, least / rate) for own in (ill, lost))
        wrong += stretches(piece, ill)
        if hidden or piece.kind == "visible":
            missing += stretches(piece, lost)
    return missing, wrong if hidden else [piece for piece in wrong if piece.kind == "visible"]


def _beside(piece: Piece, wanted: Sequence[Piece], tolerance: float) -> list[Interval]:
    """Where visible lines that should be there lie on a hidden one, as far as anyone could tell."""
    visible = [other for other in wanted if other.kind == "visible"]
    return joined(span for _, j in coinciding([piece], visible, tolerance) for span in along(piece, visible[j]))


def _longer(piece: Piece, least: float) -> list[Piece]:
    """A piece, unless it is shorter than what counts."""
    return [piece] if piece.interval[1] - piece.interval[0] > least / pace(piece) else []


def split(
    pieces: Sequence[Piece],
    others: Sequence[Piece],
    tolerance: float,
    pairs: Sequence[tuple[int, int]] | None = None,
) -> tuple[list[Piece], list[Piece]]:
    """Stretches of `pieces` that lie on lines of `others`, and the stretches that do not."""
    found = coinciding(pieces, others, tolerance) if pairs is None else pairs
    others_on: defaultdict[int, list[int]] = defaultdict(list)
    for i, j in found:
        others_on[i].append(j)
    on: list[Piece] = []
    off: list[Piece] = []
    for index, piece in enumerate(pieces):
        if index not in others_on:
            off += _longer(piece, _LEAST * tolerance)
            continue
        spans = joined([span for j in others_on[index] for span in along(piece, others[j])])
        least = _LEAST * tolerance / pace(piece)
        on += stretches(piece, common([piece.interval], spans, least))
        off += stretches(piece, remaining([piece.interval], spans, least))
    return on, off


def _curves(
    missing: list[Piece],
    extra: list[Piece],
    expected: Expected,
    drawn: Sequence[Piece],
    tolerance: float,
    hidden: bool,
    room: float,
) -> tuple[list[Piece], list[Piece]] | None:
    """Settle by distance what carriers cannot: ellipses, free curves, and curves drawn as chords or other curves.

    None if what stays missing or extra is longer than `room`, in the unit of the plane.
    """
    least = _LEAST * tolerance
    every = (*missing, *extra, *expected.wanted)
    if all(isinstance(piece.carrier, Line | Circle) for piece in every) and not _chords(extra):
        return missing, extra

    def among_drawn(circles: bool) -> Chords:
        return Chords([own for own in drawn if circles or not isinstance(own.carrier, Circle)], tolerance)

    still_missing = _apart(missing, among_drawn, extra, tolerance, least, room)
    if still_missing is None:
        return None
    room -= length_of(still_missing)
    among_all = partial(expected.chords, tolerance, True)
    # Where hidden lines are not wanted, a curve drawn as a visible one must be one.
    broken = [piece for piece in extra if hidden or piece.kind == "hidden"]
    solid = [piece for piece in extra if not hidden and piece.kind != "hidden"]
    still_extra: list[Piece] = []
    for own, among in ((broken, among_all), (solid, partial(expected.chords, tolerance, False))):
        left = _apart(own, among, missing, tolerance, least, room)
        if left is None:
            return None
        room -= length_of(left)
        still_extra += left
    return still_missing, still_extra


def _chords(pieces: Sequence[Piece]) -> bool:
    """Whether there are enough straight pieces that they could be the chords of a curve."""
    return sum(isinstance(piece.carrier, Line) for piece in pieces) > _MANY


def _apart(
    pieces: Sequence[Piece],
    others: Callable[[bool], Chords],
    left_over: Sequence[Piece],
    tolerance: float,
    least: float,
    room: float,
) -> list[Piece] | None:
    """Stretches of pieces away from others by distance: lines from bent left-overs, circles from anything but circles
    (what lies on a line or circle of the same kind is settled already), other curves from all others.

    `others` gives these as chords, with or without circles. None if the stretches are longer than `room` together:
    the longest pieces are looked at first.
    """
    known: dict[type, Chords] = {}
    found: dict[int, list[Piece]] = {}
    for place in sorted(range(len(pieces)), key=lambda place: -pieces[place].length):
        piece = pieces[place]
        kind = type(piece.carrier)
        if kind not in known:
            bent = [own for own in left_over if not isinstance(own.carrier, Line)]
            known[kind] = Chords(bent, tolerance) if kind is Line else others(kind is not Circle)
        found[place] = known[kind].far_from(piece, least)
        room -= length_of(found[place])
        if room < 0:
            return None
    return [stretch for place in range(len(pieces)) for stretch in found[place]]


def lying_on(pieces: Sequence[Piece], lines: Sequence[Piece], tolerance: float) -> list[float]:
    """The length of each piece that lies on lines: by carriers, or by distance where these cannot be compared."""
    found = [0.0] * len(pieces)
    exact = [k for k, piece in enumerate(pieces) if isinstance(piece.carrier, Line | Circle)]
    others: defaultdict[int, list[int]] = defaultdict(list)
    for i, j in coinciding([pieces[k] for k in exact], lines, tolerance):
        others[i].append(j)
    for i, k in enumerate(exact):
        on, _ = split([pieces[k]], lines, tolerance, [(0, j) for j in others[i]])
        found[k] = length_of(on)
    bent = [k for k, piece in enumerate(pieces) if not isinstance(piece.carrier, Line | Circle)]
    near = Chords(lines, tolerance) if bent else None
    for k in bent:
        assert near is not None, "there are bent pieces"
        found[k] = pieces[k].length - length_of(near.far_from(pieces[k], _LEAST * tolerance))
    return found
