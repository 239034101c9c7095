"""Classes: who teaches them, who is in them, and how people come in."""

import secrets
from collections.abc import Iterable, Mapping
from typing import Final

from sqlalchemy import Select, func, insert, or_, select
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session

from maqueta.store.clock import now
from maqueta.store.errors import NotVisible
from maqueta.store.models import Account, Enrolment, SchoolClass, SharedClass

#: What a code to come in by is made of: letters and figures nobody mistakes for others on a blackboard.
_CODE_LETTERS: Final = "ABCDEFGHJKMNPQRSTUVWXYZ23456789"
_CODE_LENGTH: Final = 8


def taught(instructor: Account) -> Select[int]:
    """Numbers of the classes an instructor has made or that are shared with them."""
    shared = select(SharedClass.class_id).where(SharedClass.instructor_id == instructor.id)
    return select(SchoolClass.id).where(or_(SchoolClass.instructor_id == instructor.id, SchoolClass.id.in_(shared)))


def classes_of(session: Session, instructor: Account, archived: bool = False) -> list[tuple[SchoolClass, int]]:
    """The classes an instructor teaches, each with its number of students."""
    away = SchoolClass.archived_at
    query = (
        select(SchoolClass, func.count(Enrolment.student_id))
        .outerjoin(Enrolment, Enrolment.class_id == SchoolClass.id)
        .where(SchoolClass.id.in_(taught(instructor)), away.is_not(None) if archived else away.is_(None))
        .group_by(SchoolClass.id)
        .order_by(SchoolClass.name)
    )
    return [(found, number) for found, number in session.execute(query).tuples()]


def class_sizes(session: Session, class_ids: Iterable[int]) -> dict[int, int]:
    """How many students each class has."""
    query = select(Enrolment.class_id, func.count()).where(Enrolment.class_id.in_(class_ids))
    return dict(session.execute(query.group_by(Enrolment.class_id)).tuples().all())


def own_class(session: Session, instructor: Account, class_id: int) -> SchoolClass:
    """One of the classes an instructor teaches. Raises NotVisible."""
    found = session.scalar(
        select(SchoolClass).where(SchoolClass.id == class_id, SchoolClass.id.in_(taught(instructor)))
    )
    if found is None:
        raise NotVisible
    return found


def students_of(session: Session, class_id: int) -> list[Account]:
    """The students of a class, by name."""
    return [student for student, _ in places_of(session, class_id)]


def places_of(session: Session, class_id: int) -> list[tuple[Account, str]]:
    """The students of a class, by name, each with the group they work in."""
    query = (
        select(Account, Enrolment.group)
        .join(Enrolment, Enrolment.student_id == Account.id)
        .where(Enrolment.class_id == class_id)
        .order_by(Account.name)
    )
    return [(student, group) for student, group in session.execute(query).tuples()]


def names_of(session: Session, class_id: int) -> dict[int, tuple[str, str]]:
    """Name and group of the students of a class, by number, in the order of their names."""
    query = (
        select(Account.id, Account.name, Enrolment.group)
        .join(Enrolment, Enrolment.student_id == Account.id)
        .where(Enrolment.class_id == class_id)
        .order_by(Account.name)
    )
    return {student: (name, group) for student, name, group in session.execute(query).tuples()}


def add_class(session: Session, instructor: Account, name: str) -> SchoolClass:
    """A new class, without students."""
    found = SchoolClass(name=name, instructor_id=instructor.id)
    session.add(found)
    session.flush()
    return found


def archive_class(school_class: SchoolClass, archived: bool) -> None:
    """Put a class out of the way, or bring it back; nothing in it changes, but nobody comes in by its code."""
    school_class.archived_at = now() if archived else None
    if archived:
        school_class.join_code = None


def new_join_code(session: Session, school_class: SchoolClass) -> str:
    """A new code by which students come into a class; the former one lets nobody in any more."""
    while True:
        code = "".join(secrets.choice(_CODE_LETTERS) for _ in range(_CODE_LENGTH))
        try:
            with session.begin_nested():
                school_class.join_code = code
                session.flush()
        except IntegrityError:
            continue
        return code


