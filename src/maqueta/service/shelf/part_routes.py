"""The shelf: an instructor's parts, their versions, files in and out."""

from collections.abc import Iterable
from dataclasses import asdict
from pathlib import PurePath
from typing import Annotated, Final, Literal

from fastapi import APIRouter, HTTPException, Query, Response, UploadFile

from maqueta.phrases.phrase import phrase
from maqueta.service.shelf.answers import part_summary
from maqueta.service.shelf.messages import (
    AssemblyWith,
    LabelCount,
    PartAnswer,
    PartChange,
    PartSummary,
    ShelfAnswer,
    StepReportAnswer,
    UsedIn,
)
from maqueta.service.shelf.part_files import part_at, recipe_of, source_of
from maqueta.service.world import Instructor, InTransaction, InWorld, aside
from maqueta.solid.errors import PartError
from maqueta.solid.part import Part, UncutMark
from maqueta.solid.uncut import left_whole_at
from maqueta.store.clock import now
from maqueta.store.files import StoredFile
from maqueta.store.jobs import add_job
from maqueta.store.shelf import (
    ShelfQuery,
    add_part,
    add_version,
    assemblies_with,
    copy_part,
    exercises_on,
    label_part,
    labels_of,
    own_part,
    shelf,
)

router = APIRouter(prefix="/api/parts")
_KINDS: Final = (".step", ".stp", ".json")
_TYPES: Final = {"step": "model/step", "stl": "model/stl", "glb": "model/gltf-binary", "source": "application/json"}


@router.get("")
def listing(
    instructor: Instructor,
    session: InTransaction,
    words: Annotated[str, Query(max_length=100)] = "",
    label: Annotated[str | None, Query(max_length=40)] = None,
    archived: bool = False,
    offset: Annotated[int, Query(ge=0, le=1_000_000)] = 0,
    limit: Annotated[int, Query(ge=1, le=200)] = 48,
) -> ShelfAnswer:
    """A stretch of the instructor's parts: those whose name, material or labels hold all words asked for."""
    parts, total = shelf(session, instructor, ShelfQuery(words, label, archived, offset, limit))
    labels = [LabelCount(label=name, count=count) for name, count in labels_of(session, instructor)]
    return ShelfAnswer(parts=[part_summary(part) for part in parts], total=total, labels=labels)


@router.post("", status_code=202)
def bring_in(file: UploadFile, instructor: Instructor, session: InTransaction, world: InWorld) -> PartSummary:
    """Take a recipe or STEP file; it is examined beside the server. The upload is kept whatever becomes of it."""
    name = PurePath(file.filename or "part").name
    if PurePath(name).suffix.lower() not in _KINDS:
        raise HTTPException(415, phrase("part-file-kind"))
    data = file.file.read(world.settings.largest_upload + 1)
    if len(data) > world.settings.largest_upload:
        raise HTTPException(413, phrase("file-too-large"))
    if not data:
        raise HTTPException(422, phrase("file-empty"))
    part = add_part(session, instructor, PurePath(name).stem, name, world.files.put(data))
    job = add_job(session, instructor, "part", part.current.id)
    session.commit()
    world.queue.wake()
    return part_summary(part, job.id)


@router.get("/{part_id}")
def one(part_id: int, instructor: Instructor, session: InTransaction) -> PartAnswer:
    """A part with its history."""
    part = own_part(session, instructor, part_id)
    used = [
        UsedIn(id=exercise.id, title=exercise.title, version=exercise.version.number)
        for exercise in exercises_on(session, part)
    ]
    report = part.current.report
    return PartAnswer(
        part=part_summary(part),
        used_in=used,
        report=StepReportAnswer.model_validate(report) if report else None,
        versions=part.current.number,
        within=[AssemblyWith(id=own.id, name=own.name) for own in assemblies_with(session, part)],
    )


