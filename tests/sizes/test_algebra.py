"""Rank, open motions and smallest chains against exact rational elimination of a general algebra library (SymPy)."""

from fractions import Fraction
from itertools import combinations
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from sympy import QQ
from sympy.polys.matrices import DomainMatrix

from maqueta.geometry.directions import AXES
from maqueta.sizes.determinacy import Equation, read
from maqueta.sizes.form.model import FormModel, form_model
from tests.parts import block, hole, made, seven_block
from tests.sizes.counted_parts import COUNTED, extrude

#: Parts whose shape rows are rational at their true sizes.
RATIONAL: dict[str, FormModel] = {
    "stepped block": form_model(seven_block().part),
    "rounded end": form_model(
        made(extrude((0, 0), (60, 0), (60, 30), {"through": [30, 60], "to": [0, 30]}), hole((30, 0, 30), "+y", 12))[1]
    ),
    "wedge": form_model(made(extrude((0, 0), (40, 0), (40, 10), (0, 40)))[1]),
    "block with holes": form_model(
        made(block((80, 40, 20)), hole((20, 15, 20), "-z", 10), hole((60, 15, 20), "-z", 6))[1]
    ),
}


def exact(form: FormModel, rows: list[dict[int, float]]) -> DomainMatrix:
    """Rows as rationals; amounts of this part of the size are fractions of small numbers."""
    matrix = [[QQ(0)] * len(form.unknowns) for _ in rows]
    for place, row in enumerate(rows):
        for index, amount in row.items():
            fraction = Fraction(amount).limit_denominator(10_000)
            matrix[place][index] = QQ(fraction.numerator, fraction.denominator)
    return DomainMatrix(matrix, (len(rows), len(form.unknowns)), QQ)


def shape(form: FormModel) -> list[dict[int, float]]:
    shifts = [dict(enumerate(map(float, shift))) for shift in form.shifts]
    return [*form.rows, *shifts]


@st.composite
def cases(draw: st.DrawFn) -> tuple[FormModel, list[Equation]]:
    form = RATIONAL[draw(st.sampled_from(sorted(RATIONAL)))]
    along = {axis: form.along(axis) for axis in AXES}
    said = []
    for number in range(draw(st.integers(0, 9))):
        axis = draw(st.sampled_from([axis for axis, levels in along.items() if len(levels) > 1]))
        a, b = draw(st.lists(st.sampled_from(along[axis]), min_size=2, max_size=2, unique=True))
        said.append(Equation(f"d{number}", {a: -1.0, b: 1.0}))
    radii = [i for i, unknown in enumerate(form.unknowns) if unknown.kind == "radius"]
    for number in range(draw(st.integers(0, 3)) if radii else 0):
        said.append(Equation(f"r{number}", {draw(st.sampled_from(radii)): 2.0}))
    return form, said


@settings(max_examples=120, deadline=None)
@given(cases())
def test_open_sizes_and_surplus_agree_with_exact_elimination(case: tuple[FormModel, list[Equation]]) -> None:
    form, said = case
    result = read(form, said)
    base = shape(form)
    alone = exact(form, base).rank()
    both = exact(form, [*base, *(e.row for e in said)]).rank()
    assert form.needed == len(form.unknowns) - alone
    assert len(result.open) == len(form.unknowns) - both
    assert len(result.dependent) == len(said) - (both - alone)
    for motion in result.open:
        vector = [0.0] * len(form.unknowns)
        for index, amount in motion.items():
            vector[index] = amount
        for row in [*form.rows, *(e.row for e in said)]:
            assert abs(sum(amount * vector[index] for index, amount in row.items())) < 1e-6


@settings(max_examples=60, deadline=None)
@given(cases())
def test_chains_are_the_smallest_and_none_of_their_members_is_idle(case: tuple[FormModel, list[Equation]]) -> None:
    form, said = case
    base = shape(form)
    alone = exact(form, base).rank()

    def dependent(some: Any) -> bool:
        rows = [*base, *(said[k].row for k in some)]
        return bool(exact(form, rows).rank() - alone < len(some))

    names = [equation.owner for equation in said]
    for chain in read(form, said).chains:
        members = [names.index(owner) for owner in chain.members]
        assert dependent(members)
        assert not any(dependent(fewer) for fewer in combinations(members, len(members) - 1))
        closing = names.index(chain.surplus)
        others = [k for k in range(len(said)) if k != closing]
        for size in range(1, min(len(members), 4) - 1):
            assert not any(dependent((closing, *some)) and not dependent(some) for some in combinations(others, size))


@pytest.mark.parametrize(("features", "needed"), [entry[1:] for entry in COUNTED if "through" not in str(entry[1])])
@pytest.mark.parametrize("factor", [0.0125, 1, 125])
def test_rank_does_not_depend_on_size(features: list[dict[str, Any]], needed: int, factor: float) -> None:
    """From about 1 mm to 10 000 mm across."""
    scaled = [scaled_feature(feature, factor) for feature in features]
    assert form_model(made(*scaled)[1]).needed == needed


def scaled_feature(value: Any, factor: float) -> Any:
    """A feature with every length times a factor; angles and directions stay."""
    if isinstance(value, dict):
        return {k: v if k in ("angle", "axis", "plane") else scaled_feature(v, factor) for k, v in value.items()}
    if isinstance(value, list | tuple):
        return [scaled_feature(item, factor) for item in value]
    return value * factor if isinstance(value, int | float) else value
