"""Rosters: tables of any make are read, every row says what it will do, and people come into classes."""

import csv
import io
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st
from openpyxl import Workbook, load_workbook

from maqueta.phrases.told import ToldError
from maqueta.service.people.roster import Known, RosterRow, login_from, planned, rows_of
from maqueta.service.spreadsheet import table_of, written
from maqueta.store.accounts import add_account
from maqueta.store.database import Database
from maqueta.store.models import Account
from tests.service.test_marks import sent
from tests.world import LogIn, Person


def workbook(rows: list[list[Any]]) -> bytes:
    book = Workbook()
    sheet = book.create_sheet("People", 0)
    for row in rows:
        sheet.append(row)
    out = io.BytesIO()
    book.save(out)
    return out.getvalue()


PEOPLE = [["Name", "E-Mail"], ["Jürgen Größe", "j@x.org"], ['Ana "Nita" Peña', "a@x.org"]]


@pytest.mark.parametrize(
    "data",
    [
        'Name,E-Mail\r\nJürgen Größe,j@x.org\r\n"Ana ""Nita"" Peña",a@x.org\r\n'.encode(),
        'Name;E-Mail\nJürgen Größe;j@x.org\n"Ana ""Nita"" Peña";a@x.org'.encode("utf-8-sig"),
        'Name\tE-Mail\nJürgen Größe\tj@x.org\n"Ana ""Nita"" Peña"\ta@x.org\n'.encode("utf-16"),
        'Name;E-Mail\nJürgen Größe;j@x.org\n"Ana ""Nita"" Peña";a@x.org\n'.encode("cp1252"),
        'sep=;\nName;E-Mail\nJürgen Größe;j@x.org\n"Ana ""Nita"" Peña";a@x.org\n'.encode(),
        workbook([*PEOPLE, [None, None]]),
    ],
)
def test_tables_of_any_make_are_read_alike(data: bytes) -> None:
    assert table_of(data) == PEOPLE


def test_a_line_end_within_quotes_is_none() -> None:
    assert table_of(b'Name;Note\n"Ana";"two\nlines; and more"\n') == [["Name", "Note"], ["Ana", "two\nlines; and more"]]


@pytest.mark.parametrize("data", [b"\x00\x01\x02\x00", b"PK\x03\x04 not a workbook", b"x\n" * 3000])
def test_what_is_no_table_says_so(data: bytes) -> None:
    with pytest.raises(ToldError):
        table_of(data)


TEXTS = st.text(st.characters(codec="utf-8", exclude_categories=("Cs", "Cc")), min_size=1, max_size=12)


@given(st.lists(st.lists(TEXTS, min_size=2, max_size=4), min_size=1, max_size=6), st.sampled_from([",", ";", "\t"]))
def test_what_is_written_is_read_by_a_general_reader_and_is_never_a_formula(rows: Any, separator: Any) -> None:
    told = list(csv.reader(io.StringIO(written(rows, "csv", separator).decode("utf-8-sig")), delimiter=separator))
    assert [[cell.removeprefix("'") if cell[1:2] in "=+-@" else cell for cell in row] for row in told] == [
        [cell.removeprefix("'") if cell[1:2] in "=+-@" else cell for cell in row] for row in rows
    ]
    assert not any(cell.startswith(("=", "+", "-", "@")) for row in told for cell in row)


def test_a_workbook_keeps_numbers_as_numbers_and_formulas_as_texts() -> None:
    book = load_workbook(io.BytesIO(written([["=1+1", 27.5], ["Peña", None]], "xlsx")))
    first, second = book.worksheets[0].iter_rows()
    assert [(cell.value, cell.data_type) for cell in first] == [("=1+1", "s"), (27.5, "n")]
    assert second[0].value == "Peña"


def test_decimal_commas_where_a_school_writes_them() -> None:
    assert written([["Sum", 27.5, 3]], "csv", ";", True).decode("utf-8-sig") == "Sum;27,5;3\r\n"


