"""Guards around every request: size, headers, and errors told in one sentence."""

import logging
from collections.abc import Mapping
from typing import Final

from fastapi import FastAPI, HTTPException, Request
from fastapi.exceptions import RequestValidationError
from fastapi.middleware.gzip import GZipMiddleware
from fastapi.responses import JSONResponse
from pydantic import ValidationError
from sqlalchemy.exc import DataError, InterfaceError, OperationalError
from sqlalchemy.exc import TimeoutError as ConnectionWaitError
from starlette.exceptions import HTTPException as StarletteHTTPException
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from maqueta.phrases.invalid import first_fault, first_of
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.service.admission import FullHouseError
from maqueta.service.desk_work import RefusedError
from maqueta.service.envelope import Envelope, request_number
from maqueta.service.language import Spoken, spoken
from maqueta.service.messages import Problem
from maqueta.service.metrics import noted
from maqueta.service.queue.work_queue import CrewFullError, NotDoneError
from maqueta.service.settings import Settings
from maqueta.store.errors import AlreadyAnonymous, FilesAway, NotVisible, OutOfDate

_LOG = logging.getLogger("maqueta.service")
#: For who comes when it is full: seconds.
_SOON: Final = {"retry-after": "2"}
#: Where sheets and sheet forms are delivered as files.
_SHEET_FILES = ("/sheet/file", "/deliveries", "/sheet-forms/file")


class SizeGuard:
    """Refuses bodies that are too large, by their stated length or while they arrive."""

    def __init__(self, app: ASGIApp, settings: Settings) -> None:
        self._app = app
        self._settings = settings

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Pass a request on, counting its bytes."""
        if scope["type"] != "http":
            await self._app(scope, receive, send)
            return
        upload = scope["path"] == "/api/parts" or scope["path"].endswith(_SHEET_FILES)
        most = self._settings.largest_upload + 65536 if upload else self._settings.largest_request
        stated = dict(scope["headers"]).get(b"content-length", b"0")
        if not stated.isdigit() or int(stated) > most:
            await _problem(413, _too_large(most))(scope, receive, send)
            return
        seen = 0

        async def counted() -> Message:
            nonlocal seen
            message = await receive()
            seen += len(message.get("body", b""))
            if seen > most:
                raise HTTPException(413, _too_large(most))
            return message

        await self._app(scope, counted, send)


def _too_large(most: int) -> Phrase:
    return phrase("request-too-large", most=most // (1024 * 1024))


def _told(detail: object) -> Phrase | str:
    """What an HTTPException says: a phrase of ours, or what the framework says of its own accord."""
    return detail if isinstance(detail, Phrase) else str(detail)


def _problem(
    status: int, message: Phrase | str, headers: Mapping[str, str] | None = None, **detail: object
) -> JSONResponse:
    told = spoken(message) if isinstance(message, Phrase) else message
    problem = Problem(message=told, detail=detail, request=request_number.get())
    return JSONResponse(problem.model_dump(), status, headers)


def install(app: FastAPI, settings: Settings) -> None:
    """Put the guards around an application."""
    app.add_middleware(SizeGuard, settings=settings)
    app.add_middleware(GZipMiddleware, minimum_size=1000, compresslevel=5)
    app.add_middleware(Envelope, counted=noted)
    app.add_middleware(Spoken)

    @app.exception_handler(StarletteHTTPException)
    async def refused(_: Request, error: StarletteHTTPException) -> JSONResponse:
        return _problem(error.status_code, _told(error.detail), error.headers)

    @app.exception_handler(FullHouseError)
    @app.exception_handler(CrewFullError)
    async def full(_: Request, __: Exception) -> JSONResponse:
        return _problem(503, phrase("full-house"), _SOON)

    @app.exception_handler(NotVisible)
    async def not_visible(_: Request, __: NotVisible) -> JSONResponse:
        return _problem(404, phrase("no-such-thing"))

    @app.exception_handler(AlreadyAnonymous)
    async def anonymous(_: Request, __: AlreadyAnonymous) -> JSONResponse:
        return _problem(409, phrase("already-anonymous"))

    @app.exception_handler(OutOfDate)
    async def out_of_date(_: Request, error: OutOfDate) -> JSONResponse:
        return _problem(409, phrase("changed-in-another-tab"), revision=error.revision)

    @app.exception_handler(RefusedError)
    async def not_done(_: Request, error: RefusedError) -> JSONResponse:
        return _problem(error.status, error.message)

    @app.exception_handler(NotDoneError)
    async def given_up(_: Request, __: NotDoneError) -> JSONResponse:
        return _problem(503, phrase("work-given-up"), _SOON)

    @app.exception_handler(ValidationError)
    async def not_read(_: Request, error: ValidationError) -> JSONResponse:
        # Kept by an earlier version that allowed more.
        _LOG.warning("what is kept does not validate: %s", error.errors()[0]["msg"])
        return _problem(409, phrase("kept-is-unreadable", reason=first_fault(error)))

    @app.exception_handler(RequestValidationError)
    async def invalid(_: Request, error: RequestValidationError) -> JSONResponse:
        keys, what = first_of(error.errors())
        where = ".".join(str(key) for key in keys if key != "body")
        return _problem(422, phrase("request-invalid", where=where or "nowhere", reason=what))

    @app.exception_handler(FilesAway)
    async def no_files(_: Request, error: FilesAway) -> JSONResponse:
        _LOG.warning("%s", error)
        return _problem(503, phrase("files-away"), _SOON)

    @app.exception_handler(OperationalError)
    @app.exception_handler(InterfaceError)
    @app.exception_handler(ConnectionWaitError)
    async def no_database(_: Request, error: Exception) -> JSONResponse:
        _LOG.warning("the database does not answer: %s", getattr(error, "orig", None) or type(error).__name__)
        return _problem(503, phrase("database-away"), _SOON)

    @app.exception_handler(DataError)
    async def beyond(_: Request, __: DataError) -> JSONResponse:
        return _problem(422, phrase("beyond-what-is-kept"))
