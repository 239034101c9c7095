"""Drawn views against expected ones: exact differences, their kinds, and what is a little off its place."""

import math
from itertools import pairwise

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from maqueta.geometry.carrier import TURN, Circle, Ellipse, Similarity, line_through
from maqueta.geometry.compare import Comparison, DrawnPiece, Expected, compare
from maqueta.geometry.line_set import LineKind, LineSet, Piece
from maqueta.geometry.mirror import mirror_image
from maqueta.projection.attitude import USUAL_FRONT
from tests.parts import demo_projected

TOLERANCE, REACH = 0.3, 5.0
SLUGS = ("reed-clamp", "warp-beam-bearing", "batten-foot", "pedal-hinge")


def line(x0: float, y0: float, x1: float, y1: float, kind: LineKind = "visible", edge: int = 0) -> Piece:
    carrier, interval = line_through((x0, y0), (x1, y1))
    return Piece(kind, carrier, interval, (edge,), ())


def circle(
    x: float, y: float, radius: float, kind: LineKind = "visible", reach: tuple[float, float] = (0, TURN)
) -> Piece:
    return Piece(kind, Circle(x, y, radius), reach, (9,), ())


def result(expected: list[Piece], drawn: list[Piece], **how: bool) -> Comparison:
    return compare(LineSet(tuple(expected)), [DrawnPiece(p) for p in drawn], TOLERANCE, REACH, **how)


def lengths(pieces: tuple[Piece, ...]) -> list[float]:
    return [round(piece.length, 6) for piece in pieces]


@pytest.mark.parametrize("slug", SLUGS)
def test_a_view_agrees_with_itself_in_any_order_and_any_cutting(slug: str) -> None:
    lines = demo_projected(slug).line_set(USUAL_FRONT.look)
    halves = []
    for piece in reversed(lines.of("visible", "hidden")):
        (start, end), middle = piece.interval, sum(piece.interval) / 2
        halves += [Piece(piece.kind, piece.carrier, part, (), ()) for part in ((middle, end), (start, middle))]
    found = compare(lines, [DrawnPiece(p) for p in halves], TOLERANCE, REACH)
    assert (found.missing, found.extra, found.wrong, found.displaced) == ((), (), (), ())
    assert found.disagreement == 0


@pytest.mark.parametrize("slug", SLUGS)
def test_every_line_left_out_is_missing_and_nothing_else(slug: str) -> None:
    part = demo_projected(slug).part
    lines = demo_projected(slug).line_set(USUAL_FRONT.look).of("visible", "hidden")
    tolerance = 0.001 * part.size
    for gone in (piece for piece in lines if piece.length > 5 * tolerance):
        found = compare(LineSet(lines), [DrawnPiece(p) for p in lines if p is not gone], tolerance, 0)
        assert sum(lengths(found.missing)) == pytest.approx(gone.length, rel=1e-4)
        assert {piece.edges for piece in found.missing} == {gone.edges}
        assert (found.extra, found.wrong) == ((), ())


def test_stretches_are_exact() -> None:
    found = result([line(0, 0, 100, 0, edge=3)], [line(0, 0, 30, 0), line(55, 0, 120, 0)])
    assert lengths(found.missing) == [25.0]
    assert found.missing[0].interval == pytest.approx((30, 55))
    assert found.missing[0].edges == (3,)
    assert lengths(found.extra) == [20.0]


def test_precedence_and_wrong_kinds() -> None:
    # A visible line lies over a hidden one (ISO 128-2, ASME Y14.2, from memory): drawing both is no fault.
    both = [line(0, 0, 50, 0), line(0, 0, 50, 0, "hidden")]
    assert result([line(0, 0, 50, 0)], both).disagreement < 0.5
    assert result([line(0, 0, 50, 0)], both).wrong == ()
    found = result([line(0, 0, 50, 0)], [line(0, 0, 20, 0), line(20, 0, 50, 0, "hidden")])
    assert (lengths(found.wrong), found.missing, found.extra) == ([30.0], (), ())
    found = result([line(0, 0, 50, 0, "hidden")], [line(0, 0, 50, 0)])
    assert (lengths(found.wrong), found.wrong[0].kind) == ([50.0], "hidden")


def test_hidden_lines_that_are_not_asked_for() -> None:
    wanted = [line(0, 0, 50, 0), line(0, 10, 50, 10, "hidden")]
    assert result(wanted, wanted[:1], hidden=False).missing == ()
    assert result(wanted, wanted, hidden=False).extra == ()
    assert lengths(result(wanted, wanted[:1]).missing) == [50.0]


