"""The language of a request: what is said in answer to it is said in the language it asks for."""

from collections.abc import Iterable
from contextvars import ContextVar
from typing import Annotated, Final

from pydantic import PlainSerializer, WithJsonSchema
from starlette.types import ASGIApp, Receive, Scope, Send

from maqueta.phrases.phrase import Phrase
from maqueta.phrases.said import LANGUAGES, USUAL_LANGUAGE, Language, said

#: Set once by the outermost guard, for as long as a request is answered.
_LANGUAGE: Final[ContextVar[Language]] = ContextVar("language", default=USUAL_LANGUAGE)


def spoken(phrase: Phrase) -> str:
    """A phrase in the language of the request that is answered."""
    return said(phrase, _LANGUAGE.get())


def language_spoken() -> Language:
    """The language of the request that is answered."""
    return _LANGUAGE.get()


#: A phrase in an answer: kept as a kind with values until it is sent, then said in the language of the request.
Sentence = Annotated[Phrase, PlainSerializer(spoken, return_type=str), WithJsonSchema({"type": "string"})]


def language_asked(accepted: str) -> Language:
    """The language of ours that a header Accept-Language (RFC 9110, 12.5.4) prefers; the usual one where it has none.

    >>> language_asked("es-MX,es;q=0.9,en;q=0.5"), language_asked("fr, en;q=0.2, es;q=0.4"), language_asked("fr")
    ('es', 'es', 'en')
    """
    asked = sorted(_weighed(accepted.split(",")), key=lambda entry: -entry[0])
    return next((own for _, tag in asked for own in LANGUAGES if tag.split("-")[0] == own), USUAL_LANGUAGE)


def _weighed(entries: Iterable[str]) -> Iterable[tuple[float, str]]:
    for entry in entries:
        tag, _, rest = entry.strip().lower().partition(";")
        try:
            weight = float(rest.strip().removeprefix("q=")) if rest else 1.0
        except ValueError:
            continue
        if weight > 0:
            yield weight, tag.strip()


def speak(chosen: str | None) -> None:
    """Answer the rest of a request in the language its account has chosen: no page can ask for events in one."""
    for language in LANGUAGES:
        if language == chosen:
            _LANGUAGE.set(language)


class Spoken:
    """Tells all that answer a request in which language to."""

    def __init__(self, app: ASGIApp) -> None:
        self._app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Pass a request on, knowing its language."""
        if scope["type"] == "http":
            accepted = dict(scope["headers"]).get(b"accept-language", b"")
            _LANGUAGE.set(language_asked(accepted.decode("latin-1")))
        await self._app(scope, receive, send)
