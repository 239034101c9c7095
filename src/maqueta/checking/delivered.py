"""A sheet delivered as a file, read with what its exercise asks."""

from maqueta.checking.exercise import Exercise
from maqueta.projection.attitude import Attitude
from maqueta.projection.projected_part import ProjectedPart
from maqueta.projection.ranking import DEFAULT_VIEWS, rank
from maqueta.reading.content import Content
from maqueta.reading.dxf_file import read_dxf
from maqueta.reading.expectation import Expectation
from maqueta.reading.sheet import ReadSheet, read_sheet


def read_delivered(data: bytes, projected: ProjectedPart, exercise: Exercise) -> ReadSheet:
    """Read a DXF sheet of an exercise. Raises UnreadableSheetError with one line for people."""
    return understood(read_dxf(data), projected, exercise)


def understood(content: Content, projected: ProjectedPart, exercise: Exercise) -> ReadSheet:
    """The sheet of an exercise that the content of a file makes. Raises UnreadableSheetError."""
    return read_sheet(content, projected, expectation(projected, exercise))


def expectation(projected: ProjectedPart, exercise: Exercise) -> Expectation:
    """What of an exercise helps to read a sheet."""
    return Expectation(
        units=exercise.units,
        paper=exercise.paper,
        landscape=exercise.landscape,
        angle=exercise.angle,
        views=exercise.views or (),
        fronts=_fronts(projected, exercise),
        scale=exercise.scale,
        hidden_lines=exercise.hidden_lines,
        tolerance=exercise.tolerance_mm,
        style=exercise.dimensioning.style or ("iso" if exercise.units == "mm" else "asme"),
        decimals=exercise.decimals,
    )


def _fronts(projected: ProjectedPart, exercise: Exercise) -> tuple[Attitude, ...]:
    """Front views the exercise accepts: its own list, else those within the margin of the best-ranked one."""
    accepted = tuple(choice.attitude for choice in exercise.front.accept)
    if accepted:
        return accepted
    ranking = rank(projected, exercise.views or DEFAULT_VIEWS, exercise.front.natural_up)
    least = ranking[0].score - exercise.thresholds.front_margin
    return tuple(entry.attitude for entry in ranking if entry.score >= least)
