"""Criterion alignment: neighbouring views exactly in line and not turned."""

from typing import Final

from maqueta.geometry.box import outline_of
from maqueta.judging.cutting_survey import cutting_survey
from maqueta.judging.finding import Finding
from maqueta.judging.in_line import out_of_line
from maqueta.judging.rule import Rules, rule
from maqueta.judging.survey import Survey, attitude_of
from maqueta.sheet.placed import PlacedView
from maqueta.sheet.special import CuttingLine

RULES: Final = Rules(
    (
        rule("alignment.offset", "error", "displaced", "", "parent"),
        rule("alignment.turned", "error", "displaced"),
    )
)


def check_alignment(survey: Survey) -> list[Finding]:
    """`alignment.offset` and `alignment.turned`. Views at an odd scale, or that may stand anywhere, are not judged."""
    findings = []
    lines = cutting_survey(survey).lines
    for item in survey.orthographic:
        parent = survey.parent(item)
        if parent is None or survey.off_scale(item) or _judged_elsewhere(item, lines.get(item.view.id)):
            continue
        principal = item in survey.principal
        if principal and survey.principal_name(item) == "front":
            continue
        if principal and survey.is_turned(item):
            findings.append(_turned(survey, item))
        elif not survey.off_scale(parent):
            findings += _offset(survey, parent, item)
    return findings


def _judged_elsewhere(item: PlacedView, line: CuttingLine | None) -> bool:
    """A detail, and a section with its letters, may stand anywhere; auxiliary views have a criterion of their own.

    Letters forgotten over a section are a matter of their own as well.
    """
    letters = (item.view.letter, line.letter if line is not None else None)
    lettered = item.view.kind == "section" and any(letters)
    return lettered or item.view.kind in ("detail", "auxiliary")


def _turned(survey: Survey, item: PlacedView) -> Finding:
    expected, drawn = survey.expected_attitude(item), attitude_of(item)
    quarters = next(turn for turn in range(4) if expected.turned(turn) == drawn)
    return RULES.found(
        "alignment.turned",
        views=(item.view.id,),
        at=(outline_of(item.box),),
        parameters={
            "name": survey.name(item),
            "degrees": 90 * (quarters if quarters < 3 else 1),
            "expected_up": expected.up,
            "up": drawn.up,
        },
    )


def _offset(survey: Survey, parent: PlacedView, item: PlacedView) -> list[Finding]:
    """In line across the folding line: along it, a view shows every point where its parent shows it."""
    off = out_of_line(survey, parent, item)
    if off is None:
        return []
    front = parent is survey.front
    return [
        RULES.found(
            "alignment.offset",
            views=(item.view.id, parent.view.id),
            at=off.at,
            parameters=off.parameters if front else {**off.parameters, "parent": survey.name(parent)},
            variant="" if front else "parent",
        )
    ]
