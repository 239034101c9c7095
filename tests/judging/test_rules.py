"""Each rule on a faultless sheet with one planted mistake, and faultless sheets without a finding."""

from collections.abc import Callable
from typing import Any

import pytest

from maqueta.demo.mistakes import MISTAKES
from maqueta.demo.workshop import EXERCISES, PARTS
from maqueta.judging.catalogue import CATALOGUE, wording
from maqueta.judging.points import Decided, earned
from maqueta.judging.report import Check, check, report
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.phrases.phrase import phrase
from maqueta.phrases.said import said
from maqueta.projection.attitude import Attitude, usual
from maqueta.projection.axes_seen import centre_seen
from maqueta.sheet.dimension import LinearDimension, RoundDimension
from maqueta.sheet.document import SheetDocument, TitleBlock
from maqueta.sheet.placed import placed_views
from maqueta.task.criteria import CRITERIA, SPECIAL
from maqueta.task.exercise import AttitudeChoice, Exercise, FrontTask
from tests.parts import demo_answered, demo_projected, projected

DRAFTER = Drafter("A. Tester", "Evening 2", "2026-11-20")
REED = EXERCISES[0].task
#: The wheel looks the same in every turn about its axis.
TURNED = AttitudeChoice(side="-y", up="+x")
Change = Callable[[SheetDocument], SheetDocument]


def faultless(slug: str = "reed-clamp", task: Exercise = REED) -> SheetDocument:
    return model_sheet(demo_answered(slug, task), task, DRAFTER)


def checked(sheet: SheetDocument, task: Exercise = REED, slug: str = "reed-clamp") -> Check:
    return check(demo_answered(slug, task), task, SheetDocument.model_validate(sheet.model_dump()))


def rules(result: Check) -> set[str]:
    return {finding.rule for finding in result.findings}


def view(sheet: SheetDocument, identifier: str, **change: Any) -> SheetDocument:
    views = tuple(v.model_copy(update=change) if v.id == identifier else v for v in sheet.views)
    return sheet.model_copy(update={"views": views})


@pytest.mark.parametrize("demo", EXERCISES, ids=lambda demo: demo.part)
def test_faultless_sheets_of_the_exercises_have_no_finding(demo: Any) -> None:
    result = checked(faultless(demo.part, demo.task), demo.task, demo.part)
    assert result.findings == ()
    assert all(mark.points == mark.of for mark in result.points().values())


#: Parts that front, top and right view show wholly, and the views that show the others.
VIEWS = dict.fromkeys(PARTS, ("front", "top", "right")) | {
    "treadle-bracket": ("front", "top", "right", "left"),
    "comb-foot": ("front", "top", "right", "bottom"),
}
#: Parts with an inside that no outer view shows by visible lines: it would take a section.
CLOSED = {"shuttle-race-guide": {"dimensions.to-hidden"}, "brake-drum": {"dimensions.to-hidden"}}


@pytest.mark.parametrize("slug", PARTS)
@pytest.mark.parametrize("angle", ["first", "third"])
@pytest.mark.parametrize("scale", ["1:2", "1:1"])
def test_faultless_sheets_of_every_part_have_no_finding(slug: str, angle: str, scale: str) -> None:
    units = demo_projected(slug).part.unit
    task = Exercise.model_validate(
        {"angle": angle, "scale": scale, "units": units, "views": VIEWS[slug], "paper": "A1"}
    )
    result = checked(faultless(slug, task), task, slug)
    errors = [f for f in result.findings if f.severity == "error" and f.rule not in CLOSED.get(slug, set())]
    assert [said(wording(f).message) for f in errors] == []


@pytest.mark.parametrize(
    ("mistake", "expected"),
    [
        ("wrong front", {"front.side"}),
        ("upside down", {"front.turn"}),
        ("other angle", {"angle.arrangement"}),
        ("top out of line", {"alignment.offset"}),
        ("right view turned", {"alignment.turned"}),
        ("no hidden lines", {"lines.missing-hidden"}),
        ("hidden on pictorial", {"lines.hidden-on-pictorial"}),
        ("no right view", {"views.missing"}),
        ("missing sizes", {"dimensions.undetermined"}),
        ("closed chain", {"dimensions.redundant"}),
        ("said twice", {"dimensions.repeated"}),
        ("wrong value", {"dimensions.value", "scale.stated"}),
        ("bare title", {"angle.symbol", "title.missing", "lines.missing-centre"}),
        ("one view smaller", {"scale.mixed", "layout.centring"}),
    ],
)
def test_planted_mistake_is_found_under_its_rule(mistake: str, expected: set[str]) -> None:
    changed = MISTAKES[mistake](demo_projected("reed-clamp"), faultless())
    found = rules(checked(changed))
    assert expected <= found
    related = {"lines.missing-centre", "dimensions.overall", "dimensions.undetermined", "layout.centring"}
    assert found <= expected | related | {"layout.outside"}


