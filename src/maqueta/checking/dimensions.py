"""Criterion dimensions: complete, not redundant, true, and taken from visible lines."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property

from maqueta.checking.catalogue import found
from maqueta.checking.finding import Finding
from maqueta.checking.front import outline
from maqueta.checking.survey import Survey, attitude_of
from maqueta.dimensioning.count import (
    DIRECTIONS,
    DirectionCount,
    axis_of_direction,
    count,
    diameters,
    direction_of_axis,
)
from maqueta.dimensioning.determinacy import Equation, Reading, read
from maqueta.dimensioning.measure import (
    Measured,
    measure,
    overall_along,
    round_features,
    rounded_off,
    true_size,
    visible_at,
)
from maqueta.dimensioning.size_model import SizeModel, size_model, unsupported
from maqueta.dimensioning.text import read_text
from maqueta.drawing.dimension_ink import dimension_text
from maqueta.projection.attitude import USUAL_FRONT, Attitude
from maqueta.projection.carrier import Point
from maqueta.sheet.document import Dimension, LinearDimension
from maqueta.sheet.placed import PlacedView
from maqueta.sheet.sizes import converted, rounded, write_size
from maqueta.solid.part import AXES


@dataclass(frozen=True)
class DimensionSurvey:
    """The dimensions of a sheet read against the sizes of the part. `reason` tells why they could not be."""

    survey: Survey

    @cached_property
    def reason(self) -> str | None:
        """Why the sizes of this part are not judged, or None when they are."""
        return unsupported(self.survey.projected.part)

    @cached_property
    def front(self) -> Attitude:
        """The attitude that width, height and depth refer to."""
        return attitude_of(self.survey.front) if self.survey.front else USUAL_FRONT

    @cached_property
    def model(self) -> SizeModel:
        """The unknown sizes of the part."""
        return size_model(self.survey.projected.part)

    @cached_property
    def measured(self) -> tuple[Measured, ...]:
        """Every dimension that counts: on a principal view and not in brackets."""
        result = []
        for dimension in self.survey.sheet.dimensions:
            placed = self.survey.by_id[dimension.view]
            reference = dimension.text is not None and read_text(dimension.text).reference
            if placed.view.attitude is not None and not reference:
                own = _as_in_a_mirror(dimension) if placed.view.mirrored else dimension
                result.append(measure(self.model, self.survey.projected.part, placed, own))
        return tuple(result)

    @cached_property
    def reading(self) -> Reading:
        """What the dimensions say together."""
        equations: list[Equation] = [e for item in self.measured for e in item.equations]
        return read(self.model, equations)

    @cached_property
    def counts(self) -> tuple[DirectionCount, ...]:
        """The count per direction."""
        return count(self.model, self.front, self.measured)

    @cached_property
    def diameters(self) -> tuple[int, int]:
        """Needed and given diameters."""
        return diameters(self.model, self.measured)

    def text(self, dimension: Dimension) -> str:
        """What stands at a dimension."""
        return dimension_text(dimension, self.survey.sheet, self.survey.projected.part.unit)


def check_dimensions(dimensions: DimensionSurvey) -> list[Finding]:
    """All rules of the criterion. Completeness is judged where the part's sizes can be counted."""
    survey = dimensions.survey
    findings = [*_on_pictorial(dimensions), *_values(dimensions), *_to_hidden(dimensions)]
    if survey.exercise.dimensioning.required and dimensions.reason is None:
        findings += [*_chains(dimensions), *_overall(dimensions), *_open(dimensions)]
    return findings


def dimension_place(placed: PlacedView, dimension: Dimension) -> tuple[Point, ...]:
    """Where a dimension stands on the sheet: its line, or its leader."""
    x, y = placed.view.at[0] + dimension.place[0], placed.view.at[1] + dimension.place[1]
    if not isinstance(dimension, LinearDimension):
        return (placed.to_sheet(dimension.centre), (x, y))
    start, end = placed.to_sheet(dimension.start), placed.to_sheet(dimension.end)
    if dimension.along == "across":
        return ((start[0], y), (end[0], y))
    if dimension.along == "up":
        return ((x, start[1]), (x, end[1]))
    return (start, end)


