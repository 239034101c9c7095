"""Layer names, dash patterns, title-block labels and statements of projection in four languages."""

import pytest

from maqueta.reading.content import Style
from maqueta.reading.kinds import Kind, kind_of, pattern_kind
from maqueta.reading.title_words import angle_stated, field_of, label_of


@pytest.mark.parametrize(
    ("layer", "kind"),
    [
        ("VISIBLE", "visible"),
        ("Object_Lines", "visible"),
        ("ARISTAS VISIBLES", "visible"),
        ("Körperkanten", "visible"),
        ("Arêtes-vues", "visible"),
        ("INVISIBLE", "hidden"),
        ("Hidden-Lines", "hidden"),
        ("LINEAS_OCULTAS", "hidden"),
        ("verdeckte Kanten", "hidden"),
        ("Arêtes cachées", "hidden"),
        ("03_CENTER", "centre"),
        ("EJES", "centre"),
        ("Mittellinie", "centre"),
        ("Axes de symétrie", "centre"),
        ("DIM", "dimension"),
        ("Bemaßung", "dimension"),
        ("COTAS", "dimension"),
        ("Rahmen", "frame"),
        ("CAJETIN", "title"),
        ("Schriftfeld", "title"),
        ("Hilfslinien", "construction"),
        ("0", "open"),
        ("Layer7", "open"),
    ],
)
def test_layer_tells_the_kind(layer: str, kind: Kind) -> None:
    assert kind_of(Style(layer, (), "CONTINUOUS", False, None, 7)) == kind


def test_dashes_go_before_the_name_of_the_layer() -> None:
    # ISO 128-2: hidden lines are even dashes, centre lines long ones with short ones or dots between (from memory).
    assert kind_of(Style("VISIBLE", (3.0, -1.0), "X", False, None, 7)) == "hidden"
    assert kind_of(Style("0", (12.0, -3.0, 0.5, -3.0), "X", False, None, 7)) == "centre"
    assert kind_of(Style("HIDDEN", (), "CONTINUOUS", True, None, 7)) == "visible"
    assert pattern_kind((), "ISO04W100") == "centre"
    assert pattern_kind((), "CONTINUOUS") is None


@pytest.mark.parametrize(
    ("text", "label"),
    [
        ("TITLE: BRACKET", ("title", "BRACKET")),
        ("Maßstab: 1:2", ("scale", "1:2")),
        ("SCALE 1:2", ("scale", "1:2")),
        ("ESCALA = 2:1", ("scale", "2:1")),
        ("Gez. von", ("drafter", "")),
        ("Gezeichnet von: A. Muster", ("drafter", "A. Muster")),
        ("DIBUJADO POR", ("drafter", "")),
        ("Dessiné par : C. Petit", ("drafter", "C. Petit")),
        ("DATE:", ("date", "")),
        ("DRAWING NO. 12", ("number", "12")),
        ("SHEET 3 OF 7", ("sheet", "3 OF 7")),
        ("HOJA 3/7", ("sheet", "3/7")),
        ("Blatt 3", ("sheet", "3")),
        ("SHEET 3 MM THICK", None),
        ("NOTE 3", None),
        ("DATED GOODS", None),
    ],
)
def test_labels_of_title_blocks(text: str, label: tuple[str, str] | None) -> None:
    assert label_of(text) == label


def test_tags_of_attributes_name_fields() -> None:
    assert (field_of("DRAWN_BY"), field_of("SCALE"), field_of("WEIGHT")) == ("drafter", "scale", None)
    assert (field_of("REV"), field_of("GENERAL_TOLERANCES")) == ("revision", "tolerances")


@pytest.mark.parametrize(
    ("text", "angle"),
    [
        ("THIRD ANGLE PROJECTION", "third"),
        ("1st angle", "first"),
        ("PRIMER DIEDRO", "first"),
        ("Projektionsmethode 3", "third"),
        ("premier dièdre", "first"),
        ("RIGHT ANGLE BRACKET", None),
    ],
)
def test_statement_of_the_angle(text: str, angle: str | None) -> None:
    assert angle_stated(text) == angle
