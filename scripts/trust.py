"""How far the checks can be trusted: right sheets and planted mistakes on random parts, by every convention.

Prints what was found, missed and false by kind of part, convention and rule, and writes it to docs/trust.md.
"""

import argparse
import datetime
import sys
from collections import Counter
from collections.abc import Iterator, Sequence
from concurrent.futures import ProcessPoolExecutor
from multiprocessing import get_context
from pathlib import Path

ROOT = Path(__file__).resolve().parent.parent
sys.path.insert(0, str(ROOT))

from tests.reading.planted import PLANTED  # noqa: E402
from tests.trust.table import Tally, judged_right, judged_spoilt, numbers  # noqa: E402

#: Right sheets are written by so many conventions each; mistakes are planted by turns, one in so many.
_CONVENTIONS, _TURNS = 3, 3
Key = tuple[str, str, str]


def _one(work: tuple[str, str, int]) -> Tally:
    what, kind, seed = work
    if what == "right":
        return judged_right(kind, seed, _CONVENTIONS)
    return judged_spoilt(kind, seed, tuple(PLANTED)[seed % _TURNS :: _TURNS])


def judged(sheets: int, first: int) -> Tally:
    """The tally of `sheets` right and spoilt parts from a number on, two processes at a time."""
    work = [(what, kind, first + seed) for kind, seed in numbers(sheets) for what in ("right", "spoilt")]
    whole = Tally()
    with ProcessPoolExecutor(2, mp_context=get_context("spawn")) as pool:
        for done, tally in enumerate(pool.map(_one, work, chunksize=4), 1):
            whole.add(tally)
            for words in tally.words:
                print(words, file=sys.stderr)
            print(f"\r{done} of {len(work)}", end="", file=sys.stderr)
    return whole


def _by(tally: Tally, place: int, right: bool) -> Iterator[tuple[str, int, int, int]]:
    """Rows of one column of the keys: its value, sheets, found, false."""
    counts: dict[str, Counter[str]] = {}
    for key, number in tally.sheets.items():
        if (key[2] == "") == right:
            row = counts.setdefault(key[place], Counter())
            row.update(sheets=number, found=tally.found[key], false=tally.false[key])
    for name in sorted(counts):
        yield name, counts[name]["sheets"], counts[name]["found"], counts[name]["false"]


def _rows(heading: str, rows: Sequence[tuple[str, int, int, int]], right: bool) -> list[str]:
    total = ("**all**", *(sum(row[k] for row in rows) for k in (1, 2, 3)))
    if right:
        lines = [f"| {heading} | right sheets | without an error | false |", "|---|---|---|---|"]
        return lines + [
            f"| {name} | {sheets} | {sheets - false} | {false} |" for name, sheets, _, false in (*rows, total)
        ]
    lines = [f"| {heading} | planted | found | missed | sheets with another, false error |", "|---|---|---|---|---|"]
    return lines + [
        f"| {name} | {sheets} | {found} | {sheets - found} | {false} |" for name, sheets, found, false in (*rows, total)
    ]


def written(tally: Tally, sheets: int, first: int) -> str:
    """The page."""
    lines = [
        "# Trust",
        "",
        "Random parts of five kinds, drawn by rule, written as DXF files by every convention of the tests, read and",
        "checked again: right as they are, and with one mistake planted. What follows from a mistake (a missing view",
        "takes its dimensions along) is not counted as false. Made by `scripts/trust`; a sample runs with the tests.",
        "",
        f"{datetime.date.today().isoformat()}, parts {first} to {first + sheets // 5 - 1} of each kind.",
        "",
    ]
    for right in (True, False):
        lines += ["## Right sheets" if right else "## Planted mistakes", ""]
        for heading, place in (("kind of part", 0), ("convention", 1), ("rule", 2)):
            if right and place == 2:
                continue
            lines += [*_rows(heading, list(_by(tally, place, right)), right), ""]
    lines += ["## What went wrong", "", *(f"- {words}" for words in sorted(tally.words)), ""]
    return "\n".join(lines)


def main() -> None:
    """Run all of it."""
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--sheets", type=int, default=200, help="parts, spread over the kinds")
    parser.add_argument("--first", type=int, default=0, help="number of the first part of each kind")
    parser.add_argument("--out", type=Path, default=ROOT / "docs" / "trust.md")
    options = parser.parse_args()
    page = written(judged(options.sheets, options.first), options.sheets, options.first)
    options.out.write_text(page, "utf-8")
    print(page)


if __name__ == "__main__":
    main()
