"""Starts a server: `python -m maqueta.service`.

Processes at work are handed the module a program was started with, and would load the whole service for it; a
`__main__` they leave alone (multiprocessing/spawn.py, `_fixup_main_from_name`).
"""

from maqueta.service.run import main

if __name__ == "__main__":
    raise SystemExit(main())
