"""What a school's administrator and people themselves may do with accounts, and instructors with classes."""

import hashlib
import json
from concurrent.futures import ThreadPoolExecutor
from typing import Any
from uuid import uuid4

import pytest
from fastapi.testclient import TestClient

from maqueta.service.people.browsers import browser_words
from maqueta.service.people.passwords import hashed
from maqueta.store.accounts import add_account
from maqueta.store.classes import enrol, students_of
from maqueta.store.database import Database
from maqueta.store.models import Account, Enrolment, SchoolClass, SheetRecord
from tests.demo_world import PASSWORD
from tests.reading.demo_files import demo_file
from tests.world import LogIn, Person

ABSENT = 404


@pytest.fixture(scope="module")
def known(database: Database) -> str:
    return hashed(PASSWORD)


def person_of(database: Database, known: str, role: str = "student", name: str = "Ada Lind") -> tuple[int, str]:
    """A new person; their number and log-in name."""
    login = f"p-{uuid4().hex[:12]}"
    with database.transaction() as session:
        return add_account(session, login, name, role, known).id, login  # type: ignore[arg-type]


def test_log_ins_are_listed_and_ended_one_by_one(log_in: LogIn, database: Database, known: str, app: object) -> None:
    _, login = person_of(database, known)
    first, second = log_in(login), log_in(login)
    listed = second.get("/api/me/log-ins")
    assert [entry["here"] for entry in listed] == [True, False]
    assert listed[0]["begun_at"].endswith("+00:00")
    assert second.status("DELETE", f"/api/me/log-ins/{listed[1]['id']}") == 200
    assert first.status("GET", "/api/me") == 401
    assert [entry["here"] for entry in second.get("/api/me/log-ins")] == [True]


def test_nobody_ends_anothers_log_in(log_in: LogIn, database: Database, known: str) -> None:
    one, other = log_in(person_of(database, known)[1]), log_in(person_of(database, known)[1])
    [theirs] = other.get("/api/me/log-ins")
    assert one.status("DELETE", f"/api/me/log-ins/{theirs['id']}") == ABSENT
    assert other.status("GET", "/api/me") == 200


def test_an_administrator_ends_all_log_ins_of_somebody(log_in: LogIn, database: Database, known: str) -> None:
    number, login = person_of(database, known)
    person, admin = log_in(login), log_in("otto.brandt")
    [listed] = admin.get(f"/api/people/{number}/log-ins")
    assert listed["here"] is False
    assert admin.send("DELETE", f"/api/people/{number}/log-ins").json() == {"number": 1}
    assert person.status("GET", "/api/me") == 401


@pytest.mark.parametrize(
    ("said", "words"),
    [
        ("Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0", "Firefox on Linux"),
        ("Mozilla/5.0 (Windows NT 10.0) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0 Safari/537.36 Edg/140.0",
         "Edge on Windows"),
        ("Mozilla/5.0 (Linux; Android 15) AppleWebKit/537.36 Chrome/140.0 Mobile Safari/537.36", "Chrome on Android"),
        ("Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X) Version/18.0 Safari/604.1", "Safari on iPhone"),
        ("curl", "a browser"),
        ("", "a browser"),
    ],
)  # fmt: skip
def test_browsers_are_told_in_words(said: str, words: str) -> None:
    assert browser_words(said) == words


