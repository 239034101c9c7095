"""The dimensions of a sheet read against the sizes of the part, worked out once for all their rules."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

from maqueta.geometry.carrier import Point
from maqueta.judging.survey import Survey, attitude_of
from maqueta.phrases.phrase import Phrase
from maqueta.projection.attitude import USUAL_FRONT, Attitude
from maqueta.sheet.dimension import (
    AngleDimension,
    ChamferDimension,
    Dimension,
    LinearDimension,
    RoundDimension,
    mapped,
    taken_from,
)
from maqueta.sheet.dimension_words import dimension_text
from maqueta.sheet.placed import PlacedView
from maqueta.sizes.count import SizeCount, count, diameters
from maqueta.sizes.determinacy import Equation, Reading, read
from maqueta.sizes.form.equations import Row
from maqueta.sizes.form.model import FormModel, form_model, undimensioned
from maqueta.sizes.measure import Measured, measure
from maqueta.sizes.mirrored import marked_symmetries, mirror_rows
from maqueta.sizes.sighted import Sighted
from maqueta.sizes.slanted import meant_along
from maqueta.sizes.text import read_text


@dataclass(frozen=True)
class DimensionSurvey:
    """The dimensions of a sheet read against the sizes of the part. `reason` tells why they could not be.

    `others` are those of other sheets that show the same part: what they say is known. Only the sheet that `leads`
    tells what none of them says.
    """

    survey: Survey
    others: tuple["DimensionSurvey", ...] = ()
    leads: bool = True

    @cached_property
    def reason(self) -> Phrase | None:
        """Why the sizes of this part are not judged, or None when they are."""
        return undimensioned(self.survey.projected.part)

    @cached_property
    def front(self) -> Attitude:
        """The attitude that width, height and depth refer to."""
        return attitude_of(self.survey.front) if self.survey.front else USUAL_FRONT

    @cached_property
    def form(self) -> FormModel:
        """The unknown sizes of the part."""
        return form_model(self.survey.projected.part)

    @cached_property
    def sighted(self) -> Mapping[str, Sighted]:
        """The form as each view on the sheet shows it, by the view's id; none for pictorial views."""
        part, looks = self.survey.projected.part, {item.view.id: item.orthographic for item in self.survey.placed}
        shown = {look: Sighted(self.form, part, look) for look in looks.values() if look is not None}
        return {view: shown[look] for view, look in looks.items() if look is not None}

    @cached_property
    def unread(self) -> frozenset[str]:
        """Dimensions whose text is not understood, or is no size of what it stands at: they count for nothing."""
        return frozenset(dimension.id for dimension in self.survey.sheet.dimensions if not understood(dimension))

    @cached_property
    def measured(self) -> tuple[Measured, ...]:
        """Every dimension that counts: on a view that is not pictorial, understood and not in brackets."""
        return tuple(item for item in self._tied if item.dimension.id not in self.unread)

    @cached_property
    def doubtful(self) -> tuple[Measured, ...]:
        """What the dimensions that are not understood may say: nothing is concluded from its absence."""
        return tuple(item for item in self._tied if item.dimension.id in self.unread)

    @cached_property
    def aslant(self) -> Mapping[str, LinearDimension]:
        """Sizes measured along a slant of nothing, by their ids, as they were meant: level or upright."""
        found = {}
        for dimension in self.survey.sheet.dimensions:
            if isinstance(dimension, LinearDimension):
                along = meant_along(self.survey.by_id[dimension.view], dimension)
                if along is not None:
                    found[dimension.id] = dimension.model_copy(update={"along": along})
        return found

    @cached_property
    def _tied(self) -> tuple[Measured, ...]:
        result = []
        for dimension in self.survey.sheet.dimensions:
            placed = self.survey.by_id[dimension.view]
            typed = dimension.text is not None and read_text(dimension.text).reference
            reference = dimension.reference or typed
            if dimension.view in self.sighted and not reference:
                meant = self.aslant.get(dimension.id, dimension)
                own = _as_in_a_mirror(meant) if placed.view.mirrored else meant
                result.append(measure(self.sighted[dimension.view], own))
        return tuple(result)

    @cached_property
    def reading(self) -> Reading:
        """What the dimensions say together."""
        equations: list[Equation] = [e for item in self.measured for e in item.equations]
        doubtful = [row for item in self.doubtful for equation in item.equations for row in equation.rows]
        elsewhere = [row for other in self.others for row in other.said]
        return read(self.form, equations, (*self._symmetric, *doubtful, *elsewhere))

    @cached_property
    def said(self) -> tuple[Row, ...]:
        """All that the sheet says or may say of the part."""
        items = (*self.measured, *self.doubtful)
        return (*self._symmetric, *(row for item in items for equation in item.equations for row in equation.rows))

    @cached_property
    def _symmetric(self) -> tuple[Row, ...]:
        """What centre lines on axes of symmetry say, where the exercise lets them."""
        survey = self.survey
        if not survey.exercise.dimensioning.symmetry_by_centre_line:
            return ()
        axes = marked_symmetries(survey.projected.part, survey.orthographic, survey.sheet.marks)
        return tuple(row for axis in axes for row in mirror_rows(self.form, axis))

    @cached_property
    def counts(self) -> tuple[SizeCount, ...]:
        """The count per direction, of angles and of round sizes."""
        return count(self.form, self.front, self.measured, self.reading)

    @cached_property
    def diameters(self) -> tuple[int, int]:
        """Needed and given diameters."""
        return diameters(self.form, self.measured)

    def text(self, dimension: Dimension) -> str:
        """What stands at a dimension."""
        return dimension_text(dimension, self.survey.sheet, self.survey.projected.part.unit)


def understood(dimension: Dimension) -> bool:
    """Whether the text of a dimension can be read as a size of its kind."""
    if dimension.text is None:
        return True
    written = read_text(dimension.text, 1.0)
    if written.value is None:
        return False
    if isinstance(dimension, AngleDimension):
        return written.symbol in (None, "angle")
    return written.symbol != "angle"


def dimension_place(placed: PlacedView, dimension: Dimension) -> tuple[Point, ...]:
    """Where a dimension stands on the sheet: its line, or its leader."""
    x, y = placed.view.at[0] + dimension.place[0], placed.view.at[1] + dimension.place[1]
    if isinstance(dimension, RoundDimension):
        return (placed.to_sheet(dimension.centre), (x, y))
    if isinstance(dimension, ChamferDimension):
        return (*map(placed.to_sheet, taken_from(dimension)), (x, y))
    if isinstance(dimension, AngleDimension):
        return tuple(map(placed.to_sheet, (dimension.start, dimension.vertex, dimension.end)))
    start, end = placed.to_sheet(dimension.start), placed.to_sheet(dimension.end)
    if dimension.along == "across":
        return ((start[0], y), (end[0], y))
    if dimension.along == "up":
        return ((x, start[1]), (x, end[1]))
    return (start, end)


def _as_in_a_mirror(dimension: Dimension) -> Dimension:
    """A dimension of a mirrored view where it would stand in the true one: its sizes still count."""
    return mapped(dimension, lambda point: (-point[0], point[1]))
