"""Hidden lines of 200 random parts against a ray-caster on a mesh: boxes, slants, cylinders and where they meet."""

import random
from typing import Any

import pytest

from maqueta.geometry.directions import SIDES
from maqueta.projection.attitude import usual
from maqueta.projection.hidden_lines import HiddenLines
from maqueta.solid.errors import PartError
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part
from tests.parts import block, hole, made
from tests.projection.ray_caster import disagreement, mesh_of

PARTS = 200
BATCH = 25
#: The part of the judged length that may disagree, all parts of a batch together.
ALLOWED = 1e-3


def _features(rng: random.Random) -> list[dict[str, Any]]:
    def size(low: float = 8, high: float = 40) -> float:
        return round(rng.uniform(low, high), 1)

    width, depth, height = size(30, 80), size(25, 60), size(15, 40)
    features: list[dict[str, Any]] = [block((width, depth, height))]
    for _ in range(rng.randint(1, 3)):
        kind = rng.choice(["step", "slant", "hole", "boss", "cross hole"])
        x, y = size(5, width - 8), size(5, depth - 8)
        if kind == "step":
            cut = (width - x, depth if rng.random() < 0.6 else y, height / 2)
            features.append(block(cut, (x, 0, height / 2), operation="cut"))
        elif kind == "slant":
            rise = size(4, height - 4)
            wedge = [[0, height], [0, height - rise], [x, height]]
            features.append(
                {"kind": "extrude", "plane": "xz", "profile": wedge, "depth": depth, "operation": "cut", "offset": 0}
            )
        elif kind == "hole":
            features.append(hole((x, y, height), "-z", size(4, 12), "through" if rng.random() < 0.7 else height / 2))
        elif kind == "cross hole":
            features.append(hole((x, 0, height / 2), "+y", size(4, min(10, height - 6))))
        else:
            features.append(
                {"kind": "boss", "at": (x, y, height), "out": "+z", "diameter": size(8, 20), "height": size(5, 20)}
            )
    return features


def random_solid(seed: int) -> tuple[Shape, Part]:
    """A part by its number; throws that make no part are thrown again."""
    rng = random.Random(seed)
    while True:
        try:
            return made(*_features(rng))
        except PartError:
            continue


@pytest.mark.parametrize("first", range(0, PARTS, BATCH))
def test_visibility_of_random_parts(first: int) -> None:
    wrong = judged = 0.0
    for seed in range(first, first + BATCH):
        shape, part = random_solid(seed)
        view, solid = HiddenLines(shape, part), mesh_of(shape, part)
        for side in random.Random(seed).sample(SIDES, 2):
            look = usual(side).look
            bad, total = disagreement(part, view.line_set(look), look, solid)
            wrong, judged = wrong + bad, judged + total
    assert judged > BATCH * 200
    assert wrong / judged < ALLOWED, f"{wrong:.2f} of {judged:.0f}"
