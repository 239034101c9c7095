"""What travels between service and interface in all areas."""

from datetime import UTC, datetime
from typing import Annotated, Any

from pydantic import AfterValidator, BaseModel, PlainSerializer

from maqueta.phrases.phrase import phrase
from maqueta.phrases.told import ToldError
from maqueta.strict import Strict


def _to_database(time: datetime) -> datetime:
    """A time from outside as the database keeps it: UTC, without a zone mark."""
    try:
        return time.astimezone(UTC).replace(tzinfo=None, microsecond=0) if time.tzinfo else time
    except OverflowError as error:
        raise ToldError(phrase("beyond-end-of-time")) from error


def _in_these_years(time: datetime) -> datetime:
    if not 2000 <= time.year < 2200:
        raise ToldError(phrase("day-out-of-range"))
    return time


#: A time of the database (UTC without a zone mark), sent with its zone.
Time = Annotated[
    datetime,
    AfterValidator(_to_database),
    PlainSerializer(lambda time: time.replace(tzinfo=UTC).isoformat(), return_type=str),
]


class Number(Strict):
    """How many things an action touched."""

    number: int


class Problem(BaseModel):
    """An error: one sentence for people, and what the interface may need to go on."""

    message: str
    detail: dict[str, Any] = {}
    #: The number of the request, which the log carries too.
    request: str = ""