@pytest.mark.parametrize(
    ("table", "row"),
    [
        ([["Name", "Log-in", "Group"], ["Nela Havlík", "nela.h", "B"]], ("Nela Havlík", "nela.h", "", "B")),
        # Columns after OneRoster's users.csv.
        (
            [
                ["sourcedId", "status", "enabledUser", "username", "givenName", "familyName", "email"],
                ["u1", "active", "true", "NHavlik", "Nela", "Havlík", "Nela@X.org"],
            ],
            ("Nela Havlík", "nhavlik", "nela@x.org", ""),
        ),
        (
            [["Apellidos", "Nombre de pila", "Correo"], ["Peña", "Ana", "a@x.org"]],
            ("Ana Peña", "ana.pena", "a@x.org", ""),
        ),
        ([["Nombre", "Apellidos"], ["Ana", "Peña"]], ("Ana Peña", "ana.pena", "", "")),
        ([["Havlík, Nela", "n@x.org"]], ("Nela Havlík", "nela.havlik", "n@x.org", "")),
        ([["nela.havlik"]], ("", "nela.havlik", "", "")),
        ([["Nela Havlík", "Group 2"]], ("Nela Havlík", "nela.havlik", "", "Group 2")),
    ],
)
def test_columns_are_known_by_heading_or_by_what_stands_in_them(table: Any, row: Any) -> None:
    (own,) = rows_of(table)
    assert (own.name, own.login, own.email, own.group) == row


def test_every_row_says_what_it_will_do() -> None:
    known = {
        "in.class": Known("In Class", True, True),
        "else.where": Known("Else Where", True, False),
        "other.name": Known("Quite Another", True, False),
        "tea.cher": Known("Tea Cher", False, False),
    }
    rows = [
        RosterRow(1, "New One", "new.one", "", ""),
        RosterRow(2, "In Class", "in.class", "", ""),
        RosterRow(3, "Else Where", "else.where", "", ""),
        RosterRow(4, "Other Name", "other.name", "", ""),
        RosterRow(5, "Tea Cher", "tea.cher", "", ""),
        RosterRow(6, "New One", "new.one", "", ""),
        RosterRow(7, "", "no.body", "", ""),
        RosterRow(8, "X", "x", "", ""),
        RosterRow(9, "Bad Mail", "bad.mail", "at home", ""),
    ]
    plans = planned(rows, known)
    assert [p.does for p in plans] == ["new", "already", "in", "in", "not", "not", "not", "not", "not"]
    assert plans[2].why is None
    assert plans[3].why is not None, "somebody else may be called so"
    assert all(plan.why is not None for plan in plans[4:])


@given(st.text(max_size=60))
def test_a_log_in_name_made_of_a_name_can_be_one_or_is_told(name: str) -> None:
    (plan,) = planned([RosterRow(1, name.strip() or "x", login_from(name), "", "")], {})
    assert plan.does in ("new", "not")


@pytest.fixture
def own(instructor: Person) -> int:
    return int(sent(instructor, "POST", "/api/classes", {"name": "Evening 9"})["id"])


def test_a_pasted_roster_makes_accounts_with_first_passwords(log_in: LogIn, instructor: Person, own: int) -> None:
    text = "Name;Log-in;E-mail;Group\nZoe Zahn;zoe.zahn;zoe@x.org;A\nDina Farouk;dina.farouk;;B\nInes;ines.corvalho;;\n"
    path = f"/api/classes/{own}/roster"
    told = instructor.send("POST", f"{path}/preview", data={"text": text}).json()
    assert [row["does"] for row in told] == ["new", "in", "not"]
    assert instructor.get(f"/api/classes/{own}")["roll"] == [], "nothing is done by looking"
    people = [{key: row[key] for key in ("name", "login", "email", "group")} for row in told[:2]]
    done = sent(instructor, "POST", path, {"people": people})
    (slip,) = done["slips"]
    assert (slip["login"], done["taken_in"]) == ("zoe.zahn", 2)
    detail = instructor.get(f"/api/classes/{own}")
    assert [(s["login"], s["group"], s["resettable"]) for s in detail["roll"]] == [
        ("dina.farouk", "B", False),
        ("zoe.zahn", "A", True),
    ]
    first = log_in("dina.farouk").client.post("/api/log-in", json={"login": "zoe.zahn", "password": slip["password"]})
    assert first.json()["must_change"]
    again = instructor.send("POST", f"{path}/preview", data={"text": text}).json()
    assert [row["does"] for row in again] == ["already", "already", "not"]
    numbers = {s["login"]: s["id"] for s in detail["roll"]}
    fresh = sent(instructor, "POST", f"/api/classes/{own}/students/{numbers['zoe.zahn']}/password")
    assert fresh["password"] != slip["password"]
    refused = instructor.send("POST", f"/api/classes/{own}/students/{numbers['dina.farouk']}/password")
    assert refused.status_code == 403, "an administrator made that account"


