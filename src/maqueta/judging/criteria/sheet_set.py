"""Criterion set: the sheets that were asked for are all there, each once, in order, named, numbered and uniform."""

import re
from collections import Counter
from collections.abc import Callable, Hashable, Iterator, Sequence
from typing import Final

from maqueta.judging.finding import Finding, Parameter
from maqueta.judging.rule import Rules, rule
from maqueta.judging.set_survey import SetSurvey, SheetIn, words_of
from maqueta.phrases.phrase import phrase
from maqueta.sheet.sheet_name import asked_name, same_words
from maqueta.sheet.words import all_within, may_be_one_person
from maqueta.solid.assembly import WHOLE

RULES: Final[Rules] = Rules(
    (
        rule("set.missing", "error", "missing"),
        rule("set.order", "warning", "displaced", "", "twice", "strange", named=("twice", "strange")),
        rule("set.name", "warning", "doubt", "", "title"),
        rule("set.number", "warning", "doubt", "missing", "alone", "contradicts"),
        rule("set.uniform", "error", "doubt", "units", "angle", "style", "decimals", "drafter"),
    )
)
#: "3 / 7", "3 of 7", "sheet 3 of 7", "Lámina 3 de 7"; an upright stroke is a slash that was misread.
_NUMBER: Final = re.compile(
    r"(?<!\d)(\d{1,3})\s*(?:[/|Il]|\bof\b|\bde\b|\bvon\b|\bsur\b)\s*(\d{1,3})(?!\d)", re.IGNORECASE
)
_ALONE: Final = re.compile(r"(?<!\d)(\d{1,3})(?!\d)")

#: A finding about a set, and the sheet it is about by place, from 0; None where it is about none.
Placed = tuple[int | None, Finding]


def check_set(survey: SetSurvey) -> list[Placed]:
    """All rules of the criterion."""
    return [
        *_missing(survey),
        *_order(survey),
        *_names(survey),
        *_numbers(survey),
        *_uniform(survey),
    ]


def _missing(survey: SetSurvey) -> Iterator[Placed]:
    for number, (asked, places) in enumerate(zip(survey.asked.sheets, survey.places, strict=True), 1):
        if not places:
            parameters: dict[str, Parameter] = {"number": number, "title": words_of(asked)}
            yield None, RULES.found("set.missing", parameters=parameters | {"shows": _shown(asked.shows)})


def _shown(shows: str) -> Parameter:
    return phrase("sheet-shows", shows=shows.replace(" ", "-"))


def _order(survey: SetSurvey) -> Iterator[Placed]:
    firsts = [places[0] for places in survey.places if places]
    if firsts != sorted(firsts):
        came = [str(number + 1) for number in sorted(range(len(survey.places)), key=lambda n: survey.places[n][:1])]
        there = [number for number in came if survey.places[int(number) - 1]]
        yield None, RULES.found("set.order", parameters={"came": tuple(there), "asked": tuple(sorted(there, key=int))})
    for asked, places in zip(survey.asked.sheets, survey.places, strict=True):
        for again in places[1:]:
            parameters: dict[str, Parameter] = {"title": words_of(asked), "number": places[0] + 1}
            yield again, RULES.found("set.order", parameters=parameters, variant="twice")
    for place, own in enumerate(survey.sheets):
        if own.asked is None:
            yield place, RULES.found("set.order", parameters={"name": _called(own)}, variant="strange")


def _called(own: SheetIn) -> str:
    return own.document.title.legible("title") or own.document.name or own.file


def _names(survey: SetSurvey) -> Iterator[Placed]:
    """What the title blocks call the sheets, and what their files are called: of pages of one file only the first."""
    for place, own in enumerate(survey.sheets):
        asked = survey.entry(own)
        written = own.document.title.legible("title")
        if asked is not None and asked.title and written and not _titled(survey, own, written):
            parameters: dict[str, Parameter] = {"name": written, "asked": asked.title}
            yield place, RULES.found("set.name", parameters=parameters, variant="title")
        pattern = asked.sheet_name if asked is not None else None
        if pattern is None or own.page > 1:
            continue
        title = own.document.title
        if own.pages > 1 and survey.asked.title:
            # A file of several sheets is named for all of them.
            title = title.model_copy(update={"fields": {**title.fields, "title": survey.asked.title}})
        wanted, name = asked_name(pattern, title), own.document.name or own.file
        if wanted is not None and not same_words(name, wanted):
            yield place, RULES.found("set.name", parameters={"name": name, "asked": wanted})


def _titled(survey: SetSurvey, own: SheetIn, written: str) -> bool:
    """Whether a title says what the sheet is: as it is asked for, or by the name of its part or of the whole."""
    asked = survey.entry(own)
    names = [asked.title, asked.of if asked.of != WHOLE else survey.asked.title] if asked is not None else []
    part = own.survey.projected.part.name if own.survey is not None else ""
    return any(name and all_within(name, written) for name in (*names, part))


