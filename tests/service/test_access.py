"""Who may see and do what; everything else is a 404."""

from typing import Any

import pytest
from fastapi.testclient import TestClient
from sqlalchemy import select

from maqueta.store.database import Database
from maqueta.store.models import Account, SheetRecord
from tests.world import LogIn, Person


def sheet_of(database: Database, login: str, state: str | None = None) -> int:
    with database.transaction() as session:
        query = select(SheetRecord.id).join(Account).where(Account.login == login)
        if state:
            query = query.where(SheetRecord.state == state)
        return session.scalars(query).first() or 0


@pytest.mark.parametrize("path", ["", "/drawing.svg", "/drawing.pdf", "/drawing.dxf"])
def test_a_student_gets_404_for_anothers_sheet(log_in: LogIn, database: Database, path: str) -> None:
    student = log_in("dina.farouk")
    assert student.status("GET", f"/api/sheets/{sheet_of(database, 'kemi.oduya')}{path}") == 404
    assert student.status("GET", f"/api/sheets/{sheet_of(database, 'dina.farouk')}{path}") == 200


@pytest.mark.parametrize(
    ("method", "path", "body"),
    [
        ("PUT", "/api/sheets/{id}/findings/0", {"decision": "waived"}),
        ("PUT", "/api/sheets/{id}/remark", {"remark": "mine"}),
        ("POST", "/api/sheets/{id}/return", None),
        ("GET", "/api/exercises/1/wall", None),
        ("POST", "/api/exercises/1/decisions", {"share": "x", "decision": "waived"}),
        ("POST", "/api/exercises/1/return", None),
        ("GET", "/api/parts", None),
        ("GET", "/api/classes", None),
        ("GET", "/api/people", None),
    ],
)
def test_students_cannot_review_even_their_own_sheet(
    log_in: LogIn, database: Database, method: str, path: str, body: Any
) -> None:
    own = sheet_of(database, "dina.farouk", "handed-in")
    assert log_in("dina.farouk").status(method, path.format(id=own), json=body) == 404


def test_instructors_do_not_see_drafts_nor_people(instructor: Person, database: Database) -> None:
    assert instructor.status("GET", f"/api/sheets/{sheet_of(database, 'iker.valtierra', 'draft')}") == 404
    assert instructor.status("GET", "/api/people") == 404


def test_administrators_see_people_but_no_sheets(log_in: LogIn, database: Database) -> None:
    admin = log_in("otto.brandt")
    assert {"ines.corvalho", "otto.brandt", "kemi.oduya"} <= {person["login"] for person in admin.get("/api/people")}
    assert admin.status("GET", f"/api/sheets/{sheet_of(database, 'kemi.oduya')}") == 404
    assert admin.get("/api/exercises") == []


def test_students_see_only_parts_of_their_exercises(log_in: LogIn, instructor: Person) -> None:
    models = {part["name"]: part["model"] for part in instructor.get("/api/parts")["parts"]}
    student = log_in("dina.farouk")
    for path in ("", "/mesh", "/views?side=-y&up=%2Bz"):
        assert student.status("GET", f"/api/models/{models['Reed clamp']}{path}") == 200
        assert student.status("GET", f"/api/models/{models['Tension wheel']}{path}") == 404


def test_findings_and_remarks_stay_hidden_until_the_sheet_is_returned(log_in: LogIn, database: Database) -> None:
    before = log_in("dina.farouk").get(f"/api/sheets/{sheet_of(database, 'dina.farouk', 'handed-in')}")
    assert (before["reviewed"], before["findings"], before["marks"], before["remark"]) == (False, [], [], "")
    after = log_in("lena.achterberg").get(f"/api/sheets/{sheet_of(database, 'lena.achterberg', 'returned')}")
    assert after["reviewed"]
    assert [f["rule"] for f in after["findings"]] == ["lines.missing-hidden"]
    assert after["points"] == 28


def test_who_has_checked_a_sheet_stands_in_its_title_block_once_it_is_returned(
    log_in: LogIn, database: Database
) -> None:
    def drawn(login: str, state: str) -> str:
        answer = log_in(login).send("GET", f"/api/sheets/{sheet_of(database, login, state)}/drawing.svg")
        assert answer.status_code == 200
        return str(answer.text)

    assert "INES CORVALHO" in drawn("lena.achterberg", "returned")
    assert "INES CORVALHO" not in drawn("dina.farouk", "handed-in")


def test_who_is_logged_in_can_be_asked_by_anybody(app: Any, running: TestClient, log_in: LogIn) -> None:
    nobody = TestClient(app).get("/api/log-in")
    assert (nobody.status_code, nobody.json()) == (200, None)
    person = log_in("kemi.oduya")
    assert person.get("/api/log-in") == person.get("/api/me")


