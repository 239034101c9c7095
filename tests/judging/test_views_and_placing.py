"""Rules of the set of views, of gaps and of the scale, each with a sheet that breaks it and one that does not."""

import pytest

from maqueta.judging.finding import Finding
from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.phrases.phrase import phrase
from maqueta.projection.attitude import USUAL_FRONT
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.drafted import Pen, drafted_of
from maqueta.sheet.drafted_line import DraftedLine
from maqueta.sheet.view import Square, View
from maqueta.task.exercise import Exercise
from tests.parts import block, demo_projected, hole, projected

DRAFTER = Drafter("A. Tester", "Evening 2", "2026-11-20")
PART = projected(block((60, 40, 30)), block((30, 40, 15), (30, 0, 15), operation="cut"), natural_up="+z")
CROSS_HOLE = projected(
    block((60, 40, 30)), block((30, 40, 15), (30, 0, 15), operation="cut"), hole((60, 20, 7), "-x", 6), natural_up="+z"
)
FREE = Exercise(pictorial="unwanted", paper="A3")


def found(part: ProjectedPart, task: Exercise, sheet: SheetDocument, rule: str) -> list[Finding]:
    return [f for f in check(part, task, sheet).findings if f.rule == rule]


def with_views(sheet: SheetDocument, *views: View) -> SheetDocument:
    known = {view.id for view in views}
    return sheet.model_copy(
        update={
            "views": views,
            "dimensions": tuple(d for d in sheet.dimensions if d.view in known),
            "marks": tuple(m for m in sheet.marks if m.view in known),
        }
    )


def test_hole_that_no_view_shows_round() -> None:
    sheet = model_sheet(CROSS_HOLE, FREE, DRAFTER)
    assert found(CROSS_HOLE, FREE, sheet, "views.insufficient") == []
    two = with_views(sheet, *sheet.views[:2])
    (finding,) = found(CROSS_HOLE, FREE, two, "views.insufficient")
    assert finding.parameters["what"] == phrase("some-shape", kind="hole")
    prescribed = FREE.model_copy(update={"views": ("front", "top")})
    assert found(CROSS_HOLE, prescribed, two, "views.insufficient") == []


@pytest.mark.parametrize("left_out", [1, 2])
def test_a_turned_part_needs_no_view_that_would_repeat_another(left_out: int) -> None:
    """From above a wheel looks as from the right: either of the two tells its contour."""
    wheel = demo_projected("tension-wheel")
    sheet = model_sheet(wheel, FREE, DRAFTER)
    two = with_views(sheet, *(view for place, view in enumerate(sheet.views) if place != left_out))
    assert found(wheel, FREE, two, "views.insufficient") == []
    assert found(wheel, FREE, two, "views.repeated") == []
    alone = with_views(sheet, sheet.views[0])
    assert found(wheel, FREE, alone, "views.insufficient") != []


@pytest.mark.parametrize(("shift", "uneven"), [(0.0, False), (4.0, False), (25.0, True)])
def test_gaps_that_differ(shift: float, uneven: bool) -> None:
    sheet = model_sheet(PART, FREE, DRAFTER)
    front, top, right = sheet.views
    # Both neighbours go outwards, so that the group keeps its middle.
    moved = with_views(
        sheet,
        front.model_copy(update={"at": (front.at[0] - shift / 2, front.at[1])}),
        top.model_copy(update={"at": (top.at[0] - shift / 2, top.at[1])}),
        right.model_copy(update={"at": (right.at[0] + shift / 2, right.at[1])}),
    )
    gaps = found(PART, FREE, moved, "layout.gaps")
    assert bool(gaps) == uneven
    if gaps:
        assert gaps[0].parameters["direction"] == "across"
        assert "÷ 3 =" in str(gaps[0].parameters["sum"])


@pytest.mark.parametrize(("scale", "variant"), [(1.0, None), (0.2, "larger"), (2.0, "crowded")])
def test_scale_that_does_not_fill_the_sheet(scale: float, variant: str | None) -> None:
    task = FREE.model_copy(update={"paper": "A4"})
    drawn = model_sheet(PART, task.model_copy(update={"scale": f"{scale:g}:1" if scale >= 1 else "1:5"}), DRAFTER)
    findings = found(PART, task, drawn, "scale.fill")
    assert [f.variant for f in findings] == ([variant] if variant else [])
    asked = task.model_copy(update={"scale": "1:1"})
    assert found(PART, asked, drawn, "scale.fill") == []


def drafted(part: ProjectedPart, *, solid: bool = False, smooth: bool = False) -> SheetDocument:
    """A front view drafted line by line, its hidden lines without dashes or its smooth transitions drawn, if asked."""
    lines = part.line_set(USUAL_FRONT.look)
    kinds = lines.of("visible", "hidden", "smooth") if smooth else lines.of("visible", "hidden")
    drawn = [
        drafted_of(
            piece, Pen("hidden" if piece.kind == "hidden" else "visible", solid=solid and piece.kind == "hidden")
        )
        for piece in kinds
    ]
    view = View(id="v1", look=Square(side="-y", up="+z"), at=(100, 100), lines=tuple(drawn))
    return SheetDocument(views=(view,))


def test_drafted_view_that_is_right_has_no_finding_about_its_lines() -> None:
    part, task = demo_projected("reed-clamp"), Exercise(centre_lines=False)
    result = check(part, task, drafted(part))
    assert [f.rule for f in result.findings if f.rule.startswith("lines.")] == []
    assert result.survey.match(result.survey.placed[0]) == pytest.approx(1.0)


def test_hidden_lines_without_dashes_are_a_matter_of_style() -> None:
    part, task = demo_projected("reed-clamp"), Exercise(centre_lines=False)
    findings = [f for f in check(part, task, drafted(part, solid=True)).findings if f.rule.startswith("lines.")]
    assert [(f.rule, f.severity) for f in findings] == [("lines.style", "warning")]


def test_smooth_transition_drafted_as_an_edge() -> None:
    part = demo_projected("batten-foot")
    smooth = part.line_set(USUAL_FRONT.look).of("smooth")
    rules = {f.rule for f in check(part, Exercise(centre_lines=False), drafted(part, smooth=True)).findings}
    assert ("lines.tangent-edge" in rules) == bool(smooth)
    assert "lines.extra" not in rules


def test_construction_lines_are_not_judged() -> None:
    part, task = demo_projected("reed-clamp"), Exercise(centre_lines=False)
    sheet = drafted(part)
    thrown = DraftedLine(points=((-50, 12.3), (150, 12.3)), pen="construction")
    view = sheet.views[0].model_copy(update={"lines": (*(sheet.views[0].lines or ()), thrown)})
    findings = check(part, task, sheet.model_copy(update={"views": (view,)})).findings
    assert [f.rule for f in findings if f.rule.startswith("lines.")] == []