def _numbers(survey: SetSurvey) -> Iterator[Placed]:
    """A sheet's number may count what was asked for or what was handed in: with a sheet missing both are known."""
    wholes = {len(survey.asked.sheets), len(survey.sheets)}
    for place, own in enumerate(survey.sheets):
        written = own.document.title.legible("sheet")
        if own.asked is None or written is None:
            continue
        number = own.asked + 1
        wanted = f"{number}/{len(survey.asked.sheets)}"
        both, alone = _NUMBER.search(written), _ALONE.search(written)
        parameters: dict[str, Parameter] = {"asked": wanted, "written": written}
        if both is not None:
            n, of = int(both[1]), int(both[2])
            if n not in (number, place + 1) or of not in wholes:
                yield place, RULES.found("set.number", parameters=parameters, variant="contradicts")
        elif alone is not None and int(alone[1]) in (number, place + 1):
            yield place, RULES.found("set.number", parameters=parameters, variant="alone")
        else:
            yield place, RULES.found("set.number", parameters=parameters, variant="contradicts" if alone else "missing")


def _uniform(survey: SetSurvey) -> Iterator[Placed]:
    """What is the same on most sheets that are asked for alike has to be on all of them."""
    tellings: tuple[tuple[str, Callable[[SheetIn], str | None]], ...] = (
        ("units", _units),
        ("angle", _angle),
        ("style", _style),
        ("decimals", _decimals),
        ("drafter", _drafter),
    )
    for variant, telling in tellings:
        told: list[tuple[int, Hashable, str]] = []
        for place, own in enumerate(survey.sheets):
            asked, said = survey.entry(own), telling(own)
            if asked is not None and said is not None:
                # Who is asked for inches on one sheet and for millimetres on another draws two kinds of sheets.
                known = next(
                    (other for _, _, other in told if variant == "drafter" and may_be_one_person(said, other)), said
                )
                told.append((place, (asked.units, asked.angle, asked.style, asked.decimals), known))
        for place, said, most in _others(told):
            parameters: dict[str, Parameter] = {"said": _spoken(variant, said), "most": _spoken(variant, most)}
            yield place, RULES.found("set.uniform", parameters=parameters, variant=variant)


def _others(told: Sequence[tuple[int, Hashable, str]]) -> Iterator[tuple[int, str, str]]:
    """Where something else is told than on most sheets of a kind; the first sheet rules where none is commonest."""
    for kind in dict.fromkeys(kind for _, kind, _ in told):
        alike = [(place, said) for place, own, said in told if own == kind]
        counted = Counter(said for _, said in alike)
        most = max(counted, key=lambda said: counted[said])
        yield from ((place, said, most) for place, said in alike if said != most)


def _spoken(variant: str, said: str) -> Parameter:
    match variant:
        case "units":
            return phrase("uniform-units", value=said)
        case "angle":
            return phrase("uniform-angle", value=said)
        case "style":
            return phrase("uniform-style", value=said)
        case _:
            return said


_INCHES: Final = re.compile(r"\b(in|inch|inches|zoll|pulgadas?|pulg)\b|[\"”″]", re.IGNORECASE)
_MILLIMETRES: Final = re.compile(r"\b(mm|millimet\w*|milímetros?|milimetros?)\b", re.IGNORECASE)


def _units(own: SheetIn) -> str | None:
    """The unit a sheet says it is drawn in."""
    written = own.document.title.fields.get("unit", "")
    if _MILLIMETRES.search(written):
        return "mm"
    return "inch" if _INCHES.search(written) else None


def _angle(own: SheetIn) -> str | None:
    """The angle of projection that all its views speak for, or its symbol where they speak for none."""
    votes = set(own.survey.angles.values()) if own.survey is not None else set()
    if len(votes) == 1:
        return next(iter(votes))
    return own.document.title.angle if not votes else None


def _style(own: SheetIn) -> str | None:
    """The standard a sheet made at the bench writes its sizes by; one from elsewhere is read as it should be."""
    sheet = own.document
    return sheet.style if sheet.dimensions and all(size.text is None for size in sheet.dimensions) else None


def _decimals(own: SheetIn) -> str | None:
    """How many decimals all sizes have that are written with any, where zeros are kept at their ends."""
    sheet = own.document
    if sheet.dimensions and all(size.text is None for size in sheet.dimensions):
        return str(sheet.decimals) if sheet.style == "asme" and not sheet.fractions else None
    texts = [found[1] for size in sheet.dimensions if (found := re.search(r"\d*[.,](\d+)", size.text or ""))]
    counts = {len(decimals) for decimals in texts}
    kept = any(decimals.endswith("0") for decimals in texts)
    return str(next(iter(counts))) if len(counts) == 1 and kept else None


def _drafter(own: SheetIn) -> str | None:
    """Who drew a sheet, as its title block says it."""
    return own.document.title.legible("drafter") or None
