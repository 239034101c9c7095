"""The command line: the same core as the application, without server or database; and backups of a service's data.

Part and sheet are worked on in two processes side by side. What a half needs is loaded in its process, so that the
geometry kernel, the larger part of the wait, is loaded while the sheet is read; a part drawn before is not drawn again.
"""

import argparse
import gc
import json
import sys
import tempfile
from collections.abc import Callable, Sequence
from contextlib import suppress
from pathlib import Path
from typing import Any, Final, TypeVar

from maqueta.command.inputs import InputError, page_named, there
from maqueta.command.kept_parts import keep, kept, kept_at
from maqueta.confined import KERNEL_SECONDS, WAITED_SECONDS, ConfinedError, Confinement

Result = TypeVar("Result")
#: New objects before garbage is looked for.
_SELDOM: Final = 200_000


def main(arguments: Sequence[str] | None = None) -> int:
    """Entry point. Returns the exit status: 0 done, 2 an input cannot be used."""
    parser = argparse.ArgumentParser(
        prog="maqueta", description="Checks technical drawings against the solid part; keeps the service's data."
    )
    commands = parser.add_subparsers(dest="command", required=True)
    checking = commands.add_parser("check", help="check one sheet")
    checking.add_argument("--part", type=Path, required=True, help="STEP file or part recipe")
    checking.add_argument(
        "--sheet",
        type=Path,
        required=True,
        action="append",
        help="sheet document (.json), DXF, PDF or SVG file, or a picture of a sheet (also sheets.pdf#3, for page 3); "
        "of a set of sheets once for each file, all pages of which count",
    )
    checking.add_argument("--task", type=Path, required=True, help="what the exercise asks (.json)")
    checking.add_argument("--out", type=Path, help="report file; standard output if not given")
    analysing = commands.add_parser("analyse", help="what a part's drawing demands")
    analysing.add_argument("--part", type=Path, required=True, help="STEP file or part recipe")
    analysing.add_argument("--out", type=Path, help="report file; standard output if not given")
    backing_up = commands.add_parser("backup", help="back up database and files, also while people work")
    backing_up.add_argument("file", type=Path, help="the archive that is written")
    restoring = commands.add_parser("restore", help="put a backup back into an empty place")
    restoring.add_argument("file", type=Path, help="an archive that `maqueta backup` wrote")
    options = parser.parse_args(arguments)
    try:
        if options.command in ("backup", "restore"):
            print(_kept(options.command, options.file))
            return 0
        _check_target(options.out)
        if options.command == "check":
            asked, apart = _asked(options.task)
            if asked is not None:
                result = _check_set(options.part, options.sheet, options.task, asked, apart)
            elif len(options.sheet) > 1:
                raise InputError(f"{options.task}: it asks for one sheet, and {len(options.sheet)} are given")
            else:
                result = _check(options.part, options.sheet[0], options.task, apart)
        else:
            with Confinement(InputError) as kernel:
                result = _about(options.part, kernel.begin(_analysed, options.part, seconds=KERNEL_SECONDS))
        _write(result, options.out)
    except InputError as error:
        print(" ".join(str(error).split()), file=sys.stderr)
        return 2
    return 0


def _kept(command: str, file: Path) -> str:
    from maqueta.command import backup_work

    return backup_work.back_up(file) if command == "backup" else backup_work.restore(file)


def _check(part: Path, sheet: Path, task: Path, apart: bool) -> dict[str, Any]:
    for path in (task, page_named(sheet)[0], part):
        there(path)
    # The bindings of the kernel are a million objects that live as long as their process: looking through them for
    # garbage, again and again while they are made, takes a tenth of the time.
    gc.set_threshold(_SELDOM)
    with Confinement(InputError) as kernel, Confinement(InputError) as eye:
        drawn = "apart" if apart else ""
        at = kept_at(part, drawn)
        before = kept(at) if at is not None else None
        line_sets = kernel.begin(_projected, part, apart, seconds=KERNEL_SECONDS) if before is None else lambda: before
        given, looks = _about(sheet, eye.begin(_given, task, sheet, seconds=WAITED_SECONDS))
        projected = _about(part, line_sets)
        # A file written anew meanwhile is not what was drawn.
        if before is None and at is not None and kept_at(part, drawn) == at:
            keep(at, projected)
        more: list[bytes] = []
        while True:
            if looks is not None:
                more.append(_about(part, kernel.begin(_seen_so, part, looks, seconds=KERNEL_SECONDS)))
            work = (sheet, projected, given, tuple(more))
            result = _about(sheet, eye.begin(_judged, *work, seconds=WAITED_SECONDS))
            if isinstance(result, dict):
                return result
            # What a special view shows is told once the part is drawn so.
            looks = result


