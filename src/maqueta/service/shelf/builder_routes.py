"""The builder: recipes tried out, kept as new parts or as the next version of one."""

import json
from contextlib import suppress

from fastapi import APIRouter, HTTPException
from pydantic import ValidationError
from sqlalchemy.orm import Session

from maqueta.phrases.invalid import first_of
from maqueta.phrases.phrase import phrase
from maqueta.service.shelf.answers import line_drawing, part_summary
from maqueta.service.shelf.kernel_work import unpacked_mesh
from maqueta.service.shelf.messages import PartSummary, PreviewAnswer, PreviewRequest, RecipeAnswer
from maqueta.service.shelf.part_files import recipe_of
from maqueta.service.world import Instructor, InTransaction, InWorld, World, aside
from maqueta.solid.errors import PartError
from maqueta.solid.recipe import Recipe
from maqueta.solid.resolve import resolved, size_values
from maqueta.store.jobs import add_job
from maqueta.store.shelf import add_part, add_version, own_part

router = APIRouter(prefix="/api/parts")


@router.post("/preview")
def preview(form: PreviewRequest, instructor: Instructor, session: InTransaction, world: InWorld) -> PreviewAnswer:
    """What a recipe makes just now. A faulty feature is an answer, not an error."""
    try:
        recipe = Recipe.model_validate(form.recipe)
    except ValidationError as error:
        return _out_of_range(error)
    sizes: dict[str, float] = {}
    plain: Recipe | None = None
    # Where this fails, the kernel's answer says what is wrong, and with which feature.
    with suppress(PartError):
        sizes = size_values(recipe)
        plain = resolved(recipe)
    with aside(world, session):
        made = world.kernel.preview(recipe, form.flat)
    return PreviewAnswer(
        mesh=unpacked_mesh(made.mesh) if made.mesh else None,
        lines=line_drawing(made.lines) if made.lines else None,
        extents=made.extents,
        volume=made.volume,
        faces=made.faces,
        fault=made.fault,
        feature=made.feature,
        sizes=sizes,
        resolved=plain,
    )


def _out_of_range(error: ValidationError) -> PreviewAnswer:
    """An answer about what cannot even be tried, with the feature it concerns."""
    keys, what = first_of(error.errors())
    feature = keys[1] if len(keys) > 1 and keys[0] == "features" else None
    # Behind "features" and the place in the list stands the kind of the feature.
    where = ".".join(map(str, keys[3:] if feature is not None else keys))
    return PreviewAnswer(
        mesh=None,
        lines=None,
        extents=(0.0, 0.0, 0.0),
        volume=0.0,
        faces=0,
        fault=phrase("value-at", where=where, what=what) if where else what,
        feature=feature if isinstance(feature, int) else None,
        sizes={},
        resolved=None,
    )


def _kept(world: World, session: Session, recipe: Recipe) -> tuple[str, str]:
    """The file of a recipe that can be built: its own name and its place. Raises HTTPException 422."""
    with aside(world, session):
        made = world.kernel.preview(recipe)
    if made.fault is not None:
        if made.feature is None:
            raise HTTPException(422, phrase("part-cannot-be-built", reason=made.fault))
        raise HTTPException(422, phrase("feature-cannot-be-built", number=made.feature + 1, reason=made.fault))
    # Written as a person would: defaults are left out.
    data = recipe.model_dump(mode="json", exclude_defaults=True) | {"format": recipe.format, "name": recipe.name}
    text = json.dumps(data, indent=2, ensure_ascii=False)
    return "recipe.json", world.files.put(text.encode())


@router.post("/recipe", status_code=202)
def make(form: RecipeAnswer, instructor: Instructor, session: InTransaction, world: InWorld) -> PartSummary:
    """Put a recipe on the shelf as a new part."""
    file_name, source = _kept(world, session, form.recipe)
    part = add_part(session, instructor, form.recipe.name, file_name, source)
    job = add_job(session, instructor, "part", part.current.id)
    session.commit()
    world.queue.wake()
    return part_summary(part, job.id)


@router.get("/{part_id}/recipe")
def recipe(part_id: int, instructor: Instructor, session: InTransaction, world: InWorld) -> RecipeAnswer:
    """The recipe of a part's current version."""
    found = recipe_of(world.files, own_part(session, instructor, part_id).current)
    if found is None:
        raise HTTPException(409, phrase("step-has-no-features"))
    return RecipeAnswer(recipe=found)


@router.put("/{part_id}/recipe", status_code=202)
def rebuild(
    part_id: int, form: RecipeAnswer, instructor: Instructor, session: InTransaction, world: InWorld
) -> PartSummary:
    """Keep a recipe as the next version of a part. Exercises stay with the version they were set with."""
    own_part(session, instructor, part_id)
    file_name, source = _kept(world, session, form.recipe)
    part = own_part(session, instructor, part_id, lock=True)
    if part.current.source == source:
        return part_summary(part)
    part.name = form.recipe.name[:120]
    add_version(session, part, file_name, source)
    job = add_job(session, instructor, "part", part.current.id)
    session.commit()
    world.queue.wake()
    return part_summary(part, job.id)
