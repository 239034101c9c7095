"""Rows and columns paired as well as all together can be, against trying every way."""

from itertools import permutations

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from numpy.typing import NDArray

from maqueta.geometry.pairing import best_pairs

tables = st.tuples(st.integers(1, 4), st.integers(1, 4)).flatmap(
    lambda size: st.lists(
        st.lists(st.integers(-9, 9), min_size=size[1], max_size=size[1]), min_size=size[0], max_size=size[0]
    ).map(lambda rows: np.array(rows, dtype=float))
)


@given(tables)
def test_no_other_way_of_pairing_is_better(merit: NDArray[np.float64]) -> None:
    pairs = best_pairs(merit)
    rows, columns = zip(*pairs, strict=True)
    assert len(set(rows)) == len(set(columns)) == len(pairs) == min(merit.shape)
    assert list(rows) == sorted(rows)
    table = merit if merit.shape[0] <= merit.shape[1] else merit.T
    best = max(
        sum(table[row, column] for row, column in enumerate(way))
        for way in permutations(range(table.shape[1]), table.shape[0])
    )
    assert sum(merit[pair] for pair in pairs) == pytest.approx(best)


def test_an_empty_table_has_no_pairs() -> None:
    assert list(best_pairs(np.zeros((0, 3)))) == []
