"""DXF sheets by many conventions: faultless ones raise no alarm, planted mistakes are found under their rule."""

import random

import pytest

from maqueta.drawing.sheet_sizes import sheet_sizes
from maqueta.judging.catalogue import wording
from maqueta.judging.finding import Finding
from maqueta.judging.report import check
from maqueta.phrases.phrase import phrase
from maqueta.phrases.said import said
from maqueta.reading.correct import corrected
from maqueta.reading.delivered import expectation, read_delivered
from maqueta.reading.sheet import ReadSheet
from maqueta.sheet.document import Frame, SheetDocument
from tests.reading.dxf_writer import CONVENTIONS, Convention, Drawn, Writer, write_sheet
from tests.reading.planted import FOLLOWS, PLANTED, Case, case

SEEDS = range(3)


def read(of: Case, how: Convention, sheet: SheetDocument | None = None, lines: list[Drawn] | None = None) -> ReadSheet:
    return read_delivered(write_sheet(of.part, sheet or of.sheet, how, lines), of.part, of.task)


def errors(of: Case, found: ReadSheet) -> list[Finding]:
    return [f for f in check(of.part, of.task, found.document).findings if f.severity == "error"]


@pytest.mark.parametrize("how", CONVENTIONS, ids=lambda how: how.name)
def test_faultless_sheets_raise_no_alarm(how: Convention) -> None:
    clean = case(SEEDS[CONVENTIONS.index(how) % len(SEEDS)])
    found = read(clean, how)
    findings = check(clean.part, clean.task, found.document).findings
    assert [(f.rule, said(wording(f).message)) for f in findings if f.severity == "error"] == []
    assert not any(f.rule.startswith(("dimensions.", "placement.")) for f in findings)
    assert len(found.document.views) == 3
    assert all(view.lines and not view.mirrored for view in found.document.views)
    assert found.document.title.fields["title"] == clean.sheet.title.fields["title"]
    assert found.document.title.angle == clean.task.angle
    assert len(found.document.dimensions) == len(clean.sheet.dimensions)


@pytest.mark.parametrize("seed", SEEDS)
def test_centre_lines_of_a_file_are_marks_of_the_sheet(seed: int) -> None:
    clean = case(seed)
    found = read(clean, CONVENTIONS[0])
    assert len(found.document.marks) >= len(clean.sheet.marks) > 0
    assert "lines.missing-centre" not in {f.rule for f in check(clean.part, clean.task, found.document).findings}


@pytest.mark.parametrize("rule", PLANTED)
def test_planted_mistake_is_found_under_its_rule(rule: str) -> None:
    tried = 0
    # Four parts by turns; another for a mistake that cannot be made on the one whose turn it is.
    turn = list(PLANTED).index(rule) % 4
    for seed in (1, 2, 5, 6, 1, 2, 5)[turn : turn + 4]:
        if tried == 1:
            break
        clean = case(seed)
        planted = PLANTED[rule](clean, random.Random(seed))
        if planted is None:
            continue
        tried += 1
        how = CONVENTIONS[(7 * seed + list(PLANTED).index(rule)) % len(CONVENTIONS)]
        rules = {f.rule for f in errors(clean, read(clean, how, *planted))}
        assert rule in rules, (seed, how.name)
        assert rules - {rule} <= FOLLOWS.get(rule, set()), (seed, how.name)
    assert tried == 1


def test_displacement_is_told_with_its_way() -> None:
    clean = case(1)
    planted = PLANTED["lines.displaced"](clean, random.Random(1))
    assert planted is not None
    found = next(f for f in errors(clean, read(clean, CONVENTIONS[0], *planted)) if f.rule == "lines.displaced")
    assert found.parameters["distance"] == pytest.approx(2.0, abs=1e-6)
    assert found.parameters["way"] in [phrase(f"way-{way}") for way in ("left", "right", "up", "down")]
    assert found.edges


def test_sheet_of_another_part_is_unrecognised() -> None:
    clean, other = case(0), case(1)
    found = read_delivered(write_sheet(clean.part, clean.sheet, CONVENTIONS[0]), other.part, other.task)
    rules = {f.rule for f in check(other.part, other.task, found.document).findings}
    assert "views.unrecognised" in rules


def test_wrong_identification_is_put_right() -> None:
    clean = case(2)
    found = read(clean, CONVENTIONS[0])
    asked = expectation(clean.part, clean.task)
    top = next(v for v in found.document.views if v.attitude == clean.sheet.views[1].attitude)
    wrong = corrected(clean.part, found.document, top.id, "none", asked)
    assert "views.unrecognised" in {f.rule for f in check(clean.part, clean.task, wrong).findings}
    right = corrected(clean.part, wrong, top.id, "top", asked)
    again = right.view(top.id)
    assert again.attitude == top.attitude
    assert again.scale == pytest.approx(top.scale)
    assert again.at == pytest.approx(top.at, abs=1e-6)
    assert [f.rule for f in check(clean.part, clean.task, right).findings if f.severity == "error"] == []


def test_saying_front_moves_the_front() -> None:
    clean = case(2)
    found = read(clean, CONVENTIONS[0]).document
    other = next(v for v in found.views if v.id != found.front)
    said = corrected(clean.part, found, other.id, "front", expectation(clean.part, clean.task))
    assert said.front == other.id
    with pytest.raises(KeyError):
        corrected(clean.part, found, "v99", "top", expectation(clean.part, clean.task))


def test_border_of_no_usual_size_is_still_the_border() -> None:
    clean = case(1)
    left, bottom, right, top = clean.sheet.paper.layout.border
    odd = clean.sheet.paper.model_copy(update={"frame": Frame(border=(left, bottom, right + 70, top + 110))})
    sheet = clean.sheet.model_copy(update={"paper": odd})
    writer = Writer(CONVENTIONS[5])
    writer.frame(sheet, paper_edge=False)
    writer.lines(clean.lines)
    writer.sizes(list(sheet_sizes(clean.part, sheet).values()))
    found = read_delivered(writer.data(sheet), clean.part, clean.task)
    assert found.document.paper.frame is not None
    assert found.document.paper.frame.border == pytest.approx((left, bottom, right + 70, top + 110))
    assert [f.rule for f in errors(clean, found)] == []
