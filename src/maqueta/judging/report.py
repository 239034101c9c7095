"""The whole check of one sheet, and the report in its stable form."""

from dataclasses import dataclass
from typing import Any, Final

from maqueta.geometry.rounding import tidy
from maqueta.judging.catalogue import CATALOGUE, wording
from maqueta.judging.criteria.alignment import check_alignment
from maqueta.judging.criteria.angle import check_angle
from maqueta.judging.criteria.assembly.check import check_assembly
from maqueta.judging.criteria.auxiliary import check_auxiliary
from maqueta.judging.criteria.detail import check_detail
from maqueta.judging.criteria.dimensions.check import check_dimensions
from maqueta.judging.criteria.dimensions.choice import check_choice
from maqueta.judging.criteria.dimensions.tolerances import check_tolerances
from maqueta.judging.criteria.dimensions.written import check_form
from maqueta.judging.criteria.front import check_front
from maqueta.judging.criteria.layout import check_layout
from maqueta.judging.criteria.lines.check import check_lines
from maqueta.judging.criteria.pictorial import check_pictorial
from maqueta.judging.criteria.placement.check import check_placement
from maqueta.judging.criteria.placement.lettering import check_lettering
from maqueta.judging.criteria.scale import check_scale
from maqueta.judging.criteria.section.check import check_section
from maqueta.judging.criteria.title import check_title
from maqueta.judging.criteria.views import check_views
from maqueta.judging.dimension_survey import DimensionSurvey
from maqueta.judging.finding import Finding
from maqueta.judging.points import Earned, earned
from maqueta.judging.scope import Scope, scope_of
from maqueta.judging.survey import Survey
from maqueta.phrases.said import said
from maqueta.projection.datum_sides import DIRECTIONS
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.dimension_words import spelt_out
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.placed import PlacedView
from maqueta.sizes.by_half import given_whole
from maqueta.task.criteria import ALONE, CRITERIA, Criterion
from maqueta.task.exercise import Exercise

REPORT_FORMAT: Final = 1


@dataclass(frozen=True)
class Check:
    """A finished check: what was found, and what of the sheet could be judged."""

    survey: Survey
    findings: tuple[Finding, ...]
    scope: Scope
    dimensions: DimensionSurvey

    def points(self) -> dict[Criterion, Earned]:
        """Points of all criteria, before anybody has decided anything."""
        return {c: earned(c, self.findings, self.survey.exercise, self.scope) for c in CRITERIA}


def surveyed(projected: ProjectedPart, exercise: Exercise, sheet: SheetDocument) -> Survey:
    """What is on a sheet, before any of it is judged."""
    asked = exercise.for_sheet(sheet.by_hand)
    return Survey(projected, asked, given_whole(projected, spelt_out(sheet, projected.part.unit)))


def check(projected: ProjectedPart, exercise: Exercise, sheet: SheetDocument) -> Check:
    """Check a sheet against its part and exercise. Pure: equal inputs give equal findings in equal order."""
    return check_surveyed(DimensionSurvey(surveyed(projected, exercise, sheet)))


def check_surveyed(dimensions: DimensionSurvey) -> Check:
    """Check a sheet that is surveyed, with what other sheets say of its part."""
    survey = dimensions.survey
    exercise = survey.exercise
    if exercise.shows in ALONE:
        alone = (*check_layout(survey), *check_title(survey), *check_assembly(survey))
        return Check(survey, alone, scope_of(survey, dimensions), dimensions)
    findings: list[Finding] = []
    for criterion in (
        check_front,
        check_angle,
        check_views,
        check_alignment,
        check_lines,
        check_section,
        check_detail,
        check_auxiliary,
        check_scale,
    ):
        findings += criterion(survey)
    findings += check_dimensions(dimensions)
    findings += check_form(dimensions)
    findings += check_choice(dimensions)
    findings += check_tolerances(dimensions)
    if exercise.dimensioning.required:
        findings += check_placement(dimensions)
        findings += check_lettering(dimensions)
    findings += check_layout(survey)
    findings += check_title(survey)
    findings += check_pictorial(survey)
    findings += check_assembly(survey)
    return Check(survey, tuple(findings), scope_of(survey, dimensions), dimensions)


def finding_json(finding: Finding) -> dict[str, Any]:
    """A finding as people and programs read it, in English."""
    words = wording(finding)
    return {
        "rule": finding.rule,
        "severity": finding.severity,
        "views": list(finding.views),
        "at": [[[tidy(x), tidy(y)] for x, y in line] for line in finding.at],
        "expected": said(words.expected),
        "found": said(words.found),
        "message": said(words.message),
        "basis": said(CATALOGUE[finding.rule].basis),
    }


def report(check: Check) -> dict[str, Any]:
    """The report of the command line (format 1)."""
    survey, part = check.survey, check.survey.projected.part
    return {
        "format": REPORT_FORMAT,
        "part": {"hash": part.hash, "extents": [tidy(e) for e in part.extents]},
        "views": [_view_json(survey, index) for index in range(len(survey.placed))],
        "findings": [finding_json(finding) for finding in check.findings],
        "criteria": {
            criterion: {"outcome": own.outcome, "points": own.points, "of": own.of}
            for criterion, own in check.points().items()
        },
        "dimensioning": dimensioning_json(check.dimensions),
        "not_judged": {criterion: said(why) for criterion, why in check.scope.unjudged.items()},
        "lacking": {criterion: said(why) for criterion, why in check.scope.lacking.items()},
    }


def _view_json(survey: Survey, index: int) -> dict[str, Any]:
    item = survey.placed[index]
    attitude, parent = item.view.attitude, survey.parent(item)
    return {
        "id": item.view.id,
        "name": _view_name(survey, item),
        "kind": item.view.kind,
        "parent": parent.view.id if parent is not None else None,
        "label": item.view.letter,
        "side": attitude.side if attitude is not None else None,
        "up": attitude.up if attitude is not None else None,
        "frame": [[tidy(x) for x in row] for row in item.look.frame] if item.look is not None else None,
        "scale": tidy(item.view.scale),
        "box": [tidy(edge) for edge in item.box],
        "match": round(survey.match(item), 4),
    }


def _view_name(survey: Survey, item: PlacedView) -> str:
    """What a view is called there: "section A" and "detail B" with their letters."""
    name, letter = survey.name(item), item.view.letter
    return f"{name} {letter}" if letter is not None and item.view.kind in ("section", "detail") else name


def dimensioning_json(dimensions: DimensionSurvey) -> dict[str, Any]:
    """Counts, open sizes and chains; only a reason where they are not judged."""
    if dimensions.reason is not None:
        return {"not_judged": said(dimensions.reason)}
    form, reading = dimensions.form, dimensions.reading
    needed_diameters, given_diameters = dimensions.diameters
    return {
        "needed": reading.needed,
        "least": reading.least,
        "given": sum(1 for item in dimensions.measured if item.equations),
        "per_direction": {
            row.row: {
                "stretches": row.stretches,
                "needed": row.needed,
                "given": row.given,
                "missing": row.missing,
                "surplus": row.surplus,
            }
            for row in dimensions.counts
            if row.row in DIRECTIONS
        },
        "diameters": {"needed": needed_diameters, "given": given_diameters},
        "open": [
            [
                {"kind": form.unknowns[i].kind, "axis": form.unknowns[i].axis, "at": tidy(form.true_value(i))}
                for i in sorted(motion)
            ]
            for motion in reading.open
        ],
        "chains": [{"members": list(chain.members), "surplus": chain.surplus} for chain in reading.chains],
    }
