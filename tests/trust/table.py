"""What became of right sheets and of planted mistakes: found, missed, false."""

import random
from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass, field

from maqueta.judging.catalogue import wording
from maqueta.judging.finding import Finding
from maqueta.judging.report import check
from maqueta.phrases.said import said
from maqueta.reading.delivered import read_delivered
from tests.reading.planted import FOLLOWS, PLANTED, Case
from tests.trust.parts import KINDS
from tests.trust.sheets import right_sheet, with_pictorial
from tests.trust.writings import WRITINGS, Format, Writing


@dataclass
class Tally:
    """Counts by (kind of part, convention, rule); a right sheet has the rule "". `words` tell of every failure."""

    sheets: Counter[tuple[str, str, str]] = field(default_factory=Counter)
    found: Counter[tuple[str, str, str]] = field(default_factory=Counter)
    false: Counter[tuple[str, str, str]] = field(default_factory=Counter)
    words: list[str] = field(default_factory=list)

    def add(self, other: "Tally") -> None:
        """Take in another tally."""
        for mine, theirs in ((self.sheets, other.sheets), (self.found, other.found), (self.false, other.false)):
            mine.update(theirs)
        self.words += other.words


def errors(case: Case, data: bytes, also: str = "-") -> list[Finding]:
    """The errors found on a delivered sheet, and findings of any severity whose rules begin in some way."""
    read = read_delivered(data, case.part, case.task)
    found = check(case.part, case.task, read.document).findings
    return [f for f in found if f.severity == "error" or f.rule.startswith(also)]


def writings_of(form: Format, seed: int, count: int) -> list[Writing]:
    """Some ways to write a sheet by its number, so that all of them come up in turn."""
    ways = WRITINGS[form]
    return [ways[(seed * count + k) % len(ways)] for k in range(count)]


def judged_right(kind: str, seed: int, count: int = 1, form: Format = "dxf") -> Tally:
    """A right sheet written in some ways, every other time with its pictorial view.

    Every error is a false one, and so is whatever is said of the pictorial.
    """
    tally = Tally()
    case = right_sheet(kind, seed)
    if case is None:
        return tally
    for place, how in enumerate(writings_of(form, seed, count)):
        key = (kind, how.name, "")
        tally.sheets[key] += 1
        own = with_pictorial(case) if (seed + place) % 2 else case
        wrong = errors(own, how.write(own.part, own.sheet, None), "pictorial.")
        tally.false[key] += bool(wrong)
        tally.words += [f"right {kind} {seed}, {how.name}: {f.rule}: {said(wording(f).message)}" for f in wrong]
    return tally


def judged_spoilt(kind: str, seed: int, rules: tuple[str, ...] = tuple(PLANTED), form: Format = "dxf") -> Tally:
    """A sheet with each mistake planted in turn, each written in one way."""
    tally = Tally()
    case = right_sheet(kind, seed)
    if case is None:
        return tally
    for place, rule in enumerate(rules):
        planted = PLANTED[rule](case, random.Random(f"{kind} {seed} {rule}"))
        if planted is None:
            continue
        how = WRITINGS[form][(7 * seed + 3 * place) % len(WRITINGS[form])]
        if rule == "layout.outside" and how.window:
            # What lies outside the window on the model does not show at all.
            continue
        key = (kind, how.name, rule)
        tally.sheets[key] += 1
        told = {f.rule: said(wording(f).message) for f in errors(case, how.write(case.part, planted[0], planted[1]))}
        tally.found[key] += rule in told
        wrong = {r: words for r, words in told.items() if r != rule and r not in FOLLOWS.get(rule, set())}
        tally.false[key] += bool(wrong)
        if rule not in told:
            tally.words.append(f"missed {kind} {seed}, {how.name}: {rule}, told {sorted(told)}")
        tally.words += [f"false {kind} {seed}, {how.name}, planted {rule}: {r}: {w}" for r, w in wrong.items()]
    return tally


def numbers(sheets: int) -> Iterator[tuple[str, int]]:
    """Kinds of part in turn with their numbers."""
    kinds = list(KINDS)
    for number in range(sheets):
        yield kinds[number % len(kinds)], number // len(kinds)
