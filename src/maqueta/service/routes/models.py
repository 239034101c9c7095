"""One version of a part as everybody who works from it sees it: drawings, demands, triangles."""

from functools import reduce
from operator import or_
from typing import Annotated

from fastapi import APIRouter, HTTPException, Query, Response
from sqlalchemy.orm import Session

from maqueta.checking.demands import Demands, demands, feature_words, form_words, pattern_words
from maqueta.checking.told import EVERYTHING, Told, told
from maqueta.projection.arrangement import ViewName, neighbour
from maqueta.projection.attitude import SIDES, Attitude, Side, usual
from maqueta.projection.ranking import words
from maqueta.service.part_forms import (
    FeatureForm,
    ModelDetail,
    RankedForm,
    ScaleForm,
    StandingForm,
    ViewDrawing,
    ViewReason,
)
from maqueta.service.present import side_drawing, task_of
from maqueta.service.present_reading import count_forms
from maqueta.service.world import AnyAccount, InTransaction, InWorld, World
from maqueta.solid.formed import Symmetry
from maqueta.solid.part import Part
from maqueta.store.exercises import own_sheets
from maqueta.store.models import Account, VersionRecord
from maqueta.store.shelf import exercises_from, visible_version

router = APIRouter(prefix="/api/models")


def _told(session: Session, world: World, account: Account, version: VersionRecord) -> Told:
    """What somebody may learn of a part: everything, except a student who is still to draw it."""
    if account.role != "student":
        return EVERYTHING
    exercises = exercises_from(session, account, version.id)
    returned = {sheet.exercise_id for sheet in own_sheets(session, account) if sheet.state == "returned"}
    if any(exercise.id in returned for exercise in exercises):
        return EVERYTHING
    projected = world.dossiers.get(version)
    return reduce(or_, (told(projected, task_of(exercise)) for exercise in exercises))


def _part_shown(session: Session, world: World, account: Account, version: VersionRecord) -> VersionRecord:
    if not _told(session, world, account, version).part:
        raise HTTPException(403, "In this exercise the part is known from its views alone.")
    return version


@router.get("/{model_id}")
def detail(model_id: int, account: AnyAccount, session: InTransaction, world: InWorld) -> ModelDetail:
    """Six sides, ranking, features, and what the drawing of the part demands."""
    version = visible_version(session, account, model_id)
    projected = world.dossiers.get(version)
    part = projected.part
    may = _told(session, world, account, version)
    plain = ModelDetail(
        name=version.part.name,
        unit=part.unit,
        material=part.material,
        natural_up=part.natural_up,  # type: ignore[arg-type]
        sides=[side_drawing(usual(side), projected.sides[side]) for side in SIDES if may.lines],
    )
    if not may.part:
        return plain
    found = demands(projected)
    shown = {
        "extents": part.extents,
        "volume": part.volume,
        "faces": len(part.faces),
        "flat_faces": sum(1 for face in part.faces if face.kind == "plane"),
        "solids": part.solids,
        "features": [
            *(FeatureForm(kind=f.kind, words=feature_words(f), faces=list(f.faces)) for f in part.features),
            *(FeatureForm(kind=f.kind, words=form_words(f), faces=list(f.faces)) for f in found.forms),
        ],
        "patterns": [pattern_words(pattern, part) for pattern in found.patterns],
        "symmetry": _symmetry_words(found.symmetry),
        "standings": [StandingForm(up=s.up, footprint=s.footprint, height=s.height) for s in found.standings],
    }
    if may.counts:
        shown |= {
            "sizes": found.sizes,
            "least_sizes": found.least_sizes,
            "sizes_reason": found.reason,
            "counts": count_forms(found.counts),
        }
    if may.demands:
        shown |= _demands(found, part)
    return plain.model_copy(update=shown)


def _demands(found: Demands, part: Part) -> dict[str, object]:
    """What a drawing of the part needs, and what would make a good front view."""
    return {
        "ranking": [
            RankedForm(
                side=entry.attitude.side,
                up=entry.attitude.up,
                score=round(entry.score, 1),
                hidden_lines=entry.hidden_lines,
                measures={
                    "length": entry.measures.length,
                    "shape": entry.measures.shape,
                    "hidden": entry.measures.hidden,
                    "natural": entry.measures.natural,
                },
                words=words(entry, part),
                equal_to=[(other.side, other.up) for other in entry.equal_to],
            )
            for entry in found.ranking
        ],
        "views_needed": list(found.need.needed),
        "views_repeated": list(found.need.repeated),
        "view_reasons": [
            ViewReason(name=name, needed=name in found.need.needed, why=why) for name, why in found.need.reasons
        ],
        "scales": [ScaleForm(paper=s.paper, scale=s.scale, across=s.across, up=s.up) for s in found.scales],
    }


def _symmetry_words(symmetry: Symmetry) -> list[str]:
    words = [f"both halves along {axis} are mirror images" for axis in symmetry.planes]
    if symmetry.turned_about is not None:
        words.append(f"everything round turns about one axis along {symmetry.turned_about}")
    return words


@router.get("/{model_id}/mesh", response_class=Response)
def mesh(model_id: int, account: AnyAccount, session: InTransaction, world: InWorld) -> Response:
    """Triangles and ink edges for the turntable, packed."""
    version = _part_shown(session, world, account, visible_version(session, account, model_id))
    if version.mesh is None:
        raise HTTPException(409, "This part is still being examined.")
    headers = {
        "content-encoding": "gzip",
        "cache-control": "private, max-age=604800, immutable",
        "etag": f'"{version.mesh}"',
    }
    return Response(world.files.get(version.mesh), media_type="application/json", headers=headers)


@router.get("/{model_id}/picture", response_class=Response)
def picture(model_id: int, account: AnyAccount, session: InTransaction, world: InWorld) -> Response:
    """The part as a small card model (PNG)."""
    found = _part_shown(session, world, account, visible_version(session, account, model_id)).picture
    if found is None:
        raise HTTPException(409, "This part has no picture yet.")
    headers = {"cache-control": "private, max-age=604800, immutable", "etag": f'"{found}"'}
    return Response(world.files.get(found), media_type="image/png", headers=headers)


@router.get("/{model_id}/views")
def views(
    model_id: int,
    side: Side,
    up: Side,
    account: AnyAccount,
    session: InTransaction,
    world: InWorld,
    names: Annotated[list[ViewName], Query(max_length=6)] = ["front", "top", "right"],  # noqa: B006
) -> list[ViewDrawing]:
    """The views a front view would bring, for comparing candidates."""
    try:
        front = Attitude(side, up)
    except ValueError as error:
        raise HTTPException(422, str(error)) from error
    version = visible_version(session, account, model_id)
    if not _told(session, world, account, version).lines:
        raise HTTPException(403, "In this exercise the lines are for you to draw.")
    projected = world.dossiers.get(version)
    drawings = []
    for name in names:
        attitude = neighbour(front, name)
        lines = projected.line_set(attitude)
        drawing = side_drawing(attitude, lines)
        drawings.append(ViewDrawing(name=name, hidden_lines=len(lines.of("hidden")), **drawing.model_dump()))
    return drawings
