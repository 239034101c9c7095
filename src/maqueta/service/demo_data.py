"""Fills an empty database with the evening school: people, parts, exercises, sheets in every state."""

import json
import os
import secrets
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Any, Final

from sqlalchemy import select
from sqlalchemy.orm import Session

from maqueta.demo.mistakes import MISTAKES, SPECIAL_MISTAKES
from maqueta.demo.put_together import ASSEMBLIES, component_recipe, component_recipe_json, demo_assembly
from maqueta.demo.school_form import NAME as FORM_NAME
from maqueta.demo.school_form import school_form
from maqueta.demo.workshop import EXERCISES, LEVELS, DemoExercise, demo_recipe, demo_recipe_json
from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_looks, model_sheet
from maqueta.making.starting_sheet import proposed_changes
from maqueta.projection.look import Look
from maqueta.projection.project import drawn
from maqueta.projection.projected_part import ProjectedPart, from_json
from maqueta.service.assemblies.documents import document_file
from maqueta.service.marking.answers import FINDING, scope_json
from maqueta.service.people.passwords import hashed
from maqueta.service.settings import Settings
from maqueta.service.shelf.at_kernel import described
from maqueta.service.shelf.part_files import kept
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.fields import TitleField
from maqueta.solid.apart import pulled_apart
from maqueta.solid.assembled import assembled
from maqueta.solid.recipe import Recipe
from maqueta.solid.source import part_of_recipe
from maqueta.solid.triangulation import triangulated
from maqueta.store.accounts import Role, add_account
from maqueta.store.clock import now
from maqueta.store.database import Database
from maqueta.store.exercises import add_exercise, exercise_for
from maqueta.store.files import FileStore
from maqueta.store.marking import decide
from maqueta.store.models import Account, Enrolment, ExerciseRecord, PartRecord, SchoolClass
from maqueta.store.models.shelf import ASSEMBLY_SUFFIX
from maqueta.store.sheet_forms import add_sheet_form
from maqueta.store.sheets import hand_in, save_draft
from maqueta.store.shelf import add_part, keep_examined, label_part

_INSTRUCTOR: Final = ("ines.corvalho", "Ines Corvalho")
_ADMIN: Final = ("otto.brandt", "Otto Brandt")
_CLASS: Final = "Evening 2"
#: Which lines the program changes in the demo.
_CHOICE: Final = 7


@dataclass(frozen=True, slots=True)
class _Student:
    """A student, and how the first sheet went: the mistake ("" for none) and the state it is in."""

    login: str
    name: str
    mistake: str
    state: str


_STUDENTS: Final = (
    _Student("lena.achterberg", "Lena Achterberg", "no hidden lines", "returned"),
    _Student("tor.brandvold", "Tor Brandvold", "other angle", "handed-in"),
    _Student("dina.farouk", "Dina Farouk", "missing sizes", "handed-in"),
    _Student("nela.havlik", "Nela Havlík", "closed chain", "handed-in"),
    _Student("sara.lindqvist", "Sara Lindqvist", "", "returned"),
    _Student("elio.marchetti", "Elio Marchetti", "wrong front", "handed-in"),
    _Student("paul.nakagawa", "Paul Nakagawa", "no hidden lines", "handed-in"),
    _Student("kemi.oduya", "Kemi Oduya", "", "handed-in"),
    _Student("maya.okonedo", "Maya Okonedo", "top out of line", "handed-in"),
    _Student("rosa.quispe", "Rosa Quispe", "bare title", "handed-in"),
    _Student("juan.sandoval", "Juan Sandoval", "wrong value", "handed-in"),
    _Student("iker.valtierra", "Iker Valtierra", "", "draft"),
)
#: The second exercise: more kinds of mistakes, half the class still at work.
_SECOND: Final = {
    "tor.brandvold": ("said twice", "handed-in"),
    "dina.farouk": ("upside down", "handed-in"),
    "sara.lindqvist": ("", "handed-in"),
    "kemi.oduya": ("hidden on pictorial", "handed-in"),
    "paul.nakagawa": ("", "draft"),
}
#: The third, in inches.
_THIRD: Final = {
    "lena.achterberg": ("right view turned", "handed-in"),
    "elio.marchetti": ("one view smaller", "handed-in"),
    "rosa.quispe": ("no right view", "handed-in"),
    "sara.lindqvist": ("", "handed-in"),
}


