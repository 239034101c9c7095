"""What the dimensions of a sheet leave open: one finding for each motion, about what people would call what moves."""

import math
from collections.abc import Sequence

from maqueta.geometry.carrier import Point
from maqueta.geometry.directions import ALIKE, AXES, Axis, along_axis
from maqueta.judging.criteria.dimensions.rules import RULES
from maqueta.judging.dimension_survey import DimensionSurvey
from maqueta.judging.finding import Finding, Parameter
from maqueta.phrases.phrase import Phrase, Value, phrase
from maqueta.projection.datum_sides import (
    SIDES,
    Direction,
    axis_of_direction,
    direction_of_axis,
    end_at,
    side_at,
    side_phrase,
)
from maqueta.sheet.written_sizes import converted, write_size
from maqueta.sizes.form.equations import less, valued
from maqueta.sizes.motions import Motion, displaced_axes
from maqueta.sizes.sighted import Sighted
from maqueta.solid.part import Face


def check_open(dimensions: DimensionSurvey) -> list[Finding]:
    """Undetermined sizes and positions."""
    return [_finding(dimensions, motion) for motion in dimensions.reading.open]


def extent_open(dimensions: DimensionSurvey, axis: Axis) -> bool:
    """Whether the overall size along an axis still changes with something that is open."""
    part = dimensions.survey.projected.part
    seen = Sighted(dimensions.form, part, dimensions.front.look)
    axis_index = AXES.index(axis)
    ends = [seen.depth(value[axis_index], axis) for value in (part.low, part.high)]
    if ends[0] is None or ends[1] is None:
        return True
    extent = less(ends[1], ends[0])
    return any(abs(valued(extent, motion)) > 1e-6 for motion in dimensions.reading.open)


def _finding(dimensions: DimensionSurvey, motion: Motion) -> Finding:
    variant, parameters, faces = motion_told(dimensions, motion)
    views, at = _where(dimensions, faces)
    return RULES.found(
        "dimensions.undetermined", views=views, at=at, parameters=parameters, variant=variant, faces=faces
    )


def motion_told(dimensions: DimensionSurvey, motion: Motion) -> tuple[str, dict[str, Parameter], tuple[int, ...]]:
    """What moves and how: a variant of the rule, its parameters, and the faces that move."""
    unknowns = dimensions.form.unknowns
    involved = [unknowns[index] for index in sorted(motion, key=lambda i: (-abs(motion[i]), i))]
    faces = tuple(sorted({face for unknown in involved for face in unknown.faces}))
    kinds = {unknown.kind for unknown in involved}
    if kinds <= {"radius", "tube"}:
        return "radius", {"what": _name(dimensions, faces)}, faces
    if kinds == {"angle"}:
        return "slope", {"what": _name(dimensions, faces)}, faces
    round_ones = [unknown for unknown in involved if unknown.kind in ("radius", "tube")]
    slanted = [unknown for unknown in involved if unknown.kind in ("turn", "offset", "angle")]
    telling = round_ones or (slanted if "level" not in kinds else []) or involved
    leading = telling[0].faces
    what = _name(dimensions, leading)
    axes = displaced_axes(dimensions.form, motion)
    if len(axes) != 1 or kinds & {"radius", "tube"}:
        return "mixed", {"what": what}, faces
    direction = direction_of_axis(dimensions.front, AXES[axes[0]])
    return "position", {"what": what, "direction": direction, "side": _datum(dimensions, direction, motion)}, faces


def _datum(dimensions: DimensionSurvey, direction: Direction, motion: Motion) -> Phrase:
    """A side to measure from that does not move itself."""
    levels = dimensions.form.along(axis_of_direction(dimensions.front, direction))
    return side_phrase(side_at(dimensions.front, direction, "high" if levels and levels[0] in motion else "low"))


def _name(dimensions: DimensionSurvey, faces: Sequence[int]) -> Value:
    """What people call the faces that move: the hole, the boss, the sloping face, or the face at its place."""
    survey = dimensions.survey
    part = survey.projected.part

    round_ones = sorted({(f.kind, f.diameter) for f in part.features if set(f.faces) & set(faces)})
    if round_ones:
        named = tuple(
            phrase("round-shape", kind=kind, diameter=_shown(dimensions, diameter)) for kind, diameter in round_ones
        )
        return named[0] if len(named) == 1 else named
    face = part.faces[faces[0]]
    match face.kind:
        case "cylinder":
            return phrase("rounding", radius=_shown(dimensions, face.radius))
        case "torus":
            return phrase("rounding", radius=_shown(dimensions, face.minor))
        case "sphere":
            return phrase("ball", radius=_shown(dimensions, face.radius))
        case "cone":
            return phrase("cone", angle=round(2 * math.degrees(face.angle), 1))
    return _plane_name(dimensions, face)


def _plane_name(dimensions: DimensionSurvey, face: Face) -> Phrase:
    part, units = dimensions.survey.projected.part, dimensions.survey.exercise.units
    axis = max(range(3), key=lambda k: abs(face.direction[k]))
    if along_axis(face.direction) is not None:
        direction = direction_of_axis(dimensions.front, AXES[axis])
        if abs(face.point[axis] - part.low[axis]) <= 1e-6 * part.size:
            return side_phrase(side_at(dimensions.front, direction, "low"))
        if abs(face.point[axis] - part.high[axis]) <= 1e-6 * part.size:
            return side_phrase(side_at(dimensions.front, direction, "high"))
        # Depth is told from the front, width from the left, height from below, however the model lies.
        side = SIDES[direction][direction == "depth"]
        end = part.low if end_at(dimensions.front, direction, side) == "low" else part.high
        distance = _shown(dimensions, abs(face.point[axis] - end[axis]))
        return phrase("face-from-side", distance=distance, unit=units, side=side_phrase(side))
    flat = [k for k in range(3) if abs(face.direction[k]) > ALIKE]
    if len(flat) == 3:
        return phrase("oblique-face")
    lean = min(flat, key=lambda k: abs(face.direction[k]))
    angle = math.degrees(math.asin(abs(face.direction[lean])))
    direction = direction_of_axis(dimensions.front, AXES[lean])
    return phrase("sloping-face", angle=round(angle, 1), direction=direction)


def _shown(dimensions: DimensionSurvey, value: float) -> str:
    survey = dimensions.survey
    size = converted(value, survey.projected.part.unit, survey.exercise.units)
    return write_size(size, survey.exercise.units, survey.exercise.decimals, survey.sheet.style)


def _where(dimensions: DimensionSurvey, faces: Sequence[int]) -> tuple[tuple[str, ...], tuple[tuple[Point, ...], ...]]:
    """Lines that show the faces, in the first view that has any."""
    wanted = set(faces)
    for item in dimensions.survey.principal:
        shown = [
            tuple(piece.moved(item.move).outline())
            for piece in item.drawn
            if piece.kind == "visible" and wanted & set(piece.faces)
        ]
        if shown:
            return (item.view.id,), tuple(shown[:12])
    return (), ()
