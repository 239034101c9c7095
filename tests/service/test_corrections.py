"""An instructor puts right how the file of a sheet was read: judged again, decisions kept, taken back, refused."""

from typing import Any

import pytest
from sqlalchemy import select

from maqueta.phrases.phrase import phrase
from maqueta.store.database import Database
from maqueta.store.models import Account, OriginalRecord, SheetRecord
from tests.reading.demo_files import demo_file
from tests.service.test_delivery import exercise_id, send
from tests.world import LogIn, Person

WHO = "paul.nakagawa"


@pytest.fixture(scope="module")
def delivered() -> dict[str, int]:
    """The sheet of these tests, delivered once."""
    return {}


@pytest.fixture
def sheet(delivered: dict[str, int], log_in: LogIn, database: Database) -> int:
    """A sheet read from a file that lacks a line, with two things in it that were not read, handed in."""
    if "sheet" not in delivered:
        exercise = exercise_id(database, "Pedal hinge")
        with database.transaction() as session:
            name = session.scalars(select(Account.name).where(Account.login == WHO)).one()
        student = log_in(WHO)
        data = demo_file("pedal-hinge", name, "lines.missing-visible")
        path = f"/api/exercises/{exercise}/sheet"
        read = send(student, f"{path}/file", "hinge.dxf", data).json()
        done = student.send("POST", f"{path}/hand-in", json={"document": read["document"], "base": 0})
        assert done.status_code == 200, done.text
        delivered["sheet"] = done.json()["id"]
        with database.transaction() as session:
            record = session.scalars(select(OriginalRecord).where(OriginalRecord.name == "hinge.dxf")).all()[-1]
            record.not_read = (phrase("unread-letters-near", x=30.0, y=40.0), phrase("unread-picture-read"))
    return delivered["sheet"]


def rules(answer: dict[str, Any]) -> list[str]:
    return sorted(finding["rule"] for finding in answer["findings"])


def test_questions_are_ticked_off_one_by_one(sheet: int, instructor: Person) -> None:
    told = instructor.get(f"/api/sheets/{sheet}")["original"]["not_read"]
    seen = [(one["at"], one["asked"], one["looked_at"]) for one in told]
    assert seen == [([30.0, 40.0], True, False), (None, False, False)]
    path = f"/api/sheets/{sheet}/original/not-read"
    for looked in (True, True):
        answer = instructor.send("PUT", f"{path}/0", json={"looked_at": looked})
        assert answer.status_code == 200, answer.text
    assert [one["looked_at"] for one in answer.json()["original"]["not_read"]] == [True, False]
    again = instructor.send("PUT", f"{path}/0", json={"looked_at": False}).json()
    assert [one["looked_at"] for one in again["original"]["not_read"]] == [False, False]
    assert instructor.status("PUT", f"{path}/2", json={"looked_at": True}) == 404


def test_a_correction_is_kept_judged_and_taken_back(sheet: int, instructor: Person) -> None:
    """A size is put right in place; what was decided about the rest stays; then all is as it was handed in."""
    path = f"/api/sheets/{sheet}/correction"
    before = instructor.get(f"/api/sheets/{sheet}")
    lines = next(f for f in before["findings"] if f["rule"] == "lines.missing-visible")
    decided = instructor.send(
        "PUT", f"/api/sheets/{sheet}/findings/{lines['number']}", json={"decision": "waived", "remark": "smudged"}
    )
    assert decided.status_code == 200, decided.text
    draft = instructor.get(path)
    assert (draft["revision"], draft["saved_at"], draft["state"]) == (0, None, "draft")
    sizes = draft["document"]["dimensions"]
    wrong = [{**sizes[0], "text": "999"}, *sizes[1:]]
    kept = instructor.send("PUT", path, json={"document": draft["document"] | {"dimensions": wrong}, "base": 0})
    assert kept.status_code == 200, kept.text
    assert instructor.status("PUT", path, json={"document": draft["document"], "base": 0}) == 409
    # What is under way changes nothing yet.
    assert rules(instructor.get(f"/api/sheets/{sheet}")) == rules(before)
    assert instructor.get(path)["document"]["dimensions"][0]["text"] == "999"
    body = {"document": kept.json()["document"], "base": 1}
    judged = instructor.send("POST", f"{path}/judge", json=body)
    assert judged.status_code == 200, judged.text
    answer = judged.json()
    assert "dimensions.value" in rules(answer)
    assert answer["corrected_at"] is not None
    assert answer["changed"]["corrected"] is True
    assert answer["receipt"] == before["receipt"]
    same = next(f for f in answer["findings"] if f["rule"] == "lines.missing-visible")
    assert (same["decision"], same["remark"]) == ("waived", "smudged")
    # Another tab that still has what was before is told so.
    assert instructor.status("POST", f"{path}/judge", json=body) == 409
    for _ in range(2):
        back = instructor.send("DELETE", path)
        assert back.status_code == 200, back.text
    assert rules(back.json()) == rules(before)
    assert back.json()["corrected_at"] is None
    same = next(f for f in back.json()["findings"] if f["rule"] == "lines.missing-visible")
    assert same["decision"] == "waived"


