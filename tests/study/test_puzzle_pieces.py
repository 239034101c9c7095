"""A puzzle of cubes in five pieces, solved by hand on squared paper: levels, sizes and good front views of each piece.

Cells are counted from the lower left front corner of the puzzle, 20 mm each.
"""

import pytest

from maqueta.study.demands import Demands, demands
from tests.judging.set_scenes import pedal_part

Cell = tuple[int, int, int]
#: Each piece by its cells, read off the three layers of the puzzle.
CELLS: dict[str, set[Cell]] = {
    "a": {(0, 0, 0), (0, 0, 1), (0, 1, 1), (0, 0, 2), (1, 0, 2), (0, 1, 2)},
    "b": {(2, 0, 0), (1, 0, 1), (2, 0, 1), (2, 0, 2), (2, 1, 2), (2, 2, 2)},
    "c": {(1, 0, 0), (1, 1, 0), (2, 1, 0), (1, 2, 0), (1, 2, 1)},
    "d": {(2, 2, 0), (1, 1, 1), (2, 1, 1), (2, 2, 1), (1, 1, 2)},
    "e": {(0, 1, 0), (0, 2, 0), (0, 2, 1), (0, 2, 2), (1, 2, 2)},
}
#: Stretches along x, y and z, counted on paper: where a face lies, the outline changes level.
STRETCHES = {"a": (2, 2, 3), "b": (2, 2, 3), "c": (2, 3, 2), "d": (2, 2, 3), "e": (2, 2, 3)}
#: Sides to begin from, and why.
FRONTS = {
    # The cell on the right of the top lies nearest to the reader: only from there does it hide nothing behind it.
    "a": {"+x"},
    # The column with its stub makes a T from both ends of the arm; from behind, the arm hides no line.
    "b": {"-y", "+y"},
    # Three in a row with the stub beside it are a T from above, and the cell on top is seen as a square.
    "c": {"+z"},
    # A step to both sides, with nothing behind a step, from either of the two sides on which the pieces meet.
    "d": {"-y", "+x"},
    # The long column with a foot and a head: from here both stand out before it.
    "e": {"-y", "+x"},
}


def faces_along(cells: set[Cell], axis: int) -> set[int]:
    """The levels at which a cell has a free side across an axis."""
    levels = set()
    for cell in cells:
        for side in (0, 1):
            beside = list(cell)
            beside[axis] += 1 if side else -1
            if tuple(beside) not in cells:
                levels.add(cell[axis] + side)
    return levels


def found(piece: str) -> Demands:
    return demands(pedal_part(f"cube-piece-{piece}"))


@pytest.mark.parametrize("piece", sorted(CELLS))
def test_levels_counted_on_paper_are_those_of_the_cells(piece: str) -> None:
    assert tuple(len(faces_along(CELLS[piece], axis)) - 1 for axis in range(3)) == STRETCHES[piece]


@pytest.mark.parametrize("piece", sorted(CELLS))
def test_every_piece_takes_as_many_sizes_as_it_has_stretches(piece: str) -> None:
    """Counting stretches (common practice, no source): seven for each of the five."""
    own = found(piece)
    assert own.sizes == sum(STRETCHES[piece]) == 7
    assert sorted(row.stretches for row in own.counts if row.stretches) == sorted(STRETCHES[piece])
    assert pedal_part(f"cube-piece-{piece}").part.volume == pytest.approx(len(CELLS[piece]) * 20**3)


@pytest.mark.parametrize("piece", sorted(CELLS))
def test_the_best_front_view_is_one_that_was_chosen_by_hand(piece: str) -> None:
    ranking = found(piece).ranking
    best = {own.attitude.side for own in ranking if own.score >= ranking[0].score - 1e-6}
    assert best <= FRONTS[piece]
