"""Assemblies: put together from parts of the shelf, looked at while that is done, kept as they are."""

from fastapi import APIRouter, HTTPException
from pydantic import ValidationError
from sqlalchemy.orm import Session

from maqueta.phrases.phrase import phrase
from maqueta.service.assemblies.documents import (
    assembly_answer,
    components_of,
    document_file,
)
from maqueta.service.assemblies.messages import (
    AssemblyAnswer,
    AssemblyRequest,
    FitRequest,
    LookAnswer,
    LookRequest,
    OverlapAnswer,
    PulledAnswer,
)
from maqueta.service.shelf.answers import line_drawing, part_summary
from maqueta.service.shelf.kernel_work import PartSource
from maqueta.service.shelf.messages import PartSummary
from maqueta.service.shelf.part_files import part_at, source_of
from maqueta.service.world import Instructor, InTransaction, InWorld, World, aside
from maqueta.solid.assembly import Assembly, PlacedPart
from maqueta.solid.errors import PartError
from maqueta.solid.part import Face, Part
from maqueta.solid.placement import UnfitError, laid_against, on_axis
from maqueta.store.files import StoredFile
from maqueta.store.jobs import add_job
from maqueta.store.models import VersionRecord
from maqueta.store.models.shelf import ASSEMBLY_SUFFIX
from maqueta.store.shelf import add_part, add_version, own_part

router = APIRouter(prefix="/api/assemblies")


def _source(world: World, components: list[VersionRecord]) -> PartSource:
    """The parts of an assembly that is not kept yet: its document is sent along with what is asked."""
    parts = tuple((str(own.id), source_of(world.files, own)) for own in components)
    return PartSource(parts[0][1].file, ASSEMBLY_SUFFIX, components=parts)


@router.post("/look")
def look(form: LookRequest, instructor: Instructor, session: InTransaction, world: InWorld) -> LookAnswer:
    """What overlaps in an assembly as it stands just now, and how it is proposed to come apart."""
    components = components_of(session, instructor, form.assembly)
    source = _source(world, components)
    try:
        with aside(world, session):
            found = world.kernel.look_over(source, form.assembly, form.flat)
    except PartError as error:
        raise HTTPException(422, phrase("assembly-not-put-together", reason=error.reason)) from error
    return LookAnswer(
        overlaps=[OverlapAnswer(first=own.first, second=own.second, volume=own.volume) for own in found.overlaps],
        pulled=[PulledAnswer(id=own.id, way=own.way) for own in found.pulled],
        lines=line_drawing(found.lines) if found.lines else None,
    )


@router.post("/fit")
def fit(form: FitRequest, instructor: Instructor, session: InTransaction, world: InWorld) -> PlacedPart:
    """Put a component against another, by a face of each; where it stands then."""
    components_of(session, instructor, form.assembly)
    if form.moved == form.onto:
        raise HTTPException(422, phrase("fit-itself"))
    moved, part, face = _face(session, world, form, form.moved, form.face)
    onto, _, other = _face(session, world, form, form.onto, form.onto_face)
    start, there = moved.placement, onto.placement
    (x0, y0, z0), (x1, y1, z1) = part.low, part.high
    middle = ((x0 + x1) / 2, (y0 + y1) / 2, (z0 + z1) / 2)
    try:
        if form.how == "axis":
            return moved.placed(on_axis(start, face, there, other, middle))
        return moved.placed(laid_against(start, face, there, other, flush=form.how == "flush", middle=middle))
    except UnfitError as error:
        raise HTTPException(422, error.reason) from error
    except ValidationError as error:
        raise HTTPException(422, phrase("assembly-out-of-reach")) from error


def _face(
    session: Session, world: World, form: FitRequest, component: str, number: int
) -> tuple[PlacedPart, Part, Face]:
    """A component, its part, and a face of that. Raises HTTPException 422 where there is none."""
    try:
        own = form.assembly.component(component)
    except KeyError as error:
        raise HTTPException(422, phrase("no-such-component", id=component)) from error
    version = session.get_one(VersionRecord, int(own.part))
    part = part_at(StoredFile(world.files, version.dossier or "")).part
    if not 0 <= number < len(part.faces):
        raise HTTPException(422, phrase("no-such-component", id=f"{component}, {number}"))
    return own, part, part.faces[number]


@router.post("", status_code=202)
def make(form: AssemblyRequest, instructor: Instructor, session: InTransaction, world: InWorld) -> PartSummary:
    """Put an assembly on the shelf."""
    components = components_of(session, instructor, form.assembly)
    _of_one_unit(form.assembly, components)
    file = document_file(world.files, form.assembly)
    name = form.assembly.name
    part = add_part(session, instructor, name, _file_name(name), file, components)
    job = add_job(session, instructor, "part", part.current.id)
    session.commit()
    world.queue.wake()
    return part_summary(part, job.id)


def _file_name(name: str) -> str:
    return f"{name}{ASSEMBLY_SUFFIX}"


def _of_one_unit(assembly: Assembly, components: list[VersionRecord]) -> None:
    """Raises HTTPException 422 where a part has another unit than the assembly."""
    units = {str(own.id): (own.facts or {}).get("unit") for own in components}
    for own in assembly.components:
        if units[own.part] != assembly.units:
            raise HTTPException(
                422, phrase("assembly-units", name=own.name, unit=units[own.part] or "mm", units=assembly.units)
            )


@router.get("/{part_id}")
def one(part_id: int, instructor: Instructor, session: InTransaction, world: InWorld) -> AssemblyAnswer:
    """An assembly of the shelf as it is now."""
    version = own_part(session, instructor, part_id).current
    if not version.is_assembly:
        raise HTTPException(409, phrase("no-assembly"))
    return assembly_answer(world.files, version)


@router.put("/{part_id}", status_code=202)
def change(
    part_id: int, form: AssemblyRequest, instructor: Instructor, session: InTransaction, world: InWorld
) -> PartSummary:
    """Keep an assembly as its next version. Exercises stay with the version they were set with."""
    own_part(session, instructor, part_id)
    components = components_of(session, instructor, form.assembly)
    _of_one_unit(form.assembly, components)
    file = document_file(world.files, form.assembly)
    part = own_part(session, instructor, part_id, lock=True)
    if not part.current.is_assembly:
        raise HTTPException(409, phrase("no-assembly"))
    if part.current.source == file:
        return part_summary(part)
    part.name = form.assembly.name
    add_version(session, part, _file_name(part.name), file, form.assembly.natural_up, components=components)
    job = add_job(session, instructor, "part", part.current.id)
    session.commit()
    world.queue.wake()
    return part_summary(part, job.id)
