"""Free notes of a file: kept where they stand; zone letters, titles and sizes are none."""

from pathlib import Path

import ezdxf

from maqueta.drawing.dxf import dxf
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.drawing.sheet_sizes import sheet_sizes
from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.phrases.phrase import phrase
from maqueta.reading.delivered import expectation
from maqueta.reading.dxf.file import read_dxf
from maqueta.reading.sheet import read_sheet
from maqueta.sheet.document import Note
from maqueta.task.exercise import Exercise
from tests.parts import demo_projected

PART = demo_projected("reed-clamp")
TASK = Exercise(views=("front", "top", "right"), pictorial="unwanted")
SHEET = model_sheet(PART, TASK, Drafter("A. Tester", "Evening 2", "2026-11-20"))
NOTES = (
    Note(id="n1", text="BREAK SHARP EDGES", at=(40.0, 60.0)),
    Note(id="n2", text="OILED, NOT PAINTED", at=(40.0, 50.0), height=5.0),
    Note(id="n3", text="FRONT VIEW", at=(120.0, 30.0)),
)


def _read(data: bytes, folder: Path) -> tuple[set[tuple[str, tuple[float, float]]], list[str]]:
    path = folder / "sheet.dxf"
    path.write_bytes(data)
    sheet = read_sheet(read_dxf(path.read_bytes()), PART, expectation(PART, TASK)).document
    notes = {(note.text, (round(note.at[0], 3), round(note.at[1], 3))) for note in sheet.notes}
    return notes, [f.rule for f in check(PART, TASK, sheet).findings if f.severity == "error"]


def _drawn() -> bytes:
    noted = SHEET.model_copy(update={"notes": NOTES})
    return dxf(sheet_ink(PART, noted), sheet_sizes(PART, noted))


def test_notes_go_out_and_come_back_where_they_stand(tmp_path: Path) -> None:
    assert _read(_drawn(), tmp_path) == ({(note.text, note.at) for note in NOTES}, [])


def test_letters_of_the_zones_are_no_notes(tmp_path: Path) -> None:
    path = tmp_path / "zones.dxf"
    path.write_bytes(_drawn())
    document = ezdxf.readfile(path)
    for place, letter in enumerate("ABCD"):
        document.modelspace().add_text(letter, dxfattribs={"height": 3.5}).set_placement((4.0, 40.0 + 60 * place))
    document.saveas(path)
    assert _read(path.read_bytes(), tmp_path) == ({(note.text, note.at) for note in NOTES}, [])


def test_a_note_over_the_title_block_is_found() -> None:
    left, bottom, _, _ = SHEET.paper.layout.title
    over = SHEET.model_copy(update={"notes": (Note(id="n1", text="IN THE WAY", at=(left + 5, bottom + 5)),)})
    found = [f for f in check(PART, TASK, over).findings if f.rule == "layout.outside"]
    assert [(f.items, f.views, f.parameters["what"]) for f in found] == [(("n1",), (), phrase("a-note"))]