@pytest.mark.parametrize(("shift", "kind"), [(0.2, "same"), (2.0, "displaced"), (4.9, "displaced"), (6.0, "apart")])
def test_a_line_a_little_off_is_one_finding(shift: float, kind: str) -> None:
    found = result([line(0, 0, 40, 0)], [line(0, shift, 40, shift)])
    if kind == "displaced":
        (pair,) = found.displaced
        assert pair.shift == pytest.approx((0.0, shift))
        assert (found.missing, found.extra) == ((), ())
    else:
        expected = [] if kind == "same" else [40.0]
        assert (lengths(found.missing), lengths(found.extra), found.displaced) == (expected, expected, ())


def test_neighbours_of_a_displaced_line_are_not_blamed() -> None:
    wanted = [line(0, 0, 40, 0), line(40, 0, 40, 30), line(0, 30, 40, 30), line(0, 0, 0, 30)]
    drawn = [line(0, 0, 42, 0), line(42, 0, 42, 30), line(0, 30, 42, 30), line(0, 0, 0, 30)]
    found = result(wanted, drawn)
    assert [pair.shift for pair in found.displaced] == [pytest.approx((2.0, 0.0))]
    assert (found.missing, found.extra) == ((), ())


def test_circles_by_angle_and_by_place() -> None:
    found = result([circle(0, 0, 10)], [circle(0, 0, 10, reach=(0.0, 1.5 * math.pi))])
    assert lengths(found.missing) == [pytest.approx(5 * math.pi, abs=1e-5)]
    found = result([circle(0, 0, 10)], [circle(3, 0, 10)])
    assert [pair.shift for pair in found.displaced] == [pytest.approx((3, 0))]
    assert lengths(result([circle(0, 0, 10)], [circle(0, 0, 12)]).missing) == [pytest.approx(20 * math.pi, abs=1e-5)]


def test_curves_drawn_as_chords_agree() -> None:
    ellipse = Piece("visible", Ellipse(0, 0, 30, 12, 0.4), (0.0, TURN), (1,), ())
    points = [ellipse.carrier.point(TURN * k / 90) for k in range(91)]
    chords = [line(*p, *q) for p, q in pairwise(points)]
    assert result([ellipse], chords).disagreement == 0
    found = result([ellipse], chords[:45])
    assert sum(lengths(found.missing)) == pytest.approx(ellipse.length / 2, rel=0.02)


def test_smooth_transition_drawn_as_an_edge() -> None:
    wanted = [line(0, 0, 50, 0), line(0, 10, 50, 10, "smooth")]
    found = result(wanted, [line(0, 0, 50, 0), line(0, 10, 50, 10)])
    assert (lengths(found.smooth), found.extra, found.missing) == ([50.0], (), ())


def test_a_dash_may_hide_the_end_of_a_hidden_line() -> None:
    wanted = LineSet((line(0, 0, 4.4, 0, "hidden"),))
    dash = line(0, 0, 3, 0, "hidden")
    assert lengths(compare(wanted, [DrawnPiece(dash)], TOLERANCE, REACH).missing) == [1.4]
    assert compare(wanted, [DrawnPiece(dash, short=1.5)], TOLERANCE, REACH).missing == ()
    either = DrawnPiece(line(0, 0, 4.4, 0), either=True)
    assert compare(wanted, [either], TOLERANCE, REACH).wrong == ()


@settings(max_examples=60, deadline=None)
@given(
    st.floats(-50, 50),
    st.floats(-50, 50),
    st.floats(0.2, 5),
    st.integers(0, 3),
    st.sampled_from(SLUGS),
    st.integers(0, 99),
)
def test_moves_of_the_plane_change_nothing(x: float, y: float, scale: float, turn: int, slug: str, gone: int) -> None:
    lines = demo_projected(slug).line_set(USUAL_FRONT.look).of("visible", "hidden")
    left = [p for k, p in enumerate(lines) if k != gone % len(lines)]
    quarter = Similarity.quarter(turn)
    move = Similarity(scale * quarter.a, scale * quarter.b, x, y)
    plain = compare(LineSet(lines), [DrawnPiece(p) for p in left], TOLERANCE, REACH)
    moved = compare(
        LineSet(lines).moved(move), [DrawnPiece(p.moved(move)) for p in left], TOLERANCE * scale, REACH * scale
    )
    assert moved.disagreement == pytest.approx(plain.disagreement, abs=1e-6)


