"""Lines of which neither dashes nor layer tell what they are: settled style by style by what the part would show."""

import math
from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Final

from maqueta.geometry.box import box_of, grown
from maqueta.geometry.carrier import Circle, Line, Similarity
from maqueta.geometry.compare import DrawnPiece, length_of, lying_on
from maqueta.geometry.line_set import Piece, extremes
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.content import Stroke, Style
from maqueta.reading.dashes import JOINED
from maqueta.reading.groups import WIDER, grouped
from maqueta.reading.identify import Fit, identify
from maqueta.reading.kinds import Kind
from maqueta.sheet.view import FromCorner
from maqueta.solid.unit import MILLIMETRES

#: A style belongs to the views when at least this share of its ink lies on lines of the part.
_MOSTLY: Final = 0.5
#: The same for the first style of a sheet on which no line says that it is visible.
_AT_LEAST: Final = 0.2
#: It is that of hidden lines when this share of what lies on the part lies on hidden ones.
_HIDDEN: Final = 0.7
_MOST_GROUPS: Final = 16
#: A stroke is in line with another within this, mm.
_BESIDE: Final = 0.1


@dataclass(frozen=True)
class Settled:
    """Kinds with no open ones left among the `taken` strokes; `either` may be visible or hidden, stroke by stroke.

    `loose` are strokes of whose kind the file itself says nothing; `dropped` strokes and `left_out` styles count as
    lettering and dimension lines.
    """

    kinds: list[Kind]
    taken: list[int]
    either: frozenset[int]
    loose: frozenset[int]
    dropped: frozenset[int]
    left_out: tuple[Phrase, ...]


def settle_open(
    strokes: Sequence[Stroke],
    kinds: Sequence[Kind],
    taken: Sequence[int],
    aside: frozenset[int],
    projected: ProjectedPart,
    scales: Sequence[float],
    tolerance: float,
) -> Settled:
    """Give every open stroke a kind, or leave its whole style out of the views; what is `aside` belongs to none."""
    result = list(kinds)
    by_style: defaultdict[Style, list[int]] = defaultdict(list)
    for index in taken:
        if kinds[index] == "open":
            by_style[replace(strokes[index].style, pattern=(), pattern_name="")].append(index)
    known = [index for index in taken if kinds[index] != "open"]
    certain = [index for index in known if kinds[index] == "visible"]
    left_out = [phrase("unread-aside", count=len(aside))] if aside else []
    dropped = set(aside)
    either = _dash_long(strokes, kinds, taken)
    styled = _stroke_styles(strokes, kinds)
    for style, members in sorted(by_style.items(), key=lambda entry: -_ink(strokes, entry[1])):
        if (sibling := _left_over(strokes, members, styled.get(style, ()))) is not None:
            left = [i for i in members if sibling != "centre" or _in_line(strokes[i], styled[style])]
            for index in left:
                result[index] = sibling
            members = [i for i in members if i not in left]
            if not members:
                continue
        share, hidden = _on_the_part(strokes, kinds, certain or members, members, projected, scales, tolerance)
        # Where nothing else is a view, most of the ink may be that of sections, details and auxiliary views.
        if share < (_MOSTLY if certain else _AT_LEAST):
            dropped.update(members)
            count = len(members)
            named = phrase("unread-layer", layer=style.layer, count=count)
            left_out.append(named if style.layer else phrase("unread-lines", count=count))
            continue
        for index in members:
            result[index] = "hidden" if hidden >= _HIDDEN and certain else "visible"
        certain = certain or members
    loose = frozenset(i for i in taken if kinds[i] == "open")
    return Settled(
        result, [i for i in taken if i not in dropped], either - dropped, loose, frozenset(dropped), tuple(left_out)
    )


def _stroke_styles(strokes: Sequence[Stroke], kinds: Sequence[Kind]) -> dict[Style, list[tuple[Kind, Stroke]]]:
    """Lines joined from strokes, by the style of their strokes."""
    found: defaultdict[Style, list[tuple[Kind, Stroke]]] = defaultdict(list)
    for stroke, kind in zip(strokes, kinds, strict=True):
        if stroke.style.pattern_name == JOINED:
            found[replace(stroke.style, pattern=(), pattern_name="")].append((kind, stroke))
    return found


