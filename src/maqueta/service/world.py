"""What a running service is made of, and who is asking."""

from collections.abc import AsyncIterator, Iterator
from contextlib import contextmanager
from dataclasses import dataclass, field
from typing import Annotated, Any, Final

from fastapi import Depends, HTTPException, Request
from fastapi.concurrency import run_in_threadpool
from sqlalchemy.orm import Session

from maqueta.phrases.phrase import phrase
from maqueta.service.admission import Admission
from maqueta.service.envelope import asking, request_number
from maqueta.service.jobs.streams import JobNews
from maqueta.service.people.passwords import PasswordDesk
from maqueta.service.queue.work_queue import WorkQueue
from maqueta.service.settings import Settings
from maqueta.service.workers import KernelWorkers
from maqueta.store.database import Database, has_changed
from maqueta.store.deeds import note_deed
from maqueta.store.files import FileStore, StoredFile
from maqueta.store.log_ins import log_in_of
from maqueta.store.models import Account, LogIn, VersionRecord

COOKIE = "maqueta"
TOKEN_HEADER = "x-maqueta-token"


@dataclass
class World:
    """The service's lasting things."""

    settings: Settings
    database: Database
    files: FileStore
    queue: WorkQueue
    kernel: KernelWorkers
    admission: Admission = field(default_factory=Admission)
    passwords: PasswordDesk = field(default_factory=PasswordDesk)
    news: JobNews = field(init=False)

    def __post_init__(self) -> None:
        self.news = JobNews(self.database, self.admission)

    def dossier(self, version: VersionRecord) -> StoredFile:
        """A projected part. Raises HTTPException 409 while it is not examined."""
        if version.dossier is None:
            if version.error:
                raise HTTPException(409, phrase("part-not-ready-because", reason=version.error))
            raise HTTPException(409, phrase("part-not-ready-yet"))
        return StoredFile(self.files, version.dossier)


async def world_of(request: Request) -> World:
    """The world of a request."""
    world: World = request.app.state.world
    return world


InWorld = Annotated[World, Depends(world_of)]


async def transaction(request: Request, world: InWorld) -> AsyncIterator[Session]:
    """A transaction that lasts for the request, within a place inside; an error undoes what was not kept before."""
    async with world.admission.place():
        session = world.database.session()
        try:
            yield session
        except BaseException:
            await run_in_threadpool(session.close)
            raise
        await run_in_threadpool(_kept, session, request)


#: Changes of which there is one every few seconds.
_DRAFTS: Final = ("PUT /api/exercises/{exercise_id}/sheet", "PUT /api/sheet-forms/{form_id}")


def _kept(session: Session, request: Request) -> None:
    """End a transaction well, with a note of who did it; what cannot be kept is undone."""
    try:
        who, what = asking.get(), f"{request.method} {getattr(request.scope.get('route'), 'path', '')}"
        if who and request.method not in ("GET", "HEAD") and what not in _DRAFTS and has_changed(session):
            note_deed(session, who[0], what, dict(request.path_params), request_number.get())
        session.commit()
    finally:
        session.close()


@contextmanager
def aside(world: World, session: Session) -> Iterator[None]:
    """While a request waits for work in another process: its place and its connection are somebody else's.

    What the request has changed so far is kept, and its locks are let go.
    """
    session.commit()
    with world.admission.stepped_aside():
        yield


InTransaction = Annotated[Session, Depends(transaction, scope="function")]


def log_in(request: Request, session: InTransaction) -> LogIn:
    """The session of a request; changes must carry its token (against forged requests)."""
    token = request.cookies.get(COOKIE)
    record = log_in_of(session, token) if token else None
    if record is None:
        raise HTTPException(401, phrase("not-logged-in"))
    if request.method not in ("GET", "HEAD") and request.headers.get(TOKEN_HEADER) != record.request_token:
        raise HTTPException(403, phrase("page-out-of-date"))
    who = asking.get()
    if who is not None:
        who.append(record.account_id)
    return record


async def account(record: Annotated[LogIn, Depends(log_in)]) -> Account:
    """Who is asking. Raises HTTPException 403 while a password of one's own has to be chosen."""
    if record.account.must_change:
        raise HTTPException(403, phrase("choose-password-first"))
    return record.account


AnyAccount = Annotated[Account, Depends(account)]


def _of_role(role: str) -> Any:
    async def check(who: AnyAccount) -> Account:
        # Told like a thing that does not exist, so that roles reveal nothing.
        if who.role != role:
            raise HTTPException(404, phrase("no-such-page"))
        return who

    return Depends(check)


Instructor = Annotated[Account, _of_role("instructor")]
Student = Annotated[Account, _of_role("student")]
Admin = Annotated[Account, _of_role("admin")]
