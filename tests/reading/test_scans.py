"""Scans of printed sheets: judged as the sheet is, planted mistakes found, and pictures that are none of a sheet.

The pages are made into pictures by a second PDF library (pdfium) and spoilt as scanners and cameras do.
"""

import io
from collections.abc import Callable
from pathlib import Path

import cv2
import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from PIL import Image

from maqueta.demo import mistakes
from maqueta.drawing.pdf import pdf
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.phrases.said import said
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.delivered import read_delivered
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.file_content import content_of
from maqueta.reading.picture import recogniser
from maqueta.reading.picture.image import Picture, picture_of
from maqueta.reading.picture.lens import bend_of, unbent
from maqueta.reading.picture.straightened import straightened
from maqueta.reading.questions import questions
from maqueta.sheet.document import SheetDocument
from maqueta.task.exercise import Exercise
from tests.parts import demo_projected
from tests.reading.scan_writer import LEVELS, Level, camera, packed, scan

TASK = Exercise.model_validate({"views": ["front", "top", "right"], "paper": "A2"})


def answer(slug: str) -> tuple[ProjectedPart, SheetDocument]:
    part = demo_projected(slug)
    return part, model_sheet(part, TASK, Drafter("Ada Muster", "Evening 2", "2026-11-20"))


def printed(part: ProjectedPart, sheet: SheetDocument) -> bytes:
    return pdf(sheet_ink(part, sheet), sheet.paper.layout, "sheet")


def errors(part: ProjectedPart, sheet: SheetDocument) -> set[str]:
    return {own.rule for own in check(part, TASK, sheet).findings if own.severity == "error"}


@pytest.mark.parametrize(
    ("slug", "level"),
    [
        ("shaft-collar", LEVELS[0]),
        ("reed-cap", LEVELS[1]),
        ("bobbin-flange", LEVELS[2]),
        ("tension-wheel", LEVELS[4]),
        ("reed-clamp", LEVELS[7]),
    ],
    ids=lambda own: getattr(own, "name", own),
)
def test_a_right_sheet_is_right_as_a_scan(slug: str, level: Level) -> None:
    part, sheet = answer(slug)
    assert errors(part, sheet) == set()
    read = read_delivered(scan(printed(part, sheet), level), part, TASK)
    assert not read.document.by_hand
    assert len(questions(read.not_read)) <= 1
    assert errors(part, read.document) == set()
    now = {str(view.attitude): view.scale for view in read.document.views if view.kind == "principal"}
    assert now == {str(view.attitude): view.scale for view in sheet.views if view.kind == "principal"}
    was = sorted(str(own.text or "") for own in read.document.dimensions)
    assert len(was) == len(sheet.dimensions)
    assert read.document.title.fields["scale"] == sheet.title.fields["scale"]
    # A picture shows some of the table, too: the border is where it stands on the paper.
    assert read.document.paper.frame is not None
    assert read.document.paper.frame.border == pytest.approx(sheet.paper.layout.border, abs=1.0)


@pytest.mark.parametrize(
    "plant", [(mistakes.no_right_view, mistakes.missing_sizes), (mistakes.wrong_value, mistakes.no_hidden_lines)]
)
def test_mistakes_are_found_in_a_scan(
    plant: tuple[Callable[[ProjectedPart, SheetDocument], SheetDocument], ...],
) -> None:
    part, sheet = answer("reed-clamp")
    spoilt, told = sheet, set[str]()
    for spoil in plant:
        spoilt = spoil(part, spoilt)
        assert told < errors(part, spoilt), "each mistake is one more"
        told = errors(part, spoilt)
    read = read_delivered(scan(printed(part, spoilt), LEVELS[0]), part, TASK)
    assert errors(part, read.document) == errors(part, spoilt)


def test_a_page_that_is_a_scan_is_seen() -> None:
    """A PDF with nothing on it but a picture is read as that picture."""
    part, sheet = answer("tension-wheel")
    out = io.BytesIO()
    Image.open(io.BytesIO(scan(printed(part, sheet), Level("scan", dots=300)))).save(out, "PDF", resolution=300)
    read = read_delivered(out.getvalue(), part, TASK)
    assert errors(part, read.document) == set()


