"""What must not be reported on a right sheet, and what must not pass: sizes that follow, solid hidden edges, levels."""

from collections.abc import Sequence
from typing import Any

import pytest

from maqueta.judging.catalogue import wording
from maqueta.judging.finding import Finding
from maqueta.judging.report import check
from maqueta.phrases.said import said
from maqueta.projection.attitude import usual
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.dimension import AngleDimension, LinearDimension
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.drafted import Pen, drafted_of
from maqueta.sheet.view import FromCorner, Square, View
from maqueta.sheet.view_graph import with_front
from maqueta.task.exercise import Exercise
from tests.parts import block, hole, projected
from tests.sizes.counted_parts import extrude

FRONT = View(id="v1", look=Square(side="-y", up="+z"), at=(60, 60))
TOP = View(id="v2", look=Square(side="+z", up="+y"), at=(60, 140))
TASK: dict[str, Any] = {"views": ("front", "top"), "centre_lines": False}


def found(part: ProjectedPart, drawn: tuple[View, ...], dimensions: Sequence[Any] = (), **task: Any) -> list[Finding]:
    sheet = SheetDocument(views=with_front(drawn, "v1"), dimensions=tuple(dimensions))
    asked = Exercise(**{**TASK, **task})
    return list(check(part, asked, SheetDocument.model_validate(sheet.model_dump())).findings)


def level(name: str, view: str, start: tuple[float, float], end: tuple[float, float], along: str) -> LinearDimension:
    place = (0.0, -30.0) if along == "across" else (-30.0, 0.0)
    return LinearDimension(id=name, view=view, start=start, end=end, along=along, place=place)  # type: ignore[arg-type]


def dimension_rules(findings: list[Finding]) -> list[str]:
    return sorted(f.rule for f in findings if f.rule.startswith("dimensions."))


def test_leg_and_angle_of_a_slope_stand_for_an_overall_size() -> None:
    """A bar with a slanted end: 60 long above, 20 high, its end leaning 45°; the 80 below follows."""
    part = projected(extrude((0, 0), (80, 0), (60, 20), (0, 20), depth=30))
    lean = AngleDimension(id="a", view="v1", vertex=(80, 0), start=(60, 20), end=(0, 0), place=(60, 5))
    sizes = [
        level("x", "v1", (0, 20), (60, 20), "across"),
        level("z", "v1", (0, 0), (0, 20), "up"),
        level("y", "v2", (0, 0), (0, 30), "up"),
    ]
    assert dimension_rules(found(part, (FRONT, TOP), [*sizes, lean])) == []
    without = dimension_rules(found(part, (FRONT, TOP), sizes))
    assert without == ["dimensions.overall", "dimensions.undetermined"]


def test_flat_ends_have_their_overall_size_written() -> None:
    part = projected(block((80, 30, 20)), block((30, 30, 10), (50, 0, 10), operation="cut"))
    sizes = [
        level("a", "v1", (0, 20), (50, 20), "across"),
        level("b", "v1", (50, 10), (80, 10), "across"),
        level("c", "v1", (0, 0), (0, 20), "up"),
        level("d", "v1", (80, 0), (80, 10), "up"),
        level("e", "v2", (0, 0), (0, 30), "up"),
    ]
    assert dimension_rules(found(part, (FRONT, TOP), sizes)) == ["dimensions.overall"]


#: A slot cut from the rear: its walls end on the outline of the front view's top, as hidden lines below it.
HIDDEN_SLOT = projected(block((80, 40, 20)), block((20, 15, 20), (30, 25, 0), operation="cut"))


@pytest.mark.parametrize(
    ("view", "start", "end", "along", "hidden"),
    [
        # Where the hidden wall meets the top edge of the front view there is a visible line, but not at its level.
        ("v1", (0, 20), (30, 20), "across", True),
        ("v1", (30, 0), (50, 0), "across", True),
        # In the top view the slot is seen.
        ("v2", (0, 40), (30, 40), "across", False),
        ("v1", (0, 20), (80, 20), "across", False),
    ],
)
def test_level_of_a_hidden_line_is_hidden_on_the_outline_too(
    view: str, start: tuple[float, float], end: tuple[float, float], along: str, hidden: bool
) -> None:
    rules = dimension_rules(found(HIDDEN_SLOT, (FRONT, TOP), [level("s", view, start, end, along)]))
    assert ("dimensions.to-hidden" in rules) == hidden


def test_hidden_line_at_the_level_of_a_visible_one_is_shown() -> None:
    """A visible step in line with the hidden wall shows its level, further along the extension line."""
    part = projected(
        block((80, 40, 20)),
        block((20, 15, 20), (30, 25, 0), operation="cut"),
        block((30, 20, 8), (0, 0, 12), operation="cut"),
    )
    size = level("s", "v1", (0, 0), (30, 0), "across")
    assert "dimensions.to-hidden" not in dimension_rules(found(part, (FRONT, TOP), [size]))


def drafted(view: View, part: ProjectedPart, all_solid: bool) -> View:
    lines = part.line_set(usual("-y").look) if view.attitude is not None else part.corners["+-+"]
    pieces = lines.of("visible", "hidden")
    pens = [Pen("visible" if all_solid or piece.kind == "visible" else "hidden") for piece in pieces]
    return view.model_copy(
        update={"lines": tuple(drafted_of(piece, pen) for piece, pen in zip(pieces, pens, strict=True))}
    )


DRILLED = projected(block((60, 40, 30)), hole((20, 20, 30), "-z", 12), hole((45, 0, 15), "+y", 8, 10))


def test_hidden_edges_drawn_solid_are_surplus_where_none_are_wanted() -> None:
    rules = [f.rule for f in found(DRILLED, (drafted(FRONT, DRILLED, True),), hidden_lines=False, views=("front",))]
    assert "lines.extra" in rules
    allowed = [f.rule for f in found(DRILLED, (drafted(FRONT, DRILLED, False),), hidden_lines=False, views=("front",))]
    assert not {"lines.extra", "lines.wrong-kind", "lines.missing-hidden"} & set(allowed)
    wanted = [f.rule for f in found(DRILLED, (drafted(FRONT, DRILLED, True),), views=("front",))]
    assert "lines.wrong-kind" in wanted


def test_pictorial_drawn_as_a_wire_frame_is_full_of_surplus_lines() -> None:
    corner = View(id="p1", kind="pictorial", look=FromCorner(corner="+-+"), at=(200, 150))
    rules = [f.rule for f in found(DRILLED, (FRONT, drafted(corner, DRILLED, True)), views=("front",))]
    assert "lines.extra" in rules
    broken = [f.rule for f in found(DRILLED, (FRONT, drafted(corner, DRILLED, False)), views=("front",))]
    assert "lines.hidden-on-pictorial" in broken
    assert "lines.extra" not in broken


def test_places_are_told_from_the_side_they_have_on_the_sheet() -> None:
    """Seen from the rear, the model's low end lies on the right."""
    part = projected(block((80, 40, 20)), block((30, 40, 10), (0, 0, 10), operation="cut"))
    rear = View(id="v1", look=Square(side="+y", up="+z"), at=(160, 60))
    sizes = [level("w", "v1", (-80, 0), (0, 0), "across"), level("h", "v1", (0, 0), (0, 20), "up")]
    words = [said(wording(f).message) for f in found(part, (rear,), sizes, views=("front",))]
    assert any("50 mm from the left side" in text for text in words)
