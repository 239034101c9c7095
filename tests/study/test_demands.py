"""What a drawing demands, against hand counts and the sheet sums."""

import pytest

from maqueta.demo.workshop import PARTS
from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.phrases.phrase import phrase
from maqueta.phrases.said import said
from maqueta.projection.attitude import USUAL_FRONT
from maqueta.projection.needed_special import special_need
from maqueta.sheet.dimension import LinearDimension
from maqueta.sheet.scales import parse_scale
from maqueta.study.analysis import analysis
from maqueta.study.demands import demands, feature_phrase, form_phrase, pattern_phrase, scale_proposals, special_views
from maqueta.task.exercise import Exercise
from tests.parts import block, demo_projected, hole, projected, seven_block
from tests.sizes.counted_parts import extrude


def test_seven_sizes_of_the_stepped_block() -> None:
    """Three stretches of width, two of height, two of depth: exactly seven dimensions (common practice)."""
    found = demands(seven_block())
    assert (found.sizes, found.diameters, found.reason) == (7, 0, None)
    assert {row.row: row.stretches for row in found.counts if row.stretches} == {
        "width": 3,
        "height": 2,
        "depth": 2,
    }


def test_a_slanted_part_has_its_sizes_counted_by_direction_too() -> None:
    """The wedge: base and flat on top, its whole height and that of its short side, and depth."""
    found = demands(demo_projected("cloth-beam-wedge"))
    assert (found.sizes, found.least_sizes, found.reason) == (5, 5, None)
    assert sum(row.needed for row in found.counts) == 5
    assert [row.stretches for row in found.counts] == [2, 2, 1, 0, 0]


@pytest.mark.parametrize("slug", PARTS)
def test_every_needed_view_has_its_reason(slug: str) -> None:
    need = demands(demo_projected(slug)).need
    reasons = dict(need.reasons)
    assert set(reasons) == {"front", "top", "right"}
    assert said(reasons["front"]).startswith("chosen as front")
    for name in ("top", "right"):
        assert said(reasons[name]).startswith("needed" if name in need.needed else "left out")


def test_repeating_view_is_named_with_what_it_repeats() -> None:
    need = demands(demo_projected("tension-wheel")).need
    assert said(dict(need.reasons)["right"]) == "left out: it shows the same lines as the top view"


def test_scale_proposals_by_hand() -> None:
    """A block 100 × 50 × 40, front 100 × 40, top 100 × 50 and right 50 × 40, third angle.

    A3 landscape: 390 × 241 mm inside the border above the title block. At 1:1 (390 − 100 − 50) ÷ 3 = 80 across and
    (241 − 40 − 50) ÷ 3 = 50.3 up; at 2:1 (390 − 200 − 100) ÷ 3 = 30 and (241 − 80 − 100) ÷ 3 = 20.3, less than 24.
    """
    part = projected(block((100, 50, 40))).part
    found = {s.paper: s for s in scale_proposals(part, USUAL_FRONT, ("front", "top", "right"))}
    assert found["A3"].scale == "1:1"
    assert found["A3"].across == "(390 − 100 − 50) ÷ 3 = 80"
    assert found["A3"].up == "(241 − 40 − 50) ÷ 3 = 50.3"
    assert set(found) == {"A4", "A3", "A2", "A1", "A0"}


def test_larger_paper_never_gets_a_smaller_scale() -> None:
    for slug in PARTS:
        scales = [parse_scale(s.scale) or 0 for s in demands(demo_projected(slug)).scales if s.scale]
        assert scales == sorted(scales), slug


def test_part_in_inches_is_put_on_inch_paper() -> None:
    papers = [s.paper for s in demands(demo_projected("pedal-hinge")).scales]
    assert papers == ["ANSI A", "ANSI B", "ANSI C", "ANSI D"]


def test_too_large_a_part_fits_at_a_small_scale_only() -> None:
    part = projected(block((9000, 4000, 3000))).part
    found = {s.paper: s.scale for s in scale_proposals(part, USUAL_FRONT, ("front", "top", "right"))}
    assert found["A4"] == "1:100"


def test_features_are_told_in_words() -> None:
    view = projected(
        block((100, 60, 20)),
        {**hole((20, 30, 20), "-z", 8), "counterbore": {"diameter": 14, "depth": 5}},
        hole((50, 30, 20), "-z", 6, 12),
        {"kind": "slot", "at": (75, 30, 20), "into": "-z", "along": "x", "length": 30, "width": 8, "depth": 4},
        {"kind": "chamfer", "size": 3, "edges": [{"between": ["-x", "+z"]}]},
    )
    words = {said(feature_phrase(f)) for f in view.part.features}
    assert words == {
        "hole ⌀8, through, along z",
        "counterbore ⌀14, 5 deep, along z",
        "hole ⌀6, 12 deep, along z",
    }
    assert [said(form_phrase(f)) for f in demands(view).forms] == [
        "chamfer 3 × 45°, 60 long",
        "slot 30 long, 8 wide, 4 deep",
    ]


