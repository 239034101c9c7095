"""Clean sheets with special views of every kind: the demo parts' model answers, and sheets put together by hand."""

import math
from collections import defaultdict
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from functools import cache
from typing import Any, Final

from maqueta.geometry.line_set import LineSet
from maqueta.making.model_sheet import Drafter, model_looks, model_sheet
from maqueta.projection.look import Look
from maqueta.projection.project import drawn, project
from maqueta.projection.projected_part import ProjectedPart, face_alone
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.drafted import Pen, drafted_of
from maqueta.sheet.placed import placed_views
from maqueta.sheet.set_down import auxiliary_of, detail_of, section_of
from maqueta.sheet.special import CircledRegion, CuttingLine, Hatch, SheetClip, SheetCut, SightArrow
from maqueta.sheet.view import Aslant, View
from maqueta.sizes.centre_marks import proposed_marks
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part
from maqueta.task.exercise import Exercise
from tests.parts import block, demo_solid, hole, made

DRAFTER: Final = Drafter("A. TESTER", "EVENING 2", "2026-11-20")
#: What the model answers of the demo parts are asked to show.
ASKED: Final[dict[str, dict[str, Any]]] = {
    "bobbin-bush": {"kind": "section"},
    "brake-drum": {"kind": "section", "form": "full"},
    "ribbed-bearing": {"kind": "section", "through": [[70, 25, 30]]},
    "heddle-plate": {"kind": "section", "form": "offset", "through": [[22, 18, 20], [55, 42, 20], [88, 18, 20]]},
    "crank-flange": {"kind": "section", "form": "aligned", "through": [[-32, 0, 5], [16, -27.712813, 5]]},
    "spindle-pin": {"kind": "detail"},
    "slanted-seat": {"kind": "auxiliary", "shows": {"normal": [36, 0, 40]}},
    "beam-casting": {"kind": "auxiliary", "shows": {"normal": [0.460178993, -0.707106781, 0.536875492]}},
}
#: What was drawn of each part so far: many files are read of one scene, and the reader asks for much the same of each.
_DRAWN: Final[defaultdict[Part, dict[Look, LineSet]]] = defaultdict(dict)


@dataclass(frozen=True)
class Scene:
    """A sheet with its part, drawn as its views need it, the part as a reader knows it, and what draws more."""

    part: ProjectedPart
    known: ProjectedPart
    task: Exercise
    sheet: SheetDocument
    solid: tuple[Shape, Part]

    def draws(self, looks: Sequence[Look]) -> tuple[tuple[Look, LineSet], ...]:
        so_far = _DRAWN[self.solid[1]]
        so_far |= drawn(*self.solid, [look for look in looks if look not in so_far])
        return tuple((look, so_far[look]) for look in looks)

    def with_sheet(self, sheet: SheetDocument) -> "Scene":
        sheet = SheetDocument.model_validate(sheet.model_dump())
        return Scene(self.known.with_looks(self.draws(sheet.looks_aslant)), self.known, self.task, sheet, self.solid)


def asked(**more: Any) -> Exercise:
    return Exercise.model_validate(
        {
            "views": ["front", "top"],
            "pictorial": "unwanted",
            "paper": "A2",
            "scale": "1:1",
            "title_fields": ["title"],
            "front": {"accept": [{"side": "-y", "up": "+z"}]},
            **more,
        }
    )


@cache
def demo(slug: str) -> Scene:
    """The model answer of a demo part with the special view it is asked for."""
    solid = demo_solid(slug)
    known, task = project(*solid), asked(special=[ASKED[slug]])
    part = known.with_looks(drawn(*solid, model_looks(known, task)))
    return Scene(part, known, task, model_sheet(part, task, DRAFTER), solid)


def _begun(solid: tuple[Shape, Part], **more: Any) -> Scene:
    """Front and top view without sizes, to which special views are added."""
    known, task = project(*solid), asked(dimensioning={"required": False}, **more)
    return Scene(known, known, task, model_sheet(known, task, DRAFTER), solid)


def _with(scene: Scene, views: Sequence[View], **more: Any) -> Scene:
    added = scene.with_sheet(scene.sheet.model_copy(update={"views": tuple(views), "marks": (), **more}))
    placed = [item for item in placed_views(added.part, added.sheet) if item.view.kind != "detail"]
    return added.with_sheet(added.sheet.model_copy(update={"marks": tuple(proposed_marks(added.part, placed))}))


def _look(view: View) -> Look:
    assert view.attitude is not None
    return view.attitude.look


