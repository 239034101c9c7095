"""Centre marks and centre lines as they are proposed: each axis once, what lies on one line as one line."""

from itertools import combinations

import pytest

from maqueta.demo.workshop import PARTS
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.axes_drawn import is_lined
from maqueta.sheet.document import CentreLine, Mark, SheetDocument
from maqueta.sheet.placed import placed_views
from maqueta.sizes.centre_marks import lacking_marks, proposed_marks
from maqueta.task.exercise import Exercise
from tests.parts import block, demo_projected, hole, projected

DRAFTER = Drafter("Ada Muster", "Evening 2", "2026-11-20")
TASK = Exercise.model_validate({"views": ["front", "top", "right"], "paper": "A2"})


def sheet_of(slug: str) -> SheetDocument:
    return model_sheet(demo_projected(slug), TASK, DRAFTER)


def lines_of(marks: list[Mark], view: str) -> list[CentreLine]:
    return [mark for mark in marks if isinstance(mark, CentreLine) and mark.view == view]


def over_each_other(one: CentreLine, other: CentreLine) -> bool:
    """Whether two lines run along each other for a stretch, by points on them."""
    places = [
        (one.start[0] + k / 20 * (one.end[0] - one.start[0]), one.start[1] + k / 20 * (one.end[1] - one.start[1]))
        for k in range(21)
    ]
    return sum(is_lined([other], place, place, 1e-3) for place in places) > 1


@pytest.mark.parametrize("slug", PARTS)
def test_no_centre_line_is_drawn_over_another_and_every_axis_has_one(slug: str) -> None:
    part, sheet = demo_projected(slug), sheet_of(slug)
    views = placed_views(part, sheet)
    marks = list(proposed_marks(part, views))
    for item in views:
        assert not any(over_each_other(*pair) for pair in combinations(lines_of(marks, item.view.id), 2))
    assert [mark.id for mark in marks] == [f"m{number}" for number in range(1, len(marks) + 1)]
    assert lacking_marks(part, views, marks) == []


def lugs() -> ProjectedPart:
    """Two lugs on a plate, 30 mm apart, with a bore through both."""
    return projected(
        block((60, 40, 10)),
        block((15, 40, 30), (0, 0, 10)),
        block((15, 40, 30), (45, 0, 10)),
        hole((0, 20, 25), "+x", 12),
    )


def test_bores_in_a_row_with_air_between_have_a_line_each() -> None:
    part = lugs()
    views = placed_views(part, model_sheet(part, TASK, DRAFTER))
    counts = {len(lines_of(list(proposed_marks(part, views)), item.view.id)) for item in views}
    assert 2 in counts


def test_what_is_drawn_axis_by_axis_lacks_nothing() -> None:
    """As sheets had it before lines were joined: nothing is drawn over them once more."""
    part = projected(block((60, 40, 30)), hole((0, 20, 15), "+x", 20, 20), hole((0, 20, 15), "+x", 10))
    sheet = model_sheet(part, TASK, DRAFTER)
    views = placed_views(part, sheet)
    joined = [mark for mark in proposed_marks(part, views) if isinstance(mark, CentreLine)]
    each = []
    for number, line in enumerate(joined):
        turning = tuple(a + (b - a) / 3 for a, b in zip(line.start, line.end, strict=True))
        each += [
            line.model_copy(update={"id": f"a{number}", "end": turning}),
            line.model_copy(update={"id": f"b{number}"}),
        ]
    assert len(joined) >= 2
    rest = [mark for mark in sheet.marks if not isinstance(mark, CentreLine)]
    assert lacking_marks(part, views, [*rest, *each]) == []
    lacking = lacking_marks(part, views, rest)
    assert [(mark.view, mark.start, mark.end) for mark in lacking if isinstance(mark, CentreLine)] == [
        (line.view, line.start, line.end) for line in joined
    ]
