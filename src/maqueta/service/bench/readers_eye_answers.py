"""The reader's eye as the interface shows it, as far as an exercise allows."""

from collections.abc import Mapping, Sequence

import numpy as np

from maqueta.judging.dimension_survey import DimensionSurvey
from maqueta.service.bench.readers_eye_messages import (
    ChainAnswer,
    CountAnswer,
    MotionAnswer,
    MovingAnswer,
    OpenAnswer,
    ReadingAnswer,
)
from maqueta.sheet.placed import PlacedView
from maqueta.sizes.count import SizeCount
from maqueta.sizes.redrawn import moved_points
from maqueta.solid.mesh import Mesh
from maqueta.solid.part import Part
from maqueta.study.readers_eye import OpenSize, readers_eye
from maqueta.task.dimensioning import Insight


def count_answers(counts: Sequence[SizeCount]) -> list[CountAnswer]:
    """The rows of a count table."""
    return [
        CountAnswer(
            row=row.row,
            stretches=row.stretches,
            needed=row.needed,
            given=row.given,
            missing=row.missing,
            surplus=row.surplus,
        )
        for row in counts
    ]


def reading_answer(dimensions: DimensionSurvey, insight: Insight, reviewed: bool = False) -> ReadingAnswer:
    """What the dimensions of a sheet determine. Less insight means less is sent, not only less is shown.

    Of views with lines of their own nothing is told on the bench; in a sheet that is reviewed they are redrawn too.
    """
    if insight == "nothing":
        return ReadingAnswer(insight=insight)
    if dimensions.reason is not None:
        return ReadingAnswer(insight=insight, reason=dimensions.reason)
    eye = readers_eye(dimensions, by_hand=reviewed)
    told, placed = insight == "everything", insight in ("places", "everything")
    counted = insight in ("counts", "everything")
    return ReadingAnswer(
        insight=insight,
        needed=eye.needed if counted else None,
        least=eye.least if counted else None,
        counts=count_answers(eye.counts) if counted else [],
        open=[_open_answer(size, dimensions.survey.by_id, told) for size in eye.open] if placed else [],
        chains=[ChainAnswer(words=c.told if told else None, members=list(c.members)) for c in eye.chains if placed],
    )


def _open_answer(size: OpenSize, views: Mapping[str, PlacedView], told: bool) -> OpenAnswer:
    lines = []
    for view, moving in size.lines.items():
        item = views[view]
        for line in moving:
            points = [item.to_sheet(point) for point in line.points]
            moves = [(item.factor * x, item.factor * y) for x, y in line.moves]
            lines.append(MovingAnswer(view=view, points=points, moves=moves))
    return OpenAnswer(words=size.told if told else None, faces=list(size.faces), lines=lines)


def motion_answer(dimensions: DimensionSurvey, size: OpenSize, mesh: Mesh) -> MotionAnswer:
    """An open size on the model: how far every point of its mesh and of its ink edges goes."""
    part = dimensions.survey.projected.part
    triangles = np.array(mesh.triangles, dtype=np.int64).reshape(-1, 3)
    owner = np.zeros(len(mesh.points) // 3, dtype=np.int64)
    owner[triangles.ravel()] = np.repeat(np.array(mesh.face_of_triangle, dtype=np.int64), 3)
    points = [np.array(mesh.points).reshape(-1, 3)]
    faces = [owner]
    lengths = []
    for samples, known in zip(mesh.edges, _faces_of_edges(part), strict=True):
        line = np.array(samples).reshape(-1, 3)
        lengths.append(len(line))
        for face in known:
            points.append(line)
            faces.append(np.full(len(line), face))
    moves = np.round(
        moved_points(dimensions.form, np.vstack(points), [int(f) for f in np.concatenate(faces)], size.motion), 5
    )
    first, edges = len(owner), []
    for length, known in zip(lengths, _faces_of_edges(part), strict=True):
        edges.append(moves[first : first + length].ravel().tolist())
        first += length * len(known)
    return MotionAnswer(points=moves[: len(owner)].ravel().tolist(), edges=edges)


def _faces_of_edges(part: Part) -> list[tuple[int, ...]]:
    return [edge.faces or (0,) for edge in part.edges]
