"""Phrases in words: each language says all of them, by its own rules for numbers, lists and articles."""

import json
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from maqueta.judging.catalogue import CATALOGUE
from maqueta.judging.finding import Finding
from maqueta.phrases.phrase import Phrase, Value, key_of, phrase
from maqueta.phrases.said import LANGUAGES, Language, PhraseError, said
from maqueta.service.marking.answers import FINDING

TWO_HOLES = (phrase("round-shape", kind="hole", diameter="8"), phrase("round-shape", kind="boss", diameter="20"))


@pytest.mark.parametrize(
    ("language", "words"),
    [
        ("en", "The ⌀8 hole and the ⌀20 boss can still move along the width: its place is not given."),
        (
            "es",
            "El agujero ⌀8 y el saliente cilíndrico ⌀20 aún puede moverse en la dirección de la anchura: su posición "
            "no está dada.",
        ),
    ],
)
def test_things_are_listed_and_begin_sentences(language: Language, words: str) -> None:
    told = phrase(
        "dimensions-undetermined.position", what=TWO_HOLES, direction="width", side=phrase("datum-side", side="left")
    )
    assert said(told, language) == words


def test_numbers_are_written_as_the_language_writes_them() -> None:
    told = phrase("lines-extra.one", name="top", length=1234.56)
    assert said(told) == "A line in the top view, 1234.6 mm long, corresponds to no edge of the part."
    assert said(told, "es") == (
        "Una línea de la vista superior, de 1234,6 mm, no corresponde a ninguna arista de la pieza."
    )


@pytest.mark.parametrize(("count", "words"), [(1, "una línea oculta"), (3, "3 líneas ocultas")])
def test_words_agree_with_their_number(count: int, words: str) -> None:
    assert said(phrase("lines-hidden-on-pictorial.found", count=count), "es") == words


def test_articles_are_drawn_together_with_prepositions() -> None:
    face = phrase("face-from-side", distance="12", unit="mm", side=phrase("datum-side", side="left"))
    assert said(face, "es") == "la cara a 12 mm del lado izquierdo"
    assert said(phrase("dimensions-undetermined.radius", what=TWO_HOLES[0]), "es").endswith("diámetro del agujero ⌀8.")


def test_what_is_written_on_a_sheet_is_said_letter_by_letter() -> None:
    told = phrase("draft-file-refused", file="vista de el eje.dxf", reason=phrase("sheet-file-empty"))
    assert said(told, "es") == "vista de el eje.dxf: el archivo está vacío. Su borrador sigue como estaba."


def test_one_of_several_is_said_by_or() -> None:
    told = phrase("front-side.listed-expected", accepted=("-y", "+x", "+y"))
    assert (said(told), said(told, "es")) == ("front view on -y, +x or +y", "vista frontal sobre -y, +x o +y")


def test_what_no_catalogue_knows_is_told_by_name() -> None:
    with pytest.raises(PhraseError, match="nothing-anybody-says"):
        said(phrase("nothing-anybody-says"))
    with pytest.raises(PhraseError, match=r"ball.*radius"):
        said(phrase("ball"))


def test_what_was_kept_as_finished_words_is_said_as_it_is() -> None:
    """Findings of sheets returned before phrases were kept name things in English, in any language."""
    kept = {"what": "The ⌀8 hole", "direction": "width", "side": "left side"}
    told = phrase("dimensions-undetermined.position", **kept)
    assert said(told).startswith("The ⌀8 hole can still move along the width")
    assert said(told, "es").startswith("The ⌀8 hole aún puede moverse en la dirección de la anchura")


def test_every_rule_has_a_heading_of_its_own_in_every_language() -> None:
    for language in LANGUAGES:
        headings = [said(rule.heading, language) for rule in CATALOGUE.values()]
        assert len(set(headings)) == len(headings)
    assert not any(said(rule.heading) == said(rule.heading, "es") for rule in CATALOGUE.values())


def test_findings_kept_by_earlier_versions_can_be_said() -> None:
    """Returned sheets keep what was found with the values it had then: no sentence may ask for others."""
    kept = json.loads((Path(__file__).parent / "kept_parameters.json").read_text(encoding="utf-8"))
    for name, parameters in kept.items():
        rule, variant = name.split("|")
        values: dict[str, Value] = dict.fromkeys(parameters, 2)
        words = CATALOGUE[rule].wording(Finding(rule, "error", parameters=values, variant=variant))
        for language in LANGUAGES:
            assert all(said(told, language) for told in (words.message, words.expected, words.found))


PLAIN = st.text(max_size=8) | st.integers(-1000, 1000) | st.floats(-1e6, 1e6)
PHRASES = st.recursive(
    st.builds(Phrase, st.sampled_from(["ball", "contour"]), st.dictionaries(st.sampled_from("abc"), PLAIN)),
    lambda inner: st.builds(
        Phrase,
        st.just("outer"),
        st.dictionaries(st.sampled_from("abc"), PLAIN | inner | st.lists(inner, max_size=3).map(tuple)),
    ),
    max_leaves=4,
)


@given(st.dictionaries(st.sampled_from(["what", "side", "count"]), PLAIN | PHRASES | st.lists(PHRASES).map(tuple)))
def test_a_kept_finding_comes_back_as_it_was(parameters: dict[str, Phrase]) -> None:
    finding = Finding("dimensions.undetermined", "error", parameters=parameters)
    back = FINDING.validate_json(FINDING.dump_json(finding))
    assert back == finding
    assert list(map(key_of, back.about)) == list(map(key_of, finding.about))


@pytest.mark.parametrize("language", LANGUAGES)
def test_a_little_less_than_nothing_is_nothing(language: Language) -> None:
    told = phrase("layout-centring.found", left=-0.2, right=0.04, below=-1e-12, above=12.6)
    assert "-" not in said(told, language)
    assert said(told, language).startswith("0, 0, 0 ")
