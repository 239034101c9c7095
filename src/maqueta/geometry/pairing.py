"""Pairs made of the rows and the columns of a table, as well as all together can be."""

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray


def best_pairs(merit: NDArray[np.float64]) -> Sequence[tuple[int, int]]:
    """Rows and columns paired so that their merits (one for each row and column) are the most together.

    Each row and each column is in one pair at most; the shorter ones are all in one. In the order of the rows.
    """
    # What solves it takes a quarter of a second to load, and most sheets never ask.
    from scipy.optimize import linear_sum_assignment

    rows, columns = linear_sum_assignment(merit, maximize=True)
    return list(zip(rows.tolist(), columns.tolist(), strict=True))
