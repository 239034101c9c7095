"""Telling of one part, done in a process of its own: its drawings, its features, and what its drawing demands."""

from collections.abc import Sequence
from functools import lru_cache, reduce
from operator import or_

from maqueta.geometry.directions import SIDES
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.projection.arrangement import ViewName, neighbour
from maqueta.projection.attitude import Attitude, usual
from maqueta.projection.projected_part import ProjectedPart
from maqueta.projection.ranking import reasons
from maqueta.service.bench.readers_eye_answers import count_answers
from maqueta.service.desk_work import RefusedError
from maqueta.service.shelf.answers import side_drawing
from maqueta.service.shelf.messages import (
    ComponentAnswer,
    FeatureAnswer,
    ModelDetail,
    RankedAnswer,
    ScaleAnswer,
    SpecialReason,
    StandingAnswer,
    UncutAnswer,
    ViewDrawing,
    ViewReason,
)
from maqueta.service.shelf.part_files import part_at
from maqueta.solid.assembly import parts_list
from maqueta.solid.formed import Symmetry
from maqueta.solid.part import Part
from maqueta.solid.uncut import known_uncut
from maqueta.store.files import StoredFile
from maqueta.study.demands import Demands, demands, feature_phrase, form_phrase, pattern_phrase, special_views
from maqueta.task.exercise import Exercise
from maqueta.task.told import EVERYTHING, Told, told

#: The exercises for which a student is still to draw a part; None for whoever may know everything of it.
Tasks = Sequence[Exercise] | None


def _told(projected: ProjectedPart, tasks: Tasks) -> Told:
    return EVERYTHING if tasks is None else reduce(or_, (told(projected, task) for task in tasks))


@lru_cache(maxsize=32)
def _demands_of(file: StoredFile) -> Demands:
    """What a part's drawing demands, found out once: for a large part it takes seconds."""
    return demands(part_at(file))


def model_detail(file: StoredFile, name: str, tasks: Tasks) -> ModelDetail:
    """Six sides, ranking, features, and what the drawing of a part demands, as far as it may be told."""
    projected = part_at(file)
    part = projected.part
    may = _told(projected, tasks)
    plain = ModelDetail(
        name=name,
        unit=part.unit,
        material=part.material,
        natural_up=part.natural_up,  # type: ignore[arg-type]
        sides=[side_drawing(usual(side), projected.sides[side]) for side in SIDES if may.lines],
    )
    if not may.part:
        return plain
    if part.components:
        return plain.model_copy(update=_assembly_detail(part))
    found = _demands_of(file)
    shown = {
        "extents": part.extents,
        "volume": part.volume,
        "faces": len(part.faces),
        "flat_faces": sum(1 for face in part.faces if face.kind == "plane"),
        "solids": part.solids,
        "features": [
            *(FeatureAnswer(kind=f.kind, words=feature_phrase(f), faces=list(f.faces)) for f in part.features),
            *(FeatureAnswer(kind=f.kind, words=form_phrase(f), faces=list(f.faces)) for f in found.forms),
        ],
        "patterns": [pattern_phrase(pattern, part) for pattern in found.patterns],
        "symmetry": _symmetry_phrases(found.symmetry),
        "standings": [StandingAnswer(up=s.up, footprint=s.footprint, height=s.height) for s in found.standings],
    }
    if may.counts:
        shown |= {
            "sizes": found.sizes,
            "least_sizes": found.least_sizes,
            "sizes_reason": found.reason,
            "counts": count_answers(found.counts),
        }
    if may.demands:
        shown |= _demands(found, part)
    return plain.model_copy(update=shown)


def _assembly_detail(part: Part) -> dict[str, object]:
    """What an assembly is put together from. What drawings demand is told of its parts, not of itself."""
    return {
        "extents": part.extents,
        "volume": part.volume,
        "faces": len(part.faces),
        "flat_faces": sum(1 for face in part.faces if face.kind == "plane"),
        "solids": part.solids,
        "components": [
            ComponentAnswer(id=own.id, name=own.name, colour=own.colour, faces=own.faces) for own in part.components
        ],
        "listed": list(parts_list(part.components)),
    }


def _demands(found: Demands, part: Part) -> dict[str, object]:
    """What a drawing of the part needs, and what would make a good front view."""
    return {
        "ranking": [
            RankedAnswer(
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
                words=reasons(entry, part),
                equal_to=[(other.side, other.up) for other in entry.equal_to],
            )
            for entry in found.ranking
        ],
        "views_needed": list(found.need.needed),
        "views_repeated": list(found.need.repeated),
        "view_reasons": [
            ViewReason(name=name, needed=name in found.need.needed, why=why) for name, why in found.need.reasons
        ],
        "special": [
            SpecialReason(asked=own.asked, why=own.why, faces=list(own.faces)) for own in special_views(found.special)
        ],
        "uncut": [
            UncutAnswer(
                of=own.of,
                face=own.face,
                faces=list(own.faces),
                whole=own.whole,
                told=own.told,
                words=phrase("not-cut", of="spoke" if own.round else own.of, thick=own.thick, unit=part.unit),
            )
            for own in known_uncut(part)
        ],
        "scales": [ScaleAnswer(paper=s.paper, scale=s.scale, across=s.across, up=s.up) for s in found.scales],
    }


def _symmetry_phrases(symmetry: Symmetry) -> list[Phrase]:
    halves = [phrase("symmetry-halves", axis=axis) for axis in symmetry.planes]
    turned = symmetry.turned_about
    return [*halves, *([phrase("symmetry-turned", axis=turned)] if turned is not None else [])]


def views_folded(file: StoredFile, front: Attitude, names: Sequence[ViewName], tasks: Tasks) -> list[ViewDrawing]:
    """The views a front view would bring. Raises RefusedError where their lines are for the student to draw."""
    projected = part_at(file)
    if not _told(projected, tasks).lines:
        raise RefusedError(403, phrase("lines-left-to-you"))
    drawings = []
    for name in names:
        attitude = neighbour(front, name)
        lines = projected.line_set(attitude.look)
        drawing = side_drawing(attitude, lines)
        drawings.append(ViewDrawing(name=name, hidden_lines=len(lines.of("hidden")), **drawing.model_dump()))
    return drawings
