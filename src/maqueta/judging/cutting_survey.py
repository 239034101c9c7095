"""Which cutting line belongs to which section of a sheet."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from maqueta.judging.survey import Survey
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.sheet.cutting_trace import off_trace, trace
from maqueta.sheet.placed import PlacedView
from maqueta.sheet.special import CuttingLine
from maqueta.solid.cut import Cut


@dataclass(frozen=True)
class CuttingSurvey:
    """The sections of a sheet, each with its cutting line, and the lines that belong to none."""

    survey: Survey
    lines: Mapping[str, CuttingLine]
    left: tuple[CuttingLine, ...]

    def off_mm(self, item: PlacedView, line: CuttingLine) -> float:
        """How far a cutting line is from where the section is cut, mm on paper."""
        return _off(self.survey, item, line)


def cutting_survey(survey: Survey) -> CuttingSurvey:
    """Sections and cutting lines told by their letters; what is left over, by where it lies."""
    lines = list(survey.sheet.cutting_lines)
    found: dict[str, CuttingLine] = {}
    by_letter = [(item, line) for item in survey.sections for line in lines if _same_letter(item, line)]
    for item, line in sorted(by_letter, key=lambda pair: _off(survey, *pair)):
        if item.view.id not in found and line in lines:
            found[item.view.id] = line
            lines.remove(line)
    open_ones = [item for item in survey.sections if item.view.id not in found]
    by_place = [(item, line) for item in open_ones for line in lines]
    for item, line in sorted(by_place, key=lambda pair: _off(survey, *pair)):
        if item.view.id not in found and line in lines:
            found[item.view.id] = line
            lines.remove(line)
    return CuttingSurvey(survey, found, tuple(lines))


def _same_letter(item: PlacedView, line: CuttingLine) -> bool:
    return item.view.letter is not None and item.view.letter in (line.letter, line.other)


def _off(survey: Survey, item: PlacedView, line: CuttingLine) -> float:
    parent = survey.by_id[line.view]
    if item.view.cut is None or parent.look is None:
        return float("inf")
    return off_trace(line.path, trace(item.view.cut, parent.look)) * parent.factor


def cut_of(item: PlacedView) -> Cut:
    """How a section cuts the part."""
    assert item.view.cut is not None, "a section has a cut"
    assert item.look is not None, "a section looks at the part"
    return item.view.cut.cut(item.look.towards)


def called(item: PlacedView) -> Phrase:
    """What a section, detail or auxiliary view is called: by its letter where it has one."""
    return phrase("special-name", kind=item.view.kind, letter=item.view.letter or "none")


def used_twice(letters: Sequence[str]) -> list[str]:
    """Letters that stand for more than one thing."""
    return sorted({letter for letter in letters if letters.count(letter) > 1})