_MISTAKES: Final = {**MISTAKES, **SPECIAL_MISTAKES}
#: Sheets with special views: a section, a detail, an auxiliary view.
_SPECIAL: Final = {
    "ribbed-bearing": {
        "lena.achterberg": ("rib cut", "handed-in"),
        "tor.brandvold": ("not hatched", "handed-in"),
        "dina.farouk": ("arrows the other way", "handed-in"),
        "nela.havlik": ("no section", "handed-in"),
        "sara.lindqvist": ("", "handed-in"),
        "elio.marchetti": ("no cutting line", "handed-in"),
        "kemi.oduya": ("hidden left in the section", "handed-in"),
        "rosa.quispe": ("section without letters", "handed-in"),
    },
    "spindle-pin": {
        "paul.nakagawa": ("no circle", "handed-in"),
        "maya.okonedo": ("other scale stated", "handed-in"),
        "sara.lindqvist": ("", "handed-in"),
    },
    "slanted-seat": {
        "juan.sandoval": ("looked at askew", "handed-in"),
        "dina.farouk": ("auxiliary out of line", "handed-in"),
        "kemi.oduya": ("", "handed-in"),
    },
}


def load_demo(database: Database, files: FileStore, settings: Settings) -> bool:
    """Load the demo world into an empty database, all or nothing; returns whether anything was done."""
    with database.transaction() as session:
        if session.scalar(select(Account).limit(1)) is not None:
            return False
        password = settings.demo_password or secrets.token_urlsafe(9)
        people = _people(session, hashed(password))
        instructor = people[_INSTRUCTOR[0]]
        school_class = SchoolClass(name=_CLASS, instructor_id=instructor.id)
        session.add(school_class)
        session.flush()
        session.add_all(Enrolment(class_id=school_class.id, student_id=people[s.login].id) for s in _STUDENTS)
        session.flush()
        projected = {
            slug: _part(session, files, instructor, slug, level) for level, slugs in LEVELS.items() for slug in slugs
        }
        for slug in ASSEMBLIES:
            _assembly(session, files, instructor, slug)
        add_sheet_form(session, instructor, FORM_NAME, school_form().model_dump(mode="json"))
        plans = {
            "reed-clamp": {s.login: (s.mistake, s.state) for s in _STUDENTS},
            "warp-beam-bearing": _SECOND,
            "pedal-hinge": _THIRD,
            **_SPECIAL,
        }
        for demo in EXERCISES:
            part, known = projected[demo.part]
            exercise = _exercise(session, instructor, part, school_class, demo, known)
            if demo.part in plans:
                answer = _answer(demo, known)
                for login, (mistake, state) in plans[demo.part].items():
                    _sheet(session, people[login], instructor, exercise, answer, mistake, state)
        _write_log_ins(settings, password)
    return True


def _people(session: Session, password_hash: str) -> dict[str, Account]:
    entries: list[tuple[str, str, Role]] = [(*_INSTRUCTOR, "instructor"), (*_ADMIN, "admin")]
    entries += [(s.login, s.name, "student") for s in _STUDENTS]
    return {login: add_account(session, login, name, role, password_hash) for login, name, role in entries}


def _part(
    session: Session, files: FileStore, owner: Account, slug: str, level: int
) -> tuple[PartRecord, ProjectedPart]:
    return _of_recipe(session, files, owner, slug, demo_recipe_json(slug), f"Level {level}")


def _of_recipe(
    session: Session, files: FileStore, owner: Account, slug: str, written: Mapping[str, Any], label: str
) -> tuple[PartRecord, ProjectedPart]:
    recipe = Recipe.model_validate(written)
    source = files.put((json.dumps(written, indent=2, ensure_ascii=False) + "\n").encode())
    record = add_part(session, owner, recipe.name, f"{slug}.json", source)
    # The recipes ship with the application, so they need no worker of their own.
    work = described(*part_of_recipe(recipe), None, lambda _, __: None)
    keep_examined(record.current, kept(files, work))
    label_part(session, record, [label])
    session.flush()
    return record, from_json(work.dossier)


