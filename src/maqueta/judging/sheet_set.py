"""The whole check of a set of sheets: every sheet by itself, and all of them together."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Any

from maqueta.judging.apart_survey import ApartSurvey
from maqueta.judging.criteria.assembly.listed import check_list_elsewhere
from maqueta.judging.criteria.sheet_set import Placed, check_set
from maqueta.judging.dimension_survey import DimensionSurvey
from maqueta.judging.finding import Finding
from maqueta.judging.over_sheets import said_again
from maqueta.judging.points import Earned, earned
from maqueta.judging.report import REPORT_FORMAT, Check, check_surveyed, finding_json, report, surveyed
from maqueta.judging.scope import Scope
from maqueta.judging.set_survey import SetSurvey, SheetIn, words_of
from maqueta.projection.projected_part import ProjectedPart
from maqueta.task.exercise import Exercise
from maqueta.task.sheet_set import SheetSet


@dataclass(frozen=True)
class PartShown:
    """A part, by the place of the first sheet that is asked of it, the sheets that show it, and whether their sizes
    determine it wholly; None where that is not judged."""

    asked: int
    sheets: tuple[int, ...]
    determined: bool | None


@dataclass(frozen=True)
class SetCheck:
    """A finished check of a set: that of each sheet, None where it is none that was asked for, and what is found of all
    together."""

    survey: SetSurvey
    checks: tuple[Check | None, ...]
    findings: tuple[Placed, ...]
    parts: tuple[PartShown, ...]

    @property
    def earned(self) -> Earned:
        """The points of the set as a whole."""
        return earned("set", [finding for _, finding in self.findings], self.survey.asked, Scope())


def check_one(
    asked: SheetSet, parts: Sequence[ProjectedPart], came: Sequence[SheetIn], place: int, task: Exercise
) -> tuple[Check, list[Finding]]:
    """The check of one sheet of a set, by its place among those that came, with what the others say, and what is found
    of it among all. What `check_sheets` finds about it, without checking the others; `task` is what its own exercise
    asks. Raises ValueError for a sheet that is none of those asked for.
    """
    sheets = [_surveyed(asked, parts, own) for own in came]
    own = sheets[place]
    if own.asked is not None:
        sheets[place] = replace(own, survey=surveyed(parts[own.asked], task, own.document))
    group = next((group for group in _of_one_part(asked, parts, sheets) if place in group), ())
    alone = {at: DimensionSurvey(survey) for at in group if (survey := sheets[at].survey) is not None}
    if place not in alone:
        raise ValueError("not a sheet that was asked for")
    others = tuple(other for at, other in alone.items() if at != place)
    checked = check_surveyed(replace(alone[place], others=others, leads=place == group[0]))
    together = [
        *check_set(SetSurvey(asked, tuple(sheets))),
        *said_again(tuple(alone.items())),
        *_numbers_across(sheets),
    ]
    return checked, [finding for at, finding in together if at == place]


def check_sheets(asked: SheetSet, parts: Sequence[ProjectedPart], came: Sequence[SheetIn]) -> SetCheck:
    """Check a set. `parts` are what each sheet that is asked for is of. Pure: equal inputs give equal findings.

    What the sheets of one part say of its sizes is read together.
    """
    sheets = [_surveyed(asked, parts, own) for own in came]
    of_one = _of_one_part(asked, parts, sheets)
    checks: list[Check | None] = [None] * len(sheets)
    shown: list[PartShown] = []
    findings: list[Placed] = []
    for group in of_one:
        alone = {place: DimensionSurvey(survey) for place in group if (survey := sheets[place].survey) is not None}
        for place, dimensions in alone.items():
            others = tuple(other for at, other in alone.items() if at != place)
            together = replace(dimensions, others=others, leads=place == group[0])
            checks[place] = check_surveyed(together)
        findings += said_again(tuple(alone.items()))
        leading, number = checks[group[0]], sheets[group[0]].asked
        if leading is not None and number is not None and not leading.survey.projected.part.components:
            shown.append(PartShown(number, group, _determined(leading)))
    findings += _numbers_across(sheets)
    survey_of_all = SetSurvey(asked, tuple(sheets))
    return SetCheck(survey_of_all, tuple(checks), (*check_set(survey_of_all), *findings), tuple(shown))


def _surveyed(asked: SheetSet, parts: Sequence[ProjectedPart], own: SheetIn) -> SheetIn:
    if own.asked is None:
        return own
    # How sheets are named is judged of the set.
    entry = asked.sheets[own.asked].model_copy(update={"sheet_name": None})
    return replace(own, survey=surveyed(parts[own.asked], entry, own.document))


def _numbers_across(sheets: Sequence[SheetIn]) -> list[Placed]:
    """What a parts list on a sheet of its own says otherwise than the balloons on the others."""
    surveys = [(place, own.survey) for place, own in enumerate(sheets) if own.survey is not None]
    apart = [(place, own) for place, own in surveys if own.exercise.shows == "pulled apart" and own.sheet.balloons]
    return [
        (place, finding)
        for place, listing in surveys
        if listing.exercise.shows == "parts list"
        for _, shown in apart
        if shown.projected.part.hash == listing.projected.part.hash
        for finding in check_list_elsewhere(ApartSurvey(listing), ApartSurvey(shown))
    ]


def _of_one_part(asked: SheetSet, parts: Sequence[ProjectedPart], sheets: Sequence[SheetIn]) -> list[tuple[int, ...]]:
    """The sheets by the part they show; those of whole assemblies, and second ones of the same, each by itself."""
    groups: dict[object, list[int]] = {}
    taken: set[int] = set()
    for place, own in enumerate(sheets):
        if own.asked is None:
            continue
        part = parts[own.asked].part
        alone = bool(part.components) or own.asked in taken or asked.sheets[own.asked].shows != "views"
        groups.setdefault(place if alone else part.hash, []).append(place)
        taken.add(own.asked)
    return [tuple(group) for group in groups.values()]


def _determined(first: Check) -> bool | None:
    dimensions = first.dimensions
    if dimensions.reason is not None or not first.survey.exercise.dimensioning.required:
        return None
    if any(own.survey.sheet.unread_sizes for own in (dimensions, *dimensions.others)):
        return None
    return not dimensions.reading.open


def set_report(check: SetCheck) -> dict[str, Any]:
    """The report of the command line on a set (format 1): findings of all sheets, each with the number of its sheet."""
    asked = check.survey.asked
    sheets, findings = [], []
    for number, (own, checked) in enumerate(zip(check.survey.sheets, check.checks, strict=True), 1):
        entry = check.survey.entry(own)
        told: dict[str, Any] = {
            "sheet": number,
            "file": own.file,
            "page": own.page,
            "entry": own.asked + 1 if own.asked is not None else None,
            "of": entry.of if entry is not None else None,
            "shows": entry.shows if entry is not None else None,
            "title": entry.title if entry is not None else None,
        }
        if checked is not None:
            whole = report(checked)
            findings += [{"sheet": number, **finding} for finding in whole["findings"]]
            told |= {key: value for key, value in whole.items() if key not in ("format", "findings")}
        sheets.append(told)
    together = [
        {"sheet": place + 1 if place is not None else None, **finding_json(finding)}
        for place, finding in check.findings
    ]
    of_all = check.earned
    return {
        "format": REPORT_FORMAT,
        "sheets": sheets,
        "findings": [*findings, *together],
        "criteria": {"set": {"outcome": of_all.outcome, "points": of_all.points, "of": of_all.of}},
        "parts": [
            {
                "name": asked.sheets[shown.asked].of,
                "sheets": [place + 1 for place in shown.sheets],
                "determined": shown.determined,
            }
            for shown in check.parts
        ],
        "missing": [
            {"entry": number, "title": words_of(entry), "of": entry.of, "shows": entry.shows}
            for number, (entry, places) in enumerate(zip(asked.sheets, check.survey.places, strict=True), 1)
            if not places
        ],
    }
