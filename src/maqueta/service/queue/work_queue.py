"""What the service asks of a queue, wherever the work is done."""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any, Generic, Literal, Protocol, TypeVar

from maqueta.phrases.phrase import Phrase

#: Parts that are brought in; parts and sheets' files somebody waits for; sheets that are drawn and checked.
CrewName = Literal["uploads", "previews", "readers", "desk"]
Result = TypeVar("Result")
#: Whether somebody still waits.
Wanted = Callable[[], bool]
#: Told how far some work is (0 to 1), and what it is doing.
Progress = Callable[[float, Phrase], None]


class NotDoneError(Exception):
    """Work came to no result for reasons that lie elsewhere; it can be asked for again."""


class AbandonedError(NotDoneError):
    """Nobody waits for this work any more; it was stopped."""


class BrokenCrewError(NotDoneError):
    """The crew broke under this work and was given up; a new one can do it."""


class QueueSilentError(NotDoneError):
    """The queue cannot be reached, or nobody takes up what is in it."""


class CrewFullError(NotDoneError):
    """Very many wait for this crew already."""


@dataclass(frozen=True, slots=True)
class CrewState:
    """How a crew is: pieces of work given to it, and whether it can work at all."""

    name: str
    waiting: int
    sound: bool


@dataclass(frozen=True)
class Piece(Generic[Result]):
    """Some work: which crew does it, what it is, on what, and how long it may take (seconds)."""

    crew: CrewName
    work: Callable[..., Result]
    arguments: tuple[Any, ...]
    seconds: float


def always() -> bool:
    """Somebody waits as long as it takes."""
    return True


class Hands(Protocol):
    """Whoever does pieces of work, wherever they are done."""

    def run(self, piece: Piece[Result], wanted: Wanted = always) -> Result:
        """The result of some work, done once more by another process where the first one died over it.

        Raises what the work raises, TimeoutError when it takes longer than it may, ProcessExpired when it killed two
        processes, AbandonedError as soon as it is no longer `wanted`, CrewFullError when very many wait already,
        BrokenCrewError and QueueSilentError when nobody can be asked.
        """


class WorkQueue(Hands, Protocol):
    """Takes work from the service: work that somebody waits for, and jobs that are kept in the database."""

    def wake(self) -> None:
        """Say that a job is waiting in the database. Never raises: jobs are looked for now and then in any case."""

    def start(self) -> None:
        """Be ready for work."""

    def close(self) -> None:
        """Stop; what runs here is given back."""

    @property
    def alive(self) -> bool:
        """Whether jobs are taken up."""

    def crews(self) -> list[CrewState]:
        """How the crews are that do the work."""
