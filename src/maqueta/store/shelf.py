"""Parts: an instructor's shelf, the versions of each part, and who may see which."""

from collections.abc import Collection, Iterable, Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from sqlalchemy import Select, and_, func, or_, select
from sqlalchemy.orm import Session, joinedload

from maqueta.store.classes import taught
from maqueta.store.clock import now
from maqueta.store.database import locked
from maqueta.store.errors import NotVisible
from maqueta.store.exercises import shown_to
from maqueta.store.models import (
    Account,
    Enrolment,
    ExerciseRecord,
    LabelRecord,
    PartRecord,
    StudentPartRecord,
    VersionRecord,
)
from maqueta.store.models.shelf import VERSION_COMPONENT


@dataclass(frozen=True, slots=True)
class ShelfQuery:
    """What part of a shelf is asked for: words of the name or material, a label, the archive, and which stretch."""

    words: str = ""
    label: str | None = None
    archived: bool = False
    offset: int = 0
    limit: int = 48


def add_part(
    session: Session,
    owner: Account,
    name: str,
    file_name: str,
    source: str,
    components: Sequence[VersionRecord] = (),
) -> PartRecord:
    """A part whose file has arrived, or an assembly of `components`, that waits to be examined."""
    part = PartRecord(owner_id=owner.id, name=name[:120], created_at=now(), labels=[])
    session.add(part)
    session.flush()
    add_version(session, part, file_name, source, components=components)
    return part


def add_version(
    session: Session,
    part: PartRecord,
    file_name: str,
    source: str,
    natural_up: str | None = None,
    sizes: Mapping[str, float] | None = None,
    uncut: Sequence[Mapping[str, Any]] = (),
    components: Sequence[VersionRecord] = (),
) -> VersionRecord:
    """A new version of a part, or of an assembly of `components`, waiting to be examined. It becomes the current one,
    unless it is a variation.
    """
    newest = session.scalar(select(func.max(VersionRecord.number)).where(VersionRecord.part_id == part.id)) or 0
    version = VersionRecord(
        part_id=part.id,
        number=newest + 1 if sizes is None else newest,
        file_name=file_name[:200],
        state="waiting",
        error=None,
        source=source,
        natural_up=natural_up,
        sizes=dict(sizes) if sizes is not None else None,
        uncut=[dict(mark) for mark in uncut],
        created_at=now(),
        components=list(components),
    )
    session.add(version)
    session.flush()
    if sizes is None:
        part.current_id = version.id
        session.flush()
        session.expire(part, ["current"])
    return version


def _shelf(owner: Account, query: ShelfQuery) -> Select[PartRecord]:
    found = select(PartRecord).where(PartRecord.owner_id == owner.id)
    found = found.where(PartRecord.archived_at.is_not(None) if query.archived else PartRecord.archived_at.is_(None))
    for word in query.words.split()[:8]:
        pattern = "%" + word.replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_") + "%"
        labelled = select(LabelRecord.part_id).where(LabelRecord.label.like(pattern))
        material = select(VersionRecord.id).where(
            func.json_value(VersionRecord.facts, "$.material").like(pattern), VersionRecord.id == PartRecord.current_id
        )
        found = found.where(or_(PartRecord.name.like(pattern), PartRecord.id.in_(labelled), material.exists()))
    if query.label is not None:
        found = found.where(PartRecord.id.in_(select(LabelRecord.part_id).where(LabelRecord.label == query.label)))
    return found


def shelf(session: Session, owner: Account, query: ShelfQuery) -> tuple[list[PartRecord], int]:
    """A stretch of an instructor's shelf in the order the parts came, and how many parts match in all."""
    found = _shelf(owner, query)
    total = session.scalar(select(func.count()).select_from(found.subquery())) or 0
    page = found.order_by(PartRecord.id).offset(query.offset).limit(query.limit)
    return list(session.scalars(page)), total


def labels_of(session: Session, owner: Account) -> list[tuple[str, int]]:
    """All labels on a shelf, with how many parts carry each."""
    query = (
        select(LabelRecord.label, func.count())
        .join(PartRecord, PartRecord.id == LabelRecord.part_id)
        .where(PartRecord.owner_id == owner.id, PartRecord.archived_at.is_(None))
        .group_by(LabelRecord.label)
        .order_by(LabelRecord.label)
    )
    return [(label, count) for label, count in session.execute(query)]


