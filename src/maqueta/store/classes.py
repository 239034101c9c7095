"""Classes and who is in them."""

from collections.abc import Iterable

from sqlalchemy import func, insert, select
from sqlalchemy.orm import Session

from maqueta.store.errors import NotVisible
from maqueta.store.models import Account, Enrolment, SchoolClass


def classes_of(session: Session, instructor: Account) -> list[tuple[SchoolClass, int]]:
    """An instructor's classes, each with its number of students."""
    query = (
        select(SchoolClass, func.count(Enrolment.student_id))
        .outerjoin(Enrolment, Enrolment.class_id == SchoolClass.id)
        .where(SchoolClass.instructor_id == instructor.id)
        .group_by(SchoolClass.id)
        .order_by(SchoolClass.name)
    )
    return [(found, number) for found, number in session.execute(query).tuples()]


def class_sizes(session: Session, class_ids: Iterable[int]) -> dict[int, int]:
    """How many students each class has."""
    query = select(Enrolment.class_id, func.count()).where(Enrolment.class_id.in_(class_ids))
    return dict(session.execute(query.group_by(Enrolment.class_id)).tuples().all())


def own_class(session: Session, instructor: Account, class_id: int) -> SchoolClass:
    """One of an instructor's classes. Raises NotVisible."""
    found = session.scalar(
        select(SchoolClass).where(SchoolClass.id == class_id, SchoolClass.instructor_id == instructor.id)
    )
    if found is None:
        raise NotVisible
    return found


def students_of(session: Session, class_id: int) -> list[Account]:
    """The students of a class, by name."""
    query = (
        select(Account)
        .join(Enrolment, Enrolment.student_id == Account.id)
        .where(Enrolment.class_id == class_id)
        .order_by(Account.name)
    )
    return list(session.scalars(query))


def add_class(session: Session, instructor: Account, name: str) -> SchoolClass:
    """A new class, without students."""
    found = SchoolClass(name=name, instructor_id=instructor.id)
    session.add(found)
    session.flush()
    return found


def enrol(session: Session, school_class: SchoolClass, logins: Iterable[str]) -> list[str]:
    """Take students into a class by their log-in names; returns those that are no student's."""
    wanted = list(dict.fromkeys(logins))
    query = select(Account).where(Account.login.in_(wanted), Account.role == "student", Account.active)
    known = {found.login: found for found in session.scalars(query)}
    places = [{"class_id": school_class.id, "student_id": student.id} for student in known.values()]
    if places:
        # Who is there already stays, also where two tabs take somebody in at one moment.
        session.execute(insert(Enrolment).prefix_with("IGNORE"), places)
    return [login for login in wanted if login not in known]


def take_out(session: Session, school_class: SchoolClass, student_id: int) -> None:
    """Take a student out of a class; sheets that were handed in are kept. Raises NotVisible."""
    found = session.get(Enrolment, (school_class.id, student_id))
    if found is None:
        raise NotVisible
    session.delete(found)
