"""Schemes of marks, marks by hand, added findings, pins, the bank of remarks, attempts, receipts, time."""

import hashlib
import json
from datetime import UTC, datetime, timedelta
from typing import Any

import pytest

from maqueta.store.database import Database
from maqueta.store.models import ExerciseRecord
from tests.judging.test_likeness import by_hand
from tests.service.test_round import FAULTLESS, NO_HIDDEN, TASK, body, deliver
from tests.world import LogIn, Person


def set_one(instructor: Person, title: str, task: dict[str, Any] | None = None, **more: Any) -> int:
    """An exercise on the reed clamp for the demo's class."""
    parts = {part["name"]: part["id"] for part in instructor.get("/api/parts")["parts"]}
    form = {
        "part": parts["Reed clamp"],
        "school_class": instructor.get("/api/classes")[0]["id"],
        "title": title,
        "due_at": "2099-01-01T20:00:00Z",
        "task": TASK.model_dump(mode="json") | (task or {}),
    }
    made = instructor.send("POST", "/api/exercises", json=form | more)
    assert made.status_code == 201, made.text
    return int(made.json()["id"])


def sent(person: Person, method: str, path: str, json: Any = None) -> Any:
    answer = person.send(method, path, json=json)
    assert answer.status_code in (200, 201), answer.text
    return answer.json()


@pytest.fixture
def exercise(instructor: Person) -> int:
    return set_one(instructor, "Marked")


def test_all_marks_follow_a_scheme_and_who_changed_it_is_kept(log_in: LogIn, instructor: Person, exercise: int) -> None:
    sheet = deliver(log_in("dina.farouk"), exercise, NO_HIDDEN)
    path = f"/api/exercises/{exercise}/scheme"
    scheme = instructor.get(path)["scheme"]
    assert instructor.get(f"/api/sheets/{sheet}")["points"] == 28
    costly = scheme | {"marking": scheme["marking"] | {"costs": {"lines.missing-hidden": 3.5}, "rounding": "whole"}}
    (moved,) = sent(instructor, "POST", f"{path}/trial", costly)
    assert (moved["before"], moved["after"]) == (28, 27), "30 - 3.5, to whole points"
    assert instructor.get(f"/api/sheets/{sheet}")["points"] == 28, "a trial changes nothing"
    (change,) = sent(instructor, "PUT", path, costly)["changes"]
    assert change["who"] == "Ines Corvalho"
    assert (change["before"], change["after"]) == (scheme, costly)
    assert instructor.get(f"/api/sheets/{sheet}")["points"] == 27
    assert len(sent(instructor, "PUT", path, costly)["changes"]) == 1, "what is so already is no change"
    graded = costly | {"marking": costly["marking"] | {"grades": instructor.get(path)["letters"]}}
    sent(instructor, "PUT", path, graded)
    assert instructor.get(f"/api/sheets/{sheet}")["grade"] == "A"
    unknown = scheme | {"marking": scheme["marking"] | {"costs": {"lines.never": 1}}}
    refused = instructor.send("PUT", path, json=unknown)
    assert refused.status_code == 422
    assert "lines.never" in refused.json()["message"]


def test_ways_of_marking_are_kept_by_name(log_in: LogIn, instructor: Person, exercise: int) -> None:
    scheme = instructor.get(f"/api/exercises/{exercise}/scheme")["scheme"]
    kept = sent(instructor, "POST", "/api/scheme-templates", {"name": "Strict", "scheme": scheme})
    again = sent(instructor, "POST", "/api/scheme-templates", {"name": "Strict", "scheme": scheme | {"error_cost": 3}})
    assert again["id"] == kept["id"]
    (own,) = instructor.get("/api/scheme-templates")
    assert own["scheme"]["error_cost"] == 3
    assert sent(instructor, "DELETE", f"/api/scheme-templates/{kept['id']}") == {"number": 1}
    assert instructor.get("/api/scheme-templates") == []
    assert instructor.status("DELETE", f"/api/scheme-templates/{kept['id']}") == 404


