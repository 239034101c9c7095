"""Near copies: found among sheets made after each other, never among right sheets made independently."""

import random
from collections import Counter
from collections.abc import Sequence

import pytest

from maqueta.demo.workshop import EXERCISES
from maqueta.judging.likeness import Likeness, Trait, likeness, traits
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.sheet.document import Note, SheetDocument
from tests.parts import demo_projected

PART, TASK = demo_projected("reed-clamp"), EXERCISES[0].task
MODEL = model_sheet(PART, TASK, Drafter("A. Tester", "Evening 2", "2026-11-20"))


def by_hand(seed: int) -> SheetDocument:
    """A right sheet as one hand places it: views a little elsewhere, every row at its own distance."""
    rng = random.Random(seed)
    shift = {view.id: (rng.uniform(-9, 9), rng.uniform(-9, 9)) for view in MODEL.views}
    views = tuple(
        v.model_copy(update={"at": (v.at[0] + shift[v.id][0], v.at[1] + shift[v.id][1])}) for v in MODEL.views
    )
    dimensions = tuple(
        d.model_copy(update={"place": (d.place[0] + rng.uniform(-9, 9), d.place[1] + rng.uniform(-9, 9))})
        for d in MODEL.dimensions
    )
    return MODEL.model_copy(update={"views": views, "dimensions": dimensions})


def alike(one: frozenset[Trait], other: frozenset[Trait], others: Sequence[frozenset[Trait]]) -> Likeness:
    sheets = [one, other, *others]
    return likeness(one, other, Counter(trait for sheet in sheets for trait in sheet), len(sheets))


def of(sheet: SheetDocument) -> frozenset[Trait]:
    return traits(PART, TASK, sheet)


def test_independent_right_sheets_are_never_pointed_out() -> None:
    sheets = [of(by_hand(seed)) for seed in range(24)]
    for number, one in enumerate(sheets):
        for other in sheets[number + 1 :]:
            others = [each for each in sheets if each is not one and each is not other]
            assert not alike(one, other, others).striking
            assert not alike(one, other, []).striking, "nor where the two are all there is"


def test_sheets_that_the_same_help_has_placed_are_not_pointed_out() -> None:
    assert not alike(of(MODEL), of(MODEL), []).striking, "equal, but nothing of it is anybody's own"


@pytest.mark.parametrize("seed", range(6))
def test_a_sheet_made_after_another_is_found_through_changes(seed: int) -> None:
    rng = random.Random(seed)
    first = by_hand(seed)
    changed = tuple(
        d.model_copy(update={"place": (d.place[0] + rng.uniform(-5, 5), d.place[1] + 3.0)}) if rng.random() < 0.4 else d
        for d in first.dimensions
    )
    title = first.title.model_copy(update={"fields": {**first.title.fields, "drafter": "SOMEBODY ELSE"}})
    second = first.model_copy(update={"dimensions": changed, "title": title})
    found = alike(of(first), of(second), [of(by_hand(seed + 100 + n)) for n in range(8)])
    assert found.striking
    assert found.things["view"] == 3, "the pictorial view is placed by itself"


def test_what_the_whole_class_has_is_nobodys_own() -> None:
    notes = (Note(id="n1", text="BREAK ALL EDGES", at=(20.0, 60.0)),)
    sheets = [of(by_hand(seed).model_copy(update={"notes": notes})) for seed in range(10)]
    found = alike(sheets[0], sheets[1], sheets[2:])
    assert found.things == {"note": 1}
    assert found.bits < 1
    assert alike(sheets[0], sheets[1], []).bits > 1


def test_names_of_things_do_not_matter() -> None:
    first = by_hand(3)
    renamed = tuple(d.model_copy(update={"id": f"x{n}"}) for n, d in enumerate(first.dimensions))
    assert of(first.model_copy(update={"dimensions": tuple(reversed(renamed))})) == of(first)
