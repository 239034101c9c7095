"""Sections and details in sheet documents: what belongs together, what is refused, old documents as they were."""

from typing import Any

import pytest
from pydantic import ValidationError

from maqueta.sheet.document import SheetDocument
from maqueta.sheet.special import SheetClip, SheetCut
from maqueta.sheet.view import View
from tests.judging.special_sheets import DETAIL, SECTION, with_detail


def test_a_sheet_with_special_views_is_read_as_it_was_written() -> None:
    sheet = with_detail()
    assert SheetDocument.model_validate_json(sheet.model_dump_json()) == sheet


def test_a_section_is_looked_at_along_its_arrows_and_its_rounding_is_put_right() -> None:
    cut = SheetCut(form="full", path=((0, 20, 0), (60, 20, 0)), across=(0.0, 0.0003, 1.0))
    look = SECTION.model_copy(update={"cut": cut}).own_look
    assert look is not None
    assert look.cut is not None
    assert look.cut.towards == (0.0, -1.0, 0.0)
    assert look.cut.across == pytest.approx((0.0, 0.0, 1.0))


def test_what_has_to_be_drawn_first_is_the_look_without_its_clip() -> None:
    """A detail of a section needs nothing that the section does not need."""
    assert with_detail().looks_aslant == (SECTION.own_look,)


@pytest.mark.parametrize(
    ("view", "change", "words"),
    [
        (SECTION, {"cut": None}, "has a cut"),
        (SECTION, {"clip": SheetClip(radius=4)}, "has a cut and no clip"),
        (SECTION, {"kind": "auxiliary"}, "only sections have a cut"),
        (SECTION, {"cut": SheetCut(path=((0, 0, 0), (1, 0, 0)), across=(0, 1, 0))}, "square to the reader"),
        (DETAIL, {"clip": None}, "has a clip"),
        (DETAIL, {"letter": "a"}, "pattern"),
        (SECTION, {"look": {"side": "-y", "up": "+z"}}, "sections look by a frame"),
    ],
)
def test_what_does_not_belong_together_is_refused(view: View, change: dict[str, Any], words: str) -> None:
    with pytest.raises(ValidationError, match=words):
        View.model_validate({**view.model_dump(), **change})


@pytest.mark.parametrize(
    ("data", "words"),
    [
        ({"form": "full", "path": ((0, 0, 0), (1, 0, 0), (2, 0, 0)), "across": (0, 0, 1)}, "from 2 to 2 corners"),
        ({"form": "offset", "path": ((0, 0, 0), (1, 0, 0)), "across": (0, 0, 1)}, "from 4 to 60 corners"),
        ({"path": ((0, 0, 0), (1, 0, 0)), "across": (0, 0, 0.5)}, "has length 1"),
    ],
)
def test_a_cut_that_is_none_is_refused(data: dict[str, Any], words: str) -> None:
    with pytest.raises(ValidationError, match=words):
        SheetCut.model_validate(data)


def test_a_clip_without_size_is_refused() -> None:
    with pytest.raises(ValidationError, match="three corners"):
        SheetClip(corners=((0.0, 0.0), (1.0, 0.0)))


@pytest.mark.parametrize("corners", [((0, 0), (9, 9), (9, 0), (0, 9)), ((0, 0), (4, 0), (8, 0))])
def test_an_outline_without_an_inside_is_refused(corners: Any) -> None:
    """One that crosses itself, and one that is a line; a radius beside it does not help."""
    with pytest.raises(ValidationError, match="does not cross itself"):
        SheetClip(corners=corners, radius=5)


def test_lines_of_views_that_are_gone_are_refused() -> None:
    sheet = with_detail()
    with pytest.raises(ValidationError, match="not on the sheet"):
        SheetDocument.model_validate(
            {**sheet.model_dump(), "views": [v.model_dump() for v in sheet.views if v.id != "v2"]}
        )
