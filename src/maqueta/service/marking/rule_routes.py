"""The rules: what is found by each, and how often people agree."""

from fastapi import APIRouter

from maqueta.judging.catalogue import CATALOGUE
from maqueta.judging.finding import Severity
from maqueta.service.language import Sentence
from maqueta.service.world import Instructor, InTransaction
from maqueta.store.marking import agreement
from maqueta.strict import Strict
from maqueta.task.criteria import Criterion

router = APIRouter(prefix="/api/rules")


class RuleAnswer(Strict):
    """A rule, how often it found something on the sheets of an instructor's classes, and what people decided."""

    id: str
    criterion: Criterion
    severity: Severity
    heading: Sentence
    found: int
    upheld: int
    waived: int


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