def test_simple_mistakes_give_exactly_one_finding() -> None:
    for mistake in ("other angle", "top out of line", "no hidden lines", "hidden on pictorial", "closed chain"):
        changed = MISTAKES[mistake](demo_projected("reed-clamp"), faultless())
        assert len(checked(changed).findings) == 1, mistake


def test_front_is_judged_by_the_ranking_where_no_list_is_given() -> None:
    task = REED.model_copy(update={"front": REED.front.model_copy(update={"accept": ()})})
    assert "front.side" not in rules(checked(faultless(), task))
    wrong = MISTAKES["wrong front"](demo_projected("reed-clamp"), faultless())
    finding = next(f for f in checked(wrong, task).findings if f.rule == "front.side")
    assert finding.variant == "ranked"
    assert float(str(finding.parameters["best"])) > float(str(finding.parameters["score"]))


def test_front_that_looks_like_an_accepted_one_is_accepted() -> None:
    wheel = demo_projected("tension-wheel")
    task = Exercise.model_validate({"views": ["front", "right"], "front": {"accept": [{"side": "-y", "up": "+z"}]}})
    turned = model_sheet(wheel, task.model_copy(update={"front": FrontTask(accept=(TURNED,))}), DRAFTER)
    assert not {rule for rule in rules(check(wheel, task, turned)) if rule.startswith("front")}


def test_one_misplaced_view_among_several_is_mixed_only() -> None:
    sheet = faultless()
    boxes = {item.view.id: item.box for item in placed_views(demo_projected("reed-clamp"), sheet)}
    x, y = sheet.view("v3").at
    moved = view(sheet, "v3", at=(x - boxes["v3"][0] + 25, y))
    shifted = moved
    for identifier in ("v1", "v2"):
        x, y = shifted.view(identifier).at
        shifted = view(shifted, identifier, at=(x + 60, y))
    found = rules(checked(shifted))
    assert "angle.mixed" in found
    assert "angle.arrangement" not in found


def test_wrong_symbol_is_an_error_a_missing_one_a_warning() -> None:
    sheet = faultless()
    for angle, severity in (("first", "error"), (None, "warning")):
        title = sheet.title.model_copy(update={"angle": angle})
        (finding,) = checked(sheet.model_copy(update={"title": title})).findings
        assert (finding.rule, finding.severity) == ("angle.symbol", severity)


@pytest.mark.parametrize(("offset", "found"), [(0.4, False), (0.6, True), (-3.2, True)])
def test_alignment_says_how_much_and_which_way(offset: float, found: bool) -> None:
    sheet = faultless()
    x, y = sheet.view("v3").at
    findings = checked(view(sheet, "v3", at=(x, y + offset))).findings
    assert bool(findings) == found
    if findings:
        assert findings[0].rule == "alignment.offset"
        assert findings[0].parameters["offset"] == pytest.approx(abs(offset))
        assert findings[0].parameters["way"] == phrase("way-up" if offset > 0 else "way-down")


def test_view_that_repeats_another_is_a_warning_unless_asked_for() -> None:
    view_of_wheel = demo_projected("tension-wheel")
    task = Exercise.model_validate({"views": ["front", "top", "right"], "dimensioning": {"required": False}})
    sheet = model_sheet(view_of_wheel, task, DRAFTER)
    assert "views.repeated" not in rules(check(view_of_wheel, task, sheet))
    free = task.model_copy(update={"views": None})
    assert "views.repeated" in rules(check(view_of_wheel, free, sheet))


