"""What the program must not draw for a student, because the exercise leaves it to the hand."""

from fastapi import HTTPException

from maqueta.checking.by_hand import not_by_hand
from maqueta.checking.exercise import Exercise
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument


def refuse_projected(projected: ProjectedPart, task: Exercise, document: SheetDocument) -> None:
    """Raises HTTPException 422 where the program would draw what the exercise leaves to the hand."""
    if names := not_by_hand(projected, task, document):
        raise HTTPException(422, f"To be drafted by hand: {', '.join(names)}. Your draft is as it was.")
