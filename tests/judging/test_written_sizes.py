"""Texts of dimensions as drawings have them: none understood is called wrong, none unread concluded from."""

from typing import Any

import pytest

from maqueta.judging.report import Check, check
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.dimension import AngleDimension, LinearDimension, RoundDimension
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.view import Square, View
from maqueta.task.exercise import Exercise
from tests.parts import block, hole, projected

PLATE = projected(block((80, 40, 20)), hole((20, 15, 20), "-z", 8))
FRONT = View(id="v1", look=Square(side="-y", up="+z"), at=(60, 60))
TOP = View(id="v2", look=Square(side="+z", up="+y"), parent="v1", at=(60, 120))


def across(name: str, view: str, start: float, end: float, text: str | None = None) -> LinearDimension:
    place = (0.0, -20.0 - 8 * (ord(name[-1]) % 5))
    return LinearDimension(id=name, view=view, start=(start, 0), end=(end, 0), along="across", place=place, text=text)


def up(name: str, view: str, start: float, end: float, text: str | None = None) -> LinearDimension:
    place = (-20.0 - 8 * (ord(name[-1]) % 5), 0.0)
    return LinearDimension(id=name, view=view, start=(0, start), end=(0, end), along="up", place=place, text=text)


def bore(text: str | None) -> RoundDimension:
    return RoundDimension(kind="diameter", id="bore", view="v2", centre=(20, 15), radius=4, place=(40, 40), text=text)


def complete(**texts: str) -> list[Any]:
    return [
        across("w", "v1", 0, 80, texts.get("w")),
        up("h", "v1", 0, 20, texts.get("h")),
        up("d", "v2", 0, 40, texts.get("d")),
        across("x", "v2", 0, 20, texts.get("x")),
        up("y", "v2", 0, 15, texts.get("y")),
        bore(texts.get("bore")),
    ]


def checked(part: ProjectedPart, dimensions: list[Any], **task: Any) -> Check:
    sheet = SheetDocument(views=(FRONT, TOP), dimensions=tuple(dimensions))
    return check(part, Exercise(views=("front", "top"), **task), SheetDocument.model_validate(sheet.model_dump()))


def about_dimensions(result: Check) -> list[str]:
    return [f.rule for f in result.findings if f.rule.startswith("dimensions.")]


@pytest.mark.parametrize(
    ("size", "text"),
    [
        ("w", "80 ±0.1"),
        ("w", "80 +0,1/−0"),
        ("w", "80H7"),
        ("w", "80 +0.05 -0.05"),
        ("bore", "⌀8 H7"),
        ("bore", "∅8"),
        ("bore", "φ8 H7/g6"),
        ("bore", "M8"),
        ("bore", "M8×1"),
        ("bore", "⌀8 THRU"),
        ("x", "20 mm ±0.1"),
    ],
)
def test_what_is_understood_is_no_fault(size: str, text: str) -> None:
    found = about_dimensions(checked(PLATE, complete(**{size: text})))
    assert set(found) <= {"dimensions.decimals"}


@pytest.mark.parametrize(("size", "text"), [("w", "80 MAX"), ("w", "as model"), ("bore", "⌀8 KNURLED"), ("x", "60°")])
def test_what_is_not_understood_counts_for_nothing(size: str, text: str) -> None:
    """Named as unread; neither wrong, nor is what it may say missing, nor does it close a chain."""
    dimensions = complete(**{size: text})
    assert about_dimensions(checked(PLATE, dimensions)) == ["dimensions.unread"]
    again = next(d for d in dimensions if d.id == size).model_copy(update={"id": "again", "text": None})
    assert about_dimensions(checked(PLATE, [*dimensions, again])) == ["dimensions.unread"]


@pytest.mark.parametrize("text", ["79 ±0.1", "⌀9 H7", "M6", "M10", "1/4-20 UNC"])
def test_wrong_values_with_anything_behind_them_are_wrong(text: str) -> None:
    size = "w" if text[0] == "7" else "bore"
    assert about_dimensions(checked(PLATE, complete(**{size: text}))) == ["dimensions.value"]


def test_reference_leaves_the_size_open() -> None:
    found = about_dimensions(checked(PLATE, complete(x="20 REF")))
    assert found == ["dimensions.undetermined"]


