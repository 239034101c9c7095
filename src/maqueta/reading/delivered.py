"""A sheet delivered as a file, read with what its exercise asks."""

from collections.abc import Callable, Sequence
from dataclasses import replace

from maqueta.geometry.carrier import Similarity
from maqueta.geometry.line_set import LineSet
from maqueta.phrases.phrase import phrase
from maqueta.projection.look import Look
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.begun import BegunSheet, begun
from maqueta.reading.content import Content
from maqueta.reading.expectation import Expectation
from maqueta.reading.file_content import content_of
from maqueta.reading.page_scale import drawn_larger
from maqueta.reading.sheet import ReadSheet, finished
from maqueta.reading.special.matching import LooksWantedError
from maqueta.sheet.paper import sides
from maqueta.task.exercise import Exercise
from maqueta.task.fronts import accepted_fronts
from maqueta.task.special import way_of

#: Draws a part in more looks.
Draws = Callable[[Sequence[Look]], Sequence[tuple[Look, LineSet]]]


def read_delivered(data: bytes, projected: ProjectedPart, exercise: Exercise) -> ReadSheet:
    """Read a sheet of an exercise from a file, as far as the part is drawn. Raises UnreadableSheetError."""
    return finished(begun_of(content_of(data, paper=paper_of(exercise)), projected, exercise), projected)


def read_drawing(
    data: bytes, projected: ProjectedPart, exercise: Exercise, draws: Draws, page: int = 1
) -> tuple[ReadSheet, ProjectedPart]:
    """Read a sheet of an exercise, a page of a file, whose part can be drawn in more looks: the sheet, and the part in
    what it shows.

    Raises UnreadableSheetError with one line for people.
    """
    sheet = begun_of(content_of(data, page, paper_of(exercise)), projected, exercise)
    while True:
        try:
            return finished(sheet, projected, asks=True), projected
        except LooksWantedError as wanted:
            projected = projected.with_looks(draws(wanted.looks))


def paper_of(exercise: Exercise) -> tuple[float, float]:
    """How wide and high the sheet of an exercise is, mm."""
    return sides(exercise.paper, exercise.landscape)


def begun_of(content: Content, projected: ProjectedPart, exercise: Exercise) -> BegunSheet:
    """The sheet of an exercise that the content of a file makes, its lines told. Raises UnreadableSheetError.

    A page that was printed at another size is read as large as its sheet was drawn.
    """
    expected = expectation(projected, exercise)
    sheet = begun(content, projected, expected)
    factor = drawn_larger(sheet)
    if factor is None:
        return sheet
    told = phrase("read-as-drawn", share=100 / factor)
    larger = replace(content.moved(Similarity(factor, 0.0, 0.0, 0.0)), not_read=(*content.not_read, told))
    return begun(larger, projected, expected)


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
        special=exercise.special,
        edges=tuple(way for edge in exercise.true_length if any(way := way_of(edge))),
    )
