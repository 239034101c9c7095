"""What became of right sheets and of planted mistakes: found, missed, false."""

import random
from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass, field

from maqueta.checking.catalogue import wording
from maqueta.checking.delivered import read_delivered
from maqueta.checking.finding import Finding
from maqueta.checking.report import check
from tests.reading.dxf_writer import CONVENTIONS, Convention, write_sheet
from tests.reading.planted import FOLLOWS, PLANTED, Case
from tests.trust.parts import KINDS
from tests.trust.sheets import right_sheet


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


def errors(case: Case, data: bytes) -> list[Finding]:
    read = read_delivered(data, case.part, case.task)
    return [f for f in check(case.part, case.task, read.document).findings if f.severity == "error"]


def conventions_of(seed: int, count: int) -> list[Convention]:
    """Some conventions for a sheet by its number, so that all of them come up in turn."""
    return [CONVENTIONS[(seed * count + k) % len(CONVENTIONS)] for k in range(count)]


def judged_right(kind: str, seed: int, count: int = 1) -> Tally:
    """A right sheet by some conventions: every error is a false one."""
    tally = Tally()
    case = right_sheet(kind, seed)
    if case is None:
        return tally
    for how in conventions_of(seed, count):
        key = (kind, how.name, "")
        tally.sheets[key] += 1
        wrong = errors(case, write_sheet(case.part, case.sheet, how))
        tally.false[key] += bool(wrong)
        tally.words += [f"right {kind} {seed}, {how.name}: {f.rule}: {wording(f).message}" for f in wrong]
    return tally


def judged_spoilt(kind: str, seed: int, rules: tuple[str, ...] = tuple(PLANTED)) -> Tally:
    """A sheet with each mistake planted in turn, by one convention each."""
    tally = Tally()
    case = right_sheet(kind, seed)
    if case is None:
        return tally
    for place, rule in enumerate(rules):
        planted = PLANTED[rule](case, random.Random(f"{kind} {seed} {rule}"))
        if planted is None:
            continue
        how = CONVENTIONS[(7 * seed + 3 * place) % len(CONVENTIONS)]
        if rule == "layout.outside" and how.space == "window":
            # What lies outside the window on the model does not show at all.
            continue
        key = (kind, how.name, rule)
        tally.sheets[key] += 1
        told = {f.rule: wording(f).message for f in errors(case, write_sheet(case.part, planted[0], how, planted[1]))}
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
