"""Work on parts that needs the geometry kernel: what it is given and what comes of it.

The kernel is native code and the files are hostile: it is loaded where the work is done, in processes of their own with
limits on time and memory, and never by the server.
"""

import gzip
from collections.abc import Mapping, Sequence
from contextlib import suppress
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any, Final

from pydantic import TypeAdapter, ValidationError

from maqueta.geometry.line_set import LineSet
from maqueta.phrases.phrase import Phrase
from maqueta.projection.look import Look
from maqueta.solid.assembly import Assembly, Overlap, Pulled
from maqueta.solid.mesh import Mesh, MeshKind
from maqueta.solid.part import UncutMark
from maqueta.solid.recipe import Recipe
from maqueta.solid.unit import Unit
from maqueta.store.files import StoredFile

_MESH: Final = TypeAdapter(Mesh)
#: How far work on a part is (0 to 1), and what it is doing.
Note = tuple[float, Phrase]
_NOTE: Final = TypeAdapter(Note)


@dataclass(frozen=True, slots=True)
class PartSource:
    """A file that holds a part, its own name, and what is changed about it.

    Where there are `components`, the file is an assembly document, and they are its parts by their keys in it.
    """

    file: StoredFile
    called: str
    natural_up: str | None = None
    sizes: Mapping[str, float] | None = None
    marks: tuple[UncutMark, ...] = ()
    components: tuple[tuple[str, "PartSource"], ...] = ()

    @property
    def files(self) -> tuple[StoredFile, ...]:
        """What has to be at hand before it is read."""
        return (self.file, *(file for _, own in self.components for file in own.files))


@dataclass(frozen=True, slots=True)
class FoundPart:
    """A part of an assembly that came as one file: its name, and itself as a STEP file."""

    name: str
    step: bytes


@dataclass(frozen=True, slots=True)
class FoundAssembly:
    """An assembly that came as one file: its document, which names its parts by their place in `parts` ("p0", "p1"),
    and what the file had to say.
    """

    document: str
    parts: tuple[FoundPart, ...]
    report: dict[str, Any]


@dataclass(frozen=True, slots=True)
class PartWork:
    """What became of a part: the projected part, its mesh (both JSON, the mesh packed), its picture, what lists show.

    `report` is what a STEP file had to say; `refused` the reason why there is nothing. Where the file is an assembly of
    parts that have to be put on the shelf first, there is `assembly` and nothing else.
    """

    name: str = ""
    dossier: bytes = b""
    mesh: bytes = b""
    picture: bytes = b""
    facts: dict[str, Any] = field(default_factory=dict)
    report: dict[str, Any] | None = None
    refused: Phrase | None = None
    assembly: FoundAssembly | None = None


@dataclass(frozen=True, slots=True)
class LookedOver:
    """An assembly while it is being put together: what overlaps in it, how it comes apart, and, where they were asked
    for, the lines of its equal-axis view.
    """

    overlaps: tuple[Overlap, ...] = ()
    pulled: tuple[Pulled, ...] = ()
    lines: LineSet | None = None


@dataclass(frozen=True, slots=True)
class Preview:
    """A recipe while it is being written: its mesh and sizes, or which feature is at fault and why.

    `lines` are the lines of its equal-axis view, where they were asked for.
    """

    mesh: bytes = b""
    extents: tuple[float, float, float] = (0.0, 0.0, 0.0)
    volume: float = 0.0
    faces: int = 0
    lines: LineSet | None = None
    fault: Phrase | None = None
    feature: int | None = None


def ready() -> None:
    """Nothing to do: that it runs shows that a worker is up."""


def examine(source: PartSource, notes: str | None = None) -> PartWork:
    """Load, project and triangulate a part. How far it is, is written to the file `notes`."""
    from maqueta.service.shelf import at_kernel

    return at_kernel.examined(source, notes)


def looks_drawn(source: PartSource, looks: Sequence[Look]) -> tuple[tuple[Look, LineSet], ...]:
    """A part drawn in some looks. Raises PartError."""
    from maqueta.service.shelf import at_kernel

    return at_kernel.looks_drawn(source, looks)


def preview(recipe: Recipe, flat: bool = False) -> Preview:
    """Build a recipe for the builder's turntable, or as exact lines for screens that cannot draw solids (`flat`)."""
    from maqueta.service.shelf import at_kernel

    return at_kernel.previewed(recipe, flat)


def refit(source: PartSource, sizes: Mapping[str, Mapping[str, float]]) -> str:
    """The document of an assembly with some of its parts in other sizes, by their keys in it: they are moved until they
    touch as they did. Raises PartError where they cannot, or overlap.
    """
    from maqueta.service.shelf import at_kernel

    return at_kernel.refit(source, sizes)


def looked_over(source: PartSource, assembly: Assembly, flat: bool = False) -> LookedOver:
    """What overlaps in an assembly that is being put together of the components of a source, and how it comes apart;
    as exact lines too for screens that cannot draw solids (`flat`).

    Raises PartError.
    """
    from maqueta.service.shelf import at_kernel

    return at_kernel.looked_over(source, assembly, flat)


def step_file(source: PartSource) -> bytes:
    """A part as STEP AP214 in its own unit. Raises PartError."""
    from maqueta.service.shelf import at_kernel

    return at_kernel.step_file(source)


def triangles_file(packed: StoredFile, unit: Unit, kind: MeshKind, name: str) -> bytes:
    """The triangles of a part as a file other programs read."""
    from maqueta.solid.mesh_file import mesh_file

    return mesh_file(unpacked_mesh(packed.path.read_bytes()), unit, kind, name)


def packed(mesh: Mesh) -> bytes:
    """The triangles of a part as packed JSON, the same bytes for the same part."""
    return gzip.compress(_MESH.dump_json(mesh), mtime=0)


def unpacked_mesh(data: bytes) -> Mesh:
    """Read what `packed` wrote."""
    return _MESH.validate_json(gzip.decompress(data))


def note_down(notes: str, note: Note) -> None:
    """Write to a file how far the work is."""
    Path(notes).write_bytes(_NOTE.dump_json(note))


def noted(notes: Path) -> Note | None:
    """The last note in a file; None where there is none yet, or it is being written just now."""
    with suppress(OSError, ValidationError):
        return _NOTE.validate_json(notes.read_bytes())
    return None
