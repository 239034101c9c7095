"""Which queue a service works with."""

from maqueta.service.queue.local import LocalQueue
from maqueta.service.queue.work_queue import WorkQueue
from maqueta.service.settings import Settings
from maqueta.store.database import Database
from maqueta.store.files import FileStore


def work_queue(settings: Settings, database: Database, files: FileStore) -> WorkQueue:
    """Workers reached by Redis where the settings name one, else processes beside the server."""
    if settings.queue_url is None:
        return LocalQueue(settings, database, files)
    # Its libraries are loaded only where they are needed.
    from maqueta.service.queue.distributed import DistributedQueue

    return DistributedQueue(settings.queue_url, database, files)
