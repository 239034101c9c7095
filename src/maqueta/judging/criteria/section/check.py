"""Criterion section: views that show the part cut open."""

from maqueta.geometry.compare import lying_on
from maqueta.judging.criteria.section.boundary import check_boundary
from maqueta.judging.criteria.section.cutting_lines import check_cutting_lines
from maqueta.judging.criteria.section.hatching import check_hatching
from maqueta.judging.criteria.section.missing import check_missing
from maqueta.judging.criteria.section.rules import RULES
from maqueta.judging.cutting_survey import called, cutting_survey
from maqueta.judging.finding import Finding
from maqueta.judging.survey import Survey
from maqueta.sheet.placed import PlacedView


def check_section(survey: Survey) -> list[Finding]:
    """All rules of the criterion. The lines of a section are judged as those of any view."""
    if not survey.sections and not survey.exercise.special and not survey.sheet.cutting_lines:
        return []
    cutting = cutting_survey(survey)
    findings = [*check_missing(cutting), *check_cutting_lines(cutting)]
    findings += check_hatching(survey)
    for item in survey.sections:
        findings += _hidden(survey, item)
        findings += check_boundary(survey, item)
    return findings


def _hidden(survey: Survey, item: PlacedView) -> list[Finding]:
    """`section.hidden`. Where a part is broken out, the rest of the view may keep its hidden lines."""
    if item.view.cut is None or item.view.cut.form == "broken-out":
        return []
    hidden = [piece for piece in item.drawn if piece.kind == "hidden"]
    if item.view.id in survey.compared:
        # A visible line drawn as a hidden one is of the wrong kind, no hidden line left.
        covered = lying_on(hidden, item.lines.of("visible"), survey.exercise.tolerance_mm / item.factor)
        hidden = [piece for piece, own in zip(hidden, covered, strict=True) if own < piece.length / 2]
    if not hidden:
        return []
    return [
        RULES.found(
            "section.hidden",
            "error" if survey.exercise.bare_sections else "warning",
            views=(item.view.id,),
            at=tuple(tuple(piece.moved(item.move).outline()) for piece in hidden),
            parameters={"view": called(item), "count": len(hidden)},
            edges=tuple(sorted({edge for piece in hidden for edge in piece.edges})),
        )
    ]
