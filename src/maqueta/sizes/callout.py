"""Hole callouts: what they say about the part, and how a part's own callout is written.

Symbols: ISO 129-1 and ASME Y14.5 (from memory).
"""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from typing import Final

from maqueta.sizes.form.equations import Row, less, times
from maqueta.sizes.sighted import PICK_TOLERANCE, Rounding, Sighted
from maqueta.sizes.text import Mouth, Written
from maqueta.solid.features import feature_reach
from maqueta.solid.part import Feature, Part

#: Written angles are right within this many degrees (half a step of one decimal; common practice, no source).
ANGLE_OFF: Final = 0.051
_MARKS: Final = {"counterbore": "⌴", "countersink": "⌵"}


def mouths(part: Part, feature: Feature) -> list[Feature]:
    """The counterbores and countersinks on the axis of a hole."""
    near = PICK_TOLERANCE * part.size
    return [
        other
        for other in part.features
        if other.kind in ("counterbore", "countersink")
        and other.axis == feature.axis
        and max(abs(a - b) for a, b in zip(other.at, feature.at, strict=True)) <= near
    ]


def holes_at(part: Part, rounding: Rounding) -> list[Feature]:
    """The holes and mouths of holes that have a face of something round."""
    return [f for f in part.features if f.kind != "boss" and set(f.faces) & set(rounding.faces)]


@dataclass(frozen=True, slots=True)
class Said:
    """Something a callout says: a row, and what may be meant instead."""

    row: Row
    others: tuple[Row, ...] = ()


def said_beside(sighted: Sighted, rounding: Rounding, written: Written) -> Iterator[Said]:
    """What a callout at a circle says beside its diameter: depth, and the mouth of the hole."""
    for feature in holes_at(sighted.part, rounding):
        own = [feature] if feature.kind != "hole" else mouths(sighted.part, feature)
        if written.depth is not None and not (feature.kind == "hole" and feature.through):
            depths = [_depth(sighted, [feature, *own]), _depth(sighted, [feature])]
            rows = [row for row in depths if row]
            if rows:
                # A hole may be as deep as it is from its mouth or from the floor of its counterbore.
                yield Said(rows[0], tuple(row for row in rows[1:] if less(row, rows[0])))
        for mouth in own:
            if written.mouth is not None and mouth.kind == written.mouth.kind:
                yield from _mouth(sighted, mouth, written.mouth, mouth is not feature)


def _mouth(sighted: Sighted, feature: Feature, said: Mouth, wide: bool) -> Iterator[Said]:
    form = sighted.form
    if wide and said.diameter is not None:
        for rounding in sighted.roundings:
            alike = abs(2 * rounding.value * form.size - feature.diameter) <= PICK_TOLERANCE * form.size
            if alike and set(rounding.faces) & set(feature.faces):
                yield Said(times(rounding.row, 2.0))
                break
    if said.angle is not None:
        yield Said({form.surfaces[feature.faces[0]].angle: 1.0})
    if said.depth is not None and (row := _depth(sighted, [feature])):
        yield Said(row)


def _depth(sighted: Sighted, features: Sequence[Feature]) -> Row | None:
    """From the mouth to the bottom of features on one axis, as levels; None where an end is none."""
    lows, highs = zip(*(feature_reach(sighted.part, feature) for feature in features), strict=True)
    ends = [sighted.depth(value, features[0].axis) for value in (min(lows), max(highs))]
    return less(ends[1], ends[0]) if ends[0] is not None and ends[1] is not None else None


def contradicts(
    part: Part, features: Sequence[Feature], written: Written, same: Callable[[float, float], bool]
) -> bool:
    """Whether a callout says a depth or a mouth that none of the holes it stands at has.

    `same` compares a written length with a length of the part.
    """
    blind = [f for f in features if not (f.kind == "hole" and f.through)]
    if written.depth is not None and blind:
        deep = [d for f in blind for d in (f.depth, hole_depth(part, f))]
        if not any(same(written.depth, depth) for depth in deep):
            return True
    said = written.mouth
    own = [m for f in features for m in ([f] if f.kind != "hole" else mouths(part, f))]
    if said is None or not own:
        return False
    return not any(
        mouth.kind == said.kind
        and (said.diameter is None or same(said.diameter, mouth.diameter))
        and (said.depth is None or same(said.depth, mouth.depth))
        and (said.angle is None or mouth.kind != "countersink" or abs(said.angle - mouth.angle) <= ANGLE_OFF)
        for mouth in own
    )


def callout(part: Part, feature: Feature, write: Callable[[float], str]) -> str:
    """The text that says all about a hole: diameter, depth where it is blind, and its mouth."""
    text = f"⌀{write(feature.diameter)}"
    if feature.kind == "hole" and not feature.through:
        text += f" ↧{write(hole_depth(part, feature))}"
    own = mouths(part, feature) if feature.kind == "hole" else []
    return " ".join([text, *(mouth_words(mouth, write) for mouth in own)])


def hole_depth(part: Part, feature: Feature) -> float:
    """How deep a blind hole is from the face it starts at, its mouth included."""
    ends = [feature_reach(part, own) for own in (feature, *mouths(part, feature))]
    return max(high for _, high in ends) - min(low for low, _ in ends)


def mouth_words(mouth: Feature, write: Callable[[float], str]) -> str:
    """A counterbore or countersink in symbols."""
    size = f"{_MARKS[mouth.kind]}⌀{write(mouth.diameter)}"
    return f"{size} × {round(mouth.angle, 3):g}°" if mouth.kind == "countersink" else f"{size} ↧{write(mouth.depth)}"
