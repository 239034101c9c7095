"""What travels between service and interface about parts."""

from typing import Annotated, Literal

from pydantic import Field, SkipValidation

from maqueta.drawing.ink import Item
from maqueta.geometry.box import Box
from maqueta.geometry.directions import Side
from maqueta.projection.arrangement import ViewName
from maqueta.service.bench.readers_eye_messages import CountAnswer
from maqueta.service.language import Sentence
from maqueta.sheet.paper import PaperSize
from maqueta.sheet.special import MOST_SPECIAL
from maqueta.solid.assembly import ListedPart
from maqueta.solid.mesh import Mesh
from maqueta.solid.part import UncutMark
from maqueta.solid.recipe import Recipe
from maqueta.solid.unit import Unit
from maqueta.strict import Strict
from maqueta.task.special import SpecialAsked


class PartSummary(Strict):
    """A part on the shelf; `model` is its current version, `picture` changes with it."""

    id: int
    model: int
    name: str
    state: Literal["waiting", "ready", "refused"]
    error: Sentence | None
    made_by: str
    labels: list[str]
    archived: bool
    #: Made in the builder, or from a recipe file: it has features to edit.
    built: bool
    version: int
    picture: str | None
    unit: Unit = "mm"
    material: str = ""
    natural_up: Side | None = None
    extents: tuple[float, float, float] = (0.0, 0.0, 0.0)
    faces: int = 0
    solids: int = 1
    #: How many components an assembly has; none make a part.
    components: int = 0
    assembly: bool = False
    job: int | None = None


class LabelCount(Strict):
    """A label and how many parts carry it."""

    label: str
    count: int


class ShelfAnswer(Strict):
    """A stretch of the shelf, how many parts match in all, and the labels there are."""

    parts: list[PartSummary]
    total: int
    labels: list[LabelCount]


Label = Annotated[str, Field(min_length=1, max_length=40)]


class PartChange(Strict):
    """What is changed about a part; what is left out stays."""

    name: Annotated[str, Field(min_length=1, max_length=120)] | None = None
    labels: Annotated[list[Label], Field(max_length=12)] | None = None
    archived: bool | None = None
    natural_up: Side | None = None
    #: All that is said of what is not cut lengthwise.
    uncut: Annotated[tuple[UncutMark, ...], Field(max_length=MOST_SPECIAL)] | None = None


class RecipeAnswer(Strict):
    """A recipe to keep as a new part or as the next version of one."""

    recipe: Recipe


class PreviewRequest(Strict):
    """A recipe to try out; `flat` asks for exact lines too, for screens that cannot draw solids.

    The recipe is validated where it is tried: a size out of range is an answer about a feature, not a failed request.
    """

    recipe: Annotated[Recipe, SkipValidation]
    flat: bool = False


class LineDrawing(Strict):
    """Lines in the part's unit, and the box they fill."""

    items: list[Item]
    box: Box


class PreviewAnswer(Strict):
    """A recipe as the kernel builds it just now: its triangles, or which feature is at fault and why."""

    mesh: Mesh | None
    lines: LineDrawing | None
    extents: tuple[float, float, float]
    volume: float
    faces: int
    fault: Sentence | None
    feature: int | None
    sizes: dict[str, float]
    #: The recipe in plain numbers, None where an expression has no value.
    resolved: Recipe | None


class UsedIn(Strict):
    """An exercise set on a part, and the version it keeps."""

    id: int
    title: str
    version: int


class StepReportAnswer(Strict):
    """What a STEP file had to say."""

    protocol: str
    unit_written: str
    solids: int
    read: list[Sentence]
    healed: list[Sentence]
    left_out: list[Sentence]


class PartAnswer(Strict):
    """A part with its history: what it was read from, and the exercises that use it."""

    part: PartSummary
    used_in: list[UsedIn]
    report: StepReportAnswer | None
    versions: int
    #: The assemblies it is in.
    within: list["AssemblyWith"]


class AssemblyWith(Strict):
    """An assembly that has a part in it."""

    id: int
    name: str


class RankedAnswer(Strict):
    """One attitude in the ranking, in words."""

    side: Side
    up: Side
    score: float
    hidden_lines: int
    measures: dict[str, float]
    words: list[Sentence]
    equal_to: list[tuple[Side, Side]]


class SideDrawing(Strict):
    """One side of a part as an exact line drawing, in the part's unit."""

    side: Side
    up: Side
    items: list[Item]
    box: Box


class StandingAnswer(Strict):
    """A way the part can stand, and how firmly."""

    up: Side
    footprint: float
    height: float


class ScaleAnswer(Strict):
    """The scale proposed for a paper, with its gap sums."""

    paper: PaperSize
    scale: str | None
    across: str
    up: str


class FeatureAnswer(Strict):
    """A recognised feature in words, with the faces it consists of."""

    kind: str
    words: Sentence
    faces: list[int]


class ViewReason(Strict):
    """Why a view is needed or left out."""

    name: ViewName
    needed: bool
    why: Sentence


class SpecialReason(Strict):
    """A special view a part needs, as an exercise asks for it, and why."""

    asked: SpecialAsked
    why: Sentence
    faces: list[int]


class UncutAnswer(Strict):
    """A rib or body of a part that the program or a person takes for one that is not cut lengthwise, by its faces."""

    of: Literal["rib", "body"]
    face: int
    faces: list[int]
    whole: bool
    #: Told by its faces, not by a person alone.
    told: bool
    words: Sentence


class ComponentAnswer(Strict):
    """A component of an assembly: its name, its colour, and the faces that are its own."""

    id: str
    name: str
    colour: str | None
    faces: tuple[int, int]


class ModelDetail(Strict):
    """What a part looks like and what its drawing demands; empty where it is left to a student to find out."""

    name: str
    unit: Unit
    material: str
    natural_up: Side | None
    sides: list[SideDrawing]
    extents: tuple[float, float, float] = (0.0, 0.0, 0.0)
    volume: float = 0.0
    faces: int = 0
    flat_faces: int = 0
    solids: int = 0
    ranking: list[RankedAnswer] = Field(default=[])
    views_needed: list[ViewName] = Field(default=[])
    views_repeated: list[tuple[ViewName, ViewName]] = Field(default=[])
    view_reasons: list[ViewReason] = Field(default=[])
    special: list[SpecialReason] = Field(default=[])
    uncut: list[UncutAnswer] = Field(default=[])
    sizes: int | None = None
    least_sizes: int | None = None
    sizes_reason: Sentence | None = None
    counts: list[CountAnswer] = Field(default=[])
    features: list[FeatureAnswer] = Field(default=[])
    patterns: list[Sentence] = Field(default=[])
    symmetry: list[Sentence] = Field(default=[])
    standings: list[StandingAnswer] = Field(default=[])
    scales: list[ScaleAnswer] = Field(default=[])
    components: list[ComponentAnswer] = Field(default=[])
    #: An assembly's parts list.
    listed: list[ListedPart] = Field(default=[])


class ViewDrawing(Strict):
    """A single view, for comparing candidates."""

    name: ViewName
    side: Side
    up: Side
    items: list[Item]
    box: Box
    hidden_lines: int
