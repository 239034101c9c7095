"""One version of a part as everybody who works from it sees it: drawings, demands, triangles."""

from typing import Annotated

from fastapi import APIRouter, HTTPException, Query, Response
from sqlalchemy.orm import Session

from maqueta.checking.demands import demands, feature_words, form_words, pattern_words
from maqueta.checking.exercise import Drafting
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
from maqueta.service.world import AnyAccount, InTransaction, InWorld
from maqueta.solid.formed import Symmetry
from maqueta.store.exercises import own_sheets
from maqueta.store.models import Account, VersionRecord
from maqueta.store.shelf import exercises_from, visible_version

router = APIRouter(prefix="/api/models")


def _asked(session: Session, account: Account, version: VersionRecord) -> list[Drafting]:
    """What a student's exercises leave to the hand; empty for those who set them, and for a sheet that is returned."""
    if account.role != "student":
        return []
    exercises = exercises_from(session, account, version.id)
    returned = {sheet.exercise_id for sheet in own_sheets(session, account) if sheet.state == "returned"}
    if any(exercise.id in returned for exercise in exercises):
        return []
    return [task_of(exercise).drafting for exercise in exercises]


def _part_shown(session: Session, account: Account, version: VersionRecord) -> VersionRecord:
    asked = _asked(session, account, version)
    if asked and not any(drafting.shown for drafting in asked):
        raise HTTPException(403, "In this exercise the part is known from its views alone.")
    return version


def _lines_shown(session: Session, account: Account, version: VersionRecord) -> bool:
    """Whether the program may show the lines of the part: not where they are all to be drafted."""
    asked = _asked(session, account, version)
    return not asked or any(drafting.kind == "projected" for drafting in asked)


@router.get("/{model_id}")
def detail(model_id: int, account: AnyAccount, session: InTransaction, world: InWorld) -> ModelDetail:
    """Six sides, ranking, features, and what the drawing of the part demands."""
    version = visible_version(session, account, model_id)
    projected = world.dossiers.get(version)
    part = projected.part
    found = demands(projected)
    shown = _lines_shown(session, account, version)
    return ModelDetail(
        name=version.part.name,
        unit=part.unit,
        material=part.material,
        natural_up=part.natural_up,  # type: ignore[arg-type]
        extents=part.extents,
        volume=part.volume,
        faces=len(part.faces),
        flat_faces=sum(1 for face in part.faces if face.kind == "plane"),
        solids=part.solids,
        sides=[side_drawing(usual(side), projected.sides[side]) for side in SIDES] if shown else [],
        ranking=[
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
            for entry in (found.ranking if account.role == "instructor" else ())
        ],
        views_needed=list(found.need.needed),
        views_repeated=list(found.need.repeated),
        view_reasons=[
            ViewReason(name=name, needed=name in found.need.needed, why=why) for name, why in found.need.reasons
        ],
        sizes=found.sizes,
        least_sizes=found.least_sizes,
        sizes_reason=found.reason,
        counts=count_forms(found.counts),
        features=[
            *(FeatureForm(kind=f.kind, words=feature_words(f), faces=list(f.faces)) for f in part.features),
            *(FeatureForm(kind=f.kind, words=form_words(f), faces=list(f.faces)) for f in found.forms),
        ],
        patterns=[pattern_words(pattern, part) for pattern in found.patterns],
        symmetry=_symmetry_words(found.symmetry),
        standings=[StandingForm(up=s.up, footprint=s.footprint, height=s.height) for s in found.standings],
        scales=[ScaleForm(paper=s.paper, scale=s.scale, across=s.across, up=s.up) for s in found.scales],
    )


def _symmetry_words(symmetry: Symmetry) -> list[str]:
    words = [f"both halves along {axis} are mirror images" for axis in symmetry.planes]
    if symmetry.turned_about is not None:
        words.append(f"everything round turns about one axis along {symmetry.turned_about}")
    return words


@router.get("/{model_id}/mesh", response_class=Response)
def mesh(model_id: int, account: AnyAccount, session: InTransaction, world: InWorld) -> Response:
    """Triangles and ink edges for the turntable, packed."""
    version = _part_shown(session, account, visible_version(session, account, model_id))
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
    found = _part_shown(session, account, visible_version(session, account, model_id)).picture
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
    if not _lines_shown(session, account, version):
        raise HTTPException(403, "In this exercise the lines are for you to draw.")
    projected = world.dossiers.get(version)
    drawings = []
    for name in names:
        attitude = neighbour(front, name)
        lines = projected.line_set(attitude)
        drawing = side_drawing(attitude, lines)
        drawings.append(ViewDrawing(name=name, hidden_lines=len(lines.of("hidden")), **drawing.model_dump()))
    return drawings
