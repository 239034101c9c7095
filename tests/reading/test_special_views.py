"""Sheets with special views from files: clean ones without an error, mistakes as on the bench."""

from collections.abc import Sequence
from dataclasses import replace
from typing import Any

import pytest

from maqueta.demo import special_mistakes
from maqueta.geometry.line_set import LineSet
from maqueta.judging.finding import Finding
from maqueta.judging.report import check
from maqueta.projection.look import Look
from maqueta.reading.content import Style, Words
from maqueta.reading.delivered import read_drawing
from maqueta.reading.special.labels import labels_of
from maqueta.reading.special.matching import MOST_LOOKS
from maqueta.sheet.dimension import LinearDimension
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.view import ViewKind
from tests.reading.dxf_writer import CONVENTIONS, Convention, drawn_lines
from tests.reading.special_scenes import ASKED, SCENES, Scene, broken_out, demo, half, revolved_in_a_bar
from tests.reading.special_writer import MANNERS, Manner, write_special

KINDS: tuple[ViewKind, ...] = ("section", "detail", "auxiliary")


def read(
    scene: Scene, how: Convention, manner: Manner, data: bytes | None = None
) -> tuple[SheetDocument, list[Finding]]:
    written = data or write_special(scene.part, scene.sheet, how, manner)
    found, part = read_drawing(written, scene.known, scene.task, scene.draws)
    return found.document, list(check(part, scene.task, found.document).findings)


def errors(findings: list[Finding]) -> list[str]:
    return [finding.rule for finding in findings if finding.severity == "error"]


def turn(place: int, of: int) -> tuple[Convention, Manner]:
    """Conventions and manners by turns, so that each comes up with many sheets, though not with all."""
    return CONVENTIONS[(7 * place + 3 * of) % len(CONVENTIONS)], MANNERS[(place + 3 * of) % len(MANNERS)]


@pytest.mark.parametrize("slug", sorted(ASKED))
def test_model_answers_come_back_without_an_error(slug: str) -> None:
    scene, (how, manner) = demo(slug), turn(sorted(ASKED).index(slug), 0)
    document, findings = read(scene, how, manner)
    assert errors(findings) == []
    assert [v.kind for v in document.views if v.kind in KINDS] == [v.kind for v in scene.sheet.views if v.kind in KINDS]
    letters = {view.letter for view in scene.sheet.views}
    assert {view.letter for view in document.views} == letters


@pytest.mark.parametrize("place", range(len(SCENES)))
def test_sheets_put_together_by_hand_come_back_without_an_error(place: int) -> None:
    scene, (how, manner) = SCENES[place](), turn(place, 1)
    document, findings = read(scene, how, manner)
    assert errors(findings) == []
    was = sorted((v.kind, v.cut.form if v.cut else "") for v in scene.sheet.views)
    assert sorted((v.kind, v.cut.form if v.cut else "") for v in document.views) == was


@pytest.mark.parametrize("manner", MANNERS, ids=lambda manner: manner.name)
def test_a_section_revolved_in_place_is_told_from_its_view_however_it_is_hatched(manner: Manner) -> None:
    scene = revolved_in_a_bar()
    assert errors(list(check(scene.part, scene.task, scene.sheet).findings)) == []
    document, findings = read(scene, CONVENTIONS[3 * MANNERS.index(manner) % len(CONVENTIONS)], manner)
    assert errors(findings) == []
    face = document.views[-1]
    assert (face.kind, face.cut and face.cut.form, face.parent) == ("section", "revolved", "v2")


@pytest.mark.parametrize("manner", MANNERS, ids=lambda manner: manner.name)
def test_every_manner_of_cutting_lines_labels_and_hatching(manner: Manner) -> None:
    document, findings = read(demo("heddle-plate"), CONVENTIONS[0], manner)
    assert [finding.rule for finding in findings] == []
    (line,) = document.cutting_lines
    assert (line.letter, len(line.path)) == ("A", 6)


@pytest.mark.parametrize("label", ["VIEW {0} ({1})", "VIEW {0}\nSCALE {1}", "ANSICHT {0} {1}"])
def test_a_circled_region_may_be_called_a_view(label: str) -> None:
    scene = demo("spindle-pin")
    document, findings = read(scene, CONVENTIONS[0], replace(MANNERS[0], detail=label))
    assert [finding.rule for finding in findings] == []
    assert [view.kind for view in document.views].count("detail") == 1