def test_smooth_transition_drawn_as_an_edge() -> None:
    task = EXERCISES[1].task.model_copy(update={"views": ("front", "top", "right")})
    sheet = view(faultless("warp-beam-bearing", task), "v3", smooth=True)
    (finding,) = checked(sheet, task, "warp-beam-bearing").findings
    assert finding.rule == "lines.tangent-edge"
    assert finding.views == ("v3",)


def test_hidden_lines_are_not_missed_where_none_are_asked() -> None:
    task = REED.model_copy(update={"hidden_lines": False})
    assert checked(view(faultless(), "v2", hidden=False), task).findings == ()


def test_missing_hidden_lines_know_their_edges_and_places() -> None:
    (finding,) = checked(view(faultless(), "v2", hidden=False)).findings
    assert finding.parameters["count"] == len(finding.at) == 4
    assert finding.parameters["length"] == pytest.approx(4 * 18)
    assert finding.faces or finding.edges


def test_scale_rules_speak_each_on_its_own() -> None:
    sheet = faultless()
    for v in sheet.views:
        sheet = view(sheet, v.id, scale=0.9)
    found = rules(checked(sheet))
    assert {"scale.nonstandard", "scale.asked", "scale.stated"} <= found
    assert "scale.mixed" not in found


def test_unreadable_stated_scale_is_told() -> None:
    sheet = faultless()
    title = sheet.title.model_copy(update={"fields": {**sheet.title.fields, "scale": "as shown"}})
    (finding,) = checked(sheet.model_copy(update={"title": title})).findings
    assert (finding.rule, finding.variant) == ("scale.stated", "unreadable")


def _dimension(sheet: SheetDocument, **wanted: Any) -> LinearDimension:
    return next(
        d
        for d in sheet.dimensions
        if isinstance(d, LinearDimension) and all(getattr(d, key) == value for key, value in wanted.items())
    )


def test_overall_size_left_out() -> None:
    sheet = faultless()
    width = max(
        (d for d in sheet.dimensions if isinstance(d, LinearDimension) and d.view == "v1" and d.along == "across"),
        key=lambda d: abs(d.end[0] - d.start[0]),
    )
    without = sheet.model_copy(update={"dimensions": tuple(d for d in sheet.dimensions if d.id != width.id)})
    findings = {f.rule: f for f in checked(without).findings}
    assert set(findings) == {"dimensions.overall", "dimensions.undetermined"}
    assert findings["dimensions.overall"].parameters == {"direction": "width", "size": "96 mm"}


@pytest.mark.parametrize(
    ("text", "wrong"),
    [("96", False), ("96.0", False), ("96,0", False), ("<>", False), ("95", True), ("96.04", True), ("wide", False)],
)
def test_typed_values(text: str, wrong: bool) -> None:
    """Typing the right value over is right; a value written finer than asked must still be true."""
    sheet = faultless()
    typed = tuple(
        d.model_copy(update={"text": text})
        if isinstance(d, LinearDimension) and abs(d.end[0] - d.start[0]) == 96 and d.along == "across"
        else d
        for d in sheet.dimensions
    )
    assert ("dimensions.value" in rules(checked(sheet.model_copy(update={"dimensions": typed})))) == wrong


def test_reference_dimension_does_not_count() -> None:
    sheet = faultless()
    first = _dimension(sheet, view="v1", along="across")
    lower = (first.place[0], first.place[1] - 8.0)
    again = first.model_copy(
        update={"id": "again", "text": f"({abs(first.end[0] - first.start[0]):g})", "place": lower}
    )
    found = checked(sheet.model_copy(update={"dimensions": (*sheet.dimensions, again)})).findings
    assert all(f.rule.startswith("placement.") for f in found)


def test_count_makes_equal_diameters_one_dimension() -> None:
    sheet = faultless()
    (both,) = [d for d in sheet.dimensions if isinstance(d, RoundDimension) and d.radius == 4.5]
    assert (both.count, both.text) == (2, None), "the model answer writes equal holes once"
    others = tuple(d for d in sheet.dimensions if d is not both)
    part = demo_projected("reed-clamp").part
    holes = [feature for feature in part.features if feature.diameter == 9]
    look = usual("+z").look
    assert len(holes) == 2
    single = [
        both.model_copy(
            update={
                "id": f"s{k}",
                "count": 1,
                "centre": centre_seen(hole, look),
                "place": (both.place[0], both.place[1] - 12.0 * k),
            }
        )
        for k, hole in enumerate(holes)
    ]
    assert checked(sheet.model_copy(update={"dimensions": (*others, *single)})).findings == ()
    twice = checked(sheet.model_copy(update={"dimensions": (*others, both, single[1])}))
    assert rules(twice) == {"dimensions.repeated"}


