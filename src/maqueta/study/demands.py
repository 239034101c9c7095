"""What the drawing of a part demands: all an instructor reads before setting an exercise."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Final

from maqueta.geometry.directions import Vector
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.projection.arrangement import ViewName, neighbour, where_belongs
from maqueta.projection.attitude import Attitude
from maqueta.projection.needed import ViewNeed, view_need
from maqueta.projection.needed_special import SpecialNeed, special_need
from maqueta.projection.projected_part import ProjectedPart
from maqueta.projection.ranking import Ranked, extent, rank
from maqueta.sheet.arranged import ROOM
from maqueta.sheet.paper import SIDES_MM, PaperSize, layout
from maqueta.sheet.scales import parse_scale, write_scale
from maqueta.sheet.spacing import GapSum, proposed_scale
from maqueta.sizes.count import SizeCount, count, diameters
from maqueta.sizes.form.model import beyond, form_model
from maqueta.solid.formed import Form, Pattern, Symmetry, forms, patterns, symmetry
from maqueta.solid.part import Feature, Part
from maqueta.solid.standing import Standing, standings
from maqueta.solid.unit import MILLIMETRES, Unit
from maqueta.task.special import AuxiliaryAsked, DetailAsked, SectionAsked, Shown, SpecialAsked


@dataclass(frozen=True, slots=True)
class ScaleProposal:
    """The largest recommended scale on one paper, with its gap sums in the part's unit; None where none fits."""

    paper: PaperSize
    scale: str | None
    across: str
    up: str


@dataclass(frozen=True, slots=True)
class NeededView:
    """A special view a part needs, as an exercise asks for it, why, and the faces it is for."""

    asked: SpecialAsked
    why: Phrase
    faces: tuple[int, ...]


@dataclass(frozen=True, slots=True)
class Demands:
    """Everything a part's drawing demands. `reason` tells why its sizes are not counted, if so.

    `least_sizes` are needed by a reader who takes corners drawn in line as in line, `sizes` by one who does not.
    """

    ranking: tuple[Ranked, ...]
    need: ViewNeed
    special: SpecialNeed
    forms: tuple[Form, ...]
    patterns: tuple[Pattern, ...]
    symmetry: Symmetry
    standings: tuple[Standing, ...]
    sizes: int | None
    least_sizes: int | None
    counts: tuple[SizeCount, ...]
    diameters: int
    reason: Phrase | None
    scales: tuple[ScaleProposal, ...]


def demands(projected: ProjectedPart) -> Demands:
    """Work out what a part's drawing demands, seen from its best front view."""
    part = projected.part
    ranking = rank(projected, cut_open=True)
    front = ranking[0].attitude
    need = view_need(projected, front)
    reason = beyond(part)
    form = form_model(part) if reason is None else None
    return Demands(
        ranking=ranking,
        need=need,
        special=special_need(
            projected,
            {name: neighbour(front, name) for name in need.needed},
            _usual_scale(part, front, need.needed) * MILLIMETRES[part.unit],
        ),
        forms=forms(part),
        patterns=patterns(part.features, part.size),
        symmetry=symmetry(part),
        standings=standings(part),
        sizes=form.needed if form else None,
        least_sizes=form.least if form else None,
        counts=count(form, front) if form else (),
        diameters=diameters(form)[0] if form else 0,
        reason=reason,
        scales=scale_proposals(part, front, need.needed),
    )


#: The papers on which it is told what is too small to be read: those most exercises are set on.
_USUAL_PAPER: Final[dict[Unit, PaperSize]] = {"mm": "A3", "inch": "ANSI B"}


def _usual_scale(part: Part, front: Attitude, views: tuple[ViewName, ...]) -> float:
    """The scale proposed on the usual paper of a unit; 1 where none fits."""
    own = next(p for p in scale_proposals(part, front, views) if p.paper == _USUAL_PAPER[part.unit])
    return (parse_scale(own.scale) if own.scale else None) or 1.0


