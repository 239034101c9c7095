"""Angles, chamfers and callouts as equations: what completes a sheet, what closes a chain."""

import math

import pytest

from maqueta.projection.attitude import Attitude, usual
from maqueta.sheet.dimension import (
    AngleDimension,
    ChamferDimension,
    Dimension,
    LinearDimension,
    RoundDimension,
    angle_of,
    chamfer_of,
)
from maqueta.sizes.determinacy import Reading, read
from maqueta.sizes.form.model import form_model
from maqueta.sizes.measure import measure
from maqueta.sizes.sighted import Sighted
from maqueta.solid.part import Part
from tests.parts import block, hole, made
from tests.sizes.counted_parts import extrude, revolve

FRONT, TOP = usual("-y"), usual("+z")
WEDGE = made(extrude((0, 0), (60, 0), (0, 30), depth=10))[1]


def across(a: tuple[float, float], b: tuple[float, float], text: str | None = None) -> LinearDimension:
    return LinearDimension(id=f"a{a}{b}"[:1], view="v", start=a, end=b, along="across", place=(0, 0), text=text)


def up(a: tuple[float, float], b: tuple[float, float]) -> LinearDimension:
    return LinearDimension(id="u", view="v", start=a, end=b, along="up", place=(0, 0))


def diameter(centre: tuple[float, float], size: float, text: str | None = None, count: int = 1) -> RoundDimension:
    return RoundDimension(
        kind="diameter", id="r", view="v", centre=centre, radius=size / 2, place=(0, 0), text=text, count=count
    )


def reading(part: Part, *said: tuple[Attitude, Dimension]) -> Reading:
    form = form_model(part)
    named = [(a, d.model_copy(update={"id": f"d{i}"})) for i, (a, d) in enumerate(said)]
    return read(form, [e for a, d in named for e in measure(Sighted(form, part, a.look), d).equations])


DEPTH = (TOP, up((0, 0), (0, 10)))
BASE, HEIGHT = (FRONT, across((0, 0), (60, 0))), (FRONT, up((0, 0), (0, 30)))
TIP = AngleDimension(id="w", view="v", vertex=(60, 0), start=(0, 30), end=(0, 0), place=(20, 0))


#: The overall sizes of a block 80 × 40 × 20, and the place of a hole 20 from the left and 15 from the front.
WHOLE = ((FRONT, across((0, 0), (80, 0))), (FRONT, up((0, 0), (0, 20))), (TOP, up((0, 0), (0, 40))))
HOLE = ((TOP, across((0, 0), (20, 15))), (TOP, up((0, 0), (20, 15))))


def test_the_angle_of_a_wedge_stands_for_its_height() -> None:
    assert angle_of(TIP) == pytest.approx(math.degrees(math.atan2(30, 60)))
    assert reading(WEDGE, BASE, DEPTH, (FRONT, TIP)).open == ()
    assert reading(WEDGE, HEIGHT, DEPTH, (FRONT, TIP)).open == ()
    assert len(reading(WEDGE, BASE, DEPTH).open) == 1
    (chain,) = reading(WEDGE, BASE, HEIGHT, DEPTH, (FRONT, TIP)).chains
    assert len(chain.members) == 3


def test_both_angles_of_a_wedge_are_one_size() -> None:
    """Together they make 90°, as drawn."""
    other = TIP.model_copy(update={"vertex": (0, 30), "start": (0, 0), "end": (60, 0)})
    result = reading(WEDGE, BASE, DEPTH, (FRONT, TIP), (FRONT, other))
    assert [set(c.members) for c in result.chains] == [{"d2", "d3"}]


def test_a_right_angle_need_not_be_written() -> None:
    square = TIP.model_copy(update={"vertex": (0, 0), "start": (60, 0), "end": (0, 30)})
    result = reading(WEDGE, BASE, HEIGHT, DEPTH, (FRONT, square))
    assert [c.members for c in result.chains] == [("d3",)]


def test_the_angle_of_a_cone() -> None:
    """Frustum: two diameters and a height, or one diameter, the height and the angle."""
    part = made(revolve((0, 0), (20, 0), (10, 40), (0, 40)))[1]
    wide, length = (FRONT, across((-20, 0), (20, 0))), (FRONT, up((0, 0), (0, 40)))
    slopes = AngleDimension(id="w", view="v", vertex=(0, 80), start=(-10, 40), end=(10, 40), place=(0, 0))
    lean = AngleDimension(id="w", view="v", vertex=(20, 0), start=(10, 40), end=(0, 0), place=(0, 0))
    assert len(reading(part, wide, length).open) == 1
    for angle in (slopes, lean):
        assert reading(part, wide, length, (FRONT, angle)).open == ()
    assert len(reading(part, wide, length, (FRONT, slopes), (FRONT, lean)).chains) == 1


def test_a_chamfer_is_two_sizes() -> None:
    """A chamfered shaft: diameter, length, leg and angle."""
    part = made(revolve((0, 0), (20, 0), (20, 48), (18, 50), (0, 50)))[1]
    bevel = ChamferDimension(id="c", view="v", start=(18, 50), end=(20, 48), place=(0, 0))
    assert chamfer_of(bevel) == pytest.approx((2, 45))
    said = (FRONT, across((-20, 0), (20, 0))), (FRONT, up((0, 0), (0, 50)))
    assert len(reading(part, *said).open) == 2
    assert reading(part, *said, (FRONT, bevel)).open == ()
    along = LinearDimension(id="x", view="v", start=(20, 48), end=(18, 50), along="up", place=(0, 0), text="2 × 45°")
    assert reading(part, *said, (FRONT, along)).open == ()
    assert len(reading(part, *said, (FRONT, along.model_copy(update={"text": None}))).open) == 1


