"""Sections and details on sheets: judged against the part cut open, their sizes counted, clean ones left alone."""

import pytest

from maqueta.judging.finding import Finding
from maqueta.judging.report import check, report
from maqueta.projection.project import drawn
from maqueta.reading.correct import Said, corrected
from maqueta.reading.delivered import expectation
from maqueta.sheet.dimension import LinearDimension
from maqueta.sheet.document import CentreLine, SheetDocument
from maqueta.sheet.special import CuttingLine, SheetCut
from maqueta.sheet.view import Aslant
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
    found = check(part, TASK, sheet.model_copy(update={"views": (*sheet.views[:-1], view)})).findings
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