@pytest.mark.parametrize("slug", SLUGS)
def test_mirror_image_of_a_mirror_image_is_the_view(slug: str) -> None:
    lines = demo_projected(slug).line_set(USUAL_FRONT.look)
    twice = mirror_image(mirror_image(lines))
    found = compare(lines, [DrawnPiece(p) for p in twice.of("visible", "hidden")], 1e-3, 0)
    assert found.disagreement == 0


@pytest.mark.parametrize("both", [True, False])
def test_a_hidden_line_closer_to_a_visible_one_than_the_tolerance_is_no_matter(both: bool) -> None:
    """A pin in its hole: their outlines are a tenth apart, and one of them is hidden."""
    edge, rim = line(0, 0, 40, 0), line(10, 0.2, 20, 0.2, "hidden")
    found = result([edge, rim], [edge, rim] if both else [edge])
    assert (found.missing, found.wrong, found.extra) == ((), (), ())


CURVED = [
    line(0, 0, 40, 0),
    circle(20, 15, 8),
    circle(20, 15, 4, "hidden"),
    Piece("visible", Ellipse(70, 15, 12, 6, 0.4), (0, TURN), (4,), ()),
    Piece("hidden", Ellipse(70, 15, 6, 3, 0.4), (0.2, 2.9), (5,), ()),
    line(90, 0, 90, 30, "smooth"),
]


@given(gone=st.sets(st.integers(0, 5), max_size=3), as_chords=st.booleans(), hidden=st.booleans())
def test_what_is_kept_for_many_drawings_is_the_same_for_each(gone: set[int], as_chords: bool, hidden: bool) -> None:
    """What is compared with many drawings, at several scales, is compared with each as if it were the only one."""
    many = Expected(LineSet(tuple(CURVED)))
    for tolerance in (0.1, 0.3, 0.1):
        for kind in ("visible", "hidden"):
            left = [piece for place, piece in enumerate(CURVED) if place not in gone and piece.kind == kind]
            drawn = [DrawnPiece(line(*p, *q)) for own in left[1:] for p, q in pairwise(own.outline()) if as_chords]
            drawn += [DrawnPiece(piece) for piece in (left[:1] if as_chords else left)]
            alone = compare(LineSet(tuple(CURVED)), drawn, tolerance, 0.0, hidden)
            assert compare(many, drawn, tolerance, 0.0, hidden) == alone


@given(
    gone=st.sets(st.integers(0, 5), max_size=4),
    off=st.tuples(st.floats(-3, 3), st.floats(-3, 3)),
    beyond=st.floats(0.0, 1.0),
    hidden=st.booleans(),
)
def test_what_agrees_well_enough_is_compared_to_the_end(
    gone: set[int], off: tuple[float, float], beyond: float, hidden: bool
) -> None:
    """Only what disagrees more than is of interest may be given up: then it is said to disagree at least as much."""
    expected = LineSet(tuple(CURVED))
    # The smooth edge is drawn, too: what lies on it is no difference.
    left = [piece for place, piece in enumerate(CURVED) if place not in gone]
    drawn = [DrawnPiece(piece.moved(Similarity(1.0, 0.0, *off))) for piece in left]
    whole = compare(expected, drawn, TOLERANCE, 0.0, hidden)
    quick = compare(expected, drawn, TOLERANCE, 0.0, hidden, beyond=beyond)
    if whole.disagreement <= beyond:
        assert quick == whole
    else:
        assert quick.disagreement >= whole.disagreement


def test_what_is_given_up_is_left_as_if_nothing_lay_on_its_curves() -> None:
    curve = Piece("visible", Ellipse(0, 0, 12, 6, 0.0), (0, TURN), (), ())
    other = Piece("visible", Ellipse(0, 0, 12, 6.5, 0.0), (0, TURN), (), ())
    drawn = [DrawnPiece(other)]
    whole = compare(LineSet((curve,)), drawn, TOLERANCE, 0.0)
    assert 0.3 < whole.disagreement < 0.9
    given_up = compare(LineSet((curve,)), drawn, TOLERANCE, 0.0, beyond=0.2)
    assert (given_up.missing, given_up.extra) == ((curve,), (other,))
    assert compare(LineSet((curve,)), drawn, TOLERANCE, 0.0, beyond=0.9) == whole


def test_a_hidden_line_under_a_visible_one_that_should_not_be_there_is_of_the_wrong_kind() -> None:
    found = result([line(0, 0, 8, 0), line(10, 0, 20, 0, "hidden")], [line(0, 0, 20, 0)])
    [piece] = found.wrong
    assert piece.kind == "hidden"
    assert piece.interval == pytest.approx((10, 20))