def test_minutes_of_an_angle() -> None:
    """A wedge of atan(20 ÷ 60) = 18.43°, written in minutes: 18°26' (worked by hand: 0.4349° × 60 = 26.1')."""
    wedge = projected({"kind": "extrude", "plane": "xz", "profile": [[0, 0], [60, 0], [0, 20]], "depth": 10})
    angle = AngleDimension(id="a", view="v1", vertex=(60, 0), start=(0, 20), end=(0, 0), place=(20, 0))
    for text, right in (("18°26'", True), ("18°40'", False), ("18.43°", True), ("18,43° ±0,5°", True)):
        rules = about_dimensions(checked(wedge, [angle.model_copy(update={"text": text})]))
        assert ("dimensions.value" not in rules) == right, text


#: Two slots 10 wide, 15 apart, from the left: 10, 25, 35 … by hand.
SLOTTED = projected(
    block((80, 40, 20)),
    block((10, 40, 8), (10, 0, 12), operation="cut"),
    block((10, 40, 8), (45, 0, 12), operation="cut"),
)


@pytest.mark.parametrize(
    ("text", "rules"), [("2× 10", []), (None, ["dimensions.undetermined"]), ("5× 10", ["dimensions.undetermined"])]
)
def test_count_of_equal_lengths(text: str | None, rules: list[str]) -> None:
    dimensions = [
        across("w", "v1", 0, 80),
        across("a", "v1", 0, 10),
        across("b", "v1", 0, 45),
        across("c", "v1", 10, 20, text),
        up("h", "v1", 0, 20),
        up("f", "v1", 0, 12),
        up("d", "v2", 0, 40),
    ]
    assert about_dimensions(checked(SLOTTED, dimensions)) == rules


def test_equal_steps_with_their_sum() -> None:
    stairs = projected(block((60, 30, 10)), block((40, 30, 10), (0, 0, 10)), block((20, 30, 10), (0, 0, 20)))
    sizes = [across("w", "v1", 0, 60, "3× 20 (=60)"), up("h", "v1", 0, 30, "3× 10 (=30)"), up("d", "v2", 0, 30)]
    assert about_dimensions(checked(stairs, sizes)) == []
    wrong = [sizes[0].model_copy(update={"text": "3× 21 (=63)"}), *sizes[1:]]
    assert "dimensions.value" in about_dimensions(checked(stairs, wrong))


def test_a_square_is_square() -> None:
    bar = projected(block((20, 50, 20)))
    sizes = [across("w", "v1", 0, 20, "□20"), up("d", "v2", 0, 50)]
    assert about_dimensions(checked(bar, sizes)) == ["dimensions.overall"]


def test_count_beside_implied_radii_closes_nothing() -> None:
    """A slot with round ends: length and radius say all; that both ends are alike is drawn already."""
    slot = {"kind": "slot", "at": [40, 20, 20], "into": "-z", "along": "x", "length": 40, "width": 11}
    part = projected(block((80, 40, 20)), slot)
    ends = RoundDimension(kind="radius", id="r", view="v2", centre=(25.5, 20), radius=5.5, place=(60, 60), count=2)
    sizes = [
        across("w", "v1", 0, 80),
        up("h", "v1", 0, 20),
        up("d", "v2", 0, 40),
        across("x", "v2", 0, 25.5),
        across("y", "v2", 25.5, 54.5),
        LinearDimension(id="z", view="v2", start=(0, 0), end=(25.5, 20), along="up", place=(-30, 0)),
    ]
    assert about_dimensions(checked(part, [*sizes, ends])) == []
    wide = LinearDimension(id="b", view="v2", start=(40, 14.5), end=(40, 25.5), along="up", place=(100, 0))
    assert "dimensions.repeated" in about_dimensions(checked(part, [*sizes, ends, wide]))


def test_same_set_in_another_order_has_the_same_verdict() -> None:
    """The hole's axis is in line with the step: a size to it may mean either, and not what is met first."""
    part = projected(block((80, 40, 20)), block((40, 40, 10), (0, 0, 20)), hole((40, 15, 20), "-z", 8))
    sizes = [
        across("w", "v1", 0, 80),
        up("h", "v1", 0, 30),
        up("s", "v1", 0, 20),
        up("d", "v2", 0, 40),
        LinearDimension(id="x", view="v2", start=(0, 0), end=(40, 15), along="across", place=(0, -40)),
        across("e", "v1", 0, 40),
        LinearDimension(id="y", view="v2", start=(0, 0), end=(40, 15), along="up", place=(-40, 0)),
        RoundDimension(kind="diameter", id="r", view="v2", centre=(40, 15), radius=4, place=(60, 60)),
    ]
    verdicts = set()
    for turn in range(len(sizes)):
        turned = [*sizes[turn:], *sizes[:turn]]
        for order in (turned, turned[::-1]):
            verdicts.add(tuple(sorted(about_dimensions(checked(part, order)))))
    assert len(verdicts) == 1