def test_dimension_from_a_hidden_line() -> None:
    sheet = faultless()
    extra = LinearDimension(
        id="extra", view="v1", start=(9.5, 0.0), end=(18.5, 14.0), along="across", place=(0.0, -60.0), text="(9)"
    )
    found = checked(sheet.model_copy(update={"dimensions": (*sheet.dimensions, extra)})).findings
    assert "dimensions.to-hidden" not in {f.rule for f in found if f.items != ("extra",)}
    inside = extra.model_copy(update={"start": (9.5, 7.0), "end": (18.5, 7.0)})
    found = checked(sheet.model_copy(update={"dimensions": (*sheet.dimensions, inside)})).findings
    assert [f.rule for f in found if not f.rule.startswith("placement.")] == ["dimensions.to-hidden"]


def test_dimension_on_the_pictorial() -> None:
    sheet = faultless()
    on_it = _dimension(sheet, view="v1").model_copy(update={"id": "p", "view": "p1", "place": (0.0, -40.0)})
    found = rules(checked(sheet.model_copy(update={"dimensions": (*sheet.dimensions, on_it)})))
    assert "dimensions.on-pictorial" in found
    assert "dimensions.repeated" not in found


def test_dimensions_not_asked_for_are_not_missed() -> None:
    task = REED.model_copy(update={"dimensioning": REED.dimensioning.model_copy(update={"required": False})})
    result = checked(faultless().model_copy(update={"dimensions": ()}), task)
    assert result.findings == ()
    assert result.points()["dimensions"].outcome == "not-judged"


def test_a_slanted_part_is_judged_like_any_other() -> None:
    """The pawl has eleven sizes: all are missing from a sheet without dimensions, none from the proposed set."""
    task = Exercise.model_validate({"views": ["front", "top"], "paper": "A2"})
    sheet = faultless("ratchet-pawl", task)
    assert rules(checked(sheet, task, "ratchet-pawl")) == set()
    bare = checked(sheet.model_copy(update={"dimensions": ()}), task, "ratchet-pawl")
    assert [f.rule for f in bare.findings].count("dimensions.undetermined") == 11
    assert sum(row.missing for row in bare.dimensions.counts) == 11


def test_layout_rules() -> None:
    sheet = faultless()
    x, y = sheet.view("p1").at
    assert "layout.outside" in rules(checked(view(sheet, "p1", at=(x + 120, y))))
    assert "layout.outside" in rules(checked(view(sheet, "p1", at=(x, y - 170))))
    front = sheet.view("v1").at
    assert "layout.overlap" in rules(checked(view(sheet, "p1", at=(front[0] + 40, front[1] + 30))))


def test_angle_symbol_can_be_asked_for_like_a_field() -> None:
    task = REED.model_copy(update={"title_fields": ("title", "angle")})
    bare = faultless().model_copy(update={"title": TitleBlock(fields={"title": "X", "scale": "1:1"})})
    found = [f for f in checked(bare, task).findings if f.rule == "title.missing"]
    assert [f.parameters["field"] for f in found] == ["angle"]
    assert checked(faultless(), task).findings == ()


def test_sheet_without_views_is_checked_and_says_what_is_missing() -> None:
    result = checked(SheetDocument())
    assert {"views.missing", "title.missing", "angle.symbol"} <= rules(result)
    points = result.points()
    aside = (*SPECIAL, "assembly", "set")
    assert all((mark.outcome, mark.points) == ("not-met", 0) for c, mark in points.items() if c not in aside)
    assert all((mark.outcome, mark.of) == ("not-judged", 0) for c, mark in points.items() if c in aside)


