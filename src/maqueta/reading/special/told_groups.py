"""The groups of lines of a sheet, with everything on it that says something of special views."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Final

from maqueta.geometry.box import Box, apart, box_of, grown, within
from maqueta.geometry.carrier import TURN, Circle, Similarity
from maqueta.geometry.compare import DrawnPiece
from maqueta.geometry.line_set import LineSet, extremes
from maqueta.projection.look import Look
from maqueta.projection.projected_part import ProjectedPart, UnseenLookError
from maqueta.reading.candidates import Identity
from maqueta.reading.content import Stroke
from maqueta.reading.expectation import Expectation
from maqueta.reading.identify import Fit
from maqueta.reading.kinds import Kind
from maqueta.reading.special.belonging import PLAIN
from maqueta.reading.special.broken_out import free_lines
from maqueta.reading.special.cutting_marks import CutMark, SpecialMarks
from maqueta.reading.special.labels import Label
from maqueta.reading.view_groups import Group, drawn_piece
from maqueta.sheet.scales import parse_scale
from maqueta.sheet.special import Hatching
from maqueta.sheet.view import FromCorner
from maqueta.solid.unit import MILLIMETRES

#: A cutting line lies in its view or this far beyond it (mm).
_BEYOND: Final = 25.0
#: Kinds of line that a broken-out section may be bounded by: it is narrow, and free.
_MAY_BOUND: Final = ("visible", "open", "dimension", "construction")


@dataclass
class ToldGroups:
    """A sheet's groups, and everything on it that says something of special views."""

    strokes: Sequence[Stroke]
    kinds: Sequence[Kind]
    either: frozenset[int]
    loose: frozenset[int]
    groups: Sequence[Group]
    marks: SpecialMarks
    labels: Mapping[int, Label]
    areas: Mapping[int, Sequence[Hatching]]
    projected: ProjectedPart
    expected: Expectation
    scales: Sequence[float]

    def special(self) -> list[int]:
        """The groups that may be special views: hatched, labelled, or no view of the whole part."""
        found = []
        for place, group in enumerate(self.groups):
            plain = bool(group.fits) and group.fits[0].disagreement <= PLAIN
            pictorial = bool(group.fits) and isinstance(group.fits[0].identity.look, FromCorner) and plain
            if place in self.labels or place in self.areas or not (plain or pictorial):
                found.append(place)
        return found

    def members(self, place: int) -> tuple[int, ...]:
        """The strokes of a group, without the line a detail is broken off at, or a section is broken out along."""
        group = self.groups[place]
        label = self.labels.get(place)
        if label is None and place in self.areas and not self.marks.cuts:
            bound = self.free(place)
            return tuple(i for i in group.members if i not in bound)
        if label is None or label.kind != "detail":
            return group.members
        kept = []
        for i in group.members:
            piece = self.strokes[i].piece
            if isinstance(piece.carrier, Circle) and piece.interval[1] - piece.interval[0] > TURN - 0.3:
                x, y, radius = piece.carrier.x, piece.carrier.y, piece.carrier.radius
                around = (x - radius, y - radius, x + radius, y + radius)
                if within(group.box, grown(around, 0.6)):
                    continue
            kept.append(i)
        return tuple(kept)

    def free(self, place: int) -> frozenset[int]:
        """The strokes in a group's box that may bound what is broken out of it, whatever line they are drawn with."""
        group = self.groups[place]
        fit = next((own for own in group.fits if own.identity.attitude is not None), None)
        look = fit.identity.orthographic if fit is not None else None
        if fit is None or look is None or place not in self.areas:
            return frozenset()
        move = self.move(fit)
        drawn = self.projected.line_set(look).moved(move).of("visible", "hidden")
        inside = [
            (i, stroke.piece)
            for i, stroke in enumerate(self.strokes)
            if self.kinds[i] in _MAY_BOUND and within(box_of(extremes(stroke.piece)), group.box, 1.0)
        ]
        return frozenset(free_lines(inside, drawn))

    def home(self, mark: CutMark) -> int | None:
        """The group a cutting line lies in: the one whose box it runs through farthest."""
        return self.nearest(box_of(mark.path))

    def nearest(self, box: Box) -> int | None:
        """The group whose box shares most with another."""
        best: tuple[float, float, int] | None = None
        for place, group in enumerate(self.groups):
            if place in self.areas and len(self.groups) > 1 and not within(box, group.box, 1.0):
                continue
            left, bottom = max(box[0], group.box[0]), max(box[1], group.box[1])
            right, top = min(box[2], group.box[2]), min(box[3], group.box[3])
            reach = max(right - left, 0.0) + max(top - bottom, 0.0) if right >= left and top >= bottom else 0.0
            far = apart(box, group.box)
            if far <= _BEYOND and (best is None or (reach, -far) > best[:2]):
                best = (reach, -far, place)
        return best[2] if best is not None else None

    def move(self, fit: Fit) -> Similarity:
        """From the plane of a view to where a fit has it on the sheet."""
        return Similarity(fit.scale * MILLIMETRES[self.projected.part.unit], 0.0, *fit.at)

    def pieces_of(self, place: int) -> list[DrawnPiece]:
        """The lines of a group on paper."""
        members = self.members(place)
        return [drawn_piece(self.strokes[i], self.kinds[i], i in self.either) for i in members]

    def lines_of(self, identity: Identity) -> LineSet:
        """What a view shows. Raises UnseenLookError where the part has not been drawn so."""
        look = identity.orthographic
        assert look is not None, "special views look at the part"
        return self.projected.line_set(look)

    def seen(self, look: Look) -> LineSet | None:
        """The lines of a look; None where it has not been drawn."""
        try:
            return self.projected.line_set(look)
        except UnseenLookError:
            return None

    def scales_of(self, label: Label | None) -> list[float]:
        """The scales a group may be drawn at, that of its label first."""
        own = parse_scale(label.scale) if label is not None and label.scale else None
        return [own, *self.scales] if own is not None else list(self.scales)
