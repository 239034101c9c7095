"""`section.missing`: sections asked for that are not there, pass elsewhere, or are of another form."""

from collections.abc import Sequence

from maqueta.geometry.box import outline_of
from maqueta.judging.criteria.section.rules import RULES
from maqueta.judging.cutting_survey import CuttingSurvey, called, cut_of
from maqueta.judging.finding import Finding, Parameter
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.sheet.cutting_trace import from_cut
from maqueta.sheet.placed import PlacedView
from maqueta.solid.cut import Cut
from maqueta.solid.unit import MILLIMETRES
from maqueta.task.special import THROUGH_MM, SectionAsked

#: How badly a section answers what is asked: not at all through the points, in another form, and how badly none does.
_ELSEWHERE, _OTHER_FORM = 4.0, 1.0


def check_missing(cutting: CuttingSurvey) -> list[Finding]:
    """What is asked and not there; and cutting lines that lead to no section."""
    survey = cutting.survey
    asked = [own for own in survey.exercise.special if own.kind == "section"]
    answered = _answers(cutting, asked)
    findings = []
    for own, item in zip(asked, answered, strict=True):
        if item is None:
            parameters: dict[str, Parameter] = {"what": asked_words(own)}
            findings.append(RULES.found("section.missing", parameters=parameters))
        elif (off := _off_mm(cutting, own, item)) > THROUGH_MM:
            findings.append(_wrong(item, "elsewhere", {"off": off, "what": asked_words(own)}))
        elif not _of_form(own, item):
            findings.append(_wrong(item, "form", {"what": asked_words(own), "form": cut_of(item).form}))
    lacking = sum(item is None for item in answered)
    for line in cutting.left[lacking:]:
        parent = survey.by_id[line.view]
        findings.append(
            RULES.found(
                "section.missing",
                views=(line.view,),
                at=(tuple(parent.to_sheet(point) for point in line.path),),
                parameters={"letter": line.letter or "none"},
                variant="line",
                items=(line.id,),
            )
        )
    return findings


def asked_words(asked: SectionAsked) -> Phrase:
    """What is asked for, in words."""
    return phrase("some-section", form=asked.form)


def _wrong(item: PlacedView, variant: str, parameters: dict[str, Parameter]) -> Finding:
    return RULES.found(
        "section.missing",
        views=(item.view.id,),
        at=(outline_of(item.box),),
        parameters=parameters | {"view": called(item)},
        variant=variant,
    )


def _answers(cutting: CuttingSurvey, asked: Sequence[SectionAsked]) -> list[PlacedView | None]:
    """The section that answers each best, no section twice; who asks for more chooses first."""
    pairs = [
        (_badly(cutting, own, item), -len(own.through), own.form == "any", place, item)
        for place, own in enumerate(asked)
        for item in cutting.survey.sections
    ]
    found: list[PlacedView | None] = [None] * len(asked)
    for *_, place, item in sorted(pairs, key=lambda pair: pair[:-1]):
        if found[place] is None and item not in found:
            found[place] = item
    return found


def _badly(cutting: CuttingSurvey, asked: SectionAsked, item: PlacedView) -> float:
    elsewhere = _ELSEWHERE if _off_mm(cutting, asked, item) > THROUGH_MM else 0.0
    return elsewhere + (0.0 if _of_form(asked, item) else _OTHER_FORM)


def _of_form(asked: SectionAsked, item: PlacedView) -> bool:
    return asked.form in ("any", cut_of(item).form)


def _off_mm(cutting: CuttingSurvey, asked: SectionAsked, item: PlacedView) -> float:
    """The most that a section is off the points it is asked to pass, mm; nothing where its cutting line passes them.

    A section that shows another plane than its cutting line says is no section missing.
    """
    unit = MILLIMETRES[cutting.survey.projected.part.unit]
    shown = max((from_cut(point, cut_of(item)) for point in asked.through), default=0.0) * unit
    line = cutting.lines.get(item.view.id)
    if shown <= THROUGH_MM or line is None:
        return shown
    parent = cutting.survey.by_id[line.view].look
    if parent is None or item.look is None:
        return shown
    path = tuple(parent.way(point) for point in line.path)
    told = Cut(cut_of(item).form, path, parent.towards, item.look.towards)
    return min(shown, max(from_cut(point, told) for point in asked.through) * unit)