def test_an_instructor_says_whether_a_sheet_is_drawn_by_hand(sheet: int, instructor: Person) -> None:
    """Its lines are within a millimetre then, instead of a third of one."""
    path = f"/api/sheets/{sheet}/correction"
    assert instructor.get(f"/api/sheets/{sheet}")["original"]["picture"] is True
    draft = instructor.get(path)
    view = next(own for own in draft["document"]["views"] if own["kind"] == "principal")
    level = [own for own in view["lines"] if own["kind"] == "line" and own["points"][0][1] == own["points"][1][1]]
    line = max(level, key=lambda own: abs(own["points"][0][0] - own["points"][1][0]))
    # The part is in inches.
    beside = [[x, y + 0.6 / 25.4 / view["scale"]] for x, y in line["points"]]
    lines = [own | {"points": beside} if own == line else own for own in view["lines"]]
    views = [own | {"lines": lines} if own == view else own for own in draft["document"]["views"]]
    revision, told = draft["revision"], {}
    for by_hand in (False, True):
        document = draft["document"] | {"views": views, "by_hand": by_hand}
        kept = instructor.send("PUT", path, json={"document": document, "base": revision}).json()
        judged = instructor.send("POST", f"{path}/judge", json={"document": kept["document"], "base": kept["revision"]})
        assert judged.status_code == 200, judged.text
        told[by_hand], revision = [f["message"] for f in judged.json()["findings"]], instructor.get(path)["revision"]
    assert set(told[False]) > set(told[True])
    assert instructor.status("DELETE", path) == 200


def test_a_sheet_without_views_is_no_correction(sheet: int, instructor: Person) -> None:
    path = f"/api/sheets/{sheet}/correction"
    draft = instructor.get(path)
    empty = draft["document"] | {"views": [], "dimensions": [], "marks": []}
    body = {"document": empty, "base": draft["revision"]}
    assert instructor.status("POST", f"{path}/judge", json=body) == 422


def test_the_bench_of_a_correction_draws_and_reads_as_that_sheet_needs(
    sheet: int, instructor: Person, log_in: LogIn, database: Database
) -> None:
    document = instructor.get(f"/api/sheets/{sheet}/correction")["document"]
    exercise, other = exercise_id(database, "Pedal hinge"), exercise_id(database, "Warp-beam bearing")
    body = {"document": document}
    for route in ("ink", "reading", "sheet/correction"):
        assert instructor.status("POST", f"/api/exercises/{exercise}/{route}?sheet={sheet}", json=body) == 200
        assert instructor.status("POST", f"/api/exercises/{other}/{route}?sheet={sheet}", json=body) == 404
        assert log_in(WHO).status("POST", f"/api/exercises/{exercise}/{route}?sheet={sheet}", json=body) == 404


def test_what_was_drawn_here_or_is_returned_is_not_corrected(
    sheet: int, instructor: Person, database: Database
) -> None:
    with database.transaction() as session:
        kept = select(OriginalRecord.student_id)
        drawn = select(SheetRecord.id).where(SheetRecord.state == "handed-in", SheetRecord.student_id.not_in(kept))
        here = session.scalars(drawn).first()
    assert instructor.status("GET", f"/api/sheets/{here}/correction") == 404
    with database.transaction() as session:
        session.get_one(SheetRecord, sheet).state = "returned"
    assert instructor.status("GET", f"/api/sheets/{sheet}/correction") == 409
    assert instructor.status("DELETE", f"/api/sheets/{sheet}/correction") == 409
    with database.transaction() as session:
        session.get_one(SheetRecord, sheet).state = "handed-in"
