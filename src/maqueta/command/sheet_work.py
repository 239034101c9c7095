"""The sheet of a command: read, and judged once its part is known."""

import json
import pickle
from collections.abc import Sequence
from functools import lru_cache
from pathlib import Path
from typing import Any, Final, TypeVar

from pydantic import BaseModel, ValidationError

from maqueta.command.inputs import InputError, bytes_of, page_named
from maqueta.judging.report import check, report
from maqueta.phrases.phrase import Phrase
from maqueta.phrases.said import USUAL_LANGUAGE, bundle, said
from maqueta.projection.projected_part import from_json
from maqueta.reading.begun import BegunSheet
from maqueta.reading.content import Content
from maqueta.reading.delivered import begun_of, paper_of, read_content
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.file_content import content_of
from maqueta.reading.limits import LARGEST_FILE
from maqueta.reading.questions import Question, questions
from maqueta.reading.sheet import finished
from maqueta.reading.special.matching import LooksWantedError
from maqueta.sheet.document import SheetDocument
from maqueta.task.criteria import ALONE
from maqueta.task.exercise import Exercise

_LARGEST_JSON: Final = 16 * 1024 * 1024
M = TypeVar("M", bound=BaseModel)


def given(task: Path, sheet: Path) -> tuple[bytes, bytes | None]:
    """What is asked and what was drawn, as bytes for `judged`, and the looks in which the part has to be drawn for it
    beside the usual ones, as bytes for `part_work.seen_so`. Raises InputError.
    """
    # Sentences are made ready while the part is waited for.
    bundle(USUAL_LANGUAGE)
    exercise = model_in(Exercise, task)
    if is_document(sheet):
        document = model_in(SheetDocument, sheet)
        looks = document.looks_aslant
        return pickle.dumps((exercise, document)), pickle.dumps(looks) if looks else None
    path, page = page_named(sheet)
    try:
        return pickle.dumps((exercise, content_of(bytes_of(path, LARGEST_FILE), page, paper_of(exercise)))), None
    except UnreadableSheetError as error:
        raise InputError(f"{sheet}: {error}") from error


def judged(path: Path, part: bytes, asked: bytes, more: Sequence[bytes]) -> dict[str, Any] | bytes:
    """The report on a sheet, from what `part_work` and `given` made of the files; or the looks in which the part has to
    be drawn first, as bytes for `part_work.seen_so`. `more` is what that has drawn so far. Raises InputError.
    """
    projected = from_json(part)
    for drawn in more:
        projected = projected.with_looks(pickle.loads(drawn))
    exercise, sheet = pickle.loads(asked)
    not_read: tuple[Phrase, ...] = ()
    if isinstance(sheet, Content):
        try:
            if exercise.shows in ALONE:
                read = read_content(sheet, projected, exercise, asks=True)
            else:
                read = finished(_begun(part, asked), projected, asks=True)
        except LooksWantedError as wanted:
            return pickle.dumps(wanted.looks)
        except UnreadableSheetError as error:
            raise InputError(f"{path}: {error}") from error
        sheet, not_read = read.document, read.not_read
    return report(check(projected, exercise, named(sheet, path))) | {
        "not_read": [said(what) for what in not_read],
        "questions": questions_json(not_read),
    }


def is_document(sheet: Path) -> bool:
    """Whether a sheet is a sheet document."""
    return sheet.suffix.lower() == ".json"


def questions_json(not_read: Sequence[Phrase]) -> list[dict[str, Any]]:
    """What somebody has to look at, as it stands in the report."""
    return [_asked(question) for question in questions(not_read)]


def _asked(question: Question) -> dict[str, Any]:
    """A question as it stands in the report; `at` is a list of points, as of a finding."""
    at = [] if question.at is None else [list(question.at)]
    return {"at": at, "read": question.read, "sure": question.sure, "message": said(question.asked)}


@lru_cache(maxsize=1)
def _begun(part: bytes, asked: bytes) -> BegunSheet:
    """A sheet from a file, its lines told; they stay what they are when the part is drawn in more looks."""
    exercise, content = pickle.loads(asked)
    return begun_of(content, from_json(part), exercise)


def named(document: SheetDocument, path: Path) -> SheetDocument:
    """A sheet without a name of its own is called as its file."""
    return document if document.name is not None else document.model_copy(update={"name": path.stem[:120]})


def model_in(kind: type[M], path: Path) -> M:
    """What a JSON file says, as a model. Raises InputError that names the key at fault."""
    data = bytes_of(path, _LARGEST_JSON)
    try:
        return kind.model_validate(json.loads(data))
    except ValidationError as error:
        first = error.errors()[0]
        where = ".".join(str(key) for key in first["loc"]) or "the document"
        raise InputError(f"{path}: {where}: {first['msg']}") from error
    except (ValueError, RecursionError) as error:
        raise InputError(f"{path}: it is not JSON ({error})") from error
