"""Work on uploaded parts, done in a process of its own with limits on time and memory.

The geometry kernel is native code and the files are hostile: whatever happens to this process, the server goes on.
"""

import resource
from dataclasses import dataclass
from pathlib import Path
from typing import Final

from pydantic import TypeAdapter

from maqueta.projection.project import project
from maqueta.projection.projected_part import to_json
from maqueta.solid.errors import PartError
from maqueta.solid.mesh import Mesh, mesh
from maqueta.solid.source import load_part

_MESH: Final = TypeAdapter(Mesh)


@dataclass(frozen=True, slots=True)
class PartWork:
    """What became of an upload: the projected part and its mesh as JSON, or the reason why not."""

    name: str = ""
    dossier: bytes = b""
    mesh: bytes = b""
    refused: str | None = None


def limit_process(memory: int) -> None:
    """Limit the address space of this process (bytes); no core files."""
    resource.setrlimit(resource.RLIMIT_AS, (memory, memory))
    resource.setrlimit(resource.RLIMIT_CORE, (0, 0))


def examine_upload(path: str, called: str) -> PartWork:
    """Load, project and triangulate an uploaded part. `called` is its own name, as it is kept by hash."""
    try:
        shape, part = load_part(Path(path), called)
        return PartWork(part.name, to_json(project(shape, part)), _MESH.dump_json(mesh(shape, part)))
    except PartError as error:
        return PartWork(refused=str(error))
    except MemoryError:
        return PartWork(refused="it needs more memory than a part may take")
