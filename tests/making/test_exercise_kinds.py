"""Kinds of exercises: what the student finds on the sheet, and that the check finds exactly what was changed."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from pydantic import ValidationError

from maqueta.demo.workshop import PARTS
from maqueta.geometry.carrier import Similarity
from maqueta.geometry.mirror import mirror_image
from maqueta.judging.report import check
from maqueta.making.model_views import model_views
from maqueta.making.starting_sheet import choices, proposed_changes, starting_sheet
from maqueta.reading.laid import laid
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.drafted import Pen, drafted_of, pen_of, piece_of
from maqueta.sheet.placed import placed_views
from maqueta.sheet.view import View
from maqueta.task.criteria import usual_points
from maqueta.task.exercise import Exercise
from maqueta.task.told import drawn_for_student
from tests.parts import block, demo_projected, hole, projected

SLUGS = ("reed-clamp", "warp-beam-bearing", "shuttle-rest", "batten-foot")
RULE_OF = {
    "removed": {"lines.missing-visible", "lines.missing-hidden"},
    "other kind": {"lines.wrong-kind"},
    "shifted": {"lines.displaced"},
    "added": {"lines.extra", "lines.tangent-edge"},
}


#: What a third view set down anywhere, without centre lines, may still be told.
LEFT_OPEN = {"layout.gaps", "layout.centring", "scale.fill", "lines.missing-centre"}


def task(kind: str, **drafting: object) -> Exercise:
    return Exercise.model_validate(
        {
            "pictorial": "unwanted",
            "front": {"accept": [{"side": "-y", "up": "+z"}]},
            "dimensioning": {"required": False},
            "drafting": {"kind": kind, **drafting},
        }
    )


def drafted_by_hand(slug: str, asked: Exercise, shift: tuple[float, float] = (0.0, 0.0)) -> SheetDocument:
    """All empty views of a starting sheet drawn without a fault, each set down a little off where it was laid out."""
    part = demo_projected(slug)
    sheet = starting_sheet(part, asked)
    views = []
    for item in placed_views(part, sheet):
        if item.view.lines != ():
            views.append(item.view)
            continue
        pens = [(p, Pen("hidden" if p.kind == "hidden" else "visible")) for p in item.lines.of("visible", "hidden")]
        lines = tuple(drafted_of(piece, pen) for piece, pen in pens)
        at = (item.view.at[0] + shift[0], item.view.at[1] + shift[1])
        views.append(item.view.model_copy(update={"lines": lines, "at": at}))
    return sheet.model_copy(update={"views": tuple(views)})


def line_rules(slug: str, asked: Exercise, sheet: SheetDocument) -> list[str]:
    found = check(demo_projected(slug), asked, sheet).findings
    return sorted(f.rule for f in found if f.rule.startswith("lines.") and f.rule != "lines.missing-centre")


@pytest.mark.parametrize("slug", SLUGS)
@pytest.mark.parametrize("kind", ["missing lines", "wrong lines"])
def test_an_unchanged_given_sheet_is_faultless(slug: str, kind: str) -> None:
    asked = task(kind)
    assert line_rules(slug, asked, starting_sheet(demo_projected(slug), asked)) == []


@settings(max_examples=25, deadline=None)
@given(st.sampled_from(SLUGS), st.integers(0, 10_000))
def test_each_change_is_found_under_its_rule(slug: str, seed: int) -> None:
    asked = task("wrong lines")
    part = demo_projected(slug)
    for change in proposed_changes(part, asked, 4, seed):
        one = task("wrong lines", changes=[change.model_dump()])
        found = line_rules(slug, one, starting_sheet(part, one))
        assert found, change
        assert set(found) & RULE_OF[change.change] or set(found) <= {"lines.wrong-kind", "lines.extra"}, (change, found)


@pytest.mark.parametrize("slug", PARTS)
def test_a_point_names_one_line_wherever_lines_cross(slug: str) -> None:
    part, asked = demo_projected(slug), task("missing lines")
    whole = starting_sheet(part, asked)
    for place, choice in enumerate(choices(part, asked)):
        change = {"view": choice.view, "at": choice.at, "change": "removed"}
        sheet = starting_sheet(part, task("missing lines", changes=[change]))
        view = f"v{asked.view_names.index(choice.view) + 1}"
        kept = sheet.view(view).lines or ()
        gone = [line for line in whole.view(view).lines or () if line not in kept]
        (lost,) = [piece_of(line) for line in gone]
        assert lost.kind == choice.piece.kind, place
        for drawn, meant in zip(sorted(lost.ends), sorted(choice.piece.ends), strict=True):
            assert drawn == pytest.approx(meant, abs=1e-6), place


def test_lines_that_cross_in_their_middles_are_told_apart() -> None:
    """Two grooves that cross in the middle of the top: four long edges, each pair with the same middle."""
    cross = projected(
        block((80, 80, 20)),
        block((0.4, 80, 5), (39.8, 0, 15), operation="cut"),
        block((80, 0.4, 5), (0, 39.8, 15), operation="cut"),
        hole((40, 40, 20), "-z", 30),
    )
    asked = task("missing lines")
    points = [(choice.view, choice.at) for choice in choices(cross, asked)]
    assert len({(view, round(x, 4), round(y, 4)) for view, (x, y) in points}) == len(points)
    for choice in choices(cross, asked):
        one = task("missing lines", changes=[{"view": choice.view, "at": choice.at, "change": "removed"}])
        before, after = starting_sheet(cross, asked), starting_sheet(cross, one)
        view = f"v{asked.view_names.index(choice.view) + 1}"
        gone = [line for line in before.view(view).lines or () if line not in (after.view(view).lines or ())]
        assert [round(piece_of(line).length, 4) for line in gone] == [round(choice.piece.length, 4)]
        assert piece_of(gone[0]).kind == choice.piece.kind


@settings(max_examples=15, deadline=None)
@given(st.sampled_from(SLUGS), st.integers(1, 8), st.integers(0, 10_000))
def test_missing_lines_are_only_removed_and_all_different(slug: str, number: int, seed: int) -> None:
    asked = task("missing lines")
    changes = proposed_changes(demo_projected(slug), asked, number, seed)
    assert (
        len({(c.view, c.at) for c in changes}) == len(changes) == min(number, len(choices(demo_projected(slug), asked)))
    )
    assert {c.change for c in changes} == {"removed"}
    assert proposed_changes(demo_projected(slug), asked, number, seed) == changes


@pytest.mark.parametrize("slug", SLUGS)
def test_a_third_view_drawn_well_is_faultless_wherever_it_is_set_down(slug: str) -> None:
    asked = task("third view")
    part = demo_projected(slug)
    sheet = drafted_by_hand(slug, asked, (6.0, 0.0))
    # A drafter's own origin is not the part's: the lines keep their place on paper, the view's origin is elsewhere.
    view = sheet.view("v3")
    strayed = laid(part, sheet.model_copy(update={"views": (*sheet.views[:2], _strayed(view))}), asked.tolerance_mm)
    assert strayed.view("v3").at == pytest.approx(view.at, abs=0.01)
    assert {f.rule for f in check(part, asked, strayed).findings} <= LEFT_OPEN


def _strayed(view: View) -> View:
    back = Similarity(1.0, 0.0, -11.0 / view.scale, 7.0 / view.scale)
    lines = tuple(drafted_of(piece_of(line).moved(back), pen_of(line)) for line in view.lines or ())
    return view.model_copy(update={"at": (view.at[0] + 11.0, view.at[1] - 7.0), "lines": lines})


def test_views_that_stand_where_their_lines_fit_are_left_alone() -> None:
    """Mirrored ones too, such as reading finds them in a file."""
    part = demo_projected("reed-clamp")
    sheet = drafted_by_hand("reed-clamp", task("third view"))
    assert laid(part, sheet, 0.3) == sheet
    view = sheet.view("v3")
    assert view.attitude is not None
    lines = tuple(
        drafted_of(piece, Pen("hidden" if piece.kind == "hidden" else "visible"))
        for piece in mirror_image(part.line_set(view.attitude.look)).of("visible", "hidden")
    )
    mirrored = view.model_copy(update={"mirrored": True, "lines": lines})
    read = sheet.model_copy(update={"views": (*sheet.views[:2], mirrored)})
    assert laid(part, read, 0.3) == read
    unsaid = sheet.model_copy(update={"views": (*sheet.views[:2], mirrored.model_copy(update={"mirrored": False}))})
    assert laid(part, unsaid, 0.3).view("v3").mirrored


def test_a_third_view_out_of_line_is_said_as_such() -> None:
    asked = task("third view")
    sheet = laid(demo_projected("reed-clamp"), drafted_by_hand("reed-clamp", asked, (0.0, 3.0)), 0.3)
    rules = {f.rule for f in check(demo_projected("reed-clamp"), asked, sheet).findings}
    assert "alignment.offset" in rules
    assert {r for r in rules if r.startswith("lines.")} <= {"lines.missing-centre"}


def test_an_empty_third_view_lacks_all_its_lines() -> None:
    asked = task("third view")
    assert "lines.missing-visible" in line_rules(
        "reed-clamp", asked, starting_sheet(demo_projected("reed-clamp"), asked)
    )


def test_what_is_left_to_the_hand_may_not_come_from_the_program() -> None:
    part = demo_projected("reed-clamp")
    asked = task("third view")
    projected_one = starting_sheet(part, asked)
    again = tuple(v.model_copy(update={"lines": None}) for v in projected_one.views)
    assert drawn_for_student(part, asked, projected_one) == ()
    assert drawn_for_student(part, asked, projected_one.model_copy(update={"views": again})) == ("right view",)
    views, _ = model_views(part, task("drafted"))
    assert len(drawn_for_student(part, task("drafted"), SheetDocument(views=views))) == 3
    assert drawn_for_student(part, task("projected"), SheetDocument(views=views)) == ()


@pytest.mark.parametrize(
    "drafting",
    [
        {"kind": "drafted", "left": ["top"]},
        {"kind": "third view", "left": ["rear"]},
        {"kind": "third view", "left": ["front", "top", "right"]},
        {"kind": "third view", "changes": [{"view": "top", "at": [0, 0], "change": "removed"}]},
        {"kind": "missing lines", "changes": [{"view": "top", "at": [0, 0], "change": "shifted"}]},
        {"kind": "projected", "shown": False},
    ],
)
def test_contradicting_kinds_are_refused(drafting: dict[str, object]) -> None:
    with pytest.raises(ValidationError):
        Exercise.model_validate({"drafting": drafting})


def test_a_change_where_there_is_no_line_is_refused_with_its_place() -> None:
    nowhere = task("missing lines", changes=[{"view": "top", "at": [999, 999], "change": "removed"}])
    with pytest.raises(ValueError, match="top view has no line at 999, 999"):
        starting_sheet(demo_projected("reed-clamp"), nowhere)


def test_only_what_is_left_to_draw_counts_where_views_are_given() -> None:
    assert usual_points("wrong lines") == {c: 30 if c == "lines" else 0 for c in usual_points("projected")}
    assert sum(usual_points("third view").values()) == sum(usual_points("projected").values()) == 30
