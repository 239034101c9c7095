"""Sheets delivered as files: a student's own on the bench, a whole class's on the wall."""

from pathlib import Path
from typing import Any

import pytest
from sqlalchemy import select

from maqueta.demo.workshop import EXERCISES
from maqueta.drawing.pdf import pdf
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.phrases.phrase import phrase
from maqueta.service import workers
from maqueta.service.deliveries.file_work import SheetWork
from maqueta.service.deliveries.originals import traits
from maqueta.service.queue.crews import Crews
from maqueta.service.settings import Settings
from maqueta.sheet.document import SheetDocument
from maqueta.store.database import Database
from maqueta.store.files import FileStore, StoredFile
from maqueta.store.models import Account, ExerciseRecord, SheetRecord
from maqueta.store.originals import Excuse, keep_original
from maqueta.task.exercise import Exercise
from tests.parts import demo_projected
from tests.reading.demo_files import demo_file
from tests.reading.dxf_writer import CONVENTIONS
from tests.reading.pdf_writer import HANDS, write_pdf
from tests.reading.scan_writer import LEVELS, scan
from tests.reading.special_scenes import demo
from tests.reading.special_writer import MANNERS, write_special
from tests.world import LogIn, Person


def exercise_id(database: Database, title: str) -> int:
    with database.transaction() as session:
        return session.scalars(select(ExerciseRecord.id).where(ExerciseRecord.title == title)).one()


def state_of(database: Database, login: str, exercise: int) -> tuple[str, int] | None:
    with database.transaction() as session:
        found = session.scalar(
            select(SheetRecord).join(Account).where(Account.login == login, SheetRecord.exercise_id == exercise)
        )
        return (found.state, len(found.findings)) if found is not None else None


def send(person: Person, path: str, name: str, data: bytes, **fields: Any) -> Any:
    return person.send("POST", path, files={"file": (name, data)}, data=fields)


def test_student_reads_a_file_onto_the_bench_and_hands_it_in(log_in: LogIn, database: Database) -> None:
    student, exercise = log_in("maya.okonedo"), exercise_id(database, "Pedal hinge")
    data = demo_file("pedal-hinge", "Maya Okonedo", "lines.missing-visible")
    answer = send(student, f"/api/exercises/{exercise}/sheet/file", "hinge.dxf", data)
    assert answer.status_code == 200, answer.text
    read = answer.json()
    assert sorted(view["name"] for view in read["views"]) == ["front", "right", "top"]
    assert state_of(database, "maya.okonedo", exercise) is None
    body = {"document": read["document"], "base": 0}
    done = student.send("POST", f"/api/exercises/{exercise}/sheet/hand-in", json=body)
    assert done.status_code == 200, done.text
    state, findings = state_of(database, "maya.okonedo", exercise) or ("", 0)
    assert (state, findings >= 1) == ("handed-in", True)


def test_the_file_is_kept_beside_the_sheet_for_those_who_see_the_sheet(
    log_in: LogIn, instructor: Person, database: Database
) -> None:
    student, exercise = log_in("tor.brandvold"), exercise_id(database, "Pedal hinge")
    path = f"/api/exercises/{exercise}/sheet"
    assert student.get(f"{path}/original") is None
    assert student.status("GET", f"{path}/original.svg") == 404
    other = demo_file("pedal-hinge", "Tor Brandvold", "lines.missing-visible")
    send(student, f"{path}/file", "first.dxf", other)
    data = demo_file("pedal-hinge", "Tor Brandvold")
    read = send(student, f"{path}/file", "bisagra «2».dxf", data).json()
    # The one that was brought in last, also before the sheet is saved.
    told = student.get(f"{path}/original")
    assert (told["name"], told["page"], told["pages"]) == ("bisagra «2».dxf", 1, 1)
    assert [one["words"] for one in told["not_read"]] == read["not_read"]
    drawing = student.send("GET", f"{path}/original.svg")
    assert drawing.headers["content-type"] == "image/svg+xml"
    assert "sandbox" in drawing.headers["content-security-policy"]
    assert log_in("nela.havlik").get(f"{path}/original") is None
    student.send("POST", f"{path}/hand-in", json={"document": read["document"], "base": 0})
    with database.transaction() as session:
        query = select(SheetRecord.id).join(Account).where(Account.login == "tor.brandvold")
        sheet = session.scalars(query.where(SheetRecord.exercise_id == exercise)).one()
    for person in (student, instructor):
        assert person.get(f"/api/sheets/{sheet}")["original"]["name"] == "bisagra «2».dxf"
        kept = person.send("GET", f"/api/sheets/{sheet}/original")
        assert kept.content == data
        assert kept.headers["content-disposition"].startswith("attachment;")
        assert kept.headers["content-type"] == "application/octet-stream"
        assert person.send("GET", f"/api/sheets/{sheet}/original.svg").content == drawing.content
    for ending in ("original", "original.svg"):
        assert log_in("nela.havlik").status("GET", f"/api/sheets/{sheet}/{ending}") == 404