def own_part(session: Session, owner: Account, part_id: int, lock: bool = False) -> PartRecord:
    """A part of an instructor's shelf. Raises NotVisible."""
    query = select(PartRecord).where(PartRecord.id == part_id, PartRecord.owner_id == owner.id)
    found = session.scalar(locked(query, of=PartRecord) if lock else query)
    if found is None:
        raise NotVisible
    return found


def label_part(session: Session, part: PartRecord, labels: Sequence[str]) -> None:
    """Give a part these labels and no others."""
    wanted = {label.strip()[:40] for label in labels if label.strip()}
    part.labels = [old for old in part.labels if old.label in wanted] + [
        LabelRecord(part_id=part.id, label=label) for label in sorted(wanted - {old.label for old in part.labels})
    ]
    session.flush()


def copy_part(session: Session, owner: Account, part: PartRecord) -> PartRecord:
    """A new part of one's own that begins where another's current version stands."""
    copy = PartRecord(owner_id=owner.id, name=f"{part.name} (copy)"[:120], created_at=now(), labels=[])
    session.add(copy)
    session.flush()
    old = part.current
    version = add_version(
        session, copy, old.file_name, old.source, old.natural_up, uncut=old.uncut or (), components=old.components
    )
    for column in ("state", "error", "facts", "report", "dossier", "mesh", "picture"):
        setattr(version, column, getattr(old, column))
    label_part(session, copy, [label.label for label in part.labels])
    return copy


def own_versions(session: Session, owner: Account, numbers: Collection[int]) -> list[VersionRecord]:
    """Versions of parts on an instructor's shelf, each asked for by its number; variations are none."""
    query = (
        select(VersionRecord)
        .join(PartRecord, PartRecord.id == VersionRecord.part_id)
        .where(VersionRecord.id.in_(numbers), PartRecord.owner_id == owner.id)
        .order_by(VersionRecord.id)
    )
    return [version for version in session.scalars(query) if version.sizes is None]


def assemblies_with(session: Session, part: PartRecord) -> list[PartRecord]:
    """The assemblies whose current version has some version of a part in it."""
    within = select(VERSION_COMPONENT.c.version_id).join(
        VersionRecord, VersionRecord.id == VERSION_COMPONENT.c.component_id
    )
    within = within.where(VersionRecord.part_id == part.id)
    query = select(PartRecord).where(PartRecord.current_id.in_(within), PartRecord.archived_at.is_(None))
    return list(session.scalars(query.order_by(PartRecord.name)))


def exercises_on(session: Session, part: PartRecord) -> list[ExerciseRecord]:
    """The exercises set on any version of a part."""
    query = (
        select(ExerciseRecord)
        .join(VersionRecord, VersionRecord.id == ExerciseRecord.version_id)
        .where(VersionRecord.part_id == part.id)
        .order_by(ExerciseRecord.due_at)
    )
    return list(session.scalars(query))


def visible_version(session: Session, account: Account, version_id: int) -> VersionRecord:
    """A version of a part on the account's shelf, one its classes draw, or the one a student is to draw.

    Raises NotVisible.
    """
    query = select(VersionRecord).where(VersionRecord.id == version_id)
    if account.role == "instructor":
        query = query.join(PartRecord, PartRecord.id == VersionRecord.part_id)
        in_class = ExerciseRecord.class_id.in_(taught(account))
        drawn = select(ExerciseRecord.id).where(ExerciseRecord.version_id == version_id, in_class)
        varied = select(StudentPartRecord.exercise_id).join(
            ExerciseRecord, ExerciseRecord.id == StudentPartRecord.exercise_id
        )
        varied = varied.where(StudentPartRecord.version_id == version_id, in_class)
        query = query.where(or_(PartRecord.owner_id == account.id, drawn.exists(), varied.exists()))
    else:
        set_to_class = select(ExerciseRecord.id).where(
            ExerciseRecord.version_id == version_id, ExerciseRecord.varied.is_(False), shown_to(account)
        )
        own_variation = select(StudentPartRecord.exercise_id).where(
            StudentPartRecord.version_id == version_id, StudentPartRecord.student_id == account.id
        )
        query = query.where(or_(set_to_class.exists(), own_variation.exists()))
    found = session.scalar(query)
    if found is None:
        raise NotVisible
    return found


