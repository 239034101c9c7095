"""How views hang together: folding, standing in line, fronts; against the closed list of neighbours."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import ValidationError

from maqueta.geometry.box import Box
from maqueta.geometry.frame import between
from maqueta.projection.arrangement import ViewName, Where, angle_of, neighbour, where_stands
from maqueta.projection.attitude import ATTITUDES, Attitude
from maqueta.projection.look import Look
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.view import Aslant, FromCorner, View, square
from maqueta.sheet.view_graph import angle_across, fold, folded, front_of, let_go, shared, with_front
from tests.projection.frames import looks, spread_looks

attitudes = st.sampled_from(ATTITUDES)
bearings = st.floats(0, 2 * math.pi).map(lambda angle: (math.cos(angle), math.sin(angle)))
#: From where each neighbour looks, in the plane of the front view.
SEEN_FROM: dict[ViewName, tuple[float, float]] = {"top": (0, 1), "bottom": (0, -1), "right": (1, 0), "left": (-1, 0)}


@given(attitudes, st.sampled_from(sorted(SEEN_FROM)))
def test_neighbours_are_folded_out_from_the_front(front: Attitude, name: ViewName) -> None:
    assert folded(front.look, SEEN_FROM[name]).same(neighbour(front, name).look)
    assert fold(front.look, neighbour(front, name).look) == pytest.approx(SEEN_FROM[name])


@given(looks(), bearings)
def test_a_folded_view_stands_in_line_across_the_folding_line(parent: Look, towards: tuple[float, float]) -> None:
    child = folded(parent, towards)
    assert fold(parent, child) == pytest.approx(towards, abs=1e-9)
    along = shared(parent, child)
    assert along is not None
    assert along[0] * towards[0] + along[1] * towards[1] == pytest.approx(0, abs=1e-9)
    for point in ((1.0, 2.0, 3.0), (-4.0, 0.5, 2.0)):
        (x, y), (u, v) = parent.seen(point), child.seen(point)
        assert x * along[0] + y * along[1] == pytest.approx(u * along[0] + v * along[1], abs=1e-9)


@given(looks(), bearings)
def test_twice_about_one_line_is_the_view_from_behind(parent: Look, towards: tuple[float, float]) -> None:
    """The rear view hangs on the right one; it stands in line with the front as that does."""
    behind = folded(folded(parent, towards), towards)
    assert [a + b for a, b in zip(behind.towards, parent.towards, strict=True)] == pytest.approx([0, 0, 0], abs=1e-9)
    along = shared(parent, behind)
    assert along is not None
    assert along[0] * towards[0] + along[1] * towards[1] == pytest.approx(0, abs=1e-6)


@given(looks(), bearings, st.floats(0.01, 6.2))
def test_a_view_turned_in_its_plane_is_in_line_with_nothing(
    parent: Look, towards: tuple[float, float], turn: float
) -> None:
    assert shared(parent, folded(parent, towards).turned(turn)) is None
    assert fold(parent, parent.turned(turn)) is None


@given(looks(), bearings)
def test_folding_there_and_back_changes_nothing(parent: Look, towards: tuple[float, float]) -> None:
    back = folded(folded(parent, towards), (-towards[0], -towards[1]))
    assert between(back.frame, parent.frame) < 1e-9


boxes = st.tuples(st.floats(-200, 200), st.floats(-200, 200), st.floats(1, 80), st.floats(1, 80)).map(
    lambda b: (b[0], b[1], b[0] + b[2], b[1] + b[3])
)


@given(boxes, boxes, st.sampled_from(sorted(SEEN_FROM)))
def test_which_angle_a_place_speaks_for_is_the_same_from_the_list(front: Box, other: Box, name: ViewName) -> None:
    listed: Where = where_stands(front, other, name)
    x, y = SEEN_FROM[name]
    reaches = [sorted(x * a + y * b for a, b in (box[:2], box[2:])) for box in (front, other)]
    parent, child = ((low, high) for low, high in reaches)
    assert angle_across(parent, child) == angle_of(name, listed)


FRONT = View(id="v1", look=square(Attitude("-y", "+z")), at=(0, 0))
TOP = View(id="v2", look=square(Attitude("+z", "+y")), parent="v1", at=(0, 80))
SLOPE = View(id="v3", kind="auxiliary", look=Aslant(frame=spread_looks(1)[0].frame), parent="v2", at=(90, 80))
CORNER = View(id="p1", kind="pictorial", look=FromCorner(corner="+-+"), at=(200, 80))


def test_the_front_is_what_others_are_folded_out_from() -> None:
    assert front_of((FRONT, TOP, CORNER)) == "v1"
    assert front_of((FRONT,)) == "v1"
    assert front_of((CORNER,)) is None
    assert front_of(()) is None
    lone = let_go((FRONT, TOP), "v1")
    assert [view.parent for view in lone] == [None, None]
    assert front_of(lone) is None
    other = with_front((FRONT, TOP, SLOPE, CORNER), "v2")
    assert {view.id: view.parent for view in other} == {"v1": "v2", "v2": None, "v3": "v2", "p1": None}
    assert front_of(other) == "v2"


@pytest.mark.parametrize(
    ("views", "why"),
    [
        ((TOP,), "not on the sheet"),
        ((FRONT, CORNER, TOP.model_copy(update={"parent": "p1"})), "no view can be folded out"),
        ((FRONT.model_copy(update={"parent": "v2"}), TOP), "from itself"),
        ((FRONT.model_copy(update={"parent": "v1"}),), "from itself"),
    ],
)
def test_views_that_hang_on_nothing_are_refused(views: tuple[View, ...], why: str) -> None:
    with pytest.raises(ValidationError, match=why):
        SheetDocument(views=views)


@pytest.mark.parametrize(
    "view",
    [
        {"kind": "auxiliary", "look": {"frame": [[1, 0, 0], [0, 1, 0], [0, 0, 2]]}},
        {"kind": "auxiliary", "look": {"frame": [[1, 0, 0], [0, 0, 1], [0, 1, 0]]}},
        {"kind": "auxiliary", "look": {"side": "-y", "up": "+z"}},
        {"kind": "principal", "look": {"corner": "+++"}},
        {"kind": "principal"},
        {"kind": "pictorial", "look": {"corner": "+++"}, "parent": "v1"},
        {"kind": "unrecognised"},
        {"kind": "unrecognised", "look": {"side": "-y", "up": "+z"}, "lines": []},
        {"kind": "section", "look": {"side": "-y", "up": "+z"}},
    ],
)
def test_a_view_looks_as_its_kind_does(view: dict[str, object]) -> None:
    with pytest.raises(ValidationError):
        View.model_validate({"id": "v1", "at": (0, 0), **view})