def _as_in_a_mirror(dimension: Dimension) -> Dimension:
    """A dimension of a mirrored view where it would stand in the true one: its sizes still count."""
    if isinstance(dimension, LinearDimension):
        (x0, y0), (x1, y1) = dimension.start, dimension.end
        return dimension.model_copy(update={"start": (-x0, y0), "end": (-x1, y1)})
    return dimension.model_copy(update={"centre": (-dimension.centre[0], dimension.centre[1])})


def _on_pictorial(dimensions: DimensionSurvey) -> list[Finding]:
    findings = []
    for dimension in dimensions.survey.sheet.dimensions:
        placed = dimensions.survey.by_id[dimension.view]
        if placed.view.corner is not None:
            findings.append(
                found(
                    "dimensions.on-pictorial",
                    views=(dimension.view,),
                    at=(dimension_place(placed, dimension),),
                    parameters={"text": dimensions.text(dimension)},
                    items=(dimension.id,),
                )
            )
    return findings


def _values(dimensions: DimensionSurvey) -> list[Finding]:
    """A typed value must be the part's true size in the unit and decimals of the exercise."""
    survey, findings = dimensions.survey, []
    exercise, part = survey.exercise, survey.projected.part
    for dimension in survey.sheet.dimensions:
        placed = survey.by_id[dimension.view]
        if dimension.text is None or placed.view.attitude is None:
            continue
        true = converted(true_size(dimension), part.unit, exercise.units)
        written = read_text(dimension.text, true)
        if written.value is None:
            wrong = True
        else:
            radius, diameter = written.symbol in ("radius", "spherical"), written.symbol == "diameter"
            if dimension.kind == "diameter" and radius:
                true = true / 2
            elif dimension.kind == "radius" and diameter:
                true = true * 2
            wrong = not _same_value(written.value, true, exercise.decimals) or _wrong_depth(survey, placed, dimension)
        if wrong:
            findings.append(
                found(
                    "dimensions.value",
                    views=(dimension.view,),
                    at=(dimension_place(placed, dimension),),
                    parameters={
                        "text": dimension.text,
                        "true": write_size(true, exercise.units, exercise.decimals, survey.sheet.style),
                    },
                    items=(dimension.id,),
                )
            )
    return findings


def _wrong_depth(survey: Survey, placed: PlacedView, dimension: Dimension) -> bool:
    """Whether the text says a depth that no hole it stands at has."""
    depth = read_text(dimension.text or "").depth
    attitude = placed.view.attitude
    if depth is None or isinstance(dimension, LinearDimension) or attitude is None:
        return False
    part, exercise = survey.projected.part, survey.exercise
    holes = [f for f in round_features(part, attitude, dimension) if not f.through]
    return bool(holes) and not any(
        _same_value(depth, converted(hole.depth, part.unit, exercise.units), exercise.decimals) for hole in holes
    )


def _same_value(written: float, true: float, decimals: int) -> bool:
    """Equal when rounded as asked; a value written finer must be true in every digit it shows (to 1e-3 of a step).

    A size half-way between two steps may be rounded either way.
    """
    step = 10.0**-decimals
    if abs(written - rounded(true, decimals)) <= 1e-3 * step or abs(written - true) <= 1e-3 * step:
        return True
    whole = abs(written / step - round(written / step)) <= 1e-6
    return whole and abs(abs(written - true) - step / 2) <= 1e-3 * step


def _to_hidden(dimensions: DimensionSurvey) -> list[Finding]:
    survey, findings = dimensions.survey, []
    for dimension in survey.sheet.dimensions:
        placed = survey.by_id[dimension.view]
        if placed.view.attitude is None:
            continue
        if isinstance(dimension, LinearDimension):
            points = [dimension.start, dimension.end]
        else:
            points = [(dimension.centre[0] + dimension.radius, dimension.centre[1])]
        hidden = [p for p in points if visible_at(placed, p, "hidden") and not visible_at(placed, p, "visible")]
        if hidden:
            findings.append(
                found(
                    "dimensions.to-hidden",
                    views=(dimension.view,),
                    at=tuple((placed.to_sheet(point),) for point in hidden),
                    parameters={"text": dimensions.text(dimension), "name": survey.name(placed)},
                    items=(dimension.id,),
                )
            )
    return findings