def class_of_code(session: Session, code: str) -> SchoolClass:
    """The class a code lets in to. Raises NotVisible."""
    found = session.scalar(select(SchoolClass).where(SchoolClass.join_code == code, SchoolClass.archived_at.is_(None)))
    if found is None:
        raise NotVisible
    return found


def sharers_of(session: Session, school_class: SchoolClass) -> list[Account]:
    """The instructors a class is shared with, by name."""
    query = select(Account).join(SharedClass, SharedClass.instructor_id == Account.id)
    return list(session.scalars(query.where(SharedClass.class_id == school_class.id).order_by(Account.name)))


def share_class(session: Session, school_class: SchoolClass, login: str) -> Account:
    """Share a class with another instructor; twice is once. Raises NotVisible where nobody of that log-in teaches."""
    other = session.scalar(select(Account).where(Account.login == login, Account.role == "instructor", Account.active))
    if other is None or other.id == school_class.instructor_id:
        raise NotVisible
    place = {"class_id": school_class.id, "instructor_id": other.id}
    session.execute(insert(SharedClass).prefix_with("IGNORE"), [place])
    return other


def share_no_longer(session: Session, school_class: SchoolClass, instructor_id: int) -> None:
    """Share a class with an instructor no longer. Raises NotVisible."""
    found = session.get(SharedClass, (school_class.id, instructor_id))
    if found is None:
        raise NotVisible
    session.delete(found)
    session.flush()


def enrol(session: Session, school_class: SchoolClass, logins: Iterable[str]) -> list[str]:
    """Take students into a class by their log-in names; returns those that are no student's."""
    wanted = list(dict.fromkeys(logins))
    query = select(Account).where(Account.login.in_(wanted), Account.role == "student", Account.active)
    known = {found.login: found for found in session.scalars(query)}
    take_in(session, school_class, (student.id for student in known.values()))
    return [login for login in wanted if login not in known]


def take_in(session: Session, school_class: SchoolClass, student_ids: Iterable[int]) -> None:
    """Give students a place in a class. Who is there already stays, also where two tabs do so at one moment."""
    places = [{"class_id": school_class.id, "student_id": student} for student in student_ids]
    if places:
        session.execute(insert(Enrolment).prefix_with("IGNORE"), places)


def set_groups(session: Session, school_class: SchoolClass, groups: Mapping[int, str]) -> None:
    """Put students into groups of their class, by their numbers; "" into none."""
    query = select(Enrolment).where(Enrolment.class_id == school_class.id, Enrolment.student_id.in_(groups))
    for place in session.scalars(query):
        place.group = groups[place.student_id]
    session.flush()


def take_out(session: Session, school_class: SchoolClass, student_id: int) -> None:
    """Take a student out of a class; sheets that were handed in are kept. Raises NotVisible."""
    found = session.get(Enrolment, (school_class.id, student_id))
    if found is None:
        raise NotVisible
    session.delete(found)


def accounts_called(session: Session, logins: Iterable[str]) -> dict[str, Account]:
    """The accounts that have these log-in names, closed ones too."""
    found = session.scalars(select(Account).where(Account.login.in_(set(logins))))
    return {account.login: account for account in found}


def student_in(session: Session, school_class: SchoolClass, student_id: int) -> Account:
    """A student of a class. Raises NotVisible."""
    query = select(Account).join(Enrolment, Enrolment.student_id == Account.id)
    found = session.scalar(query.where(Enrolment.class_id == school_class.id, Account.id == student_id))
    if found is None:
        raise NotVisible
    return found


def teaches_as_well(session: Session, school_class: SchoolClass, account_id: int | None) -> bool:
    """Whether somebody is one of those who teach a class."""
    if account_id is None:
        return False
    return (
        account_id == school_class.instructor_id or session.get(SharedClass, (school_class.id, account_id)) is not None
    )
