"""A group of lines as the special view that a person says it is: of which cutting line, circle or parent view."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Final

from maqueta.geometry.compare import DrawnPiece
from maqueta.projection.projected_part import ProjectedPart, UnseenLookError
from maqueta.reading.candidates import Identity
from maqueta.reading.expectation import Expectation
from maqueta.reading.identify import Fit
from maqueta.reading.said_to_be import SpecialSaid
from maqueta.reading.special.cutting_marks import CircleMark, CutMark
from maqueta.reading.special.fitting import SURE, fits_as
from maqueta.reading.special.matching import MOST_LOOKS, LooksWantedError
from maqueta.reading.special.shown import (
    Meant,
    auxiliary_of,
    details_of,
    sections_near_mark,
    sections_of_mark,
    sections_through_axes,
)
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.placed import PlacedView
from maqueta.sheet.set_down import sight_of
from maqueta.sheet.view_graph import FOLDED_FROM

#: What fits so well needs no less likely meaning of the same words.
_WELL: Final = 5 * SURE


@dataclass(frozen=True, slots=True)
class AsSaid:
    """The best fit, the view it hangs on, and the letter it is known by there."""

    fit: Fit
    parent: str | None
    letter: str | None


@dataclass(frozen=True)
class SaidGroup:
    """A group of lines of a sheet of which a person says what it is: `own` among the sheet's placed `views`, its lines
    on paper, and the scales it may be drawn at.
    """

    projected: ProjectedPart
    sheet: SheetDocument
    views: Sequence[PlacedView]
    own: PlacedView
    pieces: Sequence[DrawnPiece]
    scales: Sequence[float]
    expected: Expectation

    def as_said(self, said: SpecialSaid, of: str | None) -> AsSaid | None:
        """The special view it is said to be, however badly its lines fit; None where nothing is like that.

        `of` is the id of its cutting line, its circled region or its parent view; a section without one is cut where
        the part asks for it, an auxiliary view without one is folded out from any. Raises KeyError for an id that is
        none, LooksWantedError where the part has to be drawn in more looks first.
        """
        parent, letter, stages = self._meant(said, of)
        best: tuple[Fit, Meant] | None = None
        for stage in stages:
            unseen = []
            for meant in stage():
                try:
                    fit = self._fit(meant.identity)
                except UnseenLookError as error:
                    unseen.append(error.look)
                    continue
                if fit is not None and (best is None or fit.disagreement < best[0].disagreement):
                    best = fit, meant
            room = MOST_LOOKS - len(self.projected.others)
            if unseen and room > 0:
                raise LooksWantedError(unseen[:room])
            if best is not None and best[0].disagreement <= _WELL:
                break
        if best is None:
            return None
        fit, meant = best
        hung = parent if parent is not None or meant.parent is None else self.views[meant.parent].view.id
        return AsSaid(fit, hung, letter)

    def _fit(self, identity: Identity) -> Fit | None:
        look = identity.orthographic
        lines = self.projected.line_set(look) if look is not None else None
        if lines is None or not lines.pieces:
            return None
        tolerance = self.expected.tolerance
        fits = fits_as(identity, lines, self.projected.part, self.pieces, self.scales, tolerance)
        return fits[0] if fits else None

    def _meant(
        self, said: SpecialSaid, of: str | None
    ) -> tuple[str | None, str | None, list[Callable[[], list[Meant]]]]:
        """The parent and the letter, and what may be meant: the likeliest first."""
        part = self.projected.part
        others = {item.view.id: item for item in self.views if item is not self.own}
        order = {item.view.id: place for place, item in enumerate(self.views)}
        if said == "section" and of is not None:
            line = next((known for known in self.sheet.cutting_lines if known.id == of and known.view in others), None)
            if line is None:
                raise KeyError(of)
            home = others[line.view]
            look, place = home.orthographic, order[line.view]
            letters = (line.letter, line.other)
            mark = CutMark(tuple(map(home.move, line.path)), sight_of(line), letters, frozenset(), ())
            if look is None:
                return line.view, line.letter, []

            def near() -> list[Meant]:
                return sections_near_mark(part, mark, 0, place, look, home.move)

            return line.view, line.letter, [lambda: sections_of_mark(part, mark, 0, place, look, home.move), near]
        if said == "detail":
            region = next((known for known in self.sheet.circled if known.id == of and known.view in others), None)
            if region is None:
                raise KeyError(of)
            home = others[region.view]
            circle = CircleMark(home.move(region.region.centre), region.region.radius * home.factor, "", 0, 0)
            identity = Identity(home.view.look, cut=home.view.cut)
            return region.view, region.letter, [lambda: details_of(circle, 0, 0, identity, home.move)]
        if of is not None and of not in others:
            raise KeyError(of)
        looks = [
            (order[name], look)
            for name, item in others.items()
            if of in (None, name) and item.view.kind in FOLDED_FROM and (look := item.orthographic) is not None
        ]
        if said == "section":
            fronts = [front.look for front in self.expected.fronts[:1]]
            return None, None, [lambda: sections_through_axes(part, [*(look for _, look in looks), *fronts], ())]
        return of, None, [lambda: [meant for meant in auxiliary_of(part, looks) if meant.parent is not None]]
