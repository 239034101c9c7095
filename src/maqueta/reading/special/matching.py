"""Which groups of lines are special views, and of what: each tried with what its marks and labels say first."""

import math
from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Final

import shapely
from shapely.geometry import Polygon

from maqueta.geometry.box import grown, within
from maqueta.geometry.carrier import TURN, Circle
from maqueta.geometry.compare import DrawnPiece
from maqueta.geometry.directions import Vector
from maqueta.geometry.frame import unit
from maqueta.geometry.line_set import LineSet
from maqueta.projection.look import Look
from maqueta.projection.projected_part import UnseenLookError
from maqueta.reading.candidates import Identity, candidate_of
from maqueta.reading.centre_strokes import runs_through_centre
from maqueta.reading.identify import STRANGER, Fit, compared, fits_at
from maqueta.reading.special.broken_out import broken_out_of
from maqueta.reading.special.fitting import SURE, fits_as
from maqueta.reading.special.labels import Label
from maqueta.reading.special.revolved import revolved_at
from maqueta.reading.special.shown import (
    Meant,
    auxiliary_of,
    details_of,
    sections_near_mark,
    sections_of_mark,
    sections_through_axes,
)
from maqueta.reading.special.told_groups import ToldGroups
from maqueta.reading.special.turned import turned_to_fit
from maqueta.sheet.special import SheetClip
from maqueta.sheet.view import Aslant, FromCorner
from maqueta.solid.unit import MILLIMETRES

#: Below this it may be axes that disagree.
_AXES: Final = 0.4
#: What is hatched counts so much beside the lines.
_HATCHED: Final = 0.1
#: So many looks are drawn for one sheet at most.
MOST_LOOKS: Final = 160


class LooksWantedError(Exception):
    """A sheet that cannot be read before its part is drawn in more looks."""

    def __init__(self, looks: Iterable[Look]) -> None:
        super().__init__()
        self.looks = tuple(dict.fromkeys(looks))


@dataclass(frozen=True, slots=True)
class Known:
    """A group as a special view: how well it fits, the group it hangs on, the mark it belongs to, and its label.

    `hung_on` is how the other group has to be taken for it, where it could be taken in several ways.
    """

    fit: Fit
    parent: int | None
    mark: int | None
    label: Label | None
    hung_on: Fit | None = None


