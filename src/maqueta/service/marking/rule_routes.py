"""The rules: what is found by each, and how often people agree."""

from typing import Final

from fastapi import APIRouter

from maqueta.judging.catalogue import CATALOGUE
from maqueta.judging.finding import Severity
from maqueta.judging.rule import Rule
from maqueta.service.desk import AtDesk
from maqueta.service.language import Sentence
from maqueta.service.marking.reasons import Examples, drawn_examples
from maqueta.service.queue.work_queue import Piece
from maqueta.service.world import AnyAccount, Instructor, InTransaction, aside
from maqueta.store.errors import NotVisible
from maqueta.store.marking import agreement
from maqueta.strict import Strict
from maqueta.task.criteria import Criterion

router = APIRouter(prefix="/api/rules")
#: Drawing the demo part for the first time takes a second or two.
_SECONDS: Final = 60.0


class RuleAnswer(Strict):
    """A rule, how often it found something on the sheets of an instructor's classes, and what people decided."""

    id: str
    criterion: Criterion
    severity: Severity
    heading: Sentence
    found: int
    upheld: int
    waived: int


class Reasons(Strict):
    """A rule: what it asks, why a workshop cares, how to put it right, what stands behind it, and an example."""

    id: str
    criterion: Criterion
    severity: Severity
    heading: Sentence
    asks: Sentence
    why: Sentence
    mend: Sentence
    basis: Sentence
    examples: Examples | None


@router.get("/reasons")
def all_reasons(_: AnyAccount) -> list[Reasons]:
    """The reasons of all rules, without their examples."""
    return [_reasons(rule, None) for rule in CATALOGUE.values()]


@router.get("/{rule}/reasons")
def reasons(rule: str, _: AnyAccount, at: AtDesk) -> Reasons:
    """The reasons of a rule, with right and wrong drawn on a demo part."""
    known = CATALOGUE.get(rule)
    if known is None:
        raise NotVisible
    with aside(at.world, at.session):
        examples = at.world.queue.run(Piece("previews", drawn_examples, (rule,), _SECONDS), at.wanted)
    return _reasons(known, examples)


def _reasons(rule: Rule, examples: Examples | None) -> Reasons:
    return Reasons(
        id=rule.id,
        criterion=rule.criterion,
        severity=rule.severity,
        heading=rule.heading,
        asks=rule.asks,
        why=rule.why,
        mend=rule.mend,
        basis=rule.basis,
        examples=examples,
    )


@router.get("")
def rules(instructor: Instructor, session: InTransaction) -> list[RuleAnswer]:
    """All rules, with how often the instructor's classes broke them and how often that was upheld or waived."""
    counts = agreement(session, instructor)
    return [
        RuleAnswer(
            id=rule.id,
            criterion=rule.criterion,
            severity=rule.severity,
            heading=rule.heading,
            found=sum(counts.get(rule.id, {}).values()),
            upheld=counts.get(rule.id, {}).get("upheld", 0),
            waived=counts.get(rule.id, {}).get("waived", 0),
        )
        for rule in CATALOGUE.values()
    ]
