"""Between the files of a version and the kernel's work on them."""

from functools import lru_cache
from typing import Final

from pydantic import TypeAdapter

from maqueta.projection.projected_part import ProjectedPart, from_json
from maqueta.service.shelf.kernel_work import PartSource, PartWork
from maqueta.solid.part import UncutMark
from maqueta.solid.recipe import Recipe
from maqueta.solid.recipe_file import recipe_in
from maqueta.store.files import FileStore, StoredFile
from maqueta.store.models import VersionRecord

_MARKS: Final = TypeAdapter(tuple[UncutMark, ...])


def kept(files: FileStore, work: PartWork) -> dict[str, object]:
    """The columns of a version after its part has been examined; the files are put away."""
    if work.refused is not None:
        return {"state": "refused", "error": work.refused}
    return {
        "state": "ready",
        "error": None,
        "dossier": files.put(work.dossier),
        "mesh": files.put(work.mesh),
        "picture": files.put(work.picture),
        "facts": work.facts,
        "natural_up": work.facts.get("natural_up"),
        # What a file had to say of an assembly is known before that is put together.
        **({"report": work.report} if work.report is not None else {}),
    }


def source_of(files: FileStore, version: VersionRecord) -> PartSource:
    """Where a version's part is to be read from."""
    marks = _MARKS.validate_python(version.uncut or ())
    parts = version.components if version.is_assembly else ()
    components = tuple((str(own.id), source_of(files, own)) for own in parts)
    kept_file = StoredFile(files, version.source)
    return PartSource(kept_file, version.file_name, version.natural_up, version.sizes, marks, components)


def recipe_of(files: FileStore, version: VersionRecord) -> Recipe | None:
    """The recipe of a version, or None when it came from a STEP file."""
    if not version.file_name.lower().endswith(".json"):
        return None
    return recipe_in(files.get(version.source))


@lru_cache(maxsize=32)
def part_at(file: StoredFile) -> ProjectedPart:
    """The projected part in a file; files are named by their content, so what is read once stays true."""
    return from_json(file.path.read_bytes())