@dataclass
class Matching(ToldGroups):
    """The groups of a sheet, each tried with what may be meant by it."""

    #: Whether more looks can be asked for.
    asks: bool

    def matched(self, fits: Sequence[Fit | None], special: Sequence[int]) -> dict[int, Known]:
        """The special views among the groups that may be ones; `fits` are those of the others.

        Raises LooksWantedError where the part has to be drawn in more looks first.
        """
        views = {place: fit for place, fit in enumerate(fits) if fit is not None and place not in special}
        found: dict[int, Known] = {}
        wanted: list[Look] = []
        for place in special:
            label = self.labels.get(place)
            if label is not None and label.kind == "detail":
                continue
            known = self._best(place, self._stages(place, label, views), label, wanted)
            if known is not None:
                found[place] = known
        if wanted:
            raise LooksWantedError(wanted)
        found |= self._second(found, views)
        parents = views | {place: known.fit for place, known in found.items()}
        for place in special:
            if place not in found and (known := self._detail(place, parents)) is not None:
                found[place] = known
        return found

    def _stages(self, place: int, label: Label | None, views: Mapping[int, Fit]) -> list[Callable[[], list[Meant]]]:
        """What a group could be, the likeliest first; later ones are tried where nothing before agrees."""
        part = self.projected.part
        looks = [(k, fit.identity.orthographic) for k, fit in views.items()]
        known = [(k, look) for k, look in looks if look is not None and look.cut is None]
        hatched = place in self.areas or (label is not None and label.kind == "section")
        marks = self._marks_for(label)
        pieces = [item.piece for item in self.pieces_of(place)]
        stages: list[Callable[[], list[Meant]]] = []
        face = self.groups[place].box
        for parent, fit in views.items() if hatched and not self.groups[place].fits else ():
            look = fit.identity.orthographic
            if look is not None and within(face, self.groups[parent].box, 1.0):
                within_it = (part, face, parent, look, self.move(fit))
                stages.append(lambda within_it=within_it: revolved_at(*within_it))  # type: ignore[misc]
        if hatched and not marks:
            stages.append(lambda: self._broken_out(place))
        if hatched:
            for near in (sections_of_mark, sections_near_mark):
                stages.append(lambda near=near: self._of_marks(near, marks, views))  # type: ignore[misc]
            through = [point for asked in self.expected.special if asked.kind == "section" for point in asked.through]
            squarely = self._squarely(known)
            if through:
                stages.append(lambda: sections_through_axes(part, squarely, through))
            stages.append(lambda: sections_through_axes(part, squarely, ()))
            stages.append(
                lambda: list(turned_to_fit(self._of_marks(sections_of_mark, marks, views), self.seen, pieces))
            )
        else:
            folded = auxiliary_of(part, known, *self._asked_ways())
            stages.append(lambda: folded)
            stages.append(lambda: list(turned_to_fit(folded, self.seen, pieces)))
        return stages

    def _asked_ways(self) -> tuple[list[Vector], list[Vector]]:
        """The directions the exercise wants looked along, and those of edges it wants in true length."""
        shows = [asked.shows for asked in self.expected.special if asked.kind == "auxiliary"]
        return [unit(own.way) for own in shows if own is not None], [unit(way) for way in self.expected.edges]

    def _broken_out(self, place: int) -> list[Meant]:
        """A group as a view of which a region is broken out."""
        fit = next((own for own in self.groups[place].fits if own.identity.attitude is not None), None)
        look = fit.identity.orthographic if fit is not None else None
        bound = self.free(place)
        if fit is None or look is None or not bound or place not in self.areas:
            return []
        move = self.move(fit)
        pieces = [self.strokes[i].piece for i in self.groups[place].members if i not in bound]
        free = [self.strokes[i].piece for i in sorted(bound)]
        return broken_out_of(self.projected.part, look, move, pieces, free, self.areas[place])

    def _squarely(self, known: Sequence[tuple[int, Look]]) -> list[Look]:
        """The looks from the sides of the part that sections without a mark are tried in."""
        front = self.expected.fronts[0]
        own = [look for _, look in known]
        return own if any(_same(look, front.look) for look in own) else [front.look, *own]

    def _of_marks(
        self,
        meant: Callable[..., list[Meant]],
        marks: Sequence[int],
        views: Mapping[int, Fit],
    ) -> list[Meant]:
        found: list[Meant] = []
        for number in marks:
            parent = self.home(self.marks.cuts[number])
            fit = views.get(parent) if parent is not None else None
            options = [fit] if fit is not None else []
            if fit is not None and parent is not None and len(views) == 1:
                # Alone, a view may be turned in ways that look the same.
                options += [own for own in self.groups[parent].fits if own.disagreement <= fit.disagreement + 1e-3]
            for own in options[:6]:
                look = own.identity.orthographic
                if look is None or parent is None:
                    continue
                move = self.move(own)
                told = meant(self.projected.part, self.marks.cuts[number], number, parent, look, move)
                found += [replace(each, hung_on=own) for each in told]
        return found

    def _marks_for(self, label: Label | None) -> list[int]:
        """The cutting lines a group may belong to: the one with its letter, else any."""
        cuts = self.marks.cuts
        own = [k for k, mark in enumerate(cuts) if label is not None and label.letter in mark.letters]
        return own or list(range(len(cuts)))

    def _best(
        self, place: int, stages: Sequence[Callable[[], list[Meant]]], label: Label | None, wanted: list[Look]
    ) -> Known | None:
        """The best way to take a group: stage by stage until one agrees."""
        pieces = self.pieces_of(place)
        scales = self.scales_of(label)
        best: Known | None = None
        merit = math.inf
        for stage in stages:
            unseen: list[Look] = []
            for meant in stage():
                try:
                    lines = self.lines_of(meant.identity)
                except UnseenLookError as error:
                    unseen.append(error.look)
                    continue
                if not lines.pieces:
                    continue
                fit = self._fit(place, meant, lines, pieces, scales)
                own = self._merit(place, fit, lines) if fit is not None else math.inf
                if fit is not None and own < merit - 1e-6:
                    best, merit = Known(fit, meant.parent, meant.mark, label, meant.hung_on), own
            if unseen and self.asks and len(self.projected.others) < MOST_LOOKS:
                room = MOST_LOOKS - len(self.projected.others)
                wanted += list(dict.fromkeys(unseen))[:room]
                return None
            if best is not None and best.fit.disagreement <= SURE and merit <= SURE + _HATCHED / 2:
                break
        plain = self.groups[place].fits
        usual = plain[0].disagreement if plain and not isinstance(plain[0].identity.look, FromCorner) else STRANGER
        hatched = place in self.areas
        if best is None or best.fit.disagreement > (STRANGER if hatched else min(STRANGER, usual)):
            return None
        return best

    def _fit(
        self, place: int, meant: Meant, lines: LineSet, pieces: Sequence[DrawnPiece], scales: Sequence[float]
    ) -> Fit | None:
        """How a group fits what it may be; strokes of which nothing says what they are may be those of its axes."""
        fit = next(iter(self._fits(meant, lines, pieces, scales)), None)
        look = meant.identity.orthographic
        if fit is None or look is None or not SURE < fit.disagreement < _AXES:
            return fit
        move = self.move(fit)
        kept = [
            piece
            for i, piece in zip(self.members(place), pieces, strict=True)
            if i not in self.loose
            or not runs_through_centre(piece.piece, self.projected.part, look, move, self.expected.tolerance)
        ]
        if len(kept) == len(pieces):
            return fit
        again = next(iter(self._fits(meant, lines, kept, scales)), None)
        return again if again is not None and again.disagreement < fit.disagreement else fit

    def _merit(self, place: int, fit: Fit, lines: LineSet) -> float:
        """How badly a section fits: its lines, and what is hatched beside what would be cut.

        Of those that fit alike, one that shows an accepted front goes first.
        """
        look = fit.identity.orthographic
        front = any(look is not None and _same(look, own.look) for own in self.expected.fronts)
        return fit.disagreement + _HATCHED * self._unlike(place, fit, lines) - (5e-4 if front else 0.0)

    def _unlike(self, place: int, fit: Fit, lines: LineSet) -> float:
        """How much of what is hatched or cut is not both, from 0 to 1; 0 where nothing is hatched."""
        if place not in self.areas:
            return 0.0
        move = self.move(fit)
        drawn = shapely.unary_union([area.region for area in self.areas[place]])
        moved = [region.moved(move) for region in lines.regions]
        cut = shapely.unary_union([Polygon(own.rings[0], own.rings[1:]).buffer(0) for own in moved])
        return 1.0 - float(drawn.intersection(cut).area / max(drawn.union(cut).area, 1e-9))

    def _fits(self, meant: Meant, lines: LineSet, pieces: Sequence[DrawnPiece], scales: Sequence[float]) -> list[Fit]:
        return fits_as(meant.identity, lines, self.projected.part, pieces, scales, self.expected.tolerance)

    def _second(self, found: Mapping[int, Known], views: Mapping[int, Fit]) -> dict[int, Known]:
        """Auxiliary views that hang on one that is an auxiliary view itself."""
        return {
            place: replace(known, parent=parent)
            for place, known in found.items()
            if known.fit.identity.kind == "auxiliary" and known.parent is None
            for parent in (self._primary(place, known, found),)
        }

    def _primary(self, place: int, known: Known, found: Mapping[int, Known]) -> int | None:
        look = known.fit.identity.orthographic
        for other, own in found.items():
            parent = own.fit.identity.orthographic
            if other == place or look is None or parent is None or own.fit.identity.kind != "auxiliary":
                continue
            if abs(sum(a * b for a, b in zip(look.towards, parent.towards, strict=True))) < 1e-6:
                return other
        return None

    def _detail(self, place: int, parents: Mapping[int, Fit]) -> Known | None:
        """A group as an enlarged region of another: the one circled with its letter, else any that is circled."""
        label = self.labels.get(place)
        circles = [k for k, own in enumerate(self.marks.circles) if label is None or own.letter == label.letter]
        pieces, scales = self.pieces_of(place), self.scales_of(label)
        best: Known | None = None
        for number in circles or range(len(self.marks.circles)):
            circle = self.marks.circles[number]
            x, y, radius = *circle.centre, circle.radius
            parent = self.nearest((x - radius, y - radius, x + radius, y + radius))
            fit = parents.get(parent) if parent is not None else None
            if fit is None or parent is None or parent == place:
                continue
            move = self.move(fit)
            for meant in details_of(circle, number, parent, fit.identity, move):
                lines = self.lines_of(meant.identity)
                if not lines.pieces:
                    continue
                own = self._fit(place, meant, lines, pieces, scales)
                if own is not None and (best is None or own.disagreement < best.fit.disagreement):
                    best = Known(own, parent, number, label)
        if best is not None and best.fit.disagreement <= STRANGER:
            return best
        return self._cut_out(place, label, parents) if label is not None else None

    def _cut_out(self, place: int, label: Label, parents: Mapping[int, Fit]) -> Known | None:
        """A labelled group that no circle belongs to, as whatever region of a view has its lines."""
        pieces, unit = self.pieces_of(place), MILLIMETRES[self.projected.part.unit]
        best: Known | None = None
        for parent, fit in parents.items():
            look = fit.identity.orthographic
            if look is None or parent == place:
                continue
            whole = candidate_of(fit.identity, self.lines_of(fit.identity))
            larger = [scale for scale in self.scales_of(label) if scale > fit.scale] or [2 * fit.scale, 5 * fit.scale]
            for own in fits_at([whole], pieces, larger, unit, self.expected.tolerance):
                factor = own.scale * unit
                x, y, radius = self._edge(place)
                centre = ((x - own.at[0]) / factor, (y - own.at[1]) / factor)
                clip = SheetClip(centre=centre, radius=radius / factor)
                identity = Identity(Aslant(frame=look.frame), cut=fit.identity.cut, clip=clip)
                shown = candidate_of(identity, self.lines_of(identity))
                result = compared(shown, factor, own.at, pieces, self.expected.tolerance, hidden=False)
                if best is None or result.disagreement < best.fit.disagreement:
                    best = Known(Fit(identity, own.scale, own.at, result.disagreement), parent, None, label)
        return best if best is not None and best.fit.disagreement <= STRANGER else None

    def _edge(self, place: int) -> tuple[float, float, float]:
        """The circle a detail is broken off at: centre and radius in mm; one round its ink where none is drawn."""
        left, bottom, right, top = self.groups[place].box
        across = math.hypot(right - left, top - bottom)
        for stroke in self.strokes:
            carrier = stroke.piece.carrier
            if not isinstance(carrier, Circle) or stroke.piece.interval[1] - stroke.piece.interval[0] < TURN - 0.3:
                continue
            x, y, radius = carrier.x, carrier.y, carrier.radius
            around = (x - radius, y - radius, x + radius, y + radius)
            if within(self.groups[place].box, grown(around, 0.6)) and radius <= across:
                return x, y, radius
        return (left + right) / 2, (bottom + top) / 2, max(across / 2, 1e-6)


def _same(look: Look, other: Look) -> bool:
    return all(math.dist(a, b) < 1e-6 for a, b in zip(look.frame, other.frame, strict=True))