def test_without_log_in_everything_is_401(app: Any, running: TestClient) -> None:
    stranger = TestClient(app)
    for path in ("/api/me", "/api/exercises", "/api/sheets/1", "/api/models/1/mesh", "/api/jobs/1"):
        answer = stranger.get(path)
        assert answer.status_code == 401, path
        assert "log" in answer.json()["message"]


def test_changes_need_the_token(log_in: LogIn) -> None:
    student = log_in("iker.valtierra")
    draft = student.get("/api/exercises/1/sheet")
    body = {"document": draft["document"], "base": draft["revision"]}
    forged = student.client.put("/api/exercises/1/sheet", json=body, headers={"x-maqueta-token": "guessed"})
    assert forged.status_code == 403


def test_cookie_is_out_of_reach_of_scripts(app: Any, running: TestClient) -> None:
    client = TestClient(app)
    answer = client.post("/api/log-in", json={"login": "otto.brandt", "password": "loom-and-shuttle"})
    cookie = answer.headers["set-cookie"].lower()
    assert "httponly" in cookie
    assert "samesite=lax" in cookie
    assert "default-src 'self'" in answer.headers["content-security-policy"]
    assert answer.headers["x-content-type-options"] == "nosniff"


def test_guessing_passwords_is_slowed_down(app: Any, running: TestClient) -> None:
    client = TestClient(app)
    wrong = {"login": "nobody.atall", "password": "guess"}
    statuses = [client.post("/api/log-in", json=wrong).status_code for _ in range(8)]
    assert statuses == [401] * 6 + [429] * 2


def test_closed_account_is_logged_out_at_once(log_in: LogIn) -> None:
    admin = log_in("otto.brandt")
    new = {"login": "temp.person", "name": "Temp Person", "role": "student", "password": "loom-and-shuttle"}
    person = admin.send("POST", "/api/people", json=new).json()
    assert admin.status("POST", "/api/people", json=new) == 409
    guest = log_in("temp.person")
    assert guest.status("GET", "/api/exercises") == 403, "first a password of one's own is chosen"
    chosen = {"old": "loom-and-shuttle", "new": "warp-and-weft-77"}
    assert guest.send("POST", "/api/me/password", json=chosen).json()["must_change"] is False
    assert guest.get("/api/exercises") == []
    assert admin.status("PATCH", f"/api/people/{person['id']}", json={"active": False}) == 200
    assert guest.status("GET", "/api/exercises") == 401


def test_blank_names_and_passwords_of_blanks_are_refused(log_in: LogIn) -> None:
    admin = log_in("otto.brandt")
    new = {"login": "no.one", "name": "No One", "role": "student", "password": "loom-and-shuttle"}
    for wrong in ({"name": "   "}, {"password": " " * 10}, {"password": "aaaaaaaaaaaa"}, {"password": "short"}):
        assert admin.status("POST", "/api/people", json={**new, **wrong}) == 422, wrong


def test_own_password_is_changed_and_other_browsers_are_logged_out(log_in: LogIn, app: Any) -> None:
    admin = log_in("otto.brandt")
    new = {"login": "change.me", "name": "Change Me", "role": "student", "password": "loom-and-shuttle"}
    person = admin.send("POST", "/api/people", json=new).json()["id"]
    here, there = log_in("change.me"), log_in("change.me")
    wrong = {"old": "not-the-password", "new": "warp-and-weft-77"}
    assert here.status("POST", "/api/me/password", json=wrong) == 403
    same = {"old": "loom-and-shuttle", "new": "loom-and-shuttle"}
    assert here.status("POST", "/api/me/password", json=same) == 422
    assert here.status("POST", "/api/me/password", json={**wrong, "old": "loom-and-shuttle"}) == 200
    assert here.status("GET", "/api/exercises") == 200
    assert there.status("GET", "/api/me") == 401

    given = admin.send("POST", f"/api/people/{person}/password").json()["password"]
    assert len(given) == 17
    assert here.status("GET", "/api/me") == 401, "a password that was reset ends every log-in"
    client = TestClient(app)
    entered = client.post("/api/log-in", json={"login": "change.me", "password": given})
    assert entered.json()["must_change"] is True
    assert client.get("/api/exercises").status_code == 403


