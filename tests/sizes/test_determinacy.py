"""Needed sizes by hand, chains against a graph library, and the property that makes a set complete."""

import dataclasses
from itertools import pairwise

import networkx as nx
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from maqueta.geometry.directions import AXES
from maqueta.phrases.phrase import phrase
from maqueta.projection.attitude import USUAL_FRONT
from maqueta.sizes.count import count
from maqueta.sizes.determinacy import Equation, read
from maqueta.sizes.form.model import FormModel, beyond, form_model
from tests.parts import block, demo_solid, hole, made, seven_block

ROUNDED = [[0, 0], [60, 0], [60, 30], {"through": [30, 60], "to": [0, 30]}]


def needed_sizes(sizes: FormModel) -> int:
    return sizes.needed


def model(*features: dict[str, object], **rest: object) -> FormModel:
    return form_model(made(*features, **rest)[1])


@pytest.mark.parametrize(
    ("features", "needed"),
    [
        # A block: width, height, depth.
        ([block((80, 40, 20))], 3),
        # A step across the width: one more level in x and one in z.
        ([block((80, 40, 20)), block((30, 40, 20), (0, 0, 20))], 5),
        # A through hole: its two locations and its diameter.
        ([block((80, 40, 20)), hole((20, 15, 20), "-z", 10)], 6),
        # A blind hole: its depth as well.
        ([block((80, 40, 20)), hole((20, 15, 20), "-z", 10, 12)], 7),
        # Two equal holes in line: the second adds one location and its own diameter (a count would imply it).
        ([block((80, 40, 20)), hole((20, 15, 20), "-z", 10), hole((60, 15, 20), "-z", 10)], 8),
        # A counterbored hole is coaxial as drawn: two diameters, two locations, one depth.
        ([block((80, 40, 20)), hole((20, 15, 20), "-z", 6), hole((20, 15, 20), "-z", 12, 5)], 8),
        # A hole through two lugs is one axis and one diameter; the slot between adds two levels and its floor one.
        (
            [
                block((60, 30, 30)),
                block((20, 30, 20), (20, 0, 10), operation="cut"),
                hole((0, 15, 20), "+x", 8),
            ],
            3 + 3 + 3,
        ),
        # A round bar: diameter and length.
        ([{"kind": "revolve", "axis": "z", "profile": [[0, 0], [10, 0], [10, 50], [0, 50]]}], 2),
        # A stepped shaft: two diameters, two lengths.
        (
            [{"kind": "revolve", "axis": "z", "profile": [[0, 0], [10, 0], [10, 20], [6, 20], [6, 50], [0, 50]]}],
            4,
        ),
        # A rounded end: radius and width are one size (tangent both sides), height of its centre, depth.
        ([{"kind": "extrude", "plane": "xz", "profile": ROUNDED, "depth": 10}], 3),
        # The same with a bore in the middle of the rounding: only its diameter is new.
        ([{"kind": "extrude", "plane": "xz", "profile": ROUNDED, "depth": 10}, hole((30, 0, 30), "+y", 12)], 4),
        # A slot with rounded ends: both centres across, one height of its middle, one radius.
        (
            [
                block((80, 40, 10)),
                {
                    "kind": "extrude",
                    "plane": "xy",
                    "profile": [
                        [20, 12],
                        [50, 12],
                        {"through": [58, 20], "to": [50, 28]},
                        [20, 28],
                        {"through": [12, 20], "to": [20, 12]},
                    ],
                    "depth": 10,
                    "operation": "cut",
                },
            ],
            3 + 4,
        ),
        # One rounded corner, tangent to both sides: its radius and nothing else.
        (
            [
                {
                    "kind": "extrude",
                    "plane": "xy",
                    "profile": [
                        [0, 0],
                        [60, 0],
                        [60, 30],
                        {"through": [60 - 10 * (1 - 0.5**0.5), 40 - 10 * (1 - 0.5**0.5)], "to": [50, 40]},
                        [0, 40],
                    ],
                    "depth": 10,
                }
            ],
            4,
        ),
    ],
)
def test_needed_sizes_counted_by_hand(features: list[dict[str, object]], needed: int) -> None:
    assert needed_sizes(model(*features)) == needed


def test_three_two_two_stretches_are_seven_dimensions() -> None:
    """Common practice, no source: three stretches of width, two of height, two of depth take seven dimensions."""
    sizes = form_model(seven_block().part)
    rows = {row.row: (row.stretches, row.needed) for row in count(sizes, USUAL_FRONT)}
    assert rows == {"width": (3, 3), "height": (2, 2), "depth": (2, 2), "angle": (0, 0), "round": (0, 0)}
    assert needed_sizes(sizes) == 7


@pytest.mark.parametrize("factor", [0.001, 0.1, 1, 100])
@pytest.mark.parametrize("units", ["mm", "inch"])
def test_count_does_not_depend_on_size_or_unit(factor: float, units: str) -> None:
    """From 0.1 mm to 10 000 mm."""
    f = factor
    features = [block((100 * f, 60 * f, 30 * f)), hole((20 * f, 15 * f, 30 * f), "-z", 10 * f, 12 * f)]
    assert needed_sizes(model(*features, units=units)) == 7


def test_what_cannot_be_counted_says_why() -> None:
    wavy = dataclasses.replace(demo_solid("tension-wheel")[1].faces[0], kind="other")
    part = dataclasses.replace(demo_solid("tension-wheel")[1], faces=(wavy,))
    assert beyond(part) == phrase("beyond-free-form")
    with pytest.raises(ValueError, match="free-form"):
        form_model(part)


