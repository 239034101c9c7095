"""What a rule is: severity, the sign it is shown by, and the ways it can be broken. What is said of it stands in the
catalogues of phrases, under its id.
"""

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any, Literal

from maqueta.judging.finding import Finding, Severity
from maqueta.phrases.phrase import Phrase
from maqueta.task.criteria import CRITERIA, Criterion

Sign = Literal["missing", "surplus", "displaced", "chain", "open", "doubt"]


@dataclass(frozen=True, slots=True)
class Wording:
    """What is said of a finding."""

    message: Phrase
    expected: Phrase
    found: Phrase


@dataclass(frozen=True, slots=True)
class Rule:
    """One rule: `sign` is how it is shown on paper; `variants` are the ways of breaking it, "" the usual one."""

    id: str
    severity: Severity
    sign: Sign
    variants: tuple[str, ...] = ("",)
    #: Ways of breaking it that people call by names of their own; all others go by the rule's.
    named: frozenset[str] = frozenset()

    @property
    def criterion(self) -> Criterion:
        """The criterion a rule belongs to: the first part of its id."""
        head = self.id.split(".")[0]
        return next(c for c in CRITERIA if c == head)

    @property
    def kind(self) -> str:
        """The kind of phrase under which the catalogues know the rule."""
        return self.id.replace(".", "-")

    @property
    def heading(self) -> Phrase:
        """What a rule is called."""
        return Phrase(self.kind)

    def heading_of(self, variant: str) -> Phrase:
        """What a way of breaking the rule is called."""
        return Phrase(f"{self.kind}.{variant}-heading") if variant in self.named else self.heading

    def way(self, variant: str) -> str:
        """One text for all findings that are called the same."""
        return f"{self.id}:{variant}" if variant in self.named else self.id

    @property
    def basis(self) -> Phrase:
        """The standard or practice behind a rule."""
        return Phrase(f"{self.kind}.basis")

    @property
    def asks(self) -> Phrase:
        """What a rule asks."""
        return Phrase(f"reasons-{self.kind}")

    @property
    def why(self) -> Phrase:
        """Why a workshop cares."""
        return Phrase(f"reasons-{self.kind}.why")

    @property
    def mend(self) -> Phrase:
        """How to put it right at the bench."""
        return Phrase(f"reasons-{self.kind}.mend")

    def kinds(self, variant: str) -> tuple[str, str, str]:
        """The kinds of phrase that say of a way of breaking the rule what happened, what was expected and found."""
        first, then = (variant, f"{variant}-") if variant else ("message", "")
        return (f"{self.kind}.{first}", f"{self.kind}.{then}expected", f"{self.kind}.{then}found")

    def wording(self, finding: Finding) -> Wording:
        """What is said of a finding of this rule, with its parameters as values."""
        return Wording(*(Phrase(kind, finding.parameters) for kind in self.kinds(finding.variant)))


def rule(id_: str, severity: Severity, sign: Sign, *variants: str, named: Iterable[str] = ()) -> Rule:
    """A rule with the ways it can be broken, some of them with names of their own."""
    return Rule(id_, severity, sign, variants or ("",), frozenset(named))


class Rules(tuple[Rule, ...]):
    """The rules of one criterion."""

    __slots__ = ()

    def found(self, rule: str, severity: Severity | None = None, /, **rest: Any) -> Finding:
        """A finding of a rule, with the rule's own severity unless another is given."""
        own = next(entry for entry in self if entry.id == rule)
        return Finding(rule, severity or own.severity, **rest)