def read_with(database: Database, exercise: int, excuse: Excuse) -> None:
    """Nela's sheet was read from a file, and that excuses so much of it."""
    with database.transaction() as session:
        who = session.scalars(select(Account).where(Account.login == "nela.havlik")).one()
        task = session.get_one(ExerciseRecord, exercise)
        attempt = session.scalars(
            select(SheetRecord.attempt).where(SheetRecord.student_id == who.id, SheetRecord.exercise_id == exercise)
        ).first()
        keep_original(session, who, task, attempt or 1, "a.png", ("d" * 64, "e" * 64), (1, 1), (), excuse)


def test_nobody_says_of_their_own_sheet_that_sizes_were_not_read(log_in: LogIn, database: Database) -> None:
    """What was not read excuses what is not there."""
    student, exercise = log_in("nela.havlik"), exercise_id(database, "Shuttle rest")
    path = f"/api/exercises/{exercise}/sheet"
    sheet = student.get(path)
    claimed = sheet["document"] | {"unread_sizes": 3, "by_hand": True}
    saved = student.send("PUT", path, json={"document": claimed, "base": sheet["revision"]})
    assert saved.status_code == 200, saved.text
    assert saved.json()["document"]["unread_sizes"] == 0
    assert not saved.json()["document"]["by_hand"]
    assert student.get(path)["document"]["unread_sizes"] == 0
    read_with(database, exercise, Excuse(unread_sizes=2))
    again = student.send("PUT", path, json={"document": claimed, "base": saved.json()["revision"]})
    assert again.json()["document"]["unread_sizes"] == 2
    assert not again.json()["document"]["by_hand"], "its file is not"


def test_what_excused_a_sheet_excuses_none_that_is_drawn_in_its_place(log_in: LogIn, database: Database) -> None:
    student, exercise = log_in("nela.havlik"), exercise_id(database, "Shuttle rest")
    path = f"/api/exercises/{exercise}/sheet"
    sheet = student.get(path)
    lines: list[dict[str, Any]] = [
        {"kind": "line", "points": [[0.0, float(k)], [50.123 - k, float(k)]]} for k in range(6)
    ]
    view = {"id": "v1", "kind": "unrecognised", "at": [100.0, 100.0], "scale": 1.0, "lines": lines}
    read = sheet["document"] | {"unread_sizes": 2, "by_hand": True, "views": [view], "dimensions": [], "marks": []}
    read_with(database, exercise, Excuse(2, True, traits(SheetDocument.model_validate(read))))
    kept = student.send("PUT", path, json={"document": read, "base": sheet["revision"]})
    assert kept.status_code == 200, kept.text
    assert (kept.json()["document"]["unread_sizes"], kept.json()["document"]["by_hand"]) == (2, True)
    # Moved on the sheet, and with a line less, it is still the same.
    moved = read | {"views": [view | {"at": [150.0, 90.0], "lines": lines[1:]}]}
    kept = student.send("PUT", path, json={"document": moved, "base": kept.json()["revision"]})
    assert (kept.json()["document"]["unread_sizes"], kept.json()["document"]["by_hand"]) == (2, True)
    # So it is where the view is taken for one at another scale: its ink stays where it is.
    halves = [line | {"points": [[x / 2, y / 2] for x, y in line["points"]]} for line in lines]
    scaled = read | {"views": [view | {"scale": 2.0, "lines": halves}]}
    kept = student.send("PUT", path, json={"document": scaled, "base": kept.json()["revision"]})
    assert (kept.json()["document"]["unread_sizes"], kept.json()["document"]["by_hand"]) == (2, True)
    anew = [line | {"points": [[0.0, 0.0], [40.0, 0.0]]} for line in lines]
    other = read | {"views": [view | {"lines": anew}]}
    kept = student.send("PUT", path, json={"document": other, "base": kept.json()["revision"]})
    assert (kept.json()["document"]["unread_sizes"], kept.json()["document"]["by_hand"]) == (0, False)


def test_a_refused_file_takes_the_place_of_none(log_in: LogIn, database: Database) -> None:
    student, exercise = log_in("iker.valtierra"), exercise_id(database, "Pedal hinge")
    path = f"/api/exercises/{exercise}/sheet"
    send(student, f"{path}/file", "good.dxf", demo_file("pedal-hinge", "Iker Valtierra"))
    assert send(student, f"{path}/file", "bad.pdf", b"%PDF-1.4").status_code == 422
    assert student.get(f"{path}/original")["name"] == "good.dxf"


