"""Which share of each room's lines the tests run, against a floor that only rises.

`tested_lines.py var/coverage.json` fails where a room has sunk below its floor in `tests/coverage_floor.json`; with
`--raise` the floor of every room that is higher by now is raised. What other processes run is not counted: servers that
a test starts, and work given to crews. Nor are migrations, which Alembic loads past what counts.
"""

import argparse
import json
import sys
from collections import defaultdict
from pathlib import Path
from typing import Final

_ROOT: Final = Path(__file__).resolve().parent.parent
_FLOOR: Final = _ROOT / "tests" / "coverage_floor.json"
#: What crews and timers get to run is a matter of chance: a room may sink by so much (percent), or so many lines.
_SLACK, _LINES = 1.0, 3


def shares(report: Path) -> tuple[dict[str, float], dict[str, int]]:
    """Percent of lines run, and how many lines there are, by room."""
    package = _ROOT / "src" / "maqueta"
    run: defaultdict[str, int] = defaultdict(int)
    lines: defaultdict[str, int] = defaultdict(int)
    for name, entry in json.loads(report.read_text(encoding="utf-8"))["files"].items():
        path = (_ROOT / name).resolve()
        if not path.is_relative_to(package) or "migrations" in path.parts:
            continue
        room = path.relative_to(package).parts[0].removesuffix(".py")
        covered = entry["summary"]["covered_lines"]
        run[room] += covered
        lines[room] += covered + entry["summary"]["missing_lines"]
    return {room: round(100 * run[room] / lines[room], 1) for room in sorted(lines) if lines[room]}, lines


def main() -> int:
    """Compare, and raise where asked to."""
    parser = argparse.ArgumentParser()
    parser.add_argument("report", type=Path)
    parser.add_argument("--raise", dest="rising", action="store_true")
    chosen = parser.parse_args()
    now, lines = shares(chosen.report)
    floor: dict[str, float] = json.loads(_FLOOR.read_text(encoding="utf-8"))
    if chosen.rising:
        floor |= {room: max(share, floor.get(room, 0.0)) for room, share in now.items()}
        _FLOOR.write_text(json.dumps(dict(sorted(floor.items())), indent=2) + "\n", encoding="utf-8")
    sunk = {
        room: now.get(room, 0.0)
        for room, least in floor.items()
        if now.get(room, 0.0) < least - max(_SLACK, 100 * _LINES / max(lines.get(room, 0), 1))
    }
    for room, share in sunk.items():
        print(f"fewer lines of {room} are tested: {share} %, there were {floor[room]} %", file=sys.stderr)
    return 1 if sunk else 0


if __name__ == "__main__":
    sys.exit(main())
