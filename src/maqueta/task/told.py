"""What a student may learn of a part from the program before the sheet is returned: the one place that decides it."""

from dataclasses import dataclass
from typing import Final

from maqueta.geometry.directions import SIDES, Side
from maqueta.projection.arrangement import name_of, neighbour
from maqueta.projection.attitude import Attitude
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument
from maqueta.task.dimensioning import Insight
from maqueta.task.exercise import Exercise
from maqueta.task.fronts import model_front

#: How well a delivered view agrees is told roughly, so that one changed line does not show in it.
_FITS, _IN_PART = 0.8, 0.5
#: From nothing to everything; places and counts tell different things, of which counts are the more.
_MORE: Final[tuple[Insight, ...]] = ("nothing", "places", "counts", "everything")


@dataclass(frozen=True, slots=True)
class Told:
    """What is told: the part itself (its model, picture and features), sides the program may draw, sizes that count.

    `special` is whether it may draw sections, details and auxiliary views, `rough` whether agreement is told roughly
    only; `demands` whether what the drawing needs is told.
    """

    part: bool
    sides: frozenset[Side]
    pictorial: bool
    special: bool
    sizes: Insight
    demands: bool
    rough: bool

    def match(self, agreement: float) -> float:
        """How well a view of a delivered sheet agrees, as far as it may be told."""
        if not self.rough:
            return agreement
        return 1.0 if agreement >= _FITS else 0.5 if agreement >= _IN_PART else 0.0

    def __or__(self, other: "Told") -> "Told":
        """What is told where two exercises on one part tell what they tell."""
        return Told(
            self.part or other.part,
            self.sides | other.sides,
            self.pictorial or other.pictorial,
            self.special or other.special,
            max(self.sizes, other.sizes, key=_MORE.index),
            self.demands or other.demands,
            self.rough and other.rough,
        )

    @property
    def lines(self) -> bool:
        """Whether the lines of the part may be looked up at all: not where any are to be drafted."""
        return self.sides == frozenset(SIDES)

    @property
    def counts(self) -> bool:
        """Whether it is told how many sizes the drawing needs."""
        return self.sizes in ("counts", "everything")


#: Whoever set the exercise, and the student once the sheet is returned.
EVERYTHING: Final = Told(True, frozenset(SIDES), True, True, "everything", True, False)


def part_told(exercise: Exercise) -> bool:
    """Whether a student may see the part itself: its model, picture and features."""
    return exercise.drafting.shown


def told(projected: ProjectedPart, exercise: Exercise) -> Told:
    """What a student may learn while drawing.

    Where a view is left to the hand, the program draws only what is given: the opposite side has the same outline, and
    a pictorial view tells as much as the model.
    """
    kind, shown = exercise.drafting.kind, part_told(exercise)
    sides: frozenset[Side] = frozenset(SIDES)
    if kind == "third view":
        front = model_front(projected, exercise)
        given = [name for name in exercise.view_names if name not in exercise.left_to_draft]
        sides = frozenset(neighbour(front, name).side for name in given)
    elif kind not in ("projected", "special view"):
        sides = frozenset()
    return Told(
        part=shown,
        sides=sides,
        pictorial=shown,
        # From anywhere it could look squarely at what is left to the hand.
        special=kind == "projected",
        sizes=exercise.dimensioning.insight if exercise.dimensioning.required else "nothing",
        demands=False,
        rough=True,
    )


def drawn_for_student(projected: ProjectedPart, exercise: Exercise, sheet: SheetDocument) -> tuple[str, ...]:
    """The views of a sheet that the program would draw although the exercise leaves them to the student, in words."""
    allowed = told(projected, exercise)
    front: Attitude | None = model_front(projected, exercise) if exercise.drafting.kind == "third view" else None
    words = []
    for view in sheet.views:
        if view.lines is not None:
            continue
        if view.attitude is not None and view.attitude.side not in allowed.sides:
            side = view.attitude.side
            words.append(f"{name_of(front, side)} view" if front is not None else f"view of the side {side}")
        elif view.kind in ("auxiliary", "section", "detail") and not allowed.special:
            words.append({"section": "section", "detail": "detail"}.get(view.kind, "auxiliary view"))
        elif view.kind == "pictorial" and not allowed.pictorial:
            words.append("pictorial view")
    return tuple(words)
