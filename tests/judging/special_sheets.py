"""Sheets with sections and details of a small part, made by hand."""

from functools import cache

from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.projection.project import drawn, project
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.drafted import Pen, drafted_of
from maqueta.sheet.placed import placed_views
from maqueta.sheet.special import CircledRegion, CuttingLine, Hatch, HatchedArea, SheetClip, SheetCut
from maqueta.sheet.view import Aslant, View
from maqueta.task.exercise import Exercise
from tests.parts import block, hole, made

DRAFTER = Drafter("A. Tester", "Evening 2", "2026-11-20")
#: 60 × 40 × 30 with a stepped hole, 20 wide and 12 deep above one of 10 right through.
SHAPE, PART = made(block((60, 40, 30)), hole((20, 20, 30), "-z", 20, 12), hole((20, 20, 18), "-z", 10, 18))
TASK = Exercise.model_validate(
    {
        "views": ("front", "top"),
        "pictorial": "unwanted",
        "paper": "A3",
        "scale": "1:1",
        "front": {"accept": [{"side": "-y", "up": "+z"}]},
    }
)
FRONT = ((1.0, 0.0, 0.0), (0.0, 0.0, 1.0), (0.0, -1.0, 0.0))
CUT = SheetCut(form="full", path=((0, 20, 0), (60, 20, 0)), across=(0, 0, 1))
SECTION = View(
    id="s1", kind="section", look=Aslant(frame=FRONT), parent="v2", at=(280.0, 95.0), cut=CUT, letter="A", hidden=False,
    hatch=Hatch(),
)  # fmt: skip
REGION = SheetClip(centre=(30.0, 18.0), radius=6.0)
DETAIL = View(
    id="d1", kind="detail", look=Aslant(frame=FRONT), parent="s1", at=(200.0, 100.0), scale=5.0, cut=CUT, clip=REGION,
    letter="B", hidden=False, hatch=Hatch(),
)  # fmt: skip
LINE = CuttingLine(id="c1", view="v2", path=((0.0, 20.0), (60.0, 20.0)), arrows="left", letter="A")


@cache
def projected() -> ProjectedPart:
    """The part, drawn whole and cut open."""
    own = project(SHAPE, PART)
    looks = [look.whole for view in (SECTION, DETAIL) if (look := view.own_look) is not None]
    return own.with_looks(drawn(SHAPE, PART, looks[:1]))


@cache
def with_section() -> SheetDocument:
    """Front and top view with their dimensions, and a section in place of nothing."""
    sheet = model_sheet(projected(), TASK, DRAFTER)
    return sheet.model_copy(update={"views": (*sheet.views, SECTION), "cutting_lines": (LINE,)})


def with_detail() -> SheetDocument:
    """The same with a step of the section enlarged."""
    sheet = with_section()
    circled = CircledRegion(id="r1", view="s1", region=REGION, letter="B")
    return sheet.model_copy(update={"views": (*sheet.views, DETAIL), "circled": (circled,)})


def by_hand(sheet: SheetDocument, view: str, without: int = 0) -> SheetDocument:
    """A view with its lines drawn by hand, the longest upright ones left out."""
    item = next(item for item in placed_views(projected(), sheet) if item.view.id == view)
    pieces = sorted((p for p in item.drawn if p.kind == "visible"), key=lambda piece: piece.length)
    lines = tuple(drafted_of(piece, Pen("visible")) for piece in pieces[without:])
    hatched = tuple(HatchedArea(rings=area.rings, angle=area.angle, spacing=area.spacing) for area in item.hatched)
    own = {"lines": lines, "hatched": hatched}
    views = tuple(v.model_copy(update=own) if v.id == view else v for v in sheet.views)
    return sheet.model_copy(update={"views": views})