def special_views(need: SpecialNeed) -> Iterator[NeededView]:
    """The special views a part needs, one by one."""
    for section in need.sections:
        points = " – ".join(map(_written_point, section.through))
        why = phrase("need-section", form=section.form, points=points, count=len(section.faces))
        asked = SectionAsked(kind="section", form=section.form, through=section.through)
        yield NeededView(asked, why, section.faces)
    for auxiliary in need.auxiliary:
        why = phrase("need-auxiliary", oblique="yes" if auxiliary.oblique else "no")
        shown = AuxiliaryAsked(kind="auxiliary", shows=Shown(normal=auxiliary.normal))
        yield NeededView(shown, why, (auxiliary.face,))
    for detail in need.details:
        why = phrase("need-detail", size=_written(detail.size), point=_written_point(detail.of))
        yield NeededView(DetailAsked(kind="detail", of=detail.of), why, ())


def _written_point(point: Vector) -> str:
    return "(" + ", ".join(_written(x) for x in point) + ")"


def scale_proposals(part: Part, front: Attitude, views: tuple[ViewName, ...]) -> tuple[ScaleProposal, ...]:
    """The scale proposed for each paper of the part's system of units, landscape, for views in third angle."""
    inch = part.unit == "inch"
    papers: list[PaperSize] = [paper for paper in SIDES_MM if paper.startswith("ANSI") == inch]
    millimetres = MILLIMETRES[part.unit]
    attitudes = {name: neighbour(front, name) for name in views}
    row = [n for n in views if n == "front" or where_belongs(n, "third") in ("left", "right")]
    column = [n for n in views if n == "front" or where_belongs(n, "third") in ("above", "below")]
    across = [extent(part, attitudes[name].right) * millimetres for name in row]
    up = [extent(part, attitudes[name].up) * millimetres for name in column]
    found = []
    for paper in papers:
        left, bottom, right, top = layout(paper, True).drawing_area
        area = (right - left, top - bottom)
        scale = proposed_scale(area, across, up, ROOM, part.unit)
        drawn = scale or 1.0
        sums = [
            GapSum(length / millimetres, tuple(size * drawn / millimetres for size in sizes)).written(part.unit)
            for length, sizes in zip(area, (across, up), strict=True)
        ]
        found.append(ScaleProposal(paper, write_scale(scale) if scale else None, *sums))
    return tuple(found)


def _written(value: float) -> str:
    return f"{round(value, 4):g}"


def feature_phrase(feature: Feature) -> Phrase:
    """A round feature, sizes as they are written."""
    diameter, depth = _written(feature.diameter), _written(feature.depth)
    match feature.kind:
        case "hole" if feature.through:
            return phrase("feature-hole-through", diameter=diameter, axis=feature.axis)
        case "hole":
            return phrase("feature-hole", diameter=diameter, depth=depth, axis=feature.axis)
        case "boss":
            return phrase("feature-boss", diameter=diameter, depth=depth, axis=feature.axis)
        case "counterbore":
            return phrase("feature-counterbore", diameter=diameter, depth=depth, axis=feature.axis)
        case "countersink":
            return phrase("feature-countersink", diameter=diameter, angle=feature.angle, axis=feature.axis)


def form_phrase(form: Form) -> Phrase:
    """A form, sizes as they are written."""
    size, length, depth = (_written(value) for value in (form.size, form.length, form.depth))
    match form.kind:
        case "slot" if form.through:
            return phrase("form-slot-through", length=length, size=size)
        case "slot":
            return phrase("form-slot", length=length, size=size, depth=depth)
        case "chamfer":
            return phrase("form-chamfer", size=size, length=length)
        case "fillet":
            return phrase("form-fillet", size=size)
        case "rounded end":
            return phrase("form-rounded-end", size=size)


def pattern_phrase(pattern: Pattern, part: Part) -> Phrase:
    """A pattern: what is alike, and how it is laid out."""
    first, pitch = part.features[pattern.features[0]], _written(pattern.pitch)
    which = phrase("alike", count=len(pattern.features), kind=first.kind, diameter=_written(first.diameter))
    match pattern.layout:
        case "row":
            return phrase("pattern-row", which=which, pitch=pitch)
        case "circle":
            return phrase("pattern-circle", which=which, pitch=pitch)
        case "alike":
            return phrase("pattern-alike", which=which)
