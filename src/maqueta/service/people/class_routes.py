"""An instructor's classes and who is in them."""

from fastapi import APIRouter

from maqueta.service.messages import Number
from maqueta.service.people.messages import ClassAnswer, ClassName, Enrolled, Enrolling, StudentEntry
from maqueta.service.world import Instructor, InTransaction
from maqueta.store.classes import add_class, classes_of, enrol, own_class, students_of, take_out
from maqueta.store.models import Account

router = APIRouter(prefix="/api/classes")


@router.get("")
def classes(instructor: Instructor, session: InTransaction) -> list[ClassAnswer]:
    """An instructor's classes."""
    return [ClassAnswer(id=c.id, name=c.name, students=number) for c, number in classes_of(session, instructor)]


@router.post("", status_code=201)
def add(form: ClassName, instructor: Instructor, session: InTransaction) -> ClassAnswer:
    """A new class."""
    return ClassAnswer(id=add_class(session, instructor, form.name).id, name=form.name, students=0)


@router.patch("/{class_id}")
def rename(class_id: int, form: ClassName, instructor: Instructor, session: InTransaction) -> ClassAnswer:
    """Call a class by another name."""
    found = own_class(session, instructor, class_id)
    found.name = form.name
    return ClassAnswer(id=found.id, name=found.name, students=len(students_of(session, found.id)))


@router.get("/{class_id}/students")
def students(class_id: int, instructor: Instructor, session: InTransaction) -> list[StudentEntry]:
    """Who is in a class."""
    return _entries(students_of(session, own_class(session, instructor, class_id).id))


@router.post("/{class_id}/students")
def take_in(class_id: int, form: Enrolling, instructor: Instructor, session: InTransaction) -> Enrolled:
    """Take students in by their log-in names; those nobody has are told, the others are in."""
    found = own_class(session, instructor, class_id)
    unknown = enrol(session, found, form.logins)
    return Enrolled(students=_entries(students_of(session, found.id)), unknown=unknown)


@router.delete("/{class_id}/students/{student_id}")
def let_go(class_id: int, student_id: int, instructor: Instructor, session: InTransaction) -> Number:
    """Take a student out; what was handed in is kept."""
    take_out(session, own_class(session, instructor, class_id), student_id)
    return Number(number=1)


def _entries(people: list[Account]) -> list[StudentEntry]:
    return [StudentEntry(id=person.id, login=person.login, name=person.name) for person in people]