def test_student_corrects_what_a_view_was_taken_for(log_in: LogIn, database: Database) -> None:
    student, exercise = log_in("nela.havlik"), exercise_id(database, "Pedal hinge")
    read = send(
        student, f"/api/exercises/{exercise}/sheet/file", "a.dxf", demo_file("pedal-hinge", "Nela Havlik")
    ).json()
    path = f"/api/exercises/{exercise}/sheet/correction"
    top = next(view["id"] for view in read["views"] if view["name"] == "top")
    wrong = student.send("POST", path, json={"document": read["document"], "view": top, "said": "none"}).json()
    assert {view["id"]: view["name"] for view in wrong["views"]}[top] == "unrecognised"
    right = student.send("POST", path, json={"document": wrong["document"], "view": top, "said": "top"}).json()
    assert {view["id"]: view["name"] for view in right["views"]}[top] == "top"
    assert student.status("POST", path, json={"document": read["document"], "view": "v9", "said": "top"}) == 404


def test_a_section_taken_for_nothing_is_said_to_be_that_of_its_cutting_line(log_in: LogIn, database: Database) -> None:
    """The part is drawn as it is cut before the answer is there."""
    student, exercise = log_in("iker.valtierra"), exercise_id(database, "Ribbed bearing, cut open")
    scene = demo("ribbed-bearing")
    data = write_special(scene.part, scene.sheet, CONVENTIONS[0], MANNERS[0])
    read = send(student, f"/api/exercises/{exercise}/sheet/file", "a.dxf", data).json()
    section = next(view["id"] for view in read["document"]["views"] if view["kind"] == "section")
    (line,) = (line["id"] for line in read["document"]["cutting_lines"])
    path = f"/api/exercises/{exercise}/sheet/correction"
    forgotten = student.send("POST", path, json={"document": read["document"], "view": section, "said": "none"}).json()[
        "document"
    ]
    asked = {"document": forgotten, "view": section, "said": "section"}
    again = student.send("POST", path, json={**asked, "of": line}).json()
    assert again["views"] == read["views"]
    kept, was = (next(view for view in sheet["document"]["views"] if view["id"] == section) for sheet in (again, read))
    assert [kept[key] for key in ("kind", "letter", "parent")] == [was[key] for key in ("kind", "letter", "parent")]
    assert student.status("POST", path, json={**asked, "of": "cut9"}) == 404


def test_a_pdf_is_read_page_by_page_whatever_its_name(log_in: LogIn, database: Database) -> None:
    student, exercise = log_in("nela.havlik"), exercise_id(database, "Reed clamp")
    part, task = demo_projected("reed-clamp"), EXERCISES[0].task
    sheet = model_sheet(part, task, Drafter("Nela Havlik", "Evening 2", "2026-11-20"))
    data, path = write_pdf(part, sheet, HANDS[0], pages=2), f"/api/exercises/{exercise}/sheet/file"
    read = send(student, path, "sheets.dxf", data, page="2").json()
    assert (read["page"], read["pages"]) == (2, 2)
    assert {"front", "right", "top"} <= {view["name"] for view in read["views"]}
    assert read["not_read"] == []
    assert send(student, path, "sheets.pdf", data, page="3").status_code == 422
    assert send(student, path, "sheets.pdf", data, page="0").status_code == 422


def test_a_scan_is_read_and_says_that_it_was_one(log_in: LogIn, database: Database) -> None:
    """In the processes with the limits they have: a picture takes more memory than any other file."""
    student, exercise = log_in("nela.havlik"), exercise_id(database, "Reed clamp")
    part, task = demo_projected("reed-clamp"), EXERCISES[0].task
    sheet = model_sheet(part, task, Drafter("Nela Havlik", "Evening 2", "2026-11-20"))
    data = scan(pdf(sheet_ink(part, sheet), sheet.paper.layout, "sheet"), LEVELS[0])
    read = send(student, f"/api/exercises/{exercise}/sheet/file", "sheet.dxf", data).json()
    assert {"front", "right", "top"} <= {view["name"] for view in read["views"]}
    assert read["not_read"][0].startswith("read from a picture")


@pytest.mark.parametrize(
    ("name", "data", "status", "words"),
    [
        ("a.dxf", b"%PDF-1.4", 422, "not a usable PDF"),
        ("a.dxf", b"", 422, "a.dxf: the file is empty. Your draft is as it was."),
        ("a.dxf", b"\x89PNG" + bytes(500), 422, "not a text DXF"),
    ],
)
def test_useless_file_leaves_the_draft(
    log_in: LogIn, database: Database, name: str, data: bytes, status: int, words: str
) -> None:
    student, exercise = log_in("nela.havlik"), exercise_id(database, "Pedal hinge")
    answer = send(student, f"/api/exercises/{exercise}/sheet/file", name, data)
    assert answer.status_code == status
    assert words in answer.text