def test_what_is_held_about_oneself_is_told_whole(log_in: LogIn, database: Database) -> None:
    student = log_in("dina.farouk")
    held = student.get("/api/me/held")["held"]
    assert (held["account"]["login"], held["account"]["role"]) == ("dina.farouk", "student")
    assert "password" not in json.dumps(held)
    with database.transaction() as session:
        who = session.query(Account).filter(Account.login == "dina.farouk").one()
        sheets = session.query(SheetRecord).filter(SheetRecord.student_id == who.id).order_by(SheetRecord.id).all()
        states = [sheet.state for sheet in sheets]
        assert [sheet["document"] for sheet in held["sheets"]] == [sheet.document for sheet in sheets]
        # Other tests may have taken her into more classes.
        enrolled = session.query(SchoolClass.name).join(Enrolment).filter(Enrolment.student_id == who.id)
        classes = {name for (name,) in enrolled}
    assert [sheet["state"] for sheet in held["sheets"]] == states
    assert "Evening 2" in classes
    assert set(held["classes"]) == classes
    for sheet in held["sheets"]:
        assert (sheet["findings"] is None) == (sheet["state"] != "returned"), "what is not returned is not told"
    admin = log_in("otto.brandt")
    assert admin.get(f"/api/people/{who.id}/held")["held"]["sheets"] == held["sheets"]
    asked = admin.get("/api/deeds?most=1")[0]
    assert (asked["who"], asked["to_what"]) == ("otto.brandt", {"person": str(who.id)}), "it is written down"
    assert asked["words"] == "Asked what is held of somebody"
    instructor = log_in("ines.corvalho")
    own = instructor.get("/api/me/held")["held"]
    assert len(own["parts"]) >= 20
    assert own["deeds"] is not None
    assert instructor.status("GET", f"/api/people/{who.id}/held") == ABSENT


def test_a_person_made_anonymous_is_found_nowhere_and_the_work_is_kept(
    log_in: LogIn, database: Database, known: str, app: Any
) -> None:
    number, login = person_of(database, known, name="Bran Uro")
    with database.transaction() as session:
        school_class = session.query(SchoolClass).first()
        assert school_class is not None
        assert enrol(session, school_class, [login]) == []
    person = log_in(login)
    exercise = person.get("/api/exercises")[0]["id"]
    draft = person.get(f"/api/exercises/{exercise}/sheet")["document"]
    fields = {**draft["title"]["fields"], "drafter": "bran uro", "title": "Clamp of Bran Uro"}
    draft |= {"name": "bran-uro-clamp", "title": {**draft["title"], "fields": fields}}
    saved = person.send("PUT", f"/api/exercises/{exercise}/sheet", json={"document": draft, "base": 0})
    assert saved.status_code == 200, saved.text
    drawn = demo_file("reed-clamp", "Bran Uro")
    brought = {"file": ("Bran Uro.dxf", drawn)}
    assert person.status("POST", f"/api/exercises/{exercise}/sheet/file", files=brought) == 200
    files, kept = app.state.world.files, hashlib.sha256(drawn).hexdigest()
    assert files.get(kept) == drawn

    admin = log_in("otto.brandt")
    answer = admin.send("POST", f"/api/people/{number}/anonymous").json()
    assert (answer["anonymous"], answer["active"]) == (True, False)
    assert person.status("GET", "/api/me") == 401
    with pytest.raises(FileNotFoundError):
        files.get(kept)
    held = json.dumps(admin.get(f"/api/people/{number}/held")).casefold()
    assert len(json.loads(held)["held"]["sheets"]) == 1
    for word in ("bran", "uro", login):
        assert word not in held.replace("europe", ""), word
    assert "bran uro" not in json.dumps(admin.get("/api/people")).casefold()
    with database.transaction() as session:
        assert number not in [student.id for student in students_of(session, school_class.id)], "nobody waits for more"
    # There is no way back, and none in.
    for method, path, body in (
        ("POST", "anonymous", None),
        ("POST", "password", None),
        ("PATCH", "", {"active": True}),
    ):
        where = f"/api/people/{number}/{path}".rstrip("/")
        assert admin.status(method, where, json=body) == 409


def test_nobody_makes_their_own_account_anonymous(log_in: LogIn) -> None:
    admin = log_in("otto.brandt")
    own = next(p["id"] for p in admin.get("/api/people") if p["login"] == "otto.brandt")
    assert admin.status("POST", f"/api/people/{own}/anonymous") == 409
    assert admin.status("GET", "/api/people") == 200