def _section(scene: Scene, line: CuttingLine, at: tuple[float, float], form: Any = None, name: str = "s1") -> View:
    parent = scene.sheet.view(line.view)
    return section_of(line, parent, _look(parent), name, Hatch(), form).model_copy(update={"at": at})


@cache
def plate() -> tuple[Shape, Part]:
    return made(
        block((80, 50, 30)), hole((25, 25, 30), "-z", 20, 12), hole((25, 25, 18), "-z", 10, 18),
        hole((60, 25, 30), "-z", 14, 20),
    )  # fmt: skip


@cache
def half() -> Scene:
    begun = _begun(demo_solid("brake-drum"))
    x, y = begun.sheet.view("v2").at
    line = CuttingLine(id="c1", view="v2", path=((-50, 0), (0, 0), (0, -50)), letter="A")
    return _with(begun, (*begun.sheet.views, _section(begun, line, (x + 180, y - 160))), cutting_lines=(line,))


@cache
def half_on_a_whole_line() -> Scene:
    whole = CuttingLine(id="c1", view="v2", path=((-50, 0), (50, 0)), letter="A")
    return half().with_sheet(half().sheet.model_copy(update={"cutting_lines": (whole,)}))


@cache
def half_in_place_of_the_front() -> Scene:
    begun = _begun(demo_solid("brake-drum"))
    line = CuttingLine(id="c1", view="v2", path=((-50, 0), (0, 0), (0, -50)), letter="A")
    front = _section(begun, line, begun.sheet.view("v1").at, name="v1")
    top = begun.sheet.view("v2").model_copy(update={"parent": None})
    return _with(begun, (front, top), cutting_lines=(line,))


@cache
def full_in_place_of_the_front_without_letters() -> Scene:
    begun = _begun(plate())
    line = CuttingLine(id="c1", view="v2", path=((0, 25), (80, 25)))
    front = _section(begun, line, begun.sheet.view("v1").at, name="v1")
    top = begun.sheet.view("v2").model_copy(update={"parent": None})
    return _with(begun, (front, top), cutting_lines=(line,))


@cache
def removed() -> Scene:
    begun = _begun(plate())
    x, y = begun.sheet.view("v2").at
    line = CuttingLine(id="c1", view="v2", path=((25, 0), (25, 50)), arrows="right", letter="B")
    return _with(begun, (*begun.sheet.views, _section(begun, line, (x + 150, y), "removed")), cutting_lines=(line,))


@cache
def two_sections_one_enlarged() -> Scene:
    begun = _begun(plate())
    x, y = begun.sheet.view("v2").at
    lines = (
        CuttingLine(id="c1", view="v2", path=((0, 25), (80, 25)), letter="A"),
        CuttingLine(id="c2", view="v2", path=((25, 0), (25, 50)), arrows="right", letter="B"),
    )
    first = _section(begun, lines[0], (x + 130, y)).model_copy(update={"scale": 2.0})
    second = _section(begun, lines[1], (x - 90, y - 100), name="s2")
    return _with(begun, (*begun.sheet.views, first, second), cutting_lines=lines)


@cache
def first_angle_cut_across() -> Scene:
    begun = _begun(plate(), angle="first", views=["front", "top", "right"])
    x, y = begun.sheet.view("v1").at
    line = CuttingLine(id="c1", view="v1", path=((25, 0), (25, 30)), arrows="right", letter="C")
    return _with(begun, (*begun.sheet.views, _section(begun, line, (x + 190, y - 90))), cutting_lines=(line,))


@cache
def broken_out() -> Scene:
    begun = _begun(plate())
    front = begun.sheet.view("v1")
    look = _look(front)
    outline = ((10, -5), (8, 12), (12, 35), (40, 35), (37, 20), (41, 10), (38, -5))
    path = tuple((x, y + 25.0, z) for x, y, z in (look.way(corner) for corner in outline))
    cut = SheetCut(form="broken-out", path=path, across=(0, 0, 1))
    own = {"kind": "section", "look": Aslant(frame=look.frame), "cut": cut, "hatch": Hatch(), "hidden": False}
    top = begun.sheet.view("v2").model_copy(update={"parent": None})
    return _with(begun, (front.model_copy(update=own), top))


def _revolved(begun: Scene, parent: str, through: tuple[float, float, float]) -> Scene:
    """A cut face revolved in place, upright, about a point of a view, with no line and no letters."""
    view = begun.sheet.view(parent)
    far, (x, y) = begun.part.part.size, _look(view).seen(through)
    face = _section(begun, CuttingLine(id="c1", view=parent, path=((x, y - far), (x, y + far))), (0, 0), "revolved")
    look = face.own_look
    assert look is not None
    u, v = look.seen(through)
    at = (view.at[0] + view.scale * (x - u), view.at[1] + view.scale * (y - v))
    return _with(begun, (*begun.sheet.views, face.model_copy(update={"at": at})))


