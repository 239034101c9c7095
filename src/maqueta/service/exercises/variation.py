"""The part a student works from: the one of the exercise, or the same part in sizes of the student's own.

The sheets of a set show parts that belong together: they get their sizes together, an assembly with its parts.
"""

from collections.abc import Callable, Mapping, Sequence
from contextlib import AbstractContextManager, suppress
from dataclasses import dataclass, field
from functools import partial
from typing import Final

from fastapi import HTTPException
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session

from maqueta.phrases.phrase import Phrase, phrase
from maqueta.service.shelf.kernel_work import PartSource, PartWork
from maqueta.service.shelf.part_files import kept, recipe_of, source_of
from maqueta.service.workers import KernelWorkers
from maqueta.service.world import World, aside
from maqueta.solid.assembly import Assembly
from maqueta.solid.errors import PartError
from maqueta.solid.recipe import Recipe
from maqueta.solid.resolve import shared_sizes
from maqueta.store.files import FileStore, StoredFile
from maqueta.store.models import Account, ExerciseRecord, VersionRecord
from maqueta.store.sets import all_of_set, hold_set
from maqueta.store.shelf import add_version, drop_variations, give_variation, keep_examined, own_variation

#: Draws tried before giving up: ranges of which one part in three works fail all of them once in 3000 times.
MOST_DRAWS: Final = 20
#: Draws made when an exercise is set, so that ranges that never work are found by the instructor.
_TRIAL_DRAWS: Final = 4


@dataclass(frozen=True)
class Making:
    """Where parts are made, and how their maker steps `aside` meanwhile: what a session has changed is kept then, and
    its locks are let go.
    """

    files: FileStore
    kernel: KernelWorkers
    aside: Callable[[Session], AbstractContextManager[None]]


def _at_request(world: World) -> Making:
    return Making(world.files, world.kernel, partial(aside, world))


@dataclass(frozen=True)
class Variation:
    """Parts and assemblies as one draw makes them, by the numbers of the versions they are made from: the parts that
    get other sizes with those, what became of them, and the documents of assemblies, which name parts by these numbers.
    """

    sizes: Mapping[int, dict[str, float]]
    works: Mapping[int, PartWork] = field(default_factory=dict)
    documents: Mapping[int, str] = field(default_factory=dict)


def check_ranges(world: World, session: Session, versions: Sequence[VersionRecord]) -> None:
    """Raises HTTPException 422 when parts have no sizes to vary, or their ranges do not give valid parts that go
    together as they are put together.
    """
    making = _at_request(world)
    recipes = _recipes(making, versions)
    if not any(size.varies for recipe in recipes.values() for size in recipe.sizes):
        raise HTTPException(422, phrase("no-ranges"))
    refused = []
    for draw in range(_TRIAL_DRAWS):
        drawn = _drawn(making, session, versions, recipes, f"trial/{draw}")
        if isinstance(drawn, Variation):
            return
        refused.append(drawn)
    raise HTTPException(422, phrase("ranges-give-no-part", reason=refused[-1]))


def _parts_of(versions: Sequence[VersionRecord]) -> dict[int, VersionRecord]:
    """The parts that versions are or are put together from, each once."""
    parts = [own for version in versions for own in (version.components if version.is_assembly else [version])]
    return {own.id: own for own in parts if not own.is_assembly}


def _recipes(making: Making, versions: Sequence[VersionRecord]) -> dict[str, Recipe]:
    found = {str(number): recipe_of(making.files, own) for number, own in sorted(_parts_of(versions).items())}
    return {key: recipe for key, recipe in found.items() if recipe is not None}


def _drawn(
    making: Making, session: Session, versions: Sequence[VersionRecord], recipes: Mapping[str, Recipe], seed: str
) -> Variation | Phrase:
    """What a seed draws, or why nothing comes of it."""
    try:
        sizes = {key: own for key, own in shared_sizes(recipes, seed).items() if own}
        documents = {}
        for version in versions:
            if version.is_assembly and version.id not in documents:
                with making.aside(session):
                    documents[version.id] = making.kernel.refit(source_of(making.files, version), sizes)
    except PartError as error:
        return error.reason
    parts, works = _parts_of(versions), {}
    for key, own in sizes.items():
        part = parts[int(key)]
        source = PartSource(StoredFile(making.files, part.source), part.file_name, None, own)
        with making.aside(session):
            work = making.kernel.examine_now(source)
        if work.refused is not None:
            return work.refused
        works[part.id] = work
    return Variation({int(key): own for key, own in sizes.items()}, works, documents)


