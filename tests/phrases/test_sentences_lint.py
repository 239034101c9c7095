"""The lint of sentences: whole as things stand, and it tells what is missing, idle or different by name."""

import importlib.util
import json
from pathlib import Path
from typing import Any

import pytest

ROOT = Path(__file__).parents[2]


@pytest.fixture
def lint() -> Any:
    spec = importlib.util.spec_from_file_location("sentences_lint", ROOT / "scripts" / "phrases.py")
    assert spec is not None
    assert spec.loader is not None
    module = importlib.util.module_from_spec(spec)
    spec.loader.exec_module(module)
    return module


def test_every_sentence_is_there_in_every_language(lint: Any) -> None:
    assert list(lint.faults()) == []
    assert list(lint.interface_faults()) == []
    assert len(dict(lint.said_kinds())) > 400
    assert len(lint.shown_sentences()) > 700


def test_a_missing_an_idle_and_a_different_sentence_are_named(lint: Any, monkeypatch: pytest.MonkeyPatch) -> None:
    whole = lint.known_kinds

    def spoilt(language: str) -> Any:
        known = dict(whole(language))
        if language == "es":
            known["way-sideways"] = known.pop("way-up")
            known["ball"] = known["cone"]
        return known

    monkeypatch.setattr(lint, "known_kinds", spoilt)
    told = "\n".join(lint.faults())
    assert "“way-up” is missing in “es”" in told
    assert "“way-sideways” in “es” is never said" in told
    assert "“ball” speaks of angle, radius in one of “en” and “es” only" in told


def test_the_interface_is_held_to_its_own_sentences(lint: Any, monkeypatch: pytest.MonkeyPatch, tmp_path: Path) -> None:
    words = tmp_path / "words"
    words.mkdir()
    (tmp_path / "Page.tsx").write_text('t("Undo"); t("{{count}} views", { count }); said(\n  "Hello {{name}}",\n);')
    (words / "en.json").write_text(json.dumps({"{{count}} views_one": "{{count}} view"}))
    (words / "es.json").write_text(json.dumps({"Hello {{name}}": "Hola {{nombre}}", "Redo": "Rehacer"}))
    monkeypatch.setattr(lint, "_INTERFACE", tmp_path)
    monkeypatch.setattr(lint, "_ROOT", tmp_path)
    assert list(lint.interface_faults()) == [
        "Page.tsx: “{{count}} views_other” is missing in “en”",
        "Page.tsx: “Undo” is missing in “es”",
        "Page.tsx: “{{count}} views_one” is missing in “es”",
        "Page.tsx: “{{count}} views_other” is missing in “es”",
        "“Redo” in “es” is never shown",
        "“Hello {{name}}” speaks of other values in “es”",
    ]