def test_what_a_person_adds_and_gives_stands_beside_what_was_found(
    log_in: LogIn, instructor: Person, exercise: int
) -> None:
    student = log_in("dina.farouk")
    path = f"/api/sheets/{deliver(student, exercise, NO_HIDDEN)}"
    added = {
        "key": "own-key-1",
        "criterion": "title",
        "words": "The date is next year's.",
        "cost": 1.5,
        "at": [300.0, 20.0],
    }
    shown = sent(instructor, "POST", f"{path}/added", added)
    assert shown["points"] == 26.5
    (own,) = shown["added"]
    assert (own["words"], own["at"]) == ("The date is next year's.", [300.0, 20.0])
    assert len(shown["findings"]) == 1, "it is none of the program's"
    given = sent(instructor, "PUT", f"{path}/marks/lines", {"points": 4})
    lines = next(m for m in given["marks"] if m["criterion"] == "lines")
    assert (lines["points"], lines["given"], given["points"]) == (2, 4, 28.5)
    assert instructor.status("PUT", f"{path}/marks/lines", json={"points": 99}) == 422
    assert instructor.status("PUT", f"{path}/marks/bonus", json={"points": 1}) == 422, "the scheme knows no bonus"
    assert sent(instructor, "PUT", f"{path}/marks/lines", {"points": None})["points"] == 26.5
    pinned = sent(instructor, "POST", f"{path}/pins", {"key": "own-pin-1", "points": [[50, 50]], "words": "Neat."})
    stroked = sent(instructor, "POST", f"{path}/pins", {"key": "own-pin-2", "points": [[10, 10], [20, 12], [30, 10]]})
    assert [len(pin["points"]) for pin in stroked["pins"]] == [1, 3]
    assert len(sent(instructor, "DELETE", f"{path}/pins/{pinned['pins'][0]['id']}")["pins"]) == 1
    assert student.get(path)["added"] == [], "nothing is told before it is returned"
    assert student.get(path)["pins"] == []
    sent(instructor, "POST", f"{path}/return")
    told = student.get(path)
    assert (told["points"], len(told["added"]), len(told["pins"])) == (26.5, 1, 1)
    for method, end in (("POST", "/added"), ("POST", "/pins"), ("DELETE", f"/added/{own['id']}")):
        assert (
            instructor.status(
                method, path + end, json=added if end == "/added" else {"key": "own-pin-3", "points": [[1, 1]]}
            )
            == 409
        )
    assert student.status("POST", f"{path}/added", json=added) == 404


def test_a_student_answers_a_finding_once_it_is_told(log_in: LogIn, instructor: Person, exercise: int) -> None:
    student = log_in("dina.farouk")
    path = f"/api/sheets/{deliver(student, exercise, NO_HIDDEN)}"
    assert student.status("PUT", f"{path}/findings/0/answer", json={"answer": "But why?"}) == 404
    sent(instructor, "POST", f"{path}/return")
    assert sent(student, "PUT", f"{path}/findings/0/answer", {"answer": "But why?"})["findings"][0]["answer"]
    assert instructor.get(path)["findings"][0]["answer"] == "But why?"
    assert log_in("kemi.oduya").status("PUT", f"{path}/findings/0/answer", json={"answer": "Me too"}) == 404


def test_the_bank_fills_itself_with_what_was_written(log_in: LogIn, instructor: Person, exercise: int) -> None:
    path = f"/api/sheets/{deliver(log_in('dina.farouk'), exercise, NO_HIDDEN)}"
    for words in ("Dash them.", "Dash them."):
        sent(instructor, "PUT", f"{path}/findings/0", {"decision": "upheld", "remark": words})
    added = {"key": "own-key-1", "criterion": "title", "words": "Letter it larger.", "cost": 0}
    sent(instructor, "POST", f"{path}/added", added)
    assert len(sent(instructor, "POST", f"{path}/added", added)["added"]) == 1, "sent twice, it is added once"
    sent(instructor, "POST", f"{path}/added", added | {"key": "own-key-2"})
    bank = {entry["words"]: entry["times"] for entry in instructor.get("/api/remarks")}
    assert (bank["Letter it larger."], bank["Dash them."]) == (2, 1)
    told = [entry["words"] for entry in instructor.get("/api/remarks?rule=lines.missing-hidden")]
    assert told.index("Dash them.") < told.index("Letter it larger."), "what was said of the same rule comes first"


