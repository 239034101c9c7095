"""Views of a sheet: what each is, how it looks at the part, which view it is folded out from.

Views form a forest. A front view and a pictorial one stand for themselves; every other names its `parent`, and its kind
says how it follows from it: `principal` by a quarter turn about the folding line, `auxiliary` across a folding line in
any direction, `section` cut open along a line of its parent, `detail` as a region of it, enlarged.
"""

from typing import Annotated, Final, Literal, Self

from pydantic import Field, model_validator

from maqueta.geometry.directions import Side
from maqueta.geometry.frame import ROUNDED, Frame, dot, exact, orthonormal
from maqueta.phrases.phrase import phrase
from maqueta.phrases.told import ToldError
from maqueta.projection.attitude import Attitude, AxisTurn, Corner
from maqueta.projection.look import Look
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.drafted_line import Drafted
from maqueta.sheet.fields import Identifier, SheetPoint, ShortText
from maqueta.sheet.special import MOST_AREAS, Hatch, HatchedArea, Letter, SheetClip, SheetCut
from maqueta.solid.assembly import Key
from maqueta.strict import Strict

#: The most drafted lines of a sheet: far beyond any real one, so that none can exhaust the service.
MOST_LINES: Final = 4000
ViewKind = Literal["principal", "auxiliary", "section", "detail", "pictorial", "unrecognised"]
#: How a pictorial view is shaded: in the card tints of its sides, or in shades of the part's own colour.
Shading = Literal["card", "own"]


class Square(Strict):
    """Looks squarely at a side of the part: `side` faces the reader, `up` points up on the sheet."""

    side: Side
    up: Side

    @model_validator(mode="after")
    def _possible(self) -> Self:
        Attitude(self.side, self.up)
        return self


class FromCorner(Strict):
    """Looks from a corner (signs of x, y, z) with equal axes, as the part stands, turned on the sheet by degrees."""

    corner: Corner
    turn: AxisTurn = 0


class Aslant(Strict):
    """Looks from anywhere: model directions of sheet right and up and towards the reader; rounding is put right."""

    frame: Frame

    @model_validator(mode="after")
    def _right_angles(self) -> Self:
        if not orthonormal(self.frame):
            raise ToldError(phrase("frame-not-square"))
        return self


ViewLook = Square | FromCorner | Aslant
_LOOKS: Final[dict[ViewKind, type[Strict]]] = {
    "principal": Square,
    "auxiliary": Aslant,
    "section": Aslant,
    "detail": Aslant,
    "pictorial": FromCorner,
}


class View(Strict):
    """One view; `at` is where the model's origin lands on the sheet.

    A section has a `cut`, a detail a `clip`, and a cut where it enlarges a section; `letter` is what it is labelled
    with, `hatch` how the program draws its cut faces. `stated` is the scale written beside a detail, where it is not
    the one it is drawn at; empty where none is written.

    A projected view has the part's own lines; a drafted one has its `lines`, drawn by hand or read from a file, and
    areas `hatched` so. A pictorial view `only` of one component of an assembly, by its id, is one of its parts pulled
    apart, and looks from anywhere. A drafted view that fits no view of the part is `unrecognised` and has no look; a
    `mirrored` one fits only as a mirror image (about the upright through its `at`).
    """

    id: Identifier
    kind: ViewKind = "principal"
    look: ViewLook | None = None
    parent: Identifier | None = None
    at: SheetPoint
    scale: Annotated[float, Field(gt=1e-4, le=1000, allow_inf_nan=False)] = 1.0
    hidden: bool = True
    smooth: bool = False
    lines: Annotated[tuple[Drafted, ...], Field(max_length=MOST_LINES)] | None = None
    mirrored: bool = False
    shading: Shading | None = None
    cut: SheetCut | None = None
    clip: SheetClip | None = None
    letter: Letter | None = None
    hatch: Hatch | None = None
    hatched: Annotated[tuple[HatchedArea, ...], Field(max_length=MOST_AREAS)] | None = None
    stated: ShortText | None = None
    only: Key | None = None

    @model_validator(mode="after")
    def _of_its_kind(self) -> Self:
        if self.kind == "unrecognised":
            if self.look is not None or self.lines is None:
                raise ToldError(phrase("unrecognised-with-look"))
            return self
        if self.only is not None and self.kind != "pictorial":
            raise ToldError(phrase("component-of-another-kind"))
        if not isinstance(self.look, _LOOKS[self.kind] if self.only is None else Aslant):
            wanted = {"principal": "side and up", "pictorial": "a corner"}.get(self.kind, "a frame")
            wanted = wanted if self.only is None else "a frame"
            raise ToldError(phrase("look-of-another-kind", kind=self.kind, wanted=wanted))
        if self.shading is not None and (self.kind != "pictorial" or self.lines is not None):
            raise ToldError(phrase("shading-of-drawn-views"))
        if self.hatched and self.lines is None:
            raise ToldError(phrase("hatched-by-program"))
        cut, clipped = self.cut is not None, self.clip is not None
        if clipped != (self.kind == "detail") or (cut != (self.kind == "section") and not (cut and clipped)):
            raise ToldError(phrase("cut-of-another-kind", kind=self.kind))
        towards = self.look.frame[2] if isinstance(self.look, Aslant) else None
        if self.cut is not None and towards is not None and abs(dot(self.cut.across, towards)) > ROUNDED:
            raise ToldError(phrase("cut-across-not-square"))
        if self.parent is not None and self.kind == "pictorial":
            raise ToldError(phrase("pictorial-with-parent"))
        return self

    @property
    def attitude(self) -> Attitude | None:
        """How a principal view looks at the part; None for any other."""
        return Attitude(self.look.side, self.look.up) if isinstance(self.look, Square) else None

    def sees(self, projected: ProjectedPart) -> Look | None:
        """The look of a view at a part; None where it fits none."""
        if isinstance(self.look, FromCorner):
            return projected.corner(self.look.corner, self.look.turn)
        return self.own_look

    @property
    def own_look(self) -> Look | None:
        """The look of a view that does not depend on how the part stands; None of any other."""
        if not isinstance(self.look, Square | Aslant):
            return None
        frame = view_look(self.look).frame
        cut = self.cut.cut(frame[2]) if self.cut is not None else None
        return Look(frame, cut, self.clip.clip if self.clip is not None else None, self.only)


def kind_of(look: ViewLook | None) -> ViewKind:
    """The kind of a view that looks so."""
    return next((kind for kind, own in _LOOKS.items() if isinstance(look, own)), "unrecognised")


def view_look(look: Square | Aslant) -> Look:
    """The frame that a view's look names, as a look at the whole part."""
    return Attitude(look.side, look.up).look if isinstance(look, Square) else Look(exact(look.frame))


def square(attitude: Attitude) -> Square:
    """An attitude as the look of a view."""
    return Square(side=attitude.side, up=attitude.up)
