"""Starts a worker: `python -m maqueta.service.queue`. Why this is a module of its own: see `maqueta.service`."""

from maqueta.service.queue.worker import main

if __name__ == "__main__":
    raise SystemExit(main())
