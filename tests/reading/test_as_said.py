"""A group that was taken for something else, said to be the special view it is: of which line, circle or parent."""

from collections.abc import Callable
from typing import Any

import pytest

from maqueta.judging.report import check
from maqueta.phrases.told import ToldError
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.correct import corrected
from maqueta.reading.delivered import expectation, read_drawing
from maqueta.reading.said_to_be import Said
from maqueta.reading.special.matching import LooksWantedError
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.view import View
from tests.reading.dxf_writer import CONVENTIONS
from tests.reading.special_scenes import (
    Scene,
    auxiliary_of_the_face_alone,
    demo,
    detail_of_a_section,
    half,
)
from tests.reading.special_writer import MANNERS, write_special

SHEETS: dict[str, Callable[[], Scene]] = {
    "half": half,
    "detail of a section": detail_of_a_section,
    "face alone": auxiliary_of_the_face_alone,
    "oblique": lambda: demo("beam-casting"),
}


def said_again(
    scene: Scene, part: ProjectedPart, sheet: SheetDocument, view: str, said: Said, of: str | None
) -> tuple[ProjectedPart, SheetDocument]:
    """Corrected, with the part drawn in the looks that takes."""
    while True:
        try:
            return part, corrected(part, sheet, view, said, expectation(part, scene.task), of)
        except LooksWantedError as wanted:
            part = part.with_looks(scene.draws(wanted.looks))


def of_what(sheet: SheetDocument, view: View) -> str | None:
    """The cutting line, circle or parent a view belongs to."""
    if view.kind == "auxiliary":
        return view.parent
    marks: Any = sheet.cutting_lines if view.kind == "section" else sheet.circled
    return str(next(mark.id for mark in marks if mark.letter == view.letter))


@pytest.mark.parametrize("name", SHEETS)
def test_a_special_view_forgotten_is_there_again_when_it_is_said_to_be_one(name: str) -> None:
    scene = SHEETS[name]()
    data = write_special(scene.part, scene.sheet, CONVENTIONS[0], MANNERS[0])
    found, part = read_drawing(data, scene.known, scene.task, scene.draws)
    before = found.document
    special: list[tuple[View, Said]] = []
    for view in before.views:
        if view.kind in ("section", "detail", "auxiliary"):
            special.append((view, view.kind))
    assert special
    for view, kind in special:
        gone = corrected(part, before, view.id, "none", expectation(part, scene.task))
        assert gone.view(view.id).kind == "unrecognised"
        part, again = said_again(scene, part, gone, view.id, kind, of_what(before, view))
        own = again.view(view.id)
        assert (own.kind, own.letter, own.parent, own.scale) == (kind, view.letter, view.parent, view.scale)
        assert (own.cut and own.cut.form) == (view.cut and view.cut.form)
        assert own.at == pytest.approx(view.at, abs=1e-6)
        was, now = view.own_look, own.own_look
        assert was is not None
        assert now is not None
        for row, other in zip(was.frame, now.frame, strict=True):
            assert row == pytest.approx(other, abs=1e-6)
        if len(special) == 1:
            found_again = check(part, scene.task, SheetDocument.model_validate(again.model_dump())).findings
            assert [f.rule for f in found_again if f.severity == "error"] == []


def test_a_primary_view_is_found_again_beside_the_true_shape_it_led_to() -> None:
    """Of any parent: along the true shape's own line of sight nothing can be folded out of it."""
    scene = demo("beam-casting")
    data = write_special(scene.part, scene.sheet, CONVENTIONS[0], MANNERS[0])
    found, part = read_drawing(data, scene.known, scene.task, scene.draws)
    primary, secondary = (view for view in found.document.views if view.kind == "auxiliary")
    gone = corrected(part, found.document, primary.id, "none", expectation(part, scene.task))
    assert gone.view(secondary.id).kind == "auxiliary"
    _, again = said_again(scene, part, gone, primary.id, "auxiliary", None)
    was, now = primary.own_look, again.view(primary.id).own_look
    assert was is not None
    assert now is not None
    assert was.towards == pytest.approx(now.towards, abs=1e-6)


def test_what_hangs_on_itself_is_let_go_and_what_is_none_is_refused() -> None:
    scene = detail_of_a_section()
    data = write_special(scene.part, scene.sheet, CONVENTIONS[0], MANNERS[0])
    found, part = read_drawing(data, scene.known, scene.task, scene.draws)
    sheet = found.document
    front = next(view.id for view in sheet.views if view.kind == "principal" and view.parent is None)
    folded = next(view.id for view in sheet.views if view.parent == front and view.kind == "principal")
    with pytest.raises(KeyError):
        corrected(part, sheet, front, "section", expectation(part, scene.task), "cut9")
    with pytest.raises(KeyError):
        corrected(part, sheet, front, "detail", expectation(part, scene.task))
    with pytest.raises(ToldError):
        # A block has no slanted face: there is nothing an auxiliary view of it could be for.
        said_again(scene, part, sheet, front, "auxiliary", folded)
    line = sheet.cutting_lines[0]
    part, cut = said_again(scene, part, sheet, next(v.id for v in sheet.views if v.id != line.view), "section", line.id)
    assert SheetDocument.model_validate(cut.model_dump()).views
