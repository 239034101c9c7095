"""The parts list: every part once, with its quantity, name and material, under the number of its balloon."""

import re
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import replace
from difflib import SequenceMatcher
from typing import Any, Final

import numpy as np

from maqueta.geometry.box import outline_of
from maqueta.geometry.pairing import best_pairs
from maqueta.judging.apart_survey import ApartSurvey
from maqueta.judging.criteria.assembly.rules import RULES
from maqueta.judging.finding import Finding
from maqueta.sheet.assembly_items import ListRow, PartsList
from maqueta.solid.assembly import ListedPart

#: Names at least this alike are one name with a slip in it (common practice, no source).
_SLIP: Final = 0.8
#: What a number in common weighs beside a name.
_NUMBER: Final = 0.5


def check_list(apart: ApartSurvey) -> list[Finding]:
    """`assembly.list`, and the numbers of balloons against those of the list."""
    listed, exercise = apart.survey.sheet.parts_list, apart.survey.exercise
    if listed is None:
        wanted = exercise.shows == "parts list" or exercise.parts_list
        return [RULES.found("assembly.list", variant="missing")] if wanted else []
    rows = _written(listed)
    pairs = _paired(apart, rows)
    at = {"at": (outline_of(listed.box),)}
    return [*_rows(apart, rows, pairs, at), *_cells(rows, pairs, at), *_numbers(apart, rows, pairs, at)]


def check_list_elsewhere(listing: ApartSurvey, shown: ApartSurvey) -> list[Finding]:
    """The numbers of a list against the balloons of another sheet of the same set: findings on the list."""
    listed = listing.survey.sheet.parts_list
    if listed is None:
        return []
    rows = _written(listed)
    found = _numbers(shown, rows, _paired(listing, rows), {"at": (outline_of(listed.box),)})
    # Where balloons stand is on another sheet.
    return [replace(own, at=(outline_of(listed.box),), items=()) for own in found]


def _written(listed: PartsList) -> list[ListRow]:
    """The rows in which anything is written."""
    return [row for row in listed.rows if any(cell.strip() for cell in row.cells)]


def _paired(apart: ApartSurvey, rows: Sequence[ListRow]) -> Mapping[int, ListedPart]:
    """Which part each written row means: by its name, and where names say nothing by the number of its balloon."""
    if not rows or not apart.rows:
        return {}
    merit = np.zeros((len(rows), len(apart.rows)))
    for place, written in enumerate(rows):
        for column, true in enumerate(apart.rows):
            numbers = apart.numbers[true] or (str(true.number),)
            alike = likeness(written.name, true.name)
            merit[place, column] = alike + _NUMBER * (written.number.strip() in numbers)
    found: dict[int, ListedPart] = {}
    for place, column in best_pairs(merit):
        if merit[place, column] >= min(_SLIP, _NUMBER):
            found[place] = apart.rows[column]
    return found


def likeness(written: str, true: str) -> float:
    """How alike two names are: 1 for equal words, or where one says all the other says and more; 0 to below 1 else."""
    a, b = (re.findall(r"\w+", name.casefold()) for name in (written, true))
    if not a or not b:
        return 0.0
    if a == b:
        return 1.0
    if set(b) <= set(a):
        return 0.99
    ratio = SequenceMatcher(None, " ".join(a), " ".join(b)).ratio()
    return 0.98 * ratio if ratio >= _SLIP else 0.0


def _rows(
    apart: ApartSurvey, rows: Sequence[ListRow], pairs: Mapping[int, ListedPart], at: dict[str, Any]
) -> Iterator[Finding]:
    for true in apart.rows:
        if true not in pairs.values():
            yield RULES.found("assembly.list", parameters={"name": true.name}, variant="row", **at)
    for place, written in enumerate(rows):
        if place not in pairs:
            name = written.name.strip() or written.number.strip() or written.material.strip()
            yield RULES.found("assembly.list", parameters={"name": name}, variant="surplus", **at)


def _cells(rows: Sequence[ListRow], pairs: Mapping[int, ListedPart], at: dict[str, Any]) -> Iterator[Finding]:
    """What is written beside what it should be; a column that is empty throughout is not asked for."""
    materials = any(row.material.strip() for row in rows)
    for place, true in pairs.items():
        written = rows[place]
        count = re.search(r"\d+", written.quantity)
        if count is None or int(count[0]) != true.quantity:
            said = written.quantity.strip() or "–"
            parameters: dict[str, Any] = {"name": true.name, "written": said, "count": true.quantity}
            yield RULES.found("assembly.list", parameters=parameters, variant="quantity", **at)
        if likeness(written.name, true.name) < _SLIP:
            parameters = {"number": written.number, "written": written.name.strip() or "–", "name": true.name}
            yield RULES.found("assembly.list", parameters=parameters, variant="name", **at)
        if materials and true.material and likeness(written.material, true.material) < _SLIP:
            parameters = {"name": true.name, "written": written.material.strip() or "–", "material": true.material}
            yield RULES.found("assembly.list", parameters=parameters, variant="material", **at)


def _numbers(
    apart: ApartSurvey, rows: Sequence[ListRow], pairs: Mapping[int, ListedPart], at: dict[str, Any]
) -> Iterator[Finding]:
    """Numbers of the list against those of balloons: told of the list, or of a balloon that names another row."""
    listed = {rows[place].number.strip(): true for place, true in pairs.items()}
    given = {true: rows[place].number.strip() for place, true in pairs.items()}
    for true, numbers in apart.numbers.items():
        if true not in given or len(numbers) != 1 or numbers[0] == given[true]:
            continue
        own = [balloon for balloon in apart.survey.sheet.balloons if apart.meant(balloon) == true]
        if numbers[0] in listed:
            yield RULES.found(
                "assembly.balloon",
                at=tuple((balloon.at,) for balloon in own),
                parameters={"number": numbers[0], "name": true.name, "listed": listed[numbers[0]].name},
                variant="other-part",
                items=tuple(balloon.id for balloon in own),
            )
        else:
            parameters: dict[str, Any] = {"name": true.name, "written": given[true] or "–", "number": numbers[0]}
            yield RULES.found("assembly.list", parameters=parameters, variant="number", **at)
