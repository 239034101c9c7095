"""Guards around every request: size, headers, and errors told in one sentence."""

import logging

from fastapi import FastAPI, HTTPException, Request, Response
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from sqlalchemy.exc import InterfaceError, OperationalError
from starlette.exceptions import HTTPException as StarletteHTTPException
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from maqueta.service.forms import Problem
from maqueta.service.settings import Settings
from maqueta.solid.errors import place_of
from maqueta.store.errors import NotVisible, OutOfDate

_LOG = logging.getLogger("maqueta.service")

_HEADERS = {
    "x-content-type-options": "nosniff",
    "x-frame-options": "DENY",
    "referrer-policy": "same-origin",
    "cross-origin-opener-policy": "same-origin",
    "permissions-policy": "camera=(), microphone=(), geolocation=()",
    # The component library sets its own style element; scripts come from files only.
    "content-security-policy": (
        "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; "
        "font-src 'self' data:; connect-src 'self'; frame-ancestors 'none'; base-uri 'none'; form-action 'self'"
    ),
}


#: Where sheets are delivered as files.
_SHEET_FILES = ("/sheet/file", "/deliveries")


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
            await _refusal(most)(scope, receive, send)
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


def _too_large(most: int) -> str:
    return f"That is too large: at most {most // (1024 * 1024)} MB can be taken. Nothing was changed."


def _refusal(most: int) -> JSONResponse:
    return JSONResponse(Problem(message=_too_large(most)).model_dump(), 413)


def _problem(status: int, message: str, **detail: object) -> JSONResponse:
    return JSONResponse(Problem(message=message, detail=detail).model_dump(), status)


def install(app: FastAPI, settings: Settings) -> None:
    """Put the guards around an application."""
    app.add_middleware(SizeGuard, settings=settings)

    @app.middleware("http")
    async def headers(request: Request, call_next):  # type: ignore[no-untyped-def]
        response: Response = await call_next(request)
        for name, value in _HEADERS.items():
            response.headers.setdefault(name, value)
        if request.url.path.startswith("/api/"):
            response.headers.setdefault("cache-control", "no-store")
        return response

    @app.exception_handler(StarletteHTTPException)
    async def refused(_: Request, error: StarletteHTTPException) -> JSONResponse:
        return _problem(error.status_code, str(error.detail))

    @app.exception_handler(NotVisible)
    async def not_visible(_: Request, __: NotVisible) -> JSONResponse:
        return _problem(404, "There is no such thing here.")

    @app.exception_handler(OutOfDate)
    async def out_of_date(_: Request, error: OutOfDate) -> JSONResponse:
        message = "This sheet was changed in another tab. What you have here is not lost; choose which one to keep."
        return _problem(409, message, revision=error.revision)

    @app.exception_handler(RequestValidationError)
    async def invalid(_: Request, error: RequestValidationError) -> JSONResponse:
        first = error.errors()[0]
        where = ".".join(str(key) for key in place_of(first["loc"]) if key != "body")
        return _problem(422, f"{where or 'The request'}: {first['msg']}. Nothing was changed.")

    @app.exception_handler(OperationalError)
    @app.exception_handler(InterfaceError)
    async def no_database(_: Request, __: Exception) -> JSONResponse:
        _LOG.warning("the database does not answer")
        return _problem(503, "The database does not answer just now. Nothing was changed; try again in a moment.")
