"""Sets that are changed after they are made: sheets come, go and change places, as long as none is handed in."""

from collections.abc import Mapping, Sequence
from typing import Any

import pytest
from sqlalchemy.orm import Session

from maqueta.service.exercises import variation
from maqueta.service.sets import together
from maqueta.store.database import Database
from maqueta.store.models import ExerciseRecord, SheetRecord
from maqueta.store.sets import hold_set, others_anew
from tests.service.test_marks import sent
from tests.service.test_sets import answer_of, exercises, hand_in, keep, of_set, proposed, set_of, student
from tests.world import Person

__all__ = ["exercises", "student"]


def places(person: Person, path: str) -> list[tuple[str, int, int]]:
    """The titles of a set's sheets with their places, as somebody sees them."""
    number = int(path.rpartition("/")[2])
    own = [one for one in person.get("/api/exercises") if (one["in_set"] or {}).get("id") == number]
    return sorted(((one["title"], one["in_set"]["place"], one["in_set"]["of"]) for one in own), key=lambda one: one[1])


def kept(*own: Mapping[str, Any]) -> list[dict[str, Any]]:
    return [{"exercise": one["id"]} for one in own]


def new_one(instructor: Person, name: str, **more: Any) -> dict[str, Any]:
    (sheet,) = proposed(instructor, name)
    return {key: sheet[key] for key in ("part", "title", "task")} | more


def refused(instructor: Person, path: str, sheets: Sequence[Mapping[str, Any]], title: str = "Pedal set") -> str:
    answer = instructor.send("PUT", path, json={"title": title, "sheets": sheets})
    assert answer.status_code in (409, 422), answer.text
    return f"{answer.status_code} {answer.json()['message']}"


def numbers(person: Person, exercise: Mapping[str, Any]) -> set[str]:
    """What a sheet says of its number as it is drawn."""
    path = f"/api/exercises/{exercise['id']}"
    ink = sent(person, "POST", f"{path}/ink", {"document": person.get(f"{path}/sheet")["document"]})
    texts = {str(item.get("text")) for group in ink["groups"] for item in group["items"]}
    return {text for text in texts if " / " in text}


def test_sheets_come_go_and_change_places(instructor: Person, exercises: list[dict[str, Any]], student: Person) -> None:
    fork, lever, pin = exercises
    path = set_of(fork)
    keep(student, pin, answer_of(instructor, pin))
    assert numbers(student, pin) == {"3 / 3"}
    sheets = [*kept(pin), new_one(instructor, "Pedal bush", title="The bush"), *kept(fork)]
    made = sent(instructor, "PUT", path, {"title": "Pedal, again", "sheets": sheets})
    assert [own["title"] for own in made] == ["Pedal pin", "The bush", "Pedal fork"]
    assert (made[1]["due_at"], made[1]["draft"], made[1]["total"]) == (fork["due_at"], False, fork["total"])
    whole = [("Pedal pin", 1, 3), ("The bush", 2, 3), ("Pedal fork", 3, 3)]
    assert places(instructor, path) == places(student, path) == whole
    assert instructor.get(f"{path}/wall")["title"] == "Pedal, again"
    # What is drawn stays, and says its new number; what went is out of the way, by itself, and not lost.
    assert numbers(student, pin) == {"1 / 3"}
    (away,) = [own for own in instructor.get("/api/exercises?archived=true") if own["id"] == lever["id"]]
    assert (away["in_set"], away["of_points"]) == (None, lever["of_points"] - 1)
    assert lever["id"] not in [own["id"] for own in student.get("/api/exercises")]
    again = sent(instructor, "PUT", path, {"title": "Pedal, again", "sheets": kept(*made)})
    assert [own["id"] for own in again] == [own["id"] for own in made]
    assert places(student, path) == whole


def test_what_is_begun_is_not_left_out(instructor: Person, exercises: list[dict[str, Any]], student: Person) -> None:
    fork, lever, pin = exercises
    keep(student, lever, answer_of(instructor, lever))
    keep(student, pin, answer_of(instructor, pin) | {"views": [], "dimensions": [], "marks": [], "notes": []})
    assert "409 Students have begun Pedal lever" in refused(instructor, set_of(fork), kept(fork, pin))
    assert places(instructor, set_of(fork)) == [("Pedal fork", 1, 3), ("Pedal lever", 2, 3), ("Pedal pin", 3, 3)]
    sent(instructor, "PUT", set_of(fork), {"title": "Two", "sheets": kept(lever, fork)})
    assert places(student, set_of(fork)) == [("Pedal lever", 1, 2), ("Pedal fork", 2, 2)]