def test_part_of_a_group_is_decided_and_what_has_changed_is_left(
    log_in: LogIn, instructor: Person, exercise: int
) -> None:
    sheets = [deliver(log_in(login), exercise, NO_HIDDEN) for login in ("dina.farouk", "kemi.oduya", "rosa.quispe")]
    wall = instructor.get(f"/api/exercises/{exercise}/wall")
    (share,) = {finding["share"] for sheet in wall["sheets"] for finding in sheet["findings"]}
    places = [{"sheet": sheet, "number": 0, "share": share} for sheet in sheets]
    path = f"/api/exercises/{exercise}/decisions"
    assert sent(instructor, "POST", path, {"findings": places[:2], "decision": "waived"}) == {"number": 2, "left": 0}
    sent(instructor, "POST", f"/api/sheets/{sheets[2]}/return")
    others = [*places[1:], {"sheet": sheets[0], "number": 0, "share": "another mistake"}]
    assert sent(instructor, "POST", path, {"findings": others, "decision": "upheld"}) == {"number": 1, "left": 2}
    stands = {
        s["id"]: s["findings"][0]["decision"] for s in instructor.get(f"/api/exercises/{exercise}/wall")["sheets"]
    }
    assert stands == {sheets[0]: "waived", sheets[1]: "upheld", sheets[2]: None}


def test_every_change_on_the_wall_is_news(log_in: LogIn, instructor: Person, exercise: int) -> None:
    def news() -> int:
        return int(instructor.get(f"/api/exercises/{exercise}/news")["number"])

    before = news()
    path = f"/api/sheets/{deliver(log_in('dina.farouk'), exercise, NO_HIDDEN)}"
    for method, end, form in (
        ("PUT", "/findings/0", {"decision": "upheld"}),
        ("PUT", "/remark", {"remark": "Well."}),
        ("POST", "/pins", {"key": "own-pin-3", "points": [[1, 1]]}),
        ("POST", "/return", None),
    ):
        sent(instructor, method, path + end, form)
    assert news() == before + 5


@pytest.mark.parametrize(("counts", "counted"), [("best", 30), ("last", 28), ("mean", 29)])
def test_attempts_are_kept_and_one_of_them_counts(
    log_in: LogIn, instructor: Person, counts: str, counted: float
) -> None:
    exercise = set_one(instructor, "Again", {"attempts": 2, "counts": counts})
    student = log_in("dina.farouk")
    path = f"/api/exercises/{exercise}/sheet"
    first = deliver(student, exercise, FAULTLESS)
    sent(instructor, "POST", f"/api/sheets/{first}/return")
    assert student.status("GET", f"/api/exercises/{exercise}/answer/drawing.svg") == 403, "there is an attempt left"
    begun = sent(student, "POST", f"{path}/attempt")
    assert (begun["attempt"], begun["state"], begun["attempts_left"]) == (2, "draft", 0)
    assert student.status("POST", f"{path}/attempt") == 409, "it is under way"
    handed = sent(student, "POST", f"{path}/hand-in", body(NO_HIDDEN, begun["revision"]))
    assert handed["id"] != first
    (pinned,) = instructor.get(f"/api/exercises/{exercise}/wall")["sheets"]
    assert [(a["sheet"], a["points"]) for a in pinned["attempts"]] == [(first, 30), (handed["id"], 28)]
    assert (pinned["id"], pinned["counting"]) == (handed["id"], counted)
    sent(instructor, "POST", f"/api/sheets/{handed['id']}/return")
    listed = next(e for e in student.get("/api/exercises") if e["id"] == exercise)
    assert (listed["points"], listed["attempts_left"]) == (counted, 0)
    assert student.status("POST", f"{path}/attempt") == 409
    assert student.status("GET", f"/api/exercises/{exercise}/answer/drawing.svg") == 200


