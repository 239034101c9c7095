"""A sheet delivered as a file, read with what its exercise asks."""

from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.content import Content
from maqueta.reading.dxf.file import read_dxf
from maqueta.reading.expectation import Expectation
from maqueta.reading.sheet import ReadSheet, read_sheet
from maqueta.task.exercise import Exercise
from maqueta.task.fronts import accepted_fronts


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
        form=exercise.sheet_form,
        angle=exercise.angle,
        views=exercise.views or (),
        fronts=accepted_fronts(projected, exercise),
        scale=exercise.scale,
        hidden_lines=exercise.hidden_lines,
        tolerance=exercise.tolerance_mm,
        style=exercise.style,
        decimals=exercise.decimals,
    )