def _assembly(session: Session, files: FileStore, owner: Account, slug: str) -> None:
    """A demo assembly with its parts, ready on the shelf, with the way it is proposed to come apart."""
    written = demo_assembly(slug)
    parts = {
        key: _of_recipe(session, files, owner, key, component_recipe_json(key), written.name)[0].current
        for key in dict.fromkeys(own.part for own in written.components)
    }
    solids = {str(version.id): part_of_recipe(component_recipe(key)) for key, version in parts.items()}
    placed = (own.model_copy(update={"part": str(parts[own.part].id)}) for own in written.components)
    assembly = written.model_copy(update={"components": tuple(placed)})
    shape, part = assembled(assembly, solids)
    ways = {own.id: own.way for own in pulled_apart(part, triangulated(shape, part))}
    pulled = (own.model_copy(update={"apart": ways[own.id]}) for own in assembly.components)
    assembly = assembly.model_copy(update={"components": tuple(pulled)})
    file_name = f"{assembly.name}{ASSEMBLY_SUFFIX}"
    record = add_part(session, owner, assembly.name, file_name, document_file(files, assembly), list(parts.values()))
    work = described(*assembled(assembly, solids), None, lambda _, __: None)
    keep_examined(record.current, kept(files, work))
    label_part(session, record, [assembly.name])
    session.flush()


def _due(days: int) -> datetime:
    """The evening of the day so many days from now."""
    return (now() + timedelta(days=days)).replace(hour=21, minute=0, second=0)


def _exercise(
    session: Session,
    instructor: Account,
    part: PartRecord,
    school_class: SchoolClass,
    demo: DemoExercise,
    known: ProjectedPart,
) -> ExerciseRecord:
    changes = [c.model_dump() for c in proposed_changes(known, demo.task, demo.changes, _CHOICE)]
    task = demo.task.model_dump(mode="json")
    task["drafting"]["changes"] = changes
    record = add_exercise(
        session, instructor, part.current, school_class, demo.task.title, task, _due(demo.due_in_days), demo.varied
    )
    return exercise_for(session, instructor, record.id)


@dataclass(frozen=True)
class _Answer:
    """The model answer of a demo exercise, by nobody yet, and its part in all looks it shows."""

    demo: DemoExercise
    known: ProjectedPart
    sheet: SheetDocument

    def drawn_by(self, student: Account) -> SheetDocument:
        """The same sheet with a student's name in its title block."""
        fields: dict[TitleField, str] = {**self.sheet.title.fields, "drafter": student.name.upper()}
        return self.sheet.model_copy(update={"title": self.sheet.title.model_copy(update={"fields": fields})})


def _answer(demo: DemoExercise, known: ProjectedPart) -> _Answer:
    known = _in_looks(demo, known, model_looks(known, demo.task))
    return _Answer(demo, known, model_sheet(known, demo.task, Drafter("", _CLASS, now().date().isoformat())))


def _in_looks(demo: DemoExercise, known: ProjectedPart, looks: Sequence[Look]) -> ProjectedPart:
    """A demo part in more looks."""
    return known.with_looks(drawn(*part_of_recipe(demo_recipe(demo.part)), looks)) if looks else known


def _sheet(
    session: Session,
    student: Account,
    instructor: Account,
    exercise: ExerciseRecord,
    answer: _Answer,
    mistake: str,
    state: str,
) -> None:
    demo, known, document = answer.demo, answer.known, answer.drawn_by(student)
    if mistake:
        document = SheetDocument.model_validate(_MISTAKES[mistake](known, document).model_dump())
        known = _in_looks(demo, known, document.looks_aslant)
    if state == "draft":
        document = document.model_copy(update={"dimensions": document.dimensions[:4]})
    record = save_draft(session, student, exercise, document.model_dump(mode="json"), 0)
    if state == "draft":
        return
    checked = check(known, demo.task, document)
    findings = [(f.rule, FINDING.dump_python(f, mode="json")) for f in checked.findings]
    hand_in(session, record, findings, scope_json(checked.scope))
    record.handed_in_at = min(now(), exercise.due_at) - timedelta(hours=4)
    if state == "returned":
        decide(record.findings, instructor, "upheld", None)
        record.state, record.returned_at = "returned", now()
        record.remark = "Good spacing. Look at the holes again." if findings else "Nothing to add: build it."


def _write_log_ins(settings: Settings, password: str) -> None:
    lines = [
        f"Demo log-ins, all with the password  {password}",
        f"  instructor     {_INSTRUCTOR[0]}",
        f"  administrator  {_ADMIN[0]}",
        f"  students       {', '.join(s.login for s in _STUDENTS)}",
    ]
    target = settings.data / "demo-log-ins.txt"
    target.parent.mkdir(parents=True, exist_ok=True)
    handle = os.open(target, os.O_WRONLY | os.O_CREAT | os.O_TRUNC, 0o600)
    with os.fdopen(handle, "w", encoding="utf-8") as file:
        file.write("\n".join(lines) + "\n")
