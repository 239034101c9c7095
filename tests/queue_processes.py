"""Redis and workers as processes of their own, on loopback."""

import os
import signal
import subprocess
import sys
import time
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from redis import Redis
from redis.exceptions import RedisError

from tests.server_process import free_port

_PASSWORD = "warp-and-weft"


@contextmanager
def redis_server(folder: Path) -> Iterator[str]:
    """A Redis that keeps nothing; its address."""
    port = free_port()
    options = ["--port", str(port), "--bind", "127.0.0.1", "--save", "", "--appendonly", "no", "--dir", str(folder)]
    process = subprocess.Popen(
        ["redis-server", *options, "--requirepass", _PASSWORD], stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL
    )
    url = f"redis://:{_PASSWORD}@127.0.0.1:{port}/0"
    try:
        _wait_for(lambda: bool(Redis.from_url(url).ping()))
        yield url
    finally:
        process.terminate()
        process.wait(20)


def start_worker(data: Path, database: str, queue: str, **more: str) -> subprocess.Popen[bytes]:
    """Start a worker."""
    environment = {
        **os.environ,
        "MAQUETA_DATA": str(data),
        "MAQUETA_DATABASE_URL": database,
        "MAQUETA_QUEUE_URL": queue,
        **more,
    }
    return subprocess.Popen([sys.executable, "-m", "maqueta.service.queue"], env=environment)


def wait_until_there(process: subprocess.Popen[bytes], queue: str) -> None:
    """Wait until a worker says that it is there."""
    _wait_for(lambda: any(Redis.from_url(queue).scan_iter(f"maqueta:worker:*-{process.pid}")))


@contextmanager
def worker(data: Path, database: str, queue: str, **more: str) -> Iterator[subprocess.Popen[bytes]]:
    """A worker that is ready."""
    process = start_worker(data, database, queue, **more)
    try:
        wait_until_there(process, queue)
        yield process
    finally:
        process.send_signal(signal.SIGTERM)
        process.wait(30)


def _wait_for(holds: object) -> None:
    assert callable(holds)
    for _ in range(600):
        try:
            if holds():
                return
        except RedisError:
            pass
        time.sleep(0.05)
    raise AssertionError("it never came")
