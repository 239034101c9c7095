"""From parts and their lines to what the shelf shows."""

from maqueta.drawing.sheet_ink import piece_item
from maqueta.geometry.line_set import LineSet
from maqueta.projection.attitude import Attitude
from maqueta.service.shelf.messages import LineDrawing, PartSummary, SideDrawing
from maqueta.store.models import PartRecord


def side_drawing(attitude: Attitude, lines: LineSet) -> SideDrawing:
    """One side as strokes in the part's unit."""
    kept = LineSet(lines.of("hidden", "visible"))
    return SideDrawing(
        side=attitude.side,
        up=attitude.up,
        items=[piece_item(piece) for piece in (*kept.of("hidden"), *kept.of("visible"))],
        box=kept.box,
    )


def line_drawing(lines: LineSet) -> LineDrawing:
    """The visible lines of a pictorial view."""
    visible = LineSet(lines.of("visible"))
    return LineDrawing(items=[piece_item(piece) for piece in visible.pieces], box=visible.box)


def part_summary(part: PartRecord, job: int | None = None) -> PartSummary:
    """A part as the shelf shows it."""
    version = part.current
    return PartSummary.model_validate(
        {
            "id": part.id,
            "model": version.id,
            "name": part.name,
            "state": version.state,
            "error": version.error,
            "made_by": part.owner.name,
            "labels": [label.label for label in part.labels],
            "archived": part.archived_at is not None,
            "built": version.file_name.lower().endswith(".json"),
            "version": version.number,
            "picture": version.picture,
            "assembly": version.is_assembly,
            "job": job,
        }
        | (version.facts or {})
    )
