"""DXF out, read back and audited by a general DXF library."""

import io
import math
from collections import defaultdict
from itertools import pairwise
from typing import Any

import ezdxf
import pytest

from maqueta.demo.workshop import EXERCISES, DemoExercise
from maqueta.drawing.dxf import LAYERS, TEXT_LAYER, dxf
from maqueta.drawing.ink import Arc, InkGroup, Stroke, Text
from maqueta.drawing.pens import DASHES
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.drawing.sheet_sizes import sheet_sizes
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.sheet.document import SheetDocument
from tests.parts import demo_projected

SHEETS = [demo for demo in EXERCISES if not demo.varied]


def inked(demo: DemoExercise) -> tuple[InkGroup, ...]:
    return sheet_ink(demo_projected(demo.part), sheet_of(demo))


def sheet_of(demo: DemoExercise) -> SheetDocument:
    return model_sheet(demo_projected(demo.part), demo.task, Drafter("A. Tester", "Evening 2", "2026-11-20"))


def written(demo: DemoExercise) -> Any:
    data = dxf(inked(demo), sheet_sizes(demo_projected(demo.part), sheet_of(demo)))
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
