"""Which view of a part a group of lines is, and where it stands: found for any place, scale and order of its lines."""

import random
from collections.abc import Sequence

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from maqueta.geometry.carrier import Similarity
from maqueta.geometry.compare import DrawnPiece
from maqueta.geometry.mirror import mirror_image
from maqueta.projection.attitude import ATTITUDES, Attitude
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.identify import Fit, find_within, identify
from maqueta.solid.unit import MILLIMETRES
from tests.parts import demo_projected

TOLERANCE = 0.3
SCALES = (1.0, 0.5, 2.0)
#: Parts whose six sides all look different, so that there is one right answer.
PLAIN_TO_TELL = ("pedal-hinge", "ratchet-pawl", "tension-wheel")
FRONT = Attitude("-y", "+z")


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