def test_without_a_recogniser_lines_are_read_and_letters_are_told_of(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(recogniser, "COMMAND", "/nowhere/at/all")
    part, sheet = answer("tension-wheel")
    content = content_of(scan(printed(part, sheet), LEVELS[0]), paper=(420.0, 297.0))
    assert content.words == ()
    assert content.strokes
    assert any("recogniser" in said(what) for what in content.not_read)


def noise(seed: int) -> np.ndarray[tuple[int, int], np.dtype[np.uint8]]:
    """A picture of anything but a sheet: soft spots, light and dark."""
    spots = np.random.default_rng(seed).integers(0, 255, (60, 80)).astype(np.uint8)
    return np.asarray(Image.fromarray(spots).resize((1600, 1200), Image.Resampling.BICUBIC))


@pytest.mark.parametrize(
    ("name", "data"),
    [
        ("cut off", packed(np.full((1200, 1600), 255, np.uint8), LEVELS[0])[:400]),
        ("white", packed(np.full((1200, 1600), 255, np.uint8), LEVELS[0])),
        ("black", packed(np.zeros((1200, 1600), np.uint8), LEVELS[0])),
        ("a holiday", packed(noise(3), LEVELS[5])),
        ("a stamp", packed(np.full((90, 120), 255, np.uint8), LEVELS[0])),
        ("no picture", b"\x89PNG\r\n\x1a\n" + b"nothing of the kind" * 40),
    ],
)
def test_a_picture_of_no_sheet_is_refused_in_one_line(name: str, data: bytes) -> None:
    part, _ = answer("tension-wheel")
    with pytest.raises(UnreadableSheetError) as refused:
        read_delivered(data, part, TASK)
    assert "\n" not in said(refused.value.reason)


def test_a_picture_larger_than_any_sheet_is_not_opened() -> None:
    """A few thousand bytes that would be four hundred million pixels."""
    out = io.BytesIO()
    Image.new("1", (20_000, 20_000)).save(out, "PNG")
    assert len(out.getvalue()) < 100_000
    with pytest.raises(UnreadableSheetError):
        content_of(out.getvalue())


def test_what_a_camera_turned_is_turned_back(tmp_path: Path) -> None:
    """The turn a camera writes beside its picture (Exif orientation 6: a quarter to the right)."""
    grey = np.full((900, 1200), 255, np.uint8)
    grey[:100] = 0
    turned = Image.fromarray(np.rot90(grey))
    exif = Image.Exif()
    exif[0x0112] = 6
    turned.save(tmp_path / "turned.png", exif=exif, dpi=(72, 72))
    picture = picture_of((tmp_path / "turned.png").read_bytes())
    assert picture.grey.shape == (900, 1200)
    assert picture.grey[:90].max() == 0
    assert picture.pixel is None


def test_border_is_found_where_it_is_seen_in_stretches() -> None:
    """Its lower side in three, none of them half as long: folded paper, or lines that cross it; seen in perspective."""
    flat = np.full((1188, 1680), 255, np.uint8)
    left, top, right, bottom = 80, 40, 1640, 1148
    for start, end in (
        ((left, top), (right, top)),
        ((left, top), (left, bottom)),
        ((right, top), (right, bottom)),
        ((left, bottom), (560, bottom)),
        ((600, bottom), (1090, bottom)),
        ((1130, bottom), (right, bottom)),
        ((300, 300), (900, 300)),
        ((300, 300), (300, 800)),
    ):
        cv2.line(flat, start, end, 0, 4)
    move = camera(1680, 1188, LEVELS[6])
    photograph = np.asarray(cv2.warpPerspective(flat, move, (1680, 1188), borderValue=255), np.uint8)
    sheet = straightened(Picture(photograph, None), (420, 297))
    dark = sheet.grey < 128
    # The border of an A3 sheet, 390 by 277 mm, with 22 mm round it.
    wide, high, margin = (side / sheet.pixel for side in (390, 277, 22))
    for x in (margin, margin + wide):
        own = dark[round(margin) + 20 : round(margin + high) - 20, round(x) - 6 : round(x) + 7]
        assert own.any(axis=1).mean() > 0.98
    lower = dark[round(margin + high) - 6 : round(margin + high) + 7, round(margin) + 20 : round(margin + wide) - 20]
    assert lower.any(axis=0).mean() > 0.9


@given(st.floats(-0.06, 0.06))
def test_lens_is_told_by_the_sides_of_the_border(bend: float) -> None:
    """Sides of a border as a lens shows them, somewhat turned: told, and laid where they belong."""
    shape, t = (1200, 1600), np.linspace(0, 1, 300)[:, None]
    corners = np.array([(150.0, 160.0), (1430.0, 120.0), (1460.0, 1060.0), (130.0, 1030.0)])
    true = [(1 - t) * corners[k] + t * corners[(k + 1) % 4] for k in range(4)]
    middle, half = np.array([799.5, 599.5]), 1000.0
    seen = []
    for side in true:
        away = (side - middle) / half
        far = np.hypot(*away.T)[:, None]
        near = far.copy()
        for _ in range(60):
            near = far / (1 + bend * near**2)
        seen.append(middle + away * half * near / far)
    told = bend_of(seen, shape)
    bowed = max(float(np.abs(own - side).max()) for own, side in zip(seen, true, strict=True))
    if told == 0.0:
        assert bowed < 3.0
    else:
        assert told == pytest.approx(bend, abs=1e-3)
        laid = [unbent(own, told, shape) for own in seen]
        assert max(float(np.abs(own - side).max()) for own, side in zip(laid, true, strict=True)) < 0.8
