"""Crowds at one instant, and drafts every few seconds while walls are looked at.

Prints a table; with --write it replaces the one in docs/running.md.
"""

import argparse
import asyncio
import sys
import tempfile
from pathlib import Path

sys.path.insert(0, str(Path(__file__).resolve().parent.parent))

from school import HEADING, School, crowd, drafts, enrolled, show
from tests.server_process import free_port, running

from maqueta.store.mariadb import MariaDB

MARK = "<!-- load -->"


def main() -> None:
    """Run everything and print the table."""
    parser = argparse.ArgumentParser()
    parser.add_argument("--write", action="store_true", help="keep the table in docs/running.md")
    parser.add_argument("--seconds", type=float, default=60.0, help="how long drafts go on")
    options = parser.parse_args()
    show(MARK, asyncio.run(_table(options.seconds)), options.write)


async def _table(seconds: float) -> list[str]:
    rows = list(HEADING)
    with tempfile.TemporaryDirectory() as folder:
        data, port = Path(folder), free_port()
        with running(data, port):
            people, instructor, exercise, sheet = enrolled(MariaDB(data / "mariadb").url, 200)
            school = School(port)
            await crowd(school, people[:4], f"/api/exercises/{exercise}/sheet")
            for number in (60, 200):
                seen = await crowd(school, people[:number], f"/api/exercises/{exercise}/sheet")
                rows.append(seen.line(f"{number} people open their sheets in one instant", "no error, 5 s"))
            kept, looked, asked, decided = await drafts(school, people, instructor, exercise, sheet, seconds)
            rows.append(kept.line(f"200 students keep drafts for {seconds:.0f} s", "no error, 250 ms"))
            rows.append(asked.line("5 walls ask for their news meanwhile", "no error"))
            rows.append(decided.line("something is marked every five seconds", "no error"))
            rows.append(looked.line("and the walls are looked at again", "no error"))
    return rows


if __name__ == "__main__":
    main()
