"""The shelf: parts, their drawings, uploads."""

from pathlib import PurePath
from typing import Annotated

from fastapi import APIRouter, HTTPException, Query, Response, UploadFile

from maqueta.dimensioning.count import count
from maqueta.dimensioning.determinacy import needed_sizes
from maqueta.dimensioning.size_model import size_model, unsupported
from maqueta.projection.arrangement import ViewName, neighbour
from maqueta.projection.attitude import SIDES, Attitude, Side, usual
from maqueta.projection.needed import view_need
from maqueta.projection.ranking import rank, words
from maqueta.service.forms import PartDetail, PartSummary, RankedForm, ViewDrawing
from maqueta.service.present import part_summary, side_drawing
from maqueta.service.world import AnyAccount, Instructor, InTransaction, InWorld
from maqueta.store.jobs import add_job
from maqueta.store.shelf import add_part, parts_of, visible_part

router = APIRouter(prefix="/api/parts")
_KINDS = (".step", ".stp", ".json")


@router.get("")
def shelf(instructor: Instructor, session: InTransaction, world: InWorld) -> list[PartSummary]:
    """The instructor's parts."""
    return [
        part_summary(part, world.dossiers.get(part) if part.dossier else None) for part in parts_of(session, instructor)
    ]


@router.post("", status_code=202)
def bring_in(file: UploadFile, instructor: Instructor, session: InTransaction, world: InWorld) -> PartSummary:
    """Take a recipe or STEP file; it is examined beside the server. The upload is kept whatever becomes of it."""
    name = PurePath(file.filename or "part").name
    if PurePath(name).suffix.lower() not in _KINDS:
        raise HTTPException(415, "A part is a .step or .stp file, or a recipe in a .json file.")
    data = file.file.read(world.settings.largest_upload + 1)
    if len(data) > world.settings.largest_upload:
        raise HTTPException(413, "The file is too large.")
    if not data:
        raise HTTPException(422, "The file is empty.")
    part = add_part(session, instructor, PurePath(name).stem, name, world.files.put(data))
    job = add_job(session, instructor, "part", part.id)
    session.commit()
    world.jobs.wake()
    return part_summary(part, None, job.id)


@router.get("/{part_id}")
def detail(part_id: int, account: AnyAccount, session: InTransaction, world: InWorld) -> PartDetail:
    """Six sides, ranking, needs."""
    record = visible_part(session, account, part_id)
    projected = world.dossiers.get(record)
    part = projected.part
    ranking = rank(projected)
    front = ranking[0].attitude
    need = view_need(projected, front)
    reason = unsupported(part)
    model = size_model(part) if reason is None else None
    return PartDetail(
        part=part_summary(record, projected),
        sides=[side_drawing(usual(side), projected.sides[side]) for side in SIDES],
        ranking=[
            RankedForm(
                side=entry.attitude.side,
                up=entry.attitude.up,
                score=round(entry.score, 1),
                hidden_lines=entry.hidden_lines,
                measures={
                    "length": entry.measures.length,
                    "shape": entry.measures.shape,
                    "hidden": entry.measures.hidden,
                    "natural": entry.measures.natural,
                },
                words=words(entry, part),
                equal_to=[(other.side, other.up) for other in entry.equal_to],
            )
            for entry in ranking
        ],
        views_needed=list(need.needed),
        views_repeated=list(need.repeated),
        dimensions_needed=needed_sizes(model) if model else None,
        dimensions_reason=reason,
        stretches={row.direction: row.stretches for row in count(model, front)} if model else {},
        features=[
            f"{'through' if f.through else 'blind'} {f.kind} ⌀{f.diameter:g}, {f.depth:g} deep, along {f.axis}"
            if f.kind == "hole"
            else f"round {f.kind} ⌀{f.diameter:g}, {f.depth:g} long, along {f.axis}"
            for f in part.features
        ],
    )


@router.get("/{part_id}/mesh", response_class=Response)
def mesh(part_id: int, account: AnyAccount, session: InTransaction, world: InWorld) -> Response:
    """Triangles and ink edges for the turntable."""
    record = visible_part(session, account, part_id)
    if record.mesh is None:
        raise HTTPException(409, "This part is still being examined.")
    return Response(
        world.files.get(record.mesh),
        media_type="application/json",
        headers={"cache-control": "private, max-age=86400", "etag": f'"{record.mesh}"'},
    )


@router.get("/{part_id}/views")
def views(
    part_id: int,
    side: Side,
    up: Side,
    account: AnyAccount,
    session: InTransaction,
    world: InWorld,
    names: Annotated[list[ViewName], Query(max_length=6)] = ["front", "top", "right"],  # noqa: B006
) -> list[ViewDrawing]:
    """The views a front view would bring, for comparing candidates."""
    try:
        front = Attitude(side, up)
    except ValueError as error:
        raise HTTPException(422, str(error)) from error
    projected = world.dossiers.get(visible_part(session, account, part_id))
    drawings = []
    for name in names:
        attitude = neighbour(front, name)
        lines = projected.line_set(attitude)
        drawing = side_drawing(attitude, lines)
        drawings.append(ViewDrawing(name=name, hidden_lines=len(lines.of("hidden")), **drawing.model_dump()))
    return drawings
