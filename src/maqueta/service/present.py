"""From records and core results to what the interface shows."""

from collections.abc import Sequence
from typing import Any, Final

from pydantic import TypeAdapter

from maqueta.checking.catalogue import CATALOGUE, wording
from maqueta.checking.exercise import CRITERIA, Exercise
from maqueta.checking.finding import Finding
from maqueta.checking.marks import Mark, cost, mark
from maqueta.checking.scope import Scope
from maqueta.drawing.sheet_ink import piece_item
from maqueta.projection.attitude import Attitude
from maqueta.projection.line_set import LineSet
from maqueta.service.forms import (
    ExerciseForm,
    FindingForm,
    MarkForm,
    PaperForm,
)
from maqueta.service.part_forms import LineDrawing, PartSummary, SideDrawing
from maqueta.sheet.paper import Layout, layout
from maqueta.store.models import ExerciseRecord, FindingRecord, PartRecord, SheetRecord

FINDING: Final = TypeAdapter(Finding)
#: Parameters that make two findings "the same mistake" on different sheets.
_SHARED_PARAMETERS: Final = ("name", "direction", "field", "what", "side", "up", "first", "second")


def share_key(finding: Finding) -> str:
    """What findings of different sheets have in common when they are the same mistake."""
    parts = [str(finding.parameters[key]) for key in _SHARED_PARAMETERS if key in finding.parameters]
    return "|".join([finding.rule, finding.variant, *parts])[:200]


def finding_of(record: FindingRecord) -> Finding:
    """The finding as the program measured it."""
    return FINDING.validate_python(record.measured)


def finding_form(record: FindingRecord, task: Exercise) -> FindingForm:
    """A finding with its wording, cost and decision."""
    finding = finding_of(record)
    rule, words = CATALOGUE[finding.rule], wording(finding)
    return FindingForm(
        place=record.place,
        rule=finding.rule,
        criterion=rule.criterion,
        severity=finding.severity,
        shape=rule.shape,
        heading=rule.heading,
        message=words.message,
        expected=words.expected,
        found=words.found,
        basis=rule.basis,
        views=list(finding.views),
        at=[list(line) for line in finding.at],
        edges=list(finding.edges),
        faces=list(finding.faces),
        items=list(finding.items),
        cost=cost(finding, task),
        share=share_key(finding),
        decision=record.decision,  # type: ignore[arg-type]
        remark=record.remark,
    )


def marks_of(records: Sequence[FindingRecord], task: Exercise, scope: Scope) -> list[MarkForm]:
    """Marks of all criteria that carry points, after the decisions made so far."""
    findings = [finding_of(record) for record in records]
    waived = frozenset(place for place, record in enumerate(records) if record.decision == "waived")
    forms = []
    for criterion in CRITERIA:
        result: Mark = mark(criterion, findings, task, scope, waived)
        if result.of:
            forms.append(MarkForm(criterion=criterion, outcome=result.outcome, points=result.points, of=result.of))
    return forms


def task_of(exercise: ExerciseRecord) -> Exercise:
    """What an exercise asks."""
    return Exercise.model_validate(exercise.task)


def of_points(task: Exercise) -> float:
    """Full marks of an exercise."""
    return sum(task.points_of(criterion) for criterion in CRITERIA)


def told_to_students(task: Exercise) -> Exercise:
    """What an exercise asks, without what would answer it: the accepted front views, the lines that were changed."""
    front = task.front.model_copy(update={"accept": ()})
    return task.model_copy(update={"front": front, "drafting": task.drafting.model_copy(update={"changes": ()})})


def exercise_form(
    exercise: ExerciseRecord, model: int | None = None, to_student: bool = False, **more: object
) -> ExerciseForm:
    """An exercise as listed; `model` is the version of the part to work from, if not the exercise's own."""
    task = task_of(exercise)
    return ExerciseForm(
        id=exercise.id,
        title=exercise.title,
        part=exercise.version.part_id,
        part_name=exercise.version.part.name,
        varied=exercise.varied,
        model=model if model is not None else exercise.version_id,
        school_class=exercise.school_class.name,
        due_at=exercise.due_at,
        task=told_to_students(task) if to_student else task,
        of_points=of_points(task),
        **more,  # type: ignore[arg-type]
    )


def is_late(sheet: SheetRecord, exercise: ExerciseRecord) -> bool:
    """Whether a sheet came after its due time."""
    return sheet.handed_in_at is not None and sheet.handed_in_at > exercise.due_at


def scope_json(scope: Scope) -> dict[str, Any]:
    """What of a sheet could be judged, as it is kept."""
    return {"unjudged": dict(scope.unjudged), "lacking": dict(scope.lacking)}


def paper_form(sheet_layout: Layout) -> PaperForm:
    """The rectangles of a sheet."""
    return PaperForm(
        width=sheet_layout.width,
        height=sheet_layout.height,
        border=sheet_layout.border,
        title=sheet_layout.title,
        drawing_area=sheet_layout.drawing_area,
    )


def task_paper(task: Exercise) -> PaperForm:
    """The paper an exercise asks for."""
    return paper_form(layout(task.paper, task.landscape))


def side_drawing(attitude: Attitude, lines: LineSet) -> SideDrawing:
    """One side as strokes in the part's unit."""
    kept = LineSet(lines.of("hidden", "visible"))
    return SideDrawing(
        side=attitude.side,
        up=attitude.up,
        items=[piece_item(piece) for piece in (*kept.of("hidden"), *kept.of("visible"))],
        box=kept.box,
    )


def line_drawing(lines: LineSet) -> LineDrawing:
    """The visible lines of a pictorial view."""
    visible = LineSet(lines.of("visible"))
    return LineDrawing(items=[piece_item(piece) for piece in visible.pieces], box=visible.box)


def part_summary(part: PartRecord, job: int | None = None) -> PartSummary:
    """A part as the shelf shows it."""
    version = part.current
    return PartSummary.model_validate(
        {
            "id": part.id,
            "model": version.id,
            "name": part.name,
            "state": version.state,
            "error": version.error,
            "made_by": part.owner.name,
            "labels": [label.label for label in part.labels],
            "archived": part.archived_at is not None,
            "built": version.file_name.lower().endswith(".json"),
            "version": version.number,
            "picture": version.picture,
            "job": job,
        }
        | (version.facts or {})
    )
