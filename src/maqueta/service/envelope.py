"""Around every request: a number, the headers of a careful server, and an answer whatever happens inside."""

import json
import logging
import secrets
import time
from collections.abc import Callable
from contextvars import ContextVar
from typing import Final

from starlette.types import ASGIApp, Message, Receive, Scope, Send

from maqueta.phrases.phrase import phrase
from maqueta.service.language import spoken

_LOG = logging.getLogger("maqueta.requests")
#: The number of the request that is being answered; errors tell it and the log carries it.
request_number: ContextVar[str] = ContextVar("request_number", default="")
#: Who is asking, once that is known.
asking: ContextVar[list[int] | None] = ContextVar("asking", default=None)
NUMBER_HEADER: Final = "x-request-number"

_HEADERS: Final = {
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
#: Files named by their content never change: browsers keep them for a year.
_FOR_A_YEAR: Final = "public, max-age=31536000, immutable"


def _usual_headers(path: str) -> dict[str, str]:
    if path.startswith("/api/"):
        return _HEADERS | {"cache-control": "no-store"}
    return _HEADERS | ({"cache-control": _FOR_A_YEAR} if path.startswith("/assets/") else {})


class Envelope:
    """Numbers requests, adds headers, logs one line a request, and answers where the inside failed."""

    def __init__(self, app: ASGIApp, counted: Callable[[str, int, float], None] | None = None) -> None:
        self._app, self._counted = app, counted

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Pass a request on."""
        if scope["type"] != "http":
            await self._app(scope, receive, send)
            return
        number, began, who = secrets.token_hex(6), time.monotonic(), list[int]()
        request_number.set(number)
        asking.set(who)
        usual = {**_usual_headers(scope["path"]), NUMBER_HEADER: number}
        status = 0

        async def dressed(message: Message) -> None:
            nonlocal status
            if message["type"] == "http.response.start":
                status = message["status"]
                own = {name.lower() for name, _ in message.get("headers", ())}
                more = [(k.encode(), v.encode()) for k, v in usual.items() if k.encode() not in own]
                message = {**message, "headers": [*message.get("headers", ()), *more]}
            await send(message)

        try:
            await self._app(scope, receive, dressed)
        except Exception:
            _LOG.exception("failed", extra={"fields": {"request": number}})
            if status:
                raise
            await _failed(number, dressed)
        finally:
            spent = time.monotonic() - began
            if self._counted is not None:
                self._counted(scope["method"], status, spent)
            line = {"method": scope["method"], "path": scope["path"][:200], "status": status}
            more = {"request": number, "person": who[0] if who else None, "ms": round(1000 * spent, 1)}
            _LOG.info("answered", extra={"fields": more | line})


async def _failed(number: str, send: Send) -> None:
    told = spoken(phrase("something-went-wrong", number=number))
    body = json.dumps({"message": told, "detail": {}, "request": number}).encode()
    headers = [(b"content-type", b"application/json"), (b"content-length", str(len(body)).encode())]
    await send({"type": "http.response.start", "status": 500, "headers": headers})
    await send({"type": "http.response.body", "body": body})
