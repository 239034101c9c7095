"""The property that makes a set of dimensions a good one, for every part: one less leaves one motion, one more closes
one chain."""

from dataclasses import replace
from itertools import pairwise
from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from maqueta.demo.workshop import PARTS
from maqueta.geometry.carrier import Circle
from maqueta.projection.arrangement import ViewName, neighbour
from maqueta.projection.attitude import USUAL_FRONT
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.dimension import Dimension, LinearDimension, RoundDimension
from maqueta.sheet.placed import PlacedView
from maqueta.sheet.view import View, square
from maqueta.sizes.determinacy import Equation, Reading, read
from maqueta.sizes.form.model import FormModel, form_model
from maqueta.sizes.measure import measure
from maqueta.sizes.proposal import Datum, Proposed, propose
from maqueta.sizes.sighted import Sighted
from tests.parts import demo_projected, projected
from tests.sizes.counted_parts import COUNTED

LOW = Datum()
ALL_VIEWS: tuple[ViewName, ...] = ("front", "top", "right", "left", "bottom", "rear")
CASES: dict[str, Any] = {slug: slug for slug in PARTS} | {name: features for name, features, _ in COUNTED}


def part_of(case: str) -> ProjectedPart:
    return demo_projected(case) if case in PARTS else projected(*CASES[case])


def views_of(part: ProjectedPart, names: tuple[ViewName, ...] = ALL_VIEWS) -> list[PlacedView]:
    views = []
    for name in names:
        attitude = neighbour(USUAL_FRONT, name)
        view = View(id=name, look=square(attitude), at=(0, 0))
        views.append(PlacedView(view, part.line_set(attitude.look), 1.0, attitude.look))
    return views


def proposal(form: FormModel, part: ProjectedPart, datum: Datum = LOW) -> tuple[Proposed, ...]:
    return propose(form, part.part, USUAL_FRONT, views_of(part), lambda value: f"{value:g}", datum)


def renamed(proposed: tuple[Proposed, ...]) -> tuple[Proposed, ...]:
    """Equations owned by the dimensions as they are named in the set."""
    return tuple(
        replace(
            item,
            measured=replace(
                item.measured, equations=tuple(replace(e, owner=item.dimension.id) for e in item.measured.equations)
            ),
        )
        for item in proposed
    )


def reading(form: FormModel, proposed: tuple[Proposed, ...] | list[Proposed], *more: Equation) -> Reading:
    return read(form, [*(e for item in proposed for e in item.measured.equations), *more])


@pytest.mark.parametrize("case", CASES)
def test_the_proposal_is_complete_and_every_member_is_needed(case: str) -> None:
    part = part_of(case)
    form = form_model(part.part)
    whole = renamed(proposal(form, part))
    result = reading(form, whole)
    assert (result.open, result.chains, result.dependent) == ((), (), ())
    owners = [e.owner for item in whole for e in item.measured.equations]
    idle = [owners[label] for label in result.idle]
    assert len(owners) - len(idle) == form.least <= form.needed
    for place, item in enumerate(whole):
        fewer = reading(form, whole[:place] + whole[place + 1 :])
        assert len(fewer.open) == len(item.measured.equations) - idle.count(item.dimension.id)
        assert fewer.chains == ()


def everything_measurable(form: FormModel, part: ProjectedPart) -> list[Dimension]:
    """Sizes between any two ends of visible lines of the three usual views, and every circle."""
    found: list[Dimension] = []
    for item in views_of(part, ("front", "top", "right")):
        points = sorted({(round(x, 9), round(y, 9)) for p in item.lines.of("visible") for x, y in p.ends})
        for a, b in pairwise(points):
            for along in ("across", "up"):
                found.append(LinearDimension(id="x", view=item.view.id, start=a, end=b, along=along, place=(0, 0)))
        for c in {p.carrier for p in item.lines.of("visible") if isinstance(p.carrier, Circle)}:
            found.append(
                RoundDimension(
                    kind="diameter", id="x", view=item.view.id, centre=(c.x, c.y), radius=c.radius, place=(0, 0)
                )
            )
    return found