def test_patterns_are_told_in_words() -> None:
    view = demo_projected("bobbin-flange")
    [pattern] = demands(view).patterns
    assert said(pattern_phrase(pattern, view.part)) == "6 × hole ⌀8, evenly on a circle ⌀62"


@pytest.mark.parametrize("slug", ["treadle-bracket", "temple-arm", "pedal-hinge"])
def test_report_of_the_analysis_keeps_its_stable_keys(slug: str) -> None:
    report = analysis(demo_projected(slug))
    assert report["format"] == 1
    assert set(report["part"]) == {"hash", "units", "extents", "volume", "solids", "faces"}
    assert len(report["ranking"]) == 24
    assert set(report["ranking"][0]) == {"side", "up", "score", "equal_to", "measures", "words"}
    assert {"needed", "repeated"} <= set(report["views"])
    for feature in report["features"]:
        assert {"kind", "through", "diameter", "depth", "axis", "at"} <= set(feature)


def test_surfaces_are_counted_by_kind() -> None:
    """A block has six flat faces; a through hole adds a cylinder, a countersink a cone."""
    view = projected(block((40, 30, 10)), {**hole((20, 15, 10), "-z", 6), "countersink": {"diameter": 12}})
    assert analysis(view)["surfaces"] == {"cone": 1, "cylinder": 1, "plane": 6}


def test_no_dimensions_are_proposed_for_a_part_that_lies_aslant() -> None:
    """A block 80 by 40 turned by the angle of a 3-4-5 triangle: its extents 88 and 80 are no sizes of it."""
    part = projected(extrude((0, 0), (64, 48), (40, 80), (-24, 32), depth=20, plane="xy"))
    assert demands(part).sizes == 3
    assert analysis(part)["dimensioning"]["proposal"] == []
    task = Exercise(views=("front", "top"))
    sheet = model_sheet(part, task, Drafter("A", "B", "2026-11-20"))
    assert sheet.dimensions == ()
    odd = LinearDimension(id="w", view="v1", start=(-24, 0), end=(64, 0), along="across", place=(0, -20))
    drawn = check(part, task, sheet.model_copy(update={"dimensions": (odd,)}))
    assert drawn.scope.unjudged["dimensions"] == phrase("beyond-aslant")


NEEDS = {
    "bobbin-bush": [("section", "full")],
    "heddle-plate": [("section", "offset")],
    "beam-casting": [("auxiliary", "oblique")],
    "slanted-seat": [("section", "full"), ("auxiliary", "inclined")],
    # At the scale that is proposed on an A3 its groove is just wide enough.
    "spindle-pin": [],
    "shuttle-rest": [],
    "tie-up-bar": [],
    "batten-stop": [],
}


@pytest.mark.parametrize("slug", sorted(NEEDS))
def test_a_part_needs_the_special_views_that_spare_hidden_lines_and_show_truly(slug: str) -> None:
    need = demands(demo_projected(slug)).special
    found: list[tuple[str, str]] = [("section", own.form) for own in need.sections]
    found += [("auxiliary", "oblique" if own.oblique else "inclined") for own in need.auxiliary]
    found += [("detail", "") for _ in need.details]
    assert found == NEEDS[slug]


def test_where_to_cut_is_told_by_the_levels_inside() -> None:
    """The floors of three holes, two of them in one plane: through both planes, seen as the front."""
    (section,) = demands(demo_projected("heddle-plate")).special.sections
    assert abs(section.towards[1]) == 1.0
    assert sorted({round(y, 6) for _, y, _ in section.through}) == [18.0, 42.0]


def test_what_is_too_small_at_a_scale_needs_a_detail() -> None:
    part = demo_projected("spindle-pin")
    (detail,) = special_need(part, {}, 1.0).details
    assert detail.size == pytest.approx(1.6)
    assert detail.of[0] == pytest.approx(48.8)
    assert special_need(part, {}, 2.0).details == ()


TOLD = {
    "bobbin-bush": ["a full section is needed through"],
    "heddle-plate": ["an offset section is needed through"],
    "slanted-seat": ["a full section is needed through", "an auxiliary view is needed"],
    "beam-casting": ["a secondary auxiliary view is needed"],
}


@pytest.mark.parametrize("slug", sorted(TOLD))
def test_every_special_view_is_told_as_a_task_asks_for_it_with_its_reason(slug: str) -> None:
    told = analysis(demo_projected(slug))["views"]["special"]
    asked = [{key: value for key, value in own.items() if key != "why"} for own in told]
    task = Exercise.model_validate({"views": ["front", "top"], "special": asked})
    assert [own.kind for own in task.special] == [own["kind"] for own in told]
    for own, why in zip(told, TOLD[slug], strict=True):
        assert own["why"].startswith(why)


def test_a_detail_is_told_with_the_width_of_what_it_enlarges() -> None:
    part = demo_projected("spindle-pin")
    need = special_need(part, {}, 1.0)
    told = [own for own in special_views(need) if own.asked.kind == "detail"]
    point = ", ".join(f"{round(x, 4):g}" for x in need.details[0].of)
    assert [said(own.why) for own in told] == [f"a detail is needed at ({point}): something there is only 1.6 wide"]
