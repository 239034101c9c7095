"""The whole check of one sheet, and the report in its stable form."""

from dataclasses import dataclass
from typing import Any, Final

from maqueta.checking.alignment import check_alignment
from maqueta.checking.angle import check_angle
from maqueta.checking.catalogue import CATALOGUE, wording
from maqueta.checking.dimension_choice import check_choice
from maqueta.checking.dimension_form import check_form
from maqueta.checking.dimension_survey import DimensionSurvey
from maqueta.checking.dimensions import check_dimensions
from maqueta.checking.exercise import CRITERIA, Criterion, Exercise
from maqueta.checking.finding import Finding
from maqueta.checking.front import check_front
from maqueta.checking.layout import check_layout
from maqueta.checking.lettering import check_lettering
from maqueta.checking.lines import check_lines
from maqueta.checking.marks import Mark, mark
from maqueta.checking.placement import check_placement
from maqueta.checking.scale import check_scale
from maqueta.checking.scope import Scope, scope_of
from maqueta.checking.survey import Survey
from maqueta.checking.title import check_title
from maqueta.checking.views import check_views
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument

REPORT_FORMAT: Final = 1


@dataclass(frozen=True)
class Check:
    """A finished check: what was found, and what of the sheet could be judged."""

    survey: Survey
    findings: tuple[Finding, ...]
    scope: Scope
    dimensions: DimensionSurvey

    def marks(self, waived: frozenset[int] = frozenset()) -> dict[Criterion, Mark]:
        """Marks of all criteria; `waived` are places in `findings`."""
        return {c: mark(c, self.findings, self.survey.exercise, self.scope, waived) for c in CRITERIA}


def check(projected: ProjectedPart, exercise: Exercise, sheet: SheetDocument) -> Check:
    """Check a sheet against its part and exercise. Pure: equal inputs give equal findings in equal order."""
    survey = Survey(projected, exercise, sheet)
    dimensions = DimensionSurvey(survey)
    findings: list[Finding] = []
    for criterion in (
        check_front,
        check_angle,
        check_views,
        check_alignment,
        check_lines,
        check_scale,
    ):
        findings += criterion(survey)
    findings += check_dimensions(dimensions)
    findings += check_form(dimensions)
    findings += check_choice(dimensions)
    if exercise.dimensioning.required:
        findings += check_placement(dimensions)
        findings += check_lettering(dimensions)
    findings += check_layout(survey)
    findings += check_title(survey)
    return Check(survey, tuple(findings), scope_of(survey, dimensions), dimensions)


def _tidy(value: float) -> float:
    """A number without the dust of floating point; never −0."""
    return round(value, 6) + 0.0


def finding_json(finding: Finding) -> dict[str, Any]:
    """A finding as people and programs read it."""
    words = wording(finding)
    return {
        "rule": finding.rule,
        "severity": finding.severity,
        "views": list(finding.views),
        "at": [[[_tidy(x), _tidy(y)] for x, y in line] for line in finding.at],
        "expected": words.expected,
        "found": words.found,
        "message": words.message,
        "basis": CATALOGUE[finding.rule].basis,
    }


def report(check: Check) -> dict[str, Any]:
    """The report of the command line (format 1)."""
    survey, part = check.survey, check.survey.projected.part
    return {
        "format": REPORT_FORMAT,
        "part": {"hash": part.hash, "extents": [_tidy(e) for e in part.extents]},
        "views": [_view_json(survey, index) for index in range(len(survey.placed))],
        "findings": [finding_json(finding) for finding in check.findings],
        "criteria": {
            criterion: {"outcome": mark.outcome, "points": mark.points, "of": mark.of}
            for criterion, mark in check.marks().items()
        },
        "dimensioning": dimensioning_json(check.dimensions),
        "not_judged": dict(check.scope.unjudged),
        "lacking": dict(check.scope.lacking),
    }


def _view_json(survey: Survey, index: int) -> dict[str, Any]:
    item = survey.placed[index]
    return {
        "id": item.view.id,
        "name": survey.name(item),
        "side": item.view.side,
        "up": item.view.up,
        "scale": _tidy(item.view.scale),
        "box": [_tidy(edge) for edge in item.box],
        "match": round(survey.match(item), 4),
    }


def dimensioning_json(dimensions: DimensionSurvey) -> dict[str, Any]:
    """Counts, open sizes and chains; only a reason where they are not judged."""
    if dimensions.reason is not None:
        return {"not_judged": dimensions.reason}
    form, reading = dimensions.form, dimensions.reading
    needed_diameters, given_diameters = dimensions.diameters
    return {
        "needed": reading.needed,
        "least": reading.least,
        "given": sum(1 for item in dimensions.measured if item.equations),
        "per_direction": {
            row.direction: {
                "stretches": row.stretches,
                "needed": row.needed,
                "given": row.given,
                "missing": row.missing,
                "surplus": row.surplus,
            }
            for row in dimensions.counts
            if row.direction is not None
        },
        "diameters": {"needed": needed_diameters, "given": given_diameters},
        "open": [
            [
                {"kind": form.unknowns[i].kind, "axis": form.unknowns[i].axis, "at": _tidy(form.true_value(i))}
                for i in sorted(motion)
            ]
            for motion in reading.open
        ],
        "chains": [{"members": list(chain.members), "surplus": chain.surplus} for chain in reading.chains],
    }
