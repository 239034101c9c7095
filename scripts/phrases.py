"""Whether every sentence is there: what the code says, and what the catalogues of all languages know.

A phrase that is said and missing, known and never said, or that speaks of other values in one language than in
another, is told with its name. The interface's own catalogues are held to each other in the same way.
"""

import ast
import json
import re
import sys
from collections.abc import Iterator
from pathlib import Path

from fluent.syntax import FluentParser
from fluent.syntax.ast import Junk, Message, MessageReference, Pattern, VariableReference
from fluent.syntax.visitor import Visitor

from maqueta.judging.catalogue import CATALOGUE
from maqueta.phrases.said import LANGUAGES, USUAL_LANGUAGE, Language, catalogue_files

_ROOT = Path(__file__).resolve().parent.parent
_SOURCES = _ROOT / "src" / "maqueta"
_INTERFACE = _ROOT / "frontend" / "src"
_SHOWN = re.compile(r"""(?<![\w.])(?:t|said)\(\s*("(?:[^"\\]|\\.)*"|'(?:[^'\\]|\\.)*')""")
_SLOT = re.compile(r"\{\{\s*(\w+)")


class _Named(Visitor):
    """The values and the other messages that a pattern speaks of."""

    def __init__(self) -> None:
        self.values: set[str] = set()
        self.messages: set[str] = set()

    def visit_VariableReference(self, node: VariableReference) -> None:  # noqa: N802
        self.values.add(node.id.name)

    def visit_MessageReference(self, node: MessageReference) -> None:  # noqa: N802
        self.messages.add(node.id.name)


def said_kinds() -> Iterator[tuple[str, str]]:
    """Kinds of phrase that the code says, with where; a kind that is not written out is told as a fault."""
    for path in sorted(_SOURCES.rglob("*.py")):
        for node in ast.walk(ast.parse(path.read_text(encoding="utf-8"))):
            if isinstance(node, ast.Call) and isinstance(node.func, ast.Name) and node.func.id == "phrase":
                kind, where = node.args[0], f"{path.relative_to(_ROOT)}:{node.lineno}"
                if not isinstance(kind, ast.Constant):
                    raise SystemExit(f"{where}: write out the kind of the phrase")
                yield str(kind.value), where
    for rule in CATALOGUE.values():
        yield rule.heading.kind, rule.id
        yield rule.basis.kind, rule.id
        yield from ((said.kind, rule.id) for said in (rule.asks, rule.why, rule.mend))
        yield from ((rule.heading_of(variant).kind, rule.id) for variant in rule.named)
        yield from ((kind, rule.id) for variant in rule.variants for kind in rule.kinds(variant))


def known_kinds(language: Language) -> dict[str, _Named]:
    """What a language's catalogue can say, and what each sentence speaks of, references followed."""
    found: dict[str, _Named] = {}
    for path in catalogue_files(language):
        for entry in FluentParser().parse(path.read_text(encoding="utf-8")).body:
            if isinstance(entry, Junk):
                raise SystemExit(f"{path.relative_to(_ROOT)}: cannot be read: {entry.content.splitlines()[0]}")
            if not isinstance(entry, Message):
                continue
            patterns: list[tuple[str, Pattern]] = [(entry.id.name, entry.value)] if entry.value else []
            patterns += [(f"{entry.id.name}.{attribute.id.name}", attribute.value) for attribute in entry.attributes]
            for kind, pattern in patterns:
                if kind in found:
                    raise SystemExit(f"{path.relative_to(_ROOT)}: “{kind}” is there twice")
                found[kind] = _Named()
                found[kind].visit(pattern)
    for named in found.values():
        while more := {m for m in named.messages if m in found and not found[m].messages <= named.messages}:
            for message in more:
                named.messages |= found[message].messages
    return found


def values_of(kind: str, known: dict[str, _Named]) -> set[str]:
    """The values a sentence needs, its own and those of the words it takes from others."""
    own = known[kind]
    return own.values.union(*(known[message].values for message in own.messages))


def faults() -> Iterator[str]:
    """Everything wrong with the sentences of the core and the service."""
    said = dict(said_kinds())
    catalogues = {language: known_kinds(language) for language in LANGUAGES}
    for language, known in catalogues.items():
        taken = set().union(*(named.messages for named in known.values()))
        lacking, idle = sorted(said.keys() - known.keys()), sorted(known.keys() - said.keys() - taken)
        yield from (f"{said[kind]}: “{kind}” is missing in “{language}”" for kind in lacking)
        yield from (f"“{kind}” in “{language}” is never said" for kind in idle)
        yield from (f"“{word}” in “{language}” is missing" for word in sorted(taken - known.keys()))
    first, *others = LANGUAGES
    for language in others:
        for kind in sorted(catalogues[first].keys() & catalogues[language].keys()):
            here, there = (values_of(kind, catalogues[which]) for which in (first, language))
            if here != there:
                names = ", ".join(sorted(here ^ there))
                yield f"“{kind}” speaks of {names} in one of “{first}” and “{language}” only"


def shown_sentences() -> dict[str, str]:
    """The sentences of the interface, which are their own keys, with where they are shown."""
    found: dict[str, str] = {}
    for path in sorted(_INTERFACE.rglob("*.ts*")):
        for text in _SHOWN.findall(path.read_text(encoding="utf-8")):
            found.setdefault(ast.literal_eval(text), str(path.relative_to(_ROOT)))
    return found


def interface_faults() -> Iterator[str]:
    """Everything wrong with the sentences of the interface; English ones need an entry only for their plurals."""
    shown = shown_sentences()
    forms = {text: [f"{text}_one", f"{text}_other"] if "{{count}}" in text else [text] for text in shown}
    for language in LANGUAGES:
        path = _INTERFACE / "words" / f"{language}.json"
        texts: dict[str, str] = json.loads(path.read_text(encoding="utf-8"))
        wanted = {
            form: text for text, own in forms.items() for form in own if language != USUAL_LANGUAGE or len(own) > 1
        }
        lacking, idle = sorted(wanted.keys() - texts.keys()), sorted(texts.keys() - wanted.keys())
        yield from (f"{shown[wanted[form]]}: “{form}” is missing in “{language}”" for form in lacking)
        yield from (f"“{form}” in “{language}” is never shown" for form in idle)
        for form in sorted(texts.keys() & wanted.keys()):
            # One thing may be said without its number.
            off = set(_SLOT.findall(texts[form])) ^ set(_SLOT.findall(wanted[form]))
            if off - ({"count"} if form.endswith("_one") else set()):
                yield f"“{form}” speaks of other values in “{language}”"


if __name__ == "__main__":
    found = [*faults(), *interface_faults()]
    print("\n".join(found), end="\n" if found else "")
    sys.exit(1 if found else 0)