def test_a_count_of_chamfers_says_all_of_them() -> None:
    """A block with both upper edges bevelled: width, height, depth, a leg of each, and the slope of both, which are
    drawn square to each other."""
    part = made(extrude((0, 0), (60, 0), (60, 25), (55, 30), (5, 30), (0, 25), depth=10))[1]
    said = (FRONT, across((0, 0), (60, 0))), (FRONT, up((0, 0), (0, 30))), DEPTH
    bevel = ChamferDimension(id="c", view="v", start=(55, 30), end=(60, 25), place=(0, 0))
    assert form_model(part).needed == 6
    assert (reading(part, *said).needed, reading(part, *said).least, len(reading(part, *said).open)) == (6, 5, 2)
    assert reading(part, *said, (FRONT, bevel.model_copy(update={"count": 2}))).open == ()
    other = bevel.model_copy(update={"start": (0, 25), "end": (5, 30)})
    each = reading(part, *said, (FRONT, bevel), (FRONT, other))
    assert (each.open, each.chains) == ((), ())
    twice = reading(part, *said, (FRONT, bevel), (FRONT, other), (FRONT, bevel))
    assert [set(c.members) for c in twice.chains] == [{"d3", "d5"}]


@pytest.mark.parametrize("text", ["⌀8 ⌵⌀16 × 90°", "8 DIA CSK 90° × 16 DIA"])
def test_a_countersink_in_one_callout(text: str) -> None:
    part = made(block((80, 40, 20)), {**hole((20, 15, 20), "-z", 8), "countersink": {"diameter": 16, "angle": 90}})[1]
    said = [*WHOLE, *HOLE]
    assert len(reading(part, *said, (TOP, diameter((20, 15), 8))).open) == 2
    assert reading(part, *said, (TOP, diameter((20, 15), 8, text))).open == ()
    rim = diameter((20, 15), 16, "⌵⌀16 × 90°")
    assert reading(part, *said, (TOP, diameter((20, 15), 8)), (TOP, rim)).open == ()


def test_a_counterbore_in_one_callout() -> None:
    part = made(block((80, 40, 20)), hole((20, 15, 20), "-z", 6), hole((20, 15, 20), "-z", 12, 5))[1]
    said = [*WHOLE, *HOLE]
    assert reading(part, *said, (TOP, diameter((20, 15), 6, "⌀6 THRU ⌴⌀12 ↧5"))).open == ()
    assert len(reading(part, *said, (TOP, diameter((20, 15), 6, "⌀6 THRU ⌴⌀12"))).open) == 1


def test_the_same_depth_beside_each_of_two_holes_is_no_chain() -> None:
    """The bottoms are at one level and so one size; a depth beside each diameter is customary all the same."""
    part = made(block((80, 40, 20)), hole((20, 15, 20), "-z", 6, 8), hole((60, 15, 20), "-z", 6, 8))[1]
    said = [
        *WHOLE,
        (TOP, across((0, 0), (20, 15))),
        (TOP, across((0, 0), (60, 15))),
        (TOP, up((0, 0), (20, 15))),
    ]
    holes = [(TOP, diameter(at, 6, "⌀6 ↧8")) for at in ((20, 15), (60, 15))]
    result = reading(part, *said, *holes)
    assert (result.open, result.chains, result.dependent, len(result.idle)) == ((), (), (), 1)


def test_a_groove_located_by_its_centre() -> None:
    """Width and depth of the groove and the place of its middle, where no line is drawn but its centre line."""
    part = made(block((80, 40, 20)), block((10, 40, 8), (30, 0, 12), operation="cut"))[1]
    said = [
        *WHOLE,
        (FRONT, across((30, 20), (40, 20))),
        (FRONT, up((0, 0), (35, 12))),
    ]
    middle = (FRONT, across((0, 0), (35, 14)))
    assert len(reading(part, *said).open) == 1
    assert reading(part, *said, middle).open == ()
    assert len(reading(part, *said, middle, (FRONT, across((0, 0), (30, 20)))).chains) == 1


FLANGE = made(
    revolve((10, 0), (40, 0), (40, 8), (10, 8)),
    *(hole((30 * math.cos(k * math.pi / 3 + 0.2), 30 * math.sin(k * math.pi / 3 + 0.2), 8), "-z", 6) for k in range(6)),
)[1]


def test_a_pitch_circle_places_all_holes_evenly_on_it() -> None:
    """Rim, bore and thickness; one diameter for six holes, one for the circle through their centres."""
    at = (30 * math.cos(0.2), 30 * math.sin(0.2))
    said: list[tuple[Attitude, Dimension]] = [
        (TOP, diameter((0, 0), 80)),
        (TOP, diameter((0, 0), 20)),
        (FRONT, up((-40, 0), (-40, 8))),
        (TOP, diameter(at, 6, count=6)),
    ]
    pitch = diameter((0, 0), 60).model_copy(update={"pitch": True})
    assert len(reading(FLANGE, *said).open) == 12
    whole = reading(FLANGE, *said, (TOP, pitch))
    assert (whole.open, whole.chains) == ((), ())
    twice = reading(FLANGE, *said, (TOP, pitch), (TOP, pitch))
    assert [set(c.members) for c in twice.chains] == [{"d4", "d5"}]
    assert len(reading(FLANGE, *said[:3], (TOP, diameter(at, 6)), (TOP, pitch)).open) == 5
