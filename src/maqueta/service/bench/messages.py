"""What travels between service and bench."""

from typing import Annotated

from pydantic import Field

from maqueta.drawing.ink import InkGroup
from maqueta.geometry.box import Box
from maqueta.geometry.carrier import Point
from maqueta.judging.finding import Severity
from maqueta.judging.rule import Sign
from maqueta.projection.attitude import Corner
from maqueta.service.language import Sentence
from maqueta.service.messages import Time
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.drafting import Change
from maqueta.sheet.paper import Rectangle
from maqueta.sheet.pen_hatching import PenHatching
from maqueta.sheet.snaps import Snap
from maqueta.store.sheets import SheetState
from maqueta.strict import Strict
from maqueta.task.criteria import Criterion
from maqueta.task.exercise import SheetAid


class DraftAnswer(Strict):
    """A student's own sheet, and how many checks are left before it is handed in; none where there is no end of them.

    Once it is handed in, `receipt` is the hash of what came, to be shown should anybody ask.
    """

    id: int | None
    state: SheetState
    revision: int
    document: SheetDocument
    saved_at: Time | None
    checks_left: int | None = 0
    attempt: int = 1
    attempts_left: int = 0
    handed_in_at: Time | None = None
    receipt: str | None = None


class CheckedFinding(Strict):
    """What a check before handing in says: no points, no decision."""

    criterion: Criterion
    severity: Severity
    sign: Sign
    message: Sentence
    views: list[str]


class CheckAnswer(Strict):
    """What a student's check of a draft found: in full, or only the criteria under which there is something."""

    findings: list[CheckedFinding]
    criteria: list[Criterion]
    checks_left: int | None


class SaveRequest(Strict):
    """A draft to keep, made from a revision."""

    document: SheetDocument
    base: Annotated[int, Field(ge=0)]


class InkRequest(Strict):
    """A document to draw."""

    document: SheetDocument


class PaperAnswer(Strict):
    """The rectangles of a sheet."""

    width: float
    height: float
    border: Rectangle
    title: Rectangle
    drawing_area: Rectangle


class CalloutAnswer(Strict):
    """All there is to say of the hole seen as a circle of a view: centre and radius in its plane."""

    centre: Point
    radius: float
    text: str


class ViewFacts(Strict):
    """What the bench needs to know of a view beyond its ink."""

    id: str
    name: str
    box: Box
    factor: float
    hidden_lines: int
    smooth_lines: int
    axis_lines: list[tuple[Point, Point]]
    callouts: list[CalloutAnswer] = Field(default=[])
    pitch_circles: list[tuple[Point, float]] = Field(default=[])
    #: Flanks of ribs, and bodies such as pins, that a section runs along: what may be left whole.
    flanks: list[int] = Field(default=[])
    pins: list[int] = Field(default=[])


class AidRequest(Strict):
    """A help asked for at the bench."""

    document: SheetDocument
    aid: SheetAid


class ChangeRequest(Strict):
    """A change to the line of a drafted view that lies within `reach` mm of a point."""

    document: SheetDocument
    view: str
    change: Annotated[Change | PenHatching, Field(discriminator="what")]
    reach: Annotated[float, Field(gt=0, le=50, allow_inf_nan=False)] = 3.0


class SpaceAnswer(Strict):
    """White space along a line of the sheet (mm): from the border to a view, between views, to the border."""

    start: Point
    end: Point
    written: str


class InkAnswer(Strict):
    """A sheet as ink; `snaps` are the points a pen can be set to, on sheets with drafted views."""

    paper: PaperAnswer
    groups: list[InkGroup]
    views: list[ViewFacts]
    gaps: list[Sentence]
    #: How far the first row of dimensions stands off a view, and further rows apart, level and upright ones, mm.
    first_row: float
    next_row: float
    next_row_up: float
    spaces: list[SpaceAnswer] = Field(default=[])
    #: The corner a pictorial view of these views is taken from, unless the drafter chooses another.
    corner: Corner | None
    scale_words: Sentence | None = None
    snaps: list[Snap] = Field(default=[])
