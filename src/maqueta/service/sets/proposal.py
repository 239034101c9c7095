"""Sheets proposed for a set: of an assembly its six sides, its parts pulled apart, and one sheet for each part."""

from collections.abc import Iterator
from typing import Any

from maqueta.phrases.phrase import Phrase, phrase
from maqueta.phrases.said import said
from maqueta.projection.ranking import DEFAULT_VIEWS
from maqueta.service.language import language_spoken
from maqueta.service.sets.messages import ProposedSheet
from maqueta.solid.unit import Unit
from maqueta.store.models import VersionRecord
from maqueta.task.dimensioning import DimensioningTask
from maqueta.task.exercise import Exercise

#: Points of a sheet for how it fits among the others (common practice, no source).
_AMONG_ALL = 1.0


def proposed_sheets(version: VersionRecord) -> Iterator[ProposedSheet]:
    """The sheets of a part; of an assembly those of the whole and then those of its parts, each part once."""
    if not version.is_assembly:
        yield _proposed(version, version.part.name)
        return
    name = version.part.name
    whole: dict[str, Any] = {"views": None, "pictorial": "unwanted", "dimensioning": DimensioningTask(required=False)}
    yield _proposed(version, _said(phrase("set-title-six-sides", name=name)), shows="six sides", **whole)
    yield _proposed(version, _said(phrase("set-title-pulled-apart", name=name)), shows="pulled apart", **whole)
    seen = set()
    for component in version.components:
        current = component.part.current
        if current.id not in seen and current.state == "ready":
            seen.add(current.id)
            yield _proposed(current, current.part.name)


def _said(title: Phrase) -> str:
    return said(title, language_spoken())


def _proposed(version: VersionRecord, title: str, **asked: Any) -> ProposedSheet:
    unit: Unit = "inch" if (version.facts or {}).get("unit") == "inch" else "mm"
    task = Exercise(
        title=title[:120],
        units=unit,
        paper="ANSI B" if unit == "inch" else "A3",
        title_fields=("title", "drafter", "date", "scale", "sheet"),
        title_filled=("sheet",),
        captions=language_spoken(),
        points={"set": _AMONG_ALL},
        **({"views": DEFAULT_VIEWS} | asked),
    )
    return ProposedSheet(
        part=version.part_id, part_name=version.part.name, model=version.id, title=title[:120], task=task
    )