def _baseline(sizes: FormModel) -> list[Equation]:
    """Every level from the first of its axis, every radius: complete for parts without roundings."""
    equations = []
    for axis in AXES:
        levels = sizes.along(axis)
        equations += [Equation(f"{axis}{i}", {levels[0]: -1.0, level: 1.0}) for i, level in enumerate(levels[1:])]
    equations += [
        Equation(f"r{i}", {index: 2.0}) for index, u in enumerate(sizes.unknowns) if u.kind == "radius" for i in [index]
    ]
    return equations


stretches = st.lists(st.integers(3, 20), min_size=2, max_size=5)


@st.composite
def stepped_parts(draw: st.DrawFn) -> FormModel:
    """Stairs on an uneven grid with a few through holes, every coordinate different."""
    steps = draw(st.lists(st.tuples(st.integers(5, 20), st.integers(3, 15)), min_size=1, max_size=4))
    depth = draw(st.integers(20, 50))
    features = []
    x = z = 0
    widths = [w for w, _ in steps]
    for index, (_, rise) in enumerate(steps):
        features.append(block((sum(widths[index:]), depth, rise), (x, 0, z)))
        x, z = x + widths[index], z + rise
    for place in range(draw(st.integers(0, 2))):
        features.append(hole((sum(widths) - 2.25, 5.5 + 7.25 * place, z), "-z", 1.5 + place))
    return model(*features)


@settings(max_examples=25, deadline=None)
@given(stepped_parts(), st.randoms())
def test_removing_any_size_opens_one_motion_adding_any_closes_one_chain(sizes: FormModel, random: object) -> None:
    equations = _baseline(sizes)
    whole = read(sizes, equations)
    assert len(equations) == whole.needed
    assert (whole.open, whole.chains) == ((), ())
    for place in range(len(equations)):
        fewer = read(sizes, equations[:place] + equations[place + 1 :])
        assert len(fewer.open) == 1
        assert fewer.chains == ()
    levels = next(sizes.along(axis) for axis in AXES if len(sizes.along(axis)) >= 2)
    more = read(sizes, [*equations, Equation("extra", {levels[0]: -1.0, levels[-1]: 1.0})])
    assert more.open == ()
    assert len(more.chains) == 1
    random.shuffle(equations)  # type: ignore[attr-defined]
    assert read(sizes, equations) == whole


@st.composite
def level_graphs(draw: st.DrawFn) -> tuple[FormModel, list[Equation]]:
    sizes = form_model(seven_block().part)
    equations = []
    for number in range(draw(st.integers(0, 9))):
        levels = sizes.along(draw(st.sampled_from(AXES)))
        a, b = draw(st.lists(st.sampled_from(levels), min_size=2, max_size=2, unique=True))
        equations.append(Equation(f"d{number}", {a: -1.0, b: 1.0}))
    return sizes, equations


@settings(max_examples=150, deadline=None)
@given(level_graphs())
def test_chains_and_open_sizes_agree_with_a_graph_library(case: tuple[FormModel, list[Equation]]) -> None:
    """Levels are nodes, dimensions edges: open sizes are missing links, chains are independent cycles."""
    sizes, equations = case
    graph: nx.MultiGraph[int] = nx.MultiGraph()
    graph.add_nodes_from(index for index, u in enumerate(sizes.unknowns) if u.kind == "level")
    for equation in equations:
        start, end = equation.row
        graph.add_edge(start, end, key=equation.owner)
    reading = read(sizes, equations)
    components = nx.number_connected_components(graph)
    assert len(reading.open) == components - 3
    independent_cycles = graph.number_of_edges() - graph.number_of_nodes() + components
    assert independent_cycles == sum(1 for _ in nx.cycle_basis(nx.Graph(graph))) + (
        graph.number_of_edges() - nx.Graph(graph).number_of_edges()
    )
    assert (len(reading.chains) > 0) == (independent_cycles > 0)
    for chain in reading.chains:
        loop: nx.MultiGraph[int] = nx.MultiGraph((u, v, k) for u, v, k in graph.edges(keys=True) if k in chain.members)
        assert all(degree == 2 for _, degree in loop.degree())
        assert nx.is_connected(loop)


def test_smallest_chain_is_named_and_overall_sizes_stay() -> None:
    sizes = form_model(seven_block().part)
    x = sizes.along("x")
    row = [Equation(f"s{i}", {a: -1.0, b: 1.0}) for i, (a, b) in enumerate(pairwise(x))]
    overall = Equation("overall", {x[0]: -1.0, x[-1]: 1.0}, overall=True)
    (chain,) = read(sizes, [*row, overall]).chains
    assert set(chain.members) == {"s0", "s1", "s2", "overall"}
    assert chain.surplus != "overall"
    twice = read(sizes, [row[0], Equation("again", row[0].row)]).chains
    assert [set(c.members) for c in twice] == [{"s0", "again"}]


def test_rounded_end_closes_a_chain_with_its_radius() -> None:
    """Centre height, radius and overall height of a rounded end: all three are a chain."""
    sizes = model({"kind": "extrude", "plane": "xz", "profile": ROUNDED, "depth": 10})
    (radius,) = (i for i, u in enumerate(sizes.unknowns) if u.kind == "radius")
    (middle,) = (i for i, u in enumerate(sizes.unknowns) if u.kind == "centre" and u.axis == "z")
    ground = sizes.along("z")[0]
    said = [
        Equation("centre", {ground: -1.0, middle: 1.0}),
        Equation("radius", {radius: 1.0}),
        Equation("height", {ground: -1.0, middle: 1.0, radius: 1.0}),
    ]
    assert [set(c.members) for c in read(sizes, said).chains] == [{"centre", "radius", "height"}]
