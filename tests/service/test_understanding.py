"""What a class has not understood: counted, and compared with what came back; marks as tables."""

import csv
import io
from typing import Any

from hypothesis import given
from hypothesis import strategies as st
from openpyxl import load_workbook

from maqueta.service.marking.understanding import Delivered, over_time
from tests.service.test_marks import sent, set_one
from tests.service.test_round import FAULTLESS, NO_HIDDEN, deliver
from tests.world import LogIn, Person


def sheet(number: int, student: int, exercise: int, *broken: str, returned: bool = True) -> Delivered:
    return Delivered(number, student, exercise, returned, frozenset(broken))


def test_what_came_back_and_was_not_done_again_has_improved() -> None:
    found = over_time(
        [
            sheet(1, 1, 10, "lines.extra", "title.missing"),
            sheet(2, 1, 20, "title.missing"),
            sheet(3, 2, 10, "lines.extra"),
            sheet(4, 2, 30, "lines.extra", returned=False),
            # Not given back yet, so nothing was told.
            sheet(5, 3, 10, "lines.extra", returned=False),
            sheet(6, 3, 20),
        ],
        [10, 20, 30],
    )
    assert [(own.rule, own.times) for own in found] == [("lines.extra", 4), ("title.missing", 2)]
    extra, title = found
    assert (extra.improved, extra.again) == ((1,), (2,))
    assert (title.improved, title.again) == ((), (1,))
    assert extra.sheets == {10: (1, 3, 5), 30: (4,)}


SHEETS = st.lists(
    st.tuples(st.integers(1, 4), st.integers(1, 4), st.booleans(), st.frozensets(st.sampled_from("abc"))),
    max_size=12,
    unique_by=lambda own: (own[0], own[1]),
)


@given(SHEETS, st.randoms())
def test_no_order_matters_and_nobody_is_counted_twice(entries: Any, random: Any) -> None:
    sheets = [Delivered(n, student, e, back, broken) for n, (student, e, back, broken) in enumerate(entries)]
    before = over_time(sheets, [1, 2, 3, 4])
    random.shuffle(sheets)
    after = over_time(sheets, [1, 2, 3, 4])
    assert [(r.rule, r.times, set(r.improved), set(r.again)) for r in after] == [
        (r.rule, r.times, set(r.improved), set(r.again)) for r in before
    ]
    for own in after:
        assert not set(own.improved) & set(own.again)
        assert own.times == sum(own.rule in entry.broken for entry in sheets)


def test_a_class_and_each_student_see_what_to_learn(log_in: LogIn, instructor: Person) -> None:
    first = set_one(instructor, "To learn, 1", due_at="2098-01-01T20:00:00Z")
    second = set_one(instructor, "To learn, 2", due_at="2098-02-01T20:00:00Z")
    student = log_in("tor.brandvold")
    told = deliver(student, first, NO_HIDDEN)
    sent(instructor, "POST", f"/api/sheets/{told}/return")
    better = deliver(student, second, FAULTLESS)
    group = next(c["id"] for c in instructor.get("/api/classes") if c["name"] == "Evening 2")
    learned = instructor.get(f"/api/classes/{group}/understanding")
    titles = [own["title"] for own in learned["exercises"]]
    assert titles.index("To learn, 1") < titles.index("To learn, 2")
    row = next(own for own in learned["rules"] if own["rule"] == "lines.missing-hidden")
    assert row["sheets"][str(first)] == [told]
    tor = next(own["id"] for own in learned["students"] if own["name"] == "Tor Brandvold")
    assert tor in row["improved"]
    assert not next(m for m in student.get("/api/me/progress")["mistakes"] if m["rule"] == row["rule"])["now_right"]
    sent(instructor, "POST", f"/api/sheets/{better}/return")
    own = student.get("/api/me/progress")
    assert own["sheets"][0]["title"] == "To learn, 2"
    assert next(m for m in own["mistakes"] if m["rule"] == row["rule"])["now_right"]
    assert log_in("ines.corvalho").status("GET", "/api/me/progress") == 404


def test_marks_leave_in_the_columns_chosen_once(log_in: LogIn, instructor: Person) -> None:
    exercise = set_one(instructor, "Marks; out", {"attempts": 2})
    deliver(log_in("dina.farouk"), exercise, NO_HIDDEN)
    group = next(c["id"] for c in instructor.get("/api/classes") if c["name"] == "Evening 2")
    path = f"/api/classes/{group}/marks-out"
    assert instructor.get(path)["columns"][0] == "family"
    chosen = {"columns": ["family", "given", "points", "percent", "state"], "separator": ";", "decimal_comma": True}
    sent(instructor, "PUT", path, chosen)
    data = instructor.send("GET", f"/api/exercises/{exercise}/marks.csv").content
    rows = list(csv.reader(io.StringIO(data.decode("utf-8-sig")), delimiter=";"))
    assert rows[0] == ["Family name", "Given name", "Points", "Percent", "State"]
    assert ["Farouk", "Dina", "28", "93,3", "handed in"] in rows
    assert ["Oduya", "Kemi", "0", "0", ""] in rows, "what is not delivered earns nothing"
    assert len(rows) == 13
    book = load_workbook(io.BytesIO(instructor.send("GET", f"/api/exercises/{exercise}/marks.xlsx").content))
    cells = [[cell.value for cell in row] for row in book.worksheets[0].iter_rows()]
    assert ["Farouk", "Dina", 28, 93.3, "handed in"] in cells
    whole = instructor.send("GET", f"/api/classes/{group}/marks.csv").content.decode("utf-8-sig")
    table = list(csv.reader(io.StringIO(whole), delimiter=";"))
    place = table[0].index("Marks; out")
    dina = next(row for row in table if row[0] == "Farouk")
    assert (dina[place], table[0][:2], table[0][-1]) == ("28", ["Family name", "Given name"], "Sum")
    assert log_in("dina.farouk").status("GET", f"/api/classes/{group}/marks.csv") == 404
