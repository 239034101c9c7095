"""What comes of scans: model answers of demo parts printed, or drawn in pencil, scanned in several ways, and judged.

Writes the table of docs/reading.md to standard output. Run by `scripts/scans`; an argument is how many parts.
"""

import sys
from collections import Counter
from collections.abc import Iterator
from concurrent.futures import ProcessPoolExecutor
from dataclasses import dataclass
from functools import cache

from tests.parts import demo_projected
from tests.reading.pencil import RULED, drawn_by_hand
from tests.reading.scan_writer import LEVELS, scan

from maqueta.demo.workshop import PARTS
from maqueta.drawing.pdf import pdf
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.geometry.compare import length_of
from maqueta.judging.finding import Finding
from maqueta.judging.report import check
from maqueta.judging.survey import Survey
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.delivered import read_delivered
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.questions import questions
from maqueta.sheet.document import SheetDocument
from maqueta.task.exercise import Exercise

_TASK = Exercise.model_validate({"views": ["front", "top", "right"], "paper": "A2"})


@dataclass(frozen=True)
class _Outcome:
    """What came of one scan: lengths of lines, the rules of its false findings, and how many things were asked."""

    level: int
    expected: float
    missing: float
    extra: float
    errors: tuple[str, ...]
    warnings: tuple[str, ...]
    asked: int


def main(count: int) -> None:
    """Print the table for as many demo parts, spread over all; sheets in pencil come last."""
    slugs = [PARTS[k * len(PARTS) // count] for k in range(count)]
    with ProcessPoolExecutor(2) as pool:
        found = list(pool.map(_outcome, *zip(*_cases(slugs), strict=True)))
    print("| scan | sheets | without an error | errors a sheet | lines found | false lines | questions a sheet |")
    print("|---|---|---|---|---|---|---|")
    for number, level in enumerate((*LEVELS, RULED)):
        own = [outcome for outcome in found if outcome.level == number]
        whole = sum(outcome.expected for outcome in own)
        print(
            f"| {level.name} | {len(own)} | {sum(not outcome.errors for outcome in own)}"
            f" | {sum(len(outcome.errors) for outcome in own) / len(own):.2f}"
            f" | {1 - sum(outcome.missing for outcome in own) / whole:.2%}"
            f" | {sum(outcome.extra for outcome in own) / whole:.2%}"
            f" | {sum(outcome.asked for outcome in own) / len(own):.1f} |"
        )
    print("\nFalse findings by rule:", dict(Counter(rule for own in found for rule in (*own.errors, *own.warnings))))


def _cases(slugs: list[str]) -> Iterator[tuple[str, int]]:
    return ((slug, number) for slug in slugs for number in range(len(LEVELS) + 1))


@cache
def _answer(slug: str) -> tuple[ProjectedPart, SheetDocument, list[tuple[str, str]]]:
    part = demo_projected(slug)
    sheet = model_sheet(part, _TASK, Drafter("Ada Muster", "Evening 2", "2026-11-20"))
    return part, sheet, [(finding.rule, finding.variant) for finding in check(part, _TASK, sheet).findings]


def _outcome(slug: str, number: int) -> _Outcome:
    part, sheet, known = _answer(slug)
    ink, layout = sheet_ink(part, sheet), sheet.paper.layout
    drawn = number == len(LEVELS)
    data = drawn_by_hand(ink, layout, RULED) if drawn else scan(pdf(ink, layout, "sheet"), LEVELS[number])
    whole = sum(length_of(item.drawn) for item in Survey(part, _TASK, sheet).placed)
    try:
        read = read_delivered(data, part, _TASK)
    except UnreadableSheetError as error:
        return _Outcome(number, whole, whole, 0.0, (f"unread: {error}",), (), 0)
    findings = [own for own in check(part, _TASK, read.document).findings if (own.rule, own.variant) not in known]
    compared = Survey(part, _TASK, read.document).compared.values()
    return _Outcome(
        number,
        sum(own.expected for own in compared),
        sum(length_of(own.missing) for own in compared),
        sum(length_of(own.extra) for own in compared),
        _rules(findings, "error"),
        _rules(findings, "warning"),
        len(questions(read.not_read)),
    )


def _rules(findings: list[Finding], severity: str) -> tuple[str, ...]:
    return tuple(own.rule for own in findings if own.severity == severity)


if __name__ == "__main__":
    main(int(sys.argv[1]) if len(sys.argv) > 1 else 8)