def test_the_owner_comes_in_while_others_guess_and_an_administrator_unlocks(log_in: LogIn, app: Any) -> None:
    owner = log_in("maya.okonedo")
    guesser = TestClient(app)
    guess = {"login": "maya.okonedo", "password": "a guess of theirs"}
    assert [guesser.post("/api/log-in", json=guess).status_code for _ in range(7)] == [401] * 6 + [429]
    right = {"login": "maya.okonedo", "password": "loom-and-shuttle"}
    assert owner.client.post("/api/log-in", json=right).status_code == 200, "from where she was before"
    elsewhere = TestClient(app)
    for _ in range(6):
        guesser.post("/api/log-in", json=guess)
    assert elsewhere.post("/api/log-in", json=right).status_code == 429
    admin = log_in("otto.brandt")
    person = next(p["id"] for p in admin.get("/api/people") if p["login"] == "maya.okonedo")
    assert admin.send("POST", f"/api/people/{person}/unlock").json()["number"] >= 6
    assert elsewhere.post("/api/log-in", json=right).status_code == 200


def test_a_second_instructor_decides_nothing_unseen(instructor: Person, log_in: LogIn) -> None:
    exercise = next(e for e in instructor.get("/api/exercises") if e["handed_in"])
    sheet = next(
        s
        for s in instructor.get(f"/api/exercises/{exercise['id']}/wall")["sheets"]
        if s["findings"] and s["state"] == "handed-in"
    )
    path = f"/api/sheets/{sheet['id']}/findings/{sheet['findings'][0]['number']}"
    before = sheet["findings"][0]["decision"] or "open"
    assert instructor.status("PUT", path, json={"decision": "waived", "seen": before}) == 200
    late = instructor.send("PUT", path, json={"decision": "upheld", "seen": before})
    assert (late.status_code, "waived" in late.json()["message"]) == (409, True)
    back = {"decision": None if before == "open" else before, "seen": "waived"}
    assert instructor.status("PUT", path, json=back) == 200


def test_what_is_changed_is_written_down_and_what_fails_is_not(log_in: LogIn) -> None:
    admin = log_in("otto.brandt")
    new = {"login": "noted.person", "name": "Noted Person", "role": "student", "password": "loom-and-shuttle"}
    made = admin.send("POST", "/api/people", json=new)
    person = made.json()["id"]
    assert admin.status("POST", "/api/people", json=new) == 409
    assert admin.status("PATCH", f"/api/people/{person}", json={"active": False}) == 200
    admin.get("/api/people")
    newest = admin.get("/api/deeds?most=2")
    assert [(deed["who"], deed["what"], deed["to_what"]) for deed in newest] == [
        ("otto.brandt", "PATCH /api/people/{person}", {"person": str(person)}),
        ("otto.brandt", "POST /api/people", {}),
    ]
    assert newest[1]["request"] == made.headers["x-request-number"]
    assert admin.get(f"/api/deeds?before={newest[1]['id']}&most=1")[0]["id"] < newest[1]["id"]
    assert log_in("dina.farouk").status("GET", "/api/deeds") == 404


def test_questions_and_drafts_are_no_deeds(log_in: LogIn, instructor: Person) -> None:
    admin, student = log_in("otto.brandt"), log_in("sara.lindqvist")
    before = admin.get("/api/deeds?most=1")
    # One that does not close: others of this database may have closed by now.
    begun = (e for e in student.get("/api/exercises") if e["sheet_state"] in (None, "draft"))
    exercise = next(e for e in begun if e["closes_at"] is None)
    path = f"/api/exercises/{exercise['id']}"
    draft = student.get(f"{path}/sheet")
    assert student.status("POST", f"{path}/ink", json={"document": draft["document"]}) == 200
    kept = {"document": draft["document"], "base": draft["revision"]}
    assert student.status("PUT", f"{path}/sheet", json=kept) == 200
    part = instructor.get("/api/parts")["parts"][0]["id"]
    asked = instructor.send("POST", "/api/exercises/starting-sheet", json={"part": part, "task": {}})
    assert asked.status_code == 200
    assert admin.get("/api/deeds?most=1") == before


def test_a_sheet_that_cannot_be_read_any_more_says_so(log_in: LogIn, instructor: Person, database: Database) -> None:
    """Kept by a version that allowed more: one sentence, and everything else goes on."""
    number = sheet_of(database, "dina.farouk", "handed-in")
    with database.transaction() as session:
        record = session.get(SheetRecord, number)
        assert record is not None
        sound = dict(record.document)
        line = {"kind": "line", "points": [[0, 0], [1, 1]]}
        record.document = {**sound, "views": [{**sound["views"][0], "lines": [line] * 4001}]}
    try:
        for person in (instructor, log_in("dina.farouk")):
            answer = person.send("GET", f"/api/sheets/{number}")
            assert answer.status_code == 409
            assert "4,000 of them or fewer" in answer.json()["message"]
            assert person.status("GET", "/api/exercises") == 200
        exercise = next(e for e in instructor.get("/api/exercises") if e["handed_in"])
        assert instructor.status("GET", f"/api/exercises/{exercise['id']}/wall") == 200
    finally:
        with database.transaction() as session:
            record = session.get(SheetRecord, number)
            assert record is not None
            record.document = sound