def test_an_instructor_makes_a_class_and_fills_it(log_in: LogIn, database: Database, known: str) -> None:
    instructor = log_in(person_of(database, known, "instructor")[1])
    assert instructor.get("/api/classes") == []
    made = instructor.send("POST", "/api/classes", json={"name": "  Second year  "}).json()
    assert (made["name"], made["students"]) == ("Second year", 0)
    one, two = person_of(database, known, name="Zoe A"), person_of(database, known, name="Abel Z")
    colleague = person_of(database, known, "instructor")[1]
    path = f"/api/classes/{made['id']}"
    logins = [one[1].upper(), f" {two[1]} ", one[1], "nobody.here", colleague]
    answer = instructor.send("POST", f"{path}/students", json={"logins": logins}).json()
    assert [student["name"] for student in answer["students"]] == ["Abel Z", "Zoe A"]
    assert answer["unknown"] == ["nobody.here", colleague], "that somebody is no student is not told"
    again = instructor.send("POST", f"{path}/students", json={"logins": [one[1]]}).json()
    assert len(again["students"]) == 2, "twice is once"
    assert instructor.send("PATCH", path, json={"name": "Third year"}).json()["students"] == 2
    assert [c["name"] for c in instructor.get("/api/classes")] == ["Third year"]
    assert instructor.status("DELETE", f"{path}/students/{one[0]}") == 200
    assert instructor.status("DELETE", f"{path}/students/{one[0]}") == ABSENT
    assert [s["id"] for s in instructor.get(path)["roll"]] == [two[0]]


def test_two_tabs_take_the_same_students_in_at_one_moment(log_in: LogIn, database: Database, known: str) -> None:
    login = person_of(database, known, "instructor")[1]
    tabs = [log_in(login) for _ in range(4)]
    made = tabs[0].send("POST", "/api/classes", json={"name": "Both at once"}).json()
    body = {"logins": [person_of(database, known)[1] for _ in range(5)]}
    with ThreadPoolExecutor(4) as at_once:
        answers = list(
            at_once.map(lambda tab: tab.send("POST", f"/api/classes/{made['id']}/students", json=body), tabs)
        )
    assert [answer.status_code for answer in answers] == [200] * 4
    assert all(len(answer.json()["students"]) == 5 for answer in answers)
    [shown] = tabs[0].get("/api/classes")
    assert shown["students"] == 5


def test_who_is_taken_in_and_out_is_written_down(log_in: LogIn, database: Database, known: str) -> None:
    instructor = log_in(person_of(database, known, "instructor")[1])
    made = instructor.send("POST", "/api/classes", json={"name": "Written down"}).json()
    number, login = person_of(database, known)
    instructor.send("POST", f"/api/classes/{made['id']}/students", json={"logins": [login]})
    instructor.send("DELETE", f"/api/classes/{made['id']}/students/{number}")
    deeds = log_in("otto.brandt").get("/api/deeds?most=3")
    assert [deed["words"] for deed in deeds] == [
        "Took a student out of a class",
        "Took students into a class",
        "Made a class",
    ]
    assert deeds[0]["to_what"] == {"class_id": str(made["id"]), "student_id": str(number)}


@pytest.mark.parametrize("body", [{"name": "   "}, {"name": "x" * 200}, {}])
def test_a_class_needs_a_name(instructor: Person, body: dict[str, str]) -> None:
    assert instructor.status("POST", "/api/classes", json=body) == 422


def test_a_class_is_its_instructors_alone(log_in: LogIn, instructor: Person, database: Database, known: str) -> None:
    other = log_in(person_of(database, known, "instructor")[1])
    student = log_in("dina.farouk")
    theirs = instructor.get("/api/classes")[0]
    for who in (other, student):
        assert who.status("GET", f"/api/classes/{theirs['id']}") == ABSENT
        assert who.status("PATCH", f"/api/classes/{theirs['id']}", json={"name": "Mine"}) == ABSENT
        assert who.status("POST", f"/api/classes/{theirs['id']}/students", json={"logins": ["kemi.oduya"]}) == ABSENT
    assert instructor.get("/api/classes")[0] == theirs


def test_who_must_choose_a_password_sees_nothing_held(app: object, database: Database, known: str) -> None:
    number, login = person_of(database, known)
    with database.transaction() as session:
        session.get_one(Account, number).must_change = True
    person = Person(TestClient(app), login)  # type: ignore[arg-type]
    assert person.status("GET", "/api/me/held") == 403
    assert person.status("GET", "/api/me") == 200