def exercises_from(session: Session, student: Account, version_id: int) -> list[ExerciseRecord]:
    """The exercises for which a student works from a version of a part."""
    own = select(StudentPartRecord.exercise_id).where(
        StudentPartRecord.version_id == version_id, StudentPartRecord.student_id == student.id
    )
    query = select(ExerciseRecord).where(
        shown_to(student),
        or_(
            and_(ExerciseRecord.version_id == version_id, ExerciseRecord.varied.is_(False)),
            ExerciseRecord.id.in_(own),
        ),
    )
    return list(session.scalars(query))


def own_variation(session: Session, exercise: ExerciseRecord, student_id: int) -> VersionRecord | None:
    """The version made for a student in an exercise with varied sizes, or None when there is none yet."""
    return session.scalar(
        select(VersionRecord)
        .join(StudentPartRecord, StudentPartRecord.version_id == VersionRecord.id)
        .where(
            and_(StudentPartRecord.exercise_id == exercise.id, StudentPartRecord.student_id == student_id),
        )
    )


def exercise_to_make_for(session: Session, exercise_id: int) -> ExerciseRecord | None:
    """An exercise in sizes of everyone's own that is given out, in use, and still to be done; None where it is not."""
    query = select(ExerciseRecord).where(
        and_(ExerciseRecord.id == exercise_id, ExerciseRecord.varied.is_(True)),
        and_(ExerciseRecord.set_at.is_not(None), ExerciseRecord.archived_at.is_(None)),
        or_(ExerciseRecord.closes_at.is_(None), ExerciseRecord.closes_at > now()),
    )
    return session.scalar(query.options(joinedload(ExerciseRecord.version)))


def students_without_part(session: Session, exercise_id: int) -> list[int]:
    """The students of an exercise who have no version of their own yet; none where nobody needs one any more."""
    exercise = exercise_to_make_for(session, exercise_id)
    if exercise is None:
        return []
    have = select(StudentPartRecord.student_id).where(StudentPartRecord.exercise_id == exercise_id)
    query = select(Enrolment.student_id).where(
        Enrolment.class_id == exercise.class_id, Enrolment.student_id.not_in(have)
    )
    return list(session.scalars(query.order_by(Enrolment.student_id)))


def give_variation(session: Session, exercise: ExerciseRecord, student_id: int, version: VersionRecord) -> None:
    """Note that a student works from a version. Raises IntegrityError when the student has one already."""
    session.add(StudentPartRecord(exercise_id=exercise.id, student_id=student_id, version_id=version.id))
    session.flush()


def share_variations(
    session: Session, before: Sequence[ExerciseRecord], same: ExerciseRecord | None, new: ExerciseRecord
) -> bool:
    """Give everyone who works from parts of their own in exercises of a set the same version in a `new` one as in the
    one of the `same` part. Whether that could be done: not for a part nobody has, where somebody has others.
    """
    theirs = select(StudentPartRecord).where(StudentPartRecord.exercise_id.in_([own.id for own in before]))
    given = list(session.scalars(theirs))
    for own in given:
        if same is not None and own.exercise_id == same.id:
            session.add(StudentPartRecord(exercise_id=new.id, student_id=own.student_id, version_id=own.version_id))
    session.flush()
    return same is not None or not given


def drop_variations(session: Session, versions: Iterable[VersionRecord]) -> None:
    """Take away variations that are nobody's; assemblies before the parts they are put together from."""
    for version in sorted(versions, key=lambda own: -own.id):
        session.delete(version)
        session.flush()


def keep_examined(version: VersionRecord, kept: Mapping[str, Any]) -> None:
    """Put the outcome of an examination into a version: columns by name."""
    for column, value in kept.items():
        setattr(version, column, value)