def test_a_roster_comes_in_whole_or_not_at_all(instructor: Person, own: int, database: Database) -> None:
    people = [{"name": "Fresh Person", "login": "fresh.person"}, {"name": "Ines", "login": "ines.corvalho"}]
    refused = instructor.send("POST", f"/api/classes/{own}/roster", json={"people": people})
    assert refused.status_code == 422
    assert "Row 2" in refused.json()["message"]
    with database.transaction() as session:
        assert session.query(Account).filter(Account.login == "fresh.person").count() == 0


def test_an_uploaded_workbook_is_looked_at(instructor: Person, own: int) -> None:
    files = {"file": ("roster.xlsx", workbook([["Given name", "Family name"], ["Zoe", "Zander"]]))}
    (row,) = instructor.send("POST", f"/api/classes/{own}/roster/preview", files=files).json()
    assert (row["name"], row["login"], row["does"]) == ("Zoe Zander", "zoe.zander", "new")
    broken = {"file": ("roster.xlsx", b"PK\x03\x04 broken")}
    assert instructor.status("POST", f"/api/classes/{own}/roster/preview", files=broken) == 422


def test_who_has_the_code_comes_in_until_there_is_another(log_in: LogIn, instructor: Person, own: int) -> None:
    student = log_in("kemi.oduya")
    code = sent(instructor, "POST", f"/api/classes/{own}/join-code")["code"]
    assert sent(student, "POST", "/api/join", {"code": f" {code.lower()} "}) == {"name": "Evening 9"}
    sent(student, "POST", "/api/join", {"code": code})
    assert [s["login"] for s in instructor.get(f"/api/classes/{own}")["roll"]] == ["kemi.oduya"]
    other = sent(instructor, "POST", f"/api/classes/{own}/join-code")["code"]
    assert student.status("POST", "/api/join", json={"code": code}) == 404
    sent(instructor, "PATCH", f"/api/classes/{own}", {"archived": True})
    assert log_in("rosa.quispe").status("POST", "/api/join", json={"code": other}) == 404
    assert own in [c["id"] for c in instructor.get("/api/classes?archived=true")]
    assert own not in [c["id"] for c in instructor.get("/api/classes")]


def test_two_instructors_share_a_class_and_its_pile(
    log_in: LogIn, instructor: Person, own: int, database: Database
) -> None:
    with database.transaction() as session:
        if not session.query(Account).filter(Account.login == "second.teacher").count():
            known = session.query(Account).filter(Account.login == "ines.corvalho").one().password_hash
            add_account(session, "second.teacher", "Second Teacher", "instructor", known)
    second = log_in("second.teacher")
    (demo,) = [c for c in instructor.get("/api/classes") if c["name"] == "Evening 2"]
    assert second.get("/api/classes") == []
    exercise = instructor.get("/api/exercises")[0]["id"]
    assert second.status("GET", f"/api/exercises/{exercise}/wall") == 404
    sharer = sent(instructor, "POST", f"/api/classes/{demo['id']}/sharers", {"login": "second.teacher"})
    assert instructor.status("POST", f"/api/classes/{demo['id']}/sharers", json={"login": "dina.farouk"}) == 404
    (shared,) = second.get("/api/classes")
    assert not shared["own"]
    pile = second.get(f"/api/exercises/{exercise}/wall")
    assert second.status("GET", f"/api/models/{pile['exercise']['model']}/mesh") == 200
    assert second.status("PATCH", f"/api/classes/{demo['id']}", json={"archived": True}) == 403
    assert second.status("POST", f"/api/classes/{demo['id']}/sharers", json={"login": "ines.corvalho"}) == 403
    sent(second, "DELETE", f"/api/classes/{demo['id']}/sharers/{sharer['id']}")
    assert second.status("GET", f"/api/exercises/{exercise}/wall") == 404
