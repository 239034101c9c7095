"""The part of a command: read and projected by the geometry kernel."""

import pickle
from collections.abc import Callable, Sequence
from dataclasses import replace
from pathlib import Path
from typing import Any, TypeVar

from maqueta.command.inputs import InputError, there
from maqueta.projection.project import drawn, project, projected_alone
from maqueta.projection.projected_part import ProjectedPart, to_json
from maqueta.solid.apart import with_ways
from maqueta.solid.assembly import WHOLE
from maqueta.solid.errors import PartError
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part
from maqueta.solid.source import file_assembly, load_part
from maqueta.solid.triangulation import triangulated

Result = TypeVar("Result")


def analysed(path: Path) -> dict[str, Any]:
    """The report of `maqueta analyse`; of an assembly, with that of each of its parts. Raises InputError."""
    from maqueta.study.analysis import analysis, assembly_analysis

    shape, part = _load(path)
    if not part.components:
        return analysis(project(shape, part))
    found = _about(path, lambda: file_assembly(path, part.unit))
    assert found is not None, "it was one when it was loaded"
    return assembly_analysis(part, {key: project(*own) for key, own in found.parts.items()})


def projected(path: Path, apart: bool = False) -> bytes:
    """A part with its line sets, as bytes for another process; of an assembly that is to be pulled `apart` with those
    of its components as well, and the ways they come out. Raises InputError.
    """
    shape, part = _load(path)
    return to_json(_taken_apart(shape, part) if apart and part.components else project(shape, part))


def seen_so(path: Path, looks: bytes) -> bytes:
    """A part in some looks beside the usual ones, as bytes for another process. Raises InputError."""
    shape, part = _load(path)
    return pickle.dumps(_about(path, lambda: drawn(shape, part, pickle.loads(looks))))


def set_parts(path: Path, names: Sequence[str | None], apart: bool = False) -> bytes:
    """The parts of a file that the sheets of a set are of, each by its name there, or the whole, as bytes for
    `set_work.judged_set`; an assembly that is to be pulled `apart` with its components. Raises InputError that names
    what is not in the file.
    """
    from maqueta.command.set_parts import SetParts

    shape, part = _load(path)
    solids = {WHOLE: (shape, part)}
    keys = {WHOLE: WHOLE}
    if part.components:
        found = _about(path, lambda: file_assembly(path, part.unit))
        assert found is not None, "it was one when it was loaded"
        solids |= found.parts
        # Several components may have the name of one part, and a part that of its component.
        keys = {own.name.casefold(): own.part for own in part.components} | keys
        keys = {own.name.casefold(): key for key, (_, own) in found.parts.items()} | keys
    else:
        keys[part.name.casefold()] = WHOLE
    called = [str(name or WHOLE) for name in names]
    for name in called:
        if name.casefold() not in keys:
            known = ", ".join(sorted({own.name for _, own in solids.values()}))
            raise InputError(f"{path}: there is no part “{name}”; it has {known}")
    wanted = [keys[name.casefold()] for name in called]
    parts = {
        key: _taken_apart(shape, part) if apart and key == WHOLE and part.components else project(*solids[key])
        for key in dict.fromkeys(wanted)
    }
    return pickle.dumps(SetParts(parts, wanted))


def set_seen_so(path: Path, looks: bytes) -> bytes:
    """Parts of a file in some looks beside the usual ones, by their keys, as bytes for `set_work.judged_set`."""
    shape, part = _load(path)
    found = _about(path, lambda: file_assembly(path, part.unit)) if part.components else None
    solids = {WHOLE: (shape, part), **(found.parts if found is not None else {})}
    asked = pickle.loads(looks)
    return pickle.dumps(_about(path, lambda: {key: drawn(*solids[key], wanted) for key, wanted in asked.items()}))


def _taken_apart(shape: Shape, part: Part) -> ProjectedPart:
    """An assembly whose components know the ways they come out, each of them drawn alone as well."""
    known = with_ways(part, triangulated(shape, part))
    return replace(project(shape, known), alone=projected_alone(shape, known))


def _load(path: Path) -> tuple[Shape, Part]:
    there(path)
    shape, part, _ = _about(path, lambda: load_part(path))
    return shape, part


def _about(path: Path, work: Callable[[], Result]) -> Result:
    """The result of work on a file. Raises InputError that names the file where it cannot be used."""
    try:
        return work()
    except PartError as error:
        raise InputError(f"{path}: {error}") from error
    except OSError as error:
        raise InputError(f"{path}: {error.strerror}") from error
