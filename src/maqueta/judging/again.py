"""Sheets checked again by a later version: which findings are those from before, which came, which went."""

from collections.abc import Callable, Hashable, Mapping, Sequence
from dataclasses import dataclass
from typing import Final

from maqueta.judging.finding import Finding

#: Raised whenever a sheet may get other findings than before: sheets checked by an older one are checked again.
CHECKER: Final = 2


@dataclass(frozen=True, slots=True)
class Again:
    """Findings are told by their numbers in two lists. `kept` leads from the later one to the one before."""

    kept: Mapping[int, int]
    gone: tuple[int, ...]
    new: tuple[int, ...]


def _where(finding: Finding) -> Hashable:
    places = tuple(tuple((round(x, 1), round(y, 1)) for x, y in line) for line in finding.at)
    return (*_about(finding), finding.edges, finding.faces, places)


def _behind(finding: Finding) -> Hashable:
    return (*_about(finding), finding.edges, finding.faces)


def _about(finding: Finding) -> tuple[Hashable, ...]:
    return (finding.rule, finding.about, finding.views, finding.items)


#: What makes two findings the same, strictest first: the same spot, the same edges of the part, the same thing.
_SAME: Final[tuple[Callable[[Finding], Hashable], ...]] = (_where, _behind, _about)


def compared_again(before: Sequence[Finding], after: Sequence[Finding]) -> Again:
    """Which findings of a later check are those of the one before; each is at most one, whatever their order."""
    kept: dict[int, int] = {}
    for told in _SAME:
        left: dict[Hashable, list[int]] = {}
        for number, finding in enumerate(before):
            if number not in kept.values():
                left.setdefault(told(finding), []).append(number)
        for number, finding in enumerate(after):
            if number not in kept and (same := left.get(told(finding))):
                kept[number] = same.pop(0)
    known = set(kept.values())
    return Again(
        kept,
        tuple(number for number in range(len(before)) if number not in known),
        tuple(number for number in range(len(after)) if number not in kept),
    )
