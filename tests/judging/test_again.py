"""Sheets checked again: findings are found again whatever their order, each once."""

import random

import pytest
from hypothesis import given
from hypothesis import strategies as st

from maqueta.judging.again import Again, compared_again
from maqueta.judging.finding import Finding

findings = st.builds(
    Finding,
    rule=st.sampled_from(["lines.extra", "lines.missing-visible", "scale.asked"]),
    severity=st.just("error"),
    views=st.sampled_from([("v1",), ("v2",), ()]),
    at=st.sampled_from([(((0.0, 0.0), (5.0, 0.0)),), (((9.0, 0.0),),), ()]),
    edges=st.sampled_from([(1,), (2,), ()]),
    items=st.sampled_from([("d1",), ()]),
)
lists = st.lists(findings, max_size=8)


@given(lists, lists)
def test_each_finding_is_one_from_before_or_new(before: list[Finding], after: list[Finding]) -> None:
    again = compared_again(before, after)
    assert len(set(again.kept.values())) == len(again.kept)
    assert sorted([*again.kept, *again.new]) == list(range(len(after)))
    assert sorted([*again.kept.values(), *again.gone]) == list(range(len(before)))
    for number, old in again.kept.items():
        assert (after[number].rule, after[number].views) == (before[old].rule, before[old].views)


@given(lists, st.integers(0, 99))
def test_the_same_findings_in_any_order_are_all_kept(before: list[Finding], seed: int) -> None:
    after = random.Random(seed).sample(before, len(before))
    again = compared_again(before, after)
    assert (again.gone, again.new) == ((), ())
    assert all(after[number] == before[old] for number, old in again.kept.items())


def test_the_same_spot_goes_before_the_same_view() -> None:
    left = Finding("lines.extra", "error", views=("v1",), at=(((0.0, 0.0), (5.0, 0.0)),))
    right = Finding("lines.extra", "error", views=("v1",), at=(((80.0, 0.0), (85.0, 0.0)),))
    assert compared_again([left, right], [right]).kept == {0: 1}
    moved = Finding("lines.extra", "error", views=("v1",), at=(((81.0, 0.0), (86.0, 0.0)),))
    assert compared_again([right], [moved]).kept == {0: 0}, "worded or measured otherwise, it is the same mistake"


@pytest.mark.parametrize(
    ("rule", "key", "first", "second"),
    [
        ("views.missing", "name", "top", "right"),
        ("title.missing", "field", "date", "scale"),
        ("dimensions.overall", "direction", "width", "depth"),
    ],
)
def test_findings_without_a_place_are_told_by_what_they_are_about(rule: str, key: str, first: str, second: str) -> None:
    """A decision about the missing top view says nothing about the missing right view."""
    one, other = (Finding(rule, "error", parameters={key: value}) for value in (first, second))
    assert compared_again([one, other], [other]).kept == {0: 1}
    assert compared_again([one], [other]) == Again({}, (0,), (0,))


def test_another_rule_is_another_finding() -> None:
    one = Finding("lines.extra", "error", views=("v1",))
    other = Finding("lines.displaced", "error", views=("v1",))
    assert compared_again([one], [other]) == compared_again([one, one][:1], [other])
    assert compared_again([one], [other]).new == (0,)
    assert compared_again([one], [other]).gone == (0,)
