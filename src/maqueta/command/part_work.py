"""The part of a command: read and projected by the geometry kernel."""

import pickle
from pathlib import Path
from typing import Any

from maqueta.command.inputs import InputError, there
from maqueta.projection.project import drawn, project
from maqueta.projection.projected_part import ProjectedPart, to_json
from maqueta.solid.errors import PartError
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part
from maqueta.solid.source import load_part


def analysed(path: Path) -> dict[str, Any]:
    """The report of `maqueta analyse`. Raises InputError."""
    from maqueta.study.analysis import analysis

    return analysis(_project(path))


def projected(path: Path) -> bytes:
    """A part with its line sets, as bytes for another process. Raises InputError."""
    return to_json(_project(path))


def seen_so(path: Path, looks: bytes) -> bytes:
    """A part in some looks beside the usual ones, as bytes for another process. Raises InputError."""
    shape, part = _load(path)
    return pickle.dumps(drawn(shape, part, pickle.loads(looks)))


def _project(path: Path) -> ProjectedPart:
    return project(*_load(path))


def _load(path: Path) -> tuple[Shape, Part]:
    there(path)
    try:
        shape, part, _ = load_part(path)
        return shape, part
    except PartError as error:
        raise InputError(f"{path}: {error}") from error
    except OSError as error:
        raise InputError(f"{path}: {error.strerror}") from error