def _chains(dimensions: DimensionSurvey) -> list[Finding]:
    by_id = {d.id: d for d in dimensions.survey.sheet.dimensions}
    findings = []
    for chain in dimensions.reading.chains:
        members = [by_id[name] for name in chain.members]
        texts = [dimensions.text(member) for member in members]
        common = {
            "views": tuple(dict.fromkeys(member.view for member in members)),
            "at": tuple(dimension_place(dimensions.survey.by_id[m.view], m) for m in members),
            "items": tuple(chain.members),
        }
        if len(members) <= 2:
            findings.append(found("dimensions.repeated", parameters={"text": texts[0]}, **common))
        else:
            parameters = {
                "members": ", ".join(texts[:-1]) + " and " + texts[-1],
                "surplus": dimensions.text(by_id[chain.surplus]),
                "count": len(members),
            }
            findings.append(found("dimensions.redundant", parameters=parameters, **common))
    return findings


def _overall(dimensions: DimensionSurvey) -> list[Finding]:
    survey = dimensions.survey
    part, findings = survey.projected.part, []
    for direction in DIRECTIONS:
        axis = axis_of_direction(dimensions.front, direction)
        if rounded_off(part, dimensions.model, axis) and not _free(dimensions, axis):
            continue
        if overall_along(part, dimensions.model, dimensions.measured, axis, dict(survey.by_id)):
            continue
        size = converted(part.extents[AXES.index(axis)], part.unit, survey.exercise.units)
        written = write_size(size, survey.exercise.units, survey.exercise.decimals, survey.sheet.style)
        views = (survey.front.view.id,) if survey.front else ()
        at = (outline(survey.front.box),) if survey.front else ()
        parameters = {"direction": direction, "size": f"{written} {survey.exercise.units}"}
        findings.append(found("dimensions.overall", views=views, at=at, parameters=parameters))
    return findings


def _free(dimensions: DimensionSurvey, axis: str) -> bool:
    """Whether anything along an axis, or a radius that reaches it, is still open."""
    unknowns = dimensions.model.unknowns
    return any(
        unknowns[index].axis == axis if unknowns[index].kind != "radius" else unknowns[index].axis != axis
        for motion in dimensions.reading.open
        for index in motion
    )


def _open(dimensions: DimensionSurvey) -> list[Finding]:
    return [_motion(dimensions, motion) for motion in dimensions.reading.open]


def _motion(dimensions: DimensionSurvey, motion: Mapping[int, float]) -> Finding:
    model = dimensions.model
    involved = [model.unknowns[index] for index in motion]
    faces = tuple(sorted({face for unknown in involved for face in unknown.faces}))
    kinds = {unknown.kind for unknown in involved}
    axes = {unknown.axis for unknown in involved}
    views, at = _where(dimensions, faces)
    if kinds == {"radius"}:
        return found(
            "dimensions.undetermined",
            views=views,
            at=at,
            parameters={"what": _name(dimensions, faces)},
            variant="radius",
            faces=faces,
        )
    what = _name(dimensions, tuple(face for unknown in involved[:1] for face in unknown.faces))
    what = what[0].upper() + what[1:]
    if len(axes) == 1 and "radius" not in kinds:
        parameters = {"what": what, "direction": direction_of_axis(dimensions.front, axes.pop())}
        return found(
            "dimensions.undetermined", views=views, at=at, parameters=parameters, variant="position", faces=faces
        )
    return found("dimensions.undetermined", views=views, at=at, parameters={"what": what}, variant="mixed", faces=faces)


def _name(dimensions: DimensionSurvey, faces: Sequence[int]) -> str:
    """What people call the faces that move: the hole, the boss, or the face at its place."""
    survey = dimensions.survey
    part, units = survey.projected.part, survey.exercise.units

    def show(value: float) -> str:
        size = converted(value, part.unit, units)
        return write_size(size, units, survey.exercise.decimals, survey.sheet.style)

    round_ones = sorted({(f.kind, f.diameter) for f in part.features if set(f.faces) & set(faces)})
    if round_ones:
        names = [f"the ⌀{show(diameter)} {kind}" for kind, diameter in round_ones]
        return " and ".join(names)
    face = part.faces[faces[0]]
    if face.kind == "cylinder":
        return f"the R{show(face.radius)} rounding"
    axis = max(range(3), key=lambda k: abs(face.direction[k]))
    direction = direction_of_axis(dimensions.front, AXES[axis])
    return f"the face {show(abs(face.point[axis] - part.low[axis]))} {units} along the {direction}"


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
