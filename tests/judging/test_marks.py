"""From findings to marks: worked through by hand in a table, and what holds of any scheme."""

from datetime import timedelta
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import ValidationError

from maqueta.judging.catalogue import CATALOGUE
from maqueta.judging.finding import Finding
from maqueta.judging.points import Added, Decided, late_loss, mark, rounded
from maqueta.judging.scope import Scope
from maqueta.phrases.phrase import phrase
from maqueta.task.criteria import CRITERIA
from maqueta.task.exercise import Exercise
from maqueta.task.mark_scheme import LETTERS, NUMBERS, STEPS, GradeStep, Lateness, MarkScheme

#: Twenty points: lines 10, dimensions 6, title 4.
POINTS: dict[Any, float] = dict.fromkeys(CRITERIA, 0.0) | {"lines": 10.0, "dimensions": 6.0, "title": 4.0}


def task(**marking: Any) -> Exercise:
    return Exercise(points=POINTS, error_cost=2, marking=MarkScheme(**marking))


def found(rule: str) -> Finding:
    return Finding(rule, CATALOGUE[rule].severity)


EXTRA, DISPLACED, CENTRE = "lines.extra", "lines.displaced", "lines.missing-centre"
VALUE, FORM, FIELD = "dimensions.value", "dimensions.form", "title.missing"

# Worked by hand, row by row: rules found, scheme, decisions, days late; then what each criterion earns (lines,
# dimensions, title), what lateness takes, and the mark.
SHEET: list[tuple[list[str], dict[str, Any], dict[str, Any], float, tuple[float, float, float], float, float]] = [
    ([], {}, {}, 0, (10, 6, 4), 0, 20),
    ([EXTRA, EXTRA, CENTRE], {}, {}, 0, (5, 6, 4), 0, 15),
    # A warning costs a quarter of an error's two points.
    ([CENTRE, FORM], {"warning_share": 0.25}, {}, 0, (9.5, 5.5, 4), 0, 19),
    # Three values at a cost of their own, the rule capped at two and a half.
    ([VALUE] * 3, {"costs": {VALUE: 1}, "caps": {VALUE: 2.5}}, {}, 0, (10, 3.5, 4), 0, 17.5),
    # A criterion loses no more than it has: six errors would cost twelve.
    ([EXTRA] * 6, {}, {}, 0, (0, 6, 4), 0, 10),
    # The first finding is waived.
    ([EXTRA, DISPLACED], {}, {"waived": {0}}, 0, (8, 6, 4), 0, 18),
    # A person adds one and a half under the title block.
    ([FIELD], {}, {"added": [Added("title", 1.5)]}, 0, (10, 6, 0.5), 0, 16.5),
    # A mark given in place of the computed one.
    ([EXTRA] * 4, {}, {"given": {"lines": 7.0}}, 0, (7, 6, 4), 0, 17),
    # Two days begun at ten percent of twenty points each.
    ([], {"late": Lateness(per_day=10)}, {}, 1.5, (10, 6, 4), 4, 16),
    # Nine hours late, twelve are free.
    ([], {"late": Lateness(per_day=10, free_hours=12)}, {}, 0.375, (10, 6, 4), 0, 20),
    # Thirty days, but never more than half.
    ([], {"late": Lateness(per_day=10, most=50)}, {}, 30, (10, 6, 4), 10, 10),
    # Three points of bonus, of which the scheme allows two.
    ([FIELD], {"bonus": 2}, {"bonus": 3.0}, 0, (10, 6, 2), 0, 20),
    # 18.75 points in halves.
    ([CENTRE], {"costs": {CENTRE: 1.25}, "rounding": "halves"}, {}, 0, (8.75, 6, 4), 0, 19),
    ([CENTRE], {"costs": {CENTRE: 1.5}, "rounding": "whole"}, {}, 0, (8.5, 6, 4), 0, 19),
    ([CENTRE], {"costs": {CENTRE: 0.15}, "rounding": "tenths"}, {}, 0, (9.85, 6, 4), 0, 19.9),
]


@pytest.mark.parametrize("row", SHEET)
def test_marks_are_those_worked_out_by_hand(row: Any) -> None:
    rules, marking, decided, days, criteria, late, points = row
    result = mark([found(r) for r in rules], task(**marking), Scope(), Decided(**decided), timedelta(days=days))
    counted = [result.criteria[c].counting for c in ("lines", "dimensions", "title")]
    assert counted == pytest.approx(list(criteria))
    assert (result.late, result.points, result.of) == (late, points, 20)