#: Mistakes on files, with the rule each breaks; the part they are made on.
PLANTED = {
    "no cutting line": ("bobbin-bush", special_mistakes.no_cutting_line, "section.cutting-line"),
    "line aside": ("bobbin-bush", special_mistakes.line_aside, "section.cutting-line"),
    "arrows": ("ribbed-bearing", special_mistakes.arrows_the_other_way, "section.cutting-line"),
    "no letters": ("bobbin-bush", special_mistakes.section_without_letters, "section.label"),
    "hatched along": ("bobbin-bush", special_mistakes.hatched_along, "section.hatch-style"),
    "rib cut": ("ribbed-bearing", special_mistakes.rib_cut, "section.uncut"),
    "hidden left": ("ribbed-bearing", special_mistakes.hidden_left, "section.hidden"),
    "no circle": ("spindle-pin", special_mistakes.no_circle, "detail.region"),
    "out of line": ("slanted-seat", special_mistakes.out_of_line, "auxiliary.fold"),
}
SPECIAL = ("section.", "detail.", "auxiliary.", "lines.", "views.")


@pytest.mark.parametrize("name", sorted(PLANTED))
def test_one_mistake_on_a_file_is_one_finding(name: str) -> None:
    slug, mistake, rule = PLANTED[name]
    clean = demo(slug)
    spoilt = clean.with_sheet(mistake(clean.part, clean.sheet))
    _, findings = read(spoilt, CONVENTIONS[0], MANNERS[0])
    assert {f.rule for f in findings if f.rule.startswith(SPECIAL)} == {rule}


def test_a_line_left_out_of_a_section_is_told_and_nothing_else() -> None:
    scene = demo("ribbed-bearing")
    lines = drawn_lines(scene.part, scene.sheet)
    own = [line for line in lines if line.view == "s1" and line.kind == "visible"]
    gone = max(own, key=lambda line: line.piece.length)
    data = write_special(
        scene.part, scene.sheet, CONVENTIONS[0], MANNERS[0], [line for line in lines if line is not gone]
    )
    _, findings = read(scene, CONVENTIONS[0], MANNERS[0], data)
    assert [f.rule for f in findings if f.rule.startswith(SPECIAL)] == ["lines.missing-visible"]


def test_a_sheet_of_a_section_that_is_none_is_read_and_asks_for_no_end_of_looks() -> None:
    """Hatched like a section, drawn like nothing the part shows: tried, told as not recognised, and no more."""
    scene = half()
    lines = [
        replace(line, piece=replace(line.piece, interval=(line.piece.interval[0], line.piece.interval[1] + 7.0)))
        if line.view == "s1"
        else line
        for line in drawn_lines(scene.part, scene.sheet)
    ]
    asked = 0

    def draws(looks: Sequence[Look]) -> tuple[tuple[Look, LineSet], ...]:
        nonlocal asked
        asked += len(looks)
        return scene.draws(looks)

    data = write_special(scene.part, scene.sheet, CONVENTIONS[0], MANNERS[0], lines)
    found, _ = read_drawing(data, scene.known, scene.task, draws)
    assert asked <= MOST_LOOKS
    assert len(found.document.views) == 3


def test_the_region_of_a_broken_out_section_is_the_one_that_was_drawn() -> None:
    scene = broken_out()
    document, _ = read(scene, CONVENTIONS[0], MANNERS[0])
    cut = next(view.cut for view in document.views if view.cut is not None)
    assert {round(y, 6) for _, y, _ in cut.path} == {25.0}
    assert min(x for x, _, _ in cut.path) == pytest.approx(8.0, abs=1.0)
    assert max(x for x, _, _ in cut.path) == pytest.approx(41.0, abs=1.0)


