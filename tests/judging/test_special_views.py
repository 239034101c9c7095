"""Sections and details on sheets: judged against the part cut open, their sizes counted, clean ones left alone."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely.geometry import Polygon

from maqueta.demo import special_mistakes
from maqueta.judging.finding import Finding
from maqueta.judging.report import check, report
from maqueta.projection.project import drawn
from maqueta.reading.correct import corrected
from maqueta.reading.delivered import expectation
from maqueta.reading.said_to_be import Said
from maqueta.sheet.dimension import LinearDimension
from maqueta.sheet.document import CentreLine, SheetDocument
from maqueta.sheet.drafted_line import DraftedLine
from maqueta.sheet.special import CuttingLine, HatchedArea, SheetClip, SheetCut
from maqueta.sheet.view import Aslant
from maqueta.task.criteria import ASKED_POINTS
from maqueta.task.exercise import Exercise
from tests.judging.special_sheets import PART, SECTION, SHAPE, TASK, by_hand, projected, with_detail, with_section


def findings(sheet: SheetDocument) -> list[Finding]:
    return list(check(projected(), TASK, sheet).findings)


def rules(sheet: SheetDocument) -> set[str]:
    return {finding.rule for finding in findings(sheet)}


def without_centring(sheet: SheetDocument) -> set[str]:
    # The model answer's two views keep the middle of the sheet for themselves.
    return rules(sheet) - {"layout.centring", "layout.gaps", "layout.overlap"}


def with_centre_line(sheet: SheetDocument, view: str) -> SheetDocument:
    line = CentreLine(id="m9", view=view, start=(20.0, 0.0), end=(20.0, 30.0))
    return sheet.model_copy(update={"marks": (*sheet.marks, line)})


def test_a_clean_section_raises_no_alarm() -> None:
    assert without_centring(with_centre_line(with_section(), "s1")) == set()


def test_a_section_drawn_by_hand_is_judged_against_the_cut_part() -> None:
    clean = with_centre_line(by_hand(with_section(), "s1"), "s1")
    assert without_centring(clean) == set()
    lacking = with_centre_line(by_hand(with_section(), "s1", without=1), "s1")
    (finding,) = [f for f in findings(lacking) if f.rule.startswith("lines.")]
    assert finding.rule == "lines.missing-visible"
    assert finding.views == ("s1",)
    assert finding.edges or finding.faces


def test_the_outside_drawn_as_a_section_lacks_the_inside() -> None:
    sheet = with_section()
    front = sheet.view("v1")
    views = tuple(v.model_copy(update={"hidden": False}) if v.id == front.id else v for v in sheet.views)
    outside = by_hand(sheet.model_copy(update={"views": views}), "v1").view("v1").lines
    views = tuple(v.model_copy(update={"lines": outside}) if v.id == "s1" else v for v in sheet.views)
    wrong = sheet.model_copy(update={"views": views})
    assert "lines.missing-visible" in {f.rule for f in findings(wrong) if f.views == ("s1",)}


def test_sizes_on_a_section_count_like_any_others() -> None:
    """The depth of the wide hole, taken from the section instead of the note at the hole."""
    sheet = with_centre_line(with_section(), "s1")
    bare = sheet.model_copy(update={"dimensions": ()})
    size = LinearDimension(id="x1", view="s1", start=(10.0, 18.0), end=(10.0, 30.0), along="up", place=(-12.0, 0.0))
    one = sheet.model_copy(update={"dimensions": (size,)})
    before = check(projected(), TASK, bare).dimensions.reading
    after = check(projected(), TASK, one).dimensions.reading
    assert len(after.open) == len(before.open) - 1
    assert "dimensions.to-hidden" not in rules(one)


def test_a_detail_is_a_clip_of_its_parent_at_its_own_scale() -> None:
    sheet = with_centre_line(with_detail(), "s1")
    assert without_centring(sheet) == set()
    told = {view["id"]: view for view in report(check(projected(), TASK, sheet))["views"]}
    assert (told["s1"]["name"], told["s1"]["kind"], told["s1"]["label"]) == ("section A", "section", "A")
    assert (told["d1"]["name"], told["d1"]["kind"], told["d1"]["parent"]) == ("detail B", "detail", "s1")
    width = told["d1"]["box"][2] - told["d1"]["box"][0]
    assert width <= 2 * 6 * 5 + 1e-6


@pytest.mark.parametrize(("letter", "off", "wrong"), [("A", 7.0, False), (None, 7.0, True), (None, 0.0, False)])
def test_only_without_letters_must_a_section_stand_in_line(letter: str | None, off: float, wrong: bool) -> None:
    """Cut across, seen from the right and folded out from the front view."""
    sheet = with_section()
    front = sheet.view("v1").at
    side = Aslant(frame=((0.0, 1.0, 0.0), (0.0, 0.0, 1.0), (1.0, 0.0, 0.0)))
    across = SheetCut(path=((20, 0, 0), (20, 40, 0)), across=(0, 0, 1))
    at = (front[0] + 110.0, front[1] + off)
    view = SECTION.model_copy(update={"look": side, "cut": across, "parent": "v1", "letter": letter, "at": at})
    look = view.own_look
    assert look is not None
    part = projected().with_looks(drawn(SHAPE, PART, [look]))
    unlined = sheet.model_copy(update={"views": (*sheet.views[:-1], view), "cutting_lines": ()})
    found = check(part, TASK, unlined).findings
    assert ("alignment.offset" in {f.rule for f in found if "s1" in f.views}) == wrong


def test_a_cut_that_misses_the_part_shows_nothing_and_breaks_nothing() -> None:
    cut = SheetCut(form="full", path=((0, 90, 0), (60, 90, 0)), across=(0, 0, 1))
    lost = SECTION.model_copy(update={"cut": cut})
    look = lost.own_look
    assert look is not None
    part = projected().with_looks(drawn(SHAPE, PART, [look]))
    sheet = with_section()
    found = check(part, TASK, sheet.model_copy(update={"views": (*sheet.views[:-1], lost)}))
    assert report(found)["views"][-1]["name"] == "section A"


@pytest.mark.parametrize("said", ["none", "front"])
def test_a_section_that_is_said_to_be_something_else_is_a_section_no_more(said: Said) -> None:
    """What made it one goes with it, and lines and circles on it stay where they are on paper."""
    sheet = with_detail()
    outside = by_hand(sheet.model_copy(update={"views": sheet.views[:2]}), "v1").view("v1").lines
    drafted = tuple(v.model_copy(update={"lines": outside}) if v.id == "s1" else v for v in sheet.views)
    line = CuttingLine(id="c2", view="s1", path=((0.0, 15.0), (60.0, 15.0)), letter="C")
    before = sheet.model_copy(update={"views": drafted, "cutting_lines": (line,)})
    after = corrected(projected(), before, "s1", said, expectation(projected(), TASK))
    # What a person says is kept: so it is read again.
    again = SheetDocument.model_validate_json(after.model_dump_json())
    view = again.view("s1")
    assert view.kind == ("unrecognised" if said == "none" else "principal")
    assert (view.cut, view.clip, view.letter, view.hatch) == (None, None, None, None)
    ((x, y), _) = again.cutting_lines[0].path
    assert (view.at[0] + view.scale * x, view.at[1] + view.scale * y) == pytest.approx((280.0, 95.0 + 15.0))
    (x, y) = again.circled[0].region.centre
    assert (view.at[0] + view.scale * x, view.at[1] + view.scale * y) == pytest.approx((280.0 + 30, 95.0 + 18))


#: Each mistake with the rule it breaks, in order of the rules: planted on sheets that are clean.
PLANTED = {
    "no line": (special_mistakes.no_cutting_line, "section.cutting-line"),
    "line aside": (special_mistakes.line_aside, "section.cutting-line"),
    "arrows": (special_mistakes.arrows_the_other_way, "section.cutting-line"),
    "no letters over it": (special_mistakes.section_without_letters, "section.label"),
    "not hatched": (special_mistakes.not_hatched, "section.hatching"),
    "hatched along": (special_mistakes.hatched_along, "section.hatch-style"),
}


def clean() -> SheetDocument:
    return with_centre_line(with_section(), "s1")


@pytest.mark.parametrize("name", sorted(PLANTED))
def test_one_mistake_is_one_finding(name: str) -> None:
    mistake, rule = PLANTED[name]
    assert without_centring(mistake(projected(), clean())) == {rule}


@pytest.mark.parametrize(
    ("line", "variant"),
    [
        ({"letter": None}, "line"),
        ({"other": "C"}, "ends"),
        ({"letter": "C"}, "differs"),
    ],
)
def test_letters_are_told_apart(line: dict[str, Any], variant: str) -> None:
    sheet = clean()
    changed = sheet.model_copy(update={"cutting_lines": (sheet.cutting_lines[0].model_copy(update=line),)})
    (finding,) = [f for f in findings(changed) if f.rule.startswith("section.")]
    assert (finding.rule, finding.variant) == ("section.label", variant)


def test_a_cutting_line_reaches_as_far_as_it_likes_and_runs_either_way() -> None:
    sheet = clean()
    longer = sheet.cutting_lines[0].model_copy(update={"path": ((75.0, 20.0), (-9.0, 20.0)), "arrows": "right"})
    assert without_centring(sheet.model_copy(update={"cutting_lines": (longer,)})) == set()


@given(st.floats(-12, 12))
def test_a_line_aside_is_told_from_half_a_millimetre_on(off: float) -> None:
    sheet = clean()
    path = ((-9.0, 20.0 + off), (70.0, 20.0 + off))
    moved = sheet.model_copy(update={"cutting_lines": (sheet.cutting_lines[0].model_copy(update={"path": path}),)})
    found = [f for f in findings(moved) if f.rule == "section.cutting-line"]
    assert bool(found) == (abs(off) > 0.5)
    assert all(f.parameters["off"] == pytest.approx(abs(off)) for f in found)


def asked(*special: dict[str, Any], **more: Any) -> Exercise:
    return Exercise.model_validate({**TASK.model_dump(), "special": special, **more})


def found_when(task: Exercise, sheet: SheetDocument) -> list[tuple[str, str]]:
    rules = ("section.", "detail.", "auxiliary.", "views.")
    return [(f.rule, f.variant) for f in check(projected(), task, sheet).findings if f.rule.startswith(rules)]


def test_what_is_asked_is_there_passes_there_and_is_of_that_form() -> None:
    sheet = clean()
    through = {"kind": "section", "through": [[20, 20, 5]]}
    assert found_when(asked(through), sheet) == []
    assert found_when(asked({**through, "form": "full"}), sheet) == []
    assert found_when(asked({"kind": "section", "through": [[20, 20.4, 5]]}), sheet) == []
    assert found_when(asked({"kind": "section", "through": [[20, 21, 5]]}), sheet) == [("section.missing", "elsewhere")]
    assert found_when(asked({**through, "form": "half"}), sheet) == [("section.missing", "form")]
    bare = sheet.model_copy(update={"views": sheet.views[:2], "cutting_lines": (), "marks": ()})
    assert found_when(asked(through), bare) == [("section.missing", "")]
    assert found_when(asked(through, {"kind": "section", "through": [[20, 20, 9]]}), sheet) == [("section.missing", "")]


def test_a_section_that_shows_another_plane_than_its_line_is_not_a_section_missing() -> None:
    aside = special_mistakes.line_aside(projected(), clean())
    through_line = {"kind": "section", "through": [[20, 29, 5]]}
    assert found_when(asked(through_line), aside) == [("section.cutting-line", "elsewhere")]


def test_a_line_that_leads_nowhere_is_told_unless_its_section_is_missing_anyway() -> None:
    bare = clean().model_copy(update={"views": clean().views[:2], "marks": ()})
    assert found_when(asked(), bare) == [("section.missing", "line")]
    assert found_when(asked({"kind": "section"}), bare) == [("section.missing", "")]


def test_hidden_lines_in_a_section_are_an_error_where_the_exercise_says_so() -> None:
    sheet = by_hand(clean(), "s1")
    left = DraftedLine(pen="hidden", points=((5.0, 3.0), (5.0, 27.0)))
    section = sheet.view("s1")
    views = (*sheet.views[:2], section.model_copy(update={"lines": (*(section.lines or ()), left)}))
    sheet = sheet.model_copy(update={"views": views})
    assert without_centring(sheet) == {"section.hidden"}
    for bare, severity in ((False, "warning"), (True, "error")):
        (finding,) = [
            f for f in check(projected(), asked(bare_sections=bare), sheet).findings if f.rule == "section.hidden"
        ]
        assert finding.severity == severity


def test_points_count_where_a_section_is_asked() -> None:
    points = check(projected(), asked({"kind": "section"}), clean()).points()["section"]
    assert (points.outcome, points.points, points.of) == ("met", ASKED_POINTS, ASKED_POINTS)
    bare = clean().model_copy(update={"views": clean().views[:2], "cutting_lines": (), "marks": ()})
    lost = check(projected(), asked({"kind": "section"}), bare).points()["section"]
    assert (lost.outcome, lost.points) == ("not-met", 0)
    unasked = check(projected(), TASK, bare).points()["section"]
    assert (unasked.outcome, unasked.of) == ("not-judged", 0)


def hatched_by_hand(*areas: HatchedArea) -> SheetDocument:
    sheet = by_hand(clean(), "s1")
    views = tuple(v.model_copy(update={"hatched": areas}) if v.id == "s1" else v for v in sheet.views)
    return sheet.model_copy(update={"views": views})


def regions() -> list[HatchedArea]:
    return list(by_hand(clean(), "s1").view("s1").hatched or ())


def hatching(sheet: SheetDocument) -> list[tuple[str, str]]:
    own = ("section.hatching", "section.hatch-style", "section.uncut")
    return [(f.rule, f.variant) for f in findings(sheet) if f.rule in own]


def test_hatching_by_hand_is_judged_area_by_area() -> None:
    left, right = sorted(regions(), key=lambda area: min(x for x, _ in area.rings[0]))
    hole = HatchedArea(rings=(((15, 2), (25, 2), (25, 16), (15, 16)),))
    turned = right.model_copy(update={"angle": -45.0})
    assert hatching(hatched_by_hand(left, right)) == []
    assert hatching(hatched_by_hand(left)) == [("section.hatching", "")]
    assert hatching(hatched_by_hand(left, right, hole)) == [("section.hatching", "surplus")]
    assert hatching(hatched_by_hand(left, turned)) == [("section.hatch-style", "directions")]
    assert hatching(hatched_by_hand(left, right.model_copy(update={"spacing": 6.0}))) == [
        ("section.hatch-style", "spacings")
    ]
    dense = tuple(area.model_copy(update={"spacing": 0.6}) for area in (left, right))
    assert hatching(hatched_by_hand(*dense)) == [("section.hatch-style", "dense")]


def test_hatching_a_little_short_of_its_edge_or_over_it_is_no_matter() -> None:
    def scaled(area: HatchedArea, by: float) -> HatchedArea:
        shape = area.hatching.region.buffer(by)
        assert isinstance(shape, Polygon)
        return area.model_copy(update={"rings": (tuple(shape.exterior.coords),)})

    for by in (-0.8, 0.4):
        assert hatching(hatched_by_hand(*(scaled(area, by) for area in regions()))) == []


def detail_rules(sheet: SheetDocument) -> list[tuple[str, str]]:
    return [(f.rule, f.variant) for f in findings(sheet) if f.rule.startswith("detail.")]


def detail_with(**update: Any) -> SheetDocument:
    sheet = with_detail()
    views = tuple(v.model_copy(update=update) if v.id == "d1" else v for v in sheet.views)
    return sheet.model_copy(update={"views": views})


def circled_with(**update: Any) -> SheetDocument:
    sheet = with_detail()
    return sheet.model_copy(update={"circled": (sheet.circled[0].model_copy(update=update),)})


def test_a_detail_agrees_with_its_circle_its_label_and_its_scale() -> None:
    assert detail_rules(with_detail()) == []
    assert detail_rules(with_detail().model_copy(update={"circled": ()})) == [("detail.region", "")]
    elsewhere = SheetClip(centre=(5.0, 5.0), radius=6.0)
    assert detail_rules(circled_with(region=elsewhere)) == [("detail.region", "other")]
    assert detail_rules(circled_with(letter=None)) == [("detail.label", "parent")]
    assert detail_rules(circled_with(letter="C")) == [("detail.label", "differs")]
    assert detail_rules(detail_with(letter=None)) == [("detail.label", "")]
    assert detail_rules(detail_with(stated="")) == [("detail.label", "scale")]
    assert detail_rules(detail_with(stated="2:1")) == [("detail.scale", "stated")]
    assert detail_rules(detail_with(stated="5 : 1")) == []
    assert detail_rules(detail_with(scale=1.0)) == [("detail.scale", "small")]
    assert detail_rules(detail_with(scale=3.3)) == [("detail.scale", "odd")]


def test_a_detail_shows_the_point_it_is_asked_to_show() -> None:
    assert found_when(asked({"kind": "detail", "of": [30, 20, 18]}), with_detail()) == []
    assert found_when(asked({"kind": "detail", "of": [5, 20, 5]}), with_detail()) == [("detail.region", "asked")]
    assert found_when(asked({"kind": "detail"}), clean()) == [("views.missing", "")]


def test_a_letter_stands_for_one_thing() -> None:
    sheet = detail_with(letter="A")
    region = sheet.circled[0].model_copy(update={"letter": "A"})
    found = [f for f in findings(sheet.model_copy(update={"circled": (region,)})) if f.rule == "section.label"]
    assert [f.variant for f in found] == ["twice"]