def test_giving_back_the_last_attempt_gives_back_those_before(log_in: LogIn, instructor: Person) -> None:
    exercise = set_one(instructor, "Both at once", {"attempts": 2})
    student = log_in("dina.farouk")
    first = deliver(student, exercise, NO_HIDDEN)
    begun = sent(student, "POST", f"/api/exercises/{exercise}/sheet/attempt")
    path = f"/api/exercises/{exercise}/sheet/hand-in"
    second = sent(student, "POST", path, body(FAULTLESS, begun["revision"]))["id"]
    assert sent(instructor, "POST", f"/api/exercises/{exercise}/return") == {"number": 2}
    assert [student.get(f"/api/sheets/{sheet}")["state"] for sheet in (first, second)] == ["returned", "returned"]


def test_a_receipt_shows_what_came_and_when(log_in: LogIn, instructor: Person, exercise: int) -> None:
    student = log_in("dina.farouk")
    handed = sent(student, "POST", f"/api/exercises/{exercise}/sheet/hand-in", body(NO_HIDDEN, 0))
    text = json.dumps(handed["document"], sort_keys=True, separators=(",", ":"), ensure_ascii=False)
    assert handed["receipt"] == hashlib.sha256(text.encode()).hexdigest()
    (shown,) = [r for r in instructor.get(f"/api/receipts/{handed['receipt']}") if r["sheet"] == handed["id"]]
    assert (shown["student"], shown["handed_in_at"]) == ("Dina Farouk", handed["handed_in_at"])
    assert shown["unchanged"]
    others = log_in("kemi.oduya").get(f"/api/receipts/{handed['receipt']}")
    assert {own["student"] for own in others} <= {"Kemi Oduya"}, "an equal sheet of her own, if any"
    assert student.get(f"/api/receipts/{'0' * 64}") == []


def ago(**time: float) -> str:
    return (datetime.now(UTC) - timedelta(**time)).isoformat()


def test_nothing_is_seen_before_it_opens_nor_taken_after_it_closes(log_in: LogIn, instructor: Person) -> None:
    student = log_in("dina.farouk")
    unopened = set_one(instructor, "Tomorrow", opens_at=ago(days=-1))
    assert student.status("GET", f"/api/exercises/{unopened}") == 404
    unset = set_one(instructor, "Not yet", draft=True)
    assert student.status("GET", f"/api/exercises/{unset}") == 404
    assert instructor.get(f"/api/exercises/{unset}")["draft"]
    closed = set_one(instructor, "Over", {"course": "test"}, opens_at=ago(hours=3), closes_at=ago(hours=1))
    path = f"/api/exercises/{closed}/sheet"
    assert student.status("PUT", path, json=body(FAULTLESS, 0)) == 403
    refused = student.send("POST", f"{path}/hand-in", json=body(FAULTLESS, 0))
    assert refused.status_code == 403
    assert "closed" in refused.json()["message"]
    dina = next(m["id"] for m in instructor.get(f"/api/exercises/{closed}/wall")["missing"] if "Dina" in m["student"])
    sent(instructor, "PUT", f"/api/exercises/{closed}/more-time/{dina}", {"minutes": 90})
    told = student.get(f"/api/exercises/{closed}")
    assert told["more_minutes"] == 90
    assert student.status("PUT", path, json=body(FAULTLESS, 0)) == 200
    assert log_in("kemi.oduya").status("PUT", path, json=body(FAULTLESS, 0)) == 403


def test_what_comes_with_the_last_breath_of_a_connection_is_late(log_in: LogIn, instructor: Person) -> None:
    exercise = set_one(instructor, "Test", {"course": "test"}, closes_at=ago(minutes=5), due_at=ago(minutes=5))
    deliver(log_in("dina.farouk"), exercise, FAULTLESS)
    (pinned,) = instructor.get(f"/api/exercises/{exercise}/wall")["sheets"]
    assert pinned["late"]


