"""The part a student works from: the one of the exercise, or the same part in sizes of the student's own."""

from typing import Final

from fastapi import HTTPException
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session

from maqueta.phrases.phrase import phrase
from maqueta.service.shelf.kernel_work import PartSource, PartWork
from maqueta.service.shelf.part_files import kept, recipe_of
from maqueta.service.world import World, aside
from maqueta.solid.errors import PartError
from maqueta.solid.recipe import Recipe
from maqueta.solid.resolve import varied_sizes
from maqueta.store.files import StoredFile
from maqueta.store.models import Account, ExerciseRecord, VersionRecord
from maqueta.store.shelf import add_version, give_variation, keep_examined, own_variation

#: Draws tried before giving up: ranges of which one part in three works fail all of them once in 3000 times.
MOST_DRAWS: Final = 20
#: Draws made when an exercise is set, so that ranges that never work are found by the instructor.
_TRIAL_DRAWS: Final = 4


def check_ranges(world: World, session: Session, version: VersionRecord) -> None:
    """Raises HTTPException 422 when a part has no sizes to vary or its ranges do not give valid parts."""
    recipe = recipe_of(world.files, version)
    if recipe is None or not any(size.varies for size in recipe.sizes):
        raise HTTPException(422, phrase("no-ranges"))
    for draw in range(_TRIAL_DRAWS):
        with aside(world, session):
            _, work = _examined(world, version, recipe, f"trial/{draw}")
        if work.refused is None:
            return
    assert work.refused is not None, "no draw gave a part"
    raise HTTPException(422, phrase("ranges-give-no-part", reason=work.refused))


def _examined(world: World, version: VersionRecord, recipe: Recipe, seed: str) -> tuple[dict[str, float], PartWork]:
    """The sizes a seed draws, and the part they make."""
    try:
        sizes = varied_sizes(recipe, seed)
    except PartError as error:
        return {}, PartWork(refused=error.reason)
    source = PartSource(StoredFile(world.files, version.source), version.file_name, None, sizes)
    return sizes, world.kernel.examine_now(source)


def version_for(world: World, session: Session, exercise: ExerciseRecord, student_id: int) -> VersionRecord:
    """The version of the part a student draws; a variation is made when it is first asked for.

    Equal exercise and student give equal sizes. Raises HTTPException 409 when no draw gives a valid part.
    """
    if not exercise.varied:
        return exercise.version
    found = own_variation(session, exercise, student_id)
    if found is not None:
        return found
    recipe = recipe_of(world.files, exercise.version)
    assert recipe is not None, "only recipes have sizes to vary"
    for draw in range(MOST_DRAWS):
        with aside(world, session):
            sizes, work = _examined(world, exercise.version, recipe, f"{exercise.id}/{student_id}/{draw}")
        if work.refused is None:
            break
    else:
        assert work.refused is not None, "no draw gave a part"
        raise HTTPException(409, phrase("no-part-in-ranges", reason=work.refused))
    try:
        with session.begin_nested():
            base = exercise.version
            version = add_version(
                session, base.part, base.file_name, base.source, base.natural_up, sizes, base.uncut or ()
            )
            keep_examined(version, kept(world.files, work))
            give_variation(session, exercise, student_id, version)
    except IntegrityError:
        # Another tab asked at the same moment and was first.
        found = own_variation(session, exercise, student_id)
        assert found is not None, "the other tab's variation is there"
        return found
    return version


def version_of(world: World, session: Session, exercise: ExerciseRecord, account: Account) -> VersionRecord:
    """The part an account draws: a student's own where sizes are varied."""
    return version_for(world, session, exercise, account.id) if account.role == "student" else exercise.version
