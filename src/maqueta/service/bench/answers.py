"""From papers, and from what a check finds, to what the bench shows."""

from collections.abc import Iterable, Mapping
from typing import Any

from maqueta.judging.catalogue import CATALOGUE, wording
from maqueta.service.bench.messages import CheckedFinding, PaperAnswer
from maqueta.service.marking.answers import FINDING
from maqueta.sheet.paper import Layout
from maqueta.task.criteria import CRITERIA, Criterion
from maqueta.task.exercise import Exercise


def paper_answer(sheet_layout: Layout) -> PaperAnswer:
    """The rectangles of a sheet."""
    return PaperAnswer(
        width=sheet_layout.width,
        height=sheet_layout.height,
        border=sheet_layout.border,
        title=sheet_layout.title,
        drawing_area=sheet_layout.drawing_area,
    )


def task_paper(task: Exercise) -> PaperAnswer:
    """The paper an exercise asks for."""
    return paper_answer(task.paper_given.layout)


def criteria_found(measured: Iterable[tuple[str, Mapping[str, Any]]]) -> list[Criterion]:
    """The criteria under which anything was found, in their order."""
    found = {CATALOGUE[rule].criterion for rule, _ in measured}
    return [criterion for criterion in CRITERIA if criterion in found]


def checked_answers(measured: Iterable[tuple[str, Mapping[str, Any]]]) -> list[CheckedFinding]:
    """What was found on a draft, in words."""
    found = []
    for rule, own in measured:
        finding = FINDING.validate_python(own)
        about = CATALOGUE[rule]
        found.append(
            CheckedFinding(
                criterion=about.criterion,
                severity=finding.severity,
                sign=about.sign,
                message=wording(finding).message,
                views=list(finding.views),
            )
        )
    return found
