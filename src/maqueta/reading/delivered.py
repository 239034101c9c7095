"""A sheet delivered as a file, read with what its exercise asks."""

from collections.abc import Callable, Sequence
from dataclasses import replace

from maqueta.geometry.carrier import Similarity
from maqueta.geometry.line_set import LineSet
from maqueta.phrases.phrase import phrase
from maqueta.projection.look import Look
from maqueta.projection.projected_part import ProjectedPart, UnseenLookError, looks_alone, with_components
from maqueta.reading.begun import BegunSheet, begun
from maqueta.reading.by_hand import squared
from maqueta.reading.content import Content
from maqueta.reading.expectation import Expectation
from maqueta.reading.file_content import content_of
from maqueta.reading.page_scale import drawn_larger
from maqueta.reading.sheet import ReadSheet, finished
from maqueta.reading.special.matching import LooksWantedError
from maqueta.sheet.paper import sides
from maqueta.task.criteria import ALONE
from maqueta.task.exercise import Exercise
from maqueta.task.fronts import accepted_fronts
from maqueta.task.special import way_of

#: Draws a part in more looks.
Draws = Callable[[Sequence[Look]], Sequence[tuple[Look, LineSet]]]


def read_delivered(data: bytes, projected: ProjectedPart, exercise: Exercise) -> ReadSheet:
    """Read a sheet of an exercise from a file, as far as the part is drawn. Raises UnreadableSheetError."""
    return read_content(content_of(data, paper=paper_of(exercise)), projected, exercise)


def read_drawing(
    data: bytes, projected: ProjectedPart, exercise: Exercise, draws: Draws, page: int = 1
) -> tuple[ReadSheet, ProjectedPart]:
    """Read a sheet of an exercise, a page of a file, whose part can be drawn in more looks: the sheet, and the part in
    what it shows.

    Raises UnreadableSheetError with one line for people.
    """
    reading = _reading(content_of(data, page, paper_of(exercise)), projected, exercise, asks=True)
    while True:
        try:
            return reading(projected), projected
        except LooksWantedError as wanted:
            projected = projected.with_looks(draws(wanted.looks))


def paper_of(exercise: Exercise) -> tuple[float, float]:
    """How wide and high the sheet of an exercise is, mm."""
    return sides(exercise.paper, exercise.landscape)


def read_content(content: Content, projected: ProjectedPart, exercise: Exercise, asks: bool = False) -> ReadSheet:
    """The sheet of an exercise that the content of a file makes. Raises UnreadableSheetError.

    With `asks`, LooksWantedError where the part has to be drawn in more looks to tell what is on it.
    """
    return _reading(content, projected, exercise, asks)(projected)


def _reading(
    content: Content, projected: ProjectedPart, exercise: Exercise, asks: bool
) -> Callable[[ProjectedPart], ReadSheet]:
    """What reads a sheet to its end, again where its part has been drawn in more looks."""
    if exercise.shows not in ALONE:
        sheet = begun_of(content, projected, exercise)
        return lambda part: finished(sheet, part, asks)
    expected = expectation(projected, exercise.for_sheet(content.by_hand))

    def parts_read(whole: ProjectedPart) -> ReadSheet:
        if exercise.shows == "pulled apart" and whole.part.components:
            try:
                whole = with_components(whole)
            except UnseenLookError:
                if asks:
                    raise LooksWantedError(looks_alone(whole.part)) from None
        # Most sheets show no assembly.
        from maqueta.reading.parts.sheet import read_parts

        return read_parts(content, whole, expected)

    return parts_read


def begun_of(content: Content, projected: ProjectedPart, exercise: Exercise) -> BegunSheet:
    """The sheet of an exercise that the content of a file makes, its lines told. Raises UnreadableSheetError.

    A page that was printed at another size is read as large as its sheet was drawn.
    """
    expected = expectation(projected, exercise.for_sheet(content.by_hand))
    if content.by_hand:
        content = squared(content, exercise.by_hand)
        told = phrase("read-by-hand", tolerance=exercise.by_hand.tolerance_mm, degrees=exercise.by_hand.degrees)
        content = replace(content, not_read=(told, *content.not_read))
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