def test_files_of_a_class_are_pinned_up_for_their_students(
    instructor: Person, log_in: LogIn, database: Database
) -> None:
    exercise = exercise_id(database, "Pedal hinge")
    path = f"/api/exercises/{exercise}/deliveries"
    by_title = send(instructor, path, "final version.dxf", demo_file("pedal-hinge", "Tor Brandvold")).json()
    assert by_title["student"]["name"] == "Tor Brandvold"
    assert state_of(database, "tor.brandvold", exercise) is not None
    by_name = send(instructor, path, "kemi_oduya-hinge.dxf", demo_file("pedal-hinge", "K. O.")).json()
    assert by_name["student"]["name"] == "Kemi Oduya"
    unknown = send(instructor, path, "hinge.dxf", demo_file("pedal-hinge", "somebody")).json()
    assert unknown["sheet"] is None
    juan = next(person for person in unknown["candidates"] if person["name"] == "Juan Sandoval")
    said = send(instructor, path, "hinge.dxf", demo_file("pedal-hinge", "somebody"), student=str(juan["id"])).json()
    assert said["student"]["name"] == "Juan Sandoval"
    twice = send(instructor, path, "final version.dxf", demo_file("pedal-hinge", "Tor Brandvold")).json()
    assert (twice["sheet"], "already handed in" in twice["why"]) == (by_title["sheet"], True)


def test_delivery_never_replaces_a_sheet_begun_here(instructor: Person, database: Database) -> None:
    exercise = exercise_id(database, "Reed clamp")
    before = state_of(database, "iker.valtierra", exercise)
    data = demo_file("reed-clamp", "Iker Valtierra")
    answer = send(instructor, f"/api/exercises/{exercise}/deliveries", "clamp.dxf", data).json()
    assert (answer["sheet"], "begun a sheet here" in answer["why"]) == (None, True)
    assert state_of(database, "iker.valtierra", exercise) == before


def test_only_the_right_people_deliver(log_in: LogIn, database: Database, instructor: Person) -> None:
    exercise = exercise_id(database, "Pedal hinge")
    data = demo_file("pedal-hinge", "Dina Farouk")
    student = log_in("dina.farouk")
    assert send(student, f"/api/exercises/{exercise}/deliveries", "a.dxf", data).status_code == 404
    assert send(instructor, f"/api/exercises/{exercise}/sheet/file", "a.dxf", data).status_code == 404
    other = send(instructor, f"/api/exercises/{exercise}/deliveries", "a.dxf", data, student="99999")
    assert other.status_code == 404


def _hang(data: bytes, page: int, part: StoredFile, task: Exercise, looks: object) -> SheetWork:
    while True:
        pass


def test_file_that_hangs_the_reader_is_stopped(monkeypatch: pytest.MonkeyPatch, tmp_path: Path) -> None:
    settings = Settings(sheet_seconds=4, sheet_readers=1)
    crews = Crews(settings)
    readers = workers.KernelWorkers(settings, crews)
    try:
        monkeypatch.setattr(workers, "read_sheet_file", _hang)
        nowhere = StoredFile(FileStore(tmp_path), "a" * 64)
        assert readers.read_sheet(b"", 1, nowhere, Exercise()).refused == phrase("took-too-long", seconds=4)
        monkeypatch.undo()
        missing = readers.read_sheet(b"", 1, nowhere, Exercise()).refused
        assert missing == phrase("could-not-be-examined", error="FileNotFoundError")
    finally:
        crews.close()


@pytest.mark.parametrize(
    ("title", "kind", "login"),
    [
        ("Ribbed bearing, cut open", "section", "juan.sandoval"),
        ("Slanted seat, its slope in true shape", "auxiliary", "rosa.quispe"),
    ],
)
def test_special_views_come_back_from_the_model_answers_own_file(
    log_in: LogIn, instructor: Person, database: Database, title: str, kind: str, login: str
) -> None:
    """Proposed by the program, written as DXF, read again: the part is drawn as its views need it on the way."""
    exercise = exercise_id(database, title)
    file = instructor.send("GET", f"/api/exercises/{exercise}/answer/drawing.dxf")
    assert file.status_code == 200
    student = log_in(login)
    read = send(student, f"/api/exercises/{exercise}/sheet/file", "own.dxf", file.content)
    assert read.status_code == 200, read.text
    assert [view["name"] for view in read.json()["views"]].count(kind) == 1
    body = {"document": read.json()["document"], "base": 0}
    done = student.send("POST", f"/api/exercises/{exercise}/sheet/hand-in", json=body)
    assert done.status_code == 200, done.text
    with database.transaction() as session:
        sheet = session.scalars(
            select(SheetRecord).join(Account).where(Account.login == login, SheetRecord.exercise_id == exercise)
        ).one()
        rules = {finding.rule for finding in sheet.findings}
    assert not {rule for rule in rules if rule.split(".")[0] in ("section", "auxiliary", "lines", "views")}
