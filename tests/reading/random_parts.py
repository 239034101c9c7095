"""Random teaching parts: blocks on uneven grids with steps, slots and holes, all square to the axes."""

import random
from functools import cache
from typing import Any

from maqueta.projection.project import project
from maqueta.projection.projected_part import ProjectedPart
from maqueta.solid.errors import PartError
from maqueta.solid.recipe import Recipe
from maqueta.solid.source import part_of_recipe
from tests.parts import block, hole, recipe


def _levels(rng: random.Random, count: int) -> list[float]:
    levels = [0.0]
    for _ in range(count):
        levels.append(levels[-1] + rng.choice([8.0, 9.5, 11.0, 12.5, 14.0, 17.0, 20.0, 23.5]))
    return levels


def square_features(rng: random.Random) -> list[dict[str, Any]]:
    """A block on an uneven grid with steps, slots and holes."""
    xs, ys, zs = _levels(rng, rng.randint(3, 5)), _levels(rng, rng.randint(2, 3)), _levels(rng, rng.randint(2, 3))
    features = [block((xs[-1], ys[-1], zs[-1]))]
    for _ in range(rng.randint(1, 3)):
        i = rng.randint(0, len(xs) - 2)
        j = rng.randint(i + 1, len(xs) - 1)
        if (i, j) == (0, len(xs) - 1):
            continue
        k = rng.randint(1, len(zs) - 2)
        whole = rng.random() < 0.6
        y0, y1 = (0.0, ys[-1]) if whole else rng.choice([(0.0, ys[1]), (ys[-2], ys[-1])])
        features.append(block((xs[j] - xs[i], y1 - y0, zs[-1] - zs[k]), (xs[i], y0, zs[k]), operation="cut"))
    for _ in range(rng.randint(0, 2)):
        i = rng.randint(0, len(xs) - 2)
        width = xs[i + 1] - xs[i]
        diameter = rng.choice([4.0, 5.0, 6.0])
        at = (xs[i] + width / 2, ys[0] + (ys[1] - ys[0]) / 2, zs[-1])
        features.append(hole(at, "-z", min(diameter, width - 3)))
    if rng.random() < 0.5:
        low = zs[1] / 2
        j = rng.randint(0, len(xs) - 2)
        features.append(hole(((xs[j] + xs[j + 1]) / 2, 0.0, low), "+y", min(5.0, zs[1] - 3)))
    if rng.random() < 0.4:
        i = rng.randint(0, len(xs) - 2)
        at = ((xs[i] + xs[i + 1]) / 2, (ys[-2] + ys[-1]) / 2, zs[-1])
        features.append(hole(at, "-z", 3.0, (zs[-1] - zs[-2]) / 2 + 0.25))
    return features


@cache
def random_part(seed: int) -> ProjectedPart:
    """A part by its number; the same number gives the same part."""
    return project(*part_of_recipe(random_recipe(seed)))


@cache
def random_recipe(seed: int) -> Recipe:
    """The recipe of a part by its number."""
    rng = random.Random(seed)
    while True:
        attempt = recipe(*square_features(rng), natural_up="+z")
        try:
            part_of_recipe(attempt)
            return attempt
        except PartError:
            # A hole in what a step has taken away cuts nothing; the next throw will do.
            continue
