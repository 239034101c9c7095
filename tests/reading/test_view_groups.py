"""Which groups of lines are views, and which are strays of one near by."""

import pytest

from maqueta.geometry.carrier import Point, line_through
from maqueta.geometry.line_set import Piece
from maqueta.reading.candidates import Identity
from maqueta.reading.content import Stroke, Style
from maqueta.reading.identify import Fit
from maqueta.reading.view_groups import Group, box_of_strokes, without_strays
from maqueta.sheet.view import FromCorner, Square

FRONT = Identity(Square(side="-y", up="+z"))
PICTORIAL = Identity(FromCorner(corner="+++", turn=60))


def line(first: Point, last: Point) -> Stroke:
    return Stroke(Piece("visible", *line_through(first, last), (), ()), Style("", (), "", False, None, 0))


def square(left: float, bottom: float, side: float) -> list[Stroke]:
    corners = [(left, bottom), (left + side, bottom), (left + side, bottom + side), (left, bottom + side)]
    return [line(corners[k], corners[(k + 1) % 4]) for k in range(4)]


#: Two views, 100 mm wide and high, and a small thing at the second.
STROKES = [*square(0, 0, 100), *square(150, 0, 100), *square(255, 50, 5)]


def groups(identity: Identity | None, scale: float) -> list[Group]:
    fits = [
        (Fit(FRONT, 2.0, (0, 0), 0.0),),
        (Fit(FRONT, 2.0, (150, 0), 0.0),),
        (Fit(identity, scale, (255, 50), 0.2),) if identity is not None else (),
    ]
    members = [tuple(range(4 * k, 4 * k + 4)) for k in range(3)]
    return [Group(own, box_of_strokes(STROKES, own), fit) for own, fit in zip(members, fits, strict=True)]


@pytest.mark.parametrize("identity", [None, PICTORIAL])
def test_a_little_thing_that_is_like_no_view_is_a_stray_of_the_nearest(identity: Identity | None) -> None:
    kept = without_strays(groups(identity, 0.08), STROKES)
    assert [len(own.members) for own in kept] == [4, 8]


@pytest.mark.parametrize(("identity", "scale"), [(PICTORIAL, 2.0), (FRONT, 0.08), (FRONT, 2.0)])
def test_a_little_view_in_the_scale_of_the_others_is_one(identity: Identity, scale: float) -> None:
    kept = without_strays(groups(identity, scale), STROKES)
    assert [len(own.members) for own in kept] == [4, 4, 4]
