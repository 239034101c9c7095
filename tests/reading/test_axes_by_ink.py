"""Axes that a picture shows and that were not read: they are there; where the picture shows none, none is."""

import pytest

from maqueta.geometry.carrier import Point
from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.reading.axes_by_ink import axes_by_ink
from maqueta.sheet.document import CentreLine, SheetDocument
from maqueta.sheet.placed import placed_views
from maqueta.task.exercise import Exercise
from tests.parts import demo_projected
from tests.reading.inked import inked

TASK = Exercise.model_validate({"views": ["front", "top", "right"], "paper": "A3"})
#: Dashes, gaps, dots of a chain line, mm, and one of which the dots were lost.
CHAIN, DOTS_LOST = (6.0, 1.0, 0.5, 1.0), (5.0, 2.5)


def chained(start: Point, end: Point, pattern: tuple[float, ...]) -> list[tuple[Point, Point]]:
    """The dashes of a line that ends with a whole dash."""
    length = ((end[0] - start[0]) ** 2 + (end[1] - start[1]) ** 2) ** 0.5
    x, y = (end[0] - start[0]) / length, (end[1] - start[1]) / length
    dashes, at, drawn = [], 0.0, 0
    while at < length:
        reach = min(at + pattern[drawn % len(pattern)], length)
        if drawn % 2 == 0:
            dashes.append(((start[0] + x * at, start[1] + y * at), (start[0] + x * reach, start[1] + y * reach)))
        at, drawn = reach, drawn + 1
    return [*dashes, ((end[0] - 2 * x, end[1] - 2 * y), end)]


def centreless(slug: str) -> tuple[SheetDocument, list[tuple[Point, Point]]]:
    """A model answer without centre marks, and where all its axes run on the sheet."""
    part = demo_projected(slug)
    sheet = model_sheet(part, TASK, Drafter("Ada Muster", "Evening 2", "2026-11-20"))
    items = {item.view.id: item for item in placed_views(part, sheet)}
    axes: list[tuple[Point, Point]] = []
    for mark in sheet.marks:
        item = items[mark.view]
        if isinstance(mark, CentreLine):
            (x0, y0), (x1, y1) = item.to_sheet(mark.start), item.to_sheet(mark.end)
            length = ((x1 - x0) ** 2 + (y1 - y0) ** 2) ** 0.5
            dx, dy = (x1 - x0) / length * mark.beyond, (y1 - y0) / length * mark.beyond
            axes.append(((x0 - dx, y0 - dy), (x1 + dx, y1 + dy)))
        else:
            (x, y), reach = item.to_sheet(mark.centre), mark.radius * item.factor + 3.0
            axes += [((x - reach, y), (x + reach, y)), ((x, y - reach), (x, y + reach))]
    return sheet.model_copy(update={"marks": ()}), axes


def uncentred(slug: str, sheet: SheetDocument) -> int:
    found = check(demo_projected(slug), TASK, sheet).findings
    return sum(finding.rule == "lines.missing-centre" for finding in found)


@pytest.mark.parametrize("slug", ["reed-clamp", "tension-wheel", "pedal-hinge"])
@pytest.mark.parametrize("pattern", [CHAIN, DOTS_LOST], ids=("chain", "dots lost"))
def test_axes_on_the_picture_are_axes_of_the_sheet(slug: str, pattern: tuple[float, ...]) -> None:
    sheet, axes = centreless(slug)
    assert uncentred(slug, sheet) > 0
    ink = inked(dash for start, end in axes for dash in chained(start, end, pattern))
    found = axes_by_ink(sheet, demo_projected(slug), ink, 0.3)
    assert uncentred(slug, sheet.model_copy(update={"marks": found})) == 0
    # What is there is not put there again.
    again = sheet.model_copy(update={"marks": found})
    assert axes_by_ink(again, demo_projected(slug), ink, 0.3) == ()


@pytest.mark.parametrize("slug", ["reed-clamp", "tension-wheel"])
def test_axes_that_nobody_drew_are_missing(slug: str) -> None:
    """The lines of the views themselves are all there, and make no axis."""
    sheet, _ = centreless(slug)
    part = demo_projected(slug)
    lines = [
        [item.to_sheet(point) for point in piece.outline()]
        for item in placed_views(part, sheet)
        for piece in item.drawn
        if piece.kind == "visible"
    ]
    found = axes_by_ink(sheet, part, inked(lines), 0.3)
    assert uncentred(slug, sheet.model_copy(update={"marks": found})) == uncentred(slug, sheet)
