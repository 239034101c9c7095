"""Which view of a part a group of lines is, and where it stands: found for any place, scale and order of its lines."""

import random
from collections.abc import Sequence

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from maqueta.geometry.carrier import Circle, Line, Similarity, line_through
from maqueta.geometry.compare import DrawnPiece
from maqueta.geometry.line_set import Piece
from maqueta.geometry.mirror import mirror_image
from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.projection.attitude import ATTITUDES, Attitude
from maqueta.projection.project import project
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.content import Stroke, Style
from maqueta.reading.delivered import expectation, read_delivered
from maqueta.reading.identify import Fit, find_within, identify
from maqueta.reading.kinds import Kind
from maqueta.reading.view_groups import view_groups
from maqueta.solid.unit import MILLIMETRES
from maqueta.task.exercise import Exercise
from tests.assemblies import component_solid
from tests.parts import demo_projected
from tests.reading.dxf_writer import CONVENTIONS, drawn_lines, write_sheet

TOLERANCE = 0.3
SCALES = (1.0, 0.5, 2.0)
#: Parts whose six sides all look different, so that there is one right answer.
PLAIN_TO_TELL = ("pedal-hinge", "ratchet-pawl", "tension-wheel")
FRONT = Attitude("-y", "+z")
PLAIN = Style("", (), "", False, None, 0)


def drawn(
    part: ProjectedPart, attitude: Attitude, scale: float, at: tuple[float, float], mirrored: bool = False
) -> list[DrawnPiece]:
    """A view as it comes from a file: visible and hidden lines at a scale and a place."""
    lines = part.line_set(attitude.look)
    lines = mirror_image(lines) if mirrored else lines
    move = Similarity(scale * MILLIMETRES[part.part.unit], 0.0, *at)
    return [DrawnPiece(piece.moved(move)) for piece in lines.of("visible", "hidden")]


def found(part: ProjectedPart, group: Sequence[DrawnPiece]) -> list[Fit]:
    return identify(part, group, SCALES, TOLERANCE, hidden=True)


def looks_like(part: ProjectedPart, fit: Fit, attitude: Attitude) -> bool:
    """Whether a fit shows the very lines of an attitude, be it under another name."""
    if fit.identity.attitude is None:
        return False
    own, other = (
        sorted((p.kind, round(p.length, 6)) for p in part.line_set(a.look).of("visible", "hidden"))
        for a in (fit.identity.attitude, attitude)
    )
    return own == other


@settings(max_examples=40)
@given(
    st.sampled_from(PLAIN_TO_TELL),
    st.sampled_from(ATTITUDES),
    st.sampled_from(SCALES),
    st.tuples(st.floats(0, 300), st.floats(0, 200)),
    st.randoms(use_true_random=False),
)
def test_a_whole_view_is_known_wherever_it_stands(
    slug: str, attitude: Attitude, scale: float, at: tuple[float, float], order: random.Random
) -> None:
    part = demo_projected(slug)
    group = drawn(part, attitude, scale, at)
    order.shuffle(group)
    best, *others = found(part, group)
    assert looks_like(part, best, attitude)
    assert best.disagreement < 1e-6
    assert best.scale == pytest.approx(scale)
    assert all(other.disagreement >= best.disagreement for other in others)
    same = next(fit for fit in [best, *others] if fit.identity.attitude == attitude and not fit.identity.mirrored)
    assert same.at == pytest.approx(at, abs=TOLERANCE)