def _left_over(strokes: Sequence[Stroke], members: Sequence[int], joined: Sequence[tuple[Kind, Stroke]]) -> Kind | None:
    """The kind of a few short strokes that are left over in a style which is otherwise broken lines of one kind."""
    if len({kind for kind, _ in joined}) != 1:
        return None
    longest = max(stroke.style.pattern[0] for _, stroke in joined)
    short = all(strokes[i].piece.length <= 1.2 * longest for i in members)
    few = _ink(strokes, members) <= sum(stroke.piece.length for _, stroke in joined)
    return joined[0][0] if short and few else None


def _in_line(stroke: Stroke, joined: Sequence[tuple[Kind, Stroke]]) -> bool:
    """Whether a stroke goes on along one of some broken lines: what is left over of a centre line does."""
    return any(
        isinstance(own.piece.carrier, Line | Circle)
        and all(
            math.dist(own.piece.carrier.point(own.piece.carrier.parameter(p)), p) <= _BESIDE for p in stroke.piece.ends
        )
        for _, own in joined
    )


def _ink(strokes: Sequence[Stroke], members: Sequence[int]) -> float:
    return sum(strokes[i].piece.length for i in members)


def _dash_long(strokes: Sequence[Stroke], kinds: Sequence[Kind], taken: Sequence[int]) -> frozenset[int]:
    """Short strokes of which nothing says what they are: they may be all that shows of a hidden line."""
    return frozenset(i for i in taken if kinds[i] == "open" and strokes[i].short > 0)


def _on_the_part(
    strokes: Sequence[Stroke],
    kinds: Sequence[Kind],
    base: Sequence[int],
    members: Sequence[int],
    projected: ProjectedPart,
    scales: Sequence[float],
    tolerance: float,
) -> tuple[float, float]:
    """Share of the members' ink that lies on lines of the views that `base` shows, and the hidden share of that."""
    boxes = [box_of(extremes(strokes[i].piece)) for i in base]
    on_visible = on_hidden = 0.0
    own = [strokes[i].piece for i in members]
    left = list(range(len(base)))
    for gap in (0.0, *WIDER):
        groups = grouped([grown(boxes[k], gap / 2) for k in left])
        found = [[left[k] for k in places] for places in groups]
        found.sort(key=lambda places: -sum(strokes[base[k]].piece.length for k in places))
        for places in found[:_MOST_GROUPS]:
            pieces = [DrawnPiece(strokes[base[k]].piece, either=True) for k in places]
            if len(pieces) < 3:
                continue
            fits = identify(projected, pieces, scales, tolerance, hidden=False)
            close = [fit for fit in fits if fit.disagreement <= min(0.45, fits[0].disagreement + 0.01)]
            if close:
                # Without its hidden lines a view may look like its opposite; the better explanation counts.
                visible, hidden = max((_shares(fit, own, projected, tolerance) for fit in close), key=sum)
                on_visible += visible
                on_hidden += hidden
                left = [k for k in left if k not in places]
        if on_visible + on_hidden >= _MOSTLY * length_of(own):
            break
    whole = max(length_of(own), 1e-9)
    return min(1.0, (on_visible + on_hidden) / whole), on_hidden / max(on_visible + on_hidden, 1e-9)


def _shares(fit: Fit, own: Sequence[Piece], projected: ProjectedPart, tolerance: float) -> tuple[float, float]:
    drawn = fit.identity.look
    # In a pictorial view the most of a sheet's ink may stand.
    look = projected.corner(drawn.corner, drawn.turn) if isinstance(drawn, FromCorner) else fit.identity.orthographic
    if look is None:
        return 0.0, 0.0
    factor = fit.scale * MILLIMETRES[projected.part.unit]
    lines = projected.line_set(look).moved(Similarity(factor, 0.0, *fit.at))
    visible = lying_on(own, lines.of("visible"), tolerance)
    hidden = lying_on(own, lines.of("hidden"), tolerance)
    # Where both are near, the visible one is what shows.
    return sum(visible), sum(min(h, p.length - v) for p, v, h in zip(own, visible, hidden, strict=True))
