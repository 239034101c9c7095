"""How far the checks can be trusted: right sheets and planted mistakes on random parts, by every convention.

Prints what was found, missed and false by kind of part, convention and rule, and writes it to docs/trust.md; of sheets
that come as PDF or SVG to docs/trust-pdf.md and docs/trust-svg.md.
"""

import argparse
import datetime
import sys
from collections import Counter
from collections.abc import Iterator, Sequence
from concurrent.futures import ProcessPoolExecutor
from multiprocessing import get_context
from pathlib import Path
from typing import Final

ROOT = Path(__file__).resolve().parent.parent
sys.path.insert(0, str(ROOT))

from tests.reading.planted import PLANTED  # noqa: E402
from tests.trust.table import Tally, judged_right, judged_spoilt, numbers  # noqa: E402
from tests.trust.writings import WRITINGS, Format  # noqa: E402

#: Of each format: how many parts, and in how many ways the right sheet of each is written.
_SHEETS: Final[dict[Format, tuple[int, int]]] = {"dxf": (200, 3), "pdf": (60, 10), "svg": (60, 9)}
#: Mistakes are planted by turns, one in so many.
_TURNS: Final = 3


def _one(work: tuple[str, str, int, Format]) -> Tally:
    what, kind, seed, form = work
    if what == "right":
        return judged_right(kind, seed, _SHEETS[form][1], form)
    return judged_spoilt(kind, seed, tuple(PLANTED)[seed % _TURNS :: _TURNS], form)


def judged(sheets: int, first: int, form: Format) -> Tally:
    """The tally of `sheets` right and spoilt parts from a number on, two processes at a time."""
    work = [(what, kind, first + seed, form) for kind, seed in numbers(sheets) for what in ("right", "spoilt")]
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


def written(tally: Tally, sheets: int, first: int, form: Format) -> str:
    """The page."""
    made = "scripts/trust" if form == "dxf" else f"scripts/trust --as {form}"
    lines = [
        "# Trust" if form == "dxf" else f"# Trust: {form.upper()}",
        "",
        f"Random parts of five kinds, drawn by rule, written as {form.upper()} files by every convention of the tests,",
        "read and checked again: right as they are, and with one mistake planted. What follows from it (a missing view",
        f"takes its dimensions along) is not counted as false. Made by `{made}`; a sample runs with the tests.",
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
    parser.add_argument("--as", dest="form", choices=tuple(WRITINGS), default="dxf", help="what the sheets come as")
    parser.add_argument("--sheets", type=int, help="parts, spread over the kinds")
    parser.add_argument("--first", type=int, default=0, help="number of the first part of each kind")
    parser.add_argument("--out", type=Path)
    options = parser.parse_args()
    form: Format = options.form
    sheets = options.sheets or _SHEETS[form][0]
    page = written(judged(sheets, options.first, form), sheets, options.first, form)
    out = options.out or ROOT / "docs" / ("trust.md" if form == "dxf" else f"trust-{form}.md")
    out.write_text(page, "utf-8")
    print(page)


if __name__ == "__main__":
    main()
