"""What is told of jobs."""

from maqueta.service.language import Sentence
from maqueta.store.jobs import JobState
from maqueta.strict import Strict


class JobAnswer(Strict):
    """The state of work beside the server."""

    id: int
    state: JobState
    progress: float
    message: Sentence | None
