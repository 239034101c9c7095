"""The part of a command: read and projected by the geometry kernel."""

import pickle
from pathlib import Path
from typing import Any

from maqueta.command.inputs import InputError, there
from maqueta.projection.project import project
from maqueta.projection.projected_part import ProjectedPart
from maqueta.solid.errors import PartError
from maqueta.solid.source import load_part


def analysed(path: Path) -> dict[str, Any]:
    """The report of `maqueta analyse`. Raises InputError."""
    from maqueta.checking.analysis import analysis

    return analysis(_project(path))


def projected(path: Path) -> bytes:
    """A part with its line sets, as bytes for another process. Raises InputError."""
    return pickle.dumps(_project(path))


def _project(path: Path) -> ProjectedPart:
    there(path)
    try:
        shape, part, _ = load_part(path)
        return project(shape, part)
    except PartError as error:
        raise InputError(f"{path}: {error}") from error
    except OSError as error:
        raise InputError(f"{path}: {error.strerror}") from error
