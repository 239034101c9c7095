"""The reader's eye as the interface shows it, as far as an exercise allows."""

from collections.abc import Mapping, Sequence

import numpy as np

from maqueta.checking.dimension_survey import DimensionSurvey
from maqueta.checking.exercise import Insight
from maqueta.checking.readers_eye import OpenSize, readers_eye
from maqueta.dimensioning.count import DirectionCount
from maqueta.dimensioning.redrawn import moved_points
from maqueta.service.reading_forms import ChainForm, CountForm, MotionForm, MovingForm, OpenForm, ReadingForm
from maqueta.sheet.placed import PlacedView
from maqueta.solid.mesh import Mesh
from maqueta.solid.part import Part


def count_forms(counts: Sequence[DirectionCount]) -> list[CountForm]:
    """The rows of a count table."""
    return [
        CountForm(
            direction=row.direction,
            stretches=row.stretches,
            needed=row.needed,
            given=row.given,
            missing=row.missing,
            surplus=row.surplus,
        )
        for row in counts
    ]


def reading_form(dimensions: DimensionSurvey, insight: Insight, reviewed: bool = False) -> ReadingForm:
    """What the dimensions of a sheet determine. Less insight means less is sent, not only less is shown.

    Of views with lines of their own nothing is told on the bench; in a sheet that is reviewed they are redrawn too.
    """
    if insight == "nothing":
        return ReadingForm(insight=insight)
    if dimensions.reason is not None:
        return ReadingForm(insight=insight, reason=dimensions.reason)
    eye = readers_eye(dimensions, by_hand=reviewed)
    told, placed = insight == "everything", insight in ("places", "everything")
    counted = insight in ("counts", "everything")
    return ReadingForm(
        insight=insight,
        needed=eye.needed if counted else None,
        least=eye.least if counted else None,
        counts=count_forms(eye.counts) if counted else [],
        open=[_open_form(size, dimensions.survey.by_id, told) for size in eye.open] if placed else [],
        chains=[ChainForm(words=c.words if told else "", members=list(c.members)) for c in eye.chains if placed],
    )


def _open_form(size: OpenSize, views: Mapping[str, PlacedView], told: bool) -> OpenForm:
    lines = []
    for view, moving in size.lines.items():
        item = views[view]
        for line in moving:
            points = [item.to_sheet(point) for point in line.points]
            moves = [(item.factor * x, item.factor * y) for x, y in line.moves]
            lines.append(MovingForm(view=view, points=points, moves=moves))
    return OpenForm(words=size.words if told else "", faces=list(size.faces), lines=lines)


def motion_form(dimensions: DimensionSurvey, size: OpenSize, mesh: Mesh) -> MotionForm:
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
    place, edges = len(owner), []
    for length, known in zip(lengths, _faces_of_edges(part), strict=True):
        edges.append(moves[place : place + length].ravel().tolist())
        place += length * len(known)
    return MotionForm(points=moves[: len(owner)].ravel().tolist(), edges=edges)


def _faces_of_edges(part: Part) -> list[tuple[int, ...]]:
    return [edge.faces or (0,) for edge in part.edges]
