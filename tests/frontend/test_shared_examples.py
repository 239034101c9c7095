"""What the interface computes by itself is held to the core's own answers: examples both sides read.

With MAQUETA_WRITE_TABLES set the examples are written anew.
"""

import json
import math
import os
from pathlib import Path
from typing import Any, Final, get_args

from maqueta.drawing.pens import DASHES, WIDTHS
from maqueta.geometry.directions import SIDES, Vector
from maqueta.projection.arrangement import ViewName, neighbour
from maqueta.projection.attitude import ATTITUDES, CORNERS, Attitude, AxisTurn, from_corner
from maqueta.projection.datum_sides import SIDES as DATUM_SIDES
from maqueta.projection.look import Look
from maqueta.sheet.dimension import AngleDimension, angle_of
from maqueta.sheet.fields import TitleField
from maqueta.sheet.paper import PaperSize
from maqueta.sheet.set_down import auxiliary_of, section_of, sight_of
from maqueta.sheet.special import CuttingLine, Hatch
from maqueta.sheet.view import Aslant, FromCorner, Square, View, ViewLook, square
from maqueta.sheet.view_graph import front_of, let_go, with_front
from maqueta.solid.placement import Placement
from maqueta.task.criteria import CRITERIA
from maqueta.task.exercise import FilledField
from tests.projection.frames import spread_looks

PAGE: Final = Path(__file__).parents[2] / "frontend" / "tests" / "examples.json"
POINT: Final = (3.0, -1.0, 2.0)
#: The view that comes to the front when the part is tipped so on the turntable: tipped to the left it shows its right.
TIPPED: Final[dict[str, ViewName]] = {"left": "right", "right": "left", "up": "bottom", "down": "top"}


def attitude(own: Attitude) -> dict[str, str]:
    return {"side": own.side, "up": own.up}


def seen(look: Look) -> list[float]:
    return [round(value, 9) + 0.0 for value in look.seen(POINT)]


def attitudes() -> list[dict[str, Any]]:
    return [
        {
            "attitude": attitude(own),
            "right": own.right,
            "turned": attitude(own.turned(1)),
            "tipped": {way: attitude(neighbour(own, name)) for way, name in TIPPED.items()},
        }
        for own in ATTITUDES
    ]


def standings() -> list[dict[str, Any]]:
    """Components turned about axes of their assembly, and where a point of the part is before and after."""
    start = Placement(at=(12.5, -7.0, 3.0)).turned((1.0, 2.0, 3.0), (0.6, 0.0, 0.8), 35.0)
    found = []
    for axis in range(3):
        for degrees in (90.0, -90.0, 180.0, 22.5):
            about = (4.0, 5.0, -6.0)
            along: Vector = tuple(float(k == axis) for k in range(3))  # type: ignore[assignment]
            turned = start.turned(about, along, degrees)
            found.append(
                {
                    "start": {"axes": start.axes, "at": start.at},
                    "about": about,
                    "axis": axis,
                    "degrees": degrees,
                    "turned": {"axes": turned.axes, "at": turned.at},
                    "point": POINT,
                    "there": turned.point(POINT),
                }
            )
    return found


def looks() -> list[dict[str, Any]]:
    """Looks as views have them, with the direction that is up in pictorial views, and where a point is seen."""
    found: list[tuple[ViewLook, str, Look]] = [(square(own), "+z", own.look) for own in ATTITUDES]
    found += [(Aslant(frame=look.frame), "+z", look) for look in spread_looks(6)]
    for corner in CORNERS:
        for up in SIDES:
            turn: AxisTurn = get_args(AxisTurn)[SIDES.index(up)]
            look = from_corner(corner, up).turned(turn * math.pi / 180)
            found.append((FromCorner(corner=corner, turn=turn), up, look))
    return [{"look": own.model_dump(mode="json"), "up": up, "seen": seen(look)} for own, up, look in found]


def views(*parents: str | None) -> tuple[View, ...]:
    looks_square = Square(side="-y", up="+z")
    return tuple(View(id=f"v{k + 1}", look=looks_square, parent=parent, at=(0, 0)) for k, parent in enumerate(parents))


