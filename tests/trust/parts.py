"""Random teaching parts of five kinds, by number: square, slanted, round, turned, patterned."""

import random
from collections.abc import Callable
from functools import cache
from typing import Any

from maqueta.projection.project import project
from maqueta.projection.projected_part import ProjectedPart
from maqueta.solid.errors import PartError
from maqueta.solid.source import part_of_recipe
from tests.parts import block, hole, recipe
from tests.reading.random_parts import square_features
from tests.sizes.counted_parts import extrude, revolve

Features = list[dict[str, Any]]


def _some(rng: random.Random, low: float, high: float, step: float = 1.0) -> float:
    return low + step * rng.randint(0, int((high - low) / step))


def slanted_features(rng: random.Random) -> Features:
    """A profile with slopes pushed to a depth, perhaps with a hole square to it or down from above."""
    width, height, depth = _some(rng, 60, 110), _some(rng, 30, 60), _some(rng, 20, 50)
    flat, low = _some(rng, 12, width / 2), _some(rng, 8, height / 2)
    kind = rng.choice(["corner", "wedge", "both", "vee", "chamfer"])
    if kind == "corner":
        profile = [(0, 0), (width, 0), (width, low), (flat, height), (0, height)]
    elif kind == "wedge":
        profile = [(0, 0), (width, 0), (flat, height), (0, height)]
    elif kind == "both":
        left = _some(rng, 6, height - 6)
        profile = [(0, 0), (width, 0), (width, low), (width - 14, height), (flat, height), (0, left)]
    elif kind == "vee":
        middle = _some(rng, flat + 10, width - 20)
        profile = [
            (0, 0),
            (width, 0),
            (width, height),
            (middle + 8, height),
            (middle, low),
            (flat, height),
            (0, height),
        ]
    else:
        profile = [(0, 0), (width, 0), (width, height - 5), (width - 5, height), (0, height)]
    features = [extrude(*profile, depth=depth)]
    if rng.random() < 0.6:
        features.append(hole((8, 0, 5), "+y", _some(rng, 4, 6)))
    if rng.random() < 0.5:
        features.append(hole((6, depth / 2 + 3, height), "-z", _some(rng, 4, 7)))
    return features


def round_features(rng: random.Random) -> Features:
    """Round ends, slots, bosses and cross holes on a plate or a bar."""
    kind = rng.choice(["link", "slotted", "bossed", "drilled bar", "rounded"])
    radius = _some(rng, 12, 20)
    if kind == "link":
        length, thick = _some(rng, 40, 70), _some(rng, 8, 14)
        end = {"through": [length + radius, radius], "to": [length, 2 * radius]}
        profile = [(0, 0), (length, 0), end, (0, 2 * radius)]
        return [extrude(*profile, depth=thick), hole((length, 0, radius), "+y", _some(rng, 8, radius))]
    if kind == "slotted":
        width, depth = _some(rng, 70, 100), _some(rng, 40, 60)
        slot = {"kind": "slot", "at": [width / 2 + 4, depth / 2 - 3, 12], "into": "-z", "along": "x"}
        return [block((width, depth, 12)), {**slot, "length": _some(rng, 26, 40), "width": _some(rng, 8, 12)}]
    if kind == "bossed":
        high = _some(rng, 10, 25)
        boss = {"kind": "boss", "at": (30, 22, 10), "out": "+z", "diameter": 2 * radius, "height": high}
        return [block((80, 50, 10)), boss, hole((30, 22, 10 + high), "-z", radius)]
    if kind == "drilled bar":
        length = _some(rng, 50, 80)
        bar = revolve((0, 0), (radius, 0), (radius, length), (0, length))
        deep = "through" if rng.random() < 0.5 else radius
        return [bar, hole((0, -radius, _some(rng, 15, length - 15)), "+y", _some(rng, 5, 9), deep)]
    fillet = {"kind": "fillet", "radius": _some(rng, 5, 9), "edges": [{"near": [70, 0, 15]}, {"near": [70, 50, 15]}]}
    return [block((70, 50, 15)), fillet, hole((20, 18, 15), "-z", _some(rng, 8, 14))]


def turned_features(rng: random.Random) -> Features:
    """A shaft of several diameters, perhaps with a taper, a chamfered end, a bore or a groove."""
    along, profile = 0.0, [(0.0, 0.0)]
    radii = [_some(rng, 8, 24) for _ in range(rng.randint(2, 4))]
    for place, radius in enumerate(radii):
        length = _some(rng, 12, 30)
        profile.append((radius, along))
        if place == len(radii) - 1 and rng.random() < 0.5:
            profile += [(radius, along + length - 2), (radius - 2, along + length)]
        elif rng.random() < 0.25:
            profile.append((radius + 3, along + length))
        else:
            profile.append((radius, along + length))
        along += length
    profile.append((0.0, along))
    features = [revolve(*profile, axis=rng.choice(["x", "z"]))]
    if rng.random() < 0.5:
        deep: float | str = round(along / 3) if rng.random() < 0.5 else "through"
        features.append(hole((0.0, 0.0, 0.0), f"+{features[0]['axis']}", 2 * (min(radii) - 5), deep))
    return features


def patterned_features(rng: random.Random) -> Features:
    """A flange with holes on a circle, or a plate with rows of holes."""
    if rng.random() < 0.6:
        radius, count = _some(rng, 30, 45), rng.choice([3, 4, 5, 6, 7, 8])
        thick, hub = _some(rng, 8, 14), _some(rng, 10, 15)
        body = revolve((0, 0), (radius, 0), (radius, thick), (hub, thick), (hub, thick + 16), (0, thick + 16))
        first = hole((0, radius - 9, 0), "+z", _some(rng, 5, 8), "through")
        around = {"kind": "repeat", "of": ["hole 1"], "count": count, "about": "z", "at": [0, 0, 0]}
        return [body, first, around]
    width, depth, thick = _some(rng, 80, 110), _some(rng, 30, 50), _some(rng, 8, 14)
    count = rng.choice([3, 4, 5])
    row = {"kind": "repeat", "of": ["hole 1"], "count": count, "step": [(width - 24) / (count - 1), 0, 0]}
    return [block((width, depth, thick)), hole((12, depth / 2, thick), "-z", _some(rng, 5, 9)), row]


KINDS: dict[str, Callable[[random.Random], Features]] = {
    "square": square_features,
    "slanted": slanted_features,
    "round": round_features,
    "turned": turned_features,
    "patterned": patterned_features,
}


@cache
def part_by_number(kind: str, seed: int) -> ProjectedPart:
    """A part of a kind by its number; throws that make no part are thrown again."""
    rng = random.Random(f"{kind} {seed}")
    while True:
        try:
            return project(*part_of_recipe(recipe(*KINDS[kind](rng), natural_up="+z")))
        except PartError:
            continue
