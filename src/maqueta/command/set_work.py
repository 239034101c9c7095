"""A set of sheets on the command line: read, matched to what is asked for, and judged once the parts are known."""

import pickle
from collections.abc import Sequence
from dataclasses import dataclass
from pathlib import Path
from typing import Any

from maqueta.command.inputs import InputError, bytes_of, page_named
from maqueta.command.set_parts import SetParts
from maqueta.command.sheet_work import is_document, model_in, named, questions_json
from maqueta.judging.read_as import Holds, ReadAs
from maqueta.judging.set_survey import SheetIn
from maqueta.judging.sheet_set import check_sheets, set_report
from maqueta.phrases.phrase import phrase
from maqueta.phrases.said import USUAL_LANGUAGE, bundle, said
from maqueta.projection.look import Look
from maqueta.reading.delivered import paper_of
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.file_content import content_of, pages_of
from maqueta.reading.limits import LARGEST_FILE
from maqueta.sheet.document import SheetDocument
from maqueta.task.sheet_set import MOST_SHEETS, SheetSet


@dataclass(frozen=True)
class OneSheet:
    """A sheet as its file has it: a document, what is drawn on a page, or why nothing can be read there."""

    file: Path
    page: int
    pages: int
    holds: Holds


@dataclass(frozen=True)
class SetGiven:
    """What is asked of a set, and all sheets of the files that came."""

    asked: SheetSet
    sheets: tuple[OneSheet, ...]


def set_given(task: Path, files: Sequence[Path]) -> bytes:
    """What is asked and all that came, as bytes for `judged_set`. Raises InputError."""
    # Sentences are made ready while the parts are waited for.
    bundle(USUAL_LANGUAGE)
    asked = model_in(SheetSet, task)
    sheets: list[OneSheet] = []
    for file in files:
        sheets += _sheets_of(file, asked, MOST_SHEETS - len(sheets))
    return pickle.dumps(SetGiven(asked, tuple(sheets)))


def _sheets_of(file: Path, asked: SheetSet, room: int) -> list[OneSheet]:
    """The sheets of a file: of one with several pages all, unless its name says which."""
    if is_document(file):
        return [OneSheet(file, 1, 1, model_in(SheetDocument, file))]
    path, only = page_named(file)
    data = bytes_of(path, LARGEST_FILE)
    try:
        pages = pages_of(data)
        wanted = [only] if path != file else range(1, pages + 1)
        if len(wanted) > room:
            raise UnreadableSheetError(phrase("set-too-many", most=MOST_SHEETS))
        if pages == 1 or path != file:
            return [OneSheet(path, page, 1, content_of(data, page, paper_of(asked))) for page in wanted]
    except UnreadableSheetError as error:
        raise InputError(f"{file}: {error}") from error
    sheets = []
    for page in wanted:
        try:
            sheets.append(OneSheet(path, page, pages, content_of(data, page, paper_of(asked))))
        except UnreadableSheetError as error:
            # A page that cannot be read is no reason not to read the others.
            sheets.append(OneSheet(path, page, pages, error.reason))
    return sheets


def judged_set(parts: bytes, given: bytes, more: Sequence[bytes]) -> dict[str, Any] | bytes:
    """The report on a set, from what `part_work.set_parts` and `set_given` made of the files; or the looks in which
    parts have to be drawn first, by their keys, as bytes for `part_work.set_seen_so`. `more` is what that has drawn.
    """
    known: SetParts = pickle.loads(parts)
    for drawn in more:
        known = known.with_looks(pickle.loads(drawn))
    what: SetGiven = pickle.loads(given)
    table = ReadAs(what.asked, [known.parts[key] for key in known.keys], [own.holds for own in what.sheets])
    # A file of several sheets is called like none of them.
    places = table.places([[own.file.stem] if own.pages == 1 else [] for own in what.sheets])
    if table.wanted:
        wanted: dict[str, dict[Look, None]] = {}
        for asked_for, looks in table.wanted.items():
            wanted.setdefault(known.keys[asked_for], {}).update(dict.fromkeys(looks))
        return pickle.dumps({key: tuple(looks) for key, looks in wanted.items()})
    came, not_read = [], []
    for place, (own, number) in enumerate(zip(what.sheets, places, strict=True)):
        read = table.read(place, number if number is not None else 0)
        came.append(SheetIn(own.file.name, own.page, own.pages, named(read.document, own.file), number))
        not_read.append(read.not_read)
    told_of_all = set_report(check_sheets(what.asked, table.parts, came))
    for sheet, left in zip(told_of_all["sheets"], not_read, strict=True):
        sheet |= {"not_read": [said(what) for what in left], "questions": questions_json(left)}
    return told_of_all
