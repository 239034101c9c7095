"""Auxiliary views that look along edges, show edges in true length, or are turned in their plane: read from files."""

import math
from typing import Any

import pytest

from maqueta.geometry.directions import SIDES, parallel, vector
from maqueta.geometry.frame import dot, exact, facing, unit
from maqueta.judging.finding import Finding
from maqueta.judging.report import check
from maqueta.making.model_sheet import model_looks, model_sheet
from maqueta.projection.look import Look
from maqueta.projection.project import drawn, project
from maqueta.reading.delivered import read_drawing
from maqueta.reading.special.shown import auxiliary_of
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.placed import placed_views
from maqueta.sheet.view import Aslant, View
from maqueta.sizes.centre_marks import proposed_marks
from maqueta.solid.part import Part
from tests.parts import demo_solid
from tests.reading.dxf_writer import CONVENTIONS
from tests.reading.special_scenes import (
    DRAFTER,
    Scene,
    asked,
    auxiliary_with_arrow,
    first_angle_cut_across,
    two_sections_one_enlarged,
)
from tests.reading.special_writer import MANNERS, write_special

Vector = tuple[float, float, float]


def slanted_edges(part: Part) -> list[tuple[Vector, Vector, Vector]]:
    """Slanted straight edges, one of each direction: way, start, end."""
    found: list[tuple[Vector, Vector, Vector]] = []
    for edge in part.edges:
        x, y, z = (b - a for a, b in zip(edge.start, edge.end, strict=True))
        if edge.kind != "line" or any(parallel(unit((x, y, z)), vector(side)) for side in SIDES):
            continue
        if all(not parallel(unit((x, y, z)), way) for way, _, _ in found):
            found.append((unit((x, y, z)), edge.start, edge.end))
    return found


def answer(slug: str, **more: Any) -> Scene:
    """The model answer of a demo part for an exercise."""
    solid, task = demo_solid(slug), asked(dimensioning={"required": False}, **more)
    known = project(*solid)
    part = known.with_looks(drawn(*solid, model_looks(known, task)))
    return Scene(part, known, task, model_sheet(part, task, DRAFTER), solid)


def read(scene: Scene, place: int) -> tuple[SheetDocument, list[Finding]]:
    how, manner = CONVENTIONS[(7 * place) % len(CONVENTIONS)], MANNERS[place % len(MANNERS)]
    data = write_special(scene.part, scene.sheet, how, manner)
    found, part = read_drawing(data, scene.known, scene.task, scene.draws)
    return found.document, list(check(part, scene.task, found.document).findings)


def errors(findings: list[Finding]) -> list[str]:
    return [finding.rule for finding in findings if finding.severity == "error"]


@pytest.mark.parametrize(
    ("slug", "number"), [("slanted-seat", 0), ("beam-casting", 0), ("beam-casting", 2), ("ratchet-pawl", 1)]
)
def test_the_angle_between_two_faces_is_read_where_their_edge_is_a_point(slug: str, number: int) -> None:
    way, _, _ = slanted_edges(demo_solid(slug)[1])[number]
    scene = answer(slug, special=[{"kind": "auxiliary", "shows": {"along": way}}])
    assert errors(list(check(scene.part, scene.task, scene.sheet).findings)) == []
    document, findings = read(scene, number)
    assert errors(findings) == []
    looks = [look for view in document.views if (look := view.own_look) is not None]
    assert any(parallel(look.towards, way) for look in looks)


def test_an_edge_is_read_in_true_length_where_a_view_was_drawn_for_it() -> None:
    way, start, end = slanted_edges(demo_solid("beam-casting")[1])[2]
    scene = answer("beam-casting", true_length=[[start, end]])
    assert [view.kind for view in scene.sheet.views] == ["principal", "principal", "auxiliary"]
    _, findings = read(scene, 1)
    assert errors(findings) == []
    bare = scene.with_sheet(scene.sheet.model_copy(update={"views": scene.sheet.views[:2]}))
    assert errors(list(check(bare.part, bare.task, bare.sheet).findings)) == ["auxiliary.missing"]
    assert not any(abs(sum(a * b for a, b in zip(way, vector(side), strict=True))) < 1e-9 for side in ("-y", "+z"))


def turned(scene: Scene, name: str, degrees: float) -> Scene:
    """The same sheet with one of its views turned in its plane."""

    def again(view: View) -> View:
        look = view.own_look
        assert look is not None
        frame = exact(look.turned(math.radians(degrees)).frame)
        return view.model_copy(update={"look": Aslant(frame=frame)}) if view.id == name else view

    views = tuple(again(view) if view.id == name else view for view in scene.sheet.views)
    changed = scene.with_sheet(scene.sheet.model_copy(update={"views": views, "marks": ()}))
    marks = proposed_marks(changed.part, placed_views(changed.part, changed.sheet))
    return changed.with_sheet(changed.sheet.model_copy(update={"marks": tuple(marks)}))


@pytest.mark.parametrize("degrees", [30.0, 131.98721249581666, 77.3])
def test_a_view_with_its_letter_may_be_turned_by_any_angle(degrees: float) -> None:
    scene = turned(auxiliary_with_arrow(), "a1", degrees)
    document, findings = read(scene, round(degrees) % 5)
    assert errors(findings) == []
    assert document.views[-1].letter == "C"
    bare = scene.with_sheet(scene.sheet.model_copy(update={"sight_arrows": ()}))
    assert "auxiliary.label" in errors(list(check(bare.part, bare.task, bare.sheet).findings))


def test_nothing_is_folded_out_of_a_view_along_its_own_line_of_sight() -> None:
    part = demo_solid("beam-casting")[1]
    oblique = [f.direction for f in part.faces if all(abs(x) > 0.1 for x in f.direction)]
    for normal in oblique:
        look = Look(facing(normal, (0.0, 0.0, 1.0)))
        for meant in auxiliary_of(part, [(0, look)]):
            sight = meant.identity.orthographic
            assert sight is not None
            assert meant.parent is None or abs(dot(sight.towards, normal)) < 1e-9
    assert oblique


@pytest.mark.parametrize(("scene", "degrees"), [(first_angle_cut_across, 35.0), (two_sections_one_enlarged, 12.5)])
def test_a_section_with_its_letters_may_be_turned_by_any_angle(scene: Any, degrees: float) -> None:
    _, findings = read(turned(scene(), "s1", degrees), round(degrees))
    assert errors(findings) == []
