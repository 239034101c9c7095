"""The sheet of a command: read, and judged once its part is known."""

import json
import pickle
from pathlib import Path
from typing import Any, Final, TypeVar

from pydantic import BaseModel, ValidationError

from maqueta.checking.delivered import understood
from maqueta.checking.exercise import Exercise
from maqueta.checking.report import check, report
from maqueta.command.inputs import InputError, bytes_of
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.content import Content
from maqueta.reading.dxf_file import LARGEST_FILE, read_dxf
from maqueta.reading.errors import UnreadableSheetError
from maqueta.sheet.document import SheetDocument

_LARGEST_JSON: Final = 16 * 1024 * 1024
M = TypeVar("M", bound=BaseModel)


def given(task: Path, sheet: Path) -> bytes:
    """What is asked and what was drawn, as bytes for `judged`. Raises InputError."""
    exercise = _model(Exercise, task)
    kind = sheet.suffix.lower()
    if kind == ".dxf":
        data = bytes_of(sheet, LARGEST_FILE)
        try:
            return pickle.dumps((exercise, read_dxf(data)))
        except UnreadableSheetError as error:
            raise InputError(f"{sheet}: {error}") from error
    if kind == ".json":
        return pickle.dumps((exercise, _model(SheetDocument, sheet)))
    raise InputError(f"{sheet}: a sheet is a document (.json) or a DXF file (.dxf)")


def judged(path: Path, part: bytes, asked: bytes) -> dict[str, Any]:
    """The report on a sheet, from what `part_work.projected` and `given` made of the files. Raises InputError."""
    projected: ProjectedPart = pickle.loads(part)
    exercise, sheet = pickle.loads(asked)
    not_read: tuple[str, ...] = ()
    if isinstance(sheet, Content):
        try:
            read = understood(sheet, projected, exercise)
        except UnreadableSheetError as error:
            raise InputError(f"{path}: {error}") from error
        sheet, not_read = read.document, read.not_read
    return report(check(projected, exercise, _named(sheet, path))) | {"not_read": list(not_read)}


def _named(document: SheetDocument, path: Path) -> SheetDocument:
    """A sheet without a name of its own is called as its file."""
    return document if document.name is not None else document.model_copy(update={"name": path.stem[:120]})


def _model(kind: type[M], path: Path) -> M:
    data = bytes_of(path, _LARGEST_JSON)
    try:
        return kind.model_validate(json.loads(data))
    except ValidationError as error:
        first = error.errors()[0]
        where = ".".join(str(key) for key in first["loc"]) or "the document"
        raise InputError(f"{path}: {where}: {first['msg']}") from error
    except (ValueError, RecursionError) as error:
        raise InputError(f"{path}: it is not JSON ({error})") from error