def _asked(task: Path) -> tuple[list[str | None] | None, bool]:
    """The names of the parts that the sheets of a set are of, as far as it names them, None where a task asks for one
    sheet; and whether any shows an assembly pulled apart. What is wrong with a task is told when it is read in earnest.
    """
    with suppress(OSError, ValueError, RecursionError):
        told = json.loads(task.read_bytes())
        if isinstance(told, dict):
            sheets = told.get("sheets")
            own = [sheet for sheet in sheets if isinstance(sheet, dict)] if isinstance(sheets, list) else None
            apart = any(sheet.get("shows") == "pulled apart" for sheet in (told, *(own or ())))
            return (None if own is None else [sheet.get("of") for sheet in own]), apart
    return None, False


def _check_set(
    part: Path, sheets: Sequence[Path], task: Path, names: Sequence[str | None], apart: bool
) -> dict[str, Any]:
    for path in (task, *(page_named(sheet)[0] for sheet in sheets), part):
        there(path)
    gc.set_threshold(_SELDOM)
    with Confinement(InputError) as kernel, Confinement(InputError) as eye:
        parts = kernel.begin(_set_parts, part, names, apart, seconds=KERNEL_SECONDS)
        given = _about(task, eye.begin(_set_given, task, sheets, seconds=WAITED_SECONDS))
        known = _about(part, parts)
        more: list[bytes] = []
        while True:
            result = _about(sheets[0], eye.begin(_judged_set, known, given, tuple(more), seconds=WAITED_SECONDS))
            if isinstance(result, dict):
                return result
            more.append(_about(part, kernel.begin(_set_seen_so, part, result, seconds=KERNEL_SECONDS)))


def _about(path: Path, result: Callable[[], Result]) -> Result:
    """The result of work on a file. Raises InputError that names the file where there is none."""
    try:
        return result()
    except ConfinedError as error:
        raise InputError(f"{path}: {error}") from error


def _analysed(part: Path) -> dict[str, Any]:
    from maqueta.command import part_work

    return part_work.analysed(part)


def _projected(part: Path, apart: bool) -> bytes:
    from maqueta.command import part_work

    return part_work.projected(part, apart)


def _seen_so(part: Path, looks: bytes) -> bytes:
    from maqueta.command import part_work

    return part_work.seen_so(part, looks)


def _given(task: Path, sheet: Path) -> tuple[bytes, bytes | None]:
    from maqueta.command import sheet_work

    return sheet_work.given(task, sheet)


def _judged(sheet: Path, part: bytes, given: bytes, more: Sequence[bytes]) -> dict[str, Any] | bytes:
    from maqueta.command import sheet_work

    return sheet_work.judged(sheet, part, given, more)


def _set_parts(part: Path, names: Sequence[str | None], apart: bool) -> bytes:
    from maqueta.command import part_work

    return part_work.set_parts(part, names, apart)


def _set_seen_so(part: Path, looks: bytes) -> bytes:
    from maqueta.command import part_work

    return part_work.set_seen_so(part, looks)


def _set_given(task: Path, sheets: Sequence[Path]) -> bytes:
    from maqueta.command import set_work

    return set_work.set_given(task, sheets)


def _judged_set(parts: bytes, given: bytes, more: Sequence[bytes]) -> dict[str, Any] | bytes:
    from maqueta.command import set_work

    return set_work.judged_set(parts, given, more)


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
