"""`section.cutting-line` and `section.label`: what the parent view says of a section."""

import math

from maqueta.geometry.box import outline_of
from maqueta.geometry.carrier import Point
from maqueta.judging.criteria.section.rules import RULES
from maqueta.judging.cutting_survey import CuttingSurvey, called, cut_of, used_twice
from maqueta.judging.finding import Finding, Parameter
from maqueta.sheet.cutting_trace import TOLD_BY_LINE, arrows_meant
from maqueta.sheet.placed import PlacedView
from maqueta.sheet.special import CuttingLine


def check_cutting_lines(cutting: CuttingSurvey) -> list[Finding]:
    """The place of cutting lines, their arrows and letters."""
    findings: list[Finding] = []
    for item in cutting.survey.sections:
        line = cutting.lines.get(item.view.id)
        if line is None:
            # A section whose place is plain, broken out or revolved about its own axis, needs no line.
            if cut_of(item).form in TOLD_BY_LINE:
                findings.append(_found(item, "section.cutting-line"))
            continue
        findings += _placed(cutting, item, line)
        findings += _lettered(cutting, item, line)
    return findings + _twice(cutting)


def _found(item: PlacedView, rule: str, variant: str = "", **parameters: Parameter) -> Finding:
    return RULES.found(
        rule,
        views=(item.view.id,),
        at=(outline_of(item.box),),
        parameters={"view": called(item), **parameters},
        variant=variant,
    )


def _placed(cutting: CuttingSurvey, item: PlacedView, line: CuttingLine) -> list[Finding]:
    survey, off = cutting.survey, cutting.off_mm(item, line)
    parent = survey.by_id[line.view]
    if parent.look is None:
        return []
    about = {"views": (line.view, item.view.id), "at": (_on_sheet(parent, line),), "items": (line.id,)}
    if off > survey.exercise.thresholds.alignment_mm:
        # Lines in another view altogether are no distance away.
        parameters: dict[str, Parameter] = {"view": called(item), "off": 0.0 if math.isinf(off) else off}
        return [RULES.found("section.cutting-line", parameters=parameters, variant="elsewhere", **about)]
    meant = arrows_meant(cut_of(item).towards, parent.look, line.path)
    if "none" not in (line.arrows, meant) and line.arrows != meant:
        parameters = {"view": called(item)}
        return [RULES.found("section.cutting-line", parameters=parameters, variant="arrows", **about)]
    return []


def _on_sheet(parent: PlacedView, line: CuttingLine) -> tuple[Point, ...]:
    return tuple(parent.to_sheet(point) for point in line.path)


def _lettered(cutting: CuttingSurvey, item: PlacedView, line: CuttingLine) -> list[Finding]:
    over, first, last = item.view.letter, line.letter, line.other or line.letter
    if first is None and over is None:
        # One section in line with its parent is told without letters.
        several = len(cutting.survey.sections) > 1
        return [_label(cutting, item, line, "both")] if several else []
    if first is None:
        return [_label(cutting, item, line, "line")]
    if over is None:
        return [_label(cutting, item, line, "")]
    if first != last:
        return [_label(cutting, item, line, "ends", first=first, last=last or first)]
    if over != first:
        return [_label(cutting, item, line, "differs", first=first, last=over)]
    return []


def _label(cutting: CuttingSurvey, item: PlacedView, line: CuttingLine, variant: str, **letters: str) -> Finding:
    parent = cutting.survey.by_id[line.view]
    return RULES.found(
        "section.label",
        views=(item.view.id, line.view),
        at=(outline_of(item.box), _on_sheet(parent, line)),
        parameters={"view": called(item), **letters},
        variant=variant,
        items=(line.id,),
    )


def _twice(cutting: CuttingSurvey) -> list[Finding]:
    """Letters over two sections, or at cutting lines in two places."""
    sections = [item for item in cutting.survey.sections if item.view.letter is not None]
    letters = [item.view.letter or "" for item in sections]
    of_details = {item.view.letter or "" for item in cutting.survey.placed if item.view.kind == "detail"} - {""}
    twice = [*used_twice(letters), *sorted(of_details & set(letters))]
    findings = []
    for letter in dict.fromkeys(twice):
        named = [item for item in cutting.survey.placed if item.view.letter == letter]
        findings.append(
            RULES.found(
                "section.label",
                views=tuple(item.view.id for item in named),
                at=tuple(outline_of(item.box) for item in named),
                parameters={"letter": letter},
                variant="twice",
            )
        )
    return findings
