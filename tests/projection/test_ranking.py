"""Ranking of front views: symmetry, weights, and what the textbook rules give by hand."""

import pytest

from maqueta.demo.workshop import PARTS
from maqueta.projection.attitude import ATTITUDES, USUAL_FRONT, Attitude
from maqueta.projection.likeness import congruent
from maqueta.projection.needed import view_need
from maqueta.projection.ranking import Weights, best_of_side, rank, true_shape, words
from tests.parts import block, demo_projected, hole, projected


@pytest.mark.parametrize("slug", PARTS)
def test_all_24_attitudes_are_ranked_best_first(slug: str) -> None:
    ranking = rank(demo_projected(slug))
    assert {entry.attitude for entry in ranking} == set(ATTITUDES)
    scores = [entry.score for entry in ranking]
    assert scores == sorted(scores, reverse=True)
    assert all(0 <= score <= 100 for score in scores)


@pytest.mark.parametrize("slug", PARTS)
def test_attitudes_that_look_the_same_rank_the_same(slug: str) -> None:
    view = demo_projected(slug)
    ranking = {entry.attitude: entry for entry in rank(view)}
    for entry in ranking.values():
        for twin in entry.equal_to:
            own = entry.measures
            other = ranking[twin].measures
            assert (own.length, own.shape, own.hidden) == pytest.approx((other.length, other.shape, other.hidden))
            assert own.natural == other.natural
            assert congruent(view.line_set(entry.attitude), view.line_set(twin), 1e-3)


def test_cube_looks_the_same_from_everywhere() -> None:
    ranking = rank(projected(block((20, 20, 20)), natural_up=None))
    assert {entry.score for entry in ranking} == {ranking[0].score}
    assert all(len(entry.equal_to) == 23 for entry in ranking)


def test_measures_by_hand() -> None:
    """An L-shaped block pushed along y: 80 long, profile in the xz plane, hidden lines counted by hand.

    Front (−y): the L, no hidden line. Top: the step shows as a visible line. Right: the step's tread is hidden
    behind the high end, one hidden line.
    """
    profile = [[0, 0], [80, 0], [80, 50], [60, 50], [60, 20], [0, 20]]
    view = projected({"kind": "extrude", "plane": "xz", "profile": profile, "depth": 30})
    front = next(entry for entry in rank(view) if entry.attitude == USUAL_FRONT)
    assert front.measures.length == 1
    assert front.measures.shape == 1
    assert front.hidden_lines == 1
    assert front.score == rank(view)[0].score or front.measures.hidden < 1
    assert true_shape(view, "-y") == 2
    assert true_shape(view, "+x") == 0


def test_part_standing_on_its_head_scores_the_natural_points_less() -> None:
    view = projected(block((80, 30, 20)), block((20, 30, 20), (0, 0, 20)))
    ranking = {entry.attitude: entry for entry in rank(view)}
    upright, head = ranking[Attitude("-y", "+z")], ranking[Attitude("-y", "-z")]
    assert (upright.measures.natural, head.measures.natural) == (1, 0)


def test_weights_can_be_set() -> None:
    view = demo_projected("reed-clamp")
    only_length = rank(view, weights=Weights(100, 0, 0, 0))
    assert {entry.across for entry in only_length if entry.score == 100} == {96}


@pytest.mark.parametrize(
    ("slug", "sides"),
    [
        # The U of the jaw and both round holes show from front and rear; 96 lies across.
        ("reed-clamp", {"-y", "+y"}),
        # The round cheek and the bore show along y.
        ("warp-beam-bearing", {"-y", "+y"}),
        # The forked post shows along y.
        ("batten-foot", {"-y", "+y"}),
        # Concentric circles show along the wheel's axis.
        ("tension-wheel", {"-y", "+y"}),
        # The slot and its holes show along y.
        ("heddle-guide", {"-y", "+y"}),
        # The slanted profile of the pawl shows along y.
        ("ratchet-pawl", {"-y", "+y"}),
        # The U of the hinge shows along y; 4 in lies across.
        ("pedal-hinge", {"-y", "+y"}),
    ],
)
def test_best_front_is_the_one_the_textbook_rules_give(slug: str, sides: set[str]) -> None:
    assert rank(demo_projected(slug))[0].attitude.side in sides


def test_tiny_feature_does_not_flip_the_ranking() -> None:
    plain = projected(block((80, 30, 20)), block((20, 30, 20), (0, 0, 20)))
    pricked = projected(block((80, 30, 20)), block((20, 30, 20), (0, 0, 20)), hole((80, 15, 10), "-x", 0.5, 1))
    assert rank(plain)[0].attitude.side == rank(pricked)[0].attitude.side


def test_words_carry_the_numbers() -> None:
    view = demo_projected("reed-clamp")
    best = best_of_side(rank(view), "-y")
    text = " ".join(words(best, view.part))
    assert "96 mm across" in text
    assert f"{best.hidden_lines} hidden lines" in text


def test_a_wheel_needs_two_views_and_its_third_repeats() -> None:
    """Common practice, no source: concentric circles, front and one side view; the top view repeats the side view."""
    need = view_need(demo_projected("tension-wheel"), USUAL_FRONT)
    assert len(need.needed) == 2
    assert need.repeated == (("top", "right"),)


def test_parts_with_holes_three_ways_need_three_views() -> None:
    view = projected(
        block((60, 40, 30)),
        hole((20, 0, 15), "+y", 8),
        hole((40, 20, 30), "-z", 6, 10),
        hole((0, 30, 8), "+x", 5, 10),
    )
    assert view_need(view, USUAL_FRONT).needed == ("front", "top", "right")
