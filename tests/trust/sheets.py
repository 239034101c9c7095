"""Right sheets of random parts, and the same with one mistake planted."""

import random

from maqueta.judging.report import check
from maqueta.making.model_sheet import model_sheet
from maqueta.projection.arrangement import ViewName
from maqueta.projection.projected_part import ProjectedPart
from maqueta.projection.ranking import rank
from maqueta.task.exercise import AttitudeChoice, Exercise, FrontTask
from tests.reading.planted import DRAFTER, Case
from tests.trust.parts import part_by_number

#: Kinds whose top or side view repeats another: two views show them wholly.
_TWO: dict[str, tuple[ViewName, ...]] = {"turned": ("front", "right")}
#: What no outer view shows plainly is dimensioned to hidden lines by the proposal: such parts would take a section.
_INSIDE = {"dimensions.to-hidden", "dimensions.undetermined", "dimensions.overall", "dimensions.contour"}


def with_pictorial(case: Case) -> Case:
    """The same sheet on larger paper, with the equal-axis view that belongs to its views."""
    task = case.task.model_copy(update={"pictorial": "required", "paper": "A1"})
    return Case(case.part, task, model_sheet(case.part, task, DRAFTER))


def right_sheet(kind: str, seed: int) -> Case | None:
    """A faultless sheet by kind of part and number; None for a part that outer views do not show wholly.

    Every other sheet names its front view in the exercise, the rest leave it to the ranking.
    """
    rng = random.Random(f"sheet {kind} {seed}")
    part = part_by_number(kind, seed)
    views = _TWO.get(kind, ("front", "top", "right"))
    best = rank(part, views, "+z")[0].attitude
    named = (AttitudeChoice(side=best.side, up=best.up),) if seed % 2 else ()
    task = Exercise(
        units="mm",
        angle=rng.choice(["first", "third"]),
        paper="A2",
        views=views,
        pictorial="unwanted",
        front=FrontTask(accept=named, natural_up="+z"),
        scale=rng.choice(["1:1", "2:1", "1:2"] if _readable(part, 0.5) else ["1:1", "2:1"]),
        title_fields=("title", "drafter", "date", "scale"),
    )
    sheet = model_sheet(part, task, DRAFTER)
    findings = check(part, task, sheet).findings
    crowded = any(finding.rule in ("placement.on-part", "placement.overlap") for finding in findings)
    inside = {finding.rule for finding in findings if finding.severity == "error"} & _INSIDE
    return None if crowded or inside else Case(part, task, sheet)


def _readable(part: ProjectedPart, scale: float) -> bool:
    """Whether every hole is at least 5 mm wide on paper: smaller ones would take a detail."""
    return all(feature.diameter * scale >= 5 for feature in part.part.features)
