"""What is on a sheet, worked out once for all criteria: which view is the front, what the others are called."""

from collections import Counter
from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

from maqueta.checking.exercise import Exercise
from maqueta.drawing.ink import InkGroup
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.projection.arrangement import Angle, Place, ViewName, angle_of, name_of, neighbour
from maqueta.projection.attitude import Attitude
from maqueta.projection.line_set import Box
from maqueta.projection.projected_part import ProjectedPart
from maqueta.projection.ranking import DEFAULT_VIEWS, Ranked, rank
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.paper import Layout, layout
from maqueta.sheet.placed import PlacedView, placed_views

#: Box edges closer than this (mm) count as touching, so that neighbouring boxes have a side to stand on.
_TOUCH = 0.5


@dataclass(frozen=True)
class Survey:
    """A part, an exercise and a sheet, with everything derived from the three."""

    projected: ProjectedPart
    exercise: Exercise
    sheet: SheetDocument

    @cached_property
    def layout(self) -> Layout:
        """The rectangles of the sheet's paper."""
        return layout(self.sheet.paper.size, self.sheet.paper.landscape)

    @cached_property
    def placed(self) -> tuple[PlacedView, ...]:
        """All views on paper."""
        return placed_views(self.projected, self.sheet)

    @cached_property
    def by_id(self) -> Mapping[str, PlacedView]:
        """All views on paper by id."""
        return {item.view.id: item for item in self.placed}

    @cached_property
    def ink(self) -> tuple[InkGroup, ...]:
        """All ink of the sheet."""
        return sheet_ink(self.projected, self.sheet)

    @cached_property
    def principal(self) -> tuple[PlacedView, ...]:
        """The views that look squarely at the part."""
        return tuple(item for item in self.placed if item.view.attitude is not None)

    @cached_property
    def pictorial(self) -> tuple[PlacedView, ...]:
        """The equal-axis views."""
        return tuple(item for item in self.placed if item.view.attitude is None)

    @cached_property
    def ranking(self) -> tuple[Ranked, ...]:
        """All 24 attitudes, best first, for the views this exercise asks for."""
        views = self.exercise.views or DEFAULT_VIEWS
        return rank(self.projected, views, self.exercise.front.natural_up)

    @cached_property
    def front(self) -> PlacedView | None:
        """The view taken as front: the one the sheet names, else the one the others are arranged around."""
        named = next((item for item in self.principal if item.view.id == self.sheet.front), None)
        if named is not None or not self.principal:
            return named
        accepted = {choice.attitude for choice in self.exercise.front.accept}

        def merit(candidate: PlacedView) -> tuple[float, float, float]:
            front = attitude_of(candidate)
            around = sum(
                angle_of(name_of(front, attitude_of(other).side), place(candidate.box, other.box)) is not None
                for other in self.principal
                if other is not candidate
            )
            score = next(entry.score for entry in self.ranking if entry.attitude == front)
            return (around, float(front in accepted), score)

        return max(self.principal, key=merit)

    @cached_property
    def reference(self) -> Attitude:
        """The attitude the other views are projected from: the drawn front view, or a turn of it.

        When the front view alone is turned in its plane, the others still fit one unturned front; they are named
        from that, so that one mistake stays one finding.
        """
        assert self.front is not None
        drawn = attitude_of(self.front)

        def fitting(front: Attitude) -> int:
            others = (attitude_of(item) for item in self.principal if item is not self.front)
            return sum(neighbour(front, name_of(front, other.side)) == other for other in others)

        best = max((drawn.turned(turn) for turn in range(4)), key=fitting)
        return best if fitting(best) > fitting(drawn) else drawn

    @cached_property
    def names(self) -> Mapping[str, str]:
        """What each view is called, seen from the drawn front view; pictorial ones are "pictorial"."""
        if self.front is None:
            return {item.view.id: "pictorial" for item in self.placed}
        return {
            item.view.id: name_of(self.reference, item.view.attitude.side) if item.view.attitude else "pictorial"
            for item in self.placed
        }

    def name(self, item: PlacedView) -> str:
        """What a view is called."""
        return self.names[item.view.id]

    def principal_name(self, item: PlacedView) -> ViewName:
        """What a principal view is called. Raises AssertionError for a sheet without one."""
        return name_of(self.reference, attitude_of(item).side)

    def expected_attitude(self, item: PlacedView) -> Attitude:
        """How a principal view would look if it were projected from the drawn front view."""
        return neighbour(self.reference, self.principal_name(item))

    def is_turned(self, item: PlacedView) -> bool:
        """Whether a principal view is turned in its plane against the front view."""
        expected = self.expected_attitude(item)
        return attitude_of(item) != expected

    @cached_property
    def scale(self) -> float | None:
        """The sheet's scale: the commonest among the principal views, the front view's in a tie."""
        if self.front is None:
            return None
        front = self.front.view.scale
        counted = Counter(round(item.view.scale, 6) for item in self.principal)
        most = max(counted.values())
        commonest = [scale for scale, number in counted.items() if number == most]
        return front if round(front, 6) in commonest else commonest[0]

    def off_scale(self, item: PlacedView) -> bool:
        """Whether a principal view is drawn at another scale than the sheet's."""
        assert self.scale is not None
        return abs(item.view.scale / self.scale - 1) > self.exercise.thresholds.scale_ratio

    @cached_property
    def angles(self) -> Mapping[str, Angle]:
        """Which angle of projection the place of each view speaks for, where it speaks at all."""
        if self.front is None:
            return {}
        found: dict[str, Angle] = {}
        for item in self.principal:
            name = self.principal_name(item)
            angle = angle_of(name, place(self.front.box, item.box, name))
            if angle is not None:
                found[item.view.id] = angle
        return found


def attitude_of(item: PlacedView) -> Attitude:
    """The attitude of a principal view."""
    attitude = item.view.attitude
    assert attitude is not None, "a pictorial view has no attitude"
    return attitude


def place(front: Box, other: Box, name: ViewName | None = None) -> Place:
    """Where a view stands beside the front view: clear of it above, below, right or left, else apart.

    Top and bottom views are judged up and down only, side views across only, so that a view that is also out of
    line keeps its place.
    """
    clear: dict[Place, float] = {
        "above": other[1] - front[3],
        "below": front[1] - other[3],
        "right": other[0] - front[2],
        "left": front[0] - other[2],
    }
    allowed: tuple[Place, ...] = ("above", "below", "right", "left")
    if name in ("top", "bottom"):
        allowed = ("above", "below")
    elif name in ("right", "left"):
        allowed = ("right", "left")
    best = max(allowed, key=lambda side: clear[side])
    return best if clear[best] > -_TOUCH else "apart"
