"""Lines nobody says the kind of: settled by what the part would show, whatever their order, place and layer."""

import random
from collections.abc import Sequence

from hypothesis import given, settings
from hypothesis import strategies as st

from maqueta.geometry.carrier import Similarity
from maqueta.phrases.phrase import phrase
from maqueta.projection.attitude import Attitude
from maqueta.reading.content import Stroke, Style
from maqueta.reading.kinds import Kind
from maqueta.reading.settle import Settled, settle_open
from maqueta.solid.unit import MILLIMETRES
from tests.parts import demo_projected

TOLERANCE = 0.3
#: Parts with hidden lines in both views.
PARTS = ("pedal-hinge", "reed-clamp", "warp-beam-bearing")
VIEWS = ((Attitude("-y", "+z"), (60.0, 120.0)), (Attitude("+z", "+y"), (60.0, 30.0)))


def style(layer: str, colour: int) -> Style:
    return Style(layer=layer, pattern=(), pattern_name="", plain=False, width=None, colour=colour)


OUTLINES, OTHERS, SIZES = (style(layer, colour) for layer, colour in (("outlines", 7), ("others", 3), ("sizes", 5)))


def drawn(slug: str, kind: Kind, how: Style, shift: tuple[float, float] = (0.0, 0.0)) -> list[Stroke]:
    """The lines of a kind in two views of a part, as strokes of one style."""
    part = demo_projected(slug)
    return [
        Stroke(piece.moved(Similarity(MILLIMETRES[part.part.unit], 0.0, at[0] + shift[0], at[1] + shift[1])), how)
        for attitude, at in VIEWS
        for piece in part.line_set(attitude.look).of(kind)  # type: ignore[arg-type]
    ]


def settled(slug: str, known: Sequence[Stroke], open_: Sequence[Stroke], order: random.Random) -> dict[Style, set[str]]:
    """The kinds that the strokes of each style are given; "dropped" where they are none of a view's."""
    told: list[tuple[Stroke, Kind]] = [*((s, "visible") for s in known), *((s, "open") for s in open_)]
    order.shuffle(told)
    found = _settle(slug, told)
    result: dict[Style, set[str]] = {}
    for place, (stroke, _) in enumerate(told):
        kind = "dropped" if place in found.dropped else found.kinds[place]
        result.setdefault(stroke.style, set()).add(kind)
    return result


def _settle(slug: str, told: Sequence[tuple[Stroke, Kind]]) -> Settled:
    strokes, kinds = [stroke for stroke, _ in told], [kind for _, kind in told]
    taken = range(len(told))
    return settle_open(strokes, kinds, taken, frozenset(), demo_projected(slug), (1.0,), TOLERANCE)


@settings(max_examples=12)
@given(
    st.sampled_from(PARTS),
    st.randoms(use_true_random=False),
    st.tuples(st.floats(-200, 200), st.floats(-200, 200)),
)
def test_a_style_on_hidden_lines_is_that_of_hidden_lines(
    slug: str, order: random.Random, shift: tuple[float, float]
) -> None:
    known, hidden = drawn(slug, "visible", OUTLINES, shift), drawn(slug, "hidden", OTHERS, shift)
    assert settled(slug, known, hidden, order) == {OUTLINES: {"visible"}, OTHERS: {"hidden"}}


@settings(max_examples=6)
@given(st.sampled_from(PARTS), st.randoms(use_true_random=False))
def test_outlines_of_which_nothing_is_known_are_visible(slug: str, order: random.Random) -> None:
    assert settled(slug, [], drawn(slug, "visible", OTHERS), order) == {OTHERS: {"visible"}}


@settings(max_examples=6)
@given(st.sampled_from(PARTS), st.randoms(use_true_random=False))
def test_a_style_that_lies_on_no_line_of_the_part_is_left_out_and_told(slug: str, order: random.Random) -> None:
    known = drawn(slug, "visible", OUTLINES)
    # Lines of the part, but nowhere near where it shows them.
    beside = drawn(slug, "visible", SIZES, (7.3, 190.0))[: len(known) // 3]
    assert settled(slug, known, beside, order)[SIZES] == {"dropped"}
    found = _settle(slug, [*((s, "visible") for s in known), *((s, "open") for s in beside)])
    assert found.left_out == (phrase("unread-layer", layer="sizes", count=len(beside)),)
    assert found.loose == frozenset(range(len(known), len(known) + len(beside)))


def test_what_lies_aside_belongs_to_no_view_and_is_counted() -> None:
    known = drawn("pedal-hinge", "visible", OUTLINES)
    strokes, taken = known, range(len(known))
    kinds: list[Kind] = ["visible"] * len(known)
    found = settle_open(strokes, kinds, taken, frozenset({0, 1}), demo_projected("pedal-hinge"), (1.0,), TOLERANCE)
    assert found.dropped == frozenset({0, 1})
    assert found.left_out == (phrase("unread-aside", count=2),)
    assert 0 not in found.taken