def _possible_marks(part: Part, marks: Iterable[UncutMark]) -> None:
    """Raises HTTPException 422 where a mark names no rib and no body of a part."""
    for mark in marks:
        if mark.of == "rib" and left_whole_at(part, mark.face) is None:
            raise HTTPException(422, phrase("no-flank"))
        if mark.of == "body" and (part.solids == 1 or not 0 <= mark.face < len(part.faces)):
            raise HTTPException(422, phrase("no-body-of-it"))


@router.patch("/{part_id}")
def change(
    part_id: int, form: PartChange, instructor: Instructor, session: InTransaction, world: InWorld
) -> PartSummary:
    """Rename, label, archive or take out again; say which direction is up in use, and what is not cut lengthwise.

    A new natural position makes a new version, since pictorial views and the ranking follow it; so does what is said of
    ribs and pins, since sections are judged by it.
    """
    part = own_part(session, instructor, part_id, lock=True)
    if form.name is not None:
        part.name = form.name
    if form.labels is not None:
        label_part(session, part, form.labels)
    if form.archived is not None:
        part.archived_at = now() if form.archived else None
    job = None
    current = part.current
    up = form.natural_up or current.natural_up
    uncut = current.uncut or [] if form.uncut is None else [asdict(mark) for mark in form.uncut]
    if up != current.natural_up or uncut != (current.uncut or []):
        if current.state != "ready":
            raise HTTPException(409, phrase("position-when-ready"))
        _possible_marks(part_at(StoredFile(world.files, current.dossier or "")).part, form.uncut or ())
        add_version(session, part, current.file_name, current.source, up, uncut=uncut, components=current.components)
        job = add_job(session, instructor, "part", part.current.id).id
    session.commit()
    if job is not None:
        world.queue.wake()
    return part_summary(part, job)


@router.post("/{part_id}/examination", status_code=202)
def examine_again(part_id: int, instructor: Instructor, session: InTransaction, world: InWorld) -> PartSummary:
    """Examine a part's file once more, after it was refused or its examination was stopped."""
    part = own_part(session, instructor, part_id, lock=True)
    version = part.current
    if version.state != "refused":
        raise HTTPException(409, phrase("not-refused"))
    version.state, version.error = "waiting", None
    job = add_job(session, instructor, "part", version.id)
    session.commit()
    world.queue.wake()
    return part_summary(part, job.id)


@router.post("/{part_id}/copy", status_code=201)
def copy(part_id: int, instructor: Instructor, session: InTransaction) -> PartSummary:
    """A copy to change, with its labels; the exercises stay with the original."""
    part = own_part(session, instructor, part_id)
    if part.current.state != "ready":
        raise HTTPException(409, phrase("copy-when-ready"))
    return part_summary(copy_part(session, instructor, part))


@router.get("/{part_id}/file/{kind}", response_class=Response)
def file_of(
    part_id: int,
    kind: Literal["step", "stl", "glb", "source"],
    instructor: Instructor,
    session: InTransaction,
    world: InWorld,
) -> Response:
    """The part as a file: STEP, triangles (STL, glTF), or what it was made from."""
    part = own_part(session, instructor, part_id)
    version = part.current
    if version.state != "ready" or version.mesh is None:
        raise HTTPException(409, phrase("part-not-ready"))
    ending: str = kind
    media = _TYPES[kind]
    if kind == "source":
        ending = PurePath(version.file_name).suffix.lstrip(".").lower()
        if version.is_assembly:
            ending = "json"
        elif recipe_of(world.files, version) is None:
            media = "model/step"
        data = world.files.get(version.source)
    else:
        unit, packed = part_summary(part).unit, StoredFile(world.files, version.mesh)
        try:
            with aside(world, session):
                if kind == "step":
                    data = world.kernel.step_file(source_of(world.files, version))
                else:
                    data = world.kernel.triangles_file(packed, unit, kind, part.name)
        except PartError as error:
            raise HTTPException(422, phrase("part-not-written", reason=str(error))) from error
    name = "".join(c if c.isascii() and (c.isalnum() or c in "-_") else "-" for c in part.name).strip("-") or "part"
    return Response(data, media_type=media, headers={"content-disposition": f'attachment; filename="{name}.{ending}"'})
