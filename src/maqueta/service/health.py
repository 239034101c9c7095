"""Whether the service is well, and its figures for whoever watches it."""

import secrets
from typing import Final, Literal

from fastapi import APIRouter, HTTPException, Request, Response
from fastapi.concurrency import run_in_threadpool
from sqlalchemy.exc import SQLAlchemyError

from maqueta.phrases.phrase import phrase
from maqueta.service.metrics import exposed
from maqueta.service.world import InWorld, World
from maqueta.store.jobs import queue_counts
from maqueta.strict import Strict

router = APIRouter()
_TEXT: Final = "text/plain; version=0.0.4; charset=utf-8"


class Health(Strict):
    """How the service and what it stands on are, in a word each."""

    database: Literal["answers", "silent"]
    jobs: Literal["taken up", "stopped"]
    crews: dict[str, Literal["sound", "broken"]]


@router.get("/healthz")
async def alive() -> dict[str, bool]:
    """That the process answers at all; whoever runs it starts it anew where it does not."""
    return {"alive": True}


@router.get("/readyz")
async def ready(world: InWorld, response: Response) -> Health:
    """Whether people can work just now: 200, or 503 with what is missing."""
    async with world.admission.place():
        health = await run_in_threadpool(_health, world)
    if health.database == "silent" or health.jobs == "stopped":
        response.status_code = 503
    return health


@router.get("/metrics", response_class=Response, include_in_schema=False)
async def metrics(request: Request, world: InWorld) -> Response:
    """Figures in the usual text form. Told only to who has the token for them."""
    token = world.settings.metrics_token
    given = request.headers.get("authorization", "").removeprefix("Bearer ")
    if token is None or not secrets.compare_digest(given.encode(), token.encode()):
        raise HTTPException(404, phrase("no-such-page"))
    async with world.admission.place():
        figures = await run_in_threadpool(lambda: exposed(world, _queue(world)))
    return Response(figures, media_type=_TEXT)


def _health(world: World) -> Health:
    return Health(
        database="silent" if _queue(world) is None else "answers",
        jobs="taken up" if world.queue.alive else "stopped",
        crews={crew.name: "sound" if crew.sound else "broken" for crew in world.queue.crews()},
    )


def _queue(world: World) -> dict[str, int] | None:
    """What waits and runs; None where the database does not answer."""
    try:
        with world.database.transaction() as session:
            return queue_counts(session)
    except SQLAlchemyError:
        return None
