"""The messages between a service and its workers, carried by Celery on Redis; signs of life and results beside them."""

from typing import Final

from celery import Celery
from redis import Redis

from maqueta.service.queue.work_queue import CrewName

#: The messages: do a sealed piece of work; look for jobs in the database.
WORK: Final = "maqueta.work"
LOOK: Final = "maqueta.look"
#: What nobody took up for so long, nobody waits for any more (seconds).
WORK_EXPIRES: Final = 60
LOOK_EXPIRES: Final = 10
#: A sign of life lasts so long (milliseconds), and is given so often (seconds): one that is late is not taken for none.
SIGN_MS: Final = 6000
SIGN_SECONDS: Final = 0.5
#: Results nobody fetches are dropped (seconds).
RESULT_SECONDS: Final = 60
#: Key of the queue's seals in the database.
KEY: Final = "queue"
_PATIENCE: Final = 3.0


def crew_queue(crew: CrewName) -> str:
    """Where messages for a crew wait: no crew's work waits behind another's."""
    return f"maqueta.{crew}"


def wanted_key(work: str) -> str:
    """The sign that somebody waits for a piece of work."""
    return f"maqueta:wanted:{work}"


def begun_key(work: str) -> str:
    """The sign that somebody is at work on it."""
    return f"maqueta:begun:{work}"


def result_key(work: str) -> str:
    """Where its result is put."""
    return f"maqueta:result:{work}"


def worker_key(worker: str) -> str:
    """The sign that a worker is there, and how its crews are."""
    return f"maqueta:worker:{worker}"


def celery_app(url: str) -> Celery:
    """Celery on a Redis. Messages are plain JSON and taken once: who waits for one sends it again when it is lost."""
    app = Celery("maqueta", broker=url)
    app.conf.update(
        task_serializer="json",
        accept_content=["json"],
        task_ignore_result=True,
        task_acks_late=False,
        worker_prefetch_multiplier=1,
        # Nobody commands a worker by way of the queue.
        worker_enable_remote_control=False,
        worker_hijack_root_logger=False,
        worker_redirect_stdouts=False,
        broker_connection_retry_on_startup=True,
        broker_connection_max_retries=None,
        broker_transport_options={"socket_timeout": _PATIENCE * 2, "socket_connect_timeout": _PATIENCE},
        task_publish_retry_policy={"max_retries": 1, "interval_start": 0.1, "interval_step": 0.1},
    )
    return app


def signs(url: str) -> Redis:
    """Where signs of life and results are kept."""
    return Redis.from_url(url, socket_timeout=_PATIENCE, socket_connect_timeout=_PATIENCE)