def test_what_is_not_delivered_earns_nothing() -> None:
    """A lone pictorial, a lone front view, a sheet without dimensions: what cannot be judged earns nothing."""
    sheet = faultless()
    lone = sheet.model_copy(update={"views": (sheet.view("p1"),), "dimensions": (), "marks": ()})
    marks = checked(lone).points()
    assert {c for c, mark in marks.items() if mark.points} == {"title"}
    front = sheet.model_copy(update={"views": (sheet.view("v1"),), "dimensions": (), "marks": ()})
    marks = checked(front).points()
    assert {c for c, mark in marks.items() if not mark.points} >= {"angle", "alignment", "dimensions"}
    assert marks["front"].points == marks["front"].of
    untitled = checked(sheet.model_copy(update={"title": TitleBlock()}))
    assert (untitled.points()["title"].points, said(untitled.scope.lacking["title"])) == (0, "the title block is empty")


def test_every_finding_can_be_worded_and_located() -> None:
    for mistake in MISTAKES.values():
        result = checked(mistake(demo_projected("reed-clamp"), faultless()))
        for finding in result.findings:
            words = wording(finding)
            for told in (words.message, words.expected, words.found):
                assert "{" not in said(told) + said(told, "es")
            assert finding.at or finding.rule in ("views.missing", "scale.asked", "scale.nonstandard")


def test_catalogue_rules_belong_to_criteria_and_name_their_basis() -> None:
    for identifier, rule in CATALOGUE.items():
        assert rule.criterion in CRITERIA
        assert identifier.split(".")[0] == rule.criterion
        basis = said(rule.basis)
        assert "Mem." in basis or basis == "common practice, no source"


def test_check_is_pure() -> None:
    sheet = MISTAKES["bare title"](demo_projected("reed-clamp"), faultless())
    assert checked(sheet).findings == checked(sheet).findings


def test_marks_follow_costs_caps_and_waivers() -> None:
    sheet = MISTAKES["missing sizes"](demo_projected("reed-clamp"), faultless())
    result = checked(sheet)
    assert result.points()["dimensions"].points == 6 - 2 * REED.error_cost
    waived = Decided(waived={0, 1})
    assert earned("dimensions", result.findings, REED, result.scope, waived).points == 6
    bare = checked(MISTAKES["bare title"](demo_projected("reed-clamp"), faultless()))
    assert bare.points()["lines"].points == 0
    assert bare.points()["title"].points == 0


def test_report_has_the_stable_form() -> None:
    result = report(checked(MISTAKES["closed chain"](demo_projected("reed-clamp"), faultless())))
    assert result["format"] == 1
    assert result["part"]["extents"] == [96, 48, 50]
    assert [v["name"] for v in result["views"]] == ["front", "top", "right", "pictorial"]
    assert (result["views"][3]["side"], result["views"][3]["up"]) == (None, None)
    (finding,) = result["findings"]
    assert set(finding) == {"rule", "severity", "views", "at", "expected", "found", "message", "basis"}
    assert result["criteria"]["dimensions"] == {"outcome": "not-met", "points": 4, "of": 6}
    assert result["dimensioning"]["needed"] == 18
    # Two pairs of equal holes are written once each.
    assert result["dimensioning"]["given"] == 17
    assert len(result["dimensioning"]["chains"]) == 1


def test_front_is_found_by_arrangement_where_the_sheet_names_none() -> None:
    sheet = faultless()
    alone = tuple(view.model_copy(update={"parent": None}) for view in sheet.views)
    sheet = sheet.model_copy(update={"views": alone})
    assert sheet.front is None
    assert checked(sheet).findings == ()


def test_inch_sheet_of_an_inch_part_is_drawn_true_to_scale() -> None:
    task = EXERCISES[2].task
    sheet = faultless("pedal-hinge", task)
    box = placed_views(demo_projected("pedal-hinge"), sheet)[0].box
    assert box[2] - box[0] == pytest.approx(4 * 25.4)


def test_all_mirror_symmetric_fronts_of_a_plain_block_are_accepted() -> None:
    plain = projected({"kind": "block", "size": (80, 30, 20), "at": (0, 0, 0)})
    task = Exercise.model_validate({"dimensioning": {"required": False}})
    for attitude in (Attitude("-y", "+z"), Attitude("+y", "+z")):
        sheet = SheetDocument.model_validate(
            {
                "views": [{"id": "v1", "side": attitude.side, "up": attitude.up, "at": [200, 150]}],
                "title": {"angle": "third"},
            }
        )
        assert not {r for r in rules(check(plain, task, sheet)) if r.startswith("front")}
