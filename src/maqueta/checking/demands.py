"""What the drawing of a part demands: all an instructor reads before setting an exercise."""

from dataclasses import dataclass

from maqueta.dimensioning.count import DirectionCount, count, diameters
from maqueta.dimensioning.form_model import beyond, form_model
from maqueta.projection.arrangement import ViewName, neighbour, place_of
from maqueta.projection.attitude import Attitude
from maqueta.projection.needed import ViewNeed, view_need
from maqueta.projection.projected_part import ProjectedPart
from maqueta.projection.ranking import Ranked, extent, rank
from maqueta.sheet.arranged import ROOM
from maqueta.sheet.paper import SIDES_MM, PaperSize, layout
from maqueta.sheet.scales import write_scale
from maqueta.sheet.spacing import GapSum, proposed_scale
from maqueta.solid.formed import Form, Pattern, Symmetry, forms, patterns, symmetry
from maqueta.solid.part import Feature, Part
from maqueta.solid.standing import Standing, standings
from maqueta.solid.unit import MILLIMETRES


@dataclass(frozen=True, slots=True)
class ScaleProposal:
    """The largest recommended scale on one paper, with its gap sums in the part's unit; None where none fits."""

    paper: PaperSize
    scale: str | None
    across: str
    up: str


@dataclass(frozen=True, slots=True)
class Demands:
    """Everything a part's drawing demands. `reason` tells why its sizes are not counted, if so.

    `least_sizes` are needed by a reader who takes corners drawn in line as in line, `sizes` by one who does not.
    """

    ranking: tuple[Ranked, ...]
    need: ViewNeed
    forms: tuple[Form, ...]
    patterns: tuple[Pattern, ...]
    symmetry: Symmetry
    standings: tuple[Standing, ...]
    sizes: int | None
    least_sizes: int | None
    counts: tuple[DirectionCount, ...]
    diameters: int
    reason: str | None
    scales: tuple[ScaleProposal, ...]


def demands(projected: ProjectedPart) -> Demands:
    """Work out what a part's drawing demands, seen from its best front view."""
    part = projected.part
    ranking = rank(projected)
    front = ranking[0].attitude
    need = view_need(projected, front)
    reason = beyond(part)
    form = form_model(part) if reason is None else None
    return Demands(
        ranking=ranking,
        need=need,
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


def scale_proposals(part: Part, front: Attitude, views: tuple[ViewName, ...]) -> tuple[ScaleProposal, ...]:
    """The scale proposed for each paper of the part's system of units, landscape, for views in third angle."""
    inch = part.unit == "inch"
    papers: list[PaperSize] = [paper for paper in SIDES_MM if paper.startswith("ANSI") == inch]
    millimetres = MILLIMETRES[part.unit]
    attitudes = {name: neighbour(front, name) for name in views}
    row = [n for n in views if n == "front" or place_of(n, "third") in ("left", "right")]
    column = [n for n in views if n == "front" or place_of(n, "third") in ("above", "below")]
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


def feature_words(feature: Feature) -> str:
    """A round feature in words, sizes as they are written."""
    diameter, depth = _written(feature.diameter), _written(feature.depth)
    along = f"along {feature.axis}"
    match feature.kind:
        case "hole":
            return f"hole ⌀{diameter}, " + (f"through, {along}" if feature.through else f"{depth} deep, {along}")
        case "boss":
            return f"round boss ⌀{diameter}, {depth} long, {along}"
        case "counterbore":
            return f"counterbore ⌀{diameter}, {depth} deep, {along}"
        case "countersink":
            return f"countersink ⌀{diameter}, {feature.angle:g}°, {along}"


def form_words(form: Form) -> str:
    """A form in words, sizes as they are written."""
    size, length, depth = (_written(value) for value in (form.size, form.length, form.depth))
    match form.kind:
        case "slot":
            return f"slot {length} long, {size} wide, " + ("through" if form.through else f"{depth} deep")
        case "chamfer":
            return f"chamfer {size} × 45°, {length} long"
        case "fillet":
            return f"fillet R{size}"
        case "rounded end":
            return f"rounded end R{size}"


def pattern_words(pattern: Pattern, part: Part) -> str:
    """A pattern in words."""
    first = part.features[pattern.features[0]]
    count, pitch = len(pattern.features), _written(pattern.pitch)
    where = {"row": f"in a row, {pitch} apart", "circle": f"evenly on a circle ⌀{pitch}", "alike": "alike"}
    return f"{count} × {first.kind} ⌀{_written(first.diameter)}, {where[pattern.layout]}"
