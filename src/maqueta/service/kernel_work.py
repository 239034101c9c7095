"""Work on uploaded parts, done in a process of its own with limits on time and memory.

The geometry kernel is native code and the files are hostile: whatever happens to this process, the server goes on.
"""

import gzip
import tempfile
from collections.abc import Callable, Mapping
from dataclasses import asdict, dataclass, field, replace
from pathlib import Path
from typing import Any, Final

from pydantic import TypeAdapter

from maqueta.drawing.thumbnail import thumbnail
from maqueta.projection.attitude import corner_frame
from maqueta.projection.hidden_lines import HiddenLines
from maqueta.projection.line_set import LineSet
from maqueta.projection.project import project, upright
from maqueta.projection.projected_part import to_json
from maqueta.solid.errors import FeatureError, PartError
from maqueta.solid.kernel import Shape
from maqueta.solid.mesh import Mesh, mesh
from maqueta.solid.mesh_file import MeshKind, mesh_file
from maqueta.solid.part import Part
from maqueta.solid.recipe import Recipe
from maqueta.solid.source import load_part, part_of_recipe
from maqueta.solid.standing import standings
from maqueta.solid.step import write_step
from maqueta.solid.unit import Unit
from maqueta.store.files import StoredFile

_MESH: Final = TypeAdapter(Mesh)
_PICTURE_CORNER: Final = "+-+"


@dataclass(frozen=True, slots=True)
class PartSource:
    """A file that holds a part, its own name, and what is changed about it."""

    file: StoredFile
    called: str
    natural_up: str | None = None
    sizes: Mapping[str, float] | None = None

    @property
    def files(self) -> tuple[StoredFile, ...]:
        """What has to be at hand before it is read."""
        return (self.file,)


@dataclass(frozen=True, slots=True)
class PartWork:
    """What became of a part: the projected part, its mesh (both JSON, the mesh packed), its picture, what lists show.

    `report` is what a STEP file had to say; `refused` the reason why there is nothing.
    """

    name: str = ""
    dossier: bytes = b""
    mesh: bytes = b""
    picture: bytes = b""
    facts: dict[str, Any] = field(default_factory=dict)
    report: dict[str, Any] | None = None
    refused: str | None = None


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
    fault: str | None = None
    feature: int | None = None


def ready() -> None:
    """Nothing to do: that it runs shows that a worker is up."""


def packed_mesh(shape: Shape, part: Part) -> bytes:
    """The triangles of a part as packed JSON, the same bytes for the same part."""
    return gzip.compress(_MESH.dump_json(mesh(shape, part)), mtime=0)


def unpacked_mesh(data: bytes) -> Mesh:
    """Read what `packed_mesh` wrote."""
    return _MESH.validate_json(gzip.decompress(data))


def facts_of(part: Part) -> dict[str, Any]:
    """What lists of parts show, so that they need not open every part."""
    return {
        "unit": part.unit,
        "material": part.material,
        "natural_up": part.natural_up,
        "extents": list(part.extents),
        "faces": len(part.faces),
        "solids": part.solids,
    }


def described(
    shape: Shape, part: Part, report: dict[str, Any] | None, progress: Callable[[float, str], None]
) -> PartWork:
    """Everything the service keeps of a solid."""
    known = project(shape, part, lambda done, of: progress(0.15 + 0.7 * done / of, f"drawing view {done + 1} of {of}"))
    progress(0.9, "making the card model")
    packed = packed_mesh(shape, part)
    frame = corner_frame(_PICTURE_CORNER, upright(part))
    picture = thumbnail(unpacked_mesh(packed), known.corners[_PICTURE_CORNER], frame)
    return PartWork(part.name, to_json(known), packed, picture, facts_of(part), report)


def _loaded(source: PartSource) -> tuple[Shape, Part, dict[str, Any] | None]:
    shape, part, report = load_part(source.file.path, source.called, source.sizes)
    up = source.natural_up or part.natural_up
    if up is None and (firm := standings(part)):
        up = firm[0].up
    return shape, replace(part, natural_up=up), asdict(report) if report else None


def examine(source: PartSource, notes: str | None = None) -> PartWork:
    """Load, project and triangulate a part. How far it is, is written to the file `notes`."""

    def progress(share: float, doing: str) -> None:
        if notes is not None:
            Path(notes).write_text(f"{share:.3f} {doing}", "utf-8")

    try:
        progress(0.05, "reading the file")
        return described(*_loaded(source), progress)
    except PartError as error:
        return PartWork(refused=str(error))
    except MemoryError:
        return PartWork(refused="it needs more memory than a part may take")


def preview(recipe: Recipe, flat: bool = False) -> Preview:
    """Build a recipe for the builder's turntable, or as exact lines for screens that cannot draw solids (`flat`)."""
    try:
        shape, part = part_of_recipe(recipe)
        lines = HiddenLines(shape, part).line_set(corner_frame(_PICTURE_CORNER, upright(part))) if flat else None
        return Preview(packed_mesh(shape, part), part.extents, part.volume, len(part.faces), lines)
    except FeatureError as error:
        return Preview(fault=error.reason, feature=error.index)
    except PartError as error:
        return Preview(fault=str(error))
    except MemoryError:
        return Preview(fault="it needs more memory than a part may take")


def triangles_file(packed: StoredFile, unit: Unit, kind: MeshKind, name: str) -> bytes:
    """The triangles of a part as a file other programs read."""
    return mesh_file(unpacked_mesh(packed.path.read_bytes()), unit, kind, name)


def step_file(source: PartSource) -> bytes:
    """A part as STEP AP214 in its own unit. Raises PartError."""
    shape, part, _ = _loaded(source)
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "part.step"
        write_step(shape, part.unit, path)
        return path.read_bytes()
