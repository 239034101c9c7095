"""What a rule is: severity, shape of the mark, wording, and the standard or practice behind it."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Final, Literal

from maqueta.checking.exercise import CRITERIA, Criterion
from maqueta.checking.finding import Severity

MarkShape = Literal["missing", "surplus", "displaced", "chain", "open", "doubt"]


@dataclass(frozen=True, slots=True)
class Wording:
    """Templates, filled with a finding's parameters."""

    message: str
    expected: str
    found: str


@dataclass(frozen=True, slots=True)
class Rule:
    """One rule: `shape` is the mark it is shown with; `wordings` by variant, "" the usual one."""

    id: str
    severity: Severity
    shape: MarkShape
    heading: str
    basis: str
    wordings: Mapping[str, Wording]

    @property
    def criterion(self) -> Criterion:
        """The criterion a rule belongs to: the first part of its id."""
        head = self.id.split(".")[0]
        return next(c for c in CRITERIA if c == head)


def rule(
    id_: str, severity: Severity, shape: MarkShape, heading: str, basis: str, *wordings: tuple[str, str, str, str]
) -> Rule:
    """A rule with its wordings: (variant, message, expected, found)."""
    return Rule(id_, severity, shape, heading, basis, {variant: Wording(m, e, f) for variant, m, e, f in wordings})


PRACTICE: Final = "common practice, no source"
