"""The command line: the same core as the application, without server or database."""

import argparse
import json
import sys
import tempfile
from collections.abc import Callable, Sequence
from pathlib import Path
from typing import Any, TypeVar

from pydantic import BaseModel, ValidationError

from maqueta.checking.analysis import analysis
from maqueta.checking.delivered import read_delivered
from maqueta.checking.exercise import Exercise
from maqueta.checking.report import check, report
from maqueta.confined import KERNEL_SECONDS, WAITED_SECONDS, ConfinedError, Confinement
from maqueta.projection.project import project
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.dxf_file import LARGEST_FILE
from maqueta.reading.errors import UnreadableSheetError
from maqueta.sheet.document import SheetDocument
from maqueta.solid.errors import PartError
from maqueta.solid.source import load_part

_LARGEST_JSON = 16 * 1024 * 1024


M = TypeVar("M", bound=BaseModel)
Result = TypeVar("Result")


class InputError(Exception):
    """An input cannot be used: which file, where in it, why."""


def main(arguments: Sequence[str] | None = None) -> int:
    """Entry point. Returns the exit status: 0 checked, 2 an input cannot be used."""
    parser = argparse.ArgumentParser(prog="maqueta", description="Checks technical drawings against the solid part.")
    commands = parser.add_subparsers(dest="command", required=True)
    checking = commands.add_parser("check", help="check one sheet")
    checking.add_argument("--part", type=Path, required=True, help="STEP file or part recipe")
    checking.add_argument("--sheet", type=Path, required=True, help="sheet document (.json) or DXF file (.dxf)")
    checking.add_argument("--task", type=Path, required=True, help="what the exercise asks (.json)")
    checking.add_argument("--out", type=Path, help="report file; standard output if not given")
    analysing = commands.add_parser("analyse", help="what a part's drawing demands")
    analysing.add_argument("--part", type=Path, required=True, help="STEP file or part recipe")
    analysing.add_argument("--out", type=Path, help="report file; standard output if not given")
    options = parser.parse_args(arguments)
    try:
        _check_target(options.out)
        with Confinement(InputError) as apart:
            if options.command == "check":
                result = _check(apart, options.part, options.sheet, options.task)
            else:
                result = _about(apart, options.part, KERNEL_SECONDS, _analysed, options.part)
        _write(result, options.out)
    except InputError as error:
        print(" ".join(str(error).split()), file=sys.stderr)
        return 2
    return 0


def _about(apart: Confinement, path: Path, seconds: float, work: Callable[..., Result], *arguments: Any) -> Result:
    """The result of work on a file. Raises InputError that names the file where there is none."""
    try:
        return apart.run(work, *arguments, seconds=seconds)
    except ConfinedError as error:
        raise InputError(f"{path}: {error}") from error


def _analysed(part: Path) -> dict[str, Any]:
    return analysis(_project(part))


def _check(apart: Confinement, part: Path, sheet: Path, task: Path) -> dict[str, Any]:
    exercise = _model(Exercise, task)
    if sheet.suffix.lower() not in (".dxf", ".json"):
        _missing(sheet)
        raise InputError(f"{sheet}: a sheet is a document (.json) or a DXF file (.dxf)")
    data = _bytes(sheet) if sheet.suffix.lower() == ".dxf" else b""
    document = None if data else _model(SheetDocument, sheet)
    projected = _about(apart, part, KERNEL_SECONDS, _project, part)
    return _about(apart, sheet, WAITED_SECONDS, _checked, projected, exercise, sheet, document or data)


def _checked(projected: ProjectedPart, exercise: Exercise, path: Path, sheet: SheetDocument | bytes) -> dict[str, Any]:
    """The report on a sheet document, or on a file that has to be read first."""
    not_read: tuple[str, ...] = ()
    if isinstance(sheet, bytes):
        try:
            read = read_delivered(sheet, projected, exercise)
        except UnreadableSheetError as error:
            raise InputError(f"{path}: {error}") from error
        sheet, not_read = read.document, read.not_read
    return report(check(projected, exercise, _named(sheet, path))) | {"not_read": list(not_read)}


def _named(document: SheetDocument, path: Path) -> SheetDocument:
    """A sheet without a name of its own is called as its file."""
    return document if document.name is not None else document.model_copy(update={"name": path.stem[:120]})


def _bytes(path: Path) -> bytes:
    _missing(path)
    try:
        if path.stat().st_size > LARGEST_FILE:
            raise InputError(f"{path}: the file is larger than {LARGEST_FILE // 2**20} MB")
        return path.read_bytes()
    except OSError as error:
        raise InputError(f"{path}: {error.strerror}") from error


def _project(path: Path) -> ProjectedPart:
    _missing(path)
    try:
        shape, part, _ = load_part(path)
        return project(shape, part)
    except PartError as error:
        raise InputError(f"{path}: {error}") from error
    except OSError as error:
        raise InputError(f"{path}: {error.strerror}") from error


def _missing(path: Path) -> None:
    if not path.is_file():
        raise InputError(f"{path}: there is no such file")


def _model(kind: type[M], path: Path) -> M:
    _missing(path)
    try:
        if path.stat().st_size > _LARGEST_JSON:
            raise InputError(f"{path}: the file is larger than 16 MB")
        data = json.loads(path.read_bytes())
        return kind.model_validate(data)
    except ValidationError as error:
        first = error.errors()[0]
        where = ".".join(str(key) for key in first["loc"]) or "the document"
        raise InputError(f"{path}: {where}: {first['msg']}") from error
    except (ValueError, RecursionError) as error:
        raise InputError(f"{path}: it is not JSON ({error})") from error
    except OSError as error:
        raise InputError(f"{path}: {error.strerror}") from error


def _check_target(out: Path | None) -> None:
    if out is not None and not out.resolve().parent.is_dir():
        raise InputError(f"{out}: the folder does not exist")


def _write(result: dict[str, Any], out: Path | None) -> None:
    text = json.dumps(result, indent=2, ensure_ascii=False) + "\n"
    if out is None:
        sys.stdout.write(text)
        return
    try:
        with tempfile.NamedTemporaryFile("w", dir=out.resolve().parent, delete=False, encoding="utf-8") as scratch:
            scratch.write(text)
        Path(scratch.name).replace(out)
    except OSError as error:
        raise InputError(f"{out}: {error.strerror}") from error


if __name__ == "__main__":
    raise SystemExit(main())