def graphs() -> list[dict[str, Any]]:
    pictorial = View(id="p1", kind="pictorial", look=FromCorner(corner="+++"), at=(0, 0))
    cases = [
        (),
        (pictorial,),
        views(None),
        views(None, None),
        views(None, "v1", "v1"),
        views("v2", None, "v2", None),
        (*views(None, "v1", "v2"), pictorial),
        views(None, "v1", None, "v3"),
    ]
    return [
        {
            "views": [own.model_dump(mode="json") for own in case],
            "front": front_of(case),
            "with_front": {own.id: parents(with_front(case, own.id)) for own in case if own.kind == "principal"},
            "without": {own.id: parents(let_go([v for v in case if v.id != own.id], own.id)) for own in case},
        }
        for case in cases
    ]


def parents(own: tuple[View, ...]) -> dict[str, str | None]:
    return {view.id: view.parent for view in own}


def angles() -> list[dict[str, Any]]:
    """Angles as the bench makes them: a vertex and a point of either line."""
    rays = [((0.0, 0.0), (10.0, 0.0), (0.0, 5.0)), ((2.0, 1.0), (12.0, 1.0), (-3.0, 6.0)), ((0, 0), (5, 1), (5, -1))]
    found = []
    for vertex, start, end in rays:
        own = AngleDimension(id="d", view="v", place=(0, 0), vertex=vertex, start=start, end=end)
        found.append({"vertex": vertex, "start": start, "end": end, "degrees": round(angle_of(own), 9)})
    return found


def set_down() -> list[dict[str, Any]]:
    """Cutting lines over a top and a front view, and the sections they stand for; views folded out across a line."""
    top = View(id="v2", look=Square(side="+z", up="+y"), at=(50, 150), scale=2)
    front = View(id="v1", look=Square(side="-y", up="+z"), at=(50, 50))
    found = []
    for parent, path, arrows in (
        (top, ((0, 25), (80, 25)), "left"),
        (top, ((80, 25), (0, 25)), "right"),
        (top, ((-50, 0), (0, 0), (0, -50)), "left"),
        (top, ((0, 18), (40, 18), (40, 42), (90, 42)), "left"),
        (front, ((25, 0), (25, 30)), "right"),
        (front, ((0, 0), (30, 40)), "left"),
    ):
        line = CuttingLine.model_validate(
            {"id": "c1", "view": parent.id, "path": path, "arrows": arrows, "letter": "A"}
        )
        look = parent.own_look
        assert look is not None
        section = section_of(line, parent, look, "s1", Hatch())
        folded_out = auxiliary_of(sight_of(line), parent, look, "a1")
        found.append(
            {
                "parent": parent.model_dump(mode="json"),
                "line": line.model_dump(mode="json"),
                "section": section.model_dump(mode="json"),
                "auxiliary": folded_out.model_dump(mode="json"),
            }
        )
    return found


def examples() -> dict[str, Any]:
    return {
        "set_down": set_down(),
        "attitudes": attitudes(),
        "standings": standings(),
        "point": POINT,
        "looks": looks(),
        "graphs": graphs(),
        "angles": angles(),
        "pens": {name: {"width": width, "dashes": list(DASHES.get(name, ()))} for name, width in WIDTHS.items()},
        "lists": {
            "criteria": list(CRITERIA),
            "papers": list(get_args(PaperSize)),
            "filled_fields": list(get_args(FilledField)),
            "title_fields": list(get_args(TitleField)),
            "datum_sides": {direction: list(sides) for direction, sides in DATUM_SIDES.items()},
        },
    }


def test_the_interface_is_tested_against_what_the_core_says_today() -> None:
    text = json.dumps(examples(), ensure_ascii=False, indent=1) + "\n"
    if os.environ.get("MAQUETA_WRITE_TABLES"):
        PAGE.write_text(text, encoding="utf-8")
    assert json.loads(PAGE.read_text(encoding="utf-8")) == json.loads(text)