def version_for(world: World, session: Session, exercise: ExerciseRecord, student_id: int) -> VersionRecord:
    """The version of the part a student draws, made now where it has not been made before.

    Raises HTTPException 409 when no draw gives a valid part.
    """
    return made_for(_at_request(world), session, exercise, student_id) if exercise.varied else exercise.version


def made_for(making: Making, session: Session, exercise: ExerciseRecord, student_id: int) -> VersionRecord:
    """The part of an exercise in a student's own sizes: there, or made now, of all sheets of a set at once.

    Equal exercise, or set, and student give equal sizes. Raises HTTPException 409 when no draw gives a valid part.
    """
    found = own_variation(session, exercise, student_id)
    if found is not None:
        return found
    try:
        return _made_together(making, session, exercise, student_id)
    except _RearrangedError:
        return made_for(making, session, exercise, student_id)


class _RearrangedError(Exception):
    """Other sheets are in a set than those that parts were made for."""


def _made_together(making: Making, session: Session, exercise: ExerciseRecord, student_id: int) -> VersionRecord:
    together = _together(session, exercise)
    versions = [own.version for own in together]
    recipes = _recipes(making, versions)
    of = exercise.id if exercise.set_id is None else f"set {exercise.set_id}"
    refused = []
    for draw in range(MOST_DRAWS):
        drawn = _drawn(making, session, versions, recipes, f"{of}/{student_id}/{draw}")
        reason = drawn if isinstance(drawn, Phrase) else _given(making, session, together, student_id, drawn)
        if reason is None:
            break
        refused.append(reason)
    found = own_variation(session, exercise, student_id)
    if found is None:
        raise HTTPException(409, phrase("no-part-in-ranges", reason=refused[-1]))
    return found


def _together(session: Session, exercise: ExerciseRecord) -> list[ExerciseRecord]:
    """The exercises of which a student gets the parts at once."""
    return [own for own in all_of_set(session, exercise) if own.varied]


def _given(
    making: Making, session: Session, together: Sequence[ExerciseRecord], student_id: int, drawn: Variation
) -> Phrase | None:
    """Make the versions of a draw and give them to a student; or why they could not be made."""
    versions, asked = {own.version.id: own.version for own in together}, [own.id for own in together]
    made = {
        number: _made(making, session, base, drawn.sizes[number], drawn.works[number])
        for number, base in _parts_of(list(versions.values())).items()
        if number in drawn.sizes
    }
    for number, document in drawn.documents.items():
        made[number] = _put_together(making, session, versions[number], document, made)
    done = False
    try:
        for number in drawn.documents:
            # The document names the new parts by their numbers, so that they have to be there first.
            source = source_of(making.files, made[number])
            with making.aside(session):
                work = making.kernel.examine_now(source)
            if work.refused is not None:
                return work.refused
            keep_examined(made[number], kept(making.files, work))
        # Parts are for the sheets the set has now, whatever its instructor has changed meanwhile.
        session.commit()
        hold_set(session, together[0])
        if [own.id for own in _together(session, together[0])] != asked:
            raise _RearrangedError
        with suppress(IntegrityError), session.begin_nested():
            # Where another tab asked at the same moment and was first, its parts are as good.
            for own in together:
                give_variation(session, own, student_id, made.get(own.version.id, own.version))
            done = True
    finally:
        if not done:
            # They were kept before the assembly was examined: what breaks that off must not leave them behind.
            drop_variations(session, made.values())
            session.commit()
    return None


def _made(
    making: Making, session: Session, base: VersionRecord, sizes: Mapping[str, float], work: PartWork
) -> VersionRecord:
    version = add_version(session, base.part, base.file_name, base.source, base.natural_up, sizes, base.uncut or ())
    keep_examined(version, kept(making.files, work))
    return version


def _put_together(
    making: Making, session: Session, base: VersionRecord, document: str, made: Mapping[int, VersionRecord]
) -> VersionRecord:
    """An assembly of the parts that were made, and of those that stay as they are."""
    own = Assembly.model_validate_json(document)
    new = {str(part.id): made.get(part.id, part) for part in base.components}
    components = [part.model_copy(update={"part": str(new[part.part].id)}) for part in own.components]
    written = own.model_copy(update={"components": tuple(components)}).model_dump_json().encode()
    return add_version(
        session,
        base.part,
        base.file_name,
        making.files.put(written),
        base.natural_up,
        {},
        base.uncut or (),
        list(new.values()),
    )


def version_of(world: World, session: Session, exercise: ExerciseRecord, account: Account) -> VersionRecord:
    """The part an account draws: a student's own where sizes are varied."""
    return version_for(world, session, exercise, account.id) if account.role == "student" else exercise.version