@settings(max_examples=15)
@given(st.randoms(use_true_random=False), st.sampled_from(PLAIN_TO_TELL[:2]))
def test_a_few_forgotten_lines_change_the_disagreement_not_the_view(order: random.Random, slug: str) -> None:
    part = demo_projected(slug)
    whole = drawn(part, FRONT, 1.0, (50.0, 60.0))
    shorter = sorted(whole, key=lambda item: item.piece.length)[: len(whole) // 2]
    forgotten = order.sample(shorter, 2)
    best = found(part, [item for item in whole if item not in forgotten])[0]
    assert looks_like(part, best, FRONT)
    assert 0 < best.disagreement < 0.5


def test_a_mirror_image_is_known_as_one() -> None:
    part = demo_projected("shuttle-rest")
    best = found(part, drawn(part, FRONT, 1.0, (100.0, 80.0), mirrored=True))[0]
    assert best.identity.mirrored
    assert best.disagreement < 1e-6


def test_lines_of_another_part_fit_no_view() -> None:
    stranger = drawn(demo_projected("tension-wheel"), FRONT, 1.0, (0.0, 0.0))
    assert found(demo_projected("pedal-hinge"), stranger) == []


def test_what_can_be_no_view_is_not_looked_at() -> None:
    part = demo_projected("pedal-hinge")
    group = drawn(part, FRONT, 1.0, (0.0, 0.0))
    level = [item for item in group if item.piece.length > 5][:1]
    assert found(part, level) == []
    assert found(part, group * 200) == []


def test_a_view_is_found_among_other_lines() -> None:
    part = demo_projected("pedal-hinge")
    own = drawn(part, FRONT, 1.0, (100.0, 100.0))
    clutter = [
        DrawnPiece(item.piece.moved(Similarity(1.0, 0.0, 40.0, -7.0)))
        for item in drawn(demo_projected("ratchet-pawl"), FRONT, 1.0, (100.0, 100.0))
    ]
    seen = find_within(part, [*clutter, *own], SCALES, TOLERANCE)
    assert seen is not None
    assert looks_like(part, seen.fit, FRONT)
    assert seen.fit.at == pytest.approx((100.0, 100.0), abs=TOLERANCE)
    assert set(range(len(clutter), len(clutter) + len(own))) <= seen.members
    assert find_within(part, clutter, SCALES, TOLERANCE) is None
    assert find_within(part, [*clutter, *own], SCALES, TOLERANCE, suits=lambda box: box[0] > 1000) is None


@pytest.mark.parametrize("slug", ["cube-piece-d", "shuttle-axle"])
def test_what_looks_alike_from_several_sides_is_what_stands_there(slug: str) -> None:
    """A bar looks the same from the front, from above and from behind: nobody was asked for a rear view."""
    part = project(*component_solid(slug))
    task = Exercise.model_validate({"paper": "A2", "pictorial": "unwanted"})
    sheet = model_sheet(part, task, Drafter("A. Tester", "Evening 2", "2026-11-28"))
    data = write_sheet(part, sheet, CONVENTIONS[0], drawn_lines(part, sheet))
    read = read_delivered(data, part, task).document
    survey = check(part, task, read).survey
    assert set(survey.names.values()) == {"front", "top", "right"}
    assert not [own for own in check(part, task, read).findings if own.severity == "error"]


def test_a_pictorial_is_known_though_its_small_ellipses_were_read_as_arcs() -> None:
    """Of a picture; arcs that are like holes of the part in size alone say nothing about where it stands."""
    part = demo_projected("batten-foot")
    look = part.corner("+-+")
    move = Similarity(1.0, 0.0, 406.92, 295.57)
    lines = [p.moved(move) for p in part.line_set(look).of("visible") if isinstance(p.carrier, Line)]
    # As they were traced on a scan: centre, radius, from where to where.
    traced = (
        (450.27, 323.38, 1.66, 2.1, 3.68),
        (451.96, 324.32, 2.59, 1.49, 2.86),
        (467.25, 314.44, 3.82, 4.88, 6.15),
        (469.78, 314.92, 1.49, 5.65, 7.75),
        (471.56, 312.1, 4.57, 1.98, 3.14),
        (486.73, 285.02, 3.79, 1.54, 2.5),
        (487.4, 289.55, 5.29, 3.88, 5.11),
        (487.83, 284.1, 4.81, 0.71, 1.75),
        (489.56, 286.77, 1.98, 4.68, 6.49),
    )
    arcs = [Piece("visible", Circle(x, y, r), (low, high), (), ()) for x, y, r, low, high in traced]
    best = found(part, [DrawnPiece(piece) for piece in (*reversed(lines), *arcs)])[0]
    assert str(best.identity.look) == "corner='+-+' turn=0"
    assert best.at == pytest.approx((406.92, 295.57), abs=TOLERANCE)


def test_a_view_that_is_torn_apart_is_one_view() -> None:
    """Of a picture: the lines of its upper half begin a little above the lower one."""
    part = demo_projected("treadle-bracket")
    move = Similarity(2.0, 0.0, 96.7, 92.6)
    torn = [_beginning_above(p.moved(move), 132.6, 0.6) for p in part.line_set(FRONT.look).of("visible", "hidden")]
    strokes = [Stroke(piece, PLAIN) for piece in torn]
    kinds: list[Kind] = ["hidden" if piece.kind == "hidden" else "visible" for piece in torn]
    asked = expectation(part, Exercise.model_validate({"views": ["front", "top", "right"], "paper": "A2"}))
    (whole,) = view_groups(strokes, kinds, range(len(strokes)), frozenset(), part, (2.0, 1.0), asked)
    assert len(whole.members) == len(torn)
    assert looks_like(part, whole.fits[0], FRONT)
    # Far from it nobody knows what it is.
    apart = [_beginning_above(p.moved(move), 132.6, 6.0) for p in part.line_set(FRONT.look).of("visible", "hidden")]
    far = [Stroke(piece, PLAIN) for piece in apart]
    assert len(view_groups(far, kinds, range(len(far)), frozenset(), part, (2.0, 1.0), asked)) == 2


def _beginning_above(piece: Piece, height: float, gap: float) -> Piece:
    """An upright line that goes up from a height without its beginning; any other as it is."""
    (x, y), (u, v) = sorted(piece.ends, key=lambda end: end[1])
    if abs(x - u) > 1e-6 or y < height - 0.1 or v - y < 2 * gap:
        return piece
    return Piece(piece.kind, *line_through((x, y + gap), (u, v)), (), ())
