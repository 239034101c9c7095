"""A complete set of sizes without a closed chain: overall sizes, locations from datum sides, diameters."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from maqueta.dimensioning.count import DIRECTIONS, Direction, axis_of_direction
from maqueta.dimensioning.determinacy import Equation, read
from maqueta.dimensioning.size_model import SizeModel
from maqueta.projection.attitude import Attitude


@dataclass(frozen=True, slots=True)
class ProposedSize:
    """One size: between two coordinates along a direction, or a diameter or radius (then `direction` is None)."""

    kind: Literal["linear", "diameter", "radius"]
    direction: Direction | None
    start: float
    end: float
    value: float
    overall: bool


def propose(model: SizeModel, front: Attitude) -> tuple[ProposedSize, ...]:
    """A set that determines every size exactly once. The datum sides are the lowest levels.

    Baseline locations from one side per direction: common practice, no source. Other sets are equally right.
    """
    candidates: list[tuple[ProposedSize, Equation]] = []
    for wanted in (True, False):
        for direction in DIRECTIONS:
            levels = model.along(axis_of_direction(front, direction))
            for level in levels[1:]:
                overall = level == levels[-1]
                if overall == wanted:
                    low, high = model.unknowns[levels[0]].value, model.unknowns[level].value
                    size = ProposedSize("linear", direction, low, high, high - low, overall)
                    candidates.append((size, Equation("", {levels[0]: -1.0, level: 1.0})))
    for direction in DIRECTIONS:
        axis = axis_of_direction(front, direction)
        datum = model.along(axis)[:1]
        for index, unknown in enumerate(model.unknowns):
            if unknown.kind == "centre" and unknown.axis == axis and datum:
                start = model.unknowns[datum[0]].value
                size = ProposedSize("linear", direction, start, unknown.value, unknown.value - start, False)
                candidates.append((size, Equation("", {datum[0]: -1.0, index: 1.0})))
    for bore in model.bores:
        factor = 2 if bore.full else 1
        kind: Literal["diameter", "radius"] = "diameter" if bore.full else "radius"
        size = ProposedSize(kind, None, 0.0, 0.0, factor * bore.radius, False)
        candidates.append((size, Equation("", {bore.radius_unknown: float(factor)})))
    return tuple(_independent(model, candidates))


def _independent(model: SizeModel, candidates: Sequence[tuple[ProposedSize, Equation]]) -> list[ProposedSize]:
    kept: list[tuple[ProposedSize, Equation]] = []
    still_open = read(model, []).needed
    for size, equation in candidates:
        left = len(read(model, [*(e for _, e in kept), equation]).open)
        if left < still_open:
            kept.append((size, equation))
            still_open = left
    return [size for size, _ in kept]
