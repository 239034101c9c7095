"""What is on a sheet, worked out once for all criteria: which view is the front, what the others are called."""

from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property

from maqueta.drawing.ink import InkGroup
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.geometry.compare import Comparison, compare
from maqueta.geometry.line_set import LineSet
from maqueta.judging.parts_off import PartOff, parts_off
from maqueta.projection.arrangement import Angle, ViewName, angle_of, name_of, neighbour, where_stands
from maqueta.projection.attitude import Attitude
from maqueta.projection.projected_part import ProjectedPart, face_alone
from maqueta.projection.ranking import Ranked
from maqueta.sheet.columns import Columns, columns_meant
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.paper import Layout
from maqueta.sheet.placed import PlacedView, placed_views
from maqueta.sheet.view_graph import angle_across, fold
from maqueta.task.exercise import Exercise
from maqueta.task.fronts import accepted_fronts, ranking_of


@dataclass(frozen=True)
class Survey:
    """A part, an exercise and a sheet, with everything derived from the three."""

    projected: ProjectedPart
    exercise: Exercise
    sheet: SheetDocument

    @cached_property
    def layout(self) -> Layout:
        """The rectangles of the sheet's paper."""
        return self.sheet.paper.layout

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
        """The views that look squarely at the part; among them sections that stand in for one that is not there."""
        plain = [item for item in self.placed if item.view.kind == "principal"]
        standing_in = self._standing_in(plain)
        return tuple(item for item in self.placed if item.view.kind == "principal" or item in standing_in)

    @cached_property
    def cut_front(self) -> PlacedView | None:
        """The section that is the front view, where no other view can be it."""
        plain = [item for item in self.placed if item.view.kind == "principal"]
        sections = [item for item in self.sections if item.attitude is not None]
        if not sections:
            return None
        accepted = accepted_fronts(self.projected, self.exercise)
        if any(item.attitude in accepted for item in plain) or len(plain) >= len(self.exercise.view_names):
            return None
        return next((item for item in sections if item.attitude in accepted), None)

    def _standing_in(self, plain: Sequence[PlacedView]) -> list[PlacedView]:
        """Sections in the place of a principal view: the front cut open, and those without letters of their own."""
        shown = {item.attitude.side for item in plain if item.attitude is not None}
        front = self.cut_front
        found = [front] if front is not None else []
        for item in self.sections:
            alone = item.attitude is not None and item.attitude.side not in shown
            if alone and item.view.letter is None and item is not front:
                found.append(item)
        return found

    @cached_property
    def sections(self) -> tuple[PlacedView, ...]:
        """The views that show the part cut open."""
        return tuple(item for item in self.placed if item.view.kind == "section")

    @cached_property
    def orthographic(self) -> tuple[PlacedView, ...]:
        """The views whose sizes and axes are judged: all but pictorial ones and those that fit no view."""
        return tuple(item for item in self.placed if item.orthographic is not None)

    @cached_property
    def pictorial(self) -> tuple[PlacedView, ...]:
        """The equal-axis views."""
        return tuple(item for item in self.placed if item.view.kind == "pictorial")

    @cached_property
    def unrecognised(self) -> tuple[PlacedView, ...]:
        """Groups of lines that fit no view of the part."""
        return tuple(item for item in self.placed if item.view.kind == "unrecognised")

    @cached_property
    def compared(self) -> Mapping[str, Comparison]:
        """Drafted views against what they should show, by id; mirrored and unrecognised ones are not compared."""
        drawn = (item for item in self.placed if item.view.lines is not None and not item.view.mirrored)
        return {item.view.id: self._compared(item) for item in drawn if item.lines.pieces}

    def _compared(self, item: PlacedView) -> Comparison:
        """A drafted view against what it should show; an auxiliary one may show the face it looks at alone."""
        tolerance, reach = self.exercise.tolerance_mm, self.exercise.thresholds.displaced_mm

        def against(lines: LineSet) -> Comparison:
            hidden = self.hidden_wanted(item)
            return compare(lines, item.by_hand, tolerance / item.factor, reach / item.factor, hidden)

        whole = against(item.lines)
        if item.view.kind != "auxiliary" or item.look is None or not whole.missing:
            return whole
        alone = face_alone(item.lines, self.projected.part, item.look)
        partial = against(alone) if alone.pieces else whole
        return partial if partial.disagreement < whole.disagreement else whole

    def hidden_wanted(self, item: PlacedView) -> bool:
        """Whether a view is to have its hidden lines: an auxiliary one or a detail all of them, if it has any."""
        broken_out = item.view.cut is not None and item.view.cut.form == "broken-out"
        if item.view.kind in ("auxiliary", "detail") or broken_out:
            return any(line.piece.kind == "hidden" for line in item.by_hand)
        return self.exercise.hidden_lines and item.view.kind == "principal"

    @cached_property
    def parts_off(self) -> tuple[PartOff, ...]:
        """The parts of an assembly that are shown nowhere in its drafted views, or where they do not belong."""
        views = [(item, self.compared[item.view.id]) for item in self.orthographic if item.view.id in self.compared]
        if not views:
            return ()
        return parts_off(self.projected.part, views, self.exercise.tolerance_mm, self.exercise.hidden_lines)

    @cached_property
    def ranking(self) -> tuple[Ranked, ...]:
        """All 24 attitudes, best first, for what this exercise asks for."""
        return ranking_of(self.projected, self.exercise)

    @cached_property
    def front(self) -> PlacedView | None:
        """The view taken as front: the one the sheet names, else the one the others are arranged around."""
        if self.cut_front is not None:
            return self.cut_front
        named = next((item for item in self.principal if item.view.id == self.sheet.front), None)
        if named is not None or not self.principal:
            return named
        accepted = {choice.attitude for choice in self.exercise.front.accept}

        def merit(candidate: PlacedView) -> tuple[float, float, float]:
            front = attitude_of(candidate)
            around = sum(
                angle_of(name_of(front, attitude_of(other).side), where_stands(candidate.box, other.box)) is not None
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

    def parent(self, item: PlacedView) -> PlacedView | None:
        """The view another is folded out from: the one it names, of a principal one that names none the front."""
        if item.view.parent is not None:
            parent = self.by_id[item.view.parent]
            # The front view stands for itself, also where it is a section cut along a line of another view.
            return None if item is self.cut_front else parent
        return self.front if item in self.principal and item is not self.front else None

    def match(self, item: PlacedView) -> float:
        """How well the drawn lines of a view agree with the part, 0 to 1; a projected view always does."""
        if item.view.lines is None or item.view.mirrored:
            return 1.0
        return 1.0 - self.compared[item.view.id].disagreement if item.view.id in self.compared else 0.0

    @cached_property
    def names(self) -> Mapping[str, str]:
        """What each view is called, seen from the drawn front view; others by their kind, single parts by name."""
        names: dict[str, str] = {}
        parts = {own.id: own.name for own in self.projected.part.components}
        for item in self.placed:
            if item.view.only in parts:
                names[item.view.id] = parts[item.view.only]
                continue
            own = item.attitude if item in self.principal else None
            names[item.view.id] = item.view.kind if own is None else name_of(self.reference, own.side)
        return names

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
    def columns(self) -> Columns:
        """The columns and rows the principal views are meant to stand in."""
        return self._columns_of(self.principal)

    @cached_property
    def columns_of_one_scale(self) -> Columns:
        """The same without the views that are drawn at another scale than the sheet's."""
        return self._columns_of([item for item in self.principal if not self.off_scale(item)])

    def _columns_of(self, views: Sequence[PlacedView]) -> Columns:
        reference = self.reference if self.front is not None else None
        return columns_meant(views, self.front, reference, self.exercise.angle)

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
        """Whether a view is drawn at another scale than the sheet's; without principal views a sheet has none."""
        return self.scale is not None and abs(item.view.scale / self.scale - 1) > self.exercise.thresholds.scale_ratio

    @cached_property
    def angles(self) -> Mapping[str, Angle]:
        """Which angle of projection the place of each view speaks for, where it speaks at all."""
        if self.front is None:
            return {}
        found: dict[str, Angle] = {}
        for item in self.principal:
            name = self.principal_name(item)
            angle = angle_of(name, where_stands(self.front.box, item.box, name))
            if angle is not None:
                found[item.view.id] = angle
        for item in self.orthographic:
            parent = self.parent(item)
            in_projection = item.view.kind == "auxiliary" and item.view.letter is None
            if not in_projection or parent is None or parent.look is None or item.look is None:
                continue
            towards = fold(parent.look, item.look)
            angle = angle_across(parent.reach(towards), item.reach(towards)) if towards is not None else None
            if angle is not None:
                found[item.view.id] = angle
        return found


def attitude_of(item: PlacedView) -> Attitude:
    """The attitude of a principal view."""
    attitude = item.attitude
    assert attitude is not None, "a pictorial view has no attitude"
    return attitude
