"""What an exercise leaves to the hand of the student."""

from maqueta.checking.exercise import Exercise
from maqueta.checking.model_views import model_front
from maqueta.projection.arrangement import name_of, neighbour
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument


def not_by_hand(projected: ProjectedPart, exercise: Exercise, sheet: SheetDocument) -> tuple[str, ...]:
    """The principal views the program has drawn although the exercise leaves them to the student, in words."""
    kind = exercise.drafting.kind
    if kind == "projected":
        return ()
    looking = [view.attitude for view in sheet.views if view.lines is None and view.attitude is not None]
    if kind == "third view":
        front = model_front(projected, exercise)
        left = {neighbour(front, name).side for name in exercise.left_to_draft}
        return tuple(f"{name_of(front, attitude.side)} view" for attitude in looking if attitude.side in left)
    return tuple(f"view of the side {attitude.side}" for attitude in looking)