WORDS = {
    "A-A": ("section", "A", ""),
    "SECTION A–A": ("section", "A", ""),
    "A - A SECTION": ("section", "A", ""),
    "Schnitt B-B": ("section", "B", ""),
    "SCHNITT A-A (M 2:1)": ("section", "A", "2:1"),
    "CORTE C-C": ("section", "C", ""),
    "SECTION AA": ("section", "A", ""),
    "SECT. “B”-“B”": ("section", "B", ""),
    "SECCIÓN D–D": ("section", "D", ""),
    "COUPE A-A": ("section", "A", ""),
    "DETAIL B 5:1": ("detail", "B", "5:1"),
    "B (5:1)": ("detail", "B", "5:1"),
    "DETALLE C ESCALA 2:1": ("detail", "C", "2:1"),
    "Einzelheit Z (10:1)": ("detail", "Z", "10:1"),
    "DÉTAIL B ÉCHELLE 5:1": ("detail", "B", "5:1"),
    "DETAIL D": ("detail", "D", ""),
    'DET. "E"': ("detail", "E", ""),
    "VIEW C": ("view", "C", ""),
    "ANSICHT X": ("view", "X", ""),
    "VISTA POR B": ("view", "B", ""),
}


@pytest.mark.parametrize("text", sorted(WORDS))
def test_labels_in_four_languages_and_both_orders(text: str) -> None:
    style = Style("TEXT", (), "CONTINUOUS", False, None, 7)
    (label,), letters = labels_of([Words(text, (0.0, 0.0), 5.0, 0.0, style)])
    assert (label.kind, label.letter, label.scale) == WORDS[text]
    assert letters == []


def test_a_letter_over_a_scale_labels_a_detail_and_one_by_itself_does_not() -> None:
    style = Style("TEXT", (), "CONTINUOUS", False, None, 7)
    letter, scale = (Words(text, (0.0, y), 5.0, 0.0, style) for text, y in (("A", 0.0), ("5:1", -8.0)))
    far = replace(scale, at=(0.0, -60.0))
    ((label,), alone), (none, (one,)) = labels_of([letter, scale]), labels_of([letter, far])
    assert (label.kind, label.letter, label.scale, alone) == ("detail", "A", "5:1", [])
    assert (none, one.letter) == ([], "A")


@pytest.mark.parametrize(
    "text", ["12", "⌀20", "M8", "SCALE 1:1", "ALL EDGES BROKEN", "R5", "3X", "2-3", "HOLE A IS TAPPED"]
)
def test_other_texts_label_nothing(text: str) -> None:
    style = Style("TEXT", (), "CONTINUOUS", False, None, 7)
    assert labels_of([Words(text, (0.0, 0.0), 5.0, 0.0, style)]) == ([], [])


#: The bore of the drum, cut open on the left, and the height of its upper end.
BORE, HIGH = 12.0, 36.0


def by_half(text: str, past: float = 0.0, whole: bool = False) -> Scene:
    """The drum half in section, its bore given from the side cut open: to the axis, past it, or right across."""
    scene = half()
    far = BORE if whole else past
    size = LinearDimension(
        id="d1", view="s1", start=(far, HIGH), end=(-BORE, HIGH), along="across", place=(0, HIGH + 12), text=text
    )
    return scene.with_sheet(scene.sheet.model_copy(update={"dimensions": (size,)}))


#: Sizes as entities and as loose lines.
WRITTEN: dict[str, Convention] = {how.sizes: how for how in reversed(CONVENTIONS)}


@pytest.mark.parametrize("sizes", sorted(WRITTEN))
@pytest.mark.parametrize("reach", [{}, {"past": 4.0}, {"whole": True}], ids=("to the axis", "past it", "across"))
def test_a_diameter_given_by_half_is_the_whole_one(sizes: str, reach: dict[str, Any]) -> None:
    """A partly drawn dimension line bears the whole size (ISO 129-1, from memory)."""
    scene, manner = by_half(f"⌀{2 * BORE:g}", **reach), replace(MANNERS[0], by_half=not reach.get("whole"))
    document, findings = read(scene, WRITTEN[sizes], manner)
    assert [dimension.text for dimension in document.dimensions] == [f"⌀{2 * BORE:g}"]
    assert errors(findings) == []


@pytest.mark.parametrize("sizes", sorted(WRITTEN))
def test_a_wrong_diameter_given_by_half_is_told(sizes: str) -> None:
    scene, manner = by_half(f"⌀{2 * BORE + 6:g}"), replace(MANNERS[0], by_half=True)
    _, findings = read(scene, WRITTEN[sizes], manner)
    assert errors(findings) == ["dimensions.value"]
    (finding,) = (f for f in findings if f.severity == "error")
    assert f"{2 * BORE:g}" in str(finding.parameters)
