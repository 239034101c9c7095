"""The choice among several meanings against trying all of them, in any order of the dimensions."""

from itertools import product

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st
from sympy import Matrix

from maqueta.sizes.determinacy import Equation, read
from maqueta.sizes.form.equations import Array
from maqueta.sizes.matching import chosen_meanings
from tests.sizes.test_algebra import RATIONAL

ROWS = st.lists(st.integers(-2, 2), min_size=4, max_size=4)
MEANINGS = st.lists(st.lists(ROWS, min_size=1, max_size=3), min_size=1, max_size=6)


def unit(rows: list[list[int]]) -> Array:
    array = np.array(rows, dtype=float)
    lengths = np.linalg.norm(array, axis=1, keepdims=True)
    return array / np.where(lengths == 0, 1, lengths)


def best(meanings: list[list[list[int]]]) -> int:
    """The most dimensions that can say something new together: exact ranks (SymPy) of every choice."""
    ranks = (Matrix([list(row) for row in choice]).rank() for choice in product(*meanings))
    return int(max(ranks))


@settings(max_examples=150, deadline=None)
@given(MEANINGS, st.randoms(use_true_random=False))
def test_as_many_as_possible_say_something_new_in_any_order(meanings: list[list[list[int]]], random: object) -> None:
    order = list(range(len(meanings)))
    random.shuffle(order)  # type: ignore[attr-defined]
    taken = chosen_meanings([unit(rows) for rows in meanings], order)
    chosen = [meanings[label][place] for label, place in taken.items()]
    assert len(taken) == best(meanings)
    assert Matrix(chosen).rank() == len(chosen) if chosen else True


def test_an_early_dimension_keeps_its_place_with_another_meaning() -> None:
    """The first could be taken for either axis; the second is about the first axis alone."""
    either, one = unit([[1, 0, 0, 0], [0, 1, 0, 0]]), unit([[1, 0, 0, 0]])
    assert dict(chosen_meanings([either, one], [0, 1])) == {0: 1, 1: 0}
    assert dict(chosen_meanings([either, one], [1, 0])) == {1: 0, 0: 1}


@settings(max_examples=100, deadline=None)
@given(st.data())
def test_verdict_does_not_depend_on_the_order_of_dimensions(data: st.DataObject) -> None:
    form = RATIONAL["block with holes"]
    levels = [form.along("x"), form.along("y")]
    said = []
    for number in range(data.draw(st.integers(1, 8))):
        pairs = st.lists(st.sampled_from(data.draw(st.sampled_from(levels))), min_size=2, max_size=2, unique=True)
        rows = [{a: -1.0, b: 1.0} for a, b in data.draw(st.lists(pairs, min_size=1, max_size=3))]
        said.append(Equation(f"d{number}", rows[0], data.draw(st.booleans()), tuple(rows[1:])))
    usual, other = read(form, said), read(form, data.draw(st.permutations(said)))
    assert usual.open == other.open
    assert len(usual.chains) == len(other.chains)
    assert len(usual.dependent) == len(other.dependent)