def test_late_sheets_lose_what_the_scheme_says(log_in: LogIn, instructor: Person, database: Database) -> None:
    late = {"marking": {"late": {"per_day": 10, "free_hours": 1}}}
    exercise = set_one(instructor, "Late", late, due_at=ago(hours=30))
    sheet = deliver(log_in("dina.farouk"), exercise, FAULTLESS)
    told = instructor.get(f"/api/sheets/{sheet}")
    assert (told["late_loss"], told["points"]) == (6, 24), "two days begun, a tenth of thirty each"
    with database.transaction() as session:
        record = session.get_one(ExerciseRecord, exercise)
        record.due_at += timedelta(hours=40)
    assert instructor.get(f"/api/sheets/{sheet}")["points"] == 30


@pytest.mark.parametrize(
    ("task", "looks"),
    [
        ({"course": "practice"}, [None, None, None]),
        ({"course": "homework", "checks": 2, "checks_tell": "criteria"}, [1, 0, 403]),
        ({"course": "test", "checks": 5}, [403]),
    ],
)
def test_looks_before_handing_in(log_in: LogIn, instructor: Person, task: Any, looks: list[int | None]) -> None:
    exercise = set_one(instructor, "Looked at", task)
    student = log_in("dina.farouk")
    path = f"/api/exercises/{exercise}/sheet"
    sent(student, "PUT", path, body(NO_HIDDEN, 0))
    for left in looks:
        answer = student.send("POST", f"{path}/check")
        if left == 403:
            assert answer.status_code == 403
            continue
        told = answer.json()
        assert (told["checks_left"], told["criteria"]) == (left, ["lines"])
        assert len(told["findings"]) == (1 if task["course"] == "practice" else 0), "a hint names the criterion only"


def test_near_copies_are_pointed_out_to_the_instructor_alone(
    log_in: LogIn, instructor: Person, asked: list[str]
) -> None:
    exercise = set_one(instructor, "Copied")
    own = by_hand(5)
    deliver(log_in("dina.farouk"), exercise, own)
    deliver(log_in("kemi.oduya"), exercise, own)
    deliver(log_in("rosa.quispe"), exercise, by_hand(6))
    path = f"/api/exercises/{exercise}/near-copies"
    asked.clear()
    (pair,) = instructor.get(path)
    assert len([statement for statement in asked if "sheet.document" in statement]) == 1, "of all sheets at once"
    assert {pair["first_student"], pair["second_student"]} == {"Dina Farouk", "Kemi Oduya"}
    assert pair["bits"] > 40
    assert log_in("dina.farouk").status("GET", path) == 404


def test_every_rule_gives_its_reasons_with_right_and_wrong(log_in: LogIn, instructor: Person) -> None:
    told = log_in("dina.farouk").get("/api/rules/lines.missing-hidden/reasons")
    assert told["why"].startswith("Without them nobody knows whether a hole goes through")
    examples = told["examples"]
    assert examples["right"]["at"] == []
    assert len(examples["wrong"]["at"]) == 4
    assert len(instructor.get("/api/rules/reasons")) == len(instructor.get("/api/rules"))
    assert instructor.status("GET", "/api/rules/lines.never/reasons") == 404


def test_how_often_people_let_a_rule_pass_is_told(log_in: LogIn, instructor: Person, exercise: int) -> None:
    before = next(r for r in instructor.get("/api/rules") if r["id"] == "lines.missing-hidden")
    sheet = deliver(log_in("dina.farouk"), exercise, NO_HIDDEN)
    sent(instructor, "PUT", f"/api/sheets/{sheet}/findings/0", {"decision": "waived"})
    after = next(r for r in instructor.get("/api/rules") if r["id"] == "lines.missing-hidden")
    assert (after["found"], after["waived"]) == (before["found"] + 1, before["waived"] + 1)
