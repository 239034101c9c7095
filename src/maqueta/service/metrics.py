"""Figures of a running service in the text form of Prometheus."""

from typing import Final

from prometheus_client import CollectorRegistry, Counter, Gauge, Histogram, generate_latest

from maqueta.service.world import World

_REGISTRY: Final = CollectorRegistry()
#: Requests by method and kind of answer (2xx, 3xx, 4xx, 5xx; "none" where the client left first), and their time.
_REQUESTS: Final = Counter("maqueta_requests", "Requests answered", ["method", "answer"], registry=_REGISTRY)
_SECONDS: Final = Histogram("maqueta_request_seconds", "Time to an answer", registry=_REGISTRY)
#: Work in other processes: parts, sheets' files, sheets drawn and checked; by who did it and what, and how it ended.
_WORK: Final = Histogram(
    "maqueta_work_seconds", "Time of work elsewhere", ["crew", "work", "ended"], registry=_REGISTRY
)
_PLACES: Final = Gauge("maqueta_places", "Requests by where they are", ["where"], registry=_REGISTRY)
_STREAMS: Final = Gauge("maqueta_streams", "Event streams open", registry=_REGISTRY)
_JOBS: Final = Gauge("maqueta_jobs", "Jobs in the queue by state", ["state"], registry=_REGISTRY)
_WAITING: Final = Gauge("maqueta_crew_waiting", "Pieces of work given to a crew", ["crew"], registry=_REGISTRY)
_SOUND: Final = Gauge("maqueta_crew_sound", "Whether a crew can work", ["crew"], registry=_REGISTRY)
_DATABASE: Final = Gauge("maqueta_database_answers", "Whether the database answers", registry=_REGISTRY)


def noted(method: str, status: int, seconds: float) -> None:
    """Count one request."""
    known = method if method in ("GET", "HEAD", "POST", "PUT", "PATCH", "DELETE") else "other"
    _REQUESTS.labels(known, f"{status // 100}xx" if status else "none").inc()
    _SECONDS.observe(seconds)


def noted_work(crew: str, work: str, ended: str, seconds: float) -> None:
    """Count one piece of work in another process."""
    _WORK.labels(crew, work, ended).observe(seconds)


def exposed(world: World, jobs: dict[str, int] | None) -> bytes:
    """All figures as they are now; `jobs` is None where the database does not answer."""
    for where in ("inside", "waiting", "aside"):
        _PLACES.labels(where).set(getattr(world.admission, where))
    _STREAMS.set(world.news.streams)
    _DATABASE.set(jobs is not None)
    for state, number in (jobs or {}).items():
        _JOBS.labels(state).set(number)
    for crew in world.queue.crews():
        _WAITING.labels(crew.name).set(crew.waiting)
        _SOUND.labels(crew.name).set(crew.sound)
    return generate_latest(_REGISTRY)