@cache
def revolved_in_a_bar() -> Scene:
    grooves = (block((120, 6, 20), at, operation="cut") for at in ((0, 0, 5), (0, 14, 5)))
    return _revolved(_begun(made(block((120, 20, 30)), *grooves)), "v2", (40, 10, 15))


@cache
def revolved_in_a_shaft() -> Scene:
    return _revolved(_begun(demo_solid("spindle-pin")), "v1", (29, 0, 0))


@cache
def auxiliary_with_arrow() -> Scene:
    begun = _begun(demo_solid("slanted-seat"))
    front = begun.sheet.view("v1")
    way = (36 / math.hypot(36, 40), 40 / math.hypot(36, 40))
    view = auxiliary_of(way, front, _look(front), "a1")
    view = view.model_copy(update={"at": (front.at[0] + 200, front.at[1] - 20), "letter": "C"})
    arrow = SightArrow(id="x1", view="v1", tip=(33, 40), way=(-way[0], -way[1]), letter="C")
    return _with(begun, (*begun.sheet.views, view), sight_arrows=(arrow,))


@cache
def auxiliary_of_the_face_alone() -> Scene:
    """Folded out square to the slope, and nothing drawn of the rest of the part."""
    begun = _begun(demo_solid("slanted-seat"), centre_lines=False)
    front = begun.sheet.view("v1")
    way = (36 / math.hypot(36, 40), 40 / math.hypot(36, 40))
    view = auxiliary_of(way, front, _look(front), "a1")
    view = view.model_copy(update={"at": (front.at[0] + 180 * way[0], front.at[1] + 180 * way[1])})
    whole = _with(begun, (*begun.sheet.views, view))
    item = next(item for item in placed_views(whole.part, whole.sheet) if item.view.id == "a1")
    assert item.look is not None
    alone = face_alone(item.lines, whole.part.part, item.look)
    lines = tuple(drafted_of(piece, Pen("visible")) for piece in alone.pieces)
    views = tuple(v.model_copy(update={"lines": lines}) if v.id == "a1" else v for v in whole.sheet.views)
    return whole.with_sheet(whole.sheet.model_copy(update={"views": views}))


@cache
def in_inches() -> Scene:
    solid = made(block((3, 2, 1.2)), hole((1, 1, 1.2), "-z", 0.8, 0.5), hole((1, 1, 0.7), "-z", 0.4, 0.7), units="inch")
    begun = _begun(solid, units="inch")
    x, y = begun.sheet.view("v2").at
    line = CuttingLine(id="c1", view="v2", path=((0, 1), (3, 1)), letter="A")
    return _with(begun, (*begun.sheet.views, _section(begun, line, (x + 150, y))), cutting_lines=(line,))


@cache
def cut_aslant() -> Scene:
    solid = made(block((80, 60, 20)), hole((20, 20, 20), "-z", 16, 12), hole((60, 45, 20), "-z", 12))
    begun = _begun(solid)
    x, y = begun.sheet.view("v2").at
    line = CuttingLine(id="c1", view="v2", path=((-8, 2.5), (76, 55)), letter="A")
    return _with(begun, (*begun.sheet.views, _section(begun, line, (x + 160, y - 60))), cutting_lines=(line,))


@cache
def detail_of_a_section() -> Scene:
    begun = _begun(plate())
    x, y = begun.sheet.view("v2").at
    line = CuttingLine(id="c1", view="v2", path=((0, 25), (80, 25)), letter="A")
    section = _section(begun, line, (x + 150, y))
    look = section.own_look
    assert look is not None
    region = CircledRegion(id="r1", view="s1", region=SheetClip(centre=(35, 18), radius=6), letter="B")
    detail = detail_of(region, section, look, "d1", 5.0).model_copy(update={"at": (x - 60, y - 230)})
    return _with(begun, (*begun.sheet.views, section, detail), cutting_lines=(line,), circled=(region,))


SCENES: Final[tuple[Callable[[], Scene], ...]] = (
    half,
    half_on_a_whole_line,
    half_in_place_of_the_front,
    full_in_place_of_the_front_without_letters,
    removed,
    two_sections_one_enlarged,
    first_angle_cut_across,
    broken_out,
    revolved_in_a_bar,
    revolved_in_a_shaft,
    auxiliary_with_arrow,
    auxiliary_of_the_face_alone,
    in_inches,
    cut_aslant,
    detail_of_a_section,
)
