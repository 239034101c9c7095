"""DXF out, read back and audited by a general DXF library."""

import io
import math
from collections import defaultdict
from itertools import pairwise
from typing import Any

import ezdxf
import pytest

from maqueta.demo.workshop import EXERCISES, DemoExercise
from maqueta.drawing.dxf import dxf
from maqueta.drawing.ink import Arc, InkGroup, Stroke, Text
from maqueta.drawing.layers import LAYERS, TEXT_LAYER
from maqueta.drawing.pens import DASHES
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.drawing.sheet_sizes import sheet_sizes
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.reading.delivered import read_delivered
from maqueta.sheet.dimension import LinearDimension, true_size
from maqueta.sheet.document import SheetDocument
from tests.parts import demo_answered

SHEETS = [demo for demo in EXERCISES if not demo.varied]


def inked(demo: DemoExercise) -> tuple[InkGroup, ...]:
    return sheet_ink(demo_answered(demo.part, demo.task), sheet_of(demo))


def sheet_of(demo: DemoExercise) -> SheetDocument:
    return model_sheet(demo_answered(demo.part, demo.task), demo.task, Drafter("A. Tester", "Evening 2", "2026-11-20"))


def written(demo: DemoExercise) -> Any:
    data = dxf(inked(demo), sheet_sizes(demo_answered(demo.part, demo.task), sheet_of(demo)))
    return ezdxf.read(io.StringIO(data.decode("utf-8")))


def entities(document: Any) -> list[Any]:
    """All entities a reader sees: those of the sheet and those of its dimensions."""
    found = []
    for entity in document.modelspace():
        found += list(entity.virtual_entities()) if entity.dxftype() == "DIMENSION" else [entity]
    return found


@pytest.mark.parametrize("demo", SHEETS, ids=lambda demo: demo.part)
def test_audit_finds_nothing_to_complain_of(demo: DemoExercise) -> None:
    auditor = written(demo).audit()
    assert (auditor.errors, auditor.fixes) == ([], [])


@pytest.mark.parametrize("demo", SHEETS, ids=lambda demo: demo.part)
def test_every_layer_holds_the_length_of_its_ink(demo: DemoExercise) -> None:
    groups = inked(demo)
    drawn: dict[str, float] = defaultdict(float)
    for item in (item for group in groups for item in group.items):
        if isinstance(item, Stroke):
            drawn[LAYERS[item.pen]] += sum(math.dist(p, q) for p, q in pairwise(item.points))
        elif isinstance(item, Arc):
            drawn[LAYERS[item.pen]] += item.radius * item.sweep
    found: dict[str, float] = defaultdict(float)
    for entity in entities(written(demo)):
        layer = entity.dxf.layer
        match entity.dxftype():
            case "LINE":
                found[layer] += entity.dxf.start.distance(entity.dxf.end)
            case "LWPOLYLINE":
                points = list(entity.vertices())
                found[layer] += sum(math.dist(p, q) for p, q in pairwise(points))
            case "CIRCLE":
                found[layer] += 2 * math.pi * entity.dxf.radius
            case "ARC":
                sweep = math.radians((entity.dxf.end_angle - entity.dxf.start_angle) % 360)
                found[layer] += entity.dxf.radius * sweep
    assert set(found) == set(drawn)
    for layer, length in drawn.items():
        assert found[layer] == pytest.approx(length, rel=1e-9), layer


def test_texts_keep_their_words_places_and_heights() -> None:
    demo = SHEETS[0]
    groups = inked(demo)
    texts = [item for group in groups for item in group.items if isinstance(item, Text)]
    lettering = [e for e in entities(written(demo)) if e.dxftype() == "TEXT"]
    assert [(e.dxf.text, e.dxf.height, e.dxf.layer) for e in lettering] == [
        (t.text, t.height, TEXT_LAYER) for t in texts
    ]
    for entity, text in zip(lettering, texts, strict=True):
        placed = entity.get_placement()
        assert placed[1].x == pytest.approx(text.at[0])
        assert placed[1].y == pytest.approx(text.at[1])


def test_dashes_are_line_types_in_paper_millimetres() -> None:
    document = written(SHEETS[0])
    assert document.header["$INSUNITS"] == 4
    hidden = document.layers.get("HIDDEN").dxf.linetype
    pattern = [abs(tag.value) for tag in document.linetypes.get(hidden).pattern_tags.tags if tag.code == 49]
    assert pattern == pytest.approx(list(DASHES["hidden"]))
    assert document.layers.get("VISIBLE").dxf.lineweight == 2 * document.layers.get("HIDDEN").dxf.lineweight


@pytest.mark.parametrize("style", ["iso", "asme"])
@pytest.mark.parametrize("demo", SHEETS, ids=lambda demo: demo.part)
def test_sizes_are_read_again_wherever_their_texts_stand(demo: DemoExercise, style: str) -> None:
    """Slid along, pulled off onto a leader, arrowheads this way or that: the same sizes at the same places."""
    ways: list[dict[str, Any]] = [{"shift": 14.0}, {"led": (30.0, -45.0)}, {"arrows": "outside"}, {"shift": -60.0}]
    sheet = sheet_of(demo)
    moved = tuple(
        d.model_copy(update=ways[k % len(ways)]) if d.kind == "linear" else d for k, d in enumerate(sheet.dimensions)
    )
    projected = demo_answered(demo.part, demo.task)
    own = sheet.model_copy(update={"dimensions": moved, "style": style})
    document = read_delivered(
        dxf(sheet_ink(projected, own), sheet_sizes(projected, own)), projected, demo.task
    ).document

    def measured(of: SheetDocument) -> list[tuple[object, ...]]:
        sizes = [d for d in of.dimensions if isinstance(d, LinearDimension)]
        ends = [sorted(tuple(round(c, 2) + 0.0 for c in end) for end in (d.start, d.end)) for d in sizes]
        return sorted((d.along, *own, round(true_size(d), 2)) for d, own in zip(sizes, ends, strict=True))

    assert measured(document) == measured(own)
