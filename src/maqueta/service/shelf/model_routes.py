"""One version of a part as everybody who works from it sees it: drawings, demands, triangles."""

from datetime import timedelta
from typing import Annotated

from fastapi import APIRouter, HTTPException, Query, Response
from sqlalchemy.orm import Session

from maqueta.geometry.directions import Side
from maqueta.phrases.phrase import phrase
from maqueta.phrases.told import ToldError
from maqueta.projection.arrangement import ViewName
from maqueta.projection.attitude import Attitude
from maqueta.service.desk import AtDesk
from maqueta.service.exercises.answers import task_of
from maqueta.service.exercises.course import is_over
from maqueta.service.shelf.messages import ModelDetail, ViewDrawing
from maqueta.service.shelf.model_work import Tasks, model_detail, views_folded
from maqueta.service.world import AnyAccount, InTransaction, InWorld
from maqueta.store.exercises import own_more_time
from maqueta.store.models import Account, VersionRecord
from maqueta.store.sheets import own_sheets
from maqueta.store.shelf import exercises_from, visible_version
from maqueta.task.told import part_told

router = APIRouter(prefix="/api/models")


def _to_draw(session: Session, account: Account, version: VersionRecord) -> Tasks:
    """The exercises for which a student is still to draw a part; None for everybody else."""
    if account.role != "student":
        return None
    exercises = exercises_from(session, account, version.id)
    sheets = own_sheets(session, account, [exercise.id for exercise in exercises])
    extra = own_more_time(session, account.id)
    for exercise in exercises:
        own = [sheet for sheet in sheets if sheet.exercise_id == exercise.id]
        if is_over(exercise, own, extra.get(exercise.id, timedelta())):
            return None
    return tuple(task_of(exercise) for exercise in exercises)


def _part_shown(session: Session, account: Account, model_id: int) -> VersionRecord:
    version = visible_version(session, account, model_id)
    tasks = _to_draw(session, account, version)
    if tasks is not None and not any(part_told(task) for task in tasks):
        raise HTTPException(403, phrase("part-known-by-views"))
    return version


@router.get("/{model_id}")
def detail(model_id: int, account: AnyAccount, session: InTransaction, at: AtDesk) -> ModelDetail:
    """Six sides, ranking, features, and what the drawing of the part demands."""
    version = visible_version(session, account, model_id)
    tasks = _to_draw(session, account, version)
    return at.tell(model_detail, at.world.dossier(version), version.part.name, tasks)


@router.get("/{model_id}/mesh", response_class=Response)
def mesh(model_id: int, account: AnyAccount, session: InTransaction, world: InWorld) -> Response:
    """Triangles and ink edges for the turntable, packed."""
    version = _part_shown(session, account, model_id)
    if version.mesh is None:
        raise HTTPException(409, phrase("part-being-examined"))
    headers = {
        "content-encoding": "gzip",
        "cache-control": "private, max-age=604800, immutable",
        "etag": f'"{version.mesh}"',
    }
    return Response(world.files.get(version.mesh), media_type="application/json", headers=headers)


@router.get("/{model_id}/picture", response_class=Response)
def picture(model_id: int, account: AnyAccount, session: InTransaction, world: InWorld) -> Response:
    """The part as a small card model (PNG)."""
    found = _part_shown(session, account, model_id).picture
    if found is None:
        raise HTTPException(409, phrase("no-picture-yet"))
    headers = {"cache-control": "private, max-age=604800, immutable", "etag": f'"{found}"'}
    return Response(world.files.get(found), media_type="image/png", headers=headers)


@router.get("/{model_id}/views")
def views(
    model_id: int,
    side: Side,
    up: Side,
    account: AnyAccount,
    session: InTransaction,
    at: AtDesk,
    names: Annotated[list[ViewName], Query(max_length=6)] = ["front", "top", "right"],  # noqa: B006
) -> list[ViewDrawing]:
    """The views a front view would bring, for comparing candidates."""
    try:
        front = Attitude(side, up)
    except ToldError as error:
        raise HTTPException(422, error.reason) from error
    version = visible_version(session, account, model_id)
    return at.tell(views_folded, at.world.dossier(version), front, names, _to_draw(session, account, version))