@pytest.mark.parametrize("case", CASES)
def test_one_more_dimension_closes_one_chain(case: str) -> None:
    """Where corners are drawn in line a second size is read as meant: no chain is told then."""
    part = part_of(case)
    form = form_model(part.part)
    whole = proposal(form, part)
    customary = any(e.customary for item in whole for e in item.measured.equations)
    sighted = {
        item.view.id: Sighted(form, part.part, neighbour(USUAL_FRONT, item.view.id).look) for item in views_of(part)
    }
    told = 0
    for dimension in everything_measurable(form, part):
        for extra in measure(sighted[dimension.view], dimension).equations:
            if not extra.row:
                continue
            chains = reading(form, whole, extra).chains
            assert len(chains) <= 1
            assert len(chains) == 1 or form.least < form.needed or extra.others or customary
            told += len(chains)
            for chain in chains:
                opened = [e for item in whole for e in item.measured.equations if e.owner != chain.members[0]]
                assert "x" in chain.members
                assert read(form, [*opened, extra]).chains == ()
    assert told or form.least < form.needed or customary


@pytest.mark.parametrize("case", ["reed-clamp", "ratchet-pawl", "countersunk hole", "leaning ridge"])
def test_other_datum_sides_give_another_set_that_is_as_good(case: str) -> None:
    part = part_of(case)
    form = form_model(part.part)
    other = proposal(form, part, Datum("high", "high", "high"))
    assert (reading(form, other).open, reading(form, other).chains) == ((), ())
    assert [item.dimension for item in other] != [item.dimension for item in proposal(form, part)]


@settings(max_examples=20, deadline=None)
@given(st.sampled_from(sorted(CASES)), st.randoms())
def test_the_order_of_dimensions_does_not_matter(case: str, random: Any) -> None:
    part = part_of(case)
    form = form_model(part.part)
    equations = [e for item in proposal(form, part) for e in item.measured.equations]
    dropped = random.randrange(len(equations))
    twice = random.randrange(len(equations))
    said = [*equations[:dropped], *equations[dropped + 1 :], Equation("again", equations[twice].row)]
    before = read(form, said)
    random.shuffle(said)
    after = read(form, said)
    assert len(before.open) == len(after.open)
    for one, other in zip(before.open, after.open, strict=True):
        assert one.keys() == other.keys()
        assert np.allclose([one[k] for k in one], [other[k] for k in one])
    assert {frozenset(c.members) for c in before.chains} == {frozenset(c.members) for c in after.chains}


@settings(max_examples=28, deadline=None)
@given(st.sampled_from(sorted(CASES)), st.randoms())
def test_any_complete_set_is_as_good_as_another(case: str, random: Any) -> None:
    """A set put together at random: whatever it is, it closes no chain, and each of its members is needed."""
    part = part_of(case)
    form = form_model(part.part)
    sighted = {
        item.view.id: Sighted(form, part.part, neighbour(USUAL_FRONT, item.view.id).look) for item in views_of(part)
    }
    pool = [item.measured.equations for item in proposal(form, part)]
    pool += [measure(sighted[d.view], d).equations for d in everything_measurable(form, part)]
    pool = [equations for equations in pool if equations and not any(e.others or e.customary for e in equations)]
    random.shuffle(pool)
    said: list[Equation] = []
    for number, equations in enumerate(pool):
        named = [Equation(f"d{number}", e.row) for e in equations if e.row]
        more = read(form, [*said, *named])
        if not more.chains and len(more.open) == len(read(form, said).open) - len(named):
            said += named
    whole = read(form, said)
    assert whole.chains == ()
    assert len(whole.open) == form.least - len(said)
    if whole.open or not said:
        return
    gone = random.randrange(len(said))
    assert len(read(form, said[:gone] + said[gone + 1 :]).open) == 1
    again = read(form, [*said, Equation("again", said[gone].row)]).chains
    assert [set(chain.members) for chain in again] == [{said[gone].owner, "again"}]
