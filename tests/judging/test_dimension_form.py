"""How sizes are written (ISO 129-1, ASME Y14.5, from memory): each case on a part with a hole and a rounded end."""

import math
from typing import Any

import pytest

from maqueta.judging.report import check
from maqueta.sheet.dimension import LinearDimension, RoundDimension
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.view import Square, View
from maqueta.task.dimensioning import DimensioningTask
from maqueta.task.exercise import Exercise
from tests.parts import hole, projected

ROUNDED = [[0, 0], [60, 0], [60, 30], {"through": [30, 60], "to": [0, 30]}]
PART = projected({"kind": "extrude", "plane": "xz", "profile": ROUNDED, "depth": 10}, hole((30, 0, 30), "+y", 12))
TASK = Exercise(dimensioning=DimensioningTask(required=False))
HOLE, END = {"centre": (30, 30), "radius": 6}, {"centre": (30, 30), "radius": 30}


def _variants(dimension: dict[str, Any]) -> list[str]:
    kinds = {"linear": LinearDimension, "diameter": RoundDimension, "radius": RoundDimension}
    made = kinds[dimension["kind"]](id="d1", view="v1", **dimension)
    sheet = SheetDocument(views=(View(id="v1", look=Square(side="-y", up="+z"), at=(100, 100)),), dimensions=(made,))
    return [f.variant for f in check(PART, TASK, sheet).findings if f.rule == "dimensions.form"]


@pytest.mark.parametrize(
    ("dimension", "variants"),
    [
        ({"kind": "diameter", **HOLE}, []),
        ({"kind": "radius", **END}, []),
        ({"kind": "radius", **HOLE}, ["radius"]),
        ({"kind": "diameter", **END}, ["diameter"]),
        # Typed over: what is written counts, not the kind it was placed as.
        ({"kind": "radius", **HOLE, "text": "⌀12"}, []),
        ({"kind": "diameter", **HOLE, "text": "R6"}, ["radius"]),
        ({"kind": "diameter", **HOLE, "text": "12"}, ["sign"]),
        ({"kind": "diameter", **HOLE, "text": "12 DIA"}, []),
        ({"kind": "diameter", **HOLE, "text": "%%c12 THRU"}, []),
        ({"kind": "diameter", **HOLE, "text": "<>"}, []),
        ({"kind": "diameter", **HOLE, "text": "⌀12 TYP"}, ["typical"]),
        ({"kind": "radius", **END, "text": "SR30"}, []),
        ({"kind": "diameter", **HOLE, "text": "see note"}, []),
    ],
)
def test_form_of_round_sizes(dimension: dict[str, Any], variants: list[str]) -> None:
    assert _variants({"place": (70, 70), **dimension}) == variants


def test_typical_is_found_on_straight_sizes_too() -> None:
    straight = {"kind": "linear", "start": (0, 0), "end": (60, 0), "along": "across", "place": (0, -12)}
    assert _variants({**straight, "text": "60 TYP."}) == ["typical"]
    assert _variants(straight) == []


def test_two_alike_arcs_of_one_circle_are_still_arcs() -> None:
    """Opposite corners rounded about one centre: together half a circle, each by its radius."""
    corner = 20 * math.sqrt(0.5)
    first, second = {"through": [corner, corner], "to": [0, 20]}, {"through": [-corner, -corner], "to": [0, -20]}
    lens = [[20, 0], first, [-20, 0], second]
    part = projected({"kind": "extrude", "plane": "xz", "profile": lens, "depth": 10})
    made = RoundDimension(kind="radius", id="d1", view="v1", centre=(0, 0), radius=20, place=(30, 30))
    sheet = SheetDocument(views=(View(id="v1", look=Square(side="-y", up="+z"), at=(100, 100)),), dimensions=(made,))
    assert [f.variant for f in check(part, TASK, sheet).findings if f.rule == "dimensions.form"] == []