def test_what_is_not_delivered_earns_nothing_and_what_is_not_judged_loses_nothing() -> None:
    scope = Scope(unjudged={"dimensions": phrase("scope-no-view")}, lacking={"title": phrase("scope-no-view")})
    result = mark([], task(), scope)
    assert result.points == 16
    assert [result.criteria[c].outcome for c in ("lines", "dimensions", "title")] == ["met", "not-judged", "not-met"]


def test_what_the_program_counted_stays_beside_what_a_person_gave() -> None:
    own = mark([found(EXTRA)], task(), Scope(), Decided(given={"lines": 10.0})).criteria["lines"]
    assert (own.points, own.given, own.counting) == (8, 10, 10)


@pytest.mark.parametrize(
    ("share", "letter", "number"),
    [(1, "A", "1"), (0.9, "A", "2"), (0.8999, "B", "2"), (0.7, "C", "3"), (0.1 + 0.2 + 0.3, "D", "4"), (0, "F", "6")],
)
def test_grades_begin_at_their_least_share(share: float, letter: str, number: str) -> None:
    assert MarkScheme(grades=LETTERS).grade_of(share) == letter
    assert MarkScheme(grades=NUMBERS).grade_of(share) == number
    assert MarkScheme().grade_of(share) is None


@pytest.mark.parametrize("steps", [[(50, "A"), (50, "B"), (0, "C")], [(50, "A"), (60, "B"), (0, "C")], [(50, "A")]])
def test_grades_that_leave_gaps_are_refused(steps: Any) -> None:
    with pytest.raises(ValidationError, match=r"[Gg]rade"):
        MarkScheme(grades=tuple(GradeStep(least=least, grade=grade) for least, grade in steps))


SOME_RULES = st.lists(st.sampled_from(sorted(CATALOGUE)), max_size=12)
SCHEMES = st.builds(
    MarkScheme,
    costs=st.dictionaries(st.sampled_from(sorted(CATALOGUE)), st.floats(0, 9), max_size=4),
    caps=st.dictionaries(st.sampled_from(sorted(CATALOGUE)), st.floats(0, 9), max_size=4),
    warning_share=st.floats(0, 1),
    late=st.builds(Lateness, per_day=st.floats(0, 100), free_hours=st.floats(0, 48), most=st.floats(0, 100)),
)


@given(SOME_RULES, SCHEMES, st.integers(0, 10), st.randoms())
def test_a_mark_depends_on_no_order_and_never_leaves_its_range(rules: Any, scheme: Any, days: int, random: Any) -> None:
    exercise, late = Exercise(marking=scheme), timedelta(days=days)
    first = mark([found(r) for r in rules], exercise, Scope(), late_by=late)
    random.shuffle(rules)
    assert mark([found(r) for r in rules], exercise, Scope(), late_by=late).points == pytest.approx(first.points)
    assert 0 <= first.points <= first.of


@given(SOME_RULES, SCHEMES, st.sampled_from(sorted(CATALOGUE)))
def test_one_more_finding_never_raises_a_mark(rules: Any, scheme: Any, more: str) -> None:
    exercise = Exercise(marking=scheme)
    before = mark([found(r) for r in rules], exercise, Scope())
    after = mark([found(r) for r in [*rules, more]], exercise, Scope())
    assert after.points <= before.points + 1e-9


@given(st.floats(0, 1000), st.sampled_from(sorted(STEPS)))
def test_rounding_moves_a_mark_by_half_a_step_at_most(points: float, step: Any) -> None:
    unit = float(STEPS[step])
    off = rounded(points, step) / unit
    assert off == pytest.approx(round(off))
    assert abs(rounded(points, step) - points) <= unit / 2 + 1e-6
    assert rounded(points + unit / 2, step) >= points - 1e-6


def test_a_sheet_in_time_loses_nothing() -> None:
    scheme = MarkScheme(late=Lateness(per_day=10))
    assert late_loss(timedelta(), 20, scheme) == 0
    assert late_loss(timedelta(seconds=1), 20, scheme) == 2, "a day that has begun counts"
