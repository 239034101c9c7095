"""Assemblies pulled apart: what can come out does, along ways that are free, and comes to lie beside everything."""

import math
import random
from itertools import combinations

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from maqueta.demo.put_together import ASSEMBLIES
from maqueta.solid.apart import pulled_apart
from maqueta.solid.assembled import assembled
from maqueta.solid.assembly import Assembly, PlacedPart
from maqueta.solid.triangulation import triangulated
from tests.assemblies import demo_assembled
from tests.parts import block, hole, made

Cell = tuple[int, int, int]
WAYS: tuple[Cell, ...] = ((1, 0, 0), (-1, 0, 0), (0, 1, 0), (0, -1, 0), (0, 0, 1), (0, 0, -1))


def ways(slug: str) -> dict[str, tuple[float, float, float] | None]:
    shape, part = demo_assembled(slug)
    return {own.id: own.way for own in pulled_apart(part, triangulated(shape, part))}


def test_a_pedal_comes_apart_along_its_pin() -> None:
    """Solved by hand: the pin's head bars one way, so it goes out on the head's side; then the bush goes with its
    flange first; fork and lever part across the pin."""
    found = ways("pedal")
    assert next(iter(found)) == "pin"
    for name in ("pin", "bush"):
        way = found[name]
        assert way is not None
        assert way[1] < 0
        assert (way[0], way[2]) == (0.0, 0.0)
    assert found["lever"] is None
    fork = found["fork"]
    assert fork is not None
    assert fork[1] == 0.0


def test_wheels_come_off_outwards_before_their_axles() -> None:
    found = ways("shuttle")
    order = list(found)
    assert set(order[:4]) == {"near-left", "near-right", "far-left", "far-right"}
    assert order[-1] == "body"
    for name in order[:4]:
        way = found[name]
        assert way is not None
        assert (way[1] < 0) == name.startswith("near")
        assert (way[0], way[2]) == (0.0, 0.0)


@pytest.mark.parametrize("slug", ASSEMBLIES)
def test_pulled_apart_nothing_is_where_anything_else_is(slug: str) -> None:
    shape, part = demo_assembled(slug)
    mesh = triangulated(shape, part)
    points, faces = np.array(mesh.points).reshape(-1, 3), np.array(mesh.face_of_triangle)
    corners = np.array(mesh.triangles).reshape(-1, 3)
    boxes = {}
    for own in pulled_apart(part, mesh):
        component = next(c for c in part.components if c.id == own.id)
        first, count = component.faces
        mine = (faces >= first) & (faces < first + count)
        there = points[np.unique(corners[mine])] + np.array(own.way or (0, 0, 0))
        boxes[own.id] = (there.min(axis=0), there.max(axis=0))
    for (_, (low, high)), (_, (other_low, other_high)) in combinations(boxes.items(), 2):
        assert np.any(low >= other_high - 1e-9) or np.any(other_low >= high - 1e-9)


def test_what_bars_each_other_stays_and_is_told() -> None:
    """A ball in a closed box cannot come out; a lid beside it can."""
    box = made(block((40, 40, 40)), block((30, 30, 30), (5, 5, 5), operation="cut"))
    solids = {"box": box, "cube": made(block((10, 10, 10))), "lid": made(block((40, 40, 4)))}
    components = (
        PlacedPart(id="box", name="Box", part="box"),
        PlacedPart(id="in", name="Cube", part="cube", at=(12, 13, 5)),
        PlacedPart(id="lid", name="Lid", part="lid", at=(0, 0, 40)),
    )
    shape, part = assembled(Assembly(name="Shut", components=components), solids)
    found = pulled_apart(part, triangulated(shape, part))
    assert [own.id for own in found] == ["lid", "box", "in"]
    assert [own.way is None for own in found] == [False, True, True]
    lid = found[0].way
    assert lid is not None
    assert lid[2] > 0


def test_a_peg_comes_out_of_a_slanted_bore_along_it() -> None:
    """The ways of faces are tried beside the axes: a peg in a bore at 30°."""
    turn = math.radians(30)
    profile = [[0, 0], [60, 0], [60, 30], [0, 30]]
    seat = {"kind": "extrude", "plane": "xz", "profile": profile, "depth": 30, "offset": 0}
    plate = made(seat, hole((30, 15, 30), "-z", 10, 20))
    peg = made({"kind": "boss", "at": (0, 0, 0), "out": "+z", "diameter": 10, "height": 40})
    start = PlacedPart(id="peg", name="Peg", part="peg", at=(30, 15, 10))
    components = [PlacedPart(id="plate", name="Plate", part="plate"), start]
    axis = (0.0, 1.0, 0.0)
    leaning = tuple(own.placed(own.placement.turned((0.0, 0.0, 0.0), axis, math.degrees(turn))) for own in components)
    shape, part = assembled(Assembly(name="Leaning", components=leaning), {"plate": plate, "peg": peg})
    first, _ = pulled_apart(part, triangulated(shape, part))
    assert first.id == "peg"
    assert first.way is not None
    length = math.hypot(*first.way)
    assert [x / length for x in first.way] == pytest.approx([math.sin(turn), 0.0, math.cos(turn)], abs=1e-6)


def cut_up(seed: int) -> list[set[Cell]]:
    """The 27 cells of a cube as connected pieces, by chance."""
    rng = random.Random(seed)
    left = {(x, y, z) for x in range(3) for y in range(3) for z in range(3)}
    pieces: list[set[Cell]] = []
    while left:
        piece = {min(left, key=lambda cell: (rng.random(), cell))}
        left -= piece
        while len(piece) < 6:
            near = sorted({(c[0] + d[0], c[1] + d[1], c[2] + d[2]) for c in piece for d in WAYS} & left)
            if not near:
                break
            cell = rng.choice(near)
            piece.add(cell)
            left.discard(cell)
        pieces.append(piece)
    return pieces


def stuck(pieces: list[set[Cell]]) -> int:
    """How many pieces cannot be taken away one by one along the axes, by the cells alone."""
    left = set(range(len(pieces)))
    while len(left) > 1:
        for own in sorted(left):
            others = {cell for k in left if k != own for cell in pieces[k]}
            if any(
                all((x + n * a, y + n * b, z + n * c) not in others for x, y, z in pieces[own] for n in (1, 2))
                for a, b, c in WAYS
            ):
                left.discard(own)
                break
        else:
            return len(left)
    return 0


@settings(max_examples=15, deadline=None)
@given(st.integers(0, 10_000))
def test_cubes_cut_up_by_chance_come_apart_as_their_cells_say(seed: int) -> None:
    """Against cells counted one by one, which know neither triangles nor lines of sight."""
    pieces = cut_up(seed)
    solids, components = {}, []
    for number, cells in enumerate(pieces):
        features = [block((10, 10, 10), (10 * x, 10 * y, 10 * z)) for x, y, z in _joined(cells)]
        solids[f"p{number}"] = made(*features)
        components.append(PlacedPart(id=f"c{number}", name=f"{number}", part=f"p{number}"))
    shape, part = assembled(Assembly(name="Cut up", components=tuple(components)), solids)
    found = pulled_apart(part, triangulated(shape, part))
    assert sum(own.way is None for own in found) == max(1, stuck(pieces))


def _joined(cells: set[Cell]) -> list[Cell]:
    """Cells in an order in which each touches one before it."""
    order, left = [min(cells)], sorted(cells - {min(cells)})
    while left:
        following = next(c for c in left if any(math.dist(c, before) == 1 for before in order))
        order.append(following)
        left.remove(following)
    return order
