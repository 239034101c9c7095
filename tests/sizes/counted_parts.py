"""Parts whose sizes are counted by hand in a comment: name, features, number of sizes."""

import math
from typing import Any

from tests.parts import block, hole


def extrude(*profile: object, depth: float = 10, plane: str = "xz", **rest: Any) -> dict[str, Any]:
    return {"kind": "extrude", "plane": plane, "profile": list(profile), "depth": depth, **rest}


def revolve(*profile: object, axis: str = "z") -> dict[str, Any]:
    return {"kind": "revolve", "axis": axis, "profile": list(profile)}


BLOCK = block((80, 40, 20))
#: Half of the square root of two.
R = math.sqrt(0.5)
COUNTED: list[tuple[str, list[dict[str, Any]], int]] = [
    # Width, height, depth.
    ("block", [BLOCK], 3),
    # A wedge: base, height, depth; the slope follows from them.
    ("wedge", [extrude((0, 0), (60, 0), (0, 30))], 3),
    # A wedge with a flat on top: base, flat, height, depth.
    ("wedge with a flat", [extrude((0, 0), (60, 0), (20, 30), (0, 30))], 4),
    # A slope between a short and a long upright side: base, both heights, depth.
    ("slope over uprights", [extrude((0, 0), (60, 0), (60, 10), (0, 30))], 4),
    # Slope from a flat to an upright: base, flat, both heights, depth.
    ("one corner cut", [extrude((0, 0), (80, 0), (80, 20), (30, 50), (0, 50))], 5),
    # Both upper corners cut unequally: base, height, depth and two sizes for each corner.
    ("two corners cut", [extrude((0, 0), (80, 0), (80, 30), (70, 50), (20, 50), (0, 35))], 7),
    # A triangle leaning both ways: base, height, where the ridge stands, depth.
    ("leaning ridge", [extrude((0, 0), (60, 0), (25, 30))], 4),
    # A slanted bar of parallel sides: both ends level, its height, its lean and thickness across, depth.
    ("parallelogram", [extrude((0, 0), (40, 0), (60, 30), (20, 30))], 4),
    # Cylinder: diameter and length.
    ("cylinder", [revolve((0, 0), (10, 0), (10, 50), (0, 50))], 2),
    # A cone to a point: diameter and height.
    ("cone", [revolve((0, 0), (20, 0), (0, 40))], 2),
    # A cone cut off: two diameters and the height.
    ("frustum", [revolve((0, 0), (20, 0), (10, 40), (0, 40))], 3),
    # A shaft with a chamfered end: diameter, length, and two sizes of the chamfer.
    ("chamfered shaft", [revolve((0, 0), (20, 0), (20, 48), (18, 50), (0, 50))], 4),
    # A shaft with a taper between two diameters: two diameters, three lengths.
    ("tapered shaft", [revolve((0, 0), (20, 0), (20, 20), (10, 40), (10, 60), (0, 60))], 5),
    # A half ball on a pin of its own diameter: diameter and length.
    (
        "round-nosed pin",
        [revolve((0, 0), (10, 0), (10, 30), {"through": [10 * R, 30 + 10 * R], "to": [0, 40]})],
        2,
    ),
    # A ball: its diameter.
    (
        "ball",
        [
            revolve(
                (0, -10), {"through": [10 * R, -10 * R], "to": [10, 0]}, {"through": [10 * R, 10 * R], "to": [0, 10]}
            )
        ],
        1,
    ),
    # A domed bolt head, the dome larger than the pin: diameter, length, and the radius of the dome.
    (
        "dome",
        [revolve((0, 0), (8, 0), (8, 14), {"through": [10 * math.sin(0.45), 8 + 10 * math.cos(0.45)], "to": [0, 18]})],
        3,
    ),
    # A boss whose foot is rounded: two diameters, two heights, the fillet's radius.
    (
        "boss with a rounded foot",
        [
            revolve(
                (0, 0),
                (30, 0),
                (30, 10),
                (15, 10),
                {"through": [15 - 3 * R, 13 - 3 * R], "to": [12, 13]},
                (12, 30),
                (0, 30),
            )
        ],
        5,
    ),
    # Square hole in line with the sides: its place and both its sizes.
    ("block with a pocket", [BLOCK, block((20, 10, 20), (10, 10, 0), operation="cut")], 7),
    # A hole: two places and a diameter.
    ("hole", [BLOCK, hole((20, 15, 20), "-z", 10)], 6),
    # A rounded end: radius is half the width, centre height, depth.
    ("rounded end", [extrude((0, 0), (60, 0), (60, 30), {"through": [30, 60], "to": [0, 30]})], 3),
    # An arc that is not tangent: width, the height of either side (only a centre line makes them equal), radius, depth.
    ("arched top", [extrude((0, 0), (60, 0), (60, 30), {"through": [30, 40], "to": [0, 30]})], 5),
    # A countersunk hole: two places, its diameter, and the sink's diameter and angle.
    (
        "countersunk hole",
        [BLOCK, {**hole((20, 15, 20), "-z", 8), "countersink": {"diameter": 16, "angle": 90}}],
        8,
    ),
    # A shaft with a rounded shoulder edge: two diameters, two lengths, the rounding.
    (
        "rounded shoulder",
        [
            revolve(
                (0, 0),
                (20, 0),
                (20, 17),
                {"through": [17 + 3 * R, 17 + 3 * R], "to": [17, 20]},
                (8, 20),
                (8, 50),
                (0, 50),
            )
        ],
        5,
    ),
    # A ring: outer diameter of the coil and its thickness.
    ("coil ring", [revolve((20, -3), {"through": [23, 0], "to": [20, 3]}, {"through": [17, 0], "to": [20, -3]})], 2),
    # A six-sided bar, opposite sides parallel: two slopes, four of its six sides (the others close it), length.
    ("six-sided bar", [extrude((0, 15), (10, 0), (30, 0), (40, 15), (30, 30), (10, 30))], 7),
    # One corner rounded: the radius alone.
    (
        "one rounded corner",
        [
            extrude(
                (0, 0),
                (60, 0),
                (60, 30),
                (10, 30),
                {"through": [10 - 10 * R, 20 + 10 * R], "to": [0, 20]},
            )
        ],
        4,
    ),
    # An angle: both legs, both thicknesses, length.
    ("angle section", [extrude((0, 0), (60, 0), (60, 10), (10, 10), (10, 50), (0, 50))], 5),
    # A tee: width, both sides of the web, height of the foot, whole height, length.
    (
        "tee section",
        [extrude((0, 0), (60, 0), (60, 10), (40, 10), (40, 50), (20, 50), (20, 10), (0, 10))],
        6,
    ),
    # A leaning vee in a block: the block's three, both edges of the vee, and where its bottom is, across and down.
    ("vee", [extrude((0, 0), (80, 0), (80, 40), (60, 40), (35, 25), (20, 40), (0, 40))], 7),
    # A square vee, its sides drawn square to each other: one size less.
    ("square vee", [extrude((0, 0), (80, 0), (80, 40), (60, 40), (40, 20), (20, 40), (0, 40))], 6),
    # A shaft with a groove; both ends are drawn on one line and have one diameter: two diameters, three lengths.
    (
        "grooved shaft",
        [revolve((0, 0), (20, 0), (20, 20), (16, 20), (16, 25), (20, 25), (20, 60), (0, 60))],
        5,
    ),
    # A tube: two diameters and the length.
    ("tube", [revolve((10, 0), (20, 0), (20, 50), (10, 50))], 3),
    # A cone at either end of a shaft: one diameter, three lengths.
    ("pointed at both ends", [revolve((0, 0), (20, 30), (20, 60), (0, 80))], 4),
    # A dovetail: the block's three, its depth, both edges of the opening and both of the bottom.
    (
        "dovetail",
        [extrude((0, 0), (80, 0), (80, 30), (55, 30), (62, 15), (20, 15), (25, 30), (0, 30))],
        8,
    ),
    # Two holes that cross in space: three sizes each.
    ("crossing holes", [BLOCK, hole((20, 15, 20), "-z", 10), hole((0, 30, 8), "+x", 6)], 9),
]