def test_a_set_that_is_handed_in_stays_but_for_its_name(
    instructor: Person, exercises: list[dict[str, Any]], student: Person
) -> None:
    fork, lever, pin = exercises
    hand_in(student, fork, answer_of(instructor, fork))
    for sheets in (
        kept(lever, fork, pin),
        kept(fork, lever),
        [*kept(fork, lever, pin), new_one(instructor, "Pedal bush")],
    ):
        assert "409 Sheets of this set are handed in" in refused(instructor, set_of(fork), sheets)
    sent(instructor, "PUT", set_of(fork), {"title": "Renamed", "sheets": kept(fork, lever, pin)})
    assert instructor.get(f"{set_of(fork)}/wall")["title"] == "Renamed"


@pytest.mark.parametrize("given", ["a stranger's", "twice", "one alone"])
def test_a_set_of_what_is_not_its_own_is_refused(
    instructor: Person, exercises: list[dict[str, Any]], given: str
) -> None:
    fork, lever, _ = exercises
    other = instructor.get("/api/exercises")[0]
    assert other["in_set"] is None
    sheets = {"a stranger's": kept(fork, other), "twice": kept(fork, lever, fork), "one alone": kept(fork)}[given]
    assert refused(instructor, set_of(fork), sheets).startswith("422")
    assert len(places(instructor, set_of(fork))) == 3


def test_a_sheet_judged_while_its_set_is_put_in_order_is_judged_once_more(
    instructor: Person,
    exercises: list[dict[str, Any]],
    student: Person,
    database: Database,
    monkeypatch: pytest.MonkeyPatch,
) -> None:
    """Its number was right when it was looked at, and is not when it is in."""
    fork, lever, _ = exercises
    sheet = answer_of(instructor, fork)
    asked: list[int] = []

    def between(session: Session, *rest: Any) -> int:
        if not asked:
            asked.append(1)
            with database.transaction() as other:
                for exercise, place in ((fork, 2), (lever, 1)):
                    other.get_one(ExerciseRecord, exercise["id"]).place = place
            session.expire_all()
        return others_anew(session, *rest)

    monkeypatch.setattr(together, "others_anew", between)
    monkeypatch.setattr(together, "ask_to_check_again", lambda *_: None)
    number = hand_in(student, fork, sheet)
    with database.transaction() as session:
        assert session.get_one(SheetRecord, number).checker == 0


def test_a_part_nobody_has_is_not_added_where_everyone_has_sizes_of_their_own(
    instructor: Person, student: Person
) -> None:
    """One that is there already comes in the sizes everyone has."""
    sheets = proposed(instructor, "Pedal fork", "Pedal lever")
    made = sent(instructor, "POST", "/api/sets", of_set(sheets, instructor, varied=True, title="Own"))
    path = set_of(made[0])
    bush = sent(instructor, "PUT", path, {"title": "Own", "sheets": [*kept(*made), new_one(instructor, "Pedal bush")]})
    model = student.get(f"/api/exercises/{made[0]['id']}")["model"]
    assert model != made[0]["model"]
    pin = [*kept(*bush), new_one(instructor, "Pedal pin")]
    assert "“Pedal pin” would not fit" in refused(instructor, path, pin)
    assert len(places(instructor, path)) == 3
    twice = sent(
        instructor,
        "PUT",
        path,
        {"title": "Own", "sheets": [*kept(*bush), new_one(instructor, "Pedal fork", title="The fork again")]},
    )
    assert student.get(f"/api/exercises/{twice[3]['id']}")["model"] == model


def test_parts_that_are_made_while_a_sheet_is_added_are_made_for_that_sheet_too(
    instructor: Person, student: Person, monkeypatch: pytest.MonkeyPatch
) -> None:
    sheets = proposed(instructor, "Pedal fork", "Pedal lever")
    made = sent(instructor, "POST", "/api/sets", of_set(sheets, instructor, varied=True, title="Added"))
    added = list[dict[str, Any]]()

    def between(session: Session, exercise: ExerciseRecord) -> None:
        if not added:
            body = {"title": "Added", "sheets": [*kept(*made), new_one(instructor, "Pedal bush")]}
            added.append(sent(instructor, "PUT", set_of(made[0]), body)[2])
        hold_set(session, exercise)

    monkeypatch.setattr(variation, "hold_set", between)
    first = student.get(f"/api/exercises/{made[0]['id']}")["model"]
    own = [student.get(f"/api/exercises/{one['id']}")["model"] for one in (*made, *added)]
    assert own[0] == first
    # By their recipes a fork is as wide inside as its bush is long.
    fork, bush = (student.get(f"/api/models/{model}")["extents"] for model in (own[0], own[2]))
    assert fork[1] == pytest.approx(bush[1] + 24)
